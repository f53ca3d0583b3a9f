import { atTheTable } from '../core/cook/later';
import { stepsOf, type Step } from '../core/cook/steps';
import { stepsHead, type StepsFile } from '../core/formats/stepsFile';
import type { Forecast } from '../core/model/forecast';
import { methodOf } from '../core/plan/family';
import type { RestStep, SayStep } from '../core/plan/method';
import type { Plan } from '../core/plan/plan';
import type { LaidPortion } from '../core/plan/bowls';
import { besideOf } from '../core/sides/sides';
import { t } from './book';
import { tell } from './index';
import type { Formatter } from './format';
import { measureOf } from './measure';
import { list, stepWords } from './potSteps';

type Act = StepsFile['acts'][number];
type Thing = Act['things'][number];

/** Rounded, so that a file reads well: 0.1 of a minute and of a gram. */
const tenth = (x: number): number => Math.round(x * 10) / 10;

const thingOf = (p: LaidPortion, fmt: Formatter, more: Pick<Thing, 'into'> & Partial<Thing>): Thing => ({
  ingredientId: p.ingredient.id,
  name: p.ingredient.name,
  grams: tenth(p.grams),
  measure: measureOf(p.ingredient, p.grams, fmt),
  ...more,
});

function actOf(step: Step, plan: Plan, f: Forecast, fmt: Formatter): Act {
  const w = stepWords(step, plan, fmt, f.depthMm);
  const things = step.puts.length
    ? step.puts.flatMap(({ into, portions, add }) =>
        portions.map((p) => thingOf(p, fmt, { into, ...(add ? { how: add.how } : {}) })),
      )
    : step.portions.map((p) => thingOf(p, fmt, { into: 'beside' }));
  const { bake } = step;
  const tempC = step.tempC ?? (bake?.until.reach === 'centre' ? bake.until.tempC : undefined);
  return {
    id: step.id,
    role: step.role,
    says: [w.manner ? `${w.title}: ${w.manner}.` : `${w.title}.`, w.cue].filter(Boolean).join(' '),
    things,
    ends: step.ends,
    ...(w.cue ? { sign: w.cue } : {}),
    minutes: tenth(step.seconds / 60),
    ...(tempC === undefined ? {} : { tempC }),
    ...(step.setting === undefined ? {} : { ring: step.setting }),
    ...(step.stirEveryS === undefined ? {} : { stirEveryS: step.stirEveryS }),
    ...(step.heat ? { lid: step.heat.lid } : {}),
    ...(bake
      ? {
          oven: {
            tempC: bake.ovenC,
            fan: bake.fan,
            from: bake.from,
            bath: bake.bath,
            covered: bake.covered,
            grillMin: bake.grillMin,
          },
        }
      : {}),
  };
}

function restOf(rest: RestStep, n: number, fmt: Formatter): Act {
  return {
    id: n > 1 ? `rest ${rest.where} ${n}` : `rest ${rest.where}`,
    role: 'rest',
    says: t(rest.covered ? 'potRoom.restCovered' : 'potRoom.restOpen', {
      hours: fmt.hours(rest.minutes / 60),
      place: t(`place.${rest.where}`),
    }),
    things: [],
    ends: 'time',
    minutes: tenth(rest.minutes),
    ...(rest.tempC === undefined ? {} : { tempC: rest.tempC }),
    where: rest.where,
  };
}

const sayOf = (op: SayStep, i: number): Act => ({
  id: op.id ?? `say ${i}`,
  role: 'say',
  says: `${op.words.charAt(0).toUpperCase()}${op.words.slice(1)}.`,
  things: [],
  ends: op.minutes === undefined ? 'done' : 'time',
  minutes: tenth(op.minutes ?? 0),
});

function serveOf(plan: Plan, f: Forecast, fmt: Formatter): Act {
  const { style, tempC, word } = plan.serve;
  const { loosen, on } = atTheTable(plan, f.products);
  const [temp, how, wanted] = [fmt.temp(tempC), t(`style.${style}`), t(`word.${word}`)];
  return {
    id: 'serve',
    role: 'serve',
    says: [
      loosen
        ? t('potRoom.serveLoosened', {
            temp,
            style: how,
            word: wanted,
            grams: fmt.grams(loosen.grams),
            name: loosen.ingredient.name,
          })
        : t('potRoom.serveAt', { temp, style: how, word: wanted }),
      on.length ? t('potRoom.onItAtTheTable', { what: list(on, fmt) }) : '',
    ]
      .filter(Boolean)
      .join(' '),
    things: [
      ...(loosen ? [thingOf(loosen, fmt, { into: 'top', how: 'stirred in' })] : []),
      ...on.map((p) => thingOf(p, fmt, { into: 'top' })),
    ],
    ends: 'done',
    minutes: 0,
    tempC,
  };
}

/**
 * What the pot tells of a plan, from the weighing to the table, as `ovalis-steps` has it.
 * @throws UnknownIngredientError
 */
export function stepsFile(plan: Plan, f: Forecast, fmt: Formatter): StepsFile {
  const told = stepsOf(plan, f);
  const acts: Act[] = [];
  let next = 0;
  let rests = 0;
  const upTo = (at: number) => {
    while (next < told.length && (told[next]!.at ?? -1) < at) acts.push(actOf(told[next++]!, plan, f, fmt));
  };
  for (const [i, op] of methodOf(plan).entries()) {
    if (op.do === 'say' && rests > 0) acts.push(sayOf(op, i));
    if (op.do !== 'rest' || op.minutes <= 0) continue;
    upTo(i);
    acts.push(restOf(op, ++rests, fmt));
  }
  upTo(Infinity);
  const beside = besideOf(plan).map((a) => ({
    id: a.id,
    name: tell(a.name, fmt),
    uses: a.uses.map((u) => ({ ingredientId: u.ingredientId, grams: tenth(u.grams) })),
    minutes: tenth(a.minutes),
    makesG: tenth(a.makesG),
    says: [...a.does, a.notice, ...(a.caution ? [a.caution] : [])].map((s) => tell(s, fmt)),
  }));
  return { ...stepsHead, plan: { id: plan.id, name: plan.name }, acts: [...acts, serveOf(plan, f, fmt)], beside };
}

import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';
import { lookUp } from './bowls';
import { linesOf, ownSteps, preparationsOf } from './layout';
import { purposeOf } from './method';
import { PlanSchema, type Plan } from './plan';
import { say, type Figure, type Said } from '../say';

/** A plan as it was: kept when a sitting of changes begins, so that it can be brought back. */
export const PastPlanSchema = z.object({
  id: IdSchema,
  planId: IdSchema,
  at: MomentSchema,
  plan: PlanSchema,
});
export type PastPlan = z.infer<typeof PastPlanSchema>;

/** Changes closer together than this are one sitting, ms. */
export const SITTING_MS = 3 * 60_000;
/** As many as this are kept of a plan. */
export const KEPT = 30;

/** Whether the state before a change is worth keeping: the first change of a sitting. */
export const beginsSitting = (past: readonly PastPlan[], planId: string, nowMs: number): boolean =>
  !past.some((p) => p.planId === planId && nowMs - Date.parse(p.at) < SITTING_MS && nowMs >= Date.parse(p.at));

/** The oldest ones beyond what is kept. */
export const outlived = (past: readonly PastPlan[], planId: string): PastPlan[] =>
  past
    .filter((p) => p.planId === planId)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
    .slice(KEPT);

const choiceSaid = (key: string, value: string | number | undefined): Figure =>
  value === undefined ? say('history.asUsual') : typeof value === 'number' ? value : say(`choice.${key}.${value}`);

/** What changed from one state of a plan to another, a line each, in the cook's words. */
export function changesBetween(from: Plan, to: Plan): Said[] {
  const out: Said[] = [];
  const name = (p: Plan, id: string) => lookUp(p, id).name;
  for (const i of linesOf(to)) {
    const old = linesOf(from).find((o) => o.ingredientId === i.ingredientId);
    if (!old) out.push(say('history.cameIn', { name: name(to, i.ingredientId), grams: i.grams }));
    else if (Math.abs(old.grams - i.grams) >= 0.05)
      out.push(say('history.to', { name: name(to, i.ingredientId), grams: old.grams, grams2: i.grams }));
    else if (old.in !== i.in)
      out.push(
        say('history.goesInInsteadOf', {
          name: name(to, i.ingredientId),
          stage: say(`stage.${purposeOf(i.in)}`),
          stage2: say(`stage.${purposeOf(old.in)}`),
        }),
      );
  }
  for (const o of from.things)
    if (!to.things.some((i) => i.ingredientId === o.ingredientId))
      out.push(say('history.wentOut', { name: name(from, o.ingredientId), grams: o.grams }));
  const line = (what: string, a: Figure, b: Figure) => {
    if (JSON.stringify(a) !== JSON.stringify(b)) out.push(say(`history.${what}`, { from: a, to: b }));
  };
  const of = <T extends Figure>(pick: (p: Plan) => T): [T, T] => [pick(from), pick(to)];
  const list = (said: readonly Said[]): Figure => (said.length ? said : say('history.none'));
  line('name', ...of((p) => p.name));
  line('kind', ...of((p) => say(`family.${p.family}`)));
  line('people', ...of((p) => p.people));
  line('portion', ...of((p) => p.portionG));
  line('wanted', ...of((p) => say(`word.${p.serve.word}`)));
  line('style', ...of((p) => say(`style.${p.serve.style}`)));
  line('servedAt', ...of((p) => p.serve.tempC));
  line('onTable', ...of((p) => Date.parse(p.serve.at)));
  line('dishes', ...of((p) => say('history.dish', { count: p.dish.count, capacityMl: p.dish.capacityMl })));
  line('pan', ...of((p) => p.pan.name));
  line('ring', ...of((p) => say('history.hob', { kind: say(`hobKind.${p.hob.kind}`), ratedW: p.hob.ratedW })));
  line('cookOn', ...of((p) => p.method.cookOnMin));
  line('settings', ...of((p) => say('history.then', { heat: p.method.heatSetting, simmer: p.method.simmerSetting })));
  line('stir', ...of((p) => p.method.stirEveryS));
  line('slurryAt', ...of((p) => p.method.slurryAtC));
  line('hours', ...of((p) => p.rest.hours));
  line('covered', ...of((p) => say(p.rest.covered ? 'history.cover' : 'history.open')));
  line('panSteam', ...of((p) => p.pan.steam ?? 1));
  line('fridgePace', ...of((p) => p.rest.pace ?? 1));
  line('power', ...of((p) => p.hob.powerTrim));
  const steps = ownSteps(to);
  if (JSON.stringify(ownSteps(from)) !== JSON.stringify(steps))
    out.push(steps ? say('history.ownSteps', { count: steps.length }) : say('history.usualSteps'));
  line('portions', ...of((p) => list(p.portions.map((x) => say('plain', { text: x.name })))));
  line('loosened', ...of((p) => p.serve.loosen?.grams ?? 0));
  line('starchBy', ...of((p) => say(`measure.${p.starchMeasure}`)));
  line('rules', ...of((p) => list(p.rules.map((r) => say(`rule.${r}`)))));
  line(
    'beside',
    ...of((p) =>
      list([
        ...preparationsOf(p).map((s) => say(`sideKind.${s.kind}`)),
        ...p.vessels.map((v) => say('plain', { text: v.name })),
      ]),
    ),
  );
  for (const key of new Set([...Object.keys(from.choices), ...Object.keys(to.choices)]) as Set<keyof Plan['choices']>) {
    const [a, b] = [from.choices[key], to.choices[key]];
    if (a !== b)
      out.push(
        say('history.choice', {
          what: say(`choice.${key}`),
          from: choiceSaid(key, a),
          to: choiceSaid(key, b),
        }),
      );
  }
  return out;
}

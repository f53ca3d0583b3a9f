import { forecast, type Forecast } from '../model/forecast';
import { refreshCarveOuts, withGrams } from '../plan/amounts';
import { massG } from '../matter/mixture';
import { lookUp, wholeMixture } from '../plan/stages';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import type { SetWord } from '../texture/words';
import { solve } from '../advice/solve';
import { PANS } from '../pantry/kitchen';
import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { suggestSettings } from '../pot/hob';
import { panFit } from '../vessels/fit';
import type { Line } from './lines';
import { planOf, type PlanMeta, type Reading } from './read';

/** A recipe held against the model: what it will be as written, what is missing or risky in it, and what would mend it. */
export type CheckItem = {
  id: string;
  /** needs mending, worth minding, or a fact */
  level: 'mend' | 'mind' | 'fact';
  says: string;
  why: string;
  /** what a tap would do; absent where only the cook can */
  fix?: string;
  accepted: boolean;
};
export type CheckUp = { plan: Plan; forecast: Forecast; items: CheckItem[] };

type Finding = Omit<CheckItem, 'accepted' | 'fix'> & { fix?: { says: string; apply(plan: Plan): Plan } };

/** Usual g of a thickener in a litre of liquid, from pouring to slicing (B): what a cook compares with. */
const PER_LITRE: Readonly<Record<string, readonly [number, number]>> = {
  cornstarch: [25, 130],
  custard_powder: [25, 130],
  potato_starch: [25, 110],
  tapioca_starch: [25, 120],
  wheat_flour: [45, 180],
  rice_flour: [40, 170],
  rice_ground: [50, 180],
  semolina: [60, 220],
  cornmeal_fine: [80, 260],
  cornmeal_coarse: [80, 260],
  rice_short: [70, 220],
};
/** Deeper than this and a pudding keeps its warmth too long, mm (B): see the cooling rules. */
const DEEP_MM = 60;
/** Less than this above the milk and any foam is over the rim, mm (B). */
const LEAST_HEADROOM_MM = 15;
/** Chance from which a boil-over is the pan's fault. */
const OFTEN = 0.6;
/** A middle warmer than this is not what "chilled" means, degC. */
const NOT_COLD_C = 12;
/** Yolk beside less starch than this curdles at the boil, % (see the protection law). */
const PROTECTS_PCT = 1.5;

const cap = (s: string) => s[0]!.toUpperCase() + s.slice(1);

/** As written: a starch that goes dry into what is hot is cooked that way, so that the model shows what it does. */
function asWritten(r: Reading, plan: Plan, pantry: Pantry): Plan {
  if (r.facts.starch !== 'into hot') return plan;
  return {
    ...plan,
    steps: [
      ...methodOf(plan, pantry).map((s) =>
        s.do === 'add' && s.stage === 'slurry' ? { ...s, how: 'dry powder' as const, stirring: 'spoon' as const } : s,
      ),
    ],
  };
}

const withoutSteps = (plan: Plan): Plan => {
  const { steps: _s, ...rest } = plan;
  return rest;
};

const sentenceWith = (method: readonly string[], word: RegExp) => method.find((s) => word.test(s))?.slice(0, 90);

/** Words that say which thing is meant, not what kind of it. */
const PLAIN = new Set([
  'whole',
  'fresh',
  'white',
  'fine',
  'ground',
  'canned',
  'chopped',
  'grated',
  'dried',
  'light',
  'carton',
  'powder',
  'drink',
  'plain',
  'peeled',
  'stoned',
  'grain',
  'short',
  'long',
  'coarse',
  'single',
  'double',
  'stick',
  'sticks',
  'pods',
  'extract',
  'water',
  'with',
  'from',
  'half',
  'tbsp',
  'cups',
  'large',
  'about',
]);
const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .match(/[a-zé]{3,}/g)
    ?.filter((w) => !PLAIN.has(w)) ?? [];

/** Whether the method ever uses a line of the list. */
export function isUsed(line: Line, r: Reading, pantry: Pantry): boolean {
  const method = r.method.join(' ').toLowerCase();
  if (!method || line.grams === 0) return true;
  if (
    /\b(everything|all (?:of )?(?:the )?(?:other |remaining |dry |cold )?ingredients|the lot|it all|rest of the ingredients)\b/.test(
      method,
    )
  )
    return true;
  if (line.top && /\b(topping|glaze|syrup|sauce|compote|sprinkle|garnish|top)\b/.test(method)) return true;
  const i = pantry.get(line.ingredientId!)!;
  if (r.facts.mentions.some((m) => m.id === i.id)) return true;
  if (i.id === 'water' && /\bwater\b/.test(method)) return true;
  if (i.comesOut && /\b(spices?|aromatics)\b/.test(method)) return true;
  if (
    i.group === 'thickener' &&
    /\b(slurry|starch|thickener)\b/.test(method) &&
    GRAINS[i.thickener ?? 'maize starch'].form === 'powder'
  )
    return true;
  if (i.egg && /\b(eggs?|yolks?)\b/.test(method)) return true;
  const own = [...wordsOf(i.name), ...wordsOf(line.text)];
  return own.some((w) => new RegExp(`\\b${w.replace(/(?:ies|es|s)$/, '')}`).test(method));
}

function findings(r: Reading, plan: Plan, f: Forecast, pantry: Pantry): Finding[] {
  const out: Finding[] = [];
  const { facts } = r;
  const items = plan.items.map((i) => ({ ...i, x: lookUp(pantry, plan, i.ingredientId) }));
  const powders = items.filter(
    (i) => i.x.group === 'thickener' && i.x.thickener && GRAINS[i.x.thickener].form === 'powder' && i.grams > 0,
  );
  const egg = items.some((i) => i.x.egg && i.grams > 0);
  const kernels = items.some((i) => i.x.thickener && GRAINS[i.x.thickener].form === 'kernel');
  const starchName = powders[0]?.x.name ?? 'starch';

  const wish = plan.serve.word;
  if (plan.family === 'frozen cream')
    out.push({
      id: 'set',
      level: Number.isFinite(f.frozenH) && f.frozenH <= plan.rest.hours ? 'fact' : 'mend',
      says: Number.isFinite(f.frozenH)
        ? `Frozen through after ${f.frozenH.toFixed(1)} h; ${f.hot.word} hot in the pot.`
        : `Not frozen through in ${plan.rest.hours.toFixed(0)} h.`,
      why: 'A light starch keeps the ice fine; cooked down it is fuller and sweeter.',
    });
  else if (f.serving.word !== wish && !kernels) {
    const s = solve(plan, pantry);
    out.push({
      id: 'set',
      level: 'mend',
      says: `As written it ${f.serving.word === 'firm' ? 'sets firm' : f.serving.word} at serving, ${f.hot.word} in the pot.`,
      why: s.ok
        ? `For "${wish}" it takes ${s.amounts.map((a) => `${Math.round(a.grams)} g ${lookUp(pantry, plan, a.ingredientId).name}`).join(' and ')} instead of ${s.amounts.map((a) => `${Math.round(plan.items.find((i) => i.ingredientId === a.ingredientId)?.grams ?? 0)} g`).join(' and ')}.`
        : s.why,
      ...(s.ok
        ? {
            fix: {
              says: `Make it ${wish}`,
              apply: (p: Plan) => {
                const again = solve(p, pantry);
                return again.ok
                  ? again.amounts.reduce((q, a) => withGrams(q, a.ingredientId, Math.round(a.grams * 2) / 2, pantry), p)
                  : p;
              },
            },
          }
        : {}),
    });
  } else
    out.push({
      id: 'set',
      level: 'fact',
      says: `${cap(f.serving.word)} at serving, ${f.hot.word} hot in the pot.`,
      why:
        f.nextDay.word === f.serving.word
          ? `Still ${f.nextDay.word} the day after.`
          : `The day after: ${f.nextDay.word}.`,
    });

  const litres =
    items
      .filter((i) => i.x.group === 'milk' && i.stage !== 'top')
      .reduce((s, i) => s + i.grams / i.x.densityGPerMl, 0) / 1000;
  for (const i of items.filter((t) => t.x.group === 'thickener' && t.grams > 0)) {
    const per = i.grams / Math.max(0.05, litres);
    const usual = PER_LITRE[i.ingredientId];
    const odd = usual && (per < usual[0] * 0.6 || per > usual[1] * 1.3);
    out.push({
      id: `ratio ${i.ingredientId}`,
      level: odd && items.filter((t) => t.x.group === 'thickener').length === 1 && !egg ? 'mind' : 'fact',
      says: `${Math.round(per)} g ${i.x.name} to a litre.`,
      why: usual
        ? `Usual is ${usual[0]} to ${usual[1]} g, from pouring to slicing.`
        : 'No usual figure is kept for it.',
    });
  }

  if (powders.length && r.method.length && facts.starch === 'into hot')
    out.push({
      id: 'no cold slurry',
      level: 'mend',
      says: `The ${starchName} goes dry into hot liquid.`,
      why: `Its outside seals before its inside is wet: lumps ${Math.round(10 * f.risks.lumps.chance)} times in 10, and lumps do not cook out.`,
      fix: { says: 'Wet it cold first', apply: (p) => refreshCarveOuts(withoutSteps(p), pantry) },
    });
  else if (powders.length && r.method.length && facts.starch === undefined)
    out.push({
      id: 'no cold slurry',
      level: 'mind',
      says: `It does not say how the ${starchName} gets wet.`,
      why: 'Dry into hot it lumps. Here it goes in as a slurry of cold liquid.',
    });

  if (egg && facts.yolks === 'straight in' && !facts.doubleBoiler) {
    const protectedBy = powders.reduce((s, i) => s + (i.grams * i.x.per100.starch) / 100, 0) / Math.max(1, f.endMassG);
    const safe = 100 * protectedBy >= PROTECTS_PCT;
    out.push({
      id: 'yolks into a boil',
      level: safe ? 'mind' : 'mend',
      says: 'The egg goes straight into hot liquid.',
      why: safe
        ? 'There is enough starch to protect it if you whisk; tempering is surer.'
        : `What touches the hot milk first sets at once: threads and grains ${Math.round(10 * f.risks.curdle.chance)} times in 10.`,
      fix: {
        says: 'Temper it ladle by ladle',
        apply: (p) => ({ ...p, choices: { ...p.choices, yolks: 'tempered' as const } }),
      },
    });
  }
  if (egg && powders.length === 0 && facts.bubbles && plan.family === 'stirred custard')
    out.push({
      id: 'custard boiled',
      level: 'mend',
      says: 'A custard without starch is brought to the boil.',
      why: 'Yolk alone curdles above about 84 °C. It is done when a finger line stays on the spoon.',
      fix: {
        says: 'Stop at 82 °C',
        apply: (p) => {
          const { eggOff: _e, ...choices } = p.choices;
          return { ...p, choices };
        },
      },
    });

  if (
    (powders.length || items.some((i) => i.stage === 'grain')) &&
    r.method.length &&
    !facts.bubbles &&
    !facts.oven &&
    !kernels
  ) {
    const never = facts.forbidsBoil && !egg;
    out.push({
      id: 'starch not boiled',
      level: 'mend',
      says: never
        ? `It says not to boil, but there is ${starchName} in it.`
        : 'It never says that the starch must bubble.',
      why: 'Starch that has not bubbled a minute tastes raw and is weaker; with yolk in it an enzyme thins it overnight.',
      fix: {
        says: 'Bubble and two minutes more',
        apply: (p) => {
          const { end: _e, ...choices } = p.choices;
          return {
            ...p,
            choices: egg ? { ...choices, eggOff: 'to bubbling' as const } : choices,
            method: { ...p.method, cookOnMin: Math.max(2, p.method.cookOnMin) },
          };
        },
      },
    });
  }

  const sweet = items.find((i) => i.x.group === 'sweet' && i.grams > 0);
  if (kernels && sweet && !facts.sugarLate && sweet.stage !== 'late') {
    const pct =
      (100 * sweet.grams) /
      Math.max(
        1,
        plan.items.reduce((s, i) => s + i.grams, 0),
      );
    out.push({
      id: 'sugar early',
      level: pct > 7 ? 'mend' : 'mind',
      says: 'The sugar is in before the grains are soft.',
      why: `Sugar keeps water from the rice: at ${Math.round(pct)} % it costs ${pct > 7 ? 'minutes, and some stay hard' : 'little'}.`,
      fix: {
        says: 'Sugar when they are soft',
        apply: (p) => ({
          ...p,
          items: p.items.map((i) => (i.ingredientId === sweet.ingredientId ? { ...i, stage: 'late' as const } : i)),
        }),
      },
    });
  }

  const fit = panFit(plan, pantry);
  const over = f.risks['boil over'].chance;
  if (fit.headroomMm < LEAST_HEADROOM_MM || over > OFTEN) {
    const bigger = PANS.filter((p) => p.diameterMm > plan.pan.diameterMm || p.heightMm > plan.pan.heightMm)
      .map((pan) => ({ pan, room: panFit({ ...plan, pan }, pantry).headroomMm }))
      .find((x) => x.room >= LEAST_HEADROOM_MM && x.room > fit.headroomMm);
    out.push({
      id: 'pot too small',
      level: 'mend',
      says:
        fit.headroomMm <= 0
          ? `${Math.round(fit.goesInMl)} ml do not go into a pan of ${Math.round(fit.holdsMl)} ml.`
          : over > OFTEN
            ? `It boils over ${Math.round(10 * over)} times in 10: ${Math.round(fit.headroomMm)} mm above the milk, at this fire.`
            : `Only ${Math.round(fit.headroomMm)} mm are left above the milk.`,
      why: 'Milk foams from a third full to the rim in seconds.',
      ...(bigger
        ? {
            fix: {
              says: `Take the ${bigger.pan.name}`,
              apply: (p: Plan) => ({
                ...p,
                pan: bigger.pan,
                method: {
                  ...p.method,
                  ...suggestSettings(p.hob, bigger.pan.diameterMm, massG(wholeMixture(p, pantry))),
                },
              }),
            },
          }
        : {}),
    });
  }
  if (f.fillRel > 1.02)
    out.push({
      id: 'dish too small',
      level: 'mend',
      says: `It makes ${Math.round(f.endMassG / 1.04)} ml; the dishes hold ${plan.dish.count * plan.dish.capacityMl} ml.`,
      why: 'What does not fit has nowhere to set.',
      fix: {
        says: 'Take more dishes',
        apply: (p) => ({
          ...p,
          dish: { ...p.dish, count: Math.min(60, Math.ceil((p.dish.count * f.fillRel) / 0.95)) },
        }),
      },
    });
  const cold = plan.serve.tempC < 20;
  const tooDeep = f.depthMm > DEEP_MM || (facts.layerMm !== undefined && f.depthMm > 1.35 * facts.layerMm);
  if (cold && tooDeep)
    out.push({
      id: 'layer too deep',
      level: f.depthMm > DEEP_MM ? 'mend' : 'mind',
      says: `It stands ${Math.round(f.depthMm)} mm deep${facts.layerMm ? `, not the ${Math.round(facts.layerMm)} mm it speaks of` : ''}.`,
      why: `Its middle takes ${Number.isFinite(f.cool.below21H) ? `${f.cool.below21H.toFixed(1)} h to 21 °C` : 'too long to get to 21 °C'}. Half as deep cools and sets in a third of the time. Local food-safety rules come first.`,
      fix: {
        says: 'Split it over more dishes',
        apply: (p) => ({
          ...p,
          dish: {
            ...p.dish,
            count: Math.min(
              60,
              Math.max(p.dish.count + 1, Math.ceil((p.dish.count * f.depthMm) / (facts.layerMm ?? 40))),
            ),
          },
        }),
      },
    });
  else if (cold && !f.cool.safe) {
    const iced: Plan = { ...plan, choices: { ...plan.choices, cooling: 'ice bath' } };
    const helps = plan.choices.cooling !== 'ice bath' && forecast(iced, pantry).cool.safe;
    out.push({
      id: 'cools too slowly',
      level: 'mind',
      says: `Its middle takes ${Number.isFinite(f.cool.below21H) ? f.cool.below21H.toFixed(1) : 'many'} h to 21 °C.`,
      why: 'That is longer than the usual cooling rules allow. Local food-safety rules come first.',
      ...(helps
        ? {
            fix: {
              says: 'Half an hour in ice water first',
              apply: (p: Plan) => ({ ...p, choices: { ...p.choices, cooling: 'ice bath' as const } }),
            },
          }
        : {}),
    });
  }
  const last = f.set.filter((p) => p.hours <= plan.rest.hours + 1e-6).at(-1);
  const enough = Math.ceil(f.servingTempH * 2) / 2;
  if (cold && last && last.coreC > NOT_COLD_C && Number.isFinite(enough) && enough <= 96)
    out.push({
      id: 'not cold in time',
      level: plan.serve.style === 'spooned' ? 'mind' : 'mend',
      says: `After ${plan.rest.hours.toFixed(1)} h its middle is still ${Math.round(last.coreC)} °C.`,
      why: 'A warm middle has not set: it is cut or turned out too early.',
      fix: {
        says: `Give it ${enough} h`,
        apply: (p) => ({ ...p, rest: { ...p.rest, hours: Math.max(p.rest.hours, enough) } }),
      },
    });

  const whole = r.lines.filter(
    (l) =>
      l.ingredientId &&
      l.count &&
      pantry.get(l.ingredientId)?.comesOut &&
      plan.items.some((i) => i.ingredientId === l.ingredientId),
  );
  const left = facts.strained ? [] : whole.filter((l) => !facts.takenOut.includes(l.ingredientId!));
  if (left.length && r.method.length)
    out.push({
      id: 'spices stay in',
      level: 'mend',
      says: `${cap(left.map((l) => `${l.count} × ${pantry.get(l.ingredientId!)!.name}`).join(', '))} ${left.length > 1 || left[0]!.count! > 1 ? 'go' : 'goes'} in and never ${left.length > 1 || left[0]!.count! > 1 ? 'come' : 'comes'} out.`,
      why: 'Later it drags half the paste along, and a forgotten one is a choking hazard for small children.',
      fix: {
        says: 'Count them out before it thickens',
        apply: (p) => ({
          ...p,
          items: p.items.map((i) =>
            left.some((l) => l.ingredientId === i.ingredientId) ? { ...i, stage: 'pot' as const } : i,
          ),
        }),
      },
    });

  const unused = r.lines.filter((l) => l.state !== 'open' && l.ingredientId && !isUsed(l, r, pantry));
  if (unused.length)
    out.push({
      id: 'listed and never used',
      level: 'mind',
      says: `${cap(unused.map((l) => pantry.get(l.ingredientId!)!.name).join(', '))}: on the list, in no step.`,
      why: 'Here it goes in where such a thing usually does.',
    });
  const listed = new Set(r.lines.flatMap((l) => (l.ingredientId ? [l.ingredientId] : [])));
  const groups = new Set([...listed].map((id) => pantry.get(id)?.group));
  const strange = facts.mentions.filter((m) => {
    const i = pantry.get(m.id);
    return i && !listed.has(m.id) && !groups.has(i.group) && !['water', 'salt', 'oil', 'butter'].includes(i.id);
  });
  if (strange.length)
    out.push({
      id: 'used and never listed',
      level: 'mind',
      says: `${cap(strange.map((m) => pantry.get(m.id)!.name).join(', '))}: in a step, on no list.`,
      why: `"${sentenceWith(r.method, new RegExp(pantry.get(strange[0]!.id)!.name.split(' ')[0]!, 'i')) ?? r.method[strange[0]!.at]?.slice(0, 90)}"`,
    });

  const spoon = r.lines.find(
    (l) => l.vague && l.ingredientId && pantry.get(l.ingredientId)?.group === 'thickener' && l.lowG !== undefined,
  );
  const bare = r.lines.find(
    (l) => l.ingredientId && pantry.get(l.ingredientId)?.group === 'thickener' && /bare spoon/.test(l.why),
  );
  const unsure = spoon ?? bare;
  if (unsure) {
    const at = (g: number) => forecast(withGrams(plan, unsure.ingredientId!, g, pantry), pantry).serving.word;
    const [lo, hi] = [at(unsure.lowG!), at(unsure.highG!)];
    out.push({
      id: 'bare spoon',
      level: lo === hi ? 'fact' : 'mind',
      says: `"${unsure.text.slice(0, 50)}" is ${Math.round(unsure.lowG!)} to ${Math.round(unsure.highG!)} g.`,
      why:
        lo === hi
          ? `Either way it ${lo}.`
          : `That is anything from "${lo}" to "${hi}". Weigh ${Math.round(unsure.grams!)} g.`,
    });
  }
  if (f.risks.split.chance > 0.2)
    out.push({
      id: 'sour splits it',
      level: 'mind',
      says: 'The sour fruit may split the milk.',
      why: f.risks.split.why,
    });
  return out;
}

/** What each way of serving can be content with; a recipe that comes out so is taken to mean it. */
const CONTENT: Record<Plan['serve']['style'], readonly SetWord[]> = {
  spooned: ['pours', 'coats', 'mounds', 'holds a trail', 'wobbles'],
  'turned out': ['wobbles', 'slices'],
  cut: ['slices', 'firm'],
};
const wishOf = (plan: Plan, word: SetWord): Plan =>
  plan.family !== 'frozen cream' && CONTENT[plan.serve.style].includes(word)
    ? { ...plan, serve: { ...plan.serve, word } }
    : plan;

/** Order in which mends are made, so that a later one sees the earlier. */
const ORDER = [
  'no cold slurry',
  'yolks into a boil',
  'custard boiled',
  'starch not boiled',
  'sugar early',
  'spices stay in',
  'pot too small',
  'dish too small',
  'layer too deep',
  'cools too slowly',
  'not cold in time',
  'set',
];

/**
 * The check-up of a recipe, with the mends that were accepted made.
 * @returns undefined when nothing in it is liquid
 */
export function checkUp(
  r: Reading,
  pantry: Pantry,
  meta: PlanMeta,
  accepted: readonly string[] = [],
): CheckUp | undefined {
  const first = planOf(r, pantry, meta);
  if (!first) return undefined;
  let plan = asWritten(r, first, pantry);
  if (r.facts.bubbles && plan.items.some((i) => i.stage === 'bowl') && !r.facts.oven)
    plan = { ...plan, choices: { ...plan.choices, eggOff: 'to bubbling' } };
  plan = wishOf(plan, forecast(plan, pantry).serving.word);
  const done: CheckItem[] = [];
  for (const id of ORDER.filter((o) => accepted.includes(o))) {
    const f = findings(r, plan, forecast(plan, pantry), pantry).find((x) => x.id === id);
    if (!f?.fix) continue;
    plan = refreshCarveOuts(f.fix.apply(plan), pantry);
    done.push({ id, level: f.level, says: f.says, why: f.why, fix: f.fix.says, accepted: true });
  }
  const f = forecast(plan, pantry);
  const accept = new Set(done.map((d) => d.id));
  const open = findings(mended(r, accept), plan, f, pantry)
    .filter((x) => !accept.has(x.id) || x.id === 'set')
    .map(({ fix, ...x }) => ({ ...x, ...(fix ? { fix: fix.says } : {}), accepted: false }));
  const rank = { mend: 0, mind: 1, fact: 2 } as const;
  return {
    plan,
    forecast: f,
    items: [...open.sort((a, b) => rank[a.level] - rank[b.level]), ...done.filter((d) => d.id !== 'set')],
  };
}

/** The recipe's facts once mends are accepted: they are not found a second time. */
function mended(r: Reading, accepted: ReadonlySet<string>): Reading {
  const f = { ...r.facts };
  if (accepted.has('no cold slurry')) f.starch = 'cold slurry';
  if (accepted.has('yolks into a boil')) f.yolks = 'tempered';
  if (accepted.has('starch not boiled')) f.bubbles = true;
  if (accepted.has('custard boiled')) f.bubbles = false;
  if (accepted.has('sugar early')) f.sugarLate = true;
  return { ...r, facts: f };
}

import { type Batch, type Found, promiseOf } from '../book/batch';
import type { Cook, CookEvent } from '../cook/events';
import { stepsOf } from '../cook/steps';
import { forecast } from '../model/forecast';
import { moved, wetted, scaleToPeople } from '../plan/amounts';
import { compotePot, syrupPot } from '../plan/potStarts';
import { linesOf, withLines, withPreparations, type Line } from '../plan/layout';
import type { Bowl } from '../plan/method';
import { newPlan } from '../plan/newPlan';
import { PlanSchema, type Plan, type SecondPot } from '../plan/plan';
import { solveStarch } from '../advice/solve';
import type { KitchenFile } from '../formats/kitchenFile';
import { nutMilk } from '../pantry/nutMilk';
import { DISHES, HOBS, PANS } from '../pantry/kitchen';
import { suggestSettings } from '../pot/hob';
import { DEFAULT_SETTINGS } from '../settings';

/** The winter supper of the Lanternfield neighbourhood choir: made up, and made by running the model. */

const DAY = 86_400_000;
const iso = (ms: number) => new Date(ms).toISOString();

type Want = Pick<Plan, 'id' | 'name' | 'people' | 'portionG'> & {
  milkId: string;
  family?: Plan['family'];
  /** of the pot, as sugar; the family's own where none is said */
  sugarShare?: number;
  /** grams that replace the family's own, and stages */
  instead?: (plan: Plan) => Plan;
  choices?: Plan['choices'];
  dish: number;
  count: number;
  pan: number;
  hob: number;
  serve: Omit<Plan['serve'], 'at'>;
  at: number;
  rest?: Partial<Plan['rest']>;
  measure?: Plan['starchMeasure'];
  extra?: Line[];
  beside?: (plan: Plan) => Plan;
  rules?: Plan['rules'];
  own?: Plan['own'];
};

const withPot =
  (pot: SecondPot) =>
  (plan: Plan): Plan => ({ ...plan, vessels: [...plan.vessels, pot] });

function design(w: Want): Plan {
  const { name: _d, ...dish } = DISHES[w.dish]!;
  const { name: _h, ...hob } = HOBS[w.hob]!;
  const pan = PANS[w.pan]!;
  const first = newPlan({
    id: w.id,
    name: w.name,
    milkId: w.milkId,
    people: w.people,
    portionG: w.portionG,
    serveAt: iso(w.at),
    ...(w.own ? { own: w.own } : {}),
    ...(w.family ? { family: w.family } : {}),
  });
  const totalG = w.people * w.portionG * 1.07;
  const plan: Plan = {
    ...first,
    choices: { ...first.choices, ...w.choices },
    rules: w.rules ?? [],
    pan,
    hob,
    dish: { ...dish, count: w.count },
    starchMeasure: w.measure ?? 'level spoons',
    method: { ...first.method, ...suggestSettings(hob, pan.diameterMm, totalG) },
    rest: { ...first.rest, ...w.rest },
    serve: { ...w.serve, at: iso(w.at) },
  };
  const laid = withLines(plan, [
    ...linesOf(plan).map((i) =>
      i.ingredientId === 'sugar' && w.sugarShare !== undefined ? { ...i, grams: Math.round(totalG * w.sugarShare) } : i,
    ),
    ...(w.extra ?? []),
  ]);
  const solved = solveStarch(wetted(w.instead ? w.instead(laid) : laid));
  const fitted = scaleToPeople(solved.plan, w.people, w.portionG, forecast(solved.plan).lossRel);
  const again = solveStarch(fitted).plan;
  const whole = again.things.map((i) => ({
    ...i,
    grams:
      i.grams >= 20 ? Math.round(i.grams) : i.grams < 1 ? Math.round(i.grams * 10) / 10 : Math.round(i.grams * 2) / 2,
  }));
  // in the order of the schema, as it comes back from the store
  const made = wetted({ ...again, things: whole });
  return PlanSchema.parse(w.beside ? w.beside(made) : made);
}

/** The batch as another kitchen's pot would have made it: its words are read off the model with other truths. */
function cookedOnce(
  id: string,
  plan: Plan,
  at: number,
  truth: { firmness: number; power: number; starch: number },
  found: Partial<Found>,
): Batch {
  const promised = forecast(plan);
  const real = forecast({
    ...plan,
    firmness: { ...plan.firmness, factor: plan.firmness.factor * truth.firmness },
    hob: { ...plan.hob, powerTrim: plan.hob.powerTrim * truth.power },
    things: plan.things.map((i) => (i.ingredientId === 'cornstarch' ? { ...i, grams: i.grams * truth.starch } : i)),
  });
  const { events, endMs } = walk(plan, at - real.minutes.total * 60_000, id);
  return {
    id,
    at: iso(endMs),
    plan,
    events,
    promise: promiseOf(promised, plan),
    found: {
      wordHot: real.hot.word,
      wordServing: real.serving.word,
      sweetness: 'right',
      flaws: [],
      note: '',
      ...found,
    },
  };
}

/** Events of a cook that goes as forecast, up to and without `upTo`. */
function walk(plan: Plan, startMs: number, tag: string, upTo?: string): { events: CookEvent[]; endMs: number } {
  const steps = stepsOf(plan, forecast(plan));
  let ms = startMs;
  const events: CookEvent[] = [{ kind: 'started', id: `${tag}-e0`, at: iso(ms) }];
  for (const [i, step] of steps.entries()) {
    if (step.id === upTo) break;
    ms += step.seconds * 1000;
    if (step.cue) events.push({ kind: 'observed', id: `${tag}-o${i}`, at: iso(ms), what: step.cue });
    events.push({ kind: 'stepDone', id: `${tag}-e${i + 1}`, at: iso(ms), step: step.id });
  }
  return { events, endMs: ms };
}

/** A time of day in the cook's own hours, `days` from the day of `nowMs`. */
const onDay = (nowMs: number, offsetMin: number, days: number, hour: number, minute = 0): number => {
  const local = nowMs - offsetMin * 60_000;
  return (Math.floor(local / DAY) + days) * DAY + hour * 3_600_000 + minute * 60_000 + offsetMin * 60_000;
};

/** The supper: half past seven, today while there is still time to cook for it, else tomorrow. */
function supper(nowMs: number, offsetMin: number): number {
  const noon = onDay(nowMs, offsetMin, 0, 12, 30);
  return onDay(nowMs, offsetMin, nowMs < noon ? 0 : 1, 19, 30);
}

/** What the choir cooks on the days after: each family in its own way, and one day with the oven. */
function furtherPlans(at: number): Plan[] {
  const into = (id: string, bowl: Bowl) => (p: Plan) => moved(p, id, bowl);
  return [
    design({
      id: 'choir-5-custard',
      name: 'Orange-leaf custard',
      family: 'stirred custard',
      people: 8,
      portionG: 110,
      milkId: 'milk_whole',
      dish: 2,
      count: 8,
      pan: 1,
      hob: 1,
      serve: { style: 'spooned', word: 'pours', tempC: 8 },
      at: at + DAY,
      measure: 'scale',
      choices: { heat: 'double boiler' },
      extra: [{ ingredientId: 'orange_leaf', grams: 2, in: 'pot' }],
      beside: withPot(compotePot('s-strawberry', 'strawberry', 400)),
      rest: { roomMin: 15, hours: 4 },
    }),
    design({
      id: 'choir-6-porridge',
      name: 'Maize porridge, walnut milk',
      family: 'porridge',
      people: 6,
      portionG: 170,
      milkId: 'walnut_drink',
      dish: 3,
      count: 1,
      pan: 1,
      hob: 1,
      serve: { style: 'spooned', word: 'mounds', tempC: 55 },
      at: at + 2 * DAY,
      choices: { grain: 'wetted cold first' },
      instead: (p) => ({
        ...p,
        things: p.things.map((i) => (i.ingredientId === 'semolina' ? { ...i, ingredientId: 'cornmeal_fine' } : i)),
      }),
      extra: [{ ingredientId: 'walnuts_chopped', grams: 40, in: 'top' }],
      rest: { roomMin: 10, hours: 0.25 },
    }),
    design({
      id: 'choir-7-ground-rice',
      name: 'Ground-rice cream, cooked down',
      family: 'ground-rice cream',
      people: 8,
      portionG: 110,
      milkId: 'milk_whole',
      dish: 6,
      count: 8,
      pan: 2,
      hob: 2,
      serve: { style: 'spooned', word: 'mounds', tempC: 8 },
      at: at + 3 * DAY,
      choices: { reduceTo: 0.75, sides: 'skimmed' },
      rest: { roomMin: 15, hours: 5 },
    }),
    design({
      id: 'choir-8-rice',
      name: 'Rice of the altos, with yolk',
      family: 'whole-rice pudding',
      people: 10,
      portionG: 130,
      milkId: 'milk_whole',
      dish: 1,
      count: 10,
      pan: 2,
      hob: 2,
      serve: { style: 'spooned', word: 'mounds', tempC: 8 },
      at: at + 3 * DAY,
      extra: [
        { ingredientId: 'yolk', grams: 34, in: 'bowl' },
        { ingredientId: 'cinnamon', grams: 8, in: 'pot' },
      ],
      rest: { roomMin: 15, hours: 5 },
    }),
    design({
      id: 'choir-9-slab',
      name: 'Semolina slab, coconut on top',
      family: 'baked slab',
      people: 16,
      portionG: 95,
      milkId: 'milk_whole',
      dish: 8,
      count: 2,
      pan: 2,
      hob: 2,
      serve: { style: 'cut', word: 'slices', tempC: 8 },
      at: at + DAY,
      measure: 'scale',
      extra: [{ ingredientId: 'coconut_cream', grams: 240, in: 'top' }],
      beside: withPot(syrupPot('s-syrup', { sugarId: 'sugar', sugarG: 160, to: 'pouring', acid: true })),
      choices: { cooling: 'ice bath' },
      rest: { roomMin: 20, hours: 6 },
    }),
    design({
      id: 'choir-10-sticks',
      name: 'Frozen saffron sticks',
      family: 'frozen cream',
      people: 10,
      portionG: 75,
      milkId: 'milk_whole',
      dish: 7,
      count: 10,
      pan: 2,
      hob: 2,
      serve: { style: 'turned out', word: 'firm', tempC: -8 },
      at: at + 2 * DAY,
      extra: [{ ingredientId: 'saffron', grams: 0.2, in: 'pot' }],
      instead: into('sugar', 'pot'),
      rest: { roomMin: 30, hours: 14 },
    }),
  ];
}

/** The moment for which the supper is cooked, before it is laid for another. */
const COOKED_AT_MS = Date.UTC(2026, 11, 11, 12);

/**
 * The supper as it was cooked, laid for a visit at another moment: nothing is cooked anew.
 * @param nowMs the moment of the first visit
 * @param offsetMin minutes that UTC is ahead of the cook's clock (Date.getTimezoneOffset)
 */
export function laidFor(cooked: KitchenFile, nowMs: number, offsetMin: number): KitchenFile {
  const by = (ms: number) => (at: string) => iso(Date.parse(at) + ms);
  const onTable = by(supper(nowMs, offsetMin) - supper(COOKED_AT_MS, 0));
  const daysAgo = by(onDay(nowMs, offsetMin, 0, 0) - onDay(COOKED_AT_MS, 0, 0, 0));
  const now = by(nowMs - COOKED_AT_MS);
  const plan = (p: Plan): Plan => ({ ...p, serve: { ...p.serve, at: onTable(p.serve.at) } });
  const moved = <T extends { at: string }>(list: readonly T[], to: (at: string) => string): T[] =>
    list.map((e) => ({ ...e, at: to(e.at) }));
  return {
    ...cooked,
    exportedAt: now(cooked.exportedAt),
    plans: cooked.plans.map(plan),
    cooks: cooked.cooks.map((c) => ({ ...c, plan: plan(c.plan), events: moved(c.events, now) })),
    batches: moved(cooked.batches, daysAgo).map((b) => ({
      ...b,
      plan: plan(b.plan),
      ...(b.events ? { events: moved(b.events, daysAgo) } : {}),
    })),
    preps: cooked.preps.map((p) => ({ ...p, ticks: moved(p.ticks, now) })),
  };
}

/** The supper laid for a visit, cooked by the model: seconds of work. Parameters as of `laidFor`. */
export const choirSupper = (nowMs: number, offsetMin = 0): KitchenFile => laidFor(cookedSupper(), nowMs, offsetMin);

/** The supper, by running the model. */
export function cookedSupper(): KitchenFile {
  const nowMs = COOKED_AT_MS;
  const offsetMin = 0;
  const hazelnut = nutMilk('hazelnut', 250, 1000);
  const { massG: _m, fatPct: _f, ...homeHazelnut } = hazelnut;
  const at = supper(nowMs, offsetMin);

  const plans = [
    design({
      id: 'choir-1-hazelnut',
      name: 'Hazelnut set pudding',
      people: 14,
      portionG: 88,
      milkId: homeHazelnut.id,
      own: [homeHazelnut],
      sugarShare: 0.085,
      dish: 0,
      count: 14,
      pan: 1,
      hob: 2,
      serve: { style: 'turned out', word: 'wobbles', tempC: 8 },
      at,
      rest: { roomMin: 20, hours: 5.25 },
    }),
    design({
      id: 'choir-2-vanilla',
      name: 'Vanilla milk cups',
      people: 6,
      portionG: 135,
      milkId: 'milk_whole',
      sugarShare: 0.08,
      dish: 1,
      count: 6,
      pan: 1,
      hob: 1,
      serve: { style: 'spooned', word: 'mounds', tempC: 8 },
      at,
      extra: [{ ingredientId: 'butter', grams: 15, in: 'off the heat' }],
      beside: withPot(compotePot('s-plum', 'plum', 450)),
    }),
    design({
      id: 'choir-3-coconut',
      name: 'Coconut squares',
      people: 16,
      portionG: 50,
      milkId: 'coconut_milk',
      sugarShare: 0.1,
      dish: 4,
      count: 1,
      pan: 1,
      hob: 1,
      serve: { style: 'cut', word: 'slices', tempC: 7 },
      at,
      measure: 'scale',
      choices: { cooling: 'ice bath' },
      rules: ['no egg', 'no milk'],
      beside: (p) =>
        withPreparations(p, [{ id: 's-flakes', kind: 'toasting', whatId: 'coconut_grated', grams: 40, to: 'golden' }]),
      rest: { roomMin: 15, hours: 6.5 },
    }),
    design({
      id: 'choir-4-almond',
      name: 'Almond drinking cream',
      people: 8,
      portionG: 120,
      milkId: 'almond_drink',
      sugarShare: 0.07,
      dish: 2,
      count: 8,
      pan: 1,
      hob: 1,
      serve: { style: 'spooned', word: 'coats', tempC: 12 },
      at: at + DAY,
      rest: { roomMin: 20, hours: 3 },
    }),
  ];
  const [hazel, vanilla, coconut] = plans as [Plan, Plan, Plan, Plan];
  const more = furtherPlans(at);
  const [custard, , cream, rice, slab] = more as [Plan, Plan, Plan, Plan, Plan, Plan];

  const ago = (days: number) => onDay(nowMs, offsetMin, -days, 15);
  const batches = [
    cookedOnce(
      'b-hazel-1',
      hazel,
      ago(18),
      { firmness: 0.62, power: 0.92, starch: 0.95 },
      { flaws: ['slumped'], note: 'Two of the moulds slid. Altos liked it anyway.' },
    ),
    cookedOnce(
      'b-vanilla-1',
      vanilla,
      ago(12),
      { firmness: 0.95, power: 0.95, starch: 1.02 },
      { note: 'Smooth. Gone before the second set of songs.' },
    ),
    cookedOnce(
      'b-coconut-1',
      coconut,
      ago(9),
      { firmness: 1.3, power: 0.9, starch: 1.04 },
      { sweetness: 'too much', note: 'Cut clean with a wet knife.' },
    ),
    cookedOnce(
      'b-hazel-2',
      hazel,
      ago(4),
      { firmness: 0.66, power: 0.9, starch: 1 },
      { note: 'Softer again than promised: the small ring?' },
    ),
    cookedOnce(
      'b-custard-1',
      custard,
      ago(15),
      { firmness: 1, power: 0.95, starch: 1 },
      { note: 'Poured over the strawberries as it should. The leaf was out before the egg went in.' },
    ),
    cookedOnce(
      'b-rice-1',
      rice,
      ago(11),
      { firmness: 1.05, power: 1, starch: 1 },
      { note: 'Soft through, and the cinnamon counted out at the end.' },
    ),
    cookedOnce(
      'b-slab-1',
      slab,
      ago(8),
      { firmness: 0.62, power: 1, starch: 1 },
      { flaws: ['slumped'], note: 'It trembled under the knife. The coconut stayed on top.' },
    ),
    cookedOnce(
      'b-cream-1',
      cream,
      ago(6),
      { firmness: 1.7, power: 1, starch: 1 },
      { note: 'Stiffer than promised in the clay cups. Basses happy, sopranos asked for milk.' },
    ),
  ];

  const { events, endMs } = walk(vanilla, 0, 'c1', 'thicken');
  const shift = nowMs - endMs - 45_000;
  const cook: Cook = {
    id: 'c-vanilla',
    plan: vanilla,
    events: events.map((e) => ({ ...e, at: iso(Date.parse(e.at) + shift) })),
  };

  return {
    format: 'ovalis-kitchen',
    version: 10,
    exportedAt: iso(nowMs),
    plans: [...plans, ...more],
    cooks: [cook],
    batches,
    ingredients: [homeHazelnut],
    packs: [
      { id: 'p-can', ingredientId: 'coconut_milk', name: 'can of coconut milk', grams: 400, price: 1.9 },
      { id: 'p-box', ingredientId: 'cornstarch', name: 'box of cornstarch', grams: 250, price: 1.2 },
      { id: 'p-carton', ingredientId: 'milk_whole', name: 'carton of milk', grams: 1030, price: 1.35 },
    ],
    vessels: [
      {
        id: 'v-tin',
        name: 'supper tin, 30 × 20',
        use: 'dish',
        form: { shape: 'square', lengthMm: 300, widthMm: 200 },
        heightMm: 40,
        wall: 'metal',
        count: 1,
      },
    ],
    history: [],
    days: [],
    preps: [
      {
        id: hazel.id,
        ticks: [{ item: `soak-${homeHazelnut.id}`, at: iso(nowMs - 38 * 60_000) }],
        weighed: [],
      },
    ],
    settings: DEFAULT_SETTINGS,
  };
}

import { dishHistory, forecast, judge } from '../model/forecast';
import type { Plan } from '../plan/plan';
import { runMethod } from '../model/run';
import { ageFactor } from '../set/firmness';
import type { AddStep, MethodStep } from '../plan/method';
import { STARCHES } from '../pot/starch';
import { USUAL_BATH } from '../plan/family';
import { boundsFor, SET_WORDS, wordAt } from '../texture/words';
import { rowsOf, type Anchor } from './anchor';
import { cooked, dishOf, heatStep, type Asked } from './dishes';
import { strip } from './starch';

/** Ways of heating and of cooling that must not change what sets. */
const way = rowsOf('Ways of heating and cooling');
const PLACE = 'place on the strip';

const slurry: AddStep = {
  do: 'pour',
  to: 'pot',
  from: 'slurry',
  tempC: 8,
  how: 'cold slurry',
  stirring: 'whisk',
  soakMin: 0,
  left: 0,
};
const chilled: MethodStep[] = [
  { do: 'pour', to: 'dish' },
  { do: 'rest', where: 'room', minutes: 20, covered: true },
  { do: 'rest', where: 'fridge', minutes: 300, tempC: 4, covered: true },
];

/** A bowl over steam, stirred now and then, for so many minutes from cold. */
const steamed = (a: Asked, minutes: number): Asked => ({
  ...a,
  steps: [
    slurry,
    heatStep({ role: 'thicken', setting: 6, stirEveryS: 20, over: USUAL_BATH, until: { reach: 'time', minutes } }),
    ...chilled,
  ],
});
/** The same over steam until it is thick and hot, and five minutes more. */
const steamedThick = (a: Asked): Asked => ({
  ...a,
  steps: [
    slurry,
    heatStep({
      role: 'thicken',
      setting: 6,
      stirEveryS: 20,
      over: USUAL_BATH,
      until: { reach: 'temperature', tempC: 85 },
      limitMin: 60,
    }),
    heatStep({ role: 'cook on', setting: 6, stirEveryS: 20, over: USUAL_BATH, until: { reach: 'time', minutes: 5 } }),
    ...chilled,
  ],
});
/** Over a ring to the first bubble and two minutes more. */
const ringed = (a: Asked): Asked => ({
  ...a,
  steps: [
    slurry,
    heatStep({ role: 'thicken', watts: 750, until: { reach: 'bubble' } }),
    heatStep({ role: 'cook on', watts: 330, until: { reach: 'time', minutes: 2 } }),
    ...chilled,
  ],
});
const pudding = (grams: number): Asked => ({
  liquidG: grams,
  tempC: 8,
  items: { sugar: 0.08 * grams, cornstarch: 0.07 * grams },
});

/** Minutes over steam until a pudding of so many g is at 85 degC. */
function steamMinutes(grams: number): number {
  const a = steamed(pudding(grams / 1.15), 90);
  const run = runMethod(dishOf(a), { sampleS: 20 });
  return (run.trace.find((r) => r.bulkC >= 85)?.tS ?? NaN) / 60;
}
const steamEnd = (grams: number): number => {
  const run = runMethod(dishOf(steamed(pudding(grams / 1.15), 40)), { sampleS: 20 });
  return run.trace.at(-2)!.bulkC;
};
const wordSteps = (place: number): number => SET_WORDS.indexOf(wordAt(place));

const KEPT_BACK: Asked = {
  ...pudding(1000),
  liquidG: 500,
  items: { milk_semi: 500, sugar: 80, cornstarch: 60 },
};

/** 2.5 cm of canned coconut set with cornstarch, a third of its weight in cooked kernels: the room, then a freezer. */
const slabOf = (starch: number): Asked => ({
  liquid: 'coconut_milk',
  style: 'cut',
  word: 'slices',
  depthMm: 25,
  hours: 30 / 60 + 40 / 60,
  items: { sugar: 80, cornstarch: starch, corn_kernels: 330 },
  bowls: { corn_kernels: 'late' },
  steps: [
    slurry,
    heatStep({ role: 'thicken', watts: 750, until: { reach: 'bubble' } }),
    { ...slurry, from: 'late', tempC: 20 },
    heatStep({ role: 'thicken', watts: 750, until: { reach: 'bubble' } }),
    heatStep({ role: 'cook on', watts: 330, until: { reach: 'time', minutes: 2 } }),
    { do: 'pour', to: 'dish' },
    { do: 'rest', where: 'room', minutes: 30, covered: false },
    { do: 'rest', where: 'freezer', minutes: 40, covered: false },
  ],
});

/** A tray of it, judged by the knife: by the mean of the layer, as it is by then. */
function asItLies(a: Asked): number {
  const small = dishOf(a);
  const plan: Plan = {
    ...small,
    dish: { kind: 'tray', count: 1, capacityMl: small.dish.capacityMl * 6, heightMm: 40, wall: 'metal' },
  };
  const run = runMethod(plan);
  const { point, ageH } = dishHistory(plan, run, plan.rest.hours).ages.at(-1)!;
  const { hours, meanC } = point;
  return judge(plan, run, { ageH, tempC: meanC, coldestC: meanC, hours }, boundsFor('cut', run.depthM)).place;
}

/** What a set pudding has at five degrees after so many hours, of what it has after five: the law that the dish ages by. */
const gelled = (hours: number): number => ageFactor(hours, STARCHES.maize.retro) / ageFactor(5, STARCHES.maize.retro);

/** Stress of what lies around the kernels, with them against without. */
function withPieces(id: string): number {
  const dish = (items: Asked['items']): Asked => ({
    tempC: 8,
    items: { sugar: 80, cornstarch: 60, ...items },
    bowls: { [id]: 'late' },
    steps: [
      slurry,
      heatStep({ role: 'thicken', watts: 750, until: { reach: 'bubble' } }),
      { ...slurry, from: 'late', tempC: 20 },
      heatStep({ role: 'thicken', watts: 750, until: { reach: 'bubble' } }),
      heatStep({ role: 'cook on', watts: 330, until: { reach: 'time', minutes: 2 } }),
      ...chilled,
    ],
  });
  const plain = cooked(dish({}));
  const more = cooked(dish({ [id]: 300 }));
  return more.cold.yieldPa / plain.cold.yieldPa;
}

/** A mould of 8 cm in a fridge: hours until its middle stands (wobbles). */
function deepMould(): number {
  const plan = dishOf({ items: { sugar: 80, cornstarch: 82 }, style: 'turned out', word: 'wobbles', depthMm: 80 });
  return forecast({ ...plan, dish: { ...plan.dish, count: 1, capacityMl: plan.dish.capacityMl * plan.dish.count } })
    .readyH;
}

/** Short rice baked in its milk for two hours, 150 degC. */
const bakedRice = (perLitre: number): Asked => ({
  family: 'whole-rice pudding',
  tempC: 8,
  hours: 7,
  items: { sugar: 60, rice_short: perLitre },
  steps: [
    { ...slurry, from: 'grain', how: 'cold together', stirring: 'spoon', tempC: 20 },
    { do: 'pour', to: 'dish' },
    {
      do: 'bake',
      ovenC: 150,
      fan: false,
      from: 'hot',
      bath: 'none',
      until: { reach: 'time', minutes: 120 },
      limitMin: 130,
      grillMin: 0,
      covered: false,
    },
    { do: 'rest', where: 'room', minutes: 60, covered: true },
    { do: 'rest', where: 'fridge', minutes: 240, tempC: 4, covered: true },
  ],
});
function bakedRiceHot(perLitre: number): number {
  const plan = dishOf(bakedRice(perLitre));
  const run = runMethod(plan);
  return judge(plan, run, { ageH: 0, tempC: 80 }, boundsFor('spooned', run.depthM)).place;
}

const MOULD_56: Asked = {
  liquid: 'coconut_milk',
  liquidG: 500,
  style: 'turned out',
  word: 'wobbles',
  depthMm: 40,
  tempC: 8,
  items: { milk_whole: 500, sugar: 80, cornstarch: 56 },
};

export const WAY_ANCHORS: readonly Anchor[] = [
  ...[800, 1000].flatMap((grams) => [
    way(`${grams} g in a bowl over steam, stirred now and then: at 85 degC after`, 'min', [15, 25], () =>
      steamMinutes(grams),
    ),
    way(`${grams} g over steam for 40 minutes: holds`, 'degC', [85, 92], () => steamEnd(grams)),
  ]),
  way(
    '70 g of cornstarch a litre over steam, thick and five minutes more, against the ring: the same word cold or one softer',
    'words',
    [-1, 0],
    () => wordSteps(cooked(steamedThick(pudding(850))).cold.place) - wordSteps(cooked(ringed(pudding(850))).cold.place),
  ),
  way(
    '56 g a litre in half coconut, half milk, over steam, turned out of 4 cm moulds: wobbles',
    PLACE,
    strip('wobbles'),
    () => cooked(steamedThick(MOULD_56)).cold.place,
  ),
  way('half of the liquid kept back for the slurry: the set against none kept back', 'times', [0.9, 1.1], () => {
    const base = ringed(KEPT_BACK);
    return (
      cooked({ ...base, bowls: { milk_semi: 'slurry' } }).cold.yieldPa /
      cooked({ ...base, bowls: { milk_semi: 'pot' } }).cold.yieldPa
    );
  }),
  ...[70, 75].map((g) =>
    way(
      `2.5 cm of ${g} g a litre of canned coconut with a third of kernels, half an hour and 40 min in a freezer: wobbles to slices`,
      PLACE,
      strip('wobbles', 'slices'),
      () => asItLies(slabOf(g)),
    ),
  ),
  way('at 5 degC, after 30 minutes: of the stiffness after five hours', 'share', [0.45, 0.55], () => gelled(0.5)),
  way('at 5 degC, after two hours: of it', 'share', [0.85, 0.95], () => gelled(2)),
  ...['corn_kernels', 'raisins'].map((id) =>
    way(`${id}, 300 g a litre: the set around them is not thinner`, 'times the yield', [1, 4], () => withPieces(id)),
  ),
  ...(
    [
      ['tapioca', { items: { sugar: 80, tapioca_starch: 60 } }],
      ['25 g of cornstarch a litre of almond drink', { liquid: 'almond_drink', items: { sugar: 60, cornstarch: 25 } }],
      ['40 g of it', { liquid: 'almond_drink', items: { sugar: 60, cornstarch: 40 } }],
    ] as const
  ).map(([name, dish]) =>
    way(
      `${name}: the word does not fall on the way from the pot to the cold, where it thickens`,
      'steps',
      [0, 2],
      () => {
        const c = cooked({ ...dish, tempC: 8 });
        return c.cold.viscosityPaS < c.hot.viscosityPaS ? 0 : c.cold.place - c.hot.place;
      },
    ),
  ),
  way('a mould of a litre, 8 cm deep, still takes its hours', 'h', [4, 12], deepMould),
  ...[100].flatMap((g) => [
    way(
      `short rice ${g} g a litre baked two hours at 150 degC, hot: coats to mounds`,
      PLACE,
      strip('coats', 'mounds'),
      () => bakedRiceHot(g),
    ),
    way(`the same, cold: mounds to wobbles`, PLACE, strip('mounds', 'wobbles'), () => cooked(bakedRice(g)).cold.place),
  ]),
];

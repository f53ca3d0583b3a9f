import { judge } from '../model/forecast';
import { runMethod } from '../model/run';
import type { Bowl, MethodStep } from '../plan/method';
import { boundsFor, type SetWord } from '../texture/words';
import type { Anchor } from './anchor';
import { cooked, dishOf, heatStep, type Asked, type Cooked } from './dishes';
import { strip } from './starch';

type Words = readonly [from: SetWord, to: SetWord];
const PLACE = 'place on the strip';
const row = (asked: string, range: Anchor['range'], of: () => number, unit = PLACE): Anchor => ({
  part: 'Grain',
  asked,
  unit,
  range,
  of,
});

/** A dish as it is written: its word hot in the pot at the end, and its word cold. */
function words(
  asked: string,
  dish: Asked,
  hot: Words | undefined,
  cold: Words | undefined,
  hotMissed?: string,
): Anchor[] {
  let kept: Cooked | undefined;
  const full = { tempC: 8, ...dish };
  const once = () => (kept ??= cooked(full));
  const said = ([from, to]: Words) => (from === to ? from : `${from} to ${to}`);
  return [
    ...(hot
      ? [
          {
            ...row(`${asked}, hot: ${said(hot)}`, strip(...hot), () => once().hot.place),
            word: { dish: full, when: 'hot' } as const,
            ...(hotMissed ? { missed: hotMissed } : {}),
          },
        ]
      : []),
    ...(cold
      ? [
          {
            ...row(`${asked}, cold: ${said(cold)}`, strip(...cold), () => once().cold.place),
            word: { dish: full, when: 'cold' } as const,
          },
        ]
      : []),
  ];
}

const add = (from: Bowl, more: object = {}): MethodStep => ({
  do: 'pour',
  to: 'pot',
  from,
  tempC: 20,
  how: 'cold slurry',
  stirring: 'whisk',
  soakMin: 0,
  left: 0,
  ...more,
});
const toBubble = (watts = 900): MethodStep =>
  heatStep({ role: 'thicken', watts, stirEveryS: 5, until: { reach: 'bubble' } });
const chilled = (minutes = 300): MethodStep[] => [
  { do: 'pour', to: 'dish' },
  { do: 'rest', where: 'room', minutes: 20, covered: true },
  { do: 'rest', where: 'fridge', minutes, tempC: 4, covered: true },
];
const OVERNIGHT = { hours: 12, tempC: 8 };

/** Semolina rained into boiling milk, so many minutes on the lowest ring; or until it is soft and some more. */
const semolina = (perLitre: number, minutes: number, soft = false): Asked => ({
  family: 'porridge',
  items: { sugar: 60, semolina: perLitre },
  steps: [
    toBubble(),
    add('grain', { how: 'dry rain' }),
    ...(soft
      ? [heatStep({ role: 'simmer', setting: 1, stirEveryS: 8, until: { reach: 'grain', bite: 0.95 }, limitMin: 60 })]
      : []),
    heatStep({ role: 'cook on', setting: 1, stirEveryS: 8, until: { reach: 'time', minutes } }),
    ...chilled(soft ? 680 : 300),
  ],
  ...(soft ? OVERNIGHT : {}),
});

/** Rice that was ground, stirred in cold: so many minutes at the boil, cooked down to a share of what went in. */
function ground(
  id: 'rice_flour' | 'rice_ground' | 'rice_ground_coarse',
  perLitre: number,
  boiled: { minutes: number } | { soft: true },
  left: number,
  more: Partial<Asked> = {},
): Asked {
  const items = { sugar: 80, [id]: perLitre, ...more.items };
  const went = 1000 + items.sugar + perLitre;
  const bowl = id === 'rice_flour' ? 'slurry' : 'grain';
  const dish = (watts: number): Asked => ({
    family: 'ground-rice cream',
    items,
    steps: [
      add(bowl, { how: 'cold slurry' }),
      toBubble(),
      'minutes' in boiled
        ? heatStep({ role: 'simmer', watts, stirEveryS: 5, until: { reach: 'time', minutes: boiled.minutes } })
        : heatStep({ role: 'simmer', watts, stirEveryS: 5, until: { reach: 'grain', bite: 0.95 }, limitMin: 90 }),
      ...('minutes' in boiled || left >= 1
        ? []
        : [
            heatStep({
              role: 'reduce',
              watts,
              stirEveryS: 5,
              until: { reach: 'mass', grams: left * went },
              limitMin: 90,
            }),
          ]),
      ...(more.steps ?? []),
      ...chilled(),
    ],
  });
  if (!('minutes' in boiled)) return dish(600);
  // the fire at which so many minutes take off so much
  let low = 20;
  let high = 2500;
  for (let i = 0; i < 12; i++) {
    const mid = (low + high) / 2;
    if (cooked(dish(mid)).lossRel < 1 - left) low = mid;
    else high = mid;
  }
  return dish(high);
}

/** Fine cornmeal, half of the liquid water: its slurry into what boils, twenty minutes covered on the lowest ring. */
const cornmeal = (perLitre: number, more: Partial<Asked> = {}): Asked => ({
  family: 'porridge',
  liquidG: 500,
  items: { water: 500, sugar: 60, cornmeal_fine: perLitre },
  steps: [
    toBubble(),
    add('grain', { how: 'cold slurry' }),
    toBubble(),
    heatStep({ role: 'cook on', setting: 1, stirEveryS: 60, lid: 'on', until: { reach: 'time', minutes: 20 } }),
    ...chilled(),
  ],
  ...more,
});

/** A dense slab: hot coconut milk beaten into the meal, 5 cm deep, an hour and a half in the oven. */
const slab = (perLitre: number): Asked => ({
  family: 'baked slab',
  liquid: 'coconut_milk',
  style: 'cut',
  word: 'slices',
  depthMm: 50,
  tempC: 8,
  hours: 7,
  items: { sugar: 150, cornmeal_fine: perLitre },
  steps: [
    heatStep({ role: 'warm', watts: 700, stirEveryS: 10, until: { reach: 'temperature', tempC: 90 } }),
    add('grain', { how: 'cold slurry' }),
    { do: 'pour', to: 'dish' },
    {
      do: 'bake',
      ovenC: 175,
      fan: false,
      from: 'hot',
      bath: 'none',
      until: { reach: 'time', minutes: 90 },
      limitMin: 90,
      grillMin: 0,
      covered: false,
    },
    { do: 'rest', where: 'room', minutes: 90, covered: true },
    { do: 'rest', where: 'fridge', minutes: 300, tempC: 4, covered: true },
  ],
});
/** degC at which a slab is cut while it is hot. */
const CUT_HOT_C = 75;
function cutHot(perLitre: number): number {
  const plan = dishOf(slab(perLitre));
  const run = runMethod(plan);
  return judge(plan, run, { ageH: 0.3, tempC: CUT_HOT_C, hours: 0.5 }, boundsFor('cut', run.depthM)).place;
}

/** Whole rice in milk from cold: so many minutes at a simmer, a tenth boiled off, then poured and chilled. */
export const rice = (perLitre: number, minutes: number, more: Partial<Asked> = {}, watts = 200): Asked => ({
  family: 'whole-rice pudding',
  items: { sugar: 50, rice_short: perLitre },
  steps: [
    add('grain', { how: 'cold together', stirring: 'spoon' }),
    toBubble(800),
    heatStep({ role: 'simmer', watts, stirEveryS: 25, lid: 'on', until: { reach: 'time', minutes } }),
    ...chilled(),
  ],
  ...more,
});

/** Long rice in twice its water until dry, milk to it, then yolks and starch, bubbled three minutes. */
const boundRice: Asked = {
  family: 'whole-rice pudding',
  liquid: 'water',
  liquidG: 280,
  items: { rice_long: 140, milk_whole: 1000, sugar: 110, yolk: 72, cornstarch: 32 },
  bowls: { milk_whole: 'late', sugar: 'late', cornstarch: 'bowl' },
  steps: [
    add('grain', { how: 'cold together', stirring: 'spoon' }),
    toBubble(700),
    heatStep({
      role: 'simmer',
      watts: 170,
      lid: 'on',
      stirEveryS: 120,
      until: { reach: 'time', minutes: 15 },
    }),
    add('late', { tempC: 8 }),
    toBubble(),
    heatStep({ role: 'simmer in milk', watts: 230, stirEveryS: 20, until: { reach: 'time', minutes: 8 } }),
    add('bowl', { how: 'in cold cream or yolks', ladleG: 60 }),
    toBubble(),
    heatStep({ role: 'cook on', watts: 330, stirEveryS: 3, until: { reach: 'time', minutes: 3 } }),
    ...chilled(),
  ],
};

/** Glutinous rice with little more liquid than its own weight, syrup included, pressed into a tray. */
const jammed = (parts: number): Asked => ({
  family: 'whole-rice pudding',
  liquid: 'coconut_milk',
  liquidG: 500 * parts - 100,
  style: 'cut',
  word: 'slices',
  depthMm: 25,
  tempC: 8,
  items: { sugar: 100, rice_glut: 500 },
  steps: [
    add('grain', { how: 'cold together', stirring: 'spoon' }),
    toBubble(800),
    heatStep({ role: 'simmer', watts: 120, stirEveryS: 25, lid: 'on', until: { reach: 'time', minutes: 25 } }),
    ...chilled(),
  ],
});

/** Least of what each of so many minutes more does to the viscosity of the hot pot, as a ratio. */
function minutesMore(perLitre: number): number {
  let before = 0;
  let least = Infinity;
  for (const minutes of [25, 30, 35, 40, 50, 60]) {
    const { hot } = cooked(rice(perLitre, minutes));
    if (before > 0) least = Math.min(least, hot.viscosityPaS / before);
    before = hot.viscosityPaS;
  }
  return least;
}

/** Steps of the strip from the hot pot to the same at 62 degC. */
function warmed(dish: Asked): number {
  const plan = dishOf(dish);
  const c = cooked(dish);
  const warm = judge(plan, c.run, { ageH: 0, tempC: 62, hours: 0.1 }, boundsFor('spooned', 0.04));
  return warm.place - c.hot.place;
}

export const GRAIN_ANCHORS: readonly Anchor[] = [
  ...words(
    'semolina rained into boiling milk, five minutes, 60 g a litre',
    semolina(60, 5),
    ['pours', 'coats'],
    ['coats', 'mounds'],
  ),
  ...words('semolina so, 85 g', semolina(85, 5), ['coats', 'mounds'], ['mounds', 'holds a trail']),
  ...words(
    'semolina so, 105 g',
    semolina(105, 5),
    ['mounds', 'mounds'],
    ['holds a trail', 'wobbles'],
    'a hundredth of a step: five minutes leave a third of the starch inside the meal; what lets it out sooner makes coarse rice too thick',
  ),
  ...words('semolina so, 135 g', semolina(135, 5), ['mounds', 'holds a trail'], ['wobbles', 'slices']),
  ...words(
    'semolina cooked soft and four minutes more, overnight, 143 g',
    semolina(143, 4, true),
    ['mounds', 'holds a trail'],
    ['wobbles', 'slices'],
  ),
  ...words('semolina so, overnight, 220 g', semolina(220, 4, true), ['holds a trail', 'firm'], ['slices', 'firm']),
  ...words(
    'rice flour in milk, boiled ten minutes, 50 g a litre',
    ground('rice_flour', 50, { minutes: 10 }, 0.917),
    ['coats', 'coats'],
    ['mounds', 'mounds'],
  ),
  ...words(
    'rice flour so, 75 g',
    ground('rice_flour', 75, { minutes: 10 }, 0.917),
    ['mounds', 'mounds'],
    ['holds a trail', 'wobbles'],
  ),
  ...words(
    'ground rice, semolina size, boiled twelve minutes, a tenth boiled off, 65 g a litre',
    ground('rice_ground', 65, { minutes: 12 }, 0.9),
    ['coats', 'coats'],
    ['mounds', 'mounds'],
  ),
  ...words(
    'ground rice so, down by a sixth, 80 g',
    ground('rice_ground', 80, { minutes: 12 }, 5 / 6),
    ['coats', 'mounds'],
    ['mounds', 'holds a trail'],
  ),
  ...words(
    'rice ground coarse at home, boiled until soft, down by a quarter, 60 g a litre',
    ground('rice_ground_coarse', 60, { soft: true }, 0.75),
    ['coats', 'coats'],
    ['coats', 'mounds'],
  ),
  ...words(
    'rice ground coarse so, down by a third, 120 g of sugar, 95 g',
    ground('rice_ground_coarse', 95, { soft: true }, 2 / 3, { items: { sugar: 120 } }),
    ['mounds', 'mounds'],
    ['holds a trail', 'wobbles'],
    'by a twenty-fifth of a step: cooked down so far the paste between the grains is too thick while it is hot',
  ),
  ...words(
    'rice ground coarse so, as it is, 150 g of purée to 500 ml off the heat, 100 g',
    ground('rice_ground_coarse', 100, { soft: true }, 1, {
      items: { puree_mango: 300 },
      steps: [add('off the heat', { stirring: 'spoon' })],
    }),
    ['coats', 'coats'],
    ['mounds', 'mounds'],
  ),
  ...words(
    'fine cornmeal in water and milk, slurry into boiling, 20 min covered on the lowest ring, 100 g a litre',
    cornmeal(100),
    ['coats', 'mounds'],
    ['mounds', 'wobbles'],
  ),
  ...words('cornmeal so, 135 g', cornmeal(135), ['mounds', 'mounds'], ['wobbles', 'slices']),
  ...words(
    'cornmeal so, 220 g, a slab',
    cornmeal(220, { style: 'cut', depthMm: 30 }),
    ['holds a trail', 'firm'],
    ['slices', 'firm'],
  ),
  ...[420, 470].flatMap((g) => [
    row(
      `cornmeal, hot coconut milk beaten in, 5 cm deep, 90 min at 175 degC, ${g} g a litre, cut hot: wobbles to slices`,
      strip('wobbles', 'slices'),
      () => cutHot(g),
    ),
    ...words(`that slab, ${g} g`, slab(g), undefined, ['firm', 'firm']),
  ]),
  row(
    'short rice in milk, 125 g a litre, 40 min at a simmer: boiled off',
    [0.07, 0.14],
    () => cooked(rice(125, 40)).lossRel,
    'share',
  ),
  ...[35, 45].flatMap((minutes) => [
    ...words(
      `short rice in milk, ${minutes} min at a simmer, 125 g a litre`,
      rice(125, minutes),
      ['coats', 'mounds'],
      ['mounds', 'holds a trail'],
    ),
    ...words(
      `short rice so, ${minutes} min, 160 g`,
      rice(160, minutes),
      ['mounds', 'mounds'],
      ['holds a trail', 'holds a trail'],
    ),
  ]),
  ...words(
    'long rice, dry after twice its water, seven times its milk, yolks and starch',
    boundRice,
    ['mounds', 'holds a trail'],
    ['holds a trail', 'wobbles'],
  ),
  ...[1, 1.3].flatMap((parts) =>
    words(`glutinous rice, ${parts} of all liquid to one of dry grain, in squares`, jammed(parts), undefined, [
      'slices',
      'firm',
    ]),
  ),
  ...[125, 160].map((perLitre) =>
    row(
      `short rice ${perLitre} g a litre, more minutes: never thinner`,
      [1, 5],
      () => minutesMore(perLitre),
      'times, least of five',
    ),
  ),
  row(
    'short rice 125 g goes on drinking: steps from the hot pot to the cold dish',
    [0.4, 2],
    () => {
      const c = cooked(rice(125, 40));
      return c.cold.place - c.hot.place;
    },
    'steps',
  ),
  ...(
    [
      ['semolina 105 g', semolina(105, 5)],
      ['cornmeal 135 g', cornmeal(135)],
      ['short rice 125 g', rice(125, 40)],
    ] as const
  ).map(([name, dish]) =>
    row(`${name} at 62 degC is as thick as it was hot, or thicker`, [0, 2], () => warmed(dish), 'steps'),
  ),
];

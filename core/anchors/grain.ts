import { solve } from '../advice/solve';
import type { MethodStep } from '../plan/method';
import type { Anchor } from './anchor';
import { cooked, dishOf, type Asked } from './dishes';
import { strip } from './starch';

const PLACE = 'place on the strip';
const grain = (asked: string, range: readonly [number, number], of: () => number, unit = PLACE): Anchor => ({
  part: 'Grain',
  asked,
  unit,
  range,
  of,
});

/** Meal rained into boiling milk and cooked on, 1 part to so many of milk. */
const porridge = (id: string, parts: number, a: Partial<Asked> = {}): Asked => ({
  family: 'porridge',
  items: { sugar: 60, [id]: 1000 / parts },
  method: { cookOnMin: 3 },
  choices: { grain: 'into boiling milk' },
  ...a,
});
/** Ground rice cooked down to a share of what went in; a twentieth is gone before it bubbles. */
const reduced = (parts: number, left: number): Asked => ({
  family: 'ground-rice cream',
  items: { sugar: 80, rice_ground: 1000 / parts },
  choices: { reduceTo: left / 0.95 },
  method: { cookOnMin: 2 },
});

const simmer = (minutes: number, watts: number, lid: 'on' | 'off' | 'ajar'): MethodStep => ({
  do: 'heat',
  role: 'simmer',
  setting: 0,
  watts,
  until: { reach: 'time', minutes },
  limitMin: 200,
  wrapped: false,
  stirEveryS: 25,
  tool: 'spoon',
  lid,
});
/** Whole rice in milk from cold: so many minutes at a simmer, then poured and chilled. */
export const rice = (
  parts: number,
  minutes: number,
  a: Partial<Asked> = {},
  id = 'rice_short',
  watts = 160,
): Asked => ({
  family: 'whole-rice pudding',
  items: { sugar: 50, [id]: 1000 / parts },
  steps: [
    { do: 'add', stage: 'grain', tempC: 20, how: 'cold together', stirring: 'spoon', soakMin: 0, left: 0 },
    {
      ...simmer(0, 800, 'off'),
      role: 'thicken',
      until: { reach: 'bubble' },
    } as MethodStep,
    simmer(minutes, watts, 'on'),
    { do: 'pour' },
    { do: 'rest', where: 'room', minutes: 20, covered: true },
    { do: 'rest', where: 'fridge', minutes: 300, tempC: 4, covered: true },
  ],
  ...a,
});
/** Glutinous rice with little more liquid than its own weight, pressed into a tray. */
const jammed = (parts: number): Asked => ({
  ...rice(1 / parts, 25, { style: 'cut', word: 'slices', depthMm: 25, liquid: 'coconut_milk' }, 'rice_glut', 120),
  liquidG: 500 * parts - 100,
  items: { sugar: 100, rice_glut: 500 },
});

/** Least of what each of so many minutes more does to the viscosity of the hot pot, as a ratio. */
function minutesMore(parts: number): number {
  let before = 0;
  let least = Infinity;
  for (const minutes of [25, 30, 35, 40, 50, 60]) {
    const { hot } = cooked(rice(parts, minutes));
    if (before > 0) least = Math.min(least, hot.viscosityPaS / before);
    before = hot.viscosityPaS;
  }
  return least;
}

export const GRAIN_ANCHORS: readonly Anchor[] = [
  grain(
    'semolina 1:10, hot: pours to coats',
    strip('pours', 'coats'),
    () => cooked(porridge('semolina', 10)).hot.place,
  ),
  grain('semolina 1:8, hot: mounds', strip('mounds'), () => cooked(porridge('semolina', 8)).hot.place),
  grain(
    'semolina 1:7, a cold layer: slices',
    [4, 5],
    () => cooked(porridge('semolina', 7, { style: 'cut', depthMm: 25 })).cold.place,
  ),
  grain('cornmeal 1:8, hot: mounds', strip('mounds'), () => cooked(porridge('cornmeal_fine', 8)).hot.place),
  grain('cornmeal 1:7, hot: mounds', strip('mounds'), () => cooked(porridge('cornmeal_fine', 7)).hot.place),
  grain(
    'cornmeal that mounds warm: parts of liquid to one of meal',
    [7, 9],
    () => {
      const plan = dishOf(porridge('cornmeal_fine', 8, { tempC: 55, hours: 0.25, word: 'mounds' }));
      const s = solve(plan);
      return s.ok ? 1000 / s.amounts[0]!.grams : NaN;
    },
    'parts',
  ),
  ...[4, 5].map((parts) =>
    grain(
      `cornmeal 1:${parts}, a cold slab cuts clean`,
      [4, 5],
      () => cooked(porridge('cornmeal_fine', parts, { style: 'cut', depthMm: 30 })).cold.place,
    ),
  ),
  grain(
    'ground rice 1:12, cooked down by a sixth, hot: coats',
    strip('coats'),
    () => cooked(reduced(12, 5 / 6)).hot.place,
  ),
  grain('the same, cold: mounds', strip('mounds'), () => cooked(reduced(12, 5 / 6)).cold.place),
  grain(
    'ground rice 1:10, cooked down by a third, cold: holds a trail to wobbles',
    strip('holds a trail', 'wobbles'),
    () => cooked(reduced(10, 2 / 3)).cold.place,
  ),
  grain(
    'whole short rice 1:8, 40 min at a simmer: boiled off',
    [0.07, 0.14],
    () => cooked(rice(8, 40)).lossRel,
    'share',
  ),
  ...[35, 45].flatMap((minutes) => [
    grain(
      `whole short rice 1:8, ${minutes} min, hot: coats to mounds`,
      strip('coats', 'mounds'),
      () => cooked(rice(8, minutes)).hot.place,
    ),
    grain(
      `whole short rice 1:8, ${minutes} min, cold: mounds to holds a trail`,
      strip('mounds', 'holds a trail'),
      () => cooked(rice(8, minutes)).cold.place,
    ),
  ]),
  grain(
    'whole short rice 1:5, 30 min, hot: coats to mounds',
    strip('coats', 'mounds'),
    () => cooked(rice(5, 30)).hot.place,
  ),
  grain(
    'whole short rice 1:5, 30 min and standing, cold: mounds to holds a trail',
    strip('mounds', 'holds a trail'),
    () => cooked(rice(5, 30)).cold.place,
  ),
  ...[8, 5].map((parts) =>
    grain(
      `whole short rice 1:${parts}, more minutes: never thinner`,
      [1, 5],
      () => minutesMore(parts),
      'times, least of five',
    ),
  ),
  grain(
    'a little cornstarch (6 g) in a pot of swollen rice 1:5',
    [1, 4],
    () => {
      const plain = cooked(rice(5, 30));
      const more = cooked({ ...rice(5, 30), items: { ...rice(5, 30).items, cornstarch: 6 } });
      return more.hot.viscosityPaS / plain.hot.viscosityPaS;
    },
    'times the viscosity',
  ),
  ...[1, 1.3].map((parts) =>
    grain(
      `glutinous rice 1:${parts} of all liquid, cold: one mass, cut`,
      [4, 5],
      () => cooked(jammed(parts)).cold.place,
    ),
  ),
  grain(
    'rice 1:8 goes on drinking: steps of the strip from the hot pot to the cold dish',
    [0.4, 2],
    () => {
      const c = cooked(rice(8, 40));
      return c.cold.place - c.hot.place;
    },
    'steps',
  ),
];

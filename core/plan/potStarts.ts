import { table } from '../coefficients';
import { FRUIT_ROWS, sugarFor, type Fruit } from '../pantry/fruit';
import { dishAreaM2, PANS, type Dish } from '../pantry/kitchen';
import { laidOut, type Line } from './layout';
import type { HeatStep, MethodStep } from './method';
import type { SecondPot } from './plan';

/** Second pots to begin with: what goes into them and what is done, by what they are to become. */

export const SYRUPS = ['thin', 'pouring', 'coating', 'thick'] as const;
export type SyrupEnd = (typeof SYRUPS)[number];

export const POT = table('Second pots', {
  thin: [0.5, 'g/g', 'B', 'sugar in a syrup that soaks in'],
  pouring: [0.6, 'g/g', 'B', 'sugar in a syrup that pours'],
  coating: [0.68, 'g/g', 'B', 'in one that coats'],
  thick: [0.75, 'g/g', 'B', 'in one that stands on the plate'],
  acidPerSugar: [0.03, 'g/g', 'C', 'lemon juice against crystals'],
  stewWater: [0.08, '1', 'C', 'water to start fruit with'],
  glazeStarch: [0.038, 'g/g', 'C', 'cornstarch in a glaze that sets to a film'],
  layerStarch: [0.02, 'g/g', 'C', 'rice flour in a second layer'],
  densityGPerMl: [1.04, 'g/ml', 'B', 'of a layer'],
});

const to5 = (g: number) => Math.round(g / 5) * 5;

export const fire = (step: Partial<HeatStep> & Pick<HeatStep, 'role' | 'until'>): HeatStep => ({
  do: 'heat',
  setting: 4,
  limitMin: 90,
  stirEveryS: 5,
  tool: 'spoon',
  lid: 'off',
  wrapped: false,
  ...step,
});

/** To the bubble, and so many minutes more. */
export const boiled = (minutes: number, more: Partial<HeatStep> = {}): HeatStep[] => [
  fire({ role: 'thicken', setting: 5, until: { reach: 'bubble' }, limitMin: 30, ...more }),
  fire({ role: 'cook on', setting: 3, until: { reach: 'time', minutes }, ...more }),
];

/** A second pot of these things, all in it from the start unless they are elsewhere, and these acts. */
export function secondPot(
  id: string,
  name: string,
  lines: readonly Line[] = [],
  steps: readonly MethodStep[] = boiled(3),
): SecondPot {
  const { things, puts } = laidOut(lines);
  return { id, kind: 'pot', name, pan: { ...PANS[0]! }, things, acts: [...puts, ...steps] };
}

const line = (ingredientId: string, grams: number): Line => ({ ingredientId, grams, in: 'pot' });
const some = (...lines: Line[]): Line[] => lines.filter((l) => l.grams > 0);

/** Sugar and water boiled down, with a little lemon against crystals where it is wanted. */
export function syrupPot(id: string, s: { sugarId: string; sugarG: number; to: SyrupEnd; acid: boolean }): SecondPot {
  const endG = s.sugarG / POT[s.to];
  const waterG = to5(Math.max(s.sugarG * 0.6, endG - s.sugarG + 20));
  const acidG = s.acid ? Math.round(2 * s.sugarG * POT.acidPerSugar) / 2 : 0;
  const grams = Math.round(10 * endG) / 10;
  return secondPot(id, 'syrup', some(line(s.sugarId, s.sugarG), line('water', waterG), line('lemon_juice', acidG)), [
    fire({ role: 'warm', setting: 5, stirEveryS: 10, until: { reach: 'bubble' } }),
    // once it boils a spoon makes crystals
    fire({ role: 'reduce', setting: 4, stirEveryS: null, until: { reach: 'mass', grams } }),
  ]);
}

/** Fruit stewed under a lid with the sugar that its sourness asks. @param boughtG before it is peeled */
export function compotePot(id: string, fruit: Fruit, boughtG: number): SecondPot {
  const f = FRUIT_ROWS[fruit];
  const edibleG = Math.round(boughtG * f.edible);
  const sugarG = Math.round((edibleG * sugarFor(f)) / 100);
  return secondPot(
    id,
    'compote',
    some(
      line(f.ingredientId, edibleG),
      line('sugar', sugarG),
      line('water', Math.max(15, to5(edibleG * POT.stewWater))),
    ),
    boiled(f.stewMin, { lid: 'on', stirEveryS: 60 }),
  );
}

type LayerOf = { liquidId: string; depthMm: number; sweetPct: number };
const layerG = (dish: Dish, depthMm: number): number =>
  dishAreaM2(dish) * dish.count * depthMm * 1000 * POT.densityGPerMl;

/** A film on what is cold. */
export function glazePot(id: string, dish: Dish, { liquidId, depthMm, sweetPct }: LayerOf): SecondPot {
  const endG = layerG(dish, depthMm);
  const starchG = endG * POT.glazeStarch;
  const sugarG = (endG * sweetPct) / 100;
  const whole = (g: number) => Math.round(g);
  return secondPot(
    id,
    'glaze',
    some(
      line(liquidId, whole(endG - starchG - sugarG)),
      line('cornstarch', Math.max(1, Math.round(2 * starchG) / 2)),
      line('sugar', whole(sugarG)),
    ),
    boiled(1, { stirEveryS: 3 }),
  );
}

/** A second layer, cooked down in its own pan so that what is left stands so deep. */
export function layerPot(id: string, dish: Dish, s: LayerOf & { cookedTo: number }): SecondPot {
  const endG = layerG(dish, s.depthMm);
  const starchG = endG * POT.layerStarch;
  const sugarG = (endG * s.sweetPct) / 100;
  return secondPot(
    id,
    'second layer',
    some(
      line(s.liquidId, Math.round(Math.max(0, endG / s.cookedTo - starchG - sugarG))),
      line('rice_flour', Math.max(1, Math.round(2 * starchG) / 2)),
      line('sugar', Math.round(sugarG)),
    ),
    s.cookedTo < 1
      ? [fire({ role: 'reduce', stirEveryS: 3, until: { reach: 'share', share: s.cookedTo }, limitMin: 120 })]
      : boiled(1, { stirEveryS: 3 }),
  );
}

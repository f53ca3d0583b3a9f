import { quantileSorted } from 'simple-statistics';
import { kitchensOf, sharedBy } from '../model/chances';
import { blocksOf } from '../model/blocks';
import { dishOf } from './dishes';
import type { Anchor } from './anchor';

/** Of the rows that name a word: in how many it lies within what the model says of eight kitchens in ten. */
export type Coverage = { family: string; when: 'hot' | 'cold'; rows: number; within: number };

const STRIP_TOP = 5;
const LOW = 0.1;
const HIGH = 0.9;

/**
 * Cooks each row in `draws` kitchens and looks whether the middle of what is agreed on lies between the tenth and the
 * ninetieth of a hundred. Deterministic for its seed.
 */
export function coverageOf(anchors: readonly Anchor[], draws = 60, seed = 0.37): Coverage[] {
  const out = new Map<string, Coverage>();
  const cooked = new Map<object, { hot: number[]; cold: number[] }>();
  for (const a of anchors) {
    if (!a.word) continue;
    const { dish, when } = a.word;
    const plan = dishOf(dish);
    const places = cooked.get(dish) ?? kitchensPlaces(plan, draws, seed);
    cooked.set(dish, places);
    const middle = (a.range[0] + a.range[1]) / 2;
    // the strip ends at 5: what is firmer than firm is firm
    const firmest = a.range[1] >= STRIP_TOP;
    const within =
      middle <= quantileSorted(places[when], HIGH) && (firmest || middle >= quantileSorted(places[when], LOW));
    const key = `${plan.family} ${when}`;
    const sum = out.get(key) ?? { family: plan.family, when, rows: 0, within: 0 };
    out.set(key, { ...sum, rows: sum.rows + 1, within: sum.within + (within ? 1 : 0) });
  }
  return [...out.values()];
}

function kitchensPlaces(plan: ReturnType<typeof dishOf>, draws: number, seed: number) {
  const age = sharedBy(plan);
  const all = blocksOf(draws, seed).flatMap((block) => kitchensOf(plan, age, block));
  const sorted = (of: (k: (typeof all)[number]) => number) => all.map(of).sort((x, y) => x - y);
  return { hot: sorted((k) => k.hotPlace), cold: sorted((k) => k.place) };
}

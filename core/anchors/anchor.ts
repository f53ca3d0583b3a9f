import type { Asked } from './dishes';

/** A thing that kitchens and textbooks agree on, as a check of the model. */
export type Anchor = {
  part: AnchorPart;
  /** what is asked, in the words of the page */
  asked: string;
  unit: string;
  /** least and most, as kitchens have it; never widened to pass */
  range: readonly [least: number, most: number];
  /** what the model says today */
  of: () => number;
  /** why the model cannot meet it, where it does not: it is shown as missed, never as passed */
  missed?: string;
  /** the dish that it is a word of, and when it is said: hot in the pot, or cold */
  word?: { dish: Asked; when: 'hot' | 'cold' };
};

const CLOSE = 1e-9;
export const isMet = (a: Anchor, value: number): boolean => value >= a.range[0] - CLOSE && value <= a.range[1] + CLOSE;

/**
 * How far a value lies over the least and under the most of its row, negative where it misses: in steps of the strip
 * where it is a place on it, else as a share of the bound.
 */
export function marginsOf(a: Anchor, value: number): { above: number; below: number } {
  const scale = (bound: number) =>
    a.unit === PLACE_UNIT || a.unit === STEPS_UNIT || bound === 0 ? 1 : Math.abs(bound);
  const [least, most] = a.range;
  return { above: (value - least) / scale(least), below: (most - value) / scale(most) };
}
export const PLACE_UNIT = 'place on the strip';
export const STEPS_UNIT = 'steps';

/** steps of the strip */
const LUCK = 0.1;
/** Hit, and by less than a tenth of a step from a bound on either side. */
export function isLucky(a: Anchor, value: number): boolean {
  const { above, below } = marginsOf(a, value);
  return a.unit === PLACE_UNIT && isMet(a, value) && Math.min(above, below) < LUCK && Math.max(above, below) < 2 * LUCK;
}

export const ANCHOR_PARTS = [
  'Cornstarch in milk',
  'Other thickeners',
  'Grain',
  'Ways of heating and cooling',
  'Egg',
  'The pot',
  'Cold and frozen',
] as const;
type AnchorPart = (typeof ANCHOR_PARTS)[number];

/** Writes rows of one part. */
export const rowsOf =
  (part: AnchorPart) =>
  (asked: string, unit: string, range: Anchor['range'], of: () => number): Anchor => ({ part, asked, unit, range, of });

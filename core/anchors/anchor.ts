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
};
export const ANCHOR_PARTS = [
  'Cornstarch in milk',
  'Other thickeners',
  'Grain',
  'Egg',
  'The pot',
  'Cold and frozen',
] as const;
type AnchorPart = (typeof ANCHOR_PARTS)[number];

/** Writes rows of one part. */
export const rowsOf =
  (part: AnchorPart) =>
  (asked: string, unit: string, range: Anchor['range'], of: () => number): Anchor => ({ part, asked, unit, range, of });

import type { Plan } from '../plan/plan';
import { GEL } from '../set/firmness';
import { wordAt } from '../texture/words';
import type { BatchRow } from './row';

/** What is known of a kitchen, apart from how it is learnt: light enough for the rooms. */

/** It came out as the word that was promised. */
export const asPromised = ({ found, promise }: BatchRow): boolean =>
  promise !== undefined && found.wordServing === wordAt(promise.servingPlace);

type Dish = Pick<BatchRow, 'family' | 'thickeners' | 'milkId'>;

/** What is learnt together: a family and what thickens it. A kitchen's rice is not its cornstarch. */
export const kindOf = (row: Dish): string => [row.family, ...row.thickeners].join(' ');
/** And that with its milk. */
export const dishOf = (row: Dish): string => `${kindOf(row)} in ${row.milkId ?? ''}`;

export type Factor = { factor: number; sdLn: number; batches: number };

/** What the book says of a kitchen: factors on what the model believes, each with how sure it is. */
export type Learnt = {
  /** yield stress at serving, by kind */
  kinds: Record<string, Factor>;
  /** the same with one milk */
  dishes: Record<string, Factor>;
  /** and of a kind that was never cooked */
  other: Factor;
  /** starch that a measure really gives, over what was meant; what a scale gives is what was meant */
  spoons: Partial<Record<Plan['starchMeasure'], Factor>>;
  /** how fast the fridge draws heat out of a dish, where a thermometer was in one */
  fridge?: Factor;
  /** power that reaches the pan, by ring */
  rings: Record<string, Factor>;
  /** written words that it rests on */
  batches: number;
};

/** What is believed of the firmness of a dish: of its own kind and milk, else of its kind, else of any. */
export const firmnessOf = (learnt: Learnt, of: Dish): Factor =>
  learnt.dishes[dishOf(of)] ?? learnt.kinds[kindOf(of)] ?? learnt.other;

/** The same as it is measured: what the spoon gives more or less counts to the power of the gel. */
export function setOf(learnt: Learnt, of: Dish & Pick<BatchRow, 'starchMeasure'>): Factor {
  const firm = firmnessOf(learnt, of);
  const spoon = of.thickeners.length > 0 ? learnt.spoons[of.starchMeasure] : undefined;
  return spoon ? { ...firm, factor: firm.factor * spoon.factor ** GEL.power } : firm;
}

/** Nothing was learnt, or learning is off. */
export const NOTHING_LEARNT: Learnt = {
  kinds: {},
  dishes: {},
  other: { factor: 1, sdLn: GEL.sdLn, batches: 0 },
  spoons: {},
  rings: {},
  batches: 0,
};

import type { Fruit } from '../plan/sidePot';

/**
 * Fruit as it is bought: what of it is eaten, how sour and how sweet it is, and how long it stews.
 * Shares and acids are typical of ripe fruit (B); minutes to fall apart are kitchen experience (C).
 */
type FruitRow = {
  ingredientId: string;
  /** share left after peeling and stoning */
  edible: number;
  /** of that, share that passes a sieve */
  sieved: number;
  /** titratable acid, % */
  acidPct: number;
  /** its own sugars, % */
  sugarPct: number;
  stewMin: number;
};

export const FRUIT_ROWS: Record<Fruit, FruitRow> = {
  apple: { ingredientId: 'fruit_apple', edible: 0.78, sieved: 0.92, acidPct: 0.6, sugarPct: 10.4, stewMin: 12 },
  pear: { ingredientId: 'fruit_pear', edible: 0.8, sieved: 0.92, acidPct: 0.25, sugarPct: 9.8, stewMin: 14 },
  plum: { ingredientId: 'fruit_plum', edible: 0.9, sieved: 0.85, acidPct: 1.4, sugarPct: 9.9, stewMin: 9 },
  apricot: { ingredientId: 'fruit_apricot', edible: 0.91, sieved: 0.88, acidPct: 1.2, sugarPct: 9.2, stewMin: 8 },
  'sour cherry': { ingredientId: 'fruit_cherry', edible: 0.84, sieved: 0.86, acidPct: 1.6, sugarPct: 8.5, stewMin: 7 },
  strawberry: { ingredientId: 'fruit_strawberry', edible: 0.95, sieved: 0.92, acidPct: 0.9, sugarPct: 4.9, stewMin: 5 },
  raspberry: { ingredientId: 'fruit_raspberry', edible: 0.98, sieved: 0.78, acidPct: 1.4, sugarPct: 4.4, stewMin: 5 },
  mango: { ingredientId: 'fruit_mango', edible: 0.66, sieved: 0.95, acidPct: 0.4, sugarPct: 13.5, stewMin: 7 },
  rhubarb: { ingredientId: 'fruit_rhubarb', edible: 0.84, sieved: 0.9, acidPct: 1.7, sugarPct: 1.1, stewMin: 7 },
  orange: { ingredientId: 'fruit_orange', edible: 0.65, sieved: 0.8, acidPct: 1, sugarPct: 9.2, stewMin: 8 },
};

/** Sugar over acid that a spoonful beside a sweet pudding wants, by mass (C). */
const SWEET_TO_SOUR = 18;

/** Sugar to stew 100 g of prepared fruit with, g: by its sourness, on top of its own. */
export const sugarFor = (f: Pick<FruitRow, 'acidPct' | 'sugarPct'>): number =>
  Math.max(0, SWEET_TO_SOUR * f.acidPct - f.sugarPct);

import { FRUITS, type Fruit } from './fruitNames';

export { FRUITS };
export type { Fruit };

/**
 * Fruit as it is bought: what of it is eaten, how sour and how sweet it is, and how long it stews.
 * Shares and acids are typical of ripe fruit (B); minutes to fall apart are kitchen experience (C).
 */
type FruitRow = {
  ingredientId: string;
  /** what is done to it first: cored, stoned, pips taken out, hulled, trimmed, picked over */
  ready: 'core' | 'stone' | 'pips' | 'hull' | 'trim' | 'pick';
  /** share left after that */
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
  apple: {
    ingredientId: 'fruit_apple',
    ready: 'core',
    edible: 0.78,
    sieved: 0.92,
    acidPct: 0.6,
    sugarPct: 10.4,
    stewMin: 12,
  },
  pear: {
    ingredientId: 'fruit_pear',
    ready: 'core',
    edible: 0.8,
    sieved: 0.92,
    acidPct: 0.25,
    sugarPct: 9.8,
    stewMin: 14,
  },
  plum: {
    ingredientId: 'fruit_plum',
    ready: 'stone',
    edible: 0.9,
    sieved: 0.85,
    acidPct: 1.4,
    sugarPct: 9.9,
    stewMin: 9,
  },
  apricot: {
    ingredientId: 'fruit_apricot',
    ready: 'stone',
    edible: 0.91,
    sieved: 0.88,
    acidPct: 1.2,
    sugarPct: 9.2,
    stewMin: 8,
  },
  'sour cherry': {
    ingredientId: 'fruit_cherry',
    ready: 'stone',
    edible: 0.84,
    sieved: 0.86,
    acidPct: 1.6,
    sugarPct: 8.5,
    stewMin: 7,
  },
  strawberry: {
    ingredientId: 'fruit_strawberry',
    ready: 'hull',
    edible: 0.95,
    sieved: 0.92,
    acidPct: 0.9,
    sugarPct: 4.9,
    stewMin: 5,
  },
  raspberry: {
    ingredientId: 'fruit_raspberry',
    ready: 'pick',
    edible: 0.98,
    sieved: 0.78,
    acidPct: 1.4,
    sugarPct: 4.4,
    stewMin: 5,
  },
  mango: {
    ingredientId: 'fruit_mango',
    ready: 'stone',
    edible: 0.66,
    sieved: 0.95,
    acidPct: 0.4,
    sugarPct: 13.5,
    stewMin: 7,
  },
  rhubarb: {
    ingredientId: 'fruit_rhubarb',
    ready: 'trim',
    edible: 0.84,
    sieved: 0.9,
    acidPct: 1.7,
    sugarPct: 1.1,
    stewMin: 7,
  },
  orange: {
    ingredientId: 'fruit_orange',
    ready: 'pips',
    edible: 0.65,
    sieved: 0.8,
    acidPct: 1,
    sugarPct: 9.2,
    stewMin: 8,
  },
};

/** What of it breaks a tooth when it is forgotten. */
export const leavesHardBits = ({ ready }: Pick<FruitRow, 'ready'>): boolean => ready === 'stone' || ready === 'pips';

/** Sugar over acid that a spoonful beside a sweet pudding wants, by mass (C). */
const SWEET_TO_SOUR = 18;

/** Sugar to stew 100 g of prepared fruit with, g: by its sourness, on top of its own. */
export const sugarFor = (f: Pick<FruitRow, 'acidPct' | 'sugarPct'>): number =>
  Math.max(0, SWEET_TO_SOUR * f.acidPct - f.sugarPct);

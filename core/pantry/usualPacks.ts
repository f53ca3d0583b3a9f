import type { Ingredient } from './ingredient';

/** What is sold, and read in recipes, by the pack. */
export type UsualPack = {
  unit: 'can' | 'packet' | 'box' | 'carton' | 'cup' | 'bag' | 'block' | 'jar';
  grams: number;
  ml?: number;
};

const carton = (densityGPerMl: number, ml = 1000): UsualPack => ({
  unit: 'carton',
  ml,
  grams: Math.round(ml * densityGPerMl),
});
const one = (unit: UsualPack['unit'], grams: number, ml?: number): UsualPack[] => [
  { unit, grams, ...(ml === undefined ? {} : { ml }) },
];

/** g in a usual pack where neither the recipe nor the cook says (C: shops differ); first as it is bought. */
const USUAL_PACKS: Readonly<Record<string, readonly UsualPack[]>> = {
  milk_whole: [carton(1.03)],
  milk_semi: [carton(1.033)],
  milk_skim: [carton(1.035)],
  cream_35: one('cup', 199, 200),
  cream_20: one('cup', 202, 200),
  evaporated: one('can', 410),
  condensed: one('can', 397),
  coconut_milk: one('can', 388, 400),
  coconut_cream: [carton(0.97, 250), { unit: 'can', grams: 388, ml: 400 }],
  coconut_cream_drink: one('can', 400, 400),
  coconut_drink: [carton(1.01)],
  almond_drink: [carton(1.01)],
  cornstarch: [
    { unit: 'box', grams: 250 },
    { unit: 'packet', grams: 40 },
  ],
  custard_powder: [
    { unit: 'box', grams: 300 },
    { unit: 'packet', grams: 37 },
  ],
  vanilla: [
    { unit: 'jar', grams: 40 },
    { unit: 'packet', grams: 5 },
  ],
  sugar: one('bag', 1000),
  butter: [
    { unit: 'block', grams: 250 },
    { unit: 'packet', grams: 250 },
  ],
  salt: one('box', 500),
  raisins: one('packet', 250),
  corn_kernels: one('can', 285),
  fruit_pieces: one('can', 240),
  puree_pumpkin: one('can', 425),
  puree_mango: one('can', 850),
};
const BY_GROUP: Partial<Record<Ingredient['group'], UsualPack>> = {
  milk: { unit: 'carton', grams: 1010, ml: 1000 },
  sweet: { unit: 'bag', grams: 500 },
  thickener: { unit: 'bag', grams: 500 },
  nut: { unit: 'bag', grams: 200 },
  piece: { unit: 'bag', grams: 200 },
  flavour: { unit: 'jar', grams: 40 },
};

/** How a thing is usually bought; undefined where it is bought by weight or by the piece. */
export const boughtAs = (i: Pick<Ingredient, 'id' | 'group'>): UsualPack | undefined =>
  USUAL_PACKS[i.id]?.[0] ?? BY_GROUP[i.group];

/** g in the usual pack of a kind; undefined where only the cook can say. */
export const usualPackG = (ingredientId: string, unit: string): number | undefined =>
  USUAL_PACKS[ingredientId]?.find((p) => p.unit === unit || (unit === 'packet' && p.unit === 'carton'))?.grams;

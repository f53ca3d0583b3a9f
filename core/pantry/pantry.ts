import type { Allergen, Base, Ingredient } from './ingredient';

type Row = [
  id: string,
  name: string,
  group: Ingredient['group'],
  base: Base | '',
  densityGPerMl: number,
  water: number,
  fat: number,
  protein: number,
  sugar: number,
  lactose: number,
  starch: number,
  allergens: Allergen[],
  confidence: 'A' | 'B' | 'C',
];

/** g per 100 g; densities g/ml, spooned and levelled. National food tables as remembered (A); labels vary (B). */
const ROWS: Row[] = [
  ['milk_whole', 'whole milk', 'milk', 'dairy', 1.03, 88, 3.4, 3.2, 0, 4.7, 0, ['milk'], 'A'],
  ['milk_semi', 'semi-skimmed milk', 'milk', 'dairy', 1.033, 89.5, 1.8, 3.4, 0, 4.8, 0, ['milk'], 'A'],
  ['milk_skim', 'skimmed milk', 'milk', 'dairy', 1.035, 90.8, 0.1, 3.4, 0, 5, 0, ['milk'], 'A'],
  ['cream_35', 'whipping cream', 'milk', 'dairy', 0.994, 58.8, 35.5, 2.2, 0, 2.9, 0, ['milk'], 'A'],
  ['cream_20', 'single cream', 'milk', 'dairy', 1.01, 74.5, 19, 2.7, 0, 3.6, 0, ['milk'], 'A'],
  ['evaporated', 'evaporated milk', 'milk', 'dairy', 1.066, 74, 7.6, 6.8, 0, 10, 0, ['milk'], 'A'],
  ['condensed', 'sweetened condensed milk', 'milk', 'dairy', 1.295, 27.2, 8.7, 7.9, 43.8, 10.6, 0, ['milk'], 'A'],
  ['coconut_milk', 'canned coconut milk', 'milk', 'coconut', 0.97, 75, 18, 1.8, 0, 2.5, 0.2, ['coconut'], 'B'],
  ['coconut_drink', 'coconut drink, carton', 'milk', 'coconut', 1.01, 95.5, 1.2, 0.2, 1.6, 0.3, 0.3, ['coconut'], 'B'],
  ['almond_drink', 'almond drink', 'milk', 'nut', 1.01, 96.5, 1.1, 0.5, 0, 0.2, 0, ['tree nuts'], 'B'],
  ['hazelnut_drink', 'hazelnut drink', 'milk', 'nut', 1.02, 93.5, 1.6, 0.4, 3.1, 0.1, 0, ['tree nuts'], 'B'],
  ['cashew_drink', 'cashew drink', 'milk', 'nut', 1.02, 95, 1.7, 0.6, 1, 0.3, 0.6, ['tree nuts'], 'B'],
  ['walnut_drink', 'walnut drink', 'milk', 'nut', 1.02, 94.3, 2.1, 0.6, 2, 0.2, 0, ['tree nuts'], 'C'],
  ['soy_drink', 'soy drink', 'milk', 'soy', 1.025, 92, 1.9, 3.2, 0.6, 0.4, 0, ['soy'], 'A'],
  ['oat_drink', 'oat drink', 'milk', 'oat', 1.03, 90.5, 1.5, 0.9, 0, 4, 0.3, ['oats'], 'B'],
  ['water', 'water', 'milk', 'water', 0.998, 100, 0, 0, 0, 0, 0, [], 'A'],
  ['sugar', 'sugar', 'sweet', '', 0.845, 0.1, 0, 0, 99.9, 0, 0, [], 'A'],
  ['caster', 'caster sugar', 'sweet', '', 0.92, 0.1, 0, 0, 99.9, 0, 0, [], 'B'],
  ['brown', 'brown sugar', 'sweet', '', 0.92, 1.8, 0, 0.1, 90, 6, 0, [], 'A'],
  ['honey', 'honey', 'sweet', '', 1.42, 17.1, 0, 0.3, 81.3, 0, 0, [], 'A'],
  ['cornstarch', 'cornstarch', 'thickener', '', 0.54, 11.5, 0.1, 0.3, 0, 0, 87.5, [], 'A'],
  ['butter', 'butter', 'fat', 'dairy', 0.911, 16.5, 81, 0.8, 0, 0.1, 0, ['milk'], 'A'],
  ['salt', 'salt', 'flavour', '', 1.217, 0, 0, 0, 0, 0, 0, [], 'A'],
  ['vanilla', 'vanilla extract', 'flavour', '', 0.9, 60, 0, 0, 0, 0, 0, [], 'B'],
  ['flower_water', 'orange flower water', 'flavour', '', 1, 99.5, 0, 0, 0, 0, 0, [], 'B'],
  ['cinnamon', 'cinnamon stick', 'flavour', '', 0.3, 10, 0, 0, 0, 0, 0, [], 'C'],
];

export const PANTRY: readonly Ingredient[] = ROWS.map(
  ([id, name, group, base, densityGPerMl, water, fat, protein, sugar, lactose, starch, allergens, confidence]) => ({
    id,
    name,
    group,
    ...(base ? { base } : {}),
    densityGPerMl,
    per100: { water, fat, protein, sugar, lactose, starch },
    ...(id === 'cornstarch' ? { starch: 'maize' as const } : {}),
    allergens,
    confidence,
  }),
);

export type Pantry = ReadonlyMap<string, Ingredient>;

/** The shipped pantry with the cook's own ingredients laid over it. */
export function pantryWith(own: readonly Ingredient[] = []): Pantry {
  return new Map([...PANTRY, ...own].map((i) => [i.id, i]));
}

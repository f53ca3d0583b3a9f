import { z } from 'zod';

export const ALLERGENS = ['milk', 'egg', 'tree nuts', 'peanut', 'coconut', 'soy', 'wheat', 'oats'] as const;
export const BASES = ['dairy', 'coconut', 'nut', 'soy', 'oat', 'water'] as const;
export const STARCH_SPECIES = ['maize'] as const;
export const GROUPS = ['milk', 'sweet', 'thickener', 'fat', 'flavour'] as const;

const percent = z
  .number('should be a number of grams in 100 g')
  .min(0, 'should be 0 or more')
  .max(100, 'should be 100 or less');

/** Grams in 100 g. `lactose` holds the sugars that belong to the milk or fruit itself. */
export const CompositionPer100Schema = z
  .object({
    water: percent,
    fat: percent,
    protein: percent,
    sugar: percent,
    lactose: percent,
    starch: percent,
  })
  .refine((c) => Object.values(c).reduce((a, b) => a + b, 0) <= 101, {
    message: 'the parts add up to more than 100 g in 100 g; check the label again',
  });

export const IngredientSchema = z.object({
  id: z.string().min(1),
  name: z.string().trim().min(1, 'should have a name').max(60, 'should be 60 letters or fewer'),
  group: z.enum(GROUPS),
  /** what kind of liquid it is: decides scorching, foaming and how its protein helps the set */
  base: z.enum(BASES).optional(),
  /** spooned, levelled */
  densityGPerMl: z
    .number('should be a number, about 1 for a milk')
    .min(0.2, 'should be 0.2 or more')
    .max(2, 'should be 2 or less'),
  per100: CompositionPer100Schema,
  starch: z.enum(STARCH_SPECIES).optional(),
  allergens: z.array(z.enum(ALLERGENS)),
  /** A textbook, B typical range: read the label, C guess */
  confidence: z.enum(['A', 'B', 'C']),
  own: z.boolean().optional(),
});
export type Ingredient = z.infer<typeof IngredientSchema>;
export type Base = (typeof BASES)[number];
export type Allergen = (typeof ALLERGENS)[number];
export type StarchSpecies = (typeof STARCH_SPECIES)[number];

import { z } from 'zod';
import { IdSchema } from '../moment';

export const ALLERGENS = ['milk', 'egg', 'tree nuts', 'peanut', 'coconut', 'soy', 'wheat', 'oats'] as const;
export const BASES = ['dairy', 'coconut', 'nut', 'soy', 'oat', 'water'] as const;
export const GROUPS = ['milk', 'sweet', 'thickener', 'egg', 'fat', 'fruit', 'nut', 'piece', 'flavour'] as const;

/** Everything that thickens by starch, by what it is and how it is ground: a row each in core/pot/grain.ts. */
export const GRAIN_KINDS = [
  'maize starch',
  'potato starch',
  'tapioca starch',
  'wheat flour',
  'rice flour',
  'waxy rice flour',
  'ground rice',
  'semolina',
  'fine cornmeal',
  'coarse cornmeal',
  'short rice',
  'long rice',
  'basmati',
  'jasmine',
  'glutinous rice',
] as const;

const percent = z.number().min(0).max(100);
const share = z.number().min(0).max(1);

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
    message: 'issue.partsAddUp',
  });

export const IngredientSchema = z.object({
  id: IdSchema,
  name: z.string().trim().min(1).max(60),
  group: z.enum(GROUPS),
  /** what kind of liquid it is: decides scorching, foaming and how its protein helps the set */
  base: z.enum(BASES).optional(),
  /** spooned, levelled */
  densityGPerMl: z.number().min(0.2).max(2),
  per100: CompositionPer100Schema,
  /** how its starch behaves */
  thickener: z.enum(GRAIN_KINDS).optional(),
  /** size of its grains where the cook ground them, mm; the kind's own otherwise */
  grainMm: z.number().min(0.05).max(8).optional(),
  /** share of the mass that is yolk and white of egg */
  egg: z.object({ yolk: share, white: share }).optional(),
  /** acidity, and how hard it is to move against milk (1) */
  ph: z.number().min(1.5).max(10).optional(),
  buffer: z.number().min(0).max(20).optional(),
  /** water it binds and how sweet it is, gram for gram against sugar */
  binds: z.number().min(0).max(2).optional(),
  sweetness: z.number().min(0).max(400).optional(),
  /** grams in 100 g that thicken without being starch */
  ground: percent.optional(),
  gum: percent.optional(),
  pulp: percent.optional(),
  /** share of the mass that stays in pieces */
  pieces: share.optional(),
  /** g of water that a g of pieces takes up (positive) or gives */
  piecesDrink: z.number().min(-1).max(4).optional(),
  /** half of its aroma is gone after this long at 95 degC in an open pot, s */
  aromaHalfS: z.number().positive().max(1e7).optional(),
  /** look: 0 none, 1 strong */
  tint: z.object({ hue: z.enum(['white', 'cream', 'yellow', 'brown', 'red', 'green']), strength: share }).optional(),
  alcohol: z.boolean().optional(),
  /** counted in, so counted out */
  comesOut: z.boolean().optional(),
  allergens: z.array(z.enum(ALLERGENS)),
  /** A textbook, B typical range: read the label, C guess */
  confidence: z.enum(['A', 'B', 'C']),
  own: z.boolean().optional(),
});
export type Ingredient = z.infer<typeof IngredientSchema>;
export type Base = (typeof BASES)[number];
export type Allergen = (typeof ALLERGENS)[number];
export type GrainKind = (typeof GRAIN_KINDS)[number];

import { z } from 'zod';
import { IdSchema } from '../moment';

/** A can, carton or packet as the cook buys it: user data, because sizes differ by country and shop. */
export const PackSchema = z.object({
  id: IdSchema,
  ingredientId: IdSchema,
  name: z.string().min(1).max(60),
  grams: z.number().positive().max(20000),
  /** what one costs, in the cook's own money */
  price: z.number().min(0).max(10000).optional(),
});
export type Pack = z.infer<typeof PackSchema>;

/** Whole packs that cover `grams`, and what is left over. */
export function packsFor(grams: number, pack: Pick<Pack, 'grams'>): { packs: number; leftOverG: number } {
  const packs = Math.ceil(grams / pack.grams - 1e-9);
  return { packs, leftOverG: packs * pack.grams - grams };
}

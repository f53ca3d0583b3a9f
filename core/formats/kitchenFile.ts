import { z } from 'zod';
import { BatchSchema } from '../book/batch';
import { CookSchema } from '../cook/events';
import { PlanSchema } from '../formula/plan';
import { IngredientSchema } from '../pantry/ingredient';
import { SettingsSchema } from '../settings';
import { PackSchema } from '../units/packs';
import { parseJson, type Parsed } from './issues';

/** Everything a kitchen holds, in one file. */
export const KitchenFileSchema = z.object({
  format: z.literal('ovalis-kitchen', 'should be "ovalis-kitchen"'),
  version: z.literal(1, 'should be 1'),
  exportedAt: z.iso.datetime({ offset: true }),
  plans: z.array(PlanSchema),
  cooks: z.array(CookSchema),
  batches: z.array(BatchSchema),
  ingredients: z.array(IngredientSchema),
  packs: z.array(PackSchema),
  settings: SettingsSchema,
});
export type KitchenFile = z.infer<typeof KitchenFileSchema>;

export const readKitchenFile = (text: string): Parsed<KitchenFile> => parseJson(text, KitchenFileSchema);
export const writeKitchenFile = (file: KitchenFile): string => JSON.stringify(file, null, 1) + '\n';

import { z } from 'zod';
import { BatchSchema } from '../book/batch';
import { CookSchema } from '../cook/events';
import { migrateIngredient, migratePlan, PlanSchema } from '../formula/plan';
import { IngredientSchema } from '../pantry/ingredient';
import { SettingsSchema } from '../settings';
import { PackSchema } from '../units/packs';
import { parseJson, type Parsed } from './issues';

/** Everything a kitchen holds, in one file. */
export const KitchenFileSchema = z.object({
  format: z.literal('ovalis-kitchen', 'should be "ovalis-kitchen"'),
  version: z.literal(2, 'should be 2'),
  exportedAt: z.iso.datetime({ offset: true }),
  plans: z.array(PlanSchema),
  cooks: z.array(CookSchema),
  batches: z.array(BatchSchema),
  ingredients: z.array(IngredientSchema),
  packs: z.array(PackSchema),
  settings: SettingsSchema,
});
export type KitchenFile = z.infer<typeof KitchenFileSchema>;

/** A cook or a batch with its plan in the present version. */
export const withPlan = (old: unknown): unknown =>
  old !== null && typeof old === 'object' && 'plan' in old ? { ...old, plan: migratePlan(old.plan) } : old;

/** Version 1 held plans and ingredients of version 1. */
function migrateKitchen(old: unknown): unknown {
  const file = old as Record<string, unknown>;
  const each = (name: string, change: (v: unknown) => unknown) =>
    Array.isArray(file[name])
      ? { [name]: file[name].map((v) => (v !== null && typeof v === 'object' ? change(v) : v)) }
      : {};
  if (file.version !== 1) return old;
  return {
    ...file,
    version: 2,
    ...each('plans', migratePlan),
    ...each('cooks', withPlan),
    ...each('batches', withPlan),
    ...each('ingredients', migrateIngredient),
  };
}

/** Reads a kitchen of this or an earlier version. Never throws. */
export const readKitchenFile = (text: string): Parsed<KitchenFile> =>
  parseJson(text, KitchenFileSchema, undefined, migrateKitchen);
export const writeKitchenFile = (file: KitchenFile): string => JSON.stringify(file, null, 1) + '\n';

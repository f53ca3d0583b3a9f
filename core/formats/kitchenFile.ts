import { z } from 'zod';
import { BatchSchema } from '../book/batch';
import { CookSchema } from '../cook/events';
import { migrateCook, withPlan } from '../cook/migrate';
import { migrateIngredient, migratePlan, PlanSchema } from '../plan/plan';
import { IngredientSchema } from '../pantry/ingredient';
import { SettingsSchema, type Settings } from '../settings';
import { PastPlanSchema } from '../plan/history';
import { PackSchema } from '../units/packs';
import { VesselSchema } from '../vessels/vessel';
import { DaySchema } from '../day/record';
import { PrepSchema } from '../prep/weigh';
import { parseJson, type Parsed } from './issues';

/** Everything a kitchen holds, in one file. */
export const KitchenFileSchema = z.object({
  format: z.literal('ovalis-kitchen'),
  version: z.literal(6),
  exportedAt: z.iso.datetime({ offset: true }),
  plans: z.array(PlanSchema),
  cooks: z.array(CookSchema),
  batches: z.array(BatchSchema),
  ingredients: z.array(IngredientSchema),
  packs: z.array(PackSchema),
  vessels: z.array(VesselSchema),
  history: z.array(PastPlanSchema),
  days: z.array(DaySchema),
  preps: z.array(PrepSchema),
  settings: SettingsSchema,
});
export type KitchenFile = z.infer<typeof KitchenFileSchema>;

/** A kitchen with nothing in it yet. */
export const emptyKitchen = (settings: Settings, exportedAt: string): KitchenFile => ({
  format: 'ovalis-kitchen',
  version: 6,
  exportedAt,
  plans: [],
  cooks: [],
  batches: [],
  ingredients: [],
  packs: [],
  vessels: [],
  history: [],
  days: [],
  preps: [],
  settings,
});

/**
 * Version 1 held plans and ingredients of version 1; version 2 no vessels and no history; version 3 no days and no
 * prep; version 4 fewer kinds of events; version 5 named steps by what their fires were called.
 */
function migrateKitchen(old: unknown): unknown {
  const file = old as Record<string, unknown>;
  const each = (name: string, change: (v: unknown) => unknown) =>
    Array.isArray(file[name])
      ? { [name]: file[name].map((v) => (v !== null && typeof v === 'object' ? change(v) : v)) }
      : {};
  if (typeof file.version !== 'number' || file.version < 1 || file.version > 5) return old;
  return {
    vessels: [],
    history: [],
    days: [],
    preps: [],
    ...file,
    version: 6,
    ...each('plans', migratePlan),
    ...each('cooks', migrateCook),
    ...each('batches', migrateCook),
    ...each('history', withPlan),
    ...(file.version === 1 ? each('ingredients', migrateIngredient) : {}),
  };
}

/** Reads a kitchen of this or an earlier version. Never throws. */
export const readKitchenFile = (text: string): Parsed<KitchenFile> =>
  parseJson(text, KitchenFileSchema, undefined, migrateKitchen);
export const writeKitchenFile = (file: KitchenFile): string => JSON.stringify(file, null, 1) + '\n';

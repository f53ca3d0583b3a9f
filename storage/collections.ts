import type { z } from 'zod';
import { BatchSchema } from '../core/book/batch';
import { CookSchema } from '../core/cook/events';
import { migrateCook, withPlan } from '../core/cook/migrate';
import { DaySchema } from '../core/day/record';
import { TROUBLES } from '../core/formats/computable';
import type { FormatIssue } from '../core/formats/issues';
import { IngredientSchema } from '../core/pantry/ingredient';
import { PastPlanSchema } from '../core/plan/history';
import { migrateIngredient, migratePlan, PlanSchema } from '../core/plan/plan';
import { PrepSchema } from '../core/prep/weigh';
import { PackSchema } from '../core/units/packs';
import { VesselSchema } from '../core/vessels/vessel';
import { since, type Migration } from './records';

const row = <S extends z.ZodType<{ id: string }>>(
  schema: S,
  version = 1,
  migrate: Migration = (old) => old,
  troubles?: (value: z.infer<S>) => FormatIssue[],
) => ({
  schema,
  version,
  migrations: since(version, migrate),
  troubles,
});

/**
 * What a kitchen keeps, a row each. Version 2 of plans and ingredients knows every thickener, version 3 of plans side pots
 * and rules, version 4 what a step is for; version 4 of cooks and batches what was read off, version 5 corrections, lid,
 * spoon, ladles, devices and rescues, version 6 steps by their role; version 2 of packs a price.
 */
export const COLLECTIONS = {
  plans: row(PlanSchema, 4, migratePlan, TROUBLES.plans),
  cooks: row(CookSchema, 6, migrateCook, TROUBLES.cooks),
  batches: row(BatchSchema, 6, migrateCook, TROUBLES.batches),
  ingredients: row(IngredientSchema, 2, migrateIngredient),
  packs: row(PackSchema, 2),
  vessels: row(VesselSchema),
  history: row(PastPlanSchema, 2, withPlan, TROUBLES.history),
  days: row(DaySchema),
  preps: row(PrepSchema),
} as const;

export type CollectionName = keyof typeof COLLECTIONS;
export type Collections = { [N in CollectionName]: z.infer<(typeof COLLECTIONS)[N]['schema']> };
export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as CollectionName[];

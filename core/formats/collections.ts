import { z } from 'zod';
import { BatchSchema, type Batch } from '../book/batch';
import { rowOfBatch, type BatchRow } from '../book/row';
import { CookSchema, type Cook } from '../cook/events';
import { nearCook, rowOfCook, type CookRow } from '../cook/row';
import { migrateCook, withPlan } from '../cook/migrate';
import { DaySchema } from '../day/record';
import { TROUBLES } from './computable';
import type { FormatIssue } from './issues';
import { IngredientSchema } from '../pantry/ingredient';
import { PastPlanSchema } from '../plan/history';
import { migrateIngredient, migratePlan } from '../plan/migrate';
import { PlanSchema } from '../plan/plan';
import { PrepSchema } from '../prep/weigh';
import { SettingsSchema, type Settings } from '../settings';
import { PackSchema } from '../units/packs';
import { VesselSchema } from '../vessels/vessel';
import { since, type AnySpec, type CollectionSpec, type Migration, type RowSpec } from './record';

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
 * and rules, version 4 what a step is for, version 5 portions; version 4 of cooks and batches what was read off, version 5 corrections, lid,
 * spoon, ladles, devices and rescues, version 6 steps by their role, version 7 plans of version 5,
 * version 8 where the dish stands, what it says to a touch, and more of what was found, version 9 of batches a promise that is
 * still owed; version 6 of plans, 9 of cooks, 10 of batches and 4 of history several moments of a stage; version 7 of plans, 10 of
 * cooks, 11 of batches and 5 of history one list of things, vessels and acts; version 2 of packs a price.
 */
export const COLLECTIONS = {
  plans: row(PlanSchema, 7, migratePlan, TROUBLES.plans),
  cooks: row(CookSchema, 10, migrateCook, TROUBLES.cooks),
  batches: row(BatchSchema, 11, migrateCook, TROUBLES.batches),
  ingredients: row(IngredientSchema, 2, migrateIngredient),
  packs: row(PackSchema, 2),
  vessels: row(VesselSchema),
  history: row(PastPlanSchema, 5, withPlan, TROUBLES.history),
  days: row(DaySchema),
  preps: row(PrepSchema),
} as const;

export type CollectionName = keyof typeof COLLECTIONS;
export type Collections = { [N in CollectionName]: z.infer<(typeof COLLECTIONS)[N]['schema']> };
export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as CollectionName[];

type Listed<T, R> = RowSpec<T, R> & {
  /** whether a room has it at hand; the others, or all where there is no saying, are read when they are asked for */
  near?(row: R, nowMs: number): boolean;
};

/** Collections that grow long: what their lists need is kept beside each record. */
export const ROWS = {
  batches: { version: 3, of: rowOfBatch } as Listed<Batch, BatchRow>,
  cooks: { version: 1, of: rowOfCook, near: nearCook } as Listed<Cook, CookRow>,
} as const;
export type RowName = keyof typeof ROWS;
export type Rows = { batches: BatchRow; cooks: CookRow };
export const hasRows = (name: string): name is RowName => Object.hasOwn(ROWS, name);

/** What is known of a collection, its rows among it. */
export const specOf = (name: CollectionName): AnySpec => {
  const { troubles, ...rest } = COLLECTIONS[name];
  return {
    name,
    ...rest,
    ...(troubles ? { troubles } : {}),
    ...(hasRows(name) ? { row: ROWS[name] } : {}),
  } as AnySpec;
};

/**
 * Settings are a collection of one. Version 2 says how money is written, version 3 which machines there are, version 4 how
 * the Pot is heard, seen and held, and its devices.
 */
export type StoredSettings = Settings & { id: 'mine' };
export const SETTINGS_SPEC: CollectionSpec<StoredSettings> = {
  name: 'settings',
  version: 4,
  schema: SettingsSchema.extend({ id: z.literal('mine') }),
  migrations: since(4, (old) => old),
};

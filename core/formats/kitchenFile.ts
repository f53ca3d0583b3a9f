import { z } from 'zod';
import { MomentSchema } from '../moment';
import { BatchSchema } from '../book/batch';
import { CookSchema } from '../cook/events';
import { migrateCook, withPlan } from '../cook/migrate';
import { migrateIngredient, migratePlan } from '../plan/migrate';
import { PlanSchema } from '../plan/plan';
import { IngredientSchema } from '../pantry/ingredient';
import { SettingsSchema, type Settings } from '../settings';
import { PastPlanSchema } from '../plan/history';
import { PackSchema } from '../units/packs';
import { VesselSchema } from '../vessels/vessel';
import { DaySchema } from '../day/record';
import { PrepSchema } from '../prep/weigh';
import { say } from '../say';
import { COLLECTION_NAMES, COLLECTIONS, type CollectionName } from './collections';
import { DRY } from './computable';
import { issuesOf, parseText, type FormatIssue } from './issues';

/** faults of a file that are named one by one */
const MOST_LEFT = 200;
/** records of one kind */
const MOST = 50_000;

/** Everything a kitchen holds, in one file. */
const KitchenFileSchema = z.object({
  format: z.literal('ovalis-kitchen'),
  version: z.literal(10),
  exportedAt: MomentSchema,
  plans: z.array(PlanSchema).max(MOST),
  cooks: z.array(CookSchema).max(MOST),
  batches: z.array(BatchSchema).max(MOST),
  ingredients: z.array(IngredientSchema).max(MOST),
  packs: z.array(PackSchema).max(MOST),
  vessels: z.array(VesselSchema).max(MOST),
  history: z.array(PastPlanSchema).max(MOST),
  days: z.array(DaySchema).max(MOST),
  preps: z.array(PrepSchema).max(MOST),
  settings: SettingsSchema,
});
export type KitchenFile = z.infer<typeof KitchenFileSchema>;

/** A kitchen with nothing in it yet. */
export const emptyKitchen = (settings: Settings, exportedAt: string): KitchenFile => ({
  format: 'ovalis-kitchen',
  version: 10,
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
 * prep; version 4 fewer kinds of events; version 5 named steps by what their fires were called; version 6 plans
 * without portions; version 7 nothing of where a dish stands; version 8 plans with one moment a stage; version 9 plans
 * of stages, carve-outs and steps.
 */
function migrateKitchen(old: unknown): unknown {
  const file = old as Record<string, unknown>;
  const each = (name: string, change: (v: unknown) => unknown) =>
    Array.isArray(file[name])
      ? { [name]: file[name].map((v) => (v !== null && typeof v === 'object' ? change(v) : v)) }
      : {};
  if (typeof file?.version !== 'number' || file.version < 1 || file.version > 9) return old;
  return {
    vessels: [],
    history: [],
    days: [],
    preps: [],
    ...file,
    version: 10,
    ...each('plans', migratePlan),
    ...each('cooks', migrateCook),
    ...each('batches', migrateCook),
    ...each('history', withPlan),
    ...(file.version === 1 ? each('ingredients', migrateIngredient) : {}),
  };
}

/** What was read of a kitchen, and the records that stay out of it, each with its path and what would be right. */
type KitchenRead = { ok: true; value: KitchenFile; left: FormatIssue[] } | { ok: false; issues: FormatIssue[] };

const HeadSchema = KitchenFileSchema.pick({ format: true, version: true, exportedAt: true, settings: true });
/** Reads a kitchen of this or an earlier version, record by record: one that is wrong stays out. Never throws. */
export function readKitchenFile(text: string): KitchenRead {
  const parsed = parseText(text, migrateKitchen);
  if (!parsed.ok) return parsed;
  const head = HeadSchema.safeParse(parsed.value);
  if (!head.success) return { ok: false, issues: issuesOf(head.error) };
  const file = parsed.value as Record<string, unknown>;
  const left: FormatIssue[] = [];
  let more = 0;
  const value: Record<string, unknown> = { ...head.data };
  for (const kind of COLLECTION_NAMES) {
    const list = z.array(z.unknown()).max(MOST).safeParse(file[kind]);
    if (!list.success) return { ok: false, issues: issuesOf(list.error).map((i) => ({ ...i, path: kind })) };
    const seen = new Set<string>();
    value[kind] = list.data.flatMap((raw, i) => {
      const at = `${kind}[${i}]`;
      const record = COLLECTIONS[kind].schema.safeParse(raw);
      const troubles: FormatIssue[] = record.success
        ? seen.has(record.data.id)
          ? [{ path: 'id', message: say('issue.twice', { id: record.data.id }) }]
          : troublesOf(kind, record.data)
        : issuesOf(record.error);
      if (!record.success || troubles.length) {
        // nobody reads a thousand of them: the rest is counted
        if (left.length < MOST_LEFT) left.push(...troubles.map((t) => ({ ...t, path: `${at}.${t.path}` })));
        else more += 1;
        return [];
      }
      seen.add(record.data.id);
      return [record.data];
    });
  }
  if (more) left.push({ path: '(whole file)', message: say('issue.moreRecords', { count: more }) });
  return { ok: true, value: value as KitchenFile, left };
}

type Look = (record: unknown) => FormatIssue[];
function troublesOf(kind: CollectionName, record: unknown): FormatIssue[] {
  const found = (COLLECTIONS[kind].troubles as Look | undefined)?.(record) ?? [];
  return found.length ? found : ((DRY as Partial<Record<CollectionName, Look>>)[kind]?.(record) ?? []);
}

export const kitchenJsonSchema = (): unknown => ({
  $id: 'ovalis-kitchen-10.schema.json',
  title: 'ovalis-kitchen, version 9',
  ...z.toJSONSchema(KitchenFileSchema, { io: 'input', unrepresentable: 'any', reused: 'ref' }),
});

/** A record a line: small, and two of them are compared line by line. */
export function writeKitchenFile(file: KitchenFile): string {
  const fields = Object.entries(file).map(([key, value]) => {
    const body = Array.isArray(value)
      ? value.length
        ? `[\n${value.map((v) => JSON.stringify(v)).join(',\n')}\n]`
        : '[]'
      : JSON.stringify(value);
    return `${JSON.stringify(key)}: ${body}`;
  });
  return `{\n${fields.join(',\n')}\n}\n`;
}

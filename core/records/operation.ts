import { z } from 'zod';
import { applyChange, ChangeSchema, type Change } from './change';

const RecordSchema = z.looseObject({ id: z.string() });

/** What is done to a record: put in place as a whole, changed (made of `from` where there is none yet), or taken out. */
const ActSchema = z.union([
  z.strictObject({ put: RecordSchema }),
  z.strictObject({ change: ChangeSchema, from: RecordSchema.optional() }),
  z.strictObject({ removed: z.literal(true) }),
]);
export type RecordAct = { put: { id: string } } | { change: Change; from?: { id: string } } | { removed: true };

/**
 * One thing that a hand did to one record, as it is written down before the tap returns. `tab` and `n` are its name: a tab
 * numbers what it does, and everything is done once, in that order.
 */
export const RecordOperationSchema = z.object({
  version: z.literal(1),
  tab: z.string().min(1).max(40),
  n: z.int().min(1),
  atMs: z.number(),
  collection: z.string(),
  record: z.string(),
  act: ActSchema,
});
export type RecordOperation = Omit<z.infer<typeof RecordOperationSchema>, 'act'> & { act: RecordAct };
export type NewOperation = Pick<RecordOperation, 'collection' | 'record' | 'act'>;

/** In the order of their time; those of one tab in the order in which it did them. */
export const inOrderOfTime = (a: RecordOperation, b: RecordOperation): number =>
  a.atMs - b.atMs || (a.tab === b.tab ? a.n - b.n : a.tab < b.tab ? -1 : 1);

/** What of each tab's operations is in the records: all up to a number, and some beyond it. */
const AppliedSchema = z.record(
  z.string(),
  z.object({ upTo: z.int().min(0), beyond: z.array(z.int()), lastMs: z.number() }),
);
export type Applied = z.infer<typeof AppliedSchema>;

/** @returns nothing applied where the text is none of ours */
export function readApplied(text: string | null | undefined): Applied {
  try {
    return AppliedSchema.parse(JSON.parse(text ?? '{}'));
  } catch {
    return {};
  }
}

export function isApplied(applied: Applied, { tab, n }: Pick<RecordOperation, 'tab' | 'n'>): boolean {
  const of = applied[tab];
  return of !== undefined && (n <= of.upTo || of.beyond.includes(n));
}

/** Tabs that are remembered: one that has not written for so many others has died long ago. */
const MOST_TABS = 60;

/** The same with these in it. */
export function withApplied(applied: Applied, operations: readonly RecordOperation[]): Applied {
  const next: Applied = { ...applied };
  for (const { tab, n, atMs } of operations) {
    const was = next[tab] ?? { upTo: 0, beyond: [], lastMs: atMs };
    const beyond = new Set([...was.beyond, n]);
    let { upTo } = was;
    while (beyond.delete(upTo + 1)) upTo += 1;
    next[tab] = { upTo, beyond: [...beyond].sort((a, b) => a - b), lastMs: Math.max(was.lastMs, atMs) };
  }
  const tabs = Object.entries(next).sort(([, a], [, b]) => b.lastMs - a.lastMs);
  return Object.fromEntries(tabs.slice(0, MOST_TABS));
}

/** The same for who shows it: what cannot be made on a record leaves it as it is. */
export function shownAfter<T extends { id: string }>(now: T | undefined, operation: Pick<RecordOperation, 'act'>) {
  try {
    return applyOperation(now, operation);
  } catch {
    return now;
  }
}

/**
 * A record after an operation.
 * @param now the record before it; undefined where there is none
 * @returns undefined where it is not there (any more): a change does not bring back what was taken out
 */
export function applyOperation<T extends { id: string }>(now: T | undefined, { act }: Pick<RecordOperation, 'act'>) {
  if ('removed' in act) return undefined;
  if ('put' in act) return act.put as T;
  const base = now ?? (act.from as T | undefined);
  return base && applyChange(base, act.change);
}

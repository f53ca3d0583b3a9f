import { z } from 'zod';
import { CookEventSchema, type CookEvent } from '../core/cook/events';
import { changeBetween, type Change } from '../core/records/change';
import {
  inOrderOfTime,
  RecordOperationSchema,
  type NewOperation,
  type RecordOperation,
} from '../core/records/operation';

/** A store that has written when the call returns, as localStorage. */
export type AtOnce = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

const PREFIX = 'ovalis-op/';

/** Operations of this tab that are kept in mind after they are applied: no read takes as long as so many. */
const MOST_MINE = 40;

/** Whether a key of the store is an operation that was noted. */
export const isNoted = (key: string | null): boolean => key?.startsWith(PREFIX) ?? false;

/** The change that puts events into a cook or a batch: each once, by its id. */
export const eventsChange = (events: readonly CookEvent[]): Change => ({
  fields: { events: { rows: events.map((row) => ({ name: row.id, change: { row } })) } },
});

export type OperationLog = {
  /** Notes what a hand did before it returns; where the store refuses it is kept in memory. */
  note(operation: NewOperation, atMs: number): RecordOperation;
  /** All that is not known as applied, of this tab and of others, in the order of their time; and what cannot be read. */
  all(): { operations: RecordOperation[]; bad: { key: string; text: string }[] };
  /** The same, with what this tab did last: a read that began before it was applied has to add it. */
  lately(): RecordOperation[];
  /** They are in the records, or out of the way. */
  forget(operations: readonly RecordOperation[]): void;
  forgetText(key: string): void;
};

/**
 * What hands did and is not yet in the records: a key an operation, so that tabs never write over each other.
 * @param tab told apart from every other tab, now and before
 */
export function logOver(store: AtOnce, tab: string): OperationLog {
  const refused = new Map<string, RecordOperation>();
  const mine: RecordOperation[] = [];
  let n = 0;
  /** of what was done or seen here: what is done next comes behind it, whatever the clock says */
  let lastMs = -Infinity;
  const keyOf = (o: RecordOperation) =>
    OLD.some((prefix) => o.tab.startsWith(prefix)) ? o.tab : `${PREFIX}${o.tab}/${o.n}`;

  const readKey = (key: string, text: string): RecordOperation =>
    isNoted(key) ? (RecordOperationSchema.parse(JSON.parse(text)) as RecordOperation) : readOld(key, text);

  const log: OperationLog = {
    note(operation, atMs) {
      n += 1;
      lastMs = Math.max(lastMs, atMs);
      const noted: RecordOperation = { version: 1, tab, n, atMs: lastMs, ...operation };
      mine.push(noted);
      if (mine.length > MOST_MINE) mine.shift();
      try {
        store.setItem(keyOf(noted), JSON.stringify(noted));
      } catch {
        refused.set(keyOf(noted), noted);
      }
      return noted;
    },
    all() {
      const operations = [...refused.values()];
      const bad: { key: string; text: string }[] = [];
      for (let i = 0; i < store.length; i++) {
        const key = store.key(i);
        if (key === null || !(isNoted(key) || OLD.some((prefix) => key.startsWith(prefix)))) continue;
        const text = store.getItem(key) ?? '';
        try {
          const operation = readKey(key, text);
          operations.push(operation);
          if (operation.tab !== tab) lastMs = Math.max(lastMs, operation.atMs + 1);
        } catch {
          bad.push({ key, text });
        }
      }
      return { operations: operations.sort(inOrderOfTime), bad };
    },
    forget(operations) {
      for (const key of operations.map(keyOf)) {
        refused.delete(key);
        store.removeItem(key);
      }
    },
    lately() {
      const all = [...mine, ...log.all().operations].map((o) => [keyOf(o), o] as const);
      return [...new Map(all).values()].sort(inOrderOfTime);
    },
    forgetText: (key) => store.removeItem(key),
  };
  return log;
}

/** What versions before this one noted: taps of a cook, and changes of a record with what they were made on. */
const OLD = ['ovalis-noted/', 'ovalis-changed/'];
const OldTapsSchema = z.object({ cookId: z.string(), events: z.array(CookEventSchema).min(1) });
const OldChangeSchema = z.object({
  collection: z.string(),
  at: z.number(),
  base: z.unknown().optional(),
  value: z.looseObject({ id: z.string() }),
  removed: z.boolean().optional(),
});

/** @throws where the text is none of them */
function readOld(key: string, text: string): RecordOperation {
  const data: unknown = JSON.parse(text);
  const so = { version: 1 as const, tab: key, n: 1 };
  if (key.startsWith(OLD[0]!)) {
    const { cookId, events } = OldTapsSchema.parse(data);
    const atMs = Date.parse(events[0]!.at);
    return { ...so, atMs, collection: 'cooks', record: cookId, act: { change: eventsChange(events) } };
  }
  const { collection, at, base, value, removed } = OldChangeSchema.parse(data);
  return {
    ...so,
    atMs: at,
    collection,
    record: value.id,
    act: removed
      ? { removed }
      : base === undefined
        ? { put: value }
        : { change: changeBetween(base, value) ?? { fields: {} } },
  };
}

import { z } from 'zod';
import { CookEventSchema, type CookEvent } from '../core/cook/events';

/** A store that has written when the call returns, as localStorage. */
export type AtOnce = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

const PREFIX = 'ovalis-noted/';
const EntrySchema = z.object({ cookId: z.string(), events: z.array(CookEventSchema).min(1) });
type Entry = z.infer<typeof EntrySchema>;

const CHANGED = 'ovalis-changed/';
const ChangeSchema = z.object({
  collection: z.string(),
  at: z.number(),
  /** its place among those of one moment */
  n: z.number().default(0),
  base: z.unknown().optional(),
  value: z.looseObject({ id: z.string() }),
  /** it was taken out: of the value only the id counts */
  removed: z.boolean().optional(),
});
/** A change of a record that is not yet written: what it was made on, and what it made, or that it was taken out. */
export type Change = z.infer<typeof ChangeSchema>;
type NewChange = Omit<Change, 'n'>;

/** Whether a key of the store is a tap that was noted. */
export const isNoted = (key: string | null): boolean => (key?.startsWith(PREFIX) || key?.startsWith(CHANGED)) ?? false;

type Journal = {
  /** Notes events of a cook before it returns; where the store refuses they are kept in memory. */
  note(cookId: string, events: readonly CookEvent[]): void;
  /**
   * What was noted and is not yet in a record, in the order of its time, with the keys to clear it by; and what cannot be
   * read.
   */
  pending(): {
    of: Map<string, { keys: string[]; events: CookEvent[] }>;
    bad: { key: string; text: string }[];
  };
  clear(keys: readonly string[]): void;
  /** Notes a change of a record before it returns. @returns forgets it: it is written */
  change(c: NewChange): () => void;
  /** Changes that another tab, or this one before, noted and did not write, in the order of their time. */
  changes(): { of: { key: string; change: Change }[]; bad: { key: string; text: string }[] };
};

/**
 * What was tapped and is not yet in the cook's record. The record takes a few milliseconds to write; a tab may die in
 * them. Every tap is a key of its own, so that two tabs never write over each other.
 */
export function journalOver(store: AtOnce): Journal {
  const refused = new Map<string, Entry>();
  /** changes that this tab is writing itself */
  const mine = new Set<string>();
  let changed = 0;
  return {
    note(cookId, events) {
      const [first] = events;
      if (!first) return;
      const key = `${PREFIX}${cookId}/${first.id}`;
      try {
        store.setItem(key, JSON.stringify({ cookId, events }));
      } catch {
        refused.set(key, { cookId, events: [...events] });
      }
    },
    pending() {
      const of = new Map<string, { keys: string[]; events: CookEvent[] }>();
      const bad: { key: string; text: string }[] = [];
      const all = [...refused];
      for (let i = 0; i < store.length; i++) {
        const key = store.key(i);
        if (!key?.startsWith(PREFIX)) continue;
        const text = store.getItem(key) ?? '';
        try {
          all.push([key, EntrySchema.parse(JSON.parse(text))]);
        } catch {
          bad.push({ key, text });
        }
      }
      all.sort(([, a], [, b]) => a.events[0]!.at.localeCompare(b.events[0]!.at));
      for (const [key, { cookId, events }] of all) {
        const so = of.get(cookId) ?? { keys: [], events: [] };
        so.keys.push(key);
        so.events.push(...events);
        of.set(cookId, so);
      }
      return { of, bad };
    },
    change(c) {
      const n = ++changed;
      const key = `${CHANGED}${c.collection}/${c.value.id}/${c.at}-${n}`;
      mine.add(key);
      try {
        store.setItem(key, JSON.stringify({ ...c, n }));
      } catch {
        // no room for it twice: the record itself is on its way
      }
      return () => {
        mine.delete(key);
        store.removeItem(key);
      };
    },
    changes() {
      const of: { key: string; change: Change }[] = [];
      const bad: { key: string; text: string }[] = [];
      for (let i = 0; i < store.length; i++) {
        const key = store.key(i);
        if (!key?.startsWith(CHANGED) || mine.has(key)) continue;
        const text = store.getItem(key) ?? '';
        try {
          of.push({ key, change: ChangeSchema.parse(JSON.parse(text)) });
        } catch {
          bad.push({ key, text });
        }
      }
      return { of: of.sort((a, b) => a.change.at - b.change.at || a.change.n - b.change.n), bad };
    },
    clear(keys) {
      for (const key of keys) {
        refused.delete(key);
        store.removeItem(key);
      }
    },
  };
}

import type { AtOnce } from './log';
import {
  keyOf,
  openRecord,
  rowKeyOf,
  sealedRow,
  textsOf,
  Unreadable,
  whyOf,
  type AnySpec,
  type CollectionSpec,
} from '../core/formats/record';
import { say, type Said } from '../core/say';

/** What the repositories need of a key-value store; AsyncStorage has it, and so has a Map in a test. */
export type KeyValue = {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeItem(key: string): Promise<void>;
  /** as they are at one moment */
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  /** all of them or none */
  setMany(entries: Record<string, string>): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
  getAllKeys(): Promise<string[]>;
};

export type Problem = { kind: 'set aside' | 'not saved'; key: string; why: Said };

/** What was changed: a record, or without an id all of a collection. */
export type News = { collection: string; id?: string };

export type Shell = {
  store: KeyValue;
  /** for what must be down before a tap returns */
  atOnce: AtOnce;
  /** the name of this tab, told apart from every other, now and before */
  tab: string;
  /** Runs `work` while nobody else, in any tab, writes into this kitchen: its one lock. */
  lock: <T>(work: () => Promise<T>) => Promise<T>;
  report(problem: Problem): void;
  changed(news: News): void;
  /** lets the page draw and answer, in the middle of long work */
  breathe(): Promise<void>;
};

export class NotSavedError extends Error {}

/** What a store refused, in words: mostly a disk that is full. */
export const refusalOf = (e: unknown): Said =>
  say(/quota|full|space/i.test(`${(e as Error).name} ${(e as Error).message}`) ? 'record.full' : 'record.refused');

const ASIDE = 'aside/';
/** what a later version wrote: it comes back when the app can read it */
const NEWER = 'newer/';

/** Moves a text that cannot be read aside and says so. Copied first, taken out second: a full disk leaves it where it was. */
export async function putAside(shell: Shell, key: string, text: string, why: unknown, takeOut: () => unknown) {
  shell.report({ kind: 'set aside', key, why: whyOf(why) });
  const to = why instanceof Unreadable && why.newer ? NEWER : ASIDE;
  await shell.store.setItem(to + key, text).then(takeOut, () => undefined);
}

/**
 * Reads a validated, versioned collection. Nothing is written through it: that is what operations are for. A record that
 * cannot be read is moved aside, reported, and never shown half.
 * `held`: the kitchen's lock is held already.
 */
export type Repository<T, R = { id: string }> = {
  name: string;
  /** All of them, or those of these ids that there are. */
  list(ids?: readonly string[], held?: boolean): Promise<T[]>;
  get(id: string, held?: boolean): Promise<T | undefined>;
  /** Moves a record out of the way as it is: it can be read and cannot be shown. */
  aside(id: string): Promise<void>;
  /** What a list needs of each record; none where the collection keeps no rows. */
  rows(held?: boolean): Promise<R[]>;
};

/** Records, and rows, that are opened before the page may breathe. */
const AT_A_TIME = 40;
const ROWS_AT_A_TIME = 1000;

/** Where a record and its row stand. */
export const keysOf = (spec: AnySpec, id: string): string[] =>
  spec.row ? [keyOf(spec.name, id), rowKeyOf(spec.name, id)] : [keyOf(spec.name, id)];

export function repository<T extends { id: string }, R extends { id: string } = { id: string }>(
  spec: CollectionSpec<T, R>,
  shell: Shell,
): Repository<T, R> {
  const { store } = shell;
  const key = (id: string) => keyOf(spec.name, id);
  const rowKey = (id: string) => rowKeyOf(spec.name, id);
  const { row } = spec;
  const takeOut = (id: string) => store.removeMany(keysOf(spec as unknown as AnySpec, id));
  const hold = <A>(held: boolean, work: () => Promise<A>) => (held ? work() : shell.lock(work));

  const opened = (text: string): { value: T; migrated: boolean } | undefined => {
    try {
      return openRecord(spec, text);
    } catch {
      return undefined;
    }
  };

  /** Under the lock: writes what is old in its present shape, sets aside what is broken. */
  async function mend(ids: readonly string[]): Promise<Map<string, T>> {
    const texts = await store.getMany(ids.map(key));
    const out = new Map<string, T>();
    const entries: Record<string, string> = {};
    for (const id of ids) {
      const text = texts[key(id)];
      if (text === null || text === undefined) continue;
      try {
        const { value, migrated } = openRecord(spec, text);
        out.set(id, value);
        if (migrated) Object.assign(entries, textsOf(spec, value));
      } catch (e) {
        await putAside(shell, key(id), text, e, () => takeOut(id));
      }
    }
    // a disk that is full leaves it as it was: it is read so again
    if (Object.keys(entries).length) await store.setMany(entries).catch(() => undefined);
    return out;
  }

  async function get(id: string, held = false): Promise<T | undefined> {
    const text = await store.getItem(key(id));
    if (text === null) return undefined;
    const read = opened(text);
    return read && !read.migrated ? read.value : (await hold(held, () => mend([id]))).get(id);
  }

  const ids = async () => {
    const at = key('');
    return (await store.getAllKeys()).filter((k) => k.startsWith(at)).map((k) => k.slice(at.length));
  };

  const readRow = (text: string | null | undefined): R | undefined => {
    try {
      const kept = text ? (JSON.parse(text) as { v: unknown; data: R }) : undefined;
      return kept?.v === row!.version ? kept.data : undefined;
    } catch {
      return undefined;
    }
  };

  /** Rows that are not there, or of another version, are made of their records. */
  async function rows(held = false): Promise<R[]> {
    if (!row) return [];
    const all = await ids();
    const kept = all.length ? await store.getMany(all.map(rowKey)) : {};
    const out = new Map<string, R>();
    const missing: string[] = [];
    for (const [i, id] of all.entries()) {
      if (i && i % ROWS_AT_A_TIME === 0) await shell.breathe();
      const there = readRow(kept[rowKey(id)]);
      if (there) out.set(id, there);
      else missing.push(id);
    }
    for (let i = 0; i < missing.length; i += AT_A_TIME) {
      if (i) await shell.breathe();
      await hold(held, async () => {
        const values = await mend(missing.slice(i, i + AT_A_TIME));
        const made = [...values].map(([id, value]) => [id, row.of(value)] as const);
        for (const [id, of] of made) out.set(id, of);
        // a disk that is full leaves the record, and the row is made again next time
        await store
          .setMany(Object.fromEntries(made.map(([id, of]) => [rowKey(id), sealedRow(row, of)])))
          .catch(() => undefined);
      });
    }
    return all.flatMap((id) => out.get(id) ?? []);
  }

  return {
    name: spec.name,
    rows,
    get,
    async list(wanted, held = false) {
      const all = wanted ?? (await ids());
      if (!all.length) return [];
      const kept = await store.getMany(all.map(key));
      const out = new Map<string, T>();
      const unfit: string[] = [];
      for (const [i, id] of all.entries()) {
        // in order, a few at a time: the page draws between
        if (i && i % AT_A_TIME === 0) await shell.breathe();
        const text = kept[key(id)];
        if (text === null || text === undefined) continue;
        const read = opened(text);
        if (read && !read.migrated) out.set(id, read.value);
        else unfit.push(id);
      }
      if (unfit.length) for (const [id, value] of await hold(held, () => mend(unfit))) out.set(id, value);
      return all.flatMap((id) => out.get(id) ?? []);
    },
    async aside(id) {
      await shell.lock(async () => {
        const text = await store.getItem(key(id));
        if (text !== null)
          await putAside(shell, key(id), text, new Unreadable(say('record.notShown')), () => takeOut(id));
      });
      shell.changed({ collection: spec.name, id });
    },
  };
}

/** Texts that were moved to one side, by the key they had. */
async function movedTo(store: KeyValue, side: string): Promise<Record<string, string>> {
  const keys = (await store.getAllKeys()).filter((k) => k.startsWith(side));
  const texts = keys.length ? await store.getMany(keys) : {};
  return Object.fromEntries(keys.map((k) => [k.slice(side.length), texts[k] ?? '']));
}

/** Texts that were moved aside, by their old key, so that an export can carry them and the cook can look. */
export const setAside = async (store: KeyValue): Promise<Record<string, string>> => ({
  ...(await movedTo(store, NEWER)),
  ...(await movedTo(store, ASIDE)),
});

/**
 * Puts back what a later version wrote and an older one moved out of its way, once it can be read. What has been made anew
 * under the same key meanwhile stays, and so does the other aside. @returns whether any came back
 */
export async function bringBack(shell: Shell, known: (name: string) => AnySpec | undefined) {
  const { store } = shell;
  let any = false;
  for (const [key, text] of Object.entries(await movedTo(store, NEWER))) {
    const spec = known(key.slice(0, key.indexOf('/')));
    if (!spec || !canRead(spec, text)) continue;
    await shell.lock(async () => {
      if ((await store.getItem(key)) !== null) return;
      await store.setItem(key, text);
      await store.removeItem(NEWER + key);
      any = true;
    });
  }
  return any;
}

function canRead(spec: AnySpec, text: string): boolean {
  try {
    openRecord(spec, text);
    return true;
  } catch {
    return false;
  }
}

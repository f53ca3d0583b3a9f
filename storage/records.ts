import type { AtOnce } from './journal';
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
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  /** all of them or none */
  setMany(entries: Record<string, string>): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
  getAllKeys(): Promise<string[]>;
};

/** Runs `work` while nobody else, in any tab, holds `name`. */
type Lock = <T>(name: string, work: () => Promise<T>) => Promise<T>;

export type Problem = { kind: 'set aside' | 'not saved'; key: string; why: Said };

/** What was changed: a record, or without an id all of a collection. */
export type News = { collection: string; id?: string };

export type Shell = {
  store: KeyValue;
  /** for what must be down before a tap returns */
  atOnce: AtOnce;
  lock: Lock;
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

export type Repository<T, R = { id: string }> = {
  name: string;
  /** All of them, or those of these ids that there are. */
  list(ids?: readonly string[]): Promise<T[]>;
  get(id: string): Promise<T | undefined>;
  put(value: T): Promise<void>;
  /** Reads, changes and writes under the lock; `change` returning undefined leaves it alone. */
  update(id: string, change: (now: T | undefined) => T | undefined): Promise<T | undefined>;
  remove(id: string): Promise<void>;
  /** Moves a record out of the way as it is: it can be read and cannot be shown. */
  aside(id: string): Promise<void>;
  /** What a list needs of each record; none where the collection keeps no rows. */
  rows(): Promise<R[]>;
};

/** Records, and rows, that are opened before the page may breathe. */
const AT_A_TIME = 40;
const ROWS_AT_A_TIME = 1000;

/**
 * A validated, versioned collection. A record that cannot be read is moved aside, reported, and never shown half.
 * Writing past the quota throws {@link NotSavedError} after reporting it. A record and its row are written together.
 */
export function repository<T extends { id: string }, R extends { id: string } = { id: string }>(
  spec: CollectionSpec<T, R>,
  shell: Shell,
): Repository<T, R> {
  const key = (id: string) => keyOf(spec.name, id);
  const rowKey = (id: string) => rowKeyOf(spec.name, id);
  const { row } = spec;
  const takeOut = (id: string) => shell.store.removeMany(row ? [key(id), rowKey(id)] : [key(id)]);

  async function write(value: T): Promise<void> {
    try {
      await shell.store.setMany(textsOf(spec, value));
    } catch (e) {
      const why = refusalOf(e);
      shell.report({ kind: 'not saved', key: key(value.id), why });
      throw new NotSavedError(why.code);
    }
  }

  /**
   * @param held the record is locked: what is broken is set aside on the spot, else once it is ours
   * @param keep what is old is written in its new shape
   */
  async function read(id: string, text: string | null, held = false, keep = true): Promise<T | undefined> {
    if (text === null) return undefined;
    try {
      const { value, migrated } = openRecord(spec, text);
      if (migrated && held && keep) await write(value);
      if (held || !migrated) return value;
    } catch (e) {
      if (e instanceof NotSavedError) throw e;
      if (held) {
        await putAside(shell, key(id), text, e, () => takeOut(id));
        return undefined;
      }
    }
    return shell.lock(key(id), async () => read(id, await shell.store.getItem(key(id)), true));
  }

  const get = async (id: string, held = false, keep = true) => read(id, await shell.store.getItem(key(id)), held, keep);

  /** In order, a few at a time: the page draws between. */
  async function each<A, B>(list: readonly A[], atATime: number, work: (a: A) => Promise<B | undefined>): Promise<B[]> {
    const out: B[] = [];
    for (let i = 0; i < list.length; i += atATime) {
      if (i) await shell.breathe();
      const some = await Promise.all(list.slice(i, i + atATime).map(work));
      out.push(...some.filter((v): v is Awaited<NonNullable<typeof v>> => v !== undefined));
    }
    return out;
  }

  const ids = async () => {
    const at = key('');
    return (await shell.store.getAllKeys()).filter((k) => k.startsWith(at)).map((k) => k.slice(at.length));
  };

  const readRow = (text: string | null | undefined): R | undefined => {
    try {
      const kept = text ? (JSON.parse(text) as { v: unknown; data: R }) : undefined;
      return kept?.v === row!.version ? kept.data : undefined;
    } catch {
      return undefined;
    }
  };

  /** A row that is not there, or is of another version, is made of its record. */
  async function rows(): Promise<R[]> {
    if (!row) return [];
    const all = await ids();
    const kept = all.length ? await shell.store.getMany(all.map(rowKey)) : {};
    return each(all, ROWS_AT_A_TIME, async (id) => {
      const there = readRow(kept[rowKey(id)]);
      if (there) return there;
      return shell.lock(key(id), async () => {
        const value = await get(id, true);
        if (!value) return undefined;
        const made = row.of(value);
        // a disk that is full leaves the record, and the row is made again next time
        await shell.store.setItem(rowKey(id), sealedRow(row, made)).catch(() => undefined);
        return made;
      });
    });
  }

  return {
    name: spec.name,
    rows,
    get: (id) => get(id),
    async list(wanted) {
      const all = wanted ?? (await ids());
      if (!all.length) return [];
      const kept = await shell.store.getMany(all.map(key));
      return each(all, AT_A_TIME, (id) => read(id, kept[key(id)] ?? null));
    },
    async put(value) {
      await shell.lock(key(value.id), () => write(value));
      shell.changed({ collection: spec.name, id: value.id });
    },
    async update(id, change) {
      const next = await shell.lock(key(id), async () => {
        const value = change(await get(id, true, false));
        if (value !== undefined) await write(value);
        return value;
      });
      if (next) shell.changed({ collection: spec.name, id });
      return next;
    },
    async aside(id) {
      await shell.lock(key(id), async () => {
        const text = await shell.store.getItem(key(id));
        if (text !== null)
          await putAside(shell, key(id), text, new Unreadable(say('record.notShown')), () => takeOut(id));
      });
      shell.changed({ collection: spec.name, id });
    },
    async remove(id) {
      await shell.lock(key(id), () => takeOut(id));
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
    await shell.lock(key, async () => {
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

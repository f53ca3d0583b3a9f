import type { z } from 'zod';
import { issuesOf, type FormatIssue } from '../core/formats/issues';
import { say, type Said } from '../core/say';
import type { AtOnce } from './journal';

/** What the repositories need of a key-value store; AsyncStorage has it, and so has a Map in a test. */
export type KeyValue = {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeItem(key: string): Promise<void>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  setMany(entries: Record<string, string>): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
  getAllKeys(): Promise<string[]>;
};

/** Runs `work` while nobody else, in any tab, holds `name`. */
export type Lock = <T>(name: string, work: () => Promise<T>) => Promise<T>;

export type Problem = { kind: 'set aside' | 'not saved'; key: string; why: Said };

export type Shell = {
  store: KeyValue;
  /** for what must be down before a tap returns */
  atOnce: AtOnce;
  lock: Lock;
  report(problem: Problem): void;
  changed(collection: string): void;
};

/** Old data to the next version's shape; index is the version it comes from. */
export type Migration = (old: unknown) => unknown;

/** One migration that takes every earlier version to the present one, and leaves what is there already. */
export const since = (version: number, migration: Migration): Record<number, Migration> =>
  Object.fromEntries(Array.from({ length: version - 1 }, (_, i) => [i + 1, migration]));

export type CollectionSpec<T> = {
  name: string;
  version: number;
  schema: z.ZodType<T>;
  /** what the schema cannot see: names of what is not there, what no room can work with */
  troubles?: ((value: T) => FormatIssue[]) | undefined;
  migrations: Record<number, Migration>;
};

export class NotSavedError extends Error {}

/** What a store refused, in words: mostly a disk that is full. */
export const refusalOf = (e: unknown): Said =>
  say(/quota|full|space/i.test(`${(e as Error).name} ${(e as Error).message}`) ? 'record.full' : 'record.refused');

/** A record that cannot be read, and why in words that can be told. */
export class Unreadable extends Error {
  constructor(readonly said: Said) {
    super(said.code);
  }
}
export const whyOf = (e: unknown): Said => (e instanceof Unreadable ? e.said : say('record.torn'));

const ASIDE = 'aside/';

/** Text of a stored record to its value, migrated and checked. Throws with the reason. */
function open<T>(spec: CollectionSpec<T>, text: string): { value: T; migrated: boolean } {
  const record = JSON.parse(text) as { v?: unknown; data?: unknown };
  if (typeof record?.v !== 'number') throw new Unreadable(say('record.noVersion'));
  if (record.v > spec.version) throw new Unreadable(say('record.newer', { version: record.v, reads: spec.version }));
  let data = record.data;
  for (let v = record.v; v < spec.version; v++) {
    const step = spec.migrations[v];
    if (!step) throw new Unreadable(say('record.noWay', { version: v }));
    data = step(data);
  }
  const parsed = spec.schema.safeParse(data);
  const issues = parsed.success ? (spec.troubles?.(parsed.data) ?? []) : issuesOf(parsed.error);
  if (!parsed.success || issues.length)
    throw new Unreadable(
      say('record.wrong', { issues: issues.map((i) => say('record.issue', { path: i.path, message: i.message })) }),
    );
  return { value: parsed.data, migrated: record.v !== spec.version };
}

/** Moves a text that cannot be read aside and says so. Copied first, taken out second: a full disk leaves it where it was. */
export async function putAside(shell: Shell, key: string, text: string, why: Said, takeOut: () => unknown) {
  shell.report({ kind: 'set aside', key, why });
  await shell.store.setItem(ASIDE + key, text).then(takeOut, () => undefined);
}

export type Repository<T> = {
  name: string;
  list(): Promise<T[]>;
  get(id: string): Promise<T | undefined>;
  put(value: T): Promise<void>;
  /** Reads, changes and writes under the lock; `change` returning undefined leaves it alone. */
  update(id: string, change: (now: T | undefined) => T | undefined): Promise<T | undefined>;
  remove(id: string): Promise<void>;
  /** Moves a record out of the way as it is: it can be read and cannot be shown. */
  aside(id: string): Promise<void>;
  /** text of a value as it is stored */
  seal(value: T): string;
  key(id: string): string;
};

/**
 * A validated, versioned collection. A record that cannot be read is moved aside, reported, and never shown half.
 * Writing past the quota throws {@link NotSavedError} after reporting it.
 */
export function repository<T extends { id: string }>(spec: CollectionSpec<T>, shell: Shell): Repository<T> {
  const prefix = `${spec.name}/`;
  const key = (id: string) => prefix + id;
  const seal = (value: T) => JSON.stringify({ v: spec.version, data: value });

  async function write(k: string, text: string): Promise<void> {
    try {
      await shell.store.setItem(k, text);
    } catch (e) {
      const why = refusalOf(e);
      shell.report({ kind: 'not saved', key: k, why });
      throw new NotSavedError(why.code);
    }
  }

  /** @param held the record is locked: what is old or broken is mended on the spot, else once it is ours */
  async function read(k: string, text: string | null, held = false): Promise<T | undefined> {
    if (text === null) return undefined;
    try {
      const { value, migrated } = open(spec, text);
      if (migrated && held) await write(k, seal(value));
      if (held || !migrated) return value;
    } catch (e) {
      if (e instanceof NotSavedError) throw e;
      if (held) {
        await putAside(shell, k, text, whyOf(e), () => shell.store.removeItem(k));
        return undefined;
      }
    }
    return shell.lock(k, async () => read(k, await shell.store.getItem(k), true));
  }

  const get = async (id: string, held = false) => read(key(id), await shell.store.getItem(key(id)), held);

  return {
    name: spec.name,
    key,
    seal,
    get: (id) => get(id),
    async list() {
      const keys = (await shell.store.getAllKeys()).filter((k) => k.startsWith(prefix));
      if (!keys.length) return [];
      const texts = await shell.store.getMany(keys);
      const values = await Promise.all(keys.map((k) => read(k, texts[k] ?? null)));
      return values.filter((v): v is NonNullable<typeof v> => v !== undefined) as T[];
    },
    async put(value) {
      await shell.lock(key(value.id), () => write(key(value.id), seal(value)));
      shell.changed(spec.name);
    },
    async update(id, change) {
      const next = await shell.lock(key(id), async () => {
        const value = change(await get(id, true));
        if (value !== undefined) await write(key(id), seal(value));
        return value;
      });
      shell.changed(spec.name);
      return next;
    },
    async aside(id) {
      await shell.lock(key(id), async () => {
        const text = await shell.store.getItem(key(id));
        if (text !== null)
          await putAside(shell, key(id), text, say('record.notShown'), () => shell.store.removeItem(key(id)));
      });
      shell.changed(spec.name);
    },
    async remove(id) {
      await shell.lock(key(id), () => shell.store.removeItem(key(id)));
      shell.changed(spec.name);
    },
  };
}

/** Texts that were moved aside, so that an export can carry them and the cook can look. */
export async function setAside(store: KeyValue): Promise<Record<string, string>> {
  const keys = (await store.getAllKeys()).filter((k) => k.startsWith(ASIDE));
  const texts = keys.length ? await store.getMany(keys) : {};
  return Object.fromEntries(keys.map((k) => [k.slice(ASIDE.length), texts[k] ?? '']));
}

import { isOn } from '../core/cook/row';
import {
  COLLECTION_NAMES,
  SETTINGS_SPEC,
  specOf,
  type CollectionName,
  type Collections,
  type Rows,
  type StoredSettings,
} from '../core/formats/collections';
import type { KitchenFile } from '../core/formats/kitchenFile';
import type { Exchange } from '../core/formats/merge';
import { keyOf, rowKeyOf, textsOf, type AnySpec } from '../core/formats/record';
import {
  shownAfter,
  isApplied,
  readApplied,
  type Applied,
  type NewOperation,
  type RecordOperation,
} from '../core/records/operation';
import { DEFAULT_SETTINGS, type Settings } from '../core/settings';
import { APPLIED, applierOver, type Settled } from './apply';
import { logOver } from './log';
import { bringBack, NotSavedError, refusalOf, repository, type Repository, type Shell } from './records';

const META = 'meta/opened';

type RowOf<N> = N extends keyof Rows ? Rows[N] : { id: string };
type Repositories = { [N in CollectionName]: Repository<Collections[N], RowOf<N>> };

/** What an exchange was made of is not as it was seen. */
export class ChangedMeanwhileError extends Error {}

/** What operations call the settings' one record. */
export const SETTINGS_NAME = SETTINGS_SPEC.name;
export const STORED_DEFAULTS: StoredSettings = { ...DEFAULT_SETTINGS, id: 'mine' };

/**
 * A kitchen: its records are read here, with what was noted and is not in them yet; everything is written by operations.
 */
export type KitchenStore = Repositories & {
  /** false until the first visit has been filled with the demo or the cook's own start */
  opened(): Promise<boolean>;
  /** Notes what a hand did: it outlives the tab from this moment on, and is in its record after `settle`. */
  note(operation: NewOperation, atMs: number): RecordOperation;
  /** Puts what was noted, here or by a tab that died, into the records, each operation once. Never throws for a full disk. */
  settle(): Promise<Settled>;
  /** A record that was read or written, with what was noted since and is not in it. */
  shown(
    collection: string,
    id: string,
    value: { id: string } | undefined,
    applied: Applied,
  ): { id: string } | undefined;
  /** Records of which something waits to be written, by collection and id. */
  waiting(): { collection: string; id: string }[];
  /** Puts records back that a later version wrote, now that they can be read. */
  bringBack(): Promise<boolean>;
  /** Every record of the kitchen as it is stored, by key. */
  texts(): Promise<Record<string, string>>;
  /**
   * Writes all of these and takes those out, under the one lock, after all that was noted before.
   * @param seen what the change was made of, by key @returns what brings the old back
   * @throws ChangedMeanwhileError when a record that it touches is not as it was seen
   */
  exchange(change: Exchange, nowMs: number, seen?: Readonly<Record<string, string>>): Promise<Exchange>;
  /** Puts a file's content in the place of everything. @returns what brings the old back */
  replaceAll(file: KitchenFile, nowMs: number): Promise<Exchange>;
  /** Pots that somebody stands at: they stay when another kitchen comes. */
  potsOn(nowMs: number): Promise<Rows['cooks'][]>;
  readSettings(): Promise<Settings>;
};

/** Reads that find something applied meanwhile begin again; after so many they wait for the lock. */
const READS = 3;

/** All of a cook's data over one key-value store: a repository a collection, and what goes over all of them. */
export function kitchenOver(shell: Shell): KitchenStore {
  const { store } = shell;
  const log = logOver(shell.atOnce, shell.tab);
  const specNamed = (name: string): AnySpec | undefined =>
    name === SETTINGS_NAME
      ? (SETTINGS_SPEC as unknown as AnySpec)
      : COLLECTION_NAMES.filter((n) => n === name).map(specOf)[0];
  const applier = applierOver(shell, log, specNamed);

  const pendingOf = (collection: string) => log.lately().filter((o) => o.collection === collection);

  /**
   * Reads until nothing was applied in between, so that it is known which operations are in what was read.
   * @returns what was read, and what was noted and is not in it
   */
  async function steadily<A>(collection: string, read: (held: boolean) => Promise<A>, held = false) {
    const before = pendingOf(collection);
    const settled = (value: A, applied: string | null) => {
      const known = readApplied(applied);
      const all = [...before, ...pendingOf(collection)].filter((o) => !isApplied(known, o));
      return { value, pending: [...new Map(all.map((o) => [`${o.tab}/${o.n}`, o])).values()] };
    };
    for (let i = 0; i < READS; i++) {
      const was = await store.getItem(APPLIED);
      const value = await read(held);
      if (held || (await store.getItem(APPLIED)) === was) return settled(value, was);
    }
    return shell.lock(async () => settled(await read(true), await store.getItem(APPLIED)));
  }

  const byRecord = (pending: readonly RecordOperation[]) => {
    const out = new Map<string, RecordOperation[]>();
    for (const o of pending) out.set(o.record, [...(out.get(o.record) ?? []), o]);
    return out;
  };

  /** A repository that shows what was noted, too. */
  function withNoted<T extends { id: string }, R extends { id: string }>(
    inner: ReturnType<typeof repository<T, R>>,
    rowOf: ((value: T) => R) | undefined,
  ): Repository<T, R> {
    const { name } = inner;
    const get = async (id: string, held = false) => {
      const { value, pending } = await steadily(name, (h) => inner.get(id, h), held);
      return pending.filter((o) => o.record === id).reduce<T | undefined>(shownAfter, value);
    };
    return {
      ...inner,
      get,
      async list(ids) {
        const { value, pending } = await steadily(name, (held) => inner.list(ids, held));
        if (!pending.length) return value;
        const all = new Map(value.map((v) => [v.id, v]));
        for (const [id, operations] of byRecord(pending)) {
          if (ids && !ids.includes(id)) continue;
          const next = operations.reduce<T | undefined>(shownAfter, all.get(id));
          if (next) all.set(id, next);
          else all.delete(id);
        }
        return [...all.values()];
      },
      async rows(held = false) {
        const { value, pending } = await steadily(name, (h) => inner.rows(h), held);
        if (!pending.length || !rowOf) return value;
        const all = new Map(value.map((v) => [v.id, v]));
        for (const id of byRecord(pending).keys()) {
          const record = await get(id, held);
          if (record) all.set(id, rowOf(record));
          else all.delete(id);
        }
        return [...all.values()];
      },
    };
  }

  const repos = Object.fromEntries(
    COLLECTION_NAMES.map((name) => {
      const spec = specOf(name);
      return [
        name,
        withNoted(repository(spec, shell), spec.row?.of as ((v: { id: string }) => { id: string }) | undefined),
      ];
    }),
  ) as unknown as Repositories;
  const settings = withNoted(repository<StoredSettings>(SETTINGS_SPEC, shell), undefined);
  const { cooks } = repos;

  const isRecord = (key: string) => COLLECTION_NAMES.some((name) => key.startsWith(keyOf(name, '')));
  const isRow = (key: string) => COLLECTION_NAMES.some((name) => key.startsWith(rowKeyOf(name, '')));
  const isSettings = (key: string) => key.startsWith(keyOf(SETTINGS_NAME, ''));

  async function potsOn(nowMs: number, held = false) {
    const openedAt = await store.getItem(META);
    return openedAt === null ? [] : (await cooks.rows(held)).filter((row) => isOn(row, openedAt, nowMs));
  }

  async function exchange(
    { entries, gone, replaces = false }: Exchange,
    nowMs: number,
    seen?: Readonly<Record<string, string>>,
  ): Promise<Exchange> {
    const was = await shell.lock(async () => {
      // what was noted belongs to what is there now
      const { refused } = await applier.applyHeld();
      await applier.finishHeld();
      const on = replaces ? await potsOn(nowMs, true) : [];
      const stays = new Set(on.flatMap(({ id }) => [keyOf(cooks.name, id), rowKeyOf(cooks.name, id)]));
      const put = Object.fromEntries(Object.entries(entries).filter(([key]) => !stays.has(key)));
      const out = gone.filter((key) => !stays.has(key));
      const touched = [...new Set([...Object.keys(put), ...out])];
      const before = touched.length ? await store.getMany(touched) : {};
      if (seen && touched.some((key) => isRecord(key) && (before[key] ?? undefined) !== seen[key]))
        throw new ChangedMeanwhileError('changed meanwhile');
      try {
        await applier.exchangeHeld(put, out);
      } catch (e) {
        const why = refusalOf(e);
        shell.report({ kind: 'not saved', key: 'everything', why });
        throw new NotSavedError(why.code);
      }
      // what had no room in the old kitchen has nothing to do in another
      if (replaces) log.forget(refused.filter((o) => !stays.has(keyOf(o.collection, o.record))));
      const there = touched.filter((key) => typeof before[key] === 'string');
      return {
        entries: Object.fromEntries(there.map((key) => [key, before[key]!])),
        gone: touched.filter((key) => typeof before[key] !== 'string' && key !== META),
        replaces,
      };
    });
    for (const name of [...COLLECTION_NAMES, SETTINGS_NAME]) shell.changed({ collection: name });
    return was;
  }

  return {
    ...repos,
    opened: async () => (await store.getItem(META)) !== null,
    note: log.note,
    settle: applier.settle,
    shown: (collection, id, value, applied) =>
      pendingOf(collection)
        .filter((o) => o.record === id && !isApplied(applied, o))
        .reduce<{ id: string } | undefined>(shownAfter, value),
    waiting: () => {
      const all = log.all().operations.map((o) => [keyOf(o.collection, o.record), o] as const);
      return [...new Map(all).values()].map((o) => ({ collection: o.collection, id: o.record }));
    },
    async readSettings() {
      const { id: _id, ...rest } = (await settings.get('mine')) ?? STORED_DEFAULTS;
      return rest;
    },
    bringBack: () => bringBack(shell, specNamed),
    async texts() {
      const keys = (await store.getAllKeys()).filter((k) => isRecord(k) || isSettings(k));
      const texts = keys.length ? await store.getMany(keys) : {};
      return Object.fromEntries(keys.map((k) => [k, texts[k] ?? '']));
    },
    exchange,
    potsOn: (nowMs) => potsOn(nowMs),
    async replaceAll(file, nowMs) {
      const entries: Record<string, string> = { [META]: file.exportedAt };
      for (const name of COLLECTION_NAMES)
        for (const value of file[name]) {
          // a batch's row takes milliseconds: the page draws between
          await shell.breathe();
          Object.assign(entries, textsOf(specOf(name), value));
        }
      Object.assign(entries, textsOf(SETTINGS_SPEC, { ...file.settings, id: 'mine' }));
      const gone = (await store.getAllKeys()).filter((k) => (isRecord(k) || isRow(k)) && !(k in entries));
      return exchange({ entries, gone, replaces: true }, nowMs);
    },
  };
}

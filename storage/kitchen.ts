import type { z } from 'zod';
import type { CookEvent } from '../core/cook/events';
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
import { keyOf, rowKeyOf, textsOf } from '../core/formats/record';
import { rebase } from '../core/plan/rebase';
import { DEFAULT_SETTINGS, type Settings } from '../core/settings';
import { journalOver } from './journal';
import { bringBack, putAside, refusalOf, repository, type Repository, type Shell } from './records';

const META = 'meta/opened';

type RowOf<N> = N extends keyof Rows ? Rows[N] : { id: string };
type Repositories = { [N in CollectionName]: Repository<Collections[N], RowOf<N>> };

/** What an exchange was made of is not as it was seen. */
export class ChangedMeanwhileError extends Error {}

/** A record that was written. */
export type Written = { collection: string; value: { id: string } };

export type Kitchen = Repositories & {
  settings: Repository<StoredSettings>;
  /** false until the first visit has been filled with the demo or the cook's own start */
  opened(): Promise<boolean>;
  /** Notes a change of a record: it outlives the tab from this moment on. @returns forgets it: it is written */
  noteChange<N extends CollectionName>(
    collection: N,
    base: Collections[N] | undefined,
    value: Collections[N],
    atMs: number,
  ): () => void;
  /** Notes that a record was taken out. @returns forgets it: it is out */
  noteRemoved(collection: CollectionName, id: string, atMs: number): () => void;
  noteSettings(base: Settings, value: Settings, atMs: number): () => void;
  /** Notes events of a cook: they outlive the tab from this moment on, and are in its record after `settle`. */
  note(cookId: string, events: readonly CookEvent[]): void;
  /**
   * Puts what was noted, here or by a tab that died, into the records: a write a cook, each event once.
   * @returns the records as they were written
   */
  settle(): Promise<Written[]>;
  /** Puts records back that a later version wrote, now that they can be read. */
  bringBack(): Promise<boolean>;
  /** Every record of the kitchen as it is stored, by key. */
  texts(): Promise<Record<string, string>>;
  /**
   * Writes all of these and takes those out, under one lock; the old stays until the new is written.
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

/** All of a cook's data over one key-value store: a repository a collection, and what goes over all of them. */
export function kitchenOver(shell: Shell): Kitchen {
  const repos = Object.fromEntries(
    COLLECTION_NAMES.map((name) => [name, repository(specOf(name), shell)]),
  ) as unknown as Repositories;
  const each = COLLECTION_NAMES.map((name) => repos[name] as unknown as Repository<{ id: string }>);
  const { cooks } = repos;
  const settings = repository(SETTINGS_SPEC, shell);

  const journal = journalOver(shell.atOnce);

  const changeable = new Map<string, { repo: Repository<{ id: string }>; schema: z.ZodType<{ id: string }> }>([
    ...COLLECTION_NAMES.map((name, i) => [name, { repo: each[i]!, schema: specOf(name).schema }] as const),
    [settings.name, { repo: settings as unknown as Repository<{ id: string }>, schema: SETTINGS_SPEC.schema }],
  ]);

  /** Makes the changes good that a tab noted and did not write. @returns the records as they were written */
  async function settleChanges(wanted: (collection: string) => boolean): Promise<Written[]> {
    const { of, bad } = journal.changes();
    const written: Written[] = [];
    for (const { key, change } of of) {
      if (!wanted(change.collection)) continue;
      const { repo, schema } = changeable.get(change.collection) ?? {};
      if (repo && change.removed) {
        await repo.remove(change.value.id);
        journal.clear([key]);
        continue;
      }
      const read = schema?.safeParse(change.value);
      if (!repo || !read?.success) {
        bad.push({ key, text: JSON.stringify(change) });
        continue;
      }
      const mine = read.data;
      const value = await repo.update(mine.id, (now) =>
        now ? rebase((change.base ?? now) as typeof mine, mine, now) : change.base ? undefined : mine,
      );
      if (value) written.push({ collection: change.collection, value });
      journal.clear([key]);
    }
    for (const { key, text } of bad) await putAside(shell, key, text, undefined, () => journal.clear([key]));
    return written;
  }

  const readSettings = async (): Promise<Settings> => {
    await settleChanges((name) => name === settings.name).catch(() => undefined);
    const stored = await settings.get('mine');
    if (!stored) return DEFAULT_SETTINGS;
    const { id: _id, ...rest } = stored;
    return rest;
  };

  const isRecord = (key: string) => COLLECTION_NAMES.some((name) => key.startsWith(keyOf(name, '')));
  const isRow = (key: string) => COLLECTION_NAMES.some((name) => key.startsWith(rowKeyOf(name, '')));
  const isSettings = (key: string) => key.startsWith(keyOf(settings.name, ''));

  async function potsOn(nowMs: number) {
    const openedAt = await shell.store.getItem(META);
    return openedAt === null ? [] : (await cooks.rows()).filter((row) => isOn(row, openedAt, nowMs));
  }

  async function exchange(
    { entries, gone, replaces = false }: Exchange,
    nowMs: number,
    seen?: Readonly<Record<string, string>>,
  ): Promise<Exchange> {
    const was = await shell.lock('replace all', async () => {
      const on = replaces ? await potsOn(nowMs) : [];
      const stays = new Set(on.flatMap(({ id }) => [keyOf(cooks.name, id), rowKeyOf(cooks.name, id)]));
      const put = Object.fromEntries(Object.entries(entries).filter(([key]) => !stays.has(key)));
      const out = gone.filter((key) => !stays.has(key));
      const touched = [...new Set([...Object.keys(put), ...out])];
      const before = touched.length ? await shell.store.getMany(touched) : {};
      if (seen && touched.some((key) => isRecord(key) && (before[key] ?? undefined) !== seen[key]))
        throw new ChangedMeanwhileError('changed meanwhile');
      try {
        if (Object.keys(put).length) await shell.store.setMany(put);
      } catch (e) {
        shell.report({ kind: 'not saved', key: 'everything', why: refusalOf(e) });
        throw e;
      }
      if (out.length) await shell.store.removeMany(out);
      if (replaces) {
        const onIds = new Set(on.map((row) => row.id));
        journal.clear([...journal.pending().of].flatMap(([id, { keys }]) => (onIds.has(id) ? [] : keys)));
        journal.clear(journal.changes().of.map((c) => c.key));
      }
      const there = touched.filter((key) => typeof before[key] === 'string');
      return {
        entries: Object.fromEntries(there.map((key) => [key, before[key]!])),
        gone: touched.filter((key) => typeof before[key] !== 'string' && key !== META),
        replaces,
      };
    });
    for (const name of [...COLLECTION_NAMES, settings.name]) shell.changed({ collection: name });
    return was;
  }

  return {
    ...repos,
    settings,
    readSettings,
    opened: async () => (await shell.store.getItem(META)) !== null,
    note: journal.note,
    noteChange: (collection, base, value, at) => journal.change({ collection, base, value: { ...value }, at }),
    noteRemoved: (collection, id, at) => journal.change({ collection, value: { id }, removed: true, at }),
    noteSettings: (base, value, at) =>
      journal.change({
        collection: settings.name,
        base: { ...base, id: 'mine' },
        value: { ...value, id: 'mine' },
        at,
      }),
    async settle() {
      const { of, bad } = journal.pending();
      const written = await settleChanges(() => true);
      for (const { key, text } of bad) await putAside(shell, key, text, undefined, () => journal.clear([key]));
      for (const [cookId, { keys, events }] of of) {
        let found = false;
        const value = await cooks.update(cookId, (cook) => {
          found = cook !== undefined;
          const known = new Set(cook?.events.map((e) => e.id));
          const fresh = events.filter((e) => !known.has(e.id));
          return cook && fresh.length ? { ...cook, events: [...cook.events, ...fresh] } : undefined;
        });
        if (value) written.push({ collection: cooks.name, value });
        // a cook whose own record a full disk refused: its events wait for it
        if (found) journal.clear(keys);
      }
      return written;
    },
    bringBack: () =>
      bringBack(shell, (name) =>
        name === settings.name ? SETTINGS_SPEC : COLLECTION_NAMES.filter((n) => n === name).map(specOf)[0],
      ),
    async texts() {
      const keys = (await shell.store.getAllKeys()).filter((k) => isRecord(k) || isSettings(k));
      const texts = keys.length ? await shell.store.getMany(keys) : {};
      return Object.fromEntries(keys.map((k) => [k, texts[k] ?? '']));
    },
    exchange,
    potsOn,
    async replaceAll(file, nowMs) {
      const entries: Record<string, string> = { [META]: file.exportedAt };
      for (const name of COLLECTION_NAMES)
        for (const value of file[name]) {
          // a batch's row takes milliseconds: the page draws between
          await shell.breathe();
          Object.assign(entries, textsOf(specOf(name), value));
        }
      Object.assign(entries, textsOf(SETTINGS_SPEC, { ...file.settings, id: 'mine' }));
      const gone = (await shell.store.getAllKeys()).filter((k) => (isRecord(k) || isRow(k)) && !(k in entries));
      return exchange({ entries, gone, replaces: true }, nowMs);
    },
  };
}

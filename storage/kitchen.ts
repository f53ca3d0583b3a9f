import { z } from 'zod';
import type { CookEvent } from '../core/cook/events';
import type { KitchenFile } from '../core/formats/kitchenFile';
import { DEFAULT_SETTINGS, SettingsSchema, type Settings } from '../core/settings';
import { COLLECTION_NAMES, COLLECTIONS, type CollectionName, type Collections } from './collections';
import { rebase } from '../core/plan/rebase';
import { journalOver } from './journal';
import { say } from '../core/say';
import { putAside, refusalOf, repository, since, type CollectionSpec, type Repository, type Shell } from './records';

const StoredSettingsSchema = SettingsSchema.extend({ id: z.literal('mine') });
type StoredSettings = Settings & { id: 'mine' };

const META = 'meta/opened';

type Repositories = { [N in CollectionName]: Repository<Collections[N]> };

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
  noteSettings(base: Settings, value: Settings, atMs: number): () => void;
  /** Notes events of a cook: they outlive the tab from this moment on, and are in its record after `settle`. */
  note(cookId: string, events: readonly CookEvent[]): void;
  /**
   * Puts what was noted, here or by a tab that died, into the records: a write a cook, each event once.
   * @returns whether any record has changed
   */
  settle(): Promise<boolean>;
  readAll(exportedAt: string): Promise<KitchenFile>;
  /** Puts a file's content in the place of everything; the old stays until the new is written. */
  replaceAll(file: KitchenFile): Promise<void>;
  readSettings(): Promise<Settings>;
};

/** All of a cook's data over one key-value store: a repository a collection, and what goes over all of them. */
export function kitchenOver(shell: Shell): Kitchen {
  const repos = Object.fromEntries(
    COLLECTION_NAMES.map((name) => [
      name,
      repository({ name, ...COLLECTIONS[name] } as CollectionSpec<{ id: string }>, shell),
    ]),
  ) as unknown as Repositories;
  const each = COLLECTION_NAMES.map((name) => repos[name] as unknown as Repository<{ id: string }>);
  const { cooks } = repos;
  // version 2 of settings says how money is written, version 3 which machines there are, version 4 how the Pot is heard, seen
  // and held, and its devices
  const settings = repository<StoredSettings>(
    { name: 'settings', version: 4, schema: StoredSettingsSchema, migrations: since(4, (old) => old) },
    shell,
  );

  const journal = journalOver(shell.atOnce);

  const changeable = new Map<string, { repo: Repository<{ id: string }>; schema: z.ZodType<{ id: string }> }>([
    ...COLLECTION_NAMES.map((name, i) => [name, { repo: each[i]!, schema: COLLECTIONS[name].schema }] as const),
    [settings.name, { repo: settings as unknown as Repository<{ id: string }>, schema: StoredSettingsSchema }],
  ]);

  /** Makes the changes good that a tab noted and did not write. @returns whether there were any */
  async function settleChanges(wanted: (collection: string) => boolean): Promise<boolean> {
    const { of, bad } = journal.changes();
    const mine = of.filter(({ change }) => wanted(change.collection));
    for (const { key, change } of mine) {
      const { repo, schema } = changeable.get(change.collection) ?? {};
      const read = schema?.safeParse(change.value);
      if (!repo || !read?.success) {
        bad.push({ key, text: JSON.stringify(change) });
        continue;
      }
      const value = read.data;
      await repo.update(value.id, (now) =>
        now ? rebase((change.base ?? now) as typeof value, value, now) : change.base ? undefined : value,
      );
      journal.clear([key]);
    }
    for (const { key, text } of bad) await putAside(shell, key, text, say('record.torn'), () => journal.clear([key]));
    return mine.length > 0;
  }

  const readSettings = async (): Promise<Settings> => {
    await settleChanges((name) => name === settings.name).catch(() => undefined);
    const stored = await settings.get('mine');
    if (!stored) return DEFAULT_SETTINGS;
    const { id: _id, ...rest } = stored;
    return rest;
  };

  return {
    ...repos,
    settings,
    readSettings,
    opened: async () => (await shell.store.getItem(META)) !== null,
    note: journal.note,
    noteChange: (collection, base, value, at) => journal.change({ collection, base, value: { ...value }, at }),
    noteSettings: (base, value, at) =>
      journal.change({
        collection: settings.name,
        base: { ...base, id: 'mine' },
        value: { ...value, id: 'mine' },
        at,
      }),
    async settle() {
      const { of, bad } = journal.pending();
      let changed = await settleChanges(() => true);
      for (const { key, text } of bad) await putAside(shell, key, text, say('record.torn'), () => journal.clear([key]));
      for (const [cookId, { keys, events }] of of) {
        let found = false;
        const put = await cooks.update(cookId, (cook) => {
          found = cook !== undefined;
          const fresh = events.filter((e) => !cook?.events.some((old) => old.id === e.id));
          return cook && fresh.length ? { ...cook, events: [...cook.events, ...fresh] } : undefined;
        });
        changed ||= put !== undefined;
        // a cook whose own record a full disk refused: its events wait for it
        if (found) journal.clear(keys);
      }
      return changed;
    },
    async readAll(exportedAt) {
      const lists = await Promise.all(each.map(async (repo) => [repo.name, await repo.list()] as const));
      return {
        format: 'ovalis-kitchen',
        version: 6,
        exportedAt,
        ...(Object.fromEntries(lists) as { [N in CollectionName]: Collections[N][] }),
        settings: await readSettings(),
      };
    },
    async replaceAll(file) {
      await shell.lock('replace all', async () => {
        const entries: Record<string, string> = { [META]: file.exportedAt };
        const put = (repo: Repository<{ id: string }>, values: readonly { id: string }[]) => {
          for (const v of values) entries[repo.key(v.id)] = repo.seal(v);
        };
        for (const repo of each) put(repo, file[repo.name as CollectionName]);
        entries[settings.key('mine')] = settings.seal({ ...file.settings, id: 'mine' });
        const old = (await shell.store.getAllKeys()).filter(
          (k) => each.some((r) => k.startsWith(r.name + '/')) && !(k in entries),
        );
        try {
          await shell.store.setMany(entries);
        } catch (e) {
          shell.report({ kind: 'not saved', key: 'everything', why: refusalOf(e) });
          throw e;
        }
        if (old.length) await shell.store.removeMany(old);
        journal.clear([...journal.pending().of.values()].flatMap((p) => p.keys));
        journal.clear(journal.changes().of.map((c) => c.key));
      });
      for (const name of [...COLLECTION_NAMES, settings.name]) shell.changed(name);
    },
  };
}

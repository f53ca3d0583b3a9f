import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Cook, CookEvent } from '../../core/cook/events';
import { emptyKitchen, type KitchenFile } from '../../core/formats/kitchenFile';
import { DEFAULT_SETTINGS, type Settings } from '../../core/settings';
import { rebase } from '../../core/plan/rebase';
import { browserStore, changes, everKept, nowKept, problems } from '../../storage/browser';
import { COLLECTION_NAMES, type CollectionName, type Collections } from '../../storage/collections';
import type { Kitchen } from '../../storage/kitchen';
import { setAside, type Problem, type Repository } from '../../storage/records';
import { useKitchen, type AroundRooms } from './kitchen';
import { supperOffsetMin } from './wallClock';

type Name = CollectionName;

const repo = <N extends Name>(store: () => Kitchen, name: N) => store()[name] as unknown as Repository<Collections[N]>;

const FIRST_VISIT = 'ovalis first visit';

/** A kitchen was kept here and is not there any more. */
export class KitchenLost extends Error {}

const opening = ({ ask, clock, store }: AroundRooms) => ({
  queryKey: ['opened'],
  queryFn: async () => {
    const kitchen = store();
    if (await kitchen.opened()) {
      // what a tab noted that died before it was written; a disk that is full is reported and tried again later
      await kitchen.settle().catch(() => undefined);
      nowKept();
      return true;
    }
    if (everKept()) throw new KitchenLost('what was kept is gone');
    await navigator.locks.request(FIRST_VISIT, async () => {
      if (await kitchen.opened()) return;
      await kitchen.replaceAll(await ask('demo', [clock(), supperOffsetMin(clock())]));
    });
    nowKept();
    return true;
  },
  staleTime: Infinity,
  retry: (failures: number, e: Error) => !(e instanceof KitchenLost) && failures < 1,
});

/** What is kept only in this tab, because the store refused it: by collection and id. Shown, exported, tried again. */
const UNSAVED = new WeakMap<QueryClient, Map<Name, Map<string, { id: string }>>>();
function unsavedOf(client: QueryClient, name: Name) {
  const all = UNSAVED.get(client) ?? new Map<Name, Map<string, { id: string }>>();
  UNSAVED.set(client, all);
  const mine = all.get(name) ?? new Map<string, { id: string }>();
  all.set(name, mine);
  return mine;
}

/** Keeps in mind what the store refused of a record. */
function refused(client: QueryClient, name: Name, id: string) {
  const value = client.getQueryData<{ id: string }[]>([name])?.find((v) => v.id === id);
  if (value) unsavedOf(client, name).set(id, value);
}

/** What the store has, with what it refused in its place. */
function withUnsaved<N extends Name>(client: QueryClient, name: N, list: Collections[N][]): Collections[N][] {
  const mine = unsavedOf(client, name) as unknown as Map<string, Collections[N]>;
  if (!mine.size) return list;
  const there = list.map((v) => mine.get(v.id) ?? v);
  return [...there, ...[...mine.values()].filter((v) => !list.some((o) => o.id === v.id))];
}

/** Opens the kitchen: fills the first visit with the choir supper, and keeps the cache in step with all tabs. */
export function useKitchenOpen() {
  const kitchen = useKitchen();
  const client = useQueryClient();
  useEffect(() => changes.listen((name) => readAgain(client, name)), [client]);
  return useQuery(opening(kitchen));
}

export function useCollection<N extends Name>(name: N) {
  const client = useQueryClient();
  const kitchen = useKitchen();
  const opened = useQuery({ ...opening(kitchen), enabled: false });
  return useQuery({
    queryKey: [name],
    queryFn: async () => {
      await whenWritten(client);
      return withUnsaved(client, name, await repo(kitchen.store, name).list());
    },
    enabled: opened.data === true,
    staleTime: Infinity,
  });
}

/** Waits until no write of our own is under way: what is shown has it already, the store does not. */
const whenWritten = (client: QueryClient) =>
  new Promise<void>((done) => {
    const look = () => {
      if (client.isMutating()) return;
      stop();
      done();
    };
    const stop = client.getMutationCache().subscribe(look);
    look();
  });

/** Stops a read that started before this change, so that it cannot bring the old state back. */
const holdReads = (client: QueryClient, name: Name) => client.cancelQueries({ queryKey: [name] });

/** Reads a collection anew. A first read still under way may have begun before the write: it is stopped, not joined. */
const readAgain = (client: QueryClient, name: Name | (string & {})) =>
  void client.cancelQueries({ queryKey: [name] }).then(() => client.invalidateQueries({ queryKey: [name] }));

/** A write went through: what it was refused before is over, and what else waits for room is tried again. */
function saved(client: QueryClient, store: () => Kitchen, name: Name, id: string) {
  const mine = unsavedOf(client, name);
  mine.delete(id);
  for (const [other, value] of mine)
    void repo(store, name)
      .put(value as never)
      .then(() => mine.get(other) === value && mine.delete(other))
      .catch(() => undefined);
  readAgain(client, name);
}

/**
 * Everything as this tab shows it: what the store refused is in it, and what it cannot give any more comes from what was
 * read before.
 */
export function useEverything() {
  const { store } = useKitchen();
  const client = useQueryClient();
  return async (exportedAt: string): Promise<KitchenFile> => {
    const kept = await store()
      .readAll(exportedAt)
      .catch(() => emptyKitchen(DEFAULT_SETTINGS, exportedAt));
    const shown = COLLECTION_NAMES.map((name) => [
      name,
      client.getQueryData([name]) ?? withUnsaved(client, name, kept[name] as never),
    ]);
    const settings = client.getQueryData<Settings>(['settings']) ?? kept.settings;
    return { ...kept, ...Object.fromEntries(shown), settings };
  };
}

/**
 * Notes what a change makes of the record that is shown, before the tap returns; forgotten when it is written, kept for
 * the next tab when this one dies or the disk is full.
 */
function useNoting<N extends Name>(name: N) {
  const { store, clock } = useKitchen();
  const client = useQueryClient();
  return (id: string, edit: (now: Collections[N] | undefined) => Collections[N] | undefined) => {
    const base = client.getQueryData<Collections[N][]>([name])?.find((v) => v.id === id);
    const value = edit(base);
    return value === undefined ? () => undefined : store().noteChange(name, base, value, clock());
  };
}

type EditOf<T> = { id: string; edit: (now: T | undefined) => T | undefined };

/**
 * Changes a record from what it is at that moment, down before the tap returns, in the cache at once and in storage under
 * the lock: two quick taps, or two tabs, both count. An edit that answers nothing leaves all as it is.
 */
export function useEdit<N extends Name>(name: N) {
  const { store } = useKitchen();
  const client = useQueryClient();
  const noting = useNoting(name);
  type T = Collections[N];
  const { mutateAsync, ...rest } = useMutation({
    mutationFn: ({ id, edit }: EditOf<T>) => repo(store, name).update(id, edit),
    onMutate: async ({ id, edit }) => {
      await holdReads(client, name);
      client.setQueryData<T[]>([name], (old) => {
        const there = old?.find((v) => v.id === id);
        const next = edit(there);
        if (!old || !next) return old;
        return there ? old.map((v) => (v.id === id ? next : v)) : [...old, next];
      });
    },
    onSuccess: (_, { id }) => saved(client, store, name, id),
    onError: (_, { id }) => refused(client, name, id),
    scope: { id: `save ${name}` },
  });
  const edit = async (change: EditOf<T>) => {
    const written = noting(change.id, change.edit);
    await mutateAsync(change);
    written();
  };
  return { ...rest, mutateAsync: edit, mutate: (change: EditOf<T>) => void edit(change).catch(() => undefined) };
}

/** Puts a new value in place. What changes a record that is there already is an edit, or a rebased one. */
export function useSave<N extends Name>(name: N) {
  const { mutate, mutateAsync, ...rest } = useEdit(name);
  const put = (value: Collections[N]) => ({ id: value.id, edit: () => value });
  return {
    ...rest,
    mutate: (value: Collections[N]) => mutate(put(value)),
    mutateAsync: (value: Collections[N]) => mutateAsync(put(value)),
  };
}

/** Puts in place what was made of `base`: what has changed elsewhere since stays changed. */
export function useRebased<N extends Name>(name: N) {
  const { mutate } = useEdit(name);
  return (base: Collections[N], mine: Collections[N]) =>
    mutate({ id: mine.id, edit: (now) => now && rebase(base, mine, now) });
}

/** Moves one record out of the way as it is. */
export function useSetOneAside() {
  const { store } = useKitchen();
  const client = useQueryClient();
  return async (name: Name, id: string) => {
    await repo(store, name).aside(id);
    client.setQueryData<{ id: string }[]>([name], (old) => old?.filter((v) => v.id !== id));
    void client.invalidateQueries({ queryKey: ['set aside'] });
    readAgain(client, name);
  };
}

export function useRemove<N extends Name>(name: N) {
  const { store } = useKitchen();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => repo(store, name).remove(id),
    onMutate: async (id) => {
      await holdReads(client, name);
      client.setQueryData<Collections[N][]>([name], (old) => old?.filter((v) => v.id !== id));
    },
    onSuccess: (_, id) => saved(client, store, name, id),
    scope: { id: `save ${name}` },
  });
}

/**
 * Appends to a cook's list of events: noted before the tap returns, seen at once, written under the lock, so that neither
 * two tabs nor a killed one lose anything.
 */
export function useCookEvents() {
  const { store } = useKitchen();
  const client = useQueryClient();
  const { mutate } = useMutation({
    mutationFn: (_: { cookId: string; events: CookEvent[] }) => store().settle(),
    onMutate: async ({ cookId, events }) => {
      await holdReads(client, 'cooks');
      client.setQueryData<Cook[]>(['cooks'], (old) =>
        old?.map((c) => (c.id === cookId ? { ...c, events: [...c.events, ...events] } : c)),
      );
    },
    onSuccess: () => readAgain(client, 'cooks'),
    scope: { id: 'save cooks' },
  });
  return (cookId: string, events: CookEvent[]) => {
    store().note(cookId, events);
    mutate({ cookId, events });
  };
}

export function useSettings(): { settings: Settings | undefined; change: (next: Partial<Settings>) => void } {
  const { store, clock } = useKitchen();
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['settings'],
    queryFn: () => store().readSettings(),
    staleTime: Infinity,
  });
  const save = useMutation({
    mutationFn: (part: Partial<Settings>) =>
      store().settings.update('mine', (now) => ({ ...DEFAULT_SETTINGS, ...now, ...part, id: 'mine' })),
    scope: { id: 'save settings' },
  });
  return {
    settings: query.data,
    change: (part) => {
      const now = client.getQueryData<Settings>(['settings']);
      if (!now) return;
      const next = { ...now, ...part };
      const written = store().noteSettings(now, next, clock());
      client.setQueryData(['settings'], next);
      void save.mutateAsync(part).then(written, () => undefined);
    },
  };
}

export function useReplaceAll() {
  const { store } = useKitchen();
  const client = useQueryClient();
  return useMutation({
    // after the first visit has been filled, or in its place: never under it
    mutationFn: (file: KitchenFile) => navigator.locks.request(FIRST_VISIT, () => store().replaceAll(file)),
    // not awaited: the reads wait for this to be over
    onSuccess: () => void client.invalidateQueries(),
  });
}

/** What could not be read and was set aside, by its old key. */
export const useSetAside = () => useQuery({ queryKey: ['set aside'], queryFn: () => setAside(browserStore()) });

/** What storage could not do, newest first, until it is put away. */
export function useProblems(): { list: Problem[]; clear: () => void } {
  const [list, setList] = useState<Problem[]>([]);
  useEffect(() => problems.listen((p) => setList((old) => [p, ...old.filter((o) => o.key !== p.key)].slice(0, 5))), []);
  return { list, clear: () => setList([]) };
}

import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Cook, CookEvent } from '../../core/cook/events';
import { emptyKitchen, type KitchenFile } from '../../core/formats/kitchenFile';
import { DEFAULT_SETTINGS, type Settings } from '../../core/settings';
import { rebase } from '../../core/plan/rebase';
import { browserStore, changes, problems } from '../../storage/browser';
import { everKept, nowKept } from '../../storage/which';
import {
  COLLECTION_NAMES,
  hasRows,
  ROWS,
  type CollectionName,
  type Collections,
  type RowName,
  type Rows,
} from '../../core/formats/collections';
import { kitchenText, type Exchange, type ImportWay } from '../../core/formats/merge';
import { ChangedMeanwhileError, type Kitchen, type Written } from '../../storage/kitchen';
import { setAside, type News, type Problem, type Repository } from '../../storage/records';
import { useKitchen, type AroundRooms } from './kitchen';
import { supperOffsetMin } from './wallClock';

type Name = CollectionName;

type RowOf<N> = N extends RowName ? Rows[N] : { id: string };
const repo = <N extends Name>(store: () => Kitchen, name: N) =>
  store()[name] as unknown as Repository<Collections[N], RowOf<N>>;

const FIRST_VISIT = 'ovalis first visit';

/** A kitchen was kept here and is not there any more. */
export class KitchenLost extends Error {}

const opening = ({ ask, clock, store, which }: AroundRooms) => ({
  queryKey: ['opened'],
  queryFn: async () => {
    const name = which();
    if (!name) return false;
    const kitchen = store();
    if (await kitchen.opened()) {
      // what a tab noted that died before it was written; a disk that is full is reported and tried again later
      await kitchen.settle().catch(() => undefined);
      nowKept(name);
      return true;
    }
    if (everKept(name)) throw new KitchenLost('what was kept is gone');
    await navigator.locks.request(FIRST_VISIT, async () => {
      if (await kitchen.opened()) return;
      const first =
        name === 'choir'
          ? await ask('demo', [clock(), supperOffsetMin(clock())])
          : emptyKitchen(DEFAULT_SETTINGS, new Date(clock()).toISOString());
      await kitchen.replaceAll(first, clock());
    });
    nowKept(name);
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

/** Opens the kitchen that was chosen, the choir's filled with its supper, and keeps the cache in step with all tabs. */
export function useKitchenOpen() {
  const kitchen = useKitchen();
  const client = useQueryClient();
  const { store } = kitchen;
  useEffect(() => changes.listen((news) => void heard(client, store, news)), [client, store]);
  const opened = useQuery(opening(kitchen));
  const open = opened.data === true;
  useEffect(() => {
    if (!open) return undefined;
    return whenIdle(() => {
      void client.prefetchQuery(rowsOf(client, store, 'batches'));
      void store()
        .bringBack()
        .then((any) => (any ? client.invalidateQueries() : undefined))
        .catch(() => undefined);
    });
  }, [client, open, store]);
  return opened;
}

/** Opens the kitchen that was chosen just now. */
export function useOpenAgain(): () => Promise<void> {
  const client = useQueryClient();
  return () => client.resetQueries({ queryKey: ['opened'] });
}

/** ms after which it is done though the page is never idle */
const IDLE_WITHIN_MS = 3000;

/** Does what nobody waits for, once the page has nothing else to do. @returns leaves it undone */
function whenIdle(work: () => void): () => void {
  if (typeof requestIdleCallback === 'undefined') {
    const timer = setTimeout(work, IDLE_WITHIN_MS);
    return () => clearTimeout(timer);
  }
  const handle = requestIdleCallback(work, { timeout: IDLE_WITHIN_MS });
  return () => cancelIdleCallback(handle);
}

/**
 * The records of a collection that this tab has at hand: all of them, or of one that grows long those of these days and
 * those that were asked for by {@link useOne}.
 */
export function useCollection<N extends Name>(name: N) {
  const client = useQueryClient();
  const kitchen = useKitchen();
  const { store, clock } = kitchen;
  const opened = useQuery({ ...opening(kitchen), enabled: false });
  return useQuery({
    queryKey: [name],
    queryFn: async () => {
      await whenWritten(client);
      const ids = hasRows(name) ? await idsAtHand(client, store, name, clock()) : undefined;
      return withUnsaved(client, name, await repo(store, name).list(ids));
    },
    enabled: opened.data === true,
    staleTime: Infinity,
  });
}

async function idsAtHand(client: QueryClient, store: () => Kitchen, name: RowName, nowMs: number): Promise<string[]> {
  const asked = client.getQueryData<{ id: string }[]>([name])?.map((v) => v.id) ?? [];
  const { near } = ROWS[name] as { near?: (row: { id: string }, nowMs: number) => boolean };
  if (!near) return asked;
  const rows = await client.ensureQueryData(rowsOf(client, store, name));
  return [...new Set([...asked, ...rows.filter((row) => near(row, nowMs)).map((row) => row.id)])];
}

/** One record, read when it is not at hand. */
export function useOne<N extends RowName>(name: N, id: string | undefined) {
  const client = useQueryClient();
  const { store } = useKitchen();
  const near = useCollection(name);
  const there = id === undefined ? undefined : (near.data as Collections[N][] | undefined)?.find((v) => v.id === id);
  const far = useQuery({
    queryKey: ['one', name, id],
    queryFn: async () => {
      const value = await repo(store, name).get(id!);
      if (value) place(client, name, value, 'unless there');
      // not there any more, or it could not be read and was set aside: no list has it either
      else takeOut(client, name, id!);
      return value !== undefined;
    },
    enabled: near.isSuccess && id !== undefined && !there,
  });
  return { value: there, loaded: near.isSuccess && (id === undefined || there !== undefined || far.isFetched) };
}

const rowsOf = <N extends RowName>(client: QueryClient, store: () => Kitchen, name: N) => ({
  queryKey: ['rows', name],
  queryFn: async () => {
    await whenWritten(client);
    const rows = (await repo(store, name).rows()) as Rows[N][];
    const of = ROWS[name].of as (v: unknown) => Rows[N];
    const unsaved = [...unsavedOf(client, name).values()].map(of);
    return [...rows.filter((r) => !unsaved.some((u) => u.id === r.id)), ...unsaved];
  },
  staleTime: Infinity,
});

/** What a long list needs of every record of a collection. */
export function useRows<N extends RowName>(name: N) {
  const client = useQueryClient();
  const kitchen = useKitchen();
  const opened = useQuery({ ...opening(kitchen), enabled: false });
  return useQuery({ ...rowsOf(client, kitchen.store, name), enabled: opened.data === true });
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

const listsOf = (name: Name) => [[name], ...(hasRows(name) ? [['rows', name]] : [])];

/** Stops reads that started before this change, so that they cannot bring the old state back. */
const holdReads = (client: QueryClient, name: Name) =>
  Promise.all(listsOf(name).map((queryKey) => client.cancelQueries({ queryKey, exact: true })));

/** Reads a list anew. A first read still under way may have begun before the write: it is stopped, not joined. */
const readAgain = (client: QueryClient, queryKey: readonly string[]) =>
  void client.cancelQueries({ queryKey, exact: true }).then(() => client.invalidateQueries({ queryKey, exact: true }));

const withIn = <T extends { id: string }>(old: T[] | undefined, value: T, unlessThere = false): T[] | undefined => {
  const there = old?.some((v) => v.id === value.id);
  if (!old || (there && unlessThere)) return old;
  return there ? old.map((v) => (v.id === value.id ? value : v)) : [...old, value];
};
const without = <T extends { id: string }>(old: T[] | undefined, id: string) => old?.filter((v) => v.id !== id);

/** Shows a record as it is now, in its list and in the list of rows. */
function place(client: QueryClient, name: Name, value: { id: string }, how?: 'unless there') {
  client.setQueryData<{ id: string }[]>([name], (old) => withIn(old, value, how !== undefined));
  if (hasRows(name) && !how)
    client.setQueryData<{ id: string }[]>(
      ['rows', name],
      (old) => old && withIn(old, (ROWS[name].of as (v: unknown) => { id: string })(value)),
    );
}
function takeOut(client: QueryClient, name: Name, id: string) {
  for (const key of listsOf(name)) client.setQueryData<{ id: string }[]>(key, (old) => without(old, id));
}

/** Lists that were read never, or whose read was stopped by a change, are read now. */
function readWhatIsMissing(client: QueryClient, name: Name) {
  for (const key of listsOf(name))
    if (client.getQueryState(key) && client.getQueryData(key) === undefined) readAgain(client, key);
}

/** Shows a record as the store has it. */
async function readOne(client: QueryClient, store: () => Kitchen, name: Name, id: string) {
  await whenWritten(client);
  const value = await repo(store, name).get(id);
  // a change that was made meanwhile reads it again when it is written
  if (busyWith(client, name, id)) return;
  if (value) place(client, name, value);
  else takeOut(client, name, id);
}

const isCollection = (name: string): name is Name => (COLLECTION_NAMES as string[]).includes(name);

/** Another tab has changed something. */
async function heard(client: QueryClient, store: () => Kitchen, { collection, id }: News) {
  if (!isCollection(collection) || id === undefined) {
    readAgain(client, [collection]);
    if (isCollection(collection) && hasRows(collection)) readAgain(client, ['rows', collection]);
    return;
  }
  // a list that is being read may have passed this record already
  for (const key of listsOf(collection)) if (client.isFetching({ queryKey: key, exact: true })) readAgain(client, key);
  await readOne(client, store, collection, id);
}

/** Writes of this tab that are under way, by record, and what the last of them made of it. */
type UnderWay = { writes: number; latest?: { id: string } };
const BUSY = new WeakMap<QueryClient, Map<string, UnderWay>>();
function busyOf(client: QueryClient) {
  const all = BUSY.get(client) ?? new Map<string, UnderWay>();
  BUSY.set(client, all);
  return all;
}
const busyWith = (client: QueryClient, name: Name, id: string) => busyOf(client).has(`${name}/${id}`);

/** A record as the thumb has it at this moment: drawn or not. */
const asItIs = <N extends Name>(client: QueryClient, name: N, id: string): Collections[N] | undefined =>
  (busyOf(client).get(`${name}/${id}`)?.latest as Collections[N] | undefined) ??
  client.getQueryData<Collections[N][]>([name])?.find((v) => v.id === id);

/** Shows what a change made of a record before the tap returns: the next tap is made on it. */
function makeOf(client: QueryClient, name: Name, value: { id: string }) {
  const way = busyOf(client).get(`${name}/${value.id}`);
  if (way) way.latest = value;
  place(client, name, value);
}

/** A read that was stopped has put the old state back: what the last change made is shown again. */
function showLatest(client: QueryClient, name: Name, id: string) {
  const latest = busyOf(client).get(`${name}/${id}`)?.latest;
  if (latest) place(client, name, latest);
}

/**
 * Does a write of a record; when it was the last one under way, shows what the store has now: what another tab put into
 * it is in that too.
 */
async function writing(
  client: QueryClient,
  store: () => Kitchen,
  name: Name,
  id: string,
  work: () => Promise<Written[]>,
): Promise<Written[]> {
  const all = busyOf(client);
  const key = `${name}/${id}`;
  const way = all.get(key) ?? { writes: 0 };
  all.set(key, way);
  way.writes += 1;
  let written: Written[] | undefined;
  try {
    return (written = await work());
  } finally {
    way.writes -= 1;
    const mine = written?.find((w) => w.collection === name && w.value.id === id)?.value;
    if (way.writes === 0) {
      all.delete(key);
      if (mine) place(client, name, mine);
      else if (written) void readOne(client, store, name, id);
    }
    for (const { collection, value } of written ?? [])
      if (value !== mine && isCollection(collection)) void readOne(client, store, collection, value.id);
    readWhatIsMissing(client, name);
  }
}

/** A write went through: what it was refused before is over, and what else waits for room is tried again. */
function saved(client: QueryClient, store: () => Kitchen, name: Name, id: string) {
  const mine = unsavedOf(client, name);
  mine.delete(id);
  for (const [other, value] of mine)
    void repo(store, name)
      .put(value as never)
      .then(() => mine.get(other) === value && mine.delete(other))
      .catch(() => undefined);
}

/**
 * Everything as this tab shows it, as a kitchen file's text: what the store refused is in it, and where the store gives
 * nothing any more, what was read before. Put together by the worker.
 */
export function useEverything() {
  const { ask, store } = useKitchen();
  const client = useQueryClient();
  return async (exportedAt: string): Promise<string> => {
    const kept = await store()
      .texts()
      .catch(() => undefined);
    const shown = COLLECTION_NAMES.map((name) => [
      name,
      kept ? [...unsavedOf(client, name).values()] : (client.getQueryData([name]) ?? []),
    ]);
    const settings = client.getQueryData<Settings>(['settings']) ?? (await store().readSettings());
    const all = [kept ?? {}, Object.fromEntries(shown), settings, exportedAt] as Parameters<typeof kitchenText>;
    // a model that does not come back keeps nobody's kitchen from them
    return ask('kitchenText', all).catch(() => kitchenText(...all));
  };
}

type EditOf<T> = { id: string; edit: (now: T | undefined) => T | undefined };

/**
 * Changes a record from what it is at that moment, down before the tap returns, in the cache at once and in storage under
 * the lock: two quick taps, or two tabs, both count. An edit that answers nothing leaves all as it is.
 */
export function useEdit<N extends Name>(name: N) {
  const { store, clock } = useKitchen();
  const client = useQueryClient();
  type T = Collections[N];
  const { mutateAsync, ...rest } = useMutation({
    mutationFn: ({ id, edit }: EditOf<T>) => repo(store, name).update(id, edit),
    onMutate: async ({ id }) => {
      await holdReads(client, name);
      showLatest(client, name, id);
    },
    onSuccess: (_, { id }) => saved(client, store, name, id),
    onError: (_, { id }) => refused(client, name, id),
    scope: { id: `save ${name}` },
  });
  const edit = (change: EditOf<T>) =>
    writing(client, store, name, change.id, async () => {
      const base = asItIs(client, name, change.id);
      const made = change.edit(base);
      // noted before the tap returns; forgotten when it is written, kept for the next tab when this one dies
      const written = made && store().noteChange(name, base, made, clock());
      if (made) makeOf(client, name, made);
      const value = await mutateAsync(change);
      written?.();
      return value ? [{ collection: name, value }] : [];
    });
  return {
    ...rest,
    mutateAsync: edit as (change: EditOf<T>) => Promise<unknown>,
    mutate: (change: EditOf<T>) => void edit(change).catch(() => undefined),
  };
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
    takeOut(client, name, id);
    void client.invalidateQueries({ queryKey: ['set aside'] });
  };
}

export function useRemove<N extends Name>(name: N) {
  const { store, clock } = useKitchen();
  const client = useQueryClient();
  const { mutateAsync, ...rest } = useMutation({
    mutationFn: (id: string) => repo(store, name).remove(id),
    onMutate: async (id) => {
      await holdReads(client, name);
      takeOut(client, name, id);
    },
    onSuccess: (_, id) => saved(client, store, name, id),
    onSettled: () => readWhatIsMissing(client, name),
    scope: { id: `save ${name}` },
  });
  return {
    ...rest,
    mutate: (id: string) => {
      const out = store().noteRemoved(name, id, clock());
      void mutateAsync(id).then(out, () => undefined);
    },
  };
}

/**
 * Appends to a cook's list of events: noted before the tap returns, seen at once, written under the lock, so that neither
 * two tabs nor a killed one lose anything.
 */
export function useCookEvents() {
  const { store } = useKitchen();
  const client = useQueryClient();
  const { mutateAsync } = useMutation({
    mutationFn: (_: { cookId: string }) => store().settle(),
    onMutate: async ({ cookId }) => {
      await holdReads(client, 'cooks');
      showLatest(client, 'cooks', cookId);
    },
    scope: { id: 'save cooks' },
  });
  return (cookId: string, events: CookEvent[]) => {
    store().note(cookId, events);
    void writing(client, store, 'cooks', cookId, () => {
      const cook = asItIs(client, 'cooks', cookId);
      if (cook) makeOf(client, 'cooks', { ...cook, events: [...cook.events, ...events] } as Cook);
      return mutateAsync({ cookId });
    }).catch(() => undefined);
  };
}

/** A part of the settings, or what makes it of what they are at that moment. */
type SettingsChange = Partial<Settings> | ((now: Settings) => Partial<Settings>);

export function useSettings(): { settings: Settings | undefined; change: (next: SettingsChange) => void } {
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
    change: (next) => {
      const now = client.getQueryData<Settings>(['settings']);
      if (!now) return;
      const part = typeof next === 'function' ? next(now) : next;
      const made = { ...now, ...part };
      const written = store().noteSettings(now, made, clock());
      client.setQueryData(['settings'], made);
      void save.mutateAsync(part).then(written, () => undefined);
    },
  };
}

/** Puts a file's kitchen in the place of everything, or exchanges some of it; gives what brings the old back. */
export function useExchange() {
  const { store, clock } = useKitchen();
  const client = useQueryClient();
  type What = { what: KitchenFile | Exchange; seen?: Record<string, string> | undefined };
  const { mutateAsync } = useMutation({
    // after the first visit has been filled, or in its place: never under it
    mutationFn: ({ what, seen }: What): Promise<Exchange> =>
      navigator.locks.request(FIRST_VISIT, async () => {
        // what was noted belongs to what is there now
        await store().settle();
        return 'entries' in what ? store().exchange(what, clock(), seen) : store().replaceAll(what, clock());
      }) as Promise<Exchange>,
    onSuccess: () => {
      for (const name of COLLECTION_NAMES) unsavedOf(client, name).clear();
      // not awaited: the reads wait for this to be over
      void client.invalidateQueries();
    },
  });
  return (what: KitchenFile | Exchange, seen?: Record<string, string>) => mutateAsync({ what, seen });
}

/** Times that an import is weighed again because something was noted meanwhile. */
const WEIGHINGS = 4;

/** What a file would do to this kitchen, and the doing of it: weighed again then, for a pot may have gone on. */
export function useImport() {
  const { ask, store } = useKitchen();
  const exchange = useExchange();
  const weigh = async (text: string, way: ImportWay) => {
    const seen = await store().texts();
    return { answer: await ask('weighImport', [text, seen, way]), seen };
  };
  return {
    weigh: async (text: string, way: ImportWay) => (await weigh(text, way)).answer,
    take: async (text: string, way: ImportWay): Promise<Exchange | undefined> => {
      for (let i = 1; ; i++) {
        const { answer, seen } = await weigh(text, way);
        if (!answer.ok) return undefined;
        try {
          return await exchange(answer.exchange, seen);
        } catch (e) {
          if (!(e instanceof ChangedMeanwhileError) || i === WEIGHINGS) throw e;
        }
      }
    },
  };
}

/** What could not be read and was set aside, by its old key. */
export const useSetAside = () => useQuery({ queryKey: ['set aside'], queryFn: () => setAside(browserStore()) });

/** What storage could not do, newest first, until it is put away. */
export function useProblems(): { list: Problem[]; clear: () => void } {
  const [list, setList] = useState<Problem[]>([]);
  useEffect(() => problems.listen((p) => setList((old) => [p, ...old.filter((o) => o.key !== p.key)].slice(0, 5))), []);
  return { list, clear: () => setList([]) };
}

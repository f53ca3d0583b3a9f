import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { CookEvent } from '../../core/cook/events';
import { emptyKitchen, type KitchenFile } from '../../core/formats/kitchenFile';
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
import { applyChange, changeBetween, type Change, type Numbers } from '../../core/records/change';
import { applyOperation, type RecordOperation, type RecordAct } from '../../core/records/operation';
import { DEFAULT_SETTINGS, type Settings } from '../../core/settings';
import { browserStore, changes, problems } from '../../storage/browser';
import { ChangedMeanwhileError, SETTINGS_NAME, STORED_DEFAULTS, type KitchenStore } from '../../storage/kitchen';
import { eventsChange } from '../../storage/log';
import { NotSavedError, setAside, type News, type Problem, type Repository } from '../../storage/records';
import { everKept, nowKept } from '../../storage/which';
import { asShown, isCollection, reading, rowOf, show, showFar } from './cache';
import { useKitchen, type AroundRooms } from './kitchen';
import { supperOffsetMin } from './wallClock';

type Name = CollectionName;
type Any = { id: string };
type Store = () => KitchenStore;

type RowOf<N> = N extends RowName ? Rows[N] : Any;
const repo = <N extends Name>(store: Store, name: N) =>
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
      // what a tab noted that died before it was written; what has no room is reported and tried again later
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
    queryFn: () =>
      reading<Collections[N]>(
        client,
        name,
        async () => {
          const ids = hasRows(name) ? await idsAtHand(client, store, name, clock()) : undefined;
          return repo(store, name).list(ids);
        },
        (value) => value as Collections[N],
      ),
    enabled: opened.data === true,
    staleTime: Infinity,
  });
}

async function idsAtHand(client: QueryClient, store: Store, name: RowName, nowMs: number): Promise<string[]> {
  const asked = client.getQueryData<Any[]>([name])?.map((v) => v.id) ?? [];
  const { near } = ROWS[name] as { near?: (row: Any, nowMs: number) => boolean };
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
      if (value) showFar(client, name, value);
      // not there any more, or it could not be read and was set aside: no list has it either
      else show(client, name, id!, undefined);
      return value !== undefined;
    },
    enabled: near.isSuccess && id !== undefined && !there,
  });
  return { value: there, loaded: near.isSuccess && (id === undefined || there !== undefined || far.isFetched) };
}

/** Reads records that are not at hand, so that a tap finds them there. @returns whether they are */
export function useAtHand(name: RowName, ids: readonly string[]): boolean {
  const client = useQueryClient();
  const { store } = useKitchen();
  const near = useCollection(name);
  const missing = ids.filter((id) => !(near.data as Any[] | undefined)?.some((v) => v.id === id));
  const read = useQuery({
    queryKey: ['at hand', name, missing],
    queryFn: async () => {
      for (const value of await repo(store, name).list(missing)) showFar(client, name, value);
      return true;
    },
    enabled: near.isSuccess && missing.length > 0,
  });
  return near.isSuccess && (missing.length === 0 || read.isFetched);
}

const rowsOf = <N extends RowName>(client: QueryClient, store: Store, name: N) => ({
  queryKey: ['rows', name],
  queryFn: () =>
    reading<Rows[N]>(
      client,
      name,
      async () => (await repo(store, name).rows()) as unknown as Rows[N][],
      (value) => rowOf(name)(value) as unknown as Rows[N],
    ),
  staleTime: Infinity,
});

/** What a long list needs of every record of a collection. */
export function useRows<N extends RowName>(name: N) {
  const client = useQueryClient();
  const kitchen = useKitchen();
  const opened = useQuery({ ...opening(kitchen), enabled: false });
  return useQuery({ ...rowsOf(client, kitchen.store, name), enabled: opened.data === true });
}

/** Reads a list anew. A read still under way may have begun before the change: it is stopped, not joined. */
const readAgain = (client: QueryClient, queryKey: readonly string[]) =>
  void client.cancelQueries({ queryKey, exact: true }).then(() => client.invalidateQueries({ queryKey, exact: true }));

/** When what the store has of a record was shown last: which of two answers is the older cannot be told from their coming. */
type ShownLast = { count: number; at: Map<string, number> };
const SHOWN_LAST = new WeakMap<QueryClient, ShownLast>();
function shownLastOf(client: QueryClient): ShownLast {
  const known = SHOWN_LAST.get(client) ?? { count: 0, at: new Map<string, number>() };
  SHOWN_LAST.set(client, known);
  return known;
}

/** Whether nothing of this record was shown since `began`; if so, something is now. */
function isFirstSince(last: ShownLast, began: number, key: string): boolean {
  if ((last.at.get(key) ?? 0) > began) return false;
  last.count += 1;
  last.at.set(key, last.count);
  return true;
}

/** Shows a record as the store has it. Where another answer came in between, it is read once more. */
async function readOne(client: QueryClient, store: Store, name: Name, id: string): Promise<void> {
  const last = shownLastOf(client);
  for (;;) {
    const began = last.count;
    const value = await repo(store, name).get(id);
    if (isFirstSince(last, began, `${name}/${id}`)) return show(client, name, id, value);
  }
}

/** Another tab has changed something. */
async function heard(client: QueryClient, store: Store, { collection, id }: News) {
  if (isCollection(collection) && id !== undefined) {
    await readOne(client, store, collection, id);
    return;
  }
  if (collection === SETTINGS_NAME) isFirstSince(shownLastOf(client), Infinity, `${SETTINGS_NAME}/mine`);
  readAgain(client, [collection]);
  if (isCollection(collection) && hasRows(collection)) readAgain(client, ['rows', collection]);
}

const settingsOf = ({ id: _id, ...rest }: Any & Settings): Settings => rest;

/** What was noted is put into the records; what came of it is shown. @throws NotSavedError when there is no room for `noted` */
async function settle(client: QueryClient, store: Store, noted?: RecordOperation) {
  const last = shownLastOf(client);
  const began = last.count;
  const { written, refused, applied } = await store().settle();
  for (const { collection, id, value } of written) {
    const isFirst = isFirstSince(last, began, `${collection}/${id}`);
    const now = store().shown(collection, id, value, applied);
    if (!isCollection(collection)) {
      if (now) client.setQueryData(['settings'], settingsOf(now as Any & Settings));
      if (!isFirst) readAgain(client, ['settings']);
    } else if (isFirst) show(client, collection, id, now);
    else await readOne(client, store, collection, id).catch(() => undefined);
  }
  if (noted && refused.some((o) => o.tab === noted.tab && o.n === noted.n)) throw new NotSavedError('not saved');
}

/** Notes what a hand did, shows it, and writes it. Down before it returns; the answer comes when it is in its record. */
function doIt(client: QueryClient, { store, clock }: AroundRooms, name: Name, record: string, act: RecordAct) {
  const noted = store().note({ collection: name, record, act }, clock());
  const now = asShown(client, name, record);
  // a change of what is not at hand is shown when it is written
  if (now || !('change' in act)) show(client, name, record, applyOperation(now, noted));
  return settle(client, store, noted);
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
    const shown = await Promise.all(
      COLLECTION_NAMES.map(async (name) => {
        if (!kept) return [name, client.getQueryData([name]) ?? []] as const;
        const waiting = store()
          .waiting()
          .filter((w) => w.collection === name);
        const values = await Promise.all(
          waiting.map(async ({ id }) => asShown(client, name, id) ?? (await repo(store, name).get(id))),
        );
        return [name, values.filter((v) => v !== undefined)] as const;
      }),
    );
    const settings = client.getQueryData<Settings>(['settings']) ?? (await store().readSettings());
    const all = [kept ?? {}, Object.fromEntries(shown), settings, exportedAt] as Parameters<typeof kitchenText>;
    // a model that does not come back keeps nobody's kitchen from them
    return ask('kitchenText', all).catch(() => kitchenText(...all));
  };
}

const NO_CHANGE: Change = { fields: {} };

type EditOf<T> = {
  id: string;
  /** answers nothing where all stays as it is */
  edit: (now: T | undefined) => T | undefined;
  /** what it is made of where there is none yet */
  from?: T;
  /** how a number that changes is meant */
  numbers?: Numbers;
};

/**
 * Changes a record from what it is at that moment, down before the tap returns, in the cache at once and in storage under
 * the lock: two quick taps, or two tabs, both count.
 */
export function useEdit<N extends Name>(name: N) {
  const around = useKitchen();
  const client = useQueryClient();
  type T = Collections[N];
  const mutateAsync = async ({ id, edit, from, numbers }: EditOf<T>) => {
    const there = asShown<T>(client, name, id);
    const base = there ?? from;
    const made = edit(base);
    if (made === undefined) return;
    if (!base) return doIt(client, around, name, id, { put: made });
    const change = changeBetween(base, made, numbers);
    // one that is not there yet comes, though it is as it would be anyway
    if (change || !there)
      await doIt(client, around, name, id, { change: change ?? NO_CHANGE, ...(from ? { from } : {}) });
  };
  return { mutateAsync, mutate: (change: EditOf<T>) => void mutateAsync(change).catch(() => undefined) };
}

/** Puts a new value in place. What changes a record that is there already is an edit, or a rebased one. */
export function useSave<N extends Name>(name: N) {
  const around = useKitchen();
  const client = useQueryClient();
  const mutateAsync = (value: Collections[N]) => doIt(client, around, name, value.id, { put: value });
  return { mutateAsync, mutate: (value: Collections[N]) => void mutateAsync(value).catch(() => undefined) };
}

/** Puts in place what was made of `base`: what has changed elsewhere since stays changed. */
export function useRebased<N extends Name>(name: N) {
  const around = useKitchen();
  const client = useQueryClient();
  return (base: Collections[N], mine: Collections[N]) => {
    const change = changeBetween(base, mine);
    if (change) void doIt(client, around, name, mine.id, { change }).catch(() => undefined);
  };
}

/** Moves one record out of the way as it is. */
export function useSetOneAside() {
  const { store } = useKitchen();
  const client = useQueryClient();
  return async (name: Name, id: string) => {
    await repo(store, name).aside(id);
    show(client, name, id, undefined);
    void client.invalidateQueries({ queryKey: ['set aside'] });
  };
}

export function useRemove(name: Name) {
  const around = useKitchen();
  const client = useQueryClient();
  return {
    mutate: (id: string) => void doIt(client, around, name, id, { removed: true }).catch(() => undefined),
  };
}

/** Appends to a cook's list of events. */
export function useCookEvents() {
  const around = useKitchen();
  const client = useQueryClient();
  return (cookId: string, events: readonly CookEvent[]) =>
    void doIt(client, around, 'cooks', cookId, { change: eventsChange(events) }).catch(() => undefined);
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
  return {
    settings: query.data,
    change: (next) => {
      const now = client.getQueryData<Settings>(['settings']);
      if (!now) return;
      const made = { ...now, ...(typeof next === 'function' ? next(now) : next) };
      const change = changeBetween(now, made);
      if (!change) return;
      const act = { change, from: STORED_DEFAULTS };
      const noted = store().note({ collection: SETTINGS_NAME, record: 'mine', act }, clock());
      client.setQueryData(['settings'], applyChange(now, change));
      void settle(client, store, noted).catch(() => undefined);
    },
  };
}

/** Puts a file's kitchen in the place of everything, or exchanges some of it; gives what brings the old back. */
export function useExchange() {
  const { store, clock } = useKitchen();
  const client = useQueryClient();
  return async (what: KitchenFile | Exchange, seen?: Record<string, string>): Promise<Exchange> => {
    // after the first visit has been filled, or in its place: never under it
    const was = (await navigator.locks.request(FIRST_VISIT, () =>
      'entries' in what ? store().exchange(what, clock(), seen) : store().replaceAll(what, clock()),
    )) as Exchange;
    // not awaited: whoever asked need not wait for the lists
    void client.invalidateQueries();
    return was;
  };
}

/** Times that an import is weighed again because something was noted meanwhile. */
const WEIGHINGS = 4;

/** What a file would do to this kitchen, and the doing of it: weighed again then, for a pot may have gone on. */
export function useImport() {
  const { ask, store } = useKitchen();
  const exchange = useExchange();
  const weigh = async (text: string, way: ImportWay, signal?: AbortSignal) => {
    const seen = await store().texts();
    return { answer: await ask('weighImport', [text, seen, way], signal), seen };
  };
  return {
    weigh: async (text: string, way: ImportWay, signal?: AbortSignal) => (await weigh(text, way, signal)).answer,
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

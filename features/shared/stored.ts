import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Cook, CookEvent } from '../../core/cook/events';
import type { KitchenFile } from '../../core/formats/kitchenFile';
import type { Settings } from '../../core/settings';
import { browserStore, changes, problems } from '../../storage/browser';
import type { CollectionName, Collections } from '../../storage/collections';
import type { Kitchen } from '../../storage/kitchen';
import { setAside, type Problem, type Repository } from '../../storage/records';
import { useKitchen, type AroundRooms } from './kitchen';

type Name = CollectionName;

const repo = <N extends Name>(store: () => Kitchen, name: N) => store()[name] as unknown as Repository<Collections[N]>;

const FIRST_VISIT = 'ovalis first visit';

const opening = ({ ask, clock, store }: AroundRooms) => ({
  queryKey: ['opened'],
  queryFn: async () => {
    const kitchen = store();
    if (await kitchen.opened()) {
      // what a tab noted that died before it was written; a disk that is full is reported and tried again later
      await kitchen.settle().catch(() => undefined);
      return true;
    }
    await navigator.locks.request(FIRST_VISIT, async () => {
      if (await kitchen.opened()) return;
      await kitchen.replaceAll(await ask('demo', [clock(), new Date(clock()).getTimezoneOffset()]));
    });
    return true;
  },
  staleTime: Infinity,
  retry: 1,
});

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
      return repo(kitchen.store, name).list();
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

/** Puts a value into the cache at once and into storage right after. If storage refuses it stays here, and that is said. */
export function useSave<N extends Name>(name: N) {
  const { store } = useKitchen();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (value: Collections[N]) => repo(store, name).put(value),
    onMutate: async (value) => {
      await holdReads(client, name);
      client.setQueryData<Collections[N][]>([name], (old) =>
        old?.some((v) => v.id === value.id) ? old.map((v) => (v.id === value.id ? value : v)) : old && [...old, value],
      );
    },
    onSuccess: () => readAgain(client, name),
    scope: { id: `save ${name}` },
  });
}

/**
 * Changes a record from what it is at that moment, in the cache at once and in storage under the lock: two quick taps,
 * or two tabs, both count. An edit that answers nothing leaves all as it is.
 */
export function useEdit<N extends Name>(name: N) {
  const { store } = useKitchen();
  const client = useQueryClient();
  type T = Collections[N];
  return useMutation({
    mutationFn: ({ id, edit }: { id: string; edit: (now: T | undefined) => T | undefined }) =>
      repo(store, name).update(id, edit),
    onMutate: async ({ id, edit }) => {
      await holdReads(client, name);
      client.setQueryData<T[]>([name], (old) => {
        const there = old?.find((v) => v.id === id);
        const next = edit(there);
        if (!old || !next) return old;
        return there ? old.map((v) => (v.id === id ? next : v)) : [...old, next];
      });
    },
    onSuccess: () => readAgain(client, name),
    scope: { id: `save ${name}` },
  });
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
    onSuccess: () => readAgain(client, name),
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
  const { store } = useKitchen();
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['settings'],
    queryFn: () => store().readSettings(),
    staleTime: Infinity,
  });
  const save = useMutation({
    mutationFn: (next: Settings) => store().settings.put({ ...next, id: 'mine' }),
    scope: { id: 'save settings' },
  });
  return {
    settings: query.data,
    change: (part) => {
      const now = client.getQueryData<Settings>(['settings']);
      if (!now) return;
      const next = { ...now, ...part };
      client.setQueryData(['settings'], next);
      save.mutate(next);
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

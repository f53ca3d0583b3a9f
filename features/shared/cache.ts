import type { QueryClient } from '@tanstack/react-query';
import { COLLECTION_NAMES, hasRows, ROWS, type CollectionName, type RowName } from '../../core/formats/collections';

/** What rooms are shown of the records: lists of them, and lists of their rows, in the query cache. */

type Any = { id: string };
/** Records as they were shown while a list was being read, undefined where they went. */
type Shown = Map<string, Any | undefined>;

const READING = new WeakMap<QueryClient, Map<CollectionName, Set<Shown>>>();
function readingsOf(client: QueryClient, name: CollectionName): Set<Shown> {
  const all = READING.get(client) ?? new Map<CollectionName, Set<Shown>>();
  READING.set(client, all);
  const mine = all.get(name) ?? new Set<Shown>();
  all.set(name, mine);
  return mine;
}

export const isCollection = (name: string): name is CollectionName => (COLLECTION_NAMES as string[]).includes(name);
export const rowOf = (name: RowName) => ROWS[name].of as (value: unknown) => Any;

export const withIn = <T extends Any>(old: T[] | undefined, value: T, unlessThere = false): T[] | undefined => {
  const there = old?.some((v) => v.id === value.id);
  if (!old || (there && unlessThere)) return old;
  return there ? old.map((v) => (v.id === value.id ? value : v)) : [...old, value];
};
const without = <T extends Any>(old: T[] | undefined, id: string) => old?.filter((v) => v.id !== id);

/** Reads a list. What was shown of its records meanwhile is newer than what is read, and stays. */
export async function reading<T extends Any>(
  client: QueryClient,
  name: CollectionName,
  read: () => Promise<T[]>,
  of: (value: Any) => T,
): Promise<T[]> {
  const shown: Shown = new Map();
  readingsOf(client, name).add(shown);
  try {
    let list: T[] | undefined = await read();
    for (const [id, value] of shown) list = value ? withIn(list, of(value)) : without(list, id);
    return list ?? [];
  } finally {
    readingsOf(client, name).delete(shown);
  }
}

/** Shows a record as it is now, in its list and in the list of rows; without a value it is gone. */
export function show(client: QueryClient, name: CollectionName, id: string, value: Any | undefined) {
  for (const shown of readingsOf(client, name)) shown.set(id, value);
  client.setQueryData<Any[]>([name], (old) => (value ? withIn(old, value) : without(old, id)));
  if (hasRows(name))
    client.setQueryData<Any[]>(['rows', name], (old) =>
      old && value ? withIn(old, rowOf(name)(value)) : without(old, id),
    );
}

/** Shows a record that was read for itself, unless the list has it already. */
export const showFar = (client: QueryClient, name: CollectionName, value: Any) =>
  client.setQueryData<Any[]>([name], (old) => withIn(old, value, true));

/** A record as it is shown at this moment, drawn or not. */
export const asShown = <T extends Any>(client: QueryClient, name: CollectionName, id: string): T | undefined =>
  client.getQueryData<T[]>([name])?.find((v) => v.id === id);

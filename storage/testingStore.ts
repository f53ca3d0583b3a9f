import type { CookEvent } from '../core/cook/events';
import type { KitchenStore } from './kitchen';
import { eventsChange, type AtOnce } from './log';
import type { KeyValue, News, Problem, Shell } from './records';

/** Locks by their name: who asks for one that is held waits for it, and for no other. */
export function namedLocks() {
  const tails = new Map<string, Promise<unknown>>();
  const asked: string[] = [];
  const request = <T>(name: string, work: () => Promise<T>): Promise<T> => {
    asked.push(name);
    const run = (tails.get(name) ?? Promise.resolve()).then(work);
    tails.set(
      name,
      run.catch(() => undefined),
    );
    return run;
  };
  return { request, asked };
}

/** Small notes as localStorage keeps them, over a map that others may share. */
export const notesOver = (map: Map<string, string>, isFull: () => boolean = () => false): AtOnce => ({
  get length() {
    return map.size;
  },
  key: (i) => [...map.keys()][i] ?? null,
  getItem: (k) => map.get(k) ?? null,
  setItem: (k, v) => {
    if (isFull()) throw new Error('the disk is full');
    map.set(k, v);
  },
  removeItem: (k) => void map.delete(k),
});

let tabs = 0;
/** A tab of its own over the same store. */
export const tabOf = (shell: Shell, other: Partial<Shell> = {}): Shell => ({ ...shell, tab: `tab${++tabs}`, ...other });

/** A store in memory that can be full, with a lock that queues. */
export function memory() {
  const map = new Map<string, string>();
  let full = false;
  const write = (k: string, v: string) => {
    if (full) throw new Error('the disk is full');
    map.set(k, v);
  };
  const store: KeyValue = {
    getItem: async (k) => map.get(k) ?? null,
    setItem: async (k, v) => write(k, v),
    removeItem: async (k) => void map.delete(k),
    getMany: async (ks) => Object.fromEntries(ks.map((k) => [k, map.get(k) ?? null])),
    setMany: async (entries) => {
      if (full) throw new Error('the disk is full');
      Object.entries(entries).forEach(([k, v]) => write(k, v));
    },
    removeMany: async (ks) => ks.forEach((k) => map.delete(k)),
    getAllKeys: async () => [...map.keys()],
  };
  const problems: Problem[] = [];
  const changed: News[] = [];
  const atOnce = new Map<string, string>();
  const locks = namedLocks();
  const shell: Shell = {
    store,
    atOnce: notesOver(atOnce, () => full),
    tab: `tab${++tabs}`,
    lock: (work) => locks.request('ovalis kitchen', work),
    report: (p) => problems.push(p),
    changed: (c) => changed.push(c),
    breathe: () => Promise.resolve(),
  };
  return { map, atOnce, store, shell, locks, problems, changed, fill: (on: boolean) => (full = on) };
}

/** Events of a cook, as a tap notes them. */
export const tap = (k: KitchenStore, cookId: string, events: readonly CookEvent[], atMs = 0) =>
  k.note({ collection: 'cooks', record: cookId, act: { change: eventsChange(events) } }, atMs);

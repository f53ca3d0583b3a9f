import type { KeyValue, News, Problem, Shell } from './records';

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
  let tail: Promise<unknown> = Promise.resolve();
  const problems: Problem[] = [];
  const changed: News[] = [];
  const atOnce = new Map<string, string>();
  const shell: Shell = {
    store,
    atOnce: {
      get length() {
        return atOnce.size;
      },
      key: (i) => [...atOnce.keys()][i] ?? null,
      getItem: (k) => atOnce.get(k) ?? null,
      setItem: (k, v) => {
        if (full) throw new Error('the disk is full');
        atOnce.set(k, v);
      },
      removeItem: (k) => void atOnce.delete(k),
    },
    lock: (_name, work) => {
      const run = tail.then(work);
      tail = run.catch(() => undefined);
      return run;
    },
    report: (p) => problems.push(p),
    changed: (c) => changed.push(c),
    breathe: () => Promise.resolve(),
  };
  return { map, atOnce, store, shell, problems, changed, fill: (on: boolean) => (full = on) };
}

import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { kitchenOver, type KitchenStore } from './kitchen';
import { inner, local, within } from './local';
import { isNoted } from './log';
import { keyIn, whichKitchen, type KitchenName } from './which';
import type { KeyValue, News, Problem } from './records';

/** The browser's side of storage: IndexedDB through AsyncStorage, locks and news between tabs. Made once, after mount. */

type Listener<T> = (value: T) => void;

function teller<T>() {
  const listeners = new Set<Listener<T>>();
  return {
    tell: (value: T) => listeners.forEach((l) => l(value)),
    listen: (l: Listener<T>) => {
      listeners.add(l);
      return () => void listeners.delete(l);
    },
  };
}

export const problems = teller<Problem>();
/** what another tab changed; this tab's own changes are in its cache already */
export const changes = teller<News>();

/** Asks the browser not to clear what is kept here when the disk runs short; it may say no. */
export const keepFirmly = () => void navigator.storage?.persist?.().catch(() => undefined);

/** A tab that has not written what it noted for this long has died, or its disk is full. */
const DEAD_MS = 2000;

/** Who holds it writes into this kitchen, and nobody else in any tab. */
const lockOf = (name: KitchenName): string => `${keyIn(name, 'ovalis')} kitchen`;

const kitchens = new Map<KitchenName, KitchenStore>();
const backings = new Map<KitchenName, KeyValue>();

export function browserStore(name: KitchenName = openName()): KeyValue {
  const backing = backings.get(name) ?? (createAsyncStorage(keyIn(name, 'ovalis')) as unknown as KeyValue);
  backings.set(name, backing);
  return backing;
}

/** The kitchen of this page; another one is opened by a page of its own. */
const openName = (): KitchenName => whichKitchen(location.pathname) ?? 'choir';

/** A turn of the page between two pieces of work. A timer would wait longer, and a stopped clock for ever. */
const breathe = () =>
  new Promise<void>((ok) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      ok();
    };
    port2.postMessage(0);
  });

export function browserKitchen(name: KitchenName = openName()): KitchenStore {
  const open = kitchens.get(name);
  if (open) return open;
  const news = new BroadcastChannel(keyIn(name, 'ovalis'));
  // a tab that is older than this one tells the name alone
  news.onmessage = (e: MessageEvent<News | string>) =>
    changes.tell(typeof e.data === 'string' ? { collection: e.data } : e.data);
  const noted = name === 'own' ? local() : within(local(), `${name}/`);
  const kitchen = kitchenOver({
    store: browserStore(name),
    atOnce: noted,
    tab: `${Date.now().toString(36)}-${crypto.randomUUID().slice(0, 8)}`,
    lock: async (work) => (await navigator.locks.request(lockOf(name), work)) as Awaited<ReturnType<typeof work>>,
    report: problems.tell,
    changed: (what) => news.postMessage(what),
    breathe,
  });
  kitchens.set(name, kitchen);
  // what another tab noted it also writes, unless it died before
  let soon: ReturnType<typeof setTimeout> | undefined;
  const settleForTheDead = () => {
    soon = undefined;
    void kitchen
      .settle()
      .then(({ written }) => written.forEach(({ collection, id }) => changes.tell({ collection, id })))
      .catch(() => undefined);
  };
  addEventListener('storage', (e) => {
    const key = name === 'own' ? e.key : (inner(e.key, `${name}/`) ?? null);
    if (isNoted(key) && e.newValue !== null) soon ??= setTimeout(settleForTheDead, DEAD_MS);
  });
  return kitchen;
}

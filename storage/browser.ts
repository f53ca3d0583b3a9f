import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { isNoted } from './journal';
import { kitchenOver, type Kitchen } from './kitchen';
import { inner, local, within } from './local';
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

const kitchens = new Map<KitchenName, Kitchen>();
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

export function browserKitchen(name: KitchenName = openName()): Kitchen {
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
    lock: async (what, work) =>
      (await navigator.locks.request(`${keyIn(name, 'ovalis')} ${what}`, work)) as Awaited<ReturnType<typeof work>>,
    report: problems.tell,
    changed: (what) => news.postMessage(what),
    breathe,
  });
  kitchens.set(name, kitchen);
  const { settle } = kitchen;
  // what another tab noted it also writes, unless it died before
  addEventListener('storage', (e) => {
    if (isNoted(name === 'own' ? e.key : (inner(e.key, `${name}/`) ?? null)) && e.newValue !== null)
      setTimeout(
        () =>
          void settle()
            .then((written) => written.forEach(({ collection, value }) => changes.tell({ collection, id: value.id })))
            .catch(() => undefined),
        DEAD_MS,
      );
  });
  return kitchen;
}

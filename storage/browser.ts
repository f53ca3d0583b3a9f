import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { isNoted } from './journal';
import { kitchenOver, type Kitchen } from './kitchen';
import { keepLightly, local } from './local';
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

const EVER_KEPT = 'ovalis-kept';
/** Whether a kitchen was ever kept here: then one that is gone was taken away, and no demo takes its place. */
export const everKept = (): boolean => local().getItem(EVER_KEPT) !== null;
export const nowKept = () => keepLightly(EVER_KEPT, '1');

/** Asks the browser not to clear what is kept here when the disk runs short; it may say no. */
export const keepFirmly = () => void navigator.storage?.persist?.().catch(() => undefined);

/** A tab that has not written what it noted for this long has died, or its disk is full. */
const DEAD_MS = 2000;

let kitchen: Kitchen | undefined;
let backing: KeyValue | undefined;

export function browserStore(): KeyValue {
  backing ??= createAsyncStorage('ovalis') as unknown as KeyValue;
  return backing;
}

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

export function browserKitchen(): Kitchen {
  if (kitchen) return kitchen;
  const news = new BroadcastChannel('ovalis');
  // a tab that is older than this one tells the name alone
  news.onmessage = (e: MessageEvent<News | string>) =>
    changes.tell(typeof e.data === 'string' ? { collection: e.data } : e.data);
  kitchen = kitchenOver({
    store: browserStore(),
    atOnce: local(),
    lock: async (name, work) =>
      (await navigator.locks.request(`ovalis ${name}`, work)) as Awaited<ReturnType<typeof work>>,
    report: problems.tell,
    changed: (what) => news.postMessage(what),
    breathe,
  });
  const { settle } = kitchen;
  // what another tab noted it also writes, unless it died before
  addEventListener('storage', (e) => {
    if (isNoted(e.key) && e.newValue !== null)
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

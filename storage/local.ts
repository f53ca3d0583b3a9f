import type { AtOnce } from './log';

/** localStorage where the browser gives one; otherwise a store that lasts as long as the tab. */
function localOrMemory(): AtOnce {
  try {
    const { localStorage } = globalThis;
    localStorage.getItem('ovalis');
    return localStorage;
  } catch {
    return memoryStore();
  }
}

function memoryStore(): AtOnce {
  const map = new Map<string, string>();
  return {
    get length() {
      return map.size;
    },
    key: (i) => [...map.keys()][i] ?? null,
    getItem: (k) => map.get(k) ?? null,
    setItem: (k, v) => void map.set(k, v),
    removeItem: (k) => void map.delete(k),
  };
}

let mine: AtOnce | undefined;
/** The one of this tab. */
export const local = (): AtOnce => (mine ??= localOrMemory());

/** Keeps a word that may be lost: a refusal is no harm. */
export function keepLightly(key: string, value: string) {
  try {
    local().setItem(key, value);
  } catch {
    // full: it is asked for again some day
  }
}

/** The rest of a key that begins so. */
export const inner = (key: string | null, prefix: string): string | undefined =>
  key?.startsWith(prefix) ? key.slice(prefix.length) : undefined;

/** A part of a store by itself: keys that begin so, without their beginning. */
export function within(store: AtOnce, prefix: string): AtOnce {
  const keys = () =>
    Array.from({ length: store.length }, (_, i) => inner(store.key(i), prefix)).filter((key) => key !== undefined);
  return {
    get length() {
      return keys().length;
    },
    key: (i) => keys()[i] ?? null,
    getItem: (k) => store.getItem(prefix + k),
    setItem: (k, v) => store.setItem(prefix + k, v),
    removeItem: (k) => store.removeItem(prefix + k),
  };
}

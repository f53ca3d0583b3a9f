import { useCallback, useEffect, useSyncExternalStore } from 'react';

/** How often a page that nobody sees is told the time. */
const HIDDEN_MS = 15_000;

/** Rooms that show the time; told when somebody looks, and when something falls due. */
const watchers = new Set<() => void>();

/**
 * The wall clock in whole steps of `everyMs`: the one place where the interface reads the time to show it. A hidden page
 * draws no seconds: it is told seldom. 0 in the exported page, before the browser takes over.
 */
export function useNow(everyMs = 1000): number {
  const subscribe = useCallback(
    (tell: () => void) => {
      let toldMs = 0;
      const timer = setInterval(
        () => {
          if (document.hidden && Date.now() - toldMs < HIDDEN_MS) return;
          toldMs = Date.now();
          tell();
        },
        Math.min(everyMs, 1000),
      );
      document.addEventListener('visibilitychange', tell);
      watchers.add(tell);
      return () => {
        watchers.delete(tell);
        clearInterval(timer);
        document.removeEventListener('visibilitychange', tell);
      };
    },
    [everyMs],
  );
  return useSyncExternalStore(
    subscribe,
    () => Math.floor(Date.now() / everyMs) * everyMs,
    () => 0,
  );
}

/** Has the time read anew at these moments even while the page is hidden, so that what falls due is called on time. */
export function useWakeAt(moments: readonly number[]): void {
  const key = moments.filter(Number.isFinite).join();
  useEffect(() => {
    const timers = (key ? key.split(',') : [])
      .map((ms) => Number(ms) - Date.now())
      .filter((inMs) => inMs > 0)
      .map((inMs) => setTimeout(() => watchers.forEach((tell) => tell()), inMs + 20));
    return () => timers.forEach(clearTimeout);
  }, [key]);
}

const never = () => () => undefined;

/** False in the exported page and while it is taken over, true from then on: stored data is shown only after. */
export const useMounted = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

import { useCallback, useSyncExternalStore } from 'react';

/**
 * The wall clock in whole steps of `everyMs`: the one place where the interface reads the time to show it.
 * 0 in the exported page, before the browser takes over.
 */
export function useNow(everyMs = 1000): number {
  const subscribe = useCallback(
    (tell: () => void) => {
      const timer = setInterval(tell, Math.min(everyMs, 1000));
      document.addEventListener('visibilitychange', tell);
      return () => {
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

const never = () => () => undefined;

/** False in the exported page and while it is taken over, true from then on: stored data is shown only after. */
export const useMounted = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

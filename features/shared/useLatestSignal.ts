import { useCallback, useEffect, useRef } from 'react';

/** A signal for each new question; the one before is over then, and the last one when the room is left. */
export function useLatestSignal(): () => AbortSignal {
  const under = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => under.current?.abort(), []);
  return useCallback(() => {
    under.current?.abort();
    under.current = new AbortController();
    return under.current.signal;
  }, []);
}

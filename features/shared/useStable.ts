import { useCallback, useEffect, useRef } from 'react';

/** One function for as long as the component lives, that calls the latest: for children that are not to be drawn again. */
export function useStable<A extends unknown[], R>(f: (...args: A) => R): (...args: A) => R {
  const latest = useRef(f);
  useEffect(() => {
    latest.current = f;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}

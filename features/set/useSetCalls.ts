import { useEffect, useEffectEvent, useRef } from 'react';
import { useKitchen } from '../shared/kitchen';
import { useWays } from '../shared/useWays';

/** Passed longer ago than this when the room is opened: it is shown, not called. */
const STALE_MS = 5 * 60_000;

/** Calls once at each moment that comes: set, at serving temperature, out of the bath. */
export function useSetCalls(of: string, moments: readonly { id: string; atMs: number; says: string }[], now: number) {
  const { sound } = useKitchen();
  const ways = useWays();
  const rung = useRef(new Set<string>());
  const due = moments
    .filter((m) => m.atMs <= now && now - m.atMs < STALE_MS)
    .reduce<(typeof moments)[number] | undefined>((last, m) => (last && last.atMs > m.atMs ? last : m), undefined);
  const callIt = useEffectEvent((says: string) => sound.call(ways, says, false, of));
  const key = due && `${of} ${due.id}`;
  const says = due?.says;
  useEffect(() => {
    if (!key || !says || rung.current.has(key)) return;
    rung.current.add(key);
    callIt(says);
  }, [key, says]);
}

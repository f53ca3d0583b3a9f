import { useEffect, useRef, useState } from 'react';
import { keepLightly, local } from '../../storage/local';
import { useKitchen } from '../shared/kitchen';

const KEY = 'ovalis-pot-seen';
const BEAT_MS = 2000;
/** Away for less than this is a glance. */
const AWAY_MS = 45_000;
/** A wall clock that parts from the running one by more than this was changed. */
const CHANGED_MS = 20_000;

/** When the pot was looked at last; a full disk only costs the words “away from”. */
const looked = (key: string, atMs: number) => keepLightly(key, String(atMs));

export type Away = { fromMs: number; toMs: number };

/**
 * Notices when nobody has looked at the pot for a while (a call, a locked phone, a killed tab), and when the device's
 * clock was changed under the cook.
 */
export function useAway(
  cookId: string,
  onClock: (byMs: number) => void,
): { away: Away | undefined; clear: () => void } {
  const { clock } = useKitchen();
  const [away, setAway] = useState<Away | undefined>();
  const changedBy = useRef(onClock);
  useEffect(() => {
    changedBy.current = onClock;
  });
  useEffect(() => {
    const key = `${KEY}/${cookId}`;
    let wall = clock();
    let running = performance.now();
    let wasAwake = document.visibilityState === 'visible';
    const before = Number(local().getItem(key));
    const opened = wall;
    const first = setTimeout(() => {
      if (before > 0 && opened - before > AWAY_MS) setAway({ fromMs: before, toMs: opened });
    }, 0);
    const beat = () => {
      const nowWall = clock();
      const nowRunning = performance.now();
      const changed = nowWall - wall - (nowRunning - running);
      // while the page slept the running clock may have slept too: then only a step back is surely a change
      if (Math.abs(changed) > CHANGED_MS && (changed < 0 || wasAwake)) changedBy.current(changed);
      else if (nowWall - wall > AWAY_MS) setAway({ fromMs: wall, toMs: nowWall });
      wasAwake = document.visibilityState === 'visible';
      wall = nowWall;
      running = nowRunning;
      looked(key, nowWall);
    };
    const timer = setInterval(beat, BEAT_MS);
    document.addEventListener('visibilitychange', beat);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
      document.removeEventListener('visibilitychange', beat);
      looked(key, clock());
    };
  }, [cookId, clock]);
  return { away, clear: () => setAway(undefined) };
}

import { useEffect } from 'react';

/** Keeps the screen on while the page is looked at. A browser lets go whenever the page is hidden: it is held again. */
export function useAwake(): void {
  useEffect(() => {
    let held: WakeLockSentinel | undefined;
    let over = false;
    const hold = async () => {
      if (document.hidden || (held && !held.released)) return;
      held = await navigator.wakeLock?.request('screen').catch(() => undefined);
      if (over) void held?.release();
    };
    void hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      void held?.release();
    };
  }, []);
}

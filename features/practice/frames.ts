import type { Frame } from '../../core/practice/frame';

/** A frame, and how long the picture takes to get there, ms. */
export type Coming = { frame: Frame; everyMs: number };
export type Frames = ReturnType<typeof framesAsTheyCome>;

/** The pot's frames as they come: whoever draws it has the last one at once and each that follows. */
export function framesAsTheyCome(leastMs: number, mostMs = 1000) {
  const listeners = new Set<(coming: Coming) => void>();
  let last: Coming | undefined;
  let lastMs = -Infinity;
  return {
    last: () => last?.frame,
    tell(frame: Frame, ms: number) {
      last = { frame, everyMs: Math.min(mostMs, Math.max(leastMs, ms - lastMs)) };
      lastMs = ms;
      for (const hears of listeners) hears(last);
    },
    listen(hears: (coming: Coming) => void) {
      if (last) hears(last);
      listeners.add(hears);
      return () => void listeners.delete(hears);
    },
  };
}

import { countingEvents } from './counting';
import type { Cook } from './events';

/** What the hob itself says, and since when it has said so. */
export type RingRead = { setting: number; sinceMs: number };

/** ms that a hand and a hob take to agree */
const AGREE_MS = 4000;
const TURNS = new Set(['hobSet', 'stepDone', 'steppedBack', 'paused', 'resumed', 'started']);

/**
 * The ring is not on what was noted, and not because it was turned a moment ago.
 * @param counted setting that this cook reckons with now
 */
export function ringDiffers(cook: Pick<Cook, 'events'>, counted: number, read: RingRead, nowMs: number): boolean {
  if (read.setting === counted) return false;
  const turned = countingEvents(cook).findLast((e) => TURNS.has(e.kind));
  return nowMs - Math.max(read.sinceMs, turned ? Date.parse(turned.at) : -Infinity) > AGREE_MS;
}

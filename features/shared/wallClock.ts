import { addDays } from 'date-fns/addDays';

/** The moment when the cook's own clock shows these minutes after midnight of a day; right too where the hour changes. */
export function atWallClock(dayMs: number, minutes: number): Date {
  const d = new Date(dayMs);
  d.setHours(0, minutes, 0, 0);
  return d;
}

const NOON_MIN = 12 * 60 + 30;
const SUPPER_MIN = 19 * 60 + 30;

/** Minutes that UTC is ahead of the cook's clock on the evening of the demo's supper: today's, or from noon on tomorrow's. */
export function supperOffsetMin(nowMs: number): number {
  const day = nowMs < atWallClock(nowMs, NOON_MIN).getTime() ? nowMs : addDays(nowMs, 1).getTime();
  return atWallClock(day, SUPPER_MIN).getTimezoneOffset();
}

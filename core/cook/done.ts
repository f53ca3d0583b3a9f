import type { CookState } from './fold';
import type { Step } from './steps';

/**
 * When the work is over, ms. On the hob it is what the pots of the twin say, up to the pouring; off it the minutes of the
 * oven and of the steps that are left.
 * @param ahead when the model answered, ms, and the s that it gave from then
 * @returns undefined where nothing is known, and never a time that is past
 */
export function doneAtMs(
  steps: readonly Step[],
  state: Pick<CookState, 'stepIndex' | 'stepStartedMs' | 'paused'>,
  nowMs: number,
  ahead: { atMs: number; doneInS: number } | undefined,
): number | undefined {
  if (state.paused) return undefined;
  const left = steps.slice(state.stepIndex);
  const atMs = left.every((s) => !s.heat)
    ? state.stepStartedMs + left.reduce((sum, s) => sum + s.seconds, 0) * 1000
    : ahead && ahead.atMs + ahead.doneInS * 1000;
  return atMs !== undefined && atMs > nowMs ? atMs : undefined;
}

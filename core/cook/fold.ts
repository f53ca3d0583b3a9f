import type { Cook, CookEvent, Observation } from './events';
import type { Step, StepId } from './steps';

export type CookState = {
  stage: 'not started' | 'cooking' | 'poured' | 'in the fridge' | 'turned out';
  stepIndex: number;
  /** when the present step began, ms since 1970, pauses taken out; NaN before the start */
  stepStartedMs: number;
  paused: boolean;
  pausedAtMs: number;
  startedMs: number;
  pouredMs: number;
  fridgeMs: number;
  turnedOutMs: number;
  /** the hob as the cook set it, if it was touched in this step */
  setting: number | undefined;
  /** what has been weighed out, by stage and ingredient */
  weighed: string[];
  observations: { id: string; what: Observation; atMs: number; step: StepId }[];
  notes: { id: string; text: string; atMs: number }[];
  /** each step's start and end, pauses taken out */
  done: { step: StepId; startMs: number; endMs: number }[];
  lastEvent: CookEvent | undefined;
};

/** Events that count, in time order: undone ones and undoings taken out. Late-noted events fall into their own time. */
export function countingEvents(cook: Pick<Cook, 'events'>): CookEvent[] {
  const undone = new Set(cook.events.flatMap((e) => (e.kind === 'undone' ? [e.target] : [])));
  return cook.events
    .filter((e) => e.kind !== 'undone' && !undone.has(e.id))
    .map((event, order) => ({ event, order, ms: Date.parse(event.at) }))
    .sort((a, b) => a.ms - b.ms || a.order - b.order)
    .map(({ event }) => event);
}

/** The cook's state: a fold over its events, nothing else. Pure, so that a reload or a second tab sees the same. */
export function foldCook(cook: Pick<Cook, 'events'>, steps: readonly Step[]): CookState {
  const state: CookState = {
    stage: 'not started',
    stepIndex: 0,
    stepStartedMs: NaN,
    paused: false,
    pausedAtMs: NaN,
    startedMs: NaN,
    pouredMs: NaN,
    fridgeMs: NaN,
    turnedOutMs: NaN,
    setting: undefined,
    weighed: [],
    observations: [],
    notes: [],
    done: [],
    lastEvent: undefined,
  };
  const last = steps.length - 1;
  for (const event of countingEvents(cook)) {
    const ms = Date.parse(event.at);
    state.lastEvent = event;
    switch (event.kind) {
      case 'started':
        state.stage = 'cooking';
        state.startedMs = ms;
        state.stepStartedMs = ms;
        break;
      case 'weighed':
        state.weighed.push(event.item);
        break;
      case 'stepDone': {
        const step = steps[state.stepIndex];
        // a second tab may have closed the same step already
        if (!step || step.id !== event.step || state.stage !== 'cooking') break;
        state.done.push({ step: step.id, startMs: state.stepStartedMs, endMs: ms });
        state.setting = undefined;
        state.paused = false;
        state.stepStartedMs = ms;
        if (state.stepIndex === last) {
          state.stage = 'poured';
          state.pouredMs = ms;
        } else state.stepIndex += 1;
        break;
      }
      case 'steppedBack': {
        const before = state.done.pop();
        if (!before) break;
        state.stepIndex = steps.findIndex((s) => s.id === before.step);
        state.stepStartedMs = before.startMs;
        state.stage = 'cooking';
        state.pouredMs = NaN;
        state.setting = undefined;
        break;
      }
      case 'paused':
        if (!state.paused) {
          state.paused = true;
          state.pausedAtMs = ms;
        }
        break;
      case 'resumed':
        if (state.paused) {
          state.paused = false;
          state.stepStartedMs += ms - state.pausedAtMs;
          state.pausedAtMs = NaN;
        }
        break;
      case 'observed':
        state.observations.push({
          id: event.id,
          what: event.what,
          atMs: ms,
          step: steps[state.stepIndex]?.id ?? 'pour',
        });
        break;
      case 'hobSet':
        state.setting = event.setting;
        break;
      case 'poured':
        state.stage = 'poured';
        state.pouredMs = ms;
        break;
      case 'intoFridge':
        state.stage = 'in the fridge';
        state.fridgeMs = ms;
        break;
      case 'turnedOut':
        state.stage = 'turned out';
        state.turnedOutMs = ms;
        break;
      case 'noted':
        state.notes.push({ id: event.id, text: event.text, atMs: ms });
        break;
      case 'undone':
        break;
    }
  }
  return state;
}

/** Seconds the present step has run at `nowMs`, pauses taken out. */
export function stepSeconds(state: CookState, nowMs: number): number {
  if (Number.isNaN(state.stepStartedMs)) return 0;
  return Math.max(0, ((state.paused ? state.pausedAtMs : nowMs) - state.stepStartedMs) / 1000);
}

import { KEEPS_COLD, type RestPlace } from '../set/places';
import type { Added, Cook, CookEvent, DeviceKind, Fault, Measure, Observation, Touch } from './events';
import { countingEvents } from './counting';
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
  /** how it was really poured, where that was not as the plan has it */
  pouredAs: { count?: number; covered?: boolean; wet?: boolean };
  /** where the dish went after the pouring, in order */
  stands: { where: RestPlace | 'plan'; atMs: number }[];
  /** what a finger or a knife said of it */
  felt: { id: string; touch: Touch; atMs: number }[];
  /** the hob as the cook set it, if it was touched in this step */
  setting: number | undefined;
  /** the lid as the cook set it, if it was touched in this step */
  lid: 'off' | 'ajar' | 'on' | undefined;
  /** the spoon rests though the step stirs, or stirs though it rests; undefined is as the step says */
  resting: boolean | undefined;
  /** when it was last stirred in a step that asks for it now and then; NaN is not yet */
  stirredMs: number;
  /** ladles that went into the bowl in this step */
  ladles: number;
  /** what has been weighed out, by stage and ingredient */
  weighed: string[];
  /** beside the plan: corrections and what was added to taste */
  added: (Added & { id: string; atMs: number; step: StepId })[];
  /** what was counted in, and whether it came out again */
  counted: Record<string, boolean>;
  rescued: { id: string; fault: Fault; says: string; atMs: number }[];
  lost: DeviceKind[];
  /** pots beside the pot: when each went on, and when it was done (NaN until then) */
  sides: Record<string, { startedMs: number; doneMs: number }>;
  observations: { id: string; what: Observation; atMs: number; step: StepId }[];
  measures: { id: string; what: Measure; value: number; atMs: number; by?: DeviceKind }[];
  notes: { id: string; text: string; atMs: number }[];
  /** each step's start and end, pauses taken out */
  done: { step: StepId; startMs: number; endMs: number }[];
  lastEvent: CookEvent | undefined;
};

/** A cook before anything was noted. */
export const freshCook = (): CookState => ({
  stage: 'not started',
  stepIndex: 0,
  stepStartedMs: NaN,
  paused: false,
  pausedAtMs: NaN,
  startedMs: NaN,
  pouredMs: NaN,
  fridgeMs: NaN,
  turnedOutMs: NaN,
  pouredAs: {},
  stands: [],
  felt: [],
  setting: undefined,
  lid: undefined,
  resting: undefined,
  stirredMs: NaN,
  ladles: 0,
  weighed: [],
  added: [],
  counted: {},
  rescued: [],
  lost: [],
  sides: {},
  observations: [],
  measures: [],
  notes: [],
  done: [],
  lastEvent: undefined,
});

/** A step begins: what the hands did in the one before no longer holds. */
function beginAnew(state: CookState): void {
  state.setting = undefined;
  state.lid = undefined;
  state.resting = undefined;
  state.stirredMs = NaN;
  state.ladles = 0;
}

/** Notes the next event that counts in `state`, in place: a replay of a whole cook takes each event once. */
export function noteEvent(state: CookState, event: CookEvent, steps: readonly Step[]): void {
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
      // a second tab may have closed the same step already
      const at = steps.findIndex((s, i) => i >= state.stepIndex && s.id === event.step);
      if (at < 0 || state.stage !== 'cooking') break;
      // a cook of an earlier version may have had its steps in another order: what it passed over is past
      for (const step of steps.slice(state.stepIndex, at + 1)) {
        state.done.push({ step: step.id, startMs: state.stepStartedMs, endMs: ms });
        state.stepStartedMs = ms;
      }
      beginAnew(state);
      state.paused = false;
      state.stepIndex = at;
      if (at === steps.length - 1) {
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
      beginAnew(state);
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
    case 'measured':
      state.measures.push({
        id: event.id,
        what: event.what,
        value: event.value,
        atMs: ms,
        ...(event.by ? { by: event.by } : {}),
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
      state.stands.push({ where: 'plan', atMs: ms });
      break;
    case 'pouredAs': {
      const { kind: _k, id: _id, at: _at, ...as } = event;
      state.pouredAs = { ...state.pouredAs, ...as };
      break;
    }
    case 'standsIn':
      if (state.stage === 'poured' || state.stage === 'in the fridge') {
        const cold = KEEPS_COLD.includes(event.where);
        state.stage = cold ? 'in the fridge' : 'poured';
        state.fridgeMs = cold ? ms : NaN;
      }
      state.stands.push({ where: event.where, atMs: ms });
      break;
    case 'felt':
      state.felt.push({ id: event.id, touch: event.touch, atMs: ms });
      break;
    case 'turnedOut':
      state.stage = 'turned out';
      state.turnedOutMs = ms;
      break;
    case 'noted':
      state.notes.push({ id: event.id, text: event.text, atMs: ms });
      break;
    case 'lidSet':
      state.lid = event.lid;
      break;
    case 'spoon':
      state.resting = event.resting;
      break;
    case 'stirred':
      state.stirredMs = ms;
      break;
    case 'ladled':
      state.ladles += 1;
      break;
    case 'added': {
      const { kind: _k, at: _at, ...added } = event;
      state.added.push({ ...added, atMs: ms, step: steps[state.stepIndex]?.id ?? 'pour' });
      break;
    }
    case 'counted':
      state.counted[event.item] = event.out;
      break;
    case 'rescued':
      state.rescued.push({ id: event.id, fault: event.fault, says: event.says, atMs: ms });
      break;
    case 'device':
      state.lost = event.lost
        ? [...new Set([...state.lost, event.device])]
        : state.lost.filter((d) => d !== event.device);
      break;
    case 'side': {
      const before = state.sides[event.side];
      state.sides[event.side] = event.done
        ? { startedMs: before?.startedMs ?? ms, doneMs: ms }
        : { startedMs: ms, doneMs: NaN };
      break;
    }
    case 'longer':
    case 'clock':
    case 'undone':
    case 'moved':
      break;
  }
}

/** The cook's state: a fold over its events, nothing else. Pure, so that a reload or a second tab sees the same. */
export function foldCook(cook: Pick<Cook, 'events'>, steps: readonly Step[]): CookState {
  const state = freshCook();
  for (const event of countingEvents(cook)) noteEvent(state, event, steps);
  return state;
}

/** Seconds the present step has run at `nowMs`, pauses taken out. */
export function stepSeconds(state: CookState, nowMs: number): number {
  if (Number.isNaN(state.stepStartedMs)) return 0;
  return Math.max(0, ((state.paused ? state.pausedAtMs : nowMs) - state.stepStartedMs) / 1000);
}

/** s until the next stir of a covered pot is due; negative is overdue. */
export const stirDueS = (everyS: number, stirredMs: number, stepStartedMs: number, nowMs: number): number =>
  everyS - (nowMs - (Number.isNaN(stirredMs) ? stepStartedMs : Math.max(stirredMs, stepStartedMs))) / 1000;

import type { Cook, CookEvent } from './cook/events';
import { CookEventSchema } from './cook/events';
import { followTwin, viewOf, type Followed, type TwinView } from './cook/follow';
import { foldCook } from './cook/fold';
import { controlsNow, onTheHob } from './cook/live';
import { alarmOf } from './cook/alarm';
import { marginsOf, type Margin } from './cook/margins';
import { changesOf, stepsOf, type Step } from './cook/steps';
import { forecast } from './model/forecast';
import type { Plan } from './plan/plan';
import { cueShows } from './kitchen/simulated';
import type { Pot } from './pot/pot';
import { fewOf, NO_HABITS, type Habits } from './twin/twin';

/** An evening at the stove without a stove: a true pot with hidden habits, a cook who does as told, and the twin. */

export type Evening = {
  cook: Cook;
  steps: Step[];
  nowMs: number;
  truth: Habits;
  twin: Followed | undefined;
  view: TwinView | undefined;
  margins: Margin[];
};

export const T0 = Date.parse('2026-12-12T12:00:00.000Z');
let n = 0;
export const eventAt = (kind: CookEvent['kind'], ms: number, rest: object = {}): CookEvent =>
  CookEventSchema.parse({ kind, id: `v${n++}`, at: new Date(ms).toISOString(), ...rest });

export function evening(plan: Plan, truth: Partial<Habits> = {}): Evening {
  return {
    cook: { id: 'evening', plan, events: [eventAt('started', T0)] },
    steps: stepsOf(plan, forecast(plan)),
    nowMs: T0,
    truth: { ...NO_HABITS, ...truth },
    twin: undefined,
    view: undefined,
    margins: [],
  };
}

/** Notes events, and works the steps out anew where they changed them. */
export function note(e: Evening, ...events: CookEvent[]): Evening {
  const cook = { ...e.cook, events: [...e.cook.events, ...events] };
  return { ...e, cook, steps: stepsOf(cook.plan, forecast(cook.plan), changesOf(cook)) };
}

export const potOf = (e: Evening): Pot => onTheHob(e.cook, e.steps, e.nowMs, e.truth).pot;
export const presentOf = (e: Evening): Step | undefined => {
  const state = foldCook(e.cook, e.steps);
  return state.stage === 'cooking' ? e.steps[state.stepIndex] : undefined;
};

/** The cue of the present step has come in the true pot. */
function trueCue(e: Evening): boolean {
  const step = presentOf(e);
  return step !== undefined && cueShows(onTheHob(e.cook, e.steps, e.nowMs, e.truth), step, foldCook(e.cook, e.steps));
}

export type Watch = {
  /** what else is noted as time goes on */
  at?: (e: Evening) => CookEvent[];
  /** stops the evening */
  stop?: (e: Evening) => boolean;
  /** s between two looks */
  everyS?: number;
  /** the twin is asked at every look (slow), with so many pots */
  particles?: number;
  horizonS?: number;
};

/** Cooks on: steps end by their own cue or time, as an obedient cook ends them. */
export function cookOn(start: Evening, w: Watch = {}): Evening {
  let e = start;
  const every = (w.everyS ?? 3) * 1000;
  const end = start.nowMs + (w.horizonS ?? 4 * 3600) * 1000;
  while (e.nowMs < end) {
    const state = foldCook(e.cook, e.steps);
    const step = presentOf(e);
    if (!step) return e;
    if (w.particles) {
      const twin = followTwin(e.cook, e.steps, e.nowMs, e.twin, w.particles);
      const lit = twin.begun.size > 0;
      e = {
        ...e,
        twin,
        view: lit ? viewOf(twin, e.cook, e.steps) : undefined,
        margins: lit ? marginsOf(fewOf(twin.twin, 16), controlsNow(e.cook, e.steps, e.nowMs)) : [],
      };
    }
    const more = w.at?.(e) ?? [];
    if (more.length) e = note(e, ...more);
    if (w.stop?.(e)) return e;
    const ran = (e.nowMs - state.stepStartedMs) / 1000;
    const due = step.ends === 'cue' ? trueCue(e) : step.heat ? ran >= step.seconds : ran >= Math.min(20, step.seconds);
    if (due && presentOf(e)?.id === step.id)
      e = note(
        e,
        ...(step.cue ? [eventAt('observed', e.nowMs, { what: step.cue })] : []),
        eventAt('stepDone', e.nowMs, { step: step.id }),
      );
    e = { ...e, nowMs: e.nowMs + every };
  }
  return e;
}

export const calls = (e: Evening) => alarmOf(e.margins);

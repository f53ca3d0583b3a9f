import { massG } from '../matter/mixture';
import { lookUp, mixtureOfPortions, portionsIn } from '../plan/bowls';
import { forecastFrom, type Forecast } from '../model/forecast';
import { type AddStep } from '../plan/method';
import type { Plan } from '../plan/plan';
import {
  addToPot,
  cook as cookOn,
  readPot,
  type Addition,
  type Controls,
  type Pot,
  type PotReading,
  type PotSetup,
} from '../pot/pot';
import { runPhase, sampler, TURN_UP, type Phase } from '../pot/program';
import { additionOf, additionsFrom, phaseOf, runOff, startPot } from '../model/run';
import { NO_HABITS, withHabits, type Habits } from '../twin/twin';
import { countingEvents } from './counting';
import { foldCook, freshCook, noteEvent, stepSeconds } from './fold';
import type { Added, Cook, CookEvent } from './events';
import type { Step, StepId } from './steps';

/** The pot beside the cook's own, at this second, and where it is going. */
export type LivePot = {
  on: OnTheHob;
  now: PotReading;
  boilsC: number;
  /** s until the present step's cue; 0 when it is due, NaN when it will not come on this setting */
  cueInS: number;
  /** the ring gets nowhere as it is: what it will have to be turned up to */
  turnTo?: number;
  trace: PotReading[];
  /** the whole forecast from this pot, cooked on as planned */
  forecast: Forecast;
};

/** s that the forecast looks ahead in a step that does not end by itself, when the ring is off */
const HORIZON_S = 2400;
/** s of one step beyond which a forgotten cook tells nothing more */
const FORGOTTEN_S = 4 * 3600;

/** A stretch with the same hands and the same hob, or an event between two of them. */
export type Moment =
  { step: Step; fromMs: number; toMs: number; controls: Controls } | { event: CookEvent; atMs: number };

/** Once a hand was on the ring, its setting counts and not the watts of the method. */
function withoutWatts({ watts: _w, ...phase }: Phase): Phase {
  return phase;
}

/** A spoon that stirs in a step that does not ask for it goes round about so often, s. */
const OWN_PACE_S = 4;
export const handsOf = (step: Step, resting: boolean | undefined): number =>
  resting === true ? Infinity : (step.stirEveryS ?? (resting === false ? OWN_PACE_S : Infinity));

/** The hob and the spoon over time as the events tell: by step, by the cook's hand on the ring, off while paused. */
export function momentsOf(cook: Cook, steps: readonly Step[], nowMs: number): Moment[] {
  const out: Moment[] = [];
  const events = countingEvents(cook).filter((e) => Date.parse(e.at) <= nowMs);
  const state = freshCook();
  let fromMs = NaN;
  const close = (toMs: number) => {
    const step = steps[state.stepIndex];
    if (!step || state.stage !== 'cooking' || !(toMs > fromMs)) return;
    const setting = state.paused ? 0 : (state.setting ?? step.setting ?? 0);
    out.push({
      step,
      fromMs,
      toMs: Math.min(toMs, fromMs + FORGOTTEN_S * 1000),
      controls: {
        ...(step.heat
          ? state.setting === undefined && !state.paused
            ? phaseOf(step.heat)
            : withoutWatts(phaseOf(step.heat))
          : { lid: 'off' as const }),
        ...(state.lid ? { lid: state.lid } : {}),
        setting,
        stirEveryS: state.paused ? Infinity : handsOf(step, state.resting),
      },
    });
  };
  for (const event of events) {
    const ms = Date.parse(event.at);
    if (!Number.isNaN(fromMs)) close(ms);
    fromMs = ms;
    noteEvent(state, event, steps);
    out.push({ event, atMs: ms });
  }
  close(nowMs);
  return out;
}

type Noted = Extract<Moment, { event: CookEvent }>;
type Stretch = Exclude<Moment, Noted>;

/** Neighbouring stretches under the same hands, with nothing told between them, are one. */
export function joined(moments: readonly Moment[], tells: (m: Noted) => boolean): Moment[] {
  const out: Moment[] = [];
  let open: Stretch | undefined;
  for (const m of moments) {
    if ('event' in m) {
      if (tells(m)) open = undefined;
      out.push(m);
      continue;
    }
    if (open && open.step.id === m.step.id && open.toMs === m.fromMs && sameHands(open.controls, m.controls)) {
      open.toMs = m.toMs;
      continue;
    }
    open = { ...m };
    out.push(open);
  }
  return out;
}
const sameHands = (a: Stretch['controls'], b: Stretch['controls']) => JSON.stringify(a) === JSON.stringify(b);

/** Held back by the plan: it goes in as the cook tastes, not as the step says. */
export type Taste = 'as planned' | 'as tasted';

/** Nobody has tasted yet: what was held back is still expected to go in. */
export const tasteOf = (cook: Cook, steps: readonly Step[]): Taste => {
  const state = foldCook(cook, steps);
  return state.added.some((a) => a.why === 'taste') ||
    steps.some((s) => s.role === 'taste' && state.done.some((d) => d.step === s.id))
    ? 'as tasted'
    : 'as planned';
};

/** What goes in at the start of a step, of a plan as it was measured. */
export function additionsOf(step: Step | undefined, plan: Plan, taste: Taste): ((pot: Pot) => Addition)[] {
  return (step?.adds ?? []).flatMap((add) => {
    const portions = portionsIn(plan, add.from).filter((p) => taste === 'as planned' || !p.taste);
    const own = (pot: Pot) => additionOf(add, mixtureOfPortions(portions), pot).addition;
    return [...(portions.length ? [own] : []), ...additionsFrom(plan, add.from).map((a) => () => a)];
  });
}
const withAdds = (pot: Pot, step: Step | undefined, plan: Plan, setup: PotSetup, taste: Taste): Pot =>
  additionsOf(step, plan, taste).reduce((p, addition) => addToPot(p, addition(p), setup), pot);

/** What the cook put in beside the plan. */
export function addedTo(added: Pick<Added, 'portions' | 'tempC' | 'how'>, plan: Plan) {
  const mixture = mixtureOfPortions(
    added.portions.map(({ ingredientId, grams }) => ({
      ingredient: lookUp(plan, ingredientId),
      grams,
    })),
  );
  const step: AddStep = {
    do: 'pour',
    to: 'pot',
    from: 'late',
    tempC: added.tempC,
    how: added.how === 'slurry' ? 'cold slurry' : 'cold together',
    stirring: 'whisk',
    soakMin: 0,
    left: 0,
  };
  return (pot: Pot): Addition => additionOf(step, mixture, pot).addition;
}

/** The pot has left its pan. */
export const inTheOven = (step: Step): boolean =>
  step.inDish === true || step.role === 'bake' || step.role === 'grill' || step.role === 'top';

function replayPot(cook: Cook, plan: Plan, steps: readonly Step[], setup: PotSetup, nowMs: number, sampleS: number) {
  let pot: Pot = startPot(plan, setup);
  const { trace, keep } = sampler(sampleS, 0);
  const seen = new Set<StepId>();
  let fromG = massG(pot.content);
  for (const m of joined(momentsOf(cook, steps, nowMs), ({ event }) => event.kind === 'added')) {
    if ('event' in m) {
      if (m.event.kind === 'added') pot = addToPot(pot, addedTo(m.event, plan)(pot), setup);
      continue;
    }
    if (inTheOven(m.step) || (!m.step.heat && seen.size === 0)) continue;
    if (m.step.heat && !seen.has(m.step.id)) {
      seen.add(m.step.id);
      pot = withAdds(pot, m.step, plan, setup, 'as tasted');
      fromG = massG(pot.content);
    }
    pot = cookOn(pot, setup, m.controls, (m.toMs - m.fromMs) / 1000, undefined, { onStep: keep }).pot;
  }
  return { pot, trace, begun: seen, fromG };
}

/** A pot that is on, of a plan as this kitchen has it, with the steps whose additions are in. */
export type OnTheHob = {
  plan: Plan;
  setup: PotSetup;
  pot: Pot;
  begun: ReadonlySet<StepId>;
  /** g in the pot when the present step began */
  fromG: number;
};

/**
 * Cooks on as planned to the pouring, with the cook's own hand on the ring in the present step.
 * @returns the pot at the pouring; s to the present step's end and to the first thickening (NaN if it does not come, or
 * has been); whether every cue came; what the ring has to be turned up to, where it gets nowhere as it is now
 */
export function cookAhead(cook: Cook, steps: readonly Step[], nowMs: number, on: OnTheHob) {
  const { plan, setup, begun } = on;
  const state = foldCook(cook, steps);
  const present = steps[state.stepIndex];
  const taste = tasteOf(cook, steps);
  let { pot } = on;
  let cueInS = NaN;
  let allCame = true;
  let turnTo: number | undefined;
  for (const step of steps.slice(state.stepIndex)) {
    if (state.stage !== 'cooking' || !step.heat) continue;
    if (!begun.has(step.id)) pot = withAdds(pot, step, plan, setup, taste);
    const here = step.id === present?.id;
    let phase: Phase = phaseOf(step.heat);
    if (here && state.setting !== undefined) phase = { ...withoutWatts(phase), setting: state.setting };
    // a long reduction is waited for as the plan waits for it; nothing comes on a ring that is off
    phase.limitS = phase.setting > 0 ? Math.max(HORIZON_S, phase.limitS) : HORIZON_S;
    if (here && state.lid !== undefined) phase.lid = state.lid;
    if (phase.until.kind === 'seconds') {
      // a paused pot uses up none of its minutes
      const ranS = here ? stepSeconds(state, nowMs) : 0;
      phase.until = { kind: 'seconds', seconds: Math.max(0, phase.until.seconds - ranS) };
    }
    // down to a share of what the stretch began with, not of what is there now
    if (here && phase.until.kind === 'reduced')
      phase.until = { kind: 'mass', massG: phase.until.toShare * (begun.has(step.id) ? on.fromG : massG(pot.content)) };
    const { pot: after, end } = runPhase(pot, setup, phase);
    if (here) {
      cueInS = end.reached ? after.tS - pot.tS : NaN;
      if (end.turned && end.turned.atS - pot.tS <= TURN_UP.looksS + 1) turnTo = end.turned.to;
    }
    allCame &&= end.reached;
    pot = after;
  }
  const thickensInS = Number.isNaN(on.pot.thickenAtS) ? pot.thickenAtS - on.pot.tS : NaN;
  return { pot, cueInS, thickensInS, allCame, turnTo };
}

/** The one pot that has these habits, led through the cook's events to `nowMs`. */
export function onTheHob(
  cook: Cook,
  steps: readonly Step[],
  nowMs: number,
  habits: Habits = NO_HABITS,
  sampleS = 0,
): OnTheHob & { trace: PotReading[] } {
  const { plan, setup } = withHabits(cook.plan, habits);
  return { plan, setup, ...replayPot(cook, plan, steps, setup, nowMs, sampleS) };
}

/** What the hands and the ring do now. */
export const controlsNow = (cook: Cook, steps: readonly Step[], nowMs: number): Controls => {
  const last = momentsOf(cook, steps, nowMs + 1).findLast((m) => !('event' in m));
  return last && !('event' in last) ? last.controls : { setting: 0, stirEveryS: Infinity, lid: 'off' };
};

/**
 * Replays the cook's events on the model to `nowMs`, then cooks on as planned. Pure: the time comes in.
 * @param habits how this pot differs from the plan's, as the twin has learnt it
 */
export function livePot(cook: Cook, steps: readonly Step[], nowMs: number, habits: Habits = NO_HABITS): LivePot {
  const { trace, ...on } = onTheHob(cook, steps, nowMs, habits, 5);
  const { plan, setup, pot } = on;
  const { pot: ahead, cueInS, turnTo } = cookAhead(cook, steps, nowMs, on);
  const run = runOff(plan, setup, ahead);
  return {
    on,
    now: readPot(pot),
    boilsC: pot.boilsC,
    cueInS,
    ...(turnTo === undefined ? {} : { turnTo }),
    trace,
    forecast: forecastFrom(plan, { ...run, trace }),
  };
}

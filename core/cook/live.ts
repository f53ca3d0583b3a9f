import { atStages, mixtureOfPortions } from '../formula/compose';
import { forecastFrom, type Forecast } from '../forecast';
import { methodOf } from '../formula/family';
import type { Pantry } from '../pantry/pantry';
import { addToPot, cook as cookOn, readPot, type Controls, type Pot, type PotReading, type PotSetup } from '../pot/pot';
import { runPhase, sampler, type Phase } from '../pot/program';
import { additionOf, phaseOf, potSetup, runSteps, startPot } from '../run';
import { countingEvents, foldCook } from './fold';
import type { Cook } from './events';
import type { Step, StepId } from './steps';

/** The pot beside the cook's own, at this second, and where it is going. */
export type LivePot = {
  now: PotReading;
  boilsC: number;
  /** s until the present step's cue; 0 when it is due, NaN when it will not come on this setting */
  cueInS: number;
  trace: PotReading[];
  /** what the ring really gives, against its rating, if the cook's bubble told */
  powerFactor: number;
  /** the whole forecast from this pot, cooked on as planned */
  forecast: Forecast;
};

/** s that the forecast looks ahead in a step that does not end by itself */
const HORIZON_S = 2400;
/** s of one step beyond which a forgotten cook tells nothing more */
const FORGOTTEN_S = 4 * 3600;

type Stretch = { step: StepId; seconds: number; controls: Controls };

/** Once a hand was on the ring, its setting counts and not the watts of the method. */
function withoutWatts({ watts: _w, ...phase }: Phase): Phase {
  return phase;
}

/** The hob and the spoon over time as the events tell: by step, by the cook's hand on the ring, off while paused. */
function stretches(cook: Cook, steps: readonly Step[], nowMs: number): Stretch[] {
  const out: Stretch[] = [];
  const events = countingEvents(cook).filter((e) => Date.parse(e.at) <= nowMs);
  const replay = { events: [] as Cook['events'] };
  let fromMs = NaN;
  const close = (toMs: number) => {
    const state = foldCook(replay, steps);
    const step = steps[state.stepIndex];
    if (!step || state.stage !== 'cooking' || !(toMs > fromMs)) return;
    const setting = state.paused ? 0 : (state.setting ?? step.setting ?? 0);
    out.push({
      step: step.id,
      seconds: (toMs - fromMs) / 1000,
      controls: {
        ...(step.heat
          ? state.setting === undefined && !state.paused
            ? phaseOf(step.heat)
            : withoutWatts(phaseOf(step.heat))
          : { lid: 'off' as const }),
        setting,
        stirEveryS: state.paused ? Infinity : (step.stirEveryS ?? Infinity),
      },
    });
  };
  for (const event of events) {
    const ms = Date.parse(event.at);
    if (!Number.isNaN(fromMs)) close(ms);
    fromMs = ms;
    replay.events.push(event);
  }
  close(nowMs);
  return out;
}

/** What goes in at the start of a step. */
function withAdds(pot: Pot, step: Step | undefined, cook: Cook, pantry: Pantry, setup: PotSetup): Pot {
  const stages = atStages(cook.plan, pantry);
  return (step?.adds ?? []).reduce(
    (p, add) =>
      stages[add.stage].length
        ? addToPot(p, additionOf(add, mixtureOfPortions(stages[add.stage]), p).addition, setup)
        : p,
    pot,
  );
}

function replayPot(
  cook: Cook,
  steps: readonly Step[],
  pantry: Pantry,
  setup: PotSetup,
  nowMs: number,
  sampleS: number,
) {
  let pot: Pot = startPot(cook.plan, pantry, setup);
  const { trace, keep } = sampler(sampleS, 0);
  const seen = new Set<StepId>();
  for (const s of stretches(cook, steps, nowMs)) {
    const step = steps.find((x) => x.id === s.step);
    if (!step?.heat) continue;
    if (!seen.has(s.step)) {
      seen.add(s.step);
      pot = withAdds(pot, step, cook, pantry, setup);
    }
    pot = cookOn(pot, setup, s.controls, Math.min(s.seconds, FORGOTTEN_S), undefined, keep).pot;
  }
  return { pot, trace, seen };
}

/**
 * What the ring gives, against its rating: the factor at which the model's pot bubbles when the cook's did.
 * 1 when there was no bubble to learn from. Between 0.5 and 1.8.
 */
export function fittedPower(cook: Cook, steps: readonly Step[], pantry: Pantry): number {
  const state = foldCook(cook, steps);
  const bubble = state.observations.find((o) => o.what === 'first bubble') ?? undefined;
  const endedMs = state.done.find((d) => d.step === 'thicken')?.endMs;
  const atMs = bubble?.atMs ?? endedMs;
  if (atMs === undefined) return 1;
  const bubbled = (factor: number) => {
    const setup = potSetup(
      { ...cook.plan, hob: { ...cook.plan.hob, powerTrim: cook.plan.hob.powerTrim * factor } },
      pantry,
    );
    return !Number.isNaN(replayPot(cook, steps, pantry, setup, atMs, 0).pot.bubbleAtS);
  };
  let lo = 0.5;
  let hi = 1.8;
  if (bubbled(lo)) return lo;
  if (!bubbled(hi)) return hi;
  for (let i = 0; i < 7; i++) {
    const mid = Math.sqrt(lo * hi);
    if (bubbled(mid)) hi = mid;
    else lo = mid;
  }
  return Math.sqrt(lo * hi);
}

/** Replays the cook's events on the model to `nowMs`, then cooks on as planned. Pure: the time comes in. */
export function livePot(cook: Cook, steps: readonly Step[], pantry: Pantry, nowMs: number): LivePot {
  const powerFactor = fittedPower(cook, steps, pantry);
  const plan = {
    ...cook.plan,
    hob: { ...cook.plan.hob, powerTrim: Math.min(2, cook.plan.hob.powerTrim * powerFactor) },
  };
  const setup = potSetup(plan, pantry);
  const { pot, trace, seen } = replayPot(cook, steps, pantry, setup, nowMs, 5);
  const state = foldCook(cook, steps);
  const present = steps[state.stepIndex];

  let ahead = pot;
  let cueInS = NaN;
  for (const step of steps.slice(state.stepIndex)) {
    if (state.stage !== 'cooking' || !step.heat) continue;
    if (!seen.has(step.id)) ahead = withAdds(ahead, step, cook, pantry, setup);
    const isPresent = step.id === present?.id;
    const ranS = isPresent ? (nowMs - state.stepStartedMs) / 1000 : 0;
    let phase: Phase = { ...phaseOf(step.heat), limitS: HORIZON_S };
    if (isPresent && state.setting !== undefined) phase = { ...withoutWatts(phase), setting: state.setting };
    if (phase.until.kind === 'seconds')
      phase.until = { kind: 'seconds', seconds: Math.max(0, phase.until.seconds - ranS) };
    const { pot: after, end } = runPhase(ahead, setup, phase);
    if (isPresent) cueInS = end.reached ? after.tS - ahead.tS : NaN;
    ahead = after;
  }
  const method = methodOf(plan, pantry);
  const run = runSteps(plan, pantry, setup, ahead, method.slice(method.findIndex((m) => m.do === 'pour')));
  return {
    now: readPot(pot),
    boilsC: pot.boilsC,
    cueInS,
    trace,
    powerFactor,
    forecast: forecastFrom(plan, pantry, { ...run, trace }),
  };
}

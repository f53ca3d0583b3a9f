import { atStages, mixtureOfPortions } from '../formula/compose';
import { forecastFrom, type Forecast } from '../forecast';
import type { Pantry } from '../pantry/pantry';
import { FRIDGE_C, potSetup } from '../pot/fromPlan';
import {
  addToPot,
  fillPot,
  readPot,
  stepPot,
  type Controls,
  type Pot,
  type PotReading,
  type PotSetup,
} from '../pot/pot';
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

const LIVE_STEP_S = 1;
const HORIZON_S = 2400;

type Stretch = { step: StepId; seconds: number; controls: Controls };

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
      controls: { setting, stirEveryS: state.paused ? Infinity : (step.stirEveryS ?? Infinity), lid: false },
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

function replayPot(
  cook: Cook,
  steps: readonly Step[],
  pantry: Pantry,
  setup: PotSetup,
  nowMs: number,
  sampleS: number,
) {
  const stages = atStages(cook.plan, pantry);
  let pot: Pot = fillPot(setup, mixtureOfPortions(stages.pot), FRIDGE_C);
  const trace: PotReading[] = [];
  const seen = new Set<StepId>();
  let heatS = 0;
  for (const s of stretches(cook, steps, nowMs)) {
    if (s.step === 'weigh' || s.step === 'slurry') continue;
    if (!seen.has(s.step)) {
      seen.add(s.step);
      if (s.step === 'thicken') pot = addToPot(pot, mixtureOfPortions(stages.slurry), FRIDGE_C + 2, setup);
      if (s.step === 'off the heat' && stages['off the heat'].length)
        pot = addToPot(pot, mixtureOfPortions(stages['off the heat']), cook.plan.room.tempC, setup);
    }
    // a forgotten cook: more than four hours of one step tell nothing that four did not
    let left = Math.min(s.seconds, 4 * 3600);
    while (left > 1e-6) {
      const dt = Math.min(LIVE_STEP_S, left);
      pot = stepPot(pot, setup, s.controls, dt);
      left -= dt;
      heatS += dt;
      if (sampleS > 0 && heatS % sampleS < dt) trace.push(readPot(pot));
    }
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
  const stages = atStages(plan, pantry);
  for (const step of steps.slice(state.stepIndex)) {
    if (state.stage !== 'cooking' || step.id === 'weigh' || step.id === 'slurry' || step.id === 'pour') continue;
    if (!seen.has(step.id)) {
      if (step.id === 'thicken') ahead = addToPot(ahead, mixtureOfPortions(stages.slurry), FRIDGE_C + 2, setup);
      if (step.id === 'off the heat' && stages['off the heat'].length)
        ahead = addToPot(ahead, mixtureOfPortions(stages['off the heat']), plan.room.tempC, setup);
    }
    const isPresent = step.id === present?.id;
    const controls: Controls = {
      setting: (isPresent ? state.setting : undefined) ?? step.setting ?? 0,
      stirEveryS: step.stirEveryS ?? Infinity,
      lid: false,
    };
    const startedS = isPresent ? (nowMs - state.stepStartedMs) / 1000 : 0;
    const over = (p: Pot, ranS: number) =>
      step.id === 'warm'
        ? p.bulkC >= (step.tempC ?? 60)
        : step.id === 'thicken'
          ? !Number.isNaN(p.bubbleAtS)
          : ranS + startedS >= step.seconds;
    let ran = 0;
    while (!over(ahead, ran) && ran < HORIZON_S) {
      ahead = stepPot(ahead, setup, controls, LIVE_STEP_S);
      ran += LIVE_STEP_S;
    }
    if (isPresent) cueInS = over(ahead, ran) ? ran : NaN;
  }
  return {
    now: readPot(pot),
    boilsC: pot.boilsC,
    cueInS,
    trace,
    powerFactor,
    forecast: forecastFrom(plan, pantry, ahead, [], trace),
  };
}

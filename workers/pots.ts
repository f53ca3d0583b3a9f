import { batchCook, type Batch } from '../core/book/batch';
import type { Cook, Fault } from '../core/cook/events';
import { followTwin, viewOf, type Followed, type TwinView } from '../core/cook/follow';
import { foldCook, stepSeconds } from '../core/cook/fold';
import { guideOf, holding, stillLadling, type Guide, type Holding } from '../core/cook/guides';
import { controlsNow, livePot, onTheHob, type LivePot } from '../core/cook/live';
import { marginsOf, type Margin } from '../core/cook/margins';
import { paceOf, type Pace } from '../core/cook/pacer';
import { changesOf, stepsOf, type Step } from '../core/cook/steps';
import { forecast } from '../core/model/forecast';
import type { Plan } from '../core/plan/plan';
import { readDevices, seedOf, truthOf, type DeviceReading, type Faulty } from '../core/kitchen/simulated';
import { pantryWith } from '../core/pantry/pantry';
import { planByHand, type ByHand } from '../core/rescue/byHand';
import {
  besideSituation,
  finished,
  mendings,
  situationOf,
  type Fix,
  type Heading,
  type Situation,
} from '../core/rescue/fix';
import { rescueOf } from '../core/rescue/rescue';
import type { Rescue, Told } from '../core/rescue/way';
import { runMethod, potSetup } from '../core/model/run';
import { besideOf, type SideAnswer } from '../core/sides/sides';
import { fewOf } from '../core/twin/twin';

/** Pots that are on, asked about by the Pot room and by Rescue. */

/** Pots of the cloud that the margins are reckoned with. */
const FEW = 16;

/** The clouds of the pots that are on, so that a moment goes on from the one before. */
const clouds = new Map<string, Followed>();
const MOST_CLOUDS = 4;

export type Live = Omit<LivePot, 'on'> & {
  twin: TwinView;
  margins: Margin[];
  pace: Pace | undefined;
  guide: Guide | undefined;
};

/** Told so much before it is first looked at, a pot is answered by a small cloud, and by the whole one from then on. */
const MUCH_TOLD = 12;
const SMALL = 80;
const small = new WeakSet<Followed>();

function follow(cook: Cook, steps: Step[], nowMs: number): Followed {
  const kept = clouds.get(cook.id);
  const before = kept && !small.has(kept) ? kept : undefined;
  const much = !kept && cook.events.filter((e) => e.kind === 'measured' || e.kind === 'observed').length > MUCH_TOLD;
  const followed = followTwin(cook, steps, nowMs, before, much ? SMALL : undefined);
  if (much) small.add(followed);
  clouds.delete(cook.id);
  clouds.set(cook.id, followed);
  if (clouds.size > MOST_CLOUDS) clouds.delete(clouds.keys().next().value!);
  return followed;
}

/** The twin at this moment, the one pot that stands for it cooked on to the table, and how far it is from harm. */
function live(cook: Cook, steps: Step[], nowMs: number): Live {
  const followed = follow(cook, steps, nowMs);
  const twin = viewOf(followed, cook, steps);
  const { on, ...pot } = livePot(cook, steps, nowMs, twin.habits);
  const state = foldCook(cook, steps);
  const step = steps[state.stepIndex];
  const controls = controlsNow(cook, steps, nowMs);
  const lit = step !== undefined && on.begun.size > 0 && state.stage === 'cooking';
  const guide = step
    ? guideOf({
        step,
        plan: on.plan,
        setup: on.setup,
        pot: on.pot,
        fromG: on.fromG,
        ladled: state.ladles,
        forecast: pot.forecast,
      })
    : undefined;
  const ladling = stillLadling(guide, stepSeconds(state, nowMs));
  return {
    ...pot,
    twin,
    margins: lit
      ? marginsOf(fewOf(followed.twin, FEW), controls).map((m) =>
          ladling && m.harm === 'curdle' && m.state === 'alarm' ? { ...m, state: 'near' as const, asks: false } : m,
        )
      : [],
    pace: lit ? paceOf({ step, steps, state, nowMs, setup: on.setup, pot: on.pot, controls }) : undefined,
    guide,
  };
}

/** h after the pouring from which it counts as cold. */
const COLD_AFTER_H = 0.75;

/** A cook, live or poured, as something that can be mended. */
function situation(cook: Cook, nowMs: number): { s: Situation; told: Told } {
  const steps = stepsOf(cook.plan, forecast(cook.plan), changesOf(cook));
  const state = foldCook(cook, steps);
  const cooking = state.stage === 'cooking';
  const atMs = cooking || Number.isNaN(state.pouredMs) ? nowMs : state.pouredMs;
  const { habits } = viewOf(follow(cook, steps, atMs), cook, steps);
  const on = onTheHob(cook, steps, atMs, habits);
  if (cooking && on.begun.size > 0) return { s: situationOf(cook, steps, nowMs, on), told: {} };
  if (cooking || state.stage === 'not started') return { s: ofPlan(cook.plan, true), told: {} };
  const standingH = Math.max(0, (nowMs - state.pouredMs) / 3_600_000);
  const cold = standingH > COLD_AFTER_H;
  return {
    s: finished(on.plan, on.setup, on.pot, cold ? cook.plan.rest.fridgeC : undefined),
    told: { standingH },
  };
}

/** A plan that was not cooked with the app: as its method leaves it. */
function ofPlan(plan: Plan, hot: boolean): Situation {
  const setup = potSetup(plan);
  return finished(plan, setup, runMethod(plan).pot, hot ? undefined : plan.rest.fridgeC);
}

/** @property beside the pot beside the pot that it is about; undefined where it is about the pudding itself */
export type RescueAsk =
  | { of: 'cook'; cook: Cook; nowMs: number; beside?: string }
  | { of: 'batch'; batch: Batch; nowMs: number; beside?: string }
  | { of: 'hand'; hand: ByHand; nowMs: number };
type PotMending = { before: Heading; fixes: Fix[] };

export const potApi = {
  live,
  /** What this pot asks for ahead of time, if it is not heading for its word. */
  mendPot: (cook: Cook, nowMs: number): PotMending => mendings(situation(cook, nowMs).s),
  rescue: (ask: RescueAsk, fault: Fault, told: Told): Rescue => {
    if (ask.of === 'hand') {
      const plan = planByHand(ask.hand, pantryWith(), new Date(ask.nowMs).toISOString());
      return rescueOf(fault, ofPlan(plan, ask.hand.hot), told);
    }
    const { plan } = ask.of === 'cook' ? ask.cook : ask.batch;
    const vessel = plan.vessels.find((v) => v.id === ask.beside);
    if (vessel) {
      const s = besideSituation(plan, vessel, fault);
      return { ...rescueOf(fault, s, told), wanted: s.plan.serve.word };
    }
    const { s, told: known } = situation(ask.of === 'cook' ? ask.cook : batchCook(ask.batch), ask.nowMs);
    return rescueOf(fault, s, { ...known, ...told });
  },
  /** A finished pot that waits: now, and after these minutes. */
  hold: (cook: Cook, nowMs: number, minutes: number[], wrapped: boolean): Holding[] => {
    const { s } = situation(cook, nowMs);
    return minutes.map((m) => holding(s.pot, s.setup, m, wrapped));
  },
  /** The pots beside this plan's pot. */
  sides: (plan: Plan): SideAnswer[] => [...besideOf(plan)],
  /** The kitchen that ships with the app, where no server has one. */
  devices: (cook: Cook, steps: Step[], nowMs: number, faults: Faulty[]): DeviceReading[] =>
    readDevices(cook, steps, nowMs, truthOf(seedOf(cook.id)), faults),
};

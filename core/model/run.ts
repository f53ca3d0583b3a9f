import { bake, type Bake } from '../oven/bake';
import { massG, times, type Mixture, PUDDING_G_PER_ML } from '../matter/mixture';
import {
  bowlsFor,
  inBowls,
  mainLiquid,
  mixtureOfPortions,
  ownShare,
  portionsIn,
  potsIn,
  rawOf,
  type PouredIn,
} from '../plan/bowls';
import { ownSteps } from '../plan/layout';
import { secondPlan } from '../plan/secondPot';
import { methodOf } from '../plan/family';
import { keptTogetherC } from '../plan/kept';
import {
  offTheHob,
  OFF_THE_RING,
  standsStill,
  purposeOf,
  topOf,
  type AddStep,
  type Bowl,
  type HeatStep,
  type MethodStep,
  intoDish,
} from '../plan/method';
import type { Plan, SecondPot } from '../plan/plan';
import { dishAreaM2 } from '../pantry/kitchen';
import { BOWL_HEAT, foldedWhites, safeLadleG, temper } from '../pot/egg';
import { GRAINS } from '../pot/grain';
import { lumpRisk, type StarchEntry } from '../pot/lumps';
import { sugarFraction } from '../pot/paste';
import { sugarShiftK } from '../pot/starch';
import {
  addToPot,
  broughtIn,
  fillPot,
  readPot,
  NoLiquidError,
  type Addition,
  type Cooked,
  type Pot,
  type PotReading,
  type PotSetup,
  type Tuning,
} from '../pot/pot';
import { runPhase, sampler, type Phase, type PhaseEnd, type Until } from '../pot/program';
import { layerMl, TOP } from './layers';
import { PLACE_C, COOLING, type Stay } from '../set/cooling';
import { FRIDGES } from '../set/places';

/** Runs a whole method: pot, additions, pouring, oven; and says where the dish stands afterwards. */

export function potSetup(plan: Plan, tuning?: Tuning): PotSetup {
  return {
    pan: plan.pan,
    hob: plan.hob,
    base: mainLiquid(plan)?.base ?? 'water',
    roomC: plan.room.tempC,
    altitudeM: plan.room.altitudeM,
    ...(tuning ? { tuning } : {}),
  };
}

const untilOf = (u: HeatStep['until']): Until => {
  switch (u.reach) {
    case 'time':
      return { kind: 'seconds', seconds: u.minutes * 60 };
    case 'temperature':
      return { kind: 'temperature', tempC: u.tempC };
    case 'bubble':
      return { kind: 'bubble' };
    case 'share':
      return { kind: 'reduced', toShare: u.share };
    case 'mass':
      return { kind: 'mass', massG: u.grams };
    case 'grain':
      return { kind: 'grain', bite: u.bite };
    case 'thickness':
      return { kind: 'thick', viscosityPaS: u.viscosityPaS };
  }
};

export const phaseOf = (s: HeatStep): Phase => ({
  role: s.role,
  ...(s.name ? { name: s.name } : {}),
  setting: s.setting,
  ...(s.watts === undefined ? {} : { watts: s.watts }),
  stirEveryS: standsStill(s) ? Infinity : s.stirEveryS!,
  tool: s.tool,
  lid: s.lid,
  wrapped: s.wrapped,
  ...(OFF_THE_RING.includes(s.role) ? { lifted: true } : {}),
  ...(s.over ? { over: s.over } : {}),
  until: untilOf(s.until),
  limitS: s.limitMin * 60,
});

/** The bowl must stay below this after its first ladle, degC: bare yolk, and yolk with sugar (B). */
const BARE_MAX_C = 64;
const SUGARED_MAX_C = 70;
const LADLES_TOLD = 6;

const HAND = { none: 0, spoon: 1, whisk: 3 } as const;

type AdditionTold = {
  addition: Addition;
  /** how the starch that may lump met the liquid */
  lumpEntry?: StarchEntry;
  /** bowl after each ladle, degC */
  ladles: number[];
};

/** What an add step does to this pot: lumps by how the starch meets the liquid, egg tempered or shocked. */
export function additionOf(step: AddStep, mixture: Mixture, pot: Pot): AdditionTold {
  const x = sugarFraction(pot.content);
  let risk = 0;
  let lumpEntry: StarchEntry | undefined;
  for (const t of mixture.thickenings) {
    const g = GRAINS[t.kind];
    if (g.form === 'kernel') continue;
    const onsetC = g.starch.onsetC + sugarShiftK(x);
    const parts = t.starchG > 0 ? mixture.waterG / t.starchG : 3;
    const r = lumpRisk(step.how, pot.bulkC, HAND[step.stirring], onsetC, t.grainMm ?? g.sizeMm, parts);
    if (r > risk) {
      risk = r;
      lumpEntry = step.how;
    }
  }
  const ladles: number[] = [];
  let tempered = false;
  if (mixture.eggProteinG > 0 && step.ladleG) {
    const sugared = mixture.sugarG > 0.4 * mixture.yolkG;
    const bowlHeat =
      mixture.whiteG > mixture.yolkG ? BOWL_HEAT.egg : sugared ? BOWL_HEAT['yolk and sugar'] : BOWL_HEAT.yolk;
    const bowlG = massG(mixture);
    tempered = step.ladleG <= safeLadleG(bowlG, bowlHeat, step.tempC, pot.bulkC, sugared ? SUGARED_MAX_C : BARE_MAX_C);
    ladles.push(...temper(bowlG, bowlHeat, step.tempC, step.ladleG, pot.bulkC, LADLES_TOLD));
  }
  return {
    addition: {
      mixture,
      tempC: step.tempC,
      lumpRisk: risk,
      soakMin: step.soakMin,
      tempered,
      whisked: step.stirring === 'whisk',
    },
    ...(lumpEntry ? { lumpEntry } : {}),
    ladles,
  };
}

/** What a step of the method came to. */
export type StepTold = {
  minutes: number;
  /** at its end: of the pot, or of the middle of what is in the oven */
  tempC: number;
  /** in the pot, g, and how deep in its pan, mm; what is in the dish counts no longer */
  massG: number;
  /** chance of lumps that it brought */
  lumpRisk?: number;
  /** on top: 1 is golden */
  browning?: number;
  /** it ended because it was done, and not because its time was over */
  reached: boolean;
};

export type Run = {
  pot: Pot;
  /** the pot as it was poured, with the air in it */
  atPour?: { pot: Pot; addsMl: number };
  /** beside the pudding in the dish, under it and on top, ml */
  layersMl: number;
  /** pot's aroma seconds when whole spices were counted out */
  aromaOutS?: number;
  /** of each step of the method, in its order */
  told: StepTold[];
  trace: PotReading[];
  phases: PhaseEnd[];
  /** how the starch met the liquid where it may lump most, how the bowl warmed */
  lumpEntry: StarchEntry | undefined;
  ladles: number[];
  /** pot's aroma seconds when each moment of a stage went in */
  aromaAt: Partial<Record<string, number>>;
  poured: boolean;
  depthM: number;
  fillRel: number;
  addsMl: number;
  bake?: Bake;
  stays: Stay[];
};

/** Depth of the dish for what is left in the pot, and how full that makes it. */
export function dishOf(plan: Plan, massLeftG: number, addsMl = 0, layersMl = 0): { depthM: number; fillRel: number } {
  const volumeMl = ((massLeftG / PUDDING_G_PER_ML + addsMl) * ownShare(plan) + layersMl) / plan.dish.count;
  return {
    depthM: Math.max(0.004, (volumeMl * 1e-6) / dishAreaM2(plan.dish)),
    fillRel: volumeMl / plan.dish.capacityMl,
  };
}

type RunOptions = { tuning?: Tuning; sampleS?: number; toleranceScale?: number };

/** What came out of a second pot: what it holds, and how far its starch and egg have come. */
export type Product = Pick<Pot, 'content' | 'viscosityPaS' | 'boilsC'> & {
  /** undefined where it never flowed: sugar that is melted, nuts that are browned */
  cooked?: Cooked;
  tempC: number;
  minutes: number;
  told: readonly StepTold[];
};

/** A second pot is as warm as it is left, and cools while it waits: no warmer than this when it goes in, degC (C). */
const WAITS_C = 70;

/** By pot and by what of the kitchen decides how it is cooked: a second pot is cooked once, not once a draw. */
const products = new WeakMap<SecondPot, Map<string, Product>>();

/** @throws UnknownIngredientError */
export function productOf(plan: Plan, vessel: SecondPot): Product {
  const { hob, room } = plan;
  const key = [hob.kind, hob.ratedW, Math.round(hob.powerTrim * 5), room.tempC, room.altitudeM].join();
  const kept = products.get(vessel) ?? new Map<string, Product>();
  products.set(vessel, kept);
  const found = kept.get(key) ?? cookedApart(plan, vessel);
  kept.set(key, found);
  return found;
}

function cookedApart(plan: Plan, vessel: SecondPot): Product {
  try {
    const { pot, told } = runMethod(secondPlan(plan, vessel));
    const { content, viscosityPaS, boilsC, bulkC, tS } = pot;
    return { content, viscosityPaS, boilsC, cooked: pot, tempC: bulkC, minutes: tS / 60, told };
  } catch (e) {
    if (!(e instanceof NoLiquidError)) throw e;
    const steps = ownSteps(vessel) ?? [];
    const minutes = steps.reduce(
      (sum, s) => sum + (s.do === 'heat' && s.until.reach === 'time' ? s.until.minutes : 0),
      0,
    );
    return { content: rawOf(plan, vessel), viscosityPaS: NaN, boilsC: NaN, tempC: plan.room.tempC, minutes, told: [] };
  }
}

/** g that second pots bring into one bowl. */
const pouredG = (plan: Plan, bowl: Bowl): number =>
  potsIn(plan, bowl).reduce((sum, { vessel, share }) => sum + share * massG(productOf(plan, vessel).content), 0);

/** What second pots bring into one bowl, as it goes into a pot. */
export const additionsFrom = (plan: Plan, bowl: Bowl): Addition[] =>
  potsIn(plan, bowl).map((p) => additionFrom(plan, p));

/** So much of what comes out of a second pot, as it goes into a pot. */
export function additionFrom(plan: Plan, { vessel, share }: PouredIn): Addition {
  const { content, cooked, tempC } = productOf(plan, vessel);
  return { mixture: times(content, share), tempC: Math.min(tempC, WAITS_C), ...(cooked ? { cooked } : {}) };
}

/** The pot as it stands before the fire. @throws RangeError when nothing liquid is in it */
export function startPot(plan: Plan, setup: PotSetup): Pot {
  const own = inBowls(plan).pot;
  const ownC = keptTogetherC(own, plan.room.tempC);
  const poured = additionsFrom(plan, 'pot');
  const whole = mixtureOfPortions(own);
  const [first, ...others] = poured;
  if (!first) return fillPot(setup, whole, ownC);
  // where nothing of its own flows, what was cooked before is what the rest goes into
  const start =
    whole.waterG > 1
      ? addToPot(fillPot(setup, whole, ownC), first, setup)
      : addToPot(
          { ...fillPot(setup, first.mixture, first.tempC), ...(first.cooked ? withCooked(first) : {}) },
          { mixture: whole, tempC: ownC },
          setup,
        );
  return others.reduce((pot, a) => addToPot(pot, a, setup), start);
}
const withCooked = ({ mixture, cooked }: Addition): Partial<Pot> => {
  const { eggSet, eggCurd, amylaseLog, salmonellaLog, eggMaxC } = cooked!;
  return {
    fractions: broughtIn({ mixture, cooked: cooked!, tempC: 0 }),
    eggSet,
    eggCurd,
    amylaseLog,
    salmonellaLog,
    eggMaxC,
  };
};

/**
 * The whole method of a plan.
 * @throws UnknownIngredientError, RangeError (nothing liquid in the pot)
 */
export function runMethod(plan: Plan, o: RunOptions = {}): Run {
  const setup = potSetup(plan, o.tuning);
  const start = startPot(plan, setup);
  return runSteps(plan, setup, start, methodOf(plan), o);
}

/** Two bakes one after the other: what happened in the first stays. */
const afterBoth = (first: Bake, then: Bake): Bake => ({
  ...then,
  minutes: first.minutes + then.minutes,
  lossRel: 1 - (1 - first.lossRel) * (1 - then.lossRel),
  crustMm: Math.max(first.crustMm, then.crustMm),
  curdRim: Math.max(first.curdRim, then.curdRim),
  salmonellaLog: first.salmonellaLog + then.salmonellaLog,
  amylaseLog: first.amylaseLog + then.amylaseLog,
  carriesMin: Number.isNaN(first.carriesMin) ? first.minutes + then.carriesMin : first.carriesMin,
  trace: [...first.trace, ...then.trace.map((p) => ({ ...p, minutes: p.minutes + first.minutes }))],
});

/** A pot that has left the hob: poured, baked and rested as its plan says. */
export function runOff(plan: Plan, setup: PotSetup, pot: Pot): Run {
  const method = methodOf(plan);
  const off = offTheHob(method);
  const run = runSteps(plan, setup, pot, off);
  // what happened on the hob is told elsewhere: its places are kept
  const before = { minutes: 0, tempC: pot.bulkC, massG: massG(pot.content), reached: true };
  return { ...run, told: [...method.slice(0, method.length - off.length).map(() => before), ...run.told] };
}

/** A part of a batch, from the pot that was poured into all its dishes: {@link portionPlan} is its plan. */
export function runPortion(part: Plan, setup: PotSetup, { pot, addsMl }: NonNullable<Run['atPour']>): Run {
  const method = methodOf(part);
  return runSteps(part, setup, pot, method.slice(method.findIndex(intoDish)), {}, addsMl);
}

/** The same from a pot that is already on the way, with the steps that are left. */
function runSteps(
  plan: Plan,
  setup: PotSetup,
  start: Pot,
  steps: readonly MethodStep[],
  o: RunOptions = {},
  airMl = 0,
): Run {
  const sampleS = o.sampleS ?? 0;
  let pot = start;
  const { trace, keep } = sampler(sampleS, pot.tS);
  if (keep) trace.push(readPot(pot));
  const phases: PhaseEnd[] = [];
  const aromaAt: Run['aromaAt'] = { pot: 0 };
  let lumpEntry: StarchEntry | undefined;
  let ladles: number[] = [];
  let aromaOutS: number | undefined;
  let addsMl = airMl;
  let layersMl = 0;
  let topG = 0;
  let atPour: Run['atPour'];
  const told: StepTold[] = [];
  const tells = (minutes: number, more: Partial<StepTold> = {}) =>
    told.push({ minutes, tempC: pot.bulkC, massG: massG(pot.content), reached: true, ...more });
  let poured = false;
  let baked: Bake | undefined;
  const stays: Stay[] = [];
  for (const step of steps) {
    switch (step.do) {
      case 'heat': {
        const r = runPhase(pot, setup, phaseOf(step), keep, o.toleranceScale);
        pot = r.pot;
        phases.push(r.end);
        tells((r.end.endS - r.end.startS) / 60, { reached: r.end.reached });
        break;
      }
      case 'pour':
        switch (step.to) {
          case 'pot': {
            const portions = portionsIn(plan, step.from);
            aromaAt[step.from] = pot.aromaS;
            const poured = additionsFrom(plan, step.from);
            if (!portions.length) {
              pot = poured.reduce((p, a) => addToPot(p, a, setup), pot);
              tells(0);
              break;
            }
            const mixture = times(mixtureOfPortions(portions), 1 - step.left);
            if (purposeOf(step.from) === 'fold in' && mixture.whiteG > 0)
              addsMl += foldedWhites(mixture.whiteG, massG(pot.content) / PUDDING_G_PER_ML).addsMl;
            const goesIn = additionOf(step, mixture, pot);
            if ((goesIn.addition.lumpRisk ?? 0) > pot.lumps) lumpEntry = goesIn.lumpEntry;
            if (goesIn.ladles.length) ladles = goesIn.ladles;
            pot = [goesIn.addition, ...poured].reduce((p, a) => addToPot(p, a, setup), pot);
            tells(step.soakMin, { lumpRisk: goesIn.addition.lumpRisk ?? 0 });
            break;
          }
          case 'dish':
            poured = true;
            atPour = { pot, addsMl };
            for (const bowl of bowlsFor(plan, 'under')) layersMl += layerMl(plan, bowl, pouredG(plan, bowl));
            tells(0);
            break;
          case 'top': {
            const topMl = layerMl(plan, topOf(step), pouredG(plan, topOf(step)));
            layersMl += topMl;
            topG = topMl * PUDDING_G_PER_ML;
            if (baked) {
              const underG = massG(pot.content) * ownShare(plan);
              // what is poured on is pale and wet, and cools what it lies on
              baked = {
                ...baked,
                browning: 0,
                crustMm: 0,
                meanC: (baked.meanC * underG + step.tempC * topG) / Math.max(1, underG + topG),
              };
            }
            tells(0, baked ? { tempC: baked.meanC } : {});
            break;
          }
          case 'bowl':
            tells(0);
            break;
        }
        break;
      case 'bake': {
        const { depthM } = dishOf(plan, massG(pot.content), addsMl, layersMl);
        const before = baked;
        const once = bake({
          dish: plan.dish,
          depthM,
          startC: before ? before.meanC : pot.bulkC - COOLING.pourLossK,
          content: pot.content,
          fractions: pot.fractions,
          eggSet: before?.eggSetMean ?? pot.eggSet,
          eggCurd: before?.curdMean ?? pot.eggCurd,
          browning: before?.browning ?? 0,
          curdShiftK: setup.tuning?.curdShiftK ?? 0,
          altitudeM: plan.room.altitudeM,
          roomC: plan.room.tempC,
          step,
        });
        const { lossRel } = once;
        baked = before ? afterBoth(before, once) : once;
        const share = ownShare(plan);
        // a layer on top dries first
        const lostG = lossRel * (massG(pot.content) * share + topG);
        const fromTopG = Math.min(lostG, TOP.driesFirst * topG);
        topG -= fromTopG;
        const lossG = Math.min((lostG - fromTopG) / share, 0.8 * pot.content.waterG);
        pot = {
          ...pot,
          content: { ...pot.content, waterG: pot.content.waterG - lossG },
          evaporatedG: pot.evaporatedG + lossG,
          salmonellaLog: pot.salmonellaLog + once.salmonellaLog,
          amylaseLog: pot.amylaseLog + once.amylaseLog,
          // egg that sets in the dish is a gel, not a thick liquid: bake carries it
          fractions: once.fractions,
        };
        tells(once.minutes, { tempC: once.centreC, browning: once.browning, reached: once.reached });
        break;
      }
      case 'take out':
        aromaOutS ??= pot.aromaS;
        tells(0);
        break;
      case 'mix':
      case 'serve':
        tells(0);
        break;
      case 'say':
        tells(step.minutes ?? 0);
        break;
      case 'rest':
        if (step.minutes > 0)
          stays.push({
            where: step.where,
            minutes: step.minutes,
            airC: step.tempC ?? (step.where === 'room' ? plan.room.tempC : PLACE_C[step.where]),
            covered: step.covered,
            ...(plan.rest.pace !== undefined && FRIDGES.includes(step.where) ? { pace: plan.rest.pace } : {}),
          });
        tells(step.minutes);
        break;
    }
  }
  if (keep) trace.push(readPot(pot));
  const { depthM, fillRel } = dishOf(plan, massG(pot.content), addsMl, layersMl);
  return {
    pot,
    ...(atPour ? { atPour } : {}),
    layersMl,
    ...(aromaOutS === undefined ? {} : { aromaOutS }),
    told,
    trace,
    phases,
    lumpEntry,
    ladles,
    aromaAt,
    poured,
    depthM,
    fillRel,
    addsMl,
    ...(baked ? { bake: baked } : {}),
    stays,
  };
}

/** degC at which it stands in its dish: a little is lost on the way, never below the room's. */
export const dishStartC = (run: Pick<Run, 'bake' | 'pot'>, roomC: number): number =>
  run.bake
    ? run.bake.meanC
    : run.pot.bulkC > roomC
      ? Math.max(run.pot.bulkC - COOLING.pourLossK, roomC)
      : run.pot.bulkC;

import { withOwnSteps } from '../plan/layout';
import { clamp } from '../coefficients';
import { massG } from '../matter/mixture';
import { wholeMixture } from '../plan/bowls';
import { restsOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import { dishHistory, judge, judgeServed, type Firmness } from '../model/forecast';
import { eggReport } from '../model/judgeRisks';
import { runOff, type Run as MethodRun } from '../model/run';
import { RAW_TASTE, readPot, severityOf } from '../pot/pot';
import { bodyOf } from '../pot/paste';
import { EGG } from '../pot/egg';
import { BITE } from '../pot/grain';
import { SCORCH } from '../pot/scorch';
import { hoursBelow, keepsRule } from '../set/safety';
import type { RestPlace } from '../set/places';
import { standing, STANDS, type Standing } from '../set/firmness';
import { boundsFor, SET_WORDS, STRIP, type SetWord } from '../texture/words';
import type { Act, Run } from './act';
import { dishEnd, dishesOf } from './dishSteps';
import { lumpsFrom, type Replay, type Scene } from './replay';

/** What became of a run: the pudding at the table, and all that is wrong with it. */

export const HARMS = [
  'boiled dry',
  'caught',
  'curdled',
  'lumps',
  'boiled over',
  'egg unsafe',
  'cooled too slowly',
  'raw',
  'grain hard',
  'slumps',
  'too soft',
  'too firm',
] as const;
export type Harm = (typeof HARMS)[number];

/** A harm of 1 is one that nobody overlooks; below this it is not felt. */
export const FELT = 0.2;

export type Outcome = {
  served: Firmness;
  wanted: SetWord;
  standing: Standing;
  /** of each harm 0 to 1 */
  harms: Record<Harm, number>;
  /** those that are felt, the worst first */
  felt: Harm[];
  /** of what was first in the pan, by mass */
  leftRel: number;
  massG: number;
  bite: number;
  rawPer100G: number;
  scorch: number;
  curd: number;
  lumps: number;
  depthMm: number;
  /** h after the pouring at which it is at 21 and at 5 degC, and whether the plan's rule is kept */
  below21H: number;
  below5H: number;
  safe: boolean;
  /** s at which the cook said that it thickens, and at which it did */
  calledS: number;
  thickenS: number;
};

const MOST_C = 75;
const MOST_REST_H = 96;
/** What is eaten warmer is not chilled, degC. */
const WARM_C = 30;
/** The dish is looked at for so long, whether it is eaten by then or not, h. */
const WATCH_H = 10;

/** The plan as this run ends it: its dish, its oven, its hours. */
function endedPlan(run: Run, acts: readonly Act[], endS: number): Plan {
  const { plan } = run;
  const dish = { ...plan.dish, count: dishesOf(plan, acts) };
  const end = dishEnd(plan, acts, endS);
  if (end)
    return withOwnSteps({ ...plan, dish, rest: { ...plan.rest, hours: Math.min(MOST_REST_H, end.hours) } }, end.steps);
  // poured and left to the plan, or never poured: the plan's own way from here
  return acts.some((a) => a.do === 'pour')
    ? withOwnSteps({ ...plan, dish }, [{ do: 'pour', to: 'dish' }, ...restsOf(plan)])
    : plan;
}

/** The dish over its hours so far, from where it was left to a second. */
export type DishNow = {
  hours: number;
  coreC: number;
  meanC: number;
  word: Firmness['word'];
  place: number;
  standing: Standing;
  depthMm: number;
  where: RestPlace | 'oven';
};

type AtTable = {
  plan: Plan;
  method: MethodRun;
  served: Firmness;
  stands: Standing;
  cooling: ReturnType<typeof dishHistory>['cooling'];
};

function atTable(run: Run, scene: Scene, acts: readonly Act[], endS: number, replay: Replay, asServed = true): AtTable {
  const plan = endedPlan(run, acts, endS);
  const method = runOff(plan, replay.setup, scene.pot);
  const bounds = boundsFor(plan.serve.style, method.depthM);
  const { cooling, ages, serving } = dishHistory(
    plan,
    method,
    asServed && plan.serve.tempC < WARM_C ? Math.max(plan.rest.hours, WATCH_H) : Math.max(plan.rest.hours, 0.02),
  );
  // what is taken out warm is judged warm
  const coreC = ages.findLast(({ point }) => point.hours <= plan.rest.hours + 1e-6)?.point.coreC ?? plan.serve.tempC;
  const at = { ...serving, tempC: clamp(Math.max(plan.serve.tempC, coreC), -25, MOST_C) };
  const served = (asServed ? judgeServed : judge)(plan, method, at, bounds);
  return { plan, method, served, stands: standing(served.yieldPa, served.modulusPa, method.depthM), cooling };
}

/** What is in the dish at a second after it left the hob. */
export function dishAt(replay: Replay, tS: number): DishNow | undefined {
  const scene = replay.at(tS);
  if (Number.isNaN(scene.leftS)) return undefined;
  const acts = replay.done.filter((a) => a.atS <= tS);
  const { run } = replay;
  const told = atTable(
    run,
    scene,
    acts.some((a) => a.do === 'stand' || a.do === 'bake')
      ? acts
      : [...acts, { do: 'stand', atS: scene.leftS, where: 'room', covered: true }],
    tS,
    replay,
    false,
  );
  const last = told.cooling.at(-1)!;
  const stand = acts.findLast((a) => a.do === 'stand' || a.do === 'bake');
  const inOven = stand?.do === 'bake' ? told.method.bake : undefined;
  return {
    hours: (tS - scene.leftS) / 3600,
    coreC: inOven ? inOven.centreC : last.coreC,
    meanC: inOven ? inOven.meanC : last.meanC,
    word: told.served.word,
    place: told.served.place,
    standing: told.stands,
    depthMm: told.method.depthM * 1000,
    where: stand?.do === 'bake' ? 'oven' : stand?.do === 'stand' ? stand.where : 'room',
  };
}

/** How far outside its word, in steps of the strip: softer is negative. */
function offBy(place: number, word: SetWord): number {
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  const top = next ? STRIP[next] : 5;
  return place < STRIP[word] ? place - STRIP[word] : Math.max(0, place - top);
}

const NEVER_H = 6;
/** Over the rule by this, nobody overlooks it, h (C). */
const LATE_H = 4;
/** Over the rule by less than the model can tell, h (C). */
const ORDINARY_H = 0.5;
/** A step of the strip too soft or too firm is as bad as this (C). */
const STEP_COUNTS = 0.5;
const of = (value: number, none: number, all: number) => clamp((value - none) / (all - none), 0, 1);

/** The pudding of a run that ends at a second. */
export function outcomeOf(replay: Replay, endS: number): Outcome {
  const { run } = replay;
  const scene = replay.at(endS);
  const acts = replay.done.filter((a) => a.atS <= endS);
  const { pot } = scene;
  const { plan, method, served, stands, cooling } = atTable(run, scene, acts, endS, replay);
  const reading = readPot(method.pot);
  const egg = eggReport(method);
  const wanted = plan.serve.word;
  const off = offBy(served.place, wanted);
  const { bite } = bodyOf(method.pot.content, method.pot.fractions);
  const curd = egg ? Math.max(egg.severity, severityOf(pot)) : 0;
  const below = (c: number) => hoursBelow(cooling, c);
  const lastC = method.stays.at(-1)?.airC ?? plan.rest.fridgeC;
  const chills = plan.serve.tempC < WARM_C;
  const rule = keepsRule(cooling, plan.rest.rule ?? 'two stages', Math.min(12, lastC + 1.5));
  const slumps = plan.serve.style !== 'spooned' ? of(stands.slumpRel, STANDS.slumpRel, 0.5) : 0;
  // never, as long as it is looked at, is as late as can be
  const lateH = rule.safe ? 0 : Number.isNaN(rule.worstH) ? NEVER_H : Math.max(0, rule.worstH);
  const harms: Record<Harm, number> = {
    'boiled dry': pot.dry ? 1 : 0,
    caught: of(pot.scorch, SCORCH.film, SCORCH.taste * 1.6),
    curdled: of(curd, EGG.smooth / 2, EGG.grainy * 1.2),
    lumps: of(pot.lumps, lumpsFrom(run.seed) * 0.4, lumpsFrom(run.seed) * 1.6),
    'boiled over': of(scene.spiltRel, 0, 0.05),
    'egg unsafe': egg && !egg.safe ? 0.6 : 0,
    'cooled too slowly': chills && lateH > ORDINARY_H ? of(lateH, 0, LATE_H) : 0,
    raw: of(reading.rawPer100G, RAW_TASTE * 0.7, RAW_TASTE * 3),
    'grain hard': of(BITE.done - bite, 0.01, 0.25),
    slumps,
    'too soft': slumps > 0 ? 0 : clamp(-off * STEP_COUNTS, 0, 1),
    'too firm': clamp(off * STEP_COUNTS, 0, 1),
  };
  return {
    served,
    wanted,
    standing: stands,
    harms,
    felt: HARMS.filter((h) => harms[h] >= FELT).sort((a, b) => harms[b] - harms[a]),
    leftRel: massG(method.pot.content) / massG(wholeMixture(run.plan)),
    massG: massG(method.pot.content),
    bite,
    rawPer100G: reading.rawPer100G,
    scorch: pot.scorch,
    curd,
    lumps: pot.lumps,
    depthMm: method.depthM * 1000,
    below21H: below(21),
    below5H: below(5),
    safe: rule.safe,
    calledS: scene.calledS,
    thickenS: pot.thickenAtS,
  };
}

/** All that is wrong, as one figure: less is better. */
export const wrongOf = (o: Outcome): number => HARMS.reduce((sum, h) => sum + o.harms[h], 0);

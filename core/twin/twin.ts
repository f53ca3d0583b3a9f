import { linesOf, partsOf, withLines } from '../plan/layout';
import { randomLcg, randomNormal } from 'd3-random';
import { table } from '../coefficients';
import { starchSdRel } from '../plan/measured';
import { massG } from '../matter/mixture';
import { lookUp } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { bodyOf, consistency, PASTE } from '../pot/paste';
import { temper } from '../pot/egg';
import { BITE } from '../pot/grain';
import {
  addToPot,
  cook,
  NO_TUNING,
  RAW_TASTE,
  readPot,
  type Addition,
  type Controls,
  type Pot,
  type PotSetup,
} from '../pot/pot';
import { COARSE } from '../pot/program';
import { potSetup, startPot } from '../model/run';
import { gelModulusPa, yieldPa } from '../set/firmness';
import { TESTS, trailS, yieldFromPlate } from '../texture/kitchenTests';

/**
 * The twin of the pot: a cloud of pots that differ as kitchens do, cooked along with the real one and weighed by what
 * the cook sees. A bootstrap particle filter (Gordon, Salmond, Smith 1993) with systematic resampling (Kitagawa 1996);
 * what does not change over a cook (the ring, the pan, the starch that was measured) is kept alive by shrinking and
 * jittering (Liu and West 2001). Seeded: the same events give the same cloud.
 */
export const TWIN = table('Twin', {
  particles: [500, '1', 'B', 'pots in the cloud'],
  hobLn: [0.25, 'ln', 'B', 'what a setting gives'],
  evaporationLn: [0.3, 'ln', 'B', 'evaporation'],
  diameterLn: [0.1, 'ln', 'B', 'the pan'],
  milkLn: [0.03, 'ln', 'B', 'what went in'],
  gelSd: [1, '1', 'B', 'where the starch swells, over the spread of its packets'],
  consistencyLn: [0.2, 'ln', 'B', 'the paste'],
  startK: [4, 'K', 'B', 'the milk from the fridge'],
  grainLn: [0.2, 'ln', 'B', 'size of the grain, which decides its minutes'],
  shrink: [0.98, '1', 'B', 'towards the mean when resampled, spread put back'],
  resampleAt: [0.5, '1', 'A', 'of the particles, effective'],
  wrong: [0.01, '1', 'C', 'an observation is a slip of the thumb so often'],
  fits: [0.3, '1', 'C', 'a pot fits what was seen when it is so likely, against the likeliest'],
  odd: [0.01, '1', 'C', 'fewer pots than this fit: it contradicts the cloud'],
  widen: [1.6, '1', 'C', 'the cloud is spread by this when it is contradicted'],
  seenS: [12, 's', 'C', 'a thing seen is tapped within this'],
  seenRel: [0.02, '1', 'C', 'and this of the minutes so far'],
  steamC: [70, 'degC', 'B', 'steam is seen'],
  steamSdK: [6, 'K', 'C', 'spread of that'],
  rimBelowK: [15, 'K', 'B', 'bubbles at the rim, below the boil: scalded milk'],
  rimSdK: [5, 'K', 'C', 'spread of that'],
  bubbleSdK: [1.5, 'K', 'B', 'of the first bubble'],
  thickLn: [0.5, 'ln', 'C', 'eye for thickness'],
  coatPaS: [0.028, 'Pa s', 'C', 'coats the spoon'],
  custardSdK: [2, 'K', 'C', 'eye for a custard that coats, about its end'],
  plopPaS: [2.2, 'Pa s', 'C', 'plops'],
  closedPaS: [0.5, 'Pa s', 'C', 'no free milk behind the stroke'],
  dragsPaS: [1, 'Pa s', 'C', 'drags at the whisk'],
  tasteLn: [0.7, 'ln', 'C', 'tongue for raw starch'],
  biteSd: [0.04, '1', 'C', 'tooth for a grain, of its water'],
  markLn: [0.05, 'ln', 'C', 'a mark on a spoon handle'],
  warmC: [43, 'degC', 'C', 'a bowl feels warm from outside'],
  warmSdK: [6, 'K', 'C', 'spread of that'],
  probeSdK: [1.5, 'K', 'B', 'a probe in the pot, placed by hand'],
  scaleSdRel: [0.015, '1', 'B', 'a hot pan on a scale, its spoon in it'],
});

const DIMS = ['hob', 'evaporation', 'starch', 'milk', 'diameter', 'gel', 'consistency', 'start', 'grain'] as const;
type Dim = (typeof DIMS)[number];
/** How a pot differs from the plan's, in standard deviations. */
export type Habits = Record<Dim, number>;

export const NO_HABITS = Object.fromEntries(DIMS.map((d) => [d, 0])) as Habits;

type Particle = {
  habits: Habits;
  setup: PotSetup;
  pot: Pot;
  /** K/s over the last stretch */
  rateKPerS: number;
  /** g in the pot when the present step began */
  fromG: number;
};

export type Twin = {
  particles: readonly Particle[];
  /** log weights, up to a constant */
  logW: readonly number[];
  seed: number;
  /** resamplings so far, and the share of effective pots before the last one */
  resampled: number;
  effective: number;
  /** how often what was seen contradicted the cloud */
  contradicted: number;
};

/** Egg in its bowl, before the ladles: g, J/gK, degC; g of a ladle. */
export type Bowl = { massG: number; heatJPerGK: number; tempC: number; ladleG: number };

/** What can be told to the twin. Seconds are since the fire was lit. */
export type Seen =
  | { what: 'steams' | 'rim bubbles' | 'first bubble' | 'edges thicken' | 'coats the spoon' | 'plops' }
  | { what: 'trail closes'; seconds: number }
  | { what: 'no bubble yet' | 'still thin' | 'no free milk' | 'drags the whisk' | 'goes quiet' }
  /** how a custard runs off the spoon, by the degrees its plan takes it to */
  | { what: 'custard coats' | 'custard thin'; tempC: number }
  | { what: 'tastes raw' | 'tastes cooked' | 'grain hard' | 'grain soft' }
  /** boiled down to this share of what the step began with */
  | { what: 'at the mark'; share: number }
  /** a bowl feels warm after these ladles of the hot pot */
  | { what: 'bowl warm'; bowl: Bowl; ladles: number }
  /** a blob on a cold plate runs at this tilt; the plan's own factor of firmness */
  | { what: 'plate runs'; deg: number; firmness: number }
  | { what: 'probe'; tempC: number }
  | { what: 'scale'; massG: number };

const scaleOf = (plan: Plan): Record<Dim, number> => ({
  hob: TWIN.hobLn,
  evaporation: TWIN.evaporationLn,
  starch: starchSdRel(plan.starchMeasure),
  milk: TWIN.milkLn,
  diameter: TWIN.diameterLn,
  gel: TWIN.gelSd,
  consistency: TWIN.consistencyLn,
  start: TWIN.startK,
  grain: TWIN.grainLn,
});

/** The plan and the pan as this pot has them. */
export function withHabits(plan: Plan, h: Habits): { plan: Plan; setup: PotSetup } {
  const s = scaleOf(plan);
  const factor = (d: Dim) => Math.exp(s[d] * h[d]);
  const grams = (id: string) => {
    const group = lookUp(plan, id).group;
    return group === 'thickener' ? factor('starch') : group === 'milk' ? factor('milk') : 1;
  };
  const changed: Plan = {
    ...withLines(
      plan,
      linesOf(plan).map((i) => ({ ...i, grams: i.grams * grams(i.ingredientId) })),
      partsOf(plan).map((c) => ({ ...c, grams: c.grams * grams(c.ingredientId) })),
    ),
    pan: { ...plan.pan, diameterMm: Math.min(500, Math.max(80, plan.pan.diameterMm * factor('diameter'))) },
    hob: { ...plan.hob, powerTrim: Math.min(2, Math.max(0.3, plan.hob.powerTrim * factor('hob'))) },
  };
  return {
    plan: changed,
    setup: potSetup(changed, {
      ...NO_TUNING,
      evaporation: factor('evaporation'),
      consistency: factor('consistency'),
      gelShiftSd: s.gel * h.gel,
      startK: s.start * h.start,
      grain: factor('grain'),
    }),
  };
}

/** Normal draws. The grain has a stream of its own, so that pots without grain are what they are with it. */
function drawsFrom(seed: number): (d: Dim) => number {
  const normal = (s: number) => randomNormal.source(randomLcg(s))(0, 1);
  const all = normal(seed);
  const grain = normal((seed + 0.5) % 1);
  return (d) => (d === 'grain' ? grain() : all());
}

/** A cloud of pots as they stand before the fire. @param seed 0 to 1 */
export function startTwin(plan: Plan, seed: number, particles = TWIN.particles): Twin {
  const draw = drawsFrom(seed);
  const cloud = Array.from({ length: particles }, (): Particle => {
    const habits = Object.fromEntries(DIMS.map((d) => [d, draw(d)])) as Habits;
    const k = withHabits(plan, habits);
    const pot = startPot(k.plan, k.setup);
    return { habits, setup: k.setup, pot, rateKPerS: 0, fromG: massG(pot.content) };
  });
  return { particles: cloud, logW: cloud.map(() => 0), seed, resampled: 0, effective: 1, contradicted: 0 };
}

/** A tilt below this tells nothing: everything runs. */
const PLATE_LEAST_DEG = 4;

/** All pots cooked on with the same hands. */
export const cookTwin = (twin: Twin, controls: Controls, seconds: number): Twin =>
  !(seconds > 0)
    ? twin
    : {
        ...twin,
        particles: twin.particles.map((p) => {
          const { pot } = cook(p.pot, p.setup, controls, seconds, undefined, { toleranceScale: COARSE });
          return { ...p, pot, rateKPerS: (pot.bulkC - p.pot.bulkC) / seconds };
        }),
      };

/** Something goes in; how much of it is each pot's own affair. */
export const addToTwin = (twin: Twin, plan: Plan, addition: (own: Plan, pot: Pot) => Addition): Twin => ({
  ...twin,
  particles: twin.particles.map((p) => ({
    ...p,
    pot: addToPot(p.pot, addition(withHabits(plan, p.habits).plan, p.pot), p.setup),
  })),
});

/** A step begins: what boils down is reckoned from here. */
export const beginStep = (twin: Twin): Twin => ({
  ...twin,
  particles: twin.particles.map((p) => ({ ...p, fromG: massG(p.pot.content) })),
});

const square = (x: number) => -0.5 * x * x;
const ln = (x: number) => Math.log(Math.max(x, 1e-9));
/** A fall below zero is a half bell, above zero it holds. */
const atLeast = (x: number) => (x >= 0 ? 0 : square(x));

/** ln of how likely this pot is to show it, against the likeliest. */
function logLikelihood(p: Particle, seen: Seen): number {
  const { pot } = p;
  const slackS = TWIN.seenS + TWIN.seenRel * pot.tS;
  /** a thing that shows when it is `above` K over its mark: the eye's spread, and the thumb's slack at this heating */
  const crossing = (aboveK: number, sdK: number) => square(aboveK / Math.hypot(sdK, slackS * Math.abs(p.rateKPerS)));
  const at = (whenS: number, elseK: number, sdK: number) =>
    Number.isNaN(whenS) ? crossing(elseK, sdK) : square((pot.tS - whenS) / slackS);
  switch (seen.what) {
    case 'steams':
      return crossing(pot.bulkC - TWIN.steamC, TWIN.steamSdK);
    case 'rim bubbles':
      return crossing(pot.bulkC - (pot.boilsC - TWIN.rimBelowK), TWIN.rimSdK);
    case 'first bubble':
      return at(pot.bubbleAtS, pot.bulkC - (pot.boilsC - 3), TWIN.bubbleSdK);
    case 'no bubble yet':
      return Number.isNaN(pot.bubbleAtS) ? 0 : square((pot.tS - pot.bubbleAtS) / slackS);
    case 'edges thicken':
      return at(pot.thickenAtS, pot.bulkC - (pot.boilsC - 20), 8);
    case 'still thin':
      return atLeast((ln(TWIN.coatPaS) - ln(pot.viscosityPaS)) / TWIN.thickLn);
    case 'coats the spoon':
      return atLeast((ln(pot.viscosityPaS) - ln(TWIN.coatPaS)) / TWIN.thickLn);
    case 'custard coats':
      return atLeast((pot.bulkC - seen.tempC) / TWIN.custardSdK);
    case 'custard thin':
      return atLeast((seen.tempC - pot.bulkC) / TWIN.custardSdK);
    case 'no free milk':
      return atLeast((ln(pot.viscosityPaS) - ln(TWIN.closedPaS)) / TWIN.thickLn);
    case 'drags the whisk':
      return atLeast((ln(pot.viscosityPaS) - ln(TWIN.dragsPaS)) / TWIN.thickLn);
    case 'goes quiet':
      // the hiss of a thin pot turns to a sigh: it has thickened and is near its bubble
      return at(pot.thickenAtS, pot.bulkC - (pot.boilsC - 12), 6);
    case 'tastes raw':
      return atLeast((ln(readPot(pot).rawPer100G) - ln(RAW_TASTE)) / TWIN.tasteLn);
    case 'tastes cooked':
      return atLeast((ln(RAW_TASTE) - ln(readPot(pot).rawPer100G)) / TWIN.tasteLn);
    case 'grain hard':
      return atLeast((BITE.done - bodyOf(pot.content, pot.fractions).bite) / TWIN.biteSd);
    case 'grain soft':
      return atLeast((bodyOf(pot.content, pot.fractions).bite - BITE.done) / TWIN.biteSd);
    case 'at the mark':
      return square(ln(massG(pot.content) / (seen.share * p.fromG)) / TWIN.markLn);
    case 'bowl warm': {
      const { bowl, ladles } = seen;
      const warmth = temper(bowl.massG, bowl.heatJPerGK, bowl.tempC, bowl.ladleG, pot.bulkC, ladles).at(-1);
      return square(((warmth ?? bowl.tempC) - TWIN.warmC) / TWIN.warmSdK);
    }
    case 'plate runs': {
      const body = bodyOf(pot.content, pot.fractions);
      const modulus = gelModulusPa(pot.content, body, { ageH: 24, tempC: 8, firmness: seen.firmness });
      const day = yieldPa(modulus, consistency(body, 8, pot.content));
      const read = yieldFromPlate(Math.max(PLATE_LEAST_DEG, seen.deg));
      const x = (ln(day) - ln(read.value)) / read.sdLn;
      // one that stays upright says no more than that
      return seen.deg >= 90 ? atLeast(x) : square(x);
    }
    case 'plops':
      return square((ln(pot.viscosityPaS) - ln(TWIN.plopPaS)) / (2 * TWIN.thickLn));
    case 'trail closes': {
      const body = bodyOf(pot.content, pot.fractions);
      const k = Math.max(1e-3, consistency(body, pot.bulkC, pot.content));
      const own = trailS(k, PASTE.yieldOverK * k);
      return square((ln(Math.min(own, 60)) - ln(Math.min(seen.seconds, 60))) / (TESTS.trailSdLn * 1.6));
    }
    case 'probe':
      return square((pot.bulkC - seen.tempC) / TWIN.probeSdK);
    case 'scale':
      return square((massG(pot.content) / seen.massG - 1) / TWIN.scaleSdRel);
  }
}

const weightsOf = (logW: readonly number[]): number[] => {
  const top = Math.max(...logW);
  const w = logW.map((l) => Math.exp(l - top));
  const sum = w.reduce((a, b) => a + b, 0);
  return w.map((x) => x / sum);
};
/** How many pots of the cloud count, 1 to all. */
export const effectiveOf = (twin: Twin): number => 1 / weightsOf(twin.logW).reduce((s, w) => s + w * w, 0);

/** Sd from the plan's pot beyond which no kitchen lies: what contradicts again and again does not widen it for ever. */
const MOST_SD = 5;
const within = (habit: number) => Math.min(MOST_SD, Math.max(-MOST_SD, habit));

/** Takes the cloud anew by its weights, and spreads what does not change over a cook a little. @param widen on top */
function resample(twin: Twin, plan: Plan, widen = 1): Twin {
  const n = twin.particles.length;
  const w = weightsOf(twin.logW);
  const seed = (twin.seed + 0.618 * (twin.resampled + 1)) % 1;
  const draw = drawsFrom(seed);
  const mean = meanHabits(twin);
  const sd = Object.fromEntries(
    DIMS.map((d) => [d, Math.sqrt(twin.particles.reduce((s, p, i) => s + w[i]! * (p.habits[d] - mean[d]) ** 2, 0))]),
  ) as Habits;
  const a = widen > 1 ? 1 : TWIN.shrink;
  const jitter = widen > 1 ? Math.sqrt(widen * widen - 1) : Math.sqrt(1 - a * a);
  const from = randomLcg(seed)();
  let k = 0;
  let sum = w[0]!;
  const particles = Array.from({ length: n }, (_, i): Particle => {
    const u = (i + from) / n;
    while (u > sum && k < n - 1) sum += w[++k]!;
    const p = twin.particles[k]!;
    const habits = Object.fromEntries(
      DIMS.map((d) => [
        d,
        within(a * p.habits[d] + (1 - a) * mean[d] + jitter * Math.max(sd[d], widen > 1 ? 0.3 : 0) * draw(d)),
      ]),
    ) as Habits;
    return { ...p, habits, setup: withHabits(plan, habits).setup };
  });
  return {
    ...twin,
    particles,
    logW: particles.map(() => 0),
    resampled: twin.resampled + 1,
    effective: effectiveOf(twin) / n,
  };
}

export type Told = {
  twin: Twin;
  /** share of the cloud that fits it: small is a surprise */
  fitting: number;
  contradicts: boolean;
};

/** What was seen, told to the cloud. A contradiction is not swallowed: it is said, and the cloud is widened. */
export function tell(twin: Twin, plan: Plan, seen: Seen): Told {
  const before = weightsOf(twin.logW);
  const fit = twin.particles.map((p) => Math.exp(logLikelihood(p, seen)));
  const l = fit.map((x) => TWIN.wrong + (1 - TWIN.wrong) * x);
  const fitting = fit.reduce((s, x, i) => s + (x >= TWIN.fits ? before[i]! : 0), 0);
  const contradicts = fitting < TWIN.odd;
  let next: Twin = { ...twin, logW: twin.logW.map((w, i) => w + Math.log(l[i]!)) };
  if (contradicts) next = { ...resample(next, plan, TWIN.widen), contradicted: twin.contradicted + 1 };
  else if (effectiveOf(next) < TWIN.resampleAt * next.particles.length) next = resample(next, plan);
  return { twin: next, fitting, contradicts };
}

/** How the real pot differs from the plan's, as far as it is known. */
export function meanHabits(twin: Twin): Habits {
  const w = weightsOf(twin.logW);
  return Object.fromEntries(
    DIMS.map((d) => [d, twin.particles.reduce((s, p, i) => s + w[i]! * p.habits[d], 0)]),
  ) as Habits;
}

export type Spread = { mean: number; low: number; high: number };

/** Weighted mean, and what holds 8 in 10. */
export function spreadOf(twin: Twin, read: (pot: Pot, habits: Habits) => number): Spread {
  const w = weightsOf(twin.logW);
  const rows = twin.particles
    .map((p, i) => ({ x: read(p.pot, p.habits), w: w[i]! }))
    .filter((r) => Number.isFinite(r.x));
  rows.sort((a, b) => a.x - b.x);
  const all = rows.reduce((s, r) => s + r.w, 0);
  const quantile = (q: number) => {
    let sum = 0;
    for (const r of rows) {
      sum += r.w;
      if (sum >= q * all) return r.x;
    }
    return rows.at(-1)?.x ?? NaN;
  };
  return {
    mean: all > 0 ? rows.reduce((s, r) => s + r.w * r.x, 0) / all : NaN,
    low: quantile(0.1),
    high: quantile(0.9),
  };
}

/** A few pots that stand for the cloud, each as likely as another. */
export function fewOf(twin: Twin, n: number): Pick<Particle, 'habits' | 'setup' | 'pot' | 'fromG'>[] {
  const w = weightsOf(twin.logW);
  let k = 0;
  let sum = w[0]!;
  return Array.from({ length: n }, (_, i) => {
    const u = (i + 0.5) / n;
    while (u > sum && k < w.length - 1) sum += w[++k]!;
    const { habits, setup, pot, fromG } = twin.particles[k]!;
    return { habits, setup, pot, fromG };
  });
}

import { linesOf, partsOf, withLines } from '../plan/layout';
import { table } from '../coefficients';
import type { Allergen } from '../pantry/ingredient';
import { add, massG, mixtureOf, PUDDING_G_PER_ML } from '../matter/mixture';
import { portionPlans } from '../plan/portions';
import { allergensOf, inBowls, lookUp, ownShare, wholeMixture, pantryOf } from '../plan/bowls';
import { type Plan } from '../plan/plan';
import { USES, purposeOf, type Bowl } from '../plan/method';
import {
  type SetWord,
  boundsFor,
  stripPlace,
  upperBoundPa,
  WEIGHT_N_PER_M3,
  wordAt,
  yieldAtPlace,
  type Bounds,
  WORDS,
} from '../texture/words';
import type { Bake } from '../oven/bake';
import { breaksAfterMin, depthMm } from '../pot/corrections';
import { aromaRate, infused, lookOf, type Look } from '../pot/flavour';
import { EGG } from '../pot/egg';
import { GRAINS } from '../pot/grain';
import {
  bodyOf,
  consistency,
  eggFactor,
  fillerFactor,
  PASTE,
  solidsFactor,
  sugarFraction,
  viscosityPaS,
  type Body,
} from '../pot/paste';
import { NO_TUNING, RAW_TASTE, readPot, severityOf, type PotReading, type Tuning } from '../pot/pot';
import { COARSE, type PhaseEnd } from '../pot/program';
import { SCORCH } from '../pot/scorch';
import { cautionsOf, type Caution } from './cautions';
import { eggReport, feltCurd, risksOf, type EggReport } from './judgeRisks';
import { above, phi } from './normal';
import type { Risk, RiskName } from './risks';
import { SPREAD } from './spread';
import { dishStartC, potSetup, productOf, runMethod, runPortion, type Run, type StepTold } from './run';
import { coolInDish, freezesBelowC, type CoolingPoint } from '../set/cooling';
import { EATEN_WARM_C, hoursBelow, keepsRule, SAFE_COOLING } from '../set/safety';
import {
  ageingRate,
  bearsPa,
  GEL,
  gelModulusPa,
  KNIFE,
  standing,
  STANDS,
  yieldPa,
  type Standing,
} from '../set/firmness';
import { FROZEN, frozenOf, iceShare, type Frozen } from '../set/frozen';
import { KEEPING, overnight, thawedPct, weepPct } from '../set/keeping';
import { topLayerOf, type TopLayer } from './topLayer';
import { seenNow, type Seen } from '../texture/kitchenTests';
import { starchSdRel } from '../plan/measured';
import { JUG_SD_REL } from '../units/measures';

type SetPoint = CoolingPoint & { yieldPa: number; modulusPa: number; place: number };

export type Firmness = {
  word: SetWord;
  place: number;
  yieldPa: number;
  modulusPa: number;
  viscosityPaS: number;
  /** the same while it was on the fire, or as it is where that is hotter */
  hotPaS: number;
  /** gel strength of its starch against maize */
  starchGel: number;
};

export type Forecast = {
  hot: Firmness;
  serving: Firmness;
  nextDay: Firmness;
  /** strip places that hold 8 cooks in 10 */
  doubt: { low: number; high: number; sdLn: number; sources: { of: DoubtSource; share: number }[] };
  /** what each part does to the set at serving, in steps of the strip against leaving it out (milk: against water) */
  pushes: { of: 'milk' | 'sugar' | 'steam lost'; steps: number }[];
  /** chance, 0 to 1, that the wanted word is met */
  chance: number;
  standing: Standing;
  depthMm: number;
  /** how full the dishes are, 1 is the brim */
  fillRel: number;
  endMassG: number;
  lossRel: number;
  sweetnessPct: number;
  minutes: { toThicken: number; toBubble: number; total: number };
  peak: { bulkC: number; filmC: number; panC: number };
  phases: PhaseEnd[];
  /** of each step of the method, in its order */
  told: StepTold[];
  /** g that come out of each second pot, by its id */
  products: Record<string, number>;
  trace: PotReading[];
  rawPer100G: number;
  /** share of its water that the least done grain has taken; 1 without grains */
  bite: number;
  scorch: number;
  risks: Record<RiskName, Risk>;
  egg?: EggReport;
  bake?: Bake;
  /** kitchen tests as they should come out now, hot in the pot */
  seen: Seen;
  look: Look;
  /** scent of what was added: share left, and for what is taken out again how strong it has drawn */
  aroma: { ingredientId: string; left: number; drawn?: number; steepMin?: number }[];
  /** whites folded in: what they add, ml, and steps of the strip by which they soften it */
  folded?: { addsMl: number; steps: number };
  /** parts of the batch that go their own way, in the plan's order */
  portions: PortionForecast[];
  /** minutes after the first bubble: raw taste gone, and from when long cooking costs a tenth of the body */
  window: { rawGoneMin: number; breaksMin: number };
  /** depth in the pan, mm, full and at the end: where the mark goes */
  depthMarksMm: { start: number; end: number };
  /** amylose in the liquid, % */
  amylosePct: number;
  ladlesC: number[];
  /** what goes on top, where something liquid is kept for it */
  top?: TopLayer;
  keeping: { weepPctAt3Days: number; thawedPct: number; days: number; afterAmylase: number };
  knife: { unmould: number; sliceClean: number };
  set: SetPoint[];
  /** hours after pouring; NaN is never within the wait */
  readyH: number;
  /** hours to serving temperature; to frozen through (NaN if never) */
  servingTempH: number;
  /** degC that the middle of the dish has when it is served; the wish is the plan's */
  atTableC: number;
  frozenH: number;
  /** what is served frozen: its ice, and when it pulls */
  frozen?: Frozen;
  /** hours after which a thin layer is set to the touch, though warm in the middle; NaN if never */
  touchH: number;
  /**
   * h; NaN where it does not get so cold. `ordinary`: covered cups, soon in the cold, a little over the rule: shown, not nagged
   * about. `asked`: the rule is asked of it at all; what is eaten warm is not cooled.
   */
  cool: { below57H: number; below21H: number; below5H: number; safe: boolean; ordinary: boolean; asked: boolean };
  allergens: Allergen[];
  cautions: Caution[];
};

/** A part of the batch in its own dish. */
export type PortionForecast = {
  id: string;
  serving: Firmness;
  /** that the word wanted of this part is met, 0 to 1 */
  chance: number;
  depthMm: number;
  fillRel: number;
  bakeMin?: number;
  readyH: number;
  servingTempH: number;
  safe: boolean;
};

/** What the doubt comes from: how starch and milk are measured, the ring, the steam, the model of the set itself. */
type DoubtSource = 'starch' | 'milk' | 'hob' | 'steam' | 'grind' | 'variety' | 'model';

/** How old and how cold: what the dish has been through when it is judged. */
export type Age = { ageH: number; tempC: number; coldestC?: number; hours?: number };

/** The pudding in the dish, judged: words, firmness and viscosity at an age and a temperature. */
export function judge(plan: Plan, run: Pick<Run, 'pot' | 'bake' | 'addsMl'>, at: Age, bounds: Bounds): Firmness {
  const { pot } = run;
  const m = pot.content;
  const body = bodyOf(m, pot.fractions, at.hours);
  const thinned = at.hours ? overnight(m, pot.amylaseLog, at.hours, at.tempC) : 1;
  const egg = run.bake ? { set: run.bake.eggSetMean, curd: run.bake.curdMean } : undefined;
  const stirredEgg = run.bake ? Math.max(0, pot.eggSet) : pot.eggSet;
  // what this kitchen's starch is against the model counts in the paste as in the gel
  const k = consistency(body, at.tempC, m) * thinned * plan.firmness.factor;
  const air = run.addsMl > 0 ? (1 - run.addsMl / (run.addsMl + massG(m) / PUDDING_G_PER_ML)) ** 2 : 1;
  const modulusPa =
    gelModulusPa(m, body, {
      ageH: at.ageH,
      tempC: at.tempC,
      firmness: plan.firmness.factor,
      ...(at.coldestC === undefined ? {} : { coldestC: at.coldestC }),
      ...(egg ? { egg } : {}),
    }) *
      thinned *
      air +
    body.jamPa / GEL.yieldOverG +
    FROZEN.icePa * iceShare(at.tempC, sugarFraction(m), m.waterG / massG(m)) ** 2;
  const stress = yieldPa(
    modulusPa,
    k * solidsFactor(m) * eggFactor(m, stirredEgg) ** PASTE.eggInPaste * fillerFactor(body),
  );
  const viscosity = viscosityPaS(k, m, at.tempC, body, stirredEgg);
  // the same as it was on the fire: what only flows is no thinner for being cold
  const hotC = Math.max(at.tempC, WORDS.hotC);
  const hotK = consistency(body, hotC, m) * thinned * plan.firmness.factor;
  const hotPaS = viscosityPaS(hotK, m, hotC, body, stirredEgg);
  const place = stripPlace(stress, viscosity, bounds, { tempC: at.tempC, modulusPa, starchGel: body.gel, hotPaS });
  return {
    word: wordAt(place),
    place,
    yieldPa: stress,
    modulusPa,
    viscosityPaS: viscosity,
    hotPaS,
    starchGel: body.gel,
  };
}

/** Places on the strip that hold 8 cooks in 10, for this spread of ln stress. */
export function placesWithin(f: Firmness, sdLn: number, bounds: Bounds, tempC: number): { low: number; high: number } {
  const at = (factor: number) =>
    stripPlace(f.yieldPa * factor, f.viscosityPaS * factor, bounds, {
      tempC,
      modulusPa: f.modulusPa,
      starchGel: f.starchGel,
      hotPaS: f.hotPaS * factor,
    });
  const spread = Math.exp(EIGHT_IN_TEN * sdLn);
  return { low: at(1 / spread), high: at(spread) };
}
/** sd on either side that hold 8 of 10 */
const EIGHT_IN_TEN = 1.2816;

/** The same at the table, with what is stirred in there. It is taken to go in whole: a set gel is broken by it and stays so. */
export function judgeServed(plan: Plan, run: Pick<Run, 'pot' | 'bake' | 'addsMl'>, at: Age, bounds: Bounds): Firmness {
  const { loosen } = plan.serve;
  if (!loosen || loosen.grams <= 0) return judge(plan, run, at, bounds);
  const { pot } = run;
  const grams = loosen.grams / ownShare(plan);
  const content = add(pot.content, mixtureOf(lookUp(plan, loosen.ingredientId), grams));
  return judge(plan, { ...run, pot: { ...pot, content } }, at, bounds);
}

/** A thin layer is judged with the finger: on the mean of it, and on what holds a trail. */
const TOUCH = table('Set to the touch', {
  thinM: [0.03, 'm', 'B', 'a layer no deeper is thin'],
  coolC: [30, 'degC', 'C', 'no warmer in the mean'],
});

/** The dish over its hours: cooling, ageing, and what it is when it is served. */
export function dishHistory(plan: Plan, run: Run, watchH: number) {
  const cooling = coolInDish({
    dish: plan.dish,
    depthM: run.depthM,
    startC: dishStartC(run, plan.room.tempC),
    stays: run.stays,
    hours: watchH,
    sugarFraction: sugarFraction(run.pot.content),
    waterShare: run.pot.content.waterG / massG(run.pot.content),
  });
  // a thin layer is felt as a whole; of what is deep the middle decides
  const thin = run.depthM <= TOUCH.thinM;
  const felt = (p: CoolingPoint) => (thin ? p.meanC : p.coreC);
  let ageH = 0;
  let ageServingH = 0;
  let coldestC = Infinity;
  let coldestServingC = Infinity;
  const ages = cooling.map((p, i) => {
    const before = cooling[i - 1];
    if (before) ageH += (p.hours - before.hours) * ageingRate((felt(p) + felt(before)) / 2);
    coldestC = Math.min(coldestC, felt(p));
    if (p.hours <= plan.rest.hours + 1e-6) {
      ageServingH = ageH;
      coldestServingC = coldestC;
    }
    return { point: p, ageH, coldestC };
  });
  const serving: Age = {
    ageH: ageServingH,
    tempC: plan.serve.tempC,
    coldestC: Math.min(coldestServingC, plan.serve.tempC),
    hours: plan.rest.hours,
  };
  return { cooling, ages, serving };
}

/** What everybody does with a cup of pudding. */
const ORDINARY = table('Cooling: an ordinary cup', {
  cupMl: [250, 'ml', 'B', 'a cup or a glass'],
  roomMin: [60, 'min', 'B', 'in the room, at most, before the fridge'],
  overH: [0.5, 'h', 'C', 'over the rule, at most, that the model cannot tell from within it'],
});

function touchHours(plan: Plan, run: Run, cooling: readonly CoolingPoint[], bounds: Bounds): number {
  let ageH = 0;
  for (let i = 1; i < cooling.length; i++) {
    const p = cooling[i]!;
    const before = cooling[i - 1]!;
    ageH += (p.hours - before.hours) * ageingRate((p.meanC + before.meanC) / 2);
    if (p.meanC > TOUCH.coolC) continue;
    const f = judge(plan, run, { ageH, tempC: p.meanC, coldestC: p.meanC, hours: p.hours }, bounds);
    if (f.yieldPa >= bounds['holds a trail']) return p.hours;
  }
  return NaN;
}

/** Yield stress at serving, Pa: the quick answer that the solver and the doubt ask for. */
export function servingStress(
  plan: Plan,
  tuning?: Tuning,
): { stress: number; place: number; run: Run; bounds: Bounds; ageH: number } {
  const run = runMethod(plan, { toleranceScale: COARSE, ...(tuning ? { tuning } : {}) });
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const at = dishHistory(plan, run, plan.rest.hours).serving;
  const judged = judgeServed(plan, run, at, bounds);
  // by its place, so that what only flows has one too
  return { stress: yieldAtPlace(judged.place, bounds), place: judged.place, run, bounds, ageH: at.ageH };
}

/** The words alone, for a thumb that is still moving: one coarse cook, no doubt and no risks. */
export type Point = { serving: { word: SetWord; place: number }; hot: { word: SetWord } };

export function point(plan: Plan): Point {
  const { place, run } = servingStress(plan);
  return { serving: { word: wordAt(place), place }, hot: { word: hotIn(plan, run).word } };
}

/** In the pot as it leaves the fire, before any oven. */
export const hotIn = (plan: Plan, { pot, addsMl }: Pick<Run, 'pot' | 'addsMl'>): Firmness =>
  judge(plan, { pot, addsMl }, { ageH: 0, tempC: Math.min(90, pot.bulkC) }, boundsFor('spooned', 0.04));

/**
 * First-order spread of ln(yield stress) at serving: one kitchen habit moved by its 1 sd at a time, with the spread of
 * the gel model itself (or what is left of it after the cook's own batches).
 */
function doubtOf(
  plan: Plan,
  age: Age,
  bounds: Bounds,
): { sdLn: number; sources: { of: DoubtSource; share: number }[] } {
  const stress = (changed: Plan, tuning?: Tuning) => {
    const run = runMethod(changed, { toleranceScale: COARSE, ...(tuning ? { tuning } : {}) });
    // by its place on the strip, so that what only flows is doubted too
    return yieldAtPlace(judgeServed(changed, run, age, bounds).place, bounds);
  };
  const base = stress(plan);
  const delta = (changed: Plan, tuning?: Tuning) => Math.log(stress(changed, tuning) / base);
  const group = (g: string, factor: number): Plan => ({
    ...plan,
    things: plan.things.map((i) =>
      pantryOf(plan).get(i.ingredientId)?.group === g ? { ...i, grams: i.grams * factor } : i,
    ),
  });
  const forms = new Set(
    wholeMixture(plan)
      .thickenings.map((t) => GRAINS[t.kind].form)
      .filter((form) => form !== 'powder'),
  );
  const parts = [
    { of: 'starch' as const, sd: delta(group('thickener', 1 + starchSdRel(plan.starchMeasure))) },
    { of: 'milk' as const, sd: delta(group('milk', 1 + JUG_SD_REL)) },
    {
      of: 'hob' as const,
      sd: delta({
        ...plan,
        hob: { ...plan.hob, powerTrim: Math.min(2, plan.hob.powerTrim * (1 + SPREAD.hob)) },
      }),
    },
    { of: 'steam' as const, sd: delta(plan, { ...NO_TUNING, evaporation: 1 + SPREAD.evaporation }) },
    ...(forms.size > 0
      ? [
          {
            of: 'grind' as const,
            sd: delta(plan, { ...NO_TUNING, grain: 1 + (forms.has('particle') ? SPREAD.grain : SPREAD.kernel) }),
          },
          { of: 'variety' as const, sd: delta(plan, { ...NO_TUNING, gelShiftSd: 0.5 }) * 2 },
        ]
      : []),
    { of: 'model' as const, sd: plan.firmness.sdLn },
  ];
  const variance = parts.reduce((sum, p) => sum + p.sd * p.sd, 0);
  return {
    sdLn: Math.sqrt(variance),
    sources: parts.map((p) => ({ of: p.of, share: (p.sd * p.sd) / variance })).sort((a, b) => b.share - a.share),
  };
}

/** Steps on the strip that milk (against water), sugar (against none) and the steam lost (against its water put back) bring. */
function pushesOf(plan: Plan, age: Age, bounds: Bounds): Forecast['pushes'] {
  const cooked = (changed: Plan) => runMethod(changed, { toleranceScale: COARSE });
  const judged = (changed: Plan, run: Run) => judgeServed(changed, run, age, bounds).place;
  const run = cooked(plan);
  const base = judged(plan, run);
  const { pot } = run;
  const undried: Run = {
    ...run,
    pot: { ...pot, content: { ...pot.content, waterG: pot.content.waterG + pot.evaporatedG } },
  };
  const groupOf = (id: string) => pantryOf(plan).get(id)?.group;
  const toWater = (id: string) => (groupOf(id) === 'milk' ? 'water' : id);
  const inWater = <T extends { ingredientId: string }>(t: T): T => ({ ...t, ingredientId: toWater(t.ingredientId) });
  const water = withLines(plan, linesOf(plan).map(inWater), partsOf(plan).map(inWater));
  const bare: Plan = {
    ...plan,
    things: plan.things.map((i) => (groupOf(i.ingredientId) === 'sweet' ? { ...i, grams: 0 } : i)),
  };
  return [
    { of: 'milk', steps: base - judged(water, cooked(water)) },
    { of: 'sugar', steps: base - judged(bare, cooked(bare)) },
    { of: 'steam lost', steps: base - judged(plan, undried) },
  ];
}

/** Chance that a lognormal yield stress falls in the wanted word's band. A stiffer step still stands, but is not what was wanted. */
export function chanceOf(word: SetWord, yieldStressPa: number, sdLn: number, bounds: Bounds): number {
  const z = (limit: number) => (Math.log(limit) - Math.log(Math.max(yieldStressPa, 1e-6))) / Math.max(sdLn, 1e-6);
  const low = word === 'drinks' ? 0 : phi(z(bounds[word]));
  const high = word === 'firm' ? 1 : phi(z(upperBoundPa(word, bounds)));
  return Math.max(0, high - low);
}

/** K, 1 sd: where egg curdles, with what hands and rings add to it; as many kitchens come out (C). */
const CURDLES_SD_K = 1.5;
/** K of shift that is looked at, up and down, and how often it is halved */
const CURDLES_LOOK_K = 8;
const CURDLES_HALVES = 6;

/** Chance that curds are felt, by how much earlier egg would have to curdle for it; undefined without egg. */
function curdleChance(plan: Plan): number | undefined {
  if (wholeMixture(plan).eggProteinG <= 0) return undefined;
  const felt = (curdShiftK: number) =>
    feltCurd(runMethod(plan, { toleranceScale: COARSE, tuning: { ...NO_TUNING, curdShiftK } })) > EGG.smooth;
  let never = CURDLES_LOOK_K;
  let always = -CURDLES_LOOK_K;
  if (!felt(always)) return phi(always / CURDLES_SD_K);
  if (felt(never)) return 1;
  for (let i = 0; i < CURDLES_HALVES; i++) {
    const mid = (never + always) / 2;
    if (felt(mid)) always = mid;
    else never = mid;
  }
  return phi((never + always) / 2 / CURDLES_SD_K);
}

/** A fire and a hand around the usual: standard deviations, and how much each counts (Gauss and Hermite). */
const FIRES = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const;
const HANDS = [
  [-1, 1 / 2],
  [1, 1 / 2],
] as const;
/** Less than this of a taste never becomes one in any kitchen. */
const NEVER_CATCHES = 0.003;

/** Chance that it tastes of the floor, over hotter and cooler rings and slower and faster spoons. */
function catchChance(plan: Plan, nominal: number): number {
  if (nominal < NEVER_CATCHES) return 0;
  let chance = 0;
  for (const [fire, fireCounts] of FIRES)
    for (const [hand, handCounts] of HANDS) {
      const hob = { ...plan.hob, powerTrim: plan.hob.powerTrim * Math.exp(SPREAD.hob * fire) };
      const tuning = { ...NO_TUNING, stir: Math.exp(SPREAD.stirLn * hand) };
      const { pot } = runMethod({ ...plan, hob }, { toleranceScale: COARSE, tuning });
      chance += fireCounts * handCounts * above(pot.scorch, SCORCH.taste, SCORCH.sdLn);
    }
  return chance;
}

/** An infusion that is worth its name, 0 to 1 (C). */
const DRAWN = 0.7;

/** How strong a whole spice has drawn when it comes out, and the minutes it should have steeped for more. */
function drawnBy(run: Run, bowl: Bowl): { drawn: number; steepMin?: number } {
  const seconds = Math.max(
    0,
    (run.aromaOutS ?? run.pot.aromaS) - (run.aromaAt[bowl] ?? run.aromaOutS ?? run.pot.aromaS),
  );
  const drawn = infused(seconds, 95, 'whole');
  if (drawn >= DRAWN) return { drawn };
  const perS = -Math.log(1 - infused(1, 95, 'whole'));
  return { drawn, steepMin: Math.ceil((-Math.log(1 - DRAWN) / perS - seconds) / 60) };
}

/** Parts of the batch that go their own way from the pouring on. */
function portionsOf(plan: Plan, run: Run, sdLn: number): PortionForecast[] {
  const { atPour } = run;
  if (!atPour) return [];
  return portionPlans(plan).map((part, i) => {
    const own = runPortion(part, potSetup(plan), atPour);
    const bounds = boundsFor(part.serve.style, own.depthM);
    const { cooling, ages, serving: age } = dishHistory(part, own, Math.max(part.rest.hours, 10));
    const serving = judgeServed(part, own, age, bounds);
    const ready = ages.find(
      ({ point: p, ageH, coldestC }) =>
        p.hours > 0.2 &&
        p.coreC < 30 &&
        judge(part, own, { ageH, tempC: p.coreC, coldestC, hours: p.hours }, bounds).yieldPa >=
          bounds[part.serve.word] * 0.98,
    );
    const lastC = own.stays.at(-1)?.airC ?? part.rest.fridgeC;
    return {
      id: plan.portions[i]!.id,
      serving,
      chance: chanceOf(part.serve.word, yieldAtPlace(serving.place, bounds), sdLn, bounds),
      depthMm: own.depthM * 1000,
      fillRel: own.fillRel,
      ...(own.bake ? { bakeMin: own.bake.minutes } : {}),
      readyH: ready?.point.hours ?? NaN,
      servingTempH: hoursBelow(cooling, part.serve.tempC),
      safe: keepsRule(cooling, part.rest.rule ?? 'two stages', Math.min(12, lastC + 1.5)).safe,
    };
  });
}

/** The minutes between raw taste and breakdown, counted from the first bubble. */
function windowOf(plan: Plan, run: Run, body: Body): Forecast['window'] {
  const { pot } = run;
  const from = Number.isNaN(pot.bubbleAtS) ? (run.phases.find((p) => p.role === 'thicken')?.endS ?? 0) : pot.bubbleAtS;
  const cooked = run.trace.find((r) => r.tS >= from && r.rawPer100G <= RAW_TASTE);
  return {
    rawGoneMin: cooked ? (cooked.tS - from) / 60 : NaN,
    breaksMin:
      (pot.tS - from) / 60 + breaksAfterMin(body, Math.min(pot.bulkMaxC, pot.boilsC), plan.method.stirEveryS, false),
  };
}

/**
 * The whole forecast of a plan: pot, oven, dish, fridge, spoon.
 * @throws UnknownIngredientError, RangeError (nothing liquid in the pot)
 */
export function forecast(plan: Plan): Forecast {
  const run = runMethod(plan, { sampleS: 5 });
  return forecastFrom(plan, run, {
    curdle: curdleChance(plan),
    scorch: catchChance(plan, run.pot.scorch),
  });
}

/**
 * The same, from a pot that was really cooked: the live cook hands in its own.
 * @param chances of risks that were counted over kitchens
 */
export function forecastFrom(
  plan: Plan,
  run: Run,
  chances: Partial<Record<'curdle' | 'scorch', number | undefined>> = {},
): Forecast {
  const whole = wholeMixture(plan);
  const { pot } = run;
  const m = pot.content;
  const endMassG = massG(m);
  const { depthM, fillRel } = run;
  const bounds = boundsFor(plan.serve.style, depthM);
  const watchH = Math.max(plan.rest.hours, 10);
  const { cooling, ages, serving: age } = dishHistory(plan, run, watchH);
  const set: SetPoint[] = ages.map(({ point, ageH, coldestC }) => {
    const f = judge(plan, run, { ageH, tempC: point.coreC, coldestC, hours: point.hours }, bounds);
    return { ...point, yieldPa: f.yieldPa, modulusPa: f.modulusPa, place: f.place };
  });

  const hot = hotIn(plan, run);
  const serving = judgeServed(plan, run, age, bounds);
  const nextDay = judge(plan, run, { ...age, ageH: age.ageH + 24, hours: plan.rest.hours + 24 }, bounds);
  const doubt = doubtOf(plan, age, bounds);
  const stands = standing(serving.yieldPa, serving.modulusPa, depthM);
  const ready = set.find((p) => p.hours > 0.2 && p.coreC < 30 && p.yieldPa >= bounds[plan.serve.word] * 0.98);
  const touchH = depthM <= TOUCH.thinM ? touchHours(plan, run, cooling, bounds) : NaN;
  const frozenH = cooling.find((p) => p.ice > 0.95)?.hours ?? NaN;
  const below = (c: number) => hoursBelow(cooling, c);
  const lastC = run.stays.at(-1)?.airC ?? plan.rest.fridgeC;
  const rule = keepsRule(cooling, plan.rest.rule ?? 'two stages', Math.min(12, lastC + 1.5));
  const body = bodyOf(m, pot.fractions);
  const weeps = weepPct(m, pot.fractions, body, 3);
  const risks = risksOf(plan, run, weeps);
  const k = consistency(body, pot.bulkC, m);
  const coldH = cooling.filter((p) => p.hours <= plan.rest.hours && p.coreC < KNIFE.coldC).length
    ? plan.rest.hours - hoursBelow(cooling, KNIFE.coldC)
    : 0;
  const weight = WEIGHT_N_PER_M3 * depthM;
  const pieces = Math.min(0.35, (2 * m.piecesG) / endMassG);
  const release = plan.choices.mould === 'greased' ? 0.98 : 0.95;
  const cutBound = boundsFor(plan.serve.style === 'turned out' ? 'turned out' : 'cut', depthM).slices;
  const portions = USES.flatMap((use) => inBowls(plan)[use]);
  const starchG = pot.fractions.reduce((s, f) => s + f.starchG, 0);
  const egg = eggReport(run);
  const top = topLayerOf(plan);
  const first = (what: PhaseEnd | undefined) => (what ? what.endS / 60 : 0);
  const partial: Omit<Forecast, 'cautions'> = {
    hot,
    serving,
    nextDay,
    doubt: {
      ...placesWithin(serving, doubt.sdLn, bounds, age.tempC),
      ...doubt,
    },
    pushes: pushesOf(plan, age, bounds),
    chance: chanceOf(plan.serve.word, yieldAtPlace(serving.place, bounds), doubt.sdLn, bounds),
    standing: stands,
    depthMm: depthM * 1000,
    fillRel,
    endMassG,
    lossRel: 1 - endMassG / massG(whole),
    sweetnessPct: (100 * m.sweetG) / endMassG,
    minutes: {
      toThicken: pot.thickenAtS / 60,
      toBubble: Number.isNaN(pot.bubbleAtS) ? first(run.phases.find((p) => p.role === 'thicken')) : pot.bubbleAtS / 60,
      total: first(run.phases.at(-1)) + (run.bake?.minutes ?? 0),
    },
    peak: { bulkC: pot.bulkMaxC, filmC: pot.filmMaxC, panC: pot.panMaxC },
    phases: run.phases,
    told: run.told,
    products: Object.fromEntries(plan.vessels.map((v) => [v.id, massG(productOf(plan, v).content)])),
    trace: run.trace,
    rawPer100G: readPot(pot).rawPer100G,
    bite: body.bite,
    scorch: pot.scorch,
    risks: {
      ...risks,
      curdle: { ...risks.curdle, chance: chances.curdle ?? risks.curdle.chance },
      scorch: { ...risks.scorch, chance: chances.scorch ?? risks.scorch.chance },
    },
    ...(egg ? { egg } : {}),
    ...(run.bake ? { bake: run.bake } : {}),
    ...(top ? { top } : {}),
    seen: seenNow(k, pot.viscosityPaS, PASTE.yieldOverK * k, serving.yieldPa),
    look: lookOf(
      m,
      portions,
      starchG > 0 ? pot.fractions.reduce((s, f) => s + f.starchG * GRAINS[f.kind].starch.clear, 0) / starchG : 0,
      pot.fractions.some((f) => GRAINS[f.kind].form !== 'powder'),
      severityOf(pot),
      portions.some((p) => purposeOf(p.in) === 'off the heat' && p.ingredient.group === 'fat'),
    ),
    aroma: portions
      .filter((p) => p.ingredient.aromaHalfS !== undefined)
      .map((p) => ({
        ingredientId: p.ingredient.id,
        left: Math.exp(
          -aromaRate(p.ingredient.aromaHalfS!, 95, false) * Math.max(0, pot.aromaS - (run.aromaAt[p.in] ?? pot.aromaS)),
        ),
        ...(p.ingredient.comesOut ? drawnBy(run, p.in) : {}),
      })),
    ...(run.addsMl > 0
      ? {
          folded: {
            addsMl: run.addsMl,
            steps: judgeServed(plan, { ...run, addsMl: 0 }, age, bounds).place - serving.place,
          },
        }
      : {}),
    portions: portionsOf(plan, run, doubt.sdLn),
    window: windowOf(plan, run, body),
    depthMarksMm: { start: depthMm(whole, plan.pan.diameterMm), end: depthMm(m, plan.pan.diameterMm) },
    amylosePct: (100 * body.amyloseG) / Math.max(1, body.freeWaterG),
    ladlesC: run.ladles,
    keeping: {
      weepPctAt3Days: weeps,
      thawedPct: thawedPct(m, pot.fractions),
      days: m.eggProteinG > 0 ? KEEPING.keepEggDays : KEEPING.keepDays,
      afterAmylase: overnight(m, pot.amylaseLog, 24, plan.rest.fridgeC),
    },
    knife: {
      unmould:
        release *
        above(bearsPa(serving.yieldPa, serving.modulusPa), 0.275 * weight, doubt.sdLn) *
        above(serving.modulusPa, weight / (6 * STANDS.sagRel), doubt.sdLn),
      sliceClean:
        plan.serve.tempC < KNIFE.belowC && coldH >= KNIFE.coldHours && serving.modulusPa < KNIFE.toughPa
          ? above(serving.yieldPa, cutBound, doubt.sdLn) * (1 - pieces)
          : 0,
    },
    set,
    readyH: plan.choices.cooling === 'freezer' && touchH < (ready?.hours ?? Infinity) ? touchH : (ready?.hours ?? NaN),
    touchH,
    servingTempH: below(plan.serve.tempC),
    atTableC: cooling.findLast((p) => p.hours <= plan.rest.hours + 1e-6)?.coreC ?? dishStartC(run, plan.room.tempC),
    frozenH,
    ...(plan.serve.tempC < freezesBelowC(sugarFraction(m))
      ? {
          frozen: frozenOf(frozenH, plan.serve.tempC, plan.room.tempC, sugarFraction(m), m.waterG / endMassG),
        }
      : {}),
    cool: {
      below57H: below(SAFE_COOLING.fromC),
      below21H: below(SAFE_COOLING.toC),
      below5H: below(Math.max(SAFE_COOLING.thenC, lastC + 1.5)),
      safe: rule.safe,
      asked: plan.serve.tempC < EATEN_WARM_C,
      ordinary:
        rule.worstH <= ORDINARY.overH &&
        plan.rest.covered &&
        plan.dish.capacityMl <= ORDINARY.cupMl &&
        plan.rest.roomMin <= ORDINARY.roomMin,
    },
    allergens: allergensOf(plan),
  };
  return { ...partial, cautions: cautionsOf(plan, partial) };
}

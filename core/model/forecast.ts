import { errorFunction } from 'simple-statistics';
import { massG, phOf } from '../matter/mixture';
import { allergensOf, atStages, lookUp, mainLiquid, wholeMixture } from '../plan/stages';
import { STAGES, type Plan } from '../plan/plan';
import { type SetWord } from '../texture/words';
import type { Bake } from '../oven/bake';
import type { Pantry } from '../pantry/pantry';
import { EGG } from '../pot/egg';
import { breaksAfterMin, depthMm } from '../pot/corrections';
import { aromaRate, infused, lookOf, splitChance, type Look } from '../pot/flavour';
import { boilOverChance, skinAfter } from '../pot/foam';
import { BITE, GRAINS } from '../pot/grain';
import {
  bodyOf,
  consistency,
  dairyProteinPct,
  eggFactor,
  fillerFactor,
  PASTE,
  solidsFactor,
  sugarFraction,
  viscosityPaS,
  type Body,
} from '../pot/paste';
import { cookedStarchPct, NO_TUNING, RAW_TASTE, readPot, severityOf, type PotReading, type Tuning } from '../pot/pot';
import { COARSE, type PhaseEnd } from '../pot/program';
import { SCORCH } from '../pot/scorch';
import type { Risk, RiskName } from './risks';
import { dishStartC, runMethod, type Run } from './run';
import { coolInDish, hoursBelow, keepsRule, type CoolingPoint } from '../set/cooling';
import { ageingRate, gelModulusPa, KNIFE, standing, STANDS, yieldPa, type Standing } from '../set/firmness';
import { KEEPING, overnight, thawedPct, weepPct } from '../set/keeping';
import { SAFE_COOLING, SAFE_COOLING_RULES } from '../set/safety';
import { topLayerOf, type TopLayer } from './topLayer';
import { seenNow, type Seen } from '../texture/kitchenTests';
import {
  boundsFor,
  stripPlace,
  upperBoundPa,
  WEIGHT_N_PER_M3,
  wordAt,
  yieldAtPlace,
  type Bounds,
} from '../texture/words';
import { FILL, SCALE_SD_REL, JUG_SD_REL } from '../units/measures';

export type SetPoint = CoolingPoint & { yieldPa: number; place: number };

export type Firmness = { word: SetWord; place: number; yieldPa: number; modulusPa: number; viscosityPaS: number };

export type Caution = { id: string; text: string };

export type EggReport = {
  /** network 0 to 1 and what is felt of curds */
  set: number;
  severity: number;
  /** share of the yolk's starch-eating enzyme that survived */
  amylaseLeft: number;
  salmonellaLog: number;
  hottestC: number;
  safe: boolean;
  says: string;
};

export type Forecast = {
  hot: Firmness;
  serving: Firmness;
  nextDay: Firmness;
  /** strip places that hold 8 cooks in 10 */
  doubt: { low: number; high: number; sdLn: number; sources: { name: string; share: number }[] };
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
  aroma: { ingredientId: string; left: number; drawn?: number }[];
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
  frozenH: number;
  cool: { below57H: number; below21H: number; below5H: number; safe: boolean };
  allergens: string[];
  cautions: Caution[];
};

/** Spread of what the kitchen does, 1 sd (B): hob power, evaporation. */
export const KITCHEN_SD = { hobRel: 0.2, evaporationRel: 0.25 } as const;

/** Spread of the starch by how it is measured, relative. */
export function starchSdRel(measure: Plan['starchMeasure']): number {
  if (measure === 'scale') return SCALE_SD_REL;
  return measure === 'level spoons' ? FILL.level.sdRel : FILL.rounded.sdRel;
}

/** Chance from which a risk is worth a word (C). */
const WORTH_SAYING = { lumps: 0.08, curdle: 0.15, 'boil over': 0.3, split: 0.2, weeping: 0.6 } as const;

/** How old and how cold: what the dish has been through when it is judged. */
export type Age = { ageH: number; tempC: number; coldestC?: number; hours?: number };

/** The pudding in the dish, judged: words, firmness and viscosity at an age and a temperature. */
export function judge(plan: Plan, run: Pick<Run, 'pot' | 'bake' | 'addsMl'>, at: Age, bounds: Bounds): Firmness {
  const { pot } = run;
  const m = pot.content;
  const body = bodyOf(m, pot.fractions);
  const thinned = at.hours ? overnight(m, pot.amylaseLog, at.hours, at.tempC) : 1;
  const egg = run.bake ? { set: run.bake.eggSetMean, curd: run.bake.curdMean } : undefined;
  const stirredEgg = run.bake ? Math.max(0, pot.eggSet) : pot.eggSet;
  const k = consistency(body, at.tempC, m) * thinned;
  const air = run.addsMl > 0 ? (1 - run.addsMl / (run.addsMl + massG(m) / 1.04)) ** 2 : 1;
  const modulusPa =
    gelModulusPa(m, body, {
      ageH: at.ageH,
      tempC: at.tempC,
      firmness: plan.firmness.factor,
      ...(at.coldestC === undefined ? {} : { coldestC: at.coldestC }),
      ...(egg ? { egg } : {}),
    }) *
    thinned *
    air;
  const stress = yieldPa(
    modulusPa,
    k * solidsFactor(m) * eggFactor(m, stirredEgg) ** PASTE.eggInPaste * Math.min(2.5, fillerFactor(body)),
  );
  const viscosity = viscosityPaS(k, m, at.tempC, body, stirredEgg);
  const place = stripPlace(stress, viscosity, bounds);
  return { word: wordAt(place), place, yieldPa: stress, modulusPa, viscosityPaS: viscosity };
}

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
  let ageH = 0;
  let ageServingH = 0;
  let coldestC = Infinity;
  let coldestServingC = Infinity;
  const ages = cooling.map((p, i) => {
    const before = cooling[i - 1];
    if (before) ageH += (p.hours - before.hours) * ageingRate((p.coreC + before.coreC) / 2);
    coldestC = Math.min(coldestC, p.coreC);
    if (p.hours <= plan.rest.hours + 1e-6) {
      ageServingH = ageH;
      coldestServingC = coldestC;
    }
    return { point: p, ageH, coldestC };
  });
  return { cooling, ages, ageServingH, coldestServingC };
}

/** Yield stress at serving, Pa: the quick answer that the solver and the doubt ask for. */
export function servingStress(
  plan: Plan,
  pantry: Pantry,
  tuning?: Tuning,
): { stress: number; place: number; run: Run; bounds: Bounds; ageH: number } {
  const run = runMethod(plan, pantry, { toleranceScale: COARSE, ...(tuning ? { tuning } : {}) });
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const { ageServingH, coldestServingC } = dishHistory(plan, run, plan.rest.hours);
  const at = servingAge(plan, ageServingH, coldestServingC);
  const judged = judge(plan, run, at, bounds);
  return { stress: judged.yieldPa, place: judged.place, run, bounds, ageH: ageServingH };
}

/** The words alone, for a thumb that is still moving: one coarse cook, no doubt and no risks. */
export type Point = { serving: { word: SetWord; place: number }; hot: { word: SetWord } };

export function point(plan: Plan, pantry: Pantry): Point {
  const { place, run } = servingStress(plan, pantry);
  return { serving: { word: wordAt(place), place }, hot: { word: hotIn(plan, run).word } };
}

/** In the pot as it leaves the fire, before any oven. */
const hotIn = (plan: Plan, { pot, addsMl }: Pick<Run, 'pot' | 'addsMl'>): Firmness =>
  judge(plan, { pot, addsMl }, { ageH: 0, tempC: Math.min(90, pot.bulkC) }, boundsFor('spooned', 0.04));

const servingAge = (plan: Plan, ageH: number, coldestC: number): Age => ({
  ageH,
  tempC: plan.serve.tempC,
  coldestC: Math.min(coldestC, plan.serve.tempC),
  hours: plan.rest.hours,
});

/**
 * First-order spread of ln(yield stress) at serving: one kitchen habit moved by its 1 sd at a time, with the spread of
 * the gel model itself (or what is left of it after the cook's own batches).
 */
function doubtOf(
  plan: Plan,
  pantry: Pantry,
  age: Age,
  bounds: Bounds,
): { sdLn: number; sources: { name: string; share: number }[] } {
  const stress = (changed: Plan, tuning?: Tuning) => {
    const run = runMethod(changed, pantry, { toleranceScale: COARSE, ...(tuning ? { tuning } : {}) });
    // by its place on the strip, so that what only flows is doubted too
    return yieldAtPlace(judge(changed, run, age, bounds).place, bounds);
  };
  const base = stress(plan);
  const delta = (changed: Plan, tuning?: Tuning) => Math.log(stress(changed, tuning) / base);
  const group = (g: string, factor: number): Plan => ({
    ...plan,
    items: plan.items.map((i) =>
      (plan.own.find((o) => o.id === i.ingredientId) ?? pantry.get(i.ingredientId))?.group === g
        ? { ...i, grams: i.grams * factor }
        : i,
    ),
  });
  const parts = [
    { name: 'measuring the starch', sd: delta(group('thickener', 1 + starchSdRel(plan.starchMeasure))) },
    { name: 'measuring the milk', sd: delta(group('milk', 1 + JUG_SD_REL)) },
    {
      name: 'the hob',
      sd: delta({
        ...plan,
        hob: { ...plan.hob, powerTrim: Math.min(2, plan.hob.powerTrim * (1 + KITCHEN_SD.hobRel)) },
      }),
    },
    { name: 'steam lost', sd: delta(plan, { ...NO_TUNING, evaporation: 1 + KITCHEN_SD.evaporationRel }) },
    { name: 'the model of the set', sd: plan.firmness.sdLn },
  ];
  const variance = parts.reduce((sum, p) => sum + p.sd * p.sd, 0);
  return {
    sdLn: Math.sqrt(variance),
    sources: parts.map((p) => ({ name: p.name, share: (p.sd * p.sd) / variance })).sort((a, b) => b.share - a.share),
  };
}

/** Steps on the strip that milk (against water), sugar (against none) and the steam lost (against its water put back) bring. */
function pushesOf(plan: Plan, pantry: Pantry, age: Age, bounds: Bounds): Forecast['pushes'] {
  const cooked = (changed: Plan) => runMethod(changed, pantry, { toleranceScale: COARSE });
  const judged = (changed: Plan, run: Run) => judge(changed, run, age, bounds).place;
  const run = cooked(plan);
  const base = judged(plan, run);
  const { pot } = run;
  const undried: Run = {
    ...run,
    pot: { ...pot, content: { ...pot.content, waterG: pot.content.waterG + pot.evaporatedG } },
  };
  const groupOf = (id: string) => (plan.own.find((o) => o.id === id) ?? pantry.get(id))?.group;
  const toWater = (id: string) => (groupOf(id) === 'milk' ? 'water' : id);
  const water: Plan = {
    ...plan,
    items: plan.items.map((i) => ({ ...i, ingredientId: toWater(i.ingredientId) })),
    carveOuts: plan.carveOuts.map((c) => ({ ...c, ingredientId: toWater(c.ingredientId) })),
  };
  const bare: Plan = {
    ...plan,
    items: plan.items.map((i) => (groupOf(i.ingredientId) === 'sweet' ? { ...i, grams: 0 } : i)),
  };
  return [
    { of: 'milk', steps: base - judged(water, cooked(water)) },
    { of: 'sugar', steps: base - judged(bare, cooked(bare)) },
    { of: 'steam lost', steps: base - judged(plan, undried) },
  ];
}

/** Share of a standard normal below `x`. */
const phi = (x: number): number => (1 + errorFunction(x / Math.SQRT2)) / 2;

/** Chance that a lognormal yield stress falls in the wanted word's band. A stiffer step still stands, but is not what was wanted. */
export function chanceOf(word: SetWord, yieldStressPa: number, sdLn: number, bounds: Bounds): number {
  const z = (limit: number) => (Math.log(limit) - Math.log(Math.max(yieldStressPa, 1e-6))) / Math.max(sdLn, 1e-6);
  const low = word === 'drinks' ? 0 : phi(z(bounds[word]));
  const high = word === 'firm' ? 1 : phi(z(upperBoundPa(word, bounds)));
  return Math.max(0, high - low);
}

/** Chance that a value known to a spread of its logarithm is above a limit. */
const above = (value: number, limit: number, sdLn: number): number =>
  value <= 0 ? 0 : phi(Math.log(value / limit) / Math.max(sdLn, 1e-6));

/** Seconds of bubbling after which half of the cream at the sides has dried to flakes (C). */
const FLAKES_S = 600;

/** A skin on the dish, or flakes of it from the sides of the pan. */
function skinRisk(plan: Plan, run: Run, dairy: boolean): Risk {
  const open = plan.rest.covered ? skinAfter(run.pot.skinS) * 0.3 : dairy ? 0.9 : 0.5;
  const bubbled = Number.isNaN(run.pot.bubbleAtS) ? 0 : Math.max(0, run.pot.tS - run.pot.bubbleAtS);
  const flakes = dairy && plan.choices.sides === 'stirred back' ? 1 - 2 ** (-bubbled / FLAKES_S) : 0;
  return flakes > open
    ? { chance: flakes, why: 'cream dries at the sides and comes back as flakes' }
    : { chance: open, why: plan.rest.covered ? 'covered' : 'it stands open' };
}

function risksOf(plan: Plan, pantry: Pantry, run: Run, weeps: number): Record<RiskName, Risk> {
  const { pot } = run;
  const reading = readPot(pot);
  const severity = severityOf(pot);
  const worst = Math.max(severity, run.bake ? severityOf(pot, run.bake.curdEdge) : 0);
  const egg = pot.content.eggProteinG > 0;
  const base = mainLiquid(plan, pantry)?.base ?? 'water';
  const dry = run.bake && plan.choices.bath !== undefined && plan.choices.bath === 'none';
  const split = splitChance(phOf(pot.content), dairyProteinPct(pot.content), cookedStarchPct(pot));
  return {
    lumps: { chance: pot.lumps, why: run.lumpWhy || 'nothing dry meets anything hot' },
    curdle: {
      chance: egg ? above(worst, EGG.smooth, 0.8) : 0,
      why: !egg
        ? 'no egg'
        : run.bake
          ? `the edge reaches ${Math.round(run.bake.edgeC)} °C${dry ? ' without a water bath' : ''}`
          : `the egg reaches ${Math.round(pot.eggMaxC)} °C with ${cookedStarchPct(pot) < 0.2 ? 'no' : `${cookedStarchPct(pot).toFixed(1)} % of cooked`} starch to protect it`,
    },
    scorch: {
      chance: above(pot.scorch, SCORCH.taste, SCORCH.sdLn),
      why: `the floor reaches ${Math.round(pot.panMaxC)} °C${base === 'dairy' ? ' under milk' : ''}`,
    },
    'raw starch': {
      chance: above(reading.rawPer100G, RAW_TASTE, 0.5),
      why:
        sugarFraction(pot.content) > 0.33
          ? 'so much sugar keeps it from cooking'
          : reading.bite < BITE.alDente
            ? 'the grain has not taken its water'
            : `it reaches ${Math.round(pot.bulkMaxC)} °C`,
    },
    'boil over': {
      chance: boilOverChance(pot.foamMax),
      why: `steam against ${Math.round(plan.pan.heightMm)} mm of pan`,
    },
    skin: skinRisk(plan, run, base === 'dairy'),
    weeping: { chance: above(weeps, 3, 0.5), why: `about ${weeps.toFixed(1)} % in three days` },
    split: { chance: split, why: `acidity pH ${phOf(pot.content).toFixed(1)}` },
  };
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

function eggReport(run: Run): EggReport | undefined {
  const { pot } = run;
  if (pot.content.eggProteinG <= 0) return undefined;
  const hottestC = run.bake ? Math.max(pot.eggMaxC, run.bake.centreC) : pot.eggMaxC;
  const log = pot.salmonellaLog;
  const safe = log >= EGG.salmonellaLog && hottestC >= 68;
  return {
    set: run.bake ? run.bake.eggSet : pot.eggSet,
    severity: severityOf(pot),
    amylaseLeft: 10 ** -pot.amylaseLog,
    salmonellaLog: log,
    hottestC,
    safe,
    says: safe
      ? `Hot enough for long enough by this model; the usual guidance is ${EGG.safeC} °C. Local food-safety rules come first.`
      : `Not surely safe: the usual guidance for egg is ${EGG.safeC} °C. Cook it hotter or use pasteurised egg. Local food-safety rules come first.`,
  };
}

function cautionsOf(plan: Plan, f: Omit<Forecast, 'cautions'>, pantry: Pantry): Caution[] {
  const out: Caution[] = [];
  const say = (id: string, text: string) => out.push({ id, text });
  const m = wholeMixture(plan, pantry);
  const panMl = Math.PI * (plan.pan.diameterMm / 20) ** 2 * (plan.pan.heightMm / 10);
  const items = plan.items.filter((i) => i.grams > 0).map((i) => lookUp(pantry, plan, i.ingredientId));
  if (f.egg && !f.egg.safe) say('egg', f.egg.says);
  else if (f.egg) say('egg-ok', `Egg: ${f.egg.says}`);
  if (massG(m) / 1.03 > panMl * 0.66)
    say('pan', 'The pan is more than two thirds full. Milk climbs to the rim in seconds: take a bigger one.');
  else if (f.risks['boil over'].chance > WORTH_SAYING['boil over'])
    say('boil-over', 'On this setting it foams towards the rim. Turn down before the boil, or take a higher pan.');
  if (f.fillRel > 0.98)
    say(
      'dish',
      `The dishes hold ${Math.round(plan.dish.count * plan.dish.capacityMl)} ml and ${Math.round(f.endMassG / 1.04 / 10) * 10} ml come. Take one more dish or make less.`,
    );
  if (f.phases.some((p) => p.role === 'thicken' && !p.reached))
    say('no-bubble', 'It never bubbles on this setting within an hour and a half. Turn the ring up or use a lid.');
  if (f.phases.some((p) => p.role.startsWith('simmer') && !p.reached))
    say('grain-hard', 'The grain does not get soft in the time. Soak it, give it more liquid, or cook it longer.');
  if (f.scorch >= SCORCH.ruined && f.lossRel > 0.4)
    say('burnt-dry', 'It boils dry and burns. Less heat, a lid, or more liquid.');
  else if (f.lossRel > 0.5 && plan.choices.reduceTo === undefined)
    say(
      'dry',
      'More than half of it boils away before it is done. Turn the ring down, cook shorter, or use a narrower pan.',
    );
  if (f.rawPer100G > RAW_TASTE) say('raw', 'Some starch stays raw and tastes of it. Cook on longer after the bubble.');
  if (f.risks.curdle.chance > WORTH_SAYING.curdle)
    say('curdle', `The egg may curdle: ${f.risks.curdle.why}. Stop lower, stir more, or add starch first.`);
  if (f.egg && f.egg.amylaseLeft > 0.05 && m.starchG > 0.01 * massG(m))
    say('amylase', 'Yolk keeps an enzyme that eats starch unless it is boiled a minute: this thins overnight.');
  if (f.scorch > SCORCH.taste)
    say('scorch', 'The floor will catch and the taste goes through everything. Stir more often or turn down.');
  else if (f.scorch > SCORCH.film)
    say('scorch', 'A film sticks to the floor. Stir more often or turn down, and do not scrape it up.');
  if (f.risks.split.chance > WORTH_SAYING.split)
    say('split', 'Sour fruit splits milk. Stir it in off the heat, into the thickened pot, or sweeten it first.');
  if (sugarFraction(m) > 0.35)
    say('sugar', 'So much sugar keeps the starch from cooking. Hold part of it back until it has thickened.');
  if (plan.serve.style === 'turned out' && !f.standing.stands)
    say('stand', 'Turned out it will slump. More starch, a lower mould, or serve it in its dish.');
  if (!f.cool.safe)
    say(
      'cooling',
      `The middle cools too slowly for the usual rule (${SAFE_COOLING_RULES[plan.rest.rule ?? 'two stages'].says}). Pour it shallower, into smaller dishes, or leave less time in the room. Local food-safety rules come first.`,
    );
  if (plan.rest.hours > f.keeping.days * 24)
    say('keep', `Keeps about ${f.keeping.days} days in the fridge, covered and dated.`);
  const base = mainLiquid(plan, pantry)?.base;
  if (base === 'nut' || base === 'oat' || base === 'soy')
    say('thin-milk', 'This milk sets softer than dairy. Chill a spoonful on a plate before you pour.');
  if (base === 'coconut' && plan.serve.tempC > 20)
    say('coconut', 'Coconut fat is soft above 20 °C: serve it straight from the fridge.');
  if (f.risks.lumps.chance > WORTH_SAYING.lumps)
    say(
      'lumps',
      `Lumps ${Math.round(f.risks.lumps.chance * 10)} times in 10: ${f.risks.lumps.why}. Let it cool a little first, or wet the starch cold.`,
    );
  if (items.some((i) => i.comesOut))
    say('whole-spice', 'Count whole spices in and out before it thickens: forgotten, they can choke a small child.');
  if (items.some((i) => i.alcohol)) say('alcohol', 'Holds alcohol; part of it stays.');
  if (items.some((i) => i.sweetness !== undefined && i.id !== 'honey'))
    say('substitute', 'Sugar substitutes and diabetes: ask a professional.');
  if (f.bake)
    say('oven', 'A hot dish and a water bath: dry cloths, slow steps. Cold glass and hot filling do not meet.');
  if (items.some((i) => i.group === 'piece' || i.group === 'nut'))
    say('choke', 'Nuts and pieces are a choking hazard for small children.');
  say('hot', 'Hot starch paste sticks to skin and burns. Keep children from the hob.');
  return out;
}

/**
 * The whole forecast of a plan: pot, oven, dish, fridge, spoon.
 * @throws UnknownIngredientError, RangeError (nothing liquid in the pot)
 */
export const forecast = (plan: Plan, pantry: Pantry): Forecast =>
  forecastFrom(plan, pantry, runMethod(plan, pantry, { sampleS: 5 }));

/** The same, from a pot that was really cooked: the live cook hands in its own. */
export function forecastFrom(plan: Plan, pantry: Pantry, run: Run): Forecast {
  const whole = wholeMixture(plan, pantry);
  const { pot } = run;
  const m = pot.content;
  const endMassG = massG(m);
  const { depthM, fillRel } = run;
  const bounds = boundsFor(plan.serve.style, depthM);
  const watchH = Math.max(plan.rest.hours, 10);
  const { cooling, ages, ageServingH, coldestServingC } = dishHistory(plan, run, watchH);
  const set: SetPoint[] = ages.map(({ point, ageH, coldestC }) => {
    const f = judge(plan, run, { ageH, tempC: point.coreC, coldestC }, bounds);
    return { ...point, yieldPa: f.yieldPa, place: f.place };
  });

  const hot = hotIn(plan, run);
  const age = servingAge(plan, ageServingH, coldestServingC);
  const serving = judge(plan, run, age, bounds);
  const nextDay = judge(plan, run, { ...age, ageH: ageServingH + 24, hours: plan.rest.hours + 24 }, bounds);
  const doubt = doubtOf(plan, pantry, age, bounds);
  const spread = Math.exp(1.2816 * doubt.sdLn);
  const stands = standing(serving.yieldPa, serving.modulusPa, depthM);
  const ready = set.find((p) => p.hours > 0.2 && p.coreC < 30 && p.yieldPa >= bounds[plan.serve.word] * 0.98);
  const below = (c: number) => hoursBelow(cooling, c);
  const lastC = run.stays.at(-1)?.airC ?? plan.rest.fridgeC;
  const rule = keepsRule(cooling, plan.rest.rule ?? 'two stages', Math.min(12, lastC + 1.5));
  const body = bodyOf(m, pot.fractions);
  const weeps = weepPct(m, pot.fractions, body, 3);
  const k = consistency(body, pot.bulkC, m);
  const coldH = cooling.filter((p) => p.hours <= plan.rest.hours && p.coreC < KNIFE.coldC).length
    ? plan.rest.hours - hoursBelow(cooling, KNIFE.coldC)
    : 0;
  const weight = WEIGHT_N_PER_M3 * depthM;
  const pieces = Math.min(0.35, (2 * m.piecesG) / endMassG);
  const release = plan.choices.mould === 'greased' ? 0.98 : 0.95;
  const cutBound = boundsFor(plan.serve.style === 'turned out' ? 'turned out' : 'cut', depthM).slices;
  const portions = STAGES.flatMap((stage) => atStages(plan, pantry)[stage].map((p) => ({ ...p, stage })));
  const clear = pot.fractions.filter((f) => ['tapioca', 'potato', 'waxy rice'].includes(GRAINS[f.kind].species));
  const starchG = pot.fractions.reduce((s, f) => s + f.starchG, 0);
  const egg = eggReport(run);
  const top = topLayerOf(plan, pantry);
  const first = (what: PhaseEnd | undefined) => (what ? what.endS / 60 : 0);
  const partial: Omit<Forecast, 'cautions'> = {
    hot,
    serving,
    nextDay,
    doubt: {
      low: stripPlace(serving.yieldPa / spread, serving.viscosityPaS / spread, bounds),
      high: stripPlace(serving.yieldPa * spread, serving.viscosityPaS * spread, bounds),
      ...doubt,
    },
    pushes: pushesOf(plan, pantry, age, bounds),
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
    trace: run.trace,
    rawPer100G: readPot(pot).rawPer100G,
    bite: body.bite,
    scorch: pot.scorch,
    risks: risksOf(plan, pantry, run, weeps),
    ...(egg ? { egg } : {}),
    ...(run.bake ? { bake: run.bake } : {}),
    ...(top ? { top } : {}),
    seen: seenNow(k, pot.viscosityPaS, PASTE.yieldOverK * k, serving.yieldPa),
    look: lookOf(
      m,
      portions,
      starchG > 0 ? clear.reduce((s, f) => s + f.starchG, 0) / starchG : 0,
      pot.fractions.some((f) => GRAINS[f.kind].form !== 'powder'),
      severityOf(pot),
      portions.some((p) => p.stage === 'off the heat' && p.ingredient.group === 'fat'),
    ),
    aroma: portions
      .filter((p) => p.ingredient.aromaHalfS !== undefined)
      .map((p) => ({
        ingredientId: p.ingredient.id,
        left: Math.exp(
          -aromaRate(p.ingredient.aromaHalfS!, 95, false) *
            Math.max(0, pot.aromaS - (run.aromaAt[p.stage] ?? pot.aromaS)),
        ),
        ...(p.ingredient.comesOut
          ? { drawn: infused(Math.max(0, pot.aromaS - (run.aromaAt[p.stage] ?? pot.aromaS)), 95, 'whole') }
          : {}),
      })),
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
        above(serving.yieldPa, 0.275 * weight, doubt.sdLn) *
        above(serving.modulusPa, weight / (6 * STANDS.sagRel), doubt.sdLn),
      sliceClean:
        plan.serve.tempC < KNIFE.belowC && coldH >= KNIFE.coldHours && serving.modulusPa < KNIFE.toughPa
          ? above(serving.yieldPa, cutBound, doubt.sdLn) * (1 - pieces)
          : 0,
    },
    set,
    readyH: ready?.hours ?? NaN,
    servingTempH: below(plan.serve.tempC),
    frozenH: cooling.find((p) => p.ice > 0.95)?.hours ?? NaN,
    cool: {
      below57H: below(SAFE_COOLING.fromC),
      below21H: below(SAFE_COOLING.toC),
      below5H: below(Math.max(SAFE_COOLING.thenC, lastC + 1.5)),
      safe: rule.safe,
    },
    allergens: allergensOf(plan, pantry),
  };
  return { ...partial, cautions: cautionsOf(plan, partial, pantry) };
}

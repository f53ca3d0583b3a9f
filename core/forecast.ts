import { cumulativeStdNormalProbability } from 'simple-statistics';
import { allergensOf, massG, starchSpecies, wholeMixture } from './formula/compose';
import type { Plan, SetWord } from './formula/plan';
import { dishAreaM2 } from './pantry/kitchen';
import type { Pantry } from './pantry/pantry';
import { planProgram, potSetup } from './pot/fromPlan';
import { lumpRisk } from './pot/lumps';
import { consistency, sugarFraction, swollenConcentration, viscosityPaS } from './pot/paste';
import { NO_TUNING, RAW_TASTE, readPot, type Pot, type PotReading } from './pot/pot';
import { COARSE_STEP_S, runProgram, STEP_S, type PhaseEnd } from './pot/program';
import { SCORCH } from './pot/scorch';
import { STARCHES } from './pot/starch';
import { coolInDish, hoursBelow, SAFE_COOLING, type CoolingPoint } from './set/cooling';
import { ageingRate, gelModulusPa, standing, yieldPa, type Standing } from './set/firmness';
import { boundsFor, stripPlace, upperBoundPa, wordAt, yieldAtPlace, type Bounds } from './texture/words';
import { FILL, SCALE_SD_REL, JUG_SD_REL } from './units/measures';

export type SetPoint = CoolingPoint & { yieldPa: number; place: number };

export type Firmness = { word: SetWord; place: number; yieldPa: number; modulusPa: number; viscosityPaS: number };

export type Caution = { id: string; text: string };

export type Forecast = {
  hot: Firmness;
  serving: Firmness;
  nextDay: Firmness;
  /** strip places that hold 8 cooks in 10 */
  doubt: { low: number; high: number; sdLn: number; sources: { name: string; share: number }[] };
  /** what each part does to the set at serving, in steps of the strip against leaving it out (milk: against water) */
  pushes: { of: 'milk' | 'sugar' | 'steam lost'; steps: number }[];
  /** chance, 0 to 1, that the wanted word or firmer-but-within-band is met */
  chance: number;
  standing: Standing;
  depthMm: number;
  /** how full the dishes are, 1 is the brim */
  fillRel: number;
  endMassG: number;
  lossRel: number;
  sweetnessPct: number;
  minutes: { toBubble: number; total: number };
  phases: PhaseEnd[];
  trace: PotReading[];
  rawPer100G: number;
  scorch: number;
  set: SetPoint[];
  /** hours after pouring; NaN is never within the wait */
  readyH: number;
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

/** Chance of lumps from which it is worth a word (C). */
const LUMPS_WORTH_SAYING = 0.08;

/** Below this a liquid has no set to doubt, Pa. */
const NO_SET_PA = 1e-3;

type Core = { pot: Pot; phases: PhaseEnd[]; trace: PotReading[] };

function cookPot(plan: Plan, pantry: Pantry, evaporation = 1, sampleS = 0, stepS = STEP_S): Core {
  const setup = potSetup(plan, pantry, { ...NO_TUNING, evaporation });
  const { start, phases } = planProgram(plan, pantry, setup);
  return runProgram(start, setup, phases, sampleS, stepS);
}

/** The pudding in the dish, judged: words, firmness and standing at an age and a temperature. */
export function judge(plan: Plan, pantry: Pantry, pot: Pot, ageH: number, tempC: number, bounds: Bounds): Firmness {
  const starch = STARCHES[starchSpecies(plan, pantry)];
  const c = swollenConcentration(pot.content, pot.gelatinised, pot.swelling);
  const k = consistency(c, pot.integrity, tempC, pot.content, starch);
  const modulusPa = gelModulusPa(pot.content, c, pot.integrity, starch, ageH, tempC, plan.firmness.factor);
  const stress = yieldPa(modulusPa, k);
  const viscosity = viscosityPaS(k, pot.content, tempC);
  const place = stripPlace(stress, viscosity, bounds);
  return { word: wordAt(place), place, yieldPa: stress, modulusPa, viscosityPaS: viscosity };
}

function dishOf(plan: Plan, massLeftG: number) {
  const volumeMl = massLeftG / 1.04 / plan.dish.count;
  const depthM = (volumeMl * 1e-6) / dishAreaM2(plan.dish);
  return { depthM: Math.max(0.004, depthM), fillRel: volumeMl / plan.dish.capacityMl };
}

/** Yield stress at serving, Pa: the quick answer that the solver and the doubt ask for. */
function servingYield(plan: Plan, pantry: Pantry, pot: Pot, bounds: Bounds, ageH: number): number {
  return judge(plan, pantry, pot, ageH, plan.serve.tempC, bounds).yieldPa;
}

/**
 * First-order spread of ln(yield stress) at serving: one kitchen habit moved by its 1 sd at a time, with the spread of
 * the gel model itself (or what is left of it after the cook's own batches).
 */
function doubtOf(
  plan: Plan,
  pantry: Pantry,
  bounds: Bounds,
  ageH: number,
): { sdLn: number; sources: { name: string; share: number }[] } {
  const stress = (changed: Plan, evaporation = 1) =>
    Math.max(
      NO_SET_PA,
      servingYield(changed, pantry, cookPot(changed, pantry, evaporation, 0, COARSE_STEP_S).pot, bounds, ageH),
    );
  const base = stress(plan);
  const delta = (changed: Plan, evaporation = 1) => Math.log(stress(changed, evaporation) / base);
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
      sd: delta({ ...plan, hob: { ...plan.hob, powerTrim: plan.hob.powerTrim * (1 + KITCHEN_SD.hobRel) } }),
    },
    { name: 'steam lost', sd: delta(plan, 1 + KITCHEN_SD.evaporationRel) },
    { name: 'the model of the set', sd: plan.firmness.sdLn },
  ];
  const variance = parts.reduce((sum, p) => sum + p.sd * p.sd, 0);
  return {
    sdLn: Math.sqrt(variance),
    sources: parts.map((p) => ({ name: p.name, share: (p.sd * p.sd) / variance })).sort((a, b) => b.share - a.share),
  };
}

/** Steps on the strip that milk (against water), sugar (against none) and the steam lost (against its water put back) bring. */
function pushesOf(plan: Plan, pantry: Pantry, bounds: Bounds, ageH: number): Forecast['pushes'] {
  const cooked = (changed: Plan) => cookPot(changed, pantry, 1, 0, COARSE_STEP_S).pot;
  const judged = (changed: Plan, pot: Pot) => judge(changed, pantry, pot, ageH, plan.serve.tempC, bounds).place;
  const pot = cooked(plan);
  const base = judged(plan, pot);
  const undried: Pot = { ...pot, content: { ...pot.content, waterG: pot.content.waterG + pot.evaporatedG } };
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

/** Chance that a lognormal yield stress falls in the wanted word's band. A stiffer step still stands, but is not what was wanted. */
export function chanceOf(word: SetWord, yieldStressPa: number, sdLn: number, bounds: Bounds): number {
  const z = (limit: number) => (Math.log(limit) - Math.log(Math.max(yieldStressPa, 1e-6))) / Math.max(sdLn, 1e-6);
  const low = word === 'drinks' ? 0 : cumulativeStdNormalProbability(z(bounds[word]));
  const high = word === 'firm' ? 1 : cumulativeStdNormalProbability(z(upperBoundPa(word, bounds)));
  return Math.max(0, high - low);
}

function cautionsOf(plan: Plan, f: Omit<Forecast, 'cautions'>, pantry: Pantry): Caution[] {
  const out: Caution[] = [];
  const say = (id: string, text: string) => out.push({ id, text });
  const m = wholeMixture(plan, pantry);
  const panMl = Math.PI * (plan.pan.diameterMm / 20) ** 2 * (plan.pan.heightMm / 10);
  if (massG(m) / 1.03 > panMl * 0.66)
    say('pan', 'The pan is more than two thirds full. Milk climbs to the rim in seconds: take a bigger one.');
  if (f.fillRel > 0.98)
    say(
      'dish',
      `The dishes hold ${Math.round(plan.dish.count * plan.dish.capacityMl)} ml and ${Math.round(f.endMassG / 1.04 / 10) * 10} ml come. Take one more dish or make less.`,
    );
  if (f.phases.some((p) => p.name === 'thicken' && !p.reached))
    say('no-bubble', 'It never bubbles on this setting within an hour. Turn the ring up or use a lid.');
  if (f.lossRel > 0.5)
    say(
      'dry',
      'More than half of it boils away before it is done. Turn the ring down, cook shorter, or use a narrower pan.',
    );
  if (f.rawPer100G > RAW_TASTE) say('raw', 'Some starch stays raw and tastes of it. Cook on longer after the bubble.');
  if (f.scorch > SCORCH.taste)
    say('scorch', 'The floor will catch and the taste goes through everything. Stir more often or turn down.');
  else if (f.scorch > SCORCH.film)
    say('scorch', 'A film sticks to the floor. Stir more often or turn down, and do not scrape it up.');
  if (sugarFraction(m) > 0.35)
    say('sugar', 'So much sugar keeps the starch from cooking. Hold part of it back until it has thickened.');
  if (plan.serve.style === 'turned out' && !f.standing.stands)
    say('stand', 'Turned out it will slump. More starch, a lower mould, or serve it in its dish.');
  if (!f.cool.safe)
    say(
      'cooling',
      `The middle takes too long from ${SAFE_COOLING.fromC} to ${SAFE_COOLING.toC} °C (usual limit ${SAFE_COOLING.withinH} h). Pour it shallower, into smaller dishes, or leave less time in the room. Local food-safety rules come first.`,
    );
  if (plan.rest.hours > 72)
    say('keep', 'Starch puddings keep three to four days in the fridge at most, covered and dated.');
  const base = pantry.get(
    plan.items.find((i) => pantry.get(i.ingredientId)?.group === 'milk')?.ingredientId ?? '',
  )?.base;
  if (base === 'nut' || base === 'oat' || base === 'soy')
    say('thin-milk', 'This milk sets softer than dairy. Chill a spoonful on a plate before you pour.');
  if (base === 'coconut' && plan.serve.tempC > 20)
    say('coconut', 'Coconut fat is soft above 20 °C: serve it straight from the fridge.');
  const onsetC = STARCHES[starchSpecies(plan, pantry)].onsetC;
  const lumps = lumpRisk('cold slurry', plan.method.slurryAtC, 3, onsetC);
  if (lumps > LUMPS_WORTH_SAYING)
    say(
      'lumps',
      `Slurry into milk this hot makes lumps ${Math.round(lumps * 10)} times in 10, whisked hard. Let it cool a little first.`,
    );
  say('hot', 'Hot starch paste sticks to skin and burns. Keep children from the hob.');
  return out;
}

/**
 * The whole forecast of a plan: pot, dish, fridge, spoon.
 * @throws UnknownIngredientError, RangeError (nothing liquid in the pot)
 */
export function forecast(plan: Plan, pantry: Pantry): Forecast {
  const { pot, phases, trace } = cookPot(plan, pantry, 1, 5);
  return forecastFrom(plan, pantry, pot, phases, trace);
}

/** The same, from a pot that was really cooked: the live cook hands in its own. */
export function forecastFrom(plan: Plan, pantry: Pantry, pot: Pot, phases: PhaseEnd[], trace: PotReading[]): Forecast {
  const whole = wholeMixture(plan, pantry);
  const endMassG = massG(pot.content);
  const { depthM, fillRel } = dishOf(plan, endMassG);
  const bounds = boundsFor(plan.serve.style, depthM);
  const startC = Math.max(40, pot.bulkC - 4);
  const watchH = Math.max(plan.rest.hours, 10);
  const cooling = coolInDish({
    dish: plan.dish,
    depthM,
    startC,
    roomC: plan.room.tempC,
    roomMin: plan.rest.roomMin,
    fridgeC: plan.rest.fridgeC,
    covered: plan.rest.covered,
    hours: watchH,
  });

  let ageH = 0;
  let ageServingH = 0;
  const set: SetPoint[] = cooling.map((p, i) => {
    const before = cooling[i - 1];
    if (before) ageH += (p.hours - before.hours) * ageingRate((p.coreC + before.coreC) / 2);
    if (p.hours <= plan.rest.hours + 1e-6) ageServingH = ageH;
    const f = judge(plan, pantry, pot, ageH, p.coreC, bounds);
    return { ...p, yieldPa: f.yieldPa, place: f.place };
  });

  const hot = judge(plan, pantry, pot, 0, Math.min(90, pot.bulkC), boundsFor('spooned', 0.04));
  const serving = judge(plan, pantry, pot, ageServingH, plan.serve.tempC, bounds);
  const nextDay = judge(plan, pantry, pot, ageServingH + 24, plan.serve.tempC, bounds);
  const doubt = doubtOf(plan, pantry, bounds, ageServingH);
  const spread = Math.exp(1.2816 * doubt.sdLn);
  const stands = standing(serving.yieldPa, serving.modulusPa, depthM);
  const ready = set.find((p) => p.hours > 0.2 && p.coreC < 30 && p.yieldPa >= bounds[plan.serve.word] * 0.98);
  const below = (c: number) => hoursBelow(cooling, c);
  const cool = {
    below57H: below(SAFE_COOLING.fromC),
    below21H: below(SAFE_COOLING.toC),
    below5H: below(Math.max(SAFE_COOLING.thenC, plan.rest.fridgeC + 1.5)),
  };
  const partial = {
    hot,
    serving,
    nextDay,
    doubt: {
      low: stripPlace(serving.yieldPa / spread, serving.viscosityPaS / spread, bounds),
      high: stripPlace(serving.yieldPa * spread, serving.viscosityPaS * spread, bounds),
      ...doubt,
    },
    pushes: pushesOf(plan, pantry, bounds, ageServingH),
    chance: chanceOf(plan.serve.word, yieldAtPlace(serving.place, bounds), doubt.sdLn, bounds),
    standing: stands,
    depthMm: depthM * 1000,
    fillRel,
    endMassG,
    lossRel: 1 - endMassG / massG(whole),
    sweetnessPct: (100 * pot.content.sugarG) / endMassG,
    minutes: {
      toBubble: (phases.find((p) => p.name === 'thicken')?.endS ?? 0) / 60,
      total: (phases.at(-1)?.endS ?? 0) / 60,
    },
    phases,
    trace,
    rawPer100G: readPot(pot).rawPer100G,
    scorch: pot.scorch,
    set,
    readyH: ready?.hours ?? NaN,
    cool: { ...cool, safe: cool.below21H - cool.below57H <= SAFE_COOLING.withinH },
    allergens: allergensOf(plan, pantry),
  };
  return { ...partial, cautions: cautionsOf(plan, partial, pantry) };
}

import { randomLcg, randomNormal } from 'd3-random';
import { mean, quantileSorted, sampleCorrelation } from 'simple-statistics';
import { blocksOf, type Block } from './blocks';
import { dishHistory, hotIn, judgeServed, type Age } from './forecast';
import { starchSdRel } from '../plan/measured';
import { lookUp } from '../plan/bowls';
import { type Plan } from '../plan/plan';
import { EGG } from '../pot/egg';
import { GRAINS } from '../pot/grain';
import { NO_TUNING, readPot, RAW_TASTE, type Tuning } from '../pot/pot';
import { COARSE } from '../pot/program';
import { SCORCH } from '../pot/scorch';
import { feltCurd } from './judgeRisks';
import { runMethod } from './run';
import { SPREAD } from './spread';
import { standing } from '../set/firmness';
import { SET_WORDS, type SetWord, boundsFor, yieldAtPlace } from '../texture/words';
import { JUG_SD_REL } from '../units/measures';

export type Chances = {
  draws: number;
  seed: number;
  /** chance of each word */
  serving: Record<SetWord, number>;
  hot: Record<SetWord, number>;
  curdles: number;
  lumps: number;
  catches: number;
  raw: number;
  /** turned out, it stands */
  stands: number;
  yieldPa: { p5: number; p50: number; p95: number };
  minutes: { p5: number; p50: number; p95: number };
  /** what the spread of ln stress comes from, largest first; shares of what the inputs explain */
  matters: { name: string; share: number }[];
};

/** What one kitchen made of it; `inputs` in standard deviations. */
export type Kitchen = {
  inputs: Record<string, number>;
  serving: SetWord;
  hot: SetWord;
  /** places on the strip, at the table and in the pot */
  place: number;
  hotPlace: number;
  yieldPa: number;
  stress: number;
  minutes: number;
  lumps: number;
  curdles: boolean;
  catches: boolean;
  raw: boolean;
  stands: boolean;
};

/** What all kitchens share: the hours in the dish, which hardly differ and are dear. */
export const sharedBy = (plan: Plan): Age =>
  dishHistory(plan, runMethod(plan, { toleranceScale: COARSE }), plan.rest.hours).serving;

/**
 * Cooks the plan in the kitchens of one block. Deterministic for its seed.
 * @param age of `sharedBy`
 * @throws UnknownIngredientError, RangeError
 */
export function kitchensOf(plan: Plan, age: Age, { seed, draws }: Block): Kitchen[] {
  const normal = randomNormal.source(randomLcg(seed))(0, 1);
  const kinds = plan.things.flatMap((i) => lookUp(plan, i.ingredientId).thickener ?? []).map((kind) => GRAINS[kind]);
  const ground = kinds.some((g) => g.form === 'particle');
  const groups = plan.things.map((i) => lookUp(plan, i.ingredientId).group);
  return Array.from({ length: draws }, (): Kitchen => {
    const z = {
      'measuring the starch': normal(),
      'measuring the milk': normal(),
      'measuring the sugar': normal(),
      'the eggs': normal(),
      'the hob': normal(),
      'steam lost': normal(),
      'the minutes': normal(),
      'the stirring': normal(),
      'the start': normal(),
      'the grind': normal(),
      'where the starch swells': normal(),
      'the model of the paste': normal(),
      'the model of the set': normal(),
      'where the egg curdles': normal(),
      'how fast it catches': normal(),
    };
    const amounts = {
      thickener: 1 + starchSdRel(plan.starchMeasure) * z['measuring the starch'],
      milk: 1 + JUG_SD_REL * z['measuring the milk'],
      sweet: 1 + SPREAD.sugar * z['measuring the sugar'],
      egg: 1 + SPREAD.egg * z['the eggs'],
    };
    const scale = (id: string, index: number) => {
      const g = groups[index] ?? lookUp(plan, id).group;
      return g in amounts ? Math.max(0.05, amounts[g as keyof typeof amounts]) : 1;
    };
    const minutes = Math.max(0.2, 1 + SPREAD.minutes * z['the minutes']);
    const drawn: Plan = {
      ...plan,
      things: plan.things.map((item, n) => ({ ...item, grams: item.grams * scale(item.ingredientId, n) })),
      method: { ...plan.method, cookOnMin: plan.method.cookOnMin * minutes },
      acts: plan.acts.map((s) =>
        s.do === 'heat' && s.until.reach === 'time'
          ? { ...s, until: { ...s.until, minutes: s.until.minutes * minutes } }
          : s,
      ),
      hob: { ...plan.hob, powerTrim: plan.hob.powerTrim * Math.exp(SPREAD.hob * z['the hob']) },
      firmness: {
        ...plan.firmness,
        factor: plan.firmness.factor * Math.exp(plan.firmness.sdLn * z['the model of the set']),
      },
    };
    const tuning: Tuning = {
      ...NO_TUNING,
      evaporation: Math.max(0.2, 1 + SPREAD.evaporation * z['steam lost']),
      consistency: Math.exp(SPREAD.consistency * z['the model of the paste']),
      gelShiftSd: z['where the starch swells'],
      curdShiftK: SPREAD.curdK * z['where the egg curdles'],
      scorch: Math.exp(SCORCH.sdLn * z['how fast it catches']),
      stir: Math.exp(SPREAD.stirLn * z['the stirring']),
      grain: Math.max(0.3, 1 + (ground ? SPREAD.grain : SPREAD.kernel) * z['the grind']),
      startK: SPREAD.startK * z['the start'],
    };
    const run = runMethod(drawn, { toleranceScale: COARSE, tuning });
    const bounds = boundsFor(plan.serve.style, run.depthM);
    const s = judgeServed(drawn, run, age, bounds);
    // hot it is a paste, and no gel yet: the doubt is that of the paste and of the word
    const factor = plan.firmness.factor * Math.exp(SPREAD.hotWord * z['the model of the paste']);
    const paste = { ...plan.firmness, factor };
    const inPot = hotIn({ ...drawn, firmness: paste }, run);
    return {
      inputs: z,
      serving: s.word,
      hot: inPot.word,
      place: s.place,
      hotPlace: inPot.place,
      yieldPa: s.yieldPa,
      stress: Math.log(yieldAtPlace(s.place, bounds)),
      minutes: run.pot.tS / 60,
      lumps: run.pot.lumps,
      curdles: feltCurd(run) > EGG.smooth,
      catches: run.pot.scorch > SCORCH.taste,
      raw: readPot(run.pot).rawPer100G > RAW_TASTE,
      stands: standing(s.yieldPa, s.modulusPa, run.depthM).stands,
    };
  });
}

/** Counts what the kitchens found. */
export function countKitchens(plan: Plan, seed: number, all: readonly Kitchen[]): Chances {
  const draws = all.length;
  const groups = plan.things.map((i) => lookUp(plan, i.ingredientId).group);
  const has = (g: string) => groups.some((x) => x === g);
  const shareOf = (is: (k: Kitchen) => boolean) => all.filter(is).length / draws;
  const words = (of: 'serving' | 'hot') =>
    Object.fromEntries(SET_WORDS.map((w) => [w, shareOf((k) => k[of] === w)])) as Record<SetWord, number>;
  const spread = (values: number[]) => {
    const sorted = [...values].sort((a, b) => a - b);
    return { p5: quantileSorted(sorted, 0.05), p50: quantileSorted(sorted, 0.5), p95: quantileSorted(sorted, 0.95) };
  };
  const stresses = all.map((d) => d.stress);
  const needs: Record<string, string> = {
    'the eggs': 'egg',
    'where the egg curdles': 'egg',
    'measuring the starch': 'thickener',
    'the grind': 'thickener',
    'where the starch swells': 'thickener',
    'measuring the sugar': 'sweet',
  };
  const names = Object.keys(all[0]?.inputs ?? {}).filter((n) => needs[n] === undefined || has(needs[n]));
  const r2 = names.map((name) => {
    const r =
      all.length > 2
        ? sampleCorrelation(
            all.map((d) => d.inputs[name]!),
            stresses,
          )
        : 0;
    return { name, share: Number.isFinite(r) ? r * r : 0 };
  });
  const explained = r2.reduce((sum, x) => sum + x.share, 0) || 1;
  return {
    draws,
    seed,
    serving: words('serving'),
    hot: words('hot'),
    curdles: shareOf((k) => k.curdles),
    lumps: mean(all.map((k) => k.lumps)),
    catches: shareOf((k) => k.catches),
    raw: shareOf((k) => k.raw),
    stands: shareOf((k) => k.stands),
    yieldPa: spread(all.map((d) => d.yieldPa)),
    minutes: spread(all.map((d) => d.minutes)),
    matters: r2.map((x) => ({ ...x, share: x.share / explained })).sort((a, b) => b.share - a.share),
  };
}

/**
 * All kitchens one after the other, for scripts and tests. Deterministic for a seed.
 * @param seed 0 to 1
 * @throws UnknownIngredientError, RangeError
 */
export function chances(plan: Plan, draws = 1000, seed = 0.5): Chances {
  const age = sharedBy(plan);
  return countKitchens(
    plan,
    seed,
    blocksOf(draws, seed).flatMap((block) => kitchensOf(plan, age, block)),
  );
}

import { randomLcg, randomNormal } from 'd3-random';
import { quantileSorted, sampleCorrelation } from 'simple-statistics';
import { dishHistory, hotIn, judge, starchSdRel } from './forecast';
import { lookUp } from '../plan/stages';
import { type Plan } from '../plan/plan';
import { SET_WORDS, type SetWord } from '../texture/words';
import { EGG } from '../pot/egg';
import { GRAINS } from '../pot/grain';
import { NO_TUNING, readPot, RAW_TASTE, type Tuning } from '../pot/pot';
import { COARSE } from '../pot/program';
import { SCORCH } from '../pot/scorch';
import { feltCurd } from './judgeRisks';
import { runMethod } from './run';
import { SPREAD } from './spread';
import { standing } from '../set/firmness';
import { boundsFor, yieldAtPlace } from '../texture/words';
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

type Draw = { inputs: Record<string, number>; yieldPa: number; stress: number; minutes: number };

/**
 * Cooks the plan `draws` times in as many kitchens. Deterministic for a seed. A generator: it yields how many are done,
 * so that a worker can show progress and stop.
 * @param seed 0 to 1
 * @throws UnknownIngredientError, RangeError
 */
export function* monteCarlo(plan: Plan, draws: number, seed: number, every = 25): Generator<number, Chances> {
  const normal = randomNormal.source(randomLcg(seed))(0, 1);
  const nominal = runMethod(plan, { toleranceScale: COARSE });
  const { serving: age } = dishHistory(plan, nominal, plan.rest.hours);
  const rice = nominal.pot.fractions.some(
    (f) => GRAINS[f.kind].species !== 'maize' && GRAINS[f.kind].species !== 'wheat',
  );
  const ground = nominal.pot.fractions.some((f) => GRAINS[f.kind].form === 'particle');
  const zero = () => Object.fromEntries(SET_WORDS.map((w) => [w, 0])) as Record<SetWord, number>;
  const serving = zero();
  const hot = zero();
  let curdles = 0;
  let lumps = 0;
  let catches = 0;
  let raw = 0;
  let stands = 0;
  const all: Draw[] = [];
  const groups = plan.items.map((i) => lookUp(plan, i.ingredientId).group);
  const has = (g: string) => groups.some((x) => x === g);
  for (let i = 0; i < draws; i++) {
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
    const factor = {
      thickener: 1 + starchSdRel(plan.starchMeasure) * z['measuring the starch'],
      milk: 1 + JUG_SD_REL * z['measuring the milk'],
      sweet: 1 + SPREAD.sugar * z['measuring the sugar'],
      egg: 1 + SPREAD.egg * z['the eggs'],
    };
    const scale = (id: string, index: number) => {
      const g = groups[index] ?? lookUp(plan, id).group;
      return g in factor ? Math.max(0.05, factor[g as keyof typeof factor]) : 1;
    };
    const minutes = Math.max(0.2, 1 + SPREAD.minutes * z['the minutes']);
    const drawn: Plan = {
      ...plan,
      items: plan.items.map((item, n) => ({ ...item, grams: item.grams * scale(item.ingredientId, n) })),
      method: { ...plan.method, cookOnMin: plan.method.cookOnMin * minutes },
      ...(plan.steps
        ? {
            steps: plan.steps.map((s) =>
              s.do === 'heat' && s.until.reach === 'time'
                ? { ...s, until: { ...s.until, minutes: s.until.minutes * minutes } }
                : s,
            ),
          }
        : {}),
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
      gelShiftK: (rice ? SPREAD.riceGelK : SPREAD.gelK) * z['where the starch swells'],
      curdShiftK: SPREAD.curdK * z['where the egg curdles'],
      scorch: Math.exp(SCORCH.sdLn * z['how fast it catches']),
      stir: Math.exp(SPREAD.stirLn * z['the stirring']),
      grain: Math.max(0.3, 1 + (ground ? SPREAD.grain : SPREAD.kernel) * z['the grind']),
      startK: SPREAD.startK * z['the start'],
    };
    const run = runMethod(drawn, { toleranceScale: COARSE, tuning });
    const bounds = boundsFor(plan.serve.style, run.depthM);
    const s = judge(drawn, run, age, bounds);
    const h = hotIn(drawn, run);
    serving[s.word] += 1;
    hot[h.word] += 1;
    if (feltCurd(run) > EGG.smooth) curdles += 1;
    lumps += run.pot.lumps;
    if (run.pot.scorch > SCORCH.taste) catches += 1;
    if (readPot(run.pot).rawPer100G > RAW_TASTE) raw += 1;
    if (standing(s.yieldPa, s.modulusPa, run.depthM).stands) stands += 1;
    all.push({
      inputs: z,
      yieldPa: s.yieldPa,
      stress: Math.log(yieldAtPlace(s.place, bounds)),
      minutes: run.pot.tS / 60,
    });
    if ((i + 1) % every === 0) yield i + 1;
  }
  const share = (counts: Record<SetWord, number>) =>
    Object.fromEntries(SET_WORDS.map((w) => [w, counts[w] / draws])) as Record<SetWord, number>;
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
    serving: share(serving),
    hot: share(hot),
    curdles: curdles / draws,
    lumps: lumps / draws,
    catches: catches / draws,
    raw: raw / draws,
    stands: stands / draws,
    yieldPa: spread(all.map((d) => d.yieldPa)),
    minutes: spread(all.map((d) => d.minutes)),
    matters: r2.map((x) => ({ ...x, share: x.share / explained })).sort((a, b) => b.share - a.share),
  };
}

/** All draws at once, for scripts and tests. */
export function chances(plan: Plan, draws = 1000, seed = 0.5): Chances {
  const run = monteCarlo(plan, draws, seed, draws);
  for (;;) {
    const next = run.next();
    if (next.done) return next.value;
  }
}

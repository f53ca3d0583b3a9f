import { withGrams } from '../plan/amounts';
import { lookUp } from '../plan/stages';
import type { Plan } from '../plan/plan';
import { solveStarch } from '../advice/solve';
import { starchSdRel } from '../model/forecast';
import { GEL } from '../set/firmness';
import { boundsFor, stripMiddle, wordAt, yieldAtPlace } from '../texture/words';
import type { Batch, Flaw } from './batch';
import { rowOfBatch, type BatchRow } from './row';

/** 1 sd of ln stress that a word leaves open: words are bands, and tasters differ (C). */
const WORD_SD_LN = 0.35;

/** It came out as the word that was promised. */
export const asPromised = (row: BatchRow): boolean => row.found.wordServing === wordAt(row.promise.servingPlace);

/** What a batch teaches is taught of its milk, its family and what thickens it: a kitchen's rice is not its cornstarch. */
export const kindOf = (row: BatchRow): string => [row.milkId ?? '', row.family, ...row.thickeners].join(' ');

/**
 * ln of found over promised stress at serving; 0 where the word is the one that was promised, for a word is a band;
 * undefined while no word was written down.
 */
export function missLn(row: BatchRow): number | undefined {
  const { wordServing } = row.found;
  if (!wordServing) return undefined;
  if (asPromised(row)) return 0;
  const bounds = boundsFor(row.serve.style, row.promise.depthMm / 1000);
  return Math.log(yieldAtPlace(stripMiddle(wordServing), bounds) / yieldAtPlace(row.promise.servingPlace, bounds));
}

/**
 * What the batches say of this kitchen's firmness: the mean of ln factor under a prior of 0 with the gel model's own
 * spread, each batch weighed by how well a word and its measuring can tell (normal update in ln space).
 */
export function learnFirmness(rows: readonly BatchRow[]): { factor: number; sdLn: number; batches: number } {
  let precision = 1 / GEL.sdLn ** 2;
  let sum = 0;
  let n = 0;
  for (const row of rows) {
    const miss = missLn(row);
    if (miss === undefined) continue;
    const noise = WORD_SD_LN ** 2 + (GEL.power * starchSdRel(row.starchMeasure)) ** 2;
    sum += (Math.log(row.factor) + miss) / noise;
    precision += 1 / noise;
    n += 1;
  }
  return { factor: Math.exp(sum / precision), sdLn: Math.sqrt(1 / precision), batches: n };
}

export type Advice =
  | { kind: 'starch'; fromG: number; toG: number; ingredientId: string }
  | { kind: 'sugar'; fromG: number; toG: number; ingredientId: string }
  | { kind: 'cook on'; fromMin: number; toMin: number }
  | { kind: 'heat'; from: number; to: number }
  | { kind: 'slurry'; fromC: number; toC: number };

export type NextTime = {
  plan: Plan;
  advice: Advice[];
  factor: number;
  sdLn: number;
  batches: number;
  /** the word came out as promised: the starch stays as it is */
  asPromised: boolean;
};

/** A tenth of the sugar is the smallest step that people notice (C). */
const SUGAR_STEP = 0.1;

/**
 * The plan for the next batch like `batch`: starch re-solved for what this kitchen really gives, and one change for
 * each flaw that the method can mend;
 * the starch stays where the word came out as it was promised.
 * @param like rows of batches of the same kind, this one among them
 */
export function nextTime(batch: Batch, like: readonly BatchRow[]): NextTime {
  const row = rowOfBatch(batch);
  const learnt = learnFirmness(like.length ? like : [row]);
  const advice: Advice[] = [];
  const kept = asPromised(row);
  // a plan that came true is kept as it was believed: another factor would ask it to change after all
  let plan: Plan = kept ? batch.plan : { ...batch.plan, firmness: { factor: learnt.factor, sdLn: learnt.sdLn } };
  const has = (f: Flaw) => batch.found.flaws.includes(f);

  const sweet = plan.items.find((i) => lookUp(plan, i.ingredientId).group === 'sweet');
  if (sweet && batch.found.sweetness && batch.found.sweetness !== 'right') {
    const toG = Math.round(sweet.grams * (batch.found.sweetness === 'too much' ? 1 - SUGAR_STEP : 1 + SUGAR_STEP));
    advice.push({ kind: 'sugar', fromG: sweet.grams, toG, ingredientId: sweet.ingredientId });
    plan = withGrams(plan, sweet.ingredientId, toG);
  }
  const { cookOnMin, heatSetting, slurryAtC } = plan.method;
  if (has('raw taste')) {
    advice.push({ kind: 'cook on', fromMin: cookOnMin, toMin: cookOnMin + 2 });
    plan = { ...plan, method: { ...plan.method, cookOnMin: cookOnMin + 2 } };
  }
  if (has('caught') && heatSetting > 1) {
    advice.push({ kind: 'heat', from: heatSetting, to: heatSetting - 1 });
    plan = {
      ...plan,
      method: {
        ...plan.method,
        heatSetting: heatSetting - 1,
        simmerSetting: Math.min(plan.method.simmerSetting, heatSetting - 1),
      },
    };
  }
  if (has('lumps') && slurryAtC > 45) {
    advice.push({ kind: 'slurry', fromC: slurryAtC, toC: 45 });
    plan = { ...plan, method: { ...plan.method, slurryAtC: 45 } };
  }
  const solved = kept ? undefined : solveStarch(plan);
  if (solved?.ok) {
    const fromG = batch.plan.items.find((i) => i.ingredientId === solved.starchId)?.grams ?? 0;
    const toG = Math.round(solved.grams);
    plan = withGrams(solved.plan, solved.starchId, toG);
    if (learnt.batches > 0 && Math.abs(toG - fromG) >= 1)
      advice.unshift({ kind: 'starch', fromG, toG, ingredientId: solved.starchId });
  }
  return { plan, advice, factor: learnt.factor, sdLn: learnt.sdLn, batches: learnt.batches, asPromised: kept };
}

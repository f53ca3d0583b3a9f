import { withGrams } from '../plan/amounts';
import { lookUp } from '../plan/stages';
import type { Plan } from '../plan/plan';
import { solveStarch } from '../advice/solve';
import type { Batch, Flaw } from './batch';
import { asPromised, learnFirmness } from './learned';
import { rowOfBatch, type BatchRow } from './row';

export type Advice =
  | { kind: 'starch'; fromG: number; toG: number; ingredientId: string }
  | { kind: 'sugar'; fromG: number; toG: number; ingredientId: string }
  | { kind: 'cook on'; fromMin: number; toMin: number }
  | { kind: 'heat'; from: number; to: number }
  | { kind: 'slurry'; fromC: number; toC: number };

type NextTime = {
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

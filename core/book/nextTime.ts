import { withGrams } from '../plan/amounts';
import { changesBetween } from '../plan/history';
import { lookUp } from '../plan/stages';
import type { Plan } from '../plan/plan';
import { solveStarch } from '../advice/solve';
import type { Said } from '../say';
import type { Batch, Flaw } from './batch';
import { asPromised, setOf, type Learnt } from './known';
import { mendOf, type Change } from './mends';
import { ringKey, rowOfBatch } from './row';

export type Advice =
  | { kind: 'amount'; of: 'starch' | 'sugar'; fromG: number; toG: number; ingredientId: string }
  | ({ kind: 'change'; flaw: Flaw } & Change);

export type NextTime = {
  plan: Plan;
  advice: Advice[];
  /** every difference to the plan that was cooked */
  changes: Said[];
  /** what is believed of the set of this kind in this kitchen, and on how many batches it rests */
  factor: number;
  sdLn: number;
  batches: number;
  /** the word came out as promised: the starch stays as it is */
  asPromised: boolean;
  /** flaws that nothing in the model explains */
  unexplained: Flaw[];
};

/** A tenth of the sugar is the smallest step that people notice (C). */
const SUGAR_STEP = 0.1;

/**
 * The plan for the next batch like `batch`, by asking the model backwards at what is known of this kitchen: starch for the
 * word that was wanted, sugar by a noticed step, and for each flaw the least change under which the model sees less of it.
 * Nothing is changed of what came out as promised.
 * @param learnt what all batches say of this kitchen
 */
export function nextTime(batch: Batch, learnt: Learnt): NextTime {
  const row = rowOfBatch(batch);
  const { factor, sdLn, batches } = setOf(learnt, row);
  const advice: Advice[] = [];
  const unexplained: Flaw[] = [];
  const kept = asPromised(row);
  const ring = learnt.rings[ringKey(batch.plan.hob)];
  // a plan that came true is kept as it was believed: another factor would ask it to change after all
  let plan: Plan = kept
    ? batch.plan
    : {
        ...batch.plan,
        firmness: { factor, sdLn },
        hob: ring ? { ...batch.plan.hob, powerTrim: Math.min(2, Math.max(0.3, ring.factor)) } : batch.plan.hob,
      };

  const { flaws } = batch.found;
  const sweetness = flaws.includes('too sweet') ? 'too much' : (batch.found.sweetness ?? 'right');
  const sweet = plan.items.find((i) => lookUp(plan, i.ingredientId).group === 'sweet');
  if (sweet && sweetness !== 'right') {
    const toG = Math.round(sweet.grams * (sweetness === 'too much' ? 1 - SUGAR_STEP : 1 + SUGAR_STEP));
    advice.push({ kind: 'amount', of: 'sugar', fromG: sweet.grams, toG, ingredientId: sweet.ingredientId });
    plan = withGrams(plan, sweet.ingredientId, toG);
  }
  for (const flaw of flaws) {
    if (flaw === 'too sweet') continue;
    const mended = mendOf(flaw, plan);
    if (mended) {
      // two flaws of one cause are mended by one change
      if (!advice.some((a) => a.kind === 'change' && a.what === mended.change.what))
        advice.push({ kind: 'change', flaw, ...mended.change });
      plan = mended.plan;
    } else if (flaw !== 'slumped' || kept) unexplained.push(flaw);
  }
  const solved = kept && sweetness === 'right' ? undefined : solveStarch(plan);
  if (solved?.ok) {
    const fromG = batch.plan.items.find((i) => i.ingredientId === solved.starchId)?.grams ?? 0;
    const toG = Math.round(solved.grams);
    plan = withGrams(solved.plan, solved.starchId, toG);
    if (batches > 0 && Math.abs(toG - fromG) >= 1)
      advice.unshift({ kind: 'amount', of: 'starch', fromG, toG, ingredientId: solved.starchId });
  }
  return {
    plan,
    advice,
    changes: changesBetween(batch.plan, plan),
    factor,
    sdLn,
    batches,
    asPromised: kept,
    unexplained,
  };
}

import { withGrams } from '../plan/amounts';
import { changesBetween } from '../plan/history';
import { lookUp } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { solve } from '../advice/solve';
import type { Said } from '../say';
import { SET_WORDS, wordAt } from '../texture/words';
import type { Batch, Flaw } from './batch';
import { asPromised, setOf, type Learnt } from './known';
import { mendOf, type Change } from './mends';
import { ringKey, rowOfBatch } from './row';

export type Advice =
  | { kind: 'amount'; of: 'starch' | 'egg' | 'sugar'; fromG: number; toG: number; ingredientId: string }
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

/** More egg than this over what there was is another dish (C). */
const MOST_EGG = 2;

/** What sets it: its thickener, or where it has none its egg. */
function whatSets(plan: Plan): { id: string; grams: number; of: 'starch' | 'egg' } | undefined {
  const first = (group: string) => plan.things.find((i) => i.grams > 0 && lookUp(plan, i.ingredientId).group === group);
  const starch = first('thickener');
  if (starch) return { id: starch.ingredientId, grams: starch.grams, of: 'starch' };
  const egg = first('egg');
  return egg && { id: egg.ingredientId, grams: egg.grams, of: 'egg' };
}

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
        rest: learnt.fridge
          ? { ...batch.plan.rest, pace: Math.min(3, Math.max(0.3, learnt.fridge.factor)) }
          : batch.plan.rest,
        hob: ring ? { ...batch.plan.hob, powerTrim: Math.min(2, Math.max(0.3, ring.factor)) } : batch.plan.hob,
      };

  const { flaws, wordServing } = batch.found;
  const softer =
    wordServing !== undefined &&
    batch.promise !== undefined &&
    SET_WORDS.indexOf(wordServing) < SET_WORDS.indexOf(wordAt(batch.promise.servingPlace));
  const sweetness = flaws.includes('too sweet') ? 'too much' : (batch.found.sweetness ?? 'right');
  const sweet = plan.things.find((i) => lookUp(plan, i.ingredientId).group === 'sweet');
  if (sweet && sweetness !== 'right') {
    const toG = Math.round(sweet.grams * (sweetness === 'too much' ? 1 - SUGAR_STEP : 1 + SUGAR_STEP));
    advice.push({ kind: 'amount', of: 'sugar', fromG: sweet.grams, toG, ingredientId: sweet.ingredientId });
    plan = withGrams(plan, sweet.ingredientId, toG);
  }
  for (const flaw of flaws) {
    // what slumped because it came out softer is mended by what sets it
    if (flaw === 'too sweet' || (flaw === 'slumped' && softer)) continue;
    const mended = mendOf(flaw, plan);
    if (mended) {
      // two flaws of one cause are mended by one change
      if (!advice.some((a) => a.kind === 'change' && a.what === mended.change.what))
        advice.push({ kind: 'change', flaw, ...mended.change });
      plan = mended.plan;
    } else unexplained.push(flaw);
  }
  const sets = whatSets(plan);
  const solved =
    sets === undefined || (kept && sweetness === 'right')
      ? undefined
      : solve(plan, {
          free: [{ ingredientId: sets.id, ...(sets.of === 'egg' ? { maxG: MOST_EGG * sets.grams } : {}) }],
        });
  if (solved?.ok && sets) {
    const fromG = batch.plan.things.find((i) => i.ingredientId === sets.id)?.grams ?? 0;
    const toG = Math.round(solved.amounts[0]!.grams);
    plan = withGrams(solved.plan, sets.id, toG);
    if (batches > 0 && Math.abs(toG - fromG) >= 1)
      advice.unshift({ kind: 'amount', of: sets.of, fromG, toG, ingredientId: sets.id });
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

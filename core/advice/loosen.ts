import { dishHistory, judgeServed } from '../model/forecast';
import { runMethod } from '../model/run';
import { massG } from '../matter/mixture';
import type { Plan } from '../plan/plan';
import { lookUp, ownShare } from '../plan/bowls';
import { aimPlace, boundsFor, type SetWord } from '../texture/words';

/** As much as the dish itself is no loosening any more. */
const MOST_OF_IT = 1;
const HALVES = 24;

/**
 * Grams of a liquid that, stirred in at the table, bring a plan's own dish to a word; 0 where it is no stiffer, undefined
 * where so much does not do it. @throws UnknownIngredientError, RangeError (nothing liquid in the pot)
 */
export function loosenAtTable(plan: Plan, liquidId: string, word: SetWord = plan.serve.word): number | undefined {
  lookUp(plan, liquidId);
  const run = runMethod(plan);
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const age = dishHistory(plan, run, plan.rest.hours).serving;
  const placeWith = (grams: number) =>
    judgeServed({ ...plan, serve: { ...plan.serve, loosen: { ingredientId: liquidId, grams } } }, run, age, bounds)
      .place;
  const aim = aimPlace(word);
  if (placeWith(0) <= aim) return 0;
  let [low, high] = [0, MOST_OF_IT * massG(run.pot.content) * ownShare(plan)];
  if (placeWith(high) > aim) return undefined;
  for (let i = 0; i < HALVES; i++) {
    const mid = (low + high) / 2;
    if (placeWith(mid) > aim) low = mid;
    else high = mid;
  }
  return Math.round(high * 2) / 2;
}

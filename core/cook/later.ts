import { pouredPortions, type Products } from './poured';
import { lookUp, portionsIn, type LaidPortion } from '../plan/bowls';
import { methodOf } from '../plan/family';
import type { SayStep } from '../plan/method';
import type { Plan } from '../plan/plan';

/** What the cook's own words ask for once the dish stands: after so many minutes from the pouring. */
export type Later = { id: string; words: string; afterMin: number; minutes: number | undefined };

/** Acts of the cook's own that come after a rest, in order: the pot has long been washed by then. */
export function laterOf(plan: Plan): Later[] {
  let afterMin = 0;
  return methodOf(plan).flatMap((op, i): Later[] => {
    if (op.do === 'rest') afterMin += op.minutes;
    return op.do === 'say' && afterMin > 0 ? [laterAct(op, i, afterMin)] : [];
  });
}

const laterAct = (op: SayStep, i: number, afterMin: number): Later => ({
  id: op.id ?? `say ${i}`,
  words: op.words,
  afterMin,
  minutes: op.minutes,
});

/** What is done at the table: what is stirred in to loosen it, and what goes on it. @throws UnknownIngredientError */
export function atTheTable(plan: Plan, products: Products = {}): { loosen?: LaidPortion; on: readonly LaidPortion[] } {
  const { loosen } = plan.serve;
  const bowls = methodOf(plan).flatMap((s) => (s.do === 'serve' && s.from ? [s.from] : []));
  return {
    ...(loosen && loosen.grams > 0
      ? { loosen: { ingredient: lookUp(plan, loosen.ingredientId), grams: loosen.grams, carved: false, in: 'top' } }
      : {}),
    on: bowls.flatMap((b) => [...portionsIn(plan, b).filter((p) => !p.taste), ...pouredPortions(plan, b, products)]),
  };
}

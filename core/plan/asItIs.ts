import type { SetWord } from '../texture/words';
import type { Plan } from './plan';

/**
 * A proven recipe, taken as it is: what comes out of it is what is wanted, and no room corrects it unasked. What can hurt
 * somebody is said all the same.
 * @param comesOut the word that its forecast has at serving
 */
export const takenAsItIs = (plan: Plan, comesOut: SetWord): Plan => ({
  ...plan,
  asItIs: true,
  serve: { ...plan.serve, word: comesOut },
});

/** Corrections are wanted again. */
export function correctedAgain(plan: Plan): Plan {
  const { asItIs: _was, ...rest } = plan;
  return rest;
}

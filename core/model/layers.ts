import { table } from '../coefficients';
import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import type { Plan } from '../plan/plan';
import { mixtureOfPortions, portionsIn } from '../plan/bowls';
import { purposeOf, type Bowl } from '../plan/method';

/** What lies in the dish beside the pudding: a second layer on top, fruit or sauce under it. */
export const TOP = table('A second layer', {
  cookedTo: [0.7, '1', 'C', 'share of it that is left when it is cooked down first'],
  pourable: [1.5, 'Pa s', 'C', 'thicker than this it is spread, not poured'],
  leastG: [20, 'g', 'B', 'less liquid than this is a sprinkle, not a layer'],
  driesFirst: [0.6, '1', 'C', 'share of it that may dry in the oven before what is under it does'],
});

/**
 * Volume of what lies in the dishes from one bowl, under the pudding or on top of it, ml in all.
 * @param pouredG of it what comes from second pots, g
 */
export const layerMl = (plan: Plan, bowl: Bowl, pouredG = 0): number =>
  (massG(mixtureOfPortions(portionsIn(plan, bowl))) *
    (purposeOf(bowl) === 'top' && plan.choices.top === 'cooked down first' ? TOP.cookedTo : 1) +
    pouredG) /
  PUDDING_G_PER_ML;

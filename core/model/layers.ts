import { table } from '../coefficients';
import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import type { Plan } from '../plan/plan';
import { inBowls, mixtureOfPortions } from '../plan/bowls';

/** What lies in the dish beside the pudding: a second layer on top, fruit or sauce under it. */
export const TOP = table('A second layer', {
  cookedTo: [0.7, '1', 'C', 'share of it that is left when it is cooked down first'],
  pourable: [1.5, 'Pa s', 'C', 'thicker than this it is spread, not poured'],
  leastG: [20, 'g', 'B', 'less liquid than this is a sprinkle, not a layer'],
  driesFirst: [0.6, '1', 'C', 'share of it that may dry in the oven before what is under it does'],
});

/** Volume of what a plan has in its dishes under the pudding or on top of it, ml in all. */
export const layerMl = (plan: Plan, stage: 'under' | 'top'): number =>
  (massG(mixtureOfPortions(inBowls(plan)[stage])) *
    (stage === 'top' && plan.choices.top === 'cooked down first' ? TOP.cookedTo : 1)) /
  PUDDING_G_PER_ML;

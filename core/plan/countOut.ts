import { GRAINS } from '../pot/grain';
import { inBowls, portionsIn } from './bowls';
import { methodOf } from './family';
import { purposeOf, type AddStep, type HeatRole, type MethodStep } from './method';
import { oncePerPlan } from './once';
import type { Plan } from './plan';

/** When the pot thickens, and when whole spices come out of it: places in the method. */

/** fires that do not thicken */
const GENTLE: readonly HeatRole[] = ['warm', 'cool', 'off the heat'];

/** A slurry, or a bowl of egg. */
const binds = (step: AddStep) => purposeOf(step.from) === 'slurry' || purposeOf(step.from) === 'bowl';

/** From here on the pot thickens: what thickens goes into a hot pot, or the fire under it begins. Kernels take longer. */
function thickens(plan: Plan, step: MethodStep, heated: boolean, kernels: boolean): boolean {
  if (step.do === 'add')
    return portionsIn(plan, step.from).length > 0 && (binds(step) || (heated && purposeOf(step.from) === 'grain'));
  return step.do === 'heat' && !GENTLE.includes(step.role) && !(kernels && step.role === 'thicken');
}

export type Places = {
  /** index of the first step that thickens; -1 where none does */
  thickens: number;
  /** index of the step before which whole spices are counted out; -1 where nothing has to come out */
  countOut: number;
};

/**
 * Whole spices stay in as long as they do no harm: until the pot thickens, later they drag half the paste along. Whole
 * rice lets them go at the very end, unless egg or a slurry binds it before.
 */
export const placesOf = oncePerPlan((plan: Plan): Places => {
  const method = methodOf(plan);
  const all = Object.values(inBowls(plan)).flat();
  const kernels = all.some((p) => p.ingredient.thickener && GRAINS[p.ingredient.thickener].form === 'kernel');
  const heatedBefore = (i: number) => method.slice(0, i).some((s) => s.do === 'heat');
  const first = method.findIndex((s, i) => thickens(plan, s, heatedBefore(i), kernels));
  if (!all.some((p) => p.ingredient.comesOut)) return { thickens: first, countOut: -1 };
  const pour = method.findIndex((s) => s.do === 'pour');
  const bound = method.findIndex((s) => s.do === 'add' && binds(s) && portionsIn(plan, s.from).length > 0);
  const usual = !kernels ? first : bound >= 0 ? bound : pour >= 0 ? pour : first;
  // what goes in is drawn by the next heat, and comes out behind it
  const lastIn = method.findLastIndex(
    (s) =>
      s.do === 'add' && purposeOf(s.from) !== 'fold in' && portionsIn(plan, s.from).some((p) => p.ingredient.comesOut),
  );
  const heatBehind = method.findIndex((s, i) => i > lastIn && s.do === 'heat');
  // behind the last fire nothing draws any more: it comes out before the pouring all the same
  const drawnBy = heatBehind >= 0 || lastIn < 0 ? heatBehind : lastIn;
  if (usual > drawnBy) return { thickens: first, countOut: usual };
  const next = method.findIndex((s, i) => i > drawnBy && (s.do === 'pour' || s.do === 'heat' || s.do === 'add'));
  return { thickens: first, countOut: next };
});

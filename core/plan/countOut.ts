import { GRAINS } from '../pot/grain';
import { inBowls, portionsIn, type LaidPortion } from './bowls';
import { intoDish, intoPot, purposeOf, type AddStep, type HeatRole, type MethodStep } from './method';
import type { Plan } from './plan';

/** When the pot thickens, and when whole spices come out of it: places in the method. */

/** fires that do not thicken */
const GENTLE: readonly HeatRole[] = ['warm', 'cool', 'off the heat'];

/** A slurry, or a bowl of egg. */
const binds = (step: AddStep) => purposeOf(step.from) === 'slurry' || purposeOf(step.from) === 'bowl';

/** From here on the pot thickens: what thickens goes into a hot pot, or the fire under it begins. Kernels take longer. */
function thickens(plan: Plan, step: MethodStep, heated: boolean, kernels: boolean): boolean {
  if (intoPot(step))
    return portionsIn(plan, step.from).length > 0 && (binds(step) || (heated && purposeOf(step.from) === 'grain'));
  return step.do === 'heat' && !GENTLE.includes(step.role) && !(kernels && step.role === 'thicken');
}

const hasKernels = (plan: Plan): boolean =>
  Object.values(inBowls(plan))
    .flat()
    .some((p) => p.ingredient.thickener && GRAINS[p.ingredient.thickener].form === 'kernel');

/** Index of the first step at which the pot thickens; -1 where none does. @throws UnknownIngredientError */
export function thickensAt(plan: Plan, method: readonly MethodStep[]): number {
  const kernels = hasKernels(plan);
  const heatedBefore = (i: number) => method.slice(0, i).some((s) => s.do === 'heat');
  return method.findIndex((s, i) => thickens(plan, s, heatedBefore(i), kernels));
}

/**
 * Whole spices stay in as long as they do no harm: until the pot thickens, later they drag half the paste along. Whole
 * rice lets them go at the very end, unless egg or a slurry binds it before.
 * @returns where a step that takes them out usually stands; -1 where nothing has to come out
 * @throws UnknownIngredientError
 */
export function countOutAt(plan: Plan, method: readonly MethodStep[]): number {
  const all = Object.values(inBowls(plan)).flat();
  if (!all.some((p) => p.ingredient.comesOut)) return -1;
  const first = thickensAt(plan, method);
  const pour = method.findIndex(intoDish);
  const bound = method.findIndex((s) => intoPot(s) && binds(s) && portionsIn(plan, s.from).length > 0);
  const usual = !hasKernels(plan) ? first : bound >= 0 ? bound : pour >= 0 ? pour : first;
  // what goes in is drawn by the next heat, and comes out behind it
  const lastIn = method.findLastIndex(
    (s) => intoPot(s) && purposeOf(s.from) !== 'fold in' && portionsIn(plan, s.from).some((p) => p.ingredient.comesOut),
  );
  const heatBehind = method.findIndex((s, i) => i > lastIn && s.do === 'heat');
  // behind the last fire nothing draws any more: it comes out before the pouring all the same
  const drawnBy = heatBehind >= 0 || lastIn < 0 ? heatBehind : lastIn;
  if (usual > drawnBy) return usual;
  return method.findIndex((s, i) => i > drawnBy && (intoDish(s) || s.do === 'heat' || intoPot(s)));
}

/**
 * What each step that takes out finds to take: what is in by then and has not come out before.
 * @returns by index of the step @throws UnknownIngredientError
 */
export function countedOut(plan: Plan, method: readonly MethodStep[]): ReadonlyMap<number, readonly LaidPortion[]> {
  const out = new Map<number, readonly LaidPortion[]>();
  let inPot = portionsIn(plan, 'pot').filter((p) => p.ingredient.comesOut);
  method.forEach((s, i) => {
    if (intoPot(s) && purposeOf(s.from) !== 'fold in')
      inPot = [...inPot, ...portionsIn(plan, s.from).filter((p) => p.ingredient.comesOut)];
    if (s.do !== 'take out') return;
    const these = inPot.filter((p) => !s.things || s.things.includes(p.ingredient.id));
    out.set(i, these);
    inPot = inPot.filter((p) => !these.includes(p));
  });
  return out;
}

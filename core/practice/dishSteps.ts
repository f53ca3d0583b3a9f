import type { MethodStep } from '../plan/method';
import type { Plan } from '../plan/plan';
import { inOrder, type Act } from './act';

/** What is done with the dish and no longer with the pot. */
export const IN_DISH: readonly Act['do'][] = ['pour', 'bake', 'stand', 'serve'];

/** s at which the pot is left; Infinity while it is one. */
export const leavesS = (acts: readonly Act[]): number =>
  Math.min(...acts.filter((a) => IN_DISH.includes(a.do)).map((a) => a.atS));

/** Shorter than this it stands nowhere, min. */
const LEAST_STAY_MIN = 0.5;
const MOST_BAKE_MIN = 6000;

export type DishEnd = {
  /** from the pouring on: the oven, and the places where it stood */
  steps: MethodStep[];
  /** h that it stood */
  hours: number;
};

/** What was done with the dish, as the end of a method; nothing where it was only poured: the plan goes its own way then. */
export function dishEnd(plan: Plan, acts: readonly Act[], endS: number): DishEnd | undefined {
  const after = inOrder(acts).filter((a) => IN_DISH.includes(a.do));
  if (!after.some((a) => a.do === 'bake' || a.do === 'stand')) return undefined;
  const steps: MethodStep[] = [{ do: 'pour', to: 'dish' }];
  let where: Extract<Act, { do: 'bake' | 'stand' }> | undefined;
  let fromS = after[0]!.atS;
  let stoodS = 0;
  const close = (toS: number) => {
    const minutes = (toS - fromS) / 60;
    if (where?.do === 'bake') {
      const { ovenC, fan, bath, covered } = where;
      steps.push({
        do: 'bake',
        ovenC,
        fan,
        bath,
        covered,
        from: 'hot',
        until: { reach: 'time', minutes },
        limitMin: Math.min(MOST_BAKE_MIN, Math.max(1, minutes)),
        grillMin: 0,
      });
    } else if (minutes > LEAST_STAY_MIN) {
      stoodS += toS - fromS;
      const place = where?.where ?? 'room';
      steps.push({
        do: 'rest',
        where: place,
        minutes,
        covered: where?.covered ?? plan.rest.covered,
        ...(place === 'fridge' || place === 'fan fridge' ? { tempC: plan.rest.fridgeC } : {}),
      });
    }
    fromS = toS;
  };
  for (const a of after) {
    close(a.atS);
    if (a.do === 'bake' || a.do === 'stand') where = a;
    if (a.do === 'serve') return { steps, hours: stoodS / 3600 };
  }
  if (endS > fromS) close(endS);
  return { steps, hours: stoodS / 3600 };
}

/** Into so many dishes. */
export const dishesOf = (plan: Plan, acts: readonly Act[]): number => {
  const pour = acts.find((a) => a.do === 'pour');
  return (pour?.do === 'pour' ? pour.count : undefined) ?? plan.dish.count;
};

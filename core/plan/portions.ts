import { methodOf, restsOf } from './family';
import type { MethodStep } from './method';
import type { Plan, Portion } from './plan';
import { oncePerPlan } from './stages';
import { BESIDE_STAGES } from './method';

/** What a portion is called after its plan: no plan of the kitchen's own has such an id. */
const idOf = (plan: Plan, part: Portion) => `${plan.id}.${part.id}`;

/** A part of a batch as a plan of its own: the same pot, and its own way from the pouring on. */
export function portionPlan(plan: Plan, part: Portion): Plan {
  const own: Plan = {
    ...plan,
    id: idOf(plan, part),
    name: part.name,
    dish: part.dish,
    rest: part.rest,
    serve: part.serve,
    choices: { ...plan.choices, cooling: part.cooling },
    items: plan.items.filter((i) => !BESIDE_STAGES.includes(i.stage)),
    carveOuts: plan.carveOuts.filter((c) => !BESIDE_STAGES.includes(c.stage)),
    sides: [],
    portions: [],
    share: (plan.share ?? 1) * part.share,
  };
  const method = methodOf(plan);
  const pour = method.findIndex((s) => s.do === 'pour');
  const onTheHob = pour < 0 ? method.filter((s) => s.do === 'add' || s.do === 'heat') : method.slice(0, pour);
  const bake: MethodStep[] = part.bake ? [{ do: 'bake', ...part.bake }] : [];
  return { ...own, steps: [...onTheHob, { do: 'pour' }, ...bake, ...restsOf(own)] };
}

/** The plans of a plan's portions, in their order. */
export const portionPlans = oncePerPlan((plan: Plan): readonly Plan[] =>
  plan.portions.map((part) => portionPlan(plan, part)),
);

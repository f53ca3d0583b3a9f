import { forecast } from '../model/forecast';
import { DISHES } from '../pantry/kitchen';
import { dishesFor } from '../plan/newPlan';
import type { Plan } from '../plan/plan';

/** A way to keep the cooling rule: what is done, the plan with it, and the hours from 57 to 21 degC that it saves. */
export type CoolWay = { kind: 'ice bath' | 'straight to the cold' | 'smaller dishes'; plan: Plan; savesH: number };

/**
 * The first way out, the least trouble first, by which a plan that cools too slowly keeps the rule that it is held against.
 * @returns nothing where it keeps it as it is, or where none of these is enough
 */
export function coolInTime(plan: Plan): CoolWay | undefined {
  const now = forecast(plan).cool;
  if (now.safe || now.ordinary) return undefined;
  const cooling = (kind: 'straight to the cold' | 'ice bath'): Plan => ({
    ...plan,
    choices: { ...plan.choices, cooling: kind },
    ...(kind === 'straight to the cold' ? { rest: { ...plan.rest, roomMin: 0 } } : {}),
  });
  const { name: _small, ...small } = DISHES[plan.serve.style === 'spooned' ? 1 : 0]!;
  const ways: Pick<CoolWay, 'kind' | 'plan'>[] = [
    { kind: 'straight to the cold', plan: cooling('straight to the cold') },
    { kind: 'ice bath', plan: cooling('ice bath') },
    {
      kind: 'smaller dishes',
      plan: { ...plan, dish: { ...small, count: dishesFor(small, plan.people, plan.portionG) } },
    },
  ];
  for (const way of ways) {
    const { cool } = forecast(way.plan);
    if (cool.safe) return { ...way, savesH: Math.max(0, now.below21H - cool.below21H) };
  }
  return undefined;
}

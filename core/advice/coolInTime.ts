import { forecast } from '../model/forecast';
import { DISHES } from '../pantry/kitchen';
import { PUDDING_G_PER_ML } from '../matter/mixture';
import type { Plan } from '../plan/plan';

/** A way to keep the cooling rule: what is done, the plan with it, and the hours from 57 to 21 degC that it saves. */
type CoolWay = { kind: 'ice bath' | 'straight to the cold' | 'smaller dishes'; plan: Plan; savesH: number };

const [SMALL_MOULDS, CUPS] = DISHES as readonly [(typeof DISHES)[number], (typeof DISHES)[number]];
/** How far a dish is filled. */
const FILLED = 0.95;

/**
 * The first way out, the least trouble first, by which a plan that cools too slowly keeps the rule that it is held against.
 * @returns nothing where it keeps it as it is, or where none of these is enough
 */
export function coolInTime(plan: Plan): CoolWay | undefined {
  const { cool: now, endMassG } = forecast(plan);
  if (now.safe || now.ordinary) return undefined;
  // whatever else is done, it does not stand in the room first
  const cooling = (kind: 'straight to the cold' | 'ice bath', dish = plan.dish): Plan => ({
    ...plan,
    dish,
    choices: { ...plan.choices, cooling: kind },
    rest: { ...plan.rest, roomMin: 0 },
  });
  const small = [...(plan.serve.style === 'spooned' ? [CUPS] : []), SMALL_MOULDS].map(({ name: _name, ...dish }) => ({
    ...dish,
    count: Math.max(plan.people, Math.ceil(endMassG / PUDDING_G_PER_ML / (FILLED * dish.capacityMl))),
  }));
  const ways: Pick<CoolWay, 'kind' | 'plan'>[] = [
    { kind: 'straight to the cold', plan: cooling('straight to the cold') },
    { kind: 'ice bath', plan: cooling('ice bath') },
    ...small.map((dish) => ({ kind: 'smaller dishes' as const, plan: cooling('straight to the cold', dish) })),
  ];
  for (const way of ways) {
    const { cool } = forecast(way.plan);
    if (cool.safe) return { ...way, savesH: Math.max(0, now.below21H - cool.below21H) };
  }
  return undefined;
}

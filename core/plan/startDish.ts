import { DISH_STARTS, type DishStart, type DishStartId } from './dishStarts';
import { newPlan, STARTS, type Start } from './newPlan';
import type { Plan } from './plan';

/** A plan for a dish by its name: {@link newPlan} with what the dish has of its own over what its family has. */
export function startDish(id: DishStartId, s: Omit<Start, 'family' | 'milkId' | 'as'> & { milkId?: string }): Plan {
  const { family, milkId, ...own }: DishStart = DISH_STARTS[id];
  return newPlan({ ...s, milkId: s.milkId ?? milkId, family, as: { ...STARTS[family], ...own } });
}

import type { Cook } from '../core/cook/events';
import type { Plan } from '../core/plan/plan';
import { emptyKitchen, type KitchenFile } from '../core/formats/kitchenFile';
import { DEFAULT_SETTINGS, type Settings } from '../core/settings';
import { DISHES, type DishName } from '../core/testingDishes';
import { cookOn, evening, presentOf } from '../core/testingEvening';
const cookOf = (name: DishName, at: Date): Cook => ({
  id: `evening-${name}`,
  plan: DISHES[name],
  events: [{ kind: 'started', id: `evening-${name}-0`, at: at.toISOString() }],
});

export const kitchenFor = (names: readonly DishName[], at: Date): KitchenFile =>
  kitchenOf(
    names.map((n) => cookOf(n, at)),
    at,
    { devices: 'stand-in' },
  );

/** A dish cooked as planned up to a step, and some seconds into it. */
export function cookedTo(plan: Plan, step: string, intoS = 5): { cook: Cook; at: Date } {
  const e = cookOn(evening(plan), { everyS: 5, stop: (x) => presentOf(x)?.id === step });
  if (presentOf(e)?.id !== step) throw new Error(`${plan.name} has no ${step}: ${e.steps.map((s) => s.id).join(', ')}`);
  return { cook: { ...e.cook, id: 'evening-here' }, at: new Date(e.nowMs + intoS * 1000) };
}

/** A kitchen with these cooks and their plans, and nothing else. */
export const kitchenOf = (cooks: Cook[], at: Date, settings: Partial<Settings> = {}): KitchenFile => ({
  ...emptyKitchen({ ...DEFAULT_SETTINGS, ...settings }, at.toISOString()),
  plans: cooks.map((c) => c.plan),
  cooks,
});

import type { Cook } from '../core/cook/events';
import { forecast } from '../core/forecast';
import { scaleToPeople } from '../core/formula/amounts';
import { newPlan } from '../core/formula/newPlan';
import type { Family, Plan } from '../core/formula/plan';
import { solveStarch } from '../core/formula/solve';
import type { KitchenFile } from '../core/formats/kitchenFile';
import { pantryWith } from '../core/pantry/pantry';
import { DEFAULT_SETTINGS, type Settings } from '../core/settings';
import { cookOn, evening, presentOf } from '../core/testingEvening';

/** Six dishes of the choir's supper, each lit and waiting, in a kitchen whose devices are stand-ins. */
const pantry = pantryWith();
const SUPPER = '2026-12-11T19:30:00.000Z';

function dish(id: string, name: string, family: Family, change: Partial<Plan> = {}, milkId = 'milk_whole'): Plan {
  const start = newPlan({ id, name, milkId, people: 6, portionG: 120, serveAt: SUPPER, family }, pantry);
  const plan = { ...start, ...change };
  return scaleToPeople(plan, 6, 120, forecast(plan, pantry).lossRel);
}
const less = (plan: Plan, ingredientId: string, factor: number): Plan => ({
  ...plan,
  items: plan.items.map((i) => (i.ingredientId === ingredientId ? { ...i, grams: Math.round(i.grams * factor) } : i)),
});

const solved = solveStarch(dish('starch', 'Vanilla evening pudding', 'starch-set milk pudding'), pantry).plan;
export const DISHES = {
  // a quarter of its starch was forgotten: it asks to be mended
  starch: less(solved, 'cornstarch', 0.75),
  custard: dish('custard', 'Poured choir custard', 'stirred custard'),
  reduction: dish('reduction', 'Cooked-down rice cream', 'ground-rice cream', { choices: { reduceTo: 0.8 } }),
  porridge: dish('porridge', 'Cornmeal porridge', 'porridge'),
  rice: dish('rice', 'Rice pudding with yolk', 'whole-rice pudding'),
  boiler: dish(
    'boiler',
    'Coconut over steam',
    'starch-set milk pudding',
    { choices: { heat: 'double boiler' } },
    'coconut_milk',
  ),
} satisfies Record<string, Plan>;
DISHES.rice.items.push({ ingredientId: 'yolk', grams: 36, stage: 'bowl' });
export type DishName = keyof typeof DISHES;

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
  const e = cookOn(evening(plan, pantry), pantry, { everyS: 5, stop: (x) => presentOf(x)?.id === step });
  if (presentOf(e)?.id !== step) throw new Error(`${plan.name} has no ${step}: ${e.steps.map((s) => s.id).join(', ')}`);
  return { cook: { ...e.cook, id: 'evening-here' }, at: new Date(e.nowMs + intoS * 1000) };
}

/** A kitchen with these cooks and their plans, and nothing else. */
export const kitchenOf = (cooks: Cook[], at: Date, settings: Partial<Settings> = {}): KitchenFile => ({
  format: 'ovalis-kitchen',
  version: 6,
  exportedAt: at.toISOString(),
  plans: cooks.map((c) => c.plan),
  cooks,
  batches: [],
  ingredients: [],
  packs: [],
  vessels: [],
  history: [],
  days: [],
  preps: [],
  settings: { ...DEFAULT_SETTINGS, ...settings },
});

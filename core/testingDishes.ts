import { withLine } from './plan/layout';
import { forecast } from './model/forecast';
import { scaleToPeople } from './plan/amounts';
import { newPlan } from './plan/newPlan';
import type { Family, Plan } from './plan/plan';
import { solveStarch } from './advice/solve';

/** Six dishes of the choir's supper, as they are walked in the browser and on their own. */
const SUPPER = '2026-12-11T19:30:00.000Z';

function dish(id: string, name: string, family: Family, change: Partial<Plan> = {}, milkId = 'milk_whole'): Plan {
  const start = newPlan({ id, name, milkId, people: 6, portionG: 120, serveAt: SUPPER, family });
  const plan = { ...start, ...change };
  return scaleToPeople(plan, 6, 120, forecast(plan).lossRel);
}
const less = (plan: Plan, ingredientId: string, factor: number): Plan => ({
  ...plan,
  things: plan.things.map((i) => (i.ingredientId === ingredientId ? { ...i, grams: Math.round(i.grams * factor) } : i)),
});

const solved = solveStarch(dish('starch', 'Vanilla evening pudding', 'starch-set milk pudding')).plan;
export const DISHES = {
  // a quarter of its starch was forgotten: it asks to be mended
  starch: less(solved, 'cornstarch', 0.75),
  custard: dish('custard', 'Poured choir custard', 'stirred custard'),
  reduction: dish('reduction', 'Cooked-down rice cream', 'ground-rice cream', { choices: { reduceTo: 0.8 } }),
  porridge: dish('porridge', 'Cornmeal porridge', 'porridge'),
  rice: withLine(dish('rice', 'Rice pudding with yolk', 'whole-rice pudding'), {
    ingredientId: 'yolk',
    grams: 36,
    in: 'bowl',
  }),
  boiler: dish(
    'boiler',
    'Coconut over steam',
    'starch-set milk pudding',
    { choices: { heat: 'double boiler' } },
    'coconut_milk',
  ),
} satisfies Record<string, Plan>;
export type DishName = keyof typeof DISHES;

import { z } from 'zod';
import { lookUp, UnknownIngredientError } from '../formula/compose';
import { PlanSchema, type Plan } from '../formula/plan';
import { pantryWith } from '../pantry/pantry';
import { parseJson, type Parsed } from './issues';

/** Reads a plan file: shape by the schema, then that every ingredient is known. Never throws. */
export function readPlanFile(text: string): Parsed<Plan> {
  const parsed = parseJson(text, PlanSchema, 2_000_000);
  if (!parsed.ok) return parsed;
  const plan = parsed.value;
  const pantry = pantryWith();
  const known = [...pantry.keys(), ...plan.own.map((i) => i.id)];
  const issues = plan.items.flatMap((item, i) => {
    try {
      lookUp(pantry, plan, item.ingredientId);
      return [];
    } catch (e) {
      if (!(e instanceof UnknownIngredientError)) throw e;
      return [
        {
          path: `items[${i}].ingredientId`,
          message: `"${item.ingredientId}" is not known; should be one of ${known.join(', ')}, or described in "own"`,
        },
      ];
    }
  });
  plan.carveOuts.forEach((c, i) => {
    if (!plan.items.some((item) => item.ingredientId === c.ingredientId)) {
      issues.push({
        path: `carveOuts[${i}].ingredientId`,
        message: `"${c.ingredientId}" should be one of the plan's own items`,
      });
    }
  });
  if (!issues.length && !plan.items.some((i) => i.grams > 0 && lookUp(pantry, plan, i.ingredientId).group === 'milk')) {
    issues.push({ path: 'items', message: 'hold no liquid; there should be a milk or water above 0 g' });
  }
  return issues.length ? { ok: false, issues } : { ok: true, value: plan };
}

export const writePlanFile = (plan: Plan): string => JSON.stringify(plan, null, 2) + '\n';

export const planJsonSchema = (): unknown => ({
  $id: 'ovalis-plan-1.schema.json',
  title: 'Ovalis plan, version 1',
  ...z.toJSONSchema(PlanSchema, { io: 'input' }),
});

import { z } from 'zod';
import { atStages, lookUp, mixtureOfPortions, UnknownIngredientError } from '../plan/stages';
import { notAdded } from '../plan/family';
import { migratePlan, PlanSchema, type Plan } from '../plan/plan';
import { pantryWith } from '../pantry/pantry';
import { parseJson, type FormatIssue, type Parsed } from './issues';

/** Reads a plan file of this or an earlier version: shape by the schema, then what the schema cannot see. Never throws. */
export function readPlanFile(text: string): Parsed<Plan> {
  const parsed = parseJson(text, PlanSchema, 2_000_000, migratePlan);
  if (!parsed.ok) return parsed;
  const issues = checkPlan(parsed.value);
  return issues.length ? { ok: false, issues } : parsed;
}

/** What a schema cannot see: that every ingredient is known, that something is liquid, that nothing is forgotten. */
export function checkPlan(plan: Plan, prefix = ''): FormatIssue[] {
  const pantry = pantryWith();
  const known = [...pantry.keys(), ...plan.own.map((i) => i.id)];
  const issues: FormatIssue[] = plan.items.flatMap((item, i) => {
    try {
      lookUp(pantry, plan, item.ingredientId);
      return [];
    } catch (e) {
      if (!(e instanceof UnknownIngredientError)) throw e;
      return [
        {
          path: `${prefix}items[${i}].ingredientId`,
          message: `"${item.ingredientId}" is not known; should be one of ${known.join(', ')}, or described in "own"`,
        },
      ];
    }
  });
  plan.sides.forEach((side, i) => {
    for (const [key, id] of Object.entries(side))
      if (key !== 'id' && key.endsWith('Id') && !known.includes(String(id)))
        issues.push({
          path: `${prefix}sides[${i}].${key}`,
          message: `"${id}" is not known; should be one of the pantry, or described in "own"`,
        });
  });
  plan.carveOuts.forEach((c, i) => {
    if (!plan.items.some((item) => item.ingredientId === c.ingredientId)) {
      issues.push({
        path: `${prefix}carveOuts[${i}].ingredientId`,
        message: `"${c.ingredientId}" should be one of the plan's own items`,
      });
    }
  });
  if (!issues.length && plan.steps) {
    const forgotten = notAdded(plan, pantryWith(plan.own), plan.steps);
    plan.items.forEach((item, i) => {
      if (item.grams > 0 && forgotten.includes(item.stage))
        issues.push({
          path: `${prefix}items[${i}].stage`,
          message: `no step adds "${item.stage}"; there should be a step { "do": "add", "stage": "${item.stage}" }`,
        });
    });
  }
  if (!issues.length && mixtureOfPortions(atStages(plan, pantryWith(plan.own)).pot).waterG <= 1)
    issues.push({
      path: `${prefix}items`,
      message: 'hold no liquid at the start; there should be a milk or water above 0 g with stage "pot"',
    });
  return issues;
}

export const writePlanFile = (plan: Plan): string => JSON.stringify(plan, null, 2) + '\n';

export const planJsonSchema = (): unknown => ({
  $id: 'ovalis-plan-4.schema.json',
  title: 'Ovalis plan, version 4',
  ...z.toJSONSchema(PlanSchema, { io: 'input' }),
});

import { z } from 'zod';
import { lookUp, UnknownIngredientError } from '../plan/stages';
import { notAdded } from '../plan/family';
import { isSameMoment } from '../plan/method';
import { migratePlan, PlanSchema, type Plan, PLAN_FORMAT, PLAN_VERSION } from '../plan/plan';
import { pantryWith } from '../pantry/pantry';
import { say } from '../say';
import { dryPot, longSteps, sharesOf } from './computable';
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
      lookUp(plan, item.ingredientId);
      return [];
    } catch (e) {
      if (!(e instanceof UnknownIngredientError)) throw e;
      return [
        {
          path: `${prefix}items[${i}].ingredientId`,
          message: say('issue.unknownOneOf', { id: item.ingredientId, values: known.join(', ') }),
        },
      ];
    }
  });
  plan.sides.forEach((side, i) => {
    for (const [key, id] of Object.entries(side))
      if (key !== 'id' && key.endsWith('Id') && !known.includes(String(id)))
        issues.push({
          path: `${prefix}sides[${i}].${key}`,
          message: say('issue.unknownPantry', { id: String(id) }),
        });
  });
  plan.carveOuts.forEach((c, i) => {
    if (!plan.items.some((item) => item.ingredientId === c.ingredientId)) {
      issues.push({
        path: `${prefix}carveOuts[${i}].ingredientId`,
        message: say('issue.ownItem', { id: c.ingredientId }),
      });
    }
  });
  if (!issues.length && plan.steps) {
    const forgotten = notAdded(plan, plan.steps);
    plan.items.forEach((item, i) => {
      if (item.grams > 0 && forgotten.some((w) => isSameMoment(w, item)))
        issues.push({
          path: `${prefix}items[${i}].stage`,
          message: say('issue.noStepAdds', { stage: item.stage }),
        });
    });
  }
  issues.push(...longSteps(plan, prefix), ...sharesOf(plan, prefix));
  if (!issues.length) issues.push(...dryPot(plan, prefix));
  return issues;
}

export const writePlanFile = (plan: Plan): string => JSON.stringify(plan, null, 2) + '\n';

export const planJsonSchema = (): unknown => ({
  $id: `${PLAN_FORMAT}-${PLAN_VERSION}.schema.json`,
  title: `${PLAN_FORMAT}, version ${PLAN_VERSION}`,
  ...z.toJSONSchema(PlanSchema, { io: 'input' }),
});

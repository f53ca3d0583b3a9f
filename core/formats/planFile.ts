import { z } from 'zod';
import { lookUp, UnknownIngredientError } from '../plan/bowls';
import { notAdded } from '../plan/family';
import { linesOf, ownSteps } from '../plan/layout';
import { purposeOf } from '../plan/method';
import { migratePlan } from '../plan/migrate';
import { PlanSchema, type Plan, PLAN_FORMAT, PLAN_VERSION } from '../plan/plan';
import { pantryWith } from '../pantry/pantry';
import { say } from '../say';
import { dryPot, longSteps, namedBeside, putOfNothing, sharesOf } from './computable';
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
  const issues: FormatIssue[] = plan.things.flatMap((item, i) => {
    try {
      lookUp(plan, item.ingredientId);
      return [];
    } catch (e) {
      if (!(e instanceof UnknownIngredientError)) throw e;
      return [
        {
          path: `${prefix}things[${i}].ingredientId`,
          message: say('issue.unknownOneOf', { id: item.ingredientId, values: known.join(', ') }),
        },
      ];
    }
  });
  issues.push(...namedBeside(plan, prefix));
  issues.push(...putOfNothing(plan, prefix));
  const steps = ownSteps(plan);
  if (!issues.length && steps) {
    const forgotten = notAdded(plan, steps);
    linesOf(plan).forEach((line, i) => {
      if (line.grams > 0 && forgotten.includes(line.in))
        issues.push({
          path: `${prefix}things[${i}]`,
          message: say('issue.noStepAdds', { stage: purposeOf(line.in) }),
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

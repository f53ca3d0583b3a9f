import { z } from 'zod';
import { PRACTICE_FORMAT, PRACTICE_VERSION, RunSchema, type Run } from '../practice/act';
import { migratePlan } from '../plan/migrate';
import { TROUBLES, unknownIn } from './computable';
import { parseJson, type Parsed } from './issues';

/** A run of the practice pot as a file. */

const MOST_BYTES = 2_000_000;

/** Reads a run: shape by the schema, then whether its pot can be cooked. Never throws. */
export function readRunFile(text: string): Parsed<Run> {
  const parsed = parseJson(text, RunSchema, MOST_BYTES, (raw) => {
    const { plan, ...rest } = raw as { plan?: unknown };
    return { ...rest, plan: plan !== null && typeof plan === 'object' ? migratePlan(plan) : plan };
  });
  if (!parsed.ok) return parsed;
  const run = parsed.value;
  const issues = [
    ...TROUBLES.plans(run.plan).map((i) => ({ ...i, path: `plan.${i.path}` })),
    ...run.acts.flatMap((a, n) =>
      a.do === 'add'
        ? a.portions.flatMap((p, k) => unknownIn(run.plan, p.ingredientId, `acts[${n}].portions[${k}].ingredientId`))
        : [],
    ),
  ];
  return issues.length ? { ok: false, issues } : { ok: true, value: run };
}

export const runJsonSchema = (): unknown => ({
  $id: `${PRACTICE_FORMAT}-${PRACTICE_VERSION}.schema.json`,
  title: `${PRACTICE_FORMAT}, version ${PRACTICE_VERSION}`,
  ...z.toJSONSchema(RunSchema, { io: 'input', unrepresentable: 'any' }),
});

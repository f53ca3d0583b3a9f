import { z } from 'zod';
import type { Pantry } from '../pantry/pantry';
import { lookUp } from './stages';
import { PlanSchema, type Plan } from './plan';

/** A plan as it was: kept when a sitting of changes begins, so that it can be brought back. */
export const PastPlanSchema = z.object({
  id: z.string().min(1),
  planId: z.string().min(1),
  at: z.iso.datetime({ offset: true }),
  plan: PlanSchema,
});
export type PastPlan = z.infer<typeof PastPlanSchema>;

/** Changes closer together than this are one sitting, ms. */
export const SITTING_MS = 3 * 60_000;
/** As many as this are kept of a plan. */
export const KEPT = 30;

/** Whether the state before a change is worth keeping: the first change of a sitting. */
export const beginsSitting = (past: readonly PastPlan[], planId: string, nowMs: number): boolean =>
  !past.some((p) => p.planId === planId && nowMs - Date.parse(p.at) < SITTING_MS && nowMs >= Date.parse(p.at));

/** The oldest ones beyond what is kept. */
export const outlived = (past: readonly PastPlan[], planId: string): PastPlan[] =>
  past
    .filter((p) => p.planId === planId)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
    .slice(KEPT);

const grams = (g: number) => `${Math.round(g * 10) / 10} g`;

/** What changed from one state of a plan to another, a line each, in the cook's words. */
export function changesBetween(from: Plan, to: Plan, pantry: Pantry): string[] {
  const out: string[] = [];
  const name = (p: Plan, id: string) => lookUp(pantry, p, id).name;
  for (const i of to.items) {
    const old = from.items.find((o) => o.ingredientId === i.ingredientId);
    if (!old) out.push(`${name(to, i.ingredientId)}: ${grams(i.grams)} came in`);
    else if (Math.abs(old.grams - i.grams) >= 0.05)
      out.push(`${name(to, i.ingredientId)}: ${grams(old.grams)} to ${grams(i.grams)}`);
    else if (old.stage !== i.stage) out.push(`${name(to, i.ingredientId)}: goes in ${i.stage} instead of ${old.stage}`);
  }
  for (const o of from.items)
    if (!to.items.some((i) => i.ingredientId === o.ingredientId))
      out.push(`${name(from, o.ingredientId)}: ${grams(o.grams)} went out`);
  const line = (what: string, a: unknown, b: unknown) => {
    if (String(a) !== String(b)) out.push(`${what}: ${String(a)} to ${String(b)}`);
  };
  line('name', from.name, to.name);
  line('kind', from.family, to.family);
  line('people', from.people, to.people);
  line('portion, g', from.portionG, to.portionG);
  line('wanted', from.serve.word, to.serve.word);
  line('served', from.serve.style, to.serve.style);
  line('served at, °C', from.serve.tempC, to.serve.tempC);
  line('on the table', from.serve.at, to.serve.at);
  line('dishes', `${from.dish.count} × ${from.dish.capacityMl} ml`, `${to.dish.count} × ${to.dish.capacityMl} ml`);
  line('pan', from.pan.name, to.pan.name);
  line('ring', `${from.hob.kind} ${from.hob.ratedW} W`, `${to.hob.kind} ${to.hob.ratedW} W`);
  line('cook on, min', from.method.cookOnMin, to.method.cookOnMin);
  line(
    'hob',
    `${from.method.heatSetting} then ${from.method.simmerSetting}`,
    `${to.method.heatSetting} then ${to.method.simmerSetting}`,
  );
  line('hours to serving', from.rest.hours, to.rest.hours);
  line('starch by', from.starchMeasure, to.starchMeasure);
  line('rules', from.rules.join(', ') || 'none', to.rules.join(', ') || 'none');
  line(
    'beside it',
    from.sides.map((s) => s.kind).join(', ') || 'nothing',
    to.sides.map((s) => s.kind).join(', ') || 'nothing',
  );
  for (const key of new Set([...Object.keys(from.choices), ...Object.keys(to.choices)]) as Set<keyof Plan['choices']>)
    line(key, from.choices[key] ?? 'as usual', to.choices[key] ?? 'as usual');
  return out;
}

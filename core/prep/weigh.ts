import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';
import { atStages, type StagedPortion } from '../plan/stages';
import { momentKey, type Stage } from '../plan/method';
import type { Plan } from '../plan/plan';
import { say, type Said } from '../say';

const at = MomentSchema;

/** What was ticked and weighed for a plan, before its pot is lit. */
export const PrepSchema = z.object({
  /** the plan's own id */
  id: IdSchema,
  /** when the hands were done with it: what then waits has its timer from here */
  ticks: z.array(z.object({ item: IdSchema, at })).max(200),
  weighed: z
    .array(z.object({ item: IdSchema, grams: z.number().min(0).max(20000), at, by: z.enum(['scale', 'hand']) }))
    .max(100),
});
export type Prep = z.infer<typeof PrepSchema>;
export const emptyPrep = (planId: string): Prep => ({ id: planId, ticks: [], weighed: [] });

export type Weighing = StagedPortion & { key: string; into: Said; side?: true };

/** The pot first, what goes on top last. */
const IN_TURN: readonly Stage[] = ['pot', 'slurry', 'grain', 'bowl', 'late', 'off the heat', 'fold in', 'under', 'top'];

/** What it is weighed into: a cup for each moment. */
const cupOf = (p: StagedPortion, stage: Stage): Said => {
  const cup = say(`prep.into.${p.taste ? 'taste' : stage}`);
  return p.moment === undefined || p.taste ? cup : say('prep.anotherCup', { cup, which: p.moment });
};

/** One thing after the other, container by container, so that each is tared once. */
export function weighingOf(plan: Plan): Weighing[] {
  const stages = atStages(plan);
  return IN_TURN.flatMap((stage) =>
    stages[stage]
      .filter((p) => p.grams > 0)
      .toSorted((a, b) => (a.moment ?? 1) - (b.moment ?? 1))
      .map((p) => ({
        ...p,
        key: `${p.ingredient.id}@${momentKey({ ...p, stage })}${p.taste ? ' to taste' : ''}`,
        into: cupOf(p, stage),
      })),
  );
}

/**
 * The plan as it was really weighed: what was poured too much or too little is in it, kept-back parts as they were
 * kept back. What was not weighed stays as planned.
 */
export function asWeighed(plan: Plan, weighed: readonly { item: string; grams: number }[]): Plan {
  const list = weighingOf(plan);
  const real = new Map(weighed.map((w) => [w.item, w.grams]));
  const items = plan.items.map((item) => {
    const off = list
      .filter((w) => w.ingredient.id === item.ingredientId && real.has(w.key))
      .reduce((s, w) => s + real.get(w.key)! - w.grams, 0);
    return off === 0 ? item : { ...item, grams: Math.max(0, item.grams + off) };
  });
  const carveOuts = plan.carveOuts.map((c) => {
    const grams = real.get(`${c.ingredientId}@${momentKey(c)}${c.taste ? ' to taste' : ''}`);
    return grams === undefined ? c : { ...c, grams };
  });
  return { ...plan, items, carveOuts };
}

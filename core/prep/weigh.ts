import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';
import { inBowls, type LaidPortion } from '../plan/bowls';
import { linesOf, partsOf, withLines } from '../plan/layout';
import { numberOf, purposeOf, type Use } from '../plan/method';
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

export type Weighing = LaidPortion & { key: string; into: Said; side?: true };

/** The pot first, what goes on top last. */
const IN_TURN: readonly Use[] = ['pot', 'slurry', 'grain', 'bowl', 'late', 'off the heat', 'fold in', 'under', 'top'];

/** What it is weighed into: a cup for each bowl. */
const cupOf = (p: LaidPortion): Said => {
  const cup = say(`prep.into.${p.taste ? 'taste' : purposeOf(p.in)}`);
  return numberOf(p.in) === 1 || p.taste ? cup : say('prep.anotherCup', { cup, which: numberOf(p.in) });
};
const keyOf = (p: { in: string; taste?: boolean | undefined }, ingredientId: string) =>
  `${ingredientId}@${p.in}${p.taste ? ' to taste' : ''}`;

/** One thing after the other, container by container, so that each is tared once. */
export function weighingOf(plan: Plan): Weighing[] {
  const bowls = inBowls(plan);
  return IN_TURN.flatMap((use) =>
    bowls[use]
      .filter((p) => p.grams > 0)
      .toSorted((a, b) => numberOf(a.in) - numberOf(b.in))
      .map((p) => ({ ...p, key: keyOf(p, p.ingredient.id), into: cupOf(p) })),
  );
}

/**
 * The plan as it was really weighed: what was poured too much or too little is in it, kept-back parts as they were
 * kept back. What was not weighed stays as planned.
 */
export function asWeighed(plan: Plan, weighed: readonly { item: string; grams: number }[]): Plan {
  const list = weighingOf(plan);
  const real = new Map(weighed.map((w) => [w.item, w.grams]));
  const lines = linesOf(plan).map((item) => {
    const off = list
      .filter((w) => w.ingredient.id === item.ingredientId && real.has(w.key))
      .reduce((s, w) => s + real.get(w.key)! - w.grams, 0);
    return off === 0 ? item : { ...item, grams: Math.max(0, item.grams + off) };
  });
  const parts = partsOf(plan).map((c) => {
    const grams = real.get(keyOf(c, c.ingredientId));
    return grams === undefined ? c : { ...c, grams };
  });
  return withLines(plan, lines, parts);
}

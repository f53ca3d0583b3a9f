import { newPlan } from './plan/newPlan';
import { laidOut, linesOf, ownSteps, partsOf, type Line, type Part } from './plan/layout';
import { numberOf, purposeOf, intoBowl, type MethodStep } from './plan/method';
import type { Family, Plan } from './plan/plan';
import type { SetWord } from './texture/words';
import { pantryWith } from './pantry/pantry';

/** Plans for tests: one pudding with a few things changed. */
export const pantry = pantryWith();

export function testPlan(change: Partial<Plan> = {}, milkId = 'milk_whole'): Plan {
  return {
    ...newPlan({ id: 'p', name: 'Test pudding', milkId, people: 6, portionG: 130, serveAt: '2026-12-12T19:30:00Z' }),
    ...change,
  };
}

/** The usual start of a family, with a few things changed. */
export const familyPlan = (family: Family, change: Partial<Plan> = {}): Plan => ({
  ...newPlan({
    id: 'p',
    name: 'Choir pudding',
    milkId: 'milk_whole',
    people: 6,
    portionG: 130,
    serveAt: '2026-12-12T19:30:00Z',
    family,
  }),
  ...change,
});

/** Things in their bowls, parts of them elsewhere, and steps of its own: what a plan's list is made of. */
export function laid(
  lines: readonly Line[],
  parts: readonly Part[] = [],
  steps: readonly MethodStep[] = [],
): Pick<Plan, 'things' | 'acts'> {
  const { things, puts } = laidOut(lines, parts);
  return { things, acts: [...puts, ...steps] };
}

/** What version 6 had no steps for. */
export const withoutHands = (steps: readonly MethodStep[]): MethodStep[] =>
  steps.filter((s) => s.do !== 'mix' && s.do !== 'take out' && s.do !== 'serve' && !intoBowl(s));

/** A plan as version 6 and all before it wrote one: stages, carve-outs and steps. */
export function asStages(plan: Plan): Record<string, unknown> {
  const { things: _things, acts: _acts, vessels: _vessels, version: _version, ...rest } = plan;
  const at = <T extends { in: string }>({ in: bowl, ...row }: T) => ({
    ...row,
    stage: purposeOf(bowl),
    ...(numberOf(bowl) > 1 ? { moment: numberOf(bowl) } : {}),
  });
  const steps = withoutHands(ownSteps(plan) ?? []).map((s) => {
    if (s.do !== 'pour') return s;
    const { to, ...step } = s;
    if (to !== 'pot') return { ...step, do: to === 'top' ? 'top' : 'pour' };
    const { from, ...added } = s;
    const { to: _to, ...old } = at({ ...added, in: from });
    return { ...old, do: 'add' };
  });
  return {
    ...rest,
    version: 6,
    items: linesOf(plan).map(at),
    carveOuts: partsOf(plan).map(at),
    sides: [],
    ...(ownSteps(plan) ? { steps } : {}),
  };
}

export const wanting = (plan: Plan, word: SetWord, style: Plan['serve']['style'] = 'spooned'): Plan => ({
  ...plan,
  serve: { ...plan.serve, word, style },
});

import { isStep, linesOf, ownSteps, partsOf, potPartsOf, withOwnSteps, withPotParts } from './layout';
import type { Bowl, MethodStep } from './method';
import { kindOf, type StepKind } from './methodList';
import type { Plan, SecondPot } from './plan';

/** Pots beside the pot: a list each, seen as a plan of its own. */

/** Kinds of steps that a second pot can have: its contents are put into bowls by the plan's acts. */
export const SECOND_KINDS: readonly StepKind[] = [
  'mix',
  'add',
  'wet',
  'warm',
  'thicken',
  'cook on',
  'reduce',
  'take out',
  'stand',
  'say',
];
const isItsOwn = (s: MethodStep): boolean => SECOND_KINDS.includes(kindOf(s));

/** A second pot as a plan: its things and acts in its pan, in the plan's kitchen. It ends where the main pot pours. */
export function secondPlan(plan: Plan, pot: SecondPot): Plan {
  const { have: _have, share: _share, ...rest } = plan;
  const steps = (ownSteps(pot) ?? []).filter(isItsOwn);
  return withOwnSteps(
    {
      ...rest,
      id: `${plan.id}.${pot.id}`,
      name: pot.name,
      family: 'starch-set milk pudding',
      choices: {},
      things: pot.things,
      acts: pot.acts,
      pan: pot.pan,
      vessels: [],
      portions: [],
    },
    [...steps, { do: 'pour', to: 'dish' }, { do: 'rest', where: 'room', minutes: 10, covered: true }],
  );
}

/** The second pot as its plan was changed; what it is poured into and where that stands is the plan's own. */
export const asSecondPot = (pot: SecondPot, changed: Plan): SecondPot => ({
  ...pot,
  name: changed.name,
  pan: changed.pan,
  things: changed.things,
  acts: changed.acts.filter((a) => !isStep(a) || isItsOwn(a)),
});

/** So much of each thing in one bowl of a second pot, g. */
export function portionsOfPot(pot: SecondPot, bowl: Bowl): { ingredientId: string; grams: number }[] {
  const parts = partsOf(pot);
  return linesOf(pot).flatMap((line) => {
    const elsewhereG = parts
      .filter((p) => p.ingredientId === line.ingredientId && p.in !== line.in)
      .reduce((sum, p) => sum + p.grams, 0);
    const grams =
      line.in === bowl
        ? line.grams - elsewhereG
        : parts
            .filter((p) => p.ingredientId === line.ingredientId && p.in === bowl)
            .reduce((sum, p) => sum + p.grams, 0);
    return grams > 0 ? [{ ingredientId: line.ingredientId, grams }] : [];
  });
}

/** The plan with so much of a second pot in a bowl; what other bowls have of it stays theirs. @param share 0 takes it out */
export function pouredInto(plan: Plan, vesselId: string, bowl: Bowl, share: number): Plan {
  const others = potPartsOf(plan).filter((p) => !(p.vesselId === vesselId && p.in === bowl));
  const elsewhere = others.reduce((sum, p) => sum + (p.vesselId === vesselId ? p.share : 0), 0);
  const here = Math.round(100 * Math.min(share, 1 - elsewhere)) / 100;
  return withPotParts(plan, here > 0 ? [...others, { vesselId, share: here, in: bowl }] : others);
}

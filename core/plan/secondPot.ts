import { PANS } from '../pantry/kitchen';
import { isStep, laidOut, ownSteps, withOwnSteps, type Line } from './layout';
import type { HeatStep, MethodStep } from './method';
import type { Plan, SecondPot } from './plan';

/** Pots beside the pot: a list each, seen as a plan of its own. */

/** What a second pot does: what goes in, fire, and the cook's own words. Its contents are put into bowls by the plan's acts. */
export const SECOND_ACTS = ['add', 'heat', 'say'] as const;
const isItsOwn = (s: MethodStep): boolean => SECOND_ACTS.some((d) => d === s.do);

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
      sides: [],
      portions: [],
    },
    [...steps, { do: 'pour' }, { do: 'rest', where: 'room', minutes: 10, covered: true }],
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

const fire = (step: Partial<HeatStep> & Pick<HeatStep, 'role' | 'until'>): HeatStep => ({
  do: 'heat',
  setting: 4,
  limitMin: 90,
  stirEveryS: 5,
  tool: 'spoon',
  lid: 'off',
  wrapped: false,
  ...step,
});

/** A second pot to begin with: its things cold into a small pan, to the bubble, and a few minutes more. */
export function startSecondPot(
  id: string,
  name: string,
  lines: readonly Line[] = [],
  steps: readonly MethodStep[] = [
    fire({ role: 'thicken', setting: 5, until: { reach: 'bubble' } }),
    fire({ role: 'cook on', setting: 3, until: { reach: 'time', minutes: 3 } }),
  ],
): SecondPot {
  const { things, puts } = laidOut(lines);
  return { id, kind: 'pot', name, pan: { ...PANS[0]! }, things, acts: [...puts, ...steps] };
}

import type { Observation } from '../../core/cook/events';
import type { Step, StepId } from '../../core/cook/steps';
import type { Plan } from '../../core/formula/plan';
import type { Formatter } from '../shared/format';

/** What the cook reads and hears in Pot. Amounts and degrees come from the plan. */
export type StepWords = { title: string; manner: string; cue: string; why: string; done: string; until: string };

const list = (step: Step, fmt: Formatter) =>
  step.portions.map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}`).join(', ');

export function stepWords(step: Step, plan: Plan, fmt: Formatter, depthMm: number | undefined): StepWords {
  const every = `${plan.method.stirEveryS}\u00a0s\u00a0each`;
  switch (step.id) {
    case 'weigh':
      return {
        title: 'Weigh it out',
        manner: 'grams first, tare before each',
        cue: 'Everything stands beside the pot.',
        why: 'Once it thickens there is no time to measure.',
        done: 'All weighed',
        until: 'about',
      };
    case 'slurry':
      return {
        title: 'Whisk the slurry',
        manner: list(step, fmt),
        cue: 'No lump under the whisk, no starch on the floor of the jug.',
        why: 'Starch that meets heat dry clumps at once, and lumps do not cook out.',
        done: 'Slurry is smooth',
        until: 'about',
      };
    case 'warm':
      return {
        title: 'Warm the milk',
        manner: `to ${fmt.temp(plan.method.slurryAtC)}, stir now and then`,
        cue: 'Steam rises. No bubble yet.',
        why: 'Hotter milk would seal the slurry into lumps.',
        done: 'It steams',
        until: 'to steaming',
      };
    case 'thicken':
      return {
        title: 'Sweep the bottom',
        manner: `whisk the slurry in, then slow eights, ${every}`,
        cue: 'Edges thicken, the hiss turns to a sigh, then a slow plop.',
        why: 'It goes within half a minute, and the floor goes first.',
        done: 'First bubble',
        until: 'to the first bubble',
      };
    case 'cook on':
      return {
        title: 'Keep stirring',
        manner: `whole floor and corners, ${every}`,
        cue: 'Slow bubbles plop. The spoon drags.',
        why: 'Starch that has not bubbled a while tastes raw and thins later.',
        done: 'Done cooking',
        until: 'to go',
      };
    case 'off the heat':
      return {
        title: 'Off the heat',
        manner: step.portions.length ? `stir in ${list(step, fmt)}` : 'one last sweep, then still',
        cue: 'The plopping stops. It is thinner hot than it will be cold.',
        why: 'Scent boils away, so it goes in last.',
        done: 'Stirred in',
        until: 'about',
      };
    case 'pour':
      return {
        title: 'Pour',
        manner: `${plan.dish.count} × ${fmt.ml(plan.dish.capacityMl)}${depthMm ? `, ${Math.round(depthMm)} mm deep` : ''}`,
        cue: plan.rest.covered
          ? 'Tap out the bubbles. Cover touching the surface.'
          : 'Tap out the bubbles. Leave it open.',
        why: 'Even depth sets at one time. After this, no more stirring.',
        done: 'Poured',
        until: 'about',
      };
  }
}

/** Shorter than the key: what the voice and the next line say. */
export const STEP_NEXT: Record<StepId, string> = {
  weigh: 'weigh',
  slurry: 'whisk the slurry',
  warm: 'warm the milk',
  thicken: 'slurry in, stir to the first bubble',
  'cook on': 'cook on',
  'off the heat': 'off the heat',
  pour: 'pour',
};

export const SEEN: Record<Observation, string> = {
  steams: 'It steams',
  'edges thicken': 'Edges thicken',
  'first bubble': 'First bubble',
  'coats the spoon': 'Coats the spoon',
  lumps: 'Lumps',
  'too thick': 'Too thick',
  'too thin': 'Too thin',
  'smells toasted': 'Smells toasted',
};

/** What to do at once when it is seen. */
export const SEEN_ADVICE: Partial<Record<Observation, string>> = {
  lumps: 'Off the ring, whisk hard. What stays: through a sieve before it cools.',
  'smells toasted': 'Off the ring now. Do not scrape: tip the top nine tenths into another pan.',
  'too thick': 'Wait for the word below: it is judged cold. Then loosen with hot milk, a spoon at a time.',
  'too thin': 'Let it bubble on first. Too thin in the pot is often right in the fridge.',
};

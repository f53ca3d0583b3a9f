import type { Observation } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import type { Plan } from '../../core/formula/plan';
import type { Formatter } from '../shared/format';

/** What the cook reads and hears in Pot. Amounts and degrees come from the plan. */
export type StepWords = { title: string; manner: string; cue: string; why: string; done: string; until: string };

const list = (step: Step, fmt: Formatter) =>
  step.portions.map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}`).join(', ');

export function stepWords(step: Step, plan: Plan, fmt: Formatter, depthMm: number | undefined): StepWords {
  const every = `${step.stirEveryS ?? plan.method.stirEveryS}\u00a0s\u00a0each`;
  /** thickened by egg alone: it must never bubble */
  const custard = step.heat?.until.reach === 'temperature' && step.id !== 'warm';
  const joins = step.adds.length > 0 && step.portions.length > 0;
  const first = joins ? goesIn(step, fmt) : '';
  switch (step.id.replace(/ \d+$/, '')) {
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
        manner:
          step.heat?.until.reach === 'bubble'
            ? 'to the first bubble, stir now and then'
            : `to ${fmt.temp(step.tempC ?? plan.method.slurryAtC)}, stir now and then`,
        cue:
          step.heat?.until.reach === 'bubble'
            ? 'Small bubbles at the rim, then one in the middle.'
            : 'Steam rises. No bubble yet.',
        why: plan.items.some((i) => i.stage === 'slurry')
          ? 'Hotter milk would seal the slurry into lumps.'
          : 'It warms while the rest is made ready.',
        done: 'It steams',
        until: 'to steaming',
      };
    case 'thicken':
      return {
        title: custard ? 'Stir, never boil' : 'Sweep the bottom',
        manner: joins
          ? `${first}${custard ? ', slow eights, ' : ', then slow eights, '}${every}`
          : `slow eights, ${every}`,
        cue: custard
          ? 'Foam goes, steam rises, a finger line stays on the spoon. Never a bubble.'
          : 'Edges thicken, the hiss turns to a sigh, then a slow plop.',
        why: custard
          ? 'A few degrees further the egg curdles. Off the heat at once, into a cold bowl.'
          : 'It goes within half a minute, and the floor goes first.',
        done: step.heat?.until.reach === 'temperature' ? 'It coats the spoon' : 'First bubble',
        until:
          step.heat?.until.reach === 'temperature' ? `to ${fmt.temp(step.heat.until.tempC)}` : 'to the first bubble',
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
    case 'beat the egg':
      return {
        title: 'Beat the egg',
        manner: list(step, fmt),
        cue: 'Pale, no streak of white.',
        why: 'Sugar and a beating spread the yolk before it meets heat.',
        done: 'Beaten',
        until: 'about',
      };
    case 'simmer':
    case 'simmer in milk':
      return {
        title: step.heat?.lid === 'on' ? 'Lid on, lowest heat' : 'Simmer',
        manner: [
          first,
          step.heat?.lid === 'on'
            ? `stir every ${fmt.hours((step.stirEveryS ?? 180) / 3600)}`
            : `sweep the floor, ${every}`,
        ]
          .filter(Boolean)
          .join(', then '),
        cue: 'Bite a grain: soft through, still whole.',
        why: 'Grain takes its water slowly, and the floor catches meanwhile.',
        done: 'Soft through',
        until: 'to the bite',
      };
    case 'reduce':
      return {
        title: 'Cook it down',
        manner: `to ${Math.round(100 * (plan.choices.reduceTo ?? 1))} % of where it began, ${every}`,
        cue: 'Mark the depth on a spoon handle, and watch it fall to the mark.',
        why: 'Everything gets stronger as water leaves, sugar too.',
        done: 'Down to the mark',
        until: 'to the mark',
      };
    case 'bake':
      return {
        title: 'Bake',
        manner: 'middle of the oven; dry cloths for a hot dish and its water',
        cue: 'Edge set, a coin in the middle still trembles.',
        why: 'It goes on setting after it is out.',
        done: 'Out of the oven',
        until: 'to go',
      };
    default:
      return {
        title: step.id.charAt(0).toUpperCase() + step.id.slice(1),
        manner: [first, step.stirEveryS === undefined ? 'spoon still' : `stir, ${every}`]
          .filter(Boolean)
          .join(', then '),
        cue: 'Look and listen: no hiss, no smell of toast.',
        why: 'The method asks for it.',
        done: 'Done',
        until: step.ends === 'time' ? 'to go' : 'about',
      };
  }
}

/** How what joins the pot at this step goes in. */
function goesIn(step: Step, fmt: Formatter): string {
  const add = step.adds[0]!;
  if (add.stage === 'slurry') return 'whisk the slurry in';
  if (add.ladleG) return `hot milk into the egg, ${fmt.grams(add.ladleG)} a ladle, then all back`;
  if (add.how === 'dry rain') return `rain in ${list(step, fmt)}, whisking`;
  return `stir in ${list(step, fmt)}`;
}

/** Shorter than the key: what the voice and the next line say. */
const NEXT: Record<string, string> = {
  weigh: 'weigh',
  slurry: 'whisk the slurry',
  warm: 'warm the milk',
  thicken: 'stir to the first bubble',
  'cook on': 'cook on',
  'off the heat': 'off the heat',
  pour: 'pour',
};
export const stepNext = (step: Step): string =>
  step.id === 'thicken' && step.adds.some((a) => a.stage === 'slurry')
    ? `slurry in, ${NEXT.thicken}`
    : (NEXT[step.id] ?? step.id);

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

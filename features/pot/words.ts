import type { CookEvent, Fault, Observation } from '../../core/cook/events';
import type { Harm, Margin } from '../../core/cook/margins';
import type { Pace, Pattern } from '../../core/cook/pacer';
import type { Step, StepRole } from '../../core/cook/steps';
import type { Plan } from '../../core/plan/plan';
import { SEEN } from '../shared/eventWords';
import type { Formatter } from '../../words/format';

/** What the cook reads and hears in Pot. Amounts and degrees come from the plan. */
export type StepWords = { title: string; manner: string; cue: string; why: string; done: string; until: string };

const list = (step: Step, fmt: Formatter) =>
  step.portions.map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}${p.taste ? ' to taste' : ''}`).join(', ');

export function stepWords(step: Step, plan: Plan, fmt: Formatter, depthMm: number | undefined): StepWords {
  const every = `${step.stirEveryS ?? plan.method.stirEveryS}\u00a0s\u00a0each`;
  /** thickened by egg alone: it must never bubble */
  const custard = step.heat?.until.reach === 'temperature' && step.role !== 'warm';
  /** ends when it is thick enough, bubbling or not */
  const coats = step.cue === 'coats the spoon';
  const joins = step.adds.length > 0 && step.portions.length > 0;
  const first = joins ? goesIn(step, fmt) : '';
  switch (step.role) {
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
            : step.cue === 'rim bubbles'
              ? 'Small bubbles at the rim, none in the middle.'
              : 'Steam rises. No bubble yet.',
        why: plan.items.some((i) => i.stage === 'slurry')
          ? 'Hotter milk would seal the slurry into lumps.'
          : 'It warms while the rest is made ready.',
        done: SEEN[step.cue ?? 'steams'],
        until: step.cue === 'rim bubbles' ? 'to scalding' : 'to steaming',
      };
    case 'taste':
    case 'taste again':
      return {
        title: 'Taste',
        manner: `from a cold spoon, under any fat; ${list(step, fmt)} held back`,
        cue: 'Hot tastes sweeter than it will cold. Add a little, stir, taste again.',
        why:
          step.role === 'taste'
            ? 'Once it is thick, what goes in no longer spreads.'
            : 'Fruit turns the balance: taste again before it is poured.',
        done: 'Tastes right',
        until: 'about',
      };
    case 'count out':
      return {
        title: 'Count out',
        manner: list(step, fmt),
        cue: 'As many out as went in.',
        why: 'Once it thickens they drag half the paste along, and a child can choke on one.',
        done: 'All out',
        until: 'about',
      };
    case 'thicken':
      return {
        title: custard ? 'Stir, never boil' : 'Sweep the bottom',
        manner: joins ? `${first}, then slow eights` : `slow eights, ${every}`,
        cue: custard
          ? 'Foam goes, steam rises, a finger line stays on the spoon. Never a bubble.'
          : coats
            ? `Edges thicken. Dip the spoon: a finger line stays.${step.heat?.over ? ' Over steam it may never bubble.' : ''}`
            : 'Edges thicken, the hiss turns to a sigh, then a slow plop.',
        why: custard
          ? 'A few degrees further the egg curdles. Off the heat at once, into a cold bowl.'
          : 'It goes within half a minute, and the floor goes first.',
        done: coats ? 'It coats the spoon' : 'First bubble',
        until:
          step.heat?.until.reach === 'temperature'
            ? `to ${fmt.temp(step.heat.until.tempC)}`
            : coats
              ? 'until it coats'
              : 'to the first bubble',
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
        title: own(step.name ?? OTHER[step.role] ?? step.role),
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

/** Fires that have no words of their own above. */
const OTHER: Partial<Record<StepRole, string>> = {
  'minutes more': 'minutes more',
  'heat off': 'heat off',
  cool: 'let it cool',
  heat: 'heat',
};
const own = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** Shorter than the key: what the voice and the next line say. */
const NEXT: Partial<Record<StepRole, string>> = {
  ...OTHER,
  weigh: 'weigh',
  slurry: 'whisk the slurry',
  warm: 'warm the milk',
  'cook on': 'cook on',
  'off the heat': 'off the heat',
  taste: 'taste it',
  'taste again': 'taste it again',
  'count out': 'count the spices out',
  pour: 'pour',
};
export const stepNext = (step: Step): string =>
  step.role === 'thicken'
    ? `${step.adds.some((a) => a.stage === 'slurry') ? 'slurry in, ' : ''}stir ${step.cue === 'coats the spoon' ? 'until it coats the spoon' : 'to the first bubble'}`
    : `${step.name ?? NEXT[step.role] ?? step.role}${step.fix ? ' again' : ''}`;

/** What to do at once when it is seen. */
export const SEEN_ADVICE: Partial<Record<Observation, string>> = {
  lumps: 'Off the ring, whisk hard. What stays: through a sieve before it cools.',
  'smells toasted': 'Off the ring now. Do not scrape: tip the top nine tenths into another pan.',
  'too thick': 'Wait for the word below: it is judged cold. Then loosen with hot milk, a spoon at a time.',
  'too thin': 'Let it bubble on first. Too thin in the pot is often right in the fridge.',
  climbs: 'Off the ring, now. It falls back by itself; go on two lower.',
  'tastes raw': 'It has to bubble on. Taste again in a minute, from a cold spoon.',
  'grain hard': 'Lid on, low. Bite another in a few minutes.',
};

/** Faults that an observation leads to. */
export const LEADS_TO: Partial<Record<Observation, Fault>> = {
  lumps: 'lumps',
  'too thick': 'too stiff',
  'too thin': 'too thin',
  'smells toasted': 'catching',
  climbs: 'boiled over',
  'tastes raw': 'raw taste',
  'grain hard': 'grains hard',
};

/** Harm in a cook's words: what it is, and the act when it is called. */
export const HARM: Record<Harm, { band: string; call: string; act: string }> = {
  'boil over': { band: 'boil-over', call: 'It climbs', act: 'off the ring, it falls back' },
  curdle: { band: 'curdling', call: 'Egg about to curdle', act: 'off the heat, pour into the cold bowl' },
  catch: { band: 'catching', call: 'The floor catches', act: 'turn down, scrape the bottom flat' },
};

/** What a call says, and the act that it names; where too little is known of the heat it asks to look. */
export const callOf = (m: Margin): { call: string; act: string } =>
  m.asks ? { call: 'Lift the spoon', act: 'a finger line stays? off the heat, into the cold bowl' } : HARM[m.harm];

/** How far off harm is. */
export function marginSays(m: Margin, fmt: Formatter): string {
  if (m.state === 'alarm') return 'now';
  if (m.harm === 'curdle' && m.spareK !== undefined && m.spareK < 20)
    return `${fmt.degApart(Math.max(0, m.spareK))} to spare`;
  if (m.inS !== undefined) return `in ${fmt.countdown(m.inS)}`;
  return 'far';
}

/** A stir so seldom is called for; between two the spoon rests. */
export const SELDOM_S = 60;
const PATTERN: Record<Pattern, string> = {
  'figure of eight': 'slow eights',
  'sweep the floor': 'sweep the whole floor',
  'round the rim': 'round the rim',
  'scrape the sides': 'scrape the sides down',
  still: 'spoon still',
};
export function paceSays(p: Pace): string {
  const tool = p.tool === 'spoon' ? '' : `, ${p.tool === 'whisk' ? 'whisk' : 'flat scraper'}`;
  if (p.everyS >= SELDOM_S && Number.isFinite(p.everyS))
    return `spoon still, a stir every ${Math.round(p.everyS / 60)}\u00a0min${tool}`;
  return Number.isFinite(p.everyS)
    ? `${PATTERN[p.pattern]}, ${Math.round(p.everyS * 2) / 2}\u00a0s\u00a0each${tool}`
    : PATTERN.still;
}
export function restSays(p: Pace): string {
  const owed = p.owedMin >= 1 ? `${Math.round(p.owedMin)} min of stirring still owed` : '';
  const rest = p.mayRest
    ? p.restS >= 60
      ? 'the spoon may rest'
      : `the spoon may rest ${Math.round(p.restS)} s`
    : Number.isFinite(p.everyS)
      ? 'no rest now'
      : '';
  return [rest, owed].filter(Boolean).join('; ');
}

/** Spoken: the order and one cue, nine words at the most. */
export function spokenLine(w: StepWords): string {
  const words = `${w.title}. ${w.cue.split(/[.,;]/)[0]}`.split(/\s+/);
  return words.slice(0, 9).join(' ');
}

/** What a ring gives, as the twin has learnt it. */
export function ringSays(ring: { mean: number; low: number; high: number }): string {
  const pct = (x: number) => Math.round(x * 100);
  return `your ring gives ${pct(ring.low)} to ${pct(ring.high)} % of its rating`;
}

/** The event that did not fit, named. */
export function oddSays(event: CookEvent): string {
  if (event.kind === 'observed') return `“${SEEN[event.what]}”`;
  if (event.kind === 'measured')
    return { probe: 'That temperature', trail: 'That trail', scale: 'That weight', plate: 'That blob' }[event.what];
  return 'That';
}

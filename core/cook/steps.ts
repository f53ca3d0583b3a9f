import { atStages, type StagedPortion } from '../formula/compose';
import { methodOf } from '../formula/family';
import type { AddStep, HeatStep } from '../formula/method';
import type { Plan } from '../formula/plan';
import type { Forecast } from '../forecast';
import type { Pantry } from '../pantry/pantry';
import { waterBoilsC } from '../pot/air';
import type { Observation } from './events';

/** What the hands do: known ones have their own words in the Pot room. Numbered when a method does one twice. */
export type StepId = string;

/** One thing to do. Amounts and minutes come from the plan and its forecast; the words are the interface's. */
export type Step = {
  id: StepId;
  /** how it ends: when the cook says so, when a cue shows, or when the time is up */
  ends: 'done' | 'cue' | 'time';
  /** s it is expected to take; the time it must take when `ends` is time */
  seconds: number;
  /** hob ovals, or undefined where the hob does not matter */
  setting?: number;
  /** s between two wipes of the same spot, or undefined where the spoon may rest */
  stirEveryS?: number;
  tempC?: number;
  portions: StagedPortion[];
  /** what goes into the pot at its start, and the fire that follows */
  adds: AddStep[];
  heat?: HeatStep;
  /** what ends it, and what else may be seen */
  cue?: Observation;
  watch: Observation[];
};

/** A pair of hands weighs one thing in about this long. */
const WEIGH_S = 35;

const WATCH: Record<string, Observation[]> = {
  warm: ['smells toasted'],
  thicken: ['edges thicken', 'coats the spoon', 'lumps', 'too thick', 'smells toasted'],
  'off the heat': ['lumps', 'too thick', 'too thin'],
};
const COOKING: Observation[] = ['coats the spoon', 'lumps', 'too thick', 'too thin', 'smells toasted'];

function cueOf(heat: HeatStep): Observation | undefined {
  switch (heat.until.reach) {
    case 'bubble':
      return heat.name === 'warm' ? 'steams' : 'first bubble';
    case 'temperature':
      return heat.name === 'warm' ? 'steams' : 'coats the spoon';
    case 'thickness':
      return 'coats the spoon';
    default:
      return undefined;
  }
}

/**
 * The steps of this plan, in order.
 * @throws UnknownIngredientError
 */
export function stepsOf(plan: Plan, pantry: Pantry, forecast: Pick<Forecast, 'phases' | 'bake'>): Step[] {
  const stages = atStages(plan, pantry);
  const all = Object.values(stages).flat();
  const steps: Step[] = [
    { id: 'weigh', ends: 'done', seconds: WEIGH_S * plan.items.length, portions: all, adds: [], watch: [] },
  ];
  if (stages.slurry.length)
    steps.push({ id: 'slurry', ends: 'done', seconds: 60, portions: stages.slurry, adds: [], watch: [] });
  if (stages.bowl.length)
    steps.push({ id: 'beat the egg', ends: 'done', seconds: 120, portions: stages.bowl, adds: [], watch: [] });
  const seen = new Map<string, number>();
  const named = (name: string) => {
    const n = (seen.get(name) ?? 0) + 1;
    seen.set(name, n);
    return n > 1 ? `${name} ${n}` : name;
  };
  let adds: AddStep[] = [];
  let phase = 0;
  for (const step of methodOf(plan, pantry)) {
    const portions = adds.flatMap((a) => stages[a.stage]);
    switch (step.do) {
      case 'add':
        adds.push(step);
        break;
      case 'heat': {
        const took = forecast.phases[phase++];
        const id = named(step.name);
        const off = step.name === 'off the heat';
        const timed = step.until.reach === 'time';
        const cue = cueOf(step);
        steps.push({
          id,
          ends: off ? 'done' : timed ? 'time' : 'cue',
          seconds:
            step.until.reach === 'time'
              ? Math.round(step.until.minutes * 60)
              : took
                ? Math.round(took.endS - took.startS)
                : 0,
          setting: step.setting,
          ...(step.stirEveryS === null ? {} : { stirEveryS: step.stirEveryS }),
          ...(step.until.reach === 'temperature'
            ? { tempC: step.until.tempC }
            : step.until.reach === 'bubble'
              ? { tempC: waterBoilsC(plan.room.altitudeM) - 6 }
              : {}),
          portions: step.name === 'warm' ? stages.pot : portions,
          adds,
          heat: step,
          ...(cue ? { cue } : {}),
          watch: (WATCH[step.name] ?? COOKING).filter((o) => o !== cue),
        });
        adds = [];
        break;
      }
      case 'pour':
        steps.push({ id: 'pour', ends: 'done', seconds: 90, portions, adds, watch: ['lumps'] });
        adds = [];
        break;
      case 'bake':
        steps.push({
          id: named('bake'),
          ends: 'time',
          seconds: Math.round((forecast.bake?.minutes ?? 0) * 60),
          portions: [],
          adds: [],
          watch: [],
        });
        break;
      case 'rest':
        break;
    }
  }
  return steps;
}

import { atStages, type StagedPortion } from '../formula/compose';
import type { Plan } from '../formula/plan';
import type { Forecast } from '../forecast';
import type { Pantry } from '../pantry/pantry';
import { STAND_S } from '../pot/fromPlan';
import { waterBoilsC } from '../pot/air';
import type { Observation } from './events';

export type StepId = 'weigh' | 'slurry' | 'warm' | 'thicken' | 'cook on' | 'off the heat' | 'pour';

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
  /** what ends it, and what else may be seen */
  cue?: Observation;
  watch: Observation[];
};

/** A pair of hands weighs one thing in about this long. */
const WEIGH_S = 35;

/**
 * The steps of this plan, in order.
 * @throws UnknownIngredientError
 */
export function stepsOf(plan: Plan, pantry: Pantry, forecast: Pick<Forecast, 'phases'>): Step[] {
  const stages = atStages(plan, pantry);
  const took = (name: string) => {
    const phase = forecast.phases.find((p) => p.name === name);
    return phase ? Math.round(phase.endS - phase.startS) : 0;
  };
  const { heatSetting, simmerSetting, stirEveryS, slurryAtC, cookOnMin } = plan.method;
  return [
    {
      id: 'weigh',
      ends: 'done',
      seconds: WEIGH_S * plan.items.length,
      portions: [...stages.pot, ...stages.slurry, ...stages['off the heat']],
      watch: [],
    },
    { id: 'slurry', ends: 'done', seconds: 60, portions: stages.slurry, watch: [] },
    {
      id: 'warm',
      ends: 'cue',
      seconds: took('warm'),
      setting: heatSetting,
      stirEveryS: 20,
      tempC: slurryAtC,
      portions: stages.pot,
      cue: 'steams',
      watch: ['smells toasted'],
    },
    {
      id: 'thicken',
      ends: 'cue',
      seconds: took('thicken'),
      setting: heatSetting,
      stirEveryS,
      tempC: waterBoilsC(plan.room.altitudeM) - 6,
      portions: stages.slurry,
      cue: 'first bubble',
      watch: ['edges thicken', 'coats the spoon', 'lumps', 'too thick', 'smells toasted'],
    },
    {
      id: 'cook on',
      ends: 'time',
      seconds: Math.round(cookOnMin * 60),
      setting: simmerSetting,
      stirEveryS,
      portions: [],
      watch: ['coats the spoon', 'lumps', 'too thick', 'too thin', 'smells toasted'],
    },
    {
      id: 'off the heat',
      ends: 'done',
      seconds: STAND_S,
      setting: 0,
      stirEveryS: 10,
      portions: stages['off the heat'],
      watch: ['lumps', 'too thick', 'too thin'],
    },
    { id: 'pour', ends: 'done', seconds: 90, portions: [], watch: ['lumps'] },
  ];
}

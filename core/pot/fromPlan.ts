import { atStages, mainLiquid, mixtureOfPortions, starchSpecies } from '../formula/compose';
import type { Plan } from '../formula/plan';
import type { Pantry } from '../pantry/pantry';
import { fillPot, type Pot, type PotSetup, type Tuning } from './pot';
import type { Phase } from './program';

/** Milk from the fridge, butter and extracts from the shelf, degC. */
export const FRIDGE_C = 6;
/** s a pot stands off the heat before it is poured. */
export const STAND_S = 40;

export function potSetup(plan: Plan, pantry: Pantry, tuning?: Tuning): PotSetup {
  return {
    pan: plan.pan,
    hob: plan.hob,
    base: mainLiquid(plan, pantry)?.base ?? 'water',
    species: starchSpecies(plan, pantry),
    roomC: plan.room.tempC,
    altitudeM: plan.room.altitudeM,
    ...(tuning ? { tuning } : {}),
  };
}

/**
 * The plan's own way of cooking, as phases: warm the milk with the sugar, whisk the cold slurry in, stir to the first
 * bubble, cook on, off the heat.
 * @throws UnknownIngredientError, RangeError when there is nothing liquid in the pot
 */
export function planProgram(plan: Plan, pantry: Pantry, setup: PotSetup): { start: Pot; phases: Phase[] } {
  const stages = atStages(plan, pantry);
  const start = fillPot(setup, mixtureOfPortions(stages.pot), FRIDGE_C);
  const { heatSetting, simmerSetting, slurryAtC, cookOnMin, stirEveryS } = plan.method;
  const last = stages['off the heat'];
  const phases: Phase[] = [
    {
      name: 'warm',
      setting: heatSetting,
      stirEveryS: 20,
      lid: false,
      until: { kind: 'temperature', tempC: slurryAtC },
      limitS: 3600,
    },
    {
      name: 'thicken',
      setting: heatSetting,
      stirEveryS,
      lid: false,
      until: { kind: 'bubble' },
      limitS: 3600,
      addition: { mixture: mixtureOfPortions(stages.slurry), tempC: FRIDGE_C + 2 },
    },
    {
      name: 'cook on',
      setting: simmerSetting,
      stirEveryS,
      lid: false,
      until: { kind: 'seconds', seconds: cookOnMin * 60 },
      limitS: 7200,
    },
    {
      name: 'off the heat',
      setting: 0,
      stirEveryS: 10,
      lid: false,
      until: { kind: 'seconds', seconds: STAND_S },
      limitS: 600,
      ...(last.length ? { addition: { mixture: mixtureOfPortions(last), tempC: plan.room.tempC } } : {}),
    },
  ];
  return { start, phases };
}

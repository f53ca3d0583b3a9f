import { table } from '../coefficients';
import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import { atStages, mainLiquid, mixtureOfPortions } from '../plan/stages';
import { FRIDGE_C } from '../plan/family';
import type { Plan } from '../plan/plan';
import { dishAreaM2 } from '../pantry/kitchen';
import { cook, fillPot } from '../pot/pot';
import { stopOf } from '../pot/program';
import { potSetup } from './run';

/** A second layer: what is kept for the top, as it is or cooked down first in a pan of its own. */
export const TOP = table('A second layer', {
  cookedTo: [0.7, '1', 'C', 'share of it that is left when it is cooked down first'],
  pourable: [1.5, 'Pa s', 'C', 'thicker than this it is spread, not poured'],
  leastG: [20, 'g', 'B', 'less liquid than this is a sprinkle, not a layer'],
});

export type TopLayer = {
  /** on the hob before it goes on */
  minutes: number;
  massG: number;
  depthMm: number;
  viscosityPaS: number;
  pours: boolean;
};

/** The top layer of a plan, or undefined when nothing liquid is kept for it. */
export function topLayerOf(plan: Plan): TopLayer | undefined {
  const m = mixtureOfPortions(atStages(plan).top);
  if (m.waterG < TOP.leastG) return undefined;
  const setup = { ...potSetup(plan), base: mainLiquid(plan)?.base ?? ('water' as const) };
  const raw = fillPot(setup, m, FRIDGE_C);
  const fire = { setting: plan.method.simmerSetting, stirEveryS: plan.method.stirEveryS, lid: 'off' as const };
  const { pot } =
    plan.choices.top === 'cooked down first'
      ? cook(raw, setup, fire, 2 * 3600, stopOf({ kind: 'reduced', toShare: TOP.cookedTo }, raw))
      : { pot: raw };
  const left = massG(pot.content);
  return {
    minutes: pot.tS / 60,
    massG: left,
    depthMm: ((left / PUDDING_G_PER_ML) * 1e-6 * 1000) / (dishAreaM2(plan.dish) * plan.dish.count),
    viscosityPaS: pot.viscosityPaS,
    pours: pot.viscosityPaS < TOP.pourable,
  };
}

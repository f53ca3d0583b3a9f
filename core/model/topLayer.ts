import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import { inBowls, mainLiquid, mixtureOfPortions } from '../plan/bowls';
import { keptTogetherC } from '../plan/kept';
import type { Plan } from '../plan/plan';
import { dishAreaM2 } from '../pantry/kitchen';
import { cook, fillPot } from '../pot/pot';
import { stopOf } from '../pot/program';
import { TOP } from './layers';
import { potSetup } from './run';

/** A second layer as it goes on: as it is, or cooked down first in a pan of its own. */
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
  const m = mixtureOfPortions(inBowls(plan).top);
  if (m.waterG < TOP.leastG) return undefined;
  const setup = { ...potSetup(plan), base: mainLiquid(plan)?.base ?? ('water' as const) };
  const raw = fillPot(setup, m, keptTogetherC(inBowls(plan).top, plan.room.tempC));
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

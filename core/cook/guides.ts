import { onTop } from '../plan/method';
import { table } from '../coefficients';
import { massG } from '../matter/mixture';
import { mixtureOfPortions, portionsIn } from '../plan/bowls';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import type { Forecast } from '../model/forecast';
import { depthMm, loosenG } from '../pot/corrections';
import { BOWL_HEAT, safeLadleG, temper } from '../pot/egg';
import { netW } from '../pot/hob';
import { bodyOf } from '../pot/paste';
import { cook, severityOf, type Pot, type PotSetup } from '../pot/pot';
import type { Bowl } from '../twin/twin';
import type { Step } from './steps';

/** What a step asks beside the spoon: figures from the pot as it is now. */
const GUIDE = table('Guides at the pot', {
  warmC: [43, 'degC', 'C', 'a bowl feels warm from outside'],
  doneC: [60, 'degC', 'C', 'a tempered bowl may go back into the pot'],
  ladleEveryS: [8, 's', 'C', 'between two ladles, in a thin stream'],
  bareMaxC: [64, 'degC', 'B', 'bare yolk after its first ladle'],
  sugaredMaxC: [70, 'degC', 'B', 'yolk with its sugar'],
  topUpAt: [0.5, '1', 'C', 'share of the water under a bowl that may boil away'],
  steamJPerG: [2257, 'J/g', 'A', 'of it'],
  coveredFromS: [45, 's', 'C', 'a stir this seldom is called for, not paced'],
  holdsEveryS: [60, 's', 'C', 'a pot that is held warm is stirred so often'],
});
const MOST_LADLES = 8;

export type Guide =
  | {
      kind: 'tempering';
      ladleG: number;
      ladled: number;
      everyS: number;
      /** bowl after each ladle, degC */
      bowlC: number[];
      startC: number;
      /** ladles until the bowl feels warm, and until all of it may go back */
      warmAfter: number;
      enough: number;
      /** largest first ladle that does not set the yolk, g; smaller than the ladle is a warning */
      safeFirstG: number;
    }
  | { kind: 'reduction'; startMm: number; nowMm: number; markMm: number; share: number; nowShare: number }
  | { kind: 'double boiler'; bathC: number; topUpMin: number; touching: boolean; waterG: number }
  | { kind: 'covered'; everyS: number }
  | {
      kind: 'oven';
      minutes: number;
      carriesMin: number;
      centreC: { minutes: number; centreC: number }[];
      top: boolean;
    };

/** min that the dish was in the oven before this step. */
function bakedBefore(step: Step, plan: Plan, { told }: Pick<Forecast, 'told'>): number {
  const method = methodOf(plan);
  const at = method.findIndex((s) => s === step.bake);
  return method
    .slice(0, Math.max(0, at))
    .reduce((sum, s, i) => sum + (s.do === 'bake' ? (told[i]?.minutes ?? 0) : 0), 0);
}

/** The egg's bowl before its ladles; undefined where a step tempers nothing. */
export function bowlOf(step: Step, plan: Plan): Bowl | undefined {
  const add = step.adds.find((a) => a.ladleG !== undefined);
  if (!add?.ladleG) return undefined;
  const m = mixtureOfPortions(portionsIn(plan, add.from));
  if (m.eggProteinG <= 0) return undefined;
  const heat =
    m.whiteG > m.yolkG ? BOWL_HEAT.egg : m.sugarG > 0.4 * m.yolkG ? BOWL_HEAT['yolk and sugar'] : BOWL_HEAT.yolk;
  return { massG: massG(m), heatJPerGK: heat, tempC: add.tempC, ladleG: add.ladleG };
}

/**
 * @param pot as it is now @param fromG in it when the step began, g @param ladled ladles so far
 * @returns what to show beside the order, or undefined where there is nothing but the spoon
 */
export function guideOf({
  step,
  plan,
  setup,
  pot,
  fromG,
  ladled,
  forecast,
}: {
  step: Step;
  plan: Plan;
  setup: PotSetup;
  pot: Pot;
  fromG: number;
  ladled: number;
  forecast: Pick<Forecast, 'bake' | 'top' | 'told'>;
}): Guide | undefined {
  const bowl = bowlOf(step, plan);
  if (bowl) {
    // the bowl is not in the pot yet while it is being warmed: the ladles are as hot as the pot is
    const bowlC = temper(bowl.massG, bowl.heatJPerGK, bowl.tempC, bowl.ladleG, pot.bulkC, MOST_LADLES);
    const first = (c: number) => {
      const at = bowlC.findIndex((x) => x >= c);
      return at < 0 ? MOST_LADLES : at + 1;
    };
    const sugared = bowl.heatJPerGK === BOWL_HEAT['yolk and sugar'];
    return {
      kind: 'tempering',
      ladleG: bowl.ladleG,
      ladled,
      everyS: GUIDE.ladleEveryS,
      bowlC,
      startC: bowl.tempC,
      warmAfter: first(GUIDE.warmC),
      // a pot that is cooler than that has done it when the bowl is nearly as warm
      enough: first(Math.min(GUIDE.doneC, pot.bulkC - 4)),
      safeFirstG: safeLadleG(
        bowl.massG,
        bowl.heatJPerGK,
        bowl.tempC,
        pot.bulkC,
        sugared ? GUIDE.sugaredMaxC : GUIDE.bareMaxC,
      ),
    };
  }
  const until = step.heat?.until;
  if (until?.reach === 'share') {
    const full = depthMm(pot.content, plan.pan.diameterMm) / massG(pot.content);
    return {
      kind: 'reduction',
      startMm: full * fromG,
      nowMm: full * massG(pot.content),
      markMm: full * fromG * until.share,
      share: until.share,
      nowShare: massG(pot.content) / fromG,
    };
  }
  if (step.heat?.over) {
    const w = netW(setup.hob, step.setting ?? 0);
    return {
      kind: 'double boiler',
      bathC: pot.bathC,
      waterG: step.heat.over.waterG,
      touching: step.heat.over.touching,
      topUpMin: w > 0 ? (GUIDE.topUpAt * step.heat.over.waterG * GUIDE.steamJPerG) / w / 60 : Infinity,
    };
  }
  if (step.heat?.lid === 'on' && (step.stirEveryS ?? 0) >= GUIDE.coveredFromS)
    return { kind: 'covered', everyS: step.stirEveryS! };
  if (step.role === 'bake' && forecast.bake) {
    const minutes = step.seconds / 60;
    const fromMin = bakedBefore(step, plan, forecast);
    return {
      kind: 'oven',
      minutes,
      carriesMin: forecast.bake.carriesMin - fromMin,
      centreC: forecast.bake.trace
        .filter((p) => p.minutes > fromMin && p.minutes <= fromMin + minutes + 1)
        .map((p) => ({ minutes: p.minutes - fromMin, centreC: p.centreC })),
      // where the method has its own step for the layer, that step says when
      top: forecast.top !== undefined && !methodOf(plan).some(onTop),
    };
  }
  return undefined;
}

/** s after the last ladle was due at which ladles that nobody counted are over */
const UNCOUNTED_S = 20;

/** The egg is still in its bowl: it cannot curdle in the pot, and nobody has to be called about it. */
export const stillLadling = (guide: Guide | undefined, ranS: number): boolean =>
  guide?.kind === 'tempering' && guide.ladled < guide.enough && ranS < guide.enough * guide.everyS + UNCOUNTED_S;

/** A finished pot that waits, off the heat or wrapped, and is stirred now and then. */
export type Holding = {
  minutes: number;
  bulkC: number;
  /** viscosity over what it is now */
  thicker: number;
  /** milk to stir in to have it as it is now, g */
  loosenG: number;
  curdles: boolean;
};

/** @param minutes it waits @param wrapped in a blanket, lid on */
export function holding(pot: Pot, setup: PotSetup, minutes: number, wrapped: boolean): Holding {
  const after = cook(
    pot,
    setup,
    { setting: 0, lid: 'on', stirEveryS: GUIDE.holdsEveryS, wrapped },
    Math.max(1, minutes * 60),
  ).pot;
  const thicker = after.viscosityPaS / Math.max(1e-6, pot.viscosityPaS);
  return {
    minutes,
    bulkC: after.bulkC,
    thicker,
    loosenG: thicker > 1 ? loosenG(bodyOf(after.content, after.fractions), thicker) : 0,
    curdles: severityOf(after) > severityOf(pot) + 0.05,
  };
}

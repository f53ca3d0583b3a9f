import { phOf } from '../matter/mixture';
import { mainLiquid } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { EGG } from '../pot/egg';
import { splitChance } from '../pot/flavour';
import { boilOverChance, skinAfter } from '../pot/foam';
import { BITE } from '../pot/grain';
import { dairyProteinPct, sugarFraction } from '../pot/paste';
import { cookedStarchPct, RAW_TASTE, readPot, severityOf } from '../pot/pot';
import { SCORCH } from '../pot/scorch';
import { say, type Said } from '../say';
import { above } from './normal';
import type { Risk, RiskName } from './risks';
import type { Run } from './run';

/** Seconds of bubbling after which half of the cream at the sides has dried to flakes (C). */
const FLAKES_S = 600;
/** share of the brown ones that a skimmer leaves (C) */
const FLAKES_MISSED = 0.2;
/** % of cooked starch below which there is none to speak of (C) */
const NO_STARCH_PCT = 0.2;
/** ln spread of what is felt of curds (C) */
const CURD_SD_LN = 0.8;

/** A skin on the dish, or flakes of it from the sides of the pan. */
function skinRisk(plan: Plan, run: Run, dairy: boolean): Risk {
  const open = plan.rest.covered ? skinAfter(run.pot.skinS) * 0.3 : dairy ? 0.9 : 0.5;
  const bubbled = Number.isNaN(run.pot.bubbleAtS) ? 0 : Math.max(0, run.pot.tS - run.pot.bubbleAtS);
  const back = { 'scraped down': 0, 'stirred back': 1, skimmed: FLAKES_MISSED }[plan.choices.sides ?? 'scraped down'];
  const flakes = dairy ? back * (1 - 2 ** (-bubbled / FLAKES_S)) : 0;
  return flakes > open
    ? { chance: flakes, why: say('risk.flakes') }
    : { chance: open, why: say(plan.rest.covered ? 'risk.covered' : 'risk.open') };
}

function whyCurdle(plan: Plan, { bake, pot }: Run): Said {
  if (pot.content.eggProteinG <= 0) return say('risk.noEgg');
  if (bake) return say(plan.choices.bath === 'none' ? 'risk.edgeNoBath' : 'risk.edge', { edgeC: bake.edgeC });
  const starchPct = cookedStarchPct(pot);
  return say(starchPct < NO_STARCH_PCT ? 'risk.eggBare' : 'risk.eggWithStarch', { hottestC: pot.eggMaxC, starchPct });
}

/** What is felt of the egg's curds, 0 to 1: in the pot, or in the mean of what was baked. One measure, wherever it is asked. */
export const feltCurd = (run: Pick<Run, 'pot' | 'bake'>): number =>
  Math.max(severityOf(run.pot), run.bake ? severityOf(run.pot, run.bake.curdMean) : 0);

/** What may go wrong with a run, each with its chance and what brings it. */
export function risksOf(plan: Plan, run: Run, weepsPct: number): Record<RiskName, Risk> {
  const { pot } = run;
  const reading = readPot(pot);
  const felt = feltCurd(run);
  const base = mainLiquid(plan)?.base ?? 'water';
  const ph = phOf(pot.content);
  return {
    lumps: { chance: pot.lumps, why: run.lumpEntry ? say(`lumps.${run.lumpEntry}`) : say('lumps.none') },
    curdle: {
      chance: pot.content.eggProteinG > 0 ? above(felt, EGG.smooth, CURD_SD_LN) : 0,
      why: whyCurdle(plan, run),
    },
    scorch: {
      chance: above(pot.scorch, SCORCH.taste, SCORCH.sdLn),
      why: say(base === 'dairy' ? 'risk.floorUnderMilk' : 'risk.floor', { floorC: pot.panMaxC }),
    },
    'raw starch': {
      chance: above(reading.rawPer100G, RAW_TASTE, 0.5),
      why:
        sugarFraction(pot.content) > 0.33
          ? say('risk.sugarKeepsRaw')
          : reading.bite < BITE.alDente
            ? say('risk.grainThirsty')
            : say('risk.hottest', { hottestC: pot.bulkMaxC }),
    },
    'boil over': { chance: boilOverChance(pot.foamMax), why: say('risk.steam', { heightMm: plan.pan.heightMm }) },
    skin: skinRisk(plan, run, base === 'dairy'),
    weeping: { chance: above(weepsPct, 3, 0.5), why: say('risk.weeps', { weepsPct }) },
    split: { chance: splitChance(ph, dairyProteinPct(pot.content), cookedStarchPct(pot)), why: say('risk.ph', { ph }) },
  };
}

export type EggReport = {
  /** network 0 to 1 and what is felt of curds */
  set: number;
  severity: number;
  /** the same at the rim of what was baked, and the share of the egg that curdled, 0 to 1 */
  rim: number;
  curd: number;
  /** share of the yolk's starch-eating enzyme that survived */
  amylaseLeft: number;
  salmonellaLog: number;
  hottestC: number;
  safe: boolean;
};

/** What the egg of a run has been through; undefined without egg. */
export function eggReport(run: Run): EggReport | undefined {
  const { pot } = run;
  if (pot.content.eggProteinG <= 0) return undefined;
  const hottestC = run.bake ? Math.max(pot.eggMaxC, run.bake.centreC) : pot.eggMaxC;
  return {
    set: run.bake ? run.bake.eggSet : pot.eggSet,
    severity: feltCurd(run),
    rim: run.bake ? severityOf(pot, run.bake.curdRim) : 0,
    curd: run.bake ? run.bake.curdMean : pot.eggCurd,
    amylaseLeft: 10 ** -pot.amylaseLog,
    salmonellaLog: pot.salmonellaLog,
    hottestC,
    safe: pot.salmonellaLog >= EGG.salmonellaLog && hottestC >= EGG.certainC,
  };
}

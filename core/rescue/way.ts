import { table } from '../coefficients';
import type { Added, Fault, Portion } from '../cook/events';
import { addedTo } from '../cook/live';
import { dishHistory, judge } from '../model/forecast';
import { massG } from '../matter/mixture';
import { mainLiquid } from '../plan/bowls';
import { KEPT } from '../plan/kept';
import { type HeatStep } from '../plan/method';
import { EGG } from '../pot/egg';
import { addToPot, cook, type Pot } from '../pot/pot';
import { phaseOf, runOff, type Run } from '../model/run';
import { type Stay } from '../set/cooling';
import { boundsFor, type SetWord } from '../texture/words';
import { FIX, fireAgain, headingOf, type Fix, type Heading, type Situation } from './fix';
import { say, type Said } from '../say';

/** What went wrong, what is left of it, and what to do: figures from the model of this very pot. */
export const RESCUE = table('Rescue', {
  sweetLess: [0.15, '1', 'C', 'a little too sweet: down by this'],
  sweetMuch: [0.35, '1', 'C', 'far too sweet: down by this'],
  topShare: [0.9, '1', 'B', 'of a pot that caught is tipped off the floor'],
  rawMost: [20, 'min', 'C', 'longest that raw starch is cooked on'],
  hardMost: [60, 'min', 'C', 'longest that hard grain is cooked on'],
  splitBelow: [0.15, '1', 'C', 'chance of splitting that is good enough'],
  splitStarch: [4, '%', 'C', 'most starch that is worth it against splitting'],
  sieved: [0.8, '1', 'C', 'share of curds that a sieve takes out'],
  rimG: [60, 'g', 'C', 'on the hob, when it boiled over and was caught at once'],
  unmouldMetalS: [5, 's', 'C', 'a metal mould in hot water'],
  unmouldThickS: [15, 's', 'C', 'a ceramic, glass or plastic one'],
  softMost: [6, 'h', 'C', 'longest that a frozen mould is let stand'],
  readyMost: [6, 'h', 'C', 'longest wait that is looked at'],
});

export type RescueStep = { what: Said; portions?: Portion[]; seconds?: number; tempC?: number };

export type Rescue = {
  fault: Fault;
  going: Said;
  saved: 'all' | 'part' | 'no';
  steps: RescueStep[];
  /** what it changes in a pot of this app */
  added?: Added;
  /** on this setting of the ring, where that is the mending */
  setting?: number;
  before?: Heading;
  after?: Heading;
  /** what it should be, where that is not the pudding's own word */
  wanted?: SetWord;
  then: Said;
  minutes: number;
  /** accept it as it is, or what else */
  orElse: Said;
  /** start again, and use this for … */
  again?: Said;
  caution?: Said;
};

/** What only the cook knows. */
export type Told = {
  /** too sweet: far too sweet */
  much?: boolean;
  /** g that went over the rim */
  lostG?: number;
  /** h since it was poured */
  standingH?: number;
  /** hot starch is in already; before it a loss is milk alone */
  thickened?: boolean;
};

export const min = (m: number) => (m < 1 ? 'less than a minute' : m < 1.5 ? 'a minute' : say('rescue.minutes', { m }));
export const pct = (x: number) => `${Math.round(100 * x)} %`;
export const near = (x: number, step: number) => Math.max(step, Math.round(x / step) * step);
export const USE = {
  custard: say('rescue.useThisForABread'),
  sauce: say('rescue.useThisAsASauce'),
  burnt: say('rescue.aBurntTasteGoesThrough'),
};
export const HOT = say('rescue.hotStarchPasteSticksTo');
export const EGG_SAFE = say('rescue.theUsualGuidanceForEgg', { safeC: EGG.safeC });
export const COOL = say('rescue.twoHoursOutOfThe');

/** Steps of an amount that goes into the pot. */
export function stepsOfFix(f: Fix, hot: boolean): RescueStep[] {
  const [first, second] = f.added.portions;
  const heat = f.added.heat ?? [];
  const warm: RescueStep[] = hot ? [] : [{ what: say('rescue.backIntoThePanWhisked') }];
  const last = heat.at(-1);
  const lastMin = last?.until.reach === 'time' ? last.until.minutes : 0;
  switch (f.how) {
    case 'slurry':
      return [
        { what: say('rescue.whiskTheStarchIntoThe'), portions: [first!, second!] },
        ...warm,
        { what: say('rescue.potOffTheRingIn') },
        ...(heat.length
          ? [
              { what: say('rescue.backOnSweepTheBottom') },
              { what: say('rescue.letItBubbleOnStirring'), seconds: Math.round(lastMin * 60) },
            ]
          : [{ what: say('rescue.goOnAsPlannedIt') }]),
      ];
    case 'cook down':
      return [...warm, { what: say('rescue.lidOffLetItBubble'), seconds: Math.round(lastMin * 60) }];
    case 'hold on':
      return [{ what: say('rescue.lowestHeatSlowEightsNever'), seconds: Math.round(lastMin * 60) }];
    case 'loosen':
      return [
        ...(hot ? [] : [{ what: say('rescue.backIntoThePanOn') }]),
        {
          what: hot ? say('rescue.stirTheMilkInWarm') : say('rescue.whiskTheMilkInA'),
          portions: [first!],
        },
        ...(hot ? [] : [{ what: say('rescue.pourAgainIntoRinsedDishes') }]),
      ];
  }
}
export const headsFor = (word: string, wanted: string) =>
  word === wanted ? say('rescue.itIsHeadingForT', { word }) : say('rescue.itIsHeadingForT2', { word, wanted });

export const says: Record<Fix['how'], Said> = {
  slurry: say('rescue.starchInASlurry'),
  'cook down': say('rescue.cookingDown'),
  'hold on': say('rescue.aLittleLongerOnThe'),
  loosen: say('rescue.milk'),
};

export function fromFix(fault: Fault, going: Said, fixes: Fix[], s: Situation, extra: Partial<Rescue> = {}): Rescue {
  const some = fixes.filter((f) => f.grams > 0 || (f.how !== 'loosen' && f.minutes > 0));
  const best = some.find((f) => f.reaches) ?? some[0];
  if (!best) {
    const heading = headingOf(s.plan, s.setup, s.finish(s.pot, []), Math.hypot(s.plan.firmness.sdLn, FIX.kitchenLn));
    return {
      fault,
      going,
      saved: 'all',
      steps: [{ what: say('rescue.leaveItWhatCouldBe') }],
      before: heading,
      after: heading,
      then: say('rescue.leftAsItIsIt', { word: heading.word }),
      minutes: 0,
      orElse: say('rescue.chillASpoonfulOnA'),
      ...extra,
    };
  }
  const other = some.find((f) => f !== best);
  return {
    fault,
    going,
    saved: best.reaches ? 'all' : 'part',
    steps: stepsOfFix(best, s.hot),
    added: best.added,
    before: best.before,
    after: best.after,
    then: best.reaches
      ? say('rescue.thenItTWordAs', { word: best.after.word })
      : say('rescue.thenItComesToT', { word: best.after.word }),
    minutes: best.minutes,
    orElse: other
      ? say('rescue.orByToTWord', {
          how: says[other.how],
          minutes: other.grams > 0 ? say('rescue.g', { grams: other.grams }) : min(other.minutes),
          word: other.after.word,
        })
      : say('rescue.orServeItAsIt', { word: best.before.word }),
    caution: HOT,
    ...extra,
  };
}

/** The dish as poured, and how it stands and cools. */
export function poured(s: Situation): Run {
  return runOff(s.plan, s.setup, s.pot);
}

/** h from pouring to its word, with other stays. */
export function readyAfter(s: Situation, run: Run, stays: Stay[], startC: number): number {
  const { plan } = s;
  const bounds = boundsFor(plan.serve.style, run.depthM);
  const at = dishHistory(plan, { ...run, stays }, RESCUE.readyMost);
  for (const { point, ageH, coldestC } of at.ages)
    if (
      point.coreC < Math.min(30, startC) &&
      judge(plan, run, { ageH, tempC: point.coreC, coldestC }, bounds).yieldPa >= bounds[plan.serve.word] * 0.98
    )
      return point.hours;
  return NaN;
}

/** Minutes of this fire until a reading passes, or NaN. */
export function until(
  s: Situation,
  heat: HeatStep,
  most: number,
  passes: (p: Pot) => boolean,
): { pot: Pot; minutes: number } {
  let pot = s.pot;
  for (let m = 0; m < most; m += 0.5) {
    if (passes(pot)) return { pot, minutes: m };
    pot = cook(pot, s.setup, phaseOf(heat), 30).pot;
  }
  return { pot, minutes: NaN };
}

export const simmer = (s: Situation, more: Partial<HeatStep> = {}): HeatStep => ({
  ...fireAgain(s.plan)[1]!,
  ...more,
});

/** A pot in trouble, and what the ways out ask of it. */
export function troubleOf(fault: Fault, s: Situation, told: Told) {
  const { plan, setup, pot } = s;
  const sd = Math.hypot(plan.firmness.sdLn, FIX.kitchenLn);
  const liquid = mainLiquid(plan);
  const liquidId = liquid?.id ?? 'milk_whole';
  const mass = massG(pot.content);
  const egg = pot.content.eggProteinG > 0;
  const head = (p: Pot, heat: HeatStep[] = []) => headingOf(plan, setup, s.finish(p, heat), sd);
  const after = s.after === undefined ? {} : { after: s.after };
  const add = (portions: Portion[], heat: HeatStep[], how: Added['how'], tempC = KEPT.fridgeC): Added => ({
    portions,
    tempC,
    how,
    why: 'fix',
    ...after,
    ...(heat.length ? { heat } : {}),
  });
  const withAdded = (a: Added) => head(addToPot(pot, addedTo(a, plan)(pot), setup), a.heat ?? []);
  return { ...s, s, told, fault, liquid, liquidId, mass, egg, head, add, withAdded };
}
type Trouble = ReturnType<typeof troubleOf>;
/** The way out of one fault. */
export type Way = (trouble: Trouble) => Rescue;

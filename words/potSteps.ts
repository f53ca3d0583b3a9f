import type { Put, Step, StepRole } from '../core/cook/steps';
import type { Baking } from '../core/oven/baking';
import type { Plan } from '../core/plan/plan';
import { inBowls, heldAfter, type LaidPortion } from '../core/plan/bowls';
import { purposeOf } from '../core/plan/method';
import { say, type Said } from '../core/say';
import type { Formatter } from './format';
import { SEEN } from './seen';
import { t } from './book';

/** What the cook reads and hears at each step of the pot. Amounts and degrees come from the plan. */
export type StepWords = {
  title: string;
  /** how it is done: what goes in, and what the hands do */
  manner: string;
  /** the same for a small place, where what goes in is listed beside it */
  brief: string;
  /** what is to be seen or heard; empty where the clock alone ends it */
  cue: string;
  why: string;
  /** on the key that ends it */
  done: string;
  until: string;
};
type Words = Omit<StepWords, 'manner' | 'brief'> & {
  /** the manner, with what goes in already said */
  how: (goesIn: string) => string;
  /** the same where there is little room */
  briefly?: (goesIn: string) => string;
};

/** Shares that have a name. */
const NAMED_SHARES = [1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4] as const;
const SHARE_SAYS = ['aQuarter', 'aThird', 'half', 'twoThirds', 'threeQuarters'] as const;
/** What part of a second pot this is; nothing where it is all of it. */
export function shareSays({ ofPot }: LaidPortion): string {
  if (!ofPot || ofPot.share > 0.99) return '';
  const at = NAMED_SHARES.findIndex((s) => Math.abs(s - ofPot.share) < 0.015);
  return at < 0
    ? t('potRoom.shareOfIt', { share: Math.round(100 * ofPot.share) })
    : t(`potRoom.shareOfIt.${SHARE_SAYS[at]!}`);
}
const thing = (p: LaidPortion, fmt: Formatter) =>
  `${fmt.grams(p.grams)} ${p.ingredient.name}${shareSays(p)}${p.taste ? t('potRoom.toTaste') : ''}`;
/** Things with their grams and measures. */
export const list = (portions: readonly LaidPortion[], fmt: Formatter) => portions.map((p) => thing(p, fmt)).join(', ');

/** Things that a sentence in the pot's oval can hold. */
const MOST_IN_OVAL = 2;

export function stepWords(step: Step, plan: Plan, fmt: Formatter, depthMm: number | undefined): StepWords {
  const { how, briefly, ...words } = wordsOf(step, plan, fmt, depthMm);
  const goes = (most: number) => step.puts.map((put) => goesIn(put, step, fmt, most)).reduce(then, '');
  const keeps = step.keeps ? t('potRoom.keepForTheTable', { what: list(step.keeps, fmt) }) : '';
  return {
    ...words,
    manner: then(how(goes(Infinity)), keeps),
    brief: then((briefly ?? how)(goes(MOST_IN_OVAL)), keeps),
  };
}

/** What goes in first, then what the hands do. */
const then = (first: string, next: string): string =>
  first && next ? t('potRoom.andThen', { first, next }) : first || next;

function wordsOf(step: Step, plan: Plan, fmt: Formatter, depthMm: number | undefined): Words {
  const every = t('potRoom.sEach', { stirEveryS: step.stirEveryS ?? plan.method.stirEveryS });
  const stirs = step.stirEveryS === undefined ? t('potRoom.spoonStill') : '';
  /** thickened by egg alone: it must never bubble */
  const custard = step.heat?.until.reach === 'temperature' && step.role !== 'warm';
  /** ends when it is thick enough, bubbling or not */
  const coats = step.cue === 'coats the spoon';
  const timed = step.ends === 'time' && step.heat !== undefined;
  /** by the clock: no sign ends it */
  const byClock = { done: t('potRoom.done2'), until: t('potRoom.toGo') };
  switch (step.role) {
    case 'weigh':
      return {
        title: t('potRoom.weighItOut'),
        how: () => t('potRoom.gramsFirstTareBeforeEach'),
        cue: t('potRoom.everythingStandsBesideThePot'),
        why: t('potRoom.onceItThickensThereIs'),
        done: t('potRoom.allWeighed'),
        until: t('potRoom.about2'),
      };
    case 'slurry': {
      const thickens = step.portions.some((p) => p.ingredient.thickener);
      return {
        title: thickens ? t('potRoom.whiskTheSlurry') : t('potRoom.mixItCold'),
        how: () => list(step.portions, fmt),
        cue: thickens ? t('potRoom.noLumpUnderTheWhisk') : t('potRoom.smoothAndCold'),
        why: thickens ? t('potRoom.starchThatMeetsHeatDry') : t('potRoom.itGoesInTogether'),
        done: thickens ? t('potRoom.slurryIsSmooth') : t('potRoom.mixed'),
        until: t('potRoom.about2'),
      };
    }
    case 'warm':
      if (timed)
        return {
          title: t('potRoom.keepItWarm'),
          how: (goes) => then(goes, [lid(step), stirs || t('potRoom.stirNowAndThen')].filter(Boolean).join(', ')),
          cue: t('potRoom.steamRisesNoBubbleYet'),
          why: t('potRoom.itWarmsWhileTheRest'),
          ...byClock,
        };
      return {
        title: t('potRoom.warmTheMilk'),
        how: (goes) =>
          then(
            goes,
            step.heat?.until.reach === 'bubble'
              ? t('potRoom.toTheFirstBubbleStir')
              : t('potRoom.toStirNowAndThen', { slurryAtC: fmt.temp(step.tempC ?? plan.method.slurryAtC) }),
          ),
        cue:
          step.heat?.until.reach === 'bubble'
            ? t('potRoom.smallBubblesAtTheRim')
            : step.cue === 'rim bubbles'
              ? t('potRoom.smallBubblesAtTheRim2')
              : t('potRoom.steamRisesNoBubbleYet'),
        why: inBowls(plan).slurry.length ? t('potRoom.hotterMilkWouldSealThe') : t('potRoom.itWarmsWhileTheRest'),
        done: t(SEEN[step.cue ?? 'steams']),
        until: step.cue === 'rim bubbles' ? t('potRoom.toScalding') : t('potRoom.toSteaming'),
      };
    case 'taste':
    case 'taste again':
      return {
        title: t('potRoom.taste2'),
        how: () => t('potRoom.fromAColdSpoonUnder', { step: list(step.portions, fmt) }),
        cue: t('potRoom.hotTastesSweeterThanIt'),
        why: step.role === 'taste' ? t('potRoom.onceItIsThickWhat') : t('potRoom.fruitTurnsTheBalanceTaste'),
        done: t('potRoom.tastesRight'),
        until: t('potRoom.about2'),
      };
    case 'count out':
      return {
        title: t('potRoom.countOut'),
        how: () => list(step.portions, fmt),
        cue: t('potRoom.asManyOutAsWent'),
        why: t('potRoom.onceItThickensTheyDrag'),
        done: t('potRoom.allOut'),
        until: t('potRoom.about2'),
      };
    case 'thicken':
      // nothing in it thickens yet: it is only brought to the bubble
      if (step.thickens === false && step.cue === 'first bubble')
        return {
          title: t('potRoom.bringItToTheBubble'),
          how: (goes) => then(goes, stirs || t('potRoom.alongTheFloor', { every })),
          cue: t('potRoom.smallBubblesAtTheRim'),
          why: t('potRoom.itWarmsWhileTheRest'),
          done: t('potRoom.firstBubble'),
          until: t('potRoom.toTheFirstBubble'),
        };
      return {
        title: custard ? t('potRoom.stirNeverBoil') : t('potRoom.sweepTheBottom'),
        how: (goes) => then(goes, stirs || (goes ? t('potRoom.slowEightsOnly') : t('potRoom.slowEights', { every }))),
        cue: custard
          ? t('potRoom.foamGoesSteamRisesA')
          : coats
            ? t('potRoom.edgesThickenDipTheSpoon', { bubble: step.heat?.over ? t('potRoom.overSteamItMayNever') : '' })
            : t('potRoom.edgesThickenTheHissTurns'),
        why: custard ? t('potRoom.aFewDegreesFurtherThe') : t('potRoom.itGoesWithinHalfA'),
        ...(timed
          ? byClock
          : {
              done: coats ? t('potRoom.itCoatsTheSpoon') : t('potRoom.firstBubble'),
              until:
                step.heat?.until.reach === 'temperature'
                  ? t('potRoom.to4', { tempC: fmt.temp(step.heat.until.tempC) })
                  : coats
                    ? t('potRoom.untilItCoats')
                    : t('potRoom.toTheFirstBubble'),
            }),
      };
    case 'cook on':
      return {
        title: step.heat?.lid === 'on' ? t('potRoom.goOnUnderTheLid') : t('potRoom.keepStirring'),
        how: (goes) =>
          then(
            goes,
            step.stirEveryS !== undefined && step.stirEveryS >= SELDOM_S
              ? t('potRoom.stirEvery', { stirEveryS: fmt.hours(step.stirEveryS / 3600) })
              : stirs || t('potRoom.wholeFloorAndCorners', { every }),
          ),
        cue: t('potRoom.slowBubblesPlopTheSpoon'),
        why: t('potRoom.starchThatHasNotBubbled'),
        done: t('potRoom.doneCooking'),
        until: t('potRoom.toGo'),
      };
    case 'off the heat': {
      const stands = timed && step.stirEveryS === undefined && step.seconds > STANDS_S;
      return {
        title: stands ? t('potRoom.letItStand') : t('potRoom.offTheHeat'),
        how: (goes) => then(goes, stands ? stood(step, fmt) : goes ? '' : t('potRoom.oneLastSweepThenStill')),
        cue: t('potRoom.thePloppingStopsItIs'),
        why: step.portions.length ? t('potRoom.scentBoilsAwaySoIt') : t('potRoom.theMethodAsksForIt'),
        done: stands ? t('potRoom.done2') : step.portions.length ? t('potRoom.stirredIn') : t('potRoom.itIsStill'),
        until: stands ? t('potRoom.toGo') : t('potRoom.about2'),
      };
    }
    case 'pour':
      return {
        title: t('potRoom.pour'),
        how: (goes) =>
          [
            goes,
            `${plan.dish.count} × ${fmt.ml(plan.dish.capacityMl)}${depthMm ? t('potRoom.mmDeep', { depthMm: fmt.length(depthMm) }) : ''}`,
            ...plan.portions.map((p) =>
              t('potRoom.portionOf', {
                percent: Math.round(100 * p.share),
                name: p.name,
                count: p.dish.count,
                ml: fmt.ml(p.dish.capacityMl),
              }),
            ),
          ]
            .filter(Boolean)
            .join('; '),
        cue: plan.rest.covered ? t('potRoom.tapOutTheBubblesCover') : t('potRoom.tapOutTheBubblesLeave'),
        why: t('potRoom.evenDepthSetsAtOne'),
        done: t('potRoom.poured'),
        until: t('potRoom.about2'),
      };
    case 'beat the egg':
      return {
        title: t('potRoom.beatTheEgg'),
        how: () => list(step.portions, fmt),
        cue: t('potRoom.paleNoStreakOfWhite'),
        why: t('potRoom.sugarAndABeatingSpread'),
        done: t('potRoom.beaten'),
        until: t('potRoom.about2'),
      };
    case 'simmer':
    case 'simmer in milk':
      return {
        title:
          step.heat?.lid !== 'on'
            ? t('potRoom.simmer')
            : (step.setting ?? 0) <= LOWEST
              ? t('potRoom.lidOnLowestHeat')
              : t('potRoom.lidOnGently'),
        how: (goes) =>
          then(
            goes,
            step.heat?.lid === 'on'
              ? t('potRoom.stirEvery', { stirEveryS: fmt.hours((step.stirEveryS ?? 180) / 3600) })
              : stirs || t('potRoom.sweepTheFloor', { every }),
          ),
        cue: timed ? t('potRoom.lookAndListenNoHiss') : t('potRoom.biteAGrainSoftThrough'),
        why: t('potRoom.grainTakesItsWaterSlowly'),
        ...(timed ? byClock : { done: t(DONE[step.cue ?? 'grain soft'] ?? SOFT), until: t('potRoom.toTheBite') }),
      };
    case 'reduce':
      return {
        title: t('potRoom.cookItDown'),
        how: (goes) => then(goes, [reducesTo(step, fmt), stirs || every].filter(Boolean).join(', ')),
        cue: timed ? t('potRoom.lookAndListenNoHiss') : t('potRoom.markTheDepthOnA'),
        why: t('potRoom.everythingGetsStrongerAsWater'),
        ...(timed ? byClock : { done: t(DONE[step.cue ?? 'at the mark'] ?? MARK), until: t('potRoom.toTheMark') }),
      };
    case 'mix':
      return {
        title: t(step.mix?.with === 'blender' ? 'potRoom.blendIt' : 'potRoom.mixIt'),
        how: () => list(step.portions, fmt) || t('potRoom.allThatIsInThePot'),
        cue: t(`potRoom.mixedTill.${step.mix?.until ?? 'smooth'}`),
        why: t(step.portions.length ? 'potRoom.itGoesInTogether' : 'potRoom.theMethodAsksForIt'),
        done: t('potRoom.mixed'),
        until: t('potRoom.about2'),
      };
    case 'pour together':
      return {
        title: t('potRoom.pourThemTogether'),
        how: () => {
          const into = step.into ? heldAfter(plan, step.into).map((p) => p.ingredient.name) : [];
          return t('potRoom.intoTheBowlOf', { what: list(step.portions, fmt), into: into.join(', ') });
        },
        cue: t('potRoom.mixedTill.smooth'),
        why: t('potRoom.whatIsTogetherGoesIn'),
        done: t('potRoom.together'),
        until: t('potRoom.about2'),
      };
    case 'whip':
      return {
        title: t('potRoom.whipTheWhites'),
        how: () => list(step.portions, fmt),
        cue: t('potRoom.aPeakStandsItsTip'),
        why: t('potRoom.theyFallWithinMinutes'),
        done: t('potRoom.stiff'),
        until: t('potRoom.about2'),
      };
    case 'say':
      return {
        title: own(step.name!),
        how: () => (step.ends === 'time' ? fmt.hours(step.seconds / 3600) : ''),
        cue: '',
        why: t('potRoom.theMethodAsksForIt'),
        done: t('potRoom.done2'),
        until: step.ends === 'time' ? t('potRoom.toGo') : t('potRoom.about2'),
      };
    case 'top': {
      const apart = step.portions.length === 1 && step.portions[0]!.ofPot ? step.portions[0] : undefined;
      return {
        title: apart ? t('potRoom.pourItAllOver', { name: apart.ingredient.name }) : t('potRoom.theLayerOn'),
        how: (goes) => goes,
        cue: t('potRoom.overTheBackOfASpoon'),
        why: t('potRoom.itStaysOnTop'),
        done: t('potRoom.layerOn'),
        until: t('potRoom.about2'),
      };
    }
    case 'grill':
      return {
        title: t('potRoom.grill'),
        how: (goes) => [t('potRoom.standBesideIt'), goes].filter(Boolean).join('; '),
        cue: t('potRoom.goldenInSpots'),
        why: t('potRoom.fromGoldenToBurnt'),
        done: t('potRoom.outOfTheOven'),
        until: t('potRoom.toGo'),
      };
    case 'bake':
      return {
        title: t('potRoom.bake'),
        how: (goes) => [ovenSays(step.bake!, fmt), goes].filter(Boolean).join('; '),
        briefly: (goes) => [ovenSays(step.bake!, fmt, true), goes].filter(Boolean).join('; '),
        cue: bakedCue(step.bake!, plan, fmt),
        why: t(plan.family === 'baked slab' ? 'potRoom.itSetsAsItCools' : 'potRoom.itGoesOnSettingAfter'),
        done: t('potRoom.outOfTheOven'),
        until: t('potRoom.toGo'),
      };
    default:
      return {
        title: own(step.name ?? t(OTHER[step.role] ?? `role.${step.role}`)),
        how: (goes) =>
          then(
            goes,
            step.seconds > STANDS_S && step.stirEveryS === undefined && step.setting === 0
              ? stood(step, fmt)
              : stirs || t('potRoom.stir3', { every }),
          ),
        cue: step.setting === 0 ? '' : t('potRoom.lookAndListenNoHiss'),
        why: t('potRoom.theMethodAsksForIt'),
        done: t(DONE[step.cue ?? ''] ?? say('potRoom.done2')),
        until: step.ends === 'time' ? t('potRoom.toGo') : t('potRoom.about2'),
      };
  }
}

/** A stir so seldom is called for; between two the spoon rests. */
export const SELDOM_S = 60;
/** Hob ovals that a cook calls the lowest heat. */
const LOWEST = 2;
/** s off the ring from which it is standing, and not the moment before the pouring. */
const STANDS_S = 180;

const SOFT = say('potRoom.softThrough');
const MARK = say('potRoom.downToTheMark');
/** The key that ends a step says the sign that ends it. */
const DONE: Readonly<Record<string, Said>> = {
  ...SEEN,
  'coats the spoon': say('potRoom.itCoatsTheSpoon'),
  'grain soft': SOFT,
  'at the mark': MARK,
};

const lid = (step: Step): string =>
  step.heat && step.heat.lid !== 'off' ? t(step.heat.lid === 'on' ? 'potRoom.lidOn' : 'potRoom.lidAjar') : '';

/** So long, covered or not, and nobody stirs. */
const stood = (step: Step, fmt: Formatter): string =>
  [fmt.hours(step.seconds / 3600), lid(step), t('potRoom.leaveItAlone')].filter(Boolean).join(', ');

function reducesTo(step: Step, fmt: Formatter): string {
  const until = step.heat?.until;
  switch (until?.reach) {
    case 'share':
      return t('potRoom.toOfWhereItBegan', { reduceTo: Math.round(100 * until.share) });
    case 'mass':
      return t('potRoom.untilItWeighs', { grams: fmt.grams(until.grams) });
    case 'thickness':
      return t('potRoom.untilItCoats');
    case 'temperature':
      return t('potRoom.to4', { tempC: fmt.temp(until.tempC) });
    default:
      return '';
  }
}

/** How hot, how it stands in the oven, and what ends it. @param brief what a small place can hold of it */
function ovenSays(bake: Baking, fmt: Formatter, brief = false): string {
  const { until } = bake;
  return [
    t(bake.fan ? 'potRoom.ovenFan' : 'potRoom.ovenAt', { temp: fmt.temp(bake.ovenC) }),
    bake.from === 'cold' ? t('potRoom.fromACold') : '',
    bake.bath === 'none' ? '' : t(bake.bath === 'open' ? 'potRoom.inABath' : 'potRoom.inACoveredBath'),
    bake.covered ? t('potRoom.coverTheDish') : '',
    until.reach === 'carries' && !brief ? t('potRoom.untilItCarries') : '',
    bake.grillMin > 0 ? t('potRoom.thenGrillFor', { minutes: fmt.hours(bake.grillMin / 60) }) : '',
    brief ? t('potRoom.dryCloths') : t(bake.bath === 'none' ? 'potRoom.middleOfTheOven' : 'potRoom.middleOfTheOvenDry'),
  ]
    .filter(Boolean)
    .join(', ');
}

/** What is looked for in the oven: the colour, the middle, the layer; not the usual one of another dish. */
function bakedCue(bake: Baking, plan: Plan, fmt: Formatter): string {
  switch (bake.until.reach) {
    case 'colour':
      return t('potRoom.goldenAndBubblingAtThe');
    case 'carries':
      return t('potRoom.aSkinThatHoldsASpoon');
    case 'centre':
      return plan.family === 'baked slab'
        ? t('potRoom.goldenAndBubblingAtThe')
        : t('potRoom.edgeSetACoinIn', { temp: fmt.temp(bake.until.tempC) });
    case 'time':
      return plan.family === 'baked slab' ? t('potRoom.goldenAndBubblingAtThe') : t('potRoom.edgeSetMiddleTrembles');
  }
}

/** How what joins at this step goes in. @param most things that are named; more are listed beside the sentence */
function goesIn(put: Put, step: Step, fmt: Formatter, most: number): string {
  const what =
    put.portions.length <= most ? list(put.portions, fmt) : t('potRoom.thingsBelow', { count: put.portions.length });
  if (put.into === 'under') return t('potRoom.underIt', { what });
  if (put.into === 'top') return t(step.role === 'top' ? 'potRoom.pourItOver' : 'potRoom.onTopOfIt', { what });
  const { add } = put;
  // what was mixed before has a name of its own
  if (most < Infinity && add && purposeOf(add.from) === 'slurry' && add.how === 'cold slurry')
    return t('potRoom.theSlurryIn');
  if (most < Infinity && add && purposeOf(add.from) === 'bowl')
    return add.ladleG ? t('potRoom.ladleTheEgg', { ladleG: fmt.grams(add.ladleG) }) : t('potRoom.beatenEggIn');
  if (!add) return t(step.heat ? 'potRoom.intoThePot' : 'potRoom.intoTheDish', { what });
  const thickens = put.portions.some((p) => p.ingredient.thickener);
  const whisks = add.stirring === 'whisk';
  if (purposeOf(add.from) === 'fold in') return t('potRoom.foldIn', { what });
  if (purposeOf(add.from) === 'bowl')
    return add.ladleG
      ? t('potRoom.hotMilkIntoTheEgg', { ladleG: fmt.grams(add.ladleG), what })
      : t('potRoom.theEggIn', { what });
  if (!thickens) return t('potRoom.stirIn', { step: what });
  switch (add.how) {
    case 'cold slurry':
      return purposeOf(add.from) === 'slurry'
        ? t(whisks ? 'potRoom.whiskTheSlurryIn' : 'potRoom.stirTheSlurryIn', { what })
        : t('potRoom.wettedColdThenIn', { what });
    case 'cold together':
      return t('potRoom.intoItCold', { what });
    case 'mixed with sugar':
      return t('potRoom.mixedWithSugarThenIn', { what });
    case 'in cold cream or yolks':
      return t('potRoom.beatenIntoColdThenIn', { what });
    case 'dry rain':
      return t(whisks ? 'potRoom.rainInWhisking' : 'potRoom.rainInStirring', { what });
    case 'dry powder':
      return t('potRoom.dryAndAtOnce', { what });
    case 'fat-coated':
      return t('potRoom.throughTheFat', { what });
    case 'hot liquid onto meal':
      return t('potRoom.hotLiquidOntoIt', { what });
  }
}

/** Heats that have no words of their own above. */
const OTHER: Partial<Record<StepRole, Said>> = {
  'minutes more': say('potRoom.minutesMore'),
  'heat off': say('potRoom.heatOff'),
  cool: say('potRoom.letItCool'),
  heat: say('potRoom.heat'),
};
const own = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** Shorter than the key: what the voice and the next line say. */
const NEXT: Partial<Record<StepRole, Said>> = {
  ...OTHER,
  weigh: say('potRoom.weigh'),
  slurry: say('potRoom.whiskTheSlurry2'),
  warm: say('potRoom.warmTheMilk2'),
  'cook on': say('potRoom.cookOn'),
  'off the heat': say('potRoom.offTheHeat2'),
  taste: say('potRoom.tasteIt'),
  'taste again': say('potRoom.tasteItAgain'),
  'count out': say('potRoom.countTheSpicesOut'),
  pour: say('potRoom.pour2'),
};
const stepAgain = (name: string, step: Step) => (step.fix ? t('potRoom.again', { name }) : name);
export const stepNext = (step: Step): string =>
  step.role === 'thicken'
    ? t('potRoom.stir4', {
        in: step.puts.some((p) => p.add && purposeOf(p.add.from) === 'slurry') ? t('potRoom.slurryIn') : '',
        bubble: step.cue === 'coats the spoon' ? t('potRoom.untilItCoatsTheSpoon') : t('potRoom.toTheFirstBubble'),
      })
    : stepAgain(step.name ?? t(NEXT[step.role] ?? `role.${step.role}`), step);

/** Spoken: the order and one cue, nine words at the most. */
export function spokenLine(w: StepWords): string {
  const words = `${w.title}. ${w.cue.split(/[.,;]/)[0]}`.trim().split(/\s+/);
  return words.slice(0, 9).join(' ');
}

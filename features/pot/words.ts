import type { CookEvent, Fault, Observation } from '../../core/cook/events';
import type { Harm, Margin } from '../../core/cook/margins';
import type { Pace, Pattern } from '../../core/cook/pacer';
import type { Step, StepRole } from '../../core/cook/steps';
import type { Plan } from '../../core/plan/plan';
import { SEEN } from '../shared/eventWords';
import type { Formatter } from '../../words/format';
import { t } from '../../words';
import { say, type Said } from '../../core/say';

/** What the cook reads and hears in Pot. Amounts and degrees come from the plan. */
type StepWords = { title: string; manner: string; cue: string; why: string; done: string; until: string };

const list = (step: Step, fmt: Formatter) =>
  step.portions
    .map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}${p.taste ? t('potRoom.toTaste') : ''}`)
    .join(', ');

export function stepWords(step: Step, plan: Plan, fmt: Formatter, depthMm: number | undefined): StepWords {
  const every = t('potRoom.sEach', { stirEveryS: step.stirEveryS ?? plan.method.stirEveryS });
  /** thickened by egg alone: it must never bubble */
  const custard = step.heat?.until.reach === 'temperature' && step.role !== 'warm';
  /** ends when it is thick enough, bubbling or not */
  const coats = step.cue === 'coats the spoon';
  const joins = step.adds.length > 0 && step.portions.length > 0;
  const first = joins ? goesIn(step, fmt) : '';
  switch (step.role) {
    case 'weigh':
      return {
        title: t('potRoom.weighItOut'),
        manner: t('potRoom.gramsFirstTareBeforeEach'),
        cue: t('potRoom.everythingStandsBesideThePot'),
        why: t('potRoom.onceItThickensThereIs'),
        done: t('potRoom.allWeighed'),
        until: t('potRoom.about2'),
      };
    case 'slurry':
      return {
        title: t('potRoom.whiskTheSlurry'),
        manner: list(step, fmt),
        cue: t('potRoom.noLumpUnderTheWhisk'),
        why: t('potRoom.starchThatMeetsHeatDry'),
        done: t('potRoom.slurryIsSmooth'),
        until: t('potRoom.about2'),
      };
    case 'warm':
      return {
        title: t('potRoom.warmTheMilk'),
        manner:
          step.heat?.until.reach === 'bubble'
            ? t('potRoom.toTheFirstBubbleStir')
            : t('potRoom.toStirNowAndThen', { slurryAtC: fmt.temp(step.tempC ?? plan.method.slurryAtC) }),
        cue:
          step.heat?.until.reach === 'bubble'
            ? t('potRoom.smallBubblesAtTheRim')
            : step.cue === 'rim bubbles'
              ? t('potRoom.smallBubblesAtTheRim2')
              : t('potRoom.steamRisesNoBubbleYet'),
        why: plan.items.some((i) => i.stage === 'slurry')
          ? t('potRoom.hotterMilkWouldSealThe')
          : t('potRoom.itWarmsWhileTheRest'),
        done: t(SEEN[step.cue ?? 'steams']),
        until: step.cue === 'rim bubbles' ? t('potRoom.toScalding') : t('potRoom.toSteaming'),
      };
    case 'taste':
    case 'taste again':
      return {
        title: t('potRoom.taste2'),
        manner: t('potRoom.fromAColdSpoonUnder', { step: list(step, fmt) }),
        cue: t('potRoom.hotTastesSweeterThanIt'),
        why: step.role === 'taste' ? t('potRoom.onceItIsThickWhat') : t('potRoom.fruitTurnsTheBalanceTaste'),
        done: t('potRoom.tastesRight'),
        until: t('potRoom.about2'),
      };
    case 'count out':
      return {
        title: t('potRoom.countOut'),
        manner: list(step, fmt),
        cue: t('potRoom.asManyOutAsWent'),
        why: t('potRoom.onceItThickensTheyDrag'),
        done: t('potRoom.allOut'),
        until: t('potRoom.about2'),
      };
    case 'thicken':
      return {
        title: custard ? t('potRoom.stirNeverBoil') : t('potRoom.sweepTheBottom'),
        manner: joins ? t('potRoom.thenSlowEights', { first }) : t('potRoom.slowEights', { every }),
        cue: custard
          ? t('potRoom.foamGoesSteamRisesA')
          : coats
            ? t('potRoom.edgesThickenDipTheSpoon', { bubble: step.heat?.over ? t('potRoom.overSteamItMayNever') : '' })
            : t('potRoom.edgesThickenTheHissTurns'),
        why: custard ? t('potRoom.aFewDegreesFurtherThe') : t('potRoom.itGoesWithinHalfA'),
        done: coats ? t('potRoom.itCoatsTheSpoon') : t('potRoom.firstBubble'),
        until:
          step.heat?.until.reach === 'temperature'
            ? t('potRoom.to4', { tempC: fmt.temp(step.heat.until.tempC) })
            : coats
              ? t('potRoom.untilItCoats')
              : t('potRoom.toTheFirstBubble'),
      };
    case 'cook on':
      return {
        title: t('potRoom.keepStirring'),
        manner: t('potRoom.wholeFloorAndCorners', { every }),
        cue: t('potRoom.slowBubblesPlopTheSpoon'),
        why: t('potRoom.starchThatHasNotBubbled'),
        done: t('potRoom.doneCooking'),
        until: t('potRoom.toGo'),
      };
    case 'off the heat':
      return {
        title: t('potRoom.offTheHeat'),
        manner: step.portions.length
          ? t('potRoom.stirIn', { step: list(step, fmt) })
          : t('potRoom.oneLastSweepThenStill'),
        cue: t('potRoom.thePloppingStopsItIs'),
        why: t('potRoom.scentBoilsAwaySoIt'),
        done: t('potRoom.stirredIn'),
        until: t('potRoom.about2'),
      };
    case 'pour':
      return {
        title: t('potRoom.pour'),
        manner: [
          step.portions.length ? list(step, fmt) : '',
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
        manner: list(step, fmt),
        cue: t('potRoom.paleNoStreakOfWhite'),
        why: t('potRoom.sugarAndABeatingSpread'),
        done: t('potRoom.beaten'),
        until: t('potRoom.about2'),
      };
    case 'simmer':
    case 'simmer in milk':
      return {
        title: step.heat?.lid === 'on' ? t('potRoom.lidOnLowestHeat') : t('potRoom.simmer'),
        manner: [
          first,
          step.heat?.lid === 'on'
            ? t('potRoom.stirEvery', { stirEveryS: fmt.hours((step.stirEveryS ?? 180) / 3600) })
            : t('potRoom.sweepTheFloor', { every }),
        ]
          .filter(Boolean)
          .join(', then '),
        cue: t('potRoom.biteAGrainSoftThrough'),
        why: t('potRoom.grainTakesItsWaterSlowly'),
        done: t('potRoom.softThrough'),
        until: t('potRoom.toTheBite'),
      };
    case 'reduce':
      return {
        title: t('potRoom.cookItDown'),
        manner: t('potRoom.toOfWhereItBegan', {
          reduceTo: Math.round(100 * (step.heat?.until.reach === 'share' ? step.heat.until.share : 1)),
          every,
        }),
        cue: t('potRoom.markTheDepthOnA'),
        why: t('potRoom.everythingGetsStrongerAsWater'),
        done: t('potRoom.downToTheMark'),
        until: t('potRoom.toTheMark'),
      };
    case 'whip':
      return {
        title: t('potRoom.whipTheWhites'),
        manner: list(step, fmt),
        cue: t('potRoom.aPeakStandsItsTip'),
        why: t('potRoom.theyFallWithinMinutes'),
        done: t('potRoom.stiff'),
        until: t('potRoom.about2'),
      };
    case 'top':
      return {
        title: t('potRoom.theLayerOn'),
        manner: list(step, fmt),
        cue: t('potRoom.overTheBackOfASpoon'),
        why: t('potRoom.itStaysOnTop'),
        done: t('potRoom.layerOn'),
        until: t('potRoom.about2'),
      };
    case 'grill':
      return {
        title: t('potRoom.grill'),
        manner: t('potRoom.standBesideIt'),
        cue: t('potRoom.goldenInSpots'),
        why: t('potRoom.fromGoldenToBurnt'),
        done: t('potRoom.outOfTheOven'),
        until: t('potRoom.toGo'),
      };
    case 'bake':
      return {
        title: t('potRoom.bake'),
        manner: step.bake?.until.reach === 'carries' ? t('potRoom.untilItCarries') : t('potRoom.middleOfTheOvenDry'),
        cue: t(plan.family === 'baked slab' ? 'potRoom.goldenAndBubblingAtThe' : 'potRoom.edgeSetACoinIn'),
        why: t(plan.family === 'baked slab' ? 'potRoom.itSetsAsItCools' : 'potRoom.itGoesOnSettingAfter'),
        done: t('potRoom.outOfTheOven'),
        until: t('potRoom.toGo'),
      };
    default:
      return {
        title: own(step.name ?? t(OTHER[step.role] ?? `role.${step.role}`)),
        manner: [first, step.stirEveryS === undefined ? t('potRoom.spoonStill') : t('potRoom.stir3', { every })]
          .filter(Boolean)
          .join(', then '),
        cue: t('potRoom.lookAndListenNoHiss'),
        why: t('potRoom.theMethodAsksForIt'),
        done: t('potRoom.done2'),
        until: step.ends === 'time' ? t('potRoom.toGo') : t('potRoom.about2'),
      };
  }
}

/** How what joins the pot at this step goes in. */
function goesIn(step: Step, fmt: Formatter): string {
  const add = step.adds[0]!;
  if (add.stage === 'slurry') return t('potRoom.whiskTheSlurryIn');
  if (add.ladleG) return t('potRoom.hotMilkIntoTheEgg', { ladleG: fmt.grams(add.ladleG) });
  if (add.how === 'dry rain') return t('potRoom.rainInWhisking', { step: list(step, fmt) });
  return t('potRoom.stirIn', { step: list(step, fmt) });
}

/** Fires that have no words of their own above. */
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
        in: step.adds.some((a) => a.stage === 'slurry') ? t('potRoom.slurryIn') : '',
        bubble: step.cue === 'coats the spoon' ? t('potRoom.untilItCoatsTheSpoon') : t('potRoom.toTheFirstBubble'),
      })
    : stepAgain(step.name ?? t(NEXT[step.role] ?? `role.${step.role}`), step);

/** What to do at once when it is seen. */
export const SEEN_ADVICE: Partial<Record<Observation, Said>> = {
  lumps: say('potRoom.offTheRingWhiskHard'),
  'smells toasted': say('potRoom.offTheRingNowDo'),
  'too thick': say('potRoom.waitForTheWordBelow'),
  'too thin': say('potRoom.letItBubbleOnFirst'),
  climbs: say('potRoom.offTheRingNowIt'),
  'tastes raw': say('potRoom.itHasToBubbleOn'),
  'grain hard': say('potRoom.lidOnLowBiteAnother'),
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
export const HARM: Record<Harm, { band: Said; call: Said; act: Said }> = {
  'boil over': { band: say('potRoom.boilOver'), call: say('potRoom.itClimbs'), act: say('potRoom.offTheRingItFalls') },
  curdle: {
    band: say('potRoom.curdling'),
    call: say('potRoom.eggAboutToCurdle'),
    act: say('potRoom.offTheHeatPourInto'),
  },
  catch: {
    band: say('potRoom.catching'),
    call: say('potRoom.theFloorCatches'),
    act: say('potRoom.turnDownScrapeTheBottom'),
  },
};

/** What a call says, and the act that it names; where too little is known of the heat it asks to look. */
export const callOf = (m: Margin): { call: string; act: string } =>
  m.asks
    ? { call: t('potRoom.liftTheSpoon'), act: t('potRoom.aFingerLineStaysOff') }
    : { call: t(HARM[m.harm].call), act: t(HARM[m.harm].act) };

/** How far off harm is. */
export function marginSays(m: Margin, fmt: Formatter): string {
  if (m.state === 'alarm') return t('potRoom.now');
  if (m.harm === 'curdle' && m.spareK !== undefined && m.spareK < 20)
    return t('potRoom.toSpare', { spareK: fmt.degApart(Math.max(0, m.spareK)) });
  if (m.inS !== undefined) return t('potRoom.in2', { inS: fmt.countdown(m.inS) });
  return t('potRoom.far');
}

/** A stir so seldom is called for; between two the spoon rests. */
export const SELDOM_S = 60;
const PATTERN: Record<Pattern, Said> = {
  'figure of eight': say('potRoom.slowEights2'),
  'sweep the floor': say('potRoom.sweepTheWholeFloor'),
  'round the rim': say('potRoom.roundTheRim'),
  'scrape the sides': say('potRoom.scrapeTheSidesDown'),
  still: say('potRoom.spoonStill'),
};
export function paceSays(p: Pace): string {
  const tool = p.tool === 'spoon' ? '' : `, ${p.tool === 'whisk' ? t('potRoom.whisk') : t('potRoom.flatScraper')}`;
  if (p.everyS >= SELDOM_S && Number.isFinite(p.everyS))
    return t('potRoom.spoonStillAStirEvery', { everyS: Math.round(p.everyS / 60), tool });
  return Number.isFinite(p.everyS)
    ? t('potRoom.sEach2', { pattern: t(PATTERN[p.pattern]), everyS: Math.round(p.everyS * 2) / 2, tool })
    : t(PATTERN.still);
}
export function restSays(p: Pace): string {
  const owed = p.owedMin >= 1 ? t('potRoom.minOfStirringStillOwed', { owedMin: Math.round(p.owedMin) }) : '';
  const rest = p.mayRest
    ? p.restS >= 60
      ? t('potRoom.theSpoonMayRest')
      : t('potRoom.theSpoonMayRestS', { restS: Math.round(p.restS) })
    : Number.isFinite(p.everyS)
      ? t('potRoom.noRestNow')
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
  return t('potRoom.yourRingGivesToOf', { low: pct(ring.low), high: pct(ring.high) });
}

/** The event that did not fit, named. */
export function oddSays(event: CookEvent): string {
  if (event.kind === 'observed') return `“${t(SEEN[event.what])}”`;
  if (event.kind === 'measured')
    return {
      probe: t('potRoom.thatTemperature'),
      trail: t('potRoom.thatTrail'),
      scale: t('potRoom.thatWeight'),
      plate: t('potRoom.thatBlob'),
      dish: t('potRoom.thatTemperature'),
      slump: t('potRoom.that'),
    }[event.what];
  return t('potRoom.that');
}

import type { CookEvent, Fault, Observation } from '../../core/cook/events';
import type { Harm, Margin } from '../../core/cook/margins';
import type { Pace, Pattern } from '../../core/cook/pacer';
import { SEEN } from '../../words/seen';
import type { Formatter } from '../../words/format';
import { t } from '../../words';
import { SELDOM_S } from '../../words/potSteps';
import { say, type Said } from '../../core/say';

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

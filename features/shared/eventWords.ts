import type { CookEvent, Measure, Touch } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import type { Formatter } from '../../words/format';
import { t } from '../../words';
import { SEEN } from '../../words/seen';
import { say, type Said } from '../../core/say';

export const TOUCHED: Record<Touch, Said> = {
  'warm underneath': say('touch.warmUnderneath'),
  'cool underneath': say('touch.coolUnderneath'),
  sticks: say('touch.sticks'),
  dents: say('touch.dents'),
  springs: say('touch.springs'),
  'knife smeared': say('touch.knifeSmeared'),
  'knife clean': say('touch.knifeClean'),
  runs: say('touch.runs'),
  wobbles: say('touch.wobbles'),
  'stands still': say('touch.standsStill'),
};

export const MEASURED: Record<Measure, (value: number, fmt: Formatter) => string> = {
  probe: (c, fmt) => t('shared.inThePot', { c: fmt.temp(c) }),
  trail: (s) => t('shared.theTrailClosedInS', { value: Math.round(s * 10) / 10 }),
  scale: (g, fmt) => t('shared.withThePan', { g: fmt.grams(g) }),
  slump: (pct) => t('shared.slumpedBy', { pct: Math.round(pct) }),
  dish: (c, fmt) => t('shared.inTheDish', { c: fmt.temp(c) }),
  plate: (deg) =>
    deg >= 90 ? t('shared.aColdBlobStaysUpright') : t('shared.aColdBlobRunsAt', { deg: Math.round(deg) }),
};

/** What a step is called: the cook's own word, or what it is for. */
const stepName = (step: Pick<Step, 'role' | 'name' | 'fix'> | undefined): string | undefined =>
  step && `${step.name ?? step.role}${step.fix ? t('shared.again') : ''}`;

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/** An event as a line of the log; undefined for what is not worth one. */
export function eventSays(
  e: CookEvent,
  fmt: Formatter,
  name: (ingredientId: string) => string,
  steps: readonly Pick<Step, 'id' | 'role' | 'name' | 'fix'>[],
): string | undefined {
  switch (e.kind) {
    case 'observed':
      return t(SEEN[e.what]);
    case 'measured':
      // what a device reads by itself is not a line of the story
      return e.by === 'probe'
        ? undefined
        : `${MEASURED[e.what](e.value, fmt)}${e.by ? t('shared.byThe', { e: t(`device.${e.by}`) }) : ''}`;
    case 'stepDone':
      return t('shared.done', { step: capital(stepName(steps.find((s) => s.id === e.step)) ?? e.step) });
    case 'steppedBack':
      return t('shared.backAStep');
    case 'paused':
      return t('shared.paused');
    case 'resumed':
      return t('shared.wentOn');
    case 'hobSet':
      return e.setting === 0 ? t('shared.hobOff') : t('shared.hobTo', { setting: e.setting });
    case 'lidSet':
      return t('shared.lid', { lid: t(`lid.${e.lid}`) });
    case 'spoon':
      return e.resting ? t('shared.spoonRests') : t('shared.stirringAgain');
    case 'stirred':
      return t('shared.stirred');
    case 'ladled':
      return t('shared.aLadleIntoTheBowl');
    case 'added': {
      const what = e.portions.map((p) => `${fmt.grams(p.grams)} ${name(p.ingredientId)}`).join(' and ');
      return what
        ? t('shared.in', { what, taste: e.why === 'taste' ? t('shared.toTaste') : '' })
        : t('shared.moreFire');
    }
    case 'counted':
      return e.out ? t('shared.out', { item: name(e.item) }) : t('shared.in2', { item: name(e.item) });
    case 'longer':
      return t('shared.longer', { minutes: fmt.hours(e.minutes / 60) });
    case 'rescued':
      return t('shared.rescue2', { fault: t(`fault.${e.fault}`), says: e.says });
    case 'device':
      return `${t(`device.${e.device}`)} ${e.lost ? t('shared.lost') : t('shared.back')}`;
    case 'side':
      return e.done ? t('shared.sidePotDone') : t('shared.sidePotOn');
    case 'clock':
      return t('shared.theClockWasChanged');
    case 'noted':
      return e.text;
    case 'weighed':
      return undefined;
    case 'poured':
      return t('shared.poured');
    case 'intoFridge':
      return t('shared.intoTheFridge');
    case 'pouredAs':
      return [
        e.count === undefined ? '' : t('shared.intoDishes', { count: e.count }),
        e.covered === undefined ? '' : t(e.covered ? 'shared.coverOn' : 'shared.leftOpen'),
        e.wet === undefined ? '' : t(e.wet ? 'shared.clayWet' : 'shared.clayDry'),
      ]
        .filter(Boolean)
        .join(', ');
    case 'standsIn':
      return t('shared.standsNow', { where: t(`place.${e.where}`) });
    case 'felt':
      return t(TOUCHED[e.touch]);
    case 'turnedOut':
      return t('shared.turnedOut');
    case 'started':
    case 'undone':
    case 'moved':
      return undefined;
  }
}

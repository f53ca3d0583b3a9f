import { keptPromise, missSteps } from '../../core/book/facts';
import type { Advice } from '../../core/book/nextTime';
import type { ChangeOf } from '../../core/book/mends';
import type { BatchRow } from '../../core/book/row';
import type { Plan } from '../../core/plan/plan';
import { lookUp } from '../../core/plan/bowls';
import type { Formatter } from '../../words/format';
import { t } from '../../words';

const more = (from: number, to: number, fmt: Formatter) =>
  `${fmt.grams(Math.abs(to - from))} ${to > from ? t('bookRoom.more') : t('bookRoom.less')}`;

/** A value of a change, in the cook's own units and words. */
function valueSays(what: ChangeOf, value: string | number, fmt: Formatter): string {
  if (typeof value === 'string') return t(`changeTo.${what as 'cover'}.${value as 'open'}`);
  switch (what) {
    case 'slurry':
    case 'oven':
      return fmt.temp(value);
    case 'dish':
      return fmt.length(value);
    case 'hours':
      return fmt.hours(value);
    case 'pan':
      return fmt.across(value);
    case 'cook on':
      return fmt.hours(value / 60);
    default:
      return String(value);
  }
}

export function adviceSays(a: Advice, plan: Plan, fmt: Formatter): string {
  if (a.kind === 'amount') return `${more(a.fromG, a.toG, fmt)} ${lookUp(plan, a.ingredientId).name}`;
  return t(`change.${a.what}`, { from: valueSays(a.what, a.from, fmt), to: valueSays(a.what, a.to, fmt) });
}

export function missSays(b: BatchRow): string {
  const miss = missSteps(b);
  if (miss === undefined) return t('bookRoom.notWrittenDownYet');
  if (keptPromise(b)) return t('bookRoom.asPromised');
  const size = Math.abs(miss);
  const much =
    size < 0.8
      ? t('bookRoom.halfAStep')
      : size < 1.3
        ? t('bookRoom.aStep')
        : t('bookRoom.steps', { size: Math.round(size * 2) / 2 });
  return t('bookRoom.thanPromised', { much, softer: miss > 0 ? t('bookRoom.firmer') : t('bookRoom.softer') });
}

const SHARES = [
  ['tenth', 0.1],
  ['fifth', 0.2],
  ['quarter', 0.25],
  ['third', 1 / 3],
  ['half', 0.5],
  ['two thirds', 2 / 3],
  ['as much again', 1],
] as const;
/** Nearer to none than this, and it is none. */
const NONE = 0.05;

/** How this kitchen's set stands to what was reckoned, in a cook's words. @param factor of the yield stress */
export function firmnessSays(factor: number): string {
  const off = Math.abs(factor - 1);
  if (off < NONE) return t('bookRoom.yoursSetsAsReckoned');
  const [share] = SHARES.reduce((best, s) => (Math.abs(s[1] - off) < Math.abs(best[1] - off) ? s : best));
  return t(factor < 1 ? 'bookRoom.yoursSetsSofter' : 'bookRoom.yoursSetsFirmer', { share: t(`share.${share}`) });
}

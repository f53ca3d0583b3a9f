import { asPromised } from '../../core/book/learned';
import type { Advice } from '../../core/book/nextTime';
import type { BatchRow } from '../../core/book/row';
import type { Plan } from '../../core/plan/plan';
import { lookUp } from '../../core/plan/stages';
import { stripMiddle } from '../../core/texture/words';
import type { Formatter } from '../../words/format';
import { t } from '../../words';

const more = (from: number, to: number, fmt: Formatter) =>
  `${fmt.grams(Math.abs(to - from))} ${to > from ? t('bookRoom.more') : t('bookRoom.less')}`;

export function adviceSays(a: Advice, plan: Plan, fmt: Formatter): string {
  switch (a.kind) {
    case 'starch':
    case 'sugar':
      return `${more(a.fromG, a.toG, fmt)} ${lookUp(plan, a.ingredientId).name}`;
    case 'cook on':
      return t('bookRoom.cookOnMinAfterThe', { toMin: a.toMin, fromMin: a.fromMin });
    case 'heat':
      return t('bookRoom.hobInPlaceOf', { to: a.to, from: a.from });
    case 'slurry':
      return t('bookRoom.slurryInAtUnderThe', { toC: fmt.temp(a.toC) });
  }
}

/** How far what came out lies from what was promised, in steps of the strip. */
function missSteps(b: BatchRow): number | undefined {
  return b.found.wordServing ? stripMiddle(b.found.wordServing) - b.promise.servingPlace : undefined;
}

/** Within half a step of what was promised, or the very word that was wanted. */
export function keptPromise(b: BatchRow): boolean {
  const miss = missSteps(b);
  return miss !== undefined && (Math.abs(miss) <= 0.5 || asPromised(b) || b.found.wordServing === b.serve.word);
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

import { useState } from 'react';
import { alarmOf } from '../../core/cook/alarm';
import { doneAtMs } from '../../core/cook/done';
import { stepSeconds, stirDueS } from '../../core/cook/fold';
import type { Harm, Margin } from '../../core/cook/margins';
import { SCORCH } from '../../core/pot/scorch';
import { useApp } from '../shared/App';
import type { useCook } from '../shared/useCook';
import { useModelHealth } from '../shared/useModelHealth';
import { useLive } from './useLive';
import { stepNext, stepWords } from '../../words/potSteps';
import { callOf, paceSays } from './words';
import { t } from '../../words';

/** A step that has run this much longer than expected was most likely interrupted. */
const FORGOTTEN_S = 30 * 60;
/** An answer older than this is not of this pot any more: a hidden page asks every 15 s. */
const BLIND_MS = 25_000;
/** The next step is announced this long before it is due, s. */
const SOON_S = 15;
/** What goes in at the start of a step is in after this, s: from then on the pace is the manner. */
const ADDS_S = 45;

export type UsedCook = ReturnType<typeof useCook>;
export type PotView = ReturnType<typeof usePotView>;

/** What the live pot shows at a moment: the cook's own state, the twin's last answer, and what the two say together. */
export function usePotView(c: UsedCook, now: number) {
  const { fmt } = useApp();
  const cook = c.cook!;
  const state = c.state!;
  const heard = useLive(cook, c.steps, state.stepIndex, c.forecast !== undefined);
  const health = useModelHealth();
  // an answer of a model that has stopped since says nothing of the pot now, nor one of this fire that is long overdue
  const overdue =
    heard?.stepIndex === state.stepIndex &&
    c.steps[state.stepIndex]?.heat !== undefined &&
    !state.paused &&
    now - heard.atMs > BLIND_MS;
  const blind = health !== 'well' || overdue;
  const live = blind ? undefined : heard;
  // an answer is of the step it was asked about, and of no other
  const of = live?.stepIndex === state.stepIndex ? live.live : undefined;
  const passed = live && !state.paused ? (now - live.atMs) / 1000 : 0;
  const step = c.steps[state.stepIndex]!;
  const next = c.steps[state.stepIndex + 1];
  const words = stepWords(step, cook.plan, fmt, c.forecast?.depthMm);
  const ran = stepSeconds(state, now);
  const leftS = step.ends === 'cue' && of ? of.cueInS - passed : step.seconds - ran;
  const never =
    step.ends === 'cue' &&
    of !== undefined &&
    (Number.isNaN(of.cueInS) || of.turnTo !== undefined) &&
    state.setting !== 0;
  // 8 pots in 10 of the twin get there between these
  const ahead = step.ends === 'cue' ? of?.twin.cueInS : undefined;
  // what is looked for is due when the model says so, not by the plan's minutes before its first answer
  const waiting = step.ends === 'cue' && of === undefined && !blind && !state.paused;
  // a cue that the model already sees stands a second ahead
  const due = !never && !waiting && leftS <= (step.ends === 'cue' ? 1 : 0);
  const forgotten = ran > step.seconds + FORGOTTEN_S;
  const reading = live?.live.now;
  const pace = of?.pace;
  const guide = of?.guide;
  const margins = of?.margins ?? [];
  const alarm = useHeld(state.paused || forgotten ? [] : margins);
  // what goes in at the start of a step is what counts then
  const joins = step.puts.length > 0 && ran <= ADDS_S;
  const steamed = step.heat?.over !== undefined;
  return {
    cook,
    state,
    step,
    next,
    nextSays: next ? stepNext(next) : 'pour',
    words,
    /** something goes in just now */
    joins,
    live,
    /** the answer, where it is of this step */
    of,
    ran,
    leftS,
    never,
    /** the model has not answered for this step yet */
    waiting,
    due,
    soon: step.ends !== 'done' && leftS <= SOON_S && leftS > 0,
    /** when something is to be called: the step soon, the step due, the next stir under a lid */
    calls: state.paused
      ? []
      : [
          ...(step.ends === 'time' ? [state.stepStartedMs + step.seconds * 1000] : []),
          ...(step.ends === 'cue' && live && of ? [live.atMs + of.cueInS * 1000] : []),
        ]
          .flatMap((dueMs) => [dueMs - SOON_S * 1000, dueMs])
          .concat(
            guide?.kind === 'covered'
              ? [Math.max(state.stirredMs || 0, state.stepStartedMs) + guide.everyS * 1000]
              : [],
          ),
    between:
      ahead && !due && !never && !state.paused
        ? { low: Math.max(0, ahead.low - passed), high: Math.max(0, ahead.high - passed) }
        : undefined,
    /** when the work is over */
    doneMs: forgotten
      ? undefined
      : doneAtMs(
          c.steps,
          state,
          now,
          live && of?.twin.doneInS ? { atMs: live.atMs, doneInS: of.twin.doneInS.mean } : undefined,
        ),
    forgotten,
    setting: state.setting ?? step.setting ?? 0,
    shown: live?.live.forecast ?? c.forecast,
    reading,
    margins,
    alarm,
    pace,
    guide,
    stirDueS: guide?.kind === 'covered' ? stirDueS(guide.everyS, state.stirredMs, state.stepStartedMs, now) : NaN,
    resting: state.resting ?? step.stirEveryS === undefined,
    film: !reading
      ? ('cool' as const)
      : alarm?.harm === 'catch' || reading.scorch > SCORCH.film || reading.panC > 125
        ? ('sticking' as const)
        : reading.panC > 101
          ? ('warm' as const)
          : ('cool' as const),
    odd: cook.events.find((e) => e.id === live?.live.twin.odd),
    headline: alarm ? callOf(alarm).call : never && !steamed ? t('potRoom.turnItUp') : words.title,
    manner: alarm ? callOf(alarm).act : pace && step.heat && !joins ? paceSays(pace) : words.brief,
    /** nothing is known of the pot: the clock alone counts */
    blind,
    until: state.paused
      ? t('potRoom.pausedHobCountedAsOff')
      : blind
        ? t('potRoom.seesNothing')
        : never
          ? steamed
            ? t('potRoom.steamGivesNoMore')
            : of?.turnTo === undefined
              ? t('potRoom.notOnThisSetting')
              : t('potRoom.getsNowhereTurnTo', { to: of.turnTo })
          : due
            ? { time: t('potRoom.overBy'), cue: t('potRoom.anyMoment'), done: t('potRoom.takeYourTime') }[step.ends]
            : words.until,
  };
}

/** An alarm stays until its harm is clear again, so that it does not come and go with each reading. */
function useHeld(margins: readonly Margin[]): Margin | undefined {
  const [held, setHeld] = useState<Harm | undefined>();
  const alarm = alarmOf(margins) ?? margins.find((m) => m.harm === held && m.state !== 'clear');
  if (alarm?.harm !== held) setHeld(alarm?.harm);
  return alarm;
}

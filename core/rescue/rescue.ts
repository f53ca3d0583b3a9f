import type { Fault } from '../cook/events';
import type { Situation } from './fix';
import { say } from '../say';
import { troubleOf, type Rescue, type RescueStep, type Told, type Way } from './way';
import { tooThin } from './ways/tooThin';
import { tooThinCold } from './ways/tooThinCold';
import { tooStiff } from './ways/tooStiff';
import { lumps } from './ways/lumps';
import { curdled } from './ways/curdled';
import { catching } from './ways/catching';
import { boiledOver } from './ways/boiledOver';
import { rawTaste } from './ways/rawTaste';
import { grainsHard } from './ways/grainsHard';
import { grainsMush } from './ways/grainsMush';
import { tooSweet } from './ways/tooSweet';
import { split } from './ways/split';
import { weeping } from './ways/weeping';
import { skin } from './ways/skin';
import { willNotUnmould } from './ways/willNotUnmould';
import { notSetInTime } from './ways/notSetInTime';
import { frozenTooHard } from './ways/frozenTooHard';

/** A way out of every fault. */
const WAYS: Readonly<Record<Fault, Way>> = {
  'too thin': tooThin,
  'too thin, cold': tooThinCold,
  'too stiff': tooStiff,
  lumps: lumps,
  curdled: curdled,
  catching: catching,
  caught: catching,
  'boiled over': boiledOver,
  'raw taste': rawTaste,
  'grains hard': grainsHard,
  'grains mush': grainsMush,
  'too sweet': tooSweet,
  split: split,
  weeping: weeping,
  skin: skin,
  'will not unmould': willNotUnmould,
  'not set in time': notSetInTime,
  'frozen too hard': frozenTooHard,
};

/** What a pot is told about its ring means nothing to a pudding that stands cold. */
const IN_THE_DISH: Readonly<Record<string, RescueStep['what'] | undefined>> = {
  'rescue.offTheRingWhiskHard': say('rescue.intoABowlWhiskHard'),
  'rescue.offTheHeatIntoA': undefined,
  'rescue.offTheRingDoNot': undefined,
  'rescue.ringOffLetItFall': undefined,
  'rescue.wipeTheRingOnlyWhen': undefined,
  'rescue.goOnTwoSettingsLower': undefined,
  'rescue.backOnAtTheSpoon': undefined,
  'rescue.offTheHeatBlendUntil': say('rescue.intoABowlBlendUntil'),
};
function inTheDish(step: RescueStep): RescueStep[] {
  const { what } = step;
  if (typeof what === 'string' || !(what.code in IN_THE_DISH)) return [step];
  const cold = IN_THE_DISH[what.code];
  return cold ? [{ ...step, what: cold }] : [];
}

/**
 * The guided path out of a fault.
 * @param s the pot as the model has it, hot or cold
 * @param told what only the cook knows
 */
export function rescueOf(fault: Fault, s: Situation, told: Told = {}): Rescue {
  const way = WAYS[fault](troubleOf(fault, s, told));
  if (s.hot) return way;
  const { setting: _ring, ...cold } = way;
  const steps = way.steps.flatMap(inTheDish);
  return { ...cold, steps: steps.length ? steps : [{ what: say('rescue.leaveItWhatCouldBe') }] };
}

import { sugarFraction } from '../../pot/paste';
import { type Pot } from '../../pot/pot';
import { coolInDish, type Stay } from '../../set/cooling';
import { say } from '../../say';
import { RESCUE, min, pct, poured, type Way } from '../way';

export const frozenTooHard: Way = ({ plan, pot, mass, head, s, fault }) => {
  const run = poured(s);
  const points = (where: Stay['where'], airC: number) =>
    coolInDish({
      dish: plan.dish,
      depthM: run.depthM,
      startC: -18,
      stays: [{ where, minutes: RESCUE.softMost * 60, airC, covered: true }],
      hours: RESCUE.softMost,
      sugarFraction: sugarFraction(pot.content),
      waterShare: pot.content.waterG / mass,
    });
  const softC = -8;
  const warm = (where: Stay['where'], airC: number) => {
    const all = points(where, airC);
    const i = all.findIndex((p) => p.coreC >= softC);
    const at = all[i];
    const before = all[i - 1];
    if (!at) return NaN;
    const share = before ? (softC - before.coreC) / (at.coreC - before.coreC || 1) : 1;
    return Math.max(2, 60 * ((before?.hours ?? 0) + share * (at.hours - (before?.hours ?? 0))));
  };
  const room = warm('room', plan.room.tempC);
  const fridge = warm('fridge', plan.rest.fridgeC);
  return {
    fault,
    going: say('rescue.at18COfIts', { freezerC: -18, pot: pct(Math.min(1, hardShare(pot))), softC }),
    saved: 'all',
    steps: [
      { what: say('rescue.onTheTable'), seconds: Math.round((Number.isNaN(room) ? 10 : room) * 60) },
      { what: say('rescue.mouldBetweenTwoWarmHands') },
    ],
    before: head(pot),
    after: head(pot),
    then: say('rescue.thenTheSpoonGoesIn'),
    minutes: Number.isNaN(room) ? 10 : room,
    orElse: Number.isNaN(fridge)
      ? say('rescue.moreSugarKeepsItSofter')
      : say('rescue.orInTheFridgeMore', { fridge: min(fridge) }),
    caution: say('rescue.whatHasThawedIsNot'),
  };
};

/** Share of the water that is ice at -18 degC, by what is dissolved (A: freezing point lowered). */
const hardShare = (pot: Pot): number => {
  const x = sugarFraction(pot.content);
  return Math.max(0, 1 - (x / Math.max(0.01, 1 - x)) * (1.86 / 0.342) * (1 / 18));
};

import { lookUp } from '../../plan/bowls';
import { FIX, fireAgain, starchOf } from '../fix';
import { say } from '../../say';
import { RESCUE, pct, near, HOT, type Way } from '../way';

export const tooSweet: Way = ({ plan, pot, liquid, liquidId, mass, head, add, withAdded, s, told, fault }) => {
  const less = told.much ? RESCUE.sweetMuch : RESCUE.sweetLess;
  const milkG = near(mass * (less / (1 - less)), 5);
  const starchId = starchOf(plan);
  // as much starch as the pot has for its water, so that it sets as before
  const perWater = pot.fractions.reduce((sum, f) => sum + f.starchG, 0) / Math.max(1, pot.content.waterG);
  const wet = (liquid?.per100.water ?? 88) / 100;
  const starchG = Math.max(1, Math.round((milkG * wet * perWater) / (lookUp(plan, starchId).per100.starch / 100)));
  const heat = s.willBubble ? [] : fireAgain(plan);
  const a = add(
    [
      { ingredientId: starchId, grams: starchG },
      { ingredientId: liquidId, grams: milkG },
    ],
    heat,
    'slurry',
  );
  return {
    fault,
    going: say('rescue.sugarSweetnessCannotBeTaken', { mass: pct(pot.content.sweetG / mass), less: pct(less), milkG }),
    saved: 'all',
    steps: [
      { what: say('rescue.waitTasteItColdFirst') },
      { what: say('rescue.whiskTheStarchIntoThe2'), portions: a.portions },
      { what: say('rescue.potOffTheRingIn2') },
      ...(heat.length ? [{ what: say('rescue.toTheBubbleAndOn'), seconds: Math.round(FIX.cookOnMin * 60) }] : []),
    ],
    added: a,
    before: head(pot),
    after: withAdded(a),
    then: say('rescue.thenLessSweetAndG', { less: pct(less), milkG: near(milkG, 10) }),
    minutes: heat.length ? 6 : 1,
    orElse: say('rescue.orLeaveItAndServe'),
    caution: HOT,
  };
};

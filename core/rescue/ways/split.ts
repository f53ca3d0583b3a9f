import { phOf } from '../../matter/mixture';
import { lookUp } from '../../plan/bowls';
import { splitChance } from '../../pot/flavour';
import { dairyProteinPct } from '../../pot/paste';
import { cookedStarchPct } from '../../pot/pot';
import { FIX, fireAgain, starchOf } from '../fix';
import { say } from '../../say';
import { RESCUE, type Way } from '../way';

export const split: Way = ({ plan, pot, liquidId, mass, head, add, withAdded, fault }) => {
  const ph = phOf(pot.content);
  const chance = (pctStarch: number) => splitChance(ph, dairyProteinPct(pot.content), pctStarch);
  let want = cookedStarchPct(pot);
  while (want < RESCUE.splitStarch && chance(want) > RESCUE.splitBelow) want += 0.1;
  const starchId = starchOf(plan);
  const starchG = Math.max(
    2,
    Math.round((((want - cookedStarchPct(pot)) / 100) * mass) / (lookUp(plan, starchId).per100.starch / 100)),
  );
  const a = add(
    [
      { ingredientId: starchId, grams: starchG },
      { ingredientId: liquidId, grams: Math.round(FIX.slurryParts * starchG) },
    ],
    fireAgain(plan),
    'slurry',
  );
  return {
    fault,
    going: say('rescue.sourFruitHasCurdledThe', { ph }),
    saved: 'part',
    steps: [
      { what: say('rescue.offTheHeatBlendUntil'), seconds: 30 },
      { what: say('rescue.whiskTheStarchIntoThe3'), portions: a.portions },
      { what: say('rescue.toTheBubbleOnceStirring'), seconds: Math.round(FIX.cookOnMin * 60) },
    ],
    added: a,
    before: head(pot),
    after: withAdded(a),
    then: say('rescue.thenSmoothToTheEye2'),
    minutes: 5,
    orElse: say('rescue.nextTimeFruitOffThe'),
    again: say('rescue.ifItIsStringyStart'),
  };
};

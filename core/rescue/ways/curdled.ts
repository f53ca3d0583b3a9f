import { addedTo } from '../../cook/live';
import { EGG } from '../../pot/egg';
import { addToPot, severityOf, type Pot } from '../../pot/pot';
import { say } from '../../say';
import { RESCUE, near, USE, EGG_SAFE, type Way } from '../way';

export const curdled: Way = ({ plan, setup, pot, liquidId, mass, head, add, fault }) => {
  const severity = Math.max(severityOf(pot), EGG.smooth);
  const scrambled = severity > EGG.grainy;
  const kept: Pot = {
    ...pot,
    eggSet: pot.eggSet * (1 - RESCUE.sieved * severity),
    eggCurd: pot.eggCurd * (1 - RESCUE.sieved),
  };
  const cold = near(0.06 * mass, 5);
  const a = add([{ ingredientId: liquidId, grams: cold }], [], 'stirred in');
  return {
    fault,
    going: say('rescue.theEggWasHeldToo', {
      c: Number.isFinite(pot.eggMaxC) ? say('rescue.about', { eggMaxC: pot.eggMaxC }) : undefined,
      grain: scrambled ? say('rescue.itHasScrambled') : say('rescue.itHasBegunToGrain'),
    }),
    saved: scrambled ? 'no' : 'part',
    steps: [
      { what: say('rescue.offTheHeatIntoA') },
      { what: say('rescue.beatTheColdLiquidIn'), portions: a.portions, seconds: 10 },
      { what: say('rescue.throughAFineSieveDo') },
    ],
    added: a,
    before: head(pot),
    after: head(addToPot(kept, addedTo(a, plan)(kept), setup)),
    then: scrambled ? say('rescue.thenStillGrainyAndThinner') : say('rescue.thenSmoothToTheEye'),
    minutes: 3,
    orElse: say('rescue.nextTimeStopSoonerOr'),
    ...(scrambled ? { again: say('rescue.startAgainWithFreshEgg', { custard: USE.custard }) } : {}),
    caution: EGG_SAFE,
  };
};

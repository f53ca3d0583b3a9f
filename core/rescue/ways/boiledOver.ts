import { readPot, type Pot } from '../../pot/pot';
import { say } from '../../say';
import { RESCUE, near, type Way } from '../way';

export const boiledOver: Way = ({ plan, setup, pot, liquidId, mass, head, add, told, fault }) => {
  const lost = told.lostG ?? RESCUE.rimG;
  const thickened = told.thickened ?? readPot(pot).gelatinised > 0.1;
  const share = Math.min(0.9, lost / mass);
  const left: Pot = {
    ...pot,
    content: { ...pot.content, waterG: pot.content.waterG * (1 - share) },
  };
  const a = add([{ ingredientId: liquidId, grams: near(lost, 5) }], [], 'stirred in', 20);
  return {
    fault,
    going: thickened
      ? say('rescue.whatWentOverWasPudding')
      : say('rescue.whatWentOverWasMilk', { word: head(left).word, word2: head(pot).word }),
    saved: 'all',
    steps: [
      { what: say('rescue.ringOffLetItFall') },
      { what: say('rescue.wipeTheRingOnlyWhen') },
      ...(thickened ? [] : [{ what: say('rescue.putBackWhatIsMissing'), portions: a.portions }]),
      { what: say('rescue.goOnTwoSettingsLower', { heightMm: setup.pan.heightMm / 3 }) },
    ],
    ...(thickened ? {} : { added: a }),
    setting: Math.max(1, plan.method.simmerSetting - 1),
    before: head(thickened ? pot : left),
    after: head(pot),
    then: thickened
      ? say('rescue.aboutPortionsFewer', { portionG: near(lost / plan.portionG, 0.5) })
      : say('rescue.thenAsPlanned'),
    minutes: 2,
    orElse: say('rescue.aHigherPanOrHalf'),
    caution: say('rescue.gasTheFlameMayBe'),
  };
};

import { cook } from '../../pot/pot';
import { SCORCH } from '../../pot/scorch';
import { say } from '../../say';
import { RESCUE, pct, near, USE, HOT, type Way } from '../way';

export const catching: Way = ({ plan, setup, pot, mass, head, add, fault }) => {
  const ruined = fault === 'caught' && pot.scorch >= SCORCH.ruined;
  // the highest setting on which five minutes add less than half a film
  const adds = (setting: number) =>
    cook(pot, setup, { setting, lid: 'off', stirEveryS: Math.min(3, plan.method.stirEveryS) }, 300).pot.scorch -
    pot.scorch;
  let setting = Math.max(1, plan.method.simmerSetting);
  while (setting > 1 && adds(setting) > SCORCH.film / 2) setting -= 1;
  const keep = RESCUE.topShare * mass;
  return {
    fault,
    going:
      fault === 'catching'
        ? say('rescue.aFilmSticksToThe', {
            taste:
              pot.scorch > 0.02 ? say('rescue.aboutOfTheWayTo', { scorch: pct(Math.min(1, pot.scorch)) }) : undefined,
          })
        : say('rescue.theFloorHasBurntWhat'),
    saved: ruined ? 'no' : fault === 'catching' ? 'all' : 'part',
    steps: [
      { what: say('rescue.offTheRingDoNot') },
      fault === 'catching'
        ? { what: say('rescue.pourIntoACleanPan') }
        : {
            what: say('rescue.tipTheTopNineTenths', { keep: near(keep, 10) }),
          },
      { what: say('rescue.tasteItFromACold') },
      { what: say('rescue.backOnAtTheSpoon', { setting }) },
    ],
    setting,
    before: head(pot),
    after: head({ ...pot, scorch: 0 }),
    then: ruined ? say('rescue.itTastesBurntThrough') : say('rescue.thenCleanIfTheTaste'),
    minutes: 2,
    orElse: say('rescue.brownFlakesInAClean'),
    ...(ruined ? { again: say('rescue.startAgainInAThicker', { burnt: USE.burnt }) } : {}),
    caution: HOT,
  };
};

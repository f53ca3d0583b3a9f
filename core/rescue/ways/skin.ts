import { say } from '../../say';
import { type Way } from '../way';

export const skin: Way = ({ pot, head, s, fault }) => {
  return {
    fault,
    going: say('rescue.milkThatStandsStillAnd', { skinC: 50 }),
    saved: 'all',
    steps: s.hot
      ? [{ what: say('rescue.liftItOffWithThe') }, { what: say('rescue.stirAndLayACover') }]
      : [{ what: say('rescue.peelItOffInOne') }, { what: say('rescue.coverTouchingTheSurface') }],
    before: head(pot),
    after: head(pot),
    then: say('rescue.thenSmooth'),
    minutes: 1,
    orElse: say('rescue.orLeaveItSomeFight'),
  };
};

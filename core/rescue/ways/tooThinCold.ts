import { thicker } from '../fix';
import { say } from '../../say';
import { EGG_SAFE, COOL, fromFix, type Way } from '../way';

export const tooThinCold: Way = ({ egg, s, fault }) => {
  return fromFix(
    fault,
    say('rescue.coldStarchGelThatIs'),
    thicker(s),
    s,
    egg ? { caution: say('rescue.withEggAndLittleStarch', { caution: EGG_SAFE }) } : { caution: COOL },
  );
};

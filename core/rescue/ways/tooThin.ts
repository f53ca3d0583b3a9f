import { thicker } from '../fix';
import { say } from '../../say';
import { headsFor, fromFix, type Way } from '../way';

export const tooThin: Way = ({ plan, pot, head, s, fault }) => {
  return fromFix(
    fault,
    say('rescue.tooThinHotIsOften', { word: headsFor(head(pot).word, plan.serve.word) }),
    head(pot).word === plan.serve.word ? [] : thicker(s),
    s,
  );
};

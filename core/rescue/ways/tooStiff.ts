import { looser } from '../fix';
import { say } from '../../say';
import { headsFor, fromFix, type Way } from '../way';

export const tooStiff: Way = ({ plan, pot, head, s, fault }) => {
  return fromFix(
    fault,
    s.hot
      ? headsFor(head(pot).word, plan.serve.word)
      : say('rescue.headsForBroken', { heads: headsFor(head(pot).word, plan.serve.word) }),
    [looser(s)],
    s,
  );
};

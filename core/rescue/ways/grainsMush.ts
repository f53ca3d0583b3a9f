import { looser } from '../fix';
import { say } from '../../say';
import { fromFix, type Way } from '../way';

export const grainsMush: Way = ({ s, fault }) => {
  const f = looser(s);
  return fromFix(fault, say('rescue.theGrainHasBurstAnd'), [f], s, {
    saved: 'part',
    then: say('rescue.thenCreamyItTWord', { word: f.after.word }),
    orElse: say('rescue.blendItQuiteSmoothAnd'),
  });
};

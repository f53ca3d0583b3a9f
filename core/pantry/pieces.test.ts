import { pantryWith } from './pantry';
import { PIECES, piecesOf } from './pieces';

describe('what is counted', () => {
  it('a vanilla pod is one pod, and half a stick half a stick', () => {
    expect(piecesOf('vanilla_pod', 3)).toEqual({ count: 1, piece: 'pod' });
    expect(piecesOf('cinnamon', 2)).toEqual({ count: 0.5, piece: 'stick' });
    expect(piecesOf('clove', 0.62)).toEqual({ count: 6, piece: 'clove' });
  });
  it('what is weighed has no count, and neither has nothing', () => {
    expect(piecesOf('sugar', 100)).toBeUndefined();
    expect(piecesOf('vanilla_pod', 0)).toBeUndefined();
  });
  it('is all in the pantry', () => {
    const pantry = pantryWith();
    expect(Object.keys(PIECES).filter((id) => !pantry.has(id))).toEqual([]);
  });
});

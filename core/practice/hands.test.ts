import { paceOfHand, type Drawn } from './hands';

const path = (at: (s: number) => [number, number], seconds = 8): Drawn[] =>
  Array.from({ length: seconds * 20 }, (_, i) => {
    const [x, y] = at(i / 20);
    return { x, y, s: i / 20 };
  });
const round = (r: number, paceS: number) =>
  path((s) => [r * Math.cos((2 * Math.PI * s) / paceS), r * Math.sin((2 * Math.PI * s) / paceS)]);
/** petals through the middle: edge and middle both */
const petals = (paceS: number) =>
  path((s) => {
    const turn = (2 * Math.PI * s) / paceS;
    const r = 0.85 * Math.abs(Math.cos(2.5 * turn));
    return [r * Math.cos(turn), r * Math.sin(turn)];
  });

describe('a hand that is drawn over the pot', () => {
  it('is none where it stands still or only begins', () => {
    expect(paceOfHand([])).toEqual({ everyS: null, misses: 'nothing' });
    expect(paceOfHand(path(() => [0.8, 0])).everyS).toBeNull();
  });
  it('round at the edge it leaves the middle, so a spot waits longer than a round', () => {
    const told = paceOfHand(round(0.8, 2));
    expect(told.misses).toBe('the middle');
    expect(told.everyS).toBeGreaterThan(2);
  });
  it('round the middle it leaves the edge', () => expect(paceOfHand(round(0.3, 2)).misses).toBe('the edge'));
  it('through the middle and to the edge it wipes all of it, and more often', () => {
    const told = paceOfHand(petals(3));
    expect(told.misses).toBe('nothing');
    expect(told.everyS!).toBeLessThan(paceOfHand(round(0.8, 2)).everyS!);
  });
  it('a faster hand wipes more often', () =>
    expect(paceOfHand(petals(2)).everyS!).toBeLessThan(paceOfHand(petals(6)).everyS!));
  it('to and fro on one side misses the other', () =>
    expect(paceOfHand(path((s) => [0.7 + 0.2 * Math.sin(6 * s), 0.3 * Math.sin(5 * s)])).misses).toBe('one side'));
});

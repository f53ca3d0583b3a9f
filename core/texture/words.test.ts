import * as fc from 'fast-check';
import { SET_WORDS, aimPa, boundsFor, stripMiddle, stripPlace, upperBoundPa, wordAt, yieldAtPlace } from './words';

const style = fc.constantFrom('spooned' as const, 'turned out' as const, 'cut' as const);
const height = fc.double({ min: 0.01, max: 0.12, noNaN: true });

describe('the set scale', () => {
  it('has rising bounds for every way of serving and every height', () => {
    fc.assert(
      fc.property(style, height, (s, h) => {
        const b = boundsFor(s, h);
        const values = SET_WORDS.map((w) => b[w]);
        for (let i = 1; i < values.length; i++) expect(values[i]).toBeGreaterThan(values[i - 1]!);
      }),
    );
  });
  it('goes from a place to its yield stress and back', () => {
    fc.assert(
      fc.property(style, height, fc.double({ min: 0.05, max: 4.7, noNaN: true }), (s, h, place) => {
        const b = boundsFor(s, h);
        expect(stripPlace(yieldAtPlace(place, b), 0, b)).toBeCloseTo(place, 6);
      }),
    );
  });
  it('gives the word whose band holds the stress', () => {
    const b = boundsFor('spooned', 0.04);
    for (const w of SET_WORDS) {
      expect(wordAt(stripMiddle(w))).toBe(w);
      expect(wordAt(stripPlace(aimPa(w, b), 0, b))).toBe(w);
      expect(aimPa(w, b)).toBeLessThan(upperBoundPa(w, b));
    }
  });
  it('asks more of a tall mould than of a low one, and little of a thin layer that is cut', () => {
    expect(boundsFor('turned out', 0.07).wobbles).toBeGreaterThan(boundsFor('turned out', 0.03).wobbles * 2);
    expect(boundsFor('cut', 0.025).slices).toBeLessThan(boundsFor('turned out', 0.05).slices * 0.7);
    expect(boundsFor('spooned', 0.025)).toEqual(boundsFor('spooned', 0.08));
  });
  it('a thick hot paste is never called wobbling on its flow alone', () => {
    expect(wordAt(stripPlace(0.1, 1000))).toBe('holds a trail');
    expect(wordAt(stripPlace(0.1, 0.001))).toBe('drinks');
  });
  it('a word never falls while what only flows grows thicker', () => {
    const logPaS = fc.double({ min: -3, max: 2, noNaN: true });
    fc.assert(
      fc.property(
        logPaS,
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.double({ min: -5, max: 79, noNaN: true }),
        (l, more, tempC) => {
          const hotPaS = 10 ** l;
          const hot = stripPlace(0.01, hotPaS, undefined, { tempC: 80, modulusPa: 0, hotPaS });
          const cold = stripPlace(0.01, hotPaS * more, undefined, { tempC, modulusPa: 0, hotPaS });
          expect(cold).toBeGreaterThanOrEqual(hot - 1e-9);
        },
      ),
    );
  });
  it('a strong gel that is cold is judged by its yield alone, a weak one by its flow too', () => {
    const at = { tempC: 5, modulusPa: 1000, hotPaS: 1.2 };
    expect(wordAt(stripPlace(10, 3, undefined, at))).toBe('coats');
    expect(wordAt(stripPlace(10, 3, undefined, { ...at, starchGel: 0.18 }))).toBe('mounds');
  });
});

import * as fc from 'fast-check';
import {
  coatM,
  consistencyFromTrail,
  dripS,
  fingerLineHolds,
  lineSpreadM,
  modulusFromWobble,
  plateRunsDeg,
  trailS,
  viscosityFromDrip,
  viscosityFromSpread,
  wobbleHz,
  wobbleM,
  yieldFromPlate,
  yieldFromSpread,
  TESTS,
} from './kitchenTests';

const close = (a: number, b: number, rel: number) => expect(Math.abs(a / b - 1)).toBeLessThan(rel);

describe('kitchen tests, from the model to what is seen', () => {
  it.each([
    [0.05, 14.4],
    [0.5, 10.8],
    [2, 9.05],
    [20, 6.79],
  ])('line spread of %f Pa s: %f cm', (mu, cm) => close(lineSpreadM(mu, 0) * 100, cm, 0.01));
  it.each([
    [1, 9.19],
    [10, 5.8],
    [100, 3.66],
  ])('line spread stopped by %f Pa: %f cm', (ty, cm) => close(lineSpreadM(0.001, ty) * 100, cm, 0.01));
  it.each([
    [2, 0.187],
    [4, 0.966],
    [6, 2.65],
    [10, 10.4],
    [15, 35.8],
  ])('trail of K %f closes in %f s', (k, s) => close(trailS(k, 0.2 * k), s, 0.12));
  it('a stiff trail stays', () => expect(trailS(46, 9.5)).toBe(Infinity));
  it.each([
    [0.01, 0.099],
    [0.1, 0.313],
    [1, 0.99],
  ])('coat of %f Pa s: %f mm', (mu, mm) => close(coatM(mu) * 1000, mm, 0.01));
  it.each([
    [0.01, 5, 2.98],
    [1, 10, 0.843],
    [5, 2, 0.0337],
  ])('drips of %f Pa s after %i s: %f s apart', (mu, t, s) => close(dripS(mu, t), s, 0.03));
  it.each([
    [10, 5.31],
    [30, 15.3],
    [60, 26.5],
  ])('a blob of 3 mm runs at %i degrees from %f Pa', (deg, pa) =>
    expect(Math.abs(plateRunsDeg(pa) - deg)).toBeLessThan(0.6),
  );
  it.each([
    [200, 0.04, 2.36],
    [800, 0.04, 4.72],
    [800, 0.06, 2.74],
    [6000, 0.06, 7.5],
  ])('wobble of %f Pa, %f m high: %f Hz', (g, h, hz) => close(wobbleHz(g, h, 0.07), hz, 0.02));
  it('swings 13.5 mm at 1.37 Hz', () => close(wobbleM(1.37) * 1000, 13.5, 0.01));
  it('a finger line holds on custard and not on milk', () => {
    expect(fingerLineHolds(0.03, 0)).toBe(true);
    expect(fingerLineHolds(0.002, 0)).toBe(false);
  });
});

describe('and back', () => {
  const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  it('every reading gives back what made it', () => {
    fc.assert(
      fc.property(positive(0.02, 30), positive(0.5, 200), positive(100, 8000), positive(0.5, 16), (mu, ty, g, k) => {
        close(viscosityFromSpread(lineSpreadM(mu, 0)).value, mu, 1e-6);
        close(yieldFromSpread(lineSpreadM(1e-9, ty)).value, ty, 1e-6);
        close(modulusFromWobble(wobbleHz(g, 0.05, 0.07), 0.05, 0.07).value, g, 1e-6);
        close(viscosityFromDrip(dripS(mu, 5), 5).value, mu, 0.01);
        close(consistencyFromTrail(trailS(k, 0.2 * k)).value, k, 0.02);
      }),
    );
  });
  it('says how far each can be trusted: drips least, wobble most', () => {
    expect(viscosityFromDrip(1, 5).sdLn).toBeGreaterThan(consistencyFromTrail(2).sdLn);
    expect(modulusFromWobble(3, 0.05, 0.07).sdLn).toBeLessThan(TESTS.trailSdLn);
    expect(yieldFromPlate(60).sdLn).toBeGreaterThan(0);
  });
});

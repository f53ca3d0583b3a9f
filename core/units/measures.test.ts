import * as fc from 'fast-check';
import {
  celsiusToFahrenheit,
  FILL,
  fahrenheitToCelsius,
  fromGrams,
  MeasureError,
  toGrams,
  toSpoons,
  type Unit,
} from './measures';
import { EGG_SIZES, eggGrams } from './eggs';
import { packsFor } from './packs';

const unit = fc.constantFrom<Unit>('ml', 'l', 'tsp', 'tbsp', 'cup', 'g', 'kg', 'oz', 'lb');
const system = fc.constantFrom('us' as const, 'metric' as const);
const fill = fc.constantFrom('level' as const, 'rounded' as const, 'heaped' as const);
const density = fc.double({ min: 0.3, max: 1.5, noNaN: true });
const amount = fc.double({ min: 0, max: 5000, noNaN: true });

describe('kitchen measures', () => {
  it('go to grams and back without loss, in every unit, system and fill', () => {
    fc.assert(
      fc.property(amount, unit, density, system, fill, (a, u, d, s, f) => {
        expect(fromGrams(toGrams(a, u, d, s, f), u, d, s, f)).toBeCloseTo(a, 6);
      }),
    );
  });

  it('weigh as the tables say: US cup of milk 244 g, level tablespoon of cornstarch 8 g', () => {
    expect(toGrams(1, 'cup', 1.03, 'us')).toBeCloseTo(243.7, 1);
    expect(toGrams(1, 'tbsp', 0.54, 'us')).toBeCloseTo(7.98, 2);
    expect(toGrams(1, 'cup', 1.03, 'metric')).toBeCloseTo(257.5, 1);
  });

  it('a heaped spoon holds 1.5 to 1.9 level ones', () => {
    const ratio = toGrams(1, 'tbsp', 0.54, 'us', 'heaped') / toGrams(1, 'tbsp', 0.54, 'us');
    expect(ratio).toBe(FILL.heaped.factor);
    expect(ratio).toBeGreaterThanOrEqual(1.5);
    expect(ratio).toBeLessThanOrEqual(1.9);
  });

  it('refuse what is not an amount, and a volume without a density', () => {
    expect(() => toGrams(-1, 'g', 1)).toThrow(MeasureError);
    expect(() => toGrams(NaN, 'g', 1)).toThrow(MeasureError);
    expect(() => toGrams(1, 'cup', 0)).toThrow(/density/);
  });

  it('Celsius and Fahrenheit meet at -40 and go round', () => {
    expect(celsiusToFahrenheit(-40)).toBe(-40);
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 250, noNaN: true }),
        (c) => Math.abs(fahrenheitToCelsius(celsiusToFahrenheit(c)) - c) < 1e-9,
      ),
    );
  });
});

describe('rounding to spoons', () => {
  it('returns the mass error: spoons weigh what was asked for plus the error, never off by more than an eighth teaspoon', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), density, system, fc.boolean(), (g, d, s, cups) => {
        const r = toSpoons(g, d, s, { cups });
        expect(r.grams).toBeCloseTo(g + r.errorG, 6);
        expect(Math.abs(r.errorG)).toBeLessThanOrEqual(toGrams(0.125, 'tsp', d, s) + 1e-6);
        expect(r.grams).toBeCloseTo(
          toGrams(r.cups, 'cup', d, s) + toGrams(r.tbsp, 'tbsp', d, s) + toGrams(r.tsp, 'tsp', d, s),
          6,
        );
        expect(r.tsp * 4).toBeCloseTo(Math.round(r.tsp * 4), 9);
      }),
    );
  });

  it('32 g of cornstarch is 4 US tablespoons and nothing over', () => {
    const r = toSpoons(32, 0.54, 'us');
    expect([r.tbsp, r.tsp]).toEqual([4, 0]);
    expect(r.errorG).toBeCloseTo(-0.06, 2);
  });
});

describe('eggs and packs', () => {
  it('a US large egg is 50 g in the bowl, yolk 17.5', () => {
    expect(eggGrams(2, 'us large')).toBe(100);
    expect(eggGrams(1, 'us large', 'yolk')).toBe(17.5);
    expect(() => eggGrams(-1, 'eu M')).toThrow(RangeError);
  });
  it('the yolk is a larger part of a smaller egg', () => {
    const share = (s: keyof typeof EGG_SIZES) => EGG_SIZES[s].yolkG / (EGG_SIZES[s].yolkG + EGG_SIZES[s].whiteG);
    expect(share('eu S')).toBeGreaterThan(share('eu XL'));
  });
  it('packs cover the amount and say what is left', () => {
    expect(packsFor(900, { grams: 400 })).toEqual({ packs: 3, leftOverG: 300 });
    expect(packsFor(800, { grams: 400 })).toEqual({ packs: 2, leftOverG: 0 });
  });
});

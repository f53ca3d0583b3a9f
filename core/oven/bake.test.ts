import * as fc from 'fast-check';
import { add, EMPTY, massG, mixtureOf } from '../matter/mixture';
import type { BakeStep } from '../plan/method';
import { eggGelPa } from '../pot/egg';
import { rawFraction } from '../pot/paste';
import { pantry } from '../testing';
import { bake, OVEN, secondLayerMl, type BakeInput } from './bake';

const mix = (amounts: Record<string, number>) =>
  Object.entries(amounts).reduce((sum, [id, g]) => add(sum, mixtureOf(pantry.get(id)!, g)), EMPTY);
const ramekin = { kind: 'cup' as const, count: 6, capacityMl: 201, heightMm: 40, wall: 'ceramic' as const };
const tray = { kind: 'tray' as const, count: 1, capacityMl: 2400, heightMm: 40, wall: 'metal' as const };
const custard = mix({ egg: 150, milk_whole: 500, sugar: 75 });
const run = (step: Partial<BakeStep> = {}, input: Partial<BakeInput> = {}) =>
  bake({
    dish: ramekin,
    depthM: 0.04,
    startC: 50,
    content: custard,
    fractions: [],
    eggSet: 0,
    eggCurd: 0,
    altitudeM: 0,
    roomC: 21,
    ...input,
    step: {
      do: 'bake',
      ovenC: 160,
      fan: false,
      from: 'hot',
      bath: 'open',
      until: { reach: 'centre', tempC: 77 },
      limitMin: 180,
      grillMin: 0,
      covered: false,
      ...step,
    },
  });
const within = (v: number, low: number, high: number) => {
  expect(v).toBeGreaterThanOrEqual(low);
  expect(v).toBeLessThanOrEqual(high);
};

describe('baked custard, three eggs to half a litre', () => {
  it('in a bath at 160: set in the middle, smooth at the edge', () => {
    const b = run();
    within(b.minutes, 22, 55);
    within(b.bathC, 76, 92);
    within(b.edgeC, 78, 86);
    within(b.curdRim, 0, 0.2);
    within(b.eggSet, 0.75, 1);
    within(eggGelPa((100 * custard.eggProteinG) / massG(custard), b.eggSetMean, b.curdMean), 600, 2500);
    expect(b.salmonellaLog).toBeGreaterThan(7);
  });
  it('without a bath: sooner, and curdled at the edge', () => {
    const b = run({ bath: 'none' });
    within(b.minutes, 18, 50);
    within(b.edgeC, 84, 105);
    expect(b.curdRim).toBeGreaterThan(run().curdRim + 0.02);
  });
  it.each([
    [150, 80.5],
    [160, 82.7],
    [175, 85.6],
  ])('an open bath never boils: at %i it stays near %f', (ovenC, bathC) =>
    expect(Math.abs(run({ ovenC }).bathC - bathC)).toBeLessThan(1),
  );
  it('a cold oven takes longer, a covered bath loses its protection', () => {
    expect(run({ from: 'cold' }).minutes).toBeGreaterThan(run().minutes + 8);
    expect(run({ bath: 'covered' }).curdRim).toBeGreaterThan(0.5);
  });
});

describe('slabs', () => {
  const paste = mix({ milk_whole: 1000, semolina: 120, sugar: 90 });
  const cooked = paste.thickenings.map((t) => ({ ...rawFraction(t), gelatinised: 1, swelling: 0.9, fourier: 1 }));
  const slab = { dish: tray, depthM: 0.03, content: paste, fractions: cooked, startC: 60 };
  it('semolina of 3 cm at 180 is hot through in 30 to 60 minutes and loses a tenth', () => {
    const b = run({ ovenC: 180, bath: 'none', until: { reach: 'centre', tempC: 90 } }, slab);
    within(b.minutes, 30, 60);
    within(b.lossRel, 0.04, 0.14);
    expect(b.carriesMin).toBeGreaterThan(5);
    expect(b.carriesMin).toBeLessThan(b.minutes);
  });
  it('cornmeal of 2 cm from the fridge at 200 for 41 minutes browns and gets a crust', () => {
    const b = run(
      { ovenC: 200, bath: 'none', until: { reach: 'time', minutes: 41 } },
      { ...slab, depthM: 0.02, startC: 5 },
    );
    within(b.browning, 0.3, 2.5);
    within(b.crustMm, 0.5, 3);
  });
  it('the grill browns what the oven did not', () => {
    const plain = run({ ovenC: 180, bath: 'none', until: { reach: 'time', minutes: 30 } }, slab);
    const grilled = run({ ovenC: 180, bath: 'none', until: { reach: 'time', minutes: 30 }, grillMin: 5 }, slab);
    expect(grilled.browning).toBeGreaterThan(plain.browning + 0.2);
  });
  it('fruit under a sponge: three quarters of an hour or so at 180, hot in the middle, bubbling at the rim, golden', () => {
    const sponge = mix({ fruit_apple: 500, wheat_flour: 120, egg: 150, sugar: 150, butter: 120 });
    const input = {
      ...slab,
      depthM: 0.035,
      content: sponge,
      fractions: sponge.thickenings.map((t) => rawFraction(t)),
      startC: 22,
    };
    const b = run({ ovenC: 180, bath: 'none', until: { reach: 'centre', tempC: 93 } }, input);
    expect(b.minutes).toBeGreaterThan(35);
    expect(b.minutes).toBeLessThan(60);
    expect(b.centreC).toBeGreaterThanOrEqual(93);
    expect(b.edgeC).toBeGreaterThan(98);
    expect(b.browning).toBeGreaterThan(OVEN.coloured);
    expect(b.browning).toBeLessThan(OVEN.dark);
    expect(b.lossRel).toBeLessThan(0.15);
  });
  it('wet clay carries more heat than dry, in the oven by the same figure as in the cold', () => {
    const minutes = (wall: 'clay' | 'wet clay') =>
      run(
        { ovenC: 180, bath: 'none', until: { reach: 'centre', tempC: 80 } },
        { ...slab, dish: { ...slab.dish, wall } },
      ).minutes;
    expect(minutes('wet clay')).toBeLessThan(minutes('clay'));
  });
  it('raw rice slab gelatinises only where it gets hot', () => {
    const raw = mix({ coconut_milk: 800, rice_flour: 200, sugar: 150 });
    const input = { ...slab, content: raw, fractions: raw.thickenings.map((t) => rawFraction(t)), startC: 25 };
    const short = run({ ovenC: 175, bath: 'none', until: { reach: 'time', minutes: 12 } }, input);
    const long = run({ ovenC: 175, bath: 'none', until: { reach: 'time', minutes: 55 } }, input);
    expect(short.fractions[0]!.gelatinised).toBeLessThan(0.7);
    expect(long.fractions[0]!.gelatinised).toBeGreaterThan(0.95);
  });
  it('a second layer: what to pour for the depth that stays', () =>
    expect(secondLayerMl(0.04, 10, 0.2)).toBeCloseTo(500, 6));
});

describe('sense', () => {
  it('hotter is never later, deeper never sooner, whatever the dish', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 140, max: 190, noNaN: true }),
        fc.double({ min: 0.02, max: 0.045, noNaN: true }),
        (ovenC, depthM) => {
          const minutes = (o: number, d: number) =>
            run({ ovenC: o, bath: 'none', until: { reach: 'centre', tempC: 75 } }, { depthM: d }).minutes;
          expect(minutes(ovenC + 15, depthM)).toBeLessThanOrEqual(minutes(ovenC, depthM) + 0.2);
          expect(minutes(ovenC, depthM * 1.2)).toBeGreaterThanOrEqual(minutes(ovenC, depthM) - 0.2);
        },
      ),
      { numRuns: 15 },
    );
  });
});

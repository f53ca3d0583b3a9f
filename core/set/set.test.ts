import { mixtureOf, add } from '../matter/mixture';
import { pantry } from '../testing';
import { bodyOf, consistency, rawFraction, viscosityPaS } from '../pot/paste';
import { STARCHES } from '../pot/starch';
import { stripPlace, WEIGHT_N_PER_M3, wordAt } from '../texture/words';
import { CoolingBody, COOLING, coolInDish, type Stay } from './cooling';
import { hoursBelow } from './safety';
import { ageFactor, fatFactor, gelModulusPa, slumpRel, standing, temperatureFactor, yieldPa } from './firmness';

const still = { airC: 0, hW: 0 };

/** Analytic slab, both faces cooled: centre and mean by Biot and Fourier number (four-digit series values). */
const SLAB: [bi: number, fo: number, centre: number, mean: number][] = [
  [0.5, 0.2, 0.9726, 0.9146],
  [0.5, 1, 0.6984, 0.6498],
  [1, 0.4, 0.831, 0.7335],
  [1, 1, 0.5339, 0.4704],
  [2, 0.6, 0.5876, 0.4805],
  [2, 1, 0.3696, 0.3022],
  [10, 0.4, 0.5574, 0.3864],
  [10, 1, 0.1638, 0.1135],
];
const CYLINDER: [bi: number, fo: number, centre: number, mean: number][] = [
  [0.5, 0.4, 0.7818, 0.6987],
  [1, 0.2, 0.8702, 0.7185],
  [1, 0.6, 0.4686, 0.3821],
  [2, 0.4, 0.4807, 0.3428],
  [10, 0.2, 0.6002, 0.3117],
];

describe('conduction', () => {
  it.each(SLAB)('slab, Bi %f, Fo %f: centre %f, mean %f', (bi, fo, centre, mean) => {
    const half = 0.02;
    const hW = (bi * COOLING.conductivity) / half;
    const body = new CoolingBody(1, 2 * half, 1, 2, 40);
    const total = (fo * half * half) / COOLING.diffusivity;
    for (let i = 0; i < 800; i++) body.step(total / 800, still, { airC: 0, hW }, { airC: 0, hW });
    expect(body.coreC()).toBeCloseTo(centre, 2);
    expect(body.meanC()).toBeCloseTo(mean, 2);
  });
  it.each(CYLINDER)('long cylinder, Bi %f, Fo %f: centre %f, mean %f', (bi, fo, centre, mean) => {
    const radius = 0.03;
    const hW = (bi * COOLING.conductivity) / radius;
    const body = new CoolingBody(radius, 0.1, 1, 40, 3);
    const total = (fo * radius * radius) / COOLING.diffusivity;
    for (let i = 0; i < 800; i++) body.step(total / 800, { airC: 0, hW }, still, still);
    expect(body.coreC()).toBeCloseTo(centre, 2);
    expect(body.meanC()).toBeCloseTo(mean, 2);
  });
  it.each([
    [0.05, 0.08, 10, 120, 0.5012, 0.3762],
    [0.04, 0.04, 10, 60, 0.552, 0.4477],
    [0.1, 0.08, 8, 240, 0.4846, 0.3452],
  ])('finite cylinder r %f h %f at %i W/m2K after %i min: centre %f, mean %f', (r, h, hW, min, centre, mean) => {
    const body = new CoolingBody(r, h, 1, 24, 24);
    const air = { airC: 0, hW };
    for (let i = 0; i < min * 4; i++) body.step(15, air, air, air, 0, 0.55, 1.4e-7);
    expect(Math.abs(body.coreC() - centre)).toBeLessThan(0.006);
    expect(Math.abs(body.meanC() - mean)).toBeLessThan(0.006);
  });
  it('the coarse grid of the app is within a degree of a fine one', () => {
    const run = (nr: number, nz: number, dt: number) => {
      const body = new CoolingBody(0.035, 0.05, 85, nr, nz);
      for (let t = 0; t < 7200; t += dt) body.step(dt, { airC: 5, hW: 7 }, { airC: 5, hW: 6 }, { airC: 5, hW: 5.6 });
      return body.coreC();
    };
    expect(Math.abs(run(6, 10, 60) - run(24, 40, 10))).toBeLessThan(1);
  });
  it('refuses a body without size', () => expect(() => new CoolingBody(0, 1, 20)).toThrow(RangeError));
});

describe('cooling in the dish', () => {
  const stays = (roomMin: number, covered = true): Stay[] => [
    { where: 'room', minutes: roomMin, airC: 21, covered },
    { where: 'fridge', minutes: 6000, airC: 5, covered },
  ];
  const dish = { kind: 'tray' as const, count: 1, capacityMl: 1600, heightMm: 40, wall: 'metal' as const };
  const plan = { dish, depthM: 0.02, startC: 85, stays: stays(0), hours: 12 };
  it('a 2 cm layer with 7 W/m2K on both faces in a 5 degC fridge: 57 after 0.72 h, 21 after 2.59 h', () => {
    const body = new CoolingBody(1, 0.02, 85, 2, 20);
    const reached: Record<number, number> = {};
    for (let t = 0; t < 3 * 3600; t += 10) {
      body.step(10, still, { airC: 5, hW: 7 }, { airC: 5, hW: 7 });
      for (const c of [57, 21]) if (!reached[c] && body.coreC() <= c) reached[c] = t / 3600;
    }
    expect(Math.abs(reached[57]! / 0.719 - 1)).toBeLessThan(0.03);
    expect(Math.abs(reached[21]! / 2.59 - 1)).toBeLessThan(0.03);
  });
  it('open cools much faster than covered, deep slower than shallow, room first slower than fridge', () => {
    const to21 = (over: object) => hoursBelow(coolInDish({ ...plan, ...over }), 21);
    expect(to21({ stays: stays(0, false) })).toBeLessThan(0.75 * to21({}));
    expect(to21({ depthM: 0.04 })).toBeGreaterThan(1.6 * to21({}));
    expect(to21({ stays: stays(120) })).toBeGreaterThan(to21({}));
  });
  it('says NaN when it never gets there in the hours asked for', () =>
    expect(hoursBelow(coolInDish({ ...plan, hours: 1 }), 21)).toBeNaN());
});

/** Milk with 9 % sugar and cornstarch, cold after a day: % | eta at 90 | G | yield stress | slump of 4 cm, %. */
const CORNSTARCH: [pct: number, eta90: number, g: number, ty: number, slump: number][] = [
  [2, 0.0232, 39.4, 5.97, 86.7],
  [3, 0.164, 119, 18.3, 69.4],
  [4, 0.51, 261, 40.5, 48],
  [5, 1.01, 479, 74.5, 26.7],
  [6, 1.66, 785, 122, 9.46],
  [8, 3.57, 1700, 265, 0],
  [10, 6.44, 3090, 481, 0],
  [12, 10.4, 5020, 780, 0],
];

function pudding(pct: number, milkId = 'milk_whole') {
  const m = [
    ['cornstarch', pct],
    ['sugar', 9],
    [milkId, 91 - pct],
  ]
    .map(([id, g]) => mixtureOf(pantry.get(id as string)!, g as number))
    .reduce(add);
  const cooked = m.thickenings.map((t) => ({ ...rawFraction(t), gelatinised: 1, swelling: 1, integrity: 0.88 }));
  const body = bodyOf(m, cooked);
  const k = (tempC: number) => consistency(body, tempC, m);
  const g = (tempC = 5) => gelModulusPa(m, body, { ageH: 24, tempC });
  return { m, body, k, g };
}

describe('firmness', () => {
  it.each(CORNSTARCH)('%f %% cornstarch: hot %f Pa s, G %f Pa, yields at %f Pa', (pct, eta90, g, ty) => {
    const p = pudding(pct);
    expect(Math.abs(viscosityPaS(p.k(90), p.m, 90, p.body) / eta90 - 1)).toBeLessThan(0.25);
    const modulus = p.g();
    expect(Math.abs(modulus / g - 1)).toBeLessThan(0.2);
    expect(Math.abs(yieldPa(modulus, p.k(5)) / ty - 1)).toBeLessThan(0.2);
  });

  it.each([
    [0.5, 278],
    [1, 415],
    [2, 522],
    [4, 578],
    [8, 627],
    [48, 781],
    [72, 805],
  ])('after %f h it has %f of 728 Pa', (h, g) => {
    expect(
      Math.abs(ageFactor(h, STARCHES.maize.retro) / ageFactor(24, STARCHES.maize.retro) / (g / 728) - 1),
    ).toBeLessThan(0.02);
  });

  it.each([
    [15, 613],
    [25, 498],
    [35, 381],
    [45, 262],
  ])('eaten at %i degC it has %f of 728 Pa', (t, g) => {
    expect(
      Math.abs(
        (temperatureFactor(t) * fatFactor(pudding(6).m, t)) /
          (temperatureFactor(5) * fatFactor(pudding(6).m, 5)) /
          (g / 728) -
          1,
      ),
    ).toBeLessThan(0.06);
  });

  it('sets softer in water and almond drink, firmer in coconut milk, than in milk', () => {
    const g = (id: string) => pudding(7, id).g();
    expect(g('water') / g('milk_whole')).toBeGreaterThan(0.45);
    expect(g('water') / g('milk_whole')).toBeLessThan(0.8);
    expect(g('almond_drink') / g('milk_whole')).toBeLessThan(0.8);
    expect(g('coconut_milk') / g('milk_whole')).toBeGreaterThan(1.2);
  });

  it('coconut softens by more than half from 5 to 28 degC', () => {
    const p = pudding(7, 'coconut_milk');
    expect(p.g(28) / p.g(5)).toBeGreaterThan(0.15);
    expect(p.g(28) / p.g(5)).toBeLessThan(0.6);
  });
});

describe('standing', () => {
  it.each([
    [20, 3, 60.3],
    [40, 4, 48.5],
    [80, 4, 24.1],
    [100, 6, 30.8],
    [150, 8, 26.5],
    [200, 4, 0.02],
    [300, 8, 3.87],
  ])('%f Pa in a %i cm mould slumps %f %%', (ty, cm, slump) => {
    expect(slumpRel(ty, cm / 100) * 100).toBeCloseTo(slump, 0);
  });
  it('a block stands by its elasticity: by a sixth of its height it may sag, and a gel breaks late', () => {
    const weight = WEIGHT_N_PER_M3 * 0.04;
    expect(standing(60, weight * 1.01, 0.04).stands).toBe(true);
    expect(standing(60, weight * 0.99, 0.04).stands).toBe(false);
    // what the spoon has broken flows, what nobody has touched does not
    expect(slumpRel(60, 0.04)).toBeGreaterThan(0.3);
    expect(standing(60, weight * 1.01, 0.04).slumpRel).toBeLessThan(0.12);
  });
});

describe('words', () => {
  it.each([
    [1, 'drinks'],
    [1.6, 'pours'],
    [2.5, 'coats'],
    [4, 'mounds'],
    [6, 'wobbles'],
    [8, 'slices'],
    [12, 'firm'],
  ] as const)('%f %% cornstarch, cold after a day, %s', (pct, word) => {
    const p = pudding(pct);
    expect(wordAt(stripPlace(yieldPa(p.g(), p.k(5)), viscosityPaS(p.k(5), p.m, 5, p.body)))).toBe(word);
  });
});

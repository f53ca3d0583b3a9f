import * as fc from 'fast-check';
import { add, EMPTY, massG, mixtureOf, phOf, times } from '../matter/mixture';
import { GRAIN_KINDS } from '../pantry/ingredient';
import { PANS } from '../pantry/kitchen';
import { pantry } from '../testing';
import { boilsC, waterBoilsC } from './air';
import { amylaseThins, curdSeverity, eggPoint, foldedWhites, salmonellaRate, starchProtects, temper } from './egg';
import { aromaRate, infused, splitChance, syrup, syrupEndG } from './flavour';
import { boilOverChance, foamIndex, riseS, skinAfter } from './foam';
import { BITE, fourierFor, fourierRate, GRAINS, hydration } from './grain';
import { lumpRisk } from './lumps';
import { bodyOf, consistency, eggFactor, fillerFactor, rawFraction, solidsFactor, sugarFraction } from './paste';
import { breaksAfterMin, depthMm, loosenG, reduceToG, thickenG } from './corrections';
import { addToPot, cook, fillPot, NO_TUNING, type Controls, type PotSetup } from './pot';
import { acidRate, gelEquilibrium, gelPeakC, STARCHES } from './starch';

const mix = (amounts: Record<string, number>) =>
  Object.entries(amounts).reduce((sum, [id, g]) => add(sum, mixtureOf(pantry.get(id)!, g)), EMPTY);
const close = (a: number, b: number, rel: number) => expect(Math.abs(a / b - 1)).toBeLessThan(rel);

describe('grain takes its water', () => {
  it.each([
    ['ground rice', 3.49, 5.16, 6.4, 7.28],
    ['semolina', 1.94, 2.88, 3.56, 4.05],
    ['fine cornmeal', 1.94, 2.88, 3.56, 4.05],
    ['coarse cornmeal', 21.5, 31.9, 39.5, 45.6],
    ['short rice', 19.6, 29.1, 36.1, 41.5],
    ['long rice', 16.1, 23.9, 29.6, 34],
    ['basmati', 13.9, 20.6, 25.6, 29.3],
    ['jasmine', 15.2, 22.5, 27.9, 32],
    ['glutinous rice', 16.1, 23.8, 29.5, 33.9],
  ] as const)(
    '%s: %f min in water at 97, %f in milk, %f at 90, %f with 15 %% sugar',
    (kind, water, milk, at90, sugar) => {
      const g = GRAINS[kind];
      const minutes = (tempC: number, x: number, milky: boolean) => {
        const a = gelEquilibrium(tempC, gelPeakC(g.starch, x), g.starch);
        return fourierFor(BITE.done, g.form) / fourierRate(g, g.sizeMm, tempC, a, x, milky) / 60;
      };
      const milkX = 4.7 / 92.7;
      close(minutes(97, 0, false), water, 0.03);
      close(minutes(97, milkX, true), milk, 0.03);
      close(minutes(90, milkX, true), at90, 0.03);
      close(minutes(97, 19.7 / 107.7, true), sugar, 0.08);
    },
  );
  it('goes with the square of the size', () => {
    const g = GRAINS['coarse cornmeal'];
    close(fourierRate(g, 1, 95, 1, 0, true) / fourierRate(g, 1.2, 95, 1, 0, true), 1.44, 1e-9);
  });
  it('hydration and its inverse agree, and never fall', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        fc.constantFrom('particle' as const, 'kernel' as const),
        (h, form) => {
          expect(Math.abs(hydration(fourierFor(h, form), form) - h)).toBeLessThan(1e-6);
          expect(hydration(fourierFor(h, form) * 1.1, form)).toBeGreaterThanOrEqual(h);
        },
      ),
    );
  });
  it('a soaked kernel is done a sixth sooner', () => {
    const setup: PotSetup = {
      pan: PANS[1]!,
      hob: { kind: 'induction', ratedW: 1000, powerTrim: 1 },
      base: 'dairy',
      roomC: 21,
      altitudeM: 0,
    };
    const min = (soakMin: number) => {
      const pot = fillPot(setup, mix({ milk_whole: 1000, rice_short: 90 }), 90, soakMin);
      return cook(pot, setup, { setting: 0, watts: 500, stirEveryS: 10, lid: 'on' }, 7200, (p) => p.bite - 0.95).pot.tS;
    };
    expect(min(60) / min(0)).toBeGreaterThan(0.75);
    expect(min(60) / min(0)).toBeLessThan(0.9);
  });
});

/** Everything cooked through, milk with 9 % sugar: % of the mass, eta at 90, G after a day at 5 degC. */
describe('equal grams of different thickeners', () => {
  const done = (id: string, pct: number) => {
    const m = mix({ milk_whole: 910 - pct * 10, sugar: 90, [id]: pct * 10 });
    const body = bodyOf(
      m,
      m.thickenings.map((t) => ({
        ...rawFraction(t),
        gelatinised: 1,
        swelling: 1,
        integrity: 0.9,
        fourier: 1.5,
        leached: 1,
      })),
    );
    return { body, m };
  };
  it('every kind of thickener has its row, and thickens more the more there is of it', () => {
    for (const kind of GRAIN_KINDS) {
      const id = [...pantry.values()].find((i) => i.thickener === kind)?.id;
      expect(id).toBeDefined();
      expect(done(id!, 2).body.c).toBeGreaterThan(done(id!, 1).body.c);
    }
  });
  it('pieces, nuts, gums, pulp and yolk each thicken', () => {
    const base = mix({ milk_whole: 500, cornstarch: 20 });
    expect(solidsFactor(add(base, mix({ almonds_ground: 60 })))).toBeGreaterThan(1.3);
    expect(solidsFactor(add(base, mix({ puree_apple: 200 })))).toBeGreaterThan(1.1);
    expect(eggFactor(add(base, mix({ yolk: 60 })), 1)).toBeGreaterThan(3);
    const gum = add(base, mix({ guar: 3 }));
    expect(consistency(bodyOf(gum, []), 20, gum)).toBeGreaterThan(0.5);
    const raisins = add(base, mix({ raisins: 120 }));
    expect(fillerFactor(bodyOf(raisins, []))).toBeGreaterThan(1.2);
    expect(bodyOf(raisins, []).freeWaterG).toBeLessThan(raisins.waterG);
  });
});

describe('starch', () => {
  it.each([
    ['maize', 64.1, 74.9],
    ['wheat', 57.1, 66.2],
    ['waxy rice', 56.9, 70.3],
    ['long rice', 70.3, 80.2],
    ['potato', 58.2, 67.7],
  ] as const)('%s gelatinises between %f and %f degC, as published', (s, onset, end) => {
    const c = STARCHES[s];
    expect(gelEquilibrium(onset, c.peakC, c)).toBeLessThan(0.12);
    expect(gelEquilibrium(end, c.peakC, c)).toBeGreaterThan(0.88);
  });
  it.each([
    [3, 8],
    [3.5, 25],
    [4, 80],
  ])('acid at pH %f halves it in about %i min at 95', (ph, min) => close(Math.LN2 / acidRate(95, ph) / 60, min, 0.1));
});

describe('egg', () => {
  const custard = mix({ yolk: 90, milk_whole: 500, sugar: 100 });
  it('sugar and dilution raise both temperatures, acid lowers them', () => {
    const at = (m: typeof custard) => eggPoint(m, sugarFraction(m))!;
    const plain = mix({ yolk: 90, milk_whole: 500 });
    expect(at(custard).curdC).toBeGreaterThan(at(plain).curdC + 2);
    expect(at(mix({ yolk: 40, milk_whole: 500, sugar: 100 })).curdC).toBeGreaterThan(at(custard).curdC);
    expect(at(add(custard, mix({ lemon_juice: 20 }))).curdC).toBeLessThan(at(custard).curdC);
    expect(eggPoint(mix({ milk_whole: 500 }), 0)).toBeUndefined();
  });
  it('undiluted yolk thickens at 65 to 74 and curdles in the seventies and eighties', () => {
    const p = eggPoint(mix({ yolk: 100 }), 0)!;
    expect(p.setC).toBeGreaterThan(63);
    expect(p.setC).toBeLessThan(74);
    expect(p.curdC).toBeGreaterThan(74);
    expect(p.curdC).toBeLessThan(84);
  });
  it('starch protects by half at one per cent, little egg is not felt', () => {
    expect(starchProtects(1)).toBeCloseTo(0.5, 6);
    expect(starchProtects(3)).toBeGreaterThan(0.95);
    expect(curdSeverity(1, 0, 0.2)).toBeLessThan(curdSeverity(1, 0, 2) / 3);
  });
  it.each([
    [70, 16],
    [71, 10.5],
    [65, 132],
  ])('seven logs of salmonella at %i degC take %f s', (c, s) => close(7 / salmonellaRate(c), s, 0.12));
  it('yolk enzyme: half alive and a tenth yolk, the custard is half gone overnight', () => {
    close(amylaseThins(0.5, 0.1, 9, 4), 0.51, 0.05);
    close(amylaseThins(0.22, 0.1, 12, 4), 0.67, 0.05);
    expect(amylaseThins(0, 0.1, 72, 4)).toBe(1);
  });
  it('ladles of 60 g at 85 warm yolk and sugar as in the notes', () => {
    const t = temper(190, 2.6, 20, 60, 85, 7);
    [40.4, 51, 57.6, 62, 65.2, 67.6, 69.5].forEach((c, i) => expect(Math.abs(t[i]! - c)).toBeLessThan(0.8));
  });
  it('folded whites add their volume and soften', () => {
    const f = foldedWhites(60, 500);
    expect(f.addsMl).toBeGreaterThan(200);
    expect(f.firmness).toBeLessThan(0.5);
  });
});

describe('foam, skin, lumps', () => {
  const area = Math.PI * 0.1 ** 2;
  it.each([
    [600, 0.43],
    [1000, 1.5],
    [1500, 2.9],
  ])('%i W under thin milk with 6 cm to the rim: foam index about %f', (w, index) => {
    const steam = Math.max(0, w - 490) / 2.257e6;
    const f = foamIndex({
      base: 'dairy',
      vapourKgPerS: steam,
      areaM2: area,
      headroomM: 0.06,
      viscosityPaS: 0.002,
      stirred: false,
      skin: false,
      lid: false,
    });
    expect(f).toBeGreaterThan(index * 0.5);
    expect(f).toBeLessThan(index * 2);
  });
  it('more head-room is safer, a rise takes seconds, a skin takes minutes', () => {
    expect(boilOverChance(0.3)).toBeLessThan(0.05);
    expect(boilOverChance(2)).toBeGreaterThan(0.9);
    expect(riseS(1000 / 2.257e6, area, 0.06)).toBeGreaterThan(1.5);
    expect(riseS(1000 / 2.257e6, area, 0.06)).toBeLessThan(8);
    expect(skinAfter(30)).toBeLessThan(0.2);
    expect(skinAfter(900)).toBeGreaterThan(0.9);
  });
  it('every way of wetting starch: cold is safe, dry into hot is not, coarse rain is', () => {
    expect(lumpRisk('cold together', 8, 1, 64)).toBeLessThan(0.05);
    expect(lumpRisk('cold together', 8, 0, 64)).toBeGreaterThan(0.2);
    expect(lumpRisk('mixed with sugar', 90, 3, 64)).toBeLessThan(lumpRisk('dry powder', 90, 3, 64));
    expect(lumpRisk('dry rain', 95, 3, 64, 0.6)).toBeLessThan(0.2);
    expect(lumpRisk('dry rain', 95, 3, 64, 0.05)).toBeGreaterThan(0.9);
    expect(lumpRisk('cold slurry', 85, 3, 64, 0.02, 1)).toBeGreaterThan(lumpRisk('cold slurry', 85, 3, 64, 0.02, 3));
    expect(lumpRisk('hot liquid onto meal', 95, 3, 64, 1)).toBeLessThan(0.8);
    expect(lumpRisk('in cold cream or yolks', 75, 3, 64)).toBeLessThan(0.1);
  });
});

describe('flavour, splitting, syrup', () => {
  it('scents boil away by their half-time, slower cooler and under a lid', () => {
    expect(Math.exp(-aromaRate(900, 95, false) * 900)).toBeCloseTo(0.5, 6);
    expect(aromaRate(900, 60, false)).toBeLessThan(aromaRate(900, 95, false) / 2);
    expect(aromaRate(900, 95, true)).toBeLessThan(aromaRate(900, 95, false) / 2);
    expect(infused(600, 90, 'ground')).toBeGreaterThan(infused(600, 90, 'whole'));
  });
  it('sour fruit splits milk and not when it is starched', () => {
    const sour = add(mix({ milk_whole: 300 }), mix({ lemon_juice: 60 }));
    expect(phOf(sour)).toBeLessThan(5);
    expect(splitChance(phOf(sour), 3, 0)).toBeGreaterThan(0.5);
    expect(splitChance(phOf(sour), 3, 5)).toBeLessThan(splitChance(phOf(sour), 3, 0) / 2);
    expect(splitChance(6.6, 3, 0)).toBeLessThan(0.01);
  });
  it.each([
    [0.4, 0.0062],
    [0.5, 0.0154],
    [0.6, 0.058],
    [0.7, 0.48],
  ])('a syrup of %f sugar is %f Pa s when cold, as in the tables', (s, pa) =>
    close(syrup(1000 * s, 1000 * (1 - s) + 500, 1000).coldPaS, pa, 0.08),
  );
  it('the thermometer says the same as the scale', () => {
    const end = syrupEndG(300, 200, 104);
    close(syrup(300, 200, end).boilsAtC, 104, 0.001);
    expect(() => syrup(300, 200, 290)).toThrow(/between 300 and 500/);
    expect(syrup(800, 200, 950).crystalRisk).toBeGreaterThan(syrup(800, 200, 950, 0.1).crystalRisk);
  });
  it.each([
    [10, 0.17],
    [30, 0.73],
    [50, 1.92],
    [60, 3.15],
  ])('%i %% sucrose raises the boiling point by %f K, as published', (pct, k) =>
    expect(Math.abs(boilsC(0, pct, 100 - pct) - waterBoilsC(0) - 0.15 - k)).toBeLessThan(0.05 + 0.02 * k),
  );
});

describe('corrections', () => {
  const setup: PotSetup = {
    pan: { ...PANS[1]!, massG: 900, diameterMm: 180 },
    hob: { kind: 'induction', ratedW: 1000, powerTrim: 1 },
    base: 'dairy',
    roomC: 21,
    altitudeM: 0,
  };
  const cooked = () => {
    const pot = cook(
      fillPot(setup, mix({ milk_whole: 520, sugar: 50, cornstarch: 30 }), 20),
      setup,
      { setting: 0, watts: 600, stirEveryS: 2, lid: 'off' },
      3600,
      (p) => p.bulkC - 93,
    ).pot;
    return cook(pot, setup, { setting: 0, watts: 300, stirEveryS: 2, lid: 'on' }, 120).pot;
  };
  const boils: Controls = { setting: 0, watts: 800, stirEveryS: 2, lid: 'off' };
  const stirredIn = (grams: Record<string, number>) => {
    const pot = cooked();
    const more = addToPot(pot, { mixture: mix(grams), tempC: 20 }, setup);
    const hot = cook(more, setup, { setting: 0, watts: 600, stirEveryS: 2, lid: 'on' }, 3600, (p) => p.bulkC - 93).pot;
    return (
      cook(hot, setup, { setting: 0, watts: 300, stirEveryS: 2, lid: 'on' }, 120).pot.viscosityPaS / pot.viscosityPaS
    );
  };
  it('the starch that should double it about doubles it, the milk that should halve it about halves it', () => {
    const pot = cooked();
    const body = bodyOf(pot.content, pot.fractions);
    const more = thickenG(pot.content, body, 2);
    expect(more).toBeGreaterThan(5);
    expect(more).toBeLessThan(14);
    expect(stirredIn({ cornstarch: more, water: 1 })).toBeGreaterThan(1.7);
    expect(stirredIn({ cornstarch: more, water: 1 })).toBeLessThan(2.4);
    expect(stirredIn({ milk_whole: loosenG(body, 2) })).toBeGreaterThan(0.38);
    expect(stirredIn({ milk_whole: loosenG(body, 2) })).toBeLessThan(0.6);
    expect(reduceToG(pot.content, body, 2)).toBeLessThan(massG(pot.content) * 0.88);
  });
  it('half the mass is half the depth: the mark', () => {
    const m = mix({ milk_whole: 1000 });
    expect(depthMm(m, 200)).toBeCloseTo(30.6, 1);
    expect(depthMm(m, 200, 0.5)).toBeCloseTo(15.3, 1);
  });
  it('a whisk breaks it sooner than a spoon, cold not at all', () => {
    const body = bodyOf(cooked().content, cooked().fractions);
    expect(breaksAfterMin(body, 95, 2, true)).toBeLessThan(breaksAfterMin(body, 95, 2, false));
    expect(breaksAfterMin(body, 95, 2, false)).toBeGreaterThan(2);
    expect(breaksAfterMin(body, 60, 2, false)).toBeGreaterThan(breaksAfterMin(body, 95, 2, false) * 5);
  });
  it('each starch breaks down to its own floor: potato is past its best long before maize', () => {
    const only = (id: string) => {
      const pot = cook(
        fillPot(setup, mix({ milk_whole: 1000, [id]: 45 }), 6),
        setup,
        boils,
        1500,
        (p) => p.bubbling,
      ).pot;
      return breaksAfterMin(bodyOf(pot.content, pot.fractions), 95, 3, false);
    };
    const ratio = only('potato_starch') / only('cornstarch');
    expect(ratio).toBeLessThan(0.65);
    expect(ratio).toBeGreaterThan(0.2);
  });
  it('each starch swells about its own temperature: a packet of rice is the least known, potato is not', () => {
    const shifted = (id: string, gelShiftSd: number) => {
      const s = { ...setup, tuning: { ...NO_TUNING, gelShiftSd } };
      const pot = cook(
        fillPot(s, mix({ milk_whole: 1000, [id]: 45 }), 6),
        s,
        boils,
        3600,
        (p) => p.viscosityPaS - 0.05,
      ).pot;
      return pot.bulkC;
    };
    const moves = (id: string) => shifted(id, 1) - shifted(id, 0);
    expect(moves('potato_starch')).toBeLessThan(2.2);
    expect(moves('rice_flour')).toBeGreaterThan(moves('potato_starch') * 1.6);
  });
  it('a hot pan goes on heating a custard after the fire: 3 to 4 K from 105 degC', () => {
    const still: PotSetup = { ...setup, roomC: 60 };
    const pot = { ...fillPot(still, mix({ yolk: 90, milk_whole: 500, sugar: 100 }), 83), panC: 105 };
    const after = cook(pot, still, { setting: 0, stirEveryS: 2, lid: 'on' }, 60).pot;
    expect(after.bulkMaxC - 83).toBeGreaterThan(2.2);
    expect(after.bulkMaxC - 83).toBeLessThan(4);
  });
  it('a scraper keeps the floor cooler than a whisk', () => {
    const panMaxC = (tool: 'scraper' | 'whisk') =>
      cook(cooked(), setup, { setting: 0, watts: 700, stirEveryS: 3, lid: 'off', tool }, 240).pot.panMaxC;
    expect(panMaxC('scraper')).toBeLessThan(panMaxC('whisk'));
  });
  it('amylose goes into the liquid with the starch, from waxy rice none', () => {
    const amylose = (id: string) => {
      const m = mix({ milk_whole: 900, [id]: 60 });
      return bodyOf(
        m,
        m.thickenings.map((t) => ({ ...rawFraction(t), gelatinised: 1, swelling: 1 })),
      ).amyloseG;
    };
    expect(amylose('cornstarch')).toBeGreaterThan(5);
    expect(amylose('waxy_rice_flour')).toBeLessThan(0.5);
  });
});

describe('mixtures', () => {
  it('mass is kept by adding and by taking a share', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...pantry.keys()), fc.double({ min: 0, max: 900, noNaN: true })), {
          maxLength: 8,
        }),
        (list) => {
          const m = list.reduce((sum, [id, g]) => add(sum, mixtureOf(pantry.get(id)!, g)), EMPTY);
          const total = list.reduce((s, [, g]) => s + g, 0);
          expect(Math.abs(massG(m) - total)).toBeLessThan(0.011 * total + 1e-6);
          expect(massG(times(m, 0.3))).toBeCloseTo(massG(m) * 0.3, 6);
        },
      ),
    );
  });
});

describe('reduction', () => {
  const setup = (diameterMm: number): PotSetup => ({
    pan: { ...PANS[1]!, diameterMm },
    hob: { kind: 'induction', ratedW: 2000, powerTrim: 1 },
    base: 'dairy',
    roomC: 21,
    altitudeM: 0,
  });
  const controls = (watts: number): Controls => ({ setting: 0, watts, stirEveryS: 5, lid: 'off' });
  const toHalf = (diameterMm: number, watts: number) => {
    const pot = fillPot(setup(diameterMm), mix({ milk_whole: 1000 }), 90);
    const r = cook(pot, setup(diameterMm), controls(watts), 4 * 3600, (p) => 500 - p.massG);
    expect(massG(r.pot.content)).toBeCloseTo(500, 1);
    return r.pot;
  };
  it('to half by boiling takes the energy of half the water', () => {
    const pot = toHalf(200, 900);
    close(pot.tS, (500 * 2257) / (900 - 70), 0.12);
    expect(pot.content.lactoseG / massG(pot.content)).toBeCloseTo((2 * 47) / 1000, 3);
  });
  it('the fire decides, hardly the width: a wide pan only stays cooler', () => {
    expect(Math.abs(toHalf(280, 420).tS / toHalf(180, 420).tS - 1)).toBeLessThan(0.3);
    expect(toHalf(280, 420).bulkMaxC).toBeLessThan(toHalf(180, 420).bulkMaxC - 3);
    expect(toHalf(200, 1400).tS).toBeLessThan(0.75 * toHalf(200, 900).tS);
  });
});

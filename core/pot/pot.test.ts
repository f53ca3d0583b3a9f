import { forecast } from '../model/forecast';
import { add, massG, mixtureOf } from '../matter/mixture';
import { HOBS as RINGS, PANS } from '../pantry/kitchen';
import { laid, pantry, testPlan } from '../testing';
import { boilsC, evaporationKgPerM2S, latentJPerKg, waterBoilsC } from './air';
import { netW, settingFor, suggestSettings } from './hob';
import { lumpRisk } from './lumps';
import { addToPot, cook, fillPot, heatJPerK, NoLiquidError, type Pot, type PotSetup } from './pot';
import { COARSE, runPhase, sampler, type Phase } from './program';
import { scorchRate } from './scorch';
import { breakdownRate, gelPeakC, STARCHES, swellEquilibrium } from './starch';

/** Phases one after the other. */
function runProgram(start: Pot, s: PotSetup, phases: readonly Phase[], sampleS = 0, scale = 1) {
  const { trace, keep } = sampler(sampleS, 0);
  const pot = phases.reduce((p, phase) => runPhase(p, s, phase, keep, scale).pot, start);
  return { pot, trace };
}

const milk = (g: number) => mixtureOf(pantry.get('milk_whole')!, g);
const setup = (over: Partial<PotSetup> = {}): PotSetup => ({
  pan: PANS[1]!,
  hob: { kind: 'induction', ratedW: 1000, powerTrim: 1 },
  base: 'dairy',
  roomC: 21,
  altitudeM: 0,
  ...over,
});

describe('water and air', () => {
  it.each([
    [0, 100],
    [500, 98.34],
    [1000, 96.68],
    [2000, 93.36],
    [3000, 90.03],
  ])('water boils at %i m at %f degC', (m, c) => expect(waterBoilsC(m)).toBeCloseTo(c, 0));

  it.each([
    [10, 0.17],
    [20, 0.4],
    [40, 1.19],
    [60, 3.15],
  ])('%i %% sugar raises the boiling point by %f K', (pct, k) => {
    expect(Math.abs(boilsC(0, pct, 100 - pct) - waterBoilsC(0) - 0.15 - k)).toBeLessThan(0.06 + 0.03 * k);
  });

  it.each([
    [50, 1.76, 1.16],
    [60, 2.97, 1.94],
    [70, 4.92, 3.19],
    [80, 8.28, 5.32],
    [90, 15.1, 9.59],
    [95, 22.6, 14.3],
  ])('an open surface at %i degC loses %f kg/m2h, %f kW/m2', (c, kg, kw) => {
    const flux = evaporationKgPerM2S(c, 21, 1, 101325);
    expect(Math.abs((flux * 3600) / kg - 1)).toBeLessThan(0.03);
    expect(Math.abs((flux * latentJPerKg(c)) / 1000 / kw - 1)).toBeLessThan(0.03);
  });
});

describe('starch', () => {
  it.each([
    [0.1, 1.65],
    [0.2, 4.2],
    [0.3, 7.65],
    [0.4, 12],
    [0.5, 17.25],
  ])('sugar fraction %f moves gelatinisation by %f K', (x, k) => {
    expect(gelPeakC(STARCHES.maize, x) - gelPeakC(STARCHES.maize, 0)).toBeCloseTo(k, 1);
  });
  it('swells to half at 80 and to the full at 95', () => {
    const peak = gelPeakC(STARCHES.maize, 0.1);
    expect(swellEquilibrium(80, peak)).toBeCloseTo(0.5, 0);
    expect(swellEquilibrium(95, peak)).toBeCloseTo(1, 6);
    expect(swellEquilibrium(120, peak)).toBe(1.05);
  });
  it.each([
    [1.2, false, 0.75],
    [15, false, 0.84],
    [1.2, true, 0.61],
  ])(
    'after ten minutes at 94 with a spoon every %f s (whisk %s) %f of the granules are whole',
    (wipe, whisk, whole) => {
      let chi = 1;
      for (let s = 0; s < 600; s++) chi -= breakdownRate(94, 0.95, wipe, whisk) * (chi - STARCHES.maize.integrityFloor);
      expect(Math.abs(chi - whole)).toBeLessThan(0.05);
    },
  );
  it.each([
    ['dry powder', 95, 3, 0.98],
    ['cold slurry', 75, 3, 0.05],
    // kitchens: 1 to 8 of 100 with a whisk, 5 to 20 with a spoon
    ['cold slurry', 95, 3, 0.03],
    ['cold slurry', 95, 1, 0.12],
  ] as const)('%s into %i degC, stirring %i: lumps %f', (how, t, stir, risk) => {
    expect(Math.abs(lumpRisk(how, t, stir, 64) - risk)).toBeLessThan(0.06);
  });
});

describe('scorching', () => {
  it.each([
    [120, 7.5],
    [130, 2.8],
    [140, 1.1],
    [150, 0.45],
  ])('dairy that sticks to a floor at %i degC tastes of it after %f min', (c, min) => {
    expect(Math.abs(1 / scorchRate(c, 1e6, 'dairy') / 60 / min - 1)).toBeLessThan(0.03);
  });
  it('a spoon every half minute leaves a quarter of it, every three minutes nearly all', () => {
    const of = (everyS: number) => scorchRate(130, everyS, 'dairy') / scorchRate(130, 1e6, 'dairy');
    expect(of(1)).toBeLessThan(0.001);
    expect(of(30)).toBeCloseTo(0.23, 2);
    expect(of(180)).toBeGreaterThan(0.9);
  });
  it('needs a hot floor', () => expect(scorchRate(97, 1000, 'dairy')).toBe(0));
});

describe('the hob', () => {
  it('gives more at each oval and finds the lowest that is enough', () => {
    const ring = RINGS[1]!;
    for (let s = 1; s < 9; s++) expect(netW(ring, s + 1)).toBeGreaterThan(netW(ring, s));
    expect(netW(ring, settingFor(ring, 400))).toBeGreaterThanOrEqual(400);
    expect(netW(ring, settingFor(ring, 400) - 1)).toBeLessThan(400);
  });
  it('suggests no more after the bubble than up to it', () => {
    for (const hob of RINGS) {
      const s = suggestSettings(hob, 200, 900);
      expect(s.simmerSetting).toBeLessThanOrEqual(s.heatSetting);
    }
  });
});

describe('the pot', () => {
  it('heats as the energy balance says while losses are small', () => {
    const m = milk(1000);
    const { pot } = cook(
      fillPot(setup(), m, 6),
      setup(),
      { setting: 9, stirEveryS: 3, lid: 'on' },
      3600,
      (p) => p.bulkC - 45,
    );
    expect(pot.bulkC).toBeCloseTo(45, 2);
    const joules = 1000 * (1.9 + 2.28 * 0.88) * 39 + 0.5 * 1000 * (pot.panC - 6);
    expect(Math.abs((pot.tS * 900) / joules - 1)).toBeLessThan(0.03);
  });

  it.each([
    [150, 74],
    [200, 80],
    [300, 88],
    [400, 92],
  ])('a litre of milk on %i W net stays near %i degC, open', (w, plateau) => {
    const hob = { kind: 'induction' as const, ratedW: w / 0.85, powerTrim: 1 };
    const run = runProgram(
      fillPot(setup({ hob }), milk(1000), 60),
      setup({ hob }),
      [
        {
          role: 'hold',
          setting: 9,
          stirEveryS: 3,
          lid: 'off',
          until: { kind: 'seconds', seconds: 2400 },
          limitS: 2400,
        },
      ],
      0,
    );
    expect(Math.abs(run.pot.bulkC - plateau)).toBeLessThan(4);
  });

  it('keeps mass: what is gone is what evaporated', () => {
    const run = runProgram(
      fillPot(setup(), milk(800), 10),
      setup(),
      [{ role: 'boil', setting: 7, stirEveryS: 3, lid: 'off', until: { kind: 'seconds', seconds: 900 }, limitS: 900 }],
      0,
    );
    expect(massG(run.pot.content) + run.pot.evaporatedG).toBeCloseTo(800, 6);
    expect(run.pot.bulkC).toBeLessThanOrEqual(run.pot.boilsC);
  });

  it('mixes an addition by heat capacity', () => {
    const pot = fillPot(setup(), milk(500), 80);
    expect(addToPot(pot, { mixture: milk(500), tempC: 20 }, setup()).bulkC).toBeCloseTo(50, 6);
  });

  const pudding = add(milk(800), add(mixtureOf(pantry.get('sugar')!, 80), mixtureOf(pantry.get('cornstarch')!, 56)));
  const program: Phase[] = [
    { role: 'up', setting: 8, stirEveryS: 2, lid: 'off', until: { kind: 'bubble' }, limitS: 3600 },
    { role: 'on', setting: 5, stirEveryS: 2, lid: 'off', until: { kind: 'seconds', seconds: 300 }, limitS: 3600 },
    {
      role: 'alone',
      setting: 5,
      stirEveryS: Infinity,
      lid: 'off',
      until: { kind: 'seconds', seconds: 90 },
      limitS: 900,
    },
  ];
  it('does not depend on its step: a quarter of the error changes nothing by half a percent', () => {
    const run = (scale: number) => runProgram(fillPot(setup(), pudding, 8), setup(), program, 0, scale).pot;
    const fine = run(1 / 32);
    for (const [scale, tolerance] of [
      [1, 0.005],
      [1 / 4, 0.0025],
      [COARSE, 0.02],
    ] as const) {
      const pot = run(scale);
      expect(Math.abs(pot.viscosityPaS / fine.viscosityPaS - 1)).toBeLessThan(tolerance);
      expect(Math.abs(pot.tS / fine.tS - 1)).toBeLessThan(tolerance);
      expect(Math.abs(pot.evaporatedG / fine.evaporatedG - 1)).toBeLessThan(tolerance);
      expect(Math.abs(pot.scorch / fine.scorch - 1)).toBeLessThan(0.01 + tolerance);
    }
  });

  it('closes its books: energy in is energy kept, lost to the room and gone as steam, within 0.1 %', () => {
    const start = fillPot(setup(), pudding, 8);
    const end = runProgram(start, setup(), program, 0, 1 / 4).pot;
    const panJ = PANS[1]!.massG * 0.5;
    const kept =
      panJ * (end.panC - start.panC) + heatJPerK(end.content) * end.bulkC - heatJPerK(start.content) * start.bulkC;
    const { hob, air, steam } = end.energyJ;
    expect(Math.abs((kept + air + steam) / hob - 1)).toBeLessThan(0.001);
  });

  it('locates the moment of an event, not the step it fell in', () => {
    const to = (tempC: number) =>
      cook(
        fillPot(setup(), pudding, 8),
        setup(),
        { setting: 8, stirEveryS: 2, lid: 'off' },
        3600,
        (p) => p.bulkC - tempC,
      ).pot;
    for (const tempC of [31.7, 58.2, 77.7]) expect(Math.abs(to(tempC).bulkC - tempC)).toBeLessThan(0.001);
  });

  it('is the same every time', () => {
    const run = () => runProgram(fillPot(setup(), pudding, 8), setup(), program, 5);
    expect(run()).toEqual(run());
  });

  it('refuses a pot without liquid', () => {
    expect(() => fillPot(setup(), mixtureOf(pantry.get('sugar')!, 100), 20)).toThrow(NoLiquidError);
  });

  it('catches when it is left alone on 900 W and hardly when it is stirred', () => {
    const m = [milk(500), mixtureOf(pantry.get('sugar')!, 50), mixtureOf(pantry.get('cornstarch')!, 36)].reduce(add);
    const hob = { kind: 'induction' as const, ratedW: 900 / 0.85, powerTrim: 1 };
    const left = (stirEveryS: number) =>
      runProgram(
        fillPot(setup({ hob }), m, 20),
        setup({ hob }),
        [
          {
            role: 'on',
            setting: 9,
            stirEveryS: 2,
            lid: 'off',
            until: { kind: 'temperature', tempC: 92 },
            limitS: 3600,
          },
          { role: 'alone', setting: 9, stirEveryS, lid: 'off', until: { kind: 'seconds', seconds: 300 }, limitS: 300 },
        ],
        0,
      ).pot;
    const alone = left(Infinity);
    const stirred = left(2);
    expect(alone.scorch).toBeGreaterThan(0.9);
    expect(stirred.scorch).toBeLessThan(0.5);
    expect(alone.panMaxC).toBeGreaterThan(118);
  });

  it('takes longer to boil higher up the hill, at a lower temperature', () => {
    const low = forecast(testPlan());
    const high = forecast({ ...testPlan(), room: { tempC: 21, altitudeM: 2500 } });
    expect(high.trace.at(-10)!.bulkC).toBeLessThan(low.trace.at(-10)!.bulkC - 4);
  });

  it('small batch, 250 g on 350 W: ready in 5 to 14 minutes, 3 to 18 %% lost', () => {
    const f = forecast({
      ...testPlan({ people: 2, portionG: 120 }),
      ...laid([
        { ingredientId: 'milk_whole', grams: 220, in: 'pot' },
        { ingredientId: 'cornstarch', grams: 14, in: 'slurry' },
        { ingredientId: 'sugar', grams: 20, in: 'pot' },
      ]),
      pan: PANS[0]!,
      hob: { kind: 'induction', ratedW: 412, powerTrim: 1 },
      choices: {},
      method: { heatSetting: 9, simmerSetting: 7, slurryAtC: 60, cookOnMin: 2, stirEveryS: 3 },
    });
    expect(f.minutes.total).toBeGreaterThan(5);
    expect(f.minutes.total).toBeLessThan(14);
    expect(f.lossRel).toBeGreaterThan(0.03);
    expect(f.lossRel).toBeLessThan(0.18);
  });
});

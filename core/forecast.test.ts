import * as fc from 'fast-check';
import { chanceOf, forecast, starchSdRel } from './forecast';
import { withGrams, withMilk } from './formula/amounts';
import { SET_WORDS } from './formula/plan';
import { nutMilk } from './pantry/nutMilk';
import { pantryWith } from './pantry/pantry';
import { pantry, testPlan, wanting } from './testing';
import { boundsFor } from './texture/words';

/** The sanity pudding: 6 % cornstarch in whole milk with 9 % sugar, a day in the fridge. */
const base = () => {
  const plan = testPlan();
  return {
    ...plan,
    items: [
      { ingredientId: 'milk_whole', grams: 850, stage: 'pot' as const },
      { ingredientId: 'cornstarch', grams: 60, stage: 'slurry' as const },
      { ingredientId: 'sugar', grams: 90, stage: 'pot' as const },
    ],
    carveOuts: [{ ingredientId: 'milk_whole', grams: 150, stage: 'slurry' as const }],
    rest: { ...plan.rest, hours: 26 },
    serve: { ...plan.serve, tempC: 5 },
  };
};

describe('the forecast', () => {
  it('6 % pudding: hot, cold, loss, raw and scorch inside the ranges kitchens give', () => {
    const f = forecast(base(), pantry);
    expect(f.serving.modulusPa).toBeGreaterThan(450);
    expect(f.serving.modulusPa).toBeLessThan(1300);
    expect(f.hot.viscosityPaS).toBeGreaterThan(0.6);
    expect(f.hot.viscosityPaS).toBeLessThan(4);
    expect(f.lossRel).toBeGreaterThan(0.01);
    expect(f.lossRel).toBeLessThan(0.14);
    expect(f.rawPer100G).toBeLessThan(0.2);
    expect(f.scorch).toBeLessThan(0.3);
    expect(f.minutes.total).toBeGreaterThan(7);
    expect(f.minutes.total).toBeLessThan(20);
  });

  it('is the same twice', () => expect(forecast(base(), pantry)).toEqual(forecast(base(), pantry)));

  it('is thinner in the pot than at serving, and firmer the day after', () => {
    const f = forecast(wanting(testPlan(), 'mounds'), pantry);
    expect(f.hot.place).toBeLessThan(f.serving.place);
    expect(f.nextDay.yieldPa).toBeGreaterThan(f.serving.yieldPa);
  });

  it('rises with every gram of starch', () => {
    let before = 0;
    for (let g = 15; g <= 120; g += 15) {
      const { yieldPa } = forecast(withGrams(base(), 'cornstarch', g, pantry), pantry).serving;
      expect(yieldPa).toBeGreaterThan(before);
      before = yieldPa;
    }
  });

  it('doubts spoons more than a scale, and heaped ones most', () => {
    const sd = (starchMeasure: 'scale' | 'level spoons' | 'rounded spoons') =>
      forecast({ ...base(), starchMeasure }, pantry).doubt.sdLn;
    expect(sd('scale')).toBeLessThan(sd('level spoons'));
    expect(sd('level spoons')).toBeLessThan(sd('rounded spoons'));
    expect(starchSdRel('rounded spoons')).toBe(0.2);
  });

  it('has the spread that a thousand kitchens had: ln sd of the set between .35 and .6 with level spoons', () => {
    const { sdLn, sources } = forecast({ ...base(), starchMeasure: 'level spoons' }, pantry).doubt;
    expect(sdLn).toBeGreaterThan(0.35);
    expect(sdLn).toBeLessThan(0.6);
    expect(sources.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
  });

  it('shares the chance out over the words, all of it', () => {
    const b = boundsFor('spooned', 0.04);
    const sum = SET_WORDS.reduce((s, w) => s + chanceOf(w, 60, 0.4, b), 0);
    expect(sum).toBeGreaterThan(0.98);
    expect(sum).toBeLessThanOrEqual(1.0001);
  });

  it('what the batches taught moves the set and narrows the doubt', () => {
    const plain = forecast(base(), pantry);
    const learnt = forecast({ ...base(), firmness: { factor: 0.7, sdLn: 0.12 } }, pantry);
    expect(learnt.serving.modulusPa / plain.serving.modulusPa).toBeCloseTo(0.7, 6);
    expect(learnt.doubt.sdLn).toBeLessThan(plain.doubt.sdLn);
  });

  it('says who pushes where: milk firmer than water, sugar softer than none, steam firmer than a lid', () => {
    const push = Object.fromEntries(forecast(base(), pantry).pushes.map((p) => [p.of, p.steps]));
    expect(push['milk']).toBeGreaterThan(0.1);
    expect(push['sugar']).toBeLessThan(0);
    expect(push['steam lost']).toBeGreaterThan(0);
  });

  it('turned out, it says whether it stands', () => {
    const plan = wanting(testPlan(), 'wobbles', 'turned out');
    expect(forecast(withGrams(plan, 'cornstarch', 20, pantry), pantry).standing.stands).toBe(false);
    expect(forecast(withGrams(plan, 'cornstarch', 120, pantry), pantry).standing.stands).toBe(true);
  });
});

describe('cautions', () => {
  const ids = (plan: Parameters<typeof forecast>[0]) => forecast(plan, pantryWith(plan.own)).cautions.map((c) => c.id);
  it('always warns of hot paste', () => expect(ids(base())).toContain('hot'));
  it('warns when the pan is too full, the dish too small, the layer too deep to cool safely', () => {
    const plan = base();
    expect(ids({ ...plan, pan: { ...plan.pan, diameterMm: 140, heightMm: 80 } })).toContain('pan');
    expect(ids({ ...plan, dish: { ...plan.dish, count: 3 } })).toContain('dish');
    expect(
      ids({ ...plan, dish: { kind: 'bowl', count: 1, capacityMl: 2000, heightMm: 110, wall: 'ceramic' } }),
    ).toContain('cooling');
  });
  it('warns of raw starch, of a floor that catches, of too much sugar, of a ring that never bubbles', () => {
    const plan = base();
    const method = (m: object) => ({ ...plan, method: { ...plan.method, ...m } });
    expect(
      ids({
        ...method({ cookOnMin: 0, heatSetting: 1, simmerSetting: 1 }),
        hob: { kind: 'gas', ratedW: 700, powerTrim: 0.5 },
      }),
    ).toEqual(expect.arrayContaining(['no-bubble']));
    expect(
      ids({
        ...method({ heatSetting: 9, simmerSetting: 9, stirEveryS: 200, cookOnMin: 10 }),
        hob: { kind: 'gas', ratedW: 3500, powerTrim: 1 },
      }),
    ).toContain('scorch');
    expect(ids(withGrams(plan, 'sugar', 800, pantry))).toContain('sugar');
  });
  it('warns that nut milk sets softer and that coconut softens warm', () => {
    const plan = base();
    expect(ids(withMilk(plan, 'milk_whole', 'almond_drink', pantry))).toContain('thin-milk');
    const coconut = withMilk(plan, 'milk_whole', 'coconut_milk', pantry);
    expect(ids({ ...coconut, serve: { ...coconut.serve, tempC: 25 } })).toContain('coconut');
    const { massG: _m, fatPct: _f, ...home } = nutMilk('hazelnut', 200, 800);
    const own = withMilk({ ...plan, own: [home] }, 'milk_whole', home.id, pantryWith([home]));
    expect(forecast(own, pantryWith([home])).allergens).toEqual(['tree nuts']);
  });
});

describe('any plan that can be written', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const grams = fc.oneof(fc.constant(0), number(0.1, 20000));
  it('is forecast without a fault: every figure is a number, every share between 0 and 1', () => {
    fc.assert(
      fc.property(
        fc.record({
          milk: fc.constantFrom('milk_whole', 'condensed', 'coconut_milk', 'water', 'almond_drink', 'cream_35'),
          milkG: number(20, 20000),
          starchG: grams,
          sugarG: grams,
          butterG: grams,
        }),
        fc.record({
          heat: fc.integer({ min: 1, max: 9 }),
          simmer: fc.integer({ min: 1, max: 9 }),
          slurryAtC: number(5, 75),
          cookOnMin: number(0, 40),
          stirEveryS: number(0.5, 300),
        }),
        fc.record({
          ratedW: number(300, 6000),
          diameterMm: number(80, 500),
          altitudeM: number(0, 4500),
          roomC: number(5, 40),
        }),
        fc.record({
          hours: number(0, 96),
          roomMin: number(0, 240),
          fridgeC: number(-2, 12),
          tempC: number(0, 75),
          count: fc.integer({ min: 1, max: 60 }),
          capacityMl: number(30, 8000),
          heightMm: number(10, 250),
          covered: fc.boolean(),
        }),
        fc.constantFrom('spooned' as const, 'turned out' as const, 'cut' as const),
        fc.constantFrom(...SET_WORDS),
        (what, how, place, after, style, word) => {
          const plan = testPlan();
          const f = forecast(
            {
              ...plan,
              items: [
                { ingredientId: what.milk, grams: what.milkG, stage: 'pot' },
                { ingredientId: 'cornstarch', grams: what.starchG, stage: 'slurry' },
                { ingredientId: 'sugar', grams: what.sugarG, stage: 'pot' },
                { ingredientId: 'butter', grams: what.butterG, stage: 'off the heat' },
              ],
              carveOuts: [{ ingredientId: what.milk, grams: what.starchG * 2.5, stage: 'slurry' }].filter(
                (c) => c.grams < what.milkG,
              ) as typeof plan.carveOuts,
              pan: { ...plan.pan, diameterMm: place.diameterMm },
              hob: { ...plan.hob, ratedW: place.ratedW },
              method: {
                heatSetting: how.heat,
                simmerSetting: how.simmer,
                slurryAtC: how.slurryAtC,
                cookOnMin: how.cookOnMin,
                stirEveryS: how.stirEveryS,
              },
              dish: { ...plan.dish, count: after.count, capacityMl: after.capacityMl, heightMm: after.heightMm },
              rest: { hours: after.hours, roomMin: after.roomMin, fridgeC: after.fridgeC, covered: after.covered },
              room: { tempC: place.roomC, altitudeM: place.altitudeM },
              serve: { ...plan.serve, style, word, tempC: after.tempC },
            },
            pantry,
          );
          for (const part of [f.hot, f.serving, f.nextDay]) {
            for (const v of [part.place, part.yieldPa, part.modulusPa, part.viscosityPaS])
              expect(Number.isFinite(v) && v >= 0).toBe(true);
            expect(part.place).toBeLessThanOrEqual(5);
          }
          for (const share of [f.chance, f.lossRel, f.standing.slumpRel, f.standing.sagRel])
            expect(share >= -1e-9 && share <= 1).toBe(true);
          expect(f.doubt.low).toBeLessThanOrEqual(f.doubt.high);
          expect(Number.isFinite(f.doubt.sdLn + f.scorch + f.endMassG + f.minutes.total + f.rawPer100G)).toBe(true);
          expect(f.trace.every((r) => r.bulkC < 160 && r.panC <= 400 && r.massG > 0)).toBe(true);
        },
      ),
      { numRuns: 25, endOnFailure: true },
    );
  });
});

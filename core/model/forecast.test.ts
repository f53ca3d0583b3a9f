import { eachLine, type Line, withLine } from '../plan/layout';
import * as fc from 'fast-check';
import { starchSdRel } from '../plan/measured';
import { chanceOf, forecast } from './forecast';
import { RISKS } from './risks';
import { withGrams, withMilk } from '../plan/amounts';
import { type Plan } from '../plan/plan';
import { SET_WORDS, boundsFor } from '../texture/words';
import { nutMilk } from '../pantry/nutMilk';
import { familyPlan, laid, testPlan, wanting } from '../testing';
import { anyPlan } from '../testingPlans';
import { english } from '../../words/english';

/** The sanity pudding: 6 % cornstarch in whole milk with 9 % sugar, a day in the fridge. */
const base = () => {
  const plan = testPlan();
  return {
    ...plan,
    ...laid(
      [
        { ingredientId: 'milk_whole', grams: 850, in: 'pot' },
        { ingredientId: 'cornstarch', grams: 60, in: 'slurry' },
        { ingredientId: 'sugar', grams: 90, in: 'pot' },
      ],
      [{ ingredientId: 'milk_whole', grams: 150, in: 'slurry' }],
    ),
    rest: { ...plan.rest, hours: 26 },
    serve: { ...plan.serve, tempC: 5 },
  };
};

describe('the forecast', () => {
  it('6 % pudding: hot, cold, loss, raw and scorch inside the ranges kitchens give', () => {
    const f = forecast(base());
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

  it('is the same twice', () => expect(forecast(base())).toEqual(forecast(base())));

  it('is thinner in the pot than at serving, and firmer the day after', () => {
    const f = forecast(wanting(testPlan(), 'mounds'));
    expect(f.hot.place).toBeLessThan(f.serving.place);
    expect(f.nextDay.yieldPa).toBeGreaterThan(f.serving.yieldPa);
  });

  it('rises with every gram of starch', () => {
    let before = 0;
    for (let g = 15; g <= 120; g += 15) {
      const { yieldPa } = forecast(withGrams(base(), 'cornstarch', g)).serving;
      expect(yieldPa).toBeGreaterThan(before);
      before = yieldPa;
    }
  });

  it('doubts spoons more than a scale, and heaped ones most', () => {
    const sd = (starchMeasure: 'scale' | 'level spoons' | 'rounded spoons') =>
      forecast({ ...base(), starchMeasure }).doubt.sdLn;
    expect(sd('scale')).toBeLessThan(sd('level spoons'));
    expect(sd('level spoons')).toBeLessThan(sd('rounded spoons'));
    expect(starchSdRel('rounded spoons')).toBe(0.2);
  });

  it('has the spread that a thousand kitchens had: ln sd of the set between .35 and .6 with level spoons', () => {
    const { sdLn, sources } = forecast({ ...base(), starchMeasure: 'level spoons' }).doubt;
    expect(sdLn).toBeGreaterThan(0.35);
    expect(sdLn).toBeLessThan(0.6);
    expect(sources.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
  });

  it('shares the chance out over the words, all of it', () => {
    const b = boundsFor('spooned', 0.04);
    const sum = SET_WORDS.reduce((s, w) => s + chanceOf(w, 60, 0.4, b), 0);
    expect(sum).toBeCloseTo(1, 9);
    expect(sum).toBeLessThanOrEqual(1.0001);
  });

  it('what the batches taught moves the set and narrows the doubt', () => {
    const plain = forecast(base());
    const learnt = forecast({ ...base(), firmness: { factor: 0.7, sdLn: 0.12 } });
    expect(learnt.serving.modulusPa / plain.serving.modulusPa).toBeCloseTo(0.7, 6);
    expect(learnt.doubt.sdLn).toBeLessThan(plain.doubt.sdLn);
  });

  it('says who pushes where: milk firmer than water, sugar softer than none, steam firmer than a lid', () => {
    const push = Object.fromEntries(forecast(base()).pushes.map((p) => [p.of, p.steps]));
    expect(push['milk']).toBeGreaterThan(0.1);
    expect(push['sugar']).toBeLessThan(0);
    expect(push['steam lost']).toBeGreaterThan(0);
  });

  it('turned out, it says whether it stands', () => {
    const plan = wanting(testPlan(), 'wobbles', 'turned out');
    expect(forecast(withGrams(plan, 'cornstarch', 20)).standing.stands).toBe(false);
    expect(forecast(withGrams(plan, 'cornstarch', 120)).standing.stands).toBe(true);
  });
});

describe('cautions', () => {
  const ids = (plan: Parameters<typeof forecast>[0]) => forecast(plan).cautions.map((c) => c.id);
  it('always warns of hot paste', () => expect(ids(base())).toContain('hot'));
  it('warns when the pan is too full, the dish too small, the layer too deep to cool safely', () => {
    const plan = base();
    expect(ids({ ...plan, pan: { ...plan.pan, diameterMm: 140, heightMm: 80 } })).toContain('pan');
    expect(ids({ ...plan, dish: { ...plan.dish, count: 3 } })).toContain('dish');
    expect(
      ids({ ...plan, dish: { kind: 'bowl', count: 1, capacityMl: 2000, heightMm: 110, wall: 'ceramic' } }),
    ).toContain('cooling');
  });
  it('a ring that gets nowhere is turned up, and the plan says from what to what and when', () => {
    const plan = base();
    const weak: Plan = {
      ...plan,
      hob: { kind: 'gas', ratedW: 1800, powerTrim: 1 },
      method: { ...plan.method, heatSetting: 2, simmerSetting: 2 },
    };
    const f = forecast(weak);
    const turned = f.phases.find((p) => p.turned)!;
    expect(turned.turned!.to).toBeGreaterThan(2);
    expect(turned.turned!.atS - turned.startS).toBeGreaterThanOrEqual(300);
    expect(f.phases.every((p) => p.reached)).toBe(true);
    const caution = f.cautions.find((c) => c.id === 'turn-up')!;
    expect(english(caution.says)).toMatch(new RegExp(`On 2 it gets nowhere.*at last to ${turned.turned!.to}`));
    expect(ids(plan)).not.toContain('turn-up');
  });
  it('a custard and a bowl over steam are never told to bubble', () => {
    const custard = familyPlan('stirred custard');
    const cold = { hob: { kind: 'gas' as const, ratedW: 300, powerTrim: 0.3 } };
    for (const choices of [{}, { heat: 'double boiler' as const }]) {
      const all = ids({ ...custard, ...cold, choices });
      expect(all).not.toContain('no-bubble');
      expect(all).toContain('not-there');
    }
  });
  it('an ordinary covered cup is not nagged at; a deep bowl is, and what is eaten warm is not', () => {
    const plan = base();
    const cup = {
      ...plan,
      dish: { kind: 'cup' as const, count: 6, capacityMl: 160, heightMm: 60, wall: 'ceramic' as const },
    };
    expect(ids(cup)).not.toContain('cooling');
    expect(ids({ ...cup, rest: { ...cup.rest, roomMin: 180 } })).toContain('cooling');
    expect(ids(familyPlan('porridge'))).not.toContain('cooling');
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
    expect(ids(withGrams(plan, 'sugar', 800))).toContain('sugar');
  });
  it('warns that nut milk sets softer and that coconut softens warm', () => {
    const plan = base();
    expect(ids(withMilk(plan, 'milk_whole', 'almond_drink'))).toContain('thin-milk');
    const coconut = withMilk(plan, 'milk_whole', 'coconut_milk');
    expect(ids({ ...coconut, serve: { ...coconut.serve, tempC: 25 } })).toContain('coconut');
    const { massG: _m, fatPct: _f, ...home } = nutMilk('hazelnut', 200, 800);
    const own = withMilk({ ...plan, own: [home] }, 'milk_whole', home.id);
    expect(forecast(own).allergens).toEqual(['tree nuts']);
  });
});

describe('any plan that can be written', () => {
  it('is forecast without a fault: every figure is a number, every share between 0 and 1', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const f = forecast(plan);
        for (const part of [f.hot, f.serving, f.nextDay]) {
          for (const v of [part.place, part.yieldPa, part.modulusPa, part.viscosityPaS])
            expect(Number.isFinite(v) && v >= 0).toBe(true);
          expect(part.place).toBeLessThanOrEqual(5);
        }
        const shares = [
          f.chance,
          f.lossRel,
          f.standing.slumpRel,
          f.standing.sagRel,
          f.bite,
          f.knife.unmould,
          f.knife.sliceClean,
          ...RISKS.map((r) => f.risks[r].chance),
          ...f.aroma.map((a) => a.left),
        ];
        for (const share of shares) expect(share >= -1e-9 && share <= 1 + 1e-9).toBe(true);
        expect(f.doubt.low).toBeLessThanOrEqual(f.doubt.high);
        expect(Number.isFinite(f.doubt.sdLn + f.scorch + f.endMassG + f.minutes.total + f.rawPer100G)).toBe(true);
        expect(f.trace.every((r) => r.bulkC < 160 && r.panC <= 400 && r.massG > 0)).toBe(true);
      }),
      { numRuns: 40, endOnFailure: true },
    );
  });
});

/** A ground-rice cream and a custard: plans of other families for the sense of things. */
const family = (kind: Plan['family'], lines: readonly Line[], more: Partial<Plan> = {}): Plan => ({
  ...testPlan(),
  family: kind,
  ...laid(lines),
  ...more,
});
const groundRice = (grams = 70) =>
  family('ground-rice cream', [
    { ingredientId: 'milk_whole', grams: 1000, in: 'pot' },
    { ingredientId: 'rice_ground', grams, in: 'grain' },
    { ingredientId: 'sugar', grams: 90, in: 'pot' },
  ]);
const custard = (more: Partial<Plan> = {}) =>
  family(
    'stirred custard',
    [
      { ingredientId: 'milk_whole', grams: 500, in: 'pot' },
      { ingredientId: 'yolk', grams: 90, in: 'bowl' },
      { ingredientId: 'sugar', grams: 100, in: 'bowl' },
    ],
    more,
  );

describe('sense', () => {
  const share = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  it('more starch is never thinner, hot or cold', () => {
    const kinds = ['cornstarch', 'rice_flour', 'potato_starch', 'tapioca_starch', 'wheat_flour'] as const;
    fc.assert(
      fc.property(fc.constantFrom(...kinds), share(10, 90), share(1.02, 1.5), (id, grams, factor) => {
        const at = (g: number) =>
          forecast({
            ...eachLine(base(), (i) => (i.ingredientId === 'cornstarch' ? { ...i, ingredientId: id, grams: g } : i)),
          });
        const a = at(grams);
        const b = at(grams * factor);
        expect(b.serving.yieldPa).toBeGreaterThanOrEqual(a.serving.yieldPa * 0.999);
        expect(b.hot.viscosityPaS).toBeGreaterThanOrEqual(a.hot.viscosityPaS * 0.999);
      }),
      { numRuns: 12 },
    );
  });
  it('more stirring never makes a hotter floor, and never catches more', () => {
    fc.assert(
      fc.property(share(1, 60), share(1.2, 4), (everyS, factor) => {
        const at = (stirEveryS: number) => forecast({ ...base(), method: { ...base().method, stirEveryS } });
        const more = at(everyS);
        const less = at(Math.min(300, everyS * factor));
        expect(more.peak.panC).toBeLessThanOrEqual(less.peak.panC + 0.3);
        expect(more.scorch).toBeLessThanOrEqual(less.scorch + 1e-4);
      }),
      { numRuns: 12 },
    );
  });
  it('deeper never cools sooner, and a bigger fire never boils later', () => {
    fc.assert(
      fc.property(share(20, 90), share(1.05, 1.6), share(900, 2500), (heightMm, factor, ratedW) => {
        const deep = (h: number) =>
          forecast({ ...base(), dish: { ...base().dish, count: 1, kind: 'bowl', capacityMl: h * 18, heightMm: h } });
        const a = deep(heightMm);
        const b = deep(heightMm * factor);
        if (b.depthMm > a.depthMm) expect(b.cool.below21H).toBeGreaterThanOrEqual(a.cool.below21H - 0.02);
        const fire = (w: number) => forecast({ ...base(), hob: { ...base().hob, ratedW: w } }).minutes.toBubble;
        expect(fire(ratedW * factor)).toBeLessThanOrEqual(fire(ratedW) + 0.02);
      }),
      { numRuns: 10 },
    );
  });
  it('longer on the fire leaves less and never firms less for ground rice', () => {
    const at = (cookOnMin: number) => forecast({ ...groundRice(), method: { ...groundRice().method, cookOnMin } });
    expect(at(12).endMassG).toBeLessThan(at(4).endMassG);
    expect(at(12).serving.yieldPa).toBeGreaterThan(at(4).serving.yieldPa);
  });
});

describe('families', () => {
  it('a stirred custard is tempered, thick, safe and smooth; the same to bubbling is not', () => {
    const f = forecast(custard());
    expect(f.egg!.safe).toBe(true);
    expect(f.egg!.set).toBeGreaterThan(0.8);
    expect(f.risks.curdle.chance).toBeLessThan(0.3);
    expect(f.ladlesC.length).toBeGreaterThan(3);
    const boiled = forecast(custard({ choices: { eggOff: 'to bubbling' } }));
    expect(boiled.risks.curdle.chance).toBeGreaterThan(0.7);
    expect(english(boiled.risks.curdle.why)).toMatch(/°C/);
  });
  it('yolk stirred in with the heat off at once may not be safe, and it is said', () => {
    const f = forecast(custard({ choices: { eggOff: 'heat off at once' } }));
    expect(f.egg!.safe || f.cautions.some((c) => c.id === 'egg' && /71/.test(english(c.says)))).toBe(true);
    expect(f.egg!.hottestC).toBeLessThan(forecast(custard()).egg!.hottestC);
  });
  it('a baked custard stands and names its oven', () => {
    const f = forecast(
      family(
        'baked custard',
        [
          { ingredientId: 'milk_whole', grams: 500, in: 'pot' },
          { ingredientId: 'egg', grams: 160, in: 'bowl' },
          { ingredientId: 'sugar', grams: 75, in: 'pot' },
        ],
        { dish: { kind: 'cup', count: 6, capacityMl: 150, heightMm: 45, wall: 'ceramic' } },
      ),
    );
    expect(f.bake!.reached).toBe(true);
    expect(f.serving.modulusPa).toBeGreaterThan(400);
    expect(f.cautions.some((c) => c.id === 'oven')).toBe(true);
  });
  it('whole rice: cooked to the bite, creamy, loose', () => {
    const f = forecast(
      family(
        'whole-rice pudding',
        [
          { ingredientId: 'milk_whole', grams: 1000, in: 'pot' },
          { ingredientId: 'rice_short', grams: 110, in: 'grain' },
          { ingredientId: 'sugar', grams: 60, in: 'late' },
        ],
        { method: { ...testPlan().method, cookOnMin: 0 } },
      ),
    );
    expect(f.bite).toBeGreaterThan(0.9);
    expect(['pours', 'coats', 'mounds', 'holds a trail']).toContain(f.serving.word);
    expect(f.sweetnessPct).toBeGreaterThan(5);
  });
  it('a frozen cream is reduced first, starched last, and frozen through', () => {
    const f = forecast(
      family(
        'frozen cream',
        [
          { ingredientId: 'milk_whole', grams: 800, in: 'pot' },
          { ingredientId: 'cornstarch', grams: 10, in: 'slurry' },
          { ingredientId: 'sugar', grams: 60, in: 'pot' },
        ],
        {
          choices: { cooling: 'freezer' },
          dish: { kind: 'mould', count: 5, capacityMl: 90, heightMm: 60, wall: 'metal' },
          rest: { ...testPlan().rest, hours: 12 },
        },
      ),
    );
    expect(f.lossRel).toBeGreaterThan(0.4);
    expect(f.frozenH).toBeGreaterThan(1);
    expect(f.frozenH).toBeLessThan(12);
  });
  it('grains in the mouth, tint and gloss are told', () => {
    expect(forecast(groundRice()).look.smooth).toBe('grainy');
    expect(forecast(base()).look.smooth).toBe('smooth');
    const brown = {
      ...base(),
      ...eachLine(base(), (i) => (i.ingredientId === 'sugar' ? { ...i, ingredientId: 'brown' } : i)),
    };
    expect(forecast(brown).look.cream).toBeGreaterThan(forecast(base()).look.cream);
  });
  it('nothing of the plan is forgotten: what a family has no step for goes in before the pot leaves the fire', () => {
    const plan = {
      ...withLine(base(), { ingredientId: 'raisins', grams: 50, in: 'late' }),
    };
    expect(forecast({ ...plan, family: 'baked custard' }).endMassG).toBeGreaterThan(
      forecast({ ...base(), family: 'baked custard' }).endMassG + 30,
    );
  });
});

import { linesOf, withLine, withLines, type Line } from '../plan/layout';
import { massG } from '../matter/mixture';
import { wholeMixture } from '../plan/bowls';
import * as fc from 'fast-check';
import { chances } from '../model/chances';
import { laid, testPlan } from '../testing';
import { moved, wetted } from '../plan/amounts';
import type { Plan } from '../plan/plan';
import { compareSchool, SCHOOLS } from './schools';
import { solve, swapThickener } from './solve';
import { english } from '../../words/english';

const base = testPlan();
const plan = (family: Plan['family'], lines: readonly Line[], more: Partial<Plan> = {}): Plan =>
  wetted({ ...base, family, ...laid(lines), ...more });
const rice = plan(
  'whole-rice pudding',
  [
    { ingredientId: 'milk_whole', grams: 1000, in: 'pot' },
    { ingredientId: 'rice_short', grams: 110, in: 'grain' },
    { ingredientId: 'sugar', grams: 100, in: 'pot' },
    { ingredientId: 'raisins', grams: 40, in: 'pot' },
  ],
  { method: { ...base.method, cookOnMin: 0, simmerSetting: 5 } },
);
const ground = plan(
  'ground-rice cream',
  [
    { ingredientId: 'milk_whole', grams: 1000, in: 'pot' },
    { ingredientId: 'rice_ground', grams: 70, in: 'grain' },
    { ingredientId: 'sugar', grams: 90, in: 'pot' },
  ],
  { method: { ...base.method, cookOnMin: 8 } },
);
const custard = plan('stirred custard', [
  { ingredientId: 'milk_whole', grams: 500, in: 'pot' },
  { ingredientId: 'yolk', grams: 90, in: 'bowl' },
  { ingredientId: 'sugar', grams: 80, in: 'bowl' },
]);
const baked: Plan = {
  ...custard,
  family: 'baked custard',
  things: custard.things.map((i) => (i.ingredientId === 'yolk' ? { ...i, ingredientId: 'egg', grams: 150 } : i)),
};
/** yolks beaten without their sugar */
const bare = moved(custard, 'sugar', 'pot');
/** a slab with something kept for the top */
const topped: Plan = {
  ...plan('baked slab', [
    { ingredientId: 'milk_whole', grams: 800, in: 'pot' },
    { ingredientId: 'semolina', grams: 110, in: 'grain' },
    { ingredientId: 'sugar', grams: 90, in: 'pot' },
    { ingredientId: 'coconut_milk', grams: 250, in: 'top' },
    { ingredientId: 'rice_flour', grams: 10, in: 'top' },
  ]),
  dish: { kind: 'tray', count: 1, capacityMl: 1600, heightMm: 40, wall: 'metal' },
};
const turned: Plan = { ...base, serve: { ...base.serve, style: 'turned out' } };
const of = (id: string, p: Plan) =>
  compareSchool(
    SCHOOLS.find((s) => s.id === id)!,
    p,
  );

describe('schools side by side', () => {
  it('every one fits some plan and changes something that the model can see', () => {
    const mute = SCHOOLS.filter((s) => {
      const fits = [turned, rice, ground, custard, bare, baked, topped].filter((p) => s.fits(p));
      return !fits.some((p) => compareSchool(s, p).differences.some((d) => d.length > 0));
    });
    expect(mute.map((s) => s.id)).toEqual([]);
  });
  it('late sugar: rice is soft sooner', () => {
    const [early, late] = of('sugar with grains', rice).sides;
    expect(late!.minutes).toBeLessThan(early!.minutes);
  });
  it('double boiler: slower, thinner, never catches', () => {
    const [ring, steam] = of('heat', ground).sides;
    expect(steam!.minutes).toBeGreaterThan(ring!.minutes);
    expect(steam!.yieldPa).toBeLessThan(ring!.yieldPa);
    expect(steam!.risks.scorch).toBeLessThanOrEqual(ring!.risks.scorch);
  });
  it('stopping at a coat leaves starch thinner; yolks to bubbling curdle', () => {
    const [on, coat] = of('end point', base).sides;
    expect(coat!.yieldPa).toBeLessThan(0.6 * on!.yieldPa);
    const [, , bubbling] = of('egg in', custard).sides;
    expect(bubbling!.risks.curdle).toBeGreaterThan(0.6);
  });
  it('bare yolk straight into hot milk curdles where tempered it does not; beaten with sugar it bears it', () => {
    const [tempered, straight] = of('yolks', bare).sides;
    expect(straight!.risks.curdle).toBeGreaterThan(tempered!.risks.curdle + 0.1);
    const [, sugared] = of('yolks', custard).sides;
    expect(sugared!.risks.curdle).toBeLessThan(straight!.risks.curdle);
  });
  it('a top layer cooked down first costs minutes and depth; what is kept for the top is not in the slab', () => {
    const [raw, down] = of('top layer', topped).sides;
    expect(raw!.topMm).toBeGreaterThan(4);
    expect(down!.topMm / raw!.topMm).toBeCloseTo(0.7, 1);
    expect(down!.topMin).toBeGreaterThan(raw!.topMin + 3);
    const without = withLines(
      topped,
      linesOf(topped).filter((i) => i.in !== 'top'),
    );
    expect(massG(wholeMixture(topped))).toBeCloseTo(massG(wholeMixture(without)), 6);
  });
  it('cream left at the sides comes back as flakes', () => {
    const [scraped, back] = of('cream at the sides', ground).sides;
    expect(back!.risks.skin).toBeGreaterThan(scraped!.risks.skin + 0.1);
  });
  it('an open bath, an ice bath and a soak each do what cooks say', () => {
    const [bath, none] = of('bath', baked).sides;
    expect(none!.minutes).toBeLessThan(bath!.minutes);
    expect(none!.risks.curdle).toBeGreaterThan(bath!.risks.curdle);
    const [room, , ice] = of('cooling', base).sides;
    expect(ice!.toServingTempH).toBeLessThan(room!.toServingTempH);
    const [dry, soaked] = of('grain', rice).sides;
    expect(soaked!.minutes).toBeLessThan(dry!.minutes);
  });
});

describe('solving', () => {
  it('finds the middle of the word, and says what level spoons do', () => {
    const s = solve(base, { word: 'wobbles' });
    if (!s.ok) throw new Error(english(s.why));
    expect(s.stressPa).toBeGreaterThan(75);
    expect(s.stressPa).toBeLessThan(230);
    expect(Math.abs(s.spoonStressRatio - 1)).toBeLessThan(0.15);
    expect(s.amounts[0]!.spoons.tbsp).toBeGreaterThan(2);
  });
  it('two thickeners: one word hot, one at serving', () => {
    const two = wetted(withLine(base, { ingredientId: 'potato_starch', grams: 20, in: 'slurry' }));
    const ask = { free: [{ ingredientId: 'potato_starch' }, { ingredientId: 'cornstarch' }], word: 'mounds' as const };
    const thin = solve(two, { ...ask, hotWord: 'coats' });
    const thick = solve(two, { ...ask, hotWord: 'firm' });
    expect(thin.ok).toBe(true);
    expect(thick.ok).toBe(false);
    if (!thick.ok) expect(english(thick.why)).toMatch(/nearest/);
  });
  it('holds limits, and says which one is in the way', () => {
    const s = solve(base, { word: 'slices', free: [{ ingredientId: 'cornstarch', maxG: 20 }] });
    expect(s.ok).toBe(false);
    if (!s.ok) expect(english(s.why)).toMatch(/20 g/);
    const low = solve(base, { word: 'pours', free: [{ ingredientId: 'cornstarch', minG: 60, maxG: 90 }] });
    if (low.ok) throw new Error('should not reach it');
    expect(english(low.why)).toMatch(/least cornstarch/);
    expect(solve(base, { free: [{ ingredientId: 'moon' }] }).ok).toBe(false);
  });
  it('the mass in the dishes comes out as asked', () => {
    const s = solve(base, { endMassG: 1200 });
    if (!s.ok) throw new Error(english(s.why));
    expect(Math.abs(s.endMassG / 1200 - 1)).toBeLessThan(0.01);
  });
  it.each([
    // what kitchens swap, second edition
    ['rice_flour', 1.2, 1.5],
    ['semolina', 1.25, 1.6],
    ['cornmeal_fine', 1.2, 1.6],
  ])('a gram of cornstarch is as much %s at equal set as kitchens say: %f to %f g', (id, least, most) => {
    const s = swapThickener(base, 'cornstarch', id);
    if (!s.ok) throw new Error(english(s.why));
    expect(s.perGram).toBeGreaterThanOrEqual(least);
    expect(s.perGram).toBeLessThanOrEqual(most);
  });
  it('a swap there and back gives what was', () => {
    fc.assert(
      fc.property(fc.constantFrom('rice_flour', 'potato_starch', 'tapioca_starch', 'wheat_flour'), (id) => {
        const there = swapThickener(base, 'cornstarch', id);
        if (!there.ok) throw new Error(english(there.why));
        const back = swapThickener(there.plan, id, 'cornstarch');
        if (!back.ok) throw new Error(english(back.why));
        const was = base.things.find((i) => i.ingredientId === 'cornstarch')!.grams;
        expect(Math.abs(back.grams / was - 1)).toBeLessThan(0.02);
      }),
      { numRuns: 4 },
    );
  });
});

describe('chances', () => {
  const spooned = { ...base, starchMeasure: 'level spoons' as const };
  it('add up, are the same for a seed and others for another', () => {
    const a = chances(spooned, 200, 0.3);
    expect(Object.values(a.serving).reduce((s, v) => s + v, 0)).toBeCloseTo(1, 9);
    expect(chances(spooned, 200, 0.3)).toEqual(a);
    expect(chances(spooned, 200, 0.7).yieldPa.p50).not.toBe(a.yieldPa.p50);
  });
  it('the spread of a spooned 6 % pudding is that of the notes, and weighing narrows it', () => {
    const six: Plan = wetted({
      ...spooned,
      ...laid([
        { ingredientId: 'milk_whole', grams: 850, in: 'pot' },
        { ingredientId: 'cornstarch', grams: 60, in: 'slurry' },
        { ingredientId: 'sugar', grams: 90, in: 'pot' },
      ]),
    });
    const width = (p: Plan) => {
      const c = chances(p, 300, 0.4);
      return Math.log(c.yieldPa.p95 / c.yieldPa.p5);
    };
    const wide = width(six);
    expect(wide).toBeGreaterThan(1);
    expect(wide).toBeLessThan(2);
    expect(width({ ...six, starchMeasure: 'scale' })).toBeLessThan(wide);
  });
  it('names what matters: the starch and the model for a boiled pudding, hob and steam for a reduced one', () => {
    const top = (p: Plan) =>
      chances(p, 300, 0.2)
        .matters.slice(0, 4)
        .map((m) => m.name);
    expect(top(spooned).slice(0, 2).sort()).toEqual(['measuring the starch', 'the model of the set']);
    expect(top({ ...ground, starchMeasure: 'scale' })).toEqual(
      expect.arrayContaining(['the model of the set', 'the hob']),
    );
  });
  it('a rich custard near its limit curdles in some kitchens', () => {
    expect(chances(custard, 150, 0.5).curdles).toBeGreaterThan(0.01);
    expect(chances(base, 100, 0.5).curdles).toBe(0);
  });
});

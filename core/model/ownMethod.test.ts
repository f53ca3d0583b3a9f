import { type Bowl } from '../plan/method';
import { withLine } from '../plan/layout';
import { loosenAtTable } from '../advice/loosen';
import { compareSchool, SCHOOLS } from '../advice/schools';
import { stepsOf } from '../cook/steps';
import { workOf } from '../day/tasks';
import { troublesOfPlan } from '../formats/computable';
import { DISHES } from '../pantry/kitchen';
import { listOf } from '../plan/methodList';
import { BAKED_ON, startPortion } from '../plan/portions';
import { newPlan, type Start } from '../plan/newPlan';
import type { Plan } from '../plan/plan';
import { forecast } from './forecast';
import { wholeMixture } from '../plan/bowls';
import { massG } from '../matter/mixture';

const planOf = (family: Plan['family'], more: Partial<Start> = {}): Plan =>
  newPlan({
    id: 'p',
    name: 'Supper',
    milkId: 'milk_whole',
    people: 8,
    portionG: 130,
    serveAt: '2026-12-12T19:30:00Z',
    family,
    ...more,
  });
const withItem = (plan: Plan, ingredientId: string, grams: number, bowl: Bowl): Plan =>
  withLine(plan, { ingredientId, grams, in: bowl });
const dish = (i: number, count = 1) => {
  const { name: _n, ...d } = DISHES[i]!;
  return { ...d, count };
};

describe('a slab with a second layer', () => {
  const slab = withItem(planOf('baked slab'), 'coconut_cream', 250, 'top');
  const f = forecast(slab);
  const at = (id: string) => f.told[listOf(slab).findIndex((s) => s.id === id)]!;
  it('is baked until it carries, gets its layer, and is baked on until that has colour', () => {
    expect(listOf(slab).map((s) => s.id)).toEqual(expect.arrayContaining(['bake', 'top', 'bake 2']));
    expect(at('bake').reached).toBe(true);
    expect(at('bake').minutes).toBeGreaterThan(1);
    expect(at('bake').minutes).toBeLessThan(at('bake 2').minutes);
    expect(at('bake 2').browning!).toBeGreaterThan(0.5);
  });
  it('stands deeper for it, and the pot holds none of it', () => {
    const without = forecast(planOf('baked slab'));
    expect(f.depthMm - without.depthMm).toBeGreaterThan(4);
    expect(massG(wholeMixture(slab))).toBeCloseTo(massG(wholeMixture(planOf('baked slab'))), 5);
  });
  it('is a live step of its own between two stretches in the oven, each with its own minutes', () => {
    const steps = stepsOf(slab, f);
    const roles = steps.map((s) => s.role);
    const first = roles.indexOf('bake');
    expect(roles.slice(first, first + 3)).toEqual(['bake', 'top', 'bake']);
    expect(steps[first]!.seconds).toBe(Math.round(at('bake').minutes * 60));
    expect(steps[first + 2]!.seconds).toBe(Math.round(at('bake 2').minutes * 60));
    expect(steps[first + 1]!.portions.map((p) => p.ingredient.id)).toEqual(['coconut_cream']);
  });
  it('may get its colour from a grill: sooner out', () => {
    const [baked, grilled] = compareSchool(
      SCHOOLS.find((s) => s.id === 'finish')!,
      planOf('baked slab'),
    ).sides;
    expect(grilled!.minutes).toBeLessThan(baked!.minutes);
  });
  it('has fruit under it, which takes its place in the dish', () => {
    const fruit = withItem(planOf('baked slab'), 'fruit_plum', 300, 'under');
    expect(forecast(fruit).depthMm).toBeGreaterThan(forecast(planOf('baked slab')).depthMm + 4);
    expect(
      stepsOf(fruit, forecast(fruit))
        .find((s) => s.role === 'pour')!
        .portions.map((p) => p.ingredient.id),
    ).toContain('fruit_plum');
  });
});

describe('whites folded in', () => {
  const plan = withItem(planOf('starch-set milk pudding'), 'white', 90, 'fold in');
  const f = forecast(plan);
  it('grow and soften it, fill the dish, and are whipped right before', () => {
    expect(f.folded!.addsMl).toBeGreaterThan(150);
    expect(f.folded!.steps).toBeGreaterThan(0.1);
    expect(f.fillRel).toBeGreaterThan(forecast(planOf('starch-set milk pudding')).fillRel * 1.2);
    const roles = stepsOf(plan, f).map((s) => s.role);
    expect(roles.indexOf('whip')).toBe(roles.indexOf('pour') - 1);
  });
});

describe('portions of one batch', () => {
  const base = planOf('whole-rice pudding');
  const plan: Plan = {
    ...base,
    portions: [
      {
        id: 'warm',
        name: 'warm from the pot',
        share: 0.3,
        dish: dish(3),
        cooling: 'room first',
        rest: { ...base.rest, roomMin: 9, hours: 0.15, covered: false },
        serve: { ...base.serve, word: 'coats', tempC: 55 },
      },
      {
        id: 'deep',
        name: 'deep',
        share: 0.4,
        dish: dish(5),
        cooling: 'room first',
        rest: base.rest,
        serve: base.serve,
      },
    ],
  };
  const f = forecast(plan);
  const [warm, deep] = f.portions;
  it('the warm one is loose where the cold one is set, from the same pot', () => {
    expect(f.hot.place).toBeCloseTo(forecast(base).hot.place, 6);
    expect(warm!.serving.place).toBeLessThan(f.serving.place - 0.3);
  });
  it('dishes of different depth have each their own hours', () => {
    expect(deep!.depthMm).toBeGreaterThan(1.4 * f.depthMm);
    expect(deep!.servingTempH).toBeGreaterThan(1.3 * f.servingTempH);
  });
  it('nothing is made twice: what goes apart is missing from the main dish', () => {
    const all = forecast(base);
    expect(f.fillRel / all.fillRel).toBeCloseTo(0.3, 2);
  });
  it('that take more than there is are said where they are read', () => {
    const greedy = { ...plan, portions: plan.portions.map((p) => ({ ...p, share: 0.6 })) };
    expect(troublesOfPlan(greedy).map((x) => x.path)).toEqual(['portions']);
    expect(troublesOfPlan(plan)).toEqual([]);
  });
  it.each(['warm', 'dish', 'bake'] as const)('a new one (%s) fits its dish and leaves some for the others', (kind) => {
    const part = startPortion(base, kind, { id: 'p', name: 'p', potG: forecast(base).endMassG });
    const told = forecast({ ...base, portions: [part] }).portions[0]!;
    expect(told.fillRel).toBeLessThanOrEqual(1);
    expect(part.share).toBeLessThan(0.5);
  });
  it('one is baked on, and has the oven’s minutes', () => {
    const part = { ...plan.portions[1]!, bake: BAKED_ON };
    const baked = forecast({ ...plan, portions: [part] }).portions[0]!;
    expect(baked.bakeMin!).toBeGreaterThan(5);
    const withOven = { ...plan, portions: [part] };
    const tasks = workOf({ plan: withOven, forecast: forecast(withOven) }).tasks;
    expect(tasks.find((x) => x.uses.ovens === 1)!.expected).toBeCloseTo(baked.bakeMin!, 6);
  });
});

describe('loosened at the table', () => {
  const porridge = planOf('porridge');
  it('as much as brings it to the word, and none where it is loose already', () => {
    const grams = loosenAtTable(porridge, 'milk_whole', 'coats')!;
    expect(grams).toBeGreaterThan(30);
    const served = forecast({
      ...porridge,
      serve: { ...porridge.serve, loosen: { ingredientId: 'milk_whole', grams } },
    });
    expect(served.serving.word).toBe('coats');
    expect(served.endMassG).toBeCloseTo(forecast(porridge).endMassG, 3);
    expect(loosenAtTable(porridge, 'milk_whole', 'firm')).toBe(0);
  });
});

describe('counted out', () => {
  const spiced = (family: Plan['family']) => withItem(planOf(family), 'cinnamon', 4, 'pot');
  const rolesOf = (plan: Plan) => stepsOf(plan, forecast(plan)).map((s) => s.role);
  it('before it thickens, and of whole rice at the very end', () => {
    const set = rolesOf(spiced('starch-set milk pudding'));
    expect(set.indexOf('count out')).toBe(set.indexOf('thicken') - 1);
    const rice = rolesOf(spiced('whole-rice pudding'));
    expect(rice.indexOf('count out')).toBe(rice.indexOf('pour') - 1);
  });
  it('drawn as far as it is by then: hardly in a pudding, through and through in rice', () => {
    const drawn = (family: Plan['family']) => forecast(spiced(family)).aroma.find((a) => a.drawn !== undefined)!;
    expect(drawn('starch-set milk pudding').steepMin).toBeGreaterThan(3);
    expect(drawn('whole-rice pudding').drawn!).toBeGreaterThan(0.7);
    expect(drawn('whole-rice pudding').steepMin).toBeUndefined();
  });
});

describe('cooked down to a share', () => {
  it.each(['stirred custard', 'baked custard', 'porridge', 'whole-rice pudding', 'ground-rice cream'] as const)(
    '%s loses what is boiled off',
    (family) => {
      const plan = planOf(family);
      const down = forecast({ ...plan, choices: { ...plan.choices, reduceTo: 0.7 } });
      expect(down.endMassG).toBeLessThan(0.95 * forecast(plan).endMassG);
    },
  );
});

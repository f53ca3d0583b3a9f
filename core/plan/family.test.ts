import { withLine, withOwnSteps } from './layout';
import { forecast, point } from '../model/forecast';
import { limitsFor, LIMITS } from '../model/limits';
import { familyPlan } from '../testing';
import { inBowls } from './bowls';
import { methodOf, notAdded } from './family';
import { newPlan } from './newPlan';
import { MethodStepSchema, type MethodStep, intoDish, intoPot } from './method';
import { FAMILIES, PlanSchema, type Choices, type Family, type Plan } from './plan';

const choosing = (family: Family, choices: Choices): Plan => {
  const plan = familyPlan(family);
  return { ...plan, choices: { ...plan.choices, ...choices } };
};
const names = (plan: Plan) =>
  methodOf(plan).map((s) => (s.do === 'heat' ? s.role : intoPot(s) ? `add ${s.from}` : s.do));
const heats = (plan: Plan) => methodOf(plan).filter((s): s is Extract<MethodStep, { do: 'heat' }> => s.do === 'heat');

describe('every family', () => {
  it.each(FAMILIES)('%s begins with a plan that can be written, cooked and eaten', (family) => {
    const plan = familyPlan(family);
    expect(PlanSchema.parse(plan)).toEqual(plan);
    const steps = methodOf(plan);
    for (const s of steps) expect(MethodStepSchema.parse(s)).toEqual(s);
    expect(notAdded(plan, steps)).toEqual([]);
    expect(steps.filter(intoDish)).toHaveLength(1);
    const f = forecast(plan);
    expect(f.phases.every((p) => p.reached)).toBe(true);
    expect(Math.abs(f.endMassG / (6 * 130) - 1)).toBeLessThan(0.2);
    expect(f.scorch).toBeLessThan(1);
    expect(f.rawPer100G).toBeLessThan(0.5);
    expect(f.risks.lumps.chance).toBeLessThan(0.25);
    if (f.egg) expect(f.egg.safe).toBe(true);
  });
  it.each([
    ['stirred custard', ['pours', 'coats']],
    ['baked custard', ['mounds', 'holds a trail', 'wobbles', 'slices']],
    ['whole-rice pudding', ['pours', 'coats', 'mounds', 'holds a trail']],
    ['porridge', ['coats', 'mounds', 'holds a trail']],
    ['baked slab', ['slices', 'firm']],
  ] as const)('%s comes out as its cooks expect', (family, words) =>
    expect(words).toContain(forecast(familyPlan(family)).serving.word),
  );
});

describe('methods', () => {
  it('a milk pudding: warm, slurry, thicken, cook on, off the heat, pour, rest', () =>
    expect(names(familyPlan('starch-set milk pudding'))).toEqual([
      'mix',
      'warm',
      'add slurry',
      'thicken',
      'cook on',
      'add off the heat',
      'off the heat',
      'pour',
      'rest',
      'rest',
      'serve',
    ]));
  it('a custard is tempered and stops below the bubble', () => {
    const plan = familyPlan('stirred custard');
    const bowl = methodOf(plan).find((s) => intoPot(s) && s.from === 'bowl');
    expect(bowl).toMatchObject({ ladleG: 60 });
    expect(heats(plan).some((h) => h.until.reach === 'bubble')).toBe(false);
    expect(methodOf(choosing('stirred custard', { yolks: 'straight in' })).find(intoPot)).not.toHaveProperty('ladleG');
  });
  it('with enough starch the egg may bubble', () => {
    const plan = familyPlan('stirred custard');
    const starched: Plan = withLine(plan, { ingredientId: 'cornstarch', grams: 30, in: 'bowl' });
    expect(heats(starched).some((h) => h.until.reach === 'bubble')).toBe(true);
  });
  it('grain goes in cold, rained into boiling, or through fat', () => {
    const how = (grain: Choices['grain']) =>
      methodOf(choosing('ground-rice cream', { grain })).flatMap((s) =>
        intoPot(s) && s.from === 'grain' ? [s.how] : [],
      );
    expect(how('into cold milk')).toEqual(['cold together']);
    expect(how('into boiling milk')).toEqual(['dry rain']);
    expect(how('fried in fat first')).toEqual(['fat-coated']);
  });
  it('over a double boiler every fire has its bowl and none waits for a bubble', () => {
    const all = heats(choosing('starch-set milk pudding', { heat: 'double boiler' }));
    expect(all.every((h) => h.over !== undefined)).toBe(true);
    expect(all.some((h) => h.until.reach === 'bubble')).toBe(false);
  });
  it.each(FAMILIES.filter((f) => f !== 'frozen cream'))('a %s over steam comes to the end of every step', (family) => {
    const f = forecast(choosing(family, { heat: 'double boiler' }));
    expect(f.phases.filter((p) => !p.reached)).toEqual([]);
    expect(f.scorch).toBeLessThan(0.1);
    if (f.egg) expect(f.egg.safe).toBe(true);
  });
  it('a lid and a rest lower the fire and the stirring', () => {
    const on = heats(choosing('porridge', { stirring: 'lid on, now and then' })).find((h) => h.role === 'cook on')!;
    expect(on.lid).toBe('on');
    expect(on.stirEveryS).toBeGreaterThan(60);
  });
  it('starch last comes after the reduction', () => {
    const order = names(familyPlan('frozen cream'));
    expect(order.indexOf('reduce')).toBeGreaterThan(-1);
    expect(order.indexOf('add slurry')).toBeGreaterThan(order.indexOf('reduce'));
  });
  it.each([
    ['room first', ['room', 'fridge']],
    ['straight to the cold', ['fridge']],
    ['freezer', ['room', 'freezer']],
    ['ice bath', ['ice bath', 'fridge']],
  ] as const)('cooling %s stands in %s, for the hours there are', (cooling, places) => {
    const rests = methodOf(choosing('starch-set milk pudding', { cooling })).flatMap((s) =>
      s.do === 'rest' ? [s] : [],
    );
    expect(rests.map((r) => r.where)).toEqual(places);
    expect(rests.reduce((sum, r) => sum + r.minutes, 0)).toBeCloseTo(5 * 60, 6);
  });
  it('a cooled base takes its yolk below fifty degrees and goes to the oven', () => {
    const plan = choosing('egg-enriched pudding', { yolks: 'into a cooled base' });
    expect(names(plan)).toContain('bake');
    const f = forecast(plan);
    expect(f.bake!.reached).toBe(true);
    expect(f.egg!.hottestC).toBeGreaterThan(70);
  });
  it('its own steps stand in the place of the family’s', () => {
    const steps: MethodStep[] = [{ do: 'pour', to: 'dish' }];
    expect(methodOf(withOwnSteps(familyPlan('porridge'), steps))).toEqual(steps);
  });
  it('a bowl without a step is put in before the pot leaves the fire', () => {
    const plan = familyPlan('baked custard');
    const late: Plan = withLine(plan, { ingredientId: 'raisins', grams: 40, in: 'late' });
    const order = names(late);
    expect(order).toContain('add late');
    expect(order.indexOf('add late')).toBeLessThan(order.indexOf('pour'));
    expect(inBowls(late).late).toHaveLength(1);
  });
});

describe('what a family starts from', () => {
  it('is told with the limits it touches, and no others', () => {
    const none = { kinds: [], egg: false, plantMilk: false, fruit: false, nut: false };
    const ids = (family: Family, more: object = {}) => limitsFor({ family, ...none, ...more }).map((l) => l.id);
    expect(ids('baked custard', { egg: true })).toEqual(expect.arrayContaining(['gel', 'curd', 'oven']));
    expect(ids('stirred custard', { egg: true })).not.toContain('oven');
    expect(ids('whole-rice pudding', { kinds: ['short rice'] })).toContain('rice');
    expect(ids('porridge', { kinds: ['semolina'] })).toContain('grain');
    expect(ids('frozen cream')).toContain('frozen');
    expect(
      ids('starch-set milk pudding', { kinds: ['maize starch'], plantMilk: true, fruit: true, nut: true }),
    ).toEqual(expect.arrayContaining(['spoon', 'plant', 'fruit', 'nut']));
    expect(new Set(LIMITS.map((l) => l.id)).size).toBe(LIMITS.length);
  });
});

describe('a new plan, before anything is solved', () => {
  it.each(
    FAMILIES.flatMap((family) =>
      ['milk_whole', 'coconut_milk', 'oat_drink'].map((milkId) => [family, milkId] as const),
    ),
  )('%s with %s is the word it wants', (family, milkId) => {
    const plan = newPlan({
      id: 'n',
      name: 'New',
      milkId,
      people: 6,
      portionG: 130,
      serveAt: '2026-12-12T19:30:00Z',
      family,
    });
    expect(point(plan).serving.word).toBe(plan.serve.word);
  });
});

import { ownSteps, withLine, withOwnSteps } from '../plan/layout';
import { type MethodStep, intoPot } from '../plan/method';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { forecast } from '../model/forecast';
import { migratePlan } from '../plan/migrate';
import { type Plan } from '../plan/plan';
import { asStages, testPlan } from '../testing';
import { answer, askJsonSchema, ASKS, type Ask } from './asks';
import { readKitchenFile } from './kitchenFile';
import { readPlanFile, writePlanFile } from './planFile';
import { english } from '../../words/english';

const ask = (name: Ask, q: object) => answer(name, JSON.stringify({ format: `ovalis-${name}`, version: 1, ...q }));
const ok = (name: Ask, q: object): Record<string, unknown> => {
  const a = ask(name, q);
  if (!a.ok) throw new Error(JSON.stringify(a.issues));
  return a.value as Record<string, unknown>;
};
const wrong = (name: Ask, q: object) => {
  const a = ask(name, q);
  if (a.ok) throw new Error('was answered');
  return a.issues.map((i) => ({ ...i, message: english(i.message) }));
};
const plan = testPlan();
const ramekin = { kind: 'cup', count: 6, capacityMl: 200, heightMm: 40, wall: 'ceramic' };

describe('questions of scripts', () => {
  it('solve: amounts, spoons, or why not', () => {
    const a = ok('solve', { plan, word: 'wobbles', spoons: 'us' });
    expect(a).toMatchObject({ format: 'ovalis-solve-answer', ok: true, amounts: [{ ingredientId: 'cornstarch' }] });
    expect(ok('solve', { plan, word: 'firm', free: [{ ingredientId: 'cornstarch', maxG: 5 }] })).toMatchObject({
      ok: false,
    });
  });
  it('swap: grams at equal set and what else changes', () => {
    const a = ok('swap', { plan, from: 'cornstarch', to: 'waxy_rice_flour' });
    expect(a.ok).toBe(true);
    expect(
      (a.changes as { what: string; risk?: string }[]).some((c) => c.risk === 'weeping' || c.what === 'hotPaS'),
    ).toBe(true);
    expect(wrong('swap', { plan, from: 'moon', to: 'rice_flour' })[0]!.path).toBe('from');
    expect(wrong('swap', { plan, from: 'cornstarch', to: 'moon' })[0]!.path).toBe('to');
  });
  it('compare: one school, all that fit, or another plan', () => {
    expect((ok('compare', { plan, school: 'heat' }).schools as unknown[]).length).toBe(1);
    const sweeter = {
      ...plan,
      things: plan.things.map((i) => (i.ingredientId === 'sugar' ? { ...i, grams: i.grams * 2 } : i)),
    };
    expect(JSON.stringify(ok('compare', { plan, with: sweeter }).differences)).toMatch(/sweetness/);
    expect(wrong('compare', { plan, school: 'gravy' })[0]).toMatchObject({
      path: 'school',
      message: expect.stringMatching(/heat/),
    });
  });
  it('cool: hours to each temperature, frozen, and the rule', () => {
    const q = {
      dish: ramekin,
      depthMm: 35,
      startC: 85,
      hours: 24,
      stays: [
        { where: 'room', minutes: 20 },
        { where: 'fridge', minutes: 1000 },
      ],
    };
    const a = ok('cool', q);
    expect((a.reachedH as Record<string, number>)['21']).toBeGreaterThan(0.5);
    expect(a.rule).toMatchObject({ name: 'two stages' });
    expect(wrong('cool', { ...q, depthMm: 900 })[0]).toEqual({ path: 'depthMm', message: 'should be 300 mm or less' });
    expect(wrong('cool', { ...q, stays: [] })[0]!.path).toBe('stays');
  });
  it('bake: a custard from its ingredients', () => {
    const oven = { do: 'bake', ovenC: 160, bath: 'open', until: { reach: 'centre', tempC: 77 } };
    const items = [
      { ingredientId: 'milk_whole', grams: 500 },
      { ingredientId: 'egg', grams: 150 },
      { ingredientId: 'sugar', grams: 75 },
    ];
    const q = { dish: ramekin, depthMm: 40, startC: 50, items, oven };
    expect(ok('bake', q).reached).toBe(true);
    expect(wrong('bake', { ...q, oven: { do: 'pour', to: 'dish' } })[0]!.path).toBe('oven');
    expect(wrong('bake', { ...q, items: [{ ingredientId: 'moon', grams: 5 }] })[0]!.path).toBe('items[0].ingredientId');
  });
  it('montecarlo: chances for a seed', () => {
    const a = ok('montecarlo', { plan, draws: 50, seed: 0.1 });
    expect(a).toEqual(ok('montecarlo', { plan, draws: 50, seed: 0.1 }));
    expect(wrong('montecarlo', { plan, draws: 1 })[0]).toEqual({ path: 'draws', message: 'should be 10 or more' });
  });
  it('does not answer what makes no sense: it says what would', () => {
    expect(wrong('solve', { plan, free: [{ ingredientId: 'milk_whole' }] })[0]).toEqual({
      path: 'free[0].ingredientId',
      message: 'should be one of cornstarch',
    });
    expect(wrong('solve', { plan, free: [{ ingredientId: 'cornstarch', minG: 90, maxG: 20 }] })[0]).toEqual({
      path: 'free[0].maxG',
      message: 'should be minG or more',
    });
    expect(wrong('swap', { plan, from: 'milk_whole', to: 'rice_flour' })[0]!.path).toBe('from');
    expect(wrong('compare', { plan, school: 'whole rice' })[0]!.path).toBe('school');
    const late = {
      ...plan,
      acts: [{ do: 'put', id: 'l', into: 'late', things: plan.things.map(({ ingredientId }) => ({ ingredientId })) }],
    };
    expect(wrong('montecarlo', { plan: late })[0]).toMatchObject({
      path: 'plan.things',
      message: expect.stringMatching(/put into "pot"/),
    });
  });
  it('names the path inside a plan that is wrong', () => {
    expect(wrong('solve', { plan: { ...plan, dish: { ...plan.dish, count: 0 } } })[0]!.path).toBe('plan.dish.count');
    const moon = withLine(plan, { ingredientId: 'moon', grams: 3, in: 'pot' });
    expect(wrong('montecarlo', { plan: moon })[0]!.path).toBe(`plan.things[${plan.things.length}].ingredientId`);
  });
  it('have published schemas that are the present ones', () => {
    for (const name of Object.keys(ASKS) as Ask[]) {
      const file = path.join(__dirname, `../../docs/formats/ovalis-${name}-1.schema.json`);
      expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(JSON.parse(JSON.stringify(askJsonSchema(name))));
    }
  });
});

describe('a method written out step by step', () => {
  const steps: MethodStep[] = [
    {
      do: 'heat',
      role: 'warm',
      name: 'up',
      setting: 0,
      watts: 700,
      until: { reach: 'temperature', tempC: 70 },
      limitMin: 60,
      stirEveryS: 10,
      tool: 'spoon',
      lid: 'on',
      wrapped: false,
    },
    { do: 'pour', to: 'pot', from: 'slurry', tempC: 8, how: 'cold slurry', stirring: 'whisk', soakMin: 0, left: 0 },
    {
      do: 'heat',
      role: 'thicken',
      name: 'thick',
      setting: 6,
      until: { reach: 'bubble' },
      limitMin: 60,
      stirEveryS: 2,
      tool: 'spoon',
      lid: 'off',
      wrapped: false,
    },
    {
      do: 'heat',
      role: 'heat',
      name: 'stand',
      setting: 0,
      until: { reach: 'time', minutes: 10 },
      limitMin: 60,
      stirEveryS: null,
      tool: 'spoon',
      lid: 'on',
      wrapped: true,
    },
    {
      do: 'pour',
      to: 'pot',
      from: 'off the heat',
      tempC: 20,
      how: 'cold slurry',
      stirring: 'spoon',
      soakMin: 0,
      left: 0,
    },
    { do: 'pour', to: 'dish' },
    { do: 'rest', where: 'ice bath', minutes: 30, covered: true },
    { do: 'rest', where: 'fridge', minutes: 400, tempC: 4, covered: true },
  ];
  const written = withOwnSteps(plan, steps);
  it('is run as written and comes back from its file', () => {
    const read = readPlanFile(writePlanFile(written));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(ownSteps(read.value)).toEqual(steps);
    const f = forecast(read.value);
    expect(f.phases.map((p) => p.name)).toEqual(['up', 'thick', 'stand']);
    expect(f.phases[2]!.endS - f.phases[2]!.startS).toBeCloseTo(600, 6);
    expect(f.cool.below21H).toBeLessThan(forecast(plan).cool.below21H);
  });
  it('starch left in the jug is missing from the set', () => {
    const withLeft = (left: number): Plan =>
      withOwnSteps(
        plan,
        steps.map((s) => (intoPot(s) && s.from === 'slurry' ? { ...s, left } : s)),
      );
    const all = forecast(withLeft(0)).serving.yieldPa;
    const most = forecast(withLeft(0.2)).serving.yieldPa;
    expect(most / all).toBeLessThan(0.75);
    expect(most / all).toBeGreaterThan(0.35);
  });
  it('a wrapped pot stays hot, a lid keeps its water, a lid ajar keeps some', () => {
    const standing = (change: object) =>
      forecast(
        withOwnSteps(
          plan,
          steps.map((s) => (s.do === 'heat' && s.name === 'stand' ? { ...s, ...change } : s)),
        ),
      );
    const end = (f: ReturnType<typeof forecast>) => f.trace.at(-1)!.bulkC;
    expect(end(standing({ wrapped: true, lid: 'on' }))).toBeGreaterThan(
      end(standing({ wrapped: false, lid: 'on' })) + 1,
    );
    const loss = (lid: string) => standing({ wrapped: false, lid }).lossRel;
    expect(loss('on')).toBeLessThan(loss('ajar'));
    expect(loss('ajar')).toBeLessThan(loss('off'));
  });
  it('that forgets a bowl is told which', () => {
    const read = readPlanFile(
      JSON.stringify(
        withOwnSteps(
          plan,
          steps.filter((s) => !intoPot(s) || s.from !== 'slurry'),
        ),
      ),
    );
    if (read.ok) throw new Error('was read');
    expect(read.issues[0]).toMatchObject({
      path: expect.stringMatching(/things\[\d\]/),
      message: { code: 'issue.noStepAdds', stage: 'slurry' },
    });
  });
});

describe('version 1', () => {
  const { choices: _c, sides: _s, rules: _r, ...rest } = asStages(plan);
  const old = { ...rest, version: 1 };
  it('of a plan is read as the present one, and an ingredient’s starch becomes its thickener', () => {
    expect(readPlanFile(JSON.stringify(old))).toEqual({
      ok: true,
      value: { ...plan, choices: {}, rules: [] },
    });
    expect(readPlanFile(JSON.stringify({ ...rest, choices: plan.choices, version: 2 }))).toEqual({
      ok: true,
      value: plan,
    });
    const own = {
      id: 'x',
      name: 'x',
      group: 'milk',
      densityGPerMl: 1,
      per100: { water: 90, fat: 0, protein: 0, sugar: 0, lactose: 0, starch: 3 },
      starch: 'maize',
      allergens: [],
      confidence: 'C',
    };
    // version 4 knew no portions
    const { portions: _portions, ...four } = asStages(testPlan());
    expect(migratePlan({ ...four, version: 4 })).toEqual({ ...testPlan(), portions: [] });
    expect(migratePlan({ ...old, own: [own] })).toMatchObject({ version: 7, own: [{ thickener: 'maize starch' }] });
  });
  it('of a kitchen is read whole', () => {
    const kitchen = {
      format: 'ovalis-kitchen',
      version: 1,
      exportedAt: '2026-12-01T12:00:00Z',
      plans: [old],
      cooks: [{ id: 'c', plan: old, events: [] }],
      batches: [],
      ingredients: [],
      packs: [],
      settings: { temperature: 'C', spoons: 'metric', clock: '24', theme: 'system', sound: true },
    };
    const read = readKitchenFile(JSON.stringify(kitchen));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(read.value.version).toBe(10);
    expect(read.value.cooks[0]!.plan.version).toBe(7);
    expect(read.value.settings.money).toBe('€');
    // version 2 knew every thickener, but no vessels and no history
    const two = readKitchenFile(JSON.stringify({ ...kitchen, version: 2 }));
    expect(two).toMatchObject({ ok: true, value: { vessels: [], history: [] } });
  });
});

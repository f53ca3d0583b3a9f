import * as fc from 'fast-check';
import { asStages } from '../testing';
import { anyPlan } from '../testingPlans';
import fixture from '../formats/fixtures/kitchen-9.json';
import { readKitchenFile } from '../formats/kitchenFile';
import { readPlanFile } from '../formats/planFile';
import { forecast } from '../model/forecast';
import { stepsOf } from '../cook/steps';
import { ownSteps, partsOf } from './layout';
import { migratePlan } from './migrate';
import { PLAN_VERSION, PlanSchema } from './plan';

/** A kitchen as the app wrote it when a plan was stages, carve-outs and steps, with what its plans came to then. */
const read = readKitchenFile(JSON.stringify(fixture.kitchen));
if (!read.ok) throw new Error(JSON.stringify(read.issues));
const kitchen = read.value;

it('nothing of an older kitchen is left out', () => {
  expect(read.left).toEqual([]);
  for (const name of ['plans', 'cooks', 'batches', 'history', 'preps'] as const)
    expect([name, kitchen[name].length]).toEqual([name, fixture.kitchen[name].length]);
});

it.each(fixture.told.map((t) => [t.id, t] as const))('"%s" comes out as it did, and tells the same', (id, was) => {
  const plan = kitchen.plans.find((p) => p.id === id)!;
  expect(plan.version).toBe(PLAN_VERSION);
  const f = forecast(plan);
  expect(f.serving.place).toBeCloseTo(was.place, 6);
  expect(f.lossRel).toBeCloseTo(was.lossRel, 9);
  const told = stepsOf(plan, f).map((s) => ({
    id: s.id,
    puts: s.puts.map((u) => u.portions.map((q) => `${q.ingredient.id} ${Math.round(q.grams * 10) / 10}`)),
  }));
  expect(told).toEqual(was.steps);
});

it('what is held back, and a list of its own, are kept', () => {
  const [old] = fixture.kitchen.plans;
  const plan = kitchen.plans.find((p) => p.id === old!.id)!;
  expect(partsOf(plan).map((p) => [p.ingredientId, p.grams, p.in])).toEqual(
    old!.carveOuts.map((c) => [c.ingredientId, c.grams, c.stage]),
  );
  const own = kitchen.plans.find((p) => p.id === 'own-list')!;
  expect(ownSteps(own)!.map((s) => s.do)).toEqual(
    fixture.kitchen.plans.find((p) => p.id === 'own-list')!.steps!.map((s) => s.do),
  );
  expect(migratePlan(plan)).toBe(plan);
});

it('any plan written as stages is the same plan again', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      expect(migratePlan(asStages(plan))).toEqual(plan);
    }),
    { numRuns: 200 },
  );
});

it('one that is broken is told by its path, and never thrown at', () => {
  const [old] = fixture.kitchen.plans;
  const issues = (change: object) => {
    const got = readPlanFile(JSON.stringify({ ...old, ...change }));
    return got.ok ? [] : got.issues.map((i) => i.path);
  };
  expect(issues({})).toEqual([]);
  expect(issues({ items: 'milk' })).toContain('things');
  expect(issues({ items: [{ ingredientId: 'milk_whole', grams: 5, stage: 'in the moon' }] }).length).toBeGreaterThan(0);
  expect(issues({ items: [null] }).length).toBeGreaterThan(0);
  expect(issues({ steps: [{ do: 'add' }] }).length).toBeGreaterThan(0);
  expect(PlanSchema.safeParse(migratePlan({ version: 6 })).success).toBe(false);
});

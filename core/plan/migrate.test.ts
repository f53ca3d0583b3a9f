import * as fc from 'fast-check';
import { FRUITS } from '../pantry/fruit';
import { besideOf } from '../sides/sides';
import { asStages, testPlan, withoutHands } from '../testing';
import { compotePot, glazePot, layerPot, SYRUPS, syrupPot } from './potStarts';
import { anyPlan } from '../testingPlans';
import fixture from '../formats/fixtures/kitchen-9.json';
import { readKitchenFile } from '../formats/kitchenFile';
import { readPlanFile } from '../formats/planFile';
import { forecast } from '../model/forecast';
import { stepsOf } from '../cook/steps';
import { withHands } from './family';
import { ownSteps, partsOf, potPartsOf, preparationsOf, withOwnSteps } from './layout';
import { intoPot } from './method';
import { asUsual } from './methodList';
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
  const old6 = fixture.kitchen.plans.find((p) => p.id === 'own-list')!.steps!.map((s) => s.do);
  expect(withoutHands(ownSteps(own)!).map((s) => (intoPot(s) ? 'add' : s.do))).toEqual(old6);
  // what was told by rule stands in the list now
  expect(ownSteps(own)!.at(-1)!.do).toBe('serve');
  expect(migratePlan(plan)).toBe(plan);
});

describe('what version 6 cooked beside the pot', () => {
  const dish = testPlan().dish;
  const layer = { liquidId: 'coconut_milk', depthMm: 8, sweetPct: 6 };
  const syrup = { sugarId: 'sugar', sugarG: 160, acid: true } as const;
  const migrated = (...sides: object[]) =>
    PlanSchema.parse(migratePlan({ ...asStages(testPlan()), sides: sides.map((s, i) => ({ id: `s${i}`, ...s })) }));
  it.each([
    ...FRUITS.map((fruit) => [{ kind: 'compote', fruit, boughtG: 450 }, compotePot('s0', fruit, 450)] as const),
    ...SYRUPS.map((to) => [{ kind: 'syrup', ...syrup, to }, syrupPot('s0', { ...syrup, to })] as const),
    [{ kind: 'second layer', ...layer, cookedTo: 0.75 }, layerPot('s0', dish, { ...layer, cookedTo: 0.75 })] as const,
    [{ kind: 'glaze', ...layer, depthMm: 3 }, glazePot('s0', dish, { ...layer, depthMm: 3 })] as const,
  ])('%j is the pot that is begun so now', (side, now) => {
    const plan = migrated(side);
    const [pot] = plan.vessels;
    expect(pot!.things.map((t) => t.ingredientId)).toEqual(now.things.map((t) => t.ingredientId));
    // rounded to what a cook weighs, a little otherwise then and now
    pot!.things.forEach((t, i) => expect(Math.abs(t.grams - now.things[i]!.grams)).toBeLessThanOrEqual(3));
    const until = (p: typeof now) => p.acts.flatMap((a) => (a.do === 'heat' ? [a.until.reach] : []));
    expect(until(pot!).at(-1)).toBe(until(now).at(-1));
    // what is poured or spread on goes over it, the rest to the table
    const over = side.kind === 'second layer' || side.kind === 'glaze';
    expect(potPartsOf(plan).map((p) => [p.in, p.share])).toEqual(over ? [['top', 1]] : []);
    expect(besideOf(plan)[0]!.makesG).toBeGreaterThan(20);
  });
  it('as many as there could be are all there, in their order', () => {
    const plan = migrated(
      ...Array.from({ length: 9 }, () => ({ kind: 'compote', fruit: 'plum', boughtG: 100 })),
      { kind: 'toasting', whatId: 'almonds_chopped', grams: 40, to: 'golden' },
      { kind: 'infusion', spiceId: 'cinnamon', grams: 4, form: 'whole', tempC: 85 },
      { kind: 'purée', fruit: 'mango', boughtG: 300 },
    );
    expect(plan.vessels.map((v) => v.id)).toEqual(Array.from({ length: 9 }, (_, i) => `s${i}`));
    expect(preparationsOf(plan).map((p) => [p.id, p.kind])).toEqual([
      ['s9', 'toasting'],
      ['s10', 'infusion'],
      ['s11', 'purée'],
    ]);
  });
  it('what it did not know is named by its path', () => {
    for (const side of [{ id: 's', kind: 'fondue' }, 'a pot', null, { id: 's', kind: 'syrup', sugarId: 'sugar' }]) {
      const read = readPlanFile(JSON.stringify({ ...asStages(testPlan()), sides: [side] }));
      expect(read.ok ? [] : read.issues.map((i) => i.path)).not.toEqual([]);
    }
  });
});

it('any plan written as stages is the same plan again', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const own = withoutHands(ownSteps(plan) ?? []);
      expect(migratePlan(asStages(plan))).toEqual(
        own.length ? withOwnSteps(plan, withHands(plan, own)) : asUsual(plan),
      );
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

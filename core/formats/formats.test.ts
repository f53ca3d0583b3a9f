import { MethodStepSchema } from '../plan/method';
import { linesOf, withLines, withOwnSteps, withPreparations } from '../plan/layout';
import * as fc from 'fast-check';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { choirSupper } from '../demo/choirSupper';
import { SET_WORDS } from '../texture/words';
import { PlanSchema } from '../plan/plan';
import { testPlan } from '../testing';
import { DEFAULT_SETTINGS } from '../settings';
import { emptyKitchen, readKitchenFile, writeKitchenFile } from './kitchenFile';
import { planJsonSchema, readPlanFile, writePlanFile } from './planFile';
import { english } from '../../words/english';

const AT = '2026-12-11T12:00:00.000Z';

const broken = (change: (p: ReturnType<typeof testPlan>) => unknown) => {
  const r = readPlanFile(JSON.stringify(change(testPlan())));
  if (r.ok) throw new Error('was read');
  return r.issues.map((i) => ({ ...i, message: english(i.message) }));
};

describe('the plan file', () => {
  it('comes back as it was written', () => {
    fc.assert(
      fc.property(
        fc.record({
          name: fc.string({ minLength: 1, maxLength: 50 }).filter((s) => s.trim() === s),
          people: fc.integer({ min: 1, max: 60 }),
          starch: fc.double({ min: 0, max: 400, noNaN: true }),
          word: fc.constantFrom(...SET_WORDS),
          tempC: fc.double({ min: 0, max: 75, noNaN: true }),
        }),
        ({ name, people, starch, word, tempC }) => {
          const plan = testPlan({ name, people });
          const full = {
            ...plan,
            serve: { ...plan.serve, word, tempC },
            things: plan.things.map((i) => (i.ingredientId === 'cornstarch' ? { ...i, grams: starch } : i)),
          };
          expect(readPlanFile(writePlanFile(full))).toEqual({ ok: true, value: JSON.parse(JSON.stringify(full)) });
        },
      ),
    );
  });
  it('every kind of bake, and names with odd spaces, come back as they were written', () => {
    const minutes = fc.double({ min: 0, max: 120, noNaN: true }).map((v) => v + 0);
    const bake = fc.record(
      {
        do: fc.constant('bake' as const),
        ovenC: fc.integer({ min: 80, max: 280 }),
        fan: fc.boolean(),
        from: fc.constantFrom('hot' as const, 'cold' as const),
        bath: fc.constantFrom('none' as const, 'open' as const, 'covered' as const),
        until: fc.oneof(
          fc.record({ reach: fc.constant('time' as const), minutes }),
          fc.record({ reach: fc.constant('centre' as const), tempC: fc.integer({ min: 50, max: 99 }) }),
        ),
        limitMin: minutes,
        grillMin: fc.integer({ min: 0, max: 10 }),
        covered: fc.boolean(),
      },
      { requiredKeys: ['do', 'ovenC', 'until'] },
    );
    const spaces = fc.constantFrom(' ', '  ', '\t', '\u00a0', '\u2003', '\u3000');
    const name = fc.tuple(spaces, fc.constantFrom('Cups', 'Row  by\u00a0row'), spaces).map((all) => all.join(''));
    fc.assert(
      fc.property(fc.array(bake, { minLength: 1, maxLength: 3 }), name, (bakes, named) => {
        const steps = MethodStepSchema.array().parse([
          { do: 'pour', to: 'pot', from: 'slurry' },
          { do: 'pour', to: 'pot', from: 'off the heat' },
          { do: 'pour', to: 'dish' },
          ...bakes,
        ]);
        const plan = PlanSchema.parse(withOwnSteps({ ...testPlan(), name: named }, steps));
        expect(readPlanFile(writePlanFile(plan))).toEqual({ ok: true, value: plan });
        const read = readKitchenFile(writeKitchenFile({ ...emptyKitchen(DEFAULT_SETTINGS, AT), plans: [plan] }));
        expect(read.ok && read.value.plans).toEqual([plan]);
      }),
      { numRuns: 30 },
    );
  });
  it('says where it is wrong and what would be right', () => {
    expect(
      broken((p) =>
        withPreparations(p, [{ id: 's', kind: 'toasting', whatId: 'moon dust', grams: 20, to: 'golden' }]),
      )[0]!.path,
    ).toMatch(/^acts\[\d\]\.what\.whatId$/);
    expect(broken((p) => ({ ...p, version: 8 }))[0]).toEqual({ path: 'version', message: 'should be 7' });
    expect(broken((p) => ({ ...p, things: [{ ...p.things[0], grams: -5 }] }))[0]).toMatchObject({
      path: 'things[0].grams',
      message: 'should be 0 g or more',
    });
    expect(broken((p) => ({ ...p, things: [{ ...p.things[0], ingredientId: 'moon' }] }))[0]!.path).toBe(
      'things[0].ingredientId',
    );
    expect(broken((p) => ({ ...p, serve: { ...p.serve, tempC: 200 } }))[0]).toEqual({
      path: 'serve.tempC',
      message: 'should be 75 °C or less',
    });
    expect(
      broken((p) =>
        withLines(
          p,
          linesOf(p).filter((i) => i.ingredientId !== 'milk_whole'),
        ),
      )[0],
    ).toMatchObject({ path: 'things', message: expect.stringMatching(/liquid/) });
    expect(broken((p) => ({ ...p, things: p.things.slice(1) }))[0]!.path).toMatch(/^acts\[\d\]\.things/);
  });
  it('refuses what is not JSON, and what is endless, without throwing', () => {
    expect(readPlanFile('{nope')).toMatchObject({ ok: false, issues: [{ path: '(whole file)' }] });
    expect(readPlanFile('"' + 'x'.repeat(2_000_001) + '"')).toMatchObject({ ok: false });
    expect(readPlanFile('null')).toMatchObject({ ok: false });
  });
  it('has a published JSON Schema that is the present one', () => {
    const published = JSON.parse(
      readFileSync(path.join(__dirname, '../../docs/formats/ovalis-plan-7.schema.json'), 'utf8'),
    ) as unknown;
    expect(published).toEqual(JSON.parse(JSON.stringify(planJsonSchema())));
  });
  it('has a published example that reads', () => {
    expect(
      readPlanFile(readFileSync(path.join(__dirname, '../../docs/formats/vanilla-cups.plan.json'), 'utf8')).ok,
    ).toBe(true);
  });
});

describe('the kitchen file', () => {
  const kitchen = choirSupper(Date.UTC(2026, 11, 11, 12));
  it('holds the choir supper and comes back whole', () => {
    const r = readKitchenFile(writeKitchenFile(kitchen));
    expect(r).toEqual({ ok: true, value: JSON.parse(JSON.stringify(kitchen)), left: [] });
  });
  it('a record that is wrong, of moon dust, of another age or there twice stays out, by its path; the rest is read', () => {
    const bad = JSON.parse(writeKitchenFile(kitchen)) as typeof kitchen;
    (bad.batches[1]!.promise as { servingPlace: unknown }).servingPlace = 'high';
    bad.plans[0]!.things[0]!.ingredientId = 'moon dust';
    bad.cooks[0]!.events.push({
      kind: 'added',
      id: 'x',
      at: '2026-12-11T12:00:00Z',
      portions: [{ ingredientId: 'moon dust', grams: 5 }],
      tempC: 20,
      how: 'slurry',
      why: 'own',
    });
    bad.history.push({ id: 'h', planId: 'p', at: '9999-12-11T12:00:00Z', plan: kitchen.plans[1]! });
    bad.vessels.push(bad.vessels[0]!);
    const r = readKitchenFile(JSON.stringify(bad));
    if (!r.ok) throw new Error('not read');
    expect(r.left.map((i) => i.path)).toEqual([
      'plans[0].things[0].ingredientId',
      `cooks[0].events[${bad.cooks[0]!.events.length - 1}].portions[0].ingredientId`,
      'batches[1].promise.servingPlace',
      `vessels[${bad.vessels.length - 1}].id`,
      `history[${bad.history.length - 1}].at`,
    ]);
    expect(r.value.plans).toEqual(kitchen.plans.slice(1));
    expect(r.value.batches).toHaveLength(kitchen.batches.length - 1);
    expect(english(r.left.at(-1)!.message)).toBe('should be a date from 2000 to 2100');
  });
  it('what is no kitchen is refused, with where and what would be right', () => {
    const said = (text: string) => {
      const r = readKitchenFile(text);
      if (r.ok) throw new Error('was read');
      return r.issues.map((i) => `${i.path}: ${english(i.message)}`);
    };
    expect(said('{\n"format": nonsense')[0]).toMatch(/is not JSON: should be/);
    expect(said('[]')[0]).toMatch(/whole file.*should be an object/);
    expect(said('{}')[0]).toMatch(/^format: /);
    expect(said('null')).toHaveLength(1);
    expect(said(JSON.stringify({ ...kitchen, plans: 'none' }))[0]).toMatch(/^plans: /);
  });
});

describe('the choir supper', () => {
  const now = Date.UTC(2026, 11, 11, 12);
  const kitchen = choirSupper(now, -60);
  it('is the same for the same moment', () => expect(choirSupper(now, -60)).toEqual(kitchen));
  it('has plans at half past seven of the cook’s own clock, a cook on the hob and batches with words', () => {
    expect(kitchen.plans.length).toBeGreaterThanOrEqual(4);
    expect(new Date(Date.parse(kitchen.plans[0]!.serve.at) + 3_600_000).toISOString()).toMatch(/T19:30/);
    const events = kitchen.cooks[0]!.events;
    expect(now - Date.parse(events.at(-1)!.at)).toBe(45_000);
    expect(kitchen.batches.every((b) => b.found.wordServing && Date.parse(b.at) < now)).toBe(true);
  });
});

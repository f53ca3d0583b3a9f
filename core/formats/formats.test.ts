import * as fc from 'fast-check';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { choirSupper } from '../demo/choirSupper';
import { SET_WORDS } from '../texture/words';
import { testPlan } from '../testing';
import { readKitchenFile, writeKitchenFile } from './kitchenFile';
import { planJsonSchema, readPlanFile, writePlanFile } from './planFile';
import { english } from '../../words/english';

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
            items: plan.items.map((i) => (i.ingredientId === 'cornstarch' ? { ...i, grams: starch } : i)),
          };
          expect(readPlanFile(writePlanFile(full))).toEqual({ ok: true, value: JSON.parse(JSON.stringify(full)) });
        },
      ),
    );
  });
  it('says where it is wrong and what would be right', () => {
    expect(
      broken((p) => ({
        ...p,
        sides: [{ id: 's', kind: 'toasting', whatId: 'moon dust', grams: 20, to: 'golden' }],
      }))[0],
    ).toMatchObject({ path: 'sides[0].whatId' });
    expect(broken((p) => ({ ...p, version: 7 }))[0]).toEqual({ path: 'version', message: 'should be 4' });
    expect(broken((p) => ({ ...p, items: [{ ...p.items[0], grams: -5 }] }))[0]).toMatchObject({
      path: 'items[0].grams',
      message: 'should be 0 g or more',
    });
    expect(broken((p) => ({ ...p, items: [{ ...p.items[0], ingredientId: 'moon' }], carveOuts: [] }))[0]!.path).toBe(
      'items[0].ingredientId',
    );
    expect(broken((p) => ({ ...p, serve: { ...p.serve, tempC: 200 } }))[0]).toEqual({
      path: 'serve.tempC',
      message: 'should be 75 °C or less',
    });
    expect(
      broken((p) => ({ ...p, items: p.items.filter((i) => i.ingredientId !== 'milk_whole'), carveOuts: [] }))[0],
    ).toMatchObject({ path: 'items', message: expect.stringMatching(/liquid/) });
  });
  it('refuses what is not JSON, and what is endless, without throwing', () => {
    expect(readPlanFile('{nope')).toMatchObject({ ok: false, issues: [{ path: '(whole file)' }] });
    expect(readPlanFile('"' + 'x'.repeat(2_000_001) + '"')).toMatchObject({ ok: false });
    expect(readPlanFile('null')).toMatchObject({ ok: false });
  });
  it('has a published JSON Schema that is the present one', () => {
    const published = JSON.parse(
      readFileSync(path.join(__dirname, '../../docs/formats/ovalis-plan-4.schema.json'), 'utf8'),
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
    expect(r).toEqual({ ok: true, value: JSON.parse(JSON.stringify(kitchen)) });
  });
  it('names the broken record by its path', () => {
    const bad = JSON.parse(writeKitchenFile(kitchen)) as typeof kitchen;
    (bad.batches[1]!.promise as { servingPlace: unknown }).servingPlace = 'high';
    expect(readKitchenFile(JSON.stringify(bad))).toMatchObject({
      ok: false,
      issues: [{ path: 'batches[1].promise.servingPlace' }],
    });
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

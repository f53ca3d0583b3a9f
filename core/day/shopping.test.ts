import { withLine } from '../plan/layout';
import * as fc from 'fast-check';
import { choirSupper } from '../demo/choirSupper';
import type { Plan } from '../plan/plan';
import { nutsFor } from '../pantry/nutMilk';
import { FRUITS } from '../pantry/fruit';
import { compotePot } from '../plan/potStarts';
import { pantry, testPlan } from '../testing';
import { anyPlan } from '../testingPlans';
import { EGG_BOX, shoppingOf, shoppingText } from './shopping';
import { english } from '../../words/english';
import { pantryOf } from '../plan/bowls';

const of = (p: Plan) => pantryOf(p);
const k = choirSupper(Date.parse('2026-12-11T12:00:00Z'));
const plans = k.plans.slice(0, 3);
const line = (s: ReturnType<typeof shoppingOf>, id: string) => {
  const found = s.lines.find((l) => l.ingredientId === id);
  if (!found) throw new Error(`no ${id}: ${s.lines.map((l) => l.ingredientId).join()}`);
  return found;
};

describe('shopping', () => {
  const list = shoppingOf(plans, of, k.packs);
  it('adds up one ingredient over all dishes and rounds up to packets', () => {
    const starch = plans.flatMap((p) => p.things).filter((i) => i.ingredientId === 'cornstarch');
    const grams = starch.reduce((s, i) => s + i.grams, 0);
    const l = line(list, 'cornstarch');
    expect(l.needG).toBeCloseTo(grams, 6);
    expect(l.packs).toMatchObject({ count: Math.ceil(grams / 250), grams: 250, yours: true });
    expect(l.leftG).toBeCloseTo(l.packs!.count * 250 - grams, 6);
    expect(l.forPlans).toHaveLength(3);
    expect(l.price).toBeCloseTo(1.2 * l.packs!.count, 6);
  });
  it('cans: whole ones, with what is left and what it is good for', () => {
    const l = line(list, 'coconut_milk');
    expect(l.packs!.count).toBe(Math.ceil(l.needG / 400));
    expect(english(l.leftSays!)).toMatch(/half cans/);
    expect(list.leftovers.some((x) => /canned coconut milk left/.test(english(x)))).toBe(true);
  });
  it('home nut milk is bought as nuts, fruit as it grows', () => {
    const home = plans[0]!.things.find((i) => i.ingredientId.startsWith('home_'))!;
    expect(line(list, 'nuts_hazelnut').needG).toBeCloseTo(nutsFor('hazelnut', home.grams, 4).nutG, 6);
    expect(english(line(list, 'nuts_hazelnut').name)).toBe('shelled hazelnuts');
    expect(line(list, 'fruit_plum').needG).toBe(450);
    expect(line(list, 'fruit_plum').packs).toBeUndefined();
  });
  it('yolks are eggs, in boxes, and the whites are left', () => {
    const p = testPlan();
    const custard: Plan = withLine(p, { ingredientId: 'yolk', grams: 68, in: 'bowl' });
    const egg = line(shoppingOf([custard, custard], of, []), 'egg');
    expect(egg.eggs).toBe(8);
    expect(egg.packs!.count).toBe(Math.ceil(8 / EGG_BOX));
    expect(english(egg.leftSays!)).toMatch(/272 g whites/);
    expect(english(egg.leftSays!)).toMatch(/4 whole/);
    const meringue: Plan = withLine(p, { ingredientId: 'white', grams: 102, in: 'fold in' });
    // three whites and four yolks are four eggs, not seven
    expect(line(shoppingOf([custard, meringue], of, []), 'egg').eggs).toBe(4);
  });
  it('what is in the house is listed and not bought', () => {
    const some = shoppingOf(plans, of, k.packs, ['cornstarch', 'sugar']);
    expect(line(some, 'sugar').have).toBe(true);
    expect(some.cost!).toBeCloseTo(list.cost! - line(list, 'cornstarch').price!, 6);
    const text = shoppingText(some, 'Shopping', english);
    expect(text).not.toMatch(/sugar/);
    expect(text).toMatch(/- 2 × can of coconut milk/);
    expect(text).toMatch(/Left over:/);
    expect(some.allergens).toEqual(expect.arrayContaining(['milk', 'tree nuts', 'coconut']));
  });
  it('never too little, never a whole packet too much, of anything', () => {
    fc.assert(
      fc.property(fc.array(anyPlan, { minLength: 1, maxLength: 3 }), fc.constantFrom(...FRUITS), (list_, fruit) => {
        const with_ = list_.map((p): Plan => ({ ...p, vessels: [compotePot('s', fruit, 300)] }));
        const s = shoppingOf(with_, () => pantry, []);
        for (const l of s.lines) {
          if (!l.packs) continue;
          expect(l.packs.count * l.packs.grams).toBeGreaterThanOrEqual(l.needG - 1e-6);
          if (!l.eggs) expect(l.leftG).toBeLessThan(l.packs.grams);
        }
        expect(JSON.stringify(s)).not.toMatch(/NaN|null/);
      }),
      { numRuns: 60, seed: 2 },
    );
  });
  it('nothing to cook, nothing to buy', () => {
    expect(shoppingOf([], of, [])).toEqual({ lines: [], unpriced: 0, leftovers: [], allergens: [] });
  });
});

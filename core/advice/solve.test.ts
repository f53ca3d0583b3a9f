import { forecast } from '../model/forecast';
import { testPlan, wanting } from '../testing';
import { withGrams } from '../plan/amounts';
import { spoonEffect } from '../plan/measured';
import { solveStarch } from './solve';
import { english } from '../../words/english';

describe('solving for a set', () => {
  it.each([
    ['milk_whole', 'coats', 'spooned'],
    ['milk_whole', 'mounds', 'spooned'],
    ['milk_skim', 'wobbles', 'turned out'],
    ['coconut_milk', 'slices', 'cut'],
    ['almond_drink', 'mounds', 'spooned'],
    ['hazelnut_drink', 'wobbles', 'turned out'],
    ['oat_drink', 'coats', 'spooned'],
  ] as const)('%s to %s, %s: the forecast of the answer is the wanted word', (milk, word, style) => {
    const solved = solveStarch(wanting(testPlan({}, milk), word, style));
    expect(solved.ok).toBe(true);
    const f = forecast(solved.plan);
    expect(f.serving.word).toBe(word);
    expect(f.chance).toBeGreaterThan(0.6);
  });

  it('asks for more starch in a nut drink than in milk', () => {
    const grams = (milk: string) => {
      const s = solveStarch(wanting(testPlan({}, milk), 'wobbles', 'turned out'));
      return s.ok ? s.grams : NaN;
    };
    expect(grams('almond_drink') / grams('milk_whole')).toBeGreaterThan(1.1);
  });

  it('does not depend on the starch that is in the plan', () => {
    const from = (g: number) => solveStarch(withGrams(wanting(testPlan(), 'mounds'), 'cornstarch', g));
    const a = from(5);
    const b = from(150);
    expect(a.ok && b.ok && Math.abs(a.grams - b.grams)).toBeLessThan(0.5);
  });

  it('says why when nothing reaches it: served too warm to be set', () => {
    const plan = wanting(testPlan(), 'firm');
    const s = solveStarch({ ...plan, serve: { ...plan.serve, tempC: 70 } });
    expect(s.ok).toBe(false);
    expect(!s.ok && english(s.why)).toMatch(/colder|softer/);
  });

  it('says what is missing without a thickener or a milk', () => {
    const plan = testPlan();
    const without = (id: string) => solveStarch({ ...plan, things: plan.things.filter((i) => i.ingredientId !== id) });
    expect(without('cornstarch')).toMatchObject({ ok: false, why: { code: 'solve.thereIsNoThickenerIn' } });
    expect(without('milk_whole')).toMatchObject({ ok: false, why: { code: 'solve.thereIsNoMilkIn' } });
  });

  it('tells what level spoons do to the set', () => {
    const e = spoonEffect(30, 0.54, 'metric');
    expect(e.grams).toBeCloseTo(30 + e.errorG, 9);
    expect(e.stressRatio).toBeCloseTo((e.grams / 30) ** 2.75, 9);
  });
});

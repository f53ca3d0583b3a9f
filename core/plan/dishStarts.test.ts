import { solve } from '../advice/solve';
import { stepsOf } from '../cook/steps';
import { forecast, point } from '../model/forecast';
import { wordAt } from '../texture/words';
import { DISH_START_IDS, DISH_STARTS } from './dishStarts';
import { notAdded, methodOf } from './family';
import { startDish } from './startDish';
import { PlanSchema } from './plan';

const start = (id: (typeof DISH_START_IDS)[number], more = {}) =>
  startDish(id, { id: 'p', name: 'Supper', people: 6, portionG: 130, serveAt: '2026-12-12T19:30:00Z', ...more });

it('two dozen dishes at least, of every family', () => {
  expect(DISH_START_IDS.length).toBeGreaterThanOrEqual(24);
  expect(new Set(DISH_START_IDS.map((id) => DISH_STARTS[id].family)).size).toBe(9);
});

describe.each(DISH_START_IDS)('%s', (id) => {
  const plan = start(id);
  it('is a plan whose things all go in somewhere', () => {
    expect(PlanSchema.safeParse(plan).success).toBe(true);
    expect(notAdded(plan, methodOf(plan))).toEqual([]);
    expect(stepsOf(plan, { phases: [] }).length).toBeGreaterThanOrEqual(3);
  });
  it('is the word it wants as it begins, fills its people, and its rice is soft', () => {
    const f = forecast(plan);
    expect(wordAt(point(plan).serving.place)).toBe(plan.serve.word);
    expect(f.endMassG / (6 * 130)).toBeGreaterThan(0.9);
    expect(f.endMassG / (6 * 130)).toBeLessThan(1.12);
    expect(f.cautions.map((c) => c.id)).not.toContain('grain-hard');
    expect(f.cautions.map((c) => c.id)).not.toContain('scorch');
  });
  it('is solved for other people too, where there is something to solve', () => {
    const many = start(id, { people: 14 });
    const s = solve(many);
    expect(s.ok ? s.plan.serve.word : many.serve.word).toBe(plan.serve.word);
    expect(Number.isFinite(point(s.ok ? s.plan : many).serving.place)).toBe(true);
  });
});

it('a dish takes another milk', () => {
  const oat = start('set milk', { milkId: 'oat_drink' });
  expect(oat.things.some((i) => i.ingredientId === 'milk_whole')).toBe(false);
  expect(oat.things.find((i) => i.ingredientId === 'cornstarch')!.grams).toBeGreaterThan(
    start('set milk').things.find((i) => i.ingredientId === 'cornstarch')!.grams,
  );
});

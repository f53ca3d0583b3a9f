import { randomLcg } from 'd3-random';
import { choirSupper } from '../core/demo/choirSupper';
import { changesOf, stepsOf } from '../core/cook/steps';
import { batchCook } from '../core/book/batch';
import { readKitchenFile, type KitchenFile } from '../core/formats/kitchenFile';
import { forecast } from '../core/model/forecast';
import { NoLiquidError } from '../core/pot/pot';
import { potApi } from './pots';

const demo = choirSupper(Date.UTC(2026, 11, 11, 12));
const FIGURES = [0, 0.001, 1, -1, 5, 60, 100, 999, 20_000, 0.5, 1e-9];

/** The same with figures, lists and fields changed here and there, as no cook would. */
function broken(random: () => number, share: number) {
  const pick = () => FIGURES[Math.floor(random() * FIGURES.length)]!;
  const change = (v: unknown): unknown => {
    if (Array.isArray(v))
      return random() < share ? v.slice(0, Math.floor(random() * v.length)) : (v as unknown[]).map(change);
    if (v !== null && typeof v === 'object')
      return Object.fromEntries(
        Object.entries(v)
          .filter(() => random() > share / 3)
          .map(([key, x]) => [key, change(x)]),
      );
    if (typeof v === 'number' && random() < share) return pick() * (random() < 0.5 ? v || 1 : 1);
    return v;
  };
  return change;
}

describe('a kitchen that comes in', () => {
  it('in which what was cooked holds no liquid: that stays out, with its path and what would be right', () => {
    const dry = <T extends { plan: KitchenFile['plans'][number] }>(x: T): T => ({
      ...x,
      plan: { ...x.plan, things: x.plan.things.map((i) => ({ ...i, grams: 0 })) },
    });
    const file = { ...demo, cooks: [dry(demo.cooks[0]!)], batches: [dry(demo.batches[0]!), demo.batches[1]!] };
    const read = readKitchenFile(JSON.stringify(file));
    expect(read).toMatchObject({
      ok: true,
      left: [
        { path: 'cooks[0].plan.things', message: { code: 'issue.noLiquidInPot' } },
        { path: 'batches[0].plan.things', message: { code: 'issue.noLiquidInPot' } },
      ],
    });
    expect(read.ok && [read.value.cooks.length, read.value.batches.length]).toEqual([0, 1]);
  });
  it('broken in any way: what of it is let in can be worked with in every room', () => {
    const random = randomLcg(0.17);
    const [plan, dish] = [broken(random, 0.05), broken(random, 0.02)];
    let taken = 0;
    for (let n = 0; n < 25; n++) {
      const file = {
        ...demo,
        plans: demo.plans.map(plan),
        cooks: demo.cooks.map(dish),
        batches: demo.batches.map(dish),
      };
      const read = readKitchenFile(JSON.stringify(file));
      if (!read.ok) continue;
      for (const p of read.value.plans) {
        taken += 1;
        try {
          expect(forecast(p).serving.place).toBeGreaterThanOrEqual(0);
        } catch (e) {
          // one that is being made may be dry yet: rooms say so
          expect(e).toBeInstanceOf(NoLiquidError);
        }
      }
      for (const cook of [...read.value.cooks, ...read.value.batches.slice(0, 1).map(batchCook)]) {
        taken += 1;
        const steps = stepsOf(cook.plan, { phases: [] }, changesOf(cook));
        const lastMs = Date.parse(cook.events.at(-1)?.at ?? demo.exportedAt);
        expect(potApi.live(cook, steps, lastMs + 1000).now).toBeDefined();
      }
    }
    expect(taken).toBeGreaterThan(20);
  });
  it('with thousands of faults names the first and counts the rest', () => {
    const packs = Array.from({ length: 3000 }, (_, i) => ({ ...demo.packs[0]!, id: `p${i}`, grams: 'many' }));
    const read = readKitchenFile(JSON.stringify({ ...demo, packs }));
    expect(read.ok && [read.left.length, read.left.at(-1)!.message]).toEqual([
      201,
      { code: 'issue.moreRecords', count: 2800 },
    ]);
  });
});

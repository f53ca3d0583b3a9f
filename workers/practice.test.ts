import { evening, cookOn } from '../core/testingEvening';
import { testPlan } from '../core/testing';
import { BatchSchema, promiseOf } from '../core/book/batch';
import { forecast } from '../core/model/forecast';
import type { Act, Run } from '../core/practice/act';
import { asPlanned, runOf } from '../core/practice/asPlanned';
import { Replay } from '../core/practice/replay';
import { practiceApi } from './practice';

const plan = testPlan();
const hob = (atS: number, setting: number): Act => ({ do: 'hob', atS, setting });
const middle = (run: Run, tS: number) => practiceApi.practiceAt('k', run, tS, null).frame.bulkC;
const straight = (run: Run, tS: number) => new Replay(run).at(tS).pot.bulkC;

describe('the practice pot in the worker', () => {
  it('follows a run as it grows, is changed in the middle, and is cut', () => {
    const runs: [Run, number][] = [
      [runOf(plan, []), 30],
      [runOf(plan, [hob(10, 9)]), 60],
      [runOf(plan, [hob(10, 9), hob(55, 4)]), 120],
      // the first is done otherwise, the second stays
      [runOf(plan, [hob(10, 5), hob(55, 4)]), 120],
      [runOf(plan, [hob(10, 5)]), 40],
      [runOf(plan, [hob(10, 5)]), 200],
    ];
    for (const [run, tS] of runs) expect(middle(run, tS)).toBe(straight(run, tS));
  });
  it('another pot is another pot', () => {
    const run = runOf(plan, [hob(0, 9)]);
    expect(practiceApi.practiceAt('a', run, 100, null).frame.bulkC).toBe(straight(run, 100));
    const cold = runOf(plan, []);
    expect(practiceApi.practiceAt('b', cold, 100, null).frame.bulkC).toBe(straight(cold, 100));
  });
  it('charts as far as it is asked, whatever second is looked at', () => {
    const run = runOf(plan, [hob(0, 9)]);
    const { frame, trace } = practiceApi.practiceAt('c', run, 50, 200);
    expect(frame.tS).toBe(50);
    expect(trace!.at(-1)!.tS).toBe(200);
    expect(frame.bulkC).toBe(straight(run, 50));
  });
  it('fills the pot of an exercise, of a plan and of a batch', () => {
    expect(practiceApi.practiceExercise('chill', 0)).toMatchObject({ run: { exercise: 'chill', seed: 0 } });
    expect(practiceApi.practicePlan(plan, 0.3).bench.map((b) => b.use)).toContain('slurry');
    const done = cookOn(evening(plan));
    const batch = BatchSchema.parse({
      id: 'b',
      at: new Date(done.nowMs).toISOString(),
      plan,
      events: done.cook.events,
      promise: promiseOf(forecast(plan), plan),
      found: { flaws: [], note: '' },
    });
    const { run } = practiceApi.practiceBatch(batch);
    expect(run.acts.length).toBeGreaterThan(4);
    expect(run.acts.some((a) => a.do === 'add')).toBe(true);
  });
  it('judges a run beside a better one, and sugar the other way round', () => {
    const { run } = practiceApi.practiceExercise('sugar', 0);
    const acts = asPlanned(run.plan);
    const endS = Math.max(...acts.map((a) => a.atS));
    const j = practiceApi.practiceJudge({ ...run, acts }, endS);
    expect(j).toMatchObject({ met: true, endS, better: { outcome: { felt: [] } } });
    // the same grain, sugar first: harder
    expect(j.beside!.outcome.bite).toBeLessThan(j.outcome.bite);
    expect(j.beside!.acts.find((a) => a.do === 'add' && a.portions[0]!.ingredientId === 'sugar')!.atS).toBe(0);
  });
});

import { forecast } from '../model/forecast';
import { familyPlan, testPlan, wanting } from '../testing';
import { solveStarch } from '../advice/solve';
import { wordAt, type SetWord } from '../texture/words';
import { BatchSchema, promiseOf, type Batch, type Found } from './batch';
import { learnFirmness, missLn } from './learned';
import { nextTime } from './nextTime';
import { rowOfBatch } from './row';

const solved = solveStarch(wanting(testPlan({ starchMeasure: 'scale' }), 'mounds')).plan;
const promise = promiseOf(forecast(solved), solved);
const batch = (found: Partial<Found>, id = 'b'): Batch =>
  BatchSchema.parse({
    id,
    at: '2026-11-20T15:00:00Z',
    plan: solved,
    events: [],
    promise,
    found: { flaws: [], note: '', ...found },
  });
const said = (word: SetWord) => batch({ wordServing: word });
const row = (word: SetWord) => rowOfBatch(said(word));
const starch = (p: typeof solved) => p.items.find((i) => i.ingredientId === 'cornstarch')!.grams;

describe('what batches teach', () => {
  it('nothing without a word', () => {
    expect(missLn(rowOfBatch(batch({})))).toBeUndefined();
    expect(learnFirmness([rowOfBatch(batch({}))])).toMatchObject({ factor: 1, batches: 0 });
  });
  it('softer than promised lowers the factor, firmer raises it, a hit leaves it near 1', () => {
    expect(learnFirmness([row('coats')]).factor).toBeLessThan(0.9);
    expect(learnFirmness([row('wobbles')]).factor).toBeGreaterThan(1.1);
    expect(Math.abs(learnFirmness([row('mounds')]).factor - 1)).toBeLessThan(0.05);
  });
  it('more batches of one kind move it further and narrow it', () => {
    const one = learnFirmness([row('coats')]);
    const three = learnFirmness([row('coats'), row('coats'), row('coats')]);
    expect(three.factor).toBeLessThan(one.factor);
    expect(three.sdLn).toBeLessThan(one.sdLn);
  });
});

describe('next time', () => {
  it('asks for more starch after a soft batch, less after a firm one, and the new plan is forecast right', () => {
    const soft = nextTime(said('coats'), [row('coats')]);
    expect(soft.advice[0]).toMatchObject({ kind: 'starch' });
    expect(starch(soft.plan)).toBeGreaterThan(starch(solved));
    expect(forecast(soft.plan).serving.word).toBe('mounds');
    const firm = nextTime(said('wobbles'), [row('wobbles')]);
    expect(starch(firm.plan)).toBeLessThan(starch(solved));
  });
  it('changes one thing for each flaw that the method can mend', () => {
    const n = nextTime(
      batch({ wordServing: 'mounds', sweetness: 'too much', flaws: ['raw taste', 'caught', 'lumps'] }),
      [],
    );
    expect(n.advice.map((a) => a.kind).sort()).toEqual(expect.arrayContaining(['cook on', 'heat', 'slurry', 'sugar']));
    expect(n.plan.method.cookOnMin).toBe(solved.method.cookOnMin + 2);
    expect(n.plan.method.heatSetting).toBe(solved.method.heatSetting - 1);
    const sugar = (p: typeof solved) => p.items.find((i) => i.ingredientId === 'sugar')!.grams;
    expect(sugar(n.plan) / sugar(solved)).toBeCloseTo(0.9, 1);
  });
  it('came out as promised: nothing is changed, whatever other batches say, and it is said', () => {
    const n = nextTime(said('mounds'), [row('mounds'), row('coats'), row('coats')]);
    expect(n).toMatchObject({ asPromised: true, advice: [] });
    expect(n.plan).toEqual(solved);
  });
  it('a warm grain dish that was found as promised is not told to take more meal', () => {
    const plan = familyPlan('porridge');
    const kept = promiseOf(forecast(plan), plan);
    const found = BatchSchema.parse({
      ...batch({ wordServing: wordAt(kept.servingPlace) }),
      plan,
      promise: kept,
    });
    expect(nextTime(found, [rowOfBatch(found)])).toMatchObject({ asPromised: true, advice: [], plan });
  });
});

import { forecast } from '../model/forecast';
import { solveStarch } from '../advice/solve';
import { testPlan, wanting } from '../testing';
import { boundsFor, WEIGHT_N_PER_M3 } from '../texture/words';
import { slumpRel } from './firmness';
import { stressOfSlump, touched, type Felt } from './touch';

const plan = solveStarch(wanting(testPlan(), 'wobbles', 'turned out')).plan;
const f = forecast(plan);
const heightM = f.depthMm / 1000;
const bounds = boundsFor('turned out', heightM);
const told = (...felts: Felt[]) =>
  touched(f.set, bounds, heightM, { word: 'wobbles', servedC: plan.serve.tempC }, f.doubt.sdLn, felts);

describe('what a touch says of the dish', () => {
  it('without one it is as the model has it, with a spread around it', () => {
    const t = told();
    expect(t.firmer).toBeCloseTo(1, 6);
    expect(t.faster).toBeCloseTo(1, 6);
    expect(t.ready.likely).toBeCloseTo(f.readyH, 0);
    expect(t.ready.early).toBeLessThan(t.ready.likely);
    expect(Number.isNaN(t.ready.late) || t.ready.late > t.ready.likely).toBe(true);
  });
  it('warm underneath where it should be cool makes all of it later; a thermometer says more', () => {
    const late = told({ atH: 2.5, touch: 'warm underneath' });
    expect(late.faster).toBeLessThan(0.95);
    expect(late.cold.likely).toBeGreaterThan(told().cold.likely);
    const core = told().coreAt(1);
    const read = told({ atH: 1, tempC: core + 10 });
    expect(read.faster).toBeLessThan(0.95);
    expect(read.coreAt(1)).toBeGreaterThan(core + 5);
    expect(read.cold.late - read.cold.early).toBeLessThan(told().cold.late - told().cold.early);
  });
  it('a dent that stays late makes it softer, a spring early firmer; each twice more than once', () => {
    const soft = told({ atH: 4, touch: 'dents' });
    expect(soft.firmer).toBeLessThan(0.97);
    expect(told({ atH: 4, touch: 'dents' }, { atH: 4.5, touch: 'dents' }).firmer).toBeLessThan(soft.firmer);
    expect(told({ atH: 1, touch: 'springs' }).ready.likely).toBeLessThan(told().ready.likely);
  });
  it('the chance that it is set rises with the hours', () => {
    const t = told();
    const hours = [0.5, 1, 2, 3, 5, 8];
    const chances = hours.map(t.chanceAt);
    for (const [i, c] of chances.entries()) expect(c).toBeGreaterThanOrEqual(chances[i - 1] ?? 0);
    expect(chances[0]).toBeLessThan(0.05);
  });
  it('what is found softer than reckoned meets its word less often, and what is much firmer does too', () => {
    const soft = told({ atH: 4, touch: 'runs' }, { atH: 5, touch: 'runs' });
    expect(soft.meetsAt(6)).toBeLessThan(told().meetsAt(6));
    expect(soft.yieldAt(6)).toBeLessThan(told().yieldAt(6));
    const firm = told({ atH: 1, touch: 'stands still' }, { atH: 1.2, touch: 'knife clean' });
    expect(firm.chanceAt(6)).toBeGreaterThan(told().chanceAt(6));
    expect(firm.meetsAt(6)).toBeLessThan(told().meetsAt(6));
  });
  it('a firmer word comes later, or not at all', () => {
    const t = told();
    expect(t.reaches('wobbles')).toEqual(t.ready);
    expect(t.reaches('mounds').likely).toBeLessThanOrEqual(t.ready.likely);
    const slices = t.reaches('slices').likely;
    expect(Number.isNaN(slices) || slices >= t.ready.likely).toBe(true);
  });
  it('cut or turned out early it slumps more', () => {
    expect(told().standingAt(0.7).slumpRel).toBeGreaterThan(told().standingAt(6).slumpRel);
  });
});

it.each([0.05, 0.2, 0.5, 0.8])('a block that lost %f of its height is read back to what bears it', (rel) => {
  const weight = WEIGHT_N_PER_M3 * 0.05;
  expect(slumpRel(stressOfSlump(rel, weight), 0.05)).toBeCloseTo(rel, 4);
});

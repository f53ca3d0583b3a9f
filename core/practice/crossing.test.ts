import { massG } from '../matter/mixture';
import { ownSteps, potPartsOf } from '../plan/layout';
import { stepTroubles } from '../plan/methodList';
import { secondPot } from '../plan/potStarts';
import { pouredInto } from '../plan/secondPot';
import { runMethod } from '../model/run';
import { stepsOf } from '../cook/steps';
import { forecast } from '../model/forecast';
import { FAMILIES, PlanSchema } from '../plan/plan';
import { familyPlan, testPlan } from '../testing';
import { cookOn, evening, potOf } from '../testingEvening';
import { inOrder, RunSchema, type Act } from './act';
import { asPlanned, bowlsOf, runOf } from './asPlanned';
import { planOfRun, runOfCook } from './crossing';
import { endOf } from './debrief';
import { outcomeOf } from './outcome';
import { Replay } from './replay';

describe('a run as a plan', () => {
  it.each(FAMILIES)('%s: what was practised is forecast as it came out', (family) => {
    const plan = familyPlan(family);
    const acts = asPlanned(plan);
    const endS = endOf({ acts });
    const outcome = outcomeOf(new Replay(runOf(plan, acts)), endS);
    const back = PlanSchema.parse(planOfRun(runOf(plan, acts), 'new', 'As practised', endS));
    const f = forecast(back);
    expect(Math.abs(f.serving.place - outcome.served.place)).toBeLessThan(0.08);
    expect(f.endMassG / outcome.massG).toBeCloseTo(1, 1);
  });
  it('what was done otherwise is in it: dry starch late, help from the bench, an ice bath, more dishes', () => {
    const plan = testPlan();
    const good = asPlanned(plan);
    const pouredS = endOf({ acts: good });
    const acts: Act[] = inOrder([
      ...good.map((a) => (a.do === 'pour' ? { ...a, count: 9 } : a)),
      {
        do: 'add',
        atS: pouredS - 90,
        portions: [{ ingredientId: 'sugar', grams: 25 }],
        how: 'cold together',
        stirring: 'spoon',
        tempC: 20,
        soakMin: 0,
      },
      { do: 'stand', atS: pouredS, where: 'ice bath', covered: false },
      { do: 'stand', atS: pouredS + 1800, where: 'fridge', covered: true },
      { do: 'serve', atS: pouredS + 5 * 3600 },
    ]);
    const back = PlanSchema.parse(planOfRun(runOf(plan, acts), 'new', 'As practised', pouredS + 5 * 3600));
    const sugarG = plan.things.find((i) => i.ingredientId === 'sugar')!.grams;
    expect(back.things.find((i) => i.ingredientId === 'sugar')!.grams).toBeCloseTo(sugarG + 25, 3);
    expect(back.dish.count).toBe(9);
    expect(
      ownSteps(back)!
        .filter((s) => s.do === 'rest')
        .map((s) => s.do === 'rest' && s.where),
    ).toEqual(['ice bath', 'fridge']);
    expect(back.rest.hours).toBeCloseTo(5, 1);
    expect(forecast(back).endMassG).toBeGreaterThan(0);
  });
});

describe('a pot beside the pot', () => {
  const sauce = secondPot('s', 'coconut sauce', [
    { ingredientId: 'coconut_cream', grams: 200, in: 'pot' },
    { ingredientId: 'sugar', grams: 30, in: 'pot' },
  ]);
  const plan = pouredInto({ ...testPlan(), vessels: [sauce] }, 's', 'late', 0.5);
  it('stands on the bench, cooked, and goes in as the plan has it', () => {
    expect(bowlsOf(plan).find((b) => b.use === 'late')).toMatchObject({
      portions: [],
      pots: [{ vesselId: 's', share: 0.5 }],
    });
    const acts = asPlanned(plan);
    const endS = endOf({ acts });
    const { pot } = new Replay(runOf(plan, acts)).at(endS);
    expect(massG(pot.content) / massG(runMethod(plan).atPour!.pot.content)).toBeCloseTo(1, 2);
    expect(RunSchema.parse(runOf(plan, acts)).acts).toEqual(acts);
    const back = PlanSchema.parse(planOfRun(runOf(plan, acts), 'new', 'As practised', endS));
    expect(potPartsOf(back)).toEqual([{ vesselId: 's', share: 0.5, in: 'late' }]);
    expect(stepTroubles(back)).toEqual([]);
    expect(forecast(back).endMassG / forecast(plan).endMassG).toBeCloseTo(1, 1);
  });
  it('left on the bench it is missing from the pot', () => {
    const acts = asPlanned(plan).filter((a) => a.do !== 'add' || !a.pots);
    const endS = endOf({ acts });
    const { pot } = new Replay(runOf(plan, acts)).at(endS);
    expect(massG(runMethod(plan).atPour!.pot.content) - massG(pot.content)).toBeGreaterThan(80);
  });
  it('of a cook it is in the run', () => {
    const done = cookOn(evening(plan));
    const run = runOfCook(done.cook, done.steps, done.nowMs);
    expect(run.acts.some((a) => a.do === 'add' && a.pots)).toBe(true);
    expect(massG(new Replay(run).at(endOf(run)).pot.content) / massG(potOf(done).content)).toBeCloseTo(1, 2);
  });
});

describe('a cook as a run', () => {
  it('is the pot that the cook had', () => {
    const plan = testPlan();
    const done = cookOn(evening(plan));
    const steps = stepsOf(plan, forecast(plan));
    const run = runOfCook(done.cook, steps, done.nowMs);
    const replay = new Replay(run);
    const { pot } = replay.at(endOf(run));
    const really = potOf(done);
    expect(Math.abs(pot.bulkC - really.bulkC)).toBeLessThan(2.5);
    expect(pot.content.waterG / really.content.waterG).toBeCloseTo(1, 2);
    expect(pot.fractions[0]!.gelatinised).toBeCloseTo(really.fractions[0]!.gelatinised, 1);
  });
});

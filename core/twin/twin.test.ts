import { forecast } from '../model/forecast';
import { portionsIn, mixtureOfPortions } from '../plan/bowls';
import { methodOf } from '../plan/family';
import { type HeatStep, type MethodStep, intoDish, intoPot } from '../plan/method';
import type { Plan } from '../plan/plan';
import { cook, addToPot, type Pot } from '../pot/pot';
import { runPhase } from '../pot/program';
import { additionOf, phaseOf, startPot } from '../model/run';
import { testPlan, withoutHands } from '../testing';
import {
  addToTwin,
  cookTwin,
  effectiveOf,
  fewOf,
  NO_HABITS,
  spreadOf,
  startTwin,
  tell,
  TWIN,
  withHabits,
  type Habits,
  type Seen,
  type Twin,
} from './twin';

const NOBODY: Habits = NO_HABITS;
const plan = testPlan();
/** What is done to the pot. */
const method = withoutHands(methodOf(plan));

const addition = (own: Plan, pot: Pot, step: Extract<MethodStep, { do: 'pour'; to: 'pot' }>) =>
  additionOf(step, mixtureOfPortions(portionsIn(own, step.from)), pot).addition;

/** Minutes until this pot is done (poured), cooked on by the method from step `from`. */
function minutesToDone(pot: Pot, habits: Habits, from: number): number {
  const own = withHabits(plan, habits);
  let p = pot;
  for (const step of method.slice(from)) {
    if (intoPot(step)) p = addToPot(p, addition(own.plan, p, step), own.setup);
    else if (step.do === 'heat') p = runPhase(p, own.setup, phaseOf(step)).pot;
    else if (intoDish(step)) break;
  }
  return (p.tS - pot.tS) / 60;
}

/** A real pot with other truths, cooked by the plan's method; at each moment asked, what the cook would see. */
function realCook(truth: Partial<Habits>, watch: readonly { atS: number; see: (pot: Pot) => Seen | undefined }[]) {
  const habits = { ...NOBODY, ...truth };
  const own = withHabits(plan, habits);
  let pot = startPot(own.plan, own.setup);
  let twin: Twin = startTwin(plan, 0.3, TWIN.particles);
  const heat = method[0] as HeatStep;
  const controls = phaseOf(heat);
  const errors: number[] = [];
  const widths: number[] = [];
  const said: boolean[] = [];
  const score = () => {
    const really = minutesToDone(pot, habits, 1);
    const few = fewOf(twin, 40)
      .map((f) => minutesToDone(f.pot, f.habits, 1))
      .sort((a, b) => a - b);
    // a ring too weak to bring it to the bubble at all ends at the step's limit: the middle of the cloud counts
    errors.push(Math.abs(few[20]! - really));
    const there = few.filter((m) => m < 60);
    widths.push(there[Math.floor(0.9 * there.length)]! - there[Math.floor(0.1 * there.length)]!);
  };
  score();
  for (const w of watch) {
    const dt = w.atS - pot.tS;
    pot = cook(pot, own.setup, controls, dt).pot;
    twin = cookTwin(twin, controls, dt);
    const seen = w.see(pot);
    if (seen) {
      const told = tell(twin, plan, seen);
      twin = told.twin;
      said.push(told.contradicts);
    }
    score();
  }
  return { errors, widths, twin, pot, said };
}

describe('the twin', () => {
  it('before anything is seen it is the plan, as wide as kitchens are', () => {
    const twin = startTwin(plan, 0.3);
    expect(twin.particles).toHaveLength(TWIN.particles);
    expect(TWIN.particles).toBeGreaterThanOrEqual(500);
    const hob = spreadOf(twin, (_p, h) => h.hob);
    expect(Math.abs(hob.mean)).toBeLessThan(0.12);
    expect(hob.high - hob.low).toBeGreaterThan(2.2);
    expect(effectiveOf(twin)).toBeCloseTo(500, 6);
  });
  it.each([
    ['a ring 30 % weaker', { hob: Math.log(0.7) / TWIN.hobLn }],
    ['a ring a third stronger', { hob: Math.log(1.33) / TWIN.hobLn }],
    ['a wide pan and a weak ring', { diameter: 2, hob: -1 }],
    ['milk straight from a cold fridge', { start: -1.5, hob: -0.8 }],
  ] as const)('%s: each reading brings the minute of done nearer, by numbers', (_name, truth) => {
    const probe = (pot: Pot): Seen => ({ what: 'probe', tempC: pot.bulkC });
    const { errors, widths, twin } = realCook(
      truth,
      [60, 100, 140, 180].map((atS) => ({ atS, see: probe })),
    );
    expect(errors.at(-1)!).toBeLessThan(0.6 * errors[0]!);
    expect(errors.at(-1)!).toBeLessThan(Math.min(...errors.slice(0, 2)));
    expect(widths.at(-1)!).toBeLessThan(widths[0]!);
    // resampling stays healthy: it happened, and the cloud did not collapse into one pot
    expect(new Set(twin.particles.map((p) => p.habits.hob)).size).toBeGreaterThan(100);
    expect(twin.effective).toBeGreaterThan(0.02);
  });
  it('one tap is worth something too: steam seen late says that the ring is weak', () => {
    const truth = { hob: Math.log(0.7) / TWIN.hobLn };
    const own = withHabits(plan, { ...NOBODY, ...truth });
    let pot = startPot(own.plan, own.setup);
    const controls = phaseOf(method[0] as HeatStep);
    let atS = 0;
    while (pot.bulkC < TWIN.steamC) {
      pot = cook(pot, own.setup, controls, 5).pot;
      atS += 5;
    }
    const twin = cookTwin(startTwin(plan, 0.3), controls, atS);
    const before = spreadOf(twin, (_p, h) => h.hob);
    const told = tell(twin, plan, { what: 'steams' });
    const after = spreadOf(told.twin, (_p, h) => h.hob);
    expect(told.contradicts).toBe(false);
    expect(after.mean).toBeLessThan(before.mean - 0.5);
    expect(after.high - after.low).toBeLessThan(before.high - before.low);
  });
  it('what cannot be is not swallowed: it is said, and the cloud widens instead of jumping', () => {
    const controls = phaseOf(method[0] as HeatStep);
    const twin = cookTwin(startTwin(plan, 0.3), controls, 60);
    const before = spreadOf(twin, (p) => p.bulkC);
    const width = (t: Twin) => {
      const s = spreadOf(t, (_p, h) => h.hob);
      return s.high - s.low;
    };
    const narrow = tell(twin, plan, { what: 'probe', tempC: before.mean }).twin;
    const odd = tell(narrow, plan, { what: 'probe', tempC: before.mean + 45 });
    expect(odd.contradicts).toBe(true);
    expect(odd.twin.contradicted).toBe(1);
    expect(width(odd.twin)).toBeGreaterThan(width(narrow));
    // and an ordinary reading is no contradiction
    expect(tell(narrow, plan, { what: 'probe', tempC: before.mean + 2 }).contradicts).toBe(false);
  });
  it('heaped starch is seen by the trail, and the word at serving follows', () => {
    const truth = { ...NOBODY, starch: 2.2 };
    const own = withHabits(plan, truth);
    let pot = startPot(own.plan, own.setup);
    let twin = startTwin(plan, 0.3);
    for (const step of method) {
      if (intoPot(step)) {
        pot = addToPot(pot, addition(own.plan, pot, step), own.setup);
        twin = addToTwin(twin, plan, (p, x) => addition(p, x, step));
      } else if (step.do === 'heat') {
        const end = runPhase(pot, own.setup, phaseOf(step));
        twin = cookTwin(twin, phaseOf(step), end.pot.tS - pot.tS);
        pot = end.pot;
        if (step.role === 'cook on') break;
      }
    }
    const starch = (t: Twin) => spreadOf(t, (_p, h) => h.starch).mean;
    const f = forecast(own.plan);
    const told = tell(twin, plan, { what: 'trail closes', seconds: Math.min(60, f.seen.trailS) });
    expect(starch(told.twin)).toBeGreaterThan(starch(twin) + 0.2);
  });
  it('the same seed and the same events give the same cloud', () => {
    const controls = phaseOf(method[0] as HeatStep);
    const run = () => tell(cookTwin(startTwin(plan, 0.7, 60), controls, 90), plan, { what: 'probe', tempC: 55 }).twin;
    expect(run()).toEqual(run());
  });
});

import { withLine } from '../plan/layout';
import { forecast } from '../model/forecast';
import { candidatesFor, swapIngredient } from '../advice/substitutes';
import { methodOf } from '../plan/family';
import { lookUp } from '../plan/bowls';
import { type Plan, FAMILIES } from '../plan/plan';
import { DEFAULT_SETTINGS } from '../settings';
import { familyPlan, wanting } from '../testing';
import { workOf } from '../day/tasks';
import { english } from '../../words/english';
import { formatter } from '../../words/format';
import { stepWords } from '../../words/potSteps';
import { doneAtMs } from './done';
import { CookEventSchema, type CookEvent } from './events';
import { foldCook } from './fold';
import { livePot } from './live';
import { stepsOf } from './steps';

/** What a room said of a pot and that was not so. */
const T0 = Date.parse('2026-12-12T12:00:00.000Z');
const event = (kind: CookEvent['kind'], s: number, rest: object = {}): CookEvent =>
  CookEventSchema.parse({ kind, id: `e${s}`, at: new Date(T0 + s * 1000).toISOString(), ...rest });

it('a reduction that the plan waits an hour for is waited for at the pot as well', () => {
  const plan = familyPlan('frozen cream');
  const whole = forecast(plan);
  const steps = stepsOf(plan, whole);
  const reduce = steps.findIndex((s) => s.role === 'reduce');
  expect(steps[reduce]!.seconds / 60).toBeGreaterThan(45);
  const events = [
    event('started', 0),
    ...steps.slice(0, reduce).map((s, i) => event('stepDone', 60 + 300 * i, { step: s.id })),
  ];
  const live = livePot({ id: 'c', plan, events }, steps, T0 + (60 + 300 * reduce + 60) * 1000);
  expect(live.cueInS / 60).toBeGreaterThan(40);
  expect(live.turnTo).toBeUndefined();
});

describe('when the work is over', () => {
  const plan = familyPlan('baked custard');
  const steps = stepsOf(plan, forecast(plan));
  const at = (...events: CookEvent[]) => foldCook({ events: [event('started', 0), ...events] }, steps);
  const past = (role: string) =>
    steps
      .slice(
        0,
        steps.findIndex((s) => s.role === role),
      )
      .map((s, i) => event('stepDone', 10 + i, { step: s.id }));
  it('is the end of the bake while it bakes, and nothing once that is past', () => {
    const state = at(...past('bake'));
    const bake = steps.find((s) => s.role === 'bake')!;
    expect(doneAtMs(steps, state, T0 + 600_000, { atMs: T0, doneInS: 30 })).toBe(
      state.stepStartedMs + bake.seconds * 1000,
    );
    expect(doneAtMs(steps, state, T0 + 6 * 3_600_000, undefined)).toBeUndefined();
  });
  it('is what the model says on the hob, never a time that is past', () => {
    const state = at(...past('warm'));
    expect(doneAtMs(steps, state, T0, { atMs: T0, doneInS: 30 })).toBe(T0 + 30_000);
    expect(doneAtMs(steps, state, T0 + 31_000, { atMs: T0, doneInS: 30 })).toBeUndefined();
    expect(doneAtMs(steps, state, T0, undefined)).toBeUndefined();
    expect(doneAtMs(steps, { ...state, paused: true }, T0, { atMs: T0, doneInS: 30 })).toBeUndefined();
  });
});

it('a dish that is served before it is cold is said to be warm, with its degrees', () => {
  const plan = familyPlan('starch-set milk pudding');
  const at = (hours: number, tempC = 8): Plan => ({
    ...plan,
    rest: { ...plan.rest, hours, roomMin: 15 },
    serve: { ...plan.serve, tempC },
  });
  const soon = forecast(at(0));
  expect(soon.atTableC).toBeGreaterThan(85);
  const caution = soon.cautions.find((c) => c.id === 'still-warm');
  expect(english(caution!.says)).toMatch(/still at 8\d °C, not 8 °C/);
  const ids = (p: Plan) => forecast(p).cautions.map((c) => c.id);
  expect(ids(at(6))).not.toContain('still-warm');
  expect(ids(at(0, 60))).not.toContain('still-warm');
});

it('a day whisks no slurry where there is none', () => {
  const weighing = (plan: Plan) =>
    workOf({ plan, forecast: forecast(plan) }, [])
      .tasks.map((task) => english(task.says))
      .filter((s) => /in grams/.test(s));
  expect(weighing(familyPlan('whole-rice pudding'))).toEqual(['everything in grams']);
  expect(weighing(familyPlan('starch-set milk pudding'))).toEqual(['everything in grams, the slurry whisked']);
});

it('nothing rests for no minutes', () => {
  for (const family of FAMILIES)
    for (const hours of [0, 0.1, 0.25, 6])
      for (const cooling of ['room first', 'straight to the cold', 'freezer', 'ice bath'] as const) {
        const plan = familyPlan(family, { choices: { cooling } });
        const rests = methodOf({ ...plan, rest: { ...plan.rest, hours, roomMin: 15 } }).filter((s) => s.do === 'rest');
        expect(rests.length).toBeGreaterThan(0);
        if (hours > 0) for (const r of rests) expect(r.minutes).toBeGreaterThan(0);
        expect(rests.reduce((sum, r) => sum + r.minutes, 0)).toBeCloseTo(hours * 60, 6);
      }
});

it('the lowest heat is said of the lowest rings alone', () => {
  const fmt = formatter(DEFAULT_SETTINGS);
  for (const simmerSetting of [2, 3, 4, 6, 9]) {
    const rice = familyPlan('whole-rice pudding', { choices: { stirring: 'lid on, now and then' } });
    const plan = { ...rice, method: { ...rice.method, simmerSetting } };
    for (const step of stepsOf(plan, { phases: [] }))
      if (/lowest/i.test(stepWords(step, plan, fmt, undefined).title)) expect(step.setting).toBeLessThanOrEqual(2);
  }
});

describe('a thickener that is not in the house', () => {
  const plans = (['starch-set milk pudding', 'ground-rice cream', 'porridge', 'baked slab'] as const).flatMap(
    (family) => (['drinks', 'slices'] as const).map((word) => wanting(familyPlan(family), word)),
  );
  it.each(plans.map((plan) => [plan.family, plan.serve.word, plan] as const))(
    'is exchanged for any other in a %s that %s',
    (_family, _word, plan) => {
      const from = plan.things.find((i) => lookUp(plan, i.ingredientId).group === 'thickener')!.ingredientId;
      const candidates = candidatesFor(plan, from);
      expect(candidates.length).toBeGreaterThan(3);
      for (const c of candidates) {
        const s = swapIngredient(plan, from, c);
        expect(s.ok).toBe(true);
        expect(s.plan.things.map((i) => i.ingredientId)).toContain(c.toId);
        expect(s.plan.things.map((i) => i.ingredientId)).not.toContain(from);
        // what cannot be brought back is said
        if (s.ok && !s.held) expect(s.why).toBeDefined();
      }
    },
  );
  it('also where no amount gives the set: the nearest is taken, and said', () => {
    // a pinch beside what sets it: the least that is tried is more than the pinch was
    const firm = familyPlan('baked slab');
    const plan = withLine(firm, { ingredientId: 'rice_flour', grams: 0.1, in: 'slurry' });
    const s = swapIngredient(plan, 'rice_flour', { toId: 'cornstarch', note: undefined, factor: 1 });
    expect(s).toMatchObject({ ok: true, held: false });
    expect(s.ok && english(s.why!)).toMatch(/firmer/);
  });
});

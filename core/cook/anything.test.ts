import * as fc from 'fast-check';
import { FAMILIES, type Family } from '../plan/plan';
import { forecast } from '../model/forecast';
import { familyPlan } from '../testing';
import { fewOf } from '../twin/twin';
import { CookSchema, MEASURES, OBSERVATIONS, type Cook, type CookEvent } from './events';
import { foldCook } from './fold';
import { followTwin, viewOf } from './follow';
import { guideOf } from './guides';
import { controlsNow, livePot, onTheHob } from './live';
import { marginsOf } from './margins';
import { paceOf } from './pacer';
import { changesOf, stepsOf } from './steps';

/** Whatever a cook taps, in whatever order, the pot has an answer that can be shown. */
const T0 = Date.parse('2026-12-12T12:00:00.000Z');
const dishes = Object.fromEntries(
  FAMILIES.map((f) => {
    const plan = familyPlan(f);
    const whole = forecast(plan);
    return [f, { plan, whole, ids: stepsOf(plan, whole).map((s) => s.id) }];
  }),
) as Record<Family, { plan: Cook['plan']; whole: ReturnType<typeof forecast>; ids: string[] }>;

type Tap = CookEvent extends infer E ? (E extends CookEvent ? Omit<E, 'id' | 'at'> : never) : never;
const tapOf = (family: Family): fc.Arbitrary<Tap> => {
  const { ids, plan } = dishes[family];
  const item = fc.constantFrom(...plan.things.map((i) => i.ingredientId));
  return fc.oneof(
    // a cook mostly goes on
    { weight: 8, arbitrary: fc.constantFrom(...ids).map((step): Tap => ({ kind: 'stepDone', step })) },
    { weight: 3, arbitrary: fc.constantFrom(...OBSERVATIONS).map((what): Tap => ({ kind: 'observed', what })) },
    fc
      .record({ what: fc.constantFrom(...MEASURES), value: fc.double({ min: 0, max: 400, noNaN: true }) })
      .map((m): Tap => ({ kind: 'measured', ...m })),
    fc.integer({ min: 0, max: 9 }).map((setting): Tap => ({ kind: 'hobSet', setting })),
    fc.constantFrom('off', 'ajar', 'on').map((lid): Tap => ({ kind: 'lidSet', lid })),
    fc.boolean().map((resting): Tap => ({ kind: 'spoon', resting })),
    fc.constantFrom('paused', 'resumed', 'steppedBack', 'stirred', 'ladled').map((kind): Tap => ({ kind })),
    fc
      .record({ ingredientId: item, grams: fc.integer({ min: 0, max: 200 }) })
      .map((p): Tap => ({ kind: 'added', portions: [p], tempC: 20, how: 'stirred in', why: 'own' })),
    fc
      .constantFrom(...ids)
      .chain((step) => fc.integer({ min: 0, max: 20 }).map((minutes): Tap => ({ kind: 'longer', step, minutes }))),
    fc.integer({ min: -900, max: 900 }).map((s): Tap => ({ kind: 'clock', byMs: s * 1000 })),
    fc.integer({ min: 0, max: 30 }).map((n): Tap => ({ kind: 'undone', target: `e${n}` })),
    fc
      .record({ n: fc.integer({ min: 1, max: 30 }), s: fc.integer({ min: 0, max: 3000 }) })
      .map(({ n, s }): Tap => ({ kind: 'moved', target: `e${n}`, to: new Date(T0 + s * 1000).toISOString() })),
  );
};
/** taps with the seconds between them, after the pot was lit and weighed */
const evenings = (family: Family) =>
  fc
    .array(fc.tuple(fc.integer({ min: 0, max: 400 }), tapOf(family)), { maxLength: 22 })
    .map((taps): { cook: Cook; nowMs: number } => {
      let ms = T0;
      // the first few steps in their order, so that there is a pot to speak of
      const lead: [number, Tap][] = dishes[family].ids.slice(0, 3).map((step) => [90, { kind: 'stepDone', step }]);
      const events = [[0, { kind: 'started' } as Tap] as [number, Tap], ...lead, ...taps].map(([s, tap], i) => ({
        ...tap,
        id: `e${i}`,
        at: new Date((ms += s * 1000)).toISOString(),
      }));
      return { cook: CookSchema.parse({ id: 'c', plan: dishes[family].plan, events }), nowMs: ms + 20_000 };
    });

it.each(FAMILIES)('a %s: any taps in any order leave a pot that can be shown', (family) => {
  fc.assert(
    fc.property(evenings(family), ({ cook, nowMs }) => {
      const steps = stepsOf(cook.plan, dishes[family].whole, changesOf(cook));
      const state = foldCook(cook, steps);
      expect(state.stepIndex).toBeGreaterThanOrEqual(0);
      expect(state.stepIndex).toBeLessThan(steps.length);
      // told again from its own text it is the same
      expect(foldCook(CookSchema.parse(JSON.parse(JSON.stringify(cook))), steps)).toEqual(state);

      const followed = followTwin(cook, steps, nowMs, undefined, 24);
      const view = viewOf(followed, cook, steps);
      expect(view.heartC.low).toBeLessThanOrEqual(view.heartC.high);
      for (const spread of [view.heartC, view.ring, view.cueInS, view.thickensInS, view.doneInS])
        if (spread) for (const x of [spread.low, spread.mean, spread.high]) expect(Number.isFinite(x)).toBe(true);
      expect(view.heartC.high).toBeLessThan(400);

      const live = livePot(cook, steps, nowMs, view.habits);
      expect(live.forecast.serving.place).toBeGreaterThanOrEqual(0);
      expect(live.forecast.serving.place).toBeLessThanOrEqual(6);
      expect(live.now.massG).toBeGreaterThan(0);
      if (!followed.begun.size || state.stage !== 'cooking') return;

      const controls = controlsNow(cook, steps, nowMs);
      for (const m of marginsOf(fewOf(followed.twin, 4), controls)) {
        expect(m.used).toBeGreaterThanOrEqual(0);
        expect(Number.isFinite(m.used + m.trendPerMin + m.unavoidable)).toBe(true);
      }
      const step = steps[state.stepIndex]!;
      const on = onTheHob(cook, steps, nowMs, view.habits);
      const pace = paceOf({ step, steps, state, nowMs, setup: on.setup, pot: on.pot, controls });
      expect(pace.everyS).toBeGreaterThan(0);
      expect(pace.owedMin).toBeGreaterThanOrEqual(0);
      const guide = guideOf({
        step,
        plan: on.plan,
        setup: on.setup,
        pot: on.pot,
        fromG: on.fromG,
        ladled: state.ladles,
        forecast: live.forecast,
      });
      // what never comes is Infinity; only a layer that nothing carries has no minute
      for (const [name, x] of Object.entries(guide ?? {})) if (name !== 'carriesMin') expect(x).not.toBeNaN();
    }),
    { numRuns: 5, seed: 3 },
  );
});

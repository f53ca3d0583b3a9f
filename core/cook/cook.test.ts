import * as fc from 'fast-check';
import { forecast } from '../forecast';
import { pantry, testPlan } from '../testing';
import { CookEventSchema, type Cook, type CookEvent } from './events';
import { countingEvents, foldCook, stepSeconds } from './fold';
import { fittedPower, livePot } from './live';
import { stepsOf } from './steps';

const plan = testPlan();
const promised = forecast(plan, pantry);
const steps = stepsOf(plan, pantry, promised);
const T0 = Date.parse('2026-12-12T12:00:00.000Z');

/** Events from short notes: kind, seconds after the start, anything else. */
let n = 0;
const ev = (kind: CookEvent['kind'], s: number, rest: object = {}): CookEvent =>
  CookEventSchema.parse({ kind, id: `e${n++}`, at: new Date(T0 + s * 1000).toISOString(), ...rest });
const done = (step: string, s: number) => ev('stepDone', s, { step });
const cookOf = (...events: CookEvent[]): Cook => ({ id: 'c', plan, events });

describe('steps', () => {
  it('come from the plan: its amounts, its minutes, its kept-back milk', () => {
    expect(steps.map((s) => s.id)).toEqual(['weigh', 'slurry', 'warm', 'thicken', 'cook on', 'off the heat', 'pour']);
    const slurry = steps[1]!.portions;
    expect(slurry.find((p) => p.carved)!.grams).toBe(plan.carveOuts[0]!.grams);
    expect(steps[4]!.seconds).toBe(plan.method.cookOnMin * 60);
    expect(steps[3]!.seconds).toBeGreaterThan(60);
  });
});

describe('the fold', () => {
  it('walks through the steps by wall clock', () => {
    const c = cookOf(ev('started', 0), done('weigh', 100), done('slurry', 160));
    const s = foldCook(c, steps);
    expect(steps[s.stepIndex]!.id).toBe('warm');
    expect(stepSeconds(s, T0 + 200_000)).toBe(40);
  });
  it('ends poured, then the fridge, then turned out', () => {
    const all = steps.map((s, i) => done(s.id, 10 + i));
    const s = foldCook(cookOf(ev('started', 0), ...all, ev('intoFridge', 60), ev('turnedOut', 90)), steps);
    expect(s.stage).toBe('turned out');
    expect((s.fridgeMs - s.pouredMs) / 1000).toBe(60 - 16);
  });
  it('does not count the time of a pause', () => {
    const s = foldCook(cookOf(ev('started', 0), ev('paused', 30), ev('resumed', 90)), steps);
    expect(stepSeconds(s, T0 + 100_000)).toBe(40);
    const still = foldCook(cookOf(ev('started', 0), ev('paused', 30)), steps);
    expect(stepSeconds(still, T0 + 500_000)).toBe(30);
  });
  it('goes back a step to where that step had begun', () => {
    const s = foldCook(cookOf(ev('started', 0), done('weigh', 100), ev('steppedBack', 120)), steps);
    expect(s.stepIndex).toBe(0);
    expect(stepSeconds(s, T0 + 130_000)).toBe(130);
  });
  it('undoes any event and forgets nothing', () => {
    const lumps = ev('observed', 50, { what: 'lumps' });
    const c = cookOf(ev('started', 0), lumps, ev('undone', 60, { target: lumps.id }));
    expect(foldCook(c, steps).observations).toEqual([]);
    expect(c.events).toHaveLength(3);
  });
  it('closes a step once though two tabs say so', () => {
    const s = foldCook(cookOf(ev('started', 0), done('weigh', 100), done('weigh', 100.4)), steps);
    expect(s.stepIndex).toBe(1);
  });
  it('is a prefix fold: undoing the last event gives the state before it', () => {
    const pool = [ev('started', 0), ...steps.map((s, i) => done(s.id, 20 * (i + 1)))];
    fc.assert(
      fc.property(fc.integer({ min: 2, max: pool.length }), (k) => {
        const some = pool.slice(0, k);
        const last = some[k - 1]!;
        const { lastEvent: _a, ...undone } = foldCook(cookOf(...some, ev('undone', 999, { target: last.id })), steps);
        const { lastEvent: _b, ...before } = foldCook(cookOf(...some.slice(0, -1)), steps);
        expect(undone).toEqual(before);
      }),
    );
  });
  it('puts a late-noted event where it happened', () => {
    const c = cookOf(ev('started', 0), done('weigh', 100), ev('observed', 50, { what: 'steams' }));
    expect(countingEvents(c).map((e) => e.kind)).toEqual(['started', 'observed', 'stepDone']);
  });
});

describe('the live pot', () => {
  const upTo = (warmS: number, ...more: CookEvent[]) =>
    cookOf(ev('started', 0), done('weigh', 100), done('slurry', 160), done('warm', 160 + warmS), ...more);
  const warm = steps[2]!.seconds;

  it('stands where the plan said when it is cooked as planned', () => {
    const live = livePot(upTo(warm), steps, pantry, T0 + (160 + warm) * 1000);
    expect(Math.abs(live.now.bulkC - plan.method.slurryAtC)).toBeLessThan(2);
    expect(Math.abs(live.cueInS - steps[3]!.seconds)).toBeLessThan(15);
    expect(live.forecast.serving.word).toBe(promised.serving.word);
  });
  it('is the same whether it is asked once or replayed from a reload', () => {
    const c = upTo(warm);
    const at = T0 + (200 + warm) * 1000;
    expect(livePot(JSON.parse(JSON.stringify(c)) as Cook, steps, pantry, at)).toEqual(livePot(c, steps, pantry, at));
  });
  it('cools while it is paused and says so', () => {
    const c = upTo(warm, ev('paused', 170 + warm));
    const soon = livePot(c, steps, pantry, T0 + (180 + warm) * 1000).now.bulkC;
    const later = livePot(c, steps, pantry, T0 + (780 + warm) * 1000).now.bulkC;
    expect(later).toBeLessThan(soon - 3);
  });
  it('never gets there with the hob off', () => {
    const c = upTo(warm, ev('hobSet', 161 + warm, { setting: 0 }));
    expect(livePot(c, steps, pantry, T0 + (170 + warm) * 1000).cueInS).toBeNaN();
  });
  it.each([0.75, 1.3])('learns from the first bubble that the ring gives %f of its rating', (factor) => {
    const weak = { ...plan, hob: { ...plan.hob, powerTrim: factor } };
    const real = stepsOf(weak, pantry, forecast(weak, pantry));
    const bubbleAt = 160 + real[2]!.seconds + real[3]!.seconds;
    const c = upTo(real[2]!.seconds, ev('observed', bubbleAt, { what: 'first bubble' }), done('thicken', bubbleAt));
    expect(Math.abs(fittedPower(c, steps, pantry) / factor - 1)).toBeLessThan(0.06);
  });
});

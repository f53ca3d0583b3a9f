import { intoDish } from '../plan/method';
import { partsOf, withLine, withOwnSteps, withParts } from '../plan/layout';
import * as fc from 'fast-check';
import { forecast } from '../model/forecast';
import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import { familyPlan, testPlan } from '../testing';
import { CookEventSchema, type Cook, type CookEvent } from './events';
import { countingEvents } from './counting';
import { foldCook, stepSeconds } from './fold';
import { followTwin, seenBy, viewOf } from './follow';
import { controlsNow, inTheOven, livePot } from './live';
import { ringDiffers } from './ring';
import { changesOf, notInYet, stepsOf, type Step } from './steps';

const plan = testPlan();
const promised = forecast(plan);
const steps = stepsOf(plan, promised);
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
    expect(slurry.find((p) => p.carved)!.grams).toBe(partsOf(plan)[0]!.grams);
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
  it('a cook whose steps were in another order, or one fewer, still comes to its end', () => {
    // as an earlier version had them: two the other way about, and one that was not there
    const order = ['weigh', 'slurry', 'thicken', 'warm', 'off the heat', 'pour'];
    const s = foldCook(cookOf(ev('started', 0), ...order.map((id, i) => done(id, 10 + i))), steps);
    expect(s.stage).toBe('poured');
    expect((s.pouredMs - T0) / 1000).toBe(15);
    expect(s.done.map((d) => d.step)).toEqual(steps.map((x) => x.id));
    // and what another tab said a second time counts once
    const twice = foldCook(cookOf(ev('started', 0), done('weigh', 10), done('slurry', 11), done('weigh', 12)), steps);
    expect(steps[twice.stepIndex]!.id).toBe('warm');
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
  it('a clock that was changed moves what was noted before it, so that a step goes on where it was', () => {
    const before = foldCook(cookOf(ev('started', 0), done('weigh', 100)), steps);
    const changed = cookOf(ev('started', 0), done('weigh', 100), ev('clock', 3760, { byMs: 3_600_000 }));
    const after = foldCook(changed, steps);
    expect(stepSeconds(after, T0 + 3_760_000)).toBe(stepSeconds(before, T0 + 160_000));
    const back = cookOf(ev('started', 0), done('weigh', 100), ev('clock', -3440, { byMs: -3_600_000 }));
    expect(stepSeconds(foldCook(back, steps), T0 - 3_440_000)).toBe(60);
  });
  it('keeps when a pot beside the pot went on and was done', () => {
    const on = ev('side', 30, { side: 's', done: false });
    expect(foldCook(cookOf(ev('started', 0), on), steps).sides['s']!.doneMs).toBeNaN();
    const off = foldCook(cookOf(ev('started', 0), on, ev('side', 90, { side: 's', done: true })), steps);
    expect(off.sides['s']).toEqual({ startedMs: T0 + 30_000, doneMs: T0 + 90_000 });
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
    const live = livePot(upTo(warm), steps, T0 + (160 + warm) * 1000);
    expect(Math.abs(live.now.bulkC - plan.method.slurryAtC)).toBeLessThan(2);
    expect(Math.abs(live.cueInS - steps[3]!.seconds)).toBeLessThan(15);
    expect(live.forecast.serving.word).toBe(promised.serving.word);
  });
  it('is the same whether it is asked once or replayed from a reload', () => {
    const c = upTo(warm);
    const at = T0 + (200 + warm) * 1000;
    expect(livePot(JSON.parse(JSON.stringify(c)) as Cook, steps, at)).toEqual(livePot(c, steps, at));
  });
  it('cools while it is paused and says so', () => {
    const c = upTo(warm, ev('paused', 170 + warm));
    const soon = livePot(c, steps, T0 + (180 + warm) * 1000).now.bulkC;
    const later = livePot(c, steps, T0 + (780 + warm) * 1000).now.bulkC;
    expect(later).toBeLessThan(soon - 3);
  });
  it('keeps its minutes while it is paused: its forecast is that of the pot that is gone on with now', () => {
    const thick = 160 + warm + steps[3]!.seconds;
    const c = upTo(warm, done('thicken', thick), ev('paused', thick + 20));
    const left = steps[4]!.seconds - 20;
    const places = [25, 145].map((s) => {
      const paused = livePot(c, steps, T0 + (thick + s) * 1000);
      const on = { ...c, events: [...c.events, ev('resumed', thick + s)] };
      const resumed = livePot(on, steps, T0 + (thick + s + 1) * 1000);
      // none of its minutes is used up, and nothing jumps when the ring is lit again
      expect(paused.cueInS).toBeCloseTo(left, 0);
      expect(Math.abs(resumed.cueInS - left)).toBeLessThan(2);
      expect(Math.abs(resumed.forecast.serving.place - paused.forecast.serving.place)).toBeLessThan(0.03);
      return paused.forecast.serving.place;
    });
    // that the pot has cooled meanwhile costs a little, that it went on swelling in its own heat gives a little back
    expect(Math.abs(places[0]! - places[1]!)).toBeLessThan(0.4);
  });
  it('never gets there with the hob off', () => {
    const c = upTo(warm, ev('hobSet', 161 + warm, { setting: 0 }));
    expect(livePot(c, steps, T0 + (170 + warm) * 1000).cueInS).toBeNaN();
  });
  it.each([0.75, 1.3])('learns from the first bubble that the ring gives %f of its rating', (factor) => {
    const weak = { ...plan, hob: { ...plan.hob, powerTrim: factor } };
    const real = stepsOf(weak, forecast(weak));
    const bubbleAt = 160 + real[2]!.seconds + real[3]!.seconds;
    const c = upTo(real[2]!.seconds, ev('observed', bubbleAt, { what: 'first bubble' }), done('thicken', bubbleAt));
    const f = followTwin(c, steps, T0 + bubbleAt * 1000);
    const { ring } = viewOf(f, c, steps);
    expect(Math.abs(ring.mean / factor - 1)).toBeLessThan(0.12);
    // narrower than before anything was seen
    expect(ring.high - ring.low).toBeLessThan(0.45);
  });
});

describe('the twin follows the cook', () => {
  const warm = steps[2]!.seconds;
  const lit = (...more: CookEvent[]) => cookOf(ev('started', 0), done('weigh', 100), done('slurry', 160), ...more);
  const few = 60;
  it('goes on from where it was, and says the same as one that begins again', () => {
    const c = lit(ev('measured', 160 + warm / 2, { what: 'probe', value: 40 }), done('warm', 160 + warm));
    const at = (s: number) => T0 + s * 1000;
    const half = followTwin(c, steps, at(160 + warm / 3), undefined, few);
    const on = followTwin(c, steps, at(200 + warm), half, few);
    const whole = followTwin(c, steps, at(200 + warm), undefined, few);
    const heart = (f: typeof on) => viewOf(f, c, steps).heartC.mean;
    // the integrator stops at another place, nothing else differs
    expect(Math.abs(heart(on) - heart(whole))).toBeLessThan(1);
    expect(on.known).toEqual(whole.known);
    expect([...on.begun]).toEqual([...whole.begun]);
  });
  it('what was noted late or undone makes it begin again', () => {
    const at = T0 + (160 + warm) * 1000;
    const before = followTwin(lit(), steps, at, undefined, few);
    const late = lit(ev('measured', 160 + warm / 2, { what: 'probe', value: 20 }));
    expect(followTwin(late, steps, at + 1000, before, few)).toEqual(followTwin(late, steps, at + 1000, undefined, few));
    const undone = lit(
      ev('measured', 160 + warm / 2, { what: 'probe', value: 20, id: 'm' }),
      ev('undone', 161 + warm, { target: 'm' }),
    );
    const colder = followTwin(late, steps, at + 2000, undefined, few);
    const again = followTwin(undone, steps, at + 2000, colder, few);
    expect(again.known.some((k) => k.startsWith('m@'))).toBe(false);
  });
  it('a thermometer that reads low moves the minute of the cue, with its doubt; a wild one is called odd', () => {
    const at = T0 + (160 + warm / 2) * 1000;
    const blind = viewOf(followTwin(lit(), steps, at), lit(), steps);
    const low = lit(ev('measured', 160 + warm / 2, { what: 'probe', value: blind.heartC.mean - 8 }));
    const told = viewOf(followTwin(low, steps, at), low, steps);
    expect(told.odd).toBeUndefined();
    expect(told.heartC.mean).toBeLessThan(blind.heartC.mean - 4);
    expect(told.cueInS!.mean).toBeGreaterThan(blind.cueInS!.mean + 5);
    expect(told.heartC.high - told.heartC.low).toBeLessThan(blind.heartC.high - blind.heartC.low);
    expect(told.doneInS!.low).toBeLessThanOrEqual(told.doneInS!.high);
    const wild = lit(ev('measured', 160 + warm / 2, { what: 'probe', value: blind.heartC.mean + 50, id: 'wild' }));
    expect(viewOf(followTwin(wild, steps, at), wild, steps).odd).toBe('wild');
  });
  it('says when it will first thicken, and no more once it has', () => {
    const at = T0 + (160 + warm / 2) * 1000;
    const before = viewOf(followTwin(lit(), steps, at, undefined, few), lit(), steps);
    expect(before.thickensInS!.mean).toBeGreaterThan(before.cueInS!.mean);
    expect(before.thickensInS!.mean).toBeLessThan(before.doneInS!.mean);
    const on = lit(done('warm', 160 + warm));
    const after = T0 + (160 + warm + 0.95 * steps[3]!.seconds) * 1000;
    const view = viewOf(followTwin(on, steps, after, undefined, few), on, steps);
    expect(view.thickensInS).toBeUndefined();
    expect(view.doneInS).toBeDefined();
  });
  it('a hob that says another setting is told apart from one that was just turned', () => {
    const at = (s: number) => T0 + s * 1000;
    const c = lit(ev('hobSet', 200, { setting: 6 }));
    expect(ringDiffers(c, 6, { setting: 6, sinceMs: at(0) }, at(300))).toBe(false);
    expect(ringDiffers(c, 6, { setting: 8, sinceMs: at(150) }, at(202))).toBe(false);
    expect(ringDiffers(c, 6, { setting: 8, sinceMs: at(150) }, at(206))).toBe(true);
    expect(ringDiffers(c, 6, { setting: 8, sinceMs: at(300) }, at(302))).toBe(false);
  });
  it('the pan on the scale counts without the pan', () => {
    const at = new Date(T0).toISOString();
    const heavy = { ...plan, pan: { ...plan.pan, massG: 1000 } };
    const weighed = (value: number) => seenBy({ kind: 'measured', id: 'a', at, what: 'scale', value }, heavy);
    expect(weighed(1900)).toEqual({ what: 'scale', massG: 900 });
    expect(weighed(900)).toBeUndefined();
    expect(seenBy({ kind: 'noted', id: 'a', at, text: 'x' }, plan)).toBeUndefined();
  });
  it('what was noted at a wrong time counts at the right one once it is corrected', () => {
    const at = T0 + (160 + warm) * 1000;
    const early = ev('measured', 160 + warm / 4, { what: 'probe', value: 30, id: 'm' });
    const wrong = lit({ ...early, at: new Date(at - 1000).toISOString() });
    const first = followTwin(wrong, steps, at, undefined, few);
    const mended: Cook = {
      ...wrong,
      events: [...wrong.events, ev('moved', 170 + warm, { target: 'm', to: early.at })],
    };
    expect(countingEvents(mended).find((e) => e.id === 'm')!.at).toBe(early.at);
    const then = followTwin(mended, steps, at + 1000, first, few);
    expect(then).toEqual(followTwin(mended, steps, at + 1000, undefined, few));
    expect(then.known).not.toEqual(first.known);
  });
});

describe('beside the plan', () => {
  const warm = steps[2]!.seconds;
  const thick = steps[3]!.seconds;
  const cooking = (...more: CookEvent[]) =>
    cookOf(
      ev('started', 0),
      done('weigh', 100),
      done('slurry', 160),
      done('warm', 160 + warm),
      done('thicken', 160 + warm + thick),
      ...more,
    );
  const now = 200 + warm + thick;
  it('what is stirred in is in the pot and in the forecast; undone it is out again', () => {
    const milk = ev('added', now - 10, {
      portions: [{ ingredientId: 'milk_whole', grams: 150 }],
      tempC: 60,
      how: 'stirred in',
      why: 'fix',
      id: 'milk',
    });
    const before = livePot(cooking(), steps, T0 + now * 1000);
    const after = livePot(cooking(milk), steps, T0 + now * 1000);
    expect(after.now.massG - before.now.massG).toBeGreaterThan(148);
    expect(after.forecast.serving.place).toBeLessThan(before.forecast.serving.place - 0.3);
    const undone = livePot(cooking(milk, ev('undone', now, { target: 'milk' })), steps, T0 + now * 1000);
    expect(undone.now.massG).toBeCloseTo(before.now.massG, 6);
  });
  it('an undoing that is undone brings the event back', () => {
    const lumps = ev('observed', 50, { what: 'lumps' });
    const undo = ev('undone', 60, { target: lumps.id });
    const c = cookOf(ev('started', 0), lumps, undo, ev('undone', 70, { target: undo.id }));
    expect(foldCook(c, steps).observations).toHaveLength(1);
  });
  it('more fire after a correction is a step of its own, and minutes more are the step’s', () => {
    const heat = [
      { do: 'heat', role: 'thicken', setting: 5, until: { reach: 'bubble' } },
      { do: 'heat', role: 'cook on', setting: 3, until: { reach: 'time', minutes: 2 } },
    ];
    const c = cooking(
      ev('added', now, { id: 'more', portions: [], tempC: 6, how: 'slurry', why: 'fix', after: 'cook on', heat }),
      ev('longer', now, { step: 'cook on', minutes: 3 }),
    );
    const changed = stepsOf(plan, promised, changesOf(c));
    expect(changed.map((s) => s.id)).toEqual([
      'weigh',
      'slurry',
      'warm',
      'thicken',
      'cook on',
      'more',
      'more/2',
      'off the heat',
      'pour',
    ]);
    expect(changed.map((s) => s.role).slice(4, 7)).toEqual(['cook on', 'thicken', 'cook on']);
    expect(changed[4]!.seconds).toBe(plan.method.cookOnMin * 60 + 180);
    expect(livePot(c, changed, T0 + now * 1000).forecast.serving.word).toBeDefined();
  });
  it('a correction’s fire keeps its name when another correction is taken back', () => {
    const fire = [{ do: 'heat', role: 'thicken', setting: 5, until: { reach: 'bubble' } }];
    const fix = (id: string, after: string) =>
      ev('added', now, { id, portions: [], tempC: 6, how: 'slurry', why: 'fix', after, heat: fire });
    const both = [fix('first', 'cook on'), fix('second', 'off the heat'), done('second', now + 300)];
    const ids = (...more: CookEvent[]) =>
      stepsOf(plan, promised, changesOf(cooking(...both, ...more))).map((s) => s.id);
    expect(ids()).toEqual(expect.arrayContaining(['first', 'second']));
    expect(ids(ev('undone', now + 400, { target: 'first' }))).toContain('second');
    expect(ids(ev('undone', now + 400, { target: 'first' }))).not.toContain('first');
  });
  it('what a step is called decides nothing: renamed, it is watched, cautioned and baked as before', () => {
    const method = methodOf(plan);
    const own = (rename: boolean) =>
      withOwnSteps(
        plan,
        method.map((s) => (s.do === 'heat' && rename ? { ...s, name: `ours, ${s.role}` } : s)),
      );
    const bare = ({ id, role, cue, watch }: Step) => ({ id, role, cue, watch });
    expect(stepsOf(own(true), promised).map(bare)).toEqual(stepsOf(own(false), promised).map(bare));
    const weak = (p: Plan) => ({ ...p, hob: { ...p.hob, ratedW: 200 } });
    const cautions = forecast(weak(own(false))).cautions;
    expect(forecast(weak(own(true))).cautions).toEqual(cautions);
    expect(cautions.length).toBeGreaterThan(forecast(own(true)).cautions.length);
    const slab = familyPlan('baked slab');
    const named = withOwnSteps(
      slab,
      methodOf(slab).map((s) => (s.do === 'bake' ? { ...s, name: 'bread oven' } : s)),
    );
    const oven = stepsOf(named, forecast(named)).find((s) => s.role === 'bake')!;
    expect([oven.name, inTheOven(oven)]).toEqual(['bread oven', true]);
  });
  it('a method that does not pour cooks its last fire once', () => {
    const method = methodOf(plan);
    const noPour = withOwnSteps(
      plan,
      method.filter((s) => !intoDish(s)),
    );
    const own = stepsOf(noPour, forecast(noPour));
    const at = own.findIndex((s) => s.role === 'off the heat');
    let s = 0;
    const c = {
      id: 'c',
      plan: noPour,
      events: [ev('started', 0), ...own.slice(0, at).map((x) => done(x.id, (s += x.seconds)))],
    };
    const live = livePot(c, own, T0 + (s + 30) * 1000);
    const poured = livePot({ ...c, plan: withOwnSteps(noPour, method) }, own, T0 + (s + 30) * 1000);
    expect(live.forecast.endMassG).toBeCloseTo(poured.forecast.endMassG, 6);
    expect(live.forecast.serving.yieldPa).toBeCloseTo(poured.forecast.serving.yieldPa, 6);
  });
  it('the lid, a resting spoon and the ring are what the hands did, until the step ends', () => {
    const c = cooking(
      ev('lidSet', now - 20, { lid: 'on' }),
      ev('spoon', now - 20, { resting: true }),
      ev('hobSet', now - 20, { setting: 2 }),
    );
    expect(controlsNow(c, steps, T0 + now * 1000)).toMatchObject({ lid: 'on', stirEveryS: Infinity, setting: 2 });
    const next = { ...c, events: [...c.events, done('cook on', now)] };
    expect(controlsNow(next, steps, T0 + (now + 5) * 1000)).toMatchObject({ lid: 'off', setting: 0 });
  });
  it('a reduction is reckoned from where it began, not from now', () => {
    const frozen = familyPlan('frozen cream');
    const f = forecast(frozen);
    const own = stepsOf(frozen, f);
    const at = own.findIndex((s) => s.id === 'reduce');
    let s = 0;
    const events = [ev('started', 0), ...own.slice(0, at).map((x) => done(x.id, (s += x.seconds)))];
    const c = { id: 'c', plan: frozen, events };
    const half = livePot(c, own, T0 + (s + own[at]!.seconds / 2) * 1000);
    expect(half.cueInS / own[at]!.seconds).toBeGreaterThan(0.4);
    expect(half.cueInS / own[at]!.seconds).toBeLessThan(0.6);
  });
});

describe('to taste, and counted', () => {
  const own = withParts(familyPlan('whole-rice pudding'), [
    { ingredientId: 'sugar', grams: 20, in: 'off the heat', taste: true },
  ]);
  const spiced = withLine(own, { ingredientId: 'cinnamon', grams: 4, in: 'pot' });
  const list = stepsOf(spiced, forecast(spiced));
  it('is asked for before it thickens; what was counted into rice comes out at the end', () => {
    const ids = list.map((s) => s.id);
    expect(ids).toContain('taste');
    expect(ids.indexOf('count out')).toBe(ids.indexOf('pour') - 1);
    expect(ids.indexOf('taste')).toBeLessThan(ids.indexOf('simmer'));
    expect(list[ids.indexOf('count out')]!.portions.map((p) => p.ingredient.id)).toEqual(['cinnamon']);
  });
  it('tasted again after fruit', () => {
    const fruity = withLine(own, { ingredientId: 'fruit_raspberry', grams: 60, in: 'off the heat' });
    expect(stepsOf(fruity, forecast(fruity)).map((s) => s.id)).toContain('taste again');
  });
  it('what is held back goes in by the cook’s hand alone, and is expected until it was tasted', () => {
    const lit = list.findIndex((s) => s.heat);
    let s = 0;
    const events = [ev('started', 0), ...list.slice(0, lit).map((x) => done(x.id, (s += x.seconds)))];
    const c: Cook = { id: 'c', plan: spiced, events };
    const at = T0 + (s + 30) * 1000;
    const before = livePot(c, list, at).forecast.sweetnessPct;
    const half = ev('added', s + 20, {
      portions: [{ ingredientId: 'sugar', grams: 10 }],
      tempC: 20,
      how: 'stirred in',
      why: 'taste',
    });
    const after = livePot({ ...c, events: [...events, half] }, list, at).forecast.sweetnessPct;
    expect(before - after).toBeGreaterThan(0.5);
  });
  it('names what is not in yet', () => {
    const left = notInYet(steps, 2).map((p) => p.ingredient.id);
    expect(left).toEqual(expect.arrayContaining(['cornstarch', 'vanilla']));
    expect(notInYet(steps, steps.length - 1)).toEqual([]);
  });
});

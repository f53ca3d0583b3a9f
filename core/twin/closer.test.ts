import type { Cook } from '../cook/events';
import { followTwin, viewOf, type Followed } from '../cook/follow';
import { cookAhead, livePot, onTheHob } from '../cook/live';
import { massG } from '../matter/mixture';
import { bodyOf, consistency, PASTE } from '../pot/paste';
import type { Pot } from '../pot/pot';
import { testPlan } from '../testing';
import { cookOn, evening, eventAt, note, potOf, presentOf, type Evening } from '../testingEvening';
import { trailS } from '../texture/kitchenTests';
import { TWIN, type Habits } from './twin';

const plan = testPlan();
const POTS = 300;

const trailOf = (pot: Pot) => {
  const k = consistency(bodyOf(pot.content, pot.fractions), pot.bulkC, pot.content);
  return Math.min(60, trailS(k, PASTE.yieldOverK * k));
};

/** s to the pouring and place on the set scale at serving, as a pot with these habits, or a cloud, has them. */
function really(e: Evening) {
  const { trace: _t, ...on } = onTheHob(e.cook, e.steps, e.nowMs, e.truth);
  const { pot } = cookAhead(e.cook, e.steps, e.nowMs, on);
  return {
    doneS: pot.tS - on.pot.tS,
    place: livePot(e.cook, e.steps, e.nowMs, e.truth).forecast.serving.place,
  };
}
/** @param before the cloud of the same cook at an earlier moment, so that it goes on from there */
function foreseen(e: Evening, cook: Cook, before: Followed | undefined) {
  const twin = followTwin(cook, e.steps, e.nowMs, before, POTS);
  const view = viewOf(twin, cook, e.steps);
  return {
    twin,
    doneS: view.doneInS?.mean ?? NaN,
    place: livePot(cook, e.steps, e.nowMs, view.habits).forecast.serving.place,
  };
}
const blind = (cook: Cook): Cook => ({
  ...cook,
  events: cook.events.filter((x) => x.kind !== 'observed' && x.kind !== 'measured'),
});

/** Cooks a true pot with these habits and notes what is seen; at each, how far off the forecast is with it and without. */
function evidence(truth: Partial<Habits>) {
  let e = evening(plan, truth);
  let seeing: Followed | undefined;
  let unseeing: Followed | undefined;
  const rows: { seen: string; doneS: [number, number]; place: [number, number] }[] = [];
  const to = (step: string, afterS: number) => {
    e = cookOn(e, { everyS: 2, stop: (x) => presentOf(x)?.id === step });
    e = { ...e, nowMs: e.nowMs + afterS * 1000 };
  };
  const tell = (seen: string, kind?: 'observed' | 'measured', rest?: object) => {
    if (kind) e = note(e, eventAt(kind, e.nowMs, rest));
    e = { ...e, nowMs: e.nowMs + 1000 };
    const [is, by, without] = [really(e), foreseen(e, e.cook, seeing), foreseen(e, blind(e.cook), unseeing)];
    seeing = by.twin;
    unseeing = without.twin;
    const off = (x: typeof is): [number, number] => [Math.abs(x.doneS - is.doneS), Math.abs(x.place - is.place)];
    const [a, b] = [off(by), off(without)];
    rows.push({ seen, doneS: [a[0], b[0]], place: [a[1], b[1]] });
  };
  const probe = () => tell('probe', 'measured', { what: 'probe', value: potOf(e).bulkC });
  to('warm', 60);
  probe();
  e = { ...e, nowMs: e.nowMs + 50_000 };
  probe();
  to('thicken', 1);
  tell('steams');
  e = { ...e, nowMs: e.nowMs + 40_000 };
  probe();
  to('cook on', 2);
  tell('first bubble');
  e = { ...e, nowMs: e.nowMs + 10_000 };
  tell('trail', 'measured', { what: 'trail', value: trailOf(potOf(e)) });
  e = { ...e, nowMs: e.nowMs + 30_000 };
  tell('scale', 'measured', { what: 'scale', value: massG(potOf(e).content) + plan.pan.massG });
  return rows;
}

describe('the twin against a pot that is not as planned', () => {
  it.each([
    ['a ring 30 % weaker', { hob: Math.log(0.7) / TWIN.hobLn }],
    ['starch heaped on its spoons', { starch: 2.2 }],
    ['a wide pan', { diameter: 2 }],
  ])('%s: the minute of done and the word at serving come nearer than without what was seen', (_name, truth) => {
    const rows = evidence(truth);
    for (const { doneS, place } of rows) {
      // one tap may be worth little, and is never worth less than nothing by more than this
      expect(doneS[0]).toBeLessThan(doneS[1] + 20);
      // the same stress as ever: since words are narrower a step of the strip is less of it (ln 1.9, not ln 3.1)
      expect(place[0]).toBeLessThan(place[1] + 0.05 * (Math.log(3.1) / Math.log(1.9)));
    }

    const last = rows.at(-1)!;
    const cue = rows.findLast((r) => r.doneS[1] > 0)!;
    expect(cue.doneS[0]).toBeLessThan(0.7 * cue.doneS[1]);
    expect(last.place[0]).toBeLessThan(0.7 * last.place[1]);
    const sum = (of: 'doneS' | 'place', i: 0 | 1) => rows.reduce((s, r) => s + r[of][i], 0);
    expect(sum('doneS', 0)).toBeLessThan(0.9 * sum('doneS', 1));
    expect(sum('place', 0)).toBeLessThan(0.9 * sum('place', 1));
  });
});

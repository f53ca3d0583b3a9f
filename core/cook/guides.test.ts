import { EGG } from '../pot/egg';
import { severityOf } from '../pot/pot';
import { familyPlan, testPlan } from '../testing';
import { cookOn, evening, note, eventAt, presentOf } from '../testingEvening';
import type { Plan } from '../plan/plan';
import { forecast } from '../model/forecast';
import { foldCook, stirDueS } from './fold';
import { guideOf, holding, stillLadling, type Guide } from './guides';
import { controlsNow, livePot, onTheHob } from './live';
import { paceOf, restSeconds } from './pacer';

const until = (plan: Plan, step: string) => cookOn(evening(plan), { stop: (x) => presentOf(x)?.id === step });

function guideAt<K extends Guide['kind']>(plan: Plan, step: string, kind: K, ladled = 0) {
  const e = until(plan, step);
  const on = onTheHob(e.cook, e.steps, e.nowMs, e.truth);
  const g = guideOf({
    step: presentOf(e)!,
    plan,
    setup: on.setup,
    pot: on.pot,
    fromG: on.fromG,
    ladled,
    forecast: forecast(plan),
  });
  expect(g?.kind).toBe(kind);
  return { g: g as Extract<Guide, { kind: K }>, e, on };
}

describe('guides', () => {
  it('tempering: the bowl warms ladle by ladle, feels warm before it may go back, and a ladle too big is known', () => {
    const { g } = guideAt(familyPlan('stirred custard'), 'thicken', 'tempering');
    for (let i = 1; i < g.bowlC.length; i++) expect(g.bowlC[i]!).toBeGreaterThan(g.bowlC[i - 1]!);
    expect(g.bowlC[0]!).toBeGreaterThan(g.startC);
    expect(g.warmAfter).toBeLessThanOrEqual(g.enough);
    expect(g.ladleG).toBeLessThanOrEqual(g.safeFirstG);
    // no call about egg that is in its bowl; ladles that nobody counts are over some time
    expect(stillLadling(g, 10)).toBe(true);
    expect(stillLadling({ ...g, ladled: g.enough }, 10)).toBe(false);
    expect(stillLadling(g, 10 + 2 * g.enough * g.everyS)).toBe(false);
  });
  it('reduction: the mark stands at its share of where it began', () => {
    const { g } = guideAt(familyPlan('frozen cream'), 'reduce', 'reduction');
    expect(g.markMm / g.startMm).toBeCloseTo(g.share, 6);
    expect(g.nowMm).toBeLessThanOrEqual(g.startMm);
    expect(g.markMm).toBeGreaterThan(5);
  });
  it('double boiler: how long its water lasts', () => {
    const { g } = guideAt(
      { ...familyPlan('starch-set milk pudding'), choices: { heat: 'double boiler' } },
      'thicken',
      'double boiler',
    );
    expect(g.topUpMin).toBeGreaterThan(3);
    expect(g.topUpMin).toBeLessThan(120);
  });
  it('covered: a stir is called for every few minutes, counted from the last', () => {
    const plan = familyPlan('whole-rice pudding');
    const { g } = guideAt(
      { ...plan, choices: { ...plan.choices, stirring: 'lid on, now and then' } },
      'simmer',
      'covered',
    );
    expect(g.everyS).toBeGreaterThanOrEqual(60);
    expect(stirDueS(120, NaN, 0, 30_000)).toBe(90);
    expect(stirDueS(120, 60_000, 0, 200_000)).toBe(-20);
  });
  it('oven: when the first layer carries a second, before it is done', () => {
    const plan = familyPlan('baked slab');
    const { g } = guideAt(plan, 'bake', 'oven');
    expect(g.minutes).toBeGreaterThan(5);
    expect(g.carriesMin).toBeLessThan(g.minutes);
    expect(g.centreC.length).toBeGreaterThan(3);
  });
  it('held warm it cools and thickens, and says the milk that loosens it', () => {
    const e = until(familyPlan('ground-rice cream'), 'pour');
    const { pot, setup } = onTheHob(e.cook, e.steps, e.nowMs, e.truth);
    const [soon, late] = [holding(pot, setup, 10, false), holding(pot, setup, 40, false)];
    expect(late!.bulkC).toBeLessThan(soon!.bulkC);
    expect(late!.thicker).toBeGreaterThan(1);
    expect(late!.loosenG).toBeGreaterThan(soon!.loosenG);
    expect(holding(pot, setup, 40, true).bulkC).toBeGreaterThan(late!.bulkC + 3);
  });
});

describe('the pacer', () => {
  const paced = (plan: Plan, step: string, plusS = 0) => {
    const e = until(plan, step);
    const at = e.nowMs + plusS * 1000;
    const on = onTheHob(e.cook, e.steps, at, e.truth);
    return paceOf({
      step: presentOf(e)!,
      steps: e.steps,
      state: foldCook(e.cook, e.steps),
      nowMs: at,
      setup: on.setup,
      pot: on.pot,
      controls: controlsNow(e.cook, e.steps, at),
    });
  };
  it('lets the spoon rest while the milk only warms, and not while it thickens', () => {
    expect(paced(testPlan(), 'warm', 20).mayRest).toBe(true);
    const hot = paced(testPlan(), 'cook on', 5);
    expect(hot.mayRest).toBe(false);
    expect(hot.pattern).not.toBe('still');
    expect(hot.everyS).toBeLessThanOrEqual(testPlan().method.stirEveryS);
  });
  it('says how many minutes still want the spoon, fewer as they pass', () => {
    const early = paced(testPlan(), 'thicken', 3).owedMin;
    expect(early).toBeGreaterThan(paced(testPlan(), 'cook on', 3).owedMin);
    expect(paced(testPlan(), 'pour').owedMin).toBe(0);
  });
  it('a rest as long as it says leaves no more than a trace', () => {
    const e = until(testPlan(), 'cook on');
    const { pot, setup } = onTheHob(e.cook, e.steps, e.nowMs, e.truth);
    const c = controlsNow(e.cook, e.steps, e.nowMs);
    expect(restSeconds(pot, setup, c)).toBeLessThan(restSeconds(pot, setup, { ...c, setting: 0 }) + 1);
  });
  it('a resting spoon is still', () => {
    const e = until(testPlan(), 'cook on');
    const rested = note(e, eventAt('spoon', e.nowMs, { resting: true }));
    const on = onTheHob(rested.cook, rested.steps, rested.nowMs + 1000, rested.truth);
    const p = paceOf({
      step: presentOf(rested)!,
      steps: rested.steps,
      state: foldCook(rested.cook, rested.steps),
      nowMs: rested.nowMs,
      setup: on.setup,
      pot: on.pot,
      controls: controlsNow(rested.cook, rested.steps, rested.nowMs + 1000),
    });
    expect(p.pattern).toBe('still');
    expect(severityOf(on.pot)).toBeLessThan(EGG.smooth);
  });
});

describe('a ring that gets nowhere', () => {
  it('the live pot says what it has to be turned up to, and no more once it was', () => {
    const plan = testPlan();
    const warming = until(plan, 'warm');
    const low = note(warming, eventAt('hobSet', warming.nowMs, { setting: 1 }));
    const later = { ...low, nowMs: low.nowMs + 30 * 60_000 };
    const told = livePot(later.cook, later.steps, later.nowMs, later.truth);
    expect(told.turnTo).toBeGreaterThan(1);
    // it is expected to be done: the minutes are told, not "never"
    expect(told.cueInS).toBeGreaterThan(0);
    const up = note(later, eventAt('hobSet', later.nowMs, { setting: 9 }));
    expect(livePot(up.cook, up.steps, up.nowMs, up.truth).turnTo).toBeUndefined();
  });
});

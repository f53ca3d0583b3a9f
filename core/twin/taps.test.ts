import { bodyOf } from '../pot/paste';
import { massG } from '../matter/mixture';
import type { Plan } from '../plan/plan';
import { readPot, type Pot } from '../pot/pot';
import { followTwin } from '../cook/follow';
import { onTheHob } from '../cook/live';
import { familyPlan, testPlan } from '../testing';
import { cookOn, evening, presentOf } from '../testingEvening';
import { spreadOf, tell, type Habits, type Seen, type Twin } from './twin';

const POTS = 150;

/** The cloud of a cook that has come to a step, and some seconds into it. */
function cloudAt(plan: Plan, step: string, plusS = 30): { twin: Twin; pot: Pot } {
  const e = cookOn(evening(plan), { stop: (x) => presentOf(x)?.id === step });
  const at = e.nowMs + plusS * 1000;
  return {
    twin: followTwin(e.cook, e.steps, at, undefined, POTS).twin,
    pot: onTheHob(e.cook, e.steps, at).pot,
  };
}
const mean = (t: Twin, read: (pot: Pot, h: Habits) => number) => spreadOf(t, read).mean;
const thick = (p: Pot) => Math.log(p.viscosityPaS);
const raw = (p: Pot) => readPot(p).rawPer100G;
const bite = (p: Pot) => bodyOf(p.content, p.fractions).bite;

describe('every tap moves the cloud the way it says', () => {
  const pudding = cloudAt(testPlan(), 'thicken', 150);
  const early = cloudAt(testPlan(), 'thicken', 80);
  const custard = cloudAt(familyPlan('stirred custard'), 'thicken', 40);
  const rice = cloudAt(familyPlan('whole-rice pudding'), 'simmer', 900);
  const after = cloudAt(testPlan(), 'cook on', 30);
  it.each([
    ['no milk behind the stroke', pudding, { what: 'no free milk' }, thick, 1],
    ['drags at the whisk', pudding, { what: 'drags the whisk' }, thick, 1],
    ['still thin', pudding, { what: 'still thin' }, thick, -1],
    ['the hiss goes quiet', early, { what: 'goes quiet' }, thick, 1],
    ['a custard that coats', custard, { what: 'custard coats', tempC: 82 }, (p) => p.bulkC, 1],
    ['a custard still thin', custard, { what: 'custard thin', tempC: 76 }, (p) => p.bulkC, -1],
    ['tastes raw', pudding, { what: 'tastes raw' }, raw, 1],
    ['tastes cooked', pudding, { what: 'tastes cooked' }, raw, -1],
    ['a grain is hard', rice, { what: 'grain hard' }, bite, -1],
    ['a grain is soft', rice, { what: 'grain soft' }, bite, 1],
    ['a cold blob runs at once', after, { what: 'plate runs', deg: 5, firmness: 1 }, (_p, h) => h.starch, -1],
    ['a cold blob stays upright', after, { what: 'plate runs', deg: 90, firmness: 1 }, thick, 1],
  ] as [string, typeof pudding, Seen, (p: Pot, h: Habits) => number, 1 | -1][])('%s', (_n, cloud, seen, read, way) => {
    const told = tell(cloud.twin, testPlan(), seen);
    const moved = mean(told.twin, read) - mean(cloud.twin, read);
    expect(way * moved).toBeGreaterThan(0);
  });
  it('down at the mark: what is left is what the mark says', () => {
    const { twin } = cloudAt(familyPlan('frozen cream'), 'reduce', 900);
    const now = mean(twin, (p) => massG(p.content));
    const from = twin.particles.reduce((s, p) => s + p.fromG, 0) / twin.particles.length;
    const told = tell(twin, familyPlan('frozen cream'), { what: 'at the mark', share: (0.97 * now) / from });
    expect(mean(told.twin, (p) => massG(p.content))).toBeLessThan(now);
  });
  it('a bowl that is warm after few ladles says that the pot is hot', () => {
    const { twin } = cloudAt(familyPlan('stirred custard'), 'thicken', 4);
    const bowl = { massG: 180, heatJPerGK: 2.65, tempC: 20, ladleG: 60 };
    const hot = (ladles: number) =>
      mean(tell(twin, familyPlan('stirred custard'), { what: 'bowl warm', bowl, ladles }).twin, (p) => p.bulkC);
    expect(hot(1)).toBeGreaterThan(hot(4));
  });
});

it('one tap after another: over weak and strong rings what the twin thinks of the pot comes nearer with each', () => {
  const plan = testPlan();
  const errors = [-1.6, -1.1, 1.2].map((hob) => {
    const e = cookOn(evening(plan, { hob }), { stop: (x) => presentOf(x)?.id === 'cook on' });
    const really = onTheHob(e.cook, e.steps, e.nowMs, e.truth).pot.bulkC;
    const taps = e.cook.events.filter((x) => x.kind === 'observed');
    expect(taps.map((x) => x.what)).toEqual(['steams', 'first bubble']);
    return [0, 1, 2].map((n) => {
      const cook = { ...e.cook, events: e.cook.events.filter((x) => x.kind !== 'observed' || taps.indexOf(x) < n) };
      const { twin } = followTwin(cook, e.steps, e.nowMs, undefined, POTS);
      return Math.abs(spreadOf(twin, (p) => p.bulkC).mean - really);
    });
  });
  const mean3 = (n: number) => errors.reduce((s, e) => s + e[n]!, 0) / errors.length;
  // one tap in one kitchen may mislead a little; over kitchens each is worth its tap
  expect(mean3(1)).toBeLessThan(0.7 * mean3(0));
  expect(mean3(2)).toBeLessThan(0.8 * mean3(1));
});

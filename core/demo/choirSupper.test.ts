import { onTop } from '../plan/method';
import { besideOf } from '../sides/sides';
import { english } from '../../words/english';
import { aboutPlan } from '../advice/about';
import { workOf } from '../day/tasks';
import { forecast } from '../model/forecast';
import { FAMILIES } from '../plan/plan';
import { methodOf } from '../plan/family';
import { SET_WORDS } from '../texture/words';
import { cookedSupper, laidFor } from './choirSupper';

const NOON = Date.UTC(2026, 11, 11, 12);
const cooked = cookedSupper();
const { plans, batches } = laidFor(cooked, NOON, 0);
const forecasts = new Map(plans.map((p) => [p.id, forecast(p)]));
/** eaten from the pot: nothing of it is kept */
const AT_ONCE_H = 1;

describe('the choir’s supper', () => {
  it('is laid for another day and clock: the supper in its evening, the book on its days, the cook at this minute', () => {
    const now = Date.parse('2027-04-02T20:10:00Z');
    const offsetMin = -120;
    const laid = laidFor(cooked, now, offsetMin);
    expect(laid.plans[0]!.serve.at).toBe('2027-04-03T17:30:00.000Z');
    expect(laid.plans.every((p) => Date.parse(p.serve.at) > now)).toBe(true);
    const end = Math.max(...laid.cooks[0]!.events.map((e) => Date.parse(e.at)));
    expect(now - end).toBe(45_000);
    for (const [i, b] of laid.batches.entries()) {
      // the same hour of the cook's own clock
      expect((Date.parse(b.at) - offsetMin * 60_000) % 86_400_000).toBe(Date.parse(cooked.batches[i]!.at) % 86_400_000);
      expect(Date.parse(b.at)).toBeLessThan(now);
    }
    expect(JSON.stringify(laid)).not.toContain('2026-12-');
    expect(laidFor(cooked, NOON, 0)).toEqual(cooked);
  });
  it.each(plans.map((p) => [p.name, p] as const))('%s comes out as wanted, fits its dish and cools in time', (_, p) => {
    const f = forecasts.get(p.id)!;
    expect(f.serving.word).toBe(p.serve.word);
    expect(f.fillRel).toBeLessThanOrEqual(1);
    expect(f.cool.safe || f.cool.ordinary || p.rest.hours < AT_ONCE_H).toBe(true);
    expect(aboutPlan(p, [], f.endMassG).breaks).toEqual([]);
  });
  it('shows most families, side pots, a double boiler, a reduction, a second layer, sticks, and a day with the oven', () => {
    const shown = new Set(plans.map((p) => p.family));
    expect(FAMILIES.filter((f) => !shown.has(f))).toEqual(['egg-enriched pudding', 'baked custard']);
    expect(new Set(plans.flatMap((p) => besideOf(p).map((s) => english(s.name)))).size).toBeGreaterThanOrEqual(3);
    const methods = plans.map(methodOf);
    expect(methods.some((m) => m.some((s) => s.do === 'heat' && s.over))).toBe(true);
    expect(methods.some((m) => m.some((s) => s.do === 'heat' && s.role === 'reduce'))).toBe(true);
    const slab = plans.find((p) => methodOf(p).some(onTop))!;
    const sameDay = plans.filter((p) => p.serve.at === slab.serve.at);
    expect(sameDay.length).toBeGreaterThan(1);
    const work = workOf({ plan: slab, forecast: forecasts.get(slab.id)! });
    expect(work.tasks.some((x) => x.uses.ovens === 1 && x.expected > 5)).toBe(true);
    expect(plans.some((p) => Number.isFinite(forecasts.get(p.id)!.frozenH))).toBe(true);
  });
  it('the book has several families, and its notes say what its words say', () => {
    expect(new Set(batches.map((b) => b.plan.family)).size).toBeGreaterThanOrEqual(4);
    const off = (b: (typeof batches)[number]) =>
      SET_WORDS.indexOf(b.found.wordServing!) - SET_WORDS.indexOf(b.plan.serve.word);
    for (const b of batches) {
      if (/softer|slid|trembled/i.test(b.found.note)) expect(off(b)).toBeLessThan(0);
      else if (/stiffer/i.test(b.found.note)) expect(off(b)).toBeGreaterThan(0);
      else expect(off(b)).toBe(0);
    }
  });
});

import { forecast } from '../model/forecast';
import { insertStep, listOf, stepTroubles } from '../plan/methodList';
import { PlanSchema } from '../plan/plan';
import { asPlanned } from '../practice/asPlanned';
import { familyPlan } from '../testing';
import { workOf } from '../day/tasks';
import { CookEventSchema, type CookEvent } from './events';
import { foldCook } from './fold';
import { laterOf } from './later';
import { livePot } from './live';
import { stepsOf } from './steps';

const T0 = Date.parse('2026-12-12T12:00:00.000Z');
const event = (kind: CookEvent['kind'], s: number, rest: object = {}): CookEvent =>
  CookEventSchema.parse({ kind, id: `e${s}`, at: new Date(T0 + s * 1000).toISOString(), ...rest });

/** A pudding that is skimmed on the hob, poked in the freezer, and has a stick put in. */
const base = familyPlan('frozen cream');
const at = (plan: typeof base, role: string) => listOf(plan).findIndex((s) => s.do === 'heat' && s.role === role) + 1;
const skims = insertStep(base, 'say', at(base, 'reduce'), { do: 'say', words: 'skim it', minutes: 2 }).plan;
const freezes = listOf(skims).findIndex((s) => s.do === 'rest' && s.where === 'freezer');
const plan = insertStep(skims, 'say', freezes + 1, { do: 'say', words: 'stick in the sticks' }).plan;

describe('words of the cook’s own in a method', () => {
  const steps = stepsOf(plan, forecast(plan));
  it('are a plan that can be kept, and change nothing of what comes out', () => {
    expect(PlanSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
    expect(stepTroubles(plan)).toEqual([]);
    const [with_, without] = [forecast(plan), forecast(base)];
    expect(with_.serving.place).toBeCloseTo(without.serving.place, 6);
    expect(with_.told).toHaveLength(listOf(plan).length);
  });
  it('are said in their place, with their timer, the ring as it was', () => {
    const i = steps.findIndex((s) => s.role === 'say');
    expect(steps[i]).toMatchObject({ name: 'skim it', ends: 'time', seconds: 120, setting: steps[i - 1]!.setting });
    expect(steps[i - 1]!.role).toBe('reduce');
    // the pot goes on under them
    const events = [
      event('started', 0),
      ...steps.slice(0, i).map((s, n) => event('stepDone', 60 + 300 * n, { step: s.id })),
    ];
    const from = T0 + (60 + 300 * (i - 1)) * 1000;
    const live = (s: number) => livePot({ id: 'c', plan, events }, steps, from + s * 1000);
    expect(live(100).now.bulkC).toBeGreaterThan(live(1).now.bulkC);
    expect(live(100).now.massG).toBeLessThan(live(1).now.massG);
  });
  it('that come once it stands are said there, after their minutes', () => {
    expect(steps.filter((s) => s.role === 'say')).toHaveLength(1);
    const rest = listOf(plan).filter((s) => s.do === 'rest');
    expect(laterOf(plan)).toEqual([
      {
        id: 'say 2',
        words: 'stick in the sticks',
        afterMin: rest.reduce((sum, s) => sum + s.minutes, 0),
        minutes: undefined,
      },
    ]);
  });
  it('are walked through to the dish, in a day, and in practice', () => {
    const all = steps.map((s, n) => event('stepDone', 10 + n, { step: s.id }));
    expect(foldCook({ events: [event('started', 0), ...all] }, steps).stage).toBe('poured');
    expect(workOf({ plan, forecast: forecast(plan) }, []).tasks.length).toBeGreaterThan(3);
    expect(asPlanned(plan).map((a) => a.do)).toEqual(asPlanned(base).map((a) => a.do));
  });
});

import { linesOf } from '../plan/layout';
import { forecast } from '../model/forecast';
import type { Family } from '../plan/plan';
import { familyPlan } from '../testing';
import { CookEventSchema, type Cook, type CookEvent } from './events';
import { foldCook } from './fold';
import { livePot } from './live';
import { stepsOf } from './steps';

/** The live cook of every kind: its steps, and the model's pot beside it, from events alone. */
const T0 = Date.parse('2026-12-12T12:00:00.000Z');
const setUp = (family: Family) => {
  const plan = familyPlan(family);
  const promised = forecast(plan);
  return { plan, promised, steps: stepsOf(plan, promised) };
};
/** Events of a cook that goes as forecast, up to `upTo`. */
function walked({ plan, steps }: ReturnType<typeof setUp>, upTo: string): { cook: Cook; atMs: number } {
  let ms = T0;
  let n = 0;
  const event = (kind: CookEvent['kind'], rest: object = {}) =>
    CookEventSchema.parse({ kind, id: `e${n++}`, at: new Date(ms).toISOString(), ...rest });
  const events = [event('started')];
  for (const step of steps) {
    if (step.id === upTo) break;
    ms += Math.max(1, step.seconds) * 1000;
    events.push(event('stepDone', { step: step.id }));
  }
  return { cook: { id: 'c', plan, events }, atMs: ms };
}

describe('the live cook of every kind', () => {
  it.each([
    ['stirred custard', ['weigh', 'beat the egg', 'warm', 'thicken', 'off the heat', 'pour']],
    ['ground-rice cream', ['weigh', 'thicken', 'simmer', 'cook on', 'off the heat', 'pour']],
    ['whole-rice pudding', ['weigh', 'thicken', 'simmer', 'off the heat', 'pour']],
    ['porridge', ['weigh', 'warm', 'thicken', 'simmer', 'cook on', 'off the heat', 'pour']],
    ['baked custard', ['weigh', 'beat the egg', 'warm', 'off the heat', 'pour', 'bake']],
  ] as const)('%s has its steps', (family, ids) => expect(setUp(family).steps.map((s) => s.id)).toEqual(ids));

  it.each(['stirred custard', 'ground-rice cream', 'frozen cream', 'whole-rice pudding'] as const)(
    '%s: the pot replayed from its events is where the forecast was',
    (family) => {
      const s = setUp(family);
      const { cook, atMs } = walked(s, 'off the heat');
      const live = livePot(cook, s.steps, atMs);
      const before = s.promised.phases.findIndex((p) => p.role === 'off the heat') - 1;
      const there = s.promised.trace.filter((r) => r.tS <= s.promised.phases[before]!.endS + 1).at(-1)!;
      expect(Math.abs(live.now.bulkC - there.bulkC)).toBeLessThan(4);
      expect(Math.abs(live.now.massG / there.massG - 1)).toBeLessThan(0.05);
      expect(live.forecast.serving.word).toBe(s.promised.serving.word);
    },
  );
  it('a custard left on the ring past its cue is seen to curdle', () => {
    const s = setUp('stirred custard');
    const { cook, atMs } = walked(s, 'thicken');
    const step = s.steps.find((x) => x.id === 'thicken')!;
    const onTime = livePot(cook, s.steps, atMs + step.seconds * 1000);
    const late = livePot(cook, s.steps, atMs + (step.seconds + 420) * 1000);
    expect(late.now.curd).toBeGreaterThan(onTime.now.curd + 0.1);
    expect(late.forecast.risks.curdle.chance).toBeGreaterThan(onTime.forecast.risks.curdle.chance);
  });
  it('the hand on the ring counts: hob off, and the pot cools', () => {
    const s = setUp('ground-rice cream');
    const { cook, atMs } = walked(s, 'cook on');
    const off: Cook = {
      ...cook,
      events: [
        ...cook.events,
        CookEventSchema.parse({ kind: 'hobSet', id: 'off', at: new Date(atMs + 1000).toISOString(), setting: 0 }),
      ],
    };
    const on = livePot(cook, s.steps, atMs + 240_000).now.bulkC;
    expect(livePot(off, s.steps, atMs + 240_000).now.bulkC).toBeLessThan(on - 2);
  });
  it('nothing in the bowl is lost: the custard weighs what went in', () => {
    const s = setUp('stirred custard');
    const { cook, atMs } = walked(s, 'off the heat');
    const inG = linesOf(s.plan)
      .filter((i) => i.in !== 'off the heat')
      .reduce((sum, i) => sum + i.grams, 0);
    const now = livePot(cook, s.steps, atMs).now.massG;
    expect(now).toBeGreaterThan(inG * 0.93);
    expect(now).toBeLessThanOrEqual(inG * 1.01);
    expect(foldCook(cook, s.steps).done).toHaveLength(4);
  });
});

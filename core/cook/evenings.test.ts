import { BatchSchema, promiseOf } from '../book/batch';
import { forecast } from '../model/forecast';
import { readPot } from '../pot/pot';
import { DISHES } from '../testingDishes';
import { cookOn, evening, potOf, presentOf, type Evening } from '../testingEvening';
import { CookSchema } from './events';
import { followTwin, viewOf } from './follow';
import { foldCook } from './fold';
import { livePot } from './live';
import type { StepRole } from './steps';

/** Whole evenings at a pot that is not quite as planned, by what is seen in it; two more are walked in the browser. */
const TRUTH = { hob: -0.6, starch: 0.4 };
const POTS = 60;

/** The tab dies and its kitchen is read again: the same cook from its own text, and a twin that begins again. */
function killed(e: Evening): Evening {
  const cook = CookSchema.parse(JSON.parse(JSON.stringify(e.cook)));
  return { ...e, cook, twin: undefined };
}

describe.each([
  ['reduction', 'reduce', ['weigh', 'thicken', 'reduce', 'simmer', 'cook on', 'off the heat', 'pour']],
  ['porridge', 'cook on', ['weigh', 'warm', 'thicken', 'simmer', 'cook on', 'off the heat', 'pour']],
  ['rice', 'simmer', ['weigh', 'beat the egg', 'thicken', 'simmer']],
  ['boiler', 'cook on', ['weigh', 'slurry', 'warm', 'thicken', 'cook on', 'off the heat', 'pour']],
] as const)('an evening of %s: by what is seen, killed once, to the book', (name, dies, roles) => {
  const plan = DISHES[name];
  const middle = cookOn(evening(plan, TRUTH), {
    everyS: 12,
    stop: (e) => presentOf(e)?.role === (dies as StepRole),
  });
  it('comes to the step in which the tab dies, and goes on in it as if nothing had been', () => {
    expect(presentOf(middle)?.role).toBe(dies);
    const again = killed(middle);
    expect(foldCook(again.cook, again.steps)).toEqual(foldCook(middle.cook, middle.steps));
    const nowMs = middle.nowMs + 30_000;
    const before = followTwin(middle.cook, middle.steps, middle.nowMs, undefined, POTS);
    const on = followTwin(middle.cook, middle.steps, nowMs, before, POTS);
    const anew = followTwin(again.cook, again.steps, nowMs, undefined, POTS);
    const heart = (f: typeof on) => viewOf(f, again.cook, again.steps).heartC.mean;
    expect(Math.abs(heart(anew) - heart(on))).toBeLessThan(0.1);
  });
  it('is poured with every step done in its order, smooth, and can be written down', () => {
    const end = cookOn(killed(middle), { everyS: 12 });
    const state = foldCook(end.cook, end.steps);
    expect(state.stage).toBe('poured');
    const done = state.done.map((d) => end.steps.find((s) => s.id === d.step)!.role);
    expect(done).toEqual(end.steps.map((s) => s.role));
    expect(done).toEqual(expect.arrayContaining([...roles]));
    const pot = readPot(potOf(end));
    expect(pot.curd).toBeLessThan(0.1);
    expect(pot.scorch).toBeLessThan(0.6);
    const live = livePot(end.cook, end.steps, end.nowMs, end.truth);
    const batch = BatchSchema.parse({
      id: 'b',
      cookId: end.cook.id,
      at: new Date(state.pouredMs).toISOString(),
      plan,
      events: end.cook.events,
      promise: promiseOf(forecast(plan), plan),
      found: { flaws: [], note: '', wordServing: live.forecast.serving.word },
    });
    expect(batch.events).toHaveLength(end.cook.events.length);
    expect(batch.promise!.starchG).toBeGreaterThan(0);
  });
});

import { choirSupper } from '../demo/choirSupper';
import { forecast } from '../model/forecast';
import type { Cook, CookEvent } from './events';
import { followTwin, viewOf } from './follow';
import { changesOf, stepsOf } from './steps';

const NOW = Date.UTC(2026, 11, 11, 12);
const demo = choirSupper(NOW);
const [going] = demo.cooks;
const steps = stepsOf(going!.plan, forecast(going!.plan), changesOf(going!));
const fromMs = Date.parse(going!.events[0]!.at);

/** The demo's pot with a probe in it that reads every so many seconds. */
function probed(everyS: number, readC: (s: number) => number): Cook {
  const readings: CookEvent[] = [];
  for (let s = everyS; fromMs + s * 1000 < NOW; s += everyS)
    readings.push({
      kind: 'measured',
      id: `r${s}`,
      at: new Date(fromMs + s * 1000).toISOString(),
      what: 'probe',
      value: readC(s),
      by: 'probe',
    });
  const events = [...going!.events, ...readings].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  return { ...going!, events };
}
const seen = (cook: Cook) => {
  const followed = followTwin(cook, steps, NOW, undefined, 60);
  return { twin: followed.twin, view: viewOf(followed, cook, steps) };
};

describe('a pot with a probe in it', () => {
  it('is known as well by a reading every second as by one every half minute', () => {
    const warm = (s: number) => Math.min(90, 8 + s / 9);
    const [often, seldom] = [seen(probed(1, warm)).view, seen(probed(30, warm)).view];
    expect(Math.abs(often.heartC.mean - seldom.heartC.mean)).toBeLessThan(4);
  });
  it('that reads nonsense for ever is contradicted, and the cloud stays a cloud of kitchens', () => {
    const { twin, view } = seen(probed(5, (s) => (s % 10 ? 109 : -20)));
    expect(twin.contradicted).toBeGreaterThan(0);
    for (const p of twin.particles)
      for (const sd of Object.values(p.habits)) expect(Math.abs(sd)).toBeLessThanOrEqual(5);
    expect(view.heartC.mean).toBeGreaterThan(0);
  });
});

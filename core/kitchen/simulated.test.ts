import { testPlan } from '../testing';
import { cookOn, evening, presentOf, type Evening } from '../testingEvening';
import { massG } from '../matter/mixture';
import { NO_HABITS } from '../twin/twin';
import { onTheHob } from '../cook/live';
import { readDevices, seedOf, truthOf, type Faulty } from './simulated';

const warming = (s: number): Evening => {
  const e = cookOn(evening(testPlan()), { stop: (x) => presentOf(x)?.id === 'warm' });
  return { ...e, nowMs: e.nowMs + s * 1000 };
};
const read = (e: Evening, faults: Faulty[] = [], truth = NO_HABITS) =>
  readDevices(e.cook, e.steps, e.nowMs, truth, faults);
const probe = (e: Evening, faults: Faulty[] = []) => read(e, faults).find((r) => r.device === 'probe')!;
const fault = (e: Evening, f: Partial<Faulty>): Faulty => ({
  device: 'probe',
  how: 'drops out',
  fromMs: e.nowMs - 20_000,
  toMs: e.nowMs + 20_000,
  by: 0,
  ...f,
});

describe('the stand-in kitchen', () => {
  it('its probe is the true pot a little while ago; its scale the pan with all in it', () => {
    const e = warming(100);
    const { pot, setup } = onTheHob(e.cook, e.steps, e.nowMs, e.truth);
    const r = probe(e);
    if (!('tempC' in r)) throw new Error('lost');
    expect(r.tempC).toBeLessThan(pot.bulkC + 1);
    expect(r.tempC).toBeGreaterThan(pot.bulkC - 6);
    const scale = read(e).find((x) => x.device === 'scale')!;
    expect('grams' in scale && Math.abs(scale.grams - setup.pan.massG - massG(pot.content))).toBeLessThan(5);
    expect(read(e).find((x) => x.device === 'hob')).toMatchObject({ setting: testPlan().method.heatSetting });
  });
  it('follows hidden habits: a strong ring is hotter, and nobody says so', () => {
    const e = warming(100);
    const strong = read(e, [], { ...NO_HABITS, hob: 1.5 }).find((r) => r.device === 'probe')!;
    const plain = probe(e);
    if (!('tempC' in strong) || !('tempC' in plain)) throw new Error('lost');
    expect(strong.tempC).toBeGreaterThan(plain.tempC + 5);
  });
  it('drops out, lags and lies when it is told to', () => {
    const e = warming(100);
    expect(probe(e, [fault(e, {})])).toMatchObject({ lost: true });
    const plain = probe(e);
    const lag = probe(e, [fault(e, { how: 'lags', by: 60 })]);
    const lie = probe(e, [fault(e, { how: 'lies', by: 9 })]);
    if (!('tempC' in plain) || !('tempC' in lag) || !('tempC' in lie)) throw new Error('lost');
    expect(lag.tempC).toBeLessThan(plain.tempC - 5);
    expect(lie.tempC - plain.tempC).toBeCloseTo(9, 1);
    expect(probe(e, [fault(e, { toMs: e.nowMs - 1 })])).toEqual(plain);
  });
  it('is the same for the same second, and its truth for the same word', () => {
    const e = warming(40);
    expect(read(e)).toEqual(read(e));
    expect(truthOf(seedOf('a'))).toEqual(truthOf(seedOf('a')));
    expect(truthOf(seedOf('a'))).not.toEqual(truthOf(seedOf('b')));
    expect(Math.max(...Object.values(truthOf(0.3)).map(Math.abs))).toBeLessThanOrEqual(2);
  });
});

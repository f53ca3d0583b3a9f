import { act, renderHook } from '@testing-library/react-native';
import type { Margin } from '../../core/cook/margins';
import { heardSound, within } from '../shared/testingKitchen';
import { useAlarm, useSpoken } from './useCalls';

const sound = heardSound();
const wrapper = within({ sound });

const alarm = (harm: Margin['harm'], asks = false): Margin => ({
  harm,
  used: 0.9,
  trendPerMin: 0.3,
  unavoidable: 0.4,
  state: 'alarm',
  asks,
});
const ways = { sound: true, vibrates: true, flashes: true, speaks: true, notifies: 'no' as const };
const told = () => sound.call.mock.calls;
const after = (ms: number) => act(() => jest.advanceTimersByTime(ms));

beforeEach(() => {
  jest.useFakeTimers();
  sound.call.mockClear();
  sound.say.mockClear();
});
afterEach(() => jest.useRealTimers());

const called = (first: Margin | undefined, name?: string) =>
  renderHook(({ a }: { a: Margin | undefined }) => useAlarm(a, ways, name), { initialProps: { a: first }, wrapper });

describe('an alarm', () => {
  it('is told at once and every two seconds until it is over, spoken every third time', () => {
    const { rerender } = called(alarm('curdle'));
    expect(told()).toHaveLength(1);
    after(8000);
    expect(told()).toHaveLength(5);
    expect(told().map(([w]) => w.speaks)).toEqual([true, false, false, true, false]);
    expect(told().every(([, , urgent]) => urgent)).toBe(true);
    rerender({ a: undefined });
    after(20_000);
    expect(told()).toHaveLength(5);
  });
  it('goes on when its figures move, without beginning again', () => {
    const { rerender } = called(alarm('curdle'));
    for (let i = 0; i < 10; i++) {
      rerender({ a: { ...alarm('curdle'), used: 0.9 + i / 100 } });
      after(200);
    }
    expect(told()).toHaveLength(2);
  });
  it('that only asks to look is told every ten seconds and is not urgent', () => {
    called(alarm('curdle', true));
    after(20_000);
    expect(told()).toHaveLength(3);
    expect(told().some(([, , urgent]) => urgent)).toBe(false);
  });
  it('is hushed for half a minute; another harm calls all the same', () => {
    const { result, rerender } = called(alarm('curdle'));
    act(() => result.current.hush());
    expect(result.current.quiet).toBe(true);
    after(20_000);
    expect(told()).toHaveLength(1);
    rerender({ a: alarm('boil over') });
    expect(result.current.quiet).toBe(false);
    expect(told()).toHaveLength(2);
    rerender({ a: alarm('curdle') });
    after(10_500);
    expect(result.current.quiet).toBe(false);
    expect(told().length).toBeGreaterThan(2);
  });
  it('names the pot where there are two', () => {
    called(alarm('catch'), 'Compote');
    expect(told()[0]![1]).toMatch(/^Compote\. /);
  });
});

it('an order is spoken when it changes, again on demand, and not when speech is off', () => {
  const { result, rerender } = renderHook(
    ({ line, on }: { line: string | undefined; on: boolean }) => useSpoken(line, on),
    {
      initialProps: { line: 'Warm the milk' as string | undefined, on: true },
      wrapper,
    },
  );
  rerender({ line: 'Warm the milk', on: true });
  rerender({ line: undefined, on: true });
  rerender({ line: 'Warm the milk', on: true });
  rerender({ line: 'Sweep the bottom', on: false });
  expect(sound.say.mock.calls).toEqual([['Warm the milk']]);
  act(() => void result.current());
  expect(sound.say.mock.calls.at(-1)).toEqual(['Sweep the bottom']);
});

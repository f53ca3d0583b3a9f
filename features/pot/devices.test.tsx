import { act, renderHook } from '@testing-library/react-native';
import { choirSupper } from '../../core/demo/choirSupper';
import type { DeviceReading } from '../../core/kitchen/simulated';
import { SILENT_MS, type Kitchen } from '../../devices/kitchen';
import { within } from '../shared/testingKitchen';
import { useDevices } from './useDevices';

const NOON = Date.UTC(2026, 11, 11, 12);
const [cook] = choirSupper(NOON).cooks;

/** A Pot with the stand-in kitchen, and the hand that makes its devices speak. */
async function listening() {
  let tell: (r: DeviceReading) => void = () => undefined;
  const followed: number[] = [];
  const fake: Kitchen = {
    name: 'fake',
    listen: (to) => {
      tell = to;
      return () => (tell = () => undefined);
    },
    follow: (c) => followed.push(c.events.length),
  };
  jest.spyOn(globalThis, 'fetch').mockResolvedValue({ ok: true } as Response);
  const noted: object[] = [];
  const add = (...events: object[]) => noted.push(...events);
  const hook = renderHook(({ source }: { source: 'stand-in' | 'none' }) => useDevices(source, cook, [], add), {
    initialProps: { source: 'stand-in' } as { source: 'stand-in' | 'none' },
    wrapper: within({ servedKitchen: () => fake }),
  });
  await act(() => jest.advanceTimersByTimeAsync(1));
  const says = (r: DeviceReading) =>
    act(() => {
      jest.advanceTimersByTime(1000);
      tell({ ...r, atMs: r.atMs || Date.now() });
    });
  return { ...hook, noted, followed, says };
}
const probe = (tempC: number): DeviceReading => ({ device: 'probe', atMs: 0, tempC });

beforeEach(() => jest.useFakeTimers({ now: NOON }));
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});

describe('what devices read', () => {
  it('is shown at once and noted seldom: every 20 s, or when it has moved by four degrees', async () => {
    const { result, noted, says } = await listening();
    for (const c of [60, 60.4, 61, 62]) says(probe(c));
    expect(result.current.probeC).toBe(62);
    expect(noted).toEqual([{ kind: 'measured', what: 'probe', value: 60, by: 'probe' }]);
    says(probe(64.5));
    expect(noted).toHaveLength(2);
    for (let i = 0; i < 20; i++) says(probe(65));
    expect(noted).toHaveLength(3);
    says({ device: 'scale', atMs: 0, grams: 1800 });
    says({ device: 'eye', atMs: 0, sees: ['steams'] });
    expect(result.current).toMatchObject({ grams: 1800, sees: ['steams'] });
    expect(noted).toHaveLength(3);
  });
  it('the hob: since when it says what it says', async () => {
    const { result, says } = await listening();
    const hob = (setting: number): DeviceReading => ({ device: 'hob', atMs: 0, setting, watts: 0 });
    says(hob(6));
    const first = result.current.hob;
    says(hob(6));
    expect(result.current.hob).toBe(first);
    says(hob(4));
    expect(result.current.hob).toEqual({ setting: 4, sinceMs: Date.now() });
  });
  it('a device that falls silent is lost, noted and said once; it comes back the same way', async () => {
    const { result, noted, says } = await listening();
    says(probe(60));
    act(() => jest.advanceTimersByTime(SILENT_MS + 4000));
    expect(result.current.lost).toEqual(['probe']);
    says(probe(60.5));
    expect(result.current.lost).toEqual([]);
    expect(noted.slice(1)).toEqual([
      { kind: 'device', device: 'probe', lost: true },
      { kind: 'device', device: 'probe', lost: false },
    ]);
  });
  it('a kitchen whose clock has parted from ours is told the cook again', async () => {
    const { followed, says } = await listening();
    const before = followed.length;
    says(probe(60));
    expect(followed).toHaveLength(before);
    says({ ...probe(60.2), atMs: Date.now() - 60_000 });
    expect(followed).toHaveLength(before + 1);
  });
  it('turned off, nothing of it stays', async () => {
    const { result, rerender, says } = await listening();
    says(probe(60));
    rerender({ source: 'none' });
    expect(result.current).toMatchObject({ probeC: undefined, lost: [], sees: [] });
  });
});

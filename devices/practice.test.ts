import type { DeviceReading } from '../core/kitchen/simulated';
import { potSound } from './potSound';
import { practiceKitchen } from './practiceKitchen';
import { practiceTeller } from './practiceTeller';

/** Channels of one browser: what one posts the others of its name hear. */
function channels() {
  const open: { name: string; onmessage?: (e: { data: unknown }) => void }[] = [];
  return (name: string) => {
    const mine = {
      name,
      onmessage: undefined as ((e: { data: unknown }) => void) | undefined,
      postMessage: (data: unknown) =>
        open.filter((c) => c !== mine && c.name === name).forEach((c) => c.onmessage?.({ data })),
      close: () => void open.splice(open.indexOf(mine), 1),
    };
    open.push(mine);
    return mine as unknown as BroadcastChannel;
  };
}

describe('the practice pot as a second screen', () => {
  it('one tab tells, another hears, until it leaves; what is no reading is not heard', () => {
    const make = channels();
    const heard: DeviceReading[] = [];
    const stop = practiceKitchen(make).listen((r) => heard.push(r));
    const teller = practiceTeller(make);
    teller.tell([{ device: 'probe', atMs: 1, tempC: 71.5 }, { device: 'nonsense' } as unknown as DeviceReading]);
    expect(heard).toEqual([{ device: 'probe', atMs: 1, tempC: 71.5 }]);
    stop();
    teller.tell([{ device: 'probe', atMs: 2, tempC: 72 }]);
    expect(heard).toHaveLength(1);
    teller.end();
  });
});

/** A sound context that keeps count. */
function fakeContext() {
  const told = { tones: 0, hiss: 0, closed: false, now: 0 };
  const param = () => ({
    value: 0,
    setValueAtTime: () => undefined,
    exponentialRampToValueAtTime: () => undefined,
    setTargetAtTime: () => undefined,
  });
  const node = (more: object = {}) => {
    const n = { connect: (to: unknown) => to, start: () => undefined, stop: () => undefined, ...more };
    return n;
  };
  const context = {
    sampleRate: 100,
    get currentTime() {
      return told.now;
    },
    destination: {},
    createBuffer: () => ({ getChannelData: () => new Float32Array(100) }),
    createBufferSource: () => node({ buffer: null, loop: false }),
    createBiquadFilter: () => node({ frequency: param(), Q: param(), type: '' }),
    createGain: () => node({ gain: { ...param(), setTargetAtTime: (to: number) => (told.hiss = to) } }),
    createOscillator: () => {
      told.tones++;
      return node({ frequency: param() });
    },
    close: () => {
      told.closed = true;
      return Promise.resolve();
    },
  };
  return { told, make: () => context as unknown as AudioContext };
}

describe('the sound of a pot', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const after = (told: { now: number }, s: number) => {
    for (let t = 0; t < s; t += 0.06) {
      told.now += 0.06;
      jest.advanceTimersByTime(60);
    }
  };
  it('hisses towards the boil, plops when it boils, and is still again', () => {
    const { told, make } = fakeContext();
    const sound = potSound(make);
    sound.hear({ hiss: 0.5, plopsPerS: 0, deep: 0 });
    expect(told.hiss).toBeGreaterThan(0.02);
    after(told, 3);
    expect(told.tones).toBe(0);
    sound.hear({ hiss: 0.4, plopsPerS: 2, deep: 1 });
    after(told, 5);
    expect(told.tones).toBeGreaterThanOrEqual(8);
    expect(told.tones).toBeLessThanOrEqual(11);
    sound.end();
    const heard = told.tones;
    after(told, 3);
    expect([told.tones, told.closed]).toEqual([heard, true]);
  });
});

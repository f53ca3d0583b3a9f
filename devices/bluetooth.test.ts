import { bluetoothKitchen, bluetoothOf, float11073, readTemperature, readWeight } from './bluetooth';
import { SILENT_MS, watchSilence } from './kitchen';
import type { DeviceReading } from '../core/kitchen/simulated';

const bytes = (...b: number[]) => new DataView(Uint8Array.from(b).buffer);
/** a temperature as a thermometer sends it: flags, mantissa, exponent */
const temperature = (flags: number, mantissa: number, exponent: number) =>
  bytes(flags, mantissa & 255, (mantissa >> 8) & 255, (mantissa >> 16) & 255, exponent & 255);

describe('what the standard services send', () => {
  it('a temperature: 36.4 in the example of the profile, below zero, in Fahrenheit, and none', () => {
    expect(readTemperature(temperature(0, 364, -1))).toBeCloseTo(36.4, 9);
    expect(readTemperature(temperature(0, -185, -1))).toBeCloseTo(-18.5, 9);
    expect(readTemperature(temperature(1, 1800, -1))).toBeCloseTo(82.22, 2);
    expect(readTemperature(bytes(0, 0xff, 0xff, 0x7f, 0))).toBeNaN();
    expect(readTemperature(bytes(0, 1))).toBeNaN();
    expect(float11073(bytes(0x00, 0x00, 0x80, 0), 0)).toBeNaN();
  });
  it('a weight: units of 5 g, of a hundredth of a pound, and a failed one', () => {
    expect(readWeight(bytes(0, 0xf4, 0x01))).toBe(2500);
    expect(readWeight(bytes(1, 0xdc, 0x00))).toBeCloseTo(997.9, 1);
    expect(readWeight(bytes(0, 0xff, 0xff))).toBeNaN();
  });
});

/** A device that is not there. */
function fake() {
  const characteristic = Object.assign(new EventTarget(), {
    value: undefined as DataView | undefined,
    startNotifications: () => Promise.resolve(),
  });
  let connects = 0;
  const gatt = {
    connected: true,
    connect: () => {
      connects += 1;
      return Promise.resolve(gatt);
    },
    disconnect: () => undefined,
    getPrimaryService: () => Promise.resolve({ getCharacteristic: () => Promise.resolve(characteristic) }),
  };
  const device = Object.assign(new EventTarget(), { name: 'probe of the choir', gatt });
  const bluetooth = { requestDevice: () => Promise.resolve(device) } as unknown as Bluetooth;
  const send = (v: DataView) => {
    characteristic.value = v;
    characteristic.dispatchEvent(new Event('characteristicvaluechanged'));
  };
  return { bluetooth, device, send, connects: () => connects };
}
const settle = () => new Promise((ok) => setImmediate(ok));

describe('a thermometer by Bluetooth', () => {
  it('tells its readings, is lost when it goes, is tried again, and stops when nobody listens', async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate'] });
    const f = fake();
    const heard: DeviceReading[] = [];
    const kitchen = await bluetoothKitchen(f.bluetooth, 'probe', () => 7);
    const stop = kitchen.listen((r) => heard.push(r));
    await settle();
    f.send(temperature(0, 725, -1));
    expect(heard).toEqual([{ device: 'probe', atMs: 7, tempC: 72.5 }]);
    f.device.dispatchEvent(new Event('gattserverdisconnected'));
    expect(heard.at(-1)).toEqual({ device: 'probe', atMs: 7, lost: true });
    jest.advanceTimersByTime(3000);
    await settle();
    expect(f.connects()).toBe(2);
    f.send(temperature(0, 730, -1));
    expect(heard.at(-1)).toMatchObject({ tempC: 73 });
    stop();
    f.send(temperature(0, 740, -1));
    expect(heard).toHaveLength(3);
    jest.useRealTimers();
  });
  it('that is stopped while it is being connected is let go again, and tells nothing', async () => {
    const f = fake();
    let arrive: () => void = () => undefined;
    const arrived = new Promise<void>((ok) => (arrive = ok));
    const connect = f.device.gatt.connect;
    f.device.gatt.connect = async () => {
      await arrived;
      return connect();
    };
    let connected = true;
    f.device.gatt.disconnect = () => void (connected = false);
    const heard: DeviceReading[] = [];
    const stop = (await bluetoothKitchen(f.bluetooth, 'probe', () => 7)).listen((r) => heard.push(r));
    await settle();
    stop();
    connected = true;
    arrive();
    await settle();
    f.send(temperature(0, 725, -1));
    expect([connected, heard]).toEqual([false, []]);
  });
  it('is offered only where the browser has it', () => {
    expect(bluetoothOf({})).toBeUndefined();
    expect(bluetoothOf({ bluetooth: fake().bluetooth })).toBeDefined();
  });
});

it('a device that falls silent is lost once, and back once', () => {
  const said: string[] = [];
  const w = watchSilence((device, lost) => said.push(`${device} ${lost}`));
  w.hear({ device: 'probe', atMs: 0, tempC: 20 }, 0);
  for (let t = 0; t <= SILENT_MS + 4000; t += 2000) w.look(t);
  w.hear({ device: 'probe', atMs: 0, tempC: 20 }, SILENT_MS + 5000);
  w.hear({ device: 'scale', atMs: 0, lost: true }, 0);
  expect(said).toEqual(['probe true', 'probe false', 'scale true']);
});

it('a device is not lost because the phone slept, but when it stays silent after', () => {
  const said: string[] = [];
  const w = watchSilence((device, lost) => said.push(`${device} ${lost}`));
  w.hear({ device: 'probe', atMs: 0, tempC: 20 }, 0);
  w.look(2000);
  w.look(600_000);
  expect(said).toEqual([]);
  for (const t of [602, 604, 606, 608]) w.look(t * 1000);
  expect(said).toEqual(['probe true']);
});

import type { DeviceReading } from '../core/kitchen/simulated';
import type { Kitchen } from './kitchen';

/**
 * A thermometer and a kitchen scale over Web Bluetooth, by the two standard services: Health Thermometer (0x1809,
 * Temperature Measurement 0x2A1C, indicated) and Weight Scale (0x181D, Weight Measurement 0x2A9D, indicated).
 */
const THERMOMETER = 0x1809;
const TEMPERATURE = 0x2a1c;
const SCALE = 0x181d;
const WEIGHT = 0x2a9d;

/** A 32-bit float of IEEE 11073: 24 bits of mantissa, 8 of decimal exponent. NaN for its not-a-number and infinities. */
export function float11073(view: DataView, at: number): number {
  const raw = view.getUint32(at, true);
  const mantissa24 = raw & 0xffffff;
  if (mantissa24 >= 0x7ffffe && mantissa24 <= 0x800002) return NaN;
  const mantissa = mantissa24 >= 0x800000 ? mantissa24 - 0x1000000 : mantissa24;
  return mantissa * 10 ** ((raw >> 24) | 0);
}

/** Temperature Measurement to degC. Flag bit 0: Fahrenheit. @returns NaN when it is no number */
export function readTemperature(view: DataView): number {
  if (view.byteLength < 5) return NaN;
  const value = float11073(view, 1);
  return view.getUint8(0) & 1 ? ((value - 32) * 5) / 9 : value;
}

/** Weight Measurement to grams: units of 5 g, or of 0.01 lb (flag bit 0). @returns NaN for a measurement that failed */
export function readWeight(view: DataView): number {
  if (view.byteLength < 3) return NaN;
  const raw = view.getUint16(1, true);
  if (raw === 0xffff) return NaN;
  return view.getUint8(0) & 1 ? raw * 0.01 * 453.59237 : raw * 5;
}

export const bluetoothOf = (nav: Partial<Pick<Navigator, 'bluetooth'>>): Bluetooth | undefined => nav.bluetooth;

const KINDS = {
  probe: { service: THERMOMETER, characteristic: TEMPERATURE },
  scale: { service: SCALE, characteristic: WEIGHT },
} as const;
const RETRY_MS = 3000;

/**
 * Asks the cook to pick a device (call from a tap) and follows it. A device that goes away is tried again every few
 * seconds until listening stops.
 * @throws when the cook picks none, or the browser refuses
 */
export async function bluetoothKitchen(
  bluetooth: Bluetooth,
  kind: keyof typeof KINDS,
  now: () => number = Date.now,
): Promise<Kitchen> {
  const { service, characteristic } = KINDS[kind];
  const device = await bluetooth.requestDevice({ filters: [{ services: [service] }] });
  return {
    name: device.name ?? kind,
    listen(tell) {
      let on = true;
      let from: BluetoothRemoteGATTCharacteristic | undefined;
      let timer: ReturnType<typeof setTimeout> | undefined;
      const heard = () => {
        if (!from?.value) return;
        const atMs = now();
        if (kind === 'probe') {
          const tempC = readTemperature(from.value);
          if (Number.isFinite(tempC)) tell({ device: 'probe', atMs, tempC });
        } else {
          const grams = readWeight(from.value);
          if (Number.isFinite(grams)) tell({ device: 'scale', atMs, grams });
        }
      };
      const connect = async () => {
        try {
          const gatt = await device.gatt!.connect();
          // nobody listens any more: what has come about meanwhile is let go again
          if (!on) return gatt.disconnect();
          const found = await (await gatt.getPrimaryService(service)).getCharacteristic(characteristic);
          if (!on) return gatt.disconnect();
          from = found;
          from.addEventListener('characteristicvaluechanged', heard);
          await from.startNotifications();
          if (!on) gatt.disconnect();
        } catch {
          again();
        }
      };
      const again = () => {
        if (!on) return;
        from?.removeEventListener('characteristicvaluechanged', heard);
        clearTimeout(timer);
        timer = setTimeout(() => void connect(), RETRY_MS);
      };
      const gone = () => {
        const lost: DeviceReading = { device: kind, atMs: now(), lost: true };
        if (on) tell(lost);
        again();
      };
      device.addEventListener('gattserverdisconnected', gone);
      void connect();
      return () => {
        on = false;
        clearTimeout(timer);
        device.removeEventListener('gattserverdisconnected', gone);
        from?.removeEventListener('characteristicvaluechanged', heard);
        device.gatt?.disconnect();
      };
    },
  };
}

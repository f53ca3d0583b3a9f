import type { DeviceReading } from '../core/kitchen/simulated';
import type { Kitchen } from './kitchen';

/** The practice pot as a kitchen with devices: one tab plays it, another's Pot room hears its thermometer, scale and ring. */

const CHANNEL = 'ovalis practice pot';

/** Tells what the devices on the practice pot read, to every other tab. */
export function practiceTeller(make: (name: string) => BroadcastChannel = (name) => new BroadcastChannel(name)) {
  const channel = make(CHANNEL);
  return {
    tell: (readings: readonly DeviceReading[]) => channel.postMessage(readings),
    end: () => channel.close(),
  };
}

const KINDS: readonly string[] = ['probe', 'scale', 'hob', 'eye'];
const isReading = (r: unknown): r is DeviceReading =>
  typeof r === 'object' && r !== null && KINDS.includes((r as { device?: string }).device ?? '');

export function practiceKitchen(
  make: (name: string) => BroadcastChannel = (name) => new BroadcastChannel(name),
): Kitchen {
  return {
    name: 'practice pot',
    listen(tell) {
      const channel = make(CHANNEL);
      channel.onmessage = (e: MessageEvent<unknown>) => {
        if (Array.isArray(e.data)) e.data.filter(isReading).forEach(tell);
      };
      return () => channel.close();
    },
  };
}

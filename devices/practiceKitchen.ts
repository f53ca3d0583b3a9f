import type { DeviceReading } from '../core/kitchen/simulated';
import type { Kitchen } from './kitchen';
import { CHANNEL } from './practiceChannel';

/** The practice pot as a kitchen with devices: one tab plays it, another's Pot room hears its thermometer, scale and ring. */

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

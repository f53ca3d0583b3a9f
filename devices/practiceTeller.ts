import type { DeviceReading } from '../core/kitchen/simulated';
import { CHANNEL } from './practiceChannel';

/** Tells what the devices on the practice pot read, to every other tab. */
export function practiceTeller(make: (name: string) => BroadcastChannel = (name) => new BroadcastChannel(name)) {
  const channel = make(CHANNEL);
  return {
    tell: (readings: readonly DeviceReading[]) => channel.postMessage(readings),
    end: () => channel.close(),
  };
}

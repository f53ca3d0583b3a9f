import type { Cook, DeviceKind } from '../core/cook/events';
import type { DeviceReading, Faulty } from '../core/kitchen/simulated';

/** What the Pot asks of any devices: the stand-in kitchen, served or in the browser, or real ones by Bluetooth. */
export type Kitchen = {
  name: string;
  /** tells each reading until the returned function is called */
  listen(tell: (reading: DeviceReading) => void): () => void;
  /** the cook so far: a stand-in follows it */
  follow?(cook: Cook, faults?: readonly Faulty[]): void;
};

const EVERY_MS = 1000;
/** a server that did not answer is asked again after this */
const AGAIN_MS = 2000;
/** an EventSource that will not come back by itself */
const CLOSED = 2;
/** A device that says nothing for this long is lost. */
export const SILENT_MS = 6000;

/** The kitchen in the browser: `read` works it out elsewhere, one question at a time. */
export function ownKitchen(
  read: (cook: Cook, nowMs: number, faults: readonly Faulty[]) => Promise<DeviceReading[]>,
): Kitchen {
  let cook: Cook | undefined;
  let faults: readonly Faulty[] = [];
  return {
    name: 'stand-in kitchen',
    follow(next, wrong = []) {
      cook = next;
      faults = wrong;
    },
    listen(tell) {
      let asking = false;
      const timer = setInterval(() => {
        if (asking || !cook) return;
        asking = true;
        void read(cook, Date.now(), faults)
          .then((all) => all.forEach(tell))
          .catch(() => undefined)
          .finally(() => (asking = false));
      }, EVERY_MS);
      return () => clearInterval(timer);
    },
  };
}

/**
 * The kitchen that the server has: the cook is posted when it changes, readings come as server-sent events. The
 * protocol is docs/formats/devices.md.
 */
export function servedKitchen(url: string, send: typeof fetch = fetch): Kitchen {
  let following: { cook: Cook; faults: readonly Faulty[] } | undefined;
  let source: EventSource | undefined;
  let tell: ((r: DeviceReading) => void) | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  const of = (cook: Cook) => `${url}/${encodeURIComponent(cook.id)}`;
  const close = () => {
    source?.close();
    source = undefined;
  };
  /** only once the server has this kitchen: a stream that is refused does not come back by itself */
  const open = (cook: Cook) => {
    if (!tell || source) return;
    source = new EventSource(`${of(cook)}/stream`);
    source.addEventListener('reading', (e) => tell?.(JSON.parse((e as MessageEvent<string>).data) as DeviceReading));
    source.addEventListener('error', () => source?.readyState === CLOSED && later());
  };
  // one at a time and the newest last: two that overtake each other would leave the kitchen with an older pot
  let sending = false;
  let newer = false;
  const post = async () => {
    clearTimeout(again);
    newer = true;
    if (sending) return;
    sending = true;
    let taken = true;
    while (newer && following) {
      newer = false;
      const { cook, faults } = following;
      const body = JSON.stringify({ format: 'ovalis-devices', version: 1, nowMs: Date.now(), cook, faults });
      const headers = { 'content-type': 'application/json' };
      taken = await send(of(cook), { method: 'PUT', headers, body }).then(
        (r) => r.ok,
        () => false,
      );
      if (taken && following.cook.id === cook.id) open(cook);
    }
    sending = false;
    if (!taken) later();
  };
  /** the server is away or has forgotten this kitchen: it is told again */
  function later() {
    close();
    clearTimeout(again);
    again = setTimeout(() => tell && void post(), AGAIN_MS);
  }
  return {
    name: 'stand-in kitchen, served',
    follow(cook, faults = []) {
      if (cook.id !== following?.cook.id) close();
      following = { cook, faults };
      void post();
    },
    listen(next) {
      tell = next;
      if (following && !sending) void post();
      return () => {
        close();
        clearTimeout(again);
        tell = undefined;
      };
    },
  };
}

/** Says which devices fell silent or came back, once each. */
export function watchSilence(onChange: (device: DeviceKind, lost: boolean) => void) {
  const heard = new Map<DeviceKind, number>();
  const lost = new Set<DeviceKind>();
  let lookedMs = NaN;
  const set = (device: DeviceKind, isLost: boolean) => {
    if (lost.has(device) === isLost) return;
    if (isLost) lost.add(device);
    else lost.delete(device);
    onChange(device, isLost);
  };
  return {
    hear(r: DeviceReading, nowMs: number) {
      if (r.device === 'eye') return undefined;
      if ('lost' in r) return set(r.device, true);
      heard.set(r.device, nowMs);
      set(r.device, false);
    },
    look(nowMs: number) {
      // nobody listened meanwhile (a locked phone): the devices get their time again
      if (nowMs - lookedMs > SILENT_MS) for (const device of heard.keys()) heard.set(device, nowMs);
      lookedMs = nowMs;
      for (const [device, at] of heard) if (nowMs - at > SILENT_MS) set(device, true);
    },
  };
}

import type { Cook } from '../core/cook/events';
import { choirSupper } from '../core/demo/choirSupper';
import { servedKitchen } from './kitchen';
import type { DeviceReading } from '../core/kitchen/simulated';

/** A stream that is not there; it remembers the ones that are open. */
class Stream {
  static open: Stream[] = [];
  readyState = 1;
  private heard: Record<string, (e: { data: string }) => void> = {};
  constructor(readonly url: string) {
    Stream.open.push(this);
  }
  addEventListener(what: string, hear: (e: { data: string }) => void) {
    this.heard[what] = hear;
  }
  says(r: DeviceReading) {
    this.heard['reading']!({ data: JSON.stringify(r) });
  }
  breaks() {
    this.readyState = 2;
    this.heard['error']!({ data: '' });
  }
  close() {
    Stream.open = Stream.open.filter((s) => s !== this);
  }
}

const at = (cook: Cook, events: number) => ({ ...cook, events: cook.events.slice(0, events) });
const soon = () => new Promise((r) => setTimeout(r, 0));

describe('the served kitchen', () => {
  const cook = choirSupper(Date.UTC(2026, 11, 11, 12)).cooks[0]!;
  const answers: ((ok: boolean) => void)[] = [];
  const sent: number[] = [];
  const send = ((_: string, init: { body: string }) => {
    sent.push((JSON.parse(init.body) as { cook: { events: unknown[] } }).cook.events.length);
    return new Promise<{ ok: boolean }>((done) => answers.push((ok) => done({ ok })));
  }) as unknown as typeof fetch;

  beforeEach(() => {
    Object.assign(globalThis, { EventSource: Stream });
    Stream.open = [];
    answers.length = 0;
    sent.length = 0;
  });

  it('gets one pot at a time, the newest last, and none that is old by then', async () => {
    const k = servedKitchen('/kitchens', send);
    for (const n of [1, 2, 3]) k.follow!(at(cook, n));
    expect(sent).toEqual([1]);
    answers.shift()!(true);
    await soon();
    expect(sent).toEqual([1, 3]);
    answers.shift()!(true);
    await soon();
    expect(sent).toEqual([1, 3]);
  });

  it('is heard from the first answer until nobody listens; another cook is another stream', async () => {
    const k = servedKitchen('/kitchens', send);
    const heard: DeviceReading[] = [];
    k.follow!(cook);
    const stop = k.listen((r) => heard.push(r));
    // a stream of a kitchen that the server does not have yet would be refused for good
    expect(Stream.open).toEqual([]);
    answers.shift()!(true);
    await soon();
    Stream.open[0]!.says({ device: 'probe', atMs: 0, tempC: 71.5 });
    expect(heard).toEqual([{ device: 'probe', atMs: 0, tempC: 71.5 }]);
    k.follow!({ ...cook, id: 'c-other' });
    answers.shift()!(true);
    await soon();
    expect(Stream.open.map((s) => s.url)).toEqual(['/kitchens/c-other/stream']);
    stop();
    expect(Stream.open).toEqual([]);
  });

  it('is told again when the server refused, was away, or forgot it', async () => {
    jest.useFakeTimers();
    const settled = () => jest.advanceTimersByTimeAsync(10);
    const k = servedKitchen('/kitchens', send);
    k.listen(() => undefined);
    k.follow!(cook);
    answers.shift()!(false);
    await settled();
    expect(Stream.open).toEqual([]);
    await jest.advanceTimersByTimeAsync(2000);
    answers.shift()!(true);
    await settled();
    Stream.open[0]!.breaks();
    expect(Stream.open).toEqual([]);
    await jest.advanceTimersByTimeAsync(2000);
    answers.shift()!(true);
    await settled();
    expect(Stream.open).toHaveLength(1);
    expect(sent).toEqual([cook.events.length, cook.events.length, cook.events.length]);
    jest.useRealTimers();
  });
});

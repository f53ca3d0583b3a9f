import { listen } from './signals';

/** A recognition that ends when it is told to. */
class Heard extends EventTarget {
  static last: Heard;
  static starts = 0;
  constructor() {
    super();
    Heard.last = this;
  }
  start() {
    Heard.starts += 1;
  }
  stop() {
    this.dispatchEvent(new Event('end'));
  }
  fail(error: string) {
    this.dispatchEvent(Object.assign(new Event('error'), { error }));
    this.dispatchEvent(new Event('end'));
  }
  hear(transcript: string) {
    this.dispatchEvent(Object.assign(new Event('result'), { results: [[{ transcript }]], resultIndex: 0 }));
  }
}

describe('words that are listened for', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    Heard.starts = 0;
    Object.assign(globalThis, { window: { SpeechRecognition: Heard } });
  });
  afterEach(() => {
    jest.useRealTimers();
    delete (globalThis as { window?: unknown }).window;
  });
  const startsWithin = (ms: number) => {
    const before = Heard.starts;
    jest.advanceTimersByTime(ms);
    return Heard.starts - before;
  };

  it('after a network error there is a pause, longer each time, until something is heard again', () => {
    const words: string[] = [];
    const stop = listen((w) => words.push(w), jest.fn());
    expect(Heard.starts).toBe(1);
    Heard.last.fail('network');
    expect([startsWithin(400), startsWithin(200)]).toEqual([0, 1]);
    for (let i = 0; i < 12; i++) {
      Heard.last.fail('network');
      jest.advanceTimersByTime(60_000);
    }
    Heard.last.fail('network');
    expect([startsWithin(59_000), startsWithin(1_000)]).toEqual([0, 1]);
    Heard.last.hear('well, done');
    expect(words).toEqual(['done']);
    Heard.last.fail('no-speech');
    expect(startsWithin(300)).toBe(1);
    stop();
    expect(startsWithin(100_000)).toBe(0);
  });
  it('that are refused are not asked for again', () => {
    const refused = jest.fn();
    listen(jest.fn(), refused);
    Heard.last.fail('not-allowed');
    expect([startsWithin(100_000), refused.mock.calls.length]).toEqual([0, 1]);
  });
});

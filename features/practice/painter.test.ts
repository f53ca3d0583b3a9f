import type { Frame } from '../../core/practice/frame';
import { colour } from '../../ui/colours';
import { framesAsTheyCome } from './frames';
import { POT_H, POT_W, type Inks, type Pen } from './drawPot';
import { painter } from './painter';
import { CALM } from './testing';

const inks = Object.fromEntries(Object.keys(colour).map((name) => [name, name])) as Inks;

/** A painter whose screen shows a picture when it is told to, and how often its pen began a new one. */
function atWork() {
  let next: ((ms: number) => void) | undefined;
  let drawn: Record<string, number[][]> = {};
  const pen = new Proxy({} as Record<string, unknown>, {
    get:
      (_, name: string) =>
      (...args: number[]) =>
        void (drawn[name] ??= []).push(args),
    set: () => true,
  }) as unknown as Pen;
  const surface = { width: 0, height: 0, getContext: () => pen };
  const paints = painter(
    (picture) => {
      next = picture;
      return 7;
    },
    (id) => {
      if (id === 7) next = undefined;
    },
  );
  return {
    ...paints,
    surface,
    /** what was drawn at this moment; nothing where the last picture was left */
    at(ms: number) {
      drawn = {};
      next?.(ms);
      return drawn;
    },
    goes: () => next !== undefined,
  };
}
const pictures = (drawn: Record<string, number[][]>) => drawn['clearRect']?.length ?? 0;
/** how far the ring around the pot is filled */
const filled = (drawn: Record<string, number[][]>) =>
  drawn['ellipse']!.map((e) => e[6]! - e[5]!).find((turn) => turn < 2 * Math.PI - 1e-9) ?? NaN;

describe('the painter', () => {
  it('waits until it has a canvas, a frame, inks and a size', () => {
    const p = atWork();
    p.tell({ frame: CALM, everyMs: 100 });
    expect(pictures(p.at(0))).toBe(0);
    p.tell({ inks, wide: 780 });
    expect(pictures(p.at(16))).toBe(0);
    p.on(p.surface);
    expect(pictures(p.at(32))).toBe(1);
    expect(p.surface).toMatchObject({ width: 780, height: (780 * POT_H) / POT_W });
  });
  it('says where a canvas has no pen', () =>
    expect(() => atWork().on({ width: 0, height: 0, getContext: () => null })).toThrow('2d'));

  const ready = (frame: Frame) => {
    const p = atWork();
    p.on(p.surface);
    p.tell({ inks, wide: 390, frame, everyMs: 100 });
    return p;
  };
  it('draws evenly from one frame to the next, and jumps back', () => {
    const p = ready(CALM);
    const cold = filled(p.at(0));
    p.tell({ frame: { ...CALM, tS: 20, bulkC: 60 }, everyMs: 100 });
    expect(filled(p.at(100))).toBeCloseTo(cold, 9);
    const half = filled(p.at(150));
    const hot = filled(p.at(200));
    expect(half - cold).toBeCloseTo(hot - half, 9);
    expect(hot).toBeGreaterThan(cold);
    p.tell({ frame: CALM });
    expect(filled(p.at(216))).toBeCloseTo(cold, 9);
  });
  it('leaves a pot alone in which nothing moves, until something is told', () => {
    const p = ready(CALM);
    expect(pictures(p.at(0))).toBe(1);
    expect(pictures(p.at(16))).toBe(0);
    p.tell({ hand: { x: 0, y: 0 } });
    expect(pictures(p.at(32))).toBe(1);
    p.tell({ frame: { ...CALM, tS: 20, everyS: 3 } });
    for (const ms of [48, 64, 480, 496]) expect(pictures(p.at(ms))).toBe(1);
  });
  it('without motion it draws four times a second at most, and nothing wanders', () => {
    const p = ready({ ...CALM, boil: 1 });
    p.tell({ still: true });
    const first = p.at(1000);
    p.tell({ frame: { ...CALM, tS: 11, boil: 1 } });
    expect(pictures(p.at(1100))).toBe(0);
    expect(p.at(1260)['ellipse']).toEqual(first['ellipse']);
  });
  it('ends', () => {
    const p = ready(CALM);
    p.end();
    expect(p.goes()).toBe(false);
  });
});

describe('frames as they come', () => {
  it('tell the last one at once, and how long the next may take', () => {
    const frames = framesAsTheyCome(100);
    const heard: number[] = [];
    frames.tell(CALM, 1000);
    const stop = frames.listen(({ everyMs }) => heard.push(everyMs));
    frames.tell(CALM, 1010);
    frames.tell(CALM, 1260);
    stop();
    frames.tell(CALM, 1300);
    expect(heard).toEqual([1000, 100, 250]);
    expect(frames.last()).toBe(CALM);
  });
});

import { colour } from '../../ui/colours';
import type { Frame } from '../../core/practice/frame';
import { between, drawPot, type Inks } from './drawPot';
import { CALM as calm } from './testing';

const inks = Object.fromEntries(Object.keys(colour).map((name) => [name, name])) as Inks;

/** What a pen was told, as one line each. */
function drawn(f: Frame, beat = 1.5, hand?: { x: number; y: number }): string[] {
  const lines: string[] = [];
  const pen = new Proxy(
    {},
    {
      get: (_, name: string) =>
        name === 'measureText'
          ? () => ({ width: 0 })
          : (...args: unknown[]) => void lines.push(`${name} ${JSON.stringify(args)}`),
      set: (_, name: string, value) => {
        lines.push(`${name}=${String(value)}`);
        return true;
      },
    },
  ) as CanvasRenderingContext2D;
  drawPot(pen, f, inks, beat, hand);
  return lines;
}
const count = (lines: readonly string[], what: RegExp) => lines.filter((l) => what.test(l)).length;
const ovals = (f: Frame) => count(drawn(f), /^ellipse /);

describe('the drawn pot', () => {
  it('is the same picture for the same figures', () => expect(drawn(calm)).toEqual(drawn({ ...calm })));
  it.each([
    ['bubbles', { boil: 0.8 }],
    ['small bubbles at the rim', { rim: 0.7 }],
    ['foam', { foam: 0.8 }],
    ['lumps', { lumps: 0.9 }],
    ['curds', { curd: 0.4 }],
  ] as [string, Partial<Frame>][])('%s are drawn where there are any, more of them where there are more', (_, some) => {
    const [name, value] = Object.entries(some)[0] as [keyof Frame, number];
    const none = ovals(calm);
    const all = ovals({ ...calm, [name]: value });
    expect(all).toBeGreaterThan(none);
    expect(ovals({ ...calm, [name]: value / 3 })).toBeLessThanOrEqual(all);
  });
  it('a skin has folds, a caught floor is scorch and shows specks, what came over hangs outside', () => {
    const strokes = (f: Partial<Frame>) => count(drawn({ ...calm, ...f }), /^stroke /);
    expect(strokes({ skin: 0.6 })).toBeGreaterThan(strokes({}));
    const scorch = (f: Partial<Frame>) => count(drawn({ ...calm, ...f }), /^(fill|stroke)Style=scorch$/);
    expect(scorch({})).toBeLessThan(scorch({ scorch: 0.9 }));
    expect(strokes({ spiltRel: 0.05 })).toBe(strokes({}) + 4);
  });
  it('thick, it boils in few large craters', () => {
    const boiling = { ...calm, boil: 1 };
    expect(ovals({ ...boiling, viscosityPaS: 5 })).toBeLessThan(ovals(boiling));
  });
  it('grains swell and clear', () => {
    const sizes = (f: Partial<Frame>) =>
      drawn({ ...calm, ...f })
        .filter((l) => /^ellipse \[1[0-9.]*,3/.test(l) || /^ellipse \[2[0-9.]*,3/.test(l))
        .reduce((sum, l) => sum + (JSON.parse(l.slice(8)) as number[])[2]!, 0);
    expect(sizes({ swelling: 1 })).toBeGreaterThan(sizes({}));
  });
  it('the spoon is where the hand is; at rest it leaves its dots', () => {
    const at = drawn(calm, 1, { x: 0, y: 0 });
    expect(at.some((l) => l.startsWith('ellipse [195,158,14'))).toBe(true);
    expect(drawn({ ...calm, everyS: 3 }, 1)).not.toEqual(drawn({ ...calm, everyS: 3 }, 1.4));
  });
  it('a lid lies over it, or beside', () => {
    expect(drawn({ ...calm, lid: 'on' })).not.toEqual(drawn({ ...calm, lid: 'ajar' }));
    expect(drawn({ ...calm, lid: 'on' }).length).toBeGreaterThan(drawn(calm).length);
  });
});

describe('between two frames', () => {
  const hot: Frame = { ...calm, tS: 20, bulkC: 60, swelling: 0.5, setting: 7, lumps: 0.8 };
  it('figures move evenly, hands do not', () => {
    const half = between(calm, hot, 15);
    expect(half).toMatchObject({ tS: 15, bulkC: 40, swelling: 0.25, setting: 3, lumps: 0 });
  });
  it('never goes beyond either', () => {
    expect(between(calm, hot, 5).bulkC).toBe(20);
    expect(between(calm, hot, 99)).toMatchObject({ bulkC: 60, setting: 7, lumps: 0.8 });
  });
});

import { chartSvg, type Chart } from './chartSvg';

const chart: Chart = {
  title: 'Cups <for> the "choir" & friends\u0007',
  says: 'sets by nine',
  x: { name: 'hours since pouring', domain: [0, 4] },
  left: { name: 'middle, degC', domain: [0, 95] },
  right: { name: 'set', domain: [0, 5], tick: (v) => ['pours', 'coats', 'mounds'][Math.floor(v)] ?? '' },
  series: [
    { name: 'middle', on: 'left', points: [0, 1, 2, 4].map((x) => ({ x, y: 80 - 18 * x })) },
    { name: 'set', on: 'right', points: [0, 2, 4].map((x) => ({ x, y: x })) },
  ],
};

describe('a chart as a file', () => {
  const svg = chartSvg(chart);
  it('is one well-formed picture: every mark is closed, no text breaks it', () => {
    const open: string[] = [];
    for (const [, close, name] of svg.matchAll(/<(\/)?([a-z]+)[^>]*>/g)) {
      if (close) expect(open.pop()).toBe(name);
      else open.push(name!);
    }
    expect(open).toEqual([]);
    expect(svg).toContain('<title>Cups &lt;for&gt; the &quot;choir&quot; &amp; friends</title>');
    expect(svg).not.toContain('NaN');
  });
  it('names its axes with their units and each line', () => {
    for (const text of ['hours since pouring', 'middle, degC', '>set<', '>middle<', '>coats<'])
      expect(svg).toContain(text);
    expect(svg.match(/stroke-width="3"/g)).toHaveLength(4);
  });
  it('a line begins where its first point lies, left edge and height by the axis', () => {
    const [, x, y] = /<path d="M([\d.]+),([\d.]+)C/.exec(svg)!;
    expect(Number(x)).toBe(76);
    // 80 of 95 degC up from the foot of the picture
    expect(Number(y)).toBeCloseTo(416 - (416 - 64) * (80 / 95), 0);
  });
});

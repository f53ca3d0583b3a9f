import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';

/** A line of a chart; `on` says which axis its figures stand on. */
type Series = { name: string; points: readonly { x: number; y: number }[]; on: 'left' | 'right' };
type Axis = { name: string; domain: readonly [number, number]; tick?: (v: number) => string };
export type Chart = {
  title: string;
  /** what it is of, in a sentence: read out where the picture is not seen */
  says: string;
  x: Axis;
  left: Axis;
  right?: Axis;
  series: readonly Series[];
};

const W = 800;
const H = 480;
const PAD = { left: 76, right: 90, top: 64, bottom: 64 };
type Attributes = Record<string, string | number>;

/** Dark ink on white, told apart by their strokes as well: it is to be printed. */
const INK = '#2a1430';
const STROKES: readonly Attributes[] = [
  { stroke: '#1f4f78' },
  { stroke: INK, 'stroke-dasharray': '10 6' },
  { stroke: '#8a3b12', 'stroke-dasharray': '3 5' },
];
const strokeOf = (i: number): Attributes => ({ fill: 'none', 'stroke-width': 3, ...STROKES[i % STROKES.length]! });
const TICKS = 6;

const escaped = (text: string) =>
  text.replaceAll(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
/** no control character may stand in XML */
const clean = (text: string) => escaped([...text].filter((c) => c >= ' ' || c === '\n' || c === '\t').join(''));
const px = (n: number) => String(Math.round(n * 10) / 10);

const element = (name: string, attributes: Attributes, inner = '') =>
  `<${[name, ...Object.entries(attributes).map(([k, v]) => `${k}="${escaped(String(v))}"`)].join(' ')}>${inner}</${name}>`;
const path = (d: string, attributes: Attributes) => element('path', { d, ...attributes });
const label = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end', more: Attributes = {}) =>
  element('text', { x: px(x), y: px(y), 'text-anchor': anchor, ...more }, clean(text));

/** A chart as an SVG text (SVG 1.1), with its axes, their units and a legend: for a page, a mail or a printer. */
export function chartSvg({ title, says, x, left, right, series }: Chart): string {
  const at = scaleLinear([...x.domain], [PAD.left, W - PAD.right]);
  const up = {
    left: scaleLinear([...left.domain], [H - PAD.bottom, PAD.top]),
    right: scaleLinear([...(right ?? left).domain], [H - PAD.bottom, PAD.top]),
  };
  const say = (axis: Axis, v: number) => (axis.tick ? axis.tick(v) : String(v));
  const side = (axis: Axis, which: 'left' | 'right') =>
    up[which].ticks(TICKS).map((v) => {
      const y = up[which](v);
      const edge = which === 'left' ? PAD.left : W - PAD.right;
      return [
        which === 'left' ? path(`M${PAD.left} ${px(y)}H${W - PAD.right}`, { stroke: '#c9c3cc' }) : '',
        label(edge + (which === 'left' ? -8 : 8), y + 5, say(axis, v), which === 'left' ? 'end' : 'start'),
      ].join('');
    });
  const drawn = series.map(({ points, on }, i) => {
    const d = line<{ x: number; y: number }>(
      (p) => at(p.x),
      (p) => up[on](p.y),
    ).curve(curveMonotoneX)(points);
    return path(d ?? '', strokeOf(i));
  });
  const legend = series.map(({ name }, i) => {
    const from = PAD.left + (i * (W - PAD.left - PAD.right)) / series.length;
    return path(`M${px(from)} 48h36`, strokeOf(i)) + label(from + 44, 53, name, 'start');
  });
  const middle = (H + PAD.top - PAD.bottom) / 2;
  const upright = (atX: number, name: string) =>
    label(atX, middle, name, 'middle', { transform: `rotate(-90 ${atX} ${middle})` });
  const parts = [
    element('title', {}, clean(title)),
    element('desc', {}, clean(says)),
    element('rect', { width: W, height: H, fill: '#ffffff' }),
    label(PAD.left, 26, title, 'start', { 'font-size': 20, 'font-weight': 'bold' }),
    ...legend,
    ...side(left, 'left'),
    ...(right ? side(right, 'right') : []),
    ...at.ticks(TICKS).map((v) => label(at(v), H - PAD.bottom + 24, say(x, v), 'middle')),
    path(`M${PAD.left} ${PAD.top}V${H - PAD.bottom}H${W - PAD.right}`, {
      fill: 'none',
      stroke: INK,
      'stroke-width': 2,
    }),
    label((W + PAD.left - PAD.right) / 2, H - 16, x.name, 'middle'),
    upright(20, left.name),
    ...(right ? [upright(W - 14, right.name)] : []),
    ...drawn,
  ];
  const root = {
    xmlns: 'http://www.w3.org/2000/svg',
    viewBox: `0 0 ${W} ${H}`,
    width: W,
    height: H,
    role: 'img',
    'font-family': 'sans-serif',
    'font-size': 15,
    fill: INK,
  };
  return `${element('svg', root, `\n${parts.join('\n')}\n`)}\n`;
}

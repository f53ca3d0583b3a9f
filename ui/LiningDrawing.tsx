import { View } from 'react-native';
import Svg, { Ellipse, G, Line, Path, Rect, Text } from 'react-native-svg';
import { colour } from './colours';
import { t } from '../words';

/** Printable width of a page, mm: one unit of the drawing is one millimetre of paper. */
const PAGE_MM = 190;
const RULER_MM = 50;

export type Drawn =
  | { piece: 'disc'; diameterMm: number }
  | { piece: 'strip'; lengthMm: number; heightMm: number }
  | { piece: 'arc'; innerMm: number; outerMm: number; angleDeg: number }
  | { piece: 'sheet'; lengthMm: number; widthMm: number; foldMm: number };

/** A piece of lining paper, to scale, with a ruler to check the printer by. */
export function LiningDrawing({
  drawn,
  box,
  scale,
  label,
}: {
  drawn: Drawn;
  box: { widthMm: number; heightMm: number };
  scale: number;
  label: string;
}) {
  const w = box.widthMm / scale;
  const h = box.heightMm / scale;
  const height = h + 22;
  const left = (PAGE_MM - w) / 2;
  const line = { fill: 'none', stroke: colour.ink, strokeWidth: 0.7 } as const;
  const fold = { ...line, strokeWidth: 0.4, strokeDasharray: '2 1.5' } as const;
  return (
    <View
      role="img"
      aria-label={label}
      className="w-full max-w-[620px] break-inside-avoid print:w-[190mm] print:max-w-none"
      style={{ aspectRatio: PAGE_MM / height }}
    >
      <Svg width="100%" height="100%" viewBox={`0 0 ${PAGE_MM} ${height}`} aria-hidden>
        <G x={left} y={2}>
          {drawn.piece === 'disc' ? <Ellipse cx={w / 2} cy={w / 2} rx={w / 2} ry={w / 2} {...line} /> : null}
          {drawn.piece === 'strip' ? <Rect width={w} height={h} {...line} /> : null}
          {drawn.piece === 'sheet' ? <Sheet {...drawn} scale={scale} line={line} fold={fold} /> : null}
          {drawn.piece === 'arc' ? <Path d={arcPath(drawn, scale, w)} {...line} /> : null}
        </G>
        <G x={(PAGE_MM - RULER_MM) / 2} y={h + 10}>
          <Line x1={0} y1={0} x2={RULER_MM} y2={0} stroke={colour.ink} strokeWidth={0.7} />
          {[0, 10, 20, 30, 40, 50].map((x) => (
            <Line key={x} x1={x} y1={-2} x2={x} y2={2} stroke={colour.ink} strokeWidth={0.5} />
          ))}
          <Text x={RULER_MM / 2} y={7.5} fontSize={4.5} textAnchor="middle" fill={colour.ink} fontFamily="Signika">
            {t('ui.5CmOnThePaper')}
          </Text>
        </G>
      </Svg>
    </View>
  );
}

type Stroke = { fill: string; stroke: string; strokeWidth: number };

/** One sheet: walls folded up, each corner slit to the fold. */
function Sheet({
  lengthMm,
  widthMm,
  foldMm,
  scale,
  line,
  fold,
}: {
  lengthMm: number;
  widthMm: number;
  foldMm: number;
  scale: number;
  line: Stroke;
  fold: Stroke & { strokeDasharray: string };
}) {
  const [w, h, f] = [lengthMm / scale, widthMm / scale, foldMm / scale];
  return (
    <>
      <Rect width={w} height={h} {...line} />
      <Rect x={f} y={f} width={w - 2 * f} height={h - 2 * f} {...fold} />
      {(
        [
          [0, 0, f, f],
          [w, 0, w - f, f],
          [0, h, f, h - f],
          [w, h, w - f, h - f],
        ] as const
      ).map(([x1, y1, x2, y2]) => (
        <Line key={`${x1} ${y1}`} x1={x1} y1={y1} x2={x2} y2={y2} {...line} />
      ))}
    </>
  );
}

/** A ring's part, opening downwards, its top at y 0. */
function arcPath(a: { innerMm: number; outerMm: number; angleDeg: number }, scale: number, w: number): string {
  const [r, R] = [a.innerMm / scale, a.outerMm / scale];
  const half = (Math.min(359.9, a.angleDeg) / 2) * (Math.PI / 180);
  const at = (radius: number, t: number) => `${w / 2 + radius * Math.sin(t)} ${R - radius * Math.cos(t)}`;
  const large = half > Math.PI / 2 ? 1 : 0;
  return `M${at(R, -half)} A${R} ${R} 0 ${large} 1 ${at(R, half)} L${at(r, half)} A${r} ${r} 0 ${large} 0 ${at(r, -half)} Z`;
}

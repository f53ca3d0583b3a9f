import { View } from 'react-native';
import Svg, { Ellipse, Line, Rect } from 'react-native-svg';
import { colour } from './colours';

type Props = {
  form: { shape: 'round'; topMm: number } | { shape: 'square'; lengthMm: number; widthMm: number };
  cut: { rows: number; columns: number } | { pieces: number };
  label: string;
};

/** The dish from above with the lines the knife follows, to scale. */
export function CutGrid({ form, cut, label }: Props) {
  const [w, h] = form.shape === 'round' ? [form.topMm, form.topMm] : [form.lengthMm, form.widthMm];
  const edge = w / 60;
  return (
    <View role="img" aria-label={label} className="w-full max-w-[260px]" style={{ aspectRatio: w / h }}>
      <Svg width="100%" height="100%" viewBox={`${-edge} ${-edge} ${w + 2 * edge} ${h + 2 * edge}`} aria-hidden>
        {form.shape === 'round' ? (
          <Ellipse
            cx={w / 2}
            cy={h / 2}
            rx={w / 2}
            ry={h / 2}
            fill={colour.plate}
            stroke={colour.ink}
            strokeWidth={edge}
          />
        ) : (
          <Rect width={w} height={h} rx={w / 40} fill={colour.plate} stroke={colour.ink} strokeWidth={edge} />
        )}
        {'rows' in cut
          ? [
              ...Array.from({ length: cut.columns - 1 }, (_, i) => {
                const x = ((i + 1) * w) / cut.columns;
                return <Line key={`c${i}`} x1={x} y1={0} x2={x} y2={h} stroke={colour.ink} strokeWidth={edge / 2} />;
              }),
              ...Array.from({ length: cut.rows - 1 }, (_, i) => {
                const y = ((i + 1) * h) / cut.rows;
                return <Line key={`r${i}`} x1={0} y1={y} x2={w} y2={y} stroke={colour.ink} strokeWidth={edge / 2} />;
              }),
            ]
          : Array.from({ length: cut.pieces }, (_, i) => {
              const a = (2 * Math.PI * i) / cut.pieces - Math.PI / 2;
              return (
                <Line
                  key={i}
                  x1={w / 2}
                  y1={h / 2}
                  x2={w / 2 + (w / 2) * Math.cos(a)}
                  y2={h / 2 + (h / 2) * Math.sin(a)}
                  stroke={colour.ink}
                  strokeWidth={edge / 2}
                />
              );
            })}
      </Svg>
    </View>
  );
}

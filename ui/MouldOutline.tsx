import { View } from 'react-native';
import Svg, { Ellipse, Line, Path } from 'react-native-svg';
import { colour } from './colours';

/** What stands on the plate against the mould it came from: dashed is the mould, filled is the pudding. */
export function MouldOutline({
  slumpRel,
  kind,
  label,
  size = 120,
}: {
  slumpRel: number;
  kind: 'turned out' | 'cut' | 'spooned';
  label: string;
  size?: number;
}) {
  const drop = Math.max(0, Math.min(0.92, slumpRel));
  const top = 20 + 70 * drop;
  const spread = 1 + drop * 0.75;
  const half = 30 * spread;
  const mould = 'M30 92 C32 84 33 40 37 28 Q40 20 60 20 Q80 20 83 28 C87 40 88 84 90 92';
  const body =
    kind === 'cut'
      ? `M${60 - half} 92 V${top + 6} Q${60 - half} ${top} ${60 - half + 6} ${top} H${60 + half - 6} Q${60 + half} ${top} ${60 + half} ${top + 6} V92 Z`
      : `M${60 - half} 92 C${60 - half + 2} ${top + 30} ${60 - half * 0.8} ${top} 60 ${top} C${60 + half * 0.8} ${top} ${60 + half - 2} ${top + 30} ${60 + half} 92 Z`;
  return (
    <View role="img" aria-label={label}>
      <Svg width={size} height={size * 0.86} viewBox="0 0 120 103" aria-hidden>
        <Ellipse cx={60} cy={93} rx={58} ry={8} fill={colour.plate} stroke={colour.ink} strokeWidth={2} />
        <Path d={body} fill={colour.liquid2} stroke={colour.ink} strokeWidth={3} />
        {kind === 'cut' ? (
          <Path d="M30 92 V20 H90 V92" fill="none" stroke={colour.ink} strokeWidth={1.8} strokeDasharray="5 4" />
        ) : (
          <Path d={mould} fill="none" stroke={colour.ink} strokeWidth={1.8} strokeDasharray="5 4" />
        )}
        <Line x1={20} x2={100} y1={93} y2={93} stroke={colour.line} strokeWidth={1} />
      </Svg>
    </View>
  );
}

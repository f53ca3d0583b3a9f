import { View } from 'react-native';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import type { TracePoint } from '../../core/practice/frame';
import { colour } from '../../ui/colours';
import { LEFT_TO_RIGHT } from '../../ui/leftToRight';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';

const W = 360;
const H = 96;
const TOP_C = 130;
const STICKS_C = 100;

/** m:ss of a second */
export const clockOf = (s: number): string => {
  const all = Math.max(0, Math.round(s));
  const h = Math.floor(all / 3600);
  const m = Math.floor((all % 3600) / 60);
  const two = (n: number) => String(n).padStart(2, '0');
  return h ? `${h}:${two(m)}:${two(all % 60)}` : `${m}:${two(all % 60)}`;
};

const y = (c: number) => H - 4 - ((H - 12) * Math.max(0, Math.min(TOP_C, c))) / TOP_C;

/** Middle and bottom layer over the run, the stretches that nobody stirred marked; another run beside it, thin. */
export function RunChart({
  mine,
  other,
  endS,
  label,
}: {
  mine: readonly TracePoint[];
  other?: readonly TracePoint[];
  endS: number;
  label: string;
}) {
  const { fmt } = useApp();
  const x = (s: number) => (W * s) / Math.max(60, endS);
  const line = (points: readonly TracePoint[], of: (p: TracePoint) => number) =>
    points.map((p, i) => `${i ? 'L' : 'M'}${x(p.tS).toFixed(1)} ${y(of(p)).toFixed(1)}`).join('');
  const still: [number, number][] = [];
  mine.forEach((p, i) => {
    const next = mine[i + 1];
    if (!p.still || !next) return;
    const last = still.at(-1);
    if (last && last[1] === p.tS) last[1] = next.tS;
    else still.push([p.tS, next.tS]);
  });
  return (
    <View>
      <Svg
        width="100%"
        height={H}
        viewBox={`0 0 ${W} ${H}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={label}
        {...LEFT_TO_RIGHT}
      >
        <Rect x={0} y={0} width={W} height={y(STICKS_C)} fill={colour.sunk} />
        <Line
          x1={0}
          x2={W}
          y1={y(STICKS_C)}
          y2={y(STICKS_C)}
          stroke={colour.line}
          strokeWidth={1}
          strokeDasharray="4 4"
        />
        {still.map(([a, b]) => (
          <Rect key={a} x={x(a)} y={H - 6} width={Math.max(1, x(b) - x(a))} height={6} fill={colour.scorch} />
        ))}
        {other ? (
          <G>
            <Path
              d={line(other, (p) => p.filmC)}
              fill="none"
              stroke={colour.bay}
              strokeWidth={2}
              strokeDasharray="6 4"
            />
            <Path d={line(other, (p) => p.bulkC)} fill="none" stroke={colour.bay} strokeWidth={2} />
          </G>
        ) : null}
        <Path d={line(mine, (p) => p.filmC)} fill="none" stroke={colour.ink} strokeWidth={4} />
        <Path d={line(mine, (p) => p.bulkC)} fill="none" stroke={colour.ink} strokeWidth={2} />
      </Svg>
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Type kind="small">{t('practice.chartThick')}</Type>
        {still.length ? (
          <Type kind="small" tone="scorch">
            {t('practice.notStirred')}
          </Type>
        ) : null}
        <Type kind="small">{clockOf(endS)}</Type>
      </View>
      <Type kind="small" tone="quiet">
        {t('practice.aboveSticks', { sticksC: fmt.temp(STICKS_C) })}
      </Type>
    </View>
  );
}

import { curveMonotoneX, line } from 'd3-shape';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import { axis } from './axis';
import { colour } from './colours';
import { STRIP_WORDS } from './SetStrip';
import { Type } from './Type';
import { t } from '../words';
import { LEFT_TO_RIGHT } from './leftToRight';

export type CurvePoint = { hours: number; coreC: number; place: number };

type SetCurveProps = {
  points: readonly CurvePoint[];
  hours: number;
  /** hours since pouring, while it is cooling */
  nowH?: number;
  readyH?: number;
  fridgeH?: number;
  servingPlace: number;
  wantedPlace: number;
  label: string;
  timeAt: (hours: number) => string;
  temp: (c: number) => string;
};

const H = 168;
const TOP_C = 95;
/** Nearer to an end than this share of the hours, a time of its own would stand on the other. */
const EDGE = 0.15;

/** Core temperature (cool line, dots ahead) and set (ink line, dashes ahead) on one clock, over the words as bands. */
export function SetCurve({
  points,
  hours,
  nowH,
  readyH,
  fridgeH,
  servingPlace,
  wantedPlace,
  label,
  timeAt,
  temp,
}: SetCurveProps) {
  const [W, setW] = useState(300);
  const x = axis([0, hours], [0, W]);
  const word = axis([0, 5], [H, 0]);
  const core = axis([0, TOP_C], [H, 0]);
  const now = Math.min(nowH ?? 0, hours);
  const draw = (y: (p: CurvePoint) => number, from: number, to: number) =>
    line<CurvePoint>((p) => x.at(p.hours), y).curve(curveMonotoneX)(
      points.filter((p) => p.hours >= from - 0.01 && p.hours <= to + 0.01),
    ) ?? '';
  const at =
    nowH === undefined
      ? undefined
      : points.reduce((best, p) => (Math.abs(p.hours - now) < Math.abs(best.hours - now) ? p : best), points[0]!);
  const wantedBand = Math.min(4, Math.floor(wantedPlace));
  return (
    <View {...LEFT_TO_RIGHT} role="img" aria-label={label}>
      <View className="flex-row" aria-hidden>
        <View className="min-w-0 flex-1" onLayout={(e) => setW(Math.max(120, Math.round(e.nativeEvent.layout.width)))}>
          <Svg width={W} height={H} viewBox={`0 0 ${W} ${H}`}>
            {STRIP_WORDS.map((w, i) => (
              <Rect
                key={w}
                x={0}
                y={word.at(i + 1)}
                width={W}
                height={H / 5}
                fill={i === wantedBand ? colour.plate : i % 2 ? colour.field : colour.sunk}
              />
            ))}
            {fridgeH !== undefined ? (
              <Line
                x1={x.at(fridgeH)}
                x2={x.at(fridgeH)}
                y1={0}
                y2={H}
                stroke={colour.cool}
                strokeWidth={1.6}
                strokeDasharray="2 5"
              />
            ) : null}
            {readyH !== undefined && Number.isFinite(readyH) && readyH <= hours ? (
              <Line
                x1={x.at(readyH)}
                x2={x.at(readyH)}
                y1={0}
                y2={H}
                stroke={colour.ink}
                strokeWidth={1.6}
                strokeDasharray="2 5"
              />
            ) : null}
            <G fill="none" strokeLinecap="round">
              <Path
                d={draw((p) => core.at(p.coreC), now, hours)}
                stroke={colour.cool}
                strokeWidth={2.5}
                strokeDasharray="1 6"
              />
              <Path d={draw((p) => core.at(p.coreC), 0, now)} stroke={colour.cool} strokeWidth={3.5} />
              <Path
                d={draw((p) => word.at(p.place), now, hours)}
                stroke={colour.ink}
                strokeWidth={3}
                strokeDasharray="8 6"
              />
              <Path d={draw((p) => word.at(p.place), 0, now)} stroke={colour.ink} strokeWidth={4} />
            </G>
            <Line x1={0} x2={W} y1={H - 1} y2={H - 1} stroke={colour.ink} strokeWidth={2.5} />
            {at ? (
              <G>
                <Line x1={x.at(now)} x2={x.at(now)} y1={0} y2={H} stroke={colour.ink} strokeWidth={1.8} />
                <Ellipse cx={x.at(now)} cy={core.at(at.coreC)} rx={6} ry={4.5} fill={colour.cool} />
                <Ellipse
                  cx={x.at(now)}
                  cy={word.at(at.place)}
                  rx={10}
                  ry={7.5}
                  fill={colour.yolk}
                  stroke={colour.yolkEdge}
                  strokeWidth={2.5}
                />
              </G>
            ) : null}
            <Ellipse
              cx={W - 12}
              cy={word.at(servingPlace)}
              rx={10}
              ry={7}
              fill={colour.plate}
              stroke={colour.ink}
              strokeWidth={2.5}
            />
          </Svg>
        </View>
        <View className="w-[78px] pl-2" style={{ height: H }}>
          {[...STRIP_WORDS].reverse().map((w, i) => (
            <View key={w} className="flex-1 justify-center">
              <Type kind={4 - i === wantedBand ? 'smallStrong' : 'small'} tone={4 - i === wantedBand ? 'ink' : 'quiet'}>
                {t(`word.${w}`)}
              </Type>
            </View>
          ))}
        </View>
      </View>
      <View className="relative mr-[78px] flex-row justify-between pt-1" {...LEFT_TO_RIGHT}>
        <Type kind="smallStrong">{timeAt(0)}</Type>
        {readyH !== undefined && readyH > hours * EDGE && readyH < hours * (1 - EDGE) ? (
          <View
            className="absolute top-1 -translate-x-1/2"
            style={{ left: `clamp(4.4rem, ${(100 * readyH) / hours}%, calc(100% - 4.4rem))` as never }}
          >
            <Type kind="smallStrong">{timeAt(readyH)}</Type>
          </View>
        ) : null}
        <Type kind="smallStrong">{timeAt(hours)}</Type>
      </View>
      {at ? (
        <Type kind="small" tone="cool">
          {t('ui.middleNow', { coreC: temp(at.coreC) })}
        </Type>
      ) : null}
    </View>
  );
}

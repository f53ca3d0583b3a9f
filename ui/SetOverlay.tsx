import { curveMonotoneX, line } from 'd3-shape';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Ellipse, G, Line, Path } from 'react-native-svg';
import { axis } from './axis';
import { colour } from './colours';
import { LEFT_TO_RIGHT } from './leftToRight';
import { STRIP_WORDS } from './SetStrip';
import { Type } from './Type';
import { t } from '../words';

export type Overlaid = {
  name: string;
  points: readonly { hours: number; place: number }[];
  hours: number;
  /** where it came out, on the strip */
  found?: number;
};

const H = 190;
const DASHES = [undefined, '10 6', '2 6', '14 5 2 5'] as const;

/** The set of several batches over the hours, over each other: as promised a line each, as it came out a yolk at its end. */
export function SetOverlay({ batches, label }: { batches: readonly Overlaid[]; label: string }) {
  const [W, setW] = useState(300);
  const hours = Math.max(1, ...batches.map((b) => b.hours));
  const x = axis([0, hours], [8, W - 14]);
  const word = axis([0, 5], [H - 6, 6]);
  return (
    <View role="img" aria-label={label}>
      <View className="flex-row" {...LEFT_TO_RIGHT}>
        <View className="flex-1" onLayout={(e) => setW(e.nativeEvent.layout.width)}>
          <Svg width={W} height={H} aria-hidden>
            {[0, 1, 2, 3, 4, 5].map((w) => (
              <Line key={w} x1={0} x2={W} y1={word.at(w)} y2={word.at(w)} stroke={colour.line} strokeWidth={1} />
            ))}
            {batches.map((b, i) => {
              const end = b.points.filter((p) => p.hours <= b.hours);
              const path = line<{ hours: number; place: number }>(
                (p) => x.at(p.hours),
                (p) => word.at(p.place),
              ).curve(curveMonotoneX)(end);
              const last = end.at(-1);
              return (
                <G key={b.name + i}>
                  <Path
                    d={path ?? ''}
                    fill="none"
                    stroke={colour.ink}
                    strokeWidth={3}
                    {...(DASHES[i % DASHES.length] ? { strokeDasharray: DASHES[i % DASHES.length]! } : {})}
                  />
                  {last ? (
                    <Ellipse
                      cx={x.at(last.hours)}
                      cy={word.at(last.place)}
                      rx={10}
                      ry={7}
                      fill="none"
                      stroke={colour.ink}
                      strokeWidth={2.4}
                    />
                  ) : null}
                  {last && b.found !== undefined ? (
                    <Ellipse
                      cx={x.at(last.hours)}
                      cy={word.at(b.found)}
                      rx={6}
                      ry={4.4}
                      fill={colour.yolk}
                      stroke={colour.ink}
                      strokeWidth={2}
                    />
                  ) : null}
                </G>
              );
            })}
          </Svg>
        </View>
        <View className="w-[76px] justify-between py-1" aria-hidden>
          {[...STRIP_WORDS].reverse().map((w) => (
            <Type key={w} kind="small" tone="quiet">
              {t(`word.${w}`)}
            </Type>
          ))}
        </View>
      </View>
      <View className="gap-1 pt-2">
        {batches.map((b, i) => (
          <View key={b.name + i} className="flex-row items-center gap-2">
            <Svg width={44} height={10} aria-hidden>
              <Line
                x1={2}
                x2={42}
                y1={5}
                y2={5}
                stroke={colour.ink}
                strokeWidth={3}
                {...(DASHES[i % DASHES.length] ? { strokeDasharray: DASHES[i % DASHES.length]! } : {})}
              />
            </Svg>
            <Type className="min-w-0 flex-1">{b.name}</Type>
          </View>
        ))}
      </View>
    </View>
  );
}

import { clsx } from 'clsx';
import { useRef } from 'react';
import { View, type ViewProps } from 'react-native';
import Svg, { Ellipse, G, Line, Path } from 'react-native-svg';
import { wordAt } from '../core/texture/words';
import { colour } from './colours';
import { Type } from './Type';
import { t } from '../words';
import { LEFT_TO_RIGHT } from './leftToRight';

export const STRIP_WORDS = ['drinks', 'coats', 'mounds', 'wobbles', 'slices'] as const;
const UNIT = 72;
const BOARD = 58;

const OUTLINES = [
  'M3 58 Q14 56 22 56.5 T46 54 T69 58 Z',
  'M8 58 C16 42 56 42 64 58 Z',
  'M12 58 C13 26 59 26 60 58 Z',
  'M13 58 C18 54 18 30 23 25 Q26 20 36 20 Q46 20 49 25 C54 30 54 54 59 58 Z',
  'M14 58 V20 H58 V58 Z M45 20 V58',
] as const;

type SetStripProps = {
  /** where it is heading, 0 to 5 */
  place?: number;
  low?: number;
  high?: number;
  /** the flag */
  wanted?: number;
  /** hollow ring: what was promised */
  promised?: number;
  /** small yolk: what came out */
  found?: number;
  labels?: boolean;
  /** the answer is being worked out again: the doubt bar widens */
  working?: boolean;
  /** says it for those who do not see it */
  label: string;
  /** makes the yolk a handle; called with the place under the thumb */
  onDrag?: (place: number) => void;
  onDragEnd?: () => void;
};

const x = (place: number) => Math.max(6, Math.min(354, place * UNIT));

/** The set scale as a board of five outlines: flag wanted, yolk heading, bar doubt, ring promised. */
export function SetStrip(p: SetStripProps) {
  const drag = useRef({ pageX: 0, place: 0, width: 1 });
  const { onDrag } = p;
  const handle: ViewProps = onDrag
    ? {
        onLayout: (e) => {
          drag.current.width = e.nativeEvent.layout.width;
        },
        onStartShouldSetResponder: () => true,
        onMoveShouldSetResponder: () => true,
        onResponderGrant: (e) => {
          drag.current = { ...drag.current, pageX: e.nativeEvent.pageX, place: p.place ?? 0 };
        },
        onResponderMove: (e) => {
          const { pageX, place, width } = drag.current;
          const moved = e.nativeEvent.pageX - pageX;
          if (Math.abs(moved) > 2) onDrag(Math.max(0.05, Math.min(4.95, place + (moved / width) * 5)));
        },
        onResponderTerminationRequest: () => false,
        onResponderRelease: () => p.onDragEnd?.(),
        onResponderTerminate: () => p.onDragEnd?.(),
      }
    : {};
  const at = p.place ?? p.found ?? p.promised;
  const active = at === undefined ? -1 : Math.min(4, Math.floor(at));
  // the words between the five stand in the place of the one that they follow
  const word = at === undefined ? undefined : wordAt(at);
  const widen = p.working ? 0.15 : 0;
  const slider = p.onDrag
    ? ({
        role: 'slider',
        tabIndex: 0,
        'aria-valuemin': 0,
        'aria-valuemax': 5,
        'aria-valuenow': Math.round((p.place ?? 0) * 10) / 10,
        'aria-valuetext': word && t(`word.${word}`),
        onKeyDown: (e: { key: string; preventDefault(): void }) => {
          const step = { ArrowRight: 0.1, ArrowUp: 0.1, ArrowLeft: -0.1, ArrowDown: -0.1 }[e.key];
          if (step === undefined) return;
          e.preventDefault();
          p.onDrag?.(Math.max(0.05, Math.min(4.95, (p.place ?? 0) + step)));
          p.onDragEnd?.();
        },
        style: { touchAction: 'pan-y', cursor: 'ew-resize' },
      } as unknown as ViewProps)
    : ({ role: 'img' } as ViewProps);
  return (
    <View {...LEFT_TO_RIGHT}>
      <View {...slider} aria-label={p.label} {...handle}>
        <Svg width="100%" viewBox="0 0 360 78" style={{ aspectRatio: 360 / 78 }} aria-hidden>
          {OUTLINES.map((d, i) => (
            <G key={d} x={i * UNIT}>
              <Path
                d={d}
                fill={i === active && p.place !== undefined ? colour.yolk : colour.sunk}
                stroke={i === active ? colour.ink : colour.ink2}
                strokeWidth={i === active ? 2.5 : 1.4}
              />
            </G>
          ))}
          <Line x1={1} x2={359} y1={BOARD} y2={BOARD} stroke={colour.ink} strokeWidth={2.5} />
          {[0, 1, 2, 3, 4, 5].map((t) => (
            <Line
              key={t}
              x1={Math.min(359, Math.max(1, t * UNIT))}
              x2={Math.min(359, Math.max(1, t * UNIT))}
              y1={BOARD}
              y2={BOARD + 5}
              stroke={colour.ink}
              strokeWidth={1.6}
            />
          ))}
          {p.wanted !== undefined ? (
            <Path
              d={`M${x(p.wanted)} ${BOARD} V3 h13 l-4.5 4.5 l4.5 4.5 h-13`}
              fill={colour.ink}
              stroke={colour.ink}
              strokeWidth={2}
            />
          ) : null}
          {p.low !== undefined && p.high !== undefined ? (
            <Line
              x1={x(p.low - widen)}
              x2={x(p.high + widen)}
              y1={68}
              y2={68}
              stroke={colour.ink}
              strokeWidth={4}
              strokeLinecap="round"
            />
          ) : null}
          {p.place !== undefined ? (
            <Ellipse
              cx={x(p.place)}
              cy={68}
              rx={10}
              ry={7.5}
              fill={colour.yolk}
              stroke={colour.ink}
              strokeWidth={2.5}
            />
          ) : null}
          {p.promised !== undefined && p.found !== undefined ? (
            <Line x1={x(p.promised)} x2={x(p.found)} y1={68} y2={68} stroke={colour.ink} strokeWidth={3} />
          ) : null}
          {p.promised !== undefined ? (
            <Ellipse
              cx={x(p.promised)}
              cy={68}
              rx={12}
              ry={8.5}
              fill={colour.plate}
              stroke={colour.ink}
              strokeWidth={2.5}
            />
          ) : null}
          {p.found !== undefined ? (
            <Ellipse cx={x(p.found)} cy={68} rx={6.5} ry={4.8} fill={colour.yolk} stroke={colour.ink} strokeWidth={2} />
          ) : null}
        </Svg>
      </View>
      {p.labels ? (
        <View className="flex-row" aria-hidden>
          {STRIP_WORDS.map((w, i) => (
            <View key={w} className="flex-1 items-center">
              <Type
                kind={i === active ? 'smallStrong' : 'small'}
                tone={i === active ? 'ink' : 'quiet'}
                className={clsx('text-center')}
              >
                {t(`word.${i === active && word ? word : w}`)}
              </Type>
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}

import { memo, useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Circle, ClipPath, Defs, Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import { colour } from './colours';
import { StagePicture, type Stage } from './StagePicture';
import { Type } from './Type';

const W = 390;
const H = 430;
const CX = 195;
const CY = 158;
const RX = 180;
const RY = 146;

const on = (turn: number, rx: number, ry: number) => ({
  x: CX + rx * Math.sin(turn * 2 * Math.PI),
  y: CY - ry * Math.cos(turn * 2 * Math.PI),
});

function arc(share: number): string {
  const end = Math.max(0.0005, Math.min(0.9995, share));
  const a = on(0, RX, RY);
  const b = on(end, RX, RY);
  return `M${a.x} ${a.y} A${RX} ${RY} 0 ${end > 0.5 ? 1 : 0} 1 ${b.x} ${b.y}`;
}

/** Places of granules in the section, spread without overlap; fixed, so that nothing jumps. */
const GRANULES = Array.from({ length: 34 }, (_, i) => {
  const column = i % 8;
  const row = Math.floor(i / 8);
  const wobble = (n: number) => ((Math.sin(n * 127.1) * 43758.5453) % 1) * 8;
  return { x: 150 + column * 19 + wobble(i + 1), y: 300 + row * 22 + wobble(i + 40), grow: 0.7 + row * 0.09 };
});

/** Room around the track for the yolk that runs on it. */
const MARGIN = 18;
const TRACK = 2 * (RX - 22 + MARGIN);
/** The tail: how far behind the yolk, in turns. */
const TAIL = Array.from({ length: 7 }, (_, i) => ({ turn: -(i + 1) * 0.016 - 0.006, size: 1 - i / 8 }));

/** A still spoon leaves dots. */
function Still() {
  return (
    <G>
      {Array.from({ length: 36 }, (_, i) => {
        const p = on(i / 36, RX - 22, RY - 20);
        return <Ellipse key={i} cx={p.x} cy={p.y} rx={2.4} ry={1.8} fill={colour.gran} />;
      })}
    </G>
  );
}

/**
 * The spoon's yolk on its track with its tail. It is drawn once on a circle, which the style sheet turns and this view
 * flattens: nothing is rendered while it goes round.
 */
const Spoon = memo(function Spoon({ paceS }: { paceS: number }) {
  const r = RX - 22;
  const at = (turn: number) => ({
    cx: TRACK / 2 + r * Math.sin(turn * 2 * Math.PI),
    cy: TRACK / 2 - r * Math.cos(turn * 2 * Math.PI),
  });
  return (
    <View
      aria-hidden
      testID="pacer"
      className="pointer-events-none absolute"
      style={{
        left: `${(100 * (CX - TRACK / 2)) / W}%`,
        top: `${(100 * (CY - TRACK / 2)) / H}%`,
        width: `${(100 * TRACK) / W}%`,
        height: `${(100 * TRACK) / H}%`,
        transform: [{ scaleY: (RY - 20) / r }],
      }}
    >
      <View className="pacer h-full w-full" style={{ animationDuration: `${Math.max(2, paceS)}s` } as object}>
        <Svg width="100%" height="100%" viewBox={`0 0 ${TRACK} ${TRACK}`}>
          {TAIL.map(({ turn, size }) => (
            <Circle key={turn} {...at(turn)} r={9 * size} fill={colour.yolk} stroke={colour.yolkEdge} strokeWidth={1} />
          ))}
          <Circle {...at(0)} r={13} fill={colour.yolk} stroke={colour.yolkEdge} strokeWidth={3} />
        </Svg>
      </View>
    </View>
  );
});

type PotEllipseProps = {
  /** share of the step's time that is used, 0 to 1 */
  used: number;
  /** seconds for a round of the spoon, or undefined where it rests */
  paceS?: number;
  /** granule size, 0 to 1 */
  swelling: number;
  film: 'cool' | 'warm' | 'sticking';
  /** nothing is on the ring: what is drawn in place of the pot's cut */
  stage?: Stage;
  rows: readonly { label: string; value: string; harm?: boolean }[];
  /** the whole rim calls */
  alarm?: boolean;
  /** the surface alone, with its words as wide as it is */
  big?: boolean;
  /** the one thing now, drawn over the surface */
  children: ReactNode;
  label: string;
};

/** The pot from where the cook stands: time on the rim, the order on the surface, the cut below with its film. */
export function PotEllipse({ used, paceS, swelling, film, stage, rows, alarm, big, children, label }: PotEllipseProps) {
  const hatch = film === 'cool' ? 0 : film === 'warm' ? 16 : 9;
  const filmHeight = film === 'sticking' ? 26 : 16;
  const lines = useMemo(
    () => (hatch ? Array.from({ length: Math.ceil(360 / hatch) }, (_, i) => 14 + i * hatch) : []),
    [hatch],
  );
  const ring = alarm || film === 'sticking' ? colour.scorch : colour.bay;
  return (
    <View className="w-full" style={{ aspectRatio: W / H }}>
      <Svg
        width="100%"
        height="100%"
        viewBox={`0 0 ${W} ${H}`}
        style={{ position: 'absolute' }}
        aria-label={label}
        role="img"
      >
        <Defs>
          <ClipPath id="pan">
            <Path d={`M17 ${CY} V404 Q17 418 31 418 H359 Q373 418 373 404 V${CY} Z`} />
          </ClipPath>
        </Defs>
        <Path d={`M17 ${CY} V404 Q17 418 31 418 H359 Q373 418 373 404 V${CY}`} fill={colour.liquid2} />
        <G clipPath="url(#pan)">
          {stage ? (
            <StagePicture stage={stage} />
          ) : (
            <>
              <Rect
                x={14}
                y={418 - filmHeight}
                width={362}
                height={filmHeight}
                fill={film === 'cool' ? colour.liquid : film === 'warm' ? colour.yolk : colour.scorch}
              />
              {lines.map((x) => (
                <Line
                  key={x}
                  x1={x}
                  x2={x + 14}
                  y1={418}
                  y2={418 - filmHeight}
                  stroke={film === 'sticking' ? colour.onscorch : colour.onyolk}
                  strokeWidth={film === 'sticking' ? 3 : 1.8}
                />
              ))}
              {GRANULES.map((g, i) => (
                <Ellipse
                  key={i}
                  cx={g.x}
                  cy={g.y}
                  rx={(3.4 + 8 * swelling) * g.grow}
                  ry={(2.6 + 6 * swelling) * g.grow}
                  fill={colour.liquid}
                  stroke={colour.gran}
                  strokeWidth={2}
                />
              ))}
            </>
          )}
        </G>
        <Path
          d={`M17 ${CY} V404 Q17 418 31 418 H359 Q373 418 373 404 V${CY}`}
          fill="none"
          stroke={colour.ink}
          strokeWidth={6}
        />
        <Ellipse cx={CX} cy={CY} rx={RX} ry={RY} fill={colour.liquid} stroke={colour.sunk} strokeWidth={16} />
        <Path d={arc(alarm ? 1 : used)} fill="none" stroke={ring} strokeWidth={16} />
        {Array.from({ length: 10 }, (_, i) => {
          const a = on(i / 10, RX - 8, RY - 8);
          const b = on(i / 10, RX + 8, RY + 8);
          return (
            <Line key={i} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={colour.ink} strokeWidth={i === 0 ? 3 : 1.4} />
          );
        })}
        <Ellipse cx={CX} cy={CY} rx={RX + 8} ry={RY + 8} fill="none" stroke={colour.ink} strokeWidth={2.5} />
        <Ellipse cx={CX} cy={CY} rx={RX - 8} ry={RY - 8} fill="none" stroke={colour.ink} strokeWidth={2} />
        {paceS === undefined ? <Still /> : null}
      </Svg>
      {paceS === undefined ? null : <Spoon paceS={paceS} />}
      <View
        className="absolute items-center justify-center"
        style={{ left: big ? '9%' : '15%', right: big ? '9%' : '15%', top: '5%', height: '62%' }}
      >
        {children}
      </View>
      <View className="absolute" style={{ left: '9%', right: '9%', bottom: '7.5%' }}>
        {rows.map((r) => (
          <View key={r.label} className="flex-row items-baseline justify-between gap-x-2">
            <Type kind="faceStrong" tone={r.harm ? 'scorch' : 'ink'} className="min-w-0 shrink" numberOfLines={1}>
              {r.label}
            </Type>
            <Type kind="title" tone={r.harm ? 'scorch' : 'ink'} className="text-amount leading-7">
              {r.value}
            </Type>
          </View>
        ))}
      </View>
    </View>
  );
}

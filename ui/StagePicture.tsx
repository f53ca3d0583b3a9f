import { Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import { colour } from './colours';

/** What is drawn below the order where nothing is on the ring: a bowl that is mixed, dishes, a layer, the oven, its grill. */
export const STAGES = ['bowl', 'dish', 'layer', 'oven', 'grill'] as const;
export type Stage = (typeof STAGES)[number];

const INK = { stroke: colour.ink, strokeWidth: 3 };

/** A whisk in a bowl. */
const Bowl = () => (
  <G>
    <Path d="M118 326 Q124 390 195 390 Q266 390 272 326 Z" fill={colour.plate} {...INK} />
    <Path d="M130 346 Q195 358 260 346 Q250 384 195 384 Q140 384 130 346 Z" fill={colour.yolk} />
    <Line x1={264} y1={306} x2={228} y2={334} {...INK} strokeWidth={6} />
    {[4, 9, 14].map((rx) => (
      <Ellipse
        key={rx}
        cx={211}
        cy={360}
        rx={rx}
        ry={19}
        transform="rotate(52 212 347)"
        fill="none"
        {...INK}
        strokeWidth={2}
      />
    ))}
  </G>
);

/** Three dishes, the last one being filled; with a layer on what is in them. */
const Dishes = ({ layer }: { layer: boolean }) => (
  <G>
    {[105, 195, 285].map((x, i) => (
      <G key={x}>
        <Path
          d={`M${x - 31} ${layer || i < 2 ? 342 : 366} H${x + 31} L${x + 26} 384 H${x - 26} Z`}
          fill={colour.liquid}
        />
        {layer && i < 2 ? (
          <Path d={`M${x - 32} 335 H${x + 32} L${x + 31} 347 H${x - 31} Z`} fill={colour.yolk} />
        ) : null}
        <Path d={`M${x - 35} 325 L${x - 27} 387 H${x + 27} L${x + 35} 325`} fill="none" {...INK} />
      </G>
    ))}
    <Path d="M320 306 Q292 314 287 342" fill="none" stroke={layer ? colour.yolk : colour.liquid} strokeWidth={7} />
  </G>
);

/** A dish behind the oven's door; heat from below, or from the grill above it. */
const Oven = ({ grill }: { grill: boolean }) => (
  <G>
    <Rect x={95} y={318} width={200} height={92} rx={14} fill={colour.plate} {...INK} />
    <Rect x={113} y={330} width={164} height={66} rx={8} fill={colour.liquid} {...INK} strokeWidth={2} />
    <Path d="M150 356 H240 L232 380 H158 Z" fill={grill ? colour.yolk : colour.plate} {...INK} strokeWidth={2.5} />
    {[135, 165, 195, 225, 255].map((x) => (
      <Path
        key={x}
        d={grill ? `M${x - 8} 336 l4 8 l4 -8 l4 8 l4 -8` : `M${x} 394 q-5 -4 0 -8 q5 -4 0 -8`}
        fill="none"
        stroke={colour.scorch}
        strokeWidth={2.5}
      />
    ))}
  </G>
);

export function StagePicture({ stage }: { stage: Stage }) {
  switch (stage) {
    case 'bowl':
      return <Bowl />;
    case 'dish':
    case 'layer':
      return <Dishes layer={stage === 'layer'} />;
    case 'oven':
    case 'grill':
      return <Oven grill={stage === 'grill'} />;
  }
}

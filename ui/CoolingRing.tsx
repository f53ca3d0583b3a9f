import type { ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Ellipse, Line, Path } from 'react-native-svg';
import { colour } from './colours';

const RX = 84;
const RY = 60;
const point = (turn: number, d = 0) => ({
  x: 95 + (RX + d) * Math.sin(turn * 2 * Math.PI),
  y: 70 - (RY + d) * Math.cos(turn * 2 * Math.PI),
});

/** The time that safe cooling allows as a ring: used so far, and a notch where the forecast gets there. */
export function CoolingRing({
  usedRel,
  notchRel,
  over,
  label,
  children,
}: {
  usedRel: number;
  notchRel: number;
  over: boolean;
  label: string;
  children: ReactNode;
}) {
  const end = Math.max(0.001, Math.min(0.999, usedRel));
  const a = point(0);
  const b = point(end);
  const n1 = point(Math.min(0.99, notchRel), -9);
  const n2 = point(Math.min(0.99, notchRel), 10);
  return (
    <View role="img" aria-label={label} className="h-[130px] w-[176px] items-center justify-center">
      <Svg width={176} height={130} viewBox="0 0 190 140" style={{ position: 'absolute' }} aria-hidden>
        <Ellipse cx={95} cy={70} rx={RX} ry={RY} fill={colour.plate} stroke={colour.sunk} strokeWidth={15} />
        <Path
          d={`M${a.x} ${a.y} A${RX} ${RY} 0 ${end > 0.5 ? 1 : 0} 1 ${b.x} ${b.y}`}
          fill="none"
          stroke={over ? colour.scorch : colour.cool}
          strokeWidth={15}
        />
        <Ellipse cx={95} cy={70} rx={RX + 8} ry={RY + 8} fill="none" stroke={colour.ink} strokeWidth={2.2} />
        <Ellipse cx={95} cy={70} rx={RX - 8} ry={RY - 8} fill="none" stroke={colour.ink} strokeWidth={2.2} />
        <Line x1={n1.x} y1={n1.y} x2={n2.x} y2={n2.y} stroke={colour.ink} strokeWidth={4} />
      </Svg>
      <View className="items-center px-6">{children}</View>
    </View>
  );
}

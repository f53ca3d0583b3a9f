import Svg, { Ellipse, Line, Path } from 'react-native-svg';

/** Rescue: the spoon lifts out of the pot's ellipse, whose rim opens where it came from. */
export function SpoonOut({ size = 24, color = 'currentColor', strokeWidth = 2 }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" fill="none" stroke={color} strokeWidth={strokeWidth}>
      <Path
        d="M6.6 13.6 C3.9 14.4 2 15.6 2 17.1 C2 19.5 6.3 21.5 11.5 21.5 S21 19.5 21 17.1 C21 15.4 18.6 14 15.2 13.3"
        strokeLinecap="round"
      />
      <Ellipse cx={10.6} cy={10.9} rx={3.7} ry={2.5} transform="rotate(-44 10.6 10.9)" />
      <Line x1={13.3} y1={8.3} x2={20.4} y2={1.8} strokeLinecap="round" />
    </Svg>
  );
}

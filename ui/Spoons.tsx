import Svg, { ClipPath, Defs, Ellipse, G, Rect } from 'react-native-svg';
import { colour } from './colours';

const BIG = 17;
const SMALL = 13;

/** Spoons as ovals: big a tablespoon, small a teaspoon, the last filled in part. The words stand beside it. */
export function Spoons({ tbsp, tsp }: { tbsp: number; tsp: number }) {
  const big = Math.min(tbsp, 14);
  const whole = Math.floor(tsp);
  const part = tsp - whole;
  const smallAt = (i: number) => big * BIG + 6 + i * SMALL;
  const width = big * BIG + (whole + (part ? 1 : 0)) * SMALL + 4;
  const last = smallAt(whole);
  return (
    <Svg
      width={width}
      height={14}
      viewBox={`0 0 ${width} 14`}
      preserveAspectRatio="xMinYMid meet"
      style={{ maxWidth: '100%' }}
      aria-hidden
    >
      {Array.from({ length: big }, (_, i) => (
        <Ellipse key={`b${i}`} cx={9 + i * BIG} cy={7} rx={7.5} ry={5.6} fill={colour.ink} />
      ))}
      {Array.from({ length: whole }, (_, i) => (
        <Ellipse key={`s${i}`} cx={smallAt(i)} cy={7} rx={5} ry={3.8} fill={colour.ink} />
      ))}
      {part > 0 ? (
        <G>
          <Defs>
            <ClipPath id="part">
              <Rect x={last - 5} y={0} width={10 * part} height={14} />
            </ClipPath>
          </Defs>
          <Ellipse cx={last} cy={7} rx={5} ry={3.8} fill={colour.ink} clipPath="url(#part)" />
          <Ellipse cx={last} cy={7} rx={4.4} ry={3.2} fill="none" stroke={colour.ink} strokeWidth={1.4} />
        </G>
      ) : null}
    </Svg>
  );
}

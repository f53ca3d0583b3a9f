import Svg, { Path, Text as SvgText } from 'react-native-svg';
import { colour } from './colours';

const FILLS = [
  { fill: colour.dishH, text: colour.onH },
  { fill: colour.bayF, text: colour.ink },
  { fill: colour.yolk, text: colour.onyolk },
  { fill: colour.plate, text: colour.ink },
] as const;

/** One letter per dish on a cut paper label. Purely decorative: the name is always beside it. */
export function Tag({ letter, tint = 0, size = 36 }: { letter: string; tint?: number; size?: number }) {
  const { fill, text } = FILLS[tint % FILLS.length]!;
  return (
    <Svg width={size} height={size} viewBox="0 0 36 36" aria-hidden>
      <Path d="M7 1.5h22l5.5 5.5v22l-5.5 5.5h-22l-5.5-5.5v-22z" fill={fill} stroke={colour.ink} strokeWidth={2.5} />
      <SvgText x={18} y={25} textAnchor="middle" fill={text} fontFamily="Sansita" fontWeight="700" fontSize={19}>
        {letter}
      </SvgText>
    </Svg>
  );
}

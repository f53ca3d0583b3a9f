import Svg, { Ellipse } from 'react-native-svg';
import { colour } from './colours';

/** The mark of the app: a pot from above, and what goes in. */
export function PotPicture({ width = 88 }: { width?: number }) {
  return (
    <Svg width={width} height={(width * 34) / 44} viewBox="0 0 44 34" aria-hidden>
      <Ellipse cx={19} cy={19} rx={16.5} ry={12.5} fill={colour.plate} stroke={colour.ink} strokeWidth={4.5} />
      <Ellipse cx={33} cy={9} rx={8} ry={6} fill={colour.yolk} stroke={colour.yolkEdge} strokeWidth={3} />
    </Svg>
  );
}

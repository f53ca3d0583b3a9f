import { View } from 'react-native';
import Svg, { Ellipse, Line, Path } from 'react-native-svg';
import { colour } from '../../ui/colours';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';

/** The dish cut through: how deep it is poured, how warm its middle is, and whether the cover lies on it. */
export function MouldSection({ depthMm, temp, covered }: { depthMm: number; temp: string; covered: boolean }) {
  const fmt = useFormat();
  const [figure, unit] = fmt.length(depthMm).split(' ');
  return (
    <View
      className="flex-row items-center"
      role="img"
      aria-label={t('setRoom.pouredMmDeepMiddle', { depthMm: fmt.length(depthMm), value: temp })}
    >
      <View className="h-[116px] w-[120px] items-center justify-center">
        <Svg width={120} height={114} viewBox="0 0 130 124" style={{ position: 'absolute' }} aria-hidden>
          <Path
            d="M14 24 H22 L34 100 Q36 110 46 110 H84 Q94 110 96 100 L108 24 H116"
            fill={colour.liquid2}
            stroke={colour.ink}
            strokeWidth={5}
            strokeLinejoin="round"
          />
          <Ellipse cx={65} cy={30} rx={43} ry={12} fill={colour.liquid} stroke={colour.ink} strokeWidth={2} />
          {covered ? (
            <Path
              d="M24 30 Q45 22 65 30 T106 30"
              fill="none"
              stroke={colour.cool}
              strokeWidth={2.5}
              strokeDasharray="5 4"
            />
          ) : null}
        </Svg>
        <Type kind="amount" className="pt-4">
          {temp}
        </Type>
        <Type kind="smallStrong">{t('setRoom.middle')}</Type>
      </View>
      <View className="flex-row items-center gap-1">
        <Svg width={14} height={92} viewBox="0 0 14 92" aria-hidden>
          <Line x1={7} x2={7} y1={3} y2={89} stroke={colour.ink} strokeWidth={2} />
          <Line x1={1} x2={13} y1={3} y2={3} stroke={colour.ink} strokeWidth={2} />
          <Line x1={1} x2={13} y1={89} y2={89} stroke={colour.ink} strokeWidth={2} />
        </Svg>
        <View>
          <Type kind="title">{figure}</Type>
          <Type kind="small">{unit}</Type>
        </View>
      </View>
    </View>
  );
}

import { View } from 'react-native';
import Svg, { Ellipse } from 'react-native-svg';
import { colour } from '../../ui/colours';
import { Type } from '../../ui/Type';
import { t } from '../../words';

function Egg({ ring, yolk }: { ring: boolean; yolk: boolean }) {
  return (
    <Svg width={30} height={20} viewBox="0 0 30 20" aria-hidden>
      {ring ? (
        <Ellipse cx={15} cy={10} rx={12} ry={8.5} fill={colour.plate} stroke={colour.ink} strokeWidth={2.4} />
      ) : null}
      {yolk ? (
        <Ellipse cx={15} cy={10} rx={6.5} ry={4.8} fill={colour.yolk} stroke={colour.ink} strokeWidth={2} />
      ) : null}
    </Svg>
  );
}

/** What ring and yolk mean: a hit looks like an egg. */
export function Legend() {
  return (
    <View className="flex-row flex-wrap gap-x-5 gap-y-1">
      {(
        [
          [t('bookRoom.promised3'), true, false],
          [t('bookRoom.cameOut'), false, true],
          [t('bookRoom.aHit'), true, true],
        ] as const
      ).map(([word, ring, yolk]) => (
        <View key={word} className="flex-row items-center gap-2">
          <Egg ring={ring} yolk={yolk} />
          <Type>{word}</Type>
        </View>
      ))}
    </View>
  );
}

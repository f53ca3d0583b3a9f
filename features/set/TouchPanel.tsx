import { View } from 'react-native';
import { TOUCHES, type Touch } from '../../core/cook/events';
import { correctedC } from '../../core/kitchen/corrected';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { TOUCHED } from '../shared/eventWords';
import { FormField } from '../shared/FormField';
import { useTemp } from '../shared/useTemp';

const DISH_C = { least: -25, most: 100 };

/** What a finger, a knife or a thermometer says of the dish: each brings the forecast nearer. */
export function TouchPanel({
  hot,
  said,
  onTouch,
  onTemp,
}: {
  /** it burns a finger */
  hot: boolean;
  /** what was told so far, and what it changed */
  said: string | undefined;
  onTouch: (touch: Touch) => void;
  onTemp: (tempC: number) => void;
}) {
  const { fmt, tell } = useApp();
  const wrong = t('setRoom.aTemperatureOfADish', { least: fmt.temp(DISH_C.least), most: fmt.temp(DISH_C.most) });
  const read = useTemp(DISH_C.least, DISH_C.most, wrong);
  return (
    <View className="gap-2" testID="touch">
      <Type kind="title" level={2}>
        {t('setRoom.touchIt')}
      </Type>
      <Type tone="quiet" role="status" testID="touch-says">
        {said ?? t('setRoom.whatYouFeelBrings')}
      </Type>
      {hot ? <Notice text={t('setRoom.itBurnsAFinger')} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {TOUCHES.map((touch) => (
          <Key key={touch} size="amount" once label={tell(TOUCHED[touch])} onPress={() => onTouch(touch)} />
        ))}
      </View>
      <View className="flex-row items-end gap-2">
        <View className="min-w-0 flex-1">
          <FormField
            control={read.control}
            name="figure"
            label={t('setRoom.thermometerInTheMiddle')}
            unit={fmt.tempUnit}
            inputMode="decimal"
          />
        </View>
        <Key
          label={t('setRoom.itReadsThat')}
          size="amount"
          disabled={read.figure === undefined}
          onPress={read.take((c) => onTemp(Math.round(correctedC(fmt.settings.measured, c) * 10) / 10))}
        />
      </View>
    </View>
  );
}

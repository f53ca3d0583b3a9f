import { useState } from 'react';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { LEFT_TO_RIGHT } from '../../ui/leftToRight';
import { t } from '../../words';
import { clockOf } from './RunChart';

const STEP_S = 5;

/** Any moment of the run, to look at it or to go on from there. What is picked is looked at as it moves. */
export function MomentPicker({
  fromS,
  toS,
  atS,
  onLook,
  onGo,
}: {
  fromS: number;
  toS: number;
  atS: number;
  onLook?: (tS: number) => void;
  onGo: (tS: number) => void;
}) {
  const [picked, setPicked] = useState<number | undefined>();
  const now = Math.min(toS, Math.max(fromS, picked ?? atS));
  return (
    <View className="flex-row flex-wrap items-center gap-3" {...LEFT_TO_RIGHT}>
      <input
        type="range"
        min={fromS}
        max={Math.max(fromS + STEP_S, toS)}
        step={STEP_S}
        value={now}
        aria-label={t('practice.moment')}
        aria-valuetext={clockOf(now)}
        data-testid="moment"
        style={{ flex: 1, minWidth: 160, height: 48, accentColor: 'rgb(var(--ink))' }}
        onChange={(e) => {
          const s = Number(e.target.value);
          setPicked(s);
          onLook?.(s);
        }}
      />
      <Key label={t('practice.goOnFrom', { at: clockOf(now) })} onPress={() => onGo(now)} testID="go-on-from" />
    </View>
  );
}

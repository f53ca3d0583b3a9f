import { clsx } from 'clsx';
import { Pressable, View } from 'react-native';
import Svg, { Ellipse } from 'react-native-svg';
import { colour } from './colours';
import { t } from '../words';

/** Nine ovals: filled is now, the yolk dot is where to turn. Tapping one says that the ring was turned there. */
export function HobOvals({ now, target, onSet }: { now: number; target?: number; onSet?: (setting: number) => void }) {
  return (
    <View className="flex-1 flex-row" role={onSet ? 'radiogroup' : 'img'} aria-label={t('ui.hobOf9', { now })}>
      {Array.from({ length: 9 }, (_, i) => i + 1).map((s) => {
        const oval = (
          <Svg width={18} height={24} viewBox="0 0 18 24" aria-hidden>
            <Ellipse
              cx={9}
              cy={12}
              rx={7.2}
              ry={10}
              fill={s <= now ? colour.ink : 'none'}
              stroke={colour.ink}
              strokeWidth={2.2}
            />
            {s === target && target !== now ? (
              <Ellipse cx={9} cy={12} rx={3.4} ry={4.6} fill={colour.yolk} stroke={colour.ink} strokeWidth={1} />
            ) : null}
          </Svg>
        );
        return onSet ? (
          <Pressable
            key={s}
            role="radio"
            aria-checked={s === now}
            aria-label={t('ui.hob', { value: s })}
            onPress={() => onSet(s)}
            className={clsx('min-h-[48px] flex-1 items-center justify-center')}
          >
            {oval}
          </Pressable>
        ) : (
          <View key={s} className="flex-1 items-center">
            {oval}
          </View>
        );
      })}
    </View>
  );
}

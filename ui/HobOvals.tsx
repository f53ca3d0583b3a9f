import { Pressable, View } from 'react-native';
import Svg, { Ellipse } from 'react-native-svg';
import { colour } from './colours';
import { t } from '../words';

const MOST = 9;
const BY: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };
const ENDS: Readonly<Record<string, number>> = { Home: 1, End: MOST };

/**
 * Nine ovals: filled is now, the yolk dot is where to turn. A slider for keys and for those who hear it; for a thumb, each
 * mark of it can be tapped.
 */
export function HobOvals({ now, target, onSet }: { now: number; target?: number; onSet?: (setting: number) => void }) {
  const turn = (e: { key: string; preventDefault(): void }) => {
    const to = ENDS[e.key] ?? now + (BY[e.key] ?? 0);
    if (to === now || to < 1 || to > MOST) return;
    e.preventDefault();
    onSet?.(to);
  };
  return (
    <View className="relative flex-1 flex-row">
      <View
        className="pointer-events-none absolute inset-0"
        aria-label={onSet ? t('ui.hobSetting') : t('ui.hobOf9', { now })}
        {...(onSet
          ? ({
              role: 'slider',
              tabIndex: 0,
              'aria-valuemin': 1,
              'aria-valuemax': MOST,
              'aria-valuenow': now,
              'aria-valuetext':
                target === undefined || target === now
                  ? t('ui.hobOf9', { now })
                  : t('ui.hobOf9TurnTo', { now, target }),
              onKeyDown: turn,
            } as object)
          : { role: 'img' })}
      />
      {Array.from({ length: MOST }, (_, i) => i + 1).map((s) => {
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
            aria-hidden
            tabIndex={-1}
            testID={`hob-${s}`}
            onPress={() => onSet(s)}
            className="min-h-[48px] flex-1 items-center justify-center"
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

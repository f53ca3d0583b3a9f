import { View } from 'react-native';
import type { CoolNow } from '../../core/advice/coolInTime';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useFormat } from '../shared/App';

/** What helps a dish that will not be cold in time, with the time that each saves. */
export function SafeWays({
  ways,
  onBath,
}: {
  ways: readonly CoolNow[];
  onBath: (where: 'ice bath' | 'cold water' | 'fridge') => void;
}) {
  const fmt = useFormat();
  if (!ways.length) return null;
  return (
    <View className="gap-2 rounded-plate border-edge border-scorch bg-plate p-3" testID="safe-ways">
      <Type kind="strong" tone="scorch">
        {t('setRoom.willNotBeCold')}
      </Type>
      {ways.map((w) => {
        const way = t(`coolNow.${w.kind}`);
        const says = w.savesH === undefined ? way : t('setRoom.saves', { way, saves: fmt.hours(w.savesH) });
        const where =
          w.kind === 'ice bath' || w.kind === 'cold water' ? w.kind : w.kind === 'fridge now' ? 'fridge' : undefined;
        return (
          <View key={w.kind} className="flex-row items-center justify-between gap-2 border-t-hair border-line pt-2">
            <Type className="min-w-0 flex-1">
              {`${says}, ${w.safe ? t('setRoom.inTimeThen') : t('setRoom.stillTooSlow')}`}
            </Type>
            {where ? (
              <Key
                label={t('setRoom.doThat')}
                spoken={t('setRoom.doThatWay', { way: t(`coolNow.${w.kind}`) })}
                once
                onPress={() => onBath(where)}
              />
            ) : null}
          </View>
        );
      })}
    </View>
  );
}

import { useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { emptyKitchen } from '../../core/formats/kitchenFile';
import { DEFAULT_SETTINGS } from '../../core/settings';
import { KitchenLost, useProblems, useExchange, useSettings } from './stored';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { useKitchen } from './kitchen';
import { useSaveKitchen } from './saveFile';
import { t } from '../../words';
import { useApp } from './App';
import { useAskAgain, useModelHealth } from './useModelHealth';
import { whyNotOpen } from './whyNotOpen';

/** What storage or the model could not do, said where every room shows it. */
export function Problems() {
  const { clock } = useKitchen();
  const saveKitchen = useSaveKitchen();
  const exchange = useExchange();
  const { settings } = useSettings();
  const client = useQueryClient();
  const { tell, failed } = useApp();
  const { list, clear } = useProblems();
  const health = useModelHealth();
  useAskAgain(health);
  const unwell = health !== 'well';
  const says = failed && whyNotOpen(failed);
  if (!list.length && !unwell && !says) return null;
  return (
    <View role="alert" className="border-b-rim border-scorch bg-plate px-4 py-2">
      {unwell ? (
        <Notice text={t(health === 'gone' ? 'shared.theModelIsGone' : 'shared.theModelIsBegunAgain')}>
          {health === 'gone' ? (
            <Key label={t('shared.openAgain')} className="self-start" onPress={() => location.reload()} />
          ) : null}
        </Notice>
      ) : null}
      {says ? (
        <Notice text={t('shared.theKitchenDidNotOpen', { says: tell(says) })}>
          <Key
            label={t('shared.tryAgain')}
            className="self-start"
            onPress={() => void client.resetQueries({ queryKey: ['opened'] })}
          />
          {failed instanceof KitchenLost ? (
            <Key
              label={t('shared.goOnEmpty')}
              className="self-start"
              onPress={() =>
                void exchange(emptyKitchen(settings ?? DEFAULT_SETTINGS, new Date(clock()).toISOString())).then(() =>
                  client.resetQueries({ queryKey: ['opened'] }),
                )
              }
            />
          ) : null}
        </Notice>
      ) : null}
      {list.map((p) =>
        p.kind === 'set aside' ? (
          <Notice key={p.key} text={t('shared.oneRecordCouldNotBe', { key: p.key, why: tell(p.why) })} />
        ) : (
          <Notice key={p.key} text={t('shared.notSavedWhatYouSee', { why: tell(p.why) })} />
        ),
      )}
      {list.length ? (
        <View className="flex-row gap-2">
          <Key label={t('shared.exportEverything')} onPress={() => void saveKitchen()} />
          <Key label={t('shared.putAway')} kind="quiet" onPress={clear} />
        </View>
      ) : null}
    </View>
  );
}

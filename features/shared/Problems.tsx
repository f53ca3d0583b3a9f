import { View } from 'react-native';
import { useProblems } from './stored';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { useKitchen } from './kitchen';
import { saveKitchenFile } from './saveFile';
import { t } from '../../words';
import { useTell } from './App';

/** What storage could not do, said where every room shows it. */
export function Problems() {
  const { clock, store } = useKitchen();
  const tell = useTell();
  const { list, clear } = useProblems();
  if (!list.length) return null;
  return (
    <View role="alert" className="border-b-rim border-scorch bg-plate px-4 py-2">
      {list.map((p) =>
        p.kind === 'set aside' ? (
          <Notice key={p.key} text={t('shared.oneRecordCouldNotBe', { key: p.key, why: tell(p.why) })} />
        ) : (
          <Notice key={p.key} text={t('shared.notSavedWhatYouSee', { why: tell(p.why) })} />
        ),
      )}
      <View className="flex-row gap-2">
        <Key label={t('shared.exportEverything')} onPress={() => void saveKitchenFile(store(), clock())} />
        <Key label={t('shared.putAway')} kind="quiet" onPress={clear} />
      </View>
    </View>
  );
}

import { View } from 'react-native';
import { useProblems } from '../../storage/hooks';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { saveKitchenFile } from './saveFile';

/** What storage could not do, said where every room shows it. */
export function Problems() {
  const { list, clear } = useProblems();
  if (!list.length) return null;
  return (
    <View role="alert" className="border-b-rim border-scorch bg-plate px-4 py-2">
      {list.map((p) =>
        p.kind === 'set aside' ? (
          <Notice
            key={p.key}
            text={`One record (${p.key}) could not be read and was set aside, nothing else is touched. ${p.why}`}
          />
        ) : (
          <Notice
            key={p.key}
            text={`Not saved: ${p.why}. What you see is only in this tab. Export it now, then make room in the browser.`}
          />
        ),
      )}
      <View className="flex-row gap-2">
        <Key label="Export everything" onPress={() => void saveKitchenFile()} />
        <Key label="Put away" kind="quiet" onPress={clear} />
      </View>
    </View>
  );
}

import { View } from 'react-native';
import { inThisKitchen } from '../../core/book/inThisKitchen';
import type { Plan } from '../../core/plan/plan';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useTell } from '../shared/App';
import { useKnown } from '../shared/useKnown';

/** What this kitchen is known to do and the plan does not reckon with yet, and the key that takes it up. */
export function KnownPart({ plan, onChange }: { plan: Plan; onChange: (next: Plan) => void }) {
  const tell = useTell();
  const { learnt, measured } = useKnown();
  if (!learnt) return null;
  const known = inThisKitchen(plan, { learnt, measured });
  if (!known.changes.length) return null;
  return (
    <View className="gap-1 border-t-hair border-line pt-3 print:hidden" testID="known">
      <Type kind="strong">{t('planRoom.knownSince')}</Type>
      <Type>{known.changes.map(tell).join('; ')}</Type>
      <Key label={t('planRoom.takeItUp')} className="self-start" onPress={() => onChange(known.plan)} />
    </View>
  );
}

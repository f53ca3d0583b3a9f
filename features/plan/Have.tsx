import { View } from 'react-native';
import { haveOf } from '../../core/plan/amounts';
import { lookUp } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';

/** What the cook has so much of, and the key that lets it go. */
export function Have({ plan, onChange }: { plan: Plan; onChange: (next: Plan) => void }) {
  const fmt = useFormat();
  const item = haveOf(plan);
  if (!item) return null;
  const { name, group, densityGPerMl } = lookUp(plan, item.ingredientId);
  const amount = group === 'milk' ? fmt.ml(item.grams / densityGPerMl) : fmt.grams(item.grams);
  return (
    <View className="flex-row flex-wrap items-center gap-x-3" testID="have">
      <Type kind="strong">{t('planRoom.iHaveOf', { amount, name })}</Type>
      <Key
        label={t('planRoom.letItGo')}
        spoken={t('planRoom.letGoOf', { name })}
        kind="quiet"
        onPress={() => {
          const { have: _had, ...rest } = plan;
          onChange(rest);
        }}
      />
    </View>
  );
}

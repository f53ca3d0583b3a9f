import { View } from 'react-native';
import type { Step } from '../../core/cook/steps';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';
import { measureOf } from '../../words/measure';

/** What goes in at this step: each thing in grams, and as a cook takes it. */
export function GoesIn({ step }: { step: Step }) {
  const fmt = useFormat();
  const things = step.puts.flatMap((p) => p.portions);
  if (!things.length) return null;
  return (
    <View role="list" aria-label={t('potRoom.goesInNow')} className="py-1" testID="goes-in">
      {things.map((p, i) => (
        <View key={`${p.ingredient.id}${i}`} role="listitem" className="flex-row flex-wrap items-baseline gap-x-2">
          <Type kind="strong" className="min-w-[4.5rem] text-right">
            {fmt.grams(p.grams)}
          </Type>
          <Type kind="strong">{p.ingredient.name}</Type>
          <Type kind="small" tone="quiet">
            {measureOf(p.ingredient, p.grams, fmt)}
          </Type>
        </View>
      ))}
    </View>
  );
}

import Check from 'lucide-react-native/icons/check';
import { Pressable, View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { weighingOf } from '../../core/prep/weigh';
import { colour } from '../../ui/colours';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t, named } from '../../words';
import { measureOf } from '../../words/measure';

/** What to weigh, a wet thumb's key each; weighed ones fill with ink. */
export function WeighList({
  plan,
  weighed,
  onWeighed,
  title,
  manner,
}: {
  plan: Plan;
  weighed: readonly string[];
  onWeighed: (item: string) => void;
  title: string;
  manner: string;
}) {
  const fmt = useFormat();
  const list = weighingOf(plan);
  const allergens = [...new Set(list.flatMap((p) => p.ingredient.allergens))];
  return (
    <View className="mx-auto w-full max-w-[640px] gap-2 px-3 py-3">
      <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
        <Type kind="instruction" level={2} testID="instruction">
          {title}
        </Type>
        <Type tone="quiet">{manner}</Type>
      </View>
      {list.map((p) => {
        const item = p.key;
        const done = weighed.includes(item);
        const spoons = measureOf(p.ingredient, p.grams, fmt);
        const tone = done ? 'field' : 'ink';
        return (
          <Pressable
            key={item}
            role="checkbox"
            aria-checked={done}
            aria-label={`${fmt.grams(p.grams)} ${p.ingredient.name}${p.carved ? t('potRoom.keptColdForTheSlurry') : p.taste ? t('potRoom.heldBackToTaste') : ''}`}
            onPress={() => !done && onWeighed(item)}
            className={`min-h-[64px] flex-row items-center gap-3 rounded-key border-edge border-ink px-4 py-2 ${done ? 'bg-ink' : 'bg-plate'}`}
          >
            <View className="min-w-0 flex-1">
              <Type kind="key" tone={tone}>
                {p.ingredient.name}
              </Type>
              <Type kind="small" tone={done ? 'field' : 'quiet'}>
                {p.carved
                  ? t('potRoom.coldForTheSlurry', { spoons })
                  : p.taste
                    ? t('potRoom.heldBackAddItBy', { spoons })
                    : spoons}
              </Type>
            </View>
            <Type kind="amount" tone={tone}>
              {fmt.grams(p.grams)}
            </Type>
            {done ? <Check size={24} color={colour.field} strokeWidth={3} /> : null}
          </Pressable>
        );
      })}
      {allergens.length ? (
        <Notice text={t('potRoom.containsSaySoToYour', { allergens: named('allergen', allergens) })} />
      ) : null}
    </View>
  );
}

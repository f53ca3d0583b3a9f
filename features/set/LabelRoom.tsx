import { addDays } from 'date-fns/addDays';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { View } from 'react-native';
import { KEEPING } from '../../core/set/keeping';
import { allergensOf, wholeMixture } from '../../core/plan/bowls';
import { Key } from '../../ui/Key';
import { Empty } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { learn, named, t } from '../../words';
import { label } from '../../words/en/label';
import { useApp } from '../shared/App';
import { Room } from '../shared/Room';
import { useCook } from '../shared/useCook';
import { useMounted } from '../shared/useNow';

learn(label);

const MOST_LABELS = 12;

/** Labels for the dishes: what it is, when it was made, until when it is eaten, what is in it. One page of paper. */
export function LabelRoom() {
  const { cook: cookId } = useLocalSearchParams<{ cook?: string }>();
  const { fmt } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const { cook, state } = useCook(mounted ? cookId : undefined, undefined);
  const back = <Key label={t('label.back')} onPress={() => router.replace(`/set?cook=${cookId ?? ''}` as '/set')} />;
  if (!cook || !state || Number.isNaN(state.pouredMs))
    return (
      <Room name={t('room.Label')} title={t('label.labels')} actions={mounted ? back : null}>
        {mounted ? <Empty word={t('label.nothingPouredYet')} text={t('label.cookAPlanAndPour')} /> : null}
      </Room>
    );
  const { plan } = cook;
  const days = wholeMixture(plan).eggProteinG > 0 ? KEEPING.keepEggDays : KEEPING.keepDays;
  const allergens = allergensOf(plan);
  return (
    <Room
      name={t('room.Label')}
      title={t('label.labels')}
      sub={plan.name}
      paper={false}
      actions={
        <>
          {back}
          <Key label={t('label.print')} onPress={() => window.print()} />
        </>
      }
    >
      <View className="flex-row flex-wrap gap-3 p-4">
        {Array.from({ length: Math.min(MOST_LABELS, plan.dish.count) }, (_, i) => (
          <View key={i} className="w-[300px] gap-0.5 rounded-key border-edge border-ink bg-plate p-3" testID="label">
            <Type kind="title" level={i === 0 ? 2 : undefined}>
              {plan.name}
            </Type>
            <Type>{t('label.made', { day: fmt.weekday(state.pouredMs), time: fmt.time(state.pouredMs) })}</Type>
            <Type kind="strong">{t('label.eatBy', { day: fmt.weekday(addDays(state.pouredMs, days).getTime()) })}</Type>
            <Type kind="small">
              {allergens.length
                ? t('label.contains', { allergens: named('allergen', allergens) })
                : t('label.readPackets')}
            </Type>
            <Type kind="small">{t('label.keepCold', { tempC: fmt.temp(5) })}</Type>
          </View>
        ))}
      </View>
    </Room>
  );
}

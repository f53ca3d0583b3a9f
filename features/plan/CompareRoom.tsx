import { useLocalSearchParams, useRouter } from 'expo-router';
import { View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { pantryWith } from '../../core/pantry/pantry';
import { aimPlace } from '../../core/texture/words';
import { useCollection } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Empty } from '../../ui/Notice';
import { SetStrip } from '../../ui/SetStrip';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import { Room } from '../shared/Room';
import { useAsk } from '../shared/useAsk';
import { useForecast } from '../shared/useForecast';
import { useMounted } from '../shared/useNow';
import { CostList } from './CostList';
import { t } from '../../words';

/** Two plans side by side: what goes in, what comes out, and what differs. */
export function CompareRoom() {
  const { a, b } = useLocalSearchParams<{ a?: string; b?: string }>();
  const router = useRouter();
  const mounted = useMounted();
  const plans = useCollection('plans');
  const all = mounted ? (plans.data ?? []) : [];
  const one = all.find((p) => p.id === a) ?? all[0];
  const others = all.filter((p) => p.id !== one?.id);
  const two = others.find((p) => p.id === b) ?? others[0];
  const back = (
    <Key label={t('planRoom.back')} onPress={() => router.replace(`/plan?id=${one?.id ?? ''}` as '/plan')} />
  );
  if (!one || !two)
    return (
      <Room name={t('room.Compare')} title={t('planRoom.twoPlans')} actions={mounted ? back : null}>
        {mounted && plans.isSuccess ? (
          <Empty word={t('planRoom.onlyOnePlan')} text={t('planRoom.duplicateItChangeOneThing')} />
        ) : null}
      </Room>
    );
  const pick = (next: { a?: string; b?: string }) => router.setParams({ a: one.id, b: two.id, ...next });
  return (
    <Room name={t('room.Compare')} title={t('planRoom.twoPlans')} sub={t('planRoom.sideBySide')} actions={back}>
      <View className="gap-4 px-2 py-3 wide:p-6">
        <View className="gap-3 wide:flex-row wide:gap-6">
          <View className="wide:flex-1">
            <Choices
              label={t('planRoom.this')}
              value={one.id}
              options={all.map((p) => ({ value: p.id, label: p.name }))}
              onChoose={(id) => pick({ a: id })}
            />
          </View>
          <View className="wide:flex-1">
            <Choices
              label={t('planRoom.andThat')}
              value={two.id}
              options={others.map((p) => ({ value: p.id, label: p.name }))}
              onChoose={(id) => pick({ b: id })}
            />
          </View>
        </View>
        <View className="gap-4 wide:flex-row wide:gap-6">
          <Side plan={one} />
          <Side plan={two} />
        </View>
        <Amounts one={one} two={two} />
        <Differences one={one} two={two} />
      </View>
    </Room>
  );
}

function Side({ plan }: { plan: Plan }) {
  const { forecast } = useForecast(plan);
  const fmt = useFormat();
  return (
    <View className="gap-1 border-t-rim border-ink pt-2 wide:flex-1" testID={`side-${plan.id}`}>
      <Type kind="title" level={2}>
        {plan.name}
      </Type>
      {forecast ? (
        <>
          <View className="flex-row flex-wrap items-end justify-between gap-x-3">
            <Type kind="answer">{t(`word.${forecast.serving.word}`)}</Type>
            <Type tone="quiet">
              {t('planRoom.hotTheDayAfter', {
                word: t(`word.${forecast.hot.word}`),
                word2: t(`word.${forecast.nextDay.word}`),
              })}
            </Type>
          </View>
          <SetStrip
            place={forecast.serving.place}
            low={forecast.doubt.low}
            high={forecast.doubt.high}
            wanted={aimPlace(plan.serve.word)}
            label={t('planRoom.setAtServingWanted', {
              word: t(`word.${forecast.serving.word}`),
              word2: t(`word.${plan.serve.word}`),
            })}
          />
          <Type kind="small" tone="quiet">
            {t('planRoom.minAtTheFireIn', {
              total: Math.round(forecast.minutes.total),
              endMassG: fmt.grams(forecast.endMassG),
              sweetnessPct: forecast.sweetnessPct.toFixed(1),
            })}
          </Type>
        </>
      ) : (
        <Type tone="quiet">{t('planRoom.workingItOut')}</Type>
      )}
    </View>
  );
}

function Amounts({ one, two }: { one: Plan; two: Plan }) {
  const fmt = useFormat();
  const pantry = pantryWith([...one.own, ...two.own]);
  const ids = [...new Set([...one.things, ...two.things].map((i) => i.ingredientId))];
  const of = (p: Plan, id: string) => p.things.find((i) => i.ingredientId === id)?.grams;
  const cell = (g: number | undefined) => (g === undefined ? t('planRoom.none') : fmt.grams(g));
  return (
    <View role="table" aria-label={t('planRoom.whatGoesIn')}>
      {ids.map((id) => (
        <View key={id} role="row" className="min-h-[44px] flex-row items-center gap-3 border-b-hair border-line py-1">
          <Type role="rowheader" className="min-w-0 flex-1">
            {pantry.get(id)?.name ?? id}
          </Type>
          <Type role="cell" kind="strong" className="w-[84px] text-right">
            {cell(of(one, id))}
          </Type>
          <Type role="cell" kind="strong" className="w-[84px] text-right">
            {cell(of(two, id))}
          </Type>
        </View>
      ))}
    </View>
  );
}

function Differences({ one, two }: { one: Plan; two: Plan }) {
  const tell = useTell();
  const { data } = useAsk('compare', [one, two]);
  if (!data) return <Type tone="quiet">{t('planRoom.cookingBoth')}</Type>;
  return (
    <View className="gap-3 wide:flex-row wide:gap-6" testID="differences">
      <View className="wide:flex-1">
        <Type kind="title" level={2}>
          {t('planRoom.against', { twoName: two.name, oneName: one.name })}
        </Type>
        <CostList costs={data.differences} />
      </View>
      <View className="wide:flex-1">
        <Type kind="title" level={2}>
          {t('planRoom.whatWasPlannedDifferently')}
        </Type>
        {data.changes.map((c) => (
          <Type key={tell(c)} kind="small" tone="quiet">
            {tell(c)}
          </Type>
        ))}
      </View>
    </View>
  );
}

import { aimPlace } from '../../core/texture/words';
import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import type { Cook } from '../../core/cook/events';
import type { Fix } from '../../core/rescue/fix';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { NewEvent } from '../shared/useCook';
import { t } from '../../words';
import { pantryOf } from '../../core/plan/bowls';
import { useKitchen } from '../shared/kitchen';

/** ms between two questions while nothing is noted. */
const EVERY_MS = 20_000;

/** The correction that this pot asks for ahead of time, done with one tap and seen in the forecast. */
export function MendPanel({
  cook,
  step,
  asked,
  onAdd,
}: {
  cook: Cook;
  /** id of the present step */
  step: string;
  /** it is not heading for its word */
  asked: boolean;
  onAdd: (...events: NewEvent[]) => void;
}) {
  const { ask, clock } = useKitchen();
  const fmt = useFormat();
  const { data } = useQuery({
    // a reading more does not ask anew: what was put in, or another step, does
    queryKey: ['mend', cook.id, step, cook.events.filter((e) => e.kind === 'added' || e.kind === 'undone').length],
    queryFn: ({ signal }) => ask('mendPot', [cook, clock()], signal),
    enabled: asked,
    refetchInterval: EVERY_MS,
    staleTime: Infinity,
    gcTime: 1000,
    structuralSharing: false,
  });
  if (!asked || !data?.fixes.length) return null;
  const pantry = pantryOf(cook.plan);
  const name = (id: string) => pantry.get(id)?.name ?? id;
  const how: Record<Fix['how'], (f: Fix) => { act: string; way: string; done: string }> = {
    slurry: (f) => ({
      act: t('potRoom.more', { value: fmt.grams(f.grams), ingredientId: name(f.ingredientId) }),
      way: t('potRoom.whiskedIntoColdInA', {
        liquidG: fmt.grams(f.liquidG),
        liquidId: name(f.liquidId),
        on: f.added.heat?.length ? t('potRoom.thenToTheBubbleAnd') : '',
      }),
      done: t('potRoom.itIsIn'),
    }),
    loosen: (f) => ({
      act: t('potRoom.warm', { value: fmt.grams(f.grams), ingredientId: name(f.ingredientId) }),
      way: t('potRoom.stirredInAThirdAt'),
      done: t('potRoom.itIsIn'),
    }),
    'cook down': (f) => ({
      act: t('potRoom.longer', { minutes: fmt.hours(Math.max(1, f.minutes) / 60) }),
      way: t('potRoom.lidOffTheSpoonOn'),
      done: t('potRoom.cookOnSo'),
    }),
    'hold on': (f) => ({
      act: t('potRoom.longer', { minutes: fmt.countdown(f.minutes * 60) }),
      way: t('potRoom.onTheLowestHeatNever'),
      done: t('potRoom.holdItSo'),
    }),
  };
  const take = (f: Fix) =>
    onAdd(
      { kind: 'added', ...f.added },
      ...(f.added.heat?.length && f.added.after === step ? [{ kind: 'stepDone' as const, step }] : []),
    );
  return (
    <View className="gap-2 rounded-plate border-edge border-ink bg-plate p-3" testID="mend">
      <Type kind="strong">
        {t(data.before.place < aimPlace(cook.plan.serve.word) ? 'potRoom.itWillBeTooThin' : 'potRoom.itWillBeTooFirm', {
          word: t(`word.${data.before.word}`),
          word2: t(`word.${cook.plan.serve.word}`),
        })}
      </Type>
      {data.fixes.map((f) => {
        const w = how[f.how](f);
        return (
          <View key={f.how} className="flex-row items-center justify-between gap-3">
            <View className="min-w-0 flex-1">
              <Type kind="title">{w.act}</Type>
              <Type kind="small" tone="quiet">
                {t('potRoom.then', {
                  way: w.way,
                  word: t(`word.${f.after.word}`),
                  more:
                    f.minutes >= 0.5 && f.how === 'slurry'
                      ? t('potRoom.more2', { minutes: fmt.hours(f.minutes / 60) })
                      : '',
                })}
              </Type>
            </View>
            <Key size="live" label={w.done} spoken={`${w.done}: ${w.act}`} onPress={() => take(f)} />
          </View>
        );
      })}
    </View>
  );
}

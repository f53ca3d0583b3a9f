import { Pressable, View } from 'react-native';
import type { Cook } from '../../core/cook/events';
import { foldCook } from '../../core/cook/fold';
import { lastPlaceOf } from '../../core/cook/stays';
import { changesOf, stepsOf } from '../../core/cook/steps';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useFormat } from '../shared/App';

const HOUR = 3_600_000;

/** Every dish that stands somewhere, on one line of the hours: from its pouring to the table. A tap looks at it. */
export function AllDishes({
  cooks,
  now,
  here,
  onOpen,
}: {
  cooks: readonly Cook[];
  now: number;
  here: string;
  onOpen: (id: string) => void;
}) {
  const fmt = useFormat();
  const dishes = cooks
    .filter((c) => !c.batchId)
    .map((cook) => ({ cook, state: foldCook(cook, stepsOf(cook.plan, { phases: [] }, changesOf(cook))) }))
    .filter(({ state }) => !Number.isNaN(state.pouredMs))
    .map(({ cook, state }) => ({
      cook,
      state,
      fromMs: state.pouredMs,
      toMs: Math.max(Date.parse(cook.plan.serve.at), state.pouredMs + HOUR),
    }));
  if (dishes.length < 2) return null;
  const from = Math.min(...dishes.map((d) => d.fromMs));
  const to = Math.max(now, ...dishes.map((d) => d.toMs));
  const pct = (ms: number) => (100 * (ms - from)) / (to - from);
  return (
    <View className="gap-1.5" testID="all-dishes">
      <Type kind="title" level={2}>
        {t('setRoom.allDishes')}
      </Type>
      {dishes.map(({ cook, state, fromMs, toMs }) => {
        const where = state.stands.at(-1)?.where ?? 'room';
        const place = where === 'plan' ? lastPlaceOf(cook.plan) : where;
        const label = t('setRoom.dishLine', {
          name: cook.plan.name,
          place: t(`place.${place}`),
          from: fmt.time(fromMs),
          to: fmt.timeOn(toMs, now),
        });
        return (
          <Pressable
            key={cook.id}
            role="link"
            aria-label={label}
            aria-current={cook.id === here ? 'true' : undefined}
            onPress={() => onOpen(cook.id)}
            className="min-h-[52px] justify-center gap-1 active:opacity-70"
          >
            <View className="flex-row items-center gap-2">
              <Tag letter={cook.plan.name[0]!.toUpperCase()} tint={0} size={24} />
              <Type kind={cook.id === here ? 'strong' : 'text'} className="min-w-0 flex-1">
                {cook.plan.name}
              </Type>
              <Type kind="small" tone="quiet">
                {t(`place.${place}`)}
              </Type>
            </View>
            <View className="h-3 rounded-full bg-sunk">
              <View
                className="absolute h-3 rounded-full border-hair border-ink bg-coolF"
                style={{ left: `${pct(fromMs)}%`, width: `${pct(toMs) - pct(fromMs)}%` }}
              />
              <View className="absolute -top-1 h-5 w-[3px] bg-ink" style={{ left: `${pct(now)}%` }} />
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}

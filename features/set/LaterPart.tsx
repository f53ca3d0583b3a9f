import { View } from 'react-native';
import { laterOf } from '../../core/cook/later';
import type { Plan } from '../../core/plan/plan';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';

const MIN_MS = 60_000;

/** What the plan says in the cook's own words for once the dish stands: when, and for how long. */
export function LaterPart({ plan, pouredMs, now }: { plan: Plan; pouredMs: number; now: number }) {
  const fmt = useFormat();
  const later = laterOf(plan);
  if (!later.length) return null;
  return (
    <View className="gap-1" testID="later">
      <Type kind="title" level={2}>
        {t('setRoom.thenComes')}
      </Type>
      {later.map((l) => {
        const atMs = pouredMs + l.afterMin * MIN_MS;
        return (
          <Type key={l.id} kind={atMs > now ? 'text' : 'strong'}>
            {t('setRoom.laterAt', {
              at: fmt.timeOn(atMs, now),
              words: l.words,
              minutes: l.minutes === undefined ? '' : t('setRoom.laterFor', { minutes: fmt.hours(l.minutes / 60) }),
            })}
          </Type>
        );
      })}
    </View>
  );
}

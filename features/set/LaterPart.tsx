import { View } from 'react-native';
import { atTheTable, laterOf } from '../../core/cook/later';
import type { Forecast } from '../../core/model/forecast';
import type { LaidPortion } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';

const MIN_MS = 60_000;

/** What comes once the dish stands: the cook's own words, when and for how long; and what is done at the table. */
export function LaterPart({
  plan,
  forecast,
  pouredMs,
  now,
}: {
  plan: Plan;
  forecast: Pick<Forecast, 'products'>;
  pouredMs: number;
  now: number;
}) {
  const fmt = useFormat();
  const said = (things: readonly LaidPortion[]) =>
    things.map((p) => `${fmt.grams(p.grams)} ${p.ingredient.name}`).join(', ');
  const later = laterOf(plan);
  const { loosen, on } = atTheTable(plan, forecast.products);
  if (!later.length && !loosen && !on.length) return null;
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
      {loosen ? <Type>{t('setRoom.loosenAtTheTable', { what: said([loosen]) })}</Type> : null}
      {on.length ? <Type>{t('setRoom.onItAtTheTable', { what: said(on) })}</Type> : null}
    </View>
  );
}

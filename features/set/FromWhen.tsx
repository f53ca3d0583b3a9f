import { addDays } from 'date-fns/addDays';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import type { Plan } from '../../core/plan/plan';
import type { SetTold, When } from '../../core/set/touch';
import type { SetWord } from '../../core/texture/words';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useFormat } from '../shared/App';

/** What a dish goes through, by how it is served. */
const WORDS: Record<Plan['serve']['style'], readonly SetWord[]> = {
  spooned: ['mounds'],
  'turned out': ['wobbles', 'slices'],
  cut: ['wobbles', 'slices'],
};

/** From when it stands, slices and is cold enough, each with its spread; and until when it is at its best. */
export function FromWhen({
  plan,
  f,
  told,
  pouredMs,
  now,
}: {
  plan: Plan;
  f: Forecast;
  told: SetTold;
  pouredMs: number;
  now: number;
}) {
  const fmt = useFormat();
  const at = (h: number) => fmt.timeOn(pouredMs + h * 3_600_000, now);
  const row = (key: string, title: string, when: When) => (
    <Row
      key={key}
      title={title}
      value={Number.isFinite(when.likely) ? at(when.likely) : t('fromWhen.notToday')}
      {...(Number.isFinite(when.early)
        ? {
            sub: t('fromWhen.spread', {
              early: at(when.early),
              late: Number.isFinite(when.late) ? at(when.late) : t('setRoom.later'),
            }),
          }
        : {})}
    />
  );
  return (
    <View testID="from-when">
      <Type kind="title" level={2}>
        {t('fromWhen.title')}
      </Type>
      {WORDS[plan.serve.style].map((word) => row(word, t(`fromWhen.${word as 'mounds'}`), told.reaches(word)))}
      {row('cold', t('fromWhen.cold', { tempC: fmt.temp(plan.serve.tempC) }), told.cold)}
      <Row
        title={t('fromWhen.best')}
        sub={t('fromWhen.bestSub')}
        value={fmt.weekday(addDays(pouredMs, f.keeping.days).getTime())}
      />
    </View>
  );
}

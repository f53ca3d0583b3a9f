import { addDays } from 'date-fns/addDays';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import { mainLiquid } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { useAsk } from '../shared/useAsk';

/** g of liquid to a hundred of a cold set starch pudding that is warmed and loosened (C). */
const REHEAT_SHARE = 0.1;

/** Days it keeps, what it does meanwhile, and how it is warmed or loosened. */
export function KeepPart({
  plan,
  f,
  pouredMs,
  onLabel,
}: {
  plan: Plan;
  f: Forecast;
  pouredMs: number;
  onLabel: () => void;
}) {
  const { fmt, tell } = useApp();
  const milk = mainLiquid(plan);
  const loosen = useAsk('loosen', [plan, milk?.id ?? 'milk_whole'], { enabled: milk !== undefined, keep: true });
  const until = addDays(pouredMs, f.keeping.days).getTime();
  const place = (x: Forecast['serving']) => t(`word.${x.word}`);
  const keep = f.cautions.find((c) => c.id === 'keep');
  return (
    <View className="gap-1" testID="keep">
      <Type kind="title" level={2}>
        {t('keep.title')}
      </Type>
      <Row title={t('keep.until')} sub={t('keep.covered')} value={fmt.weekday(until)} />
      <Row
        title={t('keep.tomorrow')}
        sub={f.nextDay.place > f.serving.place + 0.1 ? t('keep.firmer') : t('keep.asItIs')}
        value={place(f.nextDay)}
      />
      {f.keeping.weepPctAt3Days >= 0.1 ? (
        <Row title={t('keep.weeps')} sub={t('keep.pourOff')} value={`${f.keeping.weepPctAt3Days.toFixed(1)} %`} />
      ) : null}
      {/* what is eaten frozen is not warmed, and nothing is stirred into it */}
      {f.frozen ? null : (
        <Row
          title={t('keep.warmed')}
          sub={t('keep.warmedSub')}
          value={t('keep.perPortion', { grams: fmt.grams(Math.round(plan.portionG * REHEAT_SHARE)) })}
        />
      )}
      {loosen.data && !f.frozen ? (
        <Row
          title={t('keep.tooStiff')}
          sub={t('keep.stirredIn', { name: milk!.name })}
          value={fmt.grams(loosen.data)}
        />
      ) : null}
      {f.keeping.thawedPct > 0 && !f.frozen ? (
        <Type kind="small" tone="quiet">
          {t('keep.notFrozen', { pct: Math.round(f.keeping.thawedPct) })}
        </Type>
      ) : null}
      {keep ? <Notice text={tell(keep.says)} /> : null}
      <Key label={t('keep.label')} onPress={onLabel} className="self-start" />
    </View>
  );
}

import { linesOf } from '../../core/plan/layout';
import { BESIDE_USES, purposeOf } from '../../core/plan/method';
import { View } from 'react-native';
import { lookUp } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import { heldShare, holdBack } from '../../core/plan/sweetness';
import { limit } from '../../core/model/limits';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import type { useAbout } from './useAbout';
import { learn, t } from '../../words';
import { tasteForm } from '../../words/en/tasteForm';

learn(tasteForm);

/** Sweet, salt and sour on what is eaten, and what is held back to be added by tasting. */
export function TasteForm({
  plan,
  about,
  onChange,
}: {
  plan: Plan;
  about: ReturnType<typeof useAbout>['about'];
  onChange: (next: Plan) => void;
}) {
  const { fmt, tell } = useApp();
  const taste = about?.taste;
  const tastes = linesOf(plan).filter((i) => {
    const x = lookUp(plan, i.ingredientId);
    return i.grams > 0 && !BESIDE_USES.includes(purposeOf(i.in)) && (x.group === 'sweet' || x.id === 'salt');
  });
  const never = plan.rules.includes('nobody tastes');
  const lines: [string, string][] = taste
    ? [
        [t('planRoom.sweet'), t('planRoom.ofTheFinishedDish', { sweetPct: taste.sweetPct.toFixed(1) })],
        [t('planRoom.salt'), `${taste.saltPct.toFixed(2)} %`],
        ...(taste.sourPct > 0.02
          ? ([[t('planRoom.sour'), t('planRoom.acid', { sourPct: taste.sourPct.toFixed(2) })]] as [string, string][])
          : []),
        [t('planRoom.feltColdAndBesideThe'), `${taste.feltPct.toFixed(1)} %`],
        ...(taste.heldG > 0
          ? ([[t('planRoom.beforeTasting'), `${taste.withoutHeldPct.toFixed(1)} %`]] as [string, string][])
          : []),
      ]
    : [];
  return (
    <>
      {taste ? (
        <Type kind="title" level={3}>
          {tell(taste.says)}
        </Type>
      ) : null}
      {lines.map(([name, value]) => (
        <View key={name} className="flex-row items-baseline justify-between gap-3 border-b-hair border-line py-1.5">
          <Type tone="quiet" className="shrink">
            {name}
          </Type>
          <Type kind="strong">{value}</Type>
        </View>
      ))}
      <Type kind="strong">{t('planRoom.heldBackForTasting')}</Type>
      {never ? (
        <Notice harm={false} text={t('planRoom.nobodyTastesBeforeServingEverything')} />
      ) : (
        tastes.map((i) => {
          const share = heldShare(plan, i.ingredientId);
          return (
            <Stepper
              key={i.ingredientId}
              name={lookUp(plan, i.ingredientId).name}
              sub={
                share > 0
                  ? t('planRoom.ofOutOfTheTotal', { share: fmt.grams(i.grams * share), value: fmt.grams(i.grams) })
                  : t('planRoom.allOfItGoesIn')
              }
              value={Math.round(share * 100)}
              unit="%"
              step={5}
              min={0}
              max={50}
              onChange={(v) => onChange(holdBack(plan, i.ingredientId, v / 100))}
              testID={`held-${i.ingredientId}`}
            />
          );
        })
      )}
      <Type kind="small" tone="quiet">
        {t('planRoom.tasteBeforeItThickensFrom', { taste: tell(limit('taste')) })}
      </Type>
    </>
  );
}

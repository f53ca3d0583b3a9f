import { View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { Choices } from '../../ui/Choices';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useFormat } from '../shared/App';

type PouredAs = { count?: number; covered?: boolean; wet?: boolean };

/** What hands do as it is poured, and how it was really poured: the forecast follows. */
export function PourPanel({
  plan,
  depthMm,
  fillRel,
  hot,
  onPoured,
}: {
  /** as it was really poured so far */
  plan: Plan;
  depthMm: number;
  fillRel: number;
  hot: boolean;
  onPoured: (as: PouredAs) => void;
}) {
  const fmt = useFormat();
  const { dish } = plan;
  const clay = dish.wall === 'clay' || dish.wall === 'wet clay';
  const flat = dish.kind === 'tray' || plan.serve.style === 'cut';
  const full = Math.round(fillRel * 100);
  return (
    <View className="gap-3 rounded-plate border-edge border-ink bg-plate p-3" testID="pour-panel">
      <Type kind="title" level={2}>
        {t('pour.title')}
      </Type>
      <Stepper
        name={t('pour.dishes')}
        value={dish.count}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(count) => onPoured({ count: Math.round(count) })}
      />
      <Type kind="strong" role="status" testID="pour-depth">
        {fillRel > 1
          ? t('pour.tooFull', { depthMm: fmt.length(depthMm) })
          : t('pour.deep', { depthMm: fmt.length(depthMm), full })}
      </Type>
      <Choices
        label={t('pour.cover')}
        value={plan.rest.covered}
        options={[
          { value: true, label: t('pour.covered'), sub: t('pour.coveredSub') },
          { value: false, label: t('pour.open'), sub: t('pour.openSub') },
        ]}
        onChoose={(covered) => onPoured({ covered })}
      />
      {clay ? (
        <Choices
          label={t('pour.clay')}
          value={dish.wall === 'wet clay'}
          options={[
            { value: true, label: t('pour.wet'), sub: t('pour.wetSub') },
            { value: false, label: t('pour.dry'), sub: t('pour.drySub') },
          ]}
          onChoose={(wet) => onPoured({ wet })}
        />
      ) : null}
      <Type>{t('pour.bubbles')}</Type>
      {flat ? <Type>{t('pour.level')}</Type> : null}
      <Type>{t('pour.garnish')}</Type>
      {hot && dish.wall === 'glass' ? <Notice text={t('pour.glass')} /> : null}
    </View>
  );
}

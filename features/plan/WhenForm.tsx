import { refreshCarveOuts, usualStage } from '../../core/plan/amounts';
import { STAGES, type Plan, type Stage } from '../../core/plan/plan';
import type { Ingredient } from '../../core/pantry/ingredient';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';

/** Stages at which this may go in: a thickener has to meet its liquid. */
const stagesFor = (i: Ingredient): readonly Stage[] =>
  i.group === 'thickener' && !i.gum ? STAGES.filter((s) => s !== 'under' && s !== 'top' && s !== 'fold in') : STAGES;

/** When an ingredient goes in, and what part of it is kept back for what. */
export function WhenForm({
  plan,
  ingredient,
  onChange,
}: {
  plan: Plan;
  ingredient: Ingredient;
  onChange: (next: Plan) => void;
}) {
  const fmt = useFormat();
  const item = plan.items.find((i) => i.ingredientId === ingredient.id);
  if (!item) return null;
  const kept = plan.carveOuts.find((c) => c.ingredientId === ingredient.id && !c.taste && c.stage !== item.stage);
  const others = plan.carveOuts.filter((c) => c !== kept);
  const keep = (grams: number, stage: Stage) =>
    onChange({
      ...plan,
      carveOuts:
        grams > 0
          ? [...others, { ingredientId: ingredient.id, grams: Math.min(grams, item.grams), stage, typed: true }]
          : others,
    });
  const options = stagesFor(ingredient).map((value) => ({ value, label: t(`when.${value}`) }));
  return (
    <>
      <Choices
        label={t('when.title')}
        value={item.stage}
        options={options}
        onChoose={(stage) =>
          onChange(
            refreshCarveOuts({
              ...plan,
              items: plan.items.map((i) => (i === item ? { ...i, stage } : i)),
              carveOuts: plan.carveOuts.filter((c) => c.ingredientId !== ingredient.id || c.taste || c.stage !== stage),
            }),
          )
        }
      />
      {kept ? (
        <>
          <Stepper
            name={t('when.keptBack')}
            sub={t('when.ofTheTotal', { grams: fmt.grams(item.grams) })}
            value={kept.grams}
            unit="g"
            step={item.grams > 100 ? 10 : 1}
            max={item.grams}
            onChange={(grams) => keep(grams, kept.stage)}
          />
          <Choices
            label={t('when.keptFor')}
            value={kept.stage}
            options={options.filter((o) => o.value !== item.stage)}
            onChoose={(stage) => keep(kept.grams, stage)}
          />
          <Key label={t('when.keepNone')} onPress={() => keep(0, kept.stage)} className="self-start" />
        </>
      ) : (
        <Key
          label={t('when.keepSome')}
          className="self-start"
          onPress={() => {
            const usual = usualStage(ingredient);
            keep(
              Math.max(1, Math.round(item.grams / 4)),
              usual === item.stage ? (item.stage === 'late' ? 'off the heat' : 'late') : usual,
            );
          }}
        />
      )}
      <Type kind="strong">{t('when.orInstead')}</Type>
    </>
  );
}

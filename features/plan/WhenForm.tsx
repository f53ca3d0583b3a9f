import { moved, usualBowl, wetted } from '../../core/plan/amounts';
import { linesOf, partsOf, withParts } from '../../core/plan/layout';
import { purposeOf, USES, type Bowl, type Use } from '../../core/plan/method';
import type { Plan } from '../../core/plan/plan';
import type { Ingredient } from '../../core/pantry/ingredient';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { t } from '../../words';

/** Where this may go in: a thickener has to meet its liquid. */
const usesFor = (i: Ingredient): readonly Use[] =>
  i.group === 'thickener' && !i.gum ? USES.filter((s) => s !== 'under' && s !== 'top' && s !== 'fold in') : USES;

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
  const item = linesOf(plan).find((i) => i.ingredientId === ingredient.id);
  if (!item) return null;
  const kept = partsOf(plan).find((c) => c.ingredientId === ingredient.id && !c.taste && c.in !== item.in);
  const others = partsOf(plan).filter((c) => c !== kept);
  const keep = (grams: number, bowl: Bowl) =>
    onChange(
      withParts(
        plan,
        grams > 0
          ? [...others, { ingredientId: ingredient.id, grams: Math.min(grams, item.grams), in: bowl, typed: true }]
          : others,
      ),
    );
  const options = usesFor(ingredient).map((value) => ({ value, label: t(`when.${value}`) }));
  return (
    <>
      <Choices
        label={t('when.title')}
        value={purposeOf(item.in)}
        options={options}
        onChoose={(bowl) =>
          onChange(
            wetted(
              withParts(
                moved(plan, ingredient.id, bowl),
                partsOf(plan).filter((c) => c.ingredientId !== ingredient.id || c.taste || c.in !== bowl),
              ),
            ),
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
            onChange={(grams) => keep(grams, kept.in)}
          />
          <Choices
            label={t('when.keptFor')}
            value={purposeOf(kept.in)}
            options={options.filter((o) => o.value !== purposeOf(item.in))}
            onChoose={(bowl) => keep(kept.grams, bowl)}
          />
          <Key label={t('when.keepNone')} onPress={() => keep(0, kept.in)} className="self-start" />
        </>
      ) : (
        <Key
          label={t('when.keepSome')}
          className="self-start"
          onPress={() => {
            const usual = usualBowl(ingredient);
            keep(
              Math.max(1, Math.round(item.grams / 4)),
              usual === purposeOf(item.in) ? (usual === 'late' ? 'off the heat' : 'late') : usual,
            );
          }}
        />
      )}
      <Type kind="strong">{t('when.orInstead')}</Type>
    </>
  );
}

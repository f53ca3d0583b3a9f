import { View } from 'react-native';
import { lookUp } from '../../core/plan/stages';
import type { Plan } from '../../core/plan/plan';
import { heldShare, holdBack } from '../../core/plan/sweetness';
import { limit } from '../../core/model/limits';
import { pantryWith } from '../../core/pantry/pantry';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import type { useAbout } from './useAbout';

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
  const pantry = pantryWith(plan.own);
  const t = about?.taste;
  const tastes = plan.items.filter((i) => {
    const x = lookUp(pantry, plan, i.ingredientId);
    return i.grams > 0 && i.stage !== 'top' && (x.group === 'sweet' || x.id === 'salt');
  });
  const never = plan.rules.includes('nobody tastes');
  const lines: [string, string][] = t
    ? [
        ['Sweet', `${t.sweetPct.toFixed(1)} % of the finished dish`],
        ['Salt', `${t.saltPct.toFixed(2)} %`],
        ...(t.sourPct > 0.02 ? ([['Sour', `${t.sourPct.toFixed(2)} % acid`]] as [string, string][]) : []),
        ['Felt, cold and beside the sour', `${t.feltPct.toFixed(1)} %`],
        ...(t.heldG > 0 ? ([['Before tasting', `${t.withoutHeldPct.toFixed(1)} %`]] as [string, string][]) : []),
      ]
    : [];
  return (
    <>
      {t ? (
        <Type kind="title" level={3}>
          {t.says}
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
      <Type kind="strong">Held back for tasting</Type>
      {never ? (
        <Notice harm={false} text="Nobody tastes before serving: everything is weighed, nothing is held back." />
      ) : (
        tastes.map((i) => {
          const share = heldShare(plan, i.ingredientId);
          return (
            <Stepper
              key={i.ingredientId}
              name={lookUp(pantry, plan, i.ingredientId).name}
              sub={
                share > 0
                  ? `${fmt.grams(i.grams * share)} of ${fmt.grams(i.grams)}, out of the total`
                  : 'all of it goes in weighed'
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
        {`Taste before it thickens, from under the fat. Hot tastes sweeter than it will when cold. ${tell(limit('taste'))}`}
      </Type>
    </>
  );
}

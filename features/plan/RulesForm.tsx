import { partsOf, withParts } from '../../core/plan/layout';
import { useState } from 'react';
import { View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { RULES, type Rule } from '../../core/plan/rules';
import type { FreeOf } from '../../core/advice/substitutes';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useAsk } from '../shared/useAsk';
import { CostList } from './CostList';
import type { useAbout } from './useAbout';
import { RULE_SAYS } from './words';
import { useTell } from '../shared/App';
import { named, t } from '../../words';

type About = ReturnType<typeof useAbout>['about'];

const MENDS: Partial<Record<Rule, FreeOf>> = {
  'no egg': 'egg',
  'no alcohol': 'alcohol',
  'no milk': 'milk',
  'no wheat': 'wheat',
  'no nuts': 'nuts',
  'no coconut': 'coconut',
  'no soy': 'soy',
};

/** What the occasion asks. The plan keeps it: what breaks a rule is said, and mended at equal set. */
export function RulesForm({ plan, about, onChange }: { plan: Plan; about: About; onChange: (next: Plan) => void }) {
  const toggle = (rule: Rule) => {
    const rules = plan.rules.includes(rule) ? plan.rules.filter((r) => r !== rule) : [...plan.rules, rule];
    // nobody tastes: what was held back to taste goes in weighed
    const next = { ...plan, rules };
    onChange(
      rules.includes('nobody tastes')
        ? withParts(
            next,
            partsOf(plan).filter((c) => !c.taste),
          )
        : next,
    );
  };
  const broken = (about?.breaks ?? []).filter((b) => plan.rules.includes(b.rule));
  const free = about?.freeOf ?? [];
  return (
    <>
      <View className="gap-2">
        {RULES.map((r) => (
          <Key
            key={r}
            label={t(RULE_SAYS[r].label)}
            sub={t(RULE_SAYS[r].sub)}
            role="checkbox"
            size="amount"
            left
            selected={plan.rules.includes(r)}
            onPress={() => toggle(r)}
          />
        ))}
      </View>
      {broken.map((b) => (
        <View key={b.rule + b.ingredientId} testID={`broken-${b.rule}`} className="gap-2">
          <Notice text={t('planRoom.butIsInIt', { label: t(RULE_SAYS[b.rule].label), bName: b.name })} />
        </View>
      ))}
      {[...new Set([...broken.flatMap((b) => MENDS[b.rule] ?? []), ...free])].map((w) => (
        <MakeFree key={w} plan={plan} what={w} onChange={onChange} />
      ))}
      <Notice
        harm={(about?.allergens.length ?? 0) > 0}
        text={
          about?.allergens.length
            ? t('planRoom.containsWhatIsCookedBeside', { allergens: named('allergen', about.allergens) })
            : t('planRoom.noListedAllergenInWhat2')
        }
      />
      <Type kind="small" tone="quiet">
        {t('planRoom.dietsAndDiabetesAskA')}
      </Type>
    </>
  );
}

/** "Make it egg-free": asked for, the model swaps and says what it costs. */
function MakeFree({ plan, what, onChange }: { plan: Plan; what: FreeOf; onChange: (next: Plan) => void }) {
  const tell = useTell();
  const [asked, setAsked] = useState(false);
  const { data } = useAsk('free', [plan, what], { enabled: asked });
  const word = what === 'milk' ? 'dairy' : what === 'nuts' ? 'nut' : what;
  if (!asked) return <Key label={t('planRoom.makeItFree', { word })} size="amount" onPress={() => setAsked(true)} />;
  if (!data) return <Type tone="quiet">{t('planRoom.swappingAtEqualSet')}</Type>;
  if (!data.ok) return <Notice text={tell(data.why)} />;
  return (
    <View className="gap-2 rounded-key bg-plate p-3" testID={`free-${what}`}>
      <Type kind="strong">{t('planRoom.free', { toUpperCase: word[0]!.toUpperCase(), slice: word.slice(1) })}</Type>
      {data.changes.map((c) => (
        <Type key={tell(c)}>{tell(c)}</Type>
      ))}
      <CostList costs={data.costs} />
      {data.held ? null : <Notice text={t('planRoom.noAmountBringsTheSame')} />}
      <Key
        kind="yolk"
        size="amount"
        label={t('planRoom.makeItFreeNow', { word })}
        onPress={() => onChange(data.plan)}
      />
    </View>
  );
}

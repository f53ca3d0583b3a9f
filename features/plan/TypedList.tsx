import { useState } from 'react';
import { View } from 'react-native';
import { pantryWith } from '../../core/pantry/pantry';
import type { Plan } from '../../core/plan/plan';
import { goesIn, withTyped, type TypedLine } from '../../core/recipe/typedList';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import { useAsk } from '../shared/useAsk';
import { useSettled } from '../shared/useSettled';
import { RULE_SAYS } from './words';
import { t } from '../../words';

/** ms without a letter after which a list is read */
const READ_AFTER_MS = 250;

/** A list that was typed or pasted, line by line as it is understood; one key puts in all that is. */
export function TypedList({ text, plan, onTake }: { text: string; plan: Plan; onTake: (next: Plan) => void }) {
  const fmt = useFormat();
  const tell = useTell();
  const settled = useSettled(true, text, READ_AFTER_MS);
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const { data, isFetching } = useAsk('typedLines', [text, plan.rules, plan.own, fmt.settings.spoons], {
    keep: true,
    enabled: settled,
  });
  const pantry = pantryWith(plan.own);
  // what a name may mean is the cook's to say
  const lines = (data ?? []).map((l): TypedLine => {
    const id = chosen[l.text];
    return id ? { ...l, ingredientId: id, state: l.grams === undefined ? 'open' : 'read' } : l;
  });
  const going = lines.filter(goesIn);
  return (
    <View className="gap-2" testID="typed-list" aria-live="polite">
      {lines.map((l, i) => (
        <View key={`${i}${l.text}`} className="gap-1 rounded-key bg-plate px-3 py-2">
          <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
            <Type kind="strong">{l.ingredientId ? (pantry.get(l.ingredientId)?.name ?? l.text) : `“${l.text}”`}</Type>
            <Type kind="title">{l.grams === undefined ? '' : fmt.grams(l.grams)}</Type>
          </View>
          <Type kind="small" tone={goesIn(l) ? 'quiet' : 'scorch'}>
            {l.against
              ? t('planRoom.notHere', { label: t(RULE_SAYS[l.against].label).toLowerCase() })
              : l.which && !chosen[l.text]
                ? tell(l.which.question)
                : goesIn(l)
                  ? l.text
                  : l.why
                    ? tell(l.why)
                    : t('planRoom.howMuchOfIt')}
          </Type>
          {l.which && !chosen[l.text]
            ? l.which.options.map((o) => (
                <Row
                  key={o.ingredientId}
                  title={tell(o.label)}
                  sub={tell(o.tell)}
                  onPress={() => setChosen({ ...chosen, [l.text]: o.ingredientId })}
                />
              ))
            : null}
        </View>
      ))}
      <Key
        kind="yolk"
        size="amount"
        testID="put-in"
        disabled={going.length === 0 || isFetching || !settled}
        label={t('planRoom.putThemIn', { count: going.length })}
        onPress={() => onTake(withTyped(plan, lines, pantry))}
      />
      {lines.length > going.length ? (
        <Type kind="small" tone="quiet">
          {t('planRoom.whatStaysOut', { count: lines.length - going.length })}
        </Type>
      ) : null}
    </View>
  );
}

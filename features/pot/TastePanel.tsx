import { View } from 'react-native';
import type { Step } from '../../core/cook/steps';
import type { CookState } from '../../core/cook/fold';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { NewEvent } from '../shared/useCook';
import { t } from '../../words';

/** Shares of what is held back that a tap stirs in. */
const SHARES = [0.25, 0.5, 1] as const;
const ROOM_C = 20;

/** What was held back, stirred in by tasting: each bit is noted in grams and counted in the set. */
export function TastePanel({
  step,
  state,
  onAdd,
}: {
  step: Step;
  state: CookState;
  onAdd: (...events: NewEvent[]) => void;
}) {
  const fmt = useFormat();
  const inG = (id: string) =>
    state.added
      .filter((a) => a.why === 'taste')
      .flatMap((a) => a.portions)
      .filter((p) => p.ingredientId === id)
      .reduce((s, p) => s + p.grams, 0);
  return (
    <View className="gap-2" testID="taste">
      {step.portions.map(({ ingredient, grams }) => (
        <View key={ingredient.id} className="gap-1 rounded-plate border-edge border-ink bg-plate p-3">
          <Type kind="strong">
            {t('potRoom.inOfHeldBack', {
              ingredientName: ingredient.name,
              id: fmt.grams(inG(ingredient.id)),
              value: fmt.grams(grams),
            })}
          </Type>
          <View className="flex-row gap-2">
            {SHARES.map((share) => {
              const g = Math.max(0.5, Math.round(grams * share * 2) / 2);
              return (
                <Key
                  key={share}
                  size="amount"
                  className="flex-1"
                  label={`+ ${fmt.grams(g)}`}
                  spoken={t('potRoom.in', { g: fmt.grams(g), ingredientName: ingredient.name })}
                  onPress={() =>
                    onAdd({
                      kind: 'added',
                      portions: [{ ingredientId: ingredient.id, grams: g }],
                      tempC: ROOM_C,
                      how: 'stirred in',
                      why: 'taste',
                    })
                  }
                />
              );
            })}
          </View>
        </View>
      ))}
    </View>
  );
}

/** What was counted in, out again one by one. */
export function CountOut({
  step,
  state,
  onAdd,
}: {
  step: Step;
  state: CookState;
  onAdd: (...events: NewEvent[]) => void;
}) {
  const fmt = useFormat();
  return (
    <View className="gap-2" testID="count-out">
      {step.portions.map(({ ingredient, grams }) => {
        const out = state.counted[ingredient.id] === true;
        return (
          <Key
            key={ingredient.id}
            size="live"
            role="checkbox"
            selected={out}
            label={`${ingredient.name}, ${fmt.grams(grams)}: ${out ? t('potRoom.out') : t('potRoom.stillIn')}`}
            onPress={() => onAdd({ kind: 'counted', item: ingredient.id, out: !out })}
          />
        );
      })}
    </View>
  );
}

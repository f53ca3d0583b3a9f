import { useState } from 'react';
import { View } from 'react-native';
import { lookUp } from '../../core/plan/stages';
import { type Plan } from '../../core/plan/plan';
import { SET_WORDS, type SetWord } from '../../core/texture/words';
import { pantryWith } from '../../core/pantry/pantry';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { useAsk } from '../shared/useAsk';
import { SET_SAYS } from './words';

/** Choose the word, free some thickeners, get amounts; or what would make it possible. */
export function SolveForm({ plan, onTake }: { plan: Plan; onTake: (next: Plan) => void }) {
  const { fmt, tell } = useApp();
  const pantry = pantryWith(plan.own);
  const thickeners = plan.items.filter((i) => {
    const x = lookUp(pantry, plan, i.ingredientId);
    return x.group === 'thickener' || x.group === 'egg' || x.group === 'nut';
  });
  const [word, setWord] = useState<SetWord>(plan.serve.word);
  const [hot, setHot] = useState<SetWord | 'any'>('any');
  const [free, setFree] = useState<string[]>(thickeners.slice(0, 1).map((i) => i.ingredientId));
  const ask = {
    word,
    free: free.map((ingredientId) => ({ ingredientId })),
    ...(hot === 'any' ? {} : { hotWord: hot }),
  };
  const wanted = { ...plan, serve: { ...plan.serve, word } };
  const { data, isFetching } = useAsk('solveFor', [wanted, ask, fmt.settings.spoons], {
    enabled: free.length > 0,
    keep: true,
  });
  const answer = free.length > 0 ? data?.answer : undefined;
  const name = (id: string) => lookUp(pantry, plan, id).name;
  return (
    <>
      <Choices
        label="On the table"
        value={word}
        options={SET_WORDS.map((w) => ({ value: w, label: w }))}
        onChoose={setWord}
      />
      <Type tone="quiet">{SET_SAYS[word]}</Type>
      {thickeners.length > 1 ? (
        <Choices
          label="In the pot"
          value={hot}
          options={[
            { value: 'any' as const, label: 'as it comes' },
            ...SET_WORDS.slice(0, 5).map((w) => ({ value: w, label: w })),
          ]}
          onChoose={setHot}
        />
      ) : null}
      <View className="gap-2">
        <Type kind="strong">May move</Type>
        <View className="flex-row flex-wrap gap-2">
          {thickeners.map((i) => (
            <Key
              key={i.ingredientId}
              label={name(i.ingredientId)}
              role="checkbox"
              selected={free.includes(i.ingredientId)}
              onPress={() =>
                setFree(
                  free.includes(i.ingredientId) ? free.filter((f) => f !== i.ingredientId) : [...free, i.ingredientId],
                )
              }
            />
          ))}
        </View>
      </View>
      {free.length === 0 ? <Notice text="Something has to be free to move. Tap a thickener." /> : null}
      {answer?.ok ? (
        <View testID="solved" className={isFetching ? 'gap-2 opacity-60' : 'gap-2'} aria-live="polite">
          {answer.amounts.map((a) => (
            <View key={a.ingredientId} className="flex-row flex-wrap items-baseline justify-between gap-x-3">
              <Type kind="strong">{name(a.ingredientId)}</Type>
              <View className="shrink items-end">
                <Type kind="amount">{fmt.grams(a.grams)}</Type>
                <Type kind="small" tone="quiet">{`${fmt.spoons(a.spoons)}, level`}</Type>
              </View>
            </View>
          ))}
          <Type kind="small" tone="quiet">
            {Math.abs(answer.spoonStressRatio - 1) < 0.02
              ? 'In level spoons it sets the same.'
              : `In level spoons it is ${Math.round(Math.abs(answer.spoonStressRatio - 1) * 100)} % ${answer.spoonStressRatio > 1 ? 'firmer' : 'softer'}.`}
          </Type>
          <Key
            kind="yolk"
            size="act"
            label="Take these amounts"
            disabled={isFetching}
            onPress={() =>
              onTake({
                ...answer.plan,
                items: answer.plan.items.map((i) => ({ ...i, grams: Math.round(i.grams * 2) / 2 })),
              })
            }
          />
        </View>
      ) : answer ? (
        <View testID="unsolved" className="gap-2">
          <Notice text={tell(answer.why)} />
          {data?.help.length ? <Type kind="strong">What would make it possible</Type> : null}
          {data?.help.map((h) => (
            <Key key={tell(h.says)} label={tell(h.says)} size="amount" left onPress={() => onTake(h.plan)} />
          ))}
        </View>
      ) : free.length ? (
        <Type tone="quiet">Working it out</Type>
      ) : null}
    </>
  );
}

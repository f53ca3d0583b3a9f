import { useState } from 'react';
import { View } from 'react-native';
import { lookUp } from '../../core/plan/bowls';
import { type Plan } from '../../core/plan/plan';
import { SET_WORDS, type SetWord } from '../../core/texture/words';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { useAsk } from '../shared/useAsk';
import { SET_SAYS } from './words';
import { t } from '../../words';

/** Choose the word, free some thickeners, get amounts; or what would make it possible. */
export function SolveForm({ plan, onTake }: { plan: Plan; onTake: (next: Plan) => void }) {
  const { fmt, tell } = useApp();
  const thickeners = plan.things.filter((i) => {
    const x = lookUp(plan, i.ingredientId);
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
  const name = (id: string) => lookUp(plan, id).name;
  return (
    <>
      <Choices
        label={t('planRoom.onTheTable')}
        value={word}
        options={SET_WORDS.map((w) => ({ value: w, label: t(`word.${w}`) }))}
        onChoose={setWord}
      />
      <Type tone="quiet">{t(SET_SAYS[word])}</Type>
      {thickeners.length > 1 ? (
        <Choices
          label={t('planRoom.inThePot')}
          value={hot}
          options={[
            { value: 'any' as const, label: t('planRoom.asItComes') },
            ...SET_WORDS.slice(0, 5).map((w) => ({ value: w, label: t(`word.${w}`) })),
          ]}
          onChoose={setHot}
        />
      ) : null}
      <View className="gap-2">
        <Type kind="strong">{t('planRoom.mayMove')}</Type>
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
      {free.length === 0 ? <Notice text={t('planRoom.somethingHasToBeFree')} /> : null}
      {answer?.ok ? (
        <View testID="solved" className={isFetching ? 'gap-2 opacity-60' : 'gap-2'} aria-live="polite">
          {answer.amounts.map((a) => (
            <View key={a.ingredientId} className="flex-row flex-wrap items-baseline justify-between gap-x-3">
              <Type kind="strong">{name(a.ingredientId)}</Type>
              <View className="shrink items-end">
                <Type kind="amount">{fmt.grams(a.grams)}</Type>
                <Type kind="small" tone="quiet">
                  {t('measure.level', { spoons: fmt.spoons(a.spoons) })}
                </Type>
              </View>
            </View>
          ))}
          <Type kind="small" tone="quiet">
            {Math.abs(answer.spoonStressRatio - 1) < 0.02
              ? t('planRoom.inLevelSpoonsItSets')
              : t('planRoom.inLevelSpoonsItIs', {
                  spoonStressRatio: Math.round(Math.abs(answer.spoonStressRatio - 1) * 100),
                  softer: answer.spoonStressRatio > 1 ? t('planRoom.firmer') : t('planRoom.softer'),
                })}
          </Type>
          <Key
            kind="yolk"
            size="act"
            label={t('planRoom.takeTheseAmounts')}
            disabled={isFetching}
            onPress={() =>
              onTake({
                ...answer.plan,
                things: answer.plan.things.map((i) => ({ ...i, grams: Math.round(i.grams * 2) / 2 })),
              })
            }
          />
        </View>
      ) : answer ? (
        <View testID="unsolved" className="gap-2">
          <Notice text={tell(answer.why)} />
          {data?.help.length ? <Type kind="strong">{t('planRoom.whatWouldMakeItPossible')}</Type> : null}
          {data?.help.map((h) => (
            <Key key={tell(h.says)} label={tell(h.says)} size="amount" left onPress={() => onTake(h.plan)} />
          ))}
        </View>
      ) : free.length ? (
        <Type tone="quiet">{t('planRoom.workingItOut')}</Type>
      ) : null}
    </>
  );
}

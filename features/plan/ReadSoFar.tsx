import { View } from 'react-native';
import { PANTRY, pantryWith } from '../../core/pantry/pantry';
import { besideOf } from '../../core/recipe/beside';
import type { ReadOptions } from '../../core/recipe/lines';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { useAsk } from '../shared/useAsk';
import { useSettled } from '../shared/useSettled';
import { Sentence } from './SentencesPart';

/** ms without a letter after which it is read, and letters from which there is something to read */
const STILL_MS = 250;
const LEAST_LETTERS = 12;
/** sentences shown: those that were written last */
const LAST = 3;

/** What is understood of a recipe while it is typed: its things, and of the last sentences what was taken from them. */
export function ReadSoFar({
  text,
  own,
  options,
}: {
  text: string;
  own: readonly (typeof PANTRY)[number][];
  options: ReadOptions;
}) {
  const { fmt } = useApp();
  const still = useSettled(text.trim().length >= LEAST_LETTERS, text, STILL_MS);
  const read = useAsk('read', [text, [...own], options], { enabled: still, keep: true });
  if (text.trim().length < LEAST_LETTERS || !read.data?.ok) return null;
  const { reading } = read.data;
  const pantry = pantryWith(own);
  const known = reading.lines.filter((l) => l.ingredientId !== undefined && l.state !== 'open');
  const open = reading.lines.filter((l) => l.state === 'open');
  const things = known.map((l) =>
    [l.grams ? fmt.grams(l.grams) : '', pantry.get(l.ingredientId!)?.name ?? ''].filter(Boolean).join(' '),
  );
  return (
    <View className="gap-1" testID="read-so-far" aria-live="polite">
      <Type kind="strong">
        {t('planRoom.readSoFar', { count: reading.lines.length, sentences: reading.sentences.length })}
      </Type>
      {things.length ? <Type>{things.join(', ')}</Type> : null}
      {open.length ? (
        <Type tone="scorch">{t('planRoom.notUnderstoodYet', { list: open.map((l) => l.text).join(', ') })}</Type>
      ) : null}
      {besideOf(reading)
        .slice(-LAST)
        .map((b, i) => (
          <Sentence key={i} beside={b} pantry={pantry} />
        ))}
    </View>
  );
}

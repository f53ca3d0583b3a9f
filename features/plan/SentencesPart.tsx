import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useState } from 'react';
import { View } from 'react-native';
import type { Pantry } from '../../core/pantry/pantry';
import { besideOf, type Beside } from '../../core/recipe/beside';
import type { Heat } from '../../core/recipe/language/account';
import type { Reading } from '../../core/recipe/read';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t, type Code } from '../../words';
import { useApp } from '../shared/App';

const FIRE: Partial<Record<Heat['until'], Code>> = {
  boil: 'planRoom.fireUntil.boil',
  simmer: 'planRoom.fireUntil.simmer',
  steam: 'planRoom.fireUntil.steam',
  soft: 'planRoom.fireUntil.soft',
  thick: 'planRoom.fireUntil.thick',
  coats: 'planRoom.fireUntil.coats',
  gone: 'planRoom.fireUntil.gone',
  dissolved: 'planRoom.fireUntil.dissolved',
  melted: 'planRoom.fireUntil.dissolved',
  reduced: 'planRoom.fireUntil.reduced',
  temp: 'planRoom.fireUntil.temp',
};
const PLACES = ['bowl', 'pot', 'side', 'top'] as const;

/** The sentences of a recipe, and under each what was taken from it; what was left out can be taken in. */
export function SentencesPart({
  reading,
  pantry,
  onTakeIn,
}: {
  reading: Reading;
  pantry: Pantry;
  onTakeIn: (line: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const left = reading.leftOut.length;
  return (
    <View className="gap-2 px-3 pb-4 wide:px-6">
      <Type kind="title" level={2}>
        {t('planRoom.asItWasWritten')}
      </Type>
      {besideOf(reading).map((b, i) => (
        <Sentence key={i} beside={b} pantry={pantry} />
      ))}
      {left ? (
        <View className="gap-1" testID="left-out">
          <Key
            label={t('planRoom.linesLeftOut', { count: left })}
            icon={open ? ChevronUp : ChevronDown}
            kind="quiet"
            className="self-start"
            selected={open}
            role="checkbox"
            onPress={() => setOpen(!open)}
          />
          {open
            ? reading.leftOut.map((line, i) => (
                <View
                  key={i}
                  className="flex-row flex-wrap items-center justify-between gap-2 border-b-hair border-line"
                >
                  <Type tone="quiet" className="shrink">
                    {line}
                  </Type>
                  <Key label={t('planRoom.takeIn')} onPress={() => onTakeIn(line)} />
                </View>
              ))
            : null}
        </View>
      ) : null}
    </View>
  );
}

/** A sentence, and under it what was taken from it. */
export function Sentence({ beside, pantry }: { beside: Beside; pantry: Pantry }) {
  const { fmt } = useApp();
  const timed = (what: string, min: number | undefined) =>
    min === undefined ? what : t('planRoom.forMinutes', { what, min: Math.round(10 * min) / 10 });
  const name = ({ ingredientId, grams }: Beside['goesIn'][number]) =>
    [grams === undefined ? '' : fmt.grams(grams), pantry.get(ingredientId)?.name ?? ''].filter(Boolean).join(' ');
  const taken = [
    ...PLACES.flatMap((place) => {
      const here = beside.goesIn.filter((g) => g.place === place && pantry.has(g.ingredientId));
      return here.length ? [t(`planRoom.goesIn.${place}`, { list: here.map(name).join(', ') })] : [];
    }),
    ...beside.pours
      .filter((p) => p.from !== p.into)
      .map((p) => t(p.part ? 'planRoom.poured.some' : `planRoom.poured.${p.into}`)),
    ...(beside.out.length
      ? [t('planRoom.comesOut', { list: beside.out.map((id) => pantry.get(id)?.name ?? '').join(', ') })]
      : []),
    ...beside.heats.map((h) => timed(t(FIRE[h.until] ?? 'planRoom.fireUntil.time'), h.min)),
    ...beside.bakes.map((b) => timed(t('planRoom.inOven', { temp: fmt.temp(b.tempC!) }), b.min)),
    ...beside.rests.map((r) => timed(t(`planRoom.stands.${r.where}`), r.min)),
  ];
  return (
    <View className="border-b-hair border-line pb-1" testID="sentence">
      <Type>{beside.text}</Type>
      {taken.length || !beside.heard ? (
        <Type kind="small" tone="quiet">
          {taken.length ? t('planRoom.understood', { what: taken.join('; ') }) : t('planRoom.nothingTaken')}
        </Type>
      ) : null}
    </View>
  );
}

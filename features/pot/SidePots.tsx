import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Cook } from '../../core/cook/events';
import type { CookState } from '../../core/cook/fold';
import type { SideAnswer } from '../../core/sides/sides';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import type { NewEvent } from '../shared/useCook';
import { useWakeAt } from '../shared/useNow';
import { type Ways } from '../../devices/signals';
import { t } from '../../words';
import { pantryOf } from '../../core/plan/bowls';
import { preparationsOf } from '../../core/plan/layout';
import { useKitchen } from '../shared/kitchen';

/** The pots beside this pot, each one tap away: what to weigh, what to do in order, and a clock that calls. */
export function SidePots({
  cook,
  state,
  now,
  ways,
  onAdd,
}: {
  cook: Cook;
  state: CookState;
  now: number;
  ways: Ways;
  onAdd: (...events: NewEvent[]) => void;
}) {
  const { ask, sound } = useKitchen();
  const tell = useTell();
  const fmt = useFormat();
  const [openId, setOpenId] = useState<string | undefined>();
  const { plan } = cook;
  const beside = [
    ...plan.vessels.map(({ id, name }) => ({ id, name })),
    ...preparationsOf(plan).map(({ id, kind }) => ({ id, name: t(`sideKind.${kind}`) })),
  ];
  const { data } = useQuery({
    queryKey: ['sides', cook.id],
    queryFn: ({ signal }) => ask('sides', [cook.plan], signal),
    enabled: beside.length > 0,
    staleTime: Infinity,
  });
  const left = (a: SideAnswer) => {
    const s = state.sides[a.id];
    return s && Number.isNaN(s.doneMs) ? a.minutes * 60 - (now - s.startedMs) / 1000 : NaN;
  };
  useWakeAt(
    (data ?? []).flatMap((a) => {
      const s = state.sides[a.id];
      return s && Number.isNaN(s.doneMs) ? [s.startedMs + a.minutes * 60_000] : [];
    }),
  );
  const due = data?.find((a) => left(a) <= 0);
  const rung = useRef('');
  useEffect(() => {
    if (!due || rung.current === due.id) return;
    rung.current = due.id;
    sound.call(ways, t('potRoom.theIsDue', { kind: tell(due.name) }), false);
  }, [due, ways, sound, tell]);
  // its place is there before its minutes are: a row that came late would move the one under a thumb
  if (!beside.length) return null;
  const open = data?.find((a) => a.id === openId);
  const pantry = pantryOf(cook.plan);
  const status = (a: SideAnswer) => {
    const s = state.sides[a.id];
    if (!s) return t('potRoom.min2', { minutes: Math.round(a.minutes) });
    if (!Number.isNaN(s.doneMs)) return t('potRoom.done3');
    return left(a) > 0 ? fmt.countdown(left(a)) : t('potRoom.due');
  };
  return (
    <View className="flex-row flex-wrap gap-2 border-b-hair border-line px-3 py-1 wide:px-6" testID="side-pots">
      {beside.map(({ id, name }) => {
        const a = data?.find((x) => x.id === id);
        return (
          <Key
            key={id}
            label={t('potRoom.beside', { kind: name, status: a ? `, ${status(a)}` : '' })}
            kind={a && status(a) === 'due' ? 'harm' : 'plain'}
            onPress={() => setOpenId(id)}
          />
        );
      })}
      <Sheet
        open={open !== undefined}
        title={open ? t('potRoom.beside2', { kind: tell(open.name) }) : ''}
        onClose={() => setOpenId(undefined)}
      >
        {open ? (
          <>
            {/* the list of a pot begins with what goes into it */}
            {open.kind === 'pot' ? null : (
              <Type kind="strong">
                {open.uses
                  .map((u) => `${fmt.grams(u.grams)} ${pantry.get(u.ingredientId)?.name ?? u.ingredientId}`)
                  .join(', ')}
              </Type>
            )}
            {open.does.map((line, i) => (
              <View key={`${i}${line.code}`} className="flex-row gap-3">
                <Type kind="title">{i + 1}</Type>
                <Type className="min-w-0 flex-1">{tell(line)}</Type>
              </View>
            ))}
            <Type>{tell(open.notice)}</Type>
            {open.caution ? <Notice text={tell(open.caution)} /> : null}
            <Type kind="number" role="timer">
              {status(open)}
            </Type>
            {state.sides[open.id] === undefined ? (
              <Key
                size="act"
                kind="ink"
                label={t('potRoom.itIsOn2')}
                onPress={() => onAdd({ kind: 'side', side: open.id, done: false })}
              />
            ) : Number.isNaN(state.sides[open.id]!.doneMs) ? (
              <Key
                size="act"
                kind="ink"
                label={t('potRoom.itIsDone')}
                onPress={() => onAdd({ kind: 'side', side: open.id, done: true })}
              />
            ) : (
              <Type tone="quiet">{t('potRoom.doneAt', { doneMs: fmt.time(state.sides[open.id]!.doneMs) })}</Type>
            )}
          </>
        ) : null}
      </Sheet>
    </View>
  );
}

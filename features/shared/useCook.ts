import { useMemo } from 'react';
import type { Cook, CookEvent } from '../../core/cook/events';
import { countingEvents } from '../../core/cook/counting';
import { foldCook, type CookState } from '../../core/cook/fold';
import { changesOf, stepsOf, type Step } from '../../core/cook/steps';
import { useCollection, useCookEvents, useOne } from './stored';
import { useForecast } from './useForecast';
import { newId, nowIso } from './ids';

export type NewEvent = CookEvent extends infer E ? (E extends CookEvent ? Omit<E, 'id' | 'at'> : never) : never;

/**
 * The cook that a room is about: the one its address asks for and no other, else the one last looked at, else the
 * newest that is still going.
 */
function pickCook(cooks: readonly Cook[], asked: string | undefined, last: string | undefined) {
  if (asked !== undefined) return cooks.find((c) => c.id === asked);
  const before = cooks.find((c) => c.id === last);
  if (before) return before;
  const started = (c: Cook) => Date.parse(c.events[0]?.at ?? '') || 0;
  return cooks.filter((c) => !c.batchId && c.events.length > 0).sort((a, b) => started(b) - started(a))[0];
}

/** A cook with its plan's forecast, its steps, its state, and the way to add to it. */
export function useCook(asked: string | undefined, last: string | undefined) {
  const cooks = useCollection('cooks');
  const append = useCookEvents();
  // one that is not of these days is read when it is asked for
  const one = useOne('cooks', asked ?? last);
  const cook = pickCook(cooks.data ?? [], asked, last);
  const { forecast } = useForecast(cook?.plan);
  const steps: Step[] = useMemo(
    () => (cook ? stepsOf(cook.plan, forecast ?? { phases: [] }, changesOf(cook)) : []),
    [cook, forecast],
  );
  const state: CookState | undefined = useMemo(() => (cook ? foldCook(cook, steps) : undefined), [cook, steps]);
  const addAt = (at: string, ...events: NewEvent[]) => {
    if (!cook) return;
    append(
      cook.id,
      events.map((e) => ({ ...e, id: newId('e'), at }) as CookEvent),
    );
  };
  const add = (...events: NewEvent[]) => addAt(nowIso(), ...events);
  const lastUndoable = cook
    ? countingEvents(cook)
        // what a device reads by itself is not what a cook means by "undo"
        .filter((e) => e.kind !== 'started' && e.kind !== 'device' && e.kind !== 'clock' && !('by' in e && e.by))
        .at(-1)
    : undefined;
  return {
    loaded: one.loaded,
    cooks: cooks.data ?? [],
    cook,
    steps,
    state,
    forecast,
    add,
    /** of another moment than now: what is told afterwards */
    addAt,
    lastUndoable,
    undo: () => lastUndoable && add({ kind: 'undone', target: lastUndoable.id }),
  };
}

import type { Cook, CookEvent } from './events';

/**
 * Events that count, in time order: undone ones and undoings taken out, an undone undoing put back. Late-noted and moved
 * events fall into their own time.
 */
export function countingEvents(cook: Pick<Cook, 'events'>): CookEvent[] {
  const undone = new Set<string>();
  // the last word counts: an undoing that was itself undone does nothing
  for (const e of cook.events.toReversed()) if (e.kind === 'undone' && !undone.has(e.id)) undone.add(e.target);
  const moved = new Map(
    cook.events.flatMap((e) => (e.kind === 'moved' && !undone.has(e.id) ? [[e.target, e.to] as const] : [])),
  );
  // what was noted before a change of the clock is told in the new time
  let later = 0;
  const shift = new Map<string, number>();
  for (const e of cook.events.toReversed()) {
    if (later !== 0) shift.set(e.id, later);
    if (e.kind === 'clock' && !undone.has(e.id)) later += e.byMs;
  }
  return cook.events
    .filter((e) => e.kind !== 'undone' && e.kind !== 'moved' && !undone.has(e.id))
    .map((e) => (moved.has(e.id) ? { ...e, at: moved.get(e.id)! } : e))
    .map((e) => (shift.has(e.id) ? { ...e, at: new Date(Date.parse(e.at) + shift.get(e.id)!).toISOString() } : e))
    .map((event, order) => ({ event, order, ms: Date.parse(event.at) }))
    .sort((a, b) => a.ms - b.ms || a.order - b.order)
    .map(({ event }) => event);
}

import { useEffect, useEffectEvent, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { keepLightly, local } from '../../storage/local';
import { useKitchen } from './kitchen';
import { useMounted } from './useNow';
import { useWays } from './useWays';

/** Calls of dishes that stand: the Set room says when, any room that is open rings, also after a reload. */

/** A moment at which a dish calls; once it has, it does not again. */
const CallSchema = z.object({ of: z.string(), id: z.string(), atMs: z.number(), says: z.string(), rung: z.boolean() });
type Call = z.infer<typeof CallSchema>;
export type StandingMoment = { id: string; atMs: number; says: string };

/** Passed longer ago than this it is no call any more. */
const STALE_MS = 5 * 60_000;
const EVERY_MS = 15_000;
const MOST = 60;
const AFTER_MS = 20;

const keyOf = (kitchen: string | undefined) => `ovalis-standing ${kitchen ?? ''}`;
const listeners = new Set<() => void>();
/** What this page has rung. */
const rungHere = new Set<string>();

function read(key: string): Call[] {
  try {
    return z.array(CallSchema).parse(JSON.parse(local().getItem(key) ?? '[]'));
  } catch {
    return [];
  }
}
function write(key: string, calls: readonly Call[]) {
  keepLightly(key, JSON.stringify(calls.slice(-MOST)));
  listeners.forEach((tell) => tell());
}

/** Says when this dish calls; what it said before does not count any more, but what has rung has. */
export function useStandingMoments(of: string, moments: readonly StandingMoment[]) {
  const { which } = useKitchen();
  const key = keyOf(which());
  const told = JSON.stringify(moments.filter((m) => Number.isFinite(m.atMs)));
  useEffect(() => {
    const was = read(key);
    const rung = new Set(was.filter((c) => c.of === of && c.rung).map((c) => c.id));
    const mine = (JSON.parse(told) as StandingMoment[]).map((m) => ({ ...m, of, rung: rung.has(m.id) }));
    write(key, [...was.filter((c) => c.of !== of), ...mine]);
  }, [key, of, told]);
}

/** Rings what is due, in every room. */
export function StandingCalls() {
  useRinging(useWays());
  return null;
}

/** The same, by these ways. */
export function useRinging(ways: ReturnType<typeof useWays>) {
  const { which, sound, clock } = useKitchen();
  const mounted = useMounted();
  const key = keyOf(mounted ? which() : undefined);
  const text = useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => local().getItem(key),
    () => null,
  );
  const ring = useEffectEvent(() => {
    const at = clock();
    const calls = read(key);
    const due = calls.filter((c) => !c.rung && c.atMs <= at);
    if (!due.length) return;
    write(
      key,
      calls.map((c) => (due.includes(c) ? { ...c, rung: true } : c)),
    );
    // of several at once the last is called
    const last = due.filter((c) => at - c.atMs < STALE_MS).at(-1);
    const name = last && `${last.of} ${last.id} ${last.atMs}`;
    // a disk that is full does not make it ring again
    if (!last || !name || rungHere.has(name)) return;
    rungHere.add(name);
    sound.call(ways, last.says, false, last.of);
  });
  useEffect(() => {
    const waiting = (text ? read(key) : []).filter((c) => !c.rung);
    if (!waiting.length) return undefined;
    const nextMs = Math.min(...waiting.map((c) => c.atMs));
    let timer: ReturnType<typeof setTimeout>;
    // looked at now and then besides: a machine that slept wakes late
    const look = () => {
      ring();
      const inMs = nextMs - clock();
      timer = setTimeout(look, inMs > 0 ? Math.min(EVERY_MS, inMs + AFTER_MS) : EVERY_MS);
    };
    timer = setTimeout(look, 0);
    return () => clearTimeout(timer);
  }, [key, text, clock]);
}

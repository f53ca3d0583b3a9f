import { format } from 'date-fns/format';
import { isSameDay } from 'date-fns/isSameDay';
import { parseISO } from 'date-fns/parseISO';
import { setHours } from 'date-fns/setHours';
import { useState } from 'react';
import { newDay, type Day } from '../../core/day/record';
import { rebase, type Numbers } from '../../core/records/change';
import type { Plan } from '../../core/plan/plan';
import { useCollection, useEdit, useSettings } from '../shared/stored';
import { useAsk } from '../shared/useAsk';

/** The day of the cook's calendar. */
export const dayIdOf = (ms: number) => format(ms, 'yyyy-MM-dd');
/** The kitchen opens at eight unless the cook says otherwise. */
const OPENS_H = 8;

/** The day that is asked for, else that of the plan at hand, else the next one that has a meal, else today. */
export function pickDay(plans: readonly Plan[], asked: string | undefined, planId: string | undefined, nowMs: number) {
  if (asked !== undefined && /^\d{4}-\d{2}-\d{2}$/.test(asked)) return asked;
  const at = (p: Plan) => Date.parse(p.serve.at);
  const plan = plans.find((p) => p.id === planId);
  const next = plans.filter((p) => at(p) > nowMs - 3_600_000).sort((a, b) => at(a) - at(b))[0];
  const found = plan && at(plan) > nowMs - 12 * 3_600_000 ? plan : (next ?? plan);
  return dayIdOf(found ? at(found) : nowMs);
}

/** Letters of the dishes, one each: the first of the name that is still free. */
export function lettersOf(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const letter = [...name.toUpperCase(), ...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find(
      (c) => /[\p{L}\d]/u.test(c) && !taken.has(c),
    );
    taken.add(letter ?? '?');
    return letter ?? '?';
  });
}

const NO_TICKS: { planId: string; item: string; at: string }[] = [];

/** A day with its dishes and its timetable from the worker; a pin under a thumb is tried before it is kept. */
export function useDay(asked: string | undefined, planId: string | undefined, nowMs: number) {
  const plans = useCollection('plans');
  const days = useCollection('days');
  const cooks = useCollection('cooks');
  const preps = useCollection('preps');
  const save = useEdit('days');
  const { settings } = useSettings();
  const [draft, setDraft] = useState<{ task: string; at: string } | undefined>();
  const kept = (plans.data ?? []).filter((p) => !p.archived);
  const id = pickDay(kept, asked, planId, nowMs);
  const known = days.data?.find((d) => d.id === id);
  const newest = [...(days.data ?? [])].sort((a, b) => b.id.localeCompare(a.id))[0];
  const stored: Day | undefined =
    id === undefined ? undefined : (known ?? newDay(id, setHours(parseISO(id), OPENS_H).toISOString(), newest));
  const all = kept.filter((p) => id !== undefined && isSameDay(Date.parse(p.serve.at), parseISO(id)));
  const dishes = all.filter((p) => !stored?.leftOut.includes(p.id));
  const day: Day | undefined =
    stored && draft ? { ...stored, pins: [...stored.pins.filter((p) => p.task !== draft.task), draft] } : stored;
  const ticks = (preps.data ?? []).flatMap((p) => p.ticks.map((t) => ({ planId: p.id, item: t.item, at: t.at })));
  const ask = day && {
    day: { ...day, have: [] },
    plans: dishes,
    cooks: (cooks.data ?? []).filter((c) => dishes.some((p) => p.id === c.plan.id)),
    ticks: ticks.length ? ticks : NO_TICKS,
    machines: settings?.machines ?? [],
  };
  const ready =
    ask !== undefined &&
    plans.isSuccess &&
    days.isSuccess &&
    cooks.isSuccess &&
    preps.isSuccess &&
    settings !== undefined;
  const answer = useAsk('day', [ask!, draft !== undefined], { enabled: ready && dishes.length > 0, keep: true });
  return {
    loaded: plans.isSuccess && days.isSuccess,
    day: stored,
    /** the day is stored: something was set up on it */
    kept: known !== undefined,
    all,
    dishes,
    ask: ready ? ask : undefined,
    answer: dishes.length ? answer.data : undefined,
    working: dishes.length > 0 && (answer.isPlaceholderData || answer.isPending),
    error: answer.error,
    draft,
    setDraft,
    /** what was made of the day as it is shown */
    change: (next: Day, numbers: Numbers = 'set') =>
      stored && save.mutate({ id: next.id, from: stored, edit: (now) => rebase(stored, next, now ?? stored), numbers }),
    /** from what the day is at that moment: quick thumbs count twice */
    edit: (make: (now: Day) => Day) =>
      stored && save.mutate({ id: stored.id, from: stored, edit: (now) => make(now ?? stored) }),
  };
}

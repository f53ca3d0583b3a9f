import { useState } from 'react';
import { nextAct, type Act } from '../../core/day/acts';
import type { Day } from '../../core/day/record';
import type { Plan } from '../../core/plan/plan';
import { useSave } from '../shared/stored';
import { useApp } from '../shared/App';
import { nowIso } from '../shared/ids';
import { share } from '../shared/share';
import { lettersOf, useDay } from './useDay';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

const MINUTE = 60_000;

/** What is laid out, and what can be done to it. */
export function useLaidDay(d: ReturnType<typeof useDay>, day: Day, now: number) {
  const { ask, clock } = useKitchen();
  const { fmt, tell } = useApp();
  const savePlan = useSave('plans');
  const [open, setOpen] = useState<string | undefined>();
  const [kitchen, setKitchen] = useState(false);
  const [mending, setMending] = useState(false);
  const [refused, setRefused] = useState<{ act: Act; wantMs: number; day?: Day; atMs?: number } | undefined>();
  const [undo, setUndo] = useState<{ text: string; day: Day; plans?: Plan[] } | undefined>();
  const [failed, setFailed] = useState<string | undefined>();
  const { answer } = d;
  const { table } = answer ?? {};
  const acts = answer?.acts ?? [];
  const letters = lettersOf(d.all.map((p) => p.name));
  const looks = new Map(d.all.map((p, i) => [p.id, { letter: letters[i]!, tint: i }]));
  const next = nextAct(acts);
  const opened = acts.find((a) => a.id === open);
  const overdue = acts.filter((a) => a.hands && a.state === 'to do' && a.latestMs < now - MINUTE);
  const late = overdue.length > 0 && table?.ok;
  const lastMs = Math.max(...d.dishes.map((p) => Date.parse(p.serve.at)));
  const eaters = Math.max(...d.dishes.map((p) => p.people));
  const change = (next: Day, text: string, plansBefore?: Plan[]) => {
    setUndo({ text, day, ...(plansBefore ? { plans: plansBefore } : {}) });
    setRefused(undefined);
    d.setDraft(undefined);
    d.change(next);
  };

  const drop = (act: Act, wantMs: number) => {
    if (!d.ask) return;
    const base = { ...d.ask, day: { ...day, have: [] } };
    void ask('place', [base, act.id, wantMs])
      .then((found) => {
        d.setDraft(undefined);
        if (found?.exact)
          change(
            { ...found.day, have: day.have },
            t('dayRoom.at', { dish: act.dish, verb: tell(act.verb), atMs: fmt.time(found.atMs) }),
          );
        else setRefused({ act, wantMs, ...(found ? { day: { ...found.day, have: day.have }, atMs: found.atMs } : {}) });
      })
      .catch((e: Error) => {
        d.setDraft(undefined);
        setFailed(e.message);
      });
  };
  const exportIcs = () => {
    if (!d.ask) return;
    void ask('calendar', [d.ask, clock(), fmt.settings])
      .then((text) =>
        share({
          title: t('dayRoom.theDayInTheKitchen'),
          text,
          name: `ovalis-${day.id}.ics`,
          type: 'text/calendar',
          asFile: true,
        }),
      )
      .catch((e: Error) => setFailed(e.message));
  };
  const planFromNow = () =>
    change(
      { ...day, replannedAt: nowIso(), pins: day.pins.filter((p) => Date.parse(p.at) > now) },
      t('dayRoom.plannedFromNow'),
    );
  return {
    ...{ d, day, now, answer, table, acts, looks, next, opened, overdue, late, lastMs, eaters },
    ...{ setOpen, kitchen, setKitchen, mending, setMending, refused, setRefused, undo, setUndo, failed },
    ...{ change, drop, exportIcs, planFromNow, savePlan },
  };
}
export type Laid = { v: ReturnType<typeof useLaidDay> };

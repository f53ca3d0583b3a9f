import { parseISO } from 'date-fns/parseISO';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarPlus from 'lucide-react-native/icons/calendar-plus';
import Clock from 'lucide-react-native/icons/clock';
import Printer from 'lucide-react-native/icons/printer';
import Settings2 from 'lucide-react-native/icons/settings-2';
import ShoppingBasket from 'lucide-react-native/icons/shopping-basket';
import { useState } from 'react';
import { View } from 'react-native';
import { nextAct, type Act } from '../../core/day/acts';
import type { Day } from '../../core/day/record';
import type { Plan } from '../../core/plan/plan';
import { useSave } from '../shared/stored';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { UndoBar } from '../../ui/UndoBar';
import { useApp } from '../shared/App';
import { nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { saveFile } from '../shared/saveFile';
import { useMounted, useNow } from '../shared/useNow';
import { ActSheet } from './ActSheet';
import { ChangesSheet } from './ChangesSheet';
import { KitchenSheet } from './KitchenSheet';
import { Lanes } from './Lanes';
import { dayIdOf, lettersOf, useDay } from './useDay';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

const MINUTE = 60_000;
const COUNTED = [
  'dayRoom.noDish',
  'dayRoom.oneDish',
  'dayRoom.twoDishes',
  'dayRoom.threeDishes',
  'dayRoom.fourDishes',
  'dayRoom.fiveDishes',
  'dayRoom.sixDishes',
] as const;
const dishesWord = (n: number) => {
  const counted = COUNTED[n];
  return counted ? t(counted) : t('dayRoom.manyDishes', { n });
};

/** What is laid out, and what can be done to it. */
function useLaidDay(d: ReturnType<typeof useDay>, day: Day, now: number) {
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
      .then(async (text) => {
        const name = `ovalis-${day.id}.ics`;
        const file = new File([text], name, { type: 'text/calendar' });
        const data = { files: [file], title: t('dayRoom.theDayInTheKitchen') };
        if (navigator.canShare?.(data)) await navigator.share(data).catch(() => saveFile(name, text, 'text/calendar'));
        else saveFile(name, text, 'text/calendar');
      })
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
type Laid = { v: ReturnType<typeof useLaidDay> };

/** What did not work, and what was asked of the day that cannot be. */
function Refusals({ v }: Laid) {
  const { fmt, tell } = useApp();
  const { d, failed, refused, setRefused, change } = v;
  return (
    <>
      {failed ? <Notice text={t('dayRoom.thatDidNotWork', { failed })} /> : null}
      {d.error ? <Notice text={t('dayRoom.theDayCouldNotBe', { message: d.error.message })} /> : null}
      {refused ? (
        <Notice
          text={
            refused.atMs === undefined
              ? t('dayRoom.cannotAtNorWithinFour', {
                  dish: refused.act.dish,
                  verb: tell(refused.act.verb),
                  wantMs: fmt.time(refused.wantMs),
                })
              : t('dayRoom.cannotAtHandsPlacesOr', {
                  dish: refused.act.dish,
                  verb: tell(refused.act.verb),
                  wantMs: fmt.time(refused.wantMs),
                  atMs: fmt.time(refused.atMs),
                })
          }
        >
          <View className="flex-row flex-wrap gap-2">
            {refused.day ? (
              <Key
                label={t('dayRoom.moveItTo', { atMs: fmt.time(refused.atMs!) })}
                onPress={() =>
                  change(
                    refused.day!,
                    t('dayRoom.at2', { verb: tell(refused.act.verb), atMs: fmt.time(refused.atMs!) }),
                  )
                }
              />
            ) : null}
            <Key label={t('dayRoom.leaveItWhereItWas')} kind="quiet" onPress={() => setRefused(undefined)} />
          </View>
        </Notice>
      ) : null}
    </>
  );
}

function DayLanes({ v }: Laid) {
  const { fmt } = useApp();
  const { d, answer, table, acts, looks, now, lastMs, eaters, next, setOpen, setRefused, drop } = v;
  return answer && table && d.dishes.length > 0 && acts.length > 0 ? (
    <Lanes
      acts={acts}
      clashes={table.clashes}
      looks={looks}
      nowMs={now}
      serves={table.serves}
      served={t('dayRoom.people', { lastMs: fmt.time(lastMs), dishes: dishesWord(d.dishes.length), eaters })}
      next={next}
      onOpen={(a) => setOpen(a.id)}
      onDrag={(a, ms) => {
        setRefused(undefined);
        d.setDraft({ task: a.id, at: new Date(ms).toISOString() });
      }}
      onDrop={drop}
      onCancel={() => d.setDraft(undefined)}
    />
  ) : d.dishes.length === 0 ? (
    <Empty word={t('dayRoom.allLeftOut')} text={t('dayRoom.takeADishBackIn')} />
  ) : null;
}

function OrderOfTheWork({ v }: Laid) {
  const { fmt, tell } = useApp();
  const { acts, looks, table, setOpen } = v;
  return (
    <View className="gap-1 py-2">
      <Type kind="title" level={2}>
        {t('dayRoom.orderOfTheWork')}
      </Type>
      {acts
        .filter((a) => a.lane !== 'fridge' || a.state !== 'done')
        .map((a) => (
          <Row
            key={a.id}
            testID={`act-${a.id}`}
            left={<Tag letter={looks.get(a.planId)?.letter ?? '?'} tint={looks.get(a.planId)?.tint} size={28} />}
            title={`${fmt.time(a.startMs)} ${tell(a.verb)}${a.state === 'done' ? t('dayRoom.done') : a.state === 'running' ? t('dayRoom.running') : ''}`}
            sub={`${tell(a.says)}${a.latestMs - a.startMs >= 5 * MINUTE && a.state === 'to do' ? t('dayRoom.by', { latestMs: fmt.time(a.latestMs) }) : ''}`}
            onPress={() => setOpen(a.id)}
          />
        ))}
      {table?.cautions.map((c) => (
        <Notice key={tell(c)} text={tell(c)} />
      ))}
      <Type kind="small" tone="quiet" className="py-2">
        {t('dayRoom.minutesAreTheModelsWith', {
          tried:
            table?.ok && table.optimal
              ? t('dayRoom.noFresherOrderOfThe')
              : table?.ok
                ? t('dayRoom.aGoodOrderNotEvery')
                : '',
        })}
      </Type>
    </View>
  );
}

function Dishes({ v }: Laid) {
  const { fmt } = useApp();
  const router = useRouter();
  const { d, day, looks, change, setKitchen, exportIcs } = v;
  return (
    <View className="gap-1 py-2 print:hidden">
      <Type kind="title" level={2}>
        {t('dayRoom.dishes')}
      </Type>
      {d.all.map((p) => {
        const out = day.leftOut.includes(p.id);
        return (
          <View key={p.id} className="flex-row items-center gap-2 border-b-hair border-line py-1">
            <Tag letter={looks.get(p.id)!.letter} tint={looks.get(p.id)!.tint} />
            <View className="min-w-0 flex-1">
              <Type kind="strong">{p.name}</Type>
              <Type kind="small" tone="quiet">
                {t('dayRoom.people2', {
                  people: p.people,
                  at: fmt.time(Date.parse(p.serve.at)),
                  out: out ? t('dayRoom.leftOut') : '',
                })}
              </Type>
            </View>
            <Key
              label={out ? t('dayRoom.takeIn') : t('dayRoom.leaveOut')}
              spoken={`${out ? t('dayRoom.takeIn') : t('dayRoom.leaveOut')} ${p.name}`}
              kind="quiet"
              onPress={() =>
                change(
                  { ...day, leftOut: out ? day.leftOut.filter((id) => id !== p.id) : [...day.leftOut, p.id] },
                  `${p.name} ${out ? t('dayRoom.takenIn') : t('dayRoom.leftOut2')}`,
                )
              }
            />
          </View>
        );
      })}
      <Row
        title={t('dayRoom.theKitchen')}
        sub={t('dayRoom.from', { t12: fmt.timeOn(Date.parse(day.fromAt), Date.parse(`${day.id}T12:00`)) })}
        value={`${day.hands} ${day.hands === 1 ? t('dayRoom.pairOfHands') : t('dayRoom.pairsOfHands')}`}
        onPress={() => setKitchen(true)}
      />
      {day.pins.length ? (
        <Row
          title={t('dayRoom.movedByHand')}
          value={String(day.pins.length)}
          sub={t('dayRoom.tapToPutAllBack')}
          onPress={() => change({ ...day, pins: [] }, t('dayRoom.allPutBack'))}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2 pt-2">
        <Key
          role="checkbox"
          selected={day.calls && d.kept}
          label={t('dayRoom.callMeInTime')}
          onPress={() => d.edit((now) => ({ ...now, calls: !(day.calls && d.kept) }))}
        />
        <Key
          label={t('dayRoom.shopping')}
          icon={ShoppingBasket}
          onPress={() => router.push(`/shopping?date=${day.id}` as '/')}
        />
        <Key
          label={t('dayRoom.calendar')}
          spoken={t('dayRoom.saveTheDayAsA')}
          icon={CalendarPlus}
          onPress={exportIcs}
        />
        <Key label={t('dayRoom.print')} icon={Printer} onPress={() => print()} />
      </View>
    </View>
  );
}

/** The one thing to do now. */
function NextKey({ v }: Laid) {
  const { fmt, tell } = useApp();
  const { table, late, overdue, next, looks, now, acts, setMending, setOpen, planFromNow } = v;
  return table && !table.ok ? (
    <Key
      kind="yolk"
      size="act"
      label={t('dayRoom.itDoesNotFit')}
      sub={
        table.clashes[0]
          ? `${fmt.time(table.clashes[0].fromMs)}, ${tell(table.clashes[0].text)}`
          : t('dayRoom.whatWouldMakeItPossible2')
      }
      onPress={() => setMending(true)}
      className="flex-1"
      testID="mend"
    />
  ) : late ? (
    <Key
      kind="yolk"
      size="act"
      label={t('dayRoom.imLatePlanFromNow')}
      sub={t('dayRoom.wasDueBy', {
        dish: overdue[0]!.dish,
        verb: tell(overdue[0]!.verb),
        latestMs: fmt.time(overdue[0]!.latestMs),
      })}
      onPress={planFromNow}
      className="flex-1"
      testID="late"
    />
  ) : next ? (
    <Key
      kind="yolk"
      size="act"
      label={`${looks.get(next.planId)?.letter ?? ''} ${tell(next.verb)}`}
      spoken={`${next.dish}: ${tell(next.verb)}`}
      sub={
        next.startMs > now + MINUTE
          ? t('dayRoom.atBy', { startMs: fmt.time(next.startMs), latestMs: fmt.time(next.latestMs) })
          : t('dayRoom.nowBy', { latestMs: fmt.time(next.latestMs) })
      }
      onPress={() => setOpen(next.id)}
      className="min-w-[10rem] flex-1"
      testID="next-act"
    />
  ) : acts.length ? (
    <Type kind="title" className="py-4">
      {t('dayRoom.allDone')}
    </Type>
  ) : null;
}

function DayFoot({ v }: Laid) {
  const { day, table, late, next, now, d, undo, setUndo, savePlan, planFromNow } = v;
  return (
    <View className="border-t-rim border-ink bg-field print:hidden">
      {undo ? (
        <UndoBar
          text={undo.text}
          onUndo={() => {
            d.change(undo.day);
            for (const p of undo.plans ?? []) savePlan.mutate(p);
            setUndo(undefined);
          }}
          onGone={() => setUndo(undefined)}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2 px-3 py-2 wide:px-6">
        <NextKey v={v} />
        {table?.ok && !late && now > Date.parse(day.fromAt) && next && next.startMs < now + 12 * 60 * MINUTE ? (
          <Key label={t('dayRoom.imLate')} icon={Clock} onPress={planFromNow} />
        ) : null}
      </View>
    </View>
  );
}

function DaySheets({ v }: Laid) {
  const { tell } = useApp();
  const router = useRouter();
  const {
    d,
    day,
    now,
    opened,
    looks,
    table,
    kitchen,
    setKitchen,
    mending,
    setMending,
    setOpen,
    change,
    drop,
    savePlan,
  } = v;
  return (
    <>
      {opened ? (
        <ActSheet
          act={opened}
          look={looks.get(opened.planId)!}
          nowMs={now}
          onClose={() => setOpen(undefined)}
          onDone={() => {
            const at = nowIso();
            change(
              {
                ...day,
                done: [
                  ...day.done,
                  ...opened.blocks
                    .filter((b) => b.state !== 'done')
                    .map((b) => ({
                      task: b.task.id,
                      start:
                        b.state === 'running'
                          ? new Date(b.startMs).toISOString()
                          : new Date(Math.min(b.startMs, now)).toISOString(),
                      end: at,
                    })),
                ],
              },
              t('dayRoom.isDone', { verb: tell(opened.verb) }),
            );
            setOpen(undefined);
          }}
          onNotDone={() => {
            change(
              { ...day, done: day.done.filter((x) => !opened.blocks.some((b) => b.task.id === x.task)) },
              t('dayRoom.isToDoAgain', { verb: tell(opened.verb) }),
            );
            setOpen(undefined);
          }}
          marked={opened.blocks.some((b) => day.done.some((x) => x.task === b.task.id))}
          onMove={(ms) => {
            setOpen(undefined);
            drop(opened, ms);
          }}
          onFree={() => {
            change(
              { ...day, pins: day.pins.filter((p) => !opened.blocks.some((b) => b.task.id === p.task)) },
              t('dayRoom.isFreeAgain', { verb: tell(opened.verb) }),
            );
            setOpen(undefined);
          }}
        />
      ) : null}
      <KitchenSheet
        open={kitchen}
        onClose={() => setKitchen(false)}
        day={day}
        onChange={(nextDay) => d.change(nextDay)}
      />
      {d.ask ? (
        <ChangesSheet
          open={mending}
          onClose={() => setMending(false)}
          ask={d.ask}
          clashes={table?.clashes ?? []}
          why={table?.why}
          onTake={(c) => {
            const before = d.dishes.filter((p) => c.plans?.some((x) => x.id === p.id));
            for (const p of c.plans ?? []) savePlan.mutate(p);
            const next = { ...(c.day ?? day), have: day.have };
            // a meal that is put past midnight is another day's: its kitchen goes along
            const moved = c.plans?.[0] ? dayIdOf(Date.parse(c.plans[0].serve.at)) : day.id;
            change({ ...next, id: moved }, tell(c.text), before);
            if (moved !== day.id) router.setParams({ date: moved });
            setMending(false);
          }}
        />
      ) : null}
    </>
  );
}

function LaidDay({ d, day, now }: { d: ReturnType<typeof useDay>; day: Day; now: number }) {
  const { fmt } = useApp();
  const v = useLaidDay(d, day, now);
  const { setKitchen } = v;
  return (
    <>
      <Room
        name={t('room.Day')}
        title={fmt.weekdayName(parseISO(day.id).getTime())}
        sub={`${fmt.day(parseISO(day.id).getTime())}, ${dishesWord(d.dishes.length)}${d.working ? t('dayRoom.workingItOut') : ''}`}
        actions={<Key label={t('dayRoom.kitchen')} icon={Settings2} stacked onPress={() => setKitchen(true)} />}
        left={<Dishes v={v} />}
        right={<OrderOfTheWork v={v} />}
        foot={<DayFoot v={v} />}
      >
        <View className="px-2 wide:px-4">
          <Refusals v={v} />
          <DayLanes v={v} />
        </View>
      </Room>
      <DaySheets v={v} />
    </>
  );
}

/** Several dishes, one pair of hands: the hours back from the meal. */
export function DayRoom() {
  const { where, ready } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const { date } = useLocalSearchParams<{ date?: string }>();
  const now = useNow(30_000);
  const d = useDay(mounted ? date : undefined, mounted ? where.planId : undefined, now);
  if (!mounted || !ready || !d.loaded || !d.day || d.all.length === 0) {
    return (
      <Room
        name={t('room.Day')}
        title={t('dayRoom.day')}
        sub={mounted && ready && d.loaded ? t('dayRoom.nothingToServe') : t('dayRoom.layingItOut')}
      >
        {mounted && ready && d.loaded ? (
          <Empty word={t('dayRoom.aFreeDay')} text={t('dayRoom.planAPuddingAndSay')}>
            <Key kind="yolk" size="act" label={t('dayRoom.toThePlans')} onPress={() => router.push('/plan')} />
          </Empty>
        ) : null}
      </Room>
    );
  }
  return <LaidDay d={d} day={d.day} now={now} />;
}

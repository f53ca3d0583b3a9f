import { parseISO } from 'date-fns/parseISO';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarPlus from 'lucide-react-native/icons/calendar-plus';
import Printer from 'lucide-react-native/icons/printer';
import Settings2 from 'lucide-react-native/icons/settings-2';
import ShoppingBasket from 'lucide-react-native/icons/shopping-basket';
import { View } from 'react-native';
import type { Day } from '../../core/day/record';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { errorSays } from '../shared/errorSays';
import { useSilent } from '../shared/useSilent';
import { useApp } from '../shared/App';
import { Room } from '../shared/Room';
import { useMounted, useNow } from '../shared/useNow';
import { Lanes } from './Lanes';
import { DayTurn, Happened } from './DayTurn';
import { useDay } from './useDay';
import { learn, t } from '../../words';
import { dayRoom } from '../../words/en/dayRoom';
import { DayFoot } from './DayFoot';
import { DaySheets } from './DaySheets';
import { useLaidDay, type Laid } from './useLaidDay';

learn(dayRoom);

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

/** What did not work, and what was asked of the day that cannot be. */
function Refusals({ v }: Laid) {
  const { fmt, tell } = useApp();
  const { d, failed, refused, setRefused, change } = v;
  return (
    <>
      {failed ? <Notice text={t('dayRoom.thatDidNotWork', { failed })} /> : null}
      {d.error ? <Notice text={t('dayRoom.theDayCouldNotBe', { message: tell(errorSays(d.error)) })} /> : null}
      {d.answer?.left.map((name) => (
        <Notice key={name} text={t('dayRoom.noLiquidIn', { name })} />
      ))}
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
  ) : d.working ? (
    // the lanes come here: what stands below does not jump
    <View className="min-h-screen" />
  ) : null;
}

function OrderOfTheWork({ v }: Laid) {
  const { fmt, tell } = useApp();
  const { acts, looks, table, setOpen } = v;
  if (!table) return null;
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
            sub={`${a.dish}. ${tell(a.says)}${a.latestMs - a.startMs >= 5 * MINUTE && a.state === 'to do' ? t('dayRoom.by', { latestMs: fmt.time(a.latestMs) }) : ''}`}
            onPress={() => setOpen(a.id)}
          />
        ))}
      {table.cautions.map((c) => (
        <Notice key={tell(c)} text={tell(c)} />
      ))}
      <Type kind="small" tone="quiet" className="py-2">
        {t('dayRoom.minutesAreTheModelsWith', {
          tried:
            table.ok && table.optimal
              ? t('dayRoom.noFresherOrderOfThe')
              : table.ok
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

function LaidDay({ d, day, now }: { d: ReturnType<typeof useDay>; day: Day; now: number }) {
  const { fmt } = useApp();
  const v = useLaidDay(d, day, now);
  const silent = useSilent() && day.calls;
  const said = `${fmt.day(parseISO(day.id).getTime())}, ${dishesWord(d.dishes.length)}`;
  const { setKitchen } = v;
  return (
    <>
      <Room
        name={t('room.Day')}
        title={fmt.weekdayName(parseISO(day.id).getTime())}
        sub={`${said}${d.working ? t('dayRoom.workingItOut') : ''}${silent ? t('shared.silentUntilTouched') : ''}`}
        paper={said}
        actions={<Key label={t('dayRoom.kitchen')} icon={Settings2} stacked onPress={() => setKitchen(true)} />}
        left={<Dishes v={v} />}
        right={<OrderOfTheWork v={v} />}
        foot={<DayFoot v={v} />}
      >
        <View className="px-2 wide:px-4">
          <DayTurn id={day.id} />
          <Refusals v={v} />
          <DayLanes v={v} />
          <Happened id={day.id} />
        </View>
      </Room>
      <DaySheets v={v} />
    </>
  );
}

/** Several dishes, one pair of hands: the hours back from the meal. */
export function DayRoom() {
  const { where, ready, fmt } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const { date } = useLocalSearchParams<{ date?: string }>();
  const now = useNow(30_000);
  const d = useDay(mounted ? date : undefined, mounted ? where.planId : undefined, now);
  if (!mounted || !ready || !d.loaded || !d.day || d.all.length === 0) {
    return (
      <Room
        name={t('room.Day')}
        title={mounted && d.day ? fmt.weekdayName(parseISO(d.day.id).getTime()) : t('dayRoom.day')}
        sub={mounted && ready && d.loaded ? t('dayRoom.nothingToServe') : t('dayRoom.layingItOut')}
      >
        {d.day && mounted && ready && d.loaded ? (
          <View className="px-3">
            <DayTurn id={d.day.id} />
            <Happened id={d.day.id} />
          </View>
        ) : null}
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

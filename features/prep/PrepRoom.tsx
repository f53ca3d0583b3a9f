import { isSameDay } from 'date-fns/isSameDay';
import { useLocalSearchParams, useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import Scale from 'lucide-react-native/icons/scale';
import Timer from 'lucide-react-native/icons/timer';
import { useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { CookEvent } from '../../core/cook/events';
import type { Plan } from '../../core/plan/plan';
import { PREP_GROUPS, type PrepItem } from '../../core/prep/items';
import { asWeighed, emptyPrep, weighingOf, type Prep } from '../../core/prep/weigh';
import { MACHINES } from '../../core/settings';
import { errorSays } from '../shared/errorSays';
import { useTakeBack } from '../shared/useTakeBack';
import { useCollection, useEdit, useSave, useSettings } from '../shared/stored';
import { colour } from '../../ui/colours';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useAsk } from '../shared/useAsk';
import { useMounted, useNow } from '../shared/useNow';
import { WeighOut } from './WeighOut';
import { learn, t } from '../../words';
import { prepRoom } from '../../words/en/prepRoom';
import { useKitchen } from '../shared/kitchen';

learn(prepRoom);

const MINUTE = 60_000;

/** What of a plan is ready, and what can be done to it. */
function usePrep(all: readonly Plan[], plan: Plan, now: number) {
  const { sound } = useKitchen();
  const { setWhere } = useApp();
  const router = useRouter();
  const preps = useCollection('preps');
  const cooks = useCollection('cooks');
  const stored = useEdit('preps');
  const saveCook = useSave('cooks');
  const { settings, change: changeSettings } = useSettings();
  const machines = settings?.machines ?? [];
  const list = useAsk('prep', [plan, machines], { enabled: settings !== undefined, keep: true });
  useEffect(() => setWhere({ planId: plan.id }), [plan.id, setWhere]);

  const prep: Prep = preps.data?.find((p) => p.id === plan.id) ?? emptyPrep(plan.id);
  const items = (list.isPlaceholderData ? undefined : list.data?.items) ?? [];
  const tickOf = (item: PrepItem) => prep.ticks.find((t) => t.item === item.id);
  const running = items.flatMap((i) => {
    const tick = tickOf(i);
    return tick && i.waitMin !== undefined ? [{ item: i, endMs: Date.parse(tick.at) + i.waitMin * MINUTE }] : [];
  });
  // one signal when a wait is over, while this room is open
  const rung = useRef<Set<string> | undefined>(undefined);
  useEffect(() => {
    const over = running.filter((r) => r.endMs <= now && now > 0).map((r) => r.item.id);
    const known = rung.current;
    rung.current = new Set(over);
    if (known && over.some((o) => !known.has(o)) && (settings?.sound ?? true)) sound.signal();
  });

  const own = weighingOf(plan);
  const todo = [...own, ...(list.isPlaceholderData ? [] : (list.data?.beside ?? []))];
  const weighed = (key: string) => prep.weighed.find((w) => w.item === key);
  const left = todo.filter((w) => !weighed(w.key));
  const counted = items.filter((i) => !i.advice);
  const done = counted.filter((i) => tickOf(i)).length;
  const real = asWeighed(plan, prep.weighed);
  const going = (cooks.data ?? []).find((c) => c.plan.id === plan.id && !c.batchId && c.events.length > 0);

  /** From what is ticked at that moment: quick thumbs count twice. */
  const edit = (change: (now: Prep) => Prep) =>
    stored.mutate({ id: plan.id, from: emptyPrep(plan.id), edit: (now) => now && change(now) });
  const tick = (item: PrepItem) => {
    const at = nowIso();
    const without = (now: Prep) => now.ticks.filter((t) => t.item !== item.id);
    edit((now) => ({ ...now, ticks: tickOf(item) ? without(now) : [...without(now), { item: item.id, at }] }));
  };
  const start = () => {
    const cookId = newId('cook');
    const at = nowIso();
    const event = (e: Omit<Extract<CookEvent, { kind: 'weighed' }>, 'id' | 'at'>) => ({ ...e, id: newId('e'), at });
    edit(() => emptyPrep(plan.id));
    void saveCook
      .mutateAsync({
        id: cookId,
        plan: real,
        events: [
          { kind: 'started', id: newId('e'), at },
          ...own.flatMap((w) => {
            const was = weighed(w.key);
            return was ? [event({ kind: 'weighed', item: w.key, grams: was.grams })] : [];
          }),
          ...(own.every((w) => weighed(w.key))
            ? [{ kind: 'stepDone' as const, id: newId('e'), at, step: 'weigh' }]
            : []),
        ],
      })
      .catch(() => undefined)
      .then(() => {
        setWhere({ cookId });
        router.push(`/pot?cook=${cookId}` as '/');
      });
  };

  const dishes = all.filter((p) => isSameDay(Date.parse(p.serve.at), Date.parse(plan.serve.at)));
  return {
    ...{ plan, prep, list, items, running, todo, left, counted, done, real, going, dishes, machines, now },
    ...{ weighed, tickOf, edit, tick, start, changeSettings },
  };
}
type Prepared = { v: ReturnType<typeof usePrep> };

function DishSwitcher({ v: { dishes, plan }, onSwitch }: Prepared & { onSwitch: () => void }) {
  const router = useRouter();
  return dishes.length > 1 ? (
    <View role="radiogroup" aria-label={t('prepRoom.dish')} className="flex-row flex-wrap gap-2 py-2">
      {dishes.map((p, i) => (
        <Pressable
          key={p.id}
          role="radio"
          aria-checked={p.id === plan.id}
          aria-label={p.name}
          onPress={() => {
            onSwitch();
            router.setParams({ id: p.id });
          }}
          className={`min-h-[48px] max-w-full flex-row items-center gap-2 rounded-key border-edge px-2 ${p.id === plan.id ? 'border-ink bg-plate' : 'border-transparent'}`}
        >
          <Tag letter={p.name[0]!.toUpperCase()} tint={i} size={28} />
          <Type kind={p.id === plan.id ? 'strong' : 'text'} className="shrink">
            {p.name}
          </Type>
        </Pressable>
      ))}
    </View>
  ) : null;
}

/** What is weighed and what not, and the machines there are. */
function Weighed({ v }: Prepared) {
  const back = useTakeBack();
  const { fmt, tell } = useApp();
  const { todo, left, weighed, prep, edit, machines, changeSettings } = v;
  return (
    <View className="gap-2 py-2">
      <Type kind="title" level={2}>
        {t('prepRoom.weighedOf', { left: todo.length - left.length, todo: todo.length })}
      </Type>
      {todo.map((w) => {
        const was = weighed(w.key);
        const off = was ? was.grams - w.grams : 0;
        return (
          <View key={w.key} className="flex-row items-center gap-2 border-b-hair border-line py-1.5">
            <View className="min-w-0 flex-1">
              <Type kind="strong">{w.ingredient.name}</Type>
              <Type kind="small" tone="quiet">
                {`${tell(w.into)}${was && Math.abs(off) >= 0.5 ? t('prepRoom.thanPlanned', { off: fmt.grams(Math.abs(off)), less: off > 0 ? t('prepRoom.more') : t('prepRoom.less') }) : ''}`}
              </Type>
            </View>
            <Type kind="title">{fmt.grams(was?.grams ?? w.grams)}</Type>
            <View className="w-[26px]">{was ? <Check size={22} color={colour.ink} strokeWidth={3} /> : null}</View>
          </View>
        );
      })}
      {prep.weighed.length ? (
        <Key
          label={t('prepRoom.weighAllAgain')}
          kind="quiet"
          className="self-start"
          onPress={() => {
            const { weighed: was } = prep;
            edit((now) => ({ ...now, weighed: [] }));
            back.offer(t('prepRoom.nothingIsWeighed'), () => edit((now) => ({ ...now, weighed: was })));
          }}
        />
      ) : null}
      {back.bar}
      <Type kind="title" level={2} className="pt-3">
        {t('prepRoom.otherMachines')}
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {MACHINES.map((m) => (
          <Key
            key={m}
            role="checkbox"
            selected={machines.includes(m)}
            label={t(`machine.${m}`)}
            onPress={() =>
              changeSettings((now) => ({
                machines: machines.includes(m)
                  ? now.machines.filter((x) => x !== m)
                  : [...now.machines.filter((x) => x !== m), m],
              }))
            }
          />
        ))}
      </View>
      <Type kind="small" tone="quiet">
        {t('prepRoom.whatYouHaveChangesWhat')}
      </Type>
    </View>
  );
}

function PrepFoot({ v: { left, going, start }, onWeigh }: Prepared & { onWeigh: () => void }) {
  const router = useRouter();
  return (
    <View className="flex-row flex-wrap gap-2 border-t-rim border-ink bg-field px-3 py-2 wide:px-6 flat:py-0.5">
      {left.some((w) => !w.side) ? (
        <Key
          kind="yolk"
          size="act"
          icon={Scale}
          testID="weigh-out"
          label={t('prepRoom.weighOut')}
          sub={t('prepRoom.leftNext', { left: left.length, ingredientName: left[0]!.ingredient.name })}
          onPress={onWeigh}
          className="flex-1"
        />
      ) : going ? (
        <Key
          kind="yolk"
          size="act"
          label={t('prepRoom.toThePot')}
          sub={t('prepRoom.itIsOnAlready')}
          onPress={() => router.push(`/pot?cook=${going.id}` as '/')}
          className="flex-1"
        />
      ) : (
        <Key
          kind="yolk"
          size="act"
          testID="start-pot"
          label={t('prepRoom.lightThePot')}
          sub={t('prepRoom.withWhatWasReallyWeighed')}
          onPress={start}
          className="flex-1"
        />
      )}
      {left.length > 0 && left.every((w) => w.side) ? (
        <Key label={t('prepRoom.weighTheSidePots')} icon={Scale} onPress={onWeigh} />
      ) : null}
    </View>
  );
}

function Groups({ v: { items, tickOf, running, now, tick, plan } }: Prepared) {
  const router = useRouter();
  return PREP_GROUPS.map((group) => {
    const mine = items.filter((i) => i.group === group);
    if (mine.length === 0) return null;
    return (
      <View key={group} className="gap-2 pb-2 pt-3">
        <Type kind="title" level={2}>
          {t(`prepGroup.${group}`)}
        </Type>
        {mine.map((item) => (
          <PrepRow
            key={item.id}
            item={item}
            done={tickOf(item) !== undefined}
            endMs={running.find((r) => r.item.id === item.id)?.endMs}
            nowMs={now}
            onTick={() => tick(item)}
            onLining={() => router.push(`/lining?id=${plan.id}` as '/')}
          />
        ))}
      </View>
    );
  });
}

function Laid({ all, plan }: { all: readonly Plan[]; plan: Plan }) {
  const tell = useTell();
  const now = useNow(1000);
  const [weighing, setWeighing] = useState(false);
  const v = usePrep(all, plan, now);
  const { prep, list, todo, left, counted, done, real, dishes, edit } = v;
  return (
    <Room
      name={t('room.Prep')}
      title={plan.name}
      sub={t('prepRoom.ofReadyOfWeighed', {
        done,
        counted: counted.length,
        left: todo.length - left.length,
        todo: todo.length,
      })}
      tag={{
        letter: plan.name[0]!.toUpperCase(),
        tint: Math.max(
          0,
          dishes.findIndex((p) => p.id === plan.id),
        ),
      }}
      right={weighing ? undefined : <Weighed v={v} />}
      foot={weighing ? undefined : <PrepFoot v={v} onWeigh={() => setWeighing(true)} />}
    >
      {weighing ? (
        <WeighOut
          plan={plan}
          real={real}
          list={todo}
          prep={prep}
          onRecord={(item, grams, by) => {
            const at = nowIso();
            edit((now) => ({
              ...now,
              weighed: [...now.weighed.filter((w) => w.item !== item), { item, grams, at, by }],
            }));
          }}
          onClose={() => setWeighing(false)}
        />
      ) : (
        <View className="mx-auto w-full max-w-[720px] px-3 pb-6 wide:px-6">
          <DishSwitcher v={v} onSwitch={() => setWeighing(false)} />
          {list.error ? (
            <Notice text={t('prepRoom.theListCouldNotBe', { message: tell(errorSays(list.error)) })} />
          ) : null}
          {list.isPending ? <View className="min-h-screen" /> : <Groups v={v} />}
        </View>
      )}
    </Room>
  );
}

/** Everything ready beside the pot: long steps first, then what is kept back, lined and within reach; then the scale. */
export function PrepRoom() {
  const { where, ready } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const plans = useCollection('plans');
  const all = ((mounted ? plans.data : undefined) ?? []).filter((p) => !p.archived);
  const plan = all.find((p) => p.id === (id ?? where.planId)) ?? all[0];
  if (!plan) {
    return (
      <Room
        name={t('room.Prep')}
        title={t('prepRoom.prep')}
        sub={mounted && ready ? t('prepRoom.nothingToMakeReady') : t('prepRoom.lookingItUp')}
      >
        {mounted && ready && plans.isSuccess ? (
          <Empty word={t('prepRoom.noPlanYet')} text={t('prepRoom.planAPuddingWhatHas')}>
            <Key kind="yolk" size="act" label={t('prepRoom.toThePlans')} onPress={() => router.push('/plan')} />
          </Empty>
        ) : null}
      </Room>
    );
  }
  return <Laid all={all} plan={plan} />;
}

function PrepRow({
  item,
  done,
  endMs,
  nowMs,
  onTick,
  onLining,
}: {
  item: PrepItem;
  done: boolean;
  endMs: number | undefined;
  nowMs: number;
  onTick: () => void;
  onLining: () => void;
}) {
  const tell = useTell();
  const { fmt } = useApp();
  const waiting = endMs !== undefined && endMs > nowMs;
  const tone = done && !waiting ? 'field' : 'ink';
  const title = item.tempC === undefined ? item.title : `${tell(item.title)}, ${fmt.temp(item.tempC)}`;
  const body = (
    <>
      <View className="min-w-0 flex-1">
        <Type kind="key" tone={tone}>
          {tell(title)}
        </Type>
        <Type kind="small" tone={tone === 'field' ? 'field' : 'quiet'}>
          {tell(item.how)}
        </Type>
        {item.feel ? (
          <Type kind="smallStrong" tone={tone}>
            {t('prepRoom.feel', { feel: tell(item.feel) })}
          </Type>
        ) : null}
      </View>
      {endMs !== undefined ? (
        <View className="items-end">
          <Type kind="title" tone={tone} role="timer">
            {waiting ? fmt.countdown((endMs - nowMs) / 1000) : t('prepRoom.ready')}
          </Type>
          <Type kind="small" tone={tone === 'field' ? 'field' : 'quiet'}>
            {waiting ? t('prepRoom.till', { endMs: fmt.time(endMs) }) : t('prepRoom.since', { endMs: fmt.time(endMs) })}
          </Type>
        </View>
      ) : item.waitMin !== undefined ? (
        <View className="flex-row items-center gap-1">
          <Timer size={18} color={colour.ink2} />
          <Type kind="strong">{fmt.hours(item.waitMin / 60)}</Type>
        </View>
      ) : null}
      {done && !waiting ? <Check size={24} color={colour.field} strokeWidth={3} /> : null}
    </>
  );
  return (
    <View>
      {item.advice ? (
        <View className="min-h-[56px] flex-row items-center gap-3 rounded-key border-hair border-dashed border-ink2 px-4 py-2">
          {body}
        </View>
      ) : (
        <Pressable
          role="checkbox"
          aria-checked={done}
          aria-label={`${tell(title)}. ${tell(item.how)}`}
          testID={`prep-${item.id}`}
          onPress={onTick}
          className={`min-h-[64px] flex-row items-center gap-3 rounded-key border-edge border-ink px-4 py-2 active:opacity-70 ${waiting ? 'bg-coolF' : done ? 'bg-ink' : 'bg-plate'}`}
        >
          {body}
        </Pressable>
      )}
      {item.caution && !done ? <Notice text={tell(item.caution)} /> : null}
      {item.lining ? (
        <Key label={t('prepRoom.paperSizesDrawn')} kind="quiet" className="self-start" onPress={onLining} />
      ) : null}
    </View>
  );
}

import { useQuery } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useState } from 'react';
import { View } from 'react-native';
import { FAULTS, type CookEvent, type Fault } from '../../core/cook/events';
import type { ByHand } from '../../core/rescue/byHand';
import type { Rescue } from '../../core/rescue/way';
import { pantryWith } from '../../core/pantry/pantry';
import { aimPlace } from '../../core/texture/words';
import { useCollection, useEdit, useOne, useRows } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { SetStrip } from '../../ui/SetStrip';
import { Spoons } from '../../ui/Spoons';
import { Type } from '../../ui/Type';
import type { RescueAsk } from '../../workers/pots';
import { useApp } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useCook, type NewEvent } from '../shared/useCook';
import { useMounted, useNow } from '../shared/useNow';
import { HandForm } from './HandForm';
import { FAULT, FIRST_COLD, FIRST_HOT, SAVED } from './words';
import { learn, t } from '../../words';
import { rescue } from '../../words/en/rescue';
import { rescueRoom } from '../../words/en/rescueRoom';
import { useKitchen } from '../shared/kitchen';

learn(rescue);
learn(rescueRoom);

const MINUTE = 60_000;
const isFault = (text: string | undefined): text is Fault => FAULTS.some((f) => f === text);

/** Something went wrong: what is going on, what can be saved, with which amounts, and what it will be afterwards. */
export function RescueRoom() {
  const {
    cook: cookId,
    batch: batchId,
    fault: asked,
  } = useLocalSearchParams<{ cook?: string; batch?: string; fault?: string }>();
  const { ready } = useApp();
  const mounted = useMounted();
  const router = useRouter();
  const written = useOne('batches', batchId);
  const [hand, setHand] = useState<ByHand | undefined>();
  const [byHand, setByHand] = useState(false);
  const c = useCook(mounted ? (cookId ?? 'none') : 'none', undefined);
  const batch = mounted ? written.value : undefined;
  const cook = cookId && mounted ? c.cook : undefined;
  const name = cook?.plan.name ?? batch?.plan.name ?? (hand ? t('rescueRoom.toldByHand') : undefined);
  const cooking = cook !== undefined && c.state?.stage === 'cooking';
  const hot = cooking || (hand?.hot ?? false);
  const where = cook
    ? cooking
      ? t('rescueRoom.inThePot')
      : t('rescueRoom.inItsDish')
    : batch
      ? t('rescueRoom.fromTheBook')
      : hand
        ? hand.hot
          ? t('rescueRoom.hot')
          : t('rescueRoom.cold')
        : t('rescueRoom.pickThePudding');
  const edit = useEdit('batches');
  const add = (...events: NewEvent[]) => {
    if (cook) c.add(...events);
    else if (batch) {
      const more = events.map((e) => ({ ...e, id: newId('e'), at: nowIso() }) as CookEvent);
      edit.mutate({
        id: batch.id,
        edit: (old) => ({
          ...(old ?? batch),
          events: [...(old ?? batch).events, ...more],
        }),
      });
    }
  };
  const whole = mounted && ready && c.loaded && written.loaded;
  return (
    <Room
      name={t('room.Rescue')}
      rescue={false}
      title={t('rescueRoom.rescue')}
      sub={name ? `${name}, ${where}` : where}
      actions={
        <Key
          label={t('rescueRoom.back')}
          icon={ArrowLeft}
          stacked
          onPress={() =>
            router.canGoBack() ? router.back() : router.push(cook ? (`/pot?cook=${cook.id}` as '/pot') : '/pot')
          }
        />
      }
    >
      {!whole ? null : cook || batch || hand ? (
        <Faults
          key={cook?.id ?? batch?.id ?? 'hand'}
          of={
            cook
              ? { of: 'cook', cook, nowMs: 0 }
              : batch
                ? { of: 'batch', batch, nowMs: 0 }
                : { of: 'hand', hand: hand!, nowMs: 0 }
          }
          noted={(cook ?? batch)?.events.length ?? 0}
          wanted={cook?.plan.serve.word ?? batch?.plan.serve.word ?? hand!.word}
          step={cooking ? c.steps[c.state!.stepIndex]?.id : undefined}
          hot={hot}
          first={isFault(asked) ? asked : undefined}
          onAdd={cook || batch ? add : undefined}
          onDone={() =>
            cook
              ? router.push(`/${cooking ? 'pot' : 'set'}?cook=${cook.id}` as '/pot')
              : router.canGoBack()
                ? router.back()
                : router.push('/book')
          }
        />
      ) : byHand ? (
        <HandForm onDone={setHand} />
      ) : (
        <Pick onHand={() => setByHand(true)} missing={(cookId ?? batchId) !== undefined} />
      )}
    </Room>
  );
}

/** Which pudding it is about. */
function Pick({ onHand, missing }: { onHand: () => void; missing: boolean }) {
  const { fmt } = useApp();
  const router = useRouter();
  const cooks = useCollection('cooks').data ?? [];
  const batches = useRows('batches').data ?? [];
  const going = cooks.filter((c) => !c.batchId && c.events.length > 0);
  const recent = batches.toSorted((a, b) => Date.parse(b.at) - Date.parse(a.at)).slice(0, 4);
  return (
    <View className="mx-auto w-full max-w-[640px] gap-2 px-4 py-3">
      {missing ? <Notice text={t('rescueRoom.thatPuddingIsNotKept')} /> : null}
      {going.map((c) => (
        <Row
          key={c.id}
          title={c.plan.name}
          sub={t('rescueRoom.onSince', { nowIso: fmt.time(Date.parse(c.events[0]?.at ?? nowIso())) })}
          onPress={() => router.setParams({ cook: c.id })}
        />
      ))}
      {recent.map((b) => (
        <Row
          key={b.id}
          title={b.name}
          sub={t('rescueRoom.of', { at: fmt.day(Date.parse(b.at)) })}
          onPress={() => router.setParams({ batch: b.id })}
        />
      ))}
      {going.length + recent.length === 0 ? (
        <Empty word={t('rescueRoom.nothingCookedHereYet')} text={t('rescueRoom.tellWhatIsInThe')} />
      ) : null}
      <Key label={t('rescueRoom.anotherTellWhatIsIn')} size="amount" onPress={onHand} />
    </View>
  );
}

type FaultsProps = {
  of: RescueAsk;
  /** how much has been noted of it: what is asked anew when more is */
  noted: number;
  wanted: Parameters<typeof aimPlace>[0];
  /** the step it is in, where it is cooked with the app */
  step: string | undefined;
  hot: boolean;
  first: Fault | undefined;
  onAdd: ((...events: NewEvent[]) => void) | undefined;
  onDone: () => void;
};

function Faults({ of, noted, wanted, step, hot, first, onAdd, onDone }: FaultsProps) {
  const { ask, clock } = useKitchen();
  const [fault, setFault] = useState<Fault | undefined>(first);
  const [all, setAll] = useState(false);
  const [much, setMuch] = useState(false);
  const [lostG, setLostG] = useState(60);
  const [beside, setBeside] = useState<string | undefined>();
  const vessels = of.of === 'hand' ? [] : (of.of === 'cook' ? of.cook : of.batch).plan.vessels;
  const usual = hot ? FIRST_HOT : FIRST_COLD;
  const offered = all || (fault && !usual.includes(fault)) ? FAULTS : usual;
  const { data, isError } = useQuery({
    queryKey: ['rescue', of.of, beside, noted, fault, much, lostG, of.of === 'hand' ? JSON.stringify(of.hand) : ''],
    queryFn: ({ signal }) =>
      ask(
        'rescue',
        [
          { ...of, nowMs: clock(), ...(beside === undefined || of.of === 'hand' ? {} : { beside }) },
          fault!,
          { ...(fault === 'too sweet' ? { much } : {}), ...(fault === 'boiled over' ? { lostG } : {}) },
        ],
        signal,
      ),
    enabled: fault !== undefined,
    staleTime: 30_000,
    gcTime: 1000,
    structuralSharing: false,
  });
  const r = data?.fault === fault ? data : undefined;
  return (
    <View className="mx-auto w-full max-w-[720px] gap-3 px-3 py-3 wide:px-6">
      {vessels.length ? (
        <Choices
          label={t('rescueRoom.whichPot')}
          value={beside ?? ''}
          options={[
            { value: '', label: t('rescueRoom.thePudding') },
            ...vessels.map((v) => ({ value: v.id, label: v.name })),
          ]}
          onChoose={(id) => setBeside(id || undefined)}
        />
      ) : null}
      <View role="radiogroup" aria-label={t('rescueRoom.whatWentWrong')} className="flex-row flex-wrap gap-2">
        {offered.map((f) => (
          <Key
            key={f}
            size="live"
            role="radio"
            label={t(FAULT[f])}
            selected={f === fault}
            onPress={() => setFault(f)}
            className="grow basis-[30%]"
          />
        ))}
        {all || offered === FAULTS ? null : (
          <Key
            size="live"
            label={t('rescueRoom.somethingElse')}
            onPress={() => setAll(true)}
            className="grow basis-[30%]"
          />
        )}
      </View>
      {fault === 'too sweet' ? (
        <Choices
          label={t('rescueRoom.howMuchTooSweet')}
          value={much}
          options={[
            { value: false, label: t('rescueRoom.aLittle') },
            { value: true, label: t('rescueRoom.farToo') },
          ]}
          onChoose={(v) => setMuch(v)}
        />
      ) : null}
      {fault === 'boiled over' ? (
        <Choices
          label={t('rescueRoom.whatWentOver')}
          value={lostG}
          options={[
            { value: 60, label: t('rescueRoom.aSplash') },
            { value: 150, label: t('rescueRoom.aGlass') },
            { value: 350, label: t('rescueRoom.aLake') },
          ]}
          onChoose={setLostG}
        />
      ) : null}
      {isError ? <Notice text={t('rescueRoom.theModelCannotWorkThis')} /> : null}
      {!fault ? <Type tone="quiet">{t('rescueRoom.potOffTheRingFirst')}</Type> : null}
      {r ? (
        <Path
          key={`${beside ?? ''} ${r.fault}`}
          r={r}
          wanted={r.wanted ?? wanted}
          step={beside === undefined ? step : undefined}
          of={vessels.find((v) => v.id === beside)?.name}
          onAdd={onAdd}
          onDone={onDone}
        />
      ) : fault && !isError ? (
        <Type>{t('rescueRoom.workingItOut')}</Type>
      ) : null}
    </View>
  );
}

/** The way out, step by step. */
function Path({
  r,
  wanted,
  step,
  of,
  onAdd,
  onDone,
}: Pick<FaultsProps, 'wanted' | 'step' | 'onAdd' | 'onDone'> & {
  r: Rescue;
  /** the pot beside the pot that it is about */
  of: string | undefined;
}) {
  const { clock } = useKitchen();
  const { fmt, tell } = useApp();
  const pantry = pantryWith();
  const now = useNow(1000);
  const [at, setAt] = useState(-1);
  const [startedMs, setStartedMs] = useState(0);
  const name = (id: string) => pantry.get(id)?.name ?? id;
  const main = r.added?.portions[0];
  const minutes = r.added?.heat?.at(-1)?.until;
  const headline = main
    ? `${fmt.grams(main.grams)} ${name(main.ingredientId)}`
    : r.added && minutes?.reach === 'time'
      ? t('rescueRoom.more', { minutes: fmt.hours(minutes.minutes / 60) })
      : r.saved === 'no'
        ? t('rescueRoom.startAgain')
        : tell(r.then);
  const density = main && pantry.get(main.ingredientId)?.densityGPerMl;
  const spoons = main && density && r.added?.how === 'slurry' ? fmt.inSpoons(main.grams, density) : undefined;
  const finish = () => {
    onAdd?.(
      {
        kind: 'rescued',
        fault: r.fault,
        says: [of, step === undefined && main ? `${headline}, ${tell(r.then)}` : tell(r.then)]
          .filter(Boolean)
          .join(': '),
      },
      // a pudding that is out of its pot is told, not cooked on
      ...(r.added && step !== undefined ? [{ kind: 'added' as const, ...r.added }] : []),
      ...(r.setting !== undefined && step !== undefined ? [{ kind: 'hobSet' as const, setting: r.setting }] : []),
      // the fire that follows is a step of its own: the present one ends here
      ...(r.added?.heat?.length && step !== undefined && r.added.after === step
        ? [{ kind: 'stepDone' as const, step }]
        : []),
    );
    onDone();
  };
  const accept = () => {
    onAdd?.({ kind: 'rescued', fault: r.fault, says: t('rescueRoom.leftAsItIs') });
    onDone();
  };
  const leave = !r.added && r.steps.length === 1 && r.steps[0]!.seconds === undefined;
  const here = r.steps[at];
  const leftS = here?.seconds ? here.seconds - (now - startedMs) / 1000 : undefined;
  const go = (to: number) => {
    setAt(to);
    setStartedMs(clock());
  };
  return (
    <View className="gap-3" testID="rescue">
      <Type>{tell(r.going)}</Type>
      <Type kind="strong" tone={r.saved === 'no' ? 'scorch' : r.saved === 'part' ? 'ink' : 'bay'}>
        {t(SAVED[r.saved])}
      </Type>
      {r.after ? (
        <SetStrip
          place={r.after.place}
          low={r.after.low}
          high={r.after.high}
          wanted={aimPlace(wanted)}
          labels
          label={t('rescueRoom.thenIt', { word: t(`word.${r.after.word}`) })}
        />
      ) : null}
      <View className="gap-1 border-y-hair border-line bg-plate px-3 py-3">
        <View className="flex-row flex-wrap items-center justify-between gap-x-4">
          <Type kind="answer" level={2} testID="rescue-amount" className="shrink">
            {headline}
          </Type>
          {spoons ? <Spoons tbsp={spoons.tbsp} tsp={spoons.tsp} /> : null}
        </View>
        {here ? (
          <View
            className="gap-2"
            role="group"
            aria-label={t('rescueRoom.stepOf2', { at: at + 1, steps: r.steps.length })}
          >
            <Type kind="small" tone="quiet">
              {t('rescueRoom.stepOf', { at: at + 1, steps: r.steps.length })}
            </Type>
            <Type kind="title">{tell(here.what)}</Type>
            {here.portions?.map((p) => (
              <Type key={p.ingredientId} kind="amount">{`${fmt.grams(p.grams)} ${name(p.ingredientId)}`}</Type>
            ))}
            {leftS === undefined ? null : (
              <Type kind="number" role="timer">
                {leftS > 0 ? fmt.countdown(leftS) : t('rescueRoom.overBy', { leftS: fmt.countdown(-leftS) })}
              </Type>
            )}
          </View>
        ) : (
          <View role="list" className="gap-1">
            {r.steps.map((s, i) => (
              <Type key={s.what.code} role="listitem">
                <Type kind="strong">{`${i + 1} `}</Type>
                {tell(s.what)}
                {s.portions
                  ? ` ${s.portions.map((p) => `${fmt.grams(p.grams)} ${name(p.ingredientId)}`).join(', ')}.`
                  : ''}
                {s.seconds ? ` ${fmt.countdown(s.seconds)}.` : ''}
              </Type>
            ))}
          </View>
        )}
        <Type tone="quiet">{`${tell(r.then)}${r.minutes >= 1 ? t('rescueRoom.aboutDoneBy', { minutes: fmt.hours(Math.round(r.minutes) / 60), minutes2: fmt.time(now + r.minutes * MINUTE) }) : ''}.`}</Type>
      </View>
      <Type>{tell(r.orElse)}</Type>
      {r.again ? <Notice text={tell(r.again)} /> : null}
      {r.caution ? <Notice text={tell(r.caution)} /> : null}
      <Key
        kind="yolk"
        size="act"
        testID="rescue-act"
        label={
          leave
            ? t('rescueRoom.goodLeaveIt')
            : at < 0
              ? t('rescueRoom.doItNowStepBy')
              : at < r.steps.length - 1
                ? t('rescueRoom.doneNext')
                : onAdd
                  ? t('rescueRoom.doneWriteItDown')
                  : t('rescueRoom.done')
        }
        onPress={() => (leave ? accept() : at < r.steps.length - 1 ? go(at + 1) : finish())}
      />
      {onAdd && !leave ? <Key size="amount" label={t('rescueRoom.leaveItAsItIs')} onPress={accept} /> : null}
    </View>
  );
}

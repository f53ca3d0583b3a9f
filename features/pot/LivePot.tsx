import { clsx } from 'clsx';
import Head from 'expo-router/head';
import { useRouter } from 'expo-router';
import { useEffect, useEffectEvent, useLayoutEffect, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Observation } from '../../core/cook/events';
import { foldCook } from '../../core/cook/fold';
import { ringDiffers } from '../../core/cook/ring';
import { changesOf, notInYet, stepsOf } from '../../core/cook/steps';
import { aimPlace } from '../../core/texture/words';
import { useSettings } from '../shared/stored';
import { HobOvals } from '../../ui/HobOvals';
import { Notice } from '../../ui/Notice';
import { SetStrip } from '../../ui/SetStrip';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { useReducedMotion } from '../../ui/useMotion';
import { useApp } from '../shared/App';
import { useSilent } from '../shared/useSilent';
import { SEEN } from '../../words/seen';
import { chanceWords } from '../../words/format';
import { RescueKey } from '../shared/RescueKey';
import { useAwake } from '../shared/useAwake';
import { useNow, useWakeAt } from '../shared/useNow';
import { useWays } from '../shared/useWays';
import { Ahead } from './Ahead';
import { GoesIn } from './GoesIn';
import { GuidePanel } from './GuidePanel';
import { Margins } from './Margins';
import { MendPanel } from './MendPanel';
import { MoreSheet } from './MoreSheet';
import { OtherPot } from './OtherPot';
import { PotFace } from './PotFace';
import { PotKeys } from './PotKeys';
import { PotNotices } from './PotNotices';
import { SidePots } from './SidePots';
import { badge } from '../../devices/notices';
import { type Ways } from '../../devices/signals';
import { StepList } from './StepList';
import { CountOut, TastePanel } from './TastePanel';
import { useAlarm, useSpoken } from './useCalls';
import { useAway, type Away } from './useAway';
import { useDevices, type Devices } from './useDevices';
import { useHandsFree } from './useHandsFree';
import { usePotView, type PotView, type UsedCook } from './usePotView';
import { spokenLine, stepNext, stepWords } from '../../words/potSteps';
import { callOf, restSays, ringSays, SEEN_ADVICE } from './words';
import { WeighList } from './WeighList';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

/** One signal when a step falls due, one shortly before; the fold decides the step, so a reload does not ring again. */
function useCallsOf(v: PotView, ways: Ways) {
  const { sound } = useKitchen();
  const { state, step, words } = v;
  const rung = useRef('');
  const tell = useEffectEvent((urgent: boolean, line: string) => sound.call(ways, line, urgent));
  const { due, soon, forgotten, nextSays } = v;
  useWakeAt(v.calls);
  const stirNow = v.stirDueS <= 0 && !state.paused;
  useEffect(() => {
    const key = `${state.stepIndex}${stirNow ? ` stir ${state.stirredMs}` : due ? ' due' : soon ? ' soon' : ''}`;
    if (state.paused || forgotten || step.ends === 'done' || key === rung.current || !(due || soon || stirNow)) return;
    rung.current = key;
    tell(
      due && step.ends === 'time',
      stirNow ? t('potRoom.stirNow') : due ? words.done : t('potRoom.soonNext', { nextSays }),
    );
  }, [due, soon, stirNow, state.stepIndex, state.stirredMs, state.paused, step.ends, forgotten, words.done, nextSays]);
}

/** Where the ring stands, and where it should. */
function HobLine({ v, c }: { v: PotView; c: UsedCook }) {
  const { step, setting } = v;
  return step.setting !== undefined ? (
    <View className="flex-row items-center gap-3">
      <Type kind="key" className="w-[88px]">
        {step.setting === setting
          ? setting === 0
            ? t('potRoom.hobOff')
            : t('potRoom.hobKeepIt', { setting })
          : t('potRoom.hobTurnTo', { setting, setting2: step.setting })}
      </Type>
      <HobOvals now={setting} target={step.setting} onSet={(s) => c.add({ kind: 'hobSet', setting: s })} />
    </View>
  ) : null;
}

/** What to look and listen for, what was noticed, and what comes. */
function Look({
  v,
  c,
  now,
  devices,
  away,
  onBack,
  advice,
}: {
  v: PotView;
  c: UsedCook;
  now: number;
  devices: Devices;
  away: Away | undefined;
  onBack: () => void;
  advice: Observation | undefined;
}) {
  const { fmt } = useApp();
  const { settings } = useSettings();
  const { cook, state, step, next, words, pace, setting, due } = v;
  const missing = notInYet(c.steps, state.stepIndex);
  return (
    <>
      <PotNotices
        v={v}
        away={away}
        missed={away && due && step.ends !== 'done' ? stepWords(step, cook.plan, fmt, undefined).title : undefined}
        onBack={onBack}
        devices={devices}
        ringReads={
          devices.hob && ringDiffers(cook, state.paused ? 0 : setting, devices.hob, now)
            ? devices.hob.setting
            : undefined
        }
        advice={advice}
        onAdd={c.add}
      />
      {words.cue ? (
        <Type className="border-t-hair border-line py-1.5">
          <Type kind="strong">{t('potRoom.lookListen')}</Type>
          {words.cue}
        </Type>
      ) : null}
      {(settings?.devices === 'stand-in' || settings?.devices === 'practice') && devices.sees.length ? (
        <Type kind="small" tone="quiet" testID="eye">
          {t('potRoom.theStandInPot', {
            flecks: devices.sees.map((s) => (s === 'egg in flecks' ? t('potRoom.eggInFlecks') : t(SEEN[s]))).join(', '),
          })}
        </Type>
      ) : null}
      {pace && step.heat ? (
        <Type kind="small" tone="quiet" testID="rest">
          {restSays(pace)}
        </Type>
      ) : null}
      {missing.length && step.role !== 'weigh' ? (
        <Type kind="small" tone="quiet" testID="not-in-yet">
          {t('potRoom.notInYet', { ingredientName: missing.map((p) => p.ingredient.name).join(', ') })}
        </Type>
      ) : null}
      {next ? (
        <Type kind="small" tone="quiet" className="pb-1">
          {t('potRoom.next', { next: stepNext(next) })}
        </Type>
      ) : null}
    </>
  );
}

function Panels({ v, c, now }: { v: PotView; c: UsedCook; now: number }) {
  const { cook, state, step, alarm, margins, guide } = v;
  return (
    <>
      {step.role === 'taste' || step.role === 'taste again' ? (
        <TastePanel step={step} state={state} onAdd={c.add} />
      ) : null}
      {step.role === 'count out' ? <CountOut step={step} state={state} onAdd={c.add} /> : null}
      {guide ? <GuidePanel guide={guide} state={state} now={now} stirDueS={v.stirDueS} onAdd={c.add} /> : null}
      <Margins margins={margins} />
      <Ahead v={v} now={now} />
      <MendPanel
        cook={cook}
        step={step.id}
        asked={
          v.of !== undefined &&
          !cook.plan.asItIs &&
          step.heat !== undefined &&
          !state.paused &&
          !alarm &&
          v.of.forecast.serving.word !== cook.plan.serve.word
        }
        onAdd={c.add}
      />
    </>
  );
}

function TopLine({ v, c, now, probeC }: { v: PotView; c: UsedCook; now: number; probeC: number | undefined }) {
  const { fmt } = useApp();
  const { cook, state } = v;
  const silent = useSilent();
  return (
    <View className="min-h-[64px] flex-row flex-wrap items-center gap-x-3 border-b-rim border-ink px-3 py-1.5 wide:px-6 flat:min-h-[52px] flat:py-0">
      <Tag letter={cook.plan.name[0]!.toUpperCase()} />
      <View className="min-w-[7.5rem] flex-1">
        <Type kind="title" level={1}>
          {cook.plan.name}
        </Type>
        <Type kind="small" tone="quiet">
          {t('potRoom.stepOf', {
            stepIndex: state.stepIndex + 1,
            steps: c.steps.length,
            now: fmt.time(now),
            // in the place of another word: nothing moves when it goes
            doneMs: silent
              ? t('shared.silentUntilTouched')
              : v.doneMs === undefined
                ? ''
                : t('potRoom.doneAbout', { doneMs: fmt.time(v.doneMs) }),
            probeC: probeC === undefined ? '' : t('potRoom.probe', { probeC: fmt.temp(probeC) }),
          })}
        </Type>
      </View>
      <RescueKey cookId={cook.id} />
    </View>
  );
}

/** On a wide screen: where it is heading, in words. */
function WideHeading({ v }: { v: PotView }) {
  const { fmt } = useApp();
  const { cook, shown, reading } = v;
  return shown ? (
    <>
      <View>
        <Type kind="title" level={2}>
          {t('potRoom.hotCold', { word: t(`word.${shown.hot.word}`), word2: t(`word.${shown.serving.word}`) })}
        </Type>
        <Type kind="small" tone="quiet">{`${t(`word.${cook.plan.serve.word}`)} ${chanceWords(shown.chance)}`}</Type>
      </View>
      <HeadingStrip v={v} labels />
      {reading ? (
        <Type kind="small" tone="quiet">
          {t('potRoom.theModelsPotDegreesAre', {
            massG: fmt.grams(reading.massG),
            ring: ringSays(v.live!.live.twin.ring),
          })}
        </Type>
      ) : null}
    </>
  ) : null;
}

/** What a screen reader is told: the step, soon, due; and what calls. Both are there before anything is said in them. */
function Told({ urgent, told }: { urgent: string; told: string }) {
  return (
    <>
      <View role="status" aria-live="polite" className="sr-only" testID="told">
        <Type>{told}</Type>
      </View>
      <View role="alert" aria-live="assertive" className="sr-only" testID="told-urgent">
        <Type>{urgent}</Type>
      </View>
    </>
  );
}

/** The pot that is on: the one thing now, how far it is from harm, and what else may be said of it. */
export function LivePot({ c }: { c: UsedCook }) {
  const { fmt, setWhere } = useApp();
  const router = useRouter();
  const { settings, change } = useSettings();
  const now = useNow(1000);
  const v = usePotView(c, now);
  const { cook, state, step, words, alarm } = v;
  const reduced = useReducedMotion();
  const [more, setMore] = useState(false);
  const [advice, setAdvice] = useState<Observation | undefined>();
  const [said, setSaid] = useState<{ text: string; stepId: string; atMs: number }>();
  const ways = useWays();
  const big = settings?.bigType ?? false;
  const left = settings?.leftHanded ?? false;
  const devices = useDevices(settings?.devices ?? 'none', cook, c.steps, c.add, settings?.measured);
  const { away, clear } = useAway(cook.id, (byMs) => c.add({ kind: 'clock', byMs }));

  // before it is drawn: the way to the other rooms goes at once, not under a thumb
  useLayoutEffect(() => {
    setWhere({ cookId: cook.id, live: true });
    return () => setWhere({ live: false });
  }, [cook.id, setWhere]);
  useAwake();
  const leftMin = state.paused || v.never || step.ends === 'done' ? 0 : Math.max(0, Math.ceil(v.leftS / 60));
  useEffect(() => {
    badge(leftMin);
    return () => badge(0);
  }, [leftMin]);

  const { quiet, hush } = useAlarm(alarm, ways);
  const calling = alarm !== undefined && !quiet;
  const sayAgain = useSpoken(alarm ? undefined : spokenLine(words), ways.speaks && !state.paused);
  useCallsOf(v, ways);
  const { forgotten, nextSays } = v;
  const told = state.paused
    ? t('potRoom.pausedHobCountedAsOff')
    : `${words.title}. ${v.due && step.ends === 'time' ? words.done : v.soon ? t('potRoom.soonNext', { nextSays }) : ''}`;

  const finish = () => {
    setAdvice(undefined);
    c.add(...(step.cue ? [{ kind: 'observed' as const, what: step.cue }] : []), { kind: 'stepDone', step: step.id });
  };
  /** What a tap did stands in the oval for a while, or until the step is another. */
  const say = (text: string) => setSaid({ text, stepId: step.id, atMs: now });
  const answer =
    said && said.stepId === step.id && now - said.atMs < ANSWER_MS && !state.paused ? said.text : undefined;
  const see = (what: Observation) => {
    const todo = SEEN_ADVICE[what];
    setAdvice(todo ? what : undefined);
    say(todo ? t(todo) : t('potRoom.noted', { what: t(SEEN[what]) }));
    c.add({ kind: 'observed', what });
  };
  const pause = () => c.add({ kind: state.paused ? 'resumed' : 'paused' });
  // what calls is answered first: no key that is hit by the way ends a step meanwhile
  const handsDone = () => (calling ? hush() : finish());
  useHandsFree({
    done: handsDone,
    words: {
      done: handsDone,
      undo: () => c.undo(),
      pause: () => !state.paused && pause(),
      'go on': () => state.paused && pause(),
      repeat: () => sayAgain(),
      quiet: () => hush(),
      lumps: () => see('lumps'),
      stir: () => c.add({ kind: 'stirred' }),
    },
    listens: settings?.listens ?? false,
    refused: () => change({ listens: false }),
    busy: more,
  });

  const others = c.cooks.filter((o) => o.id !== cook.id && !o.batchId && stillOn(o, now));
  /** the model has not said anything of a fire yet: what it will say has its room */
  const coming = step.heat !== undefined && !v.live && !v.blind;
  const looking = { v, c, now, devices, away, onBack: clear, advice };

  return (
    <View
      role="main"
      id="room"
      className="min-h-0 flex-1"
      {...({ tabIndex: -1, dataSet: { liveAt: v.live?.atMs } } as object)}
    >
      <Head>
        <title>
          {t('potRoom.ovalis', {
            call: alarm ? `${callOf(alarm).call} · ` : leftMin ? t('potRoom.minLeft', { count: leftMin }) : '',
            title: words.title,
            cookName: cook.plan.name,
          })}
        </title>
      </Head>
      <Told urgent={alarm ? `${callOf(alarm).call}. ${callOf(alarm).act}.` : ''} told={told} />
      {calling && !alarm.asks && ways.flashes ? <Flash steady={reduced} now={now} /> : null}
      <TopLine v={v} c={c} now={now} probeC={devices.probeC} />
      <View className={others.length ? 'wide:flex-row' : ''}>
        <View className="wide:min-w-0 wide:flex-1">
          {others.map((o) => (
            <OtherPot key={o.id} cook={o} now={now} ways={ways} onGo={() => router.setParams({ cook: o.id })} />
          ))}
        </View>
        {big ? null : <SidePots cook={cook} state={state} now={now} ways={ways} onAdd={c.add} />}
      </View>
      <View className={`min-h-0 flex-1 ${left ? 'wide:flex-row-reverse' : 'wide:flex-row'}`}>
        <View className={`min-h-0 flex-1 wide:min-w-0 ${left ? 'flat:flex-row-reverse' : 'flat:flex-row'}`}>
          {/* on the phone what comes later comes below: nothing moves under a thumb */}
          <ScrollView
            className="flex-1"
            contentContainerClassName={`grow ${big ? 'justify-center' : 'wide:justify-center'}`}
          >
            {forgotten ? (
              <View className="px-4">
                <Notice text={t('potRoom.thisStepHasRunFar', { ran: fmt.hours(v.ran / 3600) })} />
              </View>
            ) : null}
            {step.role === 'weigh' ? (
              <WeighList
                plan={cook.plan}
                weighed={state.weighed}
                onWeighed={(item) => c.add({ kind: 'weighed', item })}
                title={words.title}
                manner={words.manner}
              />
            ) : (
              <View
                className={`mx-auto w-full px-1 ${big ? 'max-w-[720px] wide:max-w-[min(620px,calc(90vh-240px))]' : 'max-w-[600px] wide:max-w-[min(470px,calc(90vh-300px))] flat:max-w-[330px]'}`}
              >
                <PotFace v={v} big={big} answer={answer} onHeld={() => setMore(true)} />
              </View>
            )}
            {big ? null : (
              <View className="mx-auto w-full max-w-[640px] gap-1.5 px-4 wide:hidden">
                <HobLine v={v} c={c} />
                <Panels v={v} c={c} now={now} />
                <GoesIn step={step} />
                <Heading v={v} />
                <Look {...looking} />
              </View>
            )}
          </ScrollView>
          <PotKeys
            v={v}
            c={c}
            calling={calling}
            big={big}
            left={left}
            onHush={hush}
            onDone={finish}
            onSee={see}
            onSaid={say}
            onPause={pause}
            onMore={() => setMore(true)}
          />
        </View>
        <View
          {...({ tabIndex: 0 } as object)}
          className={`hidden w-[360px] gap-4 overflow-y-auto border-ink px-5 py-4 wide:flex flat:hidden ${left ? 'border-r-rim' : 'border-l-rim'}`}
        >
          <GoesIn step={step} />
          <HobLine v={v} c={c} />
          {/* room for what the model has not said yet */}
          <View className={clsx('gap-4', coming && 'min-h-[92px]')}>
            <Panels v={v} c={c} now={now} />
          </View>
          <View className={clsx('gap-4', coming ? 'min-h-[216px]' : !v.shown && 'min-h-[146px]')}>
            <WideHeading v={v} />
          </View>
          <View>
            <Look {...looking} />
          </View>
          <StepList steps={c.steps} state={state} plan={cook.plan} />
          <Type>
            <Type kind="strong">{t('potRoom.why')}</Type>
            {words.why}
          </Type>
        </View>
      </View>
      <MoreSheet
        open={more}
        onClose={() => setMore(false)}
        c={c}
        why={words.why}
        onSee={see}
        devices={devices}
        now={now}
        next={nextSays}
      />
    </View>
  );
}

/** Where this pot is heading, against the word that is wanted. */
function HeadingStrip({ v: { shown, cook }, labels = false }: { v: PotView; labels?: boolean }) {
  return shown ? (
    <SetStrip
      place={shown.serving.place}
      low={shown.doubt.low}
      high={shown.doubt.high}
      wanted={aimPlace(cook.plan.serve.word)}
      labels={labels}
      label={t('potRoom.headingForAtServing', { word: t(`word.${shown.serving.word}`) })}
    />
  ) : null;
}

/** Where this pot is heading, on one line: the strip and its words. */
function Heading({ v }: { v: PotView }) {
  const { shown, step } = v;
  if (!shown || step.role === 'weigh') return null;
  return (
    <View className="flex-row items-center gap-4">
      <View className="w-[190px]">
        <HeadingStrip v={v} />
      </View>
      <View className="min-w-0 flex-1">
        <Type kind="title">{t(`word.${shown.serving.word}`)}</Type>
        <Type kind="small" tone="quiet">
          {t('potRoom.coldHot', { word: t(`word.${shown.hot.word}`) })}
        </Type>
      </View>
    </View>
  );
}

/** ms that the answer to a tap stands in the oval. */
const ANSWER_MS = 20_000;

/** A pot that nobody has touched for so long is not on any more. */
const ABANDONED_MS = 6 * 3_600_000;

/** A pot that was lit and not yet poured. */
function stillOn(cook: UsedCook['cooks'][number], now: number): boolean {
  const last = cook.events.at(-1);
  if (!last || now - Date.parse(last.at) > ABANDONED_MS) return false;
  const steps = stepsOf(cook.plan, { phases: [] }, changesOf(cook));
  return foldCook(cook, steps).stage === 'cooking';
}

/** The rim of the screen in scorch, once a second; steady where motion is unwanted. */
function Flash({ steady, now }: { steady: boolean; now: number }) {
  const on = steady || Math.floor(now / 1000) % 2 === 0;
  return on ? (
    <View
      aria-hidden
      className="pointer-events-none absolute inset-0 z-10 border-[10px] border-scorch"
      testID="flash"
    />
  ) : null;
}

import { activateKeepAwakeAsync, deactivateKeepAwake } from 'expo-keep-awake';
import Head from 'expo-router/head';
import { useLocalSearchParams, useRouter } from 'expo-router';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import StepBack from 'lucide-react-native/icons/step-back';
import Undo2 from 'lucide-react-native/icons/undo-2';
import Volume2 from 'lucide-react-native/icons/volume-2';
import VolumeX from 'lucide-react-native/icons/volume-x';
import { useEffect, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { Observation } from '../../core/cook/events';
import { stepSeconds } from '../../core/cook/fold';
import { stripMiddle } from '../../core/texture/words';
import { SCORCH } from '../../core/pot/scorch';
import { useCollection, useSave, useSettings } from '../../storage/hooks';
import { HobOvals } from '../../ui/HobOvals';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { PotEllipse } from '../../ui/PotEllipse';
import { Row } from '../../ui/Row';
import { SetStrip } from '../../ui/SetStrip';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { chanceWords } from '../shared/format';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useCook } from '../shared/useCook';
import { useMounted, useNow } from '../shared/useNow';
import { MoreSheet } from './MoreSheet';
import { StepList } from './StepList';
import { signal, wakeSound } from './signal';
import { useLive } from './useLive';
import { SEEN, SEEN_ADVICE, stepNext, stepWords } from './words';
import { WeighList } from './WeighList';

/** A step that has run this much longer than expected was most likely interrupted. */
const FORGOTTEN_S = 30 * 60;
const WAKE = 'ovalis-pot';

export function PotRoom() {
  const { cook: cookId } = useLocalSearchParams<{ cook?: string }>();
  const { where, ready } = useApp();
  const mounted = useMounted();
  const c = useCook(mounted ? (cookId ?? where.cookId) : undefined);
  if (mounted && c.cook && c.state?.stage === 'cooking' && c.steps.length) return <LivePot c={c} />;
  return <NoPot ready={mounted && ready && c.loaded} poured={mounted ? c.cook : undefined} />;
}

type UsedCook = ReturnType<typeof useCook>;

function NoPot({ ready, poured }: { ready: boolean; poured: UsedCook['cook'] }) {
  const router = useRouter();
  const { fmt, setWhere } = useApp();
  const plans = useCollection('plans');
  const cooks = useCollection('cooks');
  const save = useSave('cooks');
  useEffect(() => setWhere({ live: false }), [setWhere]);
  const start = (planId: string) => {
    const plan = plans.data?.find((p) => p.id === planId);
    if (!plan) return;
    const id = newId('cook');
    save.mutate({ id, plan, events: [{ kind: 'started', id: newId('e'), at: nowIso() }] });
    setWhere({ cookId: id });
    router.setParams({ cook: id });
  };
  const going = (cooks.data ?? []).filter((c) => !c.batchId && c.id !== poured?.id);
  return (
    <Room name="Pot" title="Pot" sub={ready ? 'nothing on the hob' : undefined}>
      {ready ? (
        <View className="mx-auto w-full max-w-[640px] px-4">
          {poured ? (
            <View className="gap-3 py-4">
              <Type kind="title" level={2}>{`${poured.plan.name} is poured`}</Type>
              <Key
                kind="yolk"
                size="act"
                label="See it set"
                onPress={() => router.push(`/set?cook=${poured.id}` as '/set')}
              />
            </View>
          ) : (
            <Empty word="nothing on yet" text="Pick a plan. The pot runs from it, step by step." />
          )}
          <Type kind="title" level={2}>
            Start one
          </Type>
          {(plans.data ?? []).map((p, i) => (
            <Row
              key={p.id}
              title={p.name}
              sub={`${p.people} people, ${fmt.time(Date.parse(p.serve.at))}`}
              left={<Tag letter={p.name[0]!.toUpperCase()} tint={i} />}
              value="Cook"
              onPress={() => start(p.id)}
            />
          ))}
          {plans.data?.length === 0 ? <Key label="Plan a pudding first" onPress={() => router.push('/plan')} /> : null}
          {going.length ? (
            <>
              <Type kind="title" level={2} className="pt-4">
                Still going
              </Type>
              {going.map((c) => (
                <Row
                  key={c.id}
                  title={c.plan.name}
                  sub={`since ${fmt.time(Date.parse(c.events[0]?.at ?? nowIso()))}`}
                  onPress={() => router.setParams({ cook: c.id })}
                />
              ))}
            </>
          ) : null}
        </View>
      ) : null}
    </Room>
  );
}

function LivePot({ c }: { c: UsedCook }) {
  const { fmt, setWhere } = useApp();
  const { settings, change } = useSettings();
  const cook = c.cook!;
  const state = c.state!;
  const now = useNow(1000);
  const [more, setMore] = useState(false);
  const [advice, setAdvice] = useState<Observation | undefined>();
  const live = useLive(cook, c.steps, now, c.forecast !== undefined);
  const step = c.steps[state.stepIndex]!;
  const next = c.steps[state.stepIndex + 1];
  const words = stepWords(step, cook.plan, fmt, c.forecast?.depthMm);
  const ran = stepSeconds(state, now);
  const left =
    step.ends === 'cue' && live ? live.live.cueInS - (state.paused ? 0 : (now - live.atMs) / 1000) : step.seconds - ran;
  const never = step.ends === 'cue' && live !== undefined && Number.isNaN(live.live.cueInS) && state.setting !== 0;
  const due = !never && left <= 0;
  const forgotten = ran > step.seconds + FORGOTTEN_S;
  const setting = state.setting ?? step.setting ?? 0;
  const shown = live?.live.forecast ?? c.forecast;
  const reading = live?.live.now;
  const film = !reading
    ? 'cool'
    : reading.scorch > SCORCH.film || reading.panC > 125
      ? 'sticking'
      : reading.panC > 101
        ? 'warm'
        : 'cool';

  useEffect(() => {
    setWhere({ cookId: cook.id, live: true });
    return () => setWhere({ live: false });
  }, [cook.id, setWhere]);
  useEffect(() => {
    void activateKeepAwakeAsync(WAKE).catch(() => undefined);
    return () => void Promise.resolve(deactivateKeepAwake(WAKE)).catch(() => undefined);
  }, []);

  // one signal when a step falls due, one shortly before; the fold decides the step, so a reload does not ring again
  const rung = useRef('');
  const sound = settings?.sound ?? true;
  useEffect(() => {
    const soon = step.ends !== 'done' && left <= 15 && left > 0;
    const key = `${state.stepIndex}${due ? ' due' : soon ? ' soon' : ''}`;
    if (state.paused || forgotten || step.ends === 'done' || key === rung.current || !(due || soon)) return;
    rung.current = key;
    if (sound) signal(due && step.ends === 'time');
  }, [due, left, state.stepIndex, state.paused, step.ends, sound, forgotten]);

  const finish = () => {
    wakeSound();
    setAdvice(undefined);
    c.add(...(step.cue ? [{ kind: 'observed' as const, what: step.cue }] : []), { kind: 'stepDone', step: step.id });
  };
  const see = (what: Observation) => {
    wakeSound();
    setAdvice(SEEN_ADVICE[what] ? what : undefined);
    c.add({ kind: 'observed', what });
  };

  const hob =
    step.setting !== undefined ? (
      <View className="flex-row items-center gap-3">
        <Type kind="key" className="w-[132px]">
          {step.setting === setting
            ? setting === 0
              ? 'hob off'
              : `hob ${setting}, keep it`
            : `hob ${setting}, turn to ${step.setting}`}
        </Type>
        <HobOvals now={setting} target={step.setting} onSet={(s) => c.add({ kind: 'hobSet', setting: s })} />
      </View>
    ) : null;
  const look = (
    <>
      {advice ? <Notice text={SEEN_ADVICE[advice]!} /> : null}
      <Type className="border-t-hair border-line py-1.5">
        <Type kind="strong">Look, listen </Type>
        {words.cue}
      </Type>
      {next ? (
        <Type kind="small" tone="quiet" className="pb-1">
          {`Next: ${stepNext(next)}`}
        </Type>
      ) : null}
    </>
  );

  const keys = (
    <View className="gap-2 px-3 wide:px-6">
      <View className="gap-2 wide:flex-row">
        <Key
          kind="yolk"
          size="act"
          testID="step-done"
          label={words.done}
          {...(step.ends === 'time' && left > 0 ? { sub: `${fmt.countdown(left)} left` } : {})}
          onPress={finish}
          className="wide:min-w-[240px]"
        />
        {step.watch.length ? (
          <View className="flex-row gap-2 wide:flex-1">
            {step.watch.slice(0, 3).map((what) => (
              <Key key={what} size="live" label={SEEN[what]} onPress={() => see(what)} className="flex-1" />
            ))}
          </View>
        ) : null}
      </View>
      <View className="flex-row gap-2 pb-2">
        <Key
          label="Back"
          icon={StepBack}
          stacked
          disabled={state.stepIndex === 0}
          onPress={() => c.add({ kind: 'steppedBack' })}
          className="flex-1"
        />
        <Key
          label={state.paused ? 'Go on' : 'Pause'}
          icon={state.paused ? Play : Pause}
          stacked
          onPress={() => c.add({ kind: state.paused ? 'resumed' : 'paused' })}
          className="flex-1"
        />
        <Key label="Undo" icon={Undo2} stacked disabled={!c.lastUndoable} onPress={c.undo} className="flex-1" />
        <Key
          label={sound ? 'Mute' : 'Sound'}
          icon={sound ? Volume2 : VolumeX}
          stacked
          onPress={() => change({ sound: !sound })}
          className="flex-1"
        />
        <Key label="More" icon={Ellipsis} stacked onPress={() => setMore(true)} className="flex-1" />
      </View>
    </View>
  );

  return (
    <View role="main" className="min-h-0 flex-1">
      <Head>
        <title>{`${words.title} · ${cook.plan.name} · Ovalis`}</title>
      </Head>
      <View className="min-h-[64px] flex-row items-center gap-3 border-b-rim border-ink px-3 py-1.5 wide:px-6">
        <Tag letter={cook.plan.name[0]!.toUpperCase()} />
        <View className="min-w-0 flex-1">
          <Type kind="title" level={1}>
            {cook.plan.name}
          </Type>
          <Type kind="small" tone="quiet">{`step ${state.stepIndex + 1} of ${c.steps.length}, ${fmt.time(now)}`}</Type>
        </View>
      </View>
      <View className="min-h-0 flex-1 wide:flex-row">
        <View className="min-h-0 flex-1 wide:min-w-0">
          <ScrollView className="flex-1" contentContainerClassName="grow justify-center">
            {forgotten ? (
              <View className="px-4">
                <Notice
                  text={`This step has run ${fmt.hours(ran / 3600)}, far longer than planned. If the pot is still on, take it off now. If it was done long ago, step on; what was left out of the cold for two hours is not safe to eat.`}
                />
              </View>
            ) : null}
            {step.id === 'weigh' ? (
              <WeighList
                step={step}
                weighed={state.weighed}
                onWeighed={(item) => c.add({ kind: 'weighed', item })}
                title={words.title}
                manner={words.manner}
              />
            ) : (
              <View className="mx-auto w-full max-w-[600px] px-1 wide:max-w-[470px]">
                <PotEllipse
                  used={
                    step.ends === 'cue'
                      ? ran / Math.max(1, ran + Math.max(0, left || 0))
                      : ran / Math.max(1, step.seconds)
                  }
                  {...(step.stirEveryS !== undefined && !state.paused ? { paceS: step.stirEveryS } : {})}
                  swelling={(reading?.gelatinised ?? 0) * (reading?.swelling ?? 0)}
                  film={film}
                  rows={
                    reading
                      ? [
                          { label: 'heart', value: fmt.deg(reading.bulkC) },
                          { label: 'bottom film', value: fmt.deg(reading.filmC), harm: film === 'sticking' },
                          { label: 'pan floor', value: fmt.deg(reading.panC), harm: film === 'sticking' },
                        ]
                      : []
                  }
                  label={`Pot: ${words.title}. ${words.manner}.`}
                >
                  <Type kind="strong" tone="quiet" className="text-center">
                    {state.paused
                      ? 'paused, hob counted as off'
                      : never
                        ? 'not on this setting'
                        : due
                          ? step.ends === 'time'
                            ? 'over by'
                            : step.ends === 'cue'
                              ? 'any moment'
                              : 'take your time'
                          : words.until}
                  </Type>
                  {never || (due && step.ends !== 'time') ? null : (
                    <Type kind="number" role="timer" testID="step-time">
                      {fmt.countdown(Math.abs(left))}
                    </Type>
                  )}
                  <Pressable onLongPress={() => setMore(true)}>
                    <Type kind="instruction" level={2} className="text-center" testID="instruction">
                      {never ? 'Turn it up' : words.title}
                    </Type>
                  </Pressable>
                  <Type className="pt-1 text-center">{words.manner}</Type>
                </PotEllipse>
              </View>
            )}
            <View className="mx-auto w-full max-w-[640px] gap-1 px-4 wide:hidden">
              {hob}
              {shown && step.id !== 'weigh' ? (
                <View className="flex-row items-center gap-4">
                  <View className="w-[190px]">
                    <SetStrip
                      place={shown.serving.place}
                      low={shown.doubt.low}
                      high={shown.doubt.high}
                      wanted={stripMiddle(cook.plan.serve.word)}
                      label={`Heading for ${shown.serving.word} at serving`}
                    />
                  </View>
                  <View className="min-w-0 flex-1">
                    <Type kind="title">{shown.serving.word}</Type>
                    <Type kind="small" tone="quiet">{`cold; hot: ${shown.hot.word}`}</Type>
                  </View>
                </View>
              ) : null}
              {look}
            </View>
          </ScrollView>
          {keys}
        </View>
        <View
          {...({ tabIndex: 0 } as object)}
          className="hidden w-[360px] gap-4 overflow-y-auto border-l-rim border-ink px-5 py-4 wide:flex"
        >
          {shown ? (
            <>
              <View>
                <Type kind="title" level={2}>{`${shown.hot.word} hot, ${shown.serving.word} cold`}</Type>
                <Type kind="small" tone="quiet">{`${cook.plan.serve.word} ${chanceWords(shown.chance)}`}</Type>
              </View>
              <SetStrip
                place={shown.serving.place}
                low={shown.doubt.low}
                high={shown.doubt.high}
                wanted={stripMiddle(cook.plan.serve.word)}
                labels
                label={`Heading for ${shown.serving.word} at serving`}
              />
              {reading ? (
                <Type
                  kind="small"
                  tone="quiet"
                >{`The model's pot: ${fmt.grams(reading.massG)}, ${live!.live.powerFactor === 1 ? 'ring taken as rated' : `your ring gives ${Math.round(live!.live.powerFactor * 100)} % of its rating`}. Degrees are worked out, not measured: trust the bubble and the spoon first.`}</Type>
              ) : null}
            </>
          ) : null}
          {hob}
          <View>{look}</View>
          <StepList steps={c.steps} state={state} plan={cook.plan} />
          <Type>
            <Type kind="strong">Why </Type>
            {words.why}
          </Type>
        </View>
      </View>
      <MoreSheet open={more} onClose={() => setMore(false)} c={c} why={words.why} onSee={see} />
    </View>
  );
}

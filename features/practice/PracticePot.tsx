import Head from 'expo-router/head';
import { useRouter } from 'expo-router';
import RotateCcw from 'lucide-react-native/icons/rotate-ccw';
import Volume2 from 'lucide-react-native/icons/volume-2';
import VolumeX from 'lucide-react-native/icons/volume-x';
import { useEffect, useLayoutEffect, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { EGG } from '../../core/pot/egg';
import { EXERCISE_IDS } from '../../core/practice/exerciseIds';
import type { Run } from '../../core/practice/act';
import type { Opened } from '../../workers/practice';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useReducedMotion } from '../../ui/useMotion';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { errorSays } from '../shared/errorSays';
import { newId, nowIso } from '../shared/ids';
import { useKitchen } from '../shared/kitchen';
import { fileName, saveFile } from '../shared/saveFile';
import { useSave } from '../shared/stored';
import { BenchSheet } from './BenchSheet';
import { DebriefPart, goalSays } from './DebriefPart';
import { DishPart } from './DishPart';
import { HandsSheet, type Hand } from './HandsSheet';
import { keepOpen, keepTried } from './kept';
import { PotCanvas } from './PotCanvas';
import { backTo, newsOf } from './potNews';
import { Face, SoFar, Why } from './PracticeFace';
import { PracticeFoot } from './PracticeFoot';
import { clockOf } from './RunChart';
import { useSecondScreen, useSound } from './usePotAround';
import { usePracticePot } from './usePracticePot';
import { useSpoon } from './useSpoon';

/** The pot to be spoilt: no instruction, every figure from the model. */
export function PracticePot({
  opened,
  startS,
  title,
  onLeave,
}: {
  opened: Opened & { fresh?: Run };
  startS: number;
  title: string;
  onLeave: () => void;
}) {
  const { fmt, tell, setWhere } = useApp();
  const router = useRouter();
  const [told, setTold] = useState(false);
  const p = usePracticePot(opened.run, startS, told);
  const f = p.shown;
  const [hand, setHand] = useState<Hand>({ everyS: 3, tool: 'spoon' });
  const spoon = useSpoon(p, hand);
  const [sheet, setSheet] = useState<'bench' | 'hands' | undefined>();
  const [heard, setHeard] = useState(false);
  const exercise = EXERCISE_IDS.find((e) => e === opened.run.exercise);
  const name = exercise ? t(`practice.exercise.${exercise}`) : p.run.plan.name;
  const savePlan = useSave('plans');
  const still = useReducedMotion();
  // as at a real pot: nothing at the foot that a wet sleeve could hit
  const on = !p.judged && !p.judging;
  useLayoutEffect(() => {
    setWhere({ live: on });
    return () => setWhere({ live: false });
  }, [on, setWhere]);
  useSound(f, heard, p.running);
  useSecondScreen(p, told);

  const finish = async () => {
    const endS = Math.max(p.run.fromS, Math.round(p.nowS()), p.restS ?? 0);
    const done = p.run.acts.filter((a) => a.atS <= endS);
    // in the pot it is poured now, in the dish it goes to the table
    const left = done.some((a) => a.do === 'pour' || a.do === 'bake' || a.do === 'stand');
    const last = left ? { do: 'serve' as const, atS: endS } : { do: 'pour' as const, atS: endS };
    await p.judge(endS, { ...p.run, acts: [...done.filter((a) => a.do !== 'serve'), last] });
  };
  // what came of an exercise is kept once it is known
  const { judged } = p;
  useEffect(() => {
    if (judged && opened.run.exercise) keepTried(opened.run.exercise, judged.met, nowIso());
  }, [judged, opened.run.exercise]);

  const takeAsPlan = async () => {
    const plan = await askPlan();
    savePlan.mutate(plan);
    setWhere({ planId: plan.id });
    router.push(`/plan?id=${plan.id}` as '/plan');
  };
  const { ask } = useKitchen();
  const askPlan = () =>
    ask('practiceAsPlan', [
      p.run,
      newId('plan'),
      t('practice.asPractised', { name }),
      judged?.endS ?? Math.round(p.nowS()),
    ]);

  const news = f && newsOf(f);
  const inPot = new Set(
    p.run.acts.flatMap((a) => (a.do === 'add' && a.bowl && a.atS <= (f?.tS ?? Infinity) ? [a.bowl] : [])),
  );
  const back = f ? backTo(f, p.run.fromS) : 0;
  const head = (
    <View className="min-h-[64px] flex-row flex-wrap items-center gap-x-3 border-b-rim border-ink px-3 py-1.5 wide:px-6 flat:min-h-[50px] flat:py-0">
      <View className="min-w-[7rem] flex-1">
        <Type kind="title" level={1}>
          {title}
        </Type>
        <Type kind="small" tone="quiet">
          {t('practice.nothingIsSpoiled', { name: f ? fmt.grams(f.massG) : '' })}
        </Type>
      </View>
      <Key
        label={heard ? t('practice.quiet') : t('practice.hear')}
        icon={heard ? VolumeX : Volume2}
        stacked
        role="checkbox"
        selected={heard}
        onPress={() => setHeard(!heard)}
      />
      <Key
        label={t('practice.newPot')}
        icon={RotateCcw}
        stacked
        onPress={() => {
          keepOpen(undefined);
          onLeave();
        }}
      />
    </View>
  );
  const goals = (
    <View className="gap-0.5" testID="goals">
      <Type kind="strong">{t('practice.goal')}</Type>
      {opened.goals.map((g) => (
        <Type key={goalSays(g, p.run.plan)}>{goalSays(g, p.run.plan)}</Type>
      ))}
      {exercise ? (
        <Type tone="quiet">
          {t(`practice.hint.${exercise}`, { setC: fmt.temp(EGG.setC), curdC: fmt.temp(EGG.curdC) })}
        </Type>
      ) : null}
    </View>
  );

  if (judged || p.judging) {
    return (
      <Around title={title} head={head}>
        <ScrollView className="flex-1" {...({ tabIndex: 0 } as object)} role="group" aria-label={title}>
          <View className="mx-auto w-full max-w-[720px]">
            {judged ? (
              <DebriefPart judged={judged} run={p.run} endS={judged.endS} onBack={p.goBack} />
            ) : (
              <Type kind="title" className="p-6" aria-live="polite">
                {t('practice.cookingAgain')}
              </Type>
            )}
            {judged ? (
              <View className="flex-row flex-wrap gap-2 px-4 pb-8 wide:px-6">
                <Key
                  kind="yolk"
                  size="act"
                  label={t('practice.tryAgain')}
                  onPress={() => p.again(opened.fresh ?? opened.run)}
                  testID="again"
                />
                <Key size="act" label={t('practice.takeAsPlan')} onPress={() => void takeAsPlan()} testID="take-plan" />
                <Key
                  size="act"
                  label={t('practice.saveRun')}
                  onPress={() => saveFile(`ovalis-practice-${fileName(name)}.json`, JSON.stringify(p.run))}
                />
              </View>
            ) : null}
          </View>
        </ScrollView>
      </Around>
    );
  }

  return (
    <Around title={title} head={head}>
      <View role="status" aria-live="polite" className="sr-only">
        <Type>
          {news ? t('practice.at', { at: clockOf(news.atS), what: t(`practice.happened.${news.what}`) }) : ''}
        </Type>
      </View>
      <View className="min-h-0 flex-1 wide:flex-row">
        <View className="min-h-0 flex-1 wide:min-w-0 flat:flex-row">
          <ScrollView
            className="flex-1"
            {...({ tabIndex: 0 } as object)}
            role="group"
            aria-label={t('practice.thePot')}
            contentContainerClassName="grow"
          >
            {p.failed ? <Notice text={tell(errorSays(p.failed))} /> : null}
            {f?.left && f.dish ? (
              <DishPart f={f} plan={p.run.plan} />
            ) : (
              <View className="relative mx-auto w-full max-w-[430px] px-1 wide:max-w-[min(430px,calc(90vh-330px))] flat:max-w-[300px]">
                <PotCanvas
                  frames={p.frames}
                  still={still}
                  label={
                    f
                      ? t('practice.potSays', {
                          bulkC: fmt.temp(f.bulkC),
                          setting: f.setting,
                          stirred: f.everyS === null ? t('practice.notStirredNow') : t('practice.stirredNow'),
                        })
                      : t('practice.thePot')
                  }
                  onHand={spoon.draw}
                />
                {f ? <Face f={f} drawn={spoon.drawn} /> : null}
              </View>
            )}
            <View className="mx-auto w-full max-w-[640px] gap-1.5 px-4 pb-2 wide:hidden">
              {news ? <Why what={news.what} /> : goals}
              {p.trace.length > 2 ? <SoFar p={p} /> : null}
            </View>
          </ScrollView>
          {f ? (
            <PracticeFoot
              p={p}
              f={f}
              hand={hand}
              spoon={spoon}
              back={back}
              calls={opened.goals.some((g) => g.of === 'call')}
              onSheet={setSheet}
              onFinish={() => void finish()}
            />
          ) : null}
        </View>
        <View
          {...({ tabIndex: 0 } as object)}
          role="group"
          aria-label={t('practice.goal')}
          className="hidden w-[340px] gap-4 overflow-y-auto border-l-rim border-ink px-5 py-4 wide:flex"
        >
          {goals}
          {news ? <Why what={news.what} /> : null}
          {p.trace.length > 2 ? <SoFar p={p} /> : null}
          <Key
            role="checkbox"
            selected={told}
            label={t('practice.secondScreen')}
            onPress={() => setTold(!told)}
            testID="second-screen"
          />
          <Type kind="small" tone="quiet">
            {t('practice.secondScreenSays')}
          </Type>
        </View>
      </View>
      {f ? (
        <>
          <BenchSheet
            open={sheet === 'bench'}
            bench={opened.bench}
            plan={p.run.plan}
            inPot={inPot}
            onAdd={p.act}
            onClose={() => setSheet(undefined)}
          />
          <HandsSheet
            open={sheet === 'hands'}
            frame={f}
            hand={hand}
            bakes={p.run.plan.choices.ovenC}
            onHand={setHand}
            onAct={p.act}
            onClose={() => setSheet(undefined)}
          />
        </>
      ) : null}
    </Around>
  );
}

/** The room around the pot and around its debrief: one head, one name in the tab. */
function Around({ title, head, children }: { title: string; head: ReactNode; children: ReactNode }) {
  return (
    <View role="main" id="room" {...({ tabIndex: -1 } as object)} className="min-h-0 flex-1">
      <Head>
        <title>{t('shared.ovalis', { name: title })}</title>
      </Head>
      {head}
      {children}
    </View>
  );
}

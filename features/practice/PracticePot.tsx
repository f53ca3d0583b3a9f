import { useRouter } from 'expo-router';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import RotateCcw from 'lucide-react-native/icons/rotate-ccw';
import Volume2 from 'lucide-react-native/icons/volume-2';
import VolumeX from 'lucide-react-native/icons/volume-x';
import { useEffect, useEffectEvent, useLayoutEffect, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import Head from 'expo-router/head';
import type { Happening } from '../../core/practice/replay';
import { EXERCISE_IDS } from '../../core/practice/exerciseIds';
import { EGG } from '../../core/pot/egg';
import type { Frame } from '../../core/practice/frame';
import { paceOfHand, type Drawn, type HandPace } from '../../core/practice/hands';
import { practiceTeller } from '../../devices/practiceTeller';
import { potSound, type PotSound } from '../../devices/potSound';
import type { Opened } from '../../workers/practice';
import { HobOvals } from '../../ui/HobOvals';
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
import { MomentPicker } from './MomentPicker';
import { PotCanvas } from './PotCanvas';
import { clockOf, RunChart } from './RunChart';
import { usePracticePot, type PracticePot as Pot } from './usePracticePot';

/** What went wrong comes before what merely happened. */
const TOLD: readonly Happening[] = [
  'dry',
  'boiled over',
  'caught',
  'curdled',
  'lumps',
  'film',
  'climbs',
  'skin',
  'bubbles',
  'thickens',
  'steams',
];
const WRONG: readonly Happening[] = ['dry', 'boiled over', 'caught', 'curdled', 'lumps', 'film'];
/** What happened is said for so long, s of the pot; what is wrong stays said. */
const NEWS_S = 45;
/** A shorter press keeps the spoon going; a longer one stirs while it is held. */
const TAP_MS = 260;
const HAND_EVERY_MS = 400;
const READINGS_MS = 1000;
const SLOW_PLOPS = 2.2;
const THICK_PAS = 0.3;

const newsOf = (f: Frame): { what: Happening; atS: number } | undefined => {
  const what = TOLD.find((h) => {
    const at = f.happened[h];
    return at !== undefined && (WRONG.includes(h) || f.tS - at < NEWS_S);
  });
  return what && { what, atS: f.happened[what]! };
};

/** s to which "go back" goes: just before the first thing that went wrong, or a half-minute ago. */
const backTo = (f: Frame, fromS: number): number => {
  const wrong = WRONG.map((h) => f.happened[h]).filter((s): s is number => s !== undefined);
  const to = wrong.length ? Math.min(...wrong) - 15 : f.tS - 30;
  return Math.max(fromS, Math.floor(to / 5) * 5);
};

/** The spoon by thumb: drawn on the pot, held on its key, or left going. */
function useSpoon(p: Pot, hand: Hand) {
  const [latched, setLatched] = useState(false);
  const [drawn, setDrawn] = useState<HandPace | undefined>();
  const last = useRef({ everyS: undefined as number | null | undefined, ms: 0 });
  const stir = (everyS: number | null) => p.act({ do: 'stir', everyS, tool: hand.tool });
  const pressed = useRef(0);
  return {
    latched,
    drawn,
    start: () => {
      pressed.current = performance.now();
      if (!latched) stir(hand.everyS);
    },
    end: () => {
      const tap = performance.now() - pressed.current < TAP_MS;
      if (tap) setLatched(!latched);
      else setLatched(false);
      // a tap leaves it going, a second one lets it rest
      if (!tap || latched) stir(null);
    },
    /** for keys: on and off */
    toggle: () => {
      stir(latched ? null : hand.everyS);
      setLatched(!latched);
    },
    draw: (path: readonly Drawn[] | undefined) => {
      const ms = performance.now();
      if (!path) {
        last.current = { everyS: undefined, ms: 0 };
        setDrawn(undefined);
        if (!latched) stir(null);
        return;
      }
      if (ms - last.current.ms < HAND_EVERY_MS) return;
      const pace = paceOfHand(path);
      last.current.ms = ms;
      setDrawn(pace);
      if (pace.everyS === last.current.everyS) return;
      last.current.everyS = pace.everyS;
      stir(pace.everyS);
    },
    rested: () => setLatched(false),
  };
}

/** The pot's sound while it is wanted. */
function useSound(f: Frame | undefined, on: boolean, running: boolean) {
  const sound = useRef<PotSound | undefined>(undefined);
  useEffect(() => {
    if (!on) return undefined;
    sound.current = potSound();
    return () => {
      sound.current?.end();
      sound.current = undefined;
    };
  }, [on]);
  useEffect(() => {
    const thick = f !== undefined && f.viscosityPaS > THICK_PAS;
    const heard = f && running && !f.left;
    sound.current?.hear({
      hiss: heard ? Math.min(1, f.rim * 0.35 + f.boil * (thick ? 0.35 : 0.8)) : 0,
      plopsPerS: heard ? f.boil * (thick ? SLOW_PLOPS : 5) : 0,
      deep: thick ? 1 : 0.2,
    });
  }, [f, running]);
}

/** Tells another tab's Pot room what the devices on this pot read. */
function useSecondScreen(p: Pot, on: boolean) {
  const { ask } = useKitchen();
  const tell = useEffectEvent((teller: ReturnType<typeof practiceTeller>) => {
    void ask('practiceReadings', [p.key, p.run, Math.floor(p.nowS()), Date.now()])
      .then((readings) => teller.tell(readings))
      .catch(() => undefined);
  });
  useEffect(() => {
    if (!on) return undefined;
    const teller = practiceTeller();
    const timer = setInterval(() => tell(teller), READINGS_MS);
    return () => {
      clearInterval(timer);
      teller.end();
    };
  }, [on]);
}

/** The pot to be spoilt: no instruction, every figure from the model. */
export function PracticePot({
  opened,
  startS,
  title,
  onLeave,
}: {
  opened: Opened;
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
    const endS = Math.max(p.run.fromS, Math.round(p.nowS()));
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
    ask('practiceAsPlan', [p.run, newId('plan'), t('practice.asPractised', { name }), Math.round(p.nowS())]);

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
      <View role="main" id="room" {...({ tabIndex: -1 } as object)} className="min-h-0 flex-1">
        <Head>
          <title>{t('shared.ovalis', { name: title })}</title>
        </Head>
        {head}
        <ScrollView className="flex-1" {...({ tabIndex: 0 } as object)} role="group" aria-label={title}>
          <View className="mx-auto w-full max-w-[720px]">
            {judged ? (
              <DebriefPart judged={judged} run={p.run} endS={Math.round(p.nowS())} onBack={p.goBack} />
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
                  onPress={() => p.again(opened.run)}
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
      </View>
    );
  }

  return (
    <View role="main" id="room" {...({ tabIndex: -1 } as object)} className="min-h-0 flex-1">
      <Head>
        <title>{t('shared.ovalis', { name: title })}</title>
      </Head>
      {head}
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
            <Foot
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
    </View>
  );
}

/** Words and figures over the drawing. */
function Face({ f, drawn }: { f: Frame; drawn: HandPace | undefined }) {
  const { fmt } = useApp();
  const news = newsOf(f);
  const wrong = news && WRONG.includes(news.what);
  return (
    <>
      <View
        className="pointer-events-none absolute items-center justify-center"
        style={{ left: '15%', right: '15%', top: '8%', height: '52%' }}
      >
        <View className="items-center rounded-plate bg-liquid/80 px-3 py-1">
          <Type kind="answer" className="text-center" tone={wrong ? 'scorch' : 'ink'}>
            {news ? t(`practice.news.${news.what}`) : clockOf(f.tS)}
          </Type>
          <Type kind="strong" className="text-center">
            {news
              ? t('practice.newsAt', { at: clockOf(news.atS), now: clockOf(f.tS) })
              : f.everyS === null
                ? t('practice.notStirredNow')
                : t('practice.stirredNow')}
          </Type>
          {drawn && drawn.misses !== 'nothing' ? (
            <Type kind="small" className="text-center">
              {t('practice.misses', { what: t(`practice.missed.${drawn.misses}`) })}
            </Type>
          ) : null}
        </View>
      </View>
      <View className="pointer-events-none absolute" style={{ left: '9%', right: '9%', bottom: '9%' }}>
        {(
          [
            ['middle', f.bulkC, false],
            ['film', f.filmC, f.filmC >= 100],
          ] as const
        ).map(([what, c, harm]) => (
          <View key={what} className="flex-row items-baseline justify-between">
            <Type kind="faceStrong" tone={harm ? 'scorch' : 'ink'}>
              {t(`practice.${what}`)}
            </Type>
            <Type kind="title" tone={harm ? 'scorch' : 'ink'} className="text-amount leading-7">
              {fmt.deg(c)}
            </Type>
          </View>
        ))}
      </View>
    </>
  );
}

/** The run so far; while it stands still any moment of it can be looked at, and gone on from. */
function SoFar({ p }: { p: Pot }) {
  const endS = Math.max(p.farS, p.trace.at(-1)?.tS ?? 0);
  return (
    <View className="gap-1">
      <RunChart mine={p.trace} endS={endS} label={t('practice.chartSoFar')} />
      {p.running || endS - p.run.fromS < 5 ? null : (
        <MomentPicker
          key={p.run.acts.length}
          fromS={p.run.fromS}
          toS={endS}
          atS={p.shown?.tS ?? endS}
          onLook={p.lookAt}
          onGo={p.goBack}
        />
      )}
    </View>
  );
}

function Why({ what }: { what: Happening }) {
  return (
    <Type testID="why">
      <Type kind="strong">{t('practice.why')}</Type>
      {t(`practice.why.${what}`)}
    </Type>
  );
}

/** The wet-hand keys: ring, bench, spoon, time. */
function Foot({
  p,
  f,
  hand,
  spoon,
  back,
  calls,
  onSheet,
  onFinish,
}: {
  p: Pot;
  f: Frame;
  hand: Hand;
  spoon: ReturnType<typeof useSpoon>;
  back: number;
  /** it is asked when it thickens */
  calls: boolean;
  onSheet: (sheet: 'bench' | 'hands') => void;
  onFinish: () => void;
}) {
  // as it was turned, not as it was last drawn: a quick thumb counts every tap
  const turned = p.run.acts.findLast((a) => a.do === 'hob');
  const setting = turned?.do === 'hob' ? turned.setting : 0;
  const ring = (by: number) => p.act({ do: 'hob', setting: Math.min(9, Math.max(0, setting + by)) });
  return (
    <View className="gap-2 border-t-rim border-ink bg-field px-3 py-2 flat:w-[300px] flat:overflow-y-auto flat:border-l-rim flat:border-t-0">
      {f.left ? (
        <DishKeys p={p} />
      ) : (
        <>
          <View className="flex-row items-center gap-2">
            <Key
              size="live"
              label="−"
              spoken={t('practice.ringDown')}
              disabled={setting === 0}
              onPress={() => ring(-1)}
            />
            <View className="flex-1">
              <Type kind="smallStrong" className="text-center">
                {t('practice.hob', { setting })}
              </Type>
              <HobOvals now={setting} onSet={(to) => p.act({ do: 'hob', setting: to })} />
            </View>
            <Key size="live" label="+" spoken={t('practice.ringUp')} disabled={setting === 9} onPress={() => ring(1)} />
          </View>
          <View className="flex-row flex-wrap gap-2">
            <Key className="flex-1" label={t('practice.add')} onPress={() => onSheet('bench')} testID="bench" />
            <Key className="flex-1" label={t('practice.hands')} onPress={() => onSheet('hands')} testID="hands" />
            {calls ? (
              <Key
                className="flex-1"
                label={t('practice.thickensNow')}
                onPress={() => p.act({ do: 'call' })}
                testID="call"
              />
            ) : null}
            <Key className="flex-1" label={t('practice.pour')} onPress={() => p.act({ do: 'pour' })} testID="pour" />
          </View>
        </>
      )}
      <View className="flex-row items-stretch justify-center gap-2">
        <View className="w-[84px] gap-2">
          <Key
            size="line"
            label={t('practice.speed', { speed: p.speed })}
            spoken={t('practice.speedSpoken', { speed: p.speed })}
            onPress={p.faster}
            testID="speed"
          />
          <Key
            size="line"
            label={p.running ? t('practice.pause') : t('practice.go')}
            icon={p.running ? Pause : Play}
            bare
            onPress={() => p.play(!p.running)}
            testID="play"
          />
        </View>
        {f.left ? (
          <Key
            kind="yolk"
            size="act"
            className="flex-1"
            label={t('practice.toTheTable')}
            onPress={onFinish}
            testID="finish"
          />
        ) : (
          <View
            role="button"
            aria-label={spoon.latched ? t('practice.letItRest') : t('practice.stir')}
            aria-pressed={spoon.latched || f.everyS !== null}
            testID="stir"
            style={{ touchAction: 'none' } as object}
            className="min-h-[96px] max-w-[420px] flex-1 cursor-pointer select-none items-center justify-center rounded-full border-edge border-onyolk bg-yolk active:opacity-70 flat:min-h-[64px]"
            {...({
              tabIndex: 0,
              onPointerDown: (e: PointerEvent) => {
                (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
                spoon.start();
              },
              onPointerUp: spoon.end,
              onPointerCancel: spoon.end,
              onContextMenu: (e: Event) => e.preventDefault(),
              onKeyDown: (e: { key: string; repeat: boolean; preventDefault(): void }) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                if (!e.repeat) spoon.toggle();
              },
            } as object)}
          >
            <Type kind="title" tone="onyolk" className="text-center">
              {spoon.latched ? t('practice.letItRest') : t('practice.holdToStir')}
            </Type>
            <Type kind="small" tone="onyolk">
              {t('practice.everyS', { seconds: hand.everyS })}
            </Type>
          </View>
        )}
        <View className="w-[84px] gap-2">
          <Key
            size="line"
            label={clockOf(back)}
            spoken={t('practice.goBackTo', { at: clockOf(back) })}
            sub={t('practice.back')}
            onPress={() => p.goBack(back)}
            testID="back"
          />
          {f.left ? null : <Key size="line" label={t('practice.finish')} onPress={onFinish} testID="finish" />}
        </View>
      </View>
    </View>
  );
}

const PLACES = ['room', 'fridge', 'ice bath', 'freezer'] as const;
const HOUR_S = 3600;

/** Once it is poured: where it goes, and the hours. */
function DishKeys({ p }: { p: Pot }) {
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        {PLACES.map((where) => (
          <Key
            key={where}
            className="flex-1"
            label={t(`practice.place.${where}`)}
            onPress={() => p.act({ do: 'stand', where, covered: true })}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Key className="flex-1" label={t('practice.fewerDishes')} onPress={() => dishes(p, -1)} />
        <Key className="flex-1" label={t('practice.moreDishes')} onPress={() => dishes(p, 1)} />
        <Key className="flex-1" label={t('practice.halfHour')} onPress={() => p.pass(HOUR_S / 2)} />
        <Key className="flex-1" label={t('practice.hour')} onPress={() => p.pass(HOUR_S)} testID="hour" />
      </View>
    </View>
  );
}

/** Poured again, into more dishes or fewer. */
function dishes(p: Pot, by: number) {
  const pour = p.run.acts.findLast((a) => a.do === 'pour');
  if (pour?.do !== 'pour') return;
  const count = Math.min(60, Math.max(1, (pour.count ?? p.run.plan.dish.count) + by));
  p.redo({ ...p.run, acts: p.run.acts.map((a) => (a === pour ? { ...a, count } : a)) });
}

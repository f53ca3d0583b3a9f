import { useLocalSearchParams, useRouter } from 'expo-router';
import Refrigerator from 'lucide-react-native/icons/refrigerator';
import Snowflake from 'lucide-react-native/icons/snowflake';
import MapPin from 'lucide-react-native/icons/map-pin';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { useEffect, useState, type ComponentProps } from 'react';
import { View } from 'react-native';
import { promiseOf } from '../../core/book/batch';
import type { Plan } from '../../core/plan/plan';
import { coolingRuleSaid, SAFE_COOLING, SAFE_COOLING_RULES, hoursBelow } from '../../core/set/safety';
import { asPoured, lastPlaceOf, stoodUntil } from '../../core/cook/stays';
import type { RestPlace } from '../../core/set/places';
import { bearsPa } from '../../core/set/firmness';
import { stressOfSlump, touched, type Felt, type SetTold } from '../../core/set/touch';
import { aimPlace, boundsFor, stripPlace, WEIGHT_N_PER_M3, wordAt } from '../../core/texture/words';
import { keepFirmly } from '../../storage/browser';
import { errorSays } from '../shared/errorSays';
import { useEdit, useSave } from '../shared/stored';
import { CoolingRing } from '../../ui/CoolingRing';
import { Key } from '../../ui/Key';
import { MouldOutline } from '../../ui/MouldOutline';
import { Empty, Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { SetCurve } from '../../ui/SetCurve';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { chanceWords } from '../../words/format';
import { newId } from '../shared/ids';
import { Room } from '../shared/Room';
import { SaveChart, setChart } from '../shared/SaveChart';
import { useCook } from '../shared/useCook';
import { useMounted, useNow } from '../shared/useNow';
import { useAsk } from '../shared/useAsk';
import { AllDishes } from './AllDishes';
import { FromWhen } from './FromWhen';
import { LaterPart } from './LaterPart';
import { KeepPart } from './KeepPart';
import { MouldSection } from './MouldSection';
import { PourPanel } from './PourPanel';
import { SafeWays } from './SafeWays';
import { TouchPanel } from './TouchPanel';
import { UnmouldSheet } from './UnmouldSheet';
import { useSet } from './useSet';
import { useStandingMoments } from '../shared/StandingCalls';
import { WhereSheet } from './WhereSheet';
import type { Cook } from '../../core/cook/events';
import type { CookState } from '../../core/cook/fold';
import type { CautionId } from '../../core/model/cautions';
import type { Formatter } from '../../words/format';
import { learn, t } from '../../words';
import { setRoom } from '../../words/en/setRoom';

learn(setRoom);

const HOUR = 3_600_000;

export function SetRoom() {
  const { cook: cookId } = useLocalSearchParams<{ cook?: string }>();
  const { where, ready } = useApp();
  const mounted = useMounted();
  const c = useCook(mounted ? cookId : undefined, mounted ? where.cookId : undefined);
  if (!mounted || !c.cook || !c.state || c.state.stage === 'cooking' || c.state.stage === 'not started')
    return <NotYet c={c} ready={mounted && ready && c.loaded} />;
  return <Setting c={c} />;
}

type UsedCook = ReturnType<typeof useCook>;

function NotYet({ c, ready }: { c: UsedCook; ready: boolean }) {
  const router = useRouter();
  const poured = c.cooks.filter((k) => !k.batchId && k.id !== c.cook?.id);
  return (
    <Room name={t('room.Set')} title={t('setRoom.set')} sub={ready ? t('setRoom.nothingInTheFridge') : undefined}>
      {ready ? (
        <Empty
          word={t('setRoom.nothingPouredYet')}
          text={c.cook ? t('setRoom.isStillInThePot', { cookName: c.cook.plan.name }) : t('setRoom.cookAPlanAndPour')}
        >
          <Key
            kind="yolk"
            size="act"
            label={c.cook ? t('setRoom.backToThePot') : t('setRoom.toThePlans')}
            onPress={() => router.push((c.cook ? `/pot?cook=${c.cook.id}` : '/plan') as '/plan')}
            className="w-full max-w-[360px]"
          />
          {poured.map((k) => (
            <Key key={k.id} label={k.plan.name} onPress={() => router.setParams({ cook: k.id })} />
          ))}
        </Empty>
      ) : null}
    </Room>
  );
}

/** Cautions that matter once it is poured. */
const MINDED: readonly CautionId[] = ['cooling', 'stand', 'coconut', 'keep', 'thin-milk'];

type Asked = NonNullable<ReturnType<typeof useSet>['data']>;

/** A dish never gets quite as cold as its fridge, K. */
const NEAR_FRIDGE_K = 1.5;

/** Where the dish is between the pouring and the table. */
function setView(
  cook: Cook,
  state: CookState,
  { forecast: f, plan: rested, hours, stays }: Asked,
  now: number,
  fmt: Formatter,
) {
  const plan = asPoured(cook.plan, state);
  const sinceH = (now - state.pouredMs) / HOUR;
  const at = (h: number) => state.pouredMs + h * HOUR;
  const verb =
    plan.serve.style === 'turned out'
      ? t('setRoom.stands')
      : plan.serve.style === 'cut'
        ? t('setRoom.cuts')
        : t('setRoom.set2');
  const depthM = f.depthMm / 1000;
  const bounds = boundsFor(plan.serve.style, depthM);
  const felts = feltOf(state);
  const told = touched(
    f.set,
    bounds,
    depthM,
    { word: plan.serve.word, servedC: plan.serve.tempC },
    f.doubt.sdLn,
    felts,
  );
  // how it ends, as far as the touches have moved it
  const steps = (yieldPa: number) => stripPlace(yieldPa, 0, bounds);
  const ends = felts.length
    ? {
        word: wordAt(f.serving.place + steps(told.yieldAt(hours)) - steps(f.serving.yieldPa)),
        chance: told.meetsAt(hours),
      }
    : { word: f.serving.word, chance: f.chance };
  // a thin layer in the freezer is ready to the touch before it is set
  const readyH = plan.choices.cooling === 'freezer' && Number.isFinite(f.touchH) ? f.readyH : told.ready.likely;
  const ready = Number.isFinite(readyH) && readyH <= hours;
  const where = placeNow(plan, state);
  const times = [
    ...new Set(
      [ready ? Math.max(0.5, readyH * 0.7) : hours * 0.3, ready ? readyH : hours * 0.6, hours].map((h) =>
        Math.min(hours, Math.round(h * 12) / 12),
      ),
    ),
  ];
  // the limits of the rule that this plan is held against, at the pace that the dish was found to cool
  const [limit] = SAFE_COOLING_RULES[plan.rest.rule ?? 'two stages'].limits;
  const belowH = (c: number) => hoursBelow(f.set, c) / told.faster;
  const limitC = Math.max(limit!.toC, plan.rest.fridgeC + NEAR_FRIDGE_K);
  const reached = belowH(limitC);
  // not within the hours that are reckoned: no sooner than their end
  const neverCold = !Number.isFinite(reached);
  const coldH = neverCold ? (f.set.at(-1)?.hours ?? hours) : reached;
  const limitH = belowH(limit!.fromC) + limit!.withinH;
  const coolText = neverCold
    ? [t('setRoom.tooSlow'), t('setRoom.toKeep')]
    : sinceH >= coldH
      ? f.cool.safe
        ? [t('setRoom.cooled'), t('setRoom.inTime')]
        : f.cool.ordinary
          ? [t('setRoom.cooled'), t('setRoom.aLittleOverTheRule')]
          : [t('setRoom.tooSlow'), t('setRoom.toKeep')]
      : [
          t('setRoom.below', { toC: fmt.deg(limitC) }),
          t('setRoom.in', { sinceH: fmt.hours(Math.max(0, coldH - sinceH)) }),
        ];
  const hereH = (now - (state.stands.at(-1)?.atMs ?? state.pouredMs)) / HOUR;
  const inRoomTooLong = where === 'room' && hereH > SAFE_COOLING.withinH;
  return {
    cook,
    state,
    plan,
    f,
    hours,
    rested,
    stays,
    where,
    told,
    ends,
    readyH,
    now,
    sinceH,
    at,
    verb,
    ready,
    slumpAt: told.standingAt,
    times,
    limitC,
    coldH,
    limitH,
    coolText,
    inRoomTooLong,
  };
}
type Seen = { v: ReturnType<typeof setView> };

/** What fingers, knives and thermometers have said of the dish. */
const feltOf = (state: CookState): Felt[] => {
  const hour = (atMs: number) => Math.max(0, (atMs - state.pouredMs) / HOUR);
  return [
    ...state.felt.map((x) => ({ atH: hour(x.atMs), touch: x.touch })),
    ...state.measures.filter((m) => m.what === 'dish').map((m) => ({ atH: hour(m.atMs), tempC: m.value })),
  ];
};

const placeNow = (plan: Plan, state: CookState): RestPlace => {
  const where = state.stands.at(-1)?.where ?? 'room';
  return where === 'plan' ? lastPlaceOf(plan) : where;
};

/** The dish goes into the freezer and not into the fridge. */
const freezes = (plan: Plan): boolean => lastPlaceOf(plan) === 'freezer';
/** Eaten from the pot: it goes nowhere cold. */
const servedWarm = (plan: Plan): boolean => plan.serve.tempC >= WARM_C || lastPlaceOf(plan) === 'room';
const WARM_C = 35;

/** Writes the batch down, and what the one key does now. */
function useSetAct(c: UsedCook, { cook, state, plan, f, told }: Seen['v']) {
  const router = useRouter();
  const saveBatch = useSave('batches');
  const editCook = useEdit('cooks');
  const [newBatch] = useState(() => newId('batch'));
  const slumped = state.measures.findLast((m) => m.what === 'slump')?.value;
  const { yieldPa, modulusPa } = f.serving;
  // what bore it, back to what the words are told by
  const stressPa =
    slumped === undefined
      ? undefined
      : Math.max(
          0.01,
          (stressOfSlump(slumped / 100, WEIGHT_N_PER_M3 * (f.depthMm / 1000)) * yieldPa) / bearsPa(yieldPa, modulusPa),
        );
  // a thermometer in the dish while it stood in the cold tells of the fridge
  const readCold = state.measures.some((m) => m.what === 'dish' && m.atMs > state.fridgeMs);
  const writeDown = () => {
    const id = cook.batchId ?? newBatch;
    if (!cook.batchId) {
      keepFirmly();
      saveBatch.mutate({
        id,
        cookId: cook.id,
        at: new Date(state.pouredMs).toISOString(),
        plan,
        events: cook.events,
        promise: promiseOf(c.forecast ?? f, plan),
        found: {
          flaws: [],
          ...(stressPa === undefined ? {} : { stressPa }),
          ...(readCold ? { coolsRel: told.faster } : {}),
          note: state.notes
            .map((n) => n.text)
            .join('\n')
            .slice(0, 2000),
        },
      });
      editCook.mutate({ id: cook.id, edit: (now) => now && { ...now, batchId: id } });
    }
    router.push(`/batch?id=${id}` as '/batch');
  };
  const [unmoulding, setUnmoulding] = useState(false);
  const whole = plan.serve.style !== 'spooned' || f.frozen !== undefined;
  const act =
    state.stage === 'poured' && !servedWarm(plan)
      ? {
          label: t(freezes(plan) ? 'setRoom.intoTheFreezer' : 'setRoom.intoTheFridge'),
          icon: freezes(plan) ? Snowflake : Refrigerator,
          press: () => c.add({ kind: 'intoFridge' }),
        }
      : state.stage !== 'turned out' && whole && !servedWarm(plan)
        ? {
            label: t(plan.serve.style === 'cut' ? 'setRoom.cutIt' : 'setRoom.turnItOut'),
            icon: undefined,
            press: () => setUnmoulding(true),
          }
        : { label: t('setRoom.writeItDown'), icon: undefined, press: writeDown };
  return { act, writeDown, unmoulding, setUnmoulding };
}

function SetFoot({ c, v }: Seen & { c: UsedCook }) {
  const { act, writeDown, unmoulding, setUnmoulding } = useSetAct(c, v);
  const [placing, setPlacing] = useState(false);
  const put = (where: RestPlace) =>
    c.add(where === lastPlaceOf(v.plan) ? { kind: 'intoFridge' } : { kind: 'standsIn', where });
  return (
    <View className="flex-row flex-wrap justify-center gap-2 border-t-rim border-ink bg-field px-3 py-2 flat:py-0.5">
      <Key
        kind="yolk"
        size="act"
        label={act.label}
        icon={act.icon}
        onPress={act.press}
        className="min-w-[8rem] max-w-[460px] flex-1"
        testID="set-act"
      />
      {act.press === writeDown ? null : (
        <Key
          label={t('setRoom.write')}
          spoken={t('setRoom.writeItDown')}
          icon={NotebookPen}
          stacked
          onPress={writeDown}
        />
      )}
      <Key label={t('setRoom.where')} icon={MapPin} stacked testID="where" onPress={() => setPlacing(true)} />
      <Key label={t('setRoom.undo')} icon={Undo2} stacked disabled={!c.lastUndoable} onPress={c.undo} />
      <WhereSheet
        open={placing}
        now={v.where}
        hot={v.told.coreAt(v.sinceH) > HOT_C}
        glass={v.plan.dish.wall === 'glass'}
        onPlace={put}
        onClose={() => setPlacing(false)}
      />
      <UnmouldSheet
        key={String(unmoulding)}
        open={unmoulding}
        plan={v.plan}
        f={v.f}
        onClose={() => setUnmoulding(false)}
        onDone={(slumpRel) => {
          c.add(
            { kind: 'turnedOut' },
            ...(slumpRel === undefined
              ? []
              : [{ kind: 'measured' as const, what: 'slump' as const, value: Math.round(100 * slumpRel) }]),
          );
          setUnmoulding(false);
        }}
      />
    </View>
  );
}

/** As long as this it is asked how it was poured, h. */
const JUST_POURED_H = 0.5;
/** Hotter than this it burns and cracks, degC. */
const HOT_C = 50;

/** What to mind while it stands. */
function Mind({ v: { plan, f, inRoomTooLong } }: Seen) {
  const { fmt, tell } = useApp();
  return (
    <View className="gap-2">
      <Type kind="title" level={2}>
        {t('setRoom.mind')}
      </Type>
      {inRoomTooLong ? <Notice text={t('setRoom.itHasStoodInThe')} /> : null}
      {f.cautions
        .filter((k) => MINDED.includes(k.id))
        .map((k) => (
          <Notice key={k.id} text={tell(k.says)} />
        ))}
      <Notice
        text={
          (plan.rest.rule ?? 'two stages') === 'two stages'
            ? t('setRoom.usualHomeLimitsFromTo', {
                fromC: fmt.temp(SAFE_COOLING.fromC),
                toC: fmt.temp(SAFE_COOLING.toC),
                withinH: SAFE_COOLING.withinH,
                thenC: fmt.temp(SAFE_COOLING.thenC),
                thenWithinH: SAFE_COOLING.thenWithinH,
              })
            : t('setRoom.limitsOfThisRule', { rule: tell(coolingRuleSaid(plan.rest.rule!)) })
        }
      />
      <Type kind="small" tone="quiet">
        {t('setRoom.theCoolingIsWorkedOut')}
      </Type>
    </View>
  );
}

/** Sure enough to take it to the table. */
const SURE = 0.9;
const LOOK_MIN = 10;

/** Minutes from now after which it is nearly surely set; nothing where that is not before it is served. */
function moreMinutes(told: SetTold, sinceH: number, hours: number): { minutes: number; chance: number } | undefined {
  for (let minutes = 0; sinceH + minutes / 60 <= hours; minutes += LOOK_MIN) {
    const chance = told.chanceAt(sinceH + minutes / 60);
    if (chance >= SURE) return { minutes, chance };
  }
  return undefined;
}

function ReadyAt({ v: { plan, hours, now, at, verb, ready, readyH, told, ends, sinceH } }: Seen) {
  const { fmt } = useApp();
  const { early, late } = told.ready;
  const more = moreMinutes(told, sinceH, hours);
  return (
    <View className="flex-row flex-wrap items-end justify-between gap-x-4">
      <View>
        {ready ? (
          <>
            <Type tone="quiet">{t('setRoom.from', { verb })}</Type>
            <Type kind="answer" testID="ready-at">
              {fmt.time(at(readyH))}
            </Type>
          </>
        ) : (
          <>
            <View className="flex-row items-baseline gap-1.5">
              <Type tone="quiet">{t('setRoom.notSetBy')}</Type>
              <Type kind="title" testID="ready-at">
                {fmt.time(at(hours))}
              </Type>
            </View>
            <Type kind="answer">{t(`word.${ends.word}`)}</Type>
          </>
        )}
      </View>
      <View className="items-end">
        <Type kind="strong">
          {t('setRoom.at', {
            serve: plan.serve.style === 'turned out' ? t('setRoom.turnOut') : t('setRoom.serve'),
            now: fmt.timeOn(Date.parse(plan.serve.at), now),
          })}
        </Type>
        <Type tone="quiet" testID="ready-chance">{`${t(`word.${plan.serve.word}`)} ${chanceWords(ends.chance)}`}</Type>
      </View>
      <Type tone="quiet" className="w-full pt-1">
        {ready ? (
          <Type testID="ready-spread">
            {`${t('setRoom.fromTo', {
              early: fmt.time(at(early)),
              late: Number.isFinite(late) ? fmt.time(at(late)) : t('setRoom.later'),
            })}. `}
          </Type>
        ) : null}
        <Type kind="strong" testID="more-minutes">
          {more === undefined
            ? ''
            : more.minutes === 0
              ? t('setRoom.setNow', { chance: chanceWords(more.chance) })
              : t('setRoom.minutesMore', { minutes: fmt.hours(more.minutes / 60), chance: chanceWords(more.chance) })}
        </Type>
      </Type>
    </View>
  );
}

/** In the freezer: when to poke a thin layer, when it is frozen through, how long to wait before it is pulled. */
function Frozen({ v: { plan, f, sinceH, at } }: Seen) {
  const { fmt } = useApp();
  if (!freezes(plan)) return null;
  const due = f.frozen ? f.frozenH : f.touchH;
  if (!Number.isFinite(due)) return f.frozen ? <Notice text={t('setRoom.notFrozenByThen')} /> : null;
  return (
    <View className="gap-0.5 rounded-plate border-edge border-ink bg-plate p-3" testID="freezer" aria-live="polite">
      <Type kind="title">
        {f.frozen
          ? due <= sinceH
            ? t('setRoom.frozenThrough')
            : t('setRoom.frozenThroughAt', { time: fmt.time(at(due)) })
          : due <= sinceH
            ? t('setRoom.pokeItNow')
            : t('setRoom.pokeItAt', { time: fmt.time(at(due)), left: fmt.hours(due - sinceH) })}
      </Type>
      <Type tone="quiet">
        {f.frozen
          ? t('setRoom.waitThenPull', {
              room: Math.max(1, Math.round(f.frozen.pullsRoomS / 60)),
              water: Math.round(f.frozen.pullsWaterS),
            })
          : t('setRoom.aDryFingerLeaves')}
      </Type>
    </View>
  );
}

/** Parts of the batch that go their own way, each with its own hours. */
function Portions({ v: { plan, f, sinceH, at } }: Seen) {
  const { fmt } = useApp();
  if (!f.portions.length) return null;
  return (
    <View testID="portions">
      {plan.portions.map((part, i) => {
        const told = f.portions[i];
        if (!told) return null;
        const when = Number.isFinite(told.servingTempH) ? told.servingTempH : part.rest.hours;
        return (
          <Row
            key={part.id}
            title={part.name}
            sub={t('setRoom.portionSays', {
              word: t(`word.${told.serving.word}`),
              depthMm: fmt.length(told.depthMm),
              tempC: fmt.temp(part.serve.tempC),
            })}
            value={when <= sinceH ? t('setRoom.now') : fmt.time(at(when))}
          />
        );
      })}
    </View>
  );
}

/** The dish cut open, and how long it may still be warm. */
function Cooling({ v: { plan, f, told, sinceH, limitC, coldH, limitH, coolText, at } }: Seen) {
  const { fmt } = useApp();
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2 wide:justify-start wide:gap-12">
      <MouldSection depthMm={f.depthMm} temp={fmt.deg(told.coreAt(sinceH))} covered={plan.rest.covered} />
      <CoolingRing
        usedRel={sinceH / limitH}
        notchRel={coldH / limitH}
        over={!f.cool.safe && !f.cool.ordinary}
        label={t('setRoom.safeCoolingBelowAtLimit', {
          toC: fmt.temp(limitC),
          below21H: fmt.time(at(coldH)),
          limitH: fmt.time(at(limitH)),
        })}
      >
        <Type kind="strong">{coolText[0]}</Type>
        <Type kind="title" tone={f.cool.safe || f.cool.ordinary ? 'ink' : 'scorch'}>
          {coolText[1]}
        </Type>
        <Type kind="small">{t('setRoom.limit', { limitH: fmt.time(at(limitH)) })}</Type>
      </CoolingRing>
    </View>
  );
}

const curveSays = ({ ends, hours, at }: Seen['v'], time: (ms: number) => string) =>
  t('setRoom.setAndMiddleTemperatureFrom', {
    at: time(at(0)),
    at2: time(at(hours)),
    word: t(`word.${ends.word}`),
  });

function Curve({ v }: Seen) {
  const { fmt } = useApp();
  const { plan, state, f, hours, stays, readyH, sinceH, at } = v;
  const roomMin = stays[0]?.where === 'room' ? stays[0].minutes : 0;
  return (
    <SetCurve
      points={f.set}
      hours={hours}
      nowH={Math.min(hours, Math.max(0, sinceH))}
      readyH={readyH}
      fridgeH={roomMin / 60}
      servingPlace={f.serving.place}
      wantedPlace={aimPlace(plan.serve.word)}
      timeAt={(h) => fmt.timeOn(at(h), state.pouredMs)}
      temp={fmt.temp}
      label={curveSays(v, fmt.time)}
    />
  );
}

/** How it would stand at three hours of its set. */
function Outlines({ v: { plan, times, at, slumpAt } }: Seen) {
  const { fmt } = useApp();
  return (
    <View className="flex-row justify-around">
      {times.map((h) => {
        const s = slumpAt(h);
        const says = plan.serve.style === 'spooned' ? '' : s.stands ? 'stands' : s.slumpRel > 0.5 ? 'runs' : 'slumps';
        return (
          <View key={h} className="items-center">
            <MouldOutline
              slumpRel={s.slumpRel}
              kind={plan.serve.style}
              label={t('setRoom.at2', { h: fmt.time(at(h)), says })}
              size={108}
            />
            <Type kind="title">{fmt.time(at(h))}</Type>
            {says ? <Type tone="quiet">{t(`standing.${says}`)}</Type> : null}
          </View>
        );
      })}
    </View>
  );
}

function Setting({ c }: { c: UsedCook }) {
  const { fmt, setWhere, tell } = useApp();
  const now = useNow(15_000);
  const cook = c.cook!;
  const state = c.state!;
  const { plan } = cook;
  const set = useSet(cook, c.steps, state, now);
  useEffect(() => setWhere({ cookId: cook.id }), [cook.id, setWhere]);

  const sub = t('setRoom.poured', {
    pouredMs: fmt.time(state.pouredMs),
    fridgeMs: state.stands.length
      ? t('setRoom.standsSince', {
          place: t(`place.${placeNow(plan, state)}`),
          time: fmt.time(state.stands.at(-1)!.atMs),
        })
      : '',
  });
  const head = {
    name: t('room.Set'),
    title: plan.name,
    sub,
    tag: { letter: plan.name[0]!.toUpperCase(), tint: 0 },
    rescue: { cookId: cook.id },
  };
  if (!set.data) {
    return (
      <Room {...head}>
        <View className="px-4 py-8">
          {set.error ? (
            <Notice text={t('setRoom.noForecast', { message: tell(errorSays(set.error)) })} />
          ) : (
            <Type kind="title">{t('setRoom.workingItOut')}</Type>
          )}
        </View>
      </Room>
    );
  }
  return <SetAsked head={head} c={c} v={setView(cook, state, set.data, now, fmt)} />;
}

/** What a touch has changed, in a cook's words. */
function touchSays({ told, state }: Seen['v']): string | undefined {
  if (!feltOf(state).length) return undefined;
  const off = (x: number) => (Math.abs(Math.log(x)) < 0.04 ? 'same' : x > 1 ? 'more' : 'less');
  return t('setRoom.touchChanged', {
    firm: t(`touchFirm.${off(told.firmer)}`),
    pace: t(`touchPace.${off(told.faster)}`),
  });
}

/** What helps now is asked anew so often, min: it takes the model seconds. */
const ASK_EVERY_MIN = 5;

function SetAsked({ head, c, v }: Seen & { head: Omit<ComponentProps<typeof Room>, 'children'>; c: UsedCook }) {
  const { fmt } = useApp();
  const router = useRouter();
  const { plan, f, told, state, stays, hours, sinceH, at, now } = v;
  const late = !f.cool.safe && !f.cool.ordinary && sinceH < v.coldH && !servedWarm(plan);
  const stood = stoodUntil(stays, Math.ceil((sinceH * 60) / ASK_EVERY_MIN) * ASK_EVERY_MIN);
  const ways = useAsk('coolNow', [v.rested, stood, hours], { enabled: late, keep: true });
  const bathEndH =
    v.where === 'ice bath' || v.where === 'cold water'
      ? stays.slice(0, -1).reduce((h, s) => h + s.minutes / 60, 0)
      : NaN;
  useStandingMoments(
    c.cook!.id,
    state.stage === 'turned out' || c.cook!.batchId
      ? []
      : [
          { id: 'set', atMs: at(v.readyH), says: t('setRoom.callSet', { name: plan.name }) },
          { id: 'cold', atMs: at(told.cold.likely), says: t('setRoom.callCold', { name: plan.name }) },
          { id: 'bath', atMs: at(bathEndH), says: t('setRoom.callBath', { name: plan.name }) },
          { id: 'frozen', atMs: at(f.frozen ? f.frozenH : NaN), says: t('setRoom.callFrozen', { name: plan.name }) },
        ],
  );
  return (
    <Room {...head} foot={<SetFoot c={c} v={v} />} right={<Mind v={v} />}>
      <View className="gap-3 px-4 py-3 wide:px-6">
        <ReadyAt v={v} />
        <Frozen v={v} />
        <Portions v={v} />
        <Cooling v={v} />
        {late && ways.data ? (
          <SafeWays
            ways={ways.data}
            onBath={(where) =>
              c.add(where === lastPlaceOf(plan) ? { kind: 'intoFridge' } : { kind: 'standsIn', where })
            }
          />
        ) : null}
        {Number.isFinite(bathEndH) ? (
          <Notice harm={false} text={t('setRoom.outOfTheBathAt', { time: fmt.time(at(bathEndH)) })} />
        ) : null}
        {sinceH < JUST_POURED_H && state.stage !== 'turned out' ? (
          <PourPanel
            plan={plan}
            depthMm={f.depthMm}
            fillRel={f.fillRel}
            hot={told.coreAt(sinceH) > HOT_C}
            onPoured={(as) => c.add({ kind: 'pouredAs', ...as })}
          />
        ) : null}
        <Curve v={v} />
        <TouchPanel
          hot={told.coreAt(sinceH) > HOT_C}
          said={touchSays(v)}
          onTouch={(touch) => c.add({ kind: 'felt', touch })}
          onTemp={(value) => c.add({ kind: 'measured', what: 'dish', value })}
        />
        <Type className="border-y-hair border-line py-2">
          <Type kind="strong">{plan.rest.covered ? t('setRoom.coverLiesOnThePudding') : t('setRoom.leftOpen')}</Type>
          {plan.rest.covered ? t('setRoom.noSkin') : t('setRoom.aSkinComesAndIt')}
        </Type>
        <LaterPart plan={plan} forecast={f} pouredMs={state.pouredMs} now={now} />
        <Outlines v={v} />
        <FromWhen plan={plan} f={f} told={told} pouredMs={state.pouredMs} now={now} />
        <AllDishes cooks={c.cooks} now={now} here={c.cook!.id} onOpen={(id) => router.setParams({ cook: id })} />
        <KeepPart
          plan={plan}
          f={f}
          pouredMs={state.pouredMs}
          onLabel={() => router.push(`/label?cook=${c.cook!.id}` as '/')}
        />
        <SaveChart
          name={`set-${plan.name}`}
          chart={() => setChart(plan.name, curveSays(v, fmt.time), v.f.set, v.hours, fmt)}
        />
      </View>
    </Room>
  );
}

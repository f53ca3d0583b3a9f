import { useLocalSearchParams, useRouter } from 'expo-router';
import CookingPot from 'lucide-react-native/icons/cooking-pot';
import FlaskConical from 'lucide-react-native/icons/flask-conical';
import LayoutList from 'lucide-react-native/icons/layout-list';
import SettingsIcon from 'lucide-react-native/icons/settings';
import { memo, useEffect, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import type { Forecast, Point } from '../../core/model/forecast';
import { withGrams } from '../../core/plan/amounts';
import { lookUp } from '../../core/plan/bowls';
import { beginsSitting, outlived, type PastPlan } from '../../core/plan/history';
import { breaksCoolingRule } from '../../core/set/safety';
import { correctedAgain, takenAsItIs } from '../../core/plan/asItIs';
import { followSteps } from '../../core/plan/methodList';
import { holdSweetness, mainSweet } from '../../core/plan/sweetness';
import { rebase, type Numbers } from '../../core/records/change';
import type { PlanChange } from './planChange';
import type { Plan, IngredientLine } from '../../core/plan/plan';
import { boundsFor, yieldAtPlace, type SetWord } from '../../core/texture/words';
import { GRAINS } from '../../core/pot/grain';
import { GEL } from '../../core/set/firmness';
import { errorSays } from '../shared/errorSays';
import { useCollection, useEdit, useRemove, useSave, useSettings } from '../shared/stored';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { Empty, Notice } from '../../ui/Notice';
import { useApp } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { useStable } from '../shared/useStable';
import { useForecast, usePoint, useSolved } from '../shared/useForecast';
import { Answer } from './Answer';
import { Bench } from './Bench';
import { Evidence } from './Evidence';
import { holdSet } from './holdSet';
import { KnownPart } from './KnownPart';
import { PlanRows } from './PlanRows';
import { useAbout } from './useAbout';
import { RULE_SAYS } from './words';
import { useAsk } from '../shared/useAsk';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

const PanForm = later(() => import('./PanForm').then((m) => m.PanForm));
const PlansSheet = later(() => import('./PlansSheet').then((m) => m.PlansSheet));

/** What the set is solved with. Whole grains are cooked to the bite, not to a word: they are not. */
const thickenersOf = (plan: Plan): string[] =>
  plan.things
    .filter((i) => {
      const x = lookUp(plan, i.ingredientId);
      return x.group === 'thickener' && (!x.thickener || GRAINS[x.thickener].form !== 'kernel');
    })
    .map((i) => i.ingredientId);

/** A thumb on the strip: grams from its place, words for the grams, one place at a time. */
function useDraggedPlan(saved: Plan | undefined) {
  const { ask } = useKitchen();
  /** under a thumb: the plan with its words, shown together */
  const [drag, setDrag] = useState<{ plan: Plan; point: Point } | undefined>();
  const dragged = useRef<Plan | undefined>(undefined);
  const asking = useRef(false);
  const dragFrom = useRef<{ grams: number; yieldPa: number } | undefined>(undefined);
  /** The place under the thumb to grams, from where the drag began: ln stress is nearly straight in ln grams. */
  const dragTo = (place: number, starch: IngredientLine | undefined, forecast: Forecast | undefined) => {
    if (!saved || !starch || !forecast) return;
    dragFrom.current ??= { grams: Math.max(1, starch.grams), yieldPa: Math.max(0.05, forecast.serving.yieldPa) };
    const bounds = boundsFor(saved.serve.style, forecast.depthMm / 1000);
    const ratio = (yieldAtPlace(place, bounds) / dragFrom.current.yieldPa) ** (1 / (GEL.power + 0.15));
    const grams = Math.max(1, Math.min(2000, Math.round(dragFrom.current.grams * ratio * 2) / 2));
    dragged.current = withGrams(saved, starch.ingredientId, grams);
    void showDragged();
  };
  /** Asks for the words under the thumb, one place at a time: places passed meanwhile are left out. */
  const showDragged = async () => {
    if (asking.current) return;
    asking.current = true;
    try {
      for (let shown: Plan | undefined; dragged.current && dragged.current !== shown;) {
        shown = dragged.current;
        const words = await ask('point', [shown]);
        if (dragged.current) setDrag({ plan: shown, point: words });
      }
    } catch {
      // no words for this amount; where the thumb rests the forecast says why
    } finally {
      asking.current = false;
    }
  };
  /** @returns the plan that the thumb left */
  const dragEnd = (): Plan | undefined => {
    const left = dragged.current;
    dragFrom.current = undefined;
    dragged.current = undefined;
    return left;
  };
  const now = drag && drag.plan.id === saved?.id ? drag : undefined;
  return { draft: now?.plan, point: now?.point, dragTo, dragEnd, drop: () => setDrag(undefined) };
}

/** Keeps a plan; the state before the first change of a sitting stays, so that it can be brought back. */
function useKeep(saved: Plan | undefined) {
  const { clock } = useKitchen();
  const keep = useEdit('plans');
  const past = useCollection('history');
  const savePast = useSave('history');
  const removePast = useRemove('history');
  return (make: (now: Plan) => Plan, numbers?: Numbers): Plan | undefined => {
    if (!saved) return undefined;
    const history = past.data ?? [];
    const now = clock();
    if (past.data && beginsSitting(history, saved.id, now)) {
      const was: PastPlan = { id: newId('past'), planId: saved.id, at: nowIso(), plan: saved };
      savePast.mutate(was);
      for (const old of outlived([...history, was], saved.id)) removePast.mutate(old.id);
    }
    let made: Plan | undefined;
    keep.mutate({ id: saved.id, edit: (now) => (made = now && make(now)), ...(numbers ? { numbers } : {}) });
    return made;
  };
}

/** Before there is a plan. */
function NoPlan({ loaded, onOpen, children }: { loaded: boolean; onOpen: () => void; children: ReactNode }) {
  const { ready, failed } = useApp();
  const mounted = useMounted();
  return (
    <Room
      name={t('room.Plan')}
      title={t('planRoom.plan')}
      sub={mounted && ready ? t('planRoom.nothingPlannedYet') : failed ? undefined : t('planRoom.settingTheTable')}
      actions={<HeadKeys onPlans={onOpen} />}
    >
      {mounted && ready && loaded ? (
        <Empty word={t('planRoom.nothingOnYet')} text={t('planRoom.sayWhatMilkAndFor')}>
          <Key
            kind="yolk"
            size="act"
            label={t('planRoom.planAPudding')}
            onPress={onOpen}
            className="w-full max-w-[360px]"
          />
        </Empty>
      ) : null}
      {children}
    </Room>
  );
}

/** Beside the key that starts it: it breaks its own cooling rule, and what would keep it. */
function CoolsTooSlowly({
  plan,
  forecast,
  working,
  onChange,
}: {
  plan: Plan;
  forecast: Forecast | undefined;
  working: boolean;
  onChange: (next: Plan) => void;
}) {
  const { fmt } = useApp();
  const slow = forecast !== undefined && !working && breaksCoolingRule(forecast.cool);
  const { data: way } = useAsk('coolInTime', [plan], { enabled: slow });
  if (!slow) return null;
  return (
    <View className="flex-row flex-wrap items-center justify-center gap-x-3 pb-2" role="note" testID="too-slow">
      <Type kind="smallStrong" tone="scorch" className="shrink">
        {t('planRoom.itCoolsTooSlowly', { rule: plan.rest.rule ?? 'two stages' })}
      </Type>
      {way ? (
        <Key
          size="line"
          label={
            way.savesH === undefined
              ? t(`coolWayAlone.${way.kind}`)
              : t(`coolWay.${way.kind}`, { saves: fmt.hours(way.savesH) })
          }
          onPress={() => onChange(way.plan)}
        />
      ) : null}
    </View>
  );
}

/** Hold the set, meet the wanted word, cook. */
function PlanFoot({
  slow,
  plan,
  starch,
  held,
  target,
  onHold,
  onMeet,
  onCook,
}: {
  slow: ReactNode;
  plan: Plan;
  starch: IngredientLine | undefined;
  held: boolean;
  /** g of starch that would set to the wanted word, where it is not there */
  target: number | undefined;
  onHold: () => void;
  onMeet: (grams: number) => void;
  onCook: () => void;
}) {
  const { fmt } = useApp();
  return (
    <View className="border-t-rim border-ink bg-field px-3 py-2 flat:py-0.5">
      {slow}
      <View className="flex-row justify-center gap-2">
        {starch ? (
          <Key
            label={held ? t('planRoom.setIsHeld') : t('planRoom.holdTheSet')}
            size="amount"
            selected={held}
            role="checkbox"
            onPress={onHold}
            className="max-w-[110px]"
          />
        ) : null}
        {target !== undefined && starch ? (
          <>
            <Key
              kind="yolk"
              size="amount"
              className="max-w-[460px] flex-1"
              label={t(target > starch.grams ? 'planRoom.addStarch' : 'planRoom.takeStarchOut', {
                grams: fmt.grams(Math.abs(target - starch.grams)),
              })}
              sub={t('planRoom.setsTo', { word: t(`does.${plan.serve.word}`) })}
              onPress={() => onMeet(target)}
              testID="meet"
            />
            <Key size="amount" label={t('planRoom.cook')} icon={CookingPot} onPress={onCook} testID="cook" />
          </>
        ) : (
          <Key
            kind="yolk"
            size="amount"
            className="max-w-[460px] flex-1"
            label={t('planRoom.cookThisNow')}
            icon={CookingPot}
            onPress={onCook}
            testID="cook"
          />
        )}
      </View>
    </View>
  );
}

/** A proven recipe is taken as it comes out; corrections come when they are asked for. */
function AsItIs({
  plan,
  comesOut,
  settled,
  onChange,
}: {
  plan: Plan;
  comesOut: SetWord;
  settled: boolean;
  onChange: (changed: PlanChange, touchedId?: string) => void;
}) {
  if (!plan.asItIs && comesOut === plan.serve.word) return null;
  return (
    <View className="flex-row flex-wrap items-center gap-2 px-3 pb-2 wide:px-6" testID="as-it-is">
      <Type kind="small" tone="quiet" className="shrink">
        {plan.asItIs ? t('planRoom.takenAsItIs') : t('planRoom.isItMeantSo')}
      </Type>
      {plan.asItIs ? (
        <Key label={t('planRoom.correctIt')} size="line" onPress={() => onChange(correctedAgain, 'all')} />
      ) : (
        <Key
          label={t('planRoom.asItIs')}
          size="line"
          disabled={!settled}
          onPress={() => onChange((now) => takenAsItIs(now, comesOut), 'all')}
        />
      )}
    </View>
  );
}

/** The plan room: a wish on one side, amounts that will set on the other. */
export function PlanRoom() {
  const { ask, which } = useKitchen();
  const { settings, change: changeSettings } = useSettings();
  const [askRing, setAskRing] = useState(false);
  const { fmt, tell, setWhere, where } = useApp();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const router = useRouter();
  const plans = useCollection('plans');
  const saveCook = useSave('cooks');
  const mounted = useMounted();
  const [listOpen, setListOpen] = useState(false);
  /** it is fetched when it is first opened, and stays: what it offers to bring back outlives its closing */
  const [listWanted, setListWanted] = useState(false);
  /** yield stress at serving that is held, Pa, and of which plan */
  const [hold, setHold] = useState<{ planId: string; stressPa: number } | undefined>();
  const [holdSweet, setHoldSweet] = useState(false);
  const [holding, setHolding] = useState(false);
  const edit = useEdit('plans');
  const [hands] = useState(() =>
    holdSet(
      async (p, ingredientId, stressPa) => {
        const { answer } = await ask('solveFor', [
          p,
          { free: [{ ingredientId, minG: 0.5 }], stressPa },
          fmt.settings.spoons,
        ]);
        return answer.ok ? answer.amounts[0]!.grams : undefined;
      },
      (planId, change) => edit.mutate({ id: planId, edit: (there) => there && change(there) }),
      setHolding,
    ),
  );

  const all = (mounted ? plans.data : undefined) ?? [];
  const saved = all.find((p) => p.id === (id ?? where.planId)) ?? all.find((p) => !p.archived);
  const held = hold && hold.planId === saved?.id ? hold.stressPa : undefined;
  const thumb = useDraggedPlan(saved);
  const { draft } = thumb;
  const keep = useKeep(saved);
  const plan = draft ?? saved;
  const starchId = plan && thickenersOf(plan)[0];
  const starch = plan?.things.find((i) => i.ingredientId === starchId);
  const { forecast, working, error } = useForecast(saved);
  const { point, stale } = usePoint(saved);
  const moving = draft !== undefined || working;
  const { about } = useAbout(plan, forecast, !moving);
  const solved = useSolved(draft ? undefined : saved, starch?.ingredientId);
  useEffect(() => {
    if (saved) setWhere({ planId: saved.id });
  }, [saved, setWhere]);

  /** Saves a change. What is held follows: the sugar for the sweetness, another thickener for the set. */
  const change = (changed: PlanChange, touchedId?: string, numbers?: Numbers) => {
    if (!saved) return;
    thumb.drop();
    const next = keep((now) => {
      const made = typeof changed === 'function' ? changed(now) : rebase(saved, changed, now);
      const sweetTouched = touchedId === 'all' || touchedId === mainSweet(made);
      // steps of the cook's own follow what is chosen elsewhere
      const followed = followSteps(now, made);
      return holdSweet && !sweetTouched ? holdSweetness(now, followed) : followed;
    }, numbers);
    if (!next) return;
    // a change of all amounts keeps the set by itself, unless an answer for the old ones is still to come
    if (held === undefined || (touchedId === 'all' && !hands.busy())) return;
    const free = thickenersOf(next).find((id) => id !== touchedId);
    if (free) void hands.follow(next, free, held).catch(() => undefined);
  };
  const stableChange = useStable(change);
  const openList = useStable(() => {
    setListWanted(true);
    setListOpen(true);
  });
  const closeList = useStable(() => setListOpen(false));

  if (!plan || !saved) {
    return (
      <NoPlan loaded={plans.isSuccess} onOpen={openList}>
        {listWanted ? <PlansSheet open={listOpen} onClose={closeList} plans={all} current={undefined} /> : null}
      </NoPlan>
    );
  }

  const holdNow = () =>
    setHold(
      held !== undefined || !forecast
        ? undefined
        : {
            planId: saved.id,
            stressPa: yieldAtPlace(forecast.serving.place, boundsFor(plan.serve.style, forecast.depthMm / 1000)),
          },
    );

  const target = solved.data?.ok && !solved.isPlaceholderData ? Math.round(solved.data.grams * 2) / 2 : undefined;
  const off =
    target !== undefined && starch !== undefined && Math.abs(target - starch.grams) > Math.max(1, 0.03 * target);
  const startCook = () => {
    const cookId = newId('cook');
    saveCook.mutate({ id: cookId, plan: saved, events: [{ kind: 'started', id: newId('e'), at: nowIso() }] });
    setWhere({ cookId });
    router.push(`/pot?cook=${cookId}` as '/pot');
  };
  const at = Date.parse(plan.serve.at);
  const tint = Math.max(
    0,
    all.findIndex((p) => p.id === plan.id),
  );
  return (
    <Room
      name={t('room.Plan')}
      title={plan.name}
      tag={{ letter: plan.name[0]!.toUpperCase(), tint }}
      sub={t('planRoom.peopleAt', { people: plan.people, tempC: fmt.deg(plan.serve.tempC), at: fmt.time(at) })}
      actions={<HeadKeys onPlans={openList} />}
      left={<PlanRows plan={saved} forecast={forecast} about={about} working={moving} onChange={stableChange} />}
      right={
        <>
          <Evidence plan={saved} forecast={forecast} about={about} working={moving} />
          {/* what stands below the evidence waits for it */}
          {forecast ? (
            <>
              <KnownPart plan={saved} onChange={stableChange} />
              <Key
                label={t('planRoom.tryInPractice')}
                icon={FlaskConical}
                className="mt-4 self-start"
                onPress={() => router.push(`/practice?plan=${saved.id}` as '/plan')}
                testID="try-practice"
              />
            </>
          ) : null}
        </>
      }
      foot={
        <PlanFoot
          slow={<CoolsTooSlowly plan={saved} forecast={forecast} working={moving} onChange={change} />}
          plan={plan}
          starch={starch}
          held={held !== undefined}
          target={off && !saved.asItIs ? target : undefined}
          onHold={holdNow}
          onMeet={(grams) => {
            setHold(undefined);
            if (starch) change(withGrams(saved, starch.ingredientId, grams), 'all');
          }}
          onCook={which() === 'own' && settings?.ringKnown === false ? () => setAskRing(true) : startCook}
        />
      }
    >
      <Answer
        plan={plan}
        forecast={forecast}
        point={draft ? thumb.point : moving ? point : undefined}
        stale={!draft && moving && stale}
        about={about}
        working={moving || holding}
        onDrag={(place) => thumb.dragTo(place, starch, forecast)}
        onDragEnd={() => {
          const left = thumb.dragEnd();
          if (left) change(left, starch?.ingredientId);
        }}
      />
      {forecast ? (
        <AsItIs plan={saved} comesOut={forecast.serving.word} settled={!moving} onChange={stableChange} />
      ) : null}
      {about?.breaks.length ? (
        <View className="px-3 wide:px-6" testID="breaks">
          {about.breaks.map((b) => (
            <Notice
              key={b.rule + b.ingredientId}
              text={t('planRoom.butIsInItThe', { label: t(RULE_SAYS[b.rule].label), bName: b.name })}
            />
          ))}
        </View>
      ) : null}
      {error ? <Notice text={t('planRoom.noForecast', { message: tell(errorSays(error)) })} /> : null}
      {solved.data && !solved.data.ok && !solved.isPlaceholderData && !saved.asItIs ? (
        <View className="px-3 wide:px-6">
          <Notice text={tell(solved.data.why)} />
        </View>
      ) : null}
      {which() === 'own' && settings?.unitsKnown === false ? (
        <View className="flex-row flex-wrap items-center gap-2 px-3 py-1 wide:px-6" role="note" testID="ask-units">
          <Type kind="small" className="shrink">
            {t('planRoom.unitsRight')}
          </Type>
          <Key label={t('planRoom.keepThem')} size="line" onPress={() => changeSettings({ unitsKnown: true })} />
          <Key
            label={t('planRoom.ouncesAndCups')}
            size="line"
            onPress={() => changeSettings({ unitsKnown: true, spoons: 'us', temperature: 'F', clock: '12' })}
          />
        </View>
      ) : null}
      <Bench
        key={saved.id}
        plan={plan}
        endMassG={Math.round(forecast?.endMassG ?? 0)}
        holdSweet={holdSweet}
        onHoldSweet={() => setHoldSweet(!holdSweet)}
        onChange={stableChange}
      />
      {listWanted ? <PlansSheet open={listOpen} onClose={closeList} plans={all} current={saved} /> : null}
      <Sheet open={askRing} title={t('planRoom.whichRing')} onClose={() => setAskRing(false)}>
        <Type tone="quiet">{t('planRoom.whichRingSays')}</Type>
        {askRing ? <PanForm plan={saved} about={about} onChange={stableChange} /> : null}
        <Key
          kind="yolk"
          size="act"
          label={t('planRoom.cookOnThese')}
          onPress={() => {
            changeSettings({ ringKnown: true });
            startCook();
          }}
        />
      </Sheet>
    </Room>
  );
}

const HeadKeys = memo(function HeadKeys({ onPlans }: { onPlans: () => void }) {
  const router = useRouter();
  return (
    <>
      <Key label={t('planRoom.plans')} icon={LayoutList} stacked onPress={onPlans} />
      <Key
        label={t('planRoom.settings')}
        icon={SettingsIcon}
        stacked
        onPress={() => router.push('/settings')}
        className="wide:hidden"
      />
    </>
  );
});

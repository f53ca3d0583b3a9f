import { useLocalSearchParams, useRouter } from 'expo-router';
import CookingPot from 'lucide-react-native/icons/cooking-pot';
import LayoutList from 'lucide-react-native/icons/layout-list';
import SettingsIcon from 'lucide-react-native/icons/settings';
import { memo, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Point } from '../../core/model/forecast';
import { withGrams } from '../../core/plan/amounts';
import { lookUp } from '../../core/plan/stages';
import { beginsSitting, outlived, type PastPlan } from '../../core/plan/history';
import { holdSweetness, mainSweet } from '../../core/plan/sweetness';
import type { Plan } from '../../core/plan/plan';
import { boundsFor, yieldAtPlace } from '../../core/texture/words';
import { GRAINS } from '../../core/pot/grain';
import { GEL } from '../../core/set/firmness';
import { useCollection, useEdit, useRemove, useSave } from '../shared/stored';
import { Key } from '../../ui/Key';
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
import { PlanRows } from './PlanRows';
import { PlansSheet } from './PlansSheet';
import { useAbout } from './useAbout';
import { RULE_SAYS } from './words';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

/** What the set is solved with. Whole grains are cooked to the bite, not to a word: they are not. */
const thickenersOf = (plan: Plan): string[] =>
  plan.items
    .filter((i) => {
      const x = lookUp(plan, i.ingredientId);
      return x.group === 'thickener' && (!x.thickener || GRAINS[x.thickener].form !== 'kernel');
    })
    .map((i) => i.ingredientId);

/** The plan room: a wish on one side, amounts that will set on the other. */
export function PlanRoom() {
  const { ask, clock } = useKitchen();
  const { fmt, tell, ready, failed, setWhere, where } = useApp();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const router = useRouter();
  const plans = useCollection('plans');
  const save = useSave('plans');
  const saveCook = useSave('cooks');
  const mounted = useMounted();
  const [listOpen, setListOpen] = useState(false);
  /** under a thumb: the plan with its words, shown together */
  const [drag, setDrag] = useState<{ plan: Plan; point: Point } | undefined>();
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
  const dragged = useRef<Plan | undefined>(undefined);
  const asking = useRef(false);
  const dragFrom = useRef<{ grams: number; yieldPa: number } | undefined>(undefined);

  const all = (mounted ? plans.data : undefined) ?? [];
  const saved = all.find((p) => p.id === (id ?? where.planId)) ?? all.find((p) => !p.archived);
  const held = hold && hold.planId === saved?.id ? hold.stressPa : undefined;
  const draft = drag && drag.plan.id === saved?.id ? drag.plan : undefined;
  const plan = draft ?? saved;
  const starchId = plan && thickenersOf(plan)[0];
  const starch = plan?.items.find((i) => i.ingredientId === starchId);
  const { forecast, working, error } = useForecast(saved);
  const { point, stale } = usePoint(saved);
  const moving = draft !== undefined || working;
  const { about } = useAbout(plan, forecast, !moving);
  const past = useCollection('history');
  const savePast = useSave('history');
  const removePast = useRemove('history');
  const solved = useSolved(draft ? undefined : saved, starch?.ingredientId);
  useEffect(() => {
    if (saved) setWhere({ planId: saved.id });
  }, [saved, setWhere]);

  /** Saves a plan; the state before the first change of a sitting is kept, so that it can be brought back. */
  const keep = (next: Plan) => {
    if (!saved) return;
    const history = past.data ?? [];
    const now = clock();
    if (past.data && beginsSitting(history, saved.id, now)) {
      const was: PastPlan = { id: newId('past'), planId: saved.id, at: nowIso(), plan: saved };
      savePast.mutate(was);
      for (const old of outlived([...history, was], saved.id)) removePast.mutate(old.id);
    }
    save.mutate(next);
  };

  /** Saves a change. What is held follows: the sugar for the sweetness, another thickener for the set. */
  const change = (changed: Plan, touchedId?: string) => {
    if (!saved) return;
    setDrag(undefined);
    const sweetTouched = touchedId === 'all' || touchedId === mainSweet(changed);
    const next = holdSweet && !sweetTouched ? holdSweetness(saved, changed) : changed;
    keep(next);
    // a change of all amounts keeps the set by itself, unless an answer for the old ones is still to come
    if (held === undefined || (touchedId === 'all' && !hands.busy())) return;
    const free = thickenersOf(next).find((id) => id !== touchedId);
    if (free) void hands.follow(next, free, held).catch(() => undefined);
  };
  const stableChange = useStable(change);
  const openList = useStable(() => setListOpen(true));
  const closeList = useStable(() => setListOpen(false));

  if (!plan || !saved) {
    return (
      <Room
        name={t('room.Plan')}
        title={t('planRoom.plan')}
        sub={mounted && ready ? t('planRoom.nothingPlannedYet') : t('planRoom.settingTheTable')}
        actions={<HeadKeys onPlans={openList} />}
      >
        {failed ? (
          <Notice text={t('planRoom.theKitchenDidNotOpen', { message: failed.message })} />
        ) : mounted && ready && plans.isSuccess ? (
          <Empty word={t('planRoom.nothingOnYet')} text={t('planRoom.sayWhatMilkAndFor')}>
            <Key
              kind="yolk"
              size="act"
              label={t('planRoom.planAPudding')}
              onPress={() => setListOpen(true)}
              className="w-full max-w-[360px]"
            />
          </Empty>
        ) : null}
        <PlansSheet open={listOpen} onClose={closeList} plans={all} current={undefined} />
      </Room>
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

  /** The place under the thumb to grams, from where the drag began: ln stress is nearly straight in ln grams. */
  const dragTo = (place: number) => {
    if (!starch || !forecast) return;
    dragFrom.current ??= { grams: Math.max(1, starch.grams), yieldPa: Math.max(0.05, forecast.serving.yieldPa) };
    const bounds = boundsFor(plan.serve.style, forecast.depthMm / 1000);
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
  const dragEnd = () => {
    dragFrom.current = undefined;
    if (dragged.current) change(dragged.current, starch?.ingredientId);
    dragged.current = undefined;
  };

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
      left={<PlanRows plan={saved} forecast={forecast} about={about} onChange={stableChange} />}
      right={<Evidence plan={saved} forecast={forecast} about={about} working={moving} />}
      foot={
        <View className="flex-row justify-center gap-2 border-t-rim border-ink bg-field px-3 py-2">
          {starch ? (
            <Key
              label={held !== undefined ? t('planRoom.setIsHeld') : t('planRoom.holdTheSet')}
              size="amount"
              selected={held !== undefined}
              role="checkbox"
              onPress={holdNow}
              className="max-w-[110px]"
            />
          ) : null}
          {off && target !== undefined && starch ? (
            <>
              <Key
                kind="yolk"
                size="amount"
                className="max-w-[460px] flex-1"
                label={t('planRoom.gStarch', {
                  starch: target > starch.grams ? '+' : '−',
                  starch2: fmt.amount(Math.abs(target - starch.grams)),
                })}
                sub={t('planRoom.setsTo', { word: t(`word.${plan.serve.word}`) })}
                onPress={() => {
                  setHold(undefined);
                  change(withGrams(saved, starch.ingredientId, target), 'all');
                }}
                testID="meet"
              />
              <Key size="amount" label={t('planRoom.cook')} icon={CookingPot} onPress={startCook} testID="cook" />
            </>
          ) : (
            <Key
              kind="yolk"
              size="amount"
              className="max-w-[460px] flex-1"
              label={t('planRoom.cookThisNow')}
              icon={CookingPot}
              onPress={startCook}
              testID="cook"
            />
          )}
        </View>
      }
    >
      <Answer
        plan={plan}
        forecast={forecast}
        point={draft ? drag?.point : moving ? point : undefined}
        stale={!draft && moving && stale}
        about={about}
        working={moving || holding}
        onDrag={dragTo}
        onDragEnd={dragEnd}
      />
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
      {error ? <Notice text={t('planRoom.noForecast', { message: error.message })} /> : null}
      {solved.data && !solved.data.ok && !solved.isPlaceholderData ? (
        <View className="px-3 wide:px-6">
          <Notice text={tell(solved.data.why)} />
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
      <PlansSheet open={listOpen} onClose={closeList} plans={all} current={saved} />
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

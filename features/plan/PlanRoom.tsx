import { useLocalSearchParams, useRouter } from 'expo-router';
import CookingPot from 'lucide-react-native/icons/cooking-pot';
import LayoutList from 'lucide-react-native/icons/layout-list';
import SettingsIcon from 'lucide-react-native/icons/settings';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { withGrams } from '../../core/formula/amounts';
import type { Plan } from '../../core/formula/plan';
import { pantryWith } from '../../core/pantry/pantry';
import { boundsFor, yieldAtPlace } from '../../core/texture/words';
import { GRAINS } from '../../core/pot/grain';
import { GEL } from '../../core/set/firmness';
import { useCollection, useSave } from '../../storage/hooks';
import { model } from '../../workers/client';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { useApp } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { useForecast, useSolved } from '../shared/useForecast';
import { Answer } from './Answer';
import { Bench } from './Bench';
import { Evidence } from './Evidence';
import { PlanRows } from './PlanRows';
import { PlansSheet } from './PlansSheet';

/** The plan room: a wish on one side, amounts that will set on the other. */
export function PlanRoom() {
  const { fmt, ready, failed, setWhere, where } = useApp();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const router = useRouter();
  const plans = useCollection('plans');
  const save = useSave('plans');
  const saveCook = useSave('cooks');
  const mounted = useMounted();
  const [listOpen, setListOpen] = useState(false);
  const [draft, setDraft] = useState<Plan | undefined>();
  const [held, setHeld] = useState(false);
  const [holding, setHolding] = useState(false);
  const latestHold = useRef(0);
  const dragged = useRef<Plan | undefined>(undefined);
  const dragFrom = useRef<{ grams: number; yieldPa: number } | undefined>(undefined);

  const all = (mounted ? plans.data : undefined) ?? [];
  const saved = all.find((p) => p.id === (id ?? where.planId)) ?? all.find((p) => !p.archived);
  const plan = draft && draft.id === saved?.id ? draft : saved;
  const pantry = pantryWith(plan?.own);
  // whole grains are cooked to the bite, not to a word: they are not solved for
  const starch = plan?.items.find((i) => {
    const ingredient = plan.own.find((o) => o.id === i.ingredientId) ?? pantry.get(i.ingredientId);
    if (ingredient?.group !== 'thickener') return false;
    return !ingredient.thickener || GRAINS[ingredient.thickener].form !== 'kernel';
  });
  const { forecast, working, error } = useForecast(plan);
  const solved = useSolved(draft ? undefined : saved, starch?.ingredientId);
  useEffect(() => {
    if (saved) setWhere({ planId: saved.id });
  }, [saved, setWhere]);

  if (!plan || !saved) {
    return (
      <Room
        name="Plan"
        title="Plan"
        sub={mounted && ready ? 'nothing planned yet' : 'setting the table'}
        actions={<HeadKeys onPlans={() => setListOpen(true)} />}
      >
        {failed ? (
          <Notice
            text={`The kitchen did not open: ${failed.message}. Reload the page; if site data was cleared while it was open, that mends it.`}
          />
        ) : mounted && ready && plans.isSuccess ? (
          <Empty word="nothing on yet" text="Say what milk and for how many. The amounts fill in from there.">
            <Key
              kind="yolk"
              size="act"
              label="Plan a pudding"
              onPress={() => setListOpen(true)}
              className="w-full max-w-[360px]"
            />
          </Empty>
        ) : null}
        <PlansSheet open={listOpen} onClose={() => setListOpen(false)} plans={all} current={undefined} />
      </Room>
    );
  }

  /** Saves a change; with the set held, the starch follows it. */
  const change = (next: Plan, starchTouched = false) => {
    setDraft(undefined);
    save.mutate(next);
    if (!held || starchTouched) return;
    const turn = ++latestHold.current;
    setHolding(true);
    void model()
      .solve(next)
      .then((s) => {
        if (turn === latestHold.current && s.ok)
          save.mutate(withGrams(s.plan, s.starchId, Math.round(s.grams * 2) / 2, pantryWith(next.own)));
      })
      .finally(() => turn === latestHold.current && setHolding(false));
  };

  /** The place under the thumb to grams, from where the drag began: ln stress is nearly straight in ln grams. */
  const dragTo = (place: number) => {
    if (!starch || !forecast) return;
    dragFrom.current ??= { grams: Math.max(1, starch.grams), yieldPa: Math.max(0.05, forecast.serving.yieldPa) };
    const bounds = boundsFor(plan.serve.style, forecast.depthMm / 1000);
    const ratio = (yieldAtPlace(place, bounds) / dragFrom.current.yieldPa) ** (1 / (GEL.power + 0.15));
    const grams = Math.max(1, Math.min(2000, Math.round(dragFrom.current.grams * ratio * 2) / 2));
    dragged.current = withGrams(saved, starch.ingredientId, grams, pantry);
    setDraft(dragged.current);
  };
  const dragEnd = () => {
    dragFrom.current = undefined;
    if (dragged.current) change(dragged.current, true);
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
      name="Plan"
      title={plan.name}
      tag={{ letter: plan.name[0]!.toUpperCase(), tint }}
      sub={`${plan.people} people, ${fmt.deg(plan.serve.tempC)} at ${fmt.time(at)}`}
      actions={<HeadKeys onPlans={() => setListOpen(true)} />}
      left={<PlanRows plan={plan} forecast={forecast} onChange={change} />}
      right={<Evidence plan={plan} forecast={forecast} working={working} />}
      foot={
        <View className="flex-row justify-center gap-2 border-t-rim border-ink bg-field px-3 py-2">
          {starch ? (
            <Key
              label={held ? 'Set is held' : 'Hold the set'}
              size="amount"
              selected={held}
              role="checkbox"
              onPress={() => setHeld(!held)}
              className="max-w-[110px]"
            />
          ) : null}
          {off && target !== undefined && starch ? (
            <>
              <Key
                kind="yolk"
                size="amount"
                className="max-w-[460px] flex-1"
                label={`${target > starch.grams ? '+' : '−'}${fmt.amount(Math.abs(target - starch.grams))} g starch`}
                sub={`sets to ${plan.serve.word}`}
                onPress={() => change(withGrams(saved, starch.ingredientId, target, pantry), true)}
                testID="meet"
              />
              <Key size="amount" label="Cook" icon={CookingPot} onPress={startCook} testID="cook" />
            </>
          ) : (
            <Key
              kind="yolk"
              size="amount"
              className="max-w-[460px] flex-1"
              label="Cook this now"
              icon={CookingPot}
              onPress={startCook}
              testID="cook"
            />
          )}
        </View>
      }
    >
      <Answer plan={plan} forecast={forecast} working={working || holding} onDrag={dragTo} onDragEnd={dragEnd} />
      {error ? <Notice text={`No forecast: ${error.message}`} /> : null}
      {solved.data && !solved.data.ok && !solved.isPlaceholderData ? (
        <View className="px-3 wide:px-6">
          <Notice text={solved.data.why} />
        </View>
      ) : null}
      <Bench plan={plan} forecast={forecast} onChange={change} />
      <PlansSheet open={listOpen} onClose={() => setListOpen(false)} plans={all} current={plan} />
    </Room>
  );
}

function HeadKeys({ onPlans }: { onPlans: () => void }) {
  const router = useRouter();
  return (
    <>
      <Key label="Plans" icon={LayoutList} stacked onPress={onPlans} />
      <Key
        label="Settings"
        icon={SettingsIcon}
        stacked
        onPress={() => router.push('/settings')}
        className="wide:hidden"
      />
    </>
  );
}

import { useLocalSearchParams, useRouter } from 'expo-router';
import Refrigerator from 'lucide-react-native/icons/refrigerator';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { useEffect } from 'react';
import { View } from 'react-native';
import { promiseOf } from '../../core/book/batch';
import { pantryWith } from '../../core/pantry/pantry';
import { SAFE_COOLING } from '../../core/set/safety';
import { GEL, standing } from '../../core/set/firmness';
import { stripMiddle } from '../../core/texture/words';
import { useSave } from '../../storage/hooks';
import { CoolingRing } from '../../ui/CoolingRing';
import { Key } from '../../ui/Key';
import { MouldOutline } from '../../ui/MouldOutline';
import { Empty, Notice } from '../../ui/Notice';
import { SetCurve } from '../../ui/SetCurve';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { chanceWords } from '../../words/format';
import { newId } from '../shared/ids';
import { Room } from '../shared/Room';
import { useCook } from '../shared/useCook';
import { useMounted, useNow } from '../shared/useNow';
import { MouldSection } from './MouldSection';
import { useSet } from './useSet';

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
    <Room name="Set" title="Set" sub={ready ? 'nothing in the fridge' : undefined}>
      {ready ? (
        <Empty
          word="nothing poured yet"
          text={
            c.cook
              ? `${c.cook.plan.name} is still in the pot. It comes here once it is poured.`
              : 'Cook a plan and pour it: its cooling and its set show here.'
          }
        >
          <Key
            kind="yolk"
            size="act"
            label={c.cook ? 'Back to the pot' : 'To the plans'}
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

function Setting({ c }: { c: UsedCook }) {
  const { fmt, tell, setWhere } = useApp();
  const router = useRouter();
  const now = useNow(15_000);
  const saveBatch = useSave('batches');
  const saveCook = useSave('cooks');
  const cook = c.cook!;
  const state = c.state!;
  const { plan } = cook;
  const set = useSet(cook, c.steps, state, now);
  useEffect(() => setWhere({ cookId: cook.id }), [cook.id, setWhere]);

  const sub = `poured ${fmt.time(state.pouredMs)}${Number.isNaN(state.fridgeMs) ? '' : `, fridge since ${fmt.time(state.fridgeMs)}`}`;
  const head = {
    name: 'Set',
    title: plan.name,
    sub,
    tag: { letter: plan.name[0]!.toUpperCase(), tint: 0 },
    rescue: { cookId: cook.id },
  };
  if (!set.data) {
    return (
      <Room {...head}>
        <View className="px-4 py-8">
          {set.error ? <Notice text={`No forecast: ${set.error.message}`} /> : <Type kind="title">Working it out</Type>}
        </View>
      </Room>
    );
  }
  const { forecast: f, hours, roomMin } = set.data;
  const sinceH = (now - state.pouredMs) / HOUR;
  const at = (h: number) => state.pouredMs + h * HOUR;
  const nearest = f.set.reduce(
    (best, p) => (Math.abs(p.hours - sinceH) < Math.abs(best.hours - sinceH) ? p : best),
    f.set[0]!,
  );
  const verb = plan.serve.style === 'turned out' ? 'stands' : plan.serve.style === 'cut' ? 'cuts' : 'set';
  const ready = Number.isFinite(f.readyH) && f.readyH <= hours;
  const depthM = f.depthMm / 1000;
  const slumpAt = (h: number) => {
    const p = f.set.reduce((best, q) => (Math.abs(q.hours - h) < Math.abs(best.hours - h) ? q : best), f.set[0]!);
    return standing(p.yieldPa, p.yieldPa / GEL.yieldOverG, depthM);
  };
  const times = [
    ...new Set(
      [ready ? Math.max(0.5, f.readyH * 0.7) : hours * 0.3, ready ? f.readyH : hours * 0.6, hours].map((h) =>
        Math.min(hours, Math.round(h * 12) / 12),
      ),
    ),
  ];
  const limitH = f.cool.below57H + SAFE_COOLING.withinH;
  const coolText =
    sinceH >= f.cool.below21H
      ? f.cool.safe
        ? ['cooled', 'in time']
        : ['too slow', 'to keep']
      : [`below ${fmt.deg(SAFE_COOLING.toC)}`, `in ${fmt.hours(Math.max(0, f.cool.below21H - sinceH))}`];
  const inRoomTooLong = Number.isNaN(state.fridgeMs) && sinceH > 2;

  const writeDown = () => {
    const id = cook.batchId ?? newId('batch');
    if (!cook.batchId) {
      saveBatch.mutate({
        id,
        cookId: cook.id,
        at: new Date(state.pouredMs).toISOString(),
        plan,
        events: cook.events,
        promise: promiseOf(c.forecast ?? f, plan, pantryWith(plan.own)),
        found: {
          flaws: [],
          note: state.notes
            .map((n) => n.text)
            .join('\n')
            .slice(0, 2000),
        },
      });
      saveCook.mutate({ ...cook, batchId: id });
    }
    router.push(`/batch?id=${id}` as '/batch');
  };
  const act =
    state.stage === 'poured'
      ? { label: 'Into the fridge', icon: Refrigerator, press: () => c.add({ kind: 'intoFridge' }) }
      : state.stage === 'in the fridge' && plan.serve.style === 'turned out'
        ? { label: 'Turned out', icon: undefined, press: () => c.add({ kind: 'turnedOut' }) }
        : { label: 'Write it down', icon: undefined, press: writeDown };

  return (
    <Room
      {...head}
      foot={
        <View className="flex-row justify-center gap-2 border-t-rim border-ink bg-field px-3 py-2">
          <Key
            kind="yolk"
            size="act"
            label={act.label}
            icon={act.icon}
            onPress={act.press}
            className="max-w-[460px] flex-1"
            testID="set-act"
          />
          {act.label === 'Write it down' ? null : (
            <Key size="act" label="Write it down" onPress={writeDown} className="max-w-[130px]" />
          )}
          <Key label="Undo" icon={Undo2} stacked disabled={!c.lastUndoable} onPress={c.undo} />
        </View>
      }
      right={
        <View className="gap-2">
          <Type kind="title" level={2}>
            Mind
          </Type>
          {inRoomTooLong ? (
            <Notice text="It has stood in the room for more than two hours: past the usual safe limit. Into the fridge now, or do not serve it." />
          ) : null}
          {f.cautions
            .filter((k) => ['cooling', 'stand', 'coconut', 'keep', 'thin-milk'].includes(k.id))
            .map((k) => (
              <Notice key={k.id} text={tell(k.says)} />
            ))}
          <Notice
            text={`Usual home limits: from ${fmt.temp(SAFE_COOLING.fromC)} to ${fmt.temp(SAFE_COOLING.toC)} within ${SAFE_COOLING.withinH} h, to ${fmt.temp(SAFE_COOLING.thenC)} within ${SAFE_COOLING.thenWithinH} h more. Cover it, date it, eat it within three days. Local food-safety rules come first.`}
          />
          <Type kind="small" tone="quiet">
            The cooling is worked out for a still fridge with room around the dish. A crowded shelf is slower. A hot
            dish warms its neighbours.
          </Type>
        </View>
      }
    >
      <View className="gap-3 px-4 py-3 wide:px-6">
        <View className="flex-row flex-wrap items-end justify-between gap-x-4">
          <View>
            <Type tone="quiet">{ready ? `${verb} from` : `still ${f.serving.word} at`}</Type>
            <Type kind="answer" testID="ready-at">
              {ready ? fmt.time(at(f.readyH)) : fmt.time(at(hours))}
            </Type>
          </View>
          <View className="items-end">
            <Type kind="strong">{`${plan.serve.style === 'turned out' ? 'turn out' : 'serve'} at ${fmt.timeOn(Date.parse(plan.serve.at), now)}`}</Type>
            <Type tone="quiet">{`${plan.serve.word} ${chanceWords(f.chance)}`}</Type>
          </View>
        </View>
        <View className="flex-row flex-wrap items-center justify-between gap-2 wide:justify-start wide:gap-12">
          <MouldSection depthMm={f.depthMm} temp={fmt.deg(nearest.coreC)} covered={plan.rest.covered} />
          <CoolingRing
            usedRel={sinceH / limitH}
            notchRel={f.cool.below21H / limitH}
            over={!f.cool.safe}
            label={`Safe cooling: below ${fmt.temp(SAFE_COOLING.toC)} at ${fmt.time(at(f.cool.below21H))}, limit ${fmt.time(at(limitH))}`}
          >
            <Type kind="strong">{coolText[0]}</Type>
            <Type kind="title" tone={f.cool.safe ? 'ink' : 'scorch'}>
              {coolText[1]}
            </Type>
            <Type kind="small">{`limit ${fmt.time(at(limitH))}`}</Type>
          </CoolingRing>
        </View>
        <SetCurve
          points={f.set}
          hours={hours}
          nowH={Math.min(hours, Math.max(0, sinceH))}
          readyH={f.readyH}
          fridgeH={roomMin / 60}
          servingPlace={f.serving.place}
          wantedPlace={stripMiddle(plan.serve.word)}
          timeAt={(h) => fmt.timeOn(at(h), state.pouredMs)}
          temp={fmt.temp}
          label={`Set and middle temperature from ${fmt.time(at(0))} to ${fmt.time(at(hours))}: ${f.serving.word} at serving`}
        />
        <Type className="border-y-hair border-line py-2">
          <Type kind="strong">{plan.rest.covered ? 'Cover lies on the pudding. ' : 'Left open. '}</Type>
          {plan.rest.covered ? 'No skin.' : 'A skin comes, and it cools faster.'}
        </Type>
        <View className="flex-row justify-around">
          {times.map((h) => {
            const s = slumpAt(h);
            const says =
              plan.serve.style === 'spooned' ? '' : s.stands ? 'stands' : s.slumpRel > 0.5 ? 'runs' : 'slumps';
            return (
              <View key={h} className="items-center">
                <MouldOutline
                  slumpRel={s.slumpRel}
                  kind={plan.serve.style}
                  label={`at ${fmt.time(at(h))} ${says}`}
                  size={108}
                />
                <Type kind="title">{fmt.time(at(h))}</Type>
                {says ? <Type tone="quiet">{says}</Type> : null}
              </View>
            );
          })}
        </View>
      </View>
    </Room>
  );
}

import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { leftAloneMs } from '../../core/cook/row';
import { useCollection, useSave } from '../shared/stored';
import { Key } from '../../ui/Key';
import { Empty } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { newId, nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useCook } from '../shared/useCook';
import { useMounted, useNow } from '../shared/useNow';
import { LeftAlone } from './LeftAlone';
import { LivePot } from './LivePot';
import { learn, t } from '../../words';
import { potRoom } from '../../words/en/potRoom';

learn(potRoom);

export function PotRoom() {
  const { cook: cookId } = useLocalSearchParams<{ cook?: string }>();
  const { where, ready } = useApp();
  const mounted = useMounted();
  const c = useCook(mounted ? cookId : undefined, mounted ? where.cookId : undefined);
  const now = useNow(60_000);
  if (mounted && c.cook && c.state?.stage === 'cooking' && c.steps.length) {
    const lastMs = leftAloneMs(c.cook, now);
    return lastMs === undefined ? <LivePot key={c.cook.id} c={c} /> : <LeftAlone c={c} lastMs={lastMs} />;
  }
  return (
    <NoPot
      ready={mounted && ready && c.loaded}
      poured={mounted ? c.cook : undefined}
      missing={cookId !== undefined && !c.cook}
    />
  );
}

type UsedCook = ReturnType<typeof useCook>;

function NoPot({ ready, poured, missing }: { ready: boolean; poured: UsedCook['cook']; missing: boolean }) {
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
    <Room
      name={t('room.Pot')}
      title={t('potRoom.pot2')}
      sub={ready ? t('potRoom.nothingOnTheHob') : undefined}
      {...(poured ? { rescue: { cookId: poured.id } } : {})}
    >
      {ready ? (
        <View className="mx-auto w-full max-w-[640px] px-4">
          {poured ? (
            <View className="gap-3 py-4">
              <Type kind="title" level={2}>
                {t('potRoom.isPoured', { pouredName: poured.plan.name })}
              </Type>
              <Key
                kind="yolk"
                size="act"
                label={t('potRoom.seeItSet')}
                onPress={() => router.push(`/set?cook=${poured.id}` as '/set')}
              />
            </View>
          ) : (
            <Empty
              word={missing ? t('potRoom.notInThisKitchen') : t('potRoom.nothingOnYet')}
              text={missing ? t('potRoom.thisPotIsNotKept') : t('potRoom.pickAPlanThePot')}
            />
          )}
          <Type kind="title" level={2}>
            {t('potRoom.startOne')}
          </Type>
          {(plans.data ?? []).map((p, i) => (
            <Row
              key={p.id}
              title={p.name}
              sub={t('potRoom.people', { people: p.people, at: fmt.time(Date.parse(p.serve.at)) })}
              left={<Tag letter={p.name[0]!.toUpperCase()} tint={i} />}
              value={t('potRoom.cook')}
              onPress={() => start(p.id)}
            />
          ))}
          <Key
            label={t('potRoom.practise')}
            className="mt-3 self-start"
            onPress={() => router.push('/practice' as '/plan')}
            testID="practise"
          />
          {plans.data?.length === 0 ? (
            <Key label={t('potRoom.planAPuddingFirst')} onPress={() => router.push('/plan')} />
          ) : null}
          {going.length ? (
            <>
              <Type kind="title" level={2} className="pt-4">
                {t('potRoom.stillGoing')}
              </Type>
              {going.map((c) => (
                <Row
                  key={c.id}
                  title={c.plan.name}
                  sub={t('potRoom.since', { nowIso: fmt.time(Date.parse(c.events[0]?.at ?? nowIso())) })}
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

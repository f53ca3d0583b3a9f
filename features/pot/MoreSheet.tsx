import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { OBSERVATIONS, type Observation } from '../../core/cook/events';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { SEEN } from '../../words/seen';
import type { useCook } from '../shared/useCook';
import { CallsForm } from './CallsForm';
import { EventLog } from './EventLog';
import { ReadOff } from './ReadOff';
import { StepList } from './StepList';
import type { Devices } from './useDevices';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

const WAITS_MIN = [10, 20, 40] as const;
const LONGER_MIN = [1, 2, 5] as const;

/** Everything of the live cook that is not the one thing now. */
export function MoreSheet({
  open,
  onClose,
  c,
  why,
  onSee,
  devices,
  now,
  next,
}: {
  open: boolean;
  onClose: () => void;
  c: ReturnType<typeof useCook>;
  why: string;
  onSee: (what: Observation) => void;
  devices: Devices;
  now: number;
  next: string;
}) {
  const { setWhere } = useApp();
  const router = useRouter();
  const [note, setNote] = useState('');
  const state = c.state!;
  const step = c.steps[state.stepIndex];
  const others = c.cooks.filter((o) => o.id !== c.cook!.id && !o.batchId);
  return (
    <Sheet open={open} title={t('potRoom.more3')} onClose={onClose}>
      <Type>
        <Type kind="strong">{t('potRoom.why')}</Type>
        {why}
      </Type>
      <Type kind="title" level={3}>
        {t('potRoom.whatYouSeeHearTaste')}
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {OBSERVATIONS.map((what) => (
          <Key
            key={what}
            size="amount"
            label={t(SEEN[what])}
            onPress={() => {
              onSee(what);
              onClose();
            }}
          />
        ))}
      </View>
      <ReadOff c={c} devices={devices} />
      {step?.heat ? (
        <>
          <Choices
            label={t('potRoom.lid')}
            value={state.lid ?? step.heat.lid}
            options={(['off', 'ajar', 'on'] as const).map((value) => ({ value, label: t(`lid.${value}`) }))}
            onChoose={(lid) => c.add({ kind: 'lidSet', lid })}
          />
          <View className="flex-row flex-wrap gap-2">
            <Key label={t('potRoom.hobOff2')} onPress={() => c.add({ kind: 'hobSet', setting: 0 })} />
            {step.ends === 'time'
              ? LONGER_MIN.map((minutes) => (
                  <Key
                    key={minutes}
                    label={t('potRoom.minLonger', { minutes })}
                    onPress={() => c.add({ kind: 'longer', step: step.id, minutes })}
                  />
                ))
              : null}
          </View>
          {step.role === 'off the heat' ? <Waiting c={c} now={now} /> : null}
        </>
      ) : null}
      <Field label={t('potRoom.note')} value={note} onChangeText={setNote} multiline maxLength={2000} />
      <Key
        label={t('potRoom.keepTheNote')}
        disabled={note.trim() === ''}
        onPress={() => {
          c.add({ kind: 'noted', text: note.trim() });
          setNote('');
        }}
      />
      <EventLog cook={c.cook!} steps={c.steps} onAdd={c.add} />
      <CallsForm devices={devices} />
      <Type kind="title" level={3}>
        {t('potRoom.orderOfTheWork')}
      </Type>
      <Type kind="small" tone="quiet">
        {t('potRoom.next', { next })}
      </Type>
      <StepList steps={c.steps} state={state} plan={c.cook!.plan} />
      <Notice text={t('potRoom.hotStarchPasteSticksTo')} />
      {others.map((o) => (
        <Row
          key={o.id}
          title={t('potRoom.to', { oName: o.plan.name })}
          onPress={() => {
            router.setParams({ cook: o.id });
            onClose();
          }}
        />
      ))}
      <Key
        label={t('potRoom.settings')}
        onPress={() => {
          setWhere({ live: false });
          router.push('/settings');
        }}
      />
      <Key
        label={t('potRoom.leaveThePotItKeeps')}
        size="amount"
        onPress={() => {
          setWhere({ live: false });
          router.push('/plan');
        }}
      />
    </Sheet>
  );
}

/** A finished pot that must wait: what it will be, and the milk that loosens it again. */
function Waiting({ c, now }: { c: ReturnType<typeof useCook>; now: number }) {
  const { ask } = useKitchen();
  const { fmt } = useApp();
  const [wrapped, setWrapped] = useState(false);
  const cook = c.cook!;
  const { data } = useQuery({
    queryKey: ['hold', cook.id, cook.events.length, wrapped],
    queryFn: ({ signal }) => ask('hold', [cook, now, [...WAITS_MIN], wrapped], signal),
    staleTime: 30_000,
    gcTime: 1000,
  });
  return (
    <View className="gap-1" testID="waiting">
      <Choices
        label={t('potRoom.ifItMustWait')}
        value={wrapped}
        options={[
          { value: false, label: t('potRoom.lidOn') },
          { value: true, label: t('potRoom.wrappedInABlanket') },
        ]}
        onChoose={(v) => setWrapped(v)}
      />
      {data?.map((h) => (
        <Type key={h.minutes}>
          {t('potRoom.min', {
            minutes: h.minutes,
            bulkC: fmt.temp(h.bulkC),
            thick:
              h.thicker < 1.1
                ? t('potRoom.asThick')
                : t('potRoom.timesAsThick', { thicker: Math.round(h.thicker * 10) / 10 }),
            it: h.loosenG >= 2 ? t('potRoom.hotMilkLoosensIt', { loosenG: fmt.grams(h.loosenG) }) : '',
            curdle: h.curdles ? t('potRoom.theEggWouldCurdle') : '',
          })}
        </Type>
      ))}
      <Type kind="small" tone="quiet">
        {t('potRoom.heldWarmForLongerThan')}
      </Type>
    </View>
  );
}

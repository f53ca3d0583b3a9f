import { useState } from 'react';
import { View } from 'react-native';
import { massG } from '../../core/matter/mixture';
import { wholeMixture } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import { HOBS, PANS, type Pan } from '../../core/pantry/kitchen';
import { suggestSettings } from '../../core/pot/hob';
import { asPan } from '../../core/vessels/vessel';
import { useCollection, useRemove, useSave } from '../shared/stored';
import { useTakeBack } from '../shared/useTakeBack';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { useAbout } from './useAbout';
import { VesselForm } from './VesselForm';
import { t } from '../../words';

/** Pan and ring: the cook's own first, and whether it takes the foam. */
export function PanForm({
  plan,
  about,
  onChange,
}: {
  plan: Plan;
  about: ReturnType<typeof useAbout>['about'];
  onChange: (next: Plan) => void;
}) {
  const fmt = useFormat();
  const vessels = useCollection('vessels');
  const save = useSave('vessels');
  const remove = useRemove('vessels');
  const [making, setMaking] = useState(false);
  const back = useTakeBack();
  const total = massG(wholeMixture(plan));
  const fit = (next: Plan): Plan => ({
    ...next,
    method: { ...next.method, ...suggestSettings(next.hob, next.pan.diameterMm, total) },
  });
  const mine = (vessels.data ?? []).filter((v) => v.use === 'pan');
  const pans: readonly { pan: Pan; ownId?: string }[] = [
    ...mine.map((v) => ({ pan: asPan(v), ownId: v.id })),
    ...PANS.map((pan) => ({ pan })),
  ];
  const now = pans.findIndex((p) => p.pan.name === plan.pan.name && p.pan.diameterMm === plan.pan.diameterMm);
  if (making)
    return (
      <>
        <Key label={t('planRoom.back')} kind="quiet" onPress={() => setMaking(false)} className="self-start" />
        <VesselForm
          use="pan"
          onDone={(v) => {
            save.mutate(v);
            onChange(fit({ ...plan, pan: asPan(v) }));
            setMaking(false);
          }}
        />
      </>
    );
  // one's own stand first: the list is drawn when they are read, not moved by them
  if (vessels.isPending) return null;
  const own = now >= 0 ? pans[now]!.ownId : undefined;
  const room = about?.pan;
  return (
    <>
      {/* its room is there before it is reckoned: nothing below moves under a thumb */}
      <View className="min-h-[76px] gap-1 rounded-key bg-plate p-3" testID="pan-fit" aria-live="polite">
        {room ? (
          <>
            <Type kind="title" level={3}>
              {room.headroomMm <= 0
                ? t('planRoom.itDoesNotGoIn2')
                : room.says === 'too small'
                  ? t('planRoom.tooSmallForItsFoam')
                  : room.says === 'watch it'
                    ? t('planRoom.itFitsWatchTheFoam')
                    : t('planRoom.itFitsFoamAndAll')}
            </Type>
            <Type tone="quiet">
              {t('planRoom.intoMmAboveTheMilk', {
                goesInMl: fmt.ml(room.goesInMl),
                holdsMl: fmt.ml(room.holdsMl),
                headroomMm: fmt.length(Math.max(0, room.headroomMm)),
              })}
            </Type>
          </>
        ) : null}
      </View>
      {room && room.says !== 'fits' ? <Notice text={t('planRoom.milkClimbsFromAThird')} /> : null}
      <Choices
        label={t('planRoom.pan')}
        column
        value={now}
        options={pans.map((p, i) => ({
          value: i,
          label: fmt.named(p.pan.name),
          sub: t('planRoom.mmAcrossMmHigh', {
            diameterMm: fmt.length(p.pan.diameterMm),
            heightMm: fmt.length(p.pan.heightMm),
            material: t(`made.${p.pan.material}`),
          }),
        }))}
        onChoose={(i) => onChange(fit({ ...plan, pan: pans[i]!.pan }))}
      />
      <Key label={t('planRoom.aPanOfMyOwn')} onPress={() => setMaking(true)} />
      {own ? (
        <Key
          label={t('planRoom.forget2', { panName: plan.pan.name })}
          kind="quiet"
          onPress={() => {
            const was = mine.find((v) => v.id === own);
            remove.mutate(own);
            if (was) back.offer(t('planRoom.isForgotten', { name: was.name }), () => save.mutate(was));
          }}
        />
      ) : null}
      {back.bar}
      <Choices
        label={t('planRoom.ring')}
        column
        value={HOBS.findIndex((h) => h.kind === plan.hob.kind && h.ratedW === plan.hob.ratedW)}
        options={HOBS.map((h, i) => ({ value: i, label: h.name, sub: `${h.ratedW} W` }))}
        onChoose={(i) => {
          const { name: _n, ...hob } = HOBS[i]!;
          onChange(fit({ ...plan, hob }));
        }}
      />
      <Stepper
        name={t('planRoom.myRingGives')}
        sub={t('planRoom.ofWhatItsKindGives')}
        value={Math.round(plan.hob.powerTrim * 100)}
        unit="%"
        step={5}
        min={30}
        max={200}
        onChange={(v) => onChange({ ...plan, hob: { ...plan.hob, powerTrim: v / 100 } })}
      />
      <Stepper
        name={t('planRoom.kitchenAboveSea')}
        value={plan.room.altitudeM}
        unit="m"
        step={100}
        min={0}
        max={4500}
        onChange={(altitudeM) => onChange({ ...plan, room: { ...plan.room, altitudeM } })}
      />
    </>
  );
}

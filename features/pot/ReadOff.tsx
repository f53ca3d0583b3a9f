import { useState } from 'react';
import { View } from 'react-native';
import { correctedC } from '../../core/kitchen/corrected';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import type { useCook } from '../shared/useCook';
import type { Devices } from './useDevices';
import { t } from '../../words';
import { say } from '../../core/say';
import { z } from 'zod';
import { FormField } from '../shared/FormField';
import { useFigure } from '../shared/useFigure';
import { useTemp } from '../shared/useTemp';
import { useKitchen } from '../shared/kitchen';

/** What a kitchen thermometer in a pot can say, degC. */
const PROBE_C = { least: -10, most: 130 };
const SCALE_MOST_G = 30_000;
/** A trail that stays longer than this stays. */
const STAYS_S = 60;
/** Tilts at which a blob on a cold plate runs, as a cook tells them apart. */
const PLATES = [
  { deg: 10, label: say('potRoom.runsAtOnce') },
  { deg: 35, label: say('potRoom.runsWhenTilted') },
  { deg: 90, label: say('potRoom.staysUpright') },
] as const;
/** What can be read off the real pot: it brings the twin nearer. */
export function ReadOff({ c, devices }: { c: ReturnType<typeof useCook>; devices: Devices }) {
  const { clock } = useKitchen();
  const { fmt } = useApp();
  const [drawnMs, setDrawnMs] = useState<number | undefined>();
  const noTemp = t('potRoom.aTemperatureSuchAsWould', { value: fmt.settings.temperature === 'F' ? '160' : '72' });
  const probe = useTemp(PROBE_C.least, PROBE_C.most, noTemp);
  const panG = c.cook?.plan.pan.massG ?? 0;
  const noMass = t('potRoom.moreThanTheEmptyPan', { panG: fmt.grams(panG) });
  const mass = useFigure(z.number(noMass).gt(panG, noMass).max(SCALE_MOST_G, noMass));
  return (
    <View className="gap-2">
      <Type kind="title" level={3}>
        {t('potRoom.whatYouReadOff')}
      </Type>
      <FormField
        control={probe.control}
        name="figure"
        label={t('potRoom.thermometerInThePot')}
        unit={fmt.tempUnit}
        inputMode="decimal"
      />
      <Key
        label={t('potRoom.itReadsThat')}
        disabled={probe.figure === undefined}
        onPress={probe.take((tempC) =>
          c.add({
            kind: 'measured',
            what: 'probe',
            value: Math.round(correctedC(fmt.settings.measured, tempC, c.cook?.plan.room.altitudeM) * 10) / 10,
          }),
        )}
      />
      <FormField
        control={mass.control}
        name="figure"
        label={t('potRoom.panAndAllOnThe')}
        unit="g"
        inputMode="decimal"
      />
      <Key
        label={t('potRoom.itWeighsThat')}
        disabled={mass.figure === undefined}
        onPress={mass.take((value) => c.add({ kind: 'measured', what: 'scale', value }))}
      />
      {devices.grams === undefined ? null : (
        <Key
          label={t('potRoom.theScaleReadsPanAnd', { devices: fmt.grams(devices.grams) })}
          onPress={() => c.add({ kind: 'measured', what: 'scale', value: devices.grams!, by: 'scale' })}
        />
      )}
      <Type>{t('potRoom.aBlobOnAPlate')}</Type>
      <View className="flex-row flex-wrap gap-2">
        {PLATES.map(({ deg, label }) => (
          <Key key={deg} label={t(label)} onPress={() => c.add({ kind: 'measured', what: 'plate', value: deg })} />
        ))}
      </View>
      <Type>{t('potRoom.drawTheSpoonAcrossThe')}</Type>
      <View className="flex-row flex-wrap gap-2">
        {drawnMs === undefined ? (
          <Key size="amount" label={t('potRoom.trailDrawn')} onPress={() => setDrawnMs(clock())} className="flex-1" />
        ) : (
          <>
            <Key
              size="amount"
              kind="ink"
              label={t('potRoom.itHasClosed')}
              onPress={() => {
                c.add({ kind: 'measured', what: 'trail', value: Math.min(STAYS_S, (clock() - drawnMs) / 1000) });
                setDrawnMs(undefined);
              }}
              className="flex-1"
            />
            <Key
              size="amount"
              label={t('potRoom.itStays')}
              onPress={() => {
                c.add({ kind: 'measured', what: 'trail', value: STAYS_S });
                setDrawnMs(undefined);
              }}
              className="flex-1"
            />
          </>
        )}
      </View>
    </View>
  );
}

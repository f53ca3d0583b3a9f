import { useState } from 'react';
import { View } from 'react-native';
import { fahrenheitToCelsius } from '../../core/units/measures';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import type { useCook } from '../shared/useCook';
import type { Devices } from './useDevices';
import { t } from '../../words';
import { say } from '../../core/say';
import { numberOf } from '../shared/typed';
import { useKitchen } from '../shared/kitchen';

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
  const [probe, setProbe] = useState('');
  const [mass, setMass] = useState('');
  const [drawnMs, setDrawnMs] = useState<number | undefined>();
  const f = fmt.settings.temperature === 'F';
  const tempC = f ? fahrenheitToCelsius(numberOf(probe)) : numberOf(probe);
  const wrongProbe =
    probe !== '' && !(tempC >= -10 && tempC <= 130)
      ? t('potRoom.aTemperatureSuchAsWould', { value: f ? '160' : '72' })
      : undefined;
  const panG = c.cook?.plan.pan.massG ?? 0;
  const massG = numberOf(mass);
  const wrongMass =
    mass !== '' && !(massG > panG && massG <= 30000)
      ? t('potRoom.moreThanTheEmptyPan', { panG: fmt.grams(panG) })
      : undefined;
  return (
    <View className="gap-2">
      <Type kind="title" level={3}>
        {t('potRoom.whatYouReadOff')}
      </Type>
      <Field
        label={t('potRoom.thermometerInThePot')}
        unit={fmt.tempUnit}
        inputMode="decimal"
        value={probe}
        onChangeText={setProbe}
        error={wrongProbe}
      />
      <Key
        label={t('potRoom.itReadsThat')}
        disabled={probe.trim() === '' || wrongProbe !== undefined}
        onPress={() => {
          c.add({ kind: 'measured', what: 'probe', value: Math.round(tempC * 10) / 10 });
          setProbe('');
        }}
      />
      <Field
        label={t('potRoom.panAndAllOnThe')}
        unit="g"
        inputMode="decimal"
        value={mass}
        onChangeText={setMass}
        error={wrongMass}
      />
      <Key
        label={t('potRoom.itWeighsThat')}
        disabled={mass.trim() === '' || wrongMass !== undefined}
        onPress={() => {
          c.add({ kind: 'measured', what: 'scale', value: massG });
          setMass('');
        }}
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

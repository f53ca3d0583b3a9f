import { useState } from 'react';
import { View } from 'react-native';
import { fahrenheitToCelsius } from '../../core/units/measures';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import type { useCook } from '../shared/useCook';
import type { Devices } from './useDevices';

/** A trail that stays longer than this stays. */
const STAYS_S = 60;
/** Tilts at which a blob on a cold plate runs, as a cook tells them apart. */
const PLATES = [
  { deg: 10, label: 'runs at once' },
  { deg: 35, label: 'runs when tilted' },
  { deg: 90, label: 'stays upright' },
] as const;
const number = (text: string) => Number(text.replace(',', '.').trim());

/** What can be read off the real pot: it brings the twin nearer. */
export function ReadOff({ c, devices }: { c: ReturnType<typeof useCook>; devices: Devices }) {
  const { fmt } = useApp();
  const [probe, setProbe] = useState('');
  const [mass, setMass] = useState('');
  const [drawnMs, setDrawnMs] = useState<number | undefined>();
  const f = fmt.settings.temperature === 'F';
  const tempC = f ? fahrenheitToCelsius(number(probe)) : number(probe);
  const wrongProbe =
    probe !== '' && !(tempC >= -10 && tempC <= 130) ? `A temperature such as ${f ? '160' : '72'} would do.` : undefined;
  const panG = c.cook?.plan.pan.massG ?? 0;
  const massG = number(mass);
  const wrongMass =
    mass !== '' && !(massG > panG && massG <= 30000)
      ? `More than the empty pan, ${fmt.grams(panG)}, would do.`
      : undefined;
  return (
    <View className="gap-2">
      <Type kind="title" level={3}>
        What you read off
      </Type>
      <Field
        label="Thermometer in the pot"
        unit={fmt.tempUnit}
        inputMode="decimal"
        value={probe}
        onChangeText={setProbe}
        error={wrongProbe}
      />
      <Key
        label="It reads that"
        disabled={probe.trim() === '' || wrongProbe !== undefined}
        onPress={() => {
          c.add({ kind: 'measured', what: 'probe', value: Math.round(tempC * 10) / 10 });
          setProbe('');
        }}
      />
      <Field
        label="Pan and all on the scale"
        unit="g"
        inputMode="decimal"
        value={mass}
        onChangeText={setMass}
        error={wrongMass}
      />
      <Key
        label="It weighs that"
        disabled={mass.trim() === '' || wrongMass !== undefined}
        onPress={() => {
          c.add({ kind: 'measured', what: 'scale', value: massG });
          setMass('');
        }}
      />
      {devices.grams === undefined ? null : (
        <Key
          label={`The scale reads ${fmt.grams(devices.grams)}: pan and all stand on it`}
          onPress={() => c.add({ kind: 'measured', what: 'scale', value: devices.grams!, by: 'scale' })}
        />
      )}
      <Type>A blob on a plate from the freezer, a minute later:</Type>
      <View className="flex-row flex-wrap gap-2">
        {PLATES.map(({ deg, label }) => (
          <Key key={deg} label={label} onPress={() => c.add({ kind: 'measured', what: 'plate', value: deg })} />
        ))}
      </View>
      <Type>Draw the spoon across the floor. Tap when it is drawn, and again when the trail has closed.</Type>
      <View className="flex-row flex-wrap gap-2">
        {drawnMs === undefined ? (
          <Key size="amount" label="Trail drawn" onPress={() => setDrawnMs(Date.now())} className="flex-1" />
        ) : (
          <>
            <Key
              size="amount"
              kind="ink"
              label="It has closed"
              onPress={() => {
                c.add({ kind: 'measured', what: 'trail', value: Math.min(STAYS_S, (Date.now() - drawnMs) / 1000) });
                setDrawnMs(undefined);
              }}
              className="flex-1"
            />
            <Key
              size="amount"
              label="It stays"
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

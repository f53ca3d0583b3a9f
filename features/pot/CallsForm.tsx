import { useState } from 'react';
import { View } from 'react-native';
import { DEVICE_SOURCES } from '../../core/settings';
import { bluetoothOf } from '../../devices/bluetooth';
import { useSettings } from '../../storage/hooks';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { canListen, canSpeak, say, WORDS } from './signals';
import type { Devices } from './useDevices';

const SOURCES = {
  none: 'none',
  'stand-in': 'stand-in kitchen',
  bluetooth: 'by Bluetooth',
} as const;

/** How the pot calls, is held and is heard; and where readings come from. */
export function CallsForm({ devices }: { devices: Devices }) {
  const { settings: s, change } = useSettings();
  const [wrong, setWrong] = useState<string | undefined>();
  if (!s) return null;
  const toggle = (name: string, on: boolean, set: (on: boolean) => void, sub?: string) => (
    <Key key={name} role="checkbox" label={name} sub={sub} selected={on} onPress={() => set(!on)} />
  );
  return (
    <View className="gap-3">
      <Type kind="title" level={3}>
        How it calls
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {toggle('Sound', s.sound, (sound) => change({ sound }))}
        {toggle('Vibration', s.vibrates, (vibrates) => change({ vibrates }))}
        {toggle('Flash', s.flashes, (flashes) => change({ flashes }))}
        {toggle('Voice', s.speaks, (speaks) => {
          change({ speaks });
          if (speaks) say('It speaks from here on');
        })}
        {toggle('Listen', s.listens, (listens) => change({ listens }))}
      </View>
      {canSpeak() ? null : <Notice harm={false} text="This browser has no voice. Sound, vibration and flash remain." />}
      {canListen() ? (
        <Type kind="small" tone="quiet">
          {`It listens for: ${Object.values(WORDS)
            .map((w) => w[0])
            .join(', ')}. What is heard may leave this device: some browsers send it to their maker.`}
        </Type>
      ) : (
        <Notice harm={false} text="This browser cannot listen. Space or Enter is the one key for done." />
      )}
      <Type kind="title" level={3}>
        How it is held
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {toggle('Big type', s.bigType, (bigType) => change({ bigType }), 'read from across the kitchen')}
        {toggle('Left-handed', s.leftHanded, (leftHanded) => change({ leftHanded }))}
      </View>
      <Choices
        label="Thermometer and scale"
        value={s.devices}
        options={DEVICE_SOURCES.map((value) => ({ value, label: SOURCES[value] }))}
        onChoose={(source) => change({ devices: source })}
      />
      {s.devices === 'bluetooth' ? (
        <>
          {bluetoothOf(navigator) ? null : (
            <Notice
              harm={false}
              text="This browser has no Bluetooth. Type what the thermometer reads under What you read off."
            />
          )}
          <View className="flex-row flex-wrap gap-2">
            <Key label="Find a thermometer" onPress={() => void devices.pick('probe').then(setWrong)} />
            <Key label="Find a scale" onPress={() => void devices.pick('scale').then(setWrong)} />
          </View>
          {wrong ? <Notice text={wrong} /> : null}
        </>
      ) : null}
    </View>
  );
}

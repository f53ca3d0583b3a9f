import { useState } from 'react';
import { View } from 'react-native';
import { DEVICE_SOURCES } from '../../core/settings';
import { bluetoothOf } from '../../devices/bluetooth';
import { useSettings } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { askToNotify, mayNotify } from '../../devices/notices';
import { canListen, canSpeak, WORDS } from '../../devices/signals';
import type { Devices } from './useDevices';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

/** How the pot calls, is held and is heard; and where readings come from. */
export function CallsForm({ devices }: { devices: Devices }) {
  const { sound } = useKitchen();
  const { settings: s, change } = useSettings();
  const [wrong, setWrong] = useState<string | undefined>();
  if (!s) return null;
  const toggle = (name: string, on: boolean, set: (on: boolean) => void, sub?: string) => (
    <Key key={name} role="checkbox" label={name} sub={sub} selected={on} onPress={() => set(!on)} />
  );
  return (
    <View className="gap-3">
      <Type kind="title" level={3}>
        {t('potRoom.howItCalls')}
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {toggle(t('potRoom.sound'), s.sound, (sound) => change({ sound }))}
        {toggle(t('potRoom.vibration'), s.vibrates, (vibrates) => change({ vibrates }))}
        {toggle(t('potRoom.flash'), s.flashes, (flashes) => change({ flashes }))}
        {toggle(t('potRoom.voice'), s.speaks, (speaks) => {
          change({ speaks });
          if (speaks) sound.say(t('potRoom.speaks'));
        })}
        {mayNotify() === 'none'
          ? null
          : toggle(
              t('potRoom.overOtherApps'),
              s.notifies === 'yes',
              (on) =>
                void (on ? askToNotify() : Promise.resolve(false)).then((yes) =>
                  change({ notifies: yes ? 'yes' : 'no' }),
                ),
            )}
        {toggle(t('potRoom.listen'), s.listens, (listens) => change({ listens }))}
      </View>
      <Type kind="small" tone="quiet">
        {t('potRoom.whatABrowserCannot')}
      </Type>
      {canSpeak() ? null : <Notice harm={false} text={t('potRoom.thisBrowserHasNoVoice')} />}
      {canListen() ? (
        <Type kind="small" tone="quiet">
          {t('potRoom.itListensForWhatIs', {
            w: Object.values(WORDS)
              .map((w) => w[0])
              .join(', '),
          })}
        </Type>
      ) : (
        <Notice harm={false} text={t('potRoom.thisBrowserCannotListenSpace')} />
      )}
      <Type kind="title" level={3}>
        {t('potRoom.howItIsHeld')}
      </Type>
      <View className="flex-row flex-wrap gap-2">
        {toggle(
          t('potRoom.bigType'),
          s.bigType,
          (bigType) => change({ bigType }),
          t('potRoom.readFromAcrossTheKitchen'),
        )}
        {toggle(t('potRoom.leftHanded'), s.leftHanded, (leftHanded) => change({ leftHanded }))}
      </View>
      <Choices
        label={t('potRoom.thermometerAndScale')}
        value={s.devices}
        options={DEVICE_SOURCES.map((value) => ({ value, label: t(`source.${value}`) }))}
        onChoose={(source) => change({ devices: source })}
      />
      {s.devices === 'bluetooth' ? (
        <>
          {bluetoothOf(navigator) ? null : <Notice harm={false} text={t('potRoom.thisBrowserHasNoBluetooth')} />}
          <View className="flex-row flex-wrap gap-2">
            <Key label={t('potRoom.findAThermometer')} onPress={() => void devices.pick('probe').then(setWrong)} />
            <Key label={t('potRoom.findAScale')} onPress={() => void devices.pick('scale').then(setWrong)} />
          </View>
          {wrong ? <Notice text={wrong} /> : null}
        </>
      ) : null}
    </View>
  );
}

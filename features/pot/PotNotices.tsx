import { useRouter } from 'expo-router';
import type { Observation } from '../../core/cook/events';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { View } from 'react-native';
import { askToNotify, mayNotify } from '../../devices/notices';
import { useFormat } from '../shared/App';
import { useSettings } from '../shared/stored';
import type { NewEvent } from '../shared/useCook';
import type { Away } from './useAway';
import type { Devices } from './useDevices';
import type { PotView } from './usePotView';
import { LEADS_TO, oddSays, SEEN_ADVICE } from './words';
import { t } from '../../words';

/** What has to be said beside the step: time away, a silent device, a ring that is not as noted, what does not fit. */
export function PotNotices({
  v,
  away,
  missed,
  onBack,
  devices,
  ringReads,
  advice,
  onAdd,
}: {
  v: PotView;
  away: Away | undefined;
  /** what fell due while nobody looked */
  missed: string | undefined;
  onBack: () => void;
  devices: Devices;
  /** setting that the hob itself says, where it is not the one noted here */
  ringReads: number | undefined;
  advice: Observation | undefined;
  onAdd: (...events: NewEvent[]) => void;
}) {
  const fmt = useFormat();
  const router = useRouter();
  const { odd, cook } = v;
  const silent = [...new Set([...devices.lost, ...v.state.lost])];
  const fault = advice && LEADS_TO[advice];
  return (
    <>
      {away ? (
        <Notice
          harm={false}
          text={t('potRoom.awayFromToTheClock', {
            fromMs: fmt.time(away.fromMs),
            toMs: fmt.time(away.toMs),
            _600_000: fmt.hours((away.toMs - away.fromMs) / 3_600_000),
            due: missed ? t('potRoom.fellDueMeanwhile', { missed }) : t('potRoom.nothingFellDue'),
          })}
        >
          <Key label={t('potRoom.allRight')} onPress={onBack} />
        </Notice>
      ) : null}
      <MayCall />
      {silent.length ? (
        <Notice harm={false} text={t('potRoom.theIsNotHeardThe', { the: silent.join(' and the ') })} />
      ) : null}
      {ringReads === undefined ? null : (
        <Notice text={t('potRoom.theHobSaysThePot', { ringReads, setting: v.setting })}>
          <Key
            label={t('potRoom.itIsOn', { ringReads })}
            onPress={() => onAdd({ kind: 'hobSet', setting: ringReads })}
          />
        </Notice>
      )}
      {advice && SEEN_ADVICE[advice] ? (
        <Notice text={t(SEEN_ADVICE[advice])}>
          {fault ? (
            <Key
              label={t('potRoom.amountsAndMinutes')}
              onPress={() => router.push(`/rescue?cook=${cook.id}&fault=${encodeURIComponent(fault)}` as '/')}
            />
          ) : null}
        </Notice>
      ) : null}
      {odd ? (
        <Notice text={t('potRoom.doesNotFitWhatThis', { odd: oddSays(odd) })}>
          <Key label={t('potRoom.takeItBack')} onPress={() => onAdd({ kind: 'undone', target: odd.id })} />
        </Notice>
      ) : null}
    </>
  );
}

/** Asked while something is on the hob, for then it is clear what for. */
function MayCall() {
  const { settings, change } = useSettings();
  if (settings?.notifies !== 'ask' || mayNotify() !== 'not asked') return null;
  return (
    <Notice harm={false} text={t('potRoom.mayItCall')}>
      <View className="flex-row flex-wrap gap-2">
        <Key
          label={t('potRoom.yesCallMe')}
          onPress={() => void askToNotify().then((yes) => change({ notifies: yes ? 'yes' : 'no' }))}
        />
        <Key label={t('potRoom.noSoundIsEnough')} kind="quiet" onPress={() => change({ notifies: 'no' })} />
      </View>
    </Notice>
  );
}

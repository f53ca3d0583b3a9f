import { useRouter } from 'expo-router';
import type { Observation } from '../../core/cook/events';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { useFormat } from '../shared/App';
import type { NewEvent } from '../shared/useCook';
import type { Away } from './useAway';
import type { Devices } from './useDevices';
import type { PotView } from './usePotView';
import { LEADS_TO, oddSays, SEEN_ADVICE } from './words';

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
          text={`Away from ${fmt.time(away.fromMs)} to ${fmt.time(away.toMs)}, ${fmt.hours((away.toMs - away.fromMs) / 3_600_000)}. ${missed ? `“${missed}” fell due meanwhile.` : 'Nothing fell due.'} The clock ran on; nothing is lost.`}
        >
          <Key label="All right" onPress={onBack} />
        </Notice>
      ) : null}
      {silent.length ? (
        <Notice
          harm={false}
          text={`The ${silent.join(' and the ')} is not heard. The cook goes on by eye and by the model; a reading can be typed under More.`}
        />
      ) : null}
      {ringReads === undefined ? null : (
        <Notice text={`The hob says ${ringReads}, the pot here is cooked on ${v.setting}.`}>
          <Key label={`It is on ${ringReads}`} onPress={() => onAdd({ kind: 'hobSet', setting: ringReads })} />
        </Notice>
      )}
      {advice && SEEN_ADVICE[advice] ? (
        <Notice text={SEEN_ADVICE[advice]}>
          {fault ? (
            <Key
              label="Amounts and minutes"
              onPress={() => router.push(`/rescue?cook=${cook.id}&fault=${encodeURIComponent(fault)}` as '/')}
            />
          ) : null}
        </Notice>
      ) : null}
      {odd ? (
        <Notice
          text={`${oddSays(odd)} does not fit what this pot has done so far. If it is so, what is forecast is less sure now.`}
        >
          <Key label="Take it back" onPress={() => onAdd({ kind: 'undone', target: odd.id })} />
        </Notice>
      ) : null}
    </>
  );
}

import { usePathname, useRouter } from 'expo-router';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Day } from '../../core/day/record';
import { useWays } from '../shared/useWays';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { useDay } from './useDay';
import { learn, t } from '../../words';
import { dayRoom } from '../../words/en/dayRoom';
import { useKitchen } from '../shared/kitchen';

learn(dayRoom);

const MINUTE = 60_000;

/** Calls what is due by the day. */
export function Watching({ day, now }: { day: Day; now: number }) {
  const { sound } = useKitchen();
  const tell = useTell();
  const { fmt } = useApp();
  const router = useRouter();
  const path = usePathname();
  const ways = useWays();
  const d = useDay(day.id, undefined, now);
  const [away, setAway] = useState<readonly string[]>([]);
  const due =
    d.answer && d.answer.table.ok && !d.working
      ? d.answer.acts.find((a) => a.hands && a.state === 'to do' && a.startMs <= now && !away.includes(a.id))
      : undefined;
  const rung = useRef('');
  const line = due && `${due.dish}: ${tell(due.verb)}.`;
  const tellIt = useEffectEvent((says: string) => sound.call({ ...ways, speaks: false }, says, false, 'day'));
  useEffect(() => {
    if (!due || !line || rung.current === due.id) return;
    rung.current = due.id;
    tellIt(line);
  }, [due, line]);
  if (!due) return null;
  const minutes = Math.round((due.latestMs - now) / MINUTE);
  return (
    <View
      role="status"
      testID="due"
      className="flex-row items-center gap-2 border-b-rim border-ink bg-plate px-3 py-1.5 wide:px-6 print:hidden"
    >
      <View className="min-w-0 flex-1">
        <Type kind="strong">{`${due.dish}: ${tell(due.verb)}`}</Type>
        <Type kind="small" tone={minutes < 0 ? 'scorch' : 'quiet'}>
          {minutes < 0
            ? t('dayRoom.wasDueByTheDay', { latestMs: fmt.time(due.latestMs) })
            : t('dayRoom.nowByAtTheLatest', { latestMs: fmt.time(due.latestMs) })}
        </Type>
      </View>
      {path === '/day' ? null : (
        <Key
          label={t('dayRoom.day')}
          spoken={t('dayRoom.toTheDay')}
          onPress={() => router.push(`/day?date=${day.id}` as '/')}
        />
      )}
      <Key
        label={t('dayRoom.hide')}
        spoken={t('dayRoom.hideTheCallFor', { verb: tell(due.verb) })}
        kind="quiet"
        onPress={() => setAway([...away, due.id])}
      />
    </View>
  );
}

import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { useKitchen } from '../shared/kitchen';
import { Room } from '../shared/Room';
import { useRemove } from '../shared/stored';
import type { useCook } from '../shared/useCook';

/** A pot that nobody has touched for half a day is asked about: its clock says nothing any more. */
export function LeftAlone({ c, lastMs }: { c: ReturnType<typeof useCook>; lastMs: number }) {
  const { fmt, setWhere } = useApp();
  const { clock, which } = useKitchen();
  const router = useRouter();
  const remove = useRemove('cooks');
  const cook = c.cook!;
  useEffect(() => setWhere({ live: false }), [setWhere]);
  /** The time between does not count: the step goes on where it was. */
  const goOn = () => c.add({ kind: 'clock', byMs: clock() - lastMs });
  return (
    <Room name={t('room.Pot')} title={cook.plan.name} sub={t('potRoom.leftAlone')} rescue={{ cookId: cook.id }}>
      <View className="mx-auto w-full max-w-[560px] gap-3 px-4 py-6" testID="left-alone">
        <Type kind="amount" level={2}>
          {t('potRoom.whatBecameOfIt')}
        </Type>
        <Type>{t('potRoom.lastTouched', { at: `${fmt.weekday(lastMs)} ${fmt.time(lastMs)}` })}</Type>
        <Key
          size="amount"
          label={t('potRoom.itWasPoured')}
          sub={t('potRoom.itWasPouredSub')}
          left
          onPress={() => {
            c.addAt(new Date(lastMs).toISOString(), { kind: 'poured' });
            router.push(`/set?cook=${cook.id}` as '/set');
          }}
        />
        <Key size="amount" label={t('potRoom.itIsStillOn')} sub={t('potRoom.itIsStillOnSub')} left onPress={goOn} />
        <Key
          size="amount"
          label={t('potRoom.itCameToNothing')}
          sub={t('potRoom.itCameToNothingSub')}
          left
          onPress={() => {
            remove.mutate(cook.id);
            setWhere({ cookId: undefined });
            router.replace('/plan');
          }}
        />
        {which() === 'choir' ? (
          <Key kind="quiet" label={t('potRoom.layTheSupperAnew')} onPress={() => router.push('/settings')} />
        ) : null}
      </View>
    </Room>
  );
}

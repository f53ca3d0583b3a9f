import { useState } from 'react';
import { View } from 'react-native';
import type { Cook } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import { countingEvents } from '../../core/cook/counting';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { eventSays } from '../shared/eventWords';
import type { NewEvent } from '../shared/useCook';
import { t } from '../../words';
import { pantryOf } from '../../core/plan/bowls';

const MINUTE = 60_000;
const SHOWN = 12;

/** What has happened, newest first: each can be taken back, or put at the time when it really was. */
export function EventLog({
  cook,
  steps,
  onAdd,
}: {
  cook: Cook;
  steps: readonly Step[];
  onAdd: (...events: NewEvent[]) => void;
}) {
  const fmt = useFormat();
  const [openId, setOpenId] = useState<string | undefined>();
  const [all, setAll] = useState(false);
  const pantry = pantryOf(cook.plan);
  const rows = countingEvents(cook)
    .map((e) => ({ e, says: eventSays(e, fmt, (id) => pantry.get(id)?.name ?? id, steps) }))
    .filter((r): r is typeof r & { says: string } => r.says !== undefined)
    .reverse();
  return (
    <View className="gap-1">
      <Type kind="title" level={3}>
        {t('potRoom.whatHasHappened')}
      </Type>
      {(all ? rows : rows.slice(0, SHOWN)).map(({ e, says }) => (
        <View key={e.id} className="border-b-hair border-line py-1">
          <View className="flex-row items-center justify-between gap-3">
            <Type className="min-w-0 shrink">{`${fmt.time(Date.parse(e.at))}  ${says}`}</Type>
            <View className="flex-row">
              <Key
                label={t('potRoom.when')}
                spoken={t('potRoom.whenWasIt', { says })}
                kind="quiet"
                selected={openId === e.id}
                onPress={() => setOpenId(openId === e.id ? undefined : e.id)}
              />
              <Key
                label={t('potRoom.takeBack')}
                spoken={t('potRoom.takeBack2', { says })}
                kind="quiet"
                onPress={() => onAdd({ kind: 'undone', target: e.id })}
              />
            </View>
          </View>
          {openId === e.id ? (
            <View className="flex-row flex-wrap gap-2 pb-1" role="group" aria-label={t('potRoom.timeOf', { says })}>
              {[-5, -2, -1, 1].map((by) => (
                <Key
                  key={by}
                  label={by < 0 ? t('potRoom.minEarlier', { value: -by }) : t('potRoom.minLater', { value: by })}
                  onPress={() =>
                    onAdd({ kind: 'moved', target: e.id, to: new Date(Date.parse(e.at) + by * MINUTE).toISOString() })
                  }
                />
              ))}
            </View>
          ) : null}
        </View>
      ))}
      {!all && rows.length > SHOWN ? (
        <Key label={t('potRoom.all', { rows: rows.length })} onPress={() => setAll(true)} />
      ) : null}
    </View>
  );
}

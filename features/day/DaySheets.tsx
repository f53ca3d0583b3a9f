import { useRouter } from 'expo-router';
import { useApp } from '../shared/App';
import { nowIso } from '../shared/ids';
import { ActSheet } from './ActSheet';
import { ChangesSheet } from './ChangesSheet';
import { KitchenSheet } from './KitchenSheet';
import { dayIdOf } from './useDay';
import { t } from '../../words';
import type { Laid } from './useLaidDay';

/** What opens over the day: an act, the kitchen, what would make it possible. */
export function DaySheets({ v }: Laid) {
  const { tell } = useApp();
  const router = useRouter();
  const {
    d,
    day,
    now,
    opened,
    looks,
    table,
    kitchen,
    setKitchen,
    mending,
    setMending,
    setOpen,
    change,
    drop,
    savePlan,
  } = v;
  return (
    <>
      {opened ? (
        <ActSheet
          act={opened}
          look={looks.get(opened.planId)!}
          nowMs={now}
          onClose={() => setOpen(undefined)}
          onDone={() => {
            const at = nowIso();
            change(
              {
                ...day,
                done: [
                  ...day.done,
                  ...opened.blocks
                    .filter((b) => b.state !== 'done')
                    .map((b) => ({
                      task: b.task.id,
                      start:
                        b.state === 'running'
                          ? new Date(b.startMs).toISOString()
                          : new Date(Math.min(b.startMs, now)).toISOString(),
                      end: at,
                    })),
                ],
              },
              t('dayRoom.isDone', { verb: tell(opened.verb) }),
            );
            setOpen(undefined);
          }}
          onNotDone={() => {
            change(
              { ...day, done: day.done.filter((x) => !opened.blocks.some((b) => b.task.id === x.task)) },
              t('dayRoom.isToDoAgain', { verb: tell(opened.verb) }),
            );
            setOpen(undefined);
          }}
          marked={opened.blocks.some((b) => day.done.some((x) => x.task === b.task.id))}
          onMove={(ms) => {
            setOpen(undefined);
            drop(opened, ms);
          }}
          onFree={() => {
            change(
              { ...day, pins: day.pins.filter((p) => !opened.blocks.some((b) => b.task.id === p.task)) },
              t('dayRoom.isFreeAgain', { verb: tell(opened.verb) }),
            );
            setOpen(undefined);
          }}
        />
      ) : null}
      <KitchenSheet
        open={kitchen}
        onClose={() => setKitchen(false)}
        day={day}
        onChange={(nextDay, by) => d.change(nextDay, by === undefined ? 'set' : 'added')}
      />
      {d.ask ? (
        <ChangesSheet
          open={mending}
          onClose={() => setMending(false)}
          ask={d.ask}
          clashes={table?.clashes ?? []}
          why={table?.why}
          onTake={(c) => {
            const before = d.dishes.filter((p) => c.plans?.some((x) => x.id === p.id));
            for (const p of c.plans ?? []) savePlan.mutate(p);
            const next = { ...(c.day ?? day), have: day.have };
            // a meal that is put past midnight is another day's: its kitchen goes along
            const moved = c.plans?.[0] ? dayIdOf(Date.parse(c.plans[0].serve.at)) : day.id;
            change({ ...next, id: moved }, tell(c.text), before);
            if (moved !== day.id) router.setParams({ date: moved });
            setMending(false);
          }}
        />
      ) : null}
    </>
  );
}

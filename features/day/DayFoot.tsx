import { clsx } from 'clsx';
import Clock from 'lucide-react-native/icons/clock';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { UndoBar } from '../../ui/UndoBar';
import { useApp } from '../shared/App';
import { t } from '../../words';
import type { Laid } from './useLaidDay';
const MINUTE = 60_000;

/** The one thing to do now. */
function NextKey({ v }: Laid) {
  const { fmt, tell } = useApp();
  const { table, late, overdue, next, now, acts, setMending, setOpen, planFromNow } = v;
  return table && !table.ok ? (
    <Key
      kind="yolk"
      size="act"
      label={t('dayRoom.itDoesNotFit')}
      sub={
        table.clashes[0]
          ? `${fmt.time(table.clashes[0].fromMs)}, ${tell(table.clashes[0].text)}`
          : t('dayRoom.whatWouldMakeItPossible2')
      }
      onPress={() => setMending(true)}
      className="flex-1"
      testID="mend"
    />
  ) : late ? (
    <Key
      kind="yolk"
      size="act"
      label={t('dayRoom.imLatePlanFromNow')}
      sub={t('dayRoom.wasDueBy', {
        dish: overdue[0]!.dish,
        verb: tell(overdue[0]!.verb),
        latestMs: fmt.time(overdue[0]!.latestMs),
      })}
      onPress={planFromNow}
      className="flex-1"
      testID="late"
    />
  ) : next ? (
    <Key
      kind="yolk"
      size="act"
      label={`${next.dish}: ${tell(next.verb)}`}
      spoken={`${next.dish}: ${tell(next.verb)}`}
      sub={
        next.startMs > now + MINUTE
          ? t('dayRoom.atBy', { startMs: fmt.time(next.startMs), latestMs: fmt.time(next.latestMs) })
          : t('dayRoom.nowBy', { latestMs: fmt.time(next.latestMs) })
      }
      onPress={() => setOpen(next.id)}
      className="min-w-[10rem] flex-1"
      testID="next-act"
    />
  ) : acts.length ? (
    <Type kind="title" className="py-4">
      {t('dayRoom.allDone')}
    </Type>
  ) : null;
}

export function DayFoot({ v }: Laid) {
  const { day, table, late, next, now, d, undo, setUndo, savePlan, planFromNow } = v;
  return (
    <View className="border-t-rim border-ink bg-field print:hidden">
      {undo ? (
        <UndoBar
          text={undo.text}
          onUndo={() => {
            d.change(undo.day);
            for (const p of undo.plans ?? []) savePlan.mutate(p);
            setUndo(undefined);
          }}
          onGone={() => setUndo(undefined)}
        />
      ) : null}
      <View
        className={clsx(
          'flex-row flex-wrap gap-2 px-3 py-2 wide:px-6 flat:py-0.5',
          // the key comes here
          d.working && 'min-h-[88px] flat:min-h-0',
        )}
      >
        <NextKey v={v} />
        {table?.ok && !late && now > Date.parse(day.fromAt) && next && next.startMs < now + 12 * 60 * MINUTE ? (
          <Key label={t('dayRoom.imLate')} icon={Clock} onPress={planFromNow} />
        ) : null}
      </View>
    </View>
  );
}

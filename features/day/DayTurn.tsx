import { addDays } from 'date-fns/addDays';
import { isSameDay } from 'date-fns/isSameDay';
import { parseISO } from 'date-fns/parseISO';
import { useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { useRows } from '../shared/stored';
import { dayIdOf } from './useDay';

/** The day before, the day after, and any other. */
export function DayTurn({ id }: { id: string }) {
  const router = useRouter();
  const go = (date: string) => router.setParams({ date });
  const by = (days: number) => () => go(dayIdOf(addDays(parseISO(id), days).getTime()));
  return (
    <View role="group" aria-label={t('dayRoom.whichDay')} className="flex-row items-center gap-2 py-2 print:hidden">
      <Key label={t('dayRoom.theDayBefore')} icon={ChevronLeft} bare onPress={by(-1)} />
      <input
        type="date"
        required
        aria-label={t('dayRoom.date')}
        className="min-h-[48px] min-w-0 flex-1 rounded-key border-edge border-ink bg-plate px-3 font-text text-base text-ink wide:max-w-[220px]"
        value={id}
        onChange={(e) => e.target.value && go(e.target.value)}
      />
      <Key label={t('dayRoom.theDayAfter')} icon={ChevronRight} bare onPress={by(1)} />
    </View>
  );
}

/** What was cooked on that day, with the way to it. */
export function Happened({ id }: { id: string }) {
  const { fmt } = useApp();
  const router = useRouter();
  const batches = useRows('batches');
  const cooks = useRows('cooks');
  const day = parseISO(id);
  const of = (at: string | undefined) => at !== undefined && isSameDay(Date.parse(at), day);
  const written = (batches.data ?? []).filter((b) => of(b.at));
  const open = (cooks.data ?? []).filter((c) => c.batchId === undefined && of(c.startedAt));
  if (!written.length && !open.length) return null;
  return (
    <View className="py-2" testID="happened">
      <Type kind="title" level={2}>
        {t('dayRoom.whatWasCooked')}
      </Type>
      {open.map((c) => (
        <Row
          key={c.id}
          title={c.name}
          sub={t('dayRoom.startedAt', { at: fmt.time(Date.parse(c.startedAt!)) })}
          onPress={() => router.push(`${c.pouredAt ? '/set' : '/pot'}?cook=${c.id}` as '/pot')}
        />
      ))}
      {written.map((b) => (
        <Row
          key={b.id}
          title={b.name}
          sub={t('dayRoom.writtenDown', { at: fmt.time(Date.parse(b.at)) })}
          {...(b.found.wordServing ? { value: t(`word.${b.found.wordServing}`) } : {})}
          onPress={() => router.push(`/batch?id=${b.id}` as '/batch')}
        />
      ))}
    </View>
  );
}

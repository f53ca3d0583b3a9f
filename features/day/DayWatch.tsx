import { format } from 'date-fns/format';
import { useCollection } from '../shared/stored';
import { later } from '../../ui/later';
import { useMounted, useNow } from '../shared/useNow';

const Watching = later(() => import('./Watching').then((m) => m.Watching));

/** Calls when something of today is due, in every room while the app is open; only for a day that the cook has set up. */
export function DayWatch() {
  const mounted = useMounted();
  const now = useNow(15_000);
  const days = useCollection('days');
  const today = mounted ? days.data?.find((d) => d.id === format(now, 'yyyy-MM-dd') && d.calls) : undefined;
  return today ? <Watching day={today} now={now} /> : null;
}

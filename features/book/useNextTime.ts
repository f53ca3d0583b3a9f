import { useQuery } from '@tanstack/react-query';
import type { Batch } from '../../core/book/batch';
import { kindOf } from '../../core/book/nextTime';
import { useKitchen } from '../shared/kitchen';

/** What to change next time, learnt from all batches of the same milk, family and thickener. */
export function useNextTime(batch: Batch | undefined, all: readonly Batch[]) {
  const { ask } = useKitchen();
  const like = batch ? all.filter((b) => kindOf(b) === kindOf(batch)) : [];
  return useQuery({
    queryKey: ['next time', batch?.id, batch?.found, like.map((b) => [b.id, b.found.wordServing])],
    queryFn: () => ask('nextTime', [batch!, like]),
    enabled: batch !== undefined && batch.found.wordServing !== undefined,
    staleTime: Infinity,
  });
}

import { useQuery } from '@tanstack/react-query';
import type { Batch } from '../../core/book/batch';
import { mainLiquid } from '../../core/plan/stages';
import { useKitchen } from '../shared/kitchen';

const milkOf = (b: Batch) => mainLiquid(b.plan)?.id;

/** What to change next time, learnt from all batches of the same milk. */
export function useNextTime(batch: Batch | undefined, all: readonly Batch[]) {
  const { ask } = useKitchen();
  const like = batch ? all.filter((b) => milkOf(b) === milkOf(batch)) : [];
  return useQuery({
    queryKey: ['next time', batch?.id, batch?.found, like.map((b) => [b.id, b.found.wordServing])],
    queryFn: () => ask('nextTime', [batch!, like]),
    enabled: batch !== undefined && batch.found.wordServing !== undefined,
    staleTime: Infinity,
  });
}

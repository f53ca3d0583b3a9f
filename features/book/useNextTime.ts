import { useQuery } from '@tanstack/react-query';
import type { Batch } from '../../core/book/batch';
import { useKitchen } from '../shared/kitchen';
import { useKnown } from '../shared/useKnown';

/** What to change next time, by all that is known of this kitchen. */
export function useNextTime(batch: Batch | undefined) {
  const { ask } = useKitchen();
  const { learnt } = useKnown();
  return useQuery({
    queryKey: ['next time', batch?.id, batch?.found, learnt],
    queryFn: () => ask('nextTime', [batch!, learnt!]),
    enabled:
      batch !== undefined &&
      learnt !== undefined &&
      (batch.found.wordServing !== undefined || batch.found.flaws.length > 0),
    staleTime: Infinity,
  });
}

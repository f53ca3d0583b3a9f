import { useQuery } from '@tanstack/react-query';
import type { Batch } from '../../core/book/batch';
import { kindOf, learnFirmness } from '../../core/book/learned';
import { rowOfBatch, type BatchRow } from '../../core/book/row';
import { useKitchen } from '../shared/kitchen';

/** What to change next time, learnt from all batches of the same milk, family and thickener. */
export function useNextTime(batch: Batch | undefined, all: readonly BatchRow[]) {
  const { ask } = useKitchen();
  const kind = batch && kindOf(rowOfBatch(batch));
  const like = kind === undefined ? [] : all.filter((row) => kindOf(row) === kind);
  return useQuery({
    queryKey: ['next time', batch?.id, batch?.found, learnFirmness(like)],
    queryFn: () => ask('nextTime', [batch!, like]),
    enabled: batch !== undefined && batch.found.wordServing !== undefined,
    staleTime: Infinity,
  });
}

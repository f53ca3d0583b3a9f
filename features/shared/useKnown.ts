import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Learnt } from '../../core/book/known';
import type { BatchRow } from '../../core/book/row';
import { useKitchen } from './kitchen';
import { useRows, useSettings } from './stored';

/** Batches that plans learn from: none while it is off, and none from before it was begun anew. */
export const taught = (rows: readonly BatchRow[], learns: boolean, from: string | undefined): BatchRow[] =>
  learns ? rows.filter((row) => from === undefined || Date.parse(row.at) >= Date.parse(from)) : [];

/** What is known of this kitchen: what its batches taught, and what was measured. */
export function useKnown(): {
  learnt: Learnt | undefined;
  measured: NonNullable<ReturnType<typeof useSettings>['settings']>['measured'];
} {
  const { ask } = useKitchen();
  const stored = useRows('batches');
  const { settings } = useSettings();
  const rows = useMemo(
    () => settings && stored.data && taught(stored.data, settings.learns, settings.learnsFrom),
    [settings, stored.data],
  );
  const learnt = useQuery({
    queryKey: ['learnt', rows?.length, rows],
    queryFn: () => ask('learnKitchen', [rows!]),
    enabled: rows !== undefined,
    staleTime: Infinity,
    placeholderData: (old) => old,
  });
  return { learnt: learnt.data, measured: settings?.measured ?? [] };
}

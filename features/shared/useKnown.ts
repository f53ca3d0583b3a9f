import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Learnt } from '../../core/book/known';
import type { BatchRow } from '../../core/book/row';
import { useKitchen } from './kitchen';
import { useRows, useSettings } from './stored';

/** Batches that plans learn from: none while it is off, and none from before it was begun anew. */
export const taught = (rows: readonly BatchRow[], learns: boolean, from: string | undefined): BatchRow[] =>
  learns ? rows.filter((row) => from === undefined || Date.parse(row.at) >= Date.parse(from)) : [];

/** The same list has the same number: a key that is short, however long the book is. */
const numbers = new WeakMap<object, number>();
let last = 0;
function numberOf(list: object): number {
  const known = numbers.get(list);
  if (known !== undefined) return known;
  last += 1;
  numbers.set(list, last);
  return last;
}

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
    queryKey: ['learnt', rows && numberOf(rows)],
    queryFn: () => ask('learnKitchen', [rows!]),
    enabled: rows !== undefined,
    staleTime: Infinity,
    placeholderData: (old) => old,
  });
  return { learnt: learnt.data, measured: settings?.measured ?? [] };
}

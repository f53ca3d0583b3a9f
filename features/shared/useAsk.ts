import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask } from '../../workers/client';
import { useKitchen } from './kitchen';

type Questions = Parameters<typeof ask>[0];
type Args<K extends Questions> = Parameters<typeof ask<K>>[1];

// the model is called as soon as a room comes that asks it, not only when its plans are read
if (typeof Worker !== 'undefined') void ask('hello', []).catch(() => undefined);

/**
 * One question to the model, answered once for the same arguments. With `keep`, the last answer stays while a new one is
 * worked out, and `isPlaceholderData` says so.
 */
export function useAsk<K extends Questions>(name: K, args: Args<K>, o: { enabled?: boolean; keep?: boolean } = {}) {
  const { ask } = useKitchen();
  return useQuery({
    queryKey: ['ask', name, args],
    queryFn: ({ signal }) => ask(name, args, signal),
    enabled: o.enabled ?? true,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
    ...(o.keep ? { placeholderData: keepPreviousData } : {}),
  });
}

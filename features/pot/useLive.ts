import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Cook } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import { ask } from '../../workers/client';

const EVERY_MS = 3000;

/**
 * The model's pot, from the worker at once after each event and then every few seconds, each asked when the one before
 * has come: a slow machine gets fewer answers, never a queue of old ones. Between two the worker rests, and so it does
 * while the page is hidden. An older answer stays in place and says which step it was about.
 */
export function useLive(cook: Cook | undefined, steps: Step[], stepIndex: number, on: boolean) {
  const query = useQuery({
    queryKey: ['live', cook?.id, cook?.events.length, stepIndex, steps.map((s) => s.seconds).join()],
    queryFn: async ({ signal }) => {
      const atMs = Date.now();
      return { live: await ask('live', [cook!, steps, atMs], signal), stepIndex, atMs };
    },
    enabled: on && cook !== undefined,
    refetchInterval: EVERY_MS,
    refetchOnMount: 'always',
    gcTime: 5000,
    staleTime: Infinity,
    structuralSharing: false,
    placeholderData: (old, before) => (before?.queryKey[1] === cook?.id ? keepPreviousData(old) : undefined),
  });
  return query.data;
}

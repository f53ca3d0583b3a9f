import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Cook } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import { model } from '../../workers/client';

const EVERY_MS = 3000;

/** The model's pot at this moment, from the worker every few seconds and at once after each event. */
export function useLive(cook: Cook | undefined, steps: Step[], nowMs: number, on: boolean) {
  const tick = Math.floor(nowMs / EVERY_MS);
  const query = useQuery({
    queryKey: ['live', cook?.id, cook?.events.length, steps.map((s) => s.seconds).join(), tick],
    queryFn: async () => ({ live: await model().live(cook!, steps, nowMs), atMs: nowMs }),
    enabled: on && cook !== undefined,
    gcTime: 5000,
    staleTime: Infinity,
    placeholderData: (old, before) => (before?.queryKey[1] === cook?.id ? keepPreviousData(old) : undefined),
  });
  return query.data;
}

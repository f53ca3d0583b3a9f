import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Cook } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import type { Live } from '../../workers/pots';
import { useKitchen } from '../shared/kitchen';

/** Between two answers: where something may soon happen, where nothing is near, where nothing is on the fire. */
const NEAR_MS = 3000;
const FAR_MS = 6000;
const COLD_MS = 30_000;
/** A page that nobody sees asks no more often than this: enough for an alarm. */
const HIDDEN_MS = 15_000;
const NEAR_S = 90;

/** How long the model may rest after an answer. */
export function restMs(live: Live | undefined, step: Step | undefined, hidden: boolean): number {
  const near =
    !live ||
    live.margins.some((m) => m.state !== 'clear') ||
    live.cueInS < NEAR_S ||
    (live.twin.thickensInS?.mean ?? Infinity) < NEAR_S;
  const own = step && !step.heat ? COLD_MS : near ? NEAR_MS : FAR_MS;
  return hidden ? Math.max(own, HIDDEN_MS) : own;
}

/**
 * The model's pot, from the worker at once after each event and then as seldom as the pot allows, each asked when the
 * one before has come: a slow machine gets fewer answers, never a queue of old ones. Between two the worker rests. An older answer stays in place and says which step it was about.
 */
export function useLive(cook: Cook | undefined, steps: Step[], stepIndex: number, on: boolean) {
  const { ask, clock } = useKitchen();
  const query = useQuery({
    queryKey: ['live', cook?.id, cook?.events.length, stepIndex, steps.map((s) => s.seconds).join()],
    queryFn: async ({ signal }) => {
      const atMs = clock();
      return { live: await ask('live', [cook!, steps, atMs], signal), stepIndex, atMs };
    },
    enabled: on && cook !== undefined,
    refetchInterval: (q) => restMs(q.state.data?.live, steps[stepIndex], document.hidden),
    refetchIntervalInBackground: true,
    refetchOnMount: 'always',
    gcTime: 5000,
    staleTime: Infinity,
    structuralSharing: false,
    placeholderData: (old, before) => (before?.queryKey[1] === cook?.id ? keepPreviousData(old) : undefined),
  });
  return query.data;
}

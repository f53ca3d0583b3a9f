import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Cook } from '../../core/cook/events';
import type { CookState } from '../../core/cook/fold';
import { restedAs } from '../../core/plan/methodList';
import type { Step } from '../../core/cook/steps';
import { useKitchen } from '../shared/kitchen';

const HOUR = 3_600_000;

/**
 * The forecast of what was really poured: the pot as its events tell, the room for as long as it really stood there,
 * to the hour it is served.
 */
export function useSet(cook: Cook | undefined, steps: Step[], state: CookState | undefined, nowMs: number) {
  const { ask } = useKitchen();
  const poured = state && !Number.isNaN(state.pouredMs);
  const roomMin = !poured
    ? 0
    : Number.isNaN(state.fridgeMs)
      ? Math.max(cook!.plan.rest.roomMin, Math.ceil((nowMs - state.pouredMs) / 300_000) * 5)
      : (state.fridgeMs - state.pouredMs) / 60_000;
  const hours =
    !poured || !cook ? 1 : Math.min(96, Math.max(1, (Date.parse(cook.plan.serve.at) - state.pouredMs) / HOUR));
  return useQuery({
    queryKey: ['set', cook?.id, cook?.events.length, Math.round(roomMin), Math.round(hours * 60)],
    queryFn: async () => {
      const plan = restedAs(cook!.plan, roomMin, hours);
      return { forecast: (await ask('live', [{ ...cook!, plan }, steps, state!.pouredMs])).forecast, hours, roomMin };
    },
    enabled: Boolean(poured && cook && steps.length),
    staleTime: Infinity,
    placeholderData: (old, before) => (before?.queryKey[1] === cook?.id ? keepPreviousData(old) : undefined),
  });
}

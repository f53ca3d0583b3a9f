import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Cook } from '../../core/cook/events';
import type { CookState } from '../../core/cook/fold';
import { asPoured, staysOf } from '../../core/cook/stays';
import { restedIn } from '../../core/plan/methodList';
import type { Step } from '../../core/cook/steps';
import { useKitchen } from '../shared/kitchen';

const HOUR = 3_600_000;
const MOST_H = 96;

/**
 * The forecast of what was really poured: the pot as its events tell, the dish where it really stood and as the plan has
 * it from now on, to the hour it is served.
 */
export function useSet(cook: Cook | undefined, steps: Step[], state: CookState | undefined, nowMs: number) {
  const { ask } = useKitchen();
  const poured = cook && state && !Number.isNaN(state.pouredMs) ? { plan: cook.plan, state } : undefined;
  const hours = poured
    ? Math.min(MOST_H, Math.max(1, (Date.parse(poured.plan.serve.at) - poured.state.pouredMs) / HOUR))
    : 1;
  const stays = poured ? staysOf(poured.plan, poured.state, nowMs, hours) : [];
  return useQuery({
    queryKey: ['set', cook?.id, cook?.events.length, stays.map((s) => `${s.where} ${Math.round(s.minutes)}`).join()],
    queryFn: async () => {
      const plan = restedIn(asPoured(cook!.plan, state!), stays, hours);
      return {
        forecast: (await ask('live', [{ ...cook!, plan }, steps, state!.pouredMs])).forecast,
        plan,
        hours,
        stays,
      };
    },
    enabled: Boolean(poured && steps.length),
    staleTime: Infinity,
    placeholderData: (old, before) => (before?.queryKey[1] === cook?.id ? keepPreviousData(old) : undefined),
  });
}

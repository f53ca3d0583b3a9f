import type { Forecast } from '../../core/model/forecast';
import type { Plan } from '../../core/plan/plan';
import { useCollection } from '../shared/stored';
import { useAsk } from '../shared/useAsk';

/** What a plan says beside its forecast; asked once the forecast stands. */
export function useAbout(plan: Plan | undefined, forecast: Forecast | undefined, settled: boolean) {
  const packs = useCollection('packs');
  const endMassG = Math.round(forecast?.endMassG ?? 0);
  const query = useAsk('about', [plan!, packs.data ?? [], endMassG], {
    enabled: plan !== undefined && forecast !== undefined && settled && packs.data !== undefined,
    keep: true,
  });
  return { about: query.data, stale: query.isPlaceholderData };
}

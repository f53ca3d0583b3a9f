import { linesOf, withLines } from '../../core/plan/layout';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Forecast, Point } from '../../core/model/forecast';
import type { Plan } from '../../core/plan/plan';
import { useKitchen } from './kitchen';

/** What of a plan its forecast depends on: the name and the hour of the meal do not. */
const physics = ({ name: _n, serve: { at: _a, ...serve }, ...rest }: Plan) => ({ ...rest, serve });

/**
 * The forecast of a plan from the worker. While a changed plan is worked out the old answer stays and `working` says so:
 * it is never shown as the new one. Questions that a newer plan has overtaken are dropped unasked.
 */
export function useForecast(plan: Plan | undefined): {
  forecast: Forecast | undefined;
  working: boolean;
  error: Error | null;
} {
  const { ask } = useKitchen();
  const query = useQuery({
    queryKey: ['forecast', plan ? physics(plan) : null],
    queryFn: ({ signal }) => ask('forecast', [plan!], signal),
    enabled: plan !== undefined,
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: (old, before) =>
      (before?.queryKey[1] as { id?: string } | null)?.id === plan?.id ? keepPreviousData(old) : undefined,
  });
  return { forecast: query.data, working: query.isPlaceholderData || query.isPending, error: query.error };
}

/** The words of a plan that is still moving under a thumb: asked before its forecast, answered within a frame. */
export function usePoint(plan: Plan | undefined): { point: Point | undefined; stale: boolean } {
  const { ask } = useKitchen();
  const query = useQuery({
    queryKey: ['point', plan ? physics(plan) : null],
    queryFn: ({ signal }) => ask('point', [plan!], signal),
    enabled: plan !== undefined,
    staleTime: Infinity,
    gcTime: 10_000,
    placeholderData: keepPreviousData,
  });
  return { point: query.data, stale: query.isPlaceholderData };
}

/** The starch that brings this plan to its wanted word; does not depend on the starch that is in it now. */
export function useSolved(plan: Plan | undefined, starchId: string | undefined) {
  const { ask } = useKitchen();
  const key = plan && {
    ...physics(
      withLines(
        plan,
        linesOf(plan).map((i) => (i.ingredientId === starchId ? { ...i, grams: 0 } : i)),
        [],
      ),
    ),
  };
  return useQuery({
    queryKey: ['solve', key ?? null],
    queryFn: ({ signal }) => ask('solve', [plan!], signal),
    enabled: plan !== undefined && starchId !== undefined,
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  });
}

/** Kitchens that the chances are counted over when asked for; and those that follow each change by themselves. */
export const KITCHENS = 500;
export const FEW_KITCHENS = 200;

/** The chances of a plan over many kitchens, asked for by hand; a changed plan asks anew, a left one stops. */
export function useChances(plan: Plan, wanted: boolean, draws = KITCHENS) {
  const { askChances } = useKitchen();
  const [done, setDone] = useState(0);
  const query = useQuery({
    queryKey: ['chances', draws, physics(plan)],
    queryFn: async ({ signal }) => {
      setDone(0);
      const answer = await askChances(plan, draws, signal, setDone);
      if (!answer) throw new Error('stopped');
      return answer;
    },
    enabled: wanted,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
  });
  return { chances: query.data, done, working: wanted && query.isFetching };
}

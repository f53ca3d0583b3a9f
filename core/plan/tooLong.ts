import { ownSteps } from './layout';
import type { MethodStep } from './method';
import type { Plan } from './plan';

/**
 * Longest that a plan's own steps may ask for, h in all: beyond it nothing cooks, dries or sets any more that the model
 * could tell of, and a forecast would take longer than anybody waits (2 s).
 */
export const LONGEST_H = { oven: 10, hob: 48, rest: 24 * 14 } as const;
type LongKind = keyof typeof LONGEST_H;

const minutesOf: Record<LongKind, (s: MethodStep) => number> = {
  oven: (s) => (s.do === 'bake' ? (s.until.reach === 'time' ? s.until.minutes : s.limitMin) + s.grillMin : 0),
  hob: (s) => (s.do === 'heat' ? (s.until.reach === 'time' ? s.until.minutes : s.limitMin) : 0),
  rest: (s) => (s.do === 'rest' ? s.minutes : 0),
};

/** What of a plan's own steps takes longer than is reckoned. */
export function tooLong(plan: Pick<Plan, 'acts'>): { kind: LongKind; hours: number; most: number }[] {
  const steps = ownSteps(plan);
  if (!steps) return [];
  return (Object.keys(LONGEST_H) as LongKind[]).flatMap((kind) => {
    const hours = steps.reduce((sum, s) => sum + minutesOf[kind](s), 0) / 60;
    return hours > LONGEST_H[kind] ? [{ kind, hours: Math.round(hours), most: LONGEST_H[kind] }] : [];
  });
}

import { say, type Said } from '../say';
import type { CoolingPoint } from './cooling';

/**
 * Cooling rules: data, not law. They differ by country and change; local rules and licensed advice come first.
 */
export const COOLING_RULES = ['two stages', 'ninety minutes', 'two hours'] as const;
export type CoolingRule = (typeof COOLING_RULES)[number];

type Limit = { fromC: number; toC: number; withinH: number };
export const SAFE_COOLING_RULES: Record<CoolingRule, { limits: readonly Limit[] }> = {
  'two stages': {
    limits: [
      { fromC: 57, toC: 21, withinH: 2 },
      { fromC: 21, toC: 5, withinH: 4 },
    ],
  },
  'ninety minutes': {
    limits: [{ fromC: 63, toC: 8, withinH: 1.5 }],
  },
  'two hours': {
    limits: [{ fromC: 60, toC: 10, withinH: 2 }],
  },
};

/** A rule with its limits, to be said. */
export function coolingRuleSaid(rule: CoolingRule): Said {
  const [first, then] = SAFE_COOLING_RULES[rule].limits;
  return say(`coolingRule.${rule}`, { fromC: first!.fromC, toC: first!.toC, thenC: then?.toC });
}

/** degC from which a dish is eaten warm */
export const EATEN_WARM_C = 40;
/** K above what is wanted from which a dish is not as cold as it is said to be (C) */
const STILL_WARM_K = 8;
/** It is meant to be eaten cold, and its middle is not cold by then. */
export const isStillWarm = (wantedC: number, atTableC: number): boolean =>
  wantedC < EATEN_WARM_C && atTableC > wantedC + STILL_WARM_K;

/** A dish that is cooled and takes longer than its rule allows, by more than an ordinary covered cup may. */
export const breaksCoolingRule = (cool: { safe: boolean; ordinary: boolean; asked: boolean }): boolean =>
  cool.asked && !cool.safe && !cool.ordinary;

/** The first limit of the usual rule, which the rooms show. */
export const SAFE_COOLING = { ...SAFE_COOLING_RULES['two stages'].limits[0]!, thenC: 5, thenWithinH: 4 } as const;

/** Hours until the core is below `tempC`, or NaN if it is not within the points. */
export function hoursBelow(points: readonly CoolingPoint[], tempC: number): number {
  for (let i = 0; i < points.length; i++) {
    const b = points[i]!;
    if (b.coreC > tempC) continue;
    const a = points[i - 1];
    if (!a) return b.hours;
    return a.hours + ((b.hours - a.hours) * (a.coreC - tempC)) / (a.coreC - b.coreC || 1);
  }
  return NaN;
}

/** Does it keep a cooling rule, and where not. */
export function keepsRule(
  points: readonly CoolingPoint[],
  rule: CoolingRule,
  roomForC = 0,
): { safe: boolean; worstH: number } {
  let safe = true;
  let worstH = 0;
  for (const { fromC, toC, withinH } of SAFE_COOLING_RULES[rule].limits) {
    const from = (points[0]?.coreC ?? 0) <= fromC ? 0 : hoursBelow(points, fromC);
    const to = hoursBelow(points, Math.max(toC, roomForC));
    const took = to - from;
    worstH = Math.max(worstH, took - withinH);
    if (!(took <= withinH)) safe = false;
  }
  return { safe, worstH };
}

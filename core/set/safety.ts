import { say, type Said } from '../say';

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

/** The first limit of the usual rule, which the rooms show. */
export const SAFE_COOLING = { ...SAFE_COOLING_RULES['two stages'].limits[0]!, thenC: 5, thenWithinH: 4 } as const;

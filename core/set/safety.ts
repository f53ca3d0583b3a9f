/**
 * Cooling rules: data, not law. They differ by country and change; local rules and licensed advice come first.
 */
export const COOLING_RULES = ['two stages', 'ninety minutes', 'two hours'] as const;
export type CoolingRule = (typeof COOLING_RULES)[number];

type Limit = { fromC: number; toC: number; withinH: number };
export const SAFE_COOLING_RULES: Record<CoolingRule, { says: string; limits: readonly Limit[] }> = {
  'two stages': {
    says: 'from 57 to 21 °C within 2 hours, and to 5 °C within 4 more',
    limits: [
      { fromC: 57, toC: 21, withinH: 2 },
      { fromC: 21, toC: 5, withinH: 4 },
    ],
  },
  'ninety minutes': {
    says: 'from 63 to 8 °C within 90 minutes',
    limits: [{ fromC: 63, toC: 8, withinH: 1.5 }],
  },
  'two hours': {
    says: 'from 60 to 10 °C within 2 hours',
    limits: [{ fromC: 60, toC: 10, withinH: 2 }],
  },
};

/** The first limit of the usual rule, which the rooms show. */
export const SAFE_COOLING = { ...SAFE_COOLING_RULES['two stages'].limits[0]!, thenC: 5, thenWithinH: 4 } as const;

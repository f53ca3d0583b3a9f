import type { Said } from '../say';

/** What may go wrong, by name: light enough for the interface, which shows them without the model. */
export const RISKS = ['lumps', 'curdle', 'scorch', 'raw starch', 'boil over', 'skin', 'weeping', 'split'] as const;
export type RiskName = (typeof RISKS)[number];
/** Chance 0 to 1 and what brings it. */
export type Risk = { chance: number; why: Said };

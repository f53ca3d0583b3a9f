import type { Ref } from './acts';
import type { Sign, VesselWord } from './lexicon';

/** min up to which what is covered is still hot (C) */
export const STAYS_HOT_MIN = 30;
/** min of simmering by which rice is soft (B) */
export const SOFT_BY_MIN = 25;
/** degC from which it is an oven's and no pot's */
export const OVEN_FROM_C = 110;
export const DISHES: readonly VesselWord[] = ['cups', 'moulds', 'tray', 'dish', 'pie', 'plates'];
export const BOILS: readonly Sign[] = ['boil', 'simmer'];
/** From less than this on, all of it is in. */
export const REST = 0.02;
export const LITTLE = 0.15;
export const MOST = 0.8;

export const mid = (t: { lowMin: number; highMin: number }): number => (t.lowMin + t.highMin) / 2;

export const partOf = (
  share: Extract<Ref, { kind: 'thing' }>['share'],
  grams?: number,
  total?: number,
): number | undefined =>
  typeof share === 'number'
    ? share
    : share === 'little'
      ? LITTLE
      : share === 'most'
        ? MOST
        : grams !== undefined && total
          ? Math.min(1, grams / total)
          : undefined;

export const REDUCED: readonly (readonly [RegExp, number])[] = [
  [
    /two[- ]thirds (?:is |are )?(?:left|remain)|to two[- ]thirds|by (?:about |around |roughly )?(?:a |one )?third|(?:a |one )?third (?:of it )?(?:has )?gone/i,
    2 / 3,
  ],
  [/(?:to|by) (?:about |around |roughly )?(?:a |one )?half|half (?:of it )?(?:is left|remains|has gone)/i, 0.5],
  [/to (?:a |one )?third/i, 1 / 3],
  [/to three[- ]quarters|by (?:about |around )?(?:a |one )?quarter/i, 0.75],
];
export const reducedTo = (text: string): number | undefined => REDUCED.find(([r]) => r.test(text))?.[1];

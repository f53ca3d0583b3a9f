/** A kitchen scale that is not there: it lags, trembles and shows whole grams, like the real one it stands in for. */

type ScaleState = {
  /** what lies on it, g */
  trueG: number;
  /** what its filter has followed so far, g */
  followedG: number;
  tareG: number;
};
export const EMPTY_SCALE: ScaleState = { trueG: 0, followedG: 0, tareG: 0 };

export type ScaleReading = { grams: number; stable: boolean };

/** s in which it follows; g of trembling; g/s that a hand pours, by what it pours (C). */
export const SCALE = { lagS: 0.35, trembleG: 0.25, stableG: 0.8, pours: { milk: 60, powder: 9, pinch: 0.8 } } as const;
export type Pouring = keyof typeof SCALE.pours;

/**
 * The scale after `dtS` seconds with so much flowing onto it.
 * @param random 0 to 1, for the trembling
 */
export function stepScale(
  s: ScaleState,
  dtS: number,
  flowGPerS: number,
  random: () => number,
): { state: ScaleState; reading: ScaleReading } {
  const trueG = Math.max(0, s.trueG + flowGPerS * dtS);
  const followedG = trueG + (s.followedG - trueG) * Math.exp(-dtS / SCALE.lagS);
  const shown = followedG + (random() - 0.5) * 2 * SCALE.trembleG;
  return {
    state: { ...s, trueG, followedG },
    reading: {
      grams: Math.round(shown - s.tareG) || 0,
      stable: flowGPerS === 0 && Math.abs(followedG - trueG) < SCALE.stableG,
    },
  };
}

/** Tare: what is shown now is nothing from here on. */
export const tareScale = (s: ScaleState): ScaleState => ({ ...s, tareG: s.followedG });

/** How a hand pours this. */
export const pouringOf = (group: string, grams: number): Pouring =>
  grams < 6 ? 'pinch' : group === 'milk' || group === 'egg' ? 'milk' : 'powder';

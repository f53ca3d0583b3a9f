import type { StarchSpecies } from '../pantry/ingredient';

/**
 * Starch in the pot: gelatinisation, swelling, breakdown. One coefficient table per species, one for the kinetics.
 */
export type StarchCoefficients = {
  /** DSC onset, peak, end in excess water, degC (Jane et al. 1999, A) */
  onsetC: number;
  peakC: number;
  endC: number;
  /** consistency at 8 % and 95 degC, Pa s^n (from peak viscosities, A/B) */
  k8: number;
  /** trough over peak: what is left after long cooking (A/B) */
  integrityFloor: number;
  /** temperature dependence of the paste, J/mol (from setback to 50 degC, B) */
  flowJPerMol: number;
  /** cold gel strength against maize (B) */
  gel: number;
  /** slow firming over days (retrogradation), share (B) */
  retro: number;
};

export const STARCHES: Record<StarchSpecies, StarchCoefficients> = {
  maize: {
    onsetC: 64.1,
    peakC: 69.4,
    endC: 74.9,
    k8: 9.5,
    integrityFloor: 0.58,
    flowJPerMol: 12700,
    gel: 1,
    retro: 0.35,
  },
};

export const STARCH_KINETICS = {
  /** 1/s at T50 (C) */
  gelRatePerS: 0.08,
  /** J/mol (B) */
  gelJPerMol: 80000,
  /** K per unit and per unit squared of sugar fraction X (B) */
  sugarShiftK: 12,
  sugarShiftK2: 45,
  /** K, salts of milk (B) */
  milkShiftK: 1,
  /** s, swelling after gelatinisation (C) */
  swellS: 50,
  /** swelling just gelatinised, share of that at 95 degC (B) */
  swellStart: 0.3,
  /** sugar's brake on swelling: 1 - a X - b X^2 (C) */
  swellSugar: 0.25,
  swellSugar2: 0.8,
  /** breakdown by heat alone and by the spoon, 1/s (C) */
  breakHeatPerS: 0.5 / 900,
  breakStirPerS: 1 / 700,
  breakJPerMol: 90000,
  /** s between wipes at which the spoon's share is halved (C, fitted: .75 constant spoon, .84 every 15 s) */
  stirHalfS: 5,
  /** a whisk against a spoon (C) */
  whisk: 4,
} as const;

const R = 8.314;
const K0 = 273.15;

/** Peak of gelatinisation in this liquid, degC. X = sugar/(sugar+water), 0 to 0.6. */
export function gelPeakC(s: StarchCoefficients, sugarFraction: number): number {
  const k = STARCH_KINETICS;
  return s.peakC + k.milkShiftK + k.sugarShiftK * sugarFraction + k.sugarShiftK2 * sugarFraction ** 2;
}

/** Share of the granules that can gelatinise at this temperature, 0 to 1. */
export function gelEquilibrium(tempC: number, peakC: number, s: StarchCoefficients): number {
  return 1 / (1 + Math.exp(-(tempC - peakC) / ((s.endC - s.onsetC) / 6.4)));
}

/** Rate at which the rest gelatinises, 1/s. */
export function gelRate(tempC: number, peakC: number): number {
  const k = STARCH_KINETICS;
  return k.gelRatePerS * Math.exp((k.gelJPerMol / R) * (1 / (peakC + K0) - 1 / (tempC + K0)));
}

/** Swelling the granules tend to at this temperature, share of that at 95 degC, 0.3 to 1.05; 0 below the peak's foot. */
export function swellEquilibrium(tempC: number, peakC: number): number {
  const { swellStart } = STARCH_KINETICS;
  const s = swellStart + (1 - swellStart) * ((tempC - peakC) / (95 - peakC));
  return Math.max(swellStart, Math.min(1.05, s));
}

/** Factor on the swollen volume from sugar, 0 to 1. */
export const sugarBrake = (x: number): number =>
  Math.max(0.2, 1 - STARCH_KINETICS.swellSugar * x - STARCH_KINETICS.swellSugar2 * x * x);

/** Rate of loss of granule integrity towards its floor, 1/s, for swollen share `swollen` and a spoon every `wipeS`. */
export function breakdownRate(tempC: number, swollen: number, wipeS: number, whisked: boolean): number {
  const k = STARCH_KINETICS;
  const heat = Math.exp((-k.breakJPerMol / R) * (1 / (tempC + K0) - 1 / 368.15));
  const stir = (whisked ? k.whisk : 1) / (1 + wipeS / k.stirHalfS);
  return heat * swollen * (k.breakHeatPerS + k.breakStirPerS * stir);
}

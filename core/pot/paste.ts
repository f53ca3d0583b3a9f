import { massG, type Mixture } from '../formula/compose';
import type { StarchCoefficients } from './starch';
import { sugarBrake } from './starch';

/** Flow of the hot paste. Power law with a serum under it; forms A, exponents B. */
export const PASTE = {
  /** flow index (B, .35 to .55) */
  flowIndex: 0.45,
  /** concentration power (B) */
  power: 2.7,
  /** below this concentration granules do not touch (C) */
  touch: 0.03,
  /** per % of dairy protein (C) */
  proteinOnPaste: 0.11,
  proteinOnSerum: 0.22,
  /** 1/s, the shear rate of the spoon at which words and figures are given */
  shearPerS: 10,
  /** share of sugar that dilutes the starch like water (C) */
  sugarAsSerum: 0.3,
  /** sugar fraction beyond which the serum is a syrup and the form no longer holds (B) */
  syrupMax: 0.9,
  /** hot yield stress over consistency, s^-n (C) */
  yieldOverK: 0.2,
} as const;

export const sugarFraction = (m: Mixture): number => {
  const s = m.sugarG + m.lactoseG;
  return s / (s + m.waterG);
};

export const dairyProteinPct = (m: Mixture): number =>
  (100 * m.dairyProteinG) / (m.waterG + m.lactoseG + m.sugarG + m.dairyProteinG);

/**
 * Swollen starch concentration c, mass fraction of starch in what can flow, scaled by how far it has gelatinised and swollen.
 * @param gelatinised 0 to 1
 * @param swelling 0 to 1.05
 */
export function swollenConcentration(m: Mixture, gelatinised: number, swelling: number): number {
  const dry = m.starchG / (m.starchG + m.waterG + PASTE.sugarAsSerum * m.sugarG);
  return dry * gelatinised * swelling * sugarBrake(sugarFraction(m));
}

/** Viscosity of the liquid between the granules, Pa s. */
export function serumPaS(m: Mixture, tempC: number): number {
  const water = 2.414e-5 * 10 ** (247.8 / (tempC + 273.15 - 140));
  const x = Math.min(PASTE.syrupMax, sugarFraction(m));
  return water * Math.exp((2.5 * x) / (1 - x)) * (1 + PASTE.proteinOnSerum * dairyProteinPct(m));
}

/** Consistency K of the paste, Pa s^n. @param integrity granules still whole, 0 to 1 */
export function consistency(c: number, integrity: number, tempC: number, m: Mixture, s: StarchCoefficients): number {
  if (c <= 0) return 0;
  const touching = 1 - Math.exp(-((c / PASTE.touch) ** 3));
  const heat = Math.exp((s.flowJPerMol / 8.314) * (1 / (tempC + 273.15) - 1 / 368.15));
  return (
    s.k8 * integrity * (c / 0.08) ** PASTE.power * touching * (1 + PASTE.proteinOnPaste * dairyProteinPct(m)) * heat
  );
}

/** Viscosity felt at the spoon, Pa s at 10 1/s: serum and paste, thickened by fat droplets. */
export function viscosityPaS(k: number, m: Mixture, tempC: number): number {
  const fatVolume = m.fatG / 0.92 / (massG(m) / 1.04);
  const fat = (1 - Math.min(0.6, fatVolume) / 0.74) ** -1.85;
  return (serumPaS(m, tempC) + k * PASTE.shearPerS ** (PASTE.flowIndex - 1)) * fat;
}

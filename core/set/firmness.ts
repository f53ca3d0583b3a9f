import type { Mixture } from '../formula/compose';
import { massG } from '../formula/compose';
import { dairyProteinPct, sugarFraction } from '../pot/paste';
import type { StarchCoefficients } from '../pot/starch';
import { WEIGHT_N_PER_M3 } from '../texture/words';

/** The cold gel. G6 and its power are fitted (C; published gels of 6 to 10 % span a factor of 3). */
export const GEL = {
  /** Pa at c = 6 % */
  g6Pa: 500,
  power: 2.75,
  protein: 0.2,
  proteinMaxPct: 4,
  /** plant protein against dairy (C) */
  otherProtein: 0.25,
  sugar: 0.7,
  integrityRef: 0.75,
  /** ageing: fast share and its minutes, slow hours (B/C) */
  fastShare: 0.7,
  fastMin: 40,
  slowH: 10,
  retroAfterH: 12,
  retroH: 60,
  /** nothing sets above this; slope with temperature (C) */
  setsBelowC: 62,
  tempPower: 0.8,
  /** yield stress over modulus (C) and over hot consistency */
  yieldOverG: 0.15,
  yieldOverK: 0.2,
  /** 1 sd of ln G from the model alone (C) */
  sdLn: 0.3,
} as const;

type Curve = readonly (readonly [tempC: number, solid: number])[];
/** Solid share of fat by temperature, degC (A/B). */
const COCONUT_FAT: Curve = [
  [8, 0.78],
  [12, 0.62],
  [19, 0.38],
  [24, 0],
];
const MILK_FAT: Curve = [
  [4, 0.58],
  [10, 0.45],
  [20, 0.25],
  [37, 0],
];

function along(curve: Curve, tempC: number): number {
  const first = curve[0]!;
  if (tempC <= first[0]) return first[1];
  for (let i = 1; i < curve.length; i++) {
    const [t0, s0] = curve[i - 1]!;
    const [t1, s1] = curve[i]!;
    if (tempC <= t1) return s0 + ((s1 - s0) * (tempC - t0)) / (t1 - t0);
  }
  return 0;
}

/** Stiffening by fat that is solid at this temperature (Guth and Smallwood's filler, A). */
export function fatFactor(m: Mixture, tempC: number): number {
  const volume = massG(m) / 1.04;
  const solid = (m.coconutFatG * along(COCONUT_FAT, tempC) + m.milkFatG * along(MILK_FAT, tempC)) / 0.92 / volume;
  return 1 + 2.5 * solid + 14 * solid * solid;
}

/** Share of the gel that has formed, by hours of ageing at fridge temperature. */
export function ageFactor(ageH: number, s: StarchCoefficients): number {
  const fast = GEL.fastShare * (1 - Math.exp(-(ageH * 60) / GEL.fastMin));
  const slow = (1 - GEL.fastShare) * (1 - Math.exp(-ageH / GEL.slowH));
  const retro = ageH > GEL.retroAfterH ? (s.retro / 2) * (1 - Math.exp(-(ageH - GEL.retroAfterH) / GEL.retroH)) : 0;
  return fast + slow + retro;
}

/** Softening with temperature, 1 near the fridge and 0 where nothing sets. */
export const temperatureFactor = (tempC: number): number => Math.max(0, (GEL.setsBelowC - tempC) / 58) ** GEL.tempPower;

/** How fast it ages at a temperature, against the fridge: it sets while it cools (C). */
export const ageingRate = (tempC: number): number => Math.max(0, Math.min(1.1, (GEL.setsBelowC - tempC) / 57));

/**
 * Shear modulus of the gel, Pa.
 * @param c swollen starch concentration, 0 to 0.2
 * @param integrity granules whole, 0 to 1
 * @param firmness the cook's own factor, 1 if unknown
 */
export function gelModulusPa(
  m: Mixture,
  c: number,
  integrity: number,
  s: StarchCoefficients,
  ageH: number,
  tempC: number,
  firmness = 1,
): number {
  const other = (100 * m.otherProteinG) / (m.waterG + m.lactoseG + m.sugarG + m.otherProteinG);
  const protein = Math.min(GEL.proteinMaxPct, dairyProteinPct(m) + GEL.otherProtein * other);
  return (
    firmness *
    GEL.g6Pa *
    s.gel *
    (c / 0.06) ** GEL.power *
    (1 + GEL.protein * protein) *
    Math.max(0.1, 1 - GEL.sugar * sugarFraction(m)) *
    Math.sqrt(integrity / GEL.integrityRef) *
    fatFactor(m, tempC) *
    ageFactor(ageH, s) *
    temperatureFactor(tempC)
  );
}

export const yieldPa = (modulusPa: number, consistencyPaSn: number): number =>
  GEL.yieldOverG * modulusPa + GEL.yieldOverK * consistencyPaSn;

export type Standing = { slumpRel: number; sagRel: number; stands: boolean };

/**
 * Turned out of its mould: how far a block of this height settles under its own weight (Pashias et al. 1996) and sags
 * (elastic). It stands when both stay small: 12 % and 20 %.
 */
export function standing(yieldStressPa: number, modulusPa: number, heightM: number): Standing {
  const weight = WEIGHT_N_PER_M3 * heightM;
  const x = (2 * yieldStressPa) / weight;
  const slumpRel = x >= 1 ? 0 : x <= 0 ? 1 : 1 - x * (1 - Math.log(x));
  const sagRel = modulusPa > 0 ? Math.min(1, weight / (6 * modulusPa)) : 1;
  return { slumpRel, sagRel, stands: slumpRel <= 0.12 && sagRel <= 0.2 };
}

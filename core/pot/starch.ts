import { arrhenius, clamp, table } from '../coefficients';

/** Starch in the pot: gelatinisation, swelling, breakdown. One row a species, one table for the kinetics. */

const JANE = 'differential scanning calorimetry in excess water, Jane et al. 1999';
const PEAKS = 'from peak viscosities at 8 %, Jane et al. 1999';
const TROUGH = 'trough over peak of the pasting curve';

const species = (
  title: string,
  onsetC: number,
  peakC: number,
  endC: number,
  gelSource: string,
  gelConfidence: 'A' | 'B',
  k8: number,
  integrityFloor: number,
  flowJPerMol: number,
  gel: number,
  retro: number,
  swellG: number,
  amylose: number,
  leaches: number,
) =>
  table(`Starch: ${title}`, {
    onsetC: [onsetC, 'degC', gelConfidence, `onset, ${gelSource}`],
    peakC: [peakC, 'degC', gelConfidence, `peak, ${gelSource}`],
    endC: [endC, 'degC', gelConfidence, `end, ${gelSource}`],
    k8: [k8, 'Pa s^n', 'B', `consistency at 8 %, 95 degC, ${PEAKS}`],
    integrityFloor: [integrityFloor, '1', 'B', TROUGH],
    flowJPerMol: [flowJPerMol, 'J/mol', 'B', 'setback to 50 degC'],
    gel: [gel, '1', 'C', 'cold gel strength against maize'],
    retro: [retro, '1', 'B', 'slow firming over days (retrogradation), share'],
    amylose: [amylose, '1', 'B', 'share of the starch'],
    leaches: [leaches, '1', 'B', 'share of the amylose that is in the liquid after 95 degC'],
    swellG: [swellG, 'g/g', 'B', 'swelling power at 95 degC, Leach et al. 1959 type curves'],
  });

const typical = 'typical of the kind; varieties differ by 4 K';

export const STARCHES = {
  maize: species('maize', 64.1, 69.4, 74.9, JANE, 'A', 9.5, 0.58, 12700, 1, 0.35, 24, 0.265, 0.6),
  wheat: species('wheat', 57.1, 61.6, 66.2, JANE, 'A', 6.5, 0.72, 15800, 0.95, 0.5, 21, 0.265, 0.75),
  rice: species('rice, a shop flour', 64, 71, 77, typical, 'B', 7.4, 0.77, 11200, 0.55, 0.45, 19, 0.2, 0.5),
  'long rice': species('rice, long grain', 70.3, 76.2, 80.2, JANE, 'A', 7, 0.82, 11200, 0.62, 0.6, 18, 0.25, 0.5),
  'short rice': species('rice, short grain', 60, 66.5, 73.5, typical, 'B', 8, 0.67, 10000, 0.4, 0.45, 20, 0.17, 0.55),
  basmati: species('rice, basmati type', 66, 73, 79, typical, 'B', 7, 0.8, 11200, 0.7, 0.6, 18, 0.245, 0.5),
  jasmine: species('rice, jasmine type', 61.5, 68.5, 75, typical, 'B', 8, 0.68, 9500, 0.38, 0.45, 20, 0.16, 0.55),
  'waxy rice': species('rice, waxy', 56.9, 63.2, 70.3, JANE, 'A', 12.8, 0.41, 4000, 0.05, 0.08, 40, 0.01, 0.5),
  potato: species('potato', 58.2, 62.6, 67.7, JANE, 'A', 36, 0.22, 12000, 0.55, 0.4, 80, 0.21, 0.6),
  tapioca: species('tapioca', 64.3, 68.3, 74.4, JANE, 'A', 10.5, 0.36, 8000, 0.18, 0.2, 45, 0.18, 0.6),
} as const;
export type StarchSpecies = keyof typeof STARCHES;
export type StarchCoefficients = (typeof STARCHES)[StarchSpecies];

export const STARCH_KINETICS = table('Starch: kinetics', {
  gelRatePerS: [0.08, '1/s', 'C', 'rate at the peak temperature'],
  gelJPerMol: [80000, 'J/mol', 'B', 'as for rice cooking below 110 degC, Suzuki et al. 1976'],
  sugarShiftK: [12, 'K', 'B', 'per unit of sugar fraction X; direction and size as Spies and Hoseney 1982'],
  sugarShiftK2: [45, 'K', 'B', 'per unit of X squared'],
  milkShiftK: [1, 'K', 'B', 'salts of milk'],
  saltShiftK: [2, 'K/%', 'B', 'per % of salt in the water, to 4 %'],
  swellS: [50, 's', 'C', 'swelling after gelatinisation'],
  swellStart: [0.3, '1', 'B', 'swelling just gelatinised, share of that at 95 degC'],
  swellMax: [1.05, '1', 'B', 'above 95 degC'],
  swellSugar: [0.25, '1', 'C', "sugar's brake on swelling, per X"],
  swellSugar2: [0.8, '1', 'C', 'per X squared'],
  breakHeatPerS: [0.5 / 900, '1/s', 'B', 'breakdown by heat alone at 95 degC'],
  breakStirPerS: [1 / 700, '1/s', 'C', 'breakdown by the spoon at 95 degC'],
  breakJPerMol: [90000, 'J/mol', 'C', 'of both'],
  stirHalfS: [5, 's', 'C', "between wipes at which the spoon's share is halved: .75 constant spoon, .84 every 15 s"],
  whisk: [4, '1', 'C', 'a whisk or blender against a spoon'],
  acidPerS: [1.44, '1/s per mol/l', 'C', 'hydrolysis by acid at 95 degC; half-time 8 min at pH 3, 25 at 3.5, 80 at 4'],
  acidJPerMol: [110000, 'J/mol', 'B', 'of it'],
});

/** K by which sugar moves gelatinisation. X 0 to 0.6 */
export const sugarShiftK = (x: number): number =>
  STARCH_KINETICS.sugarShiftK * x + STARCH_KINETICS.sugarShiftK2 * x * x;

/** Peak of gelatinisation in this liquid, degC. X = sugar/(sugar+water), 0 to 0.6; salt in % of the water. */
export function gelPeakC(s: StarchCoefficients, sugarFraction: number, saltPct = 0): number {
  const k = STARCH_KINETICS;
  return s.peakC + k.milkShiftK + sugarShiftK(sugarFraction) + k.saltShiftK * Math.min(4, saltPct);
}

/** Share of the granules that can gelatinise at this temperature, 0 to 1. */
export function gelEquilibrium(tempC: number, peakC: number, s: StarchCoefficients): number {
  return 1 / (1 + Math.exp(-(tempC - peakC) / ((s.endC - s.onsetC) / 6.4)));
}

/** Rate at which the rest gelatinises, 1/s. */
export const gelRate = (tempC: number, peakC: number): number =>
  STARCH_KINETICS.gelRatePerS * arrhenius(STARCH_KINETICS.gelJPerMol, peakC, tempC);

/** Swelling the granules tend to at this temperature, share of that at 95 degC, 0.3 to 1.05. */
export function swellEquilibrium(tempC: number, peakC: number): number {
  const { swellStart, swellMax } = STARCH_KINETICS;
  return clamp(swellStart + (1 - swellStart) * ((tempC - peakC) / (95 - peakC)), swellStart, swellMax);
}

/** Factor on the swollen volume from sugar, 0.2 to 1. */
export const sugarBrake = (x: number): number =>
  Math.max(0.2, 1 - STARCH_KINETICS.swellSugar * x - STARCH_KINETICS.swellSugar2 * x * x);

/** Rate of loss of granule integrity towards its floor, 1/s, for swollen share `swollen` and a spoon every `wipeS`. */
export function breakdownRate(tempC: number, swollen: number, wipeS: number, whisked: boolean): number {
  const k = STARCH_KINETICS;
  const stir = (whisked ? k.whisk : 1) / (1 + wipeS / k.stirHalfS);
  return arrhenius(k.breakJPerMol, 95, tempC) * swollen * (k.breakHeatPerS + k.breakStirPerS * stir);
}

/** Rate at which acid eats the starch, 1/s, without a floor. */
export const acidRate = (tempC: number, ph: number): number =>
  STARCH_KINETICS.acidPerS * 10 ** -ph * arrhenius(STARCH_KINETICS.acidJPerMol, 95, tempC);

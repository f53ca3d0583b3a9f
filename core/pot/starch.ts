import { arrhenius, pow10, table } from '../coefficients';

/** Starch in the pot: gelatinisation, swelling, breakdown. One row a species, one table for the kinetics. */

const JANE = 'differential scanning calorimetry in excess water, Jane et al. 1999';
const PEAKS = 'from peak viscosities at 8 %, Jane et al. 1999';

type Species = {
  title: string;
  /** degC of onset, peak and end, where they are from and how far to trust them */
  gel: readonly [onsetC: number, peakC: number, endC: number, source: string, trust: 'A' | 'B'];
  k8: number;
  integrityFloor: number;
  flowJPerMol: number;
  strength: number;
  retro: number;
  swellG: number;
  amylose: number;
  leaches: number;
  /** K, 1 sd: how far a packet's own lies from its kind's */
  gelSdK: number;
  /** 1 where its paste is clear, 0 where it is cloudy */
  clear: 0 | 1;
};

const species = (s: Species) =>
  table(`Starch: ${s.title}`, {
    onsetC: [s.gel[0], 'degC', s.gel[4], `onset, ${s.gel[3]}`],
    peakC: [s.gel[1], 'degC', s.gel[4], `peak, ${s.gel[3]}`],
    endC: [s.gel[2], 'degC', s.gel[4], `end, ${s.gel[3]}`],
    k8: [s.k8, 'Pa s^n', 'B', `consistency at 8 %, 95 degC, ${PEAKS}, to a fifth`],
    integrityFloor: [s.integrityFloor, '1', 'B', 'trough over peak of the pasting curve'],
    flowJPerMol: [s.flowJPerMol, 'J/mol', 'B', 'setback to 50 degC'],
    gel: [s.strength, '1', 'C', 'cold gel strength against maize'],
    retro: [s.retro, '1', 'B', 'slow firming over days (retrogradation), share'],
    amylose: [s.amylose, '1', 'B', 'share of the starch'],
    leaches: [s.leaches, '1', 'B', 'share of the amylose that is in the liquid after 95 degC'],
    swellG: [s.swellG, 'g/g', 'B', 'swelling power at 95 degC, Leach et al. 1959 type curves'],
    gelSdK: [s.gelSdK, 'K', 'B', 'spread of its gelatinisation between packets'],
    clear: [s.clear, '1', 'A', 'its paste is clear (1) or cloudy (0)'],
  });

const typical = 'typical of the kind; varieties differ by 4 K';

export const STARCHES = {
  maize: species({
    title: 'maize',
    gel: [64.1, 69.4, 74.9, JANE, 'A'],
    k8: 8.2,
    integrityFloor: 0.58,
    flowJPerMol: 12700,
    strength: 1,
    retro: 0.35,
    swellG: 24,
    amylose: 0.265,
    leaches: 0.6,
    gelSdK: 1.5,
    clear: 0,
  }),
  wheat: species({
    title: 'wheat',
    gel: [57.1, 61.6, 66.2, JANE, 'A'],
    k8: 7.4,
    integrityFloor: 0.72,
    flowJPerMol: 15800,
    strength: 0.92,
    retro: 0.5,
    swellG: 21,
    amylose: 0.265,
    leaches: 0.75,
    gelSdK: 1.5,
    clear: 0,
  }),
  rice: species({
    title: 'rice, a shop flour',
    gel: [64, 71, 77, typical, 'B'],
    k8: 6.2,
    integrityFloor: 0.77,
    flowJPerMol: 11200,
    strength: 0.465,
    retro: 0.45,
    swellG: 19,
    amylose: 0.2,
    leaches: 0.5,
    gelSdK: 4,
    clear: 0,
  }),
  'long rice': species({
    title: 'rice, long grain',
    gel: [70.3, 76.2, 80.2, JANE, 'A'],
    k8: 7.4,
    integrityFloor: 0.82,
    flowJPerMol: 11200,
    strength: 0.62,
    retro: 0.6,
    swellG: 18,
    amylose: 0.25,
    leaches: 0.5,
    gelSdK: 4,
    clear: 0,
  }),
  'short rice': species({
    title: 'rice, short grain',
    gel: [60, 66.5, 73.5, typical, 'B'],
    k8: 8,
    integrityFloor: 0.67,
    flowJPerMol: 10000,
    strength: 0.4,
    retro: 0.45,
    swellG: 20,
    amylose: 0.17,
    leaches: 0.55,
    gelSdK: 4,
    clear: 0,
  }),
  basmati: species({
    title: 'rice, basmati type',
    gel: [66, 73, 79, typical, 'B'],
    k8: 7,
    integrityFloor: 0.8,
    flowJPerMol: 11200,
    strength: 0.7,
    retro: 0.6,
    swellG: 18,
    amylose: 0.245,
    leaches: 0.5,
    gelSdK: 4,
    clear: 0,
  }),
  jasmine: species({
    title: 'rice, jasmine type',
    gel: [61.5, 68.5, 75, typical, 'B'],
    k8: 8,
    integrityFloor: 0.68,
    flowJPerMol: 9500,
    strength: 0.38,
    retro: 0.45,
    swellG: 20,
    amylose: 0.16,
    leaches: 0.55,
    gelSdK: 4,
    clear: 0,
  }),
  'waxy rice': species({
    title: 'rice, waxy',
    gel: [56.9, 63.2, 70.3, JANE, 'A'],
    k8: 12.8,
    integrityFloor: 0.41,
    flowJPerMol: 4000,
    strength: 0.05,
    retro: 0.08,
    swellG: 40,
    amylose: 0.01,
    leaches: 0.5,
    gelSdK: 4,
    clear: 1,
  }),
  potato: species({
    title: 'potato',
    gel: [58.2, 62.6, 67.7, JANE, 'A'],
    k8: 36,
    integrityFloor: 0.22,
    flowJPerMol: 12000,
    strength: 0.55,
    retro: 0.4,
    swellG: 80,
    amylose: 0.21,
    leaches: 0.6,
    gelSdK: 1.5,
    clear: 1,
  }),
  tapioca: species({
    title: 'tapioca',
    gel: [64.3, 68.3, 74.4, JANE, 'A'],
    k8: 10.5,
    integrityFloor: 0.36,
    flowJPerMol: 8000,
    strength: 0.18,
    retro: 0.2,
    swellG: 45,
    amylose: 0.18,
    leaches: 0.6,
    gelSdK: 2,
    clear: 1,
  }),
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
  swellS: [50, 's', 'C', 'swelling after gelatinisation, at 95 degC'],
  swellJPerMol: [90000, 'J/mol', 'C', 'of it: what steam swells it swells as far, in more minutes'],
  swellStart: [0.3, '1', 'B', 'swelling just gelatinised, share of that at 95 degC'],
  swellPower: [
    3,
    '1',
    'C',
    'most of the swelling is done ten degrees before; fitted: over steam it sets as over a ring',
  ],
  swellMax: [1.05, '1', 'B', 'above 95 degC'],
  sugarHalves: [
    0.42,
    '1',
    'C',
    'sugar fraction at which granules swell half as far; fitted: little to 20 g per 100 of milk',
  ],
  sugarPower: [7, '1', 'C', 'how steeply: only beyond 30 g per 100 does it hinder badly'],
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
  const { swellStart, swellMax, swellPower } = STARCH_KINETICS;
  const way = (tempC - peakC) / (95 - peakC);
  if (way >= 1) return Math.min(swellMax, 1 + (1 - swellStart) * (way - 1));
  return swellStart + (1 - swellStart) * (1 - (1 - Math.max(0, way)) ** swellPower);
}

/** Rate of swelling towards that, 1/s. */
export const swellRate = (tempC: number): number =>
  arrhenius(STARCH_KINETICS.swellJPerMol, 95, tempC) / STARCH_KINETICS.swellS;

/** Factor on the swollen volume from sugar, 0.2 to 1. */
export const sugarBrake = (x: number): number =>
  Math.max(0.2, 1 / (1 + (x / STARCH_KINETICS.sugarHalves) ** STARCH_KINETICS.sugarPower));

/** Rate of loss of granule integrity towards its floor, 1/s, for swollen share `swollen` and a spoon every `wipeS`. */
export function breakdownRate(tempC: number, swollen: number, wipeS: number, whisked: boolean): number {
  const k = STARCH_KINETICS;
  const stir = (whisked ? k.whisk : 1) / (1 + wipeS / k.stirHalfS);
  return arrhenius(k.breakJPerMol, 95, tempC) * swollen * (k.breakHeatPerS + k.breakStirPerS * stir);
}

/** Rate at which acid eats the starch, 1/s, without a floor. */
export const acidRate = (tempC: number, ph: number): number =>
  STARCH_KINETICS.acidPerS * pow10(-ph) * arrhenius(STARCH_KINETICS.acidJPerMol, 95, tempC);

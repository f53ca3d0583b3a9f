import { along, clamp, table, type Curve } from '../coefficients';
import type { Mixture } from '../matter/mixture';
import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import { eggGelPa, eggWarmth } from '../pot/egg';
import { dairyProteinPct, fillerFactor, sugarFraction, type Body } from '../pot/paste';
import { WEIGHT_N_PER_M3 } from '../texture/words';

/** The cold gel: starch, egg, solid fat, and what stiffens both. */
export const GEL = table('The cold gel', {
  g6Pa: [
    421,
    'Pa',
    'C',
    'modulus at c = 6 % without protein; published gels span a factor of 3; fitted to what mounds',
  ],
  power: [2.75, '1', 'B', 'concentration power, 2.3 to 3'],
  protein: [0.2, '1/%', 'C', 'dairy protein'],
  proteinMaxPct: [3.6, '%', 'C', 'no more than this counts; fitted: evaporated milk saves a tenth of the starch'],
  otherProtein: [0.55, '1', 'C', 'plant protein against dairy'],
  sugar: [0.5, '1', 'C', 'softening per unit of sugar fraction; fitted: a tenth to a quarter at 20 g per 100'],
  integrityRef: [0.75, '1', 'C', 'whole granules at which g6 holds'],
  fastShare: [0.7, '1', 'B', 'share of the gel that forms fast'],
  fastMin: [40, 'min', 'B', 'its time constant'],
  slowH: [10, 'h', 'C', 'of the rest'],
  retroAfterH: [12, 'h', 'C', 'slow firming over days begins'],
  retroH: [60, 'h', 'C', 'its time constant'],
  setsBelowC: [62, 'degC', 'C', 'nothing sets above this'],
  setsFullyC: [40, 'degC', 'B', 'below this amylose gels as fast as in the fridge, in an hour or two'],
  fatSolid: [2, '1', 'C', 'stiffening per share of the volume that is solid fat; fitted to cream'],
  fatSolid2: [12, '1', 'C', 'and per share squared'],
  tempPower: [0.8, '1', 'C', 'slope of softening with temperature'],
  yieldOverG: [0.149, '1', 'C', 'yield stress over modulus of a gel that the spoon has broken'],
  breakStrain: [
    0.6,
    '1',
    'C',
    'strain at which a gel that was left alone breaks; set gels are published from 0.5 to 2',
  ],
  gelledPa: [650, 'Pa', 'C', 'modulus about which a paste has become one piece that breaks and does not flow'],
  yieldOverK: [0.2, 's^-n', 'C', 'and over hot consistency'],
  stirredCold: [0.35, '1', 'C', 'left of a gel that is stirred while it cools'],
  reheated: [0.75, '1', 'C', 'left of a gel that is melted and set again'],
  supercoolsC: [15, 'degC', 'B', 'droplets of coconut fat stay liquid until it has been colder than this'],
  sdLn: [0.25, '1', 'C', 'spread of ln G from the model alone, now that it is fitted to kitchens'],
});

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

/** Stiffening by fat that is solid at this temperature, a filler. @param coldestC it has been */
export function fatFactor(m: Mixture, tempC: number, coldestC = tempC): number {
  const volume = massG(m) / PUDDING_G_PER_ML;
  const coconut = coldestC <= GEL.supercoolsC ? along(COCONUT_FAT, tempC) : 0;
  const solid = (m.coconutFatG * coconut + m.milkFatG * along(MILK_FAT, tempC)) / 0.92 / volume;
  return 1 + GEL.fatSolid * solid + GEL.fatSolid2 * solid * solid;
}

/** Share of the gel that has formed, by hours of ageing at fridge temperature. @param retro slow firming of this starch */
export function ageFactor(ageH: number, retro: number): number {
  const fast = GEL.fastShare * (1 - Math.exp(-(ageH * 60) / GEL.fastMin));
  const slow = (1 - GEL.fastShare) * (1 - Math.exp(-ageH / GEL.slowH));
  const days = ageH > GEL.retroAfterH ? (retro / 2) * (1 - Math.exp(-(ageH - GEL.retroAfterH) / GEL.retroH)) : 0;
  return fast + slow + days;
}

/** Softening with temperature, 1 near the fridge and 0 where nothing sets. */
export const temperatureFactor = (tempC: number): number =>
  Math.max(0, (GEL.setsBelowC - Math.max(-2, tempC)) / 58) ** GEL.tempPower;

/** How fast it ages at a temperature, against the fridge: it sets while it cools, in full below 40 degC (B). */
export const ageingRate = (tempC: number): number =>
  clamp((GEL.setsBelowC - tempC) / (GEL.setsBelowC - GEL.setsFullyC), 0, 1);

/** What is asked of a gel. Hours of ageing, degC; `coldestC` it has been; `firmness` the cook's own factor. */
type GelState = {
  ageH: number;
  tempC: number;
  coldestC?: number;
  firmness?: number;
  stirred?: boolean;
  /** network and curd of egg that set in the dish, 0 to 1 */
  egg?: { set: number; curd: number };
};

/** Shear modulus of the gel, Pa. */
export function gelModulusPa(m: Mixture, body: Body, at: GelState): number {
  const firmness = at.firmness ?? 1;
  const other = (100 * m.otherProteinG) / (m.waterG - m.piecesWaterG + m.lactoseG + m.sugarG + m.otherProteinG || 1);
  const protein = Math.min(GEL.proteinMaxPct, dairyProteinPct(m) + GEL.otherProtein * other);
  const fat = fatFactor(m, at.tempC, at.coldestC);
  const starch =
    GEL.g6Pa *
    body.gel *
    (body.c / 0.06) ** GEL.power *
    (1 + GEL.protein * protein) *
    Math.max(0.1, 1 - GEL.sugar * sugarFraction(m)) *
    Math.sqrt(body.integrity / GEL.integrityRef) *
    fillerFactor(body) *
    ageFactor(at.ageH, body.retro) *
    temperatureFactor(at.tempC) *
    (at.stirred ? GEL.stirredCold : 1);
  const egg = at.egg ? eggGelPa((100 * m.eggProteinG) / massG(m), at.egg.set, at.egg.curd) * eggWarmth(at.tempC) : 0;
  return firmness * (starch + egg) * fat;
}

/** Stress at which it yields once the spoon has broken it: the scale of the words, Pa. */
export const yieldPa = (modulusPa: number, consistencyPaSn: number): number =>
  GEL.yieldOverG * modulusPa + GEL.yieldOverK * consistencyPaSn;

/** Stress that a block bears which nobody has touched: a gel breaks late, what has hardly gelled flows as a paste. */
export function bearsPa(yieldStressPa: number, modulusPa: number): number {
  const gelled = modulusPa ** 2 / (modulusPa ** 2 + GEL.gelledPa ** 2);
  return yieldStressPa + (GEL.breakStrain - GEL.yieldOverG) * modulusPa * gelled;
}

export type Standing = { slumpRel: number; sagRel: number; stands: boolean };

/** Share of its height a turned-out block may slump and sag and still be said to stand (B): sag is seen as wobble. */
export const STANDS = { slumpRel: 0.12, sagRel: 1 / 6 } as const;

/** Share of its height by which a block settles that flows from this stress on, under its own weight (Pashias et al. 1996). */
export function slumpRel(flowsFromPa: number, heightM: number): number {
  const x = (2 * flowsFromPa) / (WEIGHT_N_PER_M3 * heightM);
  return x >= 1 ? 0 : x <= 0 ? 1 : 1 - x * (1 - Math.log(x));
}

/** Turned out of its mould: how far a block slumps and sags (elastic). It stands when both stay small. */
export function standing(yieldStressPa: number, modulusPa: number, heightM: number): Standing {
  const slump = slumpRel(bearsPa(yieldStressPa, modulusPa), heightM);
  const sagRel = modulusPa > 0 ? Math.min(1, (WEIGHT_N_PER_M3 * heightM) / (6 * modulusPa)) : 1;
  return { slumpRel: slump, sagRel, stands: slump <= STANDS.slumpRel && sagRel <= STANDS.sagRel + 1e-9 };
}

/** Hot starch never slices clean: the knife waits until it is below this and has been cold this long (C). */
export const KNIFE = { belowC: 30, coldHours: 2, coldC: 15, toughPa: 15000 } as const;

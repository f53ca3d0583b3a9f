import { arrhenius, clamp, pow10, table } from '../coefficients';
import { massG, phOf, type Mixture } from '../matter/mixture';

/** Egg: it thickens, then curdles; starch protects it; its enzyme eats starch; heat makes it safe. */
export const EGG = table('Egg', {
  setC: [74, 'degC', 'B', 'network forms in 60 s here, at 3 % protein, pH 6.5'],
  setS: [60, 's', 'B', 'time constant there'],
  setJPerMol: [350000, 'J/mol', 'B', 'of it'],
  curdC: [83.45, 'degC', 'B', 'half of it curdles here in the end; fitted: half of cooks stop between 80 and 84'],
  curdWidthK: [1.5, 'K', 'C', 'spread of that threshold'],
  film: [
    0.35,
    '1',
    'C',
    'of the way from the pot to its floor that egg in the film feels: only its lowest part is as hot',
  ],
  curdS: [42, 's', 'C', 'time constant there'],
  curdJPerMol: [480000, 'J/mol', 'C', 'of it'],
  sugarK: [25, 'K', 'B', 'both move up by this per unit of sugar fraction, to X = .4'],
  setDilutionK: [4, 'K', 'C', 'network: per e-fold of dilution'],
  curdDilutionK: [3, 'K', 'C', 'curdling: per e-fold of dilution'],
  whiteK: [1, 'K', 'C', 'network of mostly white sets this much later'],
  acidK: [3, 'K', 'C', 'both move down by this per pH below 6.5'],
  refPct: [3, '%', 'B', 'egg protein at which the temperatures hold'],
  protectPct: [1, '%', 'C', 'gelatinised starch that halves the curdling (kitchen experience)'],
  protectPower: [3.5, '1', 'C', 'how steeply'],
  feltPct: [1, '%', 'C', 'egg protein at which curds are felt: little egg in much liquid is not'],
  smooth: [0.12, '1', 'C', 'severity below which nothing is felt'],
  grainy: [0.3, '1', 'C', 'severity above which it is scrambled'],
  yolkSolids: [0.477, '1', 'A', 'solids of yolk'],
  yolkOnViscosity: [0.57, '1/%', 'C', 'ln viscosity per % of yolk solids, thickened'],
  whiteOnViscosity: [0.9, '1/%', 'C', 'ln viscosity per % of white protein, thickened'],
  gelPa: [480, 'Pa', 'C', 'baked gel at 2 % egg protein; fitted: an egg to 240 ml is the least that is turned out'],
  gelPower: [2.2, '1', 'C', 'its power'],
  gelWarmPerK: [0.018, '1/K', 'C', 'ln softer for each degree above the fridge: it shivers warm and stands cold'],
  gelColdC: [5, 'degC', 'C', 'degC at which its stiffness holds'],
  amylaseD75S: [
    60,
    's',
    'C',
    'decimal reduction of yolk amylase at 75 degC in a starch custard; the literature disagrees',
  ],
  amylaseZK: [7, 'K', 'C', 'its z value'],
  amylasePerMin: [
    0.3,
    '1/min',
    'C',
    'loss of ln consistency at 40 degC, for all of the enzyme, per unit of yolk fraction',
  ],
  salmonellaD60S: [150, 's', 'B', 'decimal reduction at 60 degC in custard, Angelotti et al. 1961 as remembered'],
  salmonellaZK: [5.5, 'K', 'B', 'its z value, 4.5 to 5.6'],
  salmonellaLog: [7, '1', 'A', 'decimal reductions that are asked for'],
  safeC: [71, 'degC', 'A', 'usual guidance for egg dishes'],
  certainC: [68, 'degC', 'C', 'heat that egg must have reached before its minutes are believed to make it safe'],
  foldKeep: [0.8, '1', 'C', 'share of the air that folding in keeps'],
  whiteAirMlPerG: [5.5, 'ml/g', 'B', 'whipped white'],
});

/** How egg behaves in this mixture. */
type EggPoint = {
  setC: number;
  curdC: number;
  proteinPct: number;
};

/** Thickening and curdling temperatures of this mixture, degC; undefined without egg. */
export function eggPoint(m: Mixture, sugarFraction: number): EggPoint | undefined {
  if (m.eggProteinG <= 0) return undefined;
  const proteinPct = (100 * m.eggProteinG) / massG(m);
  const dilution = Math.log(EGG.refPct / clamp(proteinPct, 0.15, 12));
  const sugar = EGG.sugarK * Math.min(sugarFraction, 0.4);
  const acid = EGG.acidK * clamp(6.5 - phOf(m), -0.6, 2);
  const white = m.whiteG > m.yolkG ? EGG.whiteK : 0;
  return {
    setC: EGG.setC + sugar + EGG.setDilutionK * dilution + white - acid,
    curdC: EGG.curdC + sugar + EGG.curdDilutionK * dilution - acid,
    proteinPct,
  };
}

/** Rate of the network, 1/s of what is left. */
export const eggSetRate = (tempC: number, p: EggPoint): number => arrhenius(EGG.setJPerMol, p.setC, tempC) / EGG.setS;

/** Share that curdles in the end at a temperature. */
export const curdEquilibrium = (tempC: number, p: EggPoint): number =>
  1 / (1 + Math.exp(-(tempC - p.curdC) / EGG.curdWidthK));

/** Rate towards it, 1/s. */
export const curdRate = (tempC: number, p: EggPoint): number => arrhenius(EGG.curdJPerMol, p.curdC, tempC) / EGG.curdS;

/** Share of the curdling that gelatinised starch prevents, 0 to 1. @param starchPct gelatinised, g per 100 g */
export function starchProtects(starchPct: number): number {
  const r = (starchPct / EGG.protectPct) ** EGG.protectPower;
  return r / (1 + r);
}

/** What is felt of the curds, 0 to 1: below .12 smooth, above .3 scrambled. */
export const curdSeverity = (curd: number, starchPct: number, eggProteinPct: number): number =>
  curd * (1 - starchProtects(starchPct)) * (1 - Math.exp(-eggProteinPct / EGG.feltPct));

/** faster than a decimal reduction a second it no longer matters how fast */
const FASTEST_LOG_PER_S = 1;

const decimal = (dS: number, refC: number, zK: number, tempC: number): number =>
  Math.min(FASTEST_LOG_PER_S, (1 / dS) * pow10(clamp(tempC - refC, -60, 40) / zK));

/** Decimal reductions of salmonella per second. */
export const salmonellaRate = (tempC: number): number => decimal(EGG.salmonellaD60S, 60, EGG.salmonellaZK, tempC);

/** Decimal reductions of yolk amylase per second. */
export const amylaseRate = (tempC: number): number => decimal(EGG.amylaseD75S, 75, EGG.amylaseZK, tempC);

/**
 * What yolk amylase that survived leaves of the consistency after a while in the fridge or the room, 0 to 1.
 * @param left share of the enzyme that survived @param yolkShare of the mass
 */
export function amylaseThins(left: number, yolkShare: number, hours: number, tempC: number): number {
  const rate = tempC < 12 ? EGG.amylasePerMin / 12 : EGG.amylasePerMin * 2 ** ((tempC - 40) / 10);
  return Math.exp(-rate * left * yolkShare * hours * 60);
}

/** J/gK of what is tempered. */
export const BOWL_HEAT = { yolk: 3, 'yolk and sugar': 2.65, egg: 3.5, milk: 3.9 } as const;

/** Temperature after one ladle, degC. Masses g, heats J/gK. */
export const mixC = (
  bowlG: number,
  bowlHeat: number,
  bowlC: number,
  ladleG: number,
  ladleHeat: number,
  ladleC: number,
): number => (bowlG * bowlHeat * bowlC + ladleG * ladleHeat * ladleC) / (bowlG * bowlHeat + ladleG * ladleHeat);

/** Largest first ladle, g, that keeps the bowl below `maxC` (62 for bare yolk, 70 with its weight of sugar). */
export const safeLadleG = (bowlG: number, bowlHeat: number, bowlC: number, ladleC: number, maxC: number): number =>
  ladleC <= maxC ? Infinity : (bowlG * bowlHeat * (maxC - bowlC)) / (BOWL_HEAT.milk * (ladleC - maxC));

/** Bowl temperatures ladle by ladle, degC. */
export function temper(
  bowlG: number,
  bowlHeat: number,
  bowlC: number,
  ladleG: number,
  ladleC: number,
  ladles: number,
): number[] {
  const out: number[] = [];
  let t = bowlC;
  let heat = bowlG * bowlHeat;
  for (let i = 0; i < ladles; i++) {
    t = (heat * t + ladleG * BOWL_HEAT.milk * ladleC) / (heat + ladleG * BOWL_HEAT.milk);
    heat += ladleG * BOWL_HEAT.milk;
    out.push(t);
  }
  return out;
}

/** Shear modulus of a gel that egg made in the dish, Pa. */
export const eggGelPa = (proteinPct: number, set: number, curd: number): number =>
  EGG.gelPa * (proteinPct / 2) ** EGG.gelPower * set * (1 - 0.6 * curd);

/** What warmth leaves of the stiffness of an egg gel, 0 to 1. */
export const eggWarmth = (tempC: number): number => Math.exp(-EGG.gelWarmPerK * Math.max(0, tempC - EGG.gelColdC));

/** Volume that folded-in whipped whites add, ml, and what is left of the firmness (a foam is a soft filler). */
export function foldedWhites(whiteG: number, baseMl: number): { addsMl: number; firmness: number } {
  const addsMl = whiteG * EGG.whiteAirMlPerG * EGG.foldKeep;
  const air = addsMl / (baseMl + addsMl);
  return { addsMl, firmness: (1 - air) ** 2 };
}

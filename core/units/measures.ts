/**
 * Kitchen measures to grams and back, with the spread of the hand that measures.
 * Everything inside Ovalis is grams, degrees Celsius and seconds; this file is the border.
 */

export type SpoonSystem = 'us' | 'metric';
type VolumeUnit = 'ml' | 'l' | 'tsp' | 'tbsp' | 'cup';
type MassUnit = 'g' | 'kg' | 'oz' | 'lb';
export type Unit = VolumeUnit | MassUnit;
export type Fill = 'level' | 'rounded' | 'heaped';

/** ml per unit. Source: US customary definitions and metric kitchen sets (A). */
export const ML_PER: Record<SpoonSystem, Record<VolumeUnit, number>> = {
  us: { ml: 1, l: 1000, tsp: 4.92892, tbsp: 14.78676, cup: 236.58824 },
  metric: { ml: 1, l: 1000, tsp: 5, tbsp: 15, cup: 250 },
};

/** g per unit, by definition (A). */
export const G_PER: Record<MassUnit, number> = { g: 1, kg: 1000, oz: 28.349523, lb: 453.59237 };

/**
 * How full a spoon of powder is, as a multiple of a level one, and its relative spread (1 sd).
 * Level sd .10, heaped 1.5 to 1.9 (B); a recipe's bare "tablespoon" behaves as a rounded one (B).
 */
export const FILL: Record<Fill, { factor: number; sdRel: number }> = {
  level: { factor: 1, sdRel: 0.1 },
  rounded: { factor: 1.35, sdRel: 0.2 },
  heaped: { factor: 1.65, sdRel: 0.2 },
};

/** Spread of the other ways to measure, relative, 1 sd: kitchen scale (A), cup or jug of liquid (B). */
export const SCALE_SD_REL = 0.015;
export const JUG_SD_REL = 0.03;

export class MeasureError extends Error {}

const isMass = (unit: Unit): unit is MassUnit => unit in G_PER;

function checkAmount(amount: number): void {
  if (!Number.isFinite(amount) || amount < 0) {
    throw new MeasureError(`${amount} is not an amount; it should be a number, zero or more`);
  }
}

function gramsPerUnit(unit: Unit, densityGPerMl: number, system: SpoonSystem, fill: Fill): number {
  if (isMass(unit)) return G_PER[unit];
  if (!(densityGPerMl > 0)) {
    throw new MeasureError(
      `a density of ${densityGPerMl} g/ml cannot turn ${unit} into grams; it should be above zero`,
    );
  }
  return ML_PER[system][unit] * densityGPerMl * FILL[fill].factor;
}

/**
 * Grams of `amount` `unit`s.
 * @param densityGPerMl spooned, levelled bulk density; only used for volumes
 * @throws MeasureError for a negative or endless amount, or a volume without a density
 * @example toGrams(2, 'tbsp', 0.54, 'us') // 15.97
 */
export function toGrams(
  amount: number,
  unit: Unit,
  densityGPerMl: number,
  system: SpoonSystem = 'metric',
  fill: Fill = 'level',
): number {
  checkAmount(amount);
  return amount * gramsPerUnit(unit, densityGPerMl, system, fill);
}

/** The inverse of {@link toGrams}. */
export function fromGrams(
  grams: number,
  unit: Unit,
  densityGPerMl: number,
  system: SpoonSystem = 'metric',
  fill: Fill = 'level',
): number {
  checkAmount(grams);
  return grams / gramsPerUnit(unit, densityGPerMl, system, fill);
}

export type SpoonCount = {
  cups: number;
  tbsp: number;
  /** in quarters */
  tsp: number;
  /** what those spoons weigh */
  grams: number;
  /** spoons minus what was asked for, grams; positive is too much */
  errorG: number;
  errorRel: number;
};

/**
 * The nearest set of level spoons (quarter teaspoons at the finest) and the mass error that rounding makes.
 * Cups (in quarters) are used only when asked for, as cooks use them for liquids and sugar.
 * @param grams zero or more
 */
export function toSpoons(
  grams: number,
  densityGPerMl: number,
  system: SpoonSystem,
  { cups: useCups = false }: { cups?: boolean } = {},
): SpoonCount {
  checkAmount(grams);
  const per = (unit: VolumeUnit) => gramsPerUnit(unit, densityGPerMl, system, 'level');
  let rest = grams;
  let cups = 0;
  if (useCups) {
    cups = Math.floor(rest / (per('cup') / 4)) / 4;
    rest -= cups * per('cup');
  }
  let tbsp = Math.floor(rest / per('tbsp') + 1e-9);
  rest -= tbsp * per('tbsp');
  let tsp = Math.round((rest / per('tsp')) * 4) / 4;
  if (tsp >= 3) {
    tsp = 0;
    tbsp += 1;
  }
  const rounded = cups * per('cup') + tbsp * per('tbsp') + tsp * per('tsp');
  const errorG = rounded - grams;
  return { cups, tbsp, tsp, grams: rounded, errorG, errorRel: grams > 0 ? errorG / grams : 0 };
}

export const celsiusToFahrenheit = (c: number): number => c * 1.8 + 32;
export const fahrenheitToCelsius = (f: number): number => (f - 32) / 1.8;

/** How far a figure can be trusted: A textbook, B typical range, C fitted. */
type Confidence = 'A' | 'B' | 'C';

/** A figure of the model: value, unit, confidence, and where it comes from or what it means. */
type Coefficient = readonly [value: number, unit: string, confidence: Confidence, source: string];

type CoefficientTable = { title: string; rows: Record<string, Coefficient> };

const tables: CoefficientTable[] = [];

/** Every table that has been declared, in the order of declaration: the science page is printed from it. */
export const coefficientTables = (): readonly CoefficientTable[] => tables;

/**
 * Declares the coefficients of one phenomenon and gives back their bare values.
 * @example const HEAT = table('Heat', { scrapeEff: [0.6, '1', 'C', 'imperfect hand'] }); HEAT.scrapeEff // 0.6
 */
export function table<T extends Record<string, Coefficient>>(
  title: string,
  rows: T,
): { readonly [K in keyof T]: number } {
  tables.push({ title, rows });
  return Object.fromEntries(Object.entries(rows).map(([k, row]) => [k, row[0]])) as { [K in keyof T]: number };
}

export type Curve = readonly (readonly [x: number, y: number])[];

/** Straight lines between points; the ends hold beyond them. Points in rising x. */
export function along(curve: Curve, x: number): number {
  const first = curve[0]!;
  if (x <= first[0]) return first[1];
  for (let i = 1; i < curve.length; i++) {
    const [x0, y0] = curve[i - 1]!;
    const [x1, y1] = curve[i]!;
    if (x <= x1) return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
  }
  return curve[curve.length - 1]![1];
}

export const clamp = (x: number, low: number, high: number): number => Math.max(low, Math.min(high, x));
/** 10 to the x, and x to the third: many times dearer as a general power. */
export const pow10 = (x: number): number => Math.exp(Math.LN10 * x);
export const cube = (x: number): number => x * x * x;

export const GAS_J_PER_MOLK = 8.314;
/** Arrhenius factor against a reference temperature, 1 there. */
export const arrhenius = (jPerMol: number, refC: number, tempC: number): number =>
  Math.exp((jPerMol / GAS_J_PER_MOLK) * (1 / (refC + 273.15) - 1 / (tempC + 273.15)));

import { errorFunction } from 'simple-statistics';

/** Share of a standard normal below `x`, which may be endless. */
export const phi = (x: number): number =>
  Math.abs(x) > FAR ? (x > 0 ? 1 : 0) : (1 + errorFunction(x / Math.SQRT2)) / 2;

/** Density of a standard normal. */
export const density = (x: number): number => Math.exp(-(x * x) / 2) / Math.sqrt(2 * Math.PI);

/** Nothing is left of a normal beyond so many sds. */
const FAR = 12;

/** Chance that a value known to a spread of its logarithm is above a limit. */
export const above = (value: number, limit: number, sdLn: number): number =>
  value <= 0 ? 0 : phi(Math.log(value / limit) / Math.max(sdLn, 1e-6));

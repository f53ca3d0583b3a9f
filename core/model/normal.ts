import { errorFunction } from 'simple-statistics';

/** Share of a standard normal below `x`. */
export const phi = (x: number): number => (1 + errorFunction(x / Math.SQRT2)) / 2;

/** Chance that a value known to a spread of its logarithm is above a limit. */
export const above = (value: number, limit: number, sdLn: number): number =>
  value <= 0 ? 0 : phi(Math.log(value / limit) / Math.max(sdLn, 1e-6));

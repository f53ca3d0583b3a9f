import { table } from '../coefficients';

/** What it takes to warm food. */
export const CAPACITY = table('Heat that food takes', {
  solidsJPerGK: [1.9, 'J/gK', 'A', 'of what is not water'],
  waterJPerGK: [4.18, 'J/gK', 'A', 'of water'],
});

/** J/K of solids and water. */
export const heatOf = (massG: number, waterG: number): number =>
  CAPACITY.solidsJPerGK * massG + (CAPACITY.waterJPerGK - CAPACITY.solidsJPerGK) * waterG;

import { massG, type Mixture, PUDDING_G_PER_ML } from '../matter/mixture';
import { PASTE, type Body } from './paste';
import { breakdownRate } from './starch';

/** Amounts that change a pot that is already thick, the mark it boils down to, and the minutes it may cook on. */

/** Depth in the pan, mm: where to put the mark. */
export const depthMm = (m: Pick<Mixture, 'waterG'> & Mixture, diameterMm: number, shareLeft = 1): number =>
  (massG(m) * shareLeft) / PUDDING_G_PER_ML / ((Math.PI * diameterMm ** 2) / 4000);

/** Dry cornstarch that multiplies the hot viscosity by `factor`, g; in two to three times its weight of cold liquid. */
export function thickenG(m: Mixture, body: Body, factor: number): number {
  const c2 = body.c * factor ** (1 / PASTE.power);
  const b = body.freeWaterG / (1 - body.c || 1);
  return Math.max(0, (c2 - body.c) * b) / (0.875 * (1 - c2));
}

/** Milk or water that divides the hot viscosity by `factor`, g. @param waterShare of what is stirred in */
export function loosenG(body: Body, factor: number, waterShare = 0.88): number {
  const c2 = body.c * factor ** (-1 / PASTE.power);
  const b = body.freeWaterG / (1 - body.c || 1);
  return c2 > 0 ? Math.max(0, b * (body.c / c2 - 1)) / waterShare : 0;
}

/** Mass to boil down to for `factor` times the hot viscosity, g. */
export const reduceToG = (m: Mixture, body: Body, factor: number): number =>
  massG(m) - (body.freeWaterG / (1 - body.c || 1)) * (1 - factor ** (-1 / PASTE.power));

/** A tenth of the body lost is where a cook feels that it breaks down (C). */
const FELT = 0.1;

/** Minutes at `tempC` until long cooking and the spoon have cost a tenth of the body; Infinity when they never do. */
export function breaksAfterMin(body: Body, tempC: number, stirEveryS: number, whisked: boolean): number {
  if (body.c <= 0) return Infinity;
  const { floor } = body;
  const rate = breakdownRate(tempC, 1, stirEveryS, whisked);
  const left = (body.integrity * (1 - FELT) - floor) / (body.integrity - floor);
  return left <= 0 || body.integrity <= floor ? Infinity : -Math.log(left) / rate / 60;
}

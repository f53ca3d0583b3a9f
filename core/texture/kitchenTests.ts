import { table } from '../coefficients';
import { WEIGHT_N_PER_M3 } from './words';

/**
 * What a cook can see or time, from the model's rheology, and back with its error. SI: Pa s, Pa, m, s, degrees.
 * Errors are 1 sd of the natural log.
 */
export const TESTS = table('Kitchen tests', {
  spreadMl: [60, 'ml', 'A', 'line spread: a ring of this, lifted'],
  spreadS: [30, 's', 'A', 'read after'],
  trailWidthM: [0.02, 'm', 'B', 'spatula'],
  trailDepthM: [0.006, 'm', 'B', 'layer on the floor of the pan'],
  trailForm: [1.5, '1', 'C', 'of the closing time'],
  coatM: [0.05, 'm', 'B', 'below the rim of the spoon'],
  coatS: [5, 's', 'B', 'after lifting'],
  lineHoldsPa: [1, 'Pa', 'C', 'a finger line holds from this yield stress'],
  lineHoldsPaS: [0.028, 'Pa s', 'C', 'or this viscosity'],
  dropMl: [0.04, 'ml', 'B', 'a drop'],
  spoonM: [0.04, 'm', 'B', 'width of a spoon'],
  blobM: [0.003, 'm', 'B', 'a blob on a cold plate'],
  plateToGel: [4, '1', 'C', 'full gel after a day over what the cold plate shows, 3 to 5'],
  trailSdLn: [0.5, '1', 'C', 'error of a timed trail'],
  spreadSdLn: [0.4, '1', 'C', 'of a line spread, for viscosity (5 % of radius); .25 for yield stress'],
  dripSdLn: [1.1, '1', 'C', 'of drips: a factor of 3'],
  plateSdLn: [0.5, '1', 'C', 'of the cold plate'],
  wobbleSdLn: [0.2, '1', 'C', 'of a counted wobble'],
});

export type Read = { value: number; sdLn: number };
const N = 0.45;
const V3 = (ml: number) => (ml * 1e-6) ** 3;

/** Radius after 30 s, m: viscous (Huppert 1982, A) or stopped by its yield stress (Roussel and Coussot 2005, A). */
export function lineSpreadM(muPaS: number, yieldPa: number): number {
  const viscous = 0.894 * ((WEIGHT_N_PER_M3 * V3(TESTS.spreadMl) * TESTS.spreadS) / (3 * muPaS)) ** (1 / 8);
  const stopped =
    yieldPa > 0
      ? ((225 * WEIGHT_N_PER_M3 * (TESTS.spreadMl * 1e-6) ** 2) / (128 * Math.PI ** 2 * yieldPa)) ** 0.2
      : Infinity;
  return Math.min(viscous, stopped);
}
export const viscosityFromSpread = (radiusM: number): Read => ({
  value: (0.894 ** 8 * WEIGHT_N_PER_M3 * V3(TESTS.spreadMl) * TESTS.spreadS) / (3 * radiusM ** 8),
  sdLn: TESTS.spreadSdLn,
});
export const yieldFromSpread = (radiusM: number): Read => ({
  value: (225 * WEIGHT_N_PER_M3 * (TESTS.spreadMl * 1e-6) ** 2) / (128 * Math.PI ** 2 * radiusM ** 5),
  sdLn: 0.25,
});

/** Seconds until the trail of a spatula closes; Infinity when it stays. @param k consistency, Pa s^n */
export function trailS(k: number, yieldStressPa: number): number {
  const drive = (WEIGHT_N_PER_M3 * TESTS.trailDepthM ** 2) / (2 * TESTS.trailWidthM);
  if (yieldStressPa >= drive) return Infinity;
  const rate = ((drive - yieldStressPa) / k) ** (1 / N);
  return (TESTS.trailForm * (TESTS.trailWidthM / TESTS.trailDepthM)) / rate;
}
/** Consistency K from a trail that closed in `seconds`, Pa s^n (yield stress taken as .2 K). */
export function consistencyFromTrail(seconds: number): Read {
  let lo = 1e-3;
  let hi = 46;
  for (let i = 0; i < 60; i++) {
    const mid = Math.sqrt(lo * hi);
    if (trailS(mid, 0.2 * mid) < seconds) lo = mid;
    else hi = mid;
  }
  return { value: Math.sqrt(lo * hi), sdLn: TESTS.trailSdLn };
}

/** Film on a spoon, m, after it has drained (Jeffreys 1930, A), or what its yield stress holds. */
export const coatM = (muPaS: number, yieldPa = 0): number =>
  Math.max(Math.sqrt((muPaS * TESTS.coatM) / (WEIGHT_N_PER_M3 * TESTS.coatS)), yieldPa / WEIGHT_N_PER_M3);
export const fingerLineHolds = (muPaS: number, yieldPa: number): boolean =>
  yieldPa >= TESTS.lineHoldsPa || muPaS >= TESTS.lineHoldsPaS;
/** Seconds between drops, `t` seconds after the spoon was lifted. */
export const dripS = (muPaS: number, t: number): number =>
  (3 * TESTS.dropMl * 1e-6 * Math.sqrt(WEIGHT_N_PER_M3) * t ** 1.5) /
  (TESTS.spoonM * Math.sqrt(muPaS) * TESTS.coatM ** 1.5);
export const viscosityFromDrip = (intervalS: number, t: number): Read => ({
  value:
    (9 * (TESTS.dropMl * 1e-6) ** 2 * WEIGHT_N_PER_M3 * t ** 3) /
    (TESTS.spoonM ** 2 * TESTS.coatM ** 3 * intervalS ** 2),
  sdLn: TESTS.dripSdLn,
});

/** Tilt at which a blob on a cold plate runs, degrees; 90 when it stays upright. */
export function plateRunsDeg(yieldPa: number): number {
  const s = yieldPa / (WEIGHT_N_PER_M3 * TESTS.blobM);
  return s >= 1 ? 90 : (Math.asin(s) * 180) / Math.PI;
}
/** Yield stress that a day's set will have, from the tilt at which a cold blob ran. */
export const yieldFromPlate = (deg: number): Read => ({
  value: TESTS.plateToGel * WEIGHT_N_PER_M3 * TESTS.blobM * Math.sin((Math.min(90, deg) * Math.PI) / 180),
  sdLn: TESTS.plateSdLn,
});

/** Wobble of a turned-out cylinder, Hz: shear and bending together. */
export function wobbleHz(modulusPa: number, heightM: number, diameterM: number): number {
  const rho = 1040;
  const shear = Math.sqrt(modulusPa / rho) / (4 * heightM);
  const bend = 0.56 * Math.sqrt((3 * modulusPa * diameterM ** 2) / 16 / (rho * heightM ** 4));
  return 1 / Math.sqrt(1 / shear ** 2 + 1 / bend ** 2);
}
export const modulusFromWobble = (hz: number, heightM: number, diameterM: number): Read => ({
  value: (hz / wobbleHz(1, heightM, diameterM)) ** 2,
  sdLn: TESTS.wobbleSdLn,
});
/** Swing for a jolt of 1 m/s2, m. */
export const wobbleM = (hz: number): number => 1 / (2 * Math.PI * hz) ** 2;

/** What a cook should see now: hot pot. */
export type Seen = {
  trailS: number;
  coatMm: number;
  fingerLine: boolean;
  spreadCm: number;
  dripS: number;
  plateDeg: number;
  sheets: boolean;
};
export function seenNow(k: number, muPaS: number, hotYieldPa: number, coldYieldPa: number): Seen {
  return {
    trailS: trailS(Math.max(k, 1e-3), hotYieldPa),
    coatMm: coatM(muPaS, hotYieldPa) * 1000,
    fingerLine: fingerLineHolds(muPaS, hotYieldPa),
    spreadCm: lineSpreadM(muPaS * 8.6, hotYieldPa) * 100,
    dripS: dripS(muPaS, 5),
    plateDeg: plateRunsDeg(coldYieldPa / TESTS.plateToGel),
    sheets: hotYieldPa > 3,
  };
}

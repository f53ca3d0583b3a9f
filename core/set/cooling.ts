import type { Dish } from '../pantry/kitchen';
import { dishAreaM2 } from '../pantry/kitchen';
import { AIR, evaporationKgPerM2S, latentJPerKg } from '../pot/air';

/** Pudding as a solid that conducts, and the air around its dish. */
export const COOLING = {
  /** m2/s (A/B) and W/mK (A/B) */
  diffusivity: 1.35e-7,
  conductivity: 0.53,
  /** W/m2K: still room, still fridge (B); share left under a cover that touches (B/C), and through the dish's foot (B/C) */
  roomW: 9,
  fridgeW: 7,
  coveredShare: 0.85,
} as const;

/** W/m2K of a dish wall in series with the air outside (B). */
const WALL: Record<Dish['wall'], number> = { glass: 250, ceramic: 300, metal: 5000, plastic: 100 };

/**
 * Safe-cooling limits: data, not law. The usual two-stage home rule; local rules come first.
 */
export const SAFE_COOLING = { fromC: 57, toC: 21, withinH: 2, thenC: 5, thenWithinH: 4 } as const;

export type Surroundings = { airC: number; hW: number };

/** A cylinder of pudding: radius and depth in m, cells out and up. */
export class CoolingBody {
  readonly tempC: Float64Array;
  private readonly nr: number;
  private readonly nz: number;
  private readonly dr: number;
  private readonly dz: number;
  private readonly lower: Float64Array;
  private readonly diag: Float64Array;
  private readonly upper: Float64Array;
  private readonly rhs: Float64Array;

  constructor(radiusM: number, depthM: number, startC: number, nr = 6, nz = 10) {
    if (!(radiusM > 0 && depthM > 0)) throw new RangeError('radius and depth should be above zero');
    this.nr = nr;
    this.nz = nz;
    this.dr = radiusM / nr;
    this.dz = depthM / nz;
    this.tempC = new Float64Array(nr * nz).fill(startC);
    const n = Math.max(nr, nz);
    this.lower = new Float64Array(n);
    this.diag = new Float64Array(n);
    this.upper = new Float64Array(n);
    this.rhs = new Float64Array(n);
  }

  private solve(n: number): void {
    const { lower, diag, upper, rhs } = this;
    for (let i = 1; i < n; i++) {
      const w = lower[i]! / diag[i - 1]!;
      diag[i]! -= w * upper[i - 1]!;
      rhs[i]! -= w * rhs[i - 1]!;
    }
    rhs[n - 1] = rhs[n - 1]! / diag[n - 1]!;
    for (let i = n - 2; i >= 0; i--) rhs[i] = (rhs[i]! - upper[i]! * rhs[i + 1]!) / diag[i]!;
  }

  /**
   * One implicit step, radially then vertically (locally one-dimensional splitting: stable at any step).
   * `topExtraW` is heat leaving the top by evaporation, W/m2.
   */
  step(
    dtS: number,
    side: Surroundings,
    top: Surroundings,
    bottom: Surroundings,
    topExtraW = 0,
    k: number = COOLING.conductivity,
    alpha: number = COOLING.diffusivity,
  ): void {
    const { nr, nz, dr, dz, tempC, lower, diag, upper, rhs } = this;
    const heat = k / alpha;
    const through = (hW: number, half: number) => 1 / (1 / hW + half / k);
    const hs = through(side.hW, dr / 2);
    for (let z = 0; z < nz; z++) {
      for (let r = 0; r < nr; r++) {
        const volume = (r + 0.5) * dr * dr;
        const inner = (dtS * alpha * r * dr) / (dr * volume);
        const outer = r < nr - 1 ? (dtS * alpha * (r + 1) * dr) / (dr * volume) : 0;
        const air = r === nr - 1 ? (dtS * hs * nr * dr) / (heat * volume) : 0;
        lower[r] = -inner;
        upper[r] = -outer;
        diag[r] = 1 + inner + outer + air;
        rhs[r] = tempC[z * nr + r]! + air * side.airC;
      }
      this.solve(nr);
      for (let r = 0; r < nr; r++) tempC[z * nr + r] = rhs[r]!;
    }
    const ht = through(top.hW, dz / 2);
    const hb = through(bottom.hW, dz / 2);
    const fourier = (dtS * alpha) / (dz * dz);
    for (let r = 0; r < nr; r++) {
      for (let z = 0; z < nz; z++) {
        const down = z > 0 ? fourier : 0;
        const up = z < nz - 1 ? fourier : 0;
        const atBottom = z === 0 ? (dtS * hb) / (heat * dz) : 0;
        const atTop = z === nz - 1 ? (dtS * ht) / (heat * dz) : 0;
        lower[z] = -down;
        upper[z] = -up;
        diag[z] = 1 + down + up + atBottom + atTop;
        rhs[z] =
          tempC[z * nr + r]! +
          atBottom * bottom.airC +
          atTop * top.airC -
          (z === nz - 1 ? (dtS * topExtraW) / (heat * dz) : 0);
      }
      this.solve(nz);
      for (let z = 0; z < nz; z++) tempC[z * nr + r] = rhs[z]!;
    }
  }

  /** The warmest place. */
  coreC(): number {
    return this.tempC.reduce((a, b) => Math.max(a, b), -Infinity);
  }

  surfaceC(): number {
    return this.tempC[(this.nz - 1) * this.nr]!;
  }

  meanC(): number {
    let sum = 0;
    let weight = 0;
    for (let z = 0; z < this.nz; z++)
      for (let r = 0; r < this.nr; r++) {
        sum += (r + 0.5) * this.tempC[z * this.nr + r]!;
        weight += r + 0.5;
      }
    return sum / weight;
  }
}

export type CoolingPoint = { hours: number; coreC: number; meanC: number };
export type CoolingPlan = {
  dish: Dish;
  depthM: number;
  startC: number;
  roomC: number;
  roomMin: number;
  fridgeC: number;
  covered: boolean;
  hours: number;
};

/**
 * The pudding in its dish: room first, then the fridge; evaporation cools an uncovered top.
 * @returns points every few minutes at first and sparser later, to `hours` after pouring
 */
export function coolInDish(p: CoolingPlan): CoolingPoint[] {
  const radius = Math.sqrt(dishAreaM2(p.dish) / Math.PI);
  const body = new CoolingBody(radius, p.depthM, p.startC);
  const points: CoolingPoint[] = [{ hours: 0, coreC: p.startC, meanC: p.startC }];
  const wall = WALL[p.dish.wall];
  const end = p.hours * 3600;
  let t = 0;
  let nextKeep = 180;
  while (t < end - 1e-6) {
    const dt = Math.min(t < 3 * 3600 ? 60 : 240, end - t);
    const inRoom = t < p.roomMin * 60;
    const airC = inRoom ? p.roomC : p.fridgeC;
    const air = inRoom ? COOLING.roomW : COOLING.fridgeW;
    const outside = 1 / (1 / air + 1 / wall);
    const top = p.covered ? air * COOLING.coveredShare : air;
    const ts = body.surfaceC();
    const evaporating = p.covered
      ? 0
      : evaporationKgPerM2S(ts, airC, 0.98, 101325, AIR.surfaceWPerM2K * 0.8) * latentJPerKg(ts);
    body.step(dt, { airC, hW: outside }, { airC, hW: top }, { airC, hW: outside * 0.8 }, evaporating);
    t += dt;
    if (t >= nextKeep || t >= end - 1e-6) {
      points.push({ hours: t / 3600, coreC: body.coreC(), meanC: body.meanC() });
      nextKeep = t + (t < 3600 ? 180 : t < 6 * 3600 ? 600 : 1800);
    }
  }
  return points;
}

/** Hours until the core is below `tempC`, or NaN if it is not within the points. */
export function hoursBelow(points: readonly CoolingPoint[], tempC: number): number {
  for (let i = 0; i < points.length; i++) {
    const b = points[i]!;
    if (b.coreC > tempC) continue;
    const a = points[i - 1];
    if (!a) return b.hours;
    return a.hours + ((b.hours - a.hours) * (a.coreC - tempC)) / (a.coreC - b.coreC || 1);
  }
  return NaN;
}

/**
 * The one integrator: a second-order Rosenbrock W-method (Verwer, Spee, Blom and Hundsdorfer 1999) with step control.
 * It stays stable on the stiff pan while the Jacobian may be rough, and its embedded first-order answer gives the error.
 */
type System = {
  readonly size: number;
  /** approximate Jacobian, filled by slopes(): diagonal, then d(0)/d(1) and d(1)/d(0) */
  readonly jac: Float64Array;
  slopes(t: number, y: Float64Array, f: Float64Array): void;
};

const GAMMA = 1 - Math.SQRT1_2;
const LONGEST_STEP_S = 90;
/** steps no shorter than this are taken whatever their error: kinks of the model, not stiffness */
const SHORTEST_STEP_S = 0.05;
const EVENT_S = 1e-3;
/** an event this close above its zero is found */
const EVENT_CLOSE = 1e-4;
const FIRST_STEP_S = 0.5;

type Ends = { from: Float64Array; fromSlope: Float64Array; to: Float64Array; toSlope: Float64Array };

/** The state `s` seconds into a step of `h`: Hermite's cubic. */
function between({ from, fromSlope, to, toSlope }: Ends, h: number, s: number, into: Float64Array): void {
  const x = s / h;
  const rest = 1 - x;
  const p = x * x * (3 - 2 * x);
  for (let i = 0; i < into.length; i++)
    into[i] = from[i]! + p * (to[i]! - from[i]!) + s * rest * (rest * fromSlope[i]! - x * toSlope[i]!);
}

export class Rosenbrock {
  t = 0;
  steps = 0;
  private readonly f: Float64Array;
  private readonly k1: Float64Array;
  private readonly k2: Float64Array;
  private readonly next: Float64Array;
  /** state and slopes at the beginning of the step */
  private readonly old: Float64Array;
  private readonly was: Float64Array;
  private readonly diag: Float64Array;

  constructor(
    private readonly system: System,
    private readonly tolerance: Float64Array,
  ) {
    const n = system.size;
    // one piece of memory for all: a cook is short, and asking for memory takes a good part of it
    const { buffer } = new Float64Array(7 * n + 2);
    const part = (i: number, size = n) => new Float64Array(buffer, 8 * i * n, size);
    this.f = part(0);
    this.k1 = part(1);
    this.k2 = part(2);
    this.next = part(3);
    this.old = part(4);
    this.was = part(5);
    this.diag = part(6, n + 2);
  }

  /** (I - gamma h J) k = rhs, J being a 2 x 2 block and a diagonal. */
  private solve(k: Float64Array, h: number): void {
    const { diag } = this;
    const n = k.length;
    const g = GAMMA * h;
    const a = 1 - g * diag[0]!;
    const b = -g * diag[n]!;
    const c = -g * diag[n + 1]!;
    const d = 1 - g * diag[1]!;
    const det = a * d - b * c;
    const k0 = (k[0]! * d - b * k[1]!) / det;
    k[1] = (a * k[1]! - c * k[0]!) / det;
    k[0] = k0;
    for (let i = 2; i < n; i++) k[i]! /= 1 - g * diag[i]!;
  }

  /** One step of length h from y at t, whose slopes are in `f`, into `next`; returns the error against the tolerance (1 is just allowed). */
  private step(y: Float64Array, t: number, h: number): number {
    const { system, f, k1, k2, next, tolerance } = this;
    const n = system.size;
    for (let i = 0; i < n; i++) k1[i] = f[i]!;
    this.solve(k1, h);
    for (let i = 0; i < n; i++) next[i] = y[i]! + h * k1[i]!;
    system.slopes(t + h, next, k2);
    for (let i = 0; i < n; i++) k2[i]! -= 2 * k1[i]!;
    this.solve(k2, h);
    let worst = 0;
    for (let i = 0; i < n; i++) {
      const half = 0.5 * h * (k1[i]! + k2[i]!);
      next[i] = y[i]! + h * k1[i]! + half;
      const e = Math.abs(half) / tolerance[i]!;
      if (e > worst) worst = e;
    }
    return worst;
  }

  /**
   * Runs y from t to `end` in place. `value` below zero means go on; its change of sign is located to a millisecond.
   * @returns true when `value` ended it
   */
  run(
    y: Float64Array,
    start: number,
    end: number,
    value: ((y: Float64Array) => number) | undefined,
    onStep: (t: number) => void,
  ): boolean {
    const { system, f, next, old, was, diag } = this;
    let t = start;
    let h = FIRST_STEP_S;
    system.slopes(t, y, f);
    if (value && value(y) >= 0) {
      this.t = t;
      onStep(t);
      return true;
    }
    let before = value ? value(y) : -1;
    while (end - t > 1e-9) {
      diag.set(system.jac);
      h = Math.min(h, LONGEST_STEP_S, end - t);
      if (end - t - h < SHORTEST_STEP_S) h = end - t;
      let error = this.step(y, t, h);
      while (error > 1 && h > SHORTEST_STEP_S) {
        h = Math.max(SHORTEST_STEP_S, h * Math.max(0.2, 0.85 / Math.sqrt(error)));
        error = this.step(y, t, h);
      }
      if (!Number.isFinite(error)) throw new RangeError('the pot ran out of the model: a state is not a number');
      old.set(y);
      was.set(f);
      y.set(next);
      const from = t;
      t += h;
      this.steps += 1;
      system.slopes(t, y, f);
      if (value && value(y) >= 0) {
        // somewhere in this step: regula falsi with Illinois' halving, from `old` (below zero) to here, along the cubic
        // that has the states and slopes of both ends
        let lo = 0;
        let hi = h;
        let below = before;
        let above = value(y);
        const after = y.slice();
        const ends = { from: old, fromSlope: was, to: y.slice(), toSlope: f.slice() };
        for (let i = 0; i < 40 && hi - lo > EVENT_S; i++) {
          const slope = above - below;
          const guess = slope > 0 && Number.isFinite(slope) ? lo - (below * (hi - lo)) / slope : (lo + hi) / 2;
          const mid = Math.min(hi - EVENT_S / 4, Math.max(lo + EVENT_S / 4, i % 5 === 4 ? (lo + hi) / 2 : guess));
          between(ends, h, mid, next);
          system.slopes(from + mid, next, f);
          const v = value(next);
          if (v >= 0) {
            hi = mid;
            above = v;
            below /= 2;
            after.set(next);
            if (v < EVENT_CLOSE) break;
          } else {
            lo = mid;
            below = v;
            above /= 2;
          }
        }
        y.set(after);
        t = from + hi;
        system.slopes(t, y, f);
        this.t = t;
        onStep(t);
        return true;
      }
      if (value) before = value(y);
      onStep(t);
      h *= Math.min(3, Math.max(0.3, 0.85 / Math.sqrt(Math.max(error, 1e-6))));
    }
    this.t = t;
    return false;
  }
}

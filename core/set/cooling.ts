import { clamp, table } from '../coefficients';
import { dishAreaM2, type Dish } from '../pantry/kitchen';
import { AIR, evaporationKgPerM2S, latentJPerKg } from '../pot/air';
import type { RestPlace } from './places';

/** Pudding as a solid that conducts, and the air around its dish. */
export const COOLING = table('Cooling', {
  diffusivity: [1.35e-7, 'm2/s', 'A', 'of a milk pudding'],
  conductivity: [0.53, 'W/mK', 'A', 'of it'],
  roomW: [
    15,
    'W/m2K',
    'C',
    'room 10 K colder, on a table: convection, radiation, and what the table takes; fitted to cups',
  ],
  fridgeW: [8, 'W/m2K', 'B', 'still fridge, 6 to 8'],
  fanFridgeW: [15, 'W/m2K', 'B', 'fan fridge, 12 to 18'],
  freezerW: [7.6, 'W/m2K', 'B', 'freezer 10 K colder, 7 to 10'],
  risesAtK: [10, 'K', 'B', 'still air moves by itself: these hold at this difference'],
  risesPower: [0.25, '1', 'A', 'free convection along a wall'],
  risesLeast: [0.75, '1', 'C', 'no less than this share of them: radiation stays'],
  risesMost: [1.6, '1', 'C', 'and no more'],
  coldWaterW: [250, 'W/m2K', 'B', 'still cold water, 150 to 300'],
  iceBathW: [300, 'W/m2K', 'B', 'ice bath, 200 to 400'],
  coveredShare: [0.85, '1', 'C', 'of the top, under a cover that touches'],
  footShare: [0.8, '1', 'C', 'of the sides, through the foot of the dish'],
  pourLossK: [4, 'K', 'C', 'lost on the way from pot to dish'],
  openEvaporation: [0.8, '1', 'C', 'evaporation of a surface that skins over, against a stirred one'],
  wetClayW: [14, 'W/m2K', 'C', 'more, from a wet clay wall: it sweats'],
  iceJPerG: [334, 'J/g', 'A', 'heat of freezing of water'],
  freezesK: [1.86, 'K per mol/kg', 'A', 'freezing point lowered by what is dissolved'],
});

/** W/m2K through a dish wall, in series with the air outside: in the cold and in the oven. Wet clay carries more than dry. */
export const WALL = table('Wall of a dish', {
  glass: [250, 'W/m2K', 'B', 'glass of 4 mm'],
  ceramic: [300, 'W/m2K', 'B', 'glazed ceramic of 5 mm'],
  metal: [5000, 'W/m2K', 'A', 'sheet'],
  plastic: [100, 'W/m2K', 'B', 'of 2 mm'],
  clay: [120, 'W/m2K', 'B', 'dry clay of 6 mm'],
  'wet clay': [200, 'W/m2K', 'B', 'the same, soaked'],
});

type Surroundings = { airC: number; hW: number };

/** A cylinder of pudding: radius and depth in m, cells out and up. */
export class CoolingBody {
  readonly tempC: Float64Array;
  /** share of the water in each cell that is ice */
  readonly ice: Float64Array;
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
    this.ice = new Float64Array(nr * nz);
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

  /**
   * Turns what a step cooled below freezing into ice, and ice back, cell by cell (temperature recovery).
   * @param perIceK K that freezing a cell's water is worth
   */
  freeze(freezesC: number, perIceK: number): void {
    const { tempC, ice } = this;
    for (let i = 0; i < tempC.length; i++) {
      const t = tempC[i]!;
      if (t < freezesC && ice[i]! < 1) {
        const gain = Math.min(1 - ice[i]!, (freezesC - t) / perIceK);
        ice[i]! += gain;
        tempC[i] = t + gain * perIceK;
      } else if (t > freezesC && ice[i]! > 0) {
        const loss = Math.min(ice[i]!, (t - freezesC) / perIceK);
        ice[i]! -= loss;
        tempC[i] = t - loss * perIceK;
      }
    }
  }

  /** By volume: a cell counts for its ring. */
  private meanOf(values: Float64Array): number {
    let sum = 0;
    let weight = 0;
    for (let z = 0; z < this.nz; z++)
      for (let r = 0; r < this.nr; r++) {
        sum += (r + 0.5) * values[z * this.nr + r]!;
        weight += r + 0.5;
      }
    return sum / weight;
  }

  meanIce(): number {
    return this.meanOf(this.ice);
  }

  /** The warmest place. */
  coreC(): number {
    let max = -Infinity;
    for (const t of this.tempC) if (t > max) max = t;
    return max;
  }

  surfaceC(): number {
    return this.tempC[(this.nz - 1) * this.nr]!;
  }

  meanC(): number {
    return this.meanOf(this.tempC);
  }
}

export type CoolingPoint = { hours: number; coreC: number; meanC: number; ice: number };

/** A place where the dish stands for a while. */
export type Stay = {
  where: RestPlace;
  minutes: number;
  airC: number;
  covered: boolean;
  /** how fast this place draws the heat out, over what is usual */
  pace?: number;
};

export type CoolingPlan = {
  dish: Dish;
  depthM: number;
  startC: number;
  stays: readonly Stay[];
  /** the last stay goes on to this, h after pouring */
  hours: number;
  /** sugars over water, for the freezing point */
  sugarFraction?: number;
  waterShare?: number;
  nr?: number;
  nz?: number;
};

const PLACE_W: Record<RestPlace, number> = {
  room: COOLING.roomW,
  fridge: COOLING.fridgeW,
  'fan fridge': COOLING.fanFridgeW,
  freezer: COOLING.freezerW,
  'cold water': COOLING.coldWaterW,
  'ice bath': COOLING.iceBathW,
};
/** Where the air moves only because it is warmed. */
const STILL: readonly RestPlace[] = ['room', 'fridge', 'freezer'];
const BATHS: readonly RestPlace[] = ['cold water', 'ice bath'];
/** Cells across and up for the steep film that a bath draws: within 1 % of ever finer ones. */
const FINE = { nr: 8, nz: 13 };
const placeW = (where: RestPlace, differenceK: number): number =>
  STILL.includes(where)
    ? PLACE_W[where] *
      clamp((differenceK / COOLING.risesAtK) ** COOLING.risesPower, COOLING.risesLeast, COOLING.risesMost)
    : PLACE_W[where];

/** degC of a place that says nothing else (B) */
export const PLACE_C: Record<RestPlace, number> = {
  room: 21,
  fridge: 4,
  'fan fridge': 4,
  freezer: -18,
  'cold water': 15,
  'ice bath': 1,
};

/** degC at which the water of a pudding freezes. */
export const freezesBelowC = (sugarFraction: number): number =>
  -(COOLING.freezesK * 1000 * sugarFraction) / (342.3 * Math.max(0.2, 1 - sugarFraction)) - 0.1;

/**
 * The pudding in its dish through room, fridge, freezer or baths; evaporation cools an uncovered top.
 * @returns points every few minutes at first and sparser later, to `hours` after pouring
 */
export function coolInDish(p: CoolingPlan): CoolingPoint[] {
  const radius = Math.sqrt(dishAreaM2(p.dish) / Math.PI);
  const bathed = p.stays.some((s) => BATHS.includes(s.where));
  const body = new CoolingBody(
    radius,
    p.depthM,
    p.startC,
    p.nr ?? (bathed ? FINE.nr : undefined),
    p.nz ?? (bathed ? FINE.nz : undefined),
  );
  const points: CoolingPoint[] = [{ hours: 0, coreC: p.startC, meanC: p.startC, ice: 0 }];
  const wall = WALL[p.dish.wall];
  const end = p.hours * 3600;
  const freezesC = freezesBelowC(p.sugarFraction ?? 0.12);
  const perIceK = (COOLING.iceJPerG * (p.waterShare ?? 0.75)) / 3.6;
  let frozen = false;
  let stay = 0;
  let until = (p.stays[0]?.minutes ?? Infinity) * 60;
  let t = 0;
  let nextKeep = 180;
  while (t < end - 1e-6) {
    while (t >= until - 1e-6 && stay < p.stays.length - 1) until += p.stays[++stay]!.minutes * 60;
    const at: Stay = p.stays[stay] ?? { where: 'room', minutes: 0, airC: 21, covered: true };
    const last = stay >= p.stays.length - 1;
    // a bath draws a steep film: it wants shorter steps than air does
    const bath = BATHS.includes(at.where);
    const usualS = t >= 3 * 3600 ? 240 : bath ? 10 : 60;
    const dt = Math.min(usualS, end - t, last ? Infinity : Math.max(1, until - t));
    const { airC } = at;
    const air = placeW(at.where, Math.abs(body.meanC() - airC)) * (at.pace ?? 1);
    const sweat = p.dish.wall === 'wet clay' && !bath ? COOLING.wetClayW : 0;
    const outside = 1 / (1 / (air + sweat) + 1 / wall);
    const above = bath ? COOLING.roomW : air;
    const aboveC = bath ? PLACE_C.room : airC;
    const top = at.covered ? above * COOLING.coveredShare : above;
    const ts = body.surfaceC();
    const evaporating =
      at.covered || ts < 1
        ? 0
        : evaporationKgPerM2S(ts, aboveC, 0.98, 101325, AIR.surfaceWPerM2K * COOLING.openEvaporation) *
          latentJPerKg(ts);
    body.step(
      dt,
      { airC, hW: outside },
      { airC: aboveC, hW: top },
      { airC, hW: outside * (bath ? 1 : COOLING.footShare) },
      evaporating,
    );
    // what has frozen thaws with the same heat
    frozen ||= airC < freezesC;
    if (frozen) body.freeze(freezesC, perIceK);
    t += dt;
    if (t >= nextKeep || t >= end - 1e-6) {
      points.push({ hours: t / 3600, coreC: body.coreC(), meanC: body.meanC(), ice: body.meanIce() });
      nextKeep = t + (t < 3600 ? 180 : t < 6 * 3600 ? 600 : 1800);
    }
  }
  return points;
}

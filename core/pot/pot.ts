import { clamp } from '../coefficients';
import { CAPACITY, heatOf } from '../matter/capacity';
import { add, massG, phOf, solidsG, type Mixture } from '../matter/mixture';
import type { Base } from '../pantry/ingredient';
import type { DoubleBoiler, Hob, Pan } from '../pantry/kitchen';
import { AIR, boilsC, latentJPerKg, pressurePa, waterActivity, waterBoilsC } from './air';
import { amylaseRate, curdEquilibrium, curdRate, curdSeverity, EGG, eggPoint, eggSetRate, salmonellaRate } from './egg';
import { aromaRate } from './flavour';
import { foamIndex, FOAM } from './foam';
import { BITE, GRAIN_KINETICS, grainDryG, grainRates, GRAINS, hydration, soaked } from './grain';
import {
  filmShareOf,
  HEAT,
  hotSpot,
  matterOf,
  onRing,
  outsideW,
  overWater,
  PAN_HEAT,
  SCRAPES,
  toFood,
  type Hands,
  type Matter,
} from './heat';
import type { Tool, Lid } from './hands';
import { HOBS, netW } from './hob';
import { Rosenbrock } from './integrator';
import { LUMPS } from './lumps';
import {
  bodyOf,
  consistency,
  isMilky,
  rawFraction,
  serumPaS,
  sugarFraction,
  viscosityPaS,
  type Fraction,
} from './paste';
import { SCORCH, scorchRate } from './scorch';
import { leaves, SURFACE } from './surface';
import {
  acidRate,
  breakdownRate,
  gelEquilibrium,
  gelPeakC,
  gelRate,
  STARCH_KINETICS,
  swellEquilibrium,
  swellRate,
} from './starch';

/** What sticks and foams is what is in the pot now: milk that comes later does not yet. */
function baseOf(m: Mixture, planned: Base): Base {
  const mass = massG(m);
  if (m.dairyProteinG > 0.003 * mass) return 'dairy';
  if (m.coconutFatG > 0.01 * mass) return 'coconut';
  return planned === 'dairy' || planned === 'coconut' ? 'water' : planned;
}

/** What an uncertainty study or the cook's own pot may change. Factors are 1, shifts 0, scale factors ln 0 by default. */
export type Tuning = {
  evaporation: number;
  consistency: number;
  /** in standard deviations of each starch's own spread */
  gelShiftSd: number;
  curdShiftK: number;
  scorch: number;
  stir: number;
  grain: number;
  startK: number;
};
export const NO_TUNING: Tuning = {
  evaporation: 1,
  consistency: 1,
  gelShiftSd: 0,
  curdShiftK: 0,
  scorch: 1,
  stir: 1,
  grain: 1,
  startK: 0,
};

export type PotSetup = {
  pan: Pan;
  hob: Hob;
  base: Base;
  roomC: number;
  altitudeM: number;
  tuning?: Tuning;
};

/** What the cook does to the pot. `stirEveryS` Infinity is a still spoon; `watts` are net, in place of the setting. */
export type Controls = {
  setting: number;
  watts?: number;
  stirEveryS: number;
  lid: Lid;
  tool?: Tool;
  over?: DoubleBoiler;
  wrapped?: boolean;
  /** taken off the ring: what the ring still holds stays there */
  lifted?: boolean;
};

/** The pot at a moment. A plain value: clone with a spread to branch a forecast off it. */
export type Pot = {
  tS: number;
  content: Mixture;
  fractions: readonly Fraction[];
  panC: number;
  bulkC: number;
  bathC: number;
  powerW: number;
  scorch: number;
  /** 0 to 1: network and curd of the egg */
  eggSet: number;
  eggCurd: number;
  /** decimal reductions of yolk amylase and of salmonella since the egg went in */
  amylaseLog: number;
  salmonellaLog: number;
  /** equivalent seconds at 95 degC in an open pot */
  aromaS: number;
  panMaxC: number;
  bulkMaxC: number;
  filmMaxC: number;
  /** hottest since the last egg went in, or NaN */
  eggMaxC: number;
  foamMax: number;
  stillS: number;
  /** still, open seconds above 50 degC: skin */
  skinS: number;
  evaporatedG: number;
  /** chance that it lumped, and the share of the starch the lumps keep */
  lumps: number;
  /** seconds at which it first thickened and first bubbled, or NaN */
  thickenAtS: number;
  bubbleAtS: number;
  boilsC: number;
  wallVapourW: number;
  viscosityPaS: number;
  energyJ: { hob: number; air: number; steam: number };
  /** boiled dry: the model stops here */
  dry: boolean;
};

export type PotReading = {
  tS: number;
  bulkC: number;
  filmC: number;
  panC: number;
  viscosityPaS: number;
  gelatinised: number;
  swelling: number;
  scorch: number;
  massG: number;
  /** g of raw starch in 100 g; above 0.35 tastes powdery (C) */
  rawPer100G: number;
  /** share of its water that the least done grain has taken */
  bite: number;
  eggSet: number;
  curd: number;
};

/** Raw starch that can be tasted, g per 100 g (C). */
export const RAW_TASTE = 0.35;
/** Pa s at which a cook first feels it thicken, over what it was (C). */
const THICKENS_BY = 3;

/**
 * What the integrator carries of a pot, in this order: the error that a step may make (K, W, g, J, then shares), where it
 * stands in a pot, and what of it can be. A new state is one row and its slope.
 */
type Slot = { error: number; of(pot: Pot): number; least?: number; most?: number };
const SLOTS = {
  panC: { error: 0.8, of: (p) => p.panC, most: HEAT.panCapC },
  bulkC: { error: 0.2, of: (p) => p.bulkC },
  powerW: { error: 15, of: (p) => p.powerW },
  waterG: { error: 0.15, of: (p) => p.content.waterG },
  scorch: { error: 0.003, of: (p) => p.scorch },
  bathC: { error: 0.3, of: (p) => p.bathC },
  eggSet: { error: 0.008, of: (p) => p.eggSet, least: 0, most: 1 },
  eggCurd: { error: 0.006, of: (p) => p.eggCurd, least: 0, most: 1 },
  amylaseLog: { error: 1, of: (p) => p.amylaseLog },
  salmonellaLog: { error: 1, of: (p) => p.salmonellaLog },
  aromaS: { error: 4, of: (p) => p.aromaS },
  hobJ: { error: 6000, of: (p) => p.energyJ.hob },
  airJ: { error: 1500, of: (p) => p.energyJ.air },
  steamJ: { error: 1500, of: (p) => p.energyJ.steam },
} satisfies Record<string, Slot>;
type SlotName = keyof typeof SLOTS;

/** The same for each kind of starch, after those. */
type GrainSlot = { error: number; least: number; most: number; put(f: Fraction, x: number): void };
const GRAIN_SLOTS = {
  gelatinised: { error: 0.008, least: 0, most: 1, put: (f, x) => void (f.gelatinised = x) },
  swelling: { error: 0.01, least: 0, most: Infinity, put: (f, x) => void (f.swelling = x) },
  integrity: { error: 0.004, least: 0.01, most: 1, put: (f, x) => void (f.integrity = x) },
  fourier: { error: 0.004, least: 0, most: Infinity, put: (f, x) => void (f.fourier = x) },
  leached: { error: 0.004, least: 0, most: 1, put: (f, x) => void (f.leached = x) },
} satisfies Record<string, GrainSlot>;
type GrainSlotName = keyof typeof GRAIN_SLOTS;

const places = <N extends string>(rows: Record<N, unknown>) =>
  Object.fromEntries(Object.keys(rows).map((name, i) => [name, i])) as Record<N, number>;
const slots = Object.entries(SLOTS) as [SlotName, Slot][];
const grainSlots = Object.entries(GRAIN_SLOTS) as [GrainSlotName, GrainSlot][];
const AT = places(SLOTS);
const GRAIN_AT = places(GRAIN_SLOTS);
const GRAIN_ROWS = grainSlots.map(([, slot]) => slot);
const FIRST = slots.length;
const STRIDE = grainSlots.length;

const LEAST = slots.map(([, slot]) => slot.least ?? -Infinity);
const MOST = slots.map(([, slot]) => slot.most ?? Infinity);
const ERRORS = slots.map(([, slot]) => slot.error);
const GRAIN_ERRORS = GRAIN_ROWS.map((slot) => slot.error);
/** What a slot of the state vector says, within what it can be. */
const within = (y: Float64Array, at: number): number => clamp(y[at]!, LEAST[at]!, MOST[at]!);

/** The layer on the floor: its share of the pot, and how often it is renewed, 1/s. */
type Film = { bulkC: number; filmC: number; share: number; renewed: number };
/** K by which a surface is colder than the pot, for the currents that it makes (C). */
const SURFACE_DROP_K = 8;
/** A boiled-out pot keeps this much, so that shares of it can be told, g. */
const LEAST_WATER_G = 0.5;
/** Share gelatinised from which a grain swells. */
const STRUCK = 0.01;

const sound = (m: Mixture) => m.waterG > 1;
/** What a spoon rubs off grain that it passes every so many s, 1 or more. */
const rubOf = (everyS: number): number => 1 + GRAIN_KINETICS.leachStir / (1 + everyS / STARCH_KINETICS.stirHalfS);
const boilsAt = (m: Mixture, altitudeM: number) => boilsC(altitudeM, m.bindsG, m.waterG);

/** The pot holds nothing that is wet: no forecast, and nothing to cook. Its message is the code of its sentence. */
export class NoLiquidError extends RangeError {
  override message = 'model.noLiquid';
}

/**
 * A filled pan, cold on the hob.
 * @param soakMin minutes the grains soaked before
 * @throws RangeError when it holds no water or a temperature is not a number
 */
export function fillPot(setup: PotSetup, content: Mixture, tempC: number, soakMin = 0): Pot {
  if (!sound(content)) throw new NoLiquidError();
  if (!Number.isFinite(tempC)) throw new RangeError(`${tempC} is not a temperature`);
  const startC = tempC + (setup.tuning?.startK ?? 0);
  return {
    tS: 0,
    content,
    fractions: content.thickenings.map((t) =>
      rawFraction(t, soaked(soakMin, GRAINS[t.kind], t.grainMm ?? GRAINS[t.kind].sizeMm)),
    ),
    panC: startC,
    bulkC: startC,
    bathC: Math.max(startC, setup.roomC),
    powerW: 0,
    scorch: 0,
    eggSet: 0,
    eggCurd: 0,
    amylaseLog: 0,
    salmonellaLog: 0,
    aromaS: 0,
    panMaxC: startC,
    bulkMaxC: startC,
    filmMaxC: startC,
    eggMaxC: content.eggProteinG > 0 ? startC : NaN,
    foamMax: 0,
    stillS: 0,
    skinS: 0,
    evaporatedG: 0,
    lumps: 0,
    thickenAtS: NaN,
    bubbleAtS: NaN,
    boilsC: boilsAt(content, setup.altitudeM),
    wallVapourW: 0,
    viscosityPaS: serumPaS(content, startC),
    energyJ: { hob: 0, air: 0, steam: 0 },
    dry: false,
  };
}

/** J/K of what is in the pot. */
export const heatJPerK = (m: Mixture): number => heatOf(massG(m), m.waterG);

export type Addition = {
  mixture: Mixture;
  tempC: number;
  /** chance that this addition lumps; the lumps keep their share of its starch */
  lumpRisk?: number;
  soakMin?: number;
  /** egg that was brought up ladle by ladle meets no shock */
  tempered?: boolean;
  whisked?: boolean;
  /** what was cooked in a pot of its own before: its starch and egg are as far as they had come there */
  cooked?: Cooked;
};

/** How far starch and egg have come in a pot that is poured into another. */
export type Cooked = Pick<Pot, 'fractions' | 'eggSet' | 'eggCurd' | 'amylaseLog' | 'salmonellaLog' | 'eggMaxC'>;

/** Two lots of one starch stirred together: what has swollen is weighed by what has gelatinised. */
function stirred(old: Fraction, fresh: Fraction): Fraction {
  const w = old.starchG / (old.starchG + fresh.starchG || 1);
  const mix = (a: number, b: number) => w * a + (1 - w) * b;
  const [a, b] = [w * old.gelatinised, (1 - w) * fresh.gelatinised];
  return {
    ...old,
    starchG: old.starchG + fresh.starchG,
    dryG: old.dryG + fresh.dryG,
    gelatinised: mix(old.gelatinised, fresh.gelatinised),
    swelling: b > 0 ? (a * old.swelling + b * fresh.swelling) / (a + b) : old.swelling,
    integrity: mix(old.integrity, fresh.integrity),
    fourier: mix(old.fourier, fresh.fourier),
    leached: mix(old.leached, fresh.leached),
  };
}

/** What an addition brings in: starch as it is raw, or as far as it was cooked. */
export function broughtIn({ mixture, cooked, lumpRisk = 0, soakMin = 0 }: Addition): Fraction[] {
  if (cooked) {
    const wholeG = cooked.fractions.reduce((sum, f) => sum + f.starchG, 0);
    const share = wholeG > 0 ? mixture.thickenings.reduce((sum, t) => sum + t.starchG, 0) / wholeG : 0;
    return cooked.fractions.map((f) => ({ ...f, starchG: f.starchG * share, dryG: f.dryG * share }));
  }
  return mixture.thickenings.map((t) => {
    const g = GRAINS[t.kind];
    const trapped = { ...t, starchG: t.starchG * (1 - lumpRisk * LUMPS.trapped) };
    return rawFraction(trapped, soaked(soakMin, g, t.grainMm ?? g.sizeMm));
  });
}

/** Stirs an addition in: temperatures mix by heat capacity; raw starch and egg join what has cooked. */
export function addToPot(pot: Pot, addition: Addition, setup: PotSetup): Pot {
  const { mixture, tempC } = addition;
  const c1 = heatJPerK(pot.content);
  const c2 = heatJPerK(mixture);
  const content = add(pot.content, mixture);
  // who tempers egg has the pan off the fire for that minute: it gives its heat to what is in it
  const pan = addition.tempered ? (setup.pan.massG / 1000) * PAN_HEAT[setup.pan.material] : 0;
  const all = c1 + c2 + pan;
  const mixC = all > 0 ? (c1 * pot.bulkC + c2 * tempC + pan * pot.panC) / all : pot.bulkC;
  const risk = addition.lumpRisk ?? 0;
  const fractions = pot.fractions.map((f) => ({ ...f }));
  for (const fresh of broughtIn(addition)) {
    const i = fractions.findIndex((f) => f.kind === fresh.kind && f.grainMm === fresh.grainMm);
    if (i < 0) fractions.push(fresh);
    else fractions[i] = stirred(fractions[i]!, fresh);
  }
  let { eggSet, eggCurd, amylaseLog, salmonellaLog, eggMaxC } = pot;
  const { cooked } = addition;
  if (mixture.eggProteinG > 0 && cooked) {
    const share = mixture.eggProteinG / content.eggProteinG;
    eggSet = eggSet * (1 - share) + cooked.eggSet * share;
    eggCurd = eggCurd * (1 - share) + cooked.eggCurd * share;
    const alone = pot.content.eggProteinG <= 0;
    amylaseLog = alone ? cooked.amylaseLog : Math.min(amylaseLog, cooked.amylaseLog);
    salmonellaLog = alone ? cooked.salmonellaLog : Math.min(salmonellaLog, cooked.salmonellaLog);
    eggMaxC = alone ? cooked.eggMaxC : Math.min(eggMaxC, cooked.eggMaxC);
  } else if (mixture.eggProteinG > 0) {
    const share = mixture.eggProteinG / content.eggProteinG;
    // egg straight into the hot pot meets it undiluted before the spoon has spread it; sugar beaten in protects it
    const point = eggPoint(mixture, sugarFraction(mixture));
    const shock = addition.tempered ? 0 : HEAT.unmixed * (addition.whisked ? 1 / 3 : 1);
    const local = point ? curdEquilibrium(HEAT.meets * pot.bulkC + (1 - HEAT.meets) * mixC, point) : 0;
    eggSet *= 1 - share;
    eggCurd = eggCurd * (1 - share) + share * shock * local;
    // the least heated egg decides
    amylaseLog = 0;
    salmonellaLog = 0;
    eggMaxC = mixC;
  }
  return {
    ...pot,
    content,
    fractions,
    bulkC: mixC,
    ...(addition.tempered ? { panC: mixC } : {}),
    eggSet,
    eggCurd,
    amylaseLog,
    salmonellaLog,
    eggMaxC,
    // liquid in a pot that had boiled dry makes it a pot again
    dry: false,
    lumps: 1 - (1 - pot.lumps) * (1 - risk),
    boilsC: boilsAt(content, setup.altitudeM),
  };
}

/**
 * The pot as differential equations, for one stretch of the same hands and the same fire. The same right-hand side
 * serves our integrator and, in the bench, a general one.
 */
export class PotSystem {
  readonly size: number;
  readonly tolerance: Float64Array;
  private readonly tuning: Tuning;
  private readonly m: Mixture;
  private readonly fractions: Fraction[];
  private readonly area: number;
  private readonly base: Base;
  private readonly panJ: number;
  private readonly solids: number;
  private readonly netW: number;
  private readonly memoryS: number;
  private readonly pressure: number;
  private readonly stirred: boolean;
  private readonly ph: number;
  private readonly saltPct: number;
  private readonly milky: boolean;
  private readonly still0: number;
  private readonly t0: number;
  private readonly waterBoils: number;
  /** what the last call of slopes() saw, for events and readings */
  now = {
    viscosityPaS: 0,
    wallVapourW: 0,
    boilsC: 100,
    steamKgPerS: 0,
    filmC: 0,
    headroomM: 0.05,
    skin: false,
    stillS: 0,
  };
  /** approximate Jacobian: pan and bulk as a block, the rest its diagonal */
  readonly jac: Float64Array;

  constructor(
    pot: Pot,
    private readonly setup: PotSetup,
    private readonly controls: Controls,
  ) {
    this.tuning = setup.tuning ?? NO_TUNING;
    this.m = { ...pot.content };
    this.fractions = pot.fractions.map((f) => ({ ...f }));
    this.size = FIRST + STRIDE * this.fractions.length;
    this.tolerance = new Float64Array(this.size);
    this.tolerance.set(ERRORS);
    for (let i = 0; i < this.fractions.length; i++) this.tolerance.set(GRAIN_ERRORS, FIRST + STRIDE * i);
    this.jac = new Float64Array(this.size + 2);
    // a bowl over steam is wider than what the steam touches
    this.area = controls.over
      ? (HEAT.bowlSurface * controls.over.contactCm2) / 1e4
      : Math.PI * (setup.pan.diameterMm / 2000) ** 2;
    this.base = baseOf(pot.content, setup.base);
    this.panJ = (setup.pan.massG / 1000) * PAN_HEAT[setup.pan.material];
    this.solids = solidsG(pot.content);
    this.netW = controls.watts ?? netW(setup.hob, controls.setting);
    this.memoryS = controls.lifted && this.netW <= 0 ? HEAT.liftS : HOBS[setup.hob.kind].memoryS;
    this.pressure = pressurePa(setup.altitudeM);
    this.waterBoils = waterBoilsC(setup.altitudeM);
    this.stirred = Number.isFinite(controls.stirEveryS);
    this.ph = phOf(pot.content);
    this.saltPct = (100 * pot.content.saltG) / pot.content.waterG;
    this.milky = isMilky(pot.content);
    this.still0 = pot.stillS;
    this.t0 = pot.tS;
  }

  pack(pot: Pot): Float64Array {
    const y = new Float64Array(this.size);
    slots.forEach(([, slot], i) => (y[i] = slot.of(pot)));
    this.fractions.forEach((f, i) => grainSlots.forEach(([name], k) => (y[FIRST + STRIDE * i + k] = f[name])));
    return y;
  }

  private read(y: Float64Array): void {
    this.m.waterG = Math.max(LEAST_WATER_G, y[AT.waterG]!);
    for (let i = 0; i < this.fractions.length; i++) {
      const f = this.fractions[i]!;
      for (let k = 0; k < STRIDE; k++) {
        const slot = GRAIN_ROWS[k]!;
        slot.put(f, clamp(y[FIRST + STRIDE * i + k]!, slot.least, slot.most));
      }
    }
  }

  /** dy/dt at time t (s since the start of the cook); fills `jac` and `now` on the way. */
  slopes(t: number, y: Float64Array, f: Float64Array): void {
    this.read(y);
    const { m, controls, tuning } = this;
    const bulkC = y[AT.bulkC]!;
    const panC = y[AT.panC]!;
    const everyS = Math.max(HEAT.leastStirS, controls.stirEveryS * tuning.stir);
    const stillS = this.stirred ? everyS : this.still0 + (t - this.t0);
    const sugar = sugarFraction(m);
    const boils = this.waterBoils + boilRise(this.waterBoils, m);
    const body = bodyOf(m, this.fractions);
    const thick = consistency(body, bulkC, m) * tuning.consistency;
    const viscosity = viscosityPaS(thick, m, bulkC, body, within(y, AT.eggSet));
    const matter = matterOf(this.solids + m.waterG, m.waterG, this.area);
    const hands: Hands = { scrapes: SCRAPES[controls.tool ?? 'spoon'], everyS, stirred: this.stirred, stillS };
    const filmC = (panC + bulkC) / 2;
    const now = this.now;
    now.viscosityPaS = viscosity;
    now.boilsC = boils;
    now.filmC = filmC;
    now.headroomM = this.setup.pan.heightMm / 1000 - matter.heightM;
    now.stillS = stillS;
    this.heatSlopes(y, f, matter, hands, body.grainVolume);

    const film: Film = {
      bulkC,
      filmC,
      share: filmShareOf(matter, stillS),
      renewed: 1 / Math.max(stillS, 1),
    };
    f[AT.scorch] =
      tuning.scorch *
      scorchRate(
        bulkC + hotSpot(this.setup.pan, controls.over) * (panC - bulkC),
        stillS,
        controls.over ? 'water' : this.base,
        sugar,
      );
    this.starchSlopes(f, film, sugar, hands, body.freeWaterG);
    this.eggSlopes(y, f, film, sugar);
    f[AT.aromaS] = aromaRate(Math.LN2, bulkC, controls.lid === 'on');
  }

  /** Fire to pan, pan to food, food to the room: temperatures, water, and the energy books. */
  private heatSlopes(y: Float64Array, f: Float64Array, matter: Matter, hands: Hands, grainVolume: number): void {
    const { m, controls, setup, area, jac, now } = this;
    const bulkC = y[AT.bulkC]!;
    const panC = y[AT.panC]!;
    const powerW = y[AT.powerW]!;
    f[AT.powerW] = (this.netW - powerW) / this.memoryS;
    jac[AT.powerW] = -1 / this.memoryS;
    const at = {
      panC,
      bulkC,
      bathC: y[AT.bathC]!,
      roomC: setup.roomC,
      boilsC: now.boilsC,
      waterBoilsC: this.waterBoils,
      powerW,
      panJPerK: this.panJ,
      areaM2: area,
      toFoodW: toFood(matter, panC - bulkC, now.viscosityPaS, hands),
      wrapped: controls.wrapped,
    };
    const fire = controls.over
      ? overWater(at, controls.over, hands.stirred)
      : onRing(at, matter, now.viscosityPaS, hands);
    f[AT.panC] = fire.panKPerS;
    f[AT.bathC] = fire.bathKPerS;
    jac[AT.panC] = fire.panByPan;
    jac[AT.bathC] = fire.bathByBath;
    jac[this.size] = fire.panByBulk;
    jac[this.size + 1] = fire.bulkByPan;

    const skin = !this.stirred && hands.stillS > SURFACE.skinAfterS && m.dairyProteinG > 0 && bulkC > FOAM.skinFromC;
    const gone = leaves({
      content: m,
      solidsG: this.solids,
      massG: matter.massG,
      heatJPerK: matter.heatJPerK,
      bulkC,
      boilsC: now.boilsC,
      roomC: setup.roomC,
      pressurePa: this.pressure,
      areaM2: area,
      sideM2: controls.over ? 0 : Math.PI * (setup.pan.diameterMm / 1000) * matter.heightM,
      outsideWPerM2K: outsideW(controls.wrapped),
      lid: controls.lid,
      skin,
      grainVolume,
      toSurfaceW: toFood(matter, SURFACE_DROP_K, now.viscosityPaS, { ...hands, scrapes: 1 }),
      overSteam: controls.over !== undefined && !controls.over.touching,
      evaporation: this.tuning.evaporation * (this.setup.pan.steam ?? 1),
    });
    f[AT.bulkC] = (fire.intoFoodW - gone.sideW - gone.evaporatesW - gone.boilW) / matter.heatJPerK;
    jac[AT.bulkC] = -(fire.contactWPerK + gone.perK) / matter.heatJPerK;
    f[AT.waterG] = -gone.goneGPerS;
    f[AT.hobJ] = powerW;
    f[AT.airJ] = fire.toAirW + gone.sideW + gone.boilW - gone.boilKgPerS * gone.latentJ;
    f[AT.steamJ] = gone.evaporatesW + gone.boilKgPerS * gone.latentJ + gone.goneGPerS * CAPACITY.waterJPerGK * bulkC;
    now.wallVapourW = fire.wallVapourW;
    now.skin = skin;
    now.steamKgPerS =
      gone.boilKgPerS +
      (area * fire.wallVapourW * clamp(1 - (now.boilsC - bulkC) / HEAT.bubbleBelowK, 0, 1)) / gone.latentJ;
  }

  /** Each kind of starch, in the bulk and in the film. */
  private starchSlopes(f: Float64Array, film: Film, sugar: number, hands: Hands, freeWaterG: number): void {
    const { tuning, jac, controls } = this;
    const { bulkC, filmC } = film;
    const dryG = grainDryG(this.fractions);
    const rub = this.stirred ? rubOf(hands.everyS) : 1;
    for (let i = 0; i < this.fractions.length; i++) {
      const at = FIRST + STRIDE * i;
      const fr = this.fractions[i]!;
      const g = GRAINS[fr.kind];
      const peak = gelPeakC(g.starch, sugar, this.saltPct) + tuning.gelShiftSd * g.starch.gelSdK;
      const target = gelEquilibrium(bulkC, peak, g.starch);
      const rate = gelRate(bulkC, peak);
      const filmRate = Math.min(gelRate(filmC, peak), film.renewed);
      const filmTarget = gelEquilibrium(filmC, peak, g.starch);
      const a = fr.gelatinised;
      f[at + GRAIN_AT.gelatinised] =
        (1 - film.share) * rate * Math.max(0, target - a) + film.share * filmRate * Math.max(0, filmTarget - a);
      jac[at + GRAIN_AT.gelatinised] = -(target > a ? rate : 0);
      const swellTo = a > STRUCK ? swellEquilibrium(bulkC, peak) : 0;
      const swells = swellRate(bulkC);
      f[at + GRAIN_AT.swelling] = swells * Math.max(0, swellTo - fr.swelling);
      jac[at + GRAIN_AT.swelling] = swellTo > fr.swelling ? -swells : 0;
      const worn = breakdownRate(bulkC, a * fr.swelling, hands.stillS, controls.tool === 'whisk');
      const acid = acidRate(bulkC, this.ph) * a;
      f[at + GRAIN_AT.integrity] = -worn * Math.max(0, fr.integrity - g.starch.integrityFloor) - acid * fr.integrity;
      jac[at + GRAIN_AT.integrity] = 0;
      const rates = grainRates(g, (fr.grainMm ?? g.sizeMm) * tuning.grain, fr, {
        tempC: bulkC,
        gelatinisable: target,
        sugarFraction: sugar,
        milky: this.milky,
        freeWaterG,
        dryG,
        rub,
      });
      f[at + GRAIN_AT.fourier] = rates.fourier;
      f[at + GRAIN_AT.leached] = rates.leached;
    }
  }

  /** Network and curd of the egg, and what heat does to its amylase and to salmonella. */
  private eggSlopes(y: Float64Array, f: Float64Array, film: Film, sugar: number): void {
    const { jac } = this;
    const point = this.m.eggProteinG > 0 ? eggPoint(this.m, sugar) : undefined;
    if (!point) {
      f.fill(0, AT.eggSet, AT.salmonellaLog + 1);
      jac[AT.eggSet] = 0;
      jac[AT.eggCurd] = 0;
      return;
    }
    const { bulkC, share, renewed } = film;
    const filmC = bulkC + EGG.film * (y[AT.panC]! - bulkC);
    point.curdC += this.tuning.curdShiftK;
    const setRate = eggSetRate(bulkC, point);
    f[AT.eggSet] =
      Math.max(0, 1 - y[AT.eggSet]!) * ((1 - share) * setRate + share * Math.min(eggSetRate(filmC, point), renewed));
    jac[AT.eggSet] = -setRate;
    const curd = y[AT.eggCurd]!;
    const rate = curdRate(bulkC, point);
    f[AT.eggCurd] =
      (1 - share) * rate * Math.max(0, curdEquilibrium(bulkC, point) - curd) +
      share * Math.min(curdRate(filmC, point), renewed) * Math.max(0, curdEquilibrium(filmC, point) - curd);
    jac[AT.eggCurd] = -(1 - share) * rate;
    f[AT.amylaseLog] = amylaseRate(bulkC);
    f[AT.salmonellaLog] = salmonellaRate(bulkC);
  }

  /** 0 and more while bubbles show: vapour at the wall that the bulk no longer swallows, or the bulk all but boiling. */
  bubbling(y: Float64Array): number {
    const belowK = this.now.boilsC - y[AT.bulkC]!;
    return Math.max(Math.min(this.now.wallVapourW / HEAT.bubbleW - 1, 1 - belowK / HEAT.bubbleBelowK), 1 - belowK / 3);
  }

  /** The pot after the stretch: the state vector, and the largest and first of what was seen on the way. */
  unpack(y: Float64Array, t: number, before: Pot): Pot {
    this.read(y);
    const { now } = this;
    const evaporated = before.content.waterG - this.m.waterG;
    const open =
      this.controls.lid === 'off' && !this.stirred && y[AT.bulkC]! > FOAM.skinFromC && this.m.dairyProteinG > 0;
    return {
      ...before,
      tS: t,
      content: { ...this.m },
      fractions: this.fractions.map((f) => ({ ...f })),
      panC: within(y, AT.panC),
      bulkC: within(y, AT.bulkC),
      bathC: within(y, AT.bathC),
      powerW: within(y, AT.powerW),
      scorch: within(y, AT.scorch),
      eggSet: within(y, AT.eggSet),
      eggCurd: within(y, AT.eggCurd),
      amylaseLog: within(y, AT.amylaseLog),
      salmonellaLog: within(y, AT.salmonellaLog),
      aromaS: within(y, AT.aromaS),
      stillS: now.stillS,
      skinS: open ? before.skinS + (t - before.tS) : this.stirred ? 0 : before.skinS,
      evaporatedG: before.evaporatedG + evaporated,
      boilsC: now.boilsC,
      wallVapourW: now.wallVapourW,
      viscosityPaS: now.viscosityPaS,
      energyJ: { hob: y[AT.hobJ]!, air: y[AT.airJ]!, steam: y[AT.steamJ]! },
    };
  }
}

const boilRise = (waterBoils: number, m: Mixture): number => {
  const kelvin = waterBoils + 273.15;
  return (
    AIR.milkSaltsK -
    ((8.314 * kelvin * kelvin) / (latentJPerKg(waterBoils) * AIR.waterKgPerMol)) *
      Math.log(waterActivity(m.bindsG, m.waterG))
  );
};

/** What may end a stretch: a number that becomes 0 or more when it is reached. */
export type Stop = (pot: {
  bulkC: number;
  bubbling: number;
  viscosityPaS: number;
  massG: number;
  bite: number;
}) => number;

export type Stretch = { pot: Pot; reached: boolean };
/** What hears each accepted step, with its time and a reader of the pot there; how coarse the steps may be. */
type Along = {
  onStep?: ((tS: number, read: () => Pot) => void) | undefined;
  toleranceScale?: number | undefined;
};

/**
 * Cooks on with the same hands for at most `seconds`, or until `stop`; the moment of the stop is located in time.
 */
export function cook(
  pot: Pot,
  setup: PotSetup,
  controls: Controls,
  seconds: number,
  stop?: Stop,
  { onStep, toleranceScale = 1 }: Along = {},
): Stretch {
  if (!(seconds > 0)) return { pot, reached: false };
  if (pot.dry) return { pot: { ...pot, tS: pot.tS + seconds }, reached: false };
  const system = new PotSystem(pot, setup, controls);
  const y = system.pack(pot);
  const scaled = toleranceScale === 1 ? system.tolerance : system.tolerance.map((e) => e * toleranceScale);
  const solver = new Rosenbrock(system, scaled);
  const start = pot.tS;
  let seen = pot;
  let { panMaxC, bulkMaxC, filmMaxC, eggMaxC, foamMax, thickenAtS, bubbleAtS } = pot;
  const thinPaS = serumPaS(pot.content, 60);
  const dryG = (SURFACE.boundWater + SURFACE.dryMargin) * solidsG(pot.content) + SURFACE.dryMargin * massG(pot.content);
  const value = (state: Float64Array) => {
    if (state[AT.waterG]! < dryG) return 1;
    if (!stop) return -1;
    let bite = 1;
    for (let i = 0; i < pot.fractions.length; i++) {
      const g = GRAINS[pot.fractions[i]!.kind];
      if (g.form !== 'powder') bite = Math.min(bite, hydration(state[FIRST + STRIDE * i + GRAIN_AT.fourier]!, g.form));
    }
    return stop({
      bulkC: state[AT.bulkC]!,
      bubbling: system.bubbling(state),
      viscosityPaS: system.now.viscosityPaS,
      massG: solidsG(pot.content) + state[AT.waterG]!,
      bite,
    });
  };
  const finish = (t: number): Pot => ({
    ...system.unpack(y, t, pot),
    panMaxC,
    bulkMaxC,
    filmMaxC,
    eggMaxC,
    foamMax,
    thickenAtS,
    bubbleAtS,
  });
  const reached = solver.run(y, start, start + seconds, value, (t) => {
    const { now } = system;
    panMaxC = Math.max(panMaxC, y[AT.panC]!);
    bulkMaxC = Math.max(bulkMaxC, y[AT.bulkC]!);
    eggMaxC = Math.max(eggMaxC, y[AT.bulkC]!);
    filmMaxC = Math.max(filmMaxC, now.filmC);
    foamMax = Math.max(
      foamMax,
      foamIndex({
        base: baseOf(pot.content, setup.base),
        vapourKgPerS: now.steamKgPerS,
        areaM2: Math.PI * (setup.pan.diameterMm / 2000) ** 2,
        headroomM: now.headroomM,
        viscosityPaS: now.viscosityPaS,
        stirred: Number.isFinite(controls.stirEveryS),
        skin: now.skin,
        lid: controls.lid === 'on',
      }),
    );
    if (Number.isNaN(thickenAtS) && now.viscosityPaS > THICKENS_BY * thinPaS && y[AT.bulkC]! > 40) thickenAtS = t;
    if (Number.isNaN(bubbleAtS) && system.bubbling(y) >= 0) bubbleAtS = t;
    onStep?.(t, () => (seen = finish(t)));
  });
  seen = finish(solver.t);
  if (y[AT.waterG]! < dryG + 1e-6)
    return {
      pot: { ...seen, tS: start + seconds, dry: true, scorch: Math.max(seen.scorch, SCORCH.ruined) },
      reached: false,
    };
  return { pot: seen, reached };
}

export function readPot(pot: Pot): PotReading {
  const mass = massG(pot.content);
  let gelatinised = 0;
  let swelling = 0;
  let raw = 0;
  let all = 0;
  for (const f of pot.fractions) {
    const h = hydration(f.fourier, GRAINS[f.kind].form);
    gelatinised += f.starchG * f.gelatinised;
    swelling += f.starchG * f.swelling;
    raw +=
      f.starchG * (1 - f.gelatinised) +
      (GRAINS[f.kind].form === 'particle' ? f.starchG * Math.max(0, BITE.done - h) : 0);
    all += f.starchG;
  }
  return {
    tS: pot.tS,
    bulkC: pot.bulkC,
    filmC: (pot.panC + pot.bulkC) / 2,
    panC: pot.panC,
    viscosityPaS: pot.viscosityPaS,
    gelatinised: all > 0 ? gelatinised / all : 0,
    swelling: all > 0 ? swelling / all : 0,
    scorch: pot.scorch,
    massG: mass,
    rawPer100G: (100 * raw) / mass,
    bite: bodyOf(pot.content, pot.fractions).bite,
    eggSet: pot.eggSet,
    curd: severityOf(pot),
  };
}

/** Gelatinised starch, g per 100 g of the pot. */
export const cookedStarchPct = (pot: Pot): number =>
  (100 * pot.fractions.reduce((s, f) => s + f.starchG * f.gelatinised, 0)) / massG(pot.content);

/** What would be felt of curdled egg, 0 to 1; `curd` where it is not the pot's own, as at the edge of a baked dish. */
export const severityOf = (pot: Pot, curd: number = pot.eggCurd): number =>
  pot.content.eggProteinG > 0
    ? curdSeverity(curd, cookedStarchPct(pot), (100 * pot.content.eggProteinG) / massG(pot.content))
    : 0;

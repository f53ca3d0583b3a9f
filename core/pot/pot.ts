import { clamp, table } from '../coefficients';
import { add, massG, phOf, solidsG, type Mixture } from '../matter/mixture';
import type { Base } from '../pantry/ingredient';
import type { DoubleBoiler, Hob, Pan } from '../pantry/kitchen';
import { AIR, boilsC, evaporationKgPerM2S, latentJPerKg, pressurePa, waterActivity, waterBoilsC } from './air';
import {
  amylaseRate,
  curdEquilibrium,
  curdRate,
  curdSeverity,
  eggPoint,
  eggSetRate,
  salmonellaRate,
  type EggPoint,
} from './egg';
import { aromaRate } from './flavour';
import { foamIndex, FOAM } from './foam';
import { BITE, fourierRate, GRAIN_KINETICS, GRAINS, hydration, soaked } from './grain';
import { HOBS, netW } from './hob';
import { Rosenbrock } from './integrator';
import { LUMPS } from './lumps';
import { bodyOf, consistency, rawFraction, serumPaS, sugarFraction, viscosityPaS, type Fraction } from './paste';
import { SCORCH, scorchRate } from './scorch';
import {
  acidRate,
  breakdownRate,
  gelEquilibrium,
  gelPeakC,
  gelRate,
  STARCH_KINETICS,
  swellEquilibrium,
} from './starch';

/** What stirs: a whisk shears, a flat scraper clears the floor. */
export const TOOLS = ['spoon', 'whisk', 'scraper'] as const;
export type Tool = (typeof TOOLS)[number];

/** Heat from pan to food. */
export const HEAT = table('Heat in the pot', {
  scrapeEff: [0.6, '1', 'C', 'a spoon in an imperfect hand against ideal scraping (penetration theory, A)'],
  whiskEff: [0.45, '1', 'C', 'a whisk: it misses the corners'],
  scraperEff: [0.85, '1', 'C', 'a flat scraper'],
  freeConvection: [0.15, '1', 'A', 'turbulent free convection over a horizontal plate'],
  boilW: [60, 'W/m2K3', 'B', 'nucleate boiling, cubic; 40 kW/m2 at 8.7 K for water'],
  boilViscosity: [0.3, '1', 'C', 'its viscosity exponent'],
  airW: [8, 'W/m2K', 'B', 'outside of the pan to the room'],
  baseToAir: [0.6, '1', 'C', 'share of the base that still faces the room'],
  wrappedW: [1.5, 'W/m2K', 'C', 'a pot wrapped in a blanket'],
  drySeconds: [60, 's', 'C', 'a thick film left alone dries'],
  dryAbovePaS: [0.3, 'Pa s', 'C', 'from this viscosity on'],
  filmMax: [0.35, '1', 'C', 'largest share of the pot that is film'],
  lid: [0.08, '1', 'C', 'evaporation under a lid'],
  lidAjar: [0.35, '1', 'C', 'under a lid ajar'],
  lidW: [10, 'W/m2K', 'B', 'a lid condenses what it gives off to the room'],
  skin: [0.45, '1', 'C', 'evaporation under a milk skin'],
  skinAfterS: [60, 's', 'C', 'still, open milk has one after this'],
  grainBed: [0.7, '1', 'C', 'evaporation of a bed of grains with little liquid left'],
  bubbleW: [2500, 'W/m2', 'C', 'vapour at the wall that shows as bubbles'],
  bubbleBelowK: [9, 'K', 'C', 'below the boil at which the bulk no longer swallows them'],
  panCapC: [400, 'degC', 'B', 'beyond this the pan is on fire and the model has nothing to say'],
  boundWater: [0.25, 'g/g', 'C', 'water that cannot be boiled out of the rest: the pot is dry'],
  boilS: [1.5, 's', 'C', 'in which heat above the boil becomes steam'],
  dryMargin: [0.03, 'g/g', 'C', 'the pot is called dry this much before'],
  boilLeastWPerK: [400, 'W/K', 'C', 'and a spoonful loses its heat above the boil at least this fast'],
  expansionPerK: [5e-4, '1/K', 'A', 'thermal expansion'],
  densityKgPerM3: [1040, 'kg/m3', 'A', 'of the food'],
  steamSideW: [1500, 'W/m2K', 'B', 'steam with air on a bowl, 500 to 3000'],
  waterSideW: [1100, 'W/m2K', 'B', 'hot water on a bowl'],
  wallS: [10, 's', 'C', 'in which the bowl follows'],
  meets: [0.65, '1', 'C', 'of the way from the mix to the pot that egg feels before it is spread'],
  unmixed: [0.22, '1', 'C', 'share of egg that meets the hot pot before the spoon has spread it; a third with a whisk'],
});

/** J/kgK (A). */
const PAN_HEAT: Record<Pan['material'], number> = { steel: 500, iron: 480, enamel: 480, aluminium: 900 };
/** local flux over the mean, over a flame or a coil (B) */
const HOT_SPOT: Record<NonNullable<Pan['base']>, number> = { thin: 1.9, thick: 1.2 };
/** W/mK of a bowl's wall (A) */
const WALL_W: Record<DoubleBoiler['material'], number> = { steel: 16, enamel: 20, glass: 1.1, ceramic: 1.5 };

/** What an uncertainty study or the cook's own pot may change. Factors are 1, shifts 0, scale factors ln 0 by default. */
export type Tuning = {
  evaporation: number;
  consistency: number;
  gelShiftK: number;
  curdShiftK: number;
  scorch: number;
  stir: number;
  grain: number;
  startK: number;
};
export const NO_TUNING: Tuning = {
  evaporation: 1,
  consistency: 1,
  gelShiftK: 0,
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

export type Lid = 'off' | 'ajar' | 'on';
/** What the cook does to the pot. `stirEveryS` Infinity is a still spoon; `watts` are net, in place of the setting. */
export type Controls = {
  setting: number;
  watts?: number;
  stirEveryS: number;
  lid: Lid;
  tool?: Tool;
  over?: DoubleBoiler;
  wrapped?: boolean;
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

/** State vector of the integrator: one slot each, then five for each kind of starch. */
const PAN = 0;
const BULK = 1;
const POWER = 2;
const WATER = 3;
const CATCH = 4;
const BATH = 5;
const SET = 6;
const CURD = 7;
const AMYLASE = 8;
const SALMONELLA = 9;
const AROMA = 10;
const E_HOB = 11;
const E_AIR = 12;
const E_STEAM = 13;
const FIRST = 14;
const STRIDE = 5;
const GEL = 0;
const SWELL = 1;
const WHOLE = 2;
const FOURIER = 3;
const LEACH = 4;

/** Error each slot may make in a step: K, W, g, then shares. */
const TOLERANCE = [0.8, 0.2, 15, 0.15, 0.01, 0.3, 0.008, 0.006, 1, 1, 4, 6000, 1500, 1500];
const FRACTION_TOLERANCE = [0.008, 0.01, 0.004, 0.004, 0.004];

const sound = (m: Mixture) => m.waterG > 1;
const boilsAt = (m: Mixture, altitudeM: number) => boilsC(altitudeM, m.bindsG, m.waterG);

/**
 * A filled pan, cold on the hob.
 * @param soakMin minutes the grains soaked before
 * @throws RangeError when it holds no water or a temperature is not a number
 */
export function fillPot(setup: PotSetup, content: Mixture, tempC: number, soakMin = 0): Pot {
  if (!sound(content)) throw new RangeError('the pot holds no liquid; there should be some milk or water in it');
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

/** J/K: solids 1.9, water 4.18 J/gK (A). */
export const heatJPerK = (m: Mixture): number => 1.9 * massG(m) + 2.28 * m.waterG;

export type Addition = {
  mixture: Mixture;
  tempC: number;
  /** chance that this addition lumps; the lumps keep their share of its starch */
  lumpRisk?: number;
  soakMin?: number;
  /** egg that was brought up ladle by ladle meets no shock */
  tempered?: boolean;
  whisked?: boolean;
};

/** Stirs an addition in: temperatures mix by heat capacity; raw starch and egg join what has cooked. */
export function addToPot(pot: Pot, addition: Addition, setup: PotSetup): Pot {
  const { mixture, tempC } = addition;
  const c1 = heatJPerK(pot.content);
  const c2 = heatJPerK(mixture);
  const content = add(pot.content, mixture);
  const mixC = c1 + c2 > 0 ? (c1 * pot.bulkC + c2 * tempC) / (c1 + c2) : pot.bulkC;
  const risk = addition.lumpRisk ?? 0;
  const fractions = pot.fractions.map((f) => ({ ...f }));
  for (const t of mixture.thickenings) {
    const g = GRAINS[t.kind];
    const fresh = rawFraction(
      { ...t, starchG: t.starchG * (1 - risk * LUMPS.trapped) },
      soaked(addition.soakMin ?? 0, g, t.grainMm ?? g.sizeMm),
    );
    const i = fractions.findIndex((f) => f.kind === t.kind && f.grainMm === t.grainMm);
    const old = fractions[i];
    if (!old) fractions.push(fresh);
    else {
      const w = old.starchG / (old.starchG + fresh.starchG || 1);
      const mix = (a: number, b: number) => w * a + (1 - w) * b;
      fractions[i] = {
        ...old,
        starchG: old.starchG + fresh.starchG,
        dryG: old.dryG + fresh.dryG,
        gelatinised: mix(old.gelatinised, 0),
        integrity: mix(old.integrity, 1),
        fourier: mix(old.fourier, fresh.fourier),
        leached: mix(old.leached, 0),
      };
    }
  }
  let { eggSet, eggCurd, amylaseLog, salmonellaLog, eggMaxC } = pot;
  if (mixture.eggProteinG > 0) {
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
    eggSet,
    eggCurd,
    amylaseLog,
    salmonellaLog,
    eggMaxC,
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
  private readonly wall: number;
  private readonly scrapeEff: number;
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
    this.tolerance = Float64Array.from([...TOLERANCE, ...this.fractions.flatMap(() => FRACTION_TOLERANCE)]);
    this.jac = new Float64Array(this.size + 2);
    this.area = Math.PI * (setup.pan.diameterMm / 2000) ** 2;
    this.panJ = (setup.pan.massG / 1000) * PAN_HEAT[setup.pan.material];
    this.solids = solidsG(pot.content);
    this.netW = controls.watts ?? netW(setup.hob, controls.setting);
    this.memoryS = HOBS[setup.hob.kind].memoryS;
    this.pressure = pressurePa(setup.altitudeM);
    this.waterBoils = waterBoilsC(setup.altitudeM);
    this.stirred = Number.isFinite(controls.stirEveryS);
    this.ph = phOf(pot.content);
    this.saltPct = (100 * pot.content.saltG) / pot.content.waterG;
    this.milky = pot.content.dairyProteinG + pot.content.coconutFatG > 0.01 * this.solids;
    this.still0 = pot.stillS;
    this.t0 = pot.tS;
    this.scrapeEff = { spoon: HEAT.scrapeEff, whisk: HEAT.whiskEff, scraper: HEAT.scraperEff }[
      controls.tool ?? 'spoon'
    ];
    this.wall = controls.over ? controls.over.wallMm / 1000 / WALL_W[controls.over.material] : 0;
  }

  pack(pot: Pot): Float64Array {
    const y = new Float64Array(this.size);
    y[PAN] = pot.panC;
    y[BULK] = pot.bulkC;
    y[POWER] = pot.powerW;
    y[WATER] = pot.content.waterG;
    y[CATCH] = pot.scorch;
    y[BATH] = pot.bathC;
    y[SET] = pot.eggSet;
    y[CURD] = pot.eggCurd;
    y[AMYLASE] = pot.amylaseLog;
    y[SALMONELLA] = pot.salmonellaLog;
    y[AROMA] = pot.aromaS;
    y[E_HOB] = pot.energyJ.hob;
    y[E_AIR] = pot.energyJ.air;
    y[E_STEAM] = pot.energyJ.steam;
    this.fractions.forEach((f, i) => {
      const at = FIRST + STRIDE * i;
      y[at + GEL] = f.gelatinised;
      y[at + SWELL] = f.swelling;
      y[at + WHOLE] = f.integrity;
      y[at + FOURIER] = f.fourier;
      y[at + LEACH] = f.leached;
    });
    return y;
  }

  private read(y: Float64Array): void {
    this.m.waterG = Math.max(0.5, y[WATER]!);
    for (let i = 0; i < this.fractions.length; i++) {
      const at = FIRST + STRIDE * i;
      const f = this.fractions[i]!;
      f.gelatinised = clamp(y[at + GEL]!, 0, 1);
      f.swelling = Math.max(0, y[at + SWELL]!);
      f.integrity = clamp(y[at + WHOLE]!, 0.01, 1);
      f.fourier = Math.max(0, y[at + FOURIER]!);
      f.leached = clamp(y[at + LEACH]!, 0, 1);
    }
  }

  /** dy/dt at time t (s since the start of the cook); fills `jac` and `now` on the way. */
  slopes(t: number, y: Float64Array, f: Float64Array): void {
    const { m, controls, setup, tuning, area, jac } = this;
    this.read(y);
    const panC = y[PAN]!;
    const bulkC = y[BULK]!;
    const mass = this.solids + m.waterG;
    const water = m.waterG / mass;
    const heightM = mass / 1000 / HEAT.densityKgPerM3 / area;
    const heatJ = 1.9 * mass + 2.28 * m.waterG;
    const conduct = 0.2 + 0.44 * water;
    const specific = (heatJ / mass) * 1000;
    const diffuse = conduct / (HEAT.densityKgPerM3 * specific);
    const everyS = Math.max(0.5, controls.stirEveryS * tuning.stir);
    const stillS = this.stirred ? everyS : this.still0 + (t - this.t0);
    const x = sugarFraction(m);
    const boils = this.waterBoils + boilRise(this.waterBoils, m);

    // flow
    const body = bodyOf(m, this.fractions);
    const k = consistency(body, bulkC, m) * tuning.consistency;
    const mu = viscosityPaS(k, m, bulkC, body, clamp(y[SET]!, 0, 1));

    // fire to pan, pan to food: free convection, scraping, boiling at the wall
    const rise = Math.max(0, panC - bulkC);
    const free = Math.max(
      HEAT.freeConvection *
        conduct *
        Math.cbrt((9.81 * HEAT.expansionPerK * rise * HEAT.densityKgPerM3 ** 2 * specific) / (conduct * mu)),
      conduct / (heightM / 2 + 0.002),
    );
    const scrape = this.stirred
      ? this.scrapeEff * 2 * Math.sqrt((conduct * HEAT.densityKgPerM3 * specific) / (Math.PI * everyS))
      : 0;
    const h = Math.cbrt(free ** 3 + scrape ** 3);
    const power = y[POWER]!;
    f[POWER] = (this.netW - power) / this.memoryS;
    jac[POWER] = -1 / this.memoryS;
    const outside = controls.wrapped ? HEAT.wrappedW : HEAT.airW;
    const toAir = outside * HEAT.baseToAir * area;
    let intoBulkW: number;
    let perPan: number;
    let wallVapourW = 0;
    let panAirW = 0;
    if (controls.over) {
      const side = controls.over.touching ? HEAT.waterSideW : HEAT.steamSideW;
      const contact = controls.over.contactCm2 / 1e4;
      const u = 1 / (1 / side + this.wall + 1 / h);
      const bathJ = controls.over.waterG * 4.18 + this.panJ;
      const bathC = y[BATH]!;
      intoBulkW = u * contact * (bathC - bulkC);
      const boilingOff = (bathJ / HEAT.boilS) * Math.max(0, bathC - this.waterBoils);
      const bathAir = toAir * (bathC - setup.roomC);
      f[BATH] = (power - intoBulkW - boilingOff - bathAir) / bathJ;
      jac[BATH] = -(u * contact + (bathC > this.waterBoils ? bathJ / HEAT.boilS : 0)) / bathJ;
      f[PAN] = (bulkC + intoBulkW / (h * contact) - panC) / HEAT.wallS;
      jac[PAN] = -1 / HEAT.wallS;
      jac[this.size] = 1 / HEAT.wallS;
      jac[this.size + 1] = 0;
      perPan = 0;
      panAirW = bathAir + boilingOff;
    } else {
      const dry = mu > HEAT.dryAbovePaS && !this.stirred ? 1 / (1 + stillS / (HEAT.drySeconds / Math.sqrt(mu))) : 1;
      const boilCoeff = HEAT.boilW * (mu / 1e-3) ** -HEAT.boilViscosity * dry;
      const over = Math.max(0, panC - boils);
      wallVapourW = boilCoeff * over ** 3;
      intoBulkW = h * area * (panC - bulkC) + area * wallVapourW;
      panAirW = toAir * (panC - setup.roomC);
      perPan = h * area + 3 * area * boilCoeff * over ** 2;
      f[PAN] = panC > HEAT.panCapC ? 0 : (power - intoBulkW - panAirW) / this.panJ;
      jac[PAN] = -(perPan + toAir) / this.panJ;
      jac[this.size] = (h * area) / this.panJ;
      jac[this.size + 1] = perPan / heatJ;
      f[BATH] = 0;
      jac[BATH] = 0;
    }

    // surface
    const skin = !this.stirred && stillS > HEAT.skinAfterS && m.dairyProteinG > 0 && bulkC > FOAM.skinFromC;
    const lid = controls.lid === 'on' ? HEAT.lid : controls.lid === 'ajar' ? HEAT.lidAjar : 1;
    const bed = body.grainVolume > 0.38 ? HEAT.grainBed : 1;
    const cover = lid * (skin ? HEAT.skin : 1) * bed * tuning.evaporation;
    const wet = clamp((m.waterG - HEAT.boundWater * this.solids) / (0.05 * mass), 0, 1);
    const activity = waterActivity(m.bindsG, m.waterG);
    const flux =
      wet *
      cover *
      evaporationKgPerM2S(Math.min(bulkC, boils), setup.roomC, activity, this.pressure, AIR.surfaceWPerM2K);
    const latent = latentJPerKg(bulkC);
    const bare = Math.PI * (setup.pan.diameterMm / 1000) * heightM + area * (controls.lid === 'off' ? 1 : 0.6);
    const sideW = outside * bare * (bulkC - setup.roomC);
    const boilG = Math.max(heatJ / HEAT.boilS, HEAT.boilLeastWPerK);
    const boilW = boilG * Math.max(0, bulkC - boils);
    const lidW = controls.lid === 'on' ? HEAT.lidW * area * (bulkC - setup.roomC) : 0;
    const boilKg = (wet * Math.max(0, boilW - lidW)) / latent;
    const evaporatesW = flux * area * latent;
    f[BULK] = (intoBulkW - sideW - evaporatesW - boilW) / heatJ;
    const contactW = controls.over ? -(jac[BATH]! * (controls.over.waterG * 4.18 + this.panJ)) : h * area;
    jac[BULK] = -(contactW + outside * bare + 0.05 * evaporatesW + (bulkC > boils ? boilG : 0)) / heatJ;
    const goneG = 1000 * (flux * area + boilKg);
    f[WATER] = -goneG;

    // energy books
    f[E_HOB] = power;
    f[E_AIR] = panAirW + sideW + boilW - boilKg * latent;
    f[E_STEAM] = evaporatesW + boilKg * latent + goneG * 4.18 * bulkC;

    // floor
    const filmC = (panC + bulkC) / 2;
    const spot = controls.over || !setup.pan.base ? 1 : HOT_SPOT[setup.pan.base];
    f[CATCH] =
      tuning.scorch * scorchRate(bulkC + spot * (panC - bulkC), stillS, controls.over ? 'water' : setup.base, x);
    const filmShare = Math.min(HEAT.filmMax, (0.5 * Math.sqrt(Math.PI * diffuse * Math.min(stillS, 600))) / heightM);
    const renewed = 1 / Math.max(stillS, 1);

    // starch, in the bulk and in the film
    let dryG = 0;
    for (const fr of this.fractions) if (GRAINS[fr.kind].form !== 'powder') dryG += fr.dryG;
    const loose = Math.max(0, body.freeWaterG - GRAIN_KINETICS.film * dryG);
    const scarce = dryG > 0 ? loose / (loose + GRAIN_KINETICS.scarceAt * dryG) : 1;
    for (let i = 0; i < this.fractions.length; i++) {
      const at = FIRST + STRIDE * i;
      const fr = this.fractions[i]!;
      const g = GRAINS[fr.kind];
      const peak = gelPeakC(g.starch, x, this.saltPct) + tuning.gelShiftK;
      const target = gelEquilibrium(bulkC, peak, g.starch);
      const rate = gelRate(bulkC, peak);
      const filmRate = Math.min(gelRate(filmC, peak), renewed);
      const filmTarget = gelEquilibrium(filmC, peak, g.starch);
      const a = fr.gelatinised;
      f[at + GEL] =
        (1 - filmShare) * rate * Math.max(0, target - a) + filmShare * filmRate * Math.max(0, filmTarget - a);
      jac[at + GEL] = -(target > a ? rate : 0);
      const swellTo = a > 0.01 ? swellEquilibrium(bulkC, peak) : 0;
      f[at + SWELL] = Math.max(0, swellTo - fr.swelling) / STARCH_KINETICS.swellS;
      jac[at + SWELL] = swellTo > fr.swelling ? -1 / STARCH_KINETICS.swellS : 0;
      const worn = breakdownRate(bulkC, a * fr.swelling, stillS, controls.tool === 'whisk');
      const acid = acidRate(bulkC, this.ph) * a;
      f[at + WHOLE] = -worn * Math.max(0, fr.integrity - g.starch.integrityFloor) - acid * fr.integrity;
      jac[at + WHOLE] = 0;
      if (g.form === 'powder') {
        f[at + FOURIER] = 0;
        f[at + LEACH] = 0;
        continue;
      }
      const size = (fr.grainMm ?? g.sizeMm) * tuning.grain;
      f[at + FOURIER] = fr.fourier > 1.6 ? 0 : scarce * fourierRate(g, size, bulkC, target, x, this.milky);
      const h1 = hydration(fr.fourier, g.form);
      const rub = this.stirred ? 1 + GRAIN_KINETICS.leachStir / (1 + everyS / STARCH_KINETICS.stirHalfS) : 1;
      const leachTo = g.form === 'kernel' ? g.free * h1 * Math.min(1.4, rub) : h1;
      const leachS = g.form === 'kernel' ? GRAIN_KINETICS.leachS : GRAIN_KINETICS.abrasionS / rub;
      f[at + LEACH] = (target * Math.max(0, leachTo - fr.leached)) / leachS;
    }

    // egg
    const point: EggPoint | undefined = m.eggProteinG > 0 ? eggPoint(m, x) : undefined;
    if (point) {
      point.curdC += tuning.curdShiftK;
      const s = y[SET]!;
      const setRate = eggSetRate(bulkC, point);
      f[SET] =
        Math.max(0, 1 - s) * ((1 - filmShare) * setRate + filmShare * Math.min(eggSetRate(filmC, point), renewed));
      jac[SET] = -setRate;
      const c = y[CURD]!;
      const r = curdRate(bulkC, point);
      f[CURD] =
        (1 - filmShare) * r * Math.max(0, curdEquilibrium(bulkC, point) - c) +
        filmShare * Math.min(curdRate(filmC, point), renewed) * Math.max(0, curdEquilibrium(filmC, point) - c);
      jac[CURD] = -(1 - filmShare) * r;
      f[AMYLASE] = amylaseRate(bulkC);
      f[SALMONELLA] = salmonellaRate(bulkC);
    } else {
      f[SET] = 0;
      f[CURD] = 0;
      f[AMYLASE] = 0;
      f[SALMONELLA] = 0;
      jac[SET] = 0;
      jac[CURD] = 0;
    }
    f[AROMA] = aromaRate(Math.LN2, bulkC, controls.lid === 'on');

    const now = this.now;
    now.viscosityPaS = mu;
    now.wallVapourW = wallVapourW;
    now.boilsC = boils;
    now.steamKgPerS = boilKg + (area * wallVapourW * clamp(1 - (boils - bulkC) / HEAT.bubbleBelowK, 0, 1)) / latent;
    now.filmC = filmC;
    now.headroomM = setup.pan.heightMm / 1000 - heightM;
    now.skin = skin;
    now.stillS = stillS;
  }

  /** 0 and more while bubbles show: vapour at the wall that the bulk no longer swallows, or the bulk all but boiling. */
  bubbling(y: Float64Array): number {
    const belowK = this.now.boilsC - y[BULK]!;
    return Math.max(Math.min(this.now.wallVapourW / HEAT.bubbleW - 1, 1 - belowK / HEAT.bubbleBelowK), 1 - belowK / 3);
  }

  /** The pot after the stretch: the state vector, and the largest and first of what was seen on the way. */
  unpack(y: Float64Array, t: number, before: Pot): Pot {
    this.read(y);
    const { now } = this;
    const evaporated = before.content.waterG - this.m.waterG;
    const open = this.controls.lid === 'off' && !this.stirred && y[BULK]! > FOAM.skinFromC && this.m.dairyProteinG > 0;
    return {
      ...before,
      tS: t,
      content: { ...this.m },
      fractions: this.fractions.map((f) => ({ ...f })),
      panC: Math.min(HEAT.panCapC, y[PAN]!),
      bulkC: y[BULK]!,
      bathC: y[BATH]!,
      powerW: y[POWER]!,
      scorch: y[CATCH]!,
      eggSet: clamp(y[SET]!, 0, 1),
      eggCurd: clamp(y[CURD]!, 0, 1),
      amylaseLog: y[AMYLASE]!,
      salmonellaLog: y[SALMONELLA]!,
      aromaS: y[AROMA]!,
      stillS: now.stillS,
      skinS: open ? before.skinS + (t - before.tS) : this.stirred ? 0 : before.skinS,
      evaporatedG: before.evaporatedG + evaporated,
      boilsC: now.boilsC,
      wallVapourW: now.wallVapourW,
      viscosityPaS: now.viscosityPaS,
      energyJ: { hob: y[E_HOB]!, air: y[E_AIR]!, steam: y[E_STEAM]! },
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

/**
 * Cooks on with the same hands for at most `seconds`, or until `stop`; the moment of the stop is located in time.
 * @param onStep called after each accepted step with the time and a reader of the pot there
 */
export function cook(
  pot: Pot,
  setup: PotSetup,
  controls: Controls,
  seconds: number,
  stop?: Stop,
  onStep?: (tS: number, read: () => Pot) => void,
  toleranceScale = 1,
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
  const dryG = (HEAT.boundWater + HEAT.dryMargin) * solidsG(pot.content) + HEAT.dryMargin * massG(pot.content);
  const value = (state: Float64Array) => {
    if (state[WATER]! < dryG) return 1;
    if (!stop) return -1;
    let bite = 1;
    for (let i = 0; i < pot.fractions.length; i++) {
      const g = GRAINS[pot.fractions[i]!.kind];
      if (g.form !== 'powder') bite = Math.min(bite, hydration(state[FIRST + STRIDE * i + FOURIER]!, g.form));
    }
    return stop({
      bulkC: state[BULK]!,
      bubbling: system.bubbling(state),
      viscosityPaS: system.now.viscosityPaS,
      massG: solidsG(pot.content) + state[WATER]!,
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
    panMaxC = Math.max(panMaxC, y[PAN]!);
    bulkMaxC = Math.max(bulkMaxC, y[BULK]!);
    eggMaxC = Math.max(eggMaxC, y[BULK]!);
    filmMaxC = Math.max(filmMaxC, now.filmC);
    foamMax = Math.max(
      foamMax,
      foamIndex(
        setup.base,
        now.steamKgPerS,
        Math.PI * (setup.pan.diameterMm / 2000) ** 2,
        now.headroomM,
        now.viscosityPaS,
        Number.isFinite(controls.stirEveryS),
        now.skin,
        controls.lid === 'on',
      ),
    );
    if (Number.isNaN(thickenAtS) && now.viscosityPaS > THICKENS_BY * thinPaS && y[BULK]! > 40) thickenAtS = t;
    if (Number.isNaN(bubbleAtS) && system.bubbling(y) >= 0) bubbleAtS = t;
    onStep?.(t, () => (seen = finish(t)));
  });
  seen = finish(solver.t);
  if (y[WATER]! < dryG + 1e-6)
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

import { add, massG, type Mixture } from '../formula/compose';
import type { Base, StarchSpecies } from '../pantry/ingredient';
import type { Hob, Pan } from '../pantry/kitchen';
import { AIR, boilsC, evaporationKgPerM2S, latentJPerKg, pressurePa, waterActivity } from './air';
import { HOBS, netW } from './hob';
import { consistency, serumPaS, sugarFraction, swollenConcentration, viscosityPaS } from './paste';
import { scorchRate } from './scorch';
import {
  STARCHES,
  breakdownRate,
  gelEquilibrium,
  gelPeakC,
  gelRate,
  STARCH_KINETICS,
  swellEquilibrium,
} from './starch';

/** Heat from pan to food (science: free convection A, scraping A form with a C factor, nucleate boiling B). */
export const HEAT = {
  /** imperfect hand against ideal scraping (C) */
  scrapeEff: 0.6,
  /** W/m2K3 (B) and viscosity exponent (C) */
  boilW: 60,
  boilViscosity: 0.3,
  /** W/m2K, outside of the pan to the room (B) */
  airW: 8,
  /** share of the base that still faces the room (C) */
  baseToAir: 0.6,
  /** s: a thick film left alone dries (C) */
  drySeconds: 60,
  dryAbovePaS: 0.3,
  /** largest share of the pot that is film (C) */
  filmMax: 0.35,
  /** evaporation under a lid and under a milk skin (B, C) */
  lid: 0.08,
  skin: 0.45,
  skinAfterS: 60,
  /** bubbles show when the wall gives this much vapour, W/m2, and the bulk no longer swallows them, K below its boil (C) */
  bubbleW: 2500,
  bubbleBelowK: 9,
  /** share of its distance to the pan that the bulk may go in a step before it is damped, so that a spoonful in a wide pan stays stable */
  stiffShare: 0.3,
  /** degC: beyond this the pan is on fire and the model has nothing to say */
  panCapC: 400,
  /** water that cannot be boiled out of the rest, per g of it: the pot is dry (C) */
  boundWater: 0.25,
  expansionPerK: 5e-4,
  densityKgPerM3: 1040,
} as const;

/** J/kgK (A). */
const PAN_HEAT: Record<Pan['material'], number> = { steel: 500, iron: 480, aluminium: 900 };

/** What an uncertainty study or the cook's own pot may change. All 1 by default. */
export type Tuning = { evaporation: number; consistency: number };
export const NO_TUNING: Tuning = { evaporation: 1, consistency: 1 };

export type PotSetup = {
  pan: Pan;
  hob: Hob;
  base: Base;
  species: StarchSpecies;
  roomC: number;
  altitudeM: number;
  tuning?: Tuning;
};

/** What the cook does to the pot. `stirEveryS` Infinity is a still spoon. */
export type Controls = { setting: number; stirEveryS: number; lid: boolean; whisked?: boolean };

/** The pot at a moment. A plain value: clone with a spread to branch a forecast off it. */
export type Pot = {
  tS: number;
  content: Mixture;
  panC: number;
  bulkC: number;
  powerW: number;
  gelatinised: number;
  swelling: number;
  /** granules still whole, 0 to 1 */
  integrity: number;
  scorch: number;
  /** hottest the floor got */
  panMaxC: number;
  stillS: number;
  evaporatedG: number;
  /** seconds at which the first bubble showed, or NaN */
  bubbleAtS: number;
  boilsC: number;
  wallVapourW: number;
  viscosityPaS: number;
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
};

/** Raw starch that can be tasted, g per 100 g (C). */
export const RAW_TASTE = 0.35;

const sound = (m: Mixture) => m.waterG > 1;

/** A filled pan, cold on the hob. @throws RangeError when it holds no water or a temperature is not a number */
export function fillPot(setup: PotSetup, content: Mixture, tempC: number): Pot {
  if (!sound(content)) throw new RangeError('the pot holds no liquid; there should be some milk or water in it');
  if (!Number.isFinite(tempC)) throw new RangeError(`${tempC} is not a temperature`);
  return {
    tS: 0,
    content,
    panC: tempC,
    bulkC: tempC,
    powerW: 0,
    gelatinised: 0,
    swelling: 0,
    integrity: 1,
    scorch: 0,
    panMaxC: tempC,
    stillS: 0,
    evaporatedG: 0,
    bubbleAtS: NaN,
    boilsC: boilsC(setup.altitudeM, content.sugarG + content.lactoseG, content.waterG),
    wallVapourW: 0,
    viscosityPaS: serumPaS(content, tempC),
  };
}

/** J/K: solids 1.9, water 4.18 J/gK (A). */
const heatJPerK = (m: Mixture): number => 1.9 * massG(m) + 2.28 * m.waterG;

/** Stirs an addition in: temperatures mix by heat capacity; raw starch joins what has cooked. */
export function addToPot(pot: Pot, addition: Mixture, tempC: number, setup: PotSetup): Pot {
  const c1 = heatJPerK(pot.content);
  const c2 = heatJPerK(addition);
  const content = add(pot.content, addition);
  const share = content.starchG > 0 ? pot.content.starchG / content.starchG : 1;
  return {
    ...pot,
    content,
    bulkC: (c1 * pot.bulkC + c2 * tempC) / (c1 + c2),
    gelatinised: pot.gelatinised * share,
    boilsC: boilsC(setup.altitudeM, content.sugarG + content.lactoseG, content.waterG),
  };
}

/**
 * Moves the pot on by `dtS` seconds (1 is proven: an eighth of it moves viscosity and scorch by less than 1 %).
 * The pan is solved implicitly, because boiling at the wall is cubic and stiff; the bulk and the reactions explicitly.
 */
export function stepPot(pot: Pot, setup: PotSetup, controls: Controls, dtS: number): Pot {
  const tuning = setup.tuning ?? NO_TUNING;
  const starch = STARCHES[setup.species];
  const m = pot.content;
  const mass = massG(m);
  const water = m.waterG / mass;
  const area = Math.PI * (setup.pan.diameterMm / 2000) ** 2;
  const heightM = mass / 1000 / HEAT.densityKgPerM3 / area;
  const heatJ = heatJPerK(m);
  const conduct = 0.2 + 0.44 * water;
  const specific = (heatJ / mass) * 1000;
  const diffuse = conduct / (HEAT.densityKgPerM3 * specific);
  const stirred = Number.isFinite(controls.stirEveryS);
  const stillS = stirred ? controls.stirEveryS : pot.stillS + dtS;
  const mu = pot.viscosityPaS;

  // pan to food: free convection and scraping
  const rise = Math.max(0, pot.panC - pot.bulkC);
  const free = Math.max(
    0.15 *
      conduct *
      ((9.81 * HEAT.expansionPerK * rise * HEAT.densityKgPerM3 ** 2 * specific) / (conduct * mu)) ** (1 / 3),
    conduct / (heightM / 2 + 0.002),
  );
  const scrape = stirred
    ? HEAT.scrapeEff *
      2 *
      Math.sqrt((conduct * HEAT.densityKgPerM3 * specific) / (Math.PI * Math.max(0.5, controls.stirEveryS)))
    : 0;
  const h = (free ** 3 + scrape ** 3) ** (1 / 3);
  const dry = mu > HEAT.dryAbovePaS && !stirred ? 1 / (1 + stillS / (HEAT.drySeconds * mu ** -0.5)) : 1;
  const boilCoeff = HEAT.boilW * (mu / 1e-3) ** -HEAT.boilViscosity * dry;

  const power =
    pot.powerW + (netW(setup.hob, controls.setting) - pot.powerW) * (1 - Math.exp(-dtS / HOBS[setup.hob.kind].memoryS));
  const panJ = (setup.pan.massG / 1000) * PAN_HEAT[setup.pan.material];
  const toAir = HEAT.airW * HEAT.baseToAir * area;
  let panC = pot.panC;
  for (let i = 0; i < 4; i++) {
    const over = Math.max(0, panC - pot.boilsC);
    const f =
      (panJ * (panC - pot.panC)) / dtS -
      power +
      h * area * (panC - pot.bulkC) +
      area * boilCoeff * over ** 3 +
      toAir * (panC - setup.roomC);
    const slope = panJ / dtS + h * area + 3 * area * boilCoeff * over ** 2 + toAir;
    panC = Math.min(HEAT.panCapC, panC - f / slope);
  }
  const wallVapourW = boilCoeff * Math.max(0, panC - pot.boilsC) ** 3;
  const intoBulkW = h * area * (panC - pot.bulkC) + area * wallVapourW;

  // surface: evaporation and losses
  const activity = waterActivity(m.sugarG + m.lactoseG, m.waterG);
  const pressure = pressurePa(setup.altitudeM);
  const skin = !stirred && stillS > HEAT.skinAfterS && m.dairyProteinG > 0 && pot.bulkC > 50 ? HEAT.skin : 1;
  const cover = (controls.lid ? HEAT.lid : 1) * skin * tuning.evaporation;
  const flux =
    evaporationKgPerM2S(Math.min(pot.bulkC, pot.boilsC), setup.roomC, activity, pressure, AIR.surfaceWPerM2K) * cover;
  const latent = latentJPerKg(pot.bulkC);
  let goneKg = flux * area * dtS;
  const bare = Math.PI * (setup.pan.diameterMm / 1000) * heightM + area;
  const dryLossW = HEAT.airW * bare * (pot.bulkC - setup.roomC);
  const stiffness = (dtS * (h * area + HEAT.airW * bare + 0.05 * flux * area * latent)) / heatJ;
  const damping = 1 + Math.max(0, stiffness - HEAT.stiffShare);
  let bulkC = pot.bulkC + ((intoBulkW - dryLossW) * dtS - goneKg * latent) / (heatJ * damping);
  if (bulkC > pot.boilsC) {
    goneKg += (((bulkC - pot.boilsC) * heatJ) / latent) * (controls.lid ? HEAT.lid : 1);
    bulkC = pot.boilsC;
  }
  goneKg = Math.min(goneKg, (Math.max(0, m.waterG - HEAT.boundWater * (mass - m.waterG)) / 1000) * 0.05);

  // starch, in the bulk and in the film
  const x = sugarFraction(m);
  const peak = gelPeakC(starch, x);
  const filmC = (panC + bulkC) / 2;
  const filmShare = Math.min(HEAT.filmMax, (0.5 * Math.sqrt(Math.PI * diffuse * Math.min(stillS, 600))) / heightM);
  const grow = (tempC: number, limit: number) => {
    const target = gelEquilibrium(tempC, peak, starch);
    return target > pot.gelatinised ? Math.min(gelRate(tempC, peak), limit) * (target - pot.gelatinised) : 0;
  };
  const filmRate = gelRate(filmC, peak);
  const renewal = (1 - Math.exp(-filmRate * stillS)) / Math.max(stillS, dtS);
  const gelatinised = Math.min(
    1,
    pot.gelatinised + dtS * ((1 - filmShare) * grow(bulkC, 0.5) + filmShare * grow(filmC, renewal)),
  );
  const swellTo = gelatinised > 0.01 ? swellEquilibrium(bulkC, peak) : 0;
  const swelling =
    swellTo > pot.swelling
      ? pot.swelling + (swellTo - pot.swelling) * (1 - Math.exp(-dtS / STARCH_KINETICS.swellS))
      : pot.swelling;
  const worn = breakdownRate(bulkC, gelatinised * swelling, stillS, controls.whisked ?? false);
  const integrity = pot.integrity - dtS * worn * Math.max(0, pot.integrity - starch.integrityFloor);

  const content = { ...m, waterG: m.waterG - goneKg * 1000 };
  const c = swollenConcentration(content, gelatinised, swelling);
  const k = consistency(c, integrity, bulkC, content, starch) * tuning.consistency;
  const belowK = pot.boilsC - bulkC;
  const bubbles = (wallVapourW > HEAT.bubbleW && belowK < HEAT.bubbleBelowK) || belowK < 3;
  return {
    tS: pot.tS + dtS,
    content,
    panC,
    bulkC,
    powerW: power,
    gelatinised,
    swelling,
    integrity,
    scorch: pot.scorch + dtS * scorchRate(panC, stillS, setup.base),
    panMaxC: Math.max(pot.panMaxC, panC),
    stillS,
    evaporatedG: pot.evaporatedG + goneKg * 1000,
    bubbleAtS: Number.isNaN(pot.bubbleAtS) && bubbles ? pot.tS + dtS : pot.bubbleAtS,
    boilsC: pot.boilsC,
    wallVapourW,
    viscosityPaS: viscosityPaS(k, content, bulkC),
  };
}

export function readPot(pot: Pot): PotReading {
  const mass = massG(pot.content);
  return {
    tS: pot.tS,
    bulkC: pot.bulkC,
    filmC: (pot.panC + pot.bulkC) / 2,
    panC: pot.panC,
    viscosityPaS: pot.viscosityPaS,
    gelatinised: pot.gelatinised,
    swelling: pot.swelling,
    scorch: pot.scorch,
    massG: mass,
    rawPer100G: (100 * pot.content.starchG * (1 - pot.gelatinised)) / mass,
  };
}

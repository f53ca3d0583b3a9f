import { table } from '../coefficients';
import type { Measured } from '../settings';
import { mixtureOf, massG } from '../matter/mixture';
import { ML_PER, type SpoonSystem } from '../units/measures';
import { pantryWith } from '../pantry/pantry';
import type { Hob, Pan } from '../pantry/kitchen';
import { boilsC } from '../pot/air';
import { fillPot, type PotSetup } from '../pot/pot';
import { runPhase, type Phase } from '../pot/program';
import { COOLING } from '../set/cooling';

/**
 * What a cook measures of a kitchen once, each in a few minutes, so that the model reckons with this kitchen: how much a
 * level spoon holds, what a ring gives, what a pan steams off, how cold the fridge is, how a thermometer reads.
 */

type Found = Pick<Measured, 'value' | 'sd'>;

export const MEASURING = table('Measuring a kitchen', {
  scaleG: [1, 'g', 'B', 'a kitchen scale'],
  spoonSdRel: [0.08, '1', 'B', 'one level spoon beside the next'],
  clockS: [4, 's', 'C', 'starting and stopping by hand'],
  readK: [0.5, 'K', 'B', 'a kitchen thermometer read once'],
  modelRel: [0.05, '1', 'C', 'what the model of a pan of water leaves open'],
  coolsRel: [0.3, '1', 'C', 'how fast a glass in a fridge cools: shelves and fans differ'],
  waterJPerGK: [4.18, 'J/gK', 'A', 'water'],
  glassMm: [66, 'mm', 'C', 'across a drinking glass'],
});

const waterBoilsC = (altitudeM: number) => boilsC(altitudeM, 0, 1000);

const together = (...parts: number[]) => Math.hypot(...parts);

/** What was measured cannot be: said at its place. */
export class MeasureRefused extends Error {}
const refuse = (wrong: boolean, why: string) => {
  if (wrong) throw new MeasureRefused(why);
};

/** Level tablespoons of something, weighed together. @returns what a spoon holds over the usual one */
export function spoonOf(totalG: number, spoons: number, densityGPerMl: number, system: SpoonSystem): Found {
  const value = totalG / (spoons * ML_PER[system].tbsp * densityGPerMl);
  refuse(!(value > 0.4 && value < 2.5), 'spoon');
  return { value, sd: together(MEASURING.scaleG / totalG, MEASURING.spoonSdRel / Math.sqrt(spoons)) };
}

/** A pan of water on a ring, as the model has it. */
type Water = { hob: Hob; pan: Pan; waterG: number; roomC: number; altitudeM: number };
function cookWater(w: Water, fromC: number, phase: Pick<Phase, 'setting' | 'until' | 'limitS'>) {
  const setup: PotSetup = { pan: w.pan, hob: w.hob, base: 'water', roomC: w.roomC, altitudeM: w.altitudeM };
  const pot = fillPot(setup, mixtureOf(pantryWith().get('water')!, w.waterG), fromC);
  return runPhase(pot, setup, {
    role: 'heat',
    stirEveryS: Infinity,
    tool: 'spoon',
    lid: 'off',
    wrapped: false,
    ...phase,
  });
}

const TRIM = { least: 0.3, most: 2, halvings: 18 } as const;

/** A litre or so heated from cold on a full ring. @returns power that reaches the pan over what is written on the ring */
export function ringOf(w: Water, fromC: number, toC: number, seconds: number): Found {
  const takes = (powerTrim: number) => {
    const { end } = cookWater({ ...w, hob: { ...w.hob, powerTrim } }, fromC, {
      setting: 9,
      until: { kind: 'temperature', tempC: toC },
      limitS: 7200,
    });
    return end.reached ? end.endS - end.startS : Infinity;
  };
  refuse(!(toC >= fromC + 20), 'ring: too small a step');
  refuse(!(seconds < takes(TRIM.least) && seconds > takes(TRIM.most)), 'ring');
  let [low, high] = [Math.log(TRIM.least), Math.log(TRIM.most)];
  for (let i = 0; i < TRIM.halvings; i++) {
    const mid = (low + high) / 2;
    if (takes(Math.exp(mid)) > seconds) low = mid;
    else high = mid;
  }
  return {
    value: Math.exp((low + high) / 2),
    sd: together(MEASURING.clockS / seconds, (Math.SQRT2 * MEASURING.readK) / (toC - fromC), MEASURING.modelRel),
  };
}

/** Just off the boil: from there on nothing bubbles, and what leaves is steam of the surface alone, degC. */
const OFF_THE_BOIL_K = 4;
const STEAM = { least: 0.2, most: 4, halvings: 14 } as const;

/**
 * Hot water that steams and does not bubble, kept so for some minutes and weighed before and after. At a boil the ring would
 * be weighed and not the pan. @returns steam over what is usual
 */
export function steamOf(w: Water, setting: number, minutes: number, lostG: number): Found {
  const losesG = (steam: number) => {
    const pan = { ...w.pan, steam };
    const { pot } = cookWater({ ...w, pan }, waterBoilsC(w.altitudeM) - OFF_THE_BOIL_K, {
      setting,
      until: { kind: 'seconds', seconds: minutes * 60 },
      limitS: minutes * 60,
    });
    return w.waterG - massG(pot.content);
  };
  refuse(!(lostG > losesG(STEAM.least) && lostG < losesG(STEAM.most)), 'steam');
  let [low, high] = [Math.log(STEAM.least), Math.log(STEAM.most)];
  for (let i = 0; i < STEAM.halvings; i++) {
    const mid = (low + high) / 2;
    if (losesG(Math.exp(mid)) < lostG) low = mid;
    else high = mid;
  }
  return {
    value: Math.exp((low + high) / 2),
    sd: together((Math.SQRT2 * MEASURING.scaleG) / lostG, 2 * MEASURING.modelRel),
  };
}

/** A glass of water in the fridge, read twice. @returns degC of the air there */
export function fridgeOf(glassMl: number, firstC: number, secondC: number, minutes: number): Found {
  const acrossM = MEASURING.glassMm / 1000;
  const depthM = (glassMl * 1e-6) / ((Math.PI * acrossM ** 2) / 4);
  const areaM2 = Math.PI * acrossM * depthM + (Math.PI * acrossM ** 2) / 2;
  const perS = (COOLING.fridgeW * areaM2) / (glassMl * MEASURING.waterJPerGK);
  const airBy = (rate: number) => {
    const left = Math.exp(-rate * minutes * 60);
    return { airC: (secondC - firstC * left) / (1 - left), left };
  };
  refuse(!(secondC < firstC && minutes > 0), 'fridge');
  const { airC, left } = airBy(perS);
  refuse(!(airC > -6 && airC < 15), 'fridge');
  const slower = airBy(perS * (1 - MEASURING.coolsRel)).airC;
  return { value: airC, sd: together(Math.abs(airC - slower), MEASURING.readK / (1 - left)) };
}

/** A thermometer in ice water, or in water that boils. @returns K that it reads too high there */
export function thermometerOf(readC: number, mark: 'ice' | 'boil', altitudeM: number): Found {
  const value = readC - (mark === 'ice' ? 0 : waterBoilsC(altitudeM));
  refuse(Math.abs(value) > 15, 'thermometer');
  return { value, sd: MEASURING.readK };
}

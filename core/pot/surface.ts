import { clamp, table } from '../coefficients';
import type { Mixture } from '../matter/mixture';
import { AIR, evaporationKgPerM2S, latentJPerKg, waterActivity } from './air';
import type { Lid } from './hands';

/** What leaves through the surface and the sides. */
export const SURFACE = table('Surface of the pot', {
  lid: [0.08, '1', 'C', 'evaporation under a lid'],
  lidAjar: [0.35, '1', 'C', 'under a lid ajar'],
  lidW: [10, 'W/m2K', 'B', 'a lid condenses what it gives off to the room'],
  skin: [0.45, '1', 'C', 'evaporation under a milk skin'],
  skinAfterS: [60, 's', 'C', 'still, open milk has one after this'],
  grainBed: [0.7, '1', 'C', 'evaporation of a bed of grains with little liquid left'],
  boundWater: [0.25, 'g/g', 'C', 'water that cannot be boiled out of the rest: the pot is dry'],
  boilS: [1.5, 's', 'C', 'in which heat above the boil becomes steam'],
  boilLeastWPerK: [400, 'W/K', 'C', 'and a spoonful loses its heat above the boil at least this fast'],
  dryMargin: [0.03, 'g/g', 'C', 'the pot is called dry this much before'],
  bedFrom: [0.38, '1', 'C', 'share of grain in the volume from which it is a bed'],
  dryingShare: [0.05, '1', 'C', 'of the mass: the last water comes off slower and slower'],
  lidBase: [0.6, '1', 'C', 'share of the top that still loses heat to the room under a lid'],
  evaporationPerK: [0.05, '1/K', 'B', 'rise of evaporation with temperature'],
  movedW: [800, 'W/m2K', 'C', 'to the surface of a pot that is stirred: evaporation was fitted there'],
  steamBeside: [0.6, '1', 'C', 'evaporation of a bowl in the steam that rises beside it'],
});

const LID: Record<Lid, number> = { off: 1, ajar: SURFACE.lidAjar, on: SURFACE.lid };

type Top = {
  content: Mixture;
  solidsG: number;
  massG: number;
  heatJPerK: number;
  bulkC: number;
  boilsC: number;
  roomC: number;
  pressurePa: number;
  areaM2: number;
  sideM2: number;
  outsideWPerM2K: number;
  lid: Lid;
  skin: boolean;
  grainVolume: number;
  /** from the bulk to the surface, W/m2K: what stands still and thick cools on top and gives off less */
  toSurfaceW: number;
  overSteam: boolean;
  /** of the cook's own pot */
  evaporation: number;
};

/**
 * Evaporation of a surface that cools by it, over that of one as hot as the bulk: y = exp(-x y), with x the slope of
 * evaporation over what brings heat to the surface. Within 1 % (Lambert W by logarithms).
 */
function cooledShare(x: number): number {
  if (x < 1e-6) return 1;
  const l = Math.log(1 + x);
  return (l * (1 - Math.log(1 + l) / (2 + l))) / x;
}

/** Watts and steam that leave, and W/K of it for the approximate Jacobian. */
export function leaves(o: Top) {
  const { content: m, areaM2, bulkC, boilsC, roomC } = o;
  const bed = o.grainVolume > SURFACE.bedFrom ? SURFACE.grainBed : 1;
  const cover = LID[o.lid] * (o.skin ? SURFACE.skin : 1) * bed * o.evaporation;
  const wet = clamp((m.waterG - SURFACE.boundWater * o.solidsG) / (SURFACE.dryingShare * o.massG), 0, 1);
  const openKgPerM2S =
    wet *
    cover *
    (o.overSteam ? SURFACE.steamBeside : 1) *
    evaporationKgPerM2S(
      Math.min(bulkC, boilsC),
      roomC,
      waterActivity(m.bindsG, m.waterG),
      o.pressurePa,
      AIR.surfaceWPerM2K,
    );
  const latentJ = latentJPerKg(bulkC);
  const perSurfaceK = SURFACE.evaporationPerK * openKgPerM2S * latentJ;
  const fluxKgPerM2S =
    openKgPerM2S * Math.min(1, cooledShare(perSurfaceK / o.toSurfaceW) / cooledShare(perSurfaceK / SURFACE.movedW));
  const bareM2 = o.sideM2 + areaM2 * (o.lid === 'off' ? 1 : SURFACE.lidBase);
  const boilWPerK = Math.max(o.heatJPerK / SURFACE.boilS, SURFACE.boilLeastWPerK);
  const boilW = boilWPerK * Math.max(0, bulkC - boilsC);
  const lidW = o.lid === 'on' ? SURFACE.lidW * areaM2 * (bulkC - roomC) : 0;
  const boilKgPerS = (wet * Math.max(0, boilW - lidW)) / latentJ;
  const evaporatesW = fluxKgPerM2S * areaM2 * latentJ;
  return {
    evaporatesW,
    boilW,
    boilKgPerS,
    latentJ,
    sideW: o.outsideWPerM2K * bareM2 * (bulkC - roomC),
    goneGPerS: 1000 * (fluxKgPerM2S * areaM2 + boilKgPerS),
    perK: o.outsideWPerM2K * bareM2 + SURFACE.evaporationPerK * evaporatesW + (bulkC > boilsC ? boilWPerK : 0),
  };
}

import { GEL } from '../set/firmness';
import { FILL, SCALE_SD_REL, toSpoons, type SpoonSystem } from '../units/measures';
import type { Plan } from './plan';

/** Spread of the starch by how it is measured, relative. */
export function starchSdRel(measure: Plan['starchMeasure']): number {
  if (measure === 'scale') return SCALE_SD_REL;
  return measure === 'level spoons' ? FILL.level.sdRel : FILL.rounded.sdRel;
}

/** What level spoons in place of the exact grams do to the set: ratio of yield stress, and the spoons. */
export function spoonEffect(
  grams: number,
  densityGPerMl: number,
  system: SpoonSystem,
): ReturnType<typeof toSpoons> & { stressRatio: number } {
  const spoons = toSpoons(grams, densityGPerMl, system);
  return { ...spoons, stressRatio: grams > 0 ? (spoons.grams / grams) ** GEL.power : 1 };
}

import { table } from '../coefficients';
import type { Base } from '../pantry/ingredient';

/** Boiling over: vapour lifts foam faster than it drains. Skin: what forms on milk that is left alone. */
const RISE = table('Foam and skin', {
  dairyS: [7, 's', 'C', 'life of foam in dairy'],
  coconutS: [6, 's', 'C', 'in coconut'],
  plantS: [5, 's', 'C', 'in nut, soy, oat drinks and water'],
  thick: [0.6, '1', 'C', 'a thick paste plops, it does not rise'],
  thickAbovePaS: [0.3, 'Pa s', 'C', 'viscosity from which it is thick'],
  stirred: [0.5, '1', 'C', 'the spoon breaks the foam'],
  skin: [1.5, '1', 'C', 'a skin traps the steam'],
  lid: [1.6, '1', 'C', 'a lid keeps the foam warm and wet'],
  skinFromC: [50, 'degC', 'B', 'a skin forms on still, open dairy above this'],
  skinS: [240, 's', 'C', 'to a skin that can be lifted'],
  steamKgPerM3: [0.598, 'kg/m3', 'A', 'steam at 100 degC'],
  watch: [0.5, '1', 'C', 'foam index from which to watch it'],
  over: [1, '1', 'C', 'foam index at which it comes over the rim'],
});
export const FOAM = RISE;

/**
 * Foam index: vapour velocity x life of the foam over the head-room. Below .5 safe, above 1 it boils over.
 * @param vapourKgPerS steam that bubbles through
 */
export function foamIndex({
  base,
  vapourKgPerS,
  areaM2,
  headroomM,
  viscosityPaS,
  stirred,
  skin,
  lid,
}: {
  base: Base;
  vapourKgPerS: number;
  areaM2: number;
  headroomM: number;
  viscosityPaS: number;
  stirred: boolean;
  skin: boolean;
  lid: boolean;
}): number {
  const lifeS = base === 'dairy' ? FOAM.dairyS : base === 'coconut' ? FOAM.coconutS : FOAM.plantS;
  const velocity = vapourKgPerS / (FOAM.steamKgPerM3 * areaM2);
  return (
    ((velocity * lifeS) / Math.max(0.003, headroomM)) *
    (viscosityPaS > FOAM.thickAbovePaS ? FOAM.thick : 1) *
    (stirred ? FOAM.stirred : 1) *
    (skin ? FOAM.skin : 1) *
    (lid ? FOAM.lid : 1)
  );
}

/** Seconds from the first foam to the rim. */
export const riseS = (vapourKgPerS: number, areaM2: number, headroomM: number): number =>
  headroomM / (vapourKgPerS / (FOAM.steamKgPerM3 * areaM2));

/** Chance, 0 to 1, that the largest foam index of the cook came over the rim (C: index known to half its size). */
export const boilOverChance = (index: number): number => 1 / (1 + Math.max(1e-6, index) ** -4);

/** Skin, 0 to 1, after still, open seconds above 50 degC. */
export const skinAfter = (stillS: number): number => 1 - Math.exp(-stillS / FOAM.skinS);

import type { Base } from '../pantry/ingredient';

/** Catching at the floor of the pan (all C: the ordering is solid, the scale is within a factor of 2.5). */
export const SCORCH = {
  /** s to a noticeable taste at 120 degC, fully stuck */
  secondsAt120: 450,
  joulePerMol: 130000,
  /** s without the spoon at which half of a film sticks */
  stickS: 20,
  /** degC: nothing below, full rate above */
  rampFromC: 98,
  rampToC: 110,
  /** milk solids that can catch */
  solids: { dairy: 1, coconut: 0.8, nut: 0.6, soy: 0.8, oat: 0.8, water: 0.4 } satisfies Record<Base, number>,
  /** what the sum means: film to scrape, brown specks, taste through everything, ruined */
  film: 0.3,
  specks: 0.6,
  taste: 1,
  ruined: 3,
  /** relative spread, natural log of the factor */
  sdLn: Math.log(2.5),
} as const;

/** Growth of the scorch sum, 1/s. @param stillS seconds since the spoon last passed */
export function scorchRate(panC: number, stillS: number, base: Base): number {
  const ramp = Math.min(1, Math.max(0, (panC - SCORCH.rampFromC) / (SCORCH.rampToC - SCORCH.rampFromC)));
  if (ramp === 0) return 0;
  const stuck = stillS / (stillS + SCORCH.stickS);
  const heat = Math.exp((SCORCH.joulePerMol / 8.314) * (1 / 393.15 - 1 / (panC + 273.15)));
  return (stuck * SCORCH.solids[base] * ramp * heat) / SCORCH.secondsAt120;
}

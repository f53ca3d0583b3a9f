import { arrhenius, clamp, table } from '../coefficients';
import type { Base } from '../pantry/ingredient';

/** Catching at the floor of the pan. All C: the ordering is solid, the scale is within a factor of 2.5. */
const CATCH = table('Catching at the floor', {
  secondsAt120: [450, 's', 'C', 'to a noticeable taste at 120 degC, fully stuck'],
  joulePerMol: [130000, 'J/mol', 'B', 'browning, 100 to 140 kJ/mol'],
  stickS: [
    55,
    's',
    'C',
    'without the spoon at which half of a film sticks; fitted: every 20 to 30 s is enough for rice',
  ],
  rampFromC: [98, 'degC', 'C', 'nothing below'],
  rampToC: [110, 'degC', 'C', 'full rate above'],
  sugar: [1.2, '1', 'C', 'sugar early: rate x (1 + this x sugar fraction)'],
  film: [0.3, '1', 'C', 'a film to scrape off, no taste'],
  specks: [0.6, '1', 'C', 'brown specks if it is scraped'],
  taste: [1, '1', 'C', 'the taste goes through everything'],
  ruined: [3, '1', 'C', 'ruined'],
  sdLn: [Math.log(2.5), '1', 'C', 'spread of the scale, natural log'],
});

export const SCORCH = {
  ...CATCH,
  /** milk solids that can catch (C) */
  solids: { dairy: 1, coconut: 0.8, nut: 0.6, soy: 0.8, oat: 0.8, water: 0.4 } satisfies Record<Base, number>,
} as const;

/** Growth of the scorch sum, 1/s. @param stillS seconds since the spoon last passed */
export function scorchRate(panC: number, stillS: number, base: Base, sugarFraction = 0): number {
  const ramp = clamp((panC - SCORCH.rampFromC) / (SCORCH.rampToC - SCORCH.rampFromC), 0, 1);
  if (ramp === 0) return 0;
  // a film that is wiped soon has hardly begun to stick
  const stuck = 1 / (1 + (SCORCH.stickS / stillS) ** 2);
  return (
    (stuck *
      SCORCH.solids[base] *
      (1 + SCORCH.sugar * sugarFraction) *
      ramp *
      arrhenius(SCORCH.joulePerMol, 120, panC)) /
    SCORCH.secondsAt120
  );
}

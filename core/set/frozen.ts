import { table } from '../coefficients';
import { COOLING, freezesBelowC } from './cooling';

/** Ice in a frozen cream: how hard it bites, and when it comes out of its mould. */
export const FROZEN = table('Frozen', {
  soft: [0.45, '1', 'C', 'share of the mass that is ice below which it is scooped'],
  hard: [0.66, '1', 'C', 'and above which it is hard as ice'],
  icePa: [4e5, 'Pa', 'C', 'modulus that ice adds, by its share squared'],
  filmM: [1.5e-4, 'm', 'C', 'that has to melt before it pulls'],
  waterW: [250, 'W/m2K', 'B', 'warm water on the mould'],
  waterC: [40, 'degC', 'B', 'warm water from the tap'],
  airW: [11, 'W/m2K', 'B', 'air of the room on the mould'],
});

export type Frozen = {
  /** hours to frozen through; NaN if never */
  throughH: number;
  /** share of the mass that is ice when it is eaten */
  iceShare: number;
  bite: 'soft' | 'bites' | 'hard';
  /** s until it pulls: in the room, under warm water */
  pullsRoomS: number;
  pullsWaterS: number;
};

/** Share of the mass that is ice at a temperature, 0 to 1: what is not frozen keeps the sugar, and stays liquid. */
export function iceShare(tempC: number, sugarFraction: number, waterShare: number): number {
  const freezesC = freezesBelowC(sugarFraction);
  return tempC >= freezesC ? 0 : waterShare * (1 - freezesC / tempC);
}

/** @param tempC at which it is eaten @param roomC of the room it is pulled in */
export function frozenOf(
  throughH: number,
  tempC: number,
  roomC: number,
  sugarFraction: number,
  waterShare: number,
): Frozen {
  const share = iceShare(tempC, sugarFraction, waterShare);
  const filmJ = FROZEN.filmM * 1e6 * share * COOLING.iceJPerG;
  const freezesC = freezesBelowC(sugarFraction);
  return {
    throughH,
    iceShare: share,
    bite: share < FROZEN.soft ? 'soft' : share < FROZEN.hard ? 'bites' : 'hard',
    pullsRoomS: filmJ / (FROZEN.airW * (roomC - freezesC)),
    pullsWaterS: filmJ / (FROZEN.waterW * (FROZEN.waterC - freezesC)),
  };
}

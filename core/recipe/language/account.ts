import type { Level, Place, Sign, VesselWord } from './lexicon';
import type { Thing } from './things';

/** How hot what is in a vessel is. */
export type Warmth = 'cold' | 'hot' | 'cooled';
export type Vessel = {
  id: string;
  kind: VesselWord;
  /** share of each thing that is in it */
  holds: Map<number, number>;
  warmth: Warmth;
  boiled: boolean;
  /** its content is no part of the dish itself */
  side: boolean;
  /** the part of the recipe that is made in it */
  component?: string | undefined;
};

export type Heat = {
  vessel: string;
  until: Sign | 'time' | 'temp';
  min?: number;
  level?: Level;
  lid?: 'on' | 'ajar' | 'off';
  stir?: 'all the time' | 'often' | 'now and then' | 'none';
  overWater?: true;
  tempC?: number;
  /** what was in it meanwhile */
  things: number[];
  sentence: number;
  turn: number;
  /** nothing is waited for: the word of the deed is all there is */
  byDeed?: boolean;
  /** it bubbles meanwhile */
  boils: boolean;
};
export type Bake = {
  tempC?: number;
  min?: number;
  fan?: true;
  cold?: true;
  bath?: true;
  grillMin?: number;
  grill?: true;
  sentence: number;
  turn: number;
};
export type Rest = { where: Exclude<Place, 'oven'>; min?: number; sentence: number; turn: number };
export type Wet =
  | 'cold slurry'
  | 'cold together'
  | 'with sugar'
  | 'with egg'
  | 'rain'
  | 'dry into hot'
  | 'fat first'
  | 'hot onto'
  | 'in water first'
  | 'in cream';
export type Egg = 'tempered' | 'hot onto' | 'straight in' | 'cold' | 'into cooled' | 'folded';

/** Portions that come into a vessel together: of each thing the share of it. */
export type Arrival = { turn: number; portions: { thing: number; share: number }[]; off: boolean };

/**
 * What happened to the things of a recipe, act by act. `sentence` is where it is said, `turn` its place among all acts.
 */
export type Account = {
  things: Thing[];
  /** what goes into the pot, moment by moment */
  order: { things: number[]; sentence: number }[];
  /** the same with shares, and whatever comes later too */
  arrivals: Arrival[];
  wet: Map<number, Wet>;
  /** the sentence in which each thickener was wetted */
  wetAt: Map<number, number>;
  egg?: Egg;
  eggAt?: number;
  heats: Heat[];
  bakes: Bake[];
  rests: Rest[];
  out: Set<number>;
  /** the sentence in which each was taken out */
  outAt: Map<number, number>;
  /** what went from vessel to vessel, all of it or a part */
  pours: { sentence: number; from: 'bowl' | 'pot'; into: 'bowl' | 'pot'; part: boolean }[];
  /** sentences in which something is done */
  heard: Set<number>;
  strained: boolean;
  kind?: { thing: number; fine: 'fine' | 'coarse' | 'flour' };
  soakMin?: number;
  soaked: Set<number>;
  reduce?: number;
  dish?: VesselWord;
  style?: 'cut' | 'turned out' | 'frozen' | 'spooned';
  warm?: boolean;
  /** g or share of each thing that joined later than the rest of it */
  backG: Map<number, number>;
  /** where each thing ended up */
  part: Map<number, 'pot' | 'side' | 'under' | 'top' | 'layer' | 'grease' | 'serve'>;
  sides: { component?: string | undefined; things: number[]; heated: boolean }[];
  /** sugar and grain: what went in before the grain was soft */
  earlySweet: boolean;
  doubleBoiler: boolean;
  forbidsBoil: boolean;
  whipped: Set<number>;
  folded: boolean;
  /** each portion of a thing that went somewhere, with what was there */
  puts: {
    thing: number;
    share: number;
    sentence: number;
    place: 'bowl' | 'pot' | 'side' | 'top';
    beside: number[];
    off: boolean;
  }[];
};

/**
 * What a language says of cooking, as data: each entry is a way of writing, in the small notation of `|`, `?`, `( )` and
 * `\w*`. A language is one file of this shape. Where two entries fit the same letters, the longer one counts.
 */
export type Ways = string;

/** What a verb does with what it names. */
export const DEEDS = [
  'put',
  'pour',
  'mix',
  'rain',
  'fold',
  'back',
  'heat',
  'boil',
  'simmer',
  'bring',
  'cook',
  'fry',
  'stir',
  'turn',
  'off',
  'keep',
  'out',
  'strain',
  'soak',
  'rinse',
  'grind',
  'prepare',
  'grease',
  'preheat',
  'bake',
  'grill',
  'cool',
  'chill',
  'freeze',
  'leave',
  'serve',
  'top',
  'cut',
  'unmould',
  'whip',
  'cover',
  'blend',
] as const;
export type Deed = (typeof DEEDS)[number];

export const VESSELS = [
  'pot',
  'other pot',
  'bowl',
  'blender',
  'cups',
  'moulds',
  'tray',
  'dish',
  'pie',
  'plates',
  'bath',
] as const;
export type VesselWord = (typeof VESSELS)[number];

export const SIGNS = [
  'boil',
  'simmer',
  'steam',
  'soft',
  'thick',
  'coats',
  'gone',
  'dissolved',
  'melted',
  'reduced',
  'smooth',
  'set',
  'golden',
  'cold',
  'warm',
] as const;
export type Sign = (typeof SIGNS)[number];

export const PLACES = ['room', 'fridge', 'freezer', 'ice', 'oven'] as const;
export type Place = (typeof PLACES)[number];

export const LEVELS = ['lowest', 'low', 'medium low', 'medium', 'medium high', 'high'] as const;
export type Level = (typeof LEVELS)[number];

/** A noun that means several things of the pantry: by ids, by their group, or whatever is counted out again. */
export type Class = { ways: Ways; ids?: RegExp; group?: string; comesOut?: true; many?: true };

export type Lexicon = {
  deeds: Readonly<Record<Deed, Ways>>;
  vessels: Readonly<Record<VesselWord, Ways>>;
  signs: Readonly<Record<Sign, Ways>>;
  places: Readonly<Record<Place, Ways>>;
  levels: Readonly<Record<Level, Ways>>;
  lids: Readonly<Record<'on' | 'ajar' | 'off', Ways>>;
  stirring: Readonly<Record<'all the time' | 'often' | 'now and then' | 'none' | 'once', Ways>>;
  /** what is in a vessel, without its name */
  contents: Readonly<Record<'it' | 'kept' | 'mixture' | 'all' | 'dry' | 'slurry' | 'pudding', Ways>>;
  shares: readonly (readonly [Ways, number | 'rest' | 'most' | 'little'])[];
  /** food that the pantry has no figures for: kept by its own name */
  foods: Ways;
  gradual: Ways;
  classes: readonly Class[];
  /** how it is written in haste or as it is spoken, and what it stands for; in this order */
  short: readonly (readonly [Ways, string])[];
  /** heads and lines that are no recipe: what they begin is left out until a head of it comes */
  aside: Ways;
  noise: Ways;
  /** words around what is named */
  words: {
    into: Ways;
    onto: Ways;
    from: Ways;
    together: Ways;
    over: Ways;
    until: Ways;
    when: Ways;
    meanwhile: Ways;
    if: Ways;
    not: Ways;
    more: Ways;
    offHeat: Ways;
    onHeat: Ways;
    overWater: Ways;
    bath: Ways;
    coldOven: Ways;
    fan: Ways;
    hot: Ways;
    cold: Ways;
    beside: Ways;
    onTop: Ways;
    overnight: Ways;
    everyTime: Ways;
    afterTime: Ways;
    keptBack: Ways;
    except: Ways;
    /** what is no food, on a list */
    tool: Ways;
    alternative: Ways;
    /** behind a name, so that the two together are no ingredient */
    notThing: Ways;
    /** how fine grain is ground */
    groundFine: Ways;
    groundCoarse: Ways;
    groundFlour: Ways;
    /** what something is compared with */
    like: Ways;
  };
};

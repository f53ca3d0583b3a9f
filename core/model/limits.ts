import type { Family } from '../plan/plan';

/** What the model does not know, in plain words: shown in the app where it matters and printed on the science page. */
export type Limit = {
  id: string;
  text: string;
  /** where it is worth saying */
  for:
    | 'side pot'
    | 'taste'
    | 'recipe'
    | 'all'
    | 'starch'
    | 'rice'
    | 'grain'
    | 'egg'
    | 'oven'
    | 'frozen'
    | 'plant milk'
    | 'fruit'
    | 'nut';
};

export const LIMITS: readonly Limit[] = [
  {
    id: 'side pot',
    for: 'side pot',
    text: 'Minutes and yields of side pots are kitchen experience, known within a third: go by eye and by the scale.',
  },
  {
    id: 'taste',
    for: 'taste',
    text: 'Sourness is worked out from typical acidity: fruit differs two-fold from basket to basket. Energy is an average, within a tenth.',
  },
  {
    id: 'recipe',
    for: 'recipe',
    text: 'A recipe’s sentences are read for heat, order and time, not understood: look over each line and each mend. What it does not say is taken as usual.',
  },
  {
    id: 'gel',
    for: 'all',
    text: 'How firm a gel gets is fitted to kitchens, not measured in yours: published gels of one strength differ three-fold. Write batches down and it narrows.',
  },
  {
    id: 'pot',
    for: 'all',
    text: 'The pot’s degrees are worked out, not measured. Trust the bubble, the spoon and the smell first.',
  },
  {
    id: 'catch',
    for: 'all',
    text: 'When a floor catches is known within a factor of 2.5; that more spoon and less fire help is sure.',
  },
  {
    id: 'spoon',
    for: 'starch',
    text: 'A recipe’s bare spoon of starch is taken as a rounded one, a third more than level, a fifth either way.',
  },
  {
    id: 'rice',
    for: 'rice',
    text: 'Rice differs by variety more than by its label: its cooking time and where it swells are known within a fifth.',
  },
  {
    id: 'grain',
    for: 'grain',
    text: 'Grain times go with the square of the grind: a grain twice as coarse takes four times as long.',
  },
  {
    id: 'curd',
    for: 'egg',
    text: 'Curdling is placed within about 1.5 °C; a thermometer in the pot is off by one more.',
  },
  {
    id: 'enzyme',
    for: 'egg',
    text: 'How long the yolk’s enzyme lives is disputed: boil starch and yolk together for a minute and it is settled.',
  },
  {
    id: 'oven',
    for: 'oven',
    text: 'Ovens differ by 15 °C from their dial. The trembling middle counts, not the minutes.',
  },
  {
    id: 'frozen',
    for: 'frozen',
    text: 'Freezing is counted with one freezing point; how it feels on the tongue, ice crystals and all, is not modelled.',
  },
  {
    id: 'plant',
    for: 'plant milk',
    text: 'Plant milks differ by brand; their protein is taken to help the set a quarter as much as dairy’s.',
  },
  {
    id: 'fruit',
    for: 'fruit',
    text: 'Acidity is averaged by amount and buffering, a rough guess: stir sour fruit in late and cool.',
  },
  { id: 'nut', for: 'nut', text: 'Ground nuts and gums thicken by a fitted rule from few figures.' },
];

export type Holds = {
  family: Family;
  kinds: readonly string[];
  egg: boolean;
  plantMilk: boolean;
  fruit: boolean;
  nut: boolean;
};

/** One limit's words. @throws RangeError for an id that is none */
export function limit(id: string): string {
  const found = LIMITS.find((l) => l.id === id);
  if (!found) throw new RangeError(`no limit "${id}"`);
  return found.text;
}

/** The limits that this plan touches. */
export const limitsFor = (p: Holds): Limit[] =>
  LIMITS.filter((l) => {
    switch (l.for) {
      case 'side pot':
      case 'taste':
      case 'recipe':
        // said where they matter, by their own rooms
        return false;
      case 'all':
        return true;
      case 'starch':
        return p.kinds.some((k) => k.includes('starch') || k.includes('flour'));
      case 'rice':
        return p.kinds.some((k) => /rice|basmati|jasmine/.test(k));
      case 'grain':
        return p.kinds.some((k) => /ground|semolina|cornmeal/.test(k));
      case 'egg':
        return p.egg;
      case 'oven':
        return p.family === 'baked custard' || p.family === 'baked slab';
      case 'frozen':
        return p.family === 'frozen cream';
      case 'plant milk':
        return p.plantMilk;
      case 'fruit':
        return p.fruit;
      case 'nut':
        return p.nut;
    }
  });

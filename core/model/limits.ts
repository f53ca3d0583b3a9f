import type { Family } from '../plan/plan';
import { say, type Said } from '../say';

/** What the model does not know, in plain words: shown in the app where it matters and printed on the science page. */
export type Limit = {
  id: string;
  /** K, where a difference of degrees is said */
  k?: number;
  /** where it is worth saying */
  for:
    | 'side pot'
    | 'layers'
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
  },
  {
    id: 'layers',
    for: 'layers',
  },
  {
    id: 'taste',
    for: 'taste',
  },
  {
    id: 'recipe',
    for: 'recipe',
  },
  {
    id: 'gel',
    for: 'all',
  },
  {
    id: 'pot',
    for: 'all',
  },
  {
    id: 'catch',
    for: 'all',
  },
  {
    id: 'spoon',
    for: 'starch',
  },
  {
    id: 'rice',
    for: 'rice',
  },
  {
    id: 'grain',
    for: 'grain',
  },
  {
    id: 'curd',
    for: 'egg',
    k: 1.5,
  },
  {
    id: 'enzyme',
    for: 'egg',
  },
  {
    id: 'oven',
    for: 'oven',
    k: 15,
  },
  {
    id: 'frozen',
    for: 'frozen',
  },
  {
    id: 'plant',
    for: 'plant milk',
  },
  {
    id: 'fruit',
    for: 'fruit',
  },
  { id: 'nut', for: 'nut' },
];

export type Holds = {
  family: Family;
  kinds: readonly string[];
  egg: boolean;
  plantMilk: boolean;
  fruit: boolean;
  nut: boolean;
};

/** A limit, to be said. @throws RangeError for an id that is none */
export function limit(id: string): Said {
  const found = LIMITS.find((l) => l.id === id);
  if (!found) throw new RangeError(`no limit "${id}"`);
  return limitSaid(found);
}

export const limitSaid = ({ id, k }: Limit): Said => say(`limit.${id}`, { k });

/** The limits that this plan touches. */
export const limitsFor = (p: Holds): Limit[] =>
  LIMITS.filter((l) => {
    switch (l.for) {
      case 'side pot':
      case 'layers':
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

import { PANS, HOBS, DISHES, MOST_DISHES } from '../pantry/kitchen';
import type { Base, Ingredient } from '../pantry/ingredient';
import { pantryWith } from '../pantry/pantry';
import { PUDDING_G_PER_ML } from '../matter/mixture';
import { suggestSettings } from '../pot/hob';
import { GEL } from '../set/firmness';
import { wetted } from './amounts';
import type { FamilyStart, Share } from './dishStarts';
import { withHands } from './family';
import { laidOut, withOwnSteps } from './layout';
import { PLAN_VERSION, type Family, type Plan } from './plan';

export type Start = {
  id: string;
  name: string;
  milkId: string;
  people: number;
  portionG: number;
  serveAt: string;
  family?: Family;
  /** begins as this dish does, in place of how its family does */
  as?: FamilyStart;
  /** what the pantry that ships does not have */
  own?: Ingredient[];
};

const SWEET: Share = ['sugar', 0.08, 'pot'];
const SALT: Share = ['salt', 0.001, 'pot'];
const VANILLA: Share = ['vanilla', 0.004, 'off the heat'];

/** Where each family sensibly begins; designed with the model, to be solved and changed. */
export const STARTS: Record<Family, FamilyStart> = {
  'starch-set milk pudding': { shares: [['cornstarch', 0.038, 'slurry'], SWEET, SALT, VANILLA], word: 'mounds' },
  'ground-rice cream': {
    shares: [['rice_ground', 0.054, 'grain'], SWEET, SALT],
    word: 'mounds',
    cookOnMin: 6,
    lossRel: 0.14,
  },
  'stirred custard': {
    shares: [['yolk', 0.13, 'bowl'], ['sugar', 0.11, 'bowl'], VANILLA],
    word: 'pours',
    hours: 4,
    stirEveryS: 2,
  },
  'egg-enriched pudding': {
    shares: [['rice_ground', 0.055, 'grain'], ['yolk', 0.05, 'bowl'], ['sugar', 0.09, 'bowl'], SALT],
    word: 'mounds',
    cookOnMin: 3,
    lossRel: 0.14,
  },
  'baked custard': {
    shares: [['egg', 0.21, 'bowl'], ['sugar', 0.1, 'pot'], VANILLA],
    word: 'wobbles',
    dish: 1,
    choices: { bath: 'open', ovenC: 160 },
  },
  'whole-rice pudding': {
    shares: [['rice_short', 0.103, 'grain'], ['sugar', 0.05, 'late'], SALT],
    word: 'mounds',
    cookOnMin: 0,
    lossRel: 0.25,
  },
  porridge: {
    shares: [['semolina', 0.084, 'grain'], ['sugar', 0.06, 'pot'], SALT],
    word: 'mounds',
    tempC: 55,
    hours: 0.25,
    cookOnMin: 3,
    choices: { grain: 'into boiling milk' },
  },
  'baked slab': {
    shares: [['semolina', 0.064, 'grain'], ['sugar', 0.1, 'pot'], SALT],
    word: 'slices',
    style: 'cut',
    dish: 4,
    cookOnMin: 2,
    lossRel: 0.18,
  },
  'frozen cream': {
    shares: [['cornstarch', 0.012, 'slurry'], SWEET],
    word: 'firm',
    style: 'turned out',
    tempC: -8,
    hours: 12,
    dish: 0,
    choices: { cooling: 'freezer', reduceTo: 0.5, starch: 'last' },
    lossRel: 0.5,
  },
};

/** Thickener for the same set, against dairy, by what the liquid is made of (C): thin drinks want more, rich cans less. */
const AGAINST_DAIRY: Record<Base, number> = { dairy: 1, coconut: 0.9, soy: 1.15, oat: 1.2, nut: 1.28, water: 1.3 };

/** A dish that holds more than this is one for all; the others are filled so far, and as many as it takes. */
const ONE_FOR_ALL_ML = 600;
const FILLED = 0.95;

/** How many of a dish so many portions take. @param portionG g each */
export const dishesFor = ({ capacityMl }: { capacityMl: number }, people: number, portionG: number): number =>
  capacityMl > ONE_FOR_ALL_ML
    ? 1
    : Math.min(
        MOST_DISHES,
        Math.max(people, Math.ceil((people * portionG) / PUDDING_G_PER_ML / (FILLED * capacityMl))),
      );

/** Egg that sets coconut as firm as dairy: its fat does a part (C). */
const EGG_IN_COCONUT = 0.87;

/** A sensible first plan for a family, a milk and a number of people: to be solved for its word afterwards. */
export function newPlan(s: Start): Plan {
  const family = s.family ?? 'starch-set milk pudding';
  const start = s.as ?? STARTS[family];
  const totalG = (s.people * s.portionG) / (1 - (start.lossRel ?? 0.065));
  const pan = { ...(totalG > 2200 ? PANS[2]! : totalG < 500 ? PANS[0]! : PANS[1]!) };
  const { name: _ring, ...hob } = (totalG > 1400 ? HOBS[2] : HOBS[1])!;
  const { name: _dish, ...dish } = DISHES[start.dish ?? 1]!;
  const tidy = (grams: number) => (grams >= 20 ? Math.round(grams) : Math.max(0.5, Math.round(grams * 2) / 2));
  const known = pantryWith(s.own ?? []);
  const base = known.get(s.milkId)?.base ?? 'dairy';
  const times = { thickener: AGAINST_DAIRY[base], egg: base === 'coconut' ? EGG_IN_COCONUT : 1 };
  const shares = start.shares.map(([id, share, bowl]): Share => {
    const group = known.get(id)?.group;
    return [id, share * (group === 'thickener' || group === 'egg' ? times[group] : 1), bowl];
  });
  const milkShare = 1 - shares.reduce((sum, [, share]) => sum + share, 0);
  const hours = start.hours ?? 5;
  const { things, puts } = laidOut([
    { ingredientId: s.milkId, grams: tidy(totalG * milkShare), in: 'pot' },
    ...shares.map(([ingredientId, share, bowl]) => ({ ingredientId, grams: tidy(totalG * share), in: bowl })),
  ]);
  const plan: Plan = {
    format: 'ovalis-plan',
    version: PLAN_VERSION,
    id: s.id,
    name: s.name,
    family,
    people: s.people,
    portionG: s.portionG,
    things,
    acts: puts,
    vessels: [],
    starchMeasure: 'level spoons',
    pan,
    hob,
    method: {
      ...suggestSettings(hob, pan.diameterMm, totalG),
      slurryAtC: 60,
      cookOnMin: start.cookOnMin ?? 2,
      stirEveryS: start.stirEveryS ?? 3,
    },
    choices: start.choices ?? {},
    dish: { ...dish, count: dishesFor(dish, s.people, s.portionG) },
    rules: [],
    rest: { roomMin: Math.min(15, hours * 60), fridgeC: 4, covered: true, hours },
    serve: { style: start.style ?? 'spooned', word: start.word, tempC: start.tempC ?? 8, at: s.serveAt },
    portions: [],
    room: { tempC: 21, altitudeM: 0 },
    own: s.own ?? [],
    firmness: { factor: 1, sdLn: GEL.sdLn },
  };
  return start.steps ? withOwnSteps(wetted(plan), withHands(plan, start.steps)) : wetted(plan);
}

import { servingStress } from '../model/forecast';
import type { Allergen, Ingredient } from '../pantry/ingredient';
import { DISHES, type Dish } from '../pantry/kitchen';
import { GRAINS } from '../pot/grain';
import { yieldAtPlace } from '../texture/words';
import { asDish, type Vessel } from '../vessels/vessel';
import { dishFit } from '../vessels/fit';
import { wetted, usualBowl } from '../plan/amounts';
import { eachLine, linesOf, partsOf, preparationsOf, withLines, withOwnSteps, withPreparations } from '../plan/layout';
import { purposeOf } from '../plan/method';
import { lookUp, pantryOf } from '../plan/bowls';
import { methodOf } from '../plan/family';
import type { Family, Plan } from '../plan/plan';
import { ruleAgainst } from '../plan/rules';
import { differences, tell, type Difference } from './differences';
import { solve, swapThickener } from './solve';
import { holdSweetness } from '../plan/sweetness';
import { say, type Said } from '../say';

/** "I have none": something else in its place, brought back to the same set and sweetness, and what it costs. */

type Instead = readonly [toId: string, gramsPerGram: number, note?: Said];

/** What cooks take where one thing is missing: first the nearest. Grams for a gram; what the tongue notices. */
const INSTEAD: Readonly<Record<string, readonly Instead[]>> = {
  milk_whole: [
    ['milk_semi', 1, say('advice.aLittleLeaner')],
    ['soy_drink', 1, say('advice.beanySetsWell')],
    ['oat_drink', 1, say('advice.sweetAndCereal')],
    ['coconut_milk', 1, say('advice.tastesOfCoconutHeavy')],
    ['evaporated', 0.5, say('advice.caramelNoteFillUpWith')],
  ],
  cream_35: [
    ['double_cream', 0.73, say('advice.theSameFatFromLess')],
    ['coconut_cream', 1, say('advice.tastesOfCoconut')],
    ['milk_whole', 1, say('advice.leanerLessRound')],
  ],
  coconut_milk: [
    ['coconut_cream', 0.62, say('advice.theSameFatFromLess')],
    ['cream_20', 1, say('advice.noCoconutInIt')],
    ['milk_whole', 1, say('advice.leanerNoCoconut')],
  ],
  condensed: [
    ['evaporated', 1, say('advice.sugarHasToBeAdded')],
    ['milk_whole', 1, say('advice.thinCookItDownSugar')],
  ],
  butter: [
    ['ghee', 0.82, say('advice.noDifferenceHere')],
    ['coconut_oil', 0.81, say('advice.aBreathOfCoconut')],
    ['oil', 0.81, say('advice.rounderMouthNoButterTaste')],
  ],
  yolk: [
    ['egg', 1.6, say('advice.palerFirmerCurdLessRich')],
    ['custard_powder', 0.35, say('advice.yellowTastesOfVanillaNo')],
  ],
  egg: [
    ['yolk', 0.75, say('advice.richerAndSofter')],
    ['custard_powder', 0.2, say('advice.yellowNoEggInIt')],
  ],
  vanilla: [
    ['vanilla_pod', 0.8, say('advice.rounderGoesInEarlyAnd')],
    ['flower_water', 1, say('advice.floweryInstead')],
    ['cinnamon', 1, say('advice.spiceInstead')],
    ['lemon_peel', 1.5, say('advice.freshInstead')],
  ],
  vanilla_pod: [['vanilla', 1.2, say('advice.offTheHeatContainsAlcohol')]],
  cinnamon: [
    ['cinnamon_ground', 0.6, say('advice.brownSpecksTastesAtOnce')],
    ['clove', 0.2, say('advice.sharperAFewAreEnough')],
    ['star_anise', 0.8, say('advice.liquorice')],
  ],
  cardamom: [
    ['ginger', 3, say('advice.hotter')],
    ['cinnamon', 1, say('advice.warmerLessFresh')],
  ],
  orange_leaf: [
    ['orange_peel', 2, say('advice.moreBitter')],
    ['flower_water', 1, say('advice.strongerOffTheHeat')],
    ['bay_leaf', 0.6, say('advice.greenerAHintOfSpice')],
  ],
  flower_water: [
    ['rose_water', 1, say('advice.sweeterScent')],
    ['orange_peel', 2, say('advice.fromTheStartAndComes')],
  ],
  mastic: [
    ['xanthan', 0.1, say('advice.theStretchWithoutTheScent')],
    ['star_anise', 0.5, say('advice.aScentWithoutTheStretch')],
  ],
  coconut_grated: [
    ['almonds_chopped', 1, say('advice.nutInsteadOfCoconut')],
    ['coconut_cream', 0.6, say('advice.theTasteWithoutTheBite')],
  ],
  raisins: [['fruit_apricot', 1.5, say('advice.sourerGivesWater')]],
  saffron: [['cinnamon_ground', 1, say('advice.colourOfSandAnotherScent')]],
  semolina: [
    ['cornmeal_fine', 1, say('advice.yellowTastesOfMaize')],
    ['rice_ground', 1, say('advice.whiteQuieter')],
  ],
  lemon_juice: [['orange_juice', 4, say('advice.muchMilder')]],
  honey: [
    ['maple', 1.15, say('advice.caramelThinner')],
    ['sugar', 0.8, say('advice.plainSweet')],
  ],
};

export type Candidate = { toId: string; note: Said | undefined; factor: number };

/** What could stand in for an ingredient: cooks' own swaps first, then its group; the plan's rules are kept. */
export function candidatesFor(plan: Plan, fromId: string, most = 8): Candidate[] {
  const from = lookUp(plan, fromId);
  const known = (INSTEAD[fromId] ?? []).map(([toId, factor, note]) => ({ toId, factor, note }));
  const group = [...pantryOf(plan).values()]
    .filter((i) => i.group === from.group && (from.group !== 'thickener' || i.thickener !== undefined))
    .filter((i) => from.group !== 'milk' || i.id !== 'water')
    .map((i) => ({
      toId: i.id,
      factor: 1,
      note: i.base && i.base !== from.base ? say('advice.madeOf', { base: i.base }) : undefined,
    }));
  const seen = new Set([fromId, ...plan.things.map((i) => i.ingredientId)]);
  return [...known, ...group]
    .filter((c) => {
      if (seen.has(c.toId)) return false;
      seen.add(c.toId);
      const to = pantryOf(plan).get(c.toId);
      return to !== undefined && ruleAgainst(to, plan.rules) === undefined;
    })
    .slice(0, most);
}

/** The thickener that a set is held with: the first that is not a whole grain. */
const holdsWith = (plan: Plan, but?: string): string | undefined =>
  plan.things.find((i) => {
    const x = lookUp(plan, i.ingredientId);
    return (
      i.ingredientId !== but &&
      x.group === 'thickener' &&
      (x.thickener ? GRAINS[x.thickener].form !== 'kernel' : x.gum !== undefined)
    );
  })?.ingredientId;

/** `next` with its thickener moved so that it sets like `before`. Undefined where no amount does. */
export function holdSet(before: Plan, next: Plan, but?: string): Plan | undefined {
  const id = holdsWith(next, but);
  if (!id) return undefined;
  // a custard that only flows has its place on the strip and no yield stress
  const { stress, place, bounds } = servingStress(before);
  const stressPa = Math.max(stress, yieldAtPlace(place, bounds));
  const s = solve(next, { free: [{ ingredientId: id, minG: 0.2 }], stressPa });
  return s.ok ? s.plan : undefined;
}

/** Sweetness and set brought back; twice, because sugar softens and starch dilutes. */
function bringBack(before: Plan, next: Plan): { plan: Plan; held: boolean } {
  let plan = next;
  let held = true;
  for (let i = 0; i < 2 && held; i++) {
    const sweet = holdSweetness(before, plan);
    const set = holdSet(before, sweet);
    held = set !== undefined;
    plan = set ?? sweet;
  }
  return { plan: tidy(plan), held };
}

/** Another thing in the place of one, its own amount; nothing brought back yet. */
function replaceItem(plan: Plan, fromId: string, toId: string, factor: number): Plan {
  const to = lookUp(plan, toId);
  const from = lookUp(plan, fromId);
  const there = plan.things.find((i) => i.ingredientId === toId);
  const lines = linesOf(plan).flatMap((i) => {
    if (i.ingredientId === toId) return [];
    if (i.ingredientId !== fromId) return [i];
    const grams = Math.min(20000, i.grams * factor + (there?.grams ?? 0));
    const bowl = to.group === from.group && to.comesOut === from.comesOut ? i.in : usualBowl(to);
    return [{ ingredientId: toId, grams, in: bowl }];
  });
  const parts = partsOf(plan)
    .filter((c) => c.ingredientId !== toId)
    .map((c) => (c.ingredientId === fromId ? { ...c, ingredientId: toId, grams: c.grams * factor } : c));
  return wetted(withLines(plan, lines, parts));
}

/** `held`: the set is as before. Where no amount does that, `plan` is the nearest that was found, and `why` says so. */
export type Swapped =
  { ok: true; plan: Plan; asIs: Plan; held: boolean; why?: Said } | { ok: false; plan: Plan; why: Said };

/** One ingredient for another at equal set and sweetness, where amounts can bring that about. */
export function swapIngredient(plan: Plan, fromId: string, c: Candidate): Swapped {
  const item = plan.things.find((i) => i.ingredientId === fromId);
  if (!item) return { ok: false, plan, why: say('solve.isNotInThePlan', { ingredientId: fromId }) };
  const from = lookUp(plan, fromId);
  const to = lookUp(plan, c.toId);
  const asIs = replaceItem(plan, fromId, c.toId, c.factor);
  if (from.group === 'thickener' && to.group === 'thickener') {
    const s = swapThickener(plan, fromId, c.toId);
    if (s.ok) return { ok: true, plan: tidy(s.plan), asIs, held: true };
    return { ok: true, plan: tidy(s.nearest ?? asIs), asIs, held: false, why: s.why };
  }
  return { ok: true, asIs, ...bringBack(plan, asIs) };
}

const tidy = (plan: Plan): Plan => ({
  ...plan,
  things: plan.things.map((i) => ({
    ...i,
    grams: i.grams >= 20 ? Math.round(i.grams) : Math.round(i.grams * 10) / 10,
  })),
});

/** What another plan costs against this one. */
export const costsOf = (plan: Plan, other: Plan): Difference[] =>
  differences(tell(say('advice.asPlanned'), plan), tell(say('advice.instead'), other));

const WITHOUT_EGG: Partial<Record<Family, Family>> = {
  'stirred custard': 'starch-set milk pudding',
  'baked custard': 'starch-set milk pudding',
  'egg-enriched pudding': 'ground-rice cream',
};

const FREE_OF = ['egg', 'milk', 'wheat', 'nuts', 'coconut', 'soy', 'alcohol'] as const;
export type FreeOf = (typeof FREE_OF)[number];

const isIt = (i: Ingredient, what: FreeOf): boolean => {
  const any = (...a: Allergen[]) => a.some((x) => i.allergens.includes(x));
  switch (what) {
    case 'egg':
      return i.egg !== undefined || any('egg');
    case 'milk':
      return any('milk');
    case 'wheat':
      return any('wheat');
    case 'nuts':
      return any('tree nuts', 'peanut');
    case 'coconut':
    case 'soy':
      return any(what);
    case 'alcohol':
      return i.alcohol === true;
  }
};

/** First of these that the plan's rules allow and that is free of it itself. */
const FREE_SWAPS: Record<FreeOf, Partial<Record<Ingredient['group'], readonly Instead[]>>> = {
  egg: {},
  milk: {
    milk: [
      ['oat_drink', 1],
      ['soy_drink', 1],
      ['rice_drink', 1],
    ],
    fat: [
      ['coconut_oil', 0.81],
      ['oil', 0.81],
    ],
  },
  wheat: {
    thickener: [
      ['rice_ground', 1],
      ['rice_flour', 1],
    ],
  },
  nuts: {
    milk: [
      ['oat_drink', 1],
      ['soy_drink', 1],
      ['milk_whole', 1],
    ],
    piece: [['coconut_grated', 1]],
  },
  coconut: {
    milk: [
      ['cream_20', 1],
      ['oat_drink', 1],
      ['soy_drink', 1],
    ],
    fat: [['oil', 1.2]],
    piece: [['almonds_chopped', 1]],
  },
  soy: {
    milk: [
      ['oat_drink', 1],
      ['milk_whole', 1],
      ['rice_drink', 1],
    ],
  },
  alcohol: { flavour: [['vanilla_pod', 0.8]] },
};
const CREAMY_FAT_PCT = 15;

/**
 * The plan without egg, milk, wheat, nuts or alcohol, at the same set: each offending thing swapped, or taken out with
 * milk and starch in its place.
 */
export function makeFree(plan: Plan, what: FreeOf): Swapped {
  const offends = plan.things.filter((i) => isIt(lookUp(plan, i.ingredientId), what));
  const isMeant = (id: string) => isIt(lookUp(plan, id), what);
  let next: Plan = withPreparations(
    { ...plan, vessels: plan.vessels.filter((v) => !v.things.some((t) => isMeant(t.ingredientId))) },
    preparationsOf(plan).filter((p) => {
      const id = 'whatId' in p ? p.whatId : 'creamId' in p ? p.creamId : 'spiceId' in p ? p.spiceId : undefined;
      return id === undefined || !isMeant(id);
    }),
  );
  for (const item of offends) {
    const i = lookUp(plan, item.ingredientId);
    const swaps = [
      ...(what === 'milk' && i.per100.fat > CREAMY_FAT_PCT && i.group === 'milk'
        ? ([['coconut_cream', Math.min(1.2, i.per100.fat / 29), '']] as const)
        : []),
      ...(what === 'milk' && i.per100.sugar > 20 ? ([['coconut_cream', 1]] as const) : []),
      ...(what === 'wheat' && i.thickener === 'wheat flour' ? ([['rice_flour', 1]] as const) : []),
      ...(FREE_SWAPS[what][i.group] ?? []),
    ];
    const to = swaps.find(([id]) => {
      const x = pantryOf(plan).get(id);
      return x && !isIt(x, what) && ruleAgainst(x, plan.rules) === undefined;
    });
    if (to) next = replaceItem(next, item.ingredientId, to[0], to[1]);
    else {
      // nothing stands in: it goes, and its water and fat come back as milk
      const milk = next.things
        .filter((x) => lookUp(next, x.ingredientId).group === 'milk' && x.ingredientId !== item.ingredientId)
        .sort((a, b) => b.grams - a.grams)[0];
      if (!milk && i.group === 'milk') return { ok: false, plan, why: say('solve.noMilkAllowed') };
      const back = i.group === 'egg' ? item.grams : 0;
      next = withLines(
        next,
        linesOf(next)
          .filter((x) => x.ingredientId !== item.ingredientId)
          .map((x) => (x.ingredientId === milk?.ingredientId ? { ...x, grams: x.grams + back } : x)),
      );
    }
  }
  if (what === 'egg') {
    // nothing is left for the bowl of egg to carry, so its sugar starts in the pot
    next = {
      ...eachLine(next, (i) => (['bowl', 'fold in'].includes(purposeOf(i.in)) ? { ...i, in: 'pot' } : i)),
      family: WITHOUT_EGG[next.family] ?? next.family,
      method: { ...next.method, cookOnMin: Math.max(1, next.method.cookOnMin) },
    };
    const { yolks: _y, eggOff: _e, bath: _b, ovenC: _o, ...choices } = next.choices;
    next = { ...next, choices };
  }
  if (!next.things.some((i) => lookUp(next, i.ingredientId).group === 'thickener'))
    next = withLines(next, [...linesOf(next), { ingredientId: 'cornstarch', grams: 20, in: 'slurry' }]);
  next = wetted(next);
  return { ok: true, asIs: next, ...bringBack(plan, next) };
}

/** What the plan could be made free of: only what is in it. */
export const couldBeFreeOf = (plan: Plan): FreeOf[] =>
  FREE_OF.filter((w) => plan.things.some((i) => i.grams > 0 && isIt(lookUp(plan, i.ingredientId), w)));

type ToolSwap = {
  id: string;
  missing: Said;
  instead: Said;
  note: Said;
  fits(plan: Plan): boolean;
  apply(plan: Plan): Plan;
  /** how it goes when it goes badly, where that is what it costs */
  atWorst?(plan: Plan): Plan;
};

const baked = (p: Plan) => methodOf(p).some((s) => s.do === 'bake');
const choose = (plan: Plan, c: Partial<Plan['choices']>): Plan => ({ ...plan, choices: { ...plan.choices, ...c } });
/** Without a thermometer a custard is judged a few degrees late, K (C). */
const BLIND_K = 3;

export const TOOL_SWAPS: readonly ToolSwap[] = [
  {
    id: 'whisk',
    missing: say('advice.aWhisk'),
    instead: say('advice.aSpoonOrAFork'),
    note: say('advice.starchIntoTwiceItsWeight'),
    fits: () => true,
    apply: (p) => choose(p, { hands: 'spoon only' }),
  },
  {
    id: 'scale',
    missing: say('advice.aScale'),
    instead: say('advice.levelSpoonsAndCups'),
    note: say('advice.sweepEachSpoonFlatWith'),
    fits: (p) => p.starchMeasure === 'scale',
    apply: (p) => ({ ...p, starchMeasure: 'level spoons' }),
  },
  {
    id: 'thermometer',
    missing: say('advice.aThermometer'),
    instead: say('advice.theBackOfASpoon'),
    note: say('advice.stopWhenAFingerLine'),
    fits: (p) => methodOf(p).some((s) => s.do === 'heat' && s.until.reach === 'temperature' && s.until.tempC > 75),
    apply: (p) => p,
    atWorst: (p) =>
      withOwnSteps(
        p,
        methodOf(p).map((s) =>
          s.do === 'heat' && s.until.reach === 'temperature' && s.until.tempC < 84
            ? { ...s, until: { reach: 'temperature' as const, tempC: s.until.tempC + BLIND_K } }
            : s,
        ),
      ),
  },
  {
    id: 'double boiler',
    missing: say('advice.aDoubleBoiler'),
    instead: say('advice.theLowestRing'),
    note: say('advice.stirAllTheTimeAnd'),
    fits: (p) => p.choices.heat === 'double boiler',
    apply: (p) => choose(p, { heat: 'direct', start: 'low throughout' }),
  },
  {
    id: 'thick pan',
    missing: say('advice.aPanThatDoesNot'),
    instead: say('advice.aDoubleBoiler'),
    note: say('advice.aThinSteelBowlOver'),
    fits: (p) => (p.choices.heat ?? 'direct') === 'direct',
    apply: (p) => choose(p, { heat: 'double boiler' }),
  },
  {
    id: 'oven',
    missing: say('advice.anOven'),
    instead: say('advice.theHob'),
    note: say('advice.itIsThickenedInThe'),
    fits: baked,
    apply: (p) => ({
      ...p,
      family: p.family === 'baked custard' ? 'stirred custard' : p.family === 'baked slab' ? 'porridge' : p.family,
    }),
  },
  {
    id: 'fridge',
    missing: say('advice.roomInTheFridge'),
    instead: say('advice.iceAndWater'),
    note: say('advice.setTheDishInIt'),
    fits: (p) => p.choices.cooling !== 'ice bath' && p.rest.hours > 0,
    apply: (p) => choose(p, { cooling: 'ice bath' }),
  },
  {
    id: 'cover',
    missing: say('advice.filmToCoverIt'),
    instead: say('advice.nothingOrAPlate'),
    note: say('advice.aSkinGrowsSomeWant'),
    fits: (p) => p.rest.covered,
    apply: (p) => ({ ...p, rest: { ...p.rest, covered: false } }),
  },
];

type DishSwap = { name: string; dish: Dish; note: Said | undefined };

/** Other things to pour it into, as many of each as it takes: the cook's own first. */
export function dishSwaps(plan: Plan, endMassG: number, vessels: readonly Vessel[]): DishSwap[] {
  const all = [
    ...vessels.filter((v) => v.use === 'dish').map((v) => ({ name: v.name, dish: asDish(v) })),
    ...DISHES.map(({ name, ...dish }) => ({ name, dish: dish as Dish })),
  ];
  return all
    .filter(({ dish }) => !(dish.capacityMl === plan.dish.capacityMl && dish.kind === plan.dish.kind))
    .map(({ name, dish }) => {
      const count = Math.min(60, dishFit({ ...plan, dish: { ...dish, count: 1 } }, endMassG).dishesNeeded);
      return {
        name,
        dish: { ...dish, count },
        note:
          plan.serve.style === 'turned out' && dish.kind !== 'mould'
            ? say('advice.notShapedToBeTurned')
            : dish.wall === 'glass'
              ? say('advice.warmTheGlassFirstCold')
              : undefined,
      };
    });
}

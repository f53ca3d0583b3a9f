import { add, EMPTY, mixtureOf, sumOf, type Mixture } from '../matter/mixture';
import type { Allergen, Ingredient } from '../pantry/ingredient';
import { pantryWith } from '../pantry/pantry';
import { BESIDE_STAGES, isSameMoment, type When } from './method';
import { STAGES, type Plan, type Stage } from './plan';

export class UnknownIngredientError extends Error {
  constructor(
    readonly ingredientId: string,
    readonly itemIndex: number,
  ) {
    super(`no ingredient "${ingredientId}" in the pantry or in the plan's own list`);
  }
}

/** Reckoned once a plan and kept with it: a plan is never changed in place. */
export function oncePerPlan<P extends object, T>(reckon: (plan: P) => T): (plan: P) => T {
  const kept = new WeakMap<P, T>();
  return (plan) => {
    if (!kept.has(plan)) kept.set(plan, reckon(plan));
    return kept.get(plan)!;
  };
}

/** The shipped pantry under the plan's own ingredients. */
export const pantryOf = oncePerPlan((plan: Pick<Plan, 'own'>) => pantryWith(plan.own));

/** @throws UnknownIngredientError */
export function lookUp(plan: Pick<Plan, 'own' | 'items'>, ingredientId: string): Ingredient {
  const found = pantryOf(plan).get(ingredientId);
  if (!found) {
    throw new UnknownIngredientError(
      ingredientId,
      plan.items.findIndex((i) => i.ingredientId === ingredientId),
    );
  }
  return found;
}

export type StagedPortion = {
  ingredient: Ingredient;
  grams: number;
  carved: boolean;
  /** which of the moments of its stage, where there are several */
  moment?: number;
  /** held back, to be added by tasting */
  taste?: true;
};

export type Stages = Readonly<Record<Stage, readonly StagedPortion[]>>;

/**
 * What goes in at each stage once the carve-outs are taken from their totals: the portions of an ingredient over all
 * stages add up to the plan's own amount, never to more.
 * @throws UnknownIngredientError
 */
export const atStages = oncePerPlan((plan: Plan): Stages => {
  const stages = Object.fromEntries(STAGES.map((s) => [s, [] as StagedPortion[]])) as Record<Stage, StagedPortion[]>;
  for (const item of plan.items) {
    const ingredient = lookUp(plan, item.ingredientId);
    let left = item.grams;
    for (const carve of plan.carveOuts) {
      if (carve.ingredientId !== item.ingredientId || (isSameMoment(carve, item) && !carve.taste)) continue;
      const grams = Math.min(carve.grams, left);
      const how = carve.taste ? ({ carved: false, taste: true } as const) : { carved: true };
      if (grams > 0) stages[carve.stage].push({ ingredient, grams, ...how, ...momentOf(carve) });
      left -= grams;
    }
    if (left > 0) stages[item.stage].push({ ingredient, grams: left, carved: false, ...momentOf(item) });
  }
  return stages;
});

const momentOf = ({ moment }: When) => (moment === undefined ? {} : { moment });

/** What goes in at one moment. @throws UnknownIngredientError */
export const portionsAt = (plan: Plan, when: When): readonly StagedPortion[] =>
  atStages(plan)[when.stage].filter((p) => isSameMoment({ ...when, moment: p.moment }, when));

export const mixtureOfPortions = (portions: readonly StagedPortion[]): Mixture =>
  sumOf(portions.map((p) => mixtureOf(p.ingredient, p.grams)));

/** Everything that goes into the pot, before any of it evaporates; what lies under or on top stays out. */
export function wholeMixture(plan: Plan): Mixture {
  const stages = atStages(plan);
  return STAGES.filter((s) => !BESIDE_STAGES.includes(s)).reduce(
    (sum, s) => add(sum, mixtureOfPortions(stages[s])),
    EMPTY,
  );
}

/** Share of the pot that goes into the plan's own dish, 0 to 1: what its portions leave. */
export const ownShare = (plan: Pick<Plan, 'share' | 'portions'>): number =>
  (plan.share ?? 1) * Math.max(0.02, 1 - plan.portions.reduce((sum, p) => sum + p.share, 0));

/** The liquid there is most of: it names the pudding and decides how it scorches and foams. */
export function mainLiquid(plan: Plan): Ingredient | undefined {
  const milks = plan.items
    .map((item) => ({ item, ingredient: lookUp(plan, item.ingredientId) }))
    .filter(({ ingredient }) => ingredient.group === 'milk')
    .sort((a, b) => b.item.grams - a.item.grams);
  return milks[0]?.ingredient;
}

export const allergensOf = (plan: Plan): Allergen[] => [
  ...new Set(plan.items.filter((i) => i.grams > 0).flatMap((i) => lookUp(plan, i.ingredientId).allergens)),
];

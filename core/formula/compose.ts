import type { Ingredient, StarchSpecies } from '../pantry/ingredient';
import type { Pantry } from '../pantry/pantry';
import { STAGES, type Plan, type Stage } from './plan';

/** What is in a pot or a bowl, grams. */
export type Mixture = {
  waterG: number;
  fatG: number;
  milkFatG: number;
  coconutFatG: number;
  dairyProteinG: number;
  otherProteinG: number;
  /** added sugar, sucrose-equivalent */
  sugarG: number;
  /** sugars of the milk itself */
  lactoseG: number;
  starchG: number;
  otherG: number;
};

export const EMPTY: Mixture = {
  waterG: 0,
  fatG: 0,
  milkFatG: 0,
  coconutFatG: 0,
  dairyProteinG: 0,
  otherProteinG: 0,
  sugarG: 0,
  lactoseG: 0,
  starchG: 0,
  otherG: 0,
};

export const massG = (m: Mixture): number =>
  m.waterG + m.fatG + m.dairyProteinG + m.otherProteinG + m.sugarG + m.lactoseG + m.starchG + m.otherG;

export function add(a: Mixture, b: Mixture): Mixture {
  const sum = { ...a };
  for (const key of Object.keys(sum) as (keyof Mixture)[]) sum[key] += b[key];
  return sum;
}

export class UnknownIngredientError extends Error {
  constructor(
    readonly ingredientId: string,
    readonly itemIndex: number,
  ) {
    super(`no ingredient "${ingredientId}" in the pantry or in the plan's own list`);
  }
}

export function lookUp(pantry: Pantry, plan: Plan, ingredientId: string): Ingredient {
  const found = plan.own.find((i) => i.id === ingredientId) ?? pantry.get(ingredientId);
  if (!found) {
    throw new UnknownIngredientError(
      ingredientId,
      plan.items.findIndex((i) => i.ingredientId === ingredientId),
    );
  }
  return found;
}

/** Composition of `grams` of one ingredient. */
export function mixtureOf(i: Ingredient, grams: number): Mixture {
  const part = (pct: number) => (grams * pct) / 100;
  const p = i.per100;
  const named = p.water + p.fat + p.protein + p.sugar + p.lactose + p.starch;
  return {
    waterG: part(p.water),
    fatG: part(p.fat),
    milkFatG: i.base === 'dairy' ? part(p.fat) : 0,
    coconutFatG: i.base === 'coconut' ? part(p.fat) : 0,
    dairyProteinG: i.base === 'dairy' ? part(p.protein) : 0,
    otherProteinG: i.base === 'dairy' ? 0 : part(p.protein),
    sugarG: part(p.sugar),
    lactoseG: part(p.lactose),
    starchG: part(p.starch),
    otherG: Math.max(0, part(100 - named)),
  };
}

export type StagedPortion = { ingredient: Ingredient; grams: number; carved: boolean };

/**
 * What goes in at each stage once the carve-outs are taken from their totals: the portions of an ingredient over all
 * stages add up to the plan's own amount, never to more.
 * @throws UnknownIngredientError
 */
export function atStages(plan: Plan, pantry: Pantry): Record<Stage, StagedPortion[]> {
  const stages: Record<Stage, StagedPortion[]> = { slurry: [], pot: [], 'off the heat': [] };
  for (const item of plan.items) {
    const ingredient = lookUp(pantry, plan, item.ingredientId);
    let left = item.grams;
    for (const carve of plan.carveOuts) {
      if (carve.ingredientId !== item.ingredientId || carve.stage === item.stage) continue;
      const grams = Math.min(carve.grams, left);
      if (grams > 0) stages[carve.stage].push({ ingredient, grams, carved: true });
      left -= grams;
    }
    if (left > 0) stages[item.stage].push({ ingredient, grams: left, carved: false });
  }
  return stages;
}

export const mixtureOfPortions = (portions: readonly StagedPortion[]): Mixture =>
  portions.reduce((sum, p) => add(sum, mixtureOf(p.ingredient, p.grams)), EMPTY);

/** Everything in the plan, before any of it evaporates. */
export function wholeMixture(plan: Plan, pantry: Pantry): Mixture {
  const stages = atStages(plan, pantry);
  return STAGES.reduce((sum, s) => add(sum, mixtureOfPortions(stages[s])), EMPTY);
}

/** The liquid there is most of: it names the pudding and decides how it scorches and foams. */
export function mainLiquid(plan: Plan, pantry: Pantry): Ingredient | undefined {
  const milks = plan.items
    .map((item) => ({ item, ingredient: lookUp(pantry, plan, item.ingredientId) }))
    .filter(({ ingredient }) => ingredient.group === 'milk')
    .sort((a, b) => b.item.grams - a.item.grams);
  return milks[0]?.ingredient;
}

export const starchSpecies = (plan: Plan, pantry: Pantry): StarchSpecies =>
  plan.items.map((i) => lookUp(pantry, plan, i.ingredientId).starch).find(Boolean) ?? 'maize';

export const allergensOf = (plan: Plan, pantry: Pantry): string[] => [
  ...new Set(plan.items.filter((i) => i.grams > 0).flatMap((i) => lookUp(pantry, plan, i.ingredientId).allergens)),
];

import type { Allergen } from '../pantry/ingredient';
import type { Pack } from '../units/packs';
import { besideUses } from '../sides/sides';
import { lookUp } from '../plan/bowls';
import type { Plan } from '../plan/plan';

/** kcal in a gram (A); sugar substitutes and alcohol by name below. */
const KCAL = { fat: 9, protein: 4, sugar: 4, starch: 4 } as const;
/** Sweeteners that are burnt less than sugar, kcal/g (B). */
const SWEETENER_KCAL: Readonly<Record<string, number>> = { allulose: 0.4, erythritol: 0.2 };

export type Portion = {
  energyKcal: number;
  energyKJ: number;
  /** of the ingredients that have a price; undefined where none has */
  cost?: number;
  /** those that have none, by name */
  unpriced: string[];
};

const uses = (plan: Plan) => [
  ...plan.things.map(({ ingredientId, grams }) => ({ ingredientId, grams })),
  ...besideUses(plan),
];

/** One portion's energy and cost, side pots shared out among all. @param packs with prices where the cook gave them */
export function portionOf(plan: Plan, packs: readonly Pack[]): Portion {
  let kcal = 0;
  let cost = 0;
  let priced = false;
  const unpriced = new Set<string>();
  for (const { ingredientId, grams } of uses(plan)) {
    if (grams <= 0) continue;
    const i = lookUp(plan, ingredientId);
    const p = i.per100;
    const sugar = SWEETENER_KCAL[ingredientId] ?? KCAL.sugar;
    kcal +=
      (grams / 100) *
      (p.fat * KCAL.fat + p.protein * KCAL.protein + p.sugar * sugar + p.lactose * KCAL.sugar + p.starch * KCAL.starch);
    const pack = packs.find((k) => k.ingredientId === ingredientId && k.price !== undefined);
    if (pack?.price !== undefined) {
      cost += (grams / pack.grams) * pack.price;
      priced = true;
    } else if (ingredientId !== 'water') unpriced.add(i.name);
  }
  return {
    energyKcal: kcal / plan.people,
    energyKJ: (4.184 * kcal) / plan.people,
    ...(priced ? { cost: cost / plan.people } : {}),
    unpriced: [...unpriced],
  };
}

/** Allergens of the plan and of what is cooked beside it. */
export const allAllergens = (plan: Plan): Allergen[] => [
  ...new Set(uses(plan).flatMap((u) => (u.grams > 0 ? lookUp(plan, u.ingredientId).allergens : []))),
];

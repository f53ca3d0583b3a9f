import { massG, type Mixture } from '../matter/mixture';
import type { Ingredient } from '../pantry/ingredient';
import { allergensIn, potsIn, rawOf, type LaidPortion, type PouredIn } from '../plan/bowls';
import type { Bowl } from '../plan/method';
import type { Plan, SecondPot } from '../plan/plan';

/** What comes out of second pots, as things that go in: so every room tells them as it tells an ingredient. */

/** g that come out of each second pot, by its id; what goes in is taken where the model has not said. */
export type Products = Readonly<Record<string, number>>;

const percent = (m: Mixture, g: number): number => Math.min(100, (100 * g) / Math.max(1e-9, massG(m)));

/** A second pot as one thing, by the name that the cook gave it; of what went into it. */
function asThing(plan: Plan, vessel: SecondPot, m: Mixture): Ingredient {
  return {
    id: `pot.${vessel.id}`,
    name: vessel.name,
    group: 'piece',
    densityGPerMl: 1.05,
    per100: {
      water: percent(m, m.waterG),
      fat: percent(m, m.fatG),
      protein: percent(m, m.dairyProteinG + m.otherProteinG + m.eggProteinG),
      sugar: percent(m, m.sugarG),
      lactose: percent(m, m.lactoseG),
      starch: percent(m, m.starchG),
    },
    allergens: allergensIn(plan, vessel.things),
    confidence: 'C',
  };
}

/** So much of what came out of a second pot. @throws UnknownIngredientError */
export function pouredPortion(plan: Plan, { vessel, share }: PouredIn, bowl: Bowl, products: Products): LaidPortion {
  const raw = rawOf(plan, vessel);
  return {
    ingredient: asThing(plan, vessel, raw),
    grams: share * (products[vessel.id] ?? massG(raw)),
    carved: false,
    in: bowl,
    ofPot: { id: vessel.id, share },
  };
}

/** What second pots bring into one bowl, in the order of the plan. @throws UnknownIngredientError */
export const pouredPortions = (plan: Plan, bowl: Bowl, products: Products): readonly LaidPortion[] =>
  potsIn(plan, bowl).map((p) => pouredPortion(plan, p, bowl, products));

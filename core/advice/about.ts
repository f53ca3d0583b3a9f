import { linesOf } from '../plan/layout';
import { BESIDE_USES, purposeOf } from '../plan/method';
import type { Allergen } from '../pantry/ingredient';
import { servingStress } from '../model/forecast';
import { besideOf, type SideAnswer } from '../sides/sides';
import type { Pack } from '../units/packs';
import { cutGrid, dishFit, panFit, type CutGrid, type DishFit, type PanFit } from '../vessels/fit';
import { wetted } from '../plan/amounts';
import { inBowls, lookUp, mixtureOfPortions } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { allAllergens, portionOf, type Portion } from './portions';
import { breaksRule, type Rule } from '../plan/rules';
import { couldBeFreeOf, type FreeOf } from './substitutes';
import { tasteOf, type Taste } from '../plan/sweetness';

/** Everything a plan says beside its forecast: what it costs, how it tastes, whether it fits, what it breaks. */
export type About = {
  portion: Portion;
  taste: Taste;
  allergens: Allergen[];
  pan: PanFit;
  dish: DishFit;
  cut?: CutGrid;
  sides: SideAnswer[];
  freeOf: FreeOf[];
  breaks: { rule: Rule; ingredientId: string; name: string }[];
  /** what each thickener brings, in steps of the strip, largest first */
  pushes: { ingredientId: string; name: string; steps: number }[];
};

/** At most as many thickeners are told apart. */
const TOLD = 5;

/** Something in the pot is liquid: it can be cooked. */
const isWet = (plan: Plan): boolean => mixtureOfPortions(inBowls(plan).pot).waterG > 1;

/** What each thing that thickens brings: the plan without it, cooked coarsely. */
function pushesOf(plan: Plan): About['pushes'] {
  const thickens = linesOf(plan).filter((i) => {
    const x = lookUp(plan, i.ingredientId);
    return (
      i.grams > 0 &&
      !BESIDE_USES.includes(purposeOf(i.in)) &&
      (x.group === 'thickener' || x.egg || x.ground || x.gum || x.pulp)
    );
  });
  if (thickens.length < 2)
    return thickens.map((i) => ({
      ingredientId: i.ingredientId,
      name: lookUp(plan, i.ingredientId).name,
      steps: 1,
    }));
  if (!isWet(plan)) return [];
  const { place } = servingStress(plan);
  return thickens
    .slice(0, TOLD)
    .map((i) => {
      const without = wetted({ ...plan, things: plan.things.filter((o) => o.ingredientId !== i.ingredientId) });
      return {
        ingredientId: i.ingredientId,
        name: lookUp(plan, i.ingredientId).name,
        // without the only thing that is wet nothing is left to set
        steps: isWet(without) ? Math.max(0, place - servingStress(without).place) : place,
      };
    })
    .sort((a, b) => b.steps - a.steps);
}

/** @param endMassG what is left after cooking, from the forecast */
export function aboutPlan(plan: Plan, packs: readonly Pack[], endMassG: number): About {
  const sides = [...besideOf(plan)];
  const used = [...plan.things, ...sides.flatMap((s) => s.uses)];
  const dish = dishFit(plan, endMassG);
  return {
    portion: portionOf(plan, packs),
    taste: tasteOf(plan, endMassG),
    allergens: allAllergens(plan),
    pan: panFit(plan),
    dish,
    ...(plan.dish.form && plan.serve.style === 'cut'
      ? { cut: cutGrid(plan.dish.form, Math.max(1, Math.ceil(plan.people / plan.dish.count))) }
      : {}),
    sides,
    freeOf: couldBeFreeOf(plan),
    breaks: plan.rules.flatMap((rule) =>
      used
        .filter((u, i) => u.grams > 0 && used.findIndex((o) => o.ingredientId === u.ingredientId) === i)
        .map((u) => lookUp(plan, u.ingredientId))
        .filter((i) => breaksRule(i, rule))
        .map((i) => ({ rule, ingredientId: i.id, name: i.name })),
    ),
    pushes: pushesOf(plan),
  };
}

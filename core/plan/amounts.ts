import { lookUp } from './bowls';
import type { Ingredient } from '../pantry/ingredient';
import { GRAINS } from '../pot/grain';
import { eachLine, linesOf, partsOf, withLines, withParts, type Part } from './layout';
import { purposeOf, type Bowl, type Use } from './method';
import type { Plan, SecondPot, IngredientLine } from './plan';
import { PUDDING_G_PER_ML } from '../matter/mixture';

/** Cold liquid whisked with one part of starch: two parts or more, or it cakes (B). */
export const SLURRY_PARTS = 2.5;
/** And with one of meal, which needs less (B). */
const GRAIN_PARTS = 2;

/** The plan with another amount of one ingredient; what wets the starch follows it. */
export function withGrams(plan: Plan, ingredientId: string, grams: number): Plan {
  const clean = Math.max(0, Math.min(20000, grams));
  const was = plan.things.find((i) => i.ingredientId === ingredientId)?.grams ?? 0;
  return wetted(
    withLines(
      plan,
      linesOf(plan).map((i) => (i.ingredientId === ingredientId ? { ...i, grams: clean } : i)),
      // what is held back to taste stays the same share
      partsOf(plan).map((c) =>
        c.taste && c.ingredientId === ingredientId && was > 0
          ? { ...c, grams: Math.round(((c.grams * clean) / was) * 10) / 10 }
          : c,
      ),
    ),
  );
}

/**
 * So much of a thing in a bowl. What is left of it stays where the most of it is, and at none of it there, all of it
 * goes where it is otherwise, or into the pot from the start.
 * @param grams 0 up to the whole amount @param share said as a share of it, 0 to 1: it stays that when the amount changes
 */
export function putAt(plan: Plan, ingredientId: string, bowl: Bowl, grams: number, share?: number): Plan {
  const lines = linesOf(plan);
  const line = lines.find((i) => i.ingredientId === ingredientId);
  if (!line) return plan;
  const isPart = (c: Part) => c.ingredientId === ingredientId && !c.taste;
  const others = partsOf(plan).filter((c) => isPart(c) && c.in !== line.in && c.in !== bowl);
  const elsewhereG = others.reduce((sum, c) => sum + c.grams, 0);
  const placed = (at: Bowl, parts: readonly Part[]): Plan =>
    wetted(
      withLines(
        plan,
        lines.map((i) => (i === line ? { ...i, in: at } : i)),
        [...partsOf(plan).filter((c) => !isPart(c)), ...parts],
      ),
    );
  const said = share === undefined ? {} : { share };
  const carved = (at: Bowl, g: number): Part[] =>
    g > 0 ? [{ ingredientId, grams: g, in: at, typed: true, ...said }] : [];
  const most = Math.min(line.grams, Math.max(0, grams));
  if (line.in !== bowl)
    return most >= line.grams - elsewhereG ? placed(bowl, others) : placed(line.in, [...others, ...carved(bowl, most)]);
  const next = others.toSorted((a, b) => b.grams - a.grams)[0];
  if (!next && line.in === 'pot') return plan;
  return placed(next?.in ?? 'pot', [
    ...others.filter((c) => c !== next),
    ...carved(line.in, Math.min(most, line.grams - elsewhereG)),
  ]);
}

/** A thing in another bowl, all of it but what is held back for others. */
export const moved = (plan: Plan, ingredientId: string, bowl: Bowl): Plan =>
  eachLine(plan, (i) => (i.ingredientId === ingredientId ? { ...i, in: bowl } : i));

/** Another milk in the place of one, same grams. */
export function withMilk(plan: Plan, fromId: string, toId: string): Plan {
  const swap = <T extends { ingredientId: string }>(t: T): T =>
    t.ingredientId === fromId ? { ...t, ingredientId: toId } : t;
  return wetted({
    ...withLines(plan, linesOf(plan).map(swap), partsOf(plan).map(swap)),
    ...(plan.have === fromId ? { have: toId } : {}),
  });
}

/** What wets the starch is held back of the pot's largest milk: enough for it, never more than a third of the milk. */
export function wetted(plan: Plan): Plan {
  const lines = linesOf(plan);
  const parts = partsOf(plan);
  const of = (group: string) =>
    lines.filter((i) => lookUp(plan, i.ingredientId).group === group).sort((a, b) => b.grams - a.grams);
  const milk = of('milk').find((i) => i.in === 'pot');
  const at = (use: Use, group: string) =>
    of(group)
      .filter((i) => purposeOf(i.in) === use)
      .reduce((sum, i) => sum + i.grams, 0);
  if (!milk) return parts.length ? withParts(plan, []) : plan;
  // what was held back by this rule before; what the cook typed stays
  const wets = (use: Use) => use === 'slurry' || (use === 'grain' && plan.choices.grain === 'wetted cold first');
  const others = parts.filter(
    (c) => c.taste || c.typed || !wets(purposeOf(c.in)) || c.ingredientId !== milk.ingredientId,
  );
  // cream, another can or water that is whisked with it already wets it
  const wetting = (use: Use, times: number): Part[] => {
    if (others.some((c) => c.typed && purposeOf(c.in) === use && c.ingredientId === milk.ingredientId)) return [];
    const heldG = others.filter((c) => purposeOf(c.in) === use && !c.taste).reduce((sum, c) => sum + c.grams, 0);
    const dryG = at(use, 'thickener') * times - at(use, 'milk') - at(use, 'egg') - heldG;
    const grams = Math.min(milk.grams / 3, Math.ceil(dryG / 10) * 10);
    return grams > 0 ? [{ ingredientId: milk.ingredientId, grams, in: use }] : [];
  };
  return withParts(plan, [
    ...others,
    ...wetting('slurry', SLURRY_PARTS),
    ...(plan.choices.grain === 'wetted cold first' ? wetting('grain', GRAIN_PARTS) : []),
  ]);
}

/** Another way for the grain to meet the liquid; the cold liquid that wets it comes and goes with it. */
export function withGrainWay(plan: Plan, grain: NonNullable<Plan['choices']['grain']>): Plan {
  const was = plan.choices.grain === 'wetted cold first' && grain !== 'wetted cold first';
  const next = { ...plan, choices: { ...plan.choices, grain } };
  return wetted(
    was
      ? withParts(
          next,
          partsOf(plan).filter((c) => purposeOf(c.in) !== 'grain' || c.taste),
        )
      : next,
  );
}

/** The bowl that an ingredient usually goes into. */
export function usualBowl(i: Ingredient): Use {
  switch (i.group) {
    case 'thickener':
      return i.thickener && GRAINS[i.thickener].form !== 'powder' ? 'grain' : 'slurry';
    case 'egg':
      return 'bowl';
    case 'fat':
    case 'fruit':
      return 'off the heat';
    case 'piece':
      return 'late';
    case 'flavour':
      return i.aromaHalfS !== undefined && !i.comesOut ? 'off the heat' : 'pot';
    default:
      return 'pot';
  }
}

/** A second pot with every amount times a factor. */
export const scaledPot = (pot: SecondPot, factor: number): SecondPot => ({
  ...pot,
  ...withLines(
    pot,
    linesOf(pot).map((i) => ({ ...i, grams: i.grams * factor })),
    partsOf(pot).map((c) => ({ ...c, grams: c.grams * factor })),
  ),
});

/** Every amount times `factor`; what there was of one no longer holds. @throws RangeError unless the factor is above zero */
export function scale(plan: Plan, factor: number): Plan {
  if (!(factor > 0)) throw new RangeError(`cannot scale by ${factor}; it should be above zero`);
  const { have: _had, ...rest } = plan;
  return {
    ...withLines(
      rest,
      linesOf(plan).map((i) => ({ ...i, grams: i.grams * factor })),
      partsOf(plan).map((c) => ({ ...c, grams: c.grams * factor })),
    ),
    vessels: plan.vessels.map((v) => scaledPot(v, factor)),
  };
}

/**
 * Scales so that what is left after cooking serves everybody.
 * @param lossRel share of the mass that evaporates on the hob, 0 to 1, from the last forecast
 */
export function scaleToPeople(plan: Plan, people: number, portionG: number, lossRel: number): Plan {
  const total = plan.things.reduce((sum, i) => sum + i.grams, 0);
  return { ...scale(plan, (people * portionG) / (total * (1 - lossRel))), people, portionG };
}

/** What a portion may be, g. */
export const PORTION_G = { least: 30, most: 500 } as const;
const MOST_PEOPLE = 60;

/** What there is so much of, where it still is in the plan. */
export const haveOf = (plan: Plan) => plan.things.find((i) => i.ingredientId === plan.have && i.grams > 0);

/** What the amounts come to in the dishes, g. */
const cookedG = (plan: Plan, lossRel: number) => plan.things.reduce((sum, i) => sum + i.grams, 0) * (1 - lossRel);

/** For so many: every amount follows them; where there is so much of one, it stays, and the portion follows. */
export function forPeople(plan: Plan, people: number, lossRel: number): Plan {
  if (!haveOf(plan)) return scaleToPeople(plan, people, plan.portionG, lossRel);
  const each = Math.round(cookedG(plan, lossRel) / people);
  return { ...plan, people, portionG: Math.min(PORTION_G.most, Math.max(PORTION_G.least, each)) };
}

/** A portion of so much: every amount follows it; where there is so much of one, it stays, and it is for as many as it does for. */
export function forPortion(plan: Plan, portionG: number, lossRel: number): Plan {
  if (!haveOf(plan)) return scaleToPeople(plan, plan.people, portionG, lossRel);
  const people = Math.round(cookedG(plan, lossRel) / portionG);
  return { ...plan, portionG, people: Math.min(MOST_PEOPLE, Math.max(1, people)) };
}

/** As much of everything as goes with what there is of one, which then stays. */
export function withHave(plan: Plan, ingredientId: string, grams: number): Plan {
  const now = plan.things.find((i) => i.ingredientId === ingredientId)?.grams ?? 0;
  return { ...wetted(scale(plan, grams / now)), have: ingredientId };
}

/** Scales so that the cooked pudding fills the dishes to `fillRel` of their brim. */
export function scaleToDish(plan: Plan, lossRel: number, densityGPerMl = PUDDING_G_PER_ML, fillRel = 0.9): Plan {
  const total = plan.things.reduce((sum, i) => sum + i.grams, 0);
  const wanted = plan.dish.count * plan.dish.capacityMl * fillRel * densityGPerMl;
  return scale(plan, wanted / (total * (1 - lossRel)));
}

/** What was typed for this amount, where it still is that amount. */
export const writtenFor = (item: IngredientLine): string | undefined =>
  item.written && Math.abs(item.written.grams - item.grams) <= 0.005 * item.grams ? item.written.text : undefined;

import { lookUp } from './stages';
import type { Ingredient } from '../pantry/ingredient';
import { GRAINS } from '../pot/grain';
import { isSameMoment, type When } from './method';
import type { CarveOut, Plan, Stage } from './plan';
import { PUDDING_G_PER_ML } from '../matter/mixture';

/** Cold liquid whisked with one part of starch: two parts or more, or it cakes (B). */
export const SLURRY_PARTS = 2.5;
/** And with one of meal, which needs less (B). */
const GRAIN_PARTS = 2;

/** The plan with another amount of one ingredient; the slurry's carve-out follows the starch. */
export function withGrams(plan: Plan, ingredientId: string, grams: number): Plan {
  const clean = Math.max(0, Math.min(20000, grams));
  const was = plan.items.find((i) => i.ingredientId === ingredientId)?.grams ?? 0;
  return refreshCarveOuts({
    ...plan,
    items: plan.items.map((i) => (i.ingredientId === ingredientId ? { ...i, grams: clean } : i)),
    // what is held back to taste stays the same share
    carveOuts: plan.carveOuts.map((c) =>
      c.taste && c.ingredientId === ingredientId && was > 0
        ? { ...c, grams: Math.round(((c.grams * clean) / was) * 10) / 10 }
        : c,
    ),
  });
}

/**
 * So much of a thing at a moment. What is left of it stays where the most of it is, and at none of it there, all of it
 * goes where it is otherwise, or into the pot from the start.
 * @param grams 0 up to the whole amount
 */
export function putAt(plan: Plan, ingredientId: string, when: When, grams: number): Plan {
  const item = plan.items.find((i) => i.ingredientId === ingredientId);
  if (!item) return plan;
  const isPart = (c: CarveOut) => c.ingredientId === ingredientId && !c.taste;
  const { stage, moment, ...whole } = item;
  const main: When = { stage, moment };
  const parts = plan.carveOuts.filter((c) => isPart(c) && !isSameMoment(c, main));
  const others = parts.filter((c) => !isSameMoment(c, when));
  const elsewhereG = others.reduce((sum, c) => sum + c.grams, 0);
  const placed = (at: When, carves: readonly CarveOut[]): Plan =>
    refreshCarveOuts({
      ...plan,
      items: plan.items.map((i) => (i === item ? { ...whole, ...bareMoment(at) } : i)),
      carveOuts: [...plan.carveOuts.filter((c) => !isPart(c)), ...carves],
    });
  const carved = (at: When, g: number): CarveOut[] =>
    g > 0 ? [{ ingredientId, grams: g, ...bareMoment(at), typed: true }] : [];
  const most = Math.min(item.grams, Math.max(0, grams));
  if (!isSameMoment(main, when))
    return most >= item.grams - elsewhereG ? placed(when, others) : placed(main, [...others, ...carved(when, most)]);
  const next = others.toSorted((a, b) => b.grams - a.grams)[0] ?? { stage: 'pot' as const };
  if (isSameMoment(next, main)) return plan;
  return placed(next, [...others.filter((c) => c !== next), ...carved(main, Math.min(most, item.grams - elsewhereG))]);
}
const bareMoment = ({ stage, moment }: When): When => (moment === undefined ? { stage } : { stage, moment });

/** Another milk in the place of one, same grams. */
export function withMilk(plan: Plan, fromId: string, toId: string): Plan {
  const swap = (id: string) => (id === fromId ? toId : id);
  return refreshCarveOuts({
    ...plan,
    ...(plan.have ? { have: swap(plan.have) } : {}),
    items: plan.items.map((i) => ({ ...i, ingredientId: swap(i.ingredientId) })),
    carveOuts: plan.carveOuts.map((c) => ({ ...c, ingredientId: swap(c.ingredientId) })),
  });
}

/** Carves the slurry's liquid out of the pot's largest milk: enough to wet the starch, never more than half of it. */
export function refreshCarveOuts(plan: Plan): Plan {
  const of = (group: string) =>
    plan.items.filter((i) => lookUp(plan, i.ingredientId).group === group).sort((a, b) => b.grams - a.grams);
  const milk = of('milk').find((i) => i.stage === 'pot');
  const at = (stage: Stage, group: string) =>
    of(group)
      .filter((i) => i.stage === stage)
      .reduce((sum, i) => sum + i.grams, 0);
  if (!milk) return { ...plan, carveOuts: [] };
  // what was carved out by this rule before; what the cook typed stays
  const wets = (stage: Stage) =>
    stage === 'slurry' || (stage === 'grain' && plan.choices.grain === 'wetted cold first');
  const others = plan.carveOuts.filter(
    (c) => c.taste || c.typed || !wets(c.stage) || c.ingredientId !== milk.ingredientId,
  );
  // cream, another can or water that is whisked with it already wets it
  const wetting = (stage: Stage, parts: number): CarveOut[] => {
    if (others.some((c) => c.typed && c.stage === stage && c.ingredientId === milk.ingredientId)) return [];
    const dryG = at(stage, 'thickener') * parts - at(stage, 'milk') - at(stage, 'egg') - carvedFor(others, stage);
    const grams = Math.min(milk.grams / 3, Math.ceil(dryG / 10) * 10);
    return grams > 0 ? [{ ingredientId: milk.ingredientId, grams, stage }] : [];
  };
  return {
    ...plan,
    carveOuts: [
      ...others,
      ...wetting('slurry', SLURRY_PARTS),
      ...(plan.choices.grain === 'wetted cold first' ? wetting('grain', GRAIN_PARTS) : []),
    ],
  };
}

/** Another way for the grain to meet the liquid; the cold liquid that wets it comes and goes with it. */
export function withGrainWay(plan: Plan, grain: NonNullable<Plan['choices']['grain']>): Plan {
  const was = plan.choices.grain === 'wetted cold first' && grain !== 'wetted cold first';
  return refreshCarveOuts({
    ...plan,
    choices: { ...plan.choices, grain },
    carveOuts: was ? plan.carveOuts.filter((c) => c.stage !== 'grain' || c.taste) : plan.carveOuts,
  });
}

const carvedFor = (carveOuts: readonly CarveOut[], stage: Stage): number =>
  carveOuts.filter((c) => c.stage === stage && !c.taste).reduce((sum, c) => sum + c.grams, 0);

/** The stage at which an ingredient usually goes in. */
export function usualStage(i: Ingredient): Stage {
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

/** Every amount times `factor`; what there was of one no longer holds. @throws RangeError unless the factor is above zero */
export function scale(plan: Plan, factor: number): Plan {
  if (!(factor > 0)) throw new RangeError(`cannot scale by ${factor}; it should be above zero`);
  const { have: _had, ...rest } = plan;
  return {
    ...rest,
    items: plan.items.map((i) => ({ ...i, grams: i.grams * factor })),
    carveOuts: plan.carveOuts.map((c) => ({ ...c, grams: c.grams * factor })),
  };
}

/**
 * Scales so that what is left after cooking serves everybody.
 * @param lossRel share of the mass that evaporates on the hob, 0 to 1, from the last forecast
 */
export function scaleToPeople(plan: Plan, people: number, portionG: number, lossRel: number): Plan {
  const total = plan.items.reduce((sum, i) => sum + i.grams, 0);
  return { ...scale(plan, (people * portionG) / (total * (1 - lossRel))), people, portionG };
}

/** What a portion may be, g. */
export const PORTION_G = { least: 30, most: 500 } as const;
const MOST_PEOPLE = 60;

/** What there is so much of, where it still is in the plan. */
export const haveOf = (plan: Plan) => plan.items.find((i) => i.ingredientId === plan.have && i.grams > 0);

/** What the amounts come to in the dishes, g. */
const cookedG = (plan: Plan, lossRel: number) => plan.items.reduce((sum, i) => sum + i.grams, 0) * (1 - lossRel);

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
  const now = plan.items.find((i) => i.ingredientId === ingredientId)?.grams ?? 0;
  return { ...refreshCarveOuts(scale(plan, grams / now)), have: ingredientId };
}

/** Scales so that the cooked pudding fills the dishes to `fillRel` of their brim. */
export function scaleToDish(plan: Plan, lossRel: number, densityGPerMl = PUDDING_G_PER_ML, fillRel = 0.9): Plan {
  const total = plan.items.reduce((sum, i) => sum + i.grams, 0);
  const wanted = plan.dish.count * plan.dish.capacityMl * fillRel * densityGPerMl;
  return scale(plan, wanted / (total * (1 - lossRel)));
}

/** What was typed for this amount, where it still is that amount. */
export const writtenFor = (item: Plan['items'][number]): string | undefined =>
  item.written && Math.abs(item.written.grams - item.grams) <= 0.005 * item.grams ? item.written.text : undefined;

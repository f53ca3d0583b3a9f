import { mixtureOf, sumOf, times, type Mixture } from '../matter/mixture';
import type { Allergen, Ingredient } from '../pantry/ingredient';
import { pantryWith } from '../pantry/pantry';
import { linesOf, ownSteps, partsOf, potPartsOf, type PotPart } from './layout';
import { BESIDE_USES, intoBowl, purposeOf, USES, type Bowl, type BowlStep, type MethodStep, type Use } from './method';
import { oncePerPlan } from './once';
import type { Plan, SecondPot, IngredientLine } from './plan';

export class UnknownIngredientError extends Error {
  constructor(
    readonly ingredientId: string,
    readonly itemIndex: number,
  ) {
    super(`no ingredient "${ingredientId}" in the pantry or in the plan's own list`);
  }
}

/** The shipped pantry under the plan's own ingredients. */
export const pantryOf = oncePerPlan((plan: Pick<Plan, 'own'>) => pantryWith(plan.own));

/** @throws UnknownIngredientError */
export function lookUp(plan: Pick<Plan, 'own' | 'things'>, ingredientId: string): Ingredient {
  const found = pantryOf(plan).get(ingredientId);
  if (!found) {
    throw new UnknownIngredientError(
      ingredientId,
      plan.things.findIndex((i) => i.ingredientId === ingredientId),
    );
  }
  return found;
}

export type LaidPortion = {
  ingredient: Ingredient;
  grams: number;
  /** a part of a thing whose rest is elsewhere */
  carved: boolean;
  in: Bowl;
  /** held back, to be added by tasting */
  taste?: true;
  /** it came out of a second pot: which, and what share of it this is, 0 to 1 */
  ofPot?: { id: string; share: number };
};

export type Bowls = Readonly<Record<Use, readonly LaidPortion[]>>;

/** Where each part of each thing is put. */
function placed(plan: Plan): LaidPortion[] {
  const parts = partsOf(plan);
  return linesOf(plan).flatMap((line) => {
    const ingredient = lookUp(plan, line.ingredientId);
    const out: LaidPortion[] = [];
    let left = line.grams;
    for (const part of parts) {
      if (part.ingredientId !== line.ingredientId || (part.in === line.in && !part.taste)) continue;
      const grams = Math.min(part.grams, left);
      const how = part.taste ? ({ carved: false, taste: true } as const) : { carved: true };
      if (grams > 0) out.push({ ingredient, grams, ...how, in: part.in });
      left -= grams;
    }
    return left > 0 ? [...out, { ingredient, grams: left, carved: false, in: line.in }] : out;
  });
}

const poursTogether = (plan: Plan): readonly BowlStep[] => (ownSteps(plan) ?? []).filter(intoBowl);

/** What one bowl poured into another leaves: its share of everything goes where the other goes. */
const poured = <T extends { in: Bowl }>(
  all: readonly T[],
  { from, into, share }: BowlStep,
  of: (t: T, share: number) => T,
) =>
  from === into
    ? [...all]
    : all.flatMap((t) => {
        if (t.in !== from) return [t];
        const gone = { ...of(t, share), in: into };
        return share >= 1 ? [gone] : [of(t, 1 - share), gone];
      });
const partOf = (p: LaidPortion, share: number): LaidPortion => ({
  ...p,
  grams: p.grams * share,
  carved: p.carved || (share < 1 && !p.taste),
});

/** Bowls that something is put into, before any is poured into another. */
export const putInto = (plan: Plan): Bowl[] => [...new Set([...placed(plan), ...potPartsOf(plan)].map((p) => p.in))];

/** What is in a bowl once these steps are done. @throws UnknownIngredientError */
export const heldAfter = (plan: Plan, bowl: Bowl, done: readonly MethodStep[] = []): LaidPortion[] =>
  done
    .filter(intoBowl)
    .reduce((all, step) => poured(all, step, partOf), placed(plan))
    .filter((p) => p.in === bowl);

/** What one bowl poured into another takes along, as it stands then. @throws UnknownIngredientError */
export const movedBy = (plan: Plan, step: BowlStep, before: readonly MethodStep[]): LaidPortion[] =>
  heldAfter(plan, step.from, before).map((p) => partOf(p, step.share));

/**
 * What is in the bowls of each use when they go in: the portions of a thing over all of them add up to its amount, never
 * to more.
 * @throws UnknownIngredientError
 */
export const inBowls = oncePerPlan((plan: Plan): Bowls => {
  const bowls = Object.fromEntries(USES.map((s) => [s, [] as LaidPortion[]])) as Record<Use, LaidPortion[]>;
  const all = poursTogether(plan).reduce((now, step) => poured(now, step, partOf), placed(plan));
  for (const p of all) bowls[purposeOf(p.in)].push(p);
  return bowls;
});

/** What of second pots is in which bowl when it goes in. */
export const potPartsIn = oncePerPlan((plan: Plan): readonly PotPart[] =>
  poursTogether(plan).reduce(
    (now, step) => poured(now, step, (p, share) => ({ ...p, share: p.share * share })),
    [...potPartsOf(plan)],
  ),
);

/** What is in one bowl. @throws UnknownIngredientError */
export const portionsIn = (plan: Plan, bowl: Bowl): readonly LaidPortion[] =>
  inBowls(plan)[purposeOf(bowl)].filter((p) => p.in === bowl);

/** Every bowl of a use that holds something. @throws UnknownIngredientError */
export const bowlsFor = (plan: Plan, use: Use): Bowl[] => [
  ...new Set(
    [...inBowls(plan)[use].map((p) => p.in), ...potPartsIn(plan).map((p) => p.in)].filter((b) => purposeOf(b) === use),
  ),
];

/** What of second pots is put into one bowl: the pot, and how much of what comes out of it, 0 to 1. */
export type PouredIn = { vessel: SecondPot; share: number };
export const potsIn = (plan: Plan, bowl: Bowl): readonly PouredIn[] =>
  potPartsIn(plan).flatMap((p) => {
    const vessel = p.in === bowl ? plan.vessels.find((v) => v.id === p.vesselId) : undefined;
    return vessel ? [{ vessel, share: p.share }] : [];
  });

/** A second pot and what of it is put nowhere, 0 to 1: it stays for the table. */
export const leftOfPots = (plan: Plan): readonly PouredIn[] =>
  plan.vessels.flatMap((vessel) => {
    const put = potPartsIn(plan).reduce((sum, p) => sum + (p.vesselId === vessel.id ? p.share : 0), 0);
    return put < 0.995 ? [{ vessel, share: 1 - put }] : [];
  });

/** Everything that is bought for a plan, second pots with it: a row may come more than once. */
export const allThings = (plan: Pick<Plan, 'things' | 'vessels'>): readonly IngredientLine[] => [
  ...plan.things,
  ...plan.vessels.flatMap((v) => v.things),
];

export const mixtureOfPortions = (portions: readonly Pick<LaidPortion, 'ingredient' | 'grams'>[]): Mixture =>
  sumOf(portions.map((p) => mixtureOf(p.ingredient, p.grams)));

/** What goes into a second pot, uncooked. @throws UnknownIngredientError */
export const rawOf = (plan: Plan, vessel: SecondPot): Mixture =>
  sumOf(vessel.things.map((t) => mixtureOf(lookUp(plan, t.ingredientId), t.grams)));

/** Everything that goes into the pot, before any of it evaporates; what lies under or on top stays out. */
export function wholeMixture(plan: Plan): Mixture {
  const bowls = inBowls(plan);
  const beside = potPartsIn(plan)
    .filter((p) => !BESIDE_USES.includes(purposeOf(p.in)))
    .flatMap((p) => plan.vessels.filter((v) => v.id === p.vesselId).map((v) => times(rawOf(plan, v), p.share)));
  return sumOf([...USES.filter((u) => !BESIDE_USES.includes(u)).map((u) => mixtureOfPortions(bowls[u])), ...beside]);
}

/** Share of the pot that goes into the plan's own dish, 0 to 1: what its portions leave. */
export const ownShare = (plan: Pick<Plan, 'share' | 'portions'>): number =>
  (plan.share ?? 1) * Math.max(0.02, 1 - plan.portions.reduce((sum, p) => sum + p.share, 0));

/** The liquid there is most of: it names the pudding and decides how it scorches and foams. */
export function mainLiquid(plan: Plan): Ingredient | undefined {
  const milks = plan.things
    .map((item) => ({ item, ingredient: lookUp(plan, item.ingredientId) }))
    .filter(({ ingredient }) => ingredient.group === 'milk')
    .sort((a, b) => b.item.grams - a.item.grams);
  return milks[0]?.ingredient;
}

export const allergensIn = (plan: Plan, things: readonly IngredientLine[]): Allergen[] => [
  ...new Set(things.filter((i) => i.grams > 0).flatMap((i) => lookUp(plan, i.ingredientId).allergens)),
];
export const allergensOf = (plan: Plan): Allergen[] => allergensIn(plan, allThings(plan));

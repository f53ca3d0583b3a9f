import { PUDDING_G_PER_ML } from '../matter/mixture';
import { DISHES } from '../pantry/kitchen';
import { methodOf, restsOf } from './family';
import { linesOf, partsOf, withLines, withOwnSteps } from './layout';
import { BESIDE_USES, purposeOf, type MethodStep, intoDish, intoPot } from './method';
import { oncePerPlan } from './once';
import type { Plan, Portion } from './plan';

/** What a portion is called after its plan: no plan of the kitchen's own has such an id. */
const idOf = (plan: Plan, part: Portion) => `${plan.id}.${part.id}`;

/** A part of a batch as a plan of its own: the same pot, and its own way from the pouring on. */
export function portionPlan(plan: Plan, part: Portion): Plan {
  const own: Plan = {
    ...withLines(
      plan,
      linesOf(plan).filter((i) => !BESIDE_USES.includes(purposeOf(i.in))),
      partsOf(plan).filter((c) => !BESIDE_USES.includes(purposeOf(c.in))),
    ),
    id: idOf(plan, part),
    name: part.name,
    dish: part.dish,
    rest: part.rest,
    serve: part.serve,
    choices: { ...plan.choices, cooling: part.cooling },
    vessels: [],
    portions: [],
    share: (plan.share ?? 1) * part.share,
  };
  const method = methodOf(plan);
  const pour = method.findIndex(intoDish);
  const onTheHob = pour < 0 ? method.filter((s) => intoPot(s) || s.do === 'heat') : method.slice(0, pour);
  const bake: MethodStep[] = part.bake ? [{ do: 'bake', ...part.bake }] : [];
  return withOwnSteps(own, [...onTheHob, { do: 'pour', to: 'dish' }, ...bake, ...restsOf(own)]);
}

/** The plans of a plan's portions, in their order. */
export const portionPlans = oncePerPlan((plan: Plan): readonly Plan[] =>
  plan.portions.map((part) => portionPlan(plan, part)),
);

export const PORTION_KINDS = ['warm', 'dish', 'bake'] as const;
export type PortionKind = (typeof PORTION_KINDS)[number];
/** The dish that ships which each usually goes into. */
const INTO: Record<PortionKind, string> = {
  warm: 'bowl, 1.5 l',
  dish: 'glasses, 200 ml',
  bake: 'shallow dish, 24 × 18 cm',
};
/** A portion baked on, as it usually is. */
export const BAKED_ON: NonNullable<Portion['bake']> = {
  ovenC: 180,
  fan: false,
  from: 'hot',
  bath: 'none',
  until: { reach: 'colour' },
  limitMin: 60,
  grillMin: 0,
  covered: false,
};
/** A portion that is eaten from the pot: degC, h until it is on the table, min that it stands (B). */
const WARM = { tempC: 55, hours: 0.15, roomMin: 10 };
/** Share of the pot that a new portion takes, and how full its dishes are. */
const SHARE = 0.3;
const FILLED = 0.95;

/** A portion to begin with. @param potG in the pot when it is poured */
export function startPortion(
  plan: Plan,
  kind: PortionKind,
  { id, name, potG }: { id: string; name: string; potG: number },
): Portion {
  const { name: _name, ...dish } = DISHES.find((d) => d.name === INTO[kind])!;
  const left = 1 - plan.portions.reduce((sum, p) => sum + p.share, 0);
  const share = Math.round(Math.min(SHARE, left / 2) * 100) / 100;
  const count = Math.ceil((potG * share) / PUDDING_G_PER_ML / (FILLED * dish.capacityMl));
  const warm = kind === 'warm';
  return {
    id,
    name,
    share,
    dish: { ...dish, count: Math.max(1, Math.min(60, count)) },
    ...(kind === 'bake' ? { bake: BAKED_ON } : {}),
    cooling: 'room first',
    rest: warm ? { ...plan.rest, roomMin: WARM.roomMin, hours: WARM.hours, covered: false } : plan.rest,
    serve: { ...plan.serve, ...(warm ? { tempC: WARM.tempC, word: 'coats', style: 'spooned' } : {}) },
  };
}

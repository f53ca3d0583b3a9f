import { forecast } from '../model/forecast';
import { DISHES } from '../pantry/kitchen';
import { PUDDING_G_PER_ML } from '../matter/mixture';
import { restedIn } from '../plan/methodList';
import type { Plan } from '../plan/plan';
import type { RestPlace } from '../set/places';
import { breaksCoolingRule } from '../set/safety';

/** A way to keep the cooling rule: what is done, the plan with it, and the hours from 57 to 21 degC that it saves. */
type CoolWay = {
  kind: 'ice bath' | 'straight to the cold' | 'smaller dishes';
  plan: Plan;
  /** not known where it never gets cold as it is */
  savesH: number | undefined;
};

const [SMALL_MOULDS, CUPS] = DISHES as readonly [(typeof DISHES)[number], (typeof DISHES)[number]];
/** How far a dish is filled. */
const FILLED = 0.95;

/** What can still be done to a dish that stands: each with the hours from 57 to 21 degC that it saves. */
export const COOL_NOW = ['fridge now', 'cold water', 'ice bath', 'split in two', 'shallow tray'] as const;
export type CoolNow = {
  kind: (typeof COOL_NOW)[number];
  below21H: number;
  /** not known where it never gets cold as it is */
  savesH: number | undefined;
  safe: boolean;
};

/** h between two times that it gets cold; nothing where the first never comes. */
const savedH = (wasH: number, isH: number): number | undefined =>
  Number.isFinite(wasH) ? Math.max(0, wasH - isH) : undefined;

/** A layer this deep cools in time in any fridge, mm (B). */
const SHALLOW_MM = 25;
const BATH_MIN = 30;
/** Less than two minutes is nothing that helps, h. */
const LEAST_SAVED_H = 1 / 30;

/**
 * What helps a dish that will not be cold in time, the most first.
 * @param plan as it was poured, its rests as they are expected now @param stood where it stood until now
 */
export function coolNow(plan: Plan, stood: readonly { where: RestPlace; minutes: number }[], hours: number): CoolNow[] {
  const { cool } = forecast(plan);
  const rest = (stays: readonly { where: RestPlace; minutes: number }[], dish = plan.dish): Plan => {
    const gone = [...stood, ...stays].reduce((sum, s) => sum + s.minutes, 0);
    return restedIn({ ...plan, dish }, [...stood, ...stays, { where: 'fridge', minutes: hours * 60 - gone }], hours);
  };
  const { form: _form, ...dish } = plan.dish;
  const shallow = {
    ...dish,
    heightMm: 2 * SHALLOW_MM,
    capacityMl: Math.min(8000, Math.max(30, plan.dish.capacityMl)),
    count: Math.min(60, plan.dish.count * 2),
  };
  const tries: Record<CoolNow['kind'], Plan> = {
    'fridge now': rest([]),
    'cold water': rest([{ where: 'cold water', minutes: BATH_MIN }]),
    'ice bath': rest([{ where: 'ice bath', minutes: BATH_MIN }]),
    'split in two': rest([], { ...plan.dish, count: Math.min(60, plan.dish.count * 2) }),
    'shallow tray': rest([], shallow),
  };
  return COOL_NOW.map((kind) => {
    const { below21H, safe, ordinary } = forecast(tries[kind]).cool;
    return { kind, below21H, savesH: savedH(cool.below21H, below21H), safe: safe || ordinary };
  })
    .filter((w) => Number.isFinite(w.below21H) && (w.savesH ?? Infinity) > LEAST_SAVED_H)
    .sort((a, b) => a.below21H - b.below21H);
}

/**
 * The first way out, the least trouble first, by which a plan that cools too slowly keeps the rule that it is held against.
 * @returns nothing where it keeps it as it is, or where none of these is enough
 */
export function coolInTime(plan: Plan): CoolWay | undefined {
  const { cool: now, endMassG } = forecast(plan);
  if (!breaksCoolingRule(now)) return undefined;
  // whatever else is done, it does not stand in the room first
  const cooling = (kind: 'straight to the cold' | 'ice bath', dish = plan.dish): Plan => ({
    ...plan,
    dish,
    choices: { ...plan.choices, cooling: kind },
    rest: { ...plan.rest, roomMin: 0 },
  });
  const small = [...(plan.serve.style === 'spooned' ? [CUPS] : []), SMALL_MOULDS].map(({ name: _name, ...dish }) => ({
    ...dish,
    count: Math.max(plan.people, Math.ceil(endMassG / PUDDING_G_PER_ML / (FILLED * dish.capacityMl))),
  }));
  const ways: Pick<CoolWay, 'kind' | 'plan'>[] = [
    { kind: 'straight to the cold', plan: cooling('straight to the cold') },
    { kind: 'ice bath', plan: cooling('ice bath') },
    ...small.map((dish) => ({ kind: 'smaller dishes' as const, plan: cooling('straight to the cold', dish) })),
  ];
  for (const way of ways) {
    const { cool } = forecast(way.plan);
    if (cool.safe) return { ...way, savesH: savedH(now.below21H, cool.below21H) };
  }
  return undefined;
}

import { methodOf } from '../plan/family';
import type { Plan } from '../plan/plan';
import { KEEPS_COLD, type RestPlace } from '../set/places';
import type { CookState } from './fold';

type Stood = { where: RestPlace; minutes: number };

/** Minutes that a bath is taken to last when nobody has said that it is over (C). */
const BATH_MIN = 30;
const STEP_MIN = 5;

/** What of the stays is past, so many minutes after the pouring. */
export function stoodUntil(stays: readonly Stood[], minutes: number): Stood[] {
  const out: Stood[] = [];
  let left = minutes;
  for (const s of stays) {
    if (left <= 0) break;
    out.push({ ...s, minutes: Math.min(s.minutes, left) });
    left -= s.minutes;
  }
  return out;
}

/** The plan with its dishes as they were really poured. */
export function asPoured(plan: Plan, { pouredAs: { count, covered, wet } }: Pick<CookState, 'pouredAs'>): Plan {
  const clay = plan.dish.wall === 'clay' || plan.dish.wall === 'wet clay';
  return {
    ...plan,
    dish: {
      ...plan.dish,
      ...(count === undefined ? {} : { count }),
      ...(clay && wet !== undefined ? { wall: wet ? ('wet clay' as const) : ('clay' as const) } : {}),
    },
    ...(covered === undefined ? {} : { rest: { ...plan.rest, covered } }),
  };
}

/** Where a plan's dish waits for the table. */
export const lastPlaceOf = (plan: Plan): RestPlace => methodOf(plan).findLast((s) => s.do === 'rest')?.where ?? 'room';

/**
 * Where the dish has stood since it was poured and where it will stand until the table: as it was noted, and from now on
 * as the plan has it, unless it waits somewhere that keeps it.
 * @param hours from the pouring to the table
 */
export function staysOf(plan: Plan, state: CookState, nowMs: number, hours: number): Stood[] {
  const last = lastPlaceOf(plan);
  const moves = state.stands.map((s) => ({ where: s.where === 'plan' ? last : s.where, atMs: s.atMs }));
  const all = [{ where: 'room' as RestPlace, atMs: state.pouredMs }, ...moves];
  const minute = (ms: number) => (ms - state.pouredMs) / 60_000;
  const out: Stood[] = [];
  for (const [i, { where, atMs }] of all.entries()) {
    const next = all[i + 1];
    if (next) {
      out.push({ where, minutes: Math.max(0, minute(next.atMs) - minute(atMs)) });
      continue;
    }
    const sinceMin = Math.ceil((nowMs - atMs) / 60_000 / STEP_MIN) * STEP_MIN;
    const restMin = Math.max(0, hours * 60 - minute(atMs));
    const moves = !KEEPS_COLD.includes(where) && where !== last && !(where === 'room' && i > 0);
    if (!moves) {
      out.push({ where, minutes: restMin });
      continue;
    }
    const here = Math.min(restMin, Math.max(sinceMin, where === 'room' ? plan.rest.roomMin : BATH_MIN));
    out.push({ where, minutes: here }, { where: last, minutes: restMin - here });
  }
  return out;
}

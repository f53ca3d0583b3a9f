import { portionsIn, potsIn } from './bowls';
import { methodOf } from './family';
import { ownSteps, potPartsOf, withPotParts } from './layout';
import { purposeOf, topOf, type Bowl, onTop } from './method';
import { insertStep, listOf, removeStep } from './methodList';
import type { Plan } from './plan';
import { pouredInto } from './secondPot';

/** Where a second pot goes, as a cook would say it. */
export const POT_GOES = ['table', 'late', 'off the heat', 'under', 'over, then baked', 'over'] as const;
export type PotGoes = (typeof POT_GOES)[number];
const bowlOf = (goes: PotGoes): Bowl | undefined =>
  goes === 'table' ? undefined : goes === 'over' || goes === 'over, then baked' ? 'top' : goes;

/** Where most of a second pot goes now, and how much of it. */
export function goesNow(plan: Plan, vesselId: string): { goes: PotGoes; share: number } {
  const [most] = potPartsOf(plan)
    .filter((p) => p.vesselId === vesselId)
    .toSorted((a, b) => b.share - a.share);
  if (!most) return { goes: 'table', share: 1 };
  const method = methodOf(plan);
  const top = method.findIndex(onTop);
  const goes = POT_GOES.find((g) => bowlOf(g) === most.in) ?? 'late';
  const baked = top >= 0 && method.slice(top).some((s) => s.do === 'bake');
  return { goes: purposeOf(most.in) === 'top' ? (baked ? 'over, then baked' : 'over') : goes, share: most.share };
}

/** The plan with a second pot going there, so much of it; the rest stays for the table. */
export function goingTo(plan: Plan, vesselId: string, goes: PotGoes, share: number): Plan {
  const cleared = withPotParts(
    plan,
    potPartsOf(plan).filter((p) => p.vesselId !== vesselId),
  );
  const bowl = bowlOf(goes);
  const next = bowl ? pouredInto(cleared, vesselId, bowl, share) : cleared;
  // a step that pours what is no longer there goes with it
  const idle = listOf(next).find((s) => onTop(s) && !holdsAny(next, topOf(s)));
  const tidy = idle && ownSteps(next) ? removeStep(next, idle.id) : next;
  const list = listOf(tidy);
  const bake = list.findIndex((s) => s.do === 'bake');
  if (goes !== 'over, then baked' || bake < 0 || list.some(onTop)) return tidy;
  return insertStep(tidy, 'top', bake).plan;
}
const holdsAny = (plan: Plan, bowl: Bowl): boolean => portionsIn(plan, bowl).length + potsIn(plan, bowl).length > 0;

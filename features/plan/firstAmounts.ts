import { inThisKitchen, type Known } from '../../core/book/inThisKitchen';
import { NOTHING_LEARNT } from '../../core/book/known';
import type { Plan } from '../../core/plan/plan';
import type { AroundRooms } from '../shared/kitchen';

/** A new plan, as it will be in this kitchen, with amounts that set as it wishes, to the half gram; as it began where the model has no answer. */
export async function withFirstAmounts(
  ask: AroundRooms['ask'],
  start: Plan,
  known: { learnt: Known['learnt'] | undefined; measured: Known['measured'] },
): Promise<Plan> {
  const { plan } = inThisKitchen(start, { ...known, learnt: known.learnt ?? NOTHING_LEARNT });
  const solved = await ask('solve', [plan]).catch(() => undefined);
  const made = solved?.plan ?? plan;
  return { ...made, things: made.things.map((i) => ({ ...i, grams: Math.round(i.grams * 2) / 2 })) };
}

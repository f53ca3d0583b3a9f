import type { Plan } from '../../core/plan/plan';
import type { AroundRooms } from '../shared/kitchen';

/** A new plan with amounts that set as it wishes, to the half gram; as it began where the model has no answer. */
export async function withFirstAmounts(ask: AroundRooms['ask'], plan: Plan): Promise<Plan> {
  const solved = await ask('solve', [plan]).catch(() => undefined);
  const made = solved?.plan ?? plan;
  return { ...made, items: made.items.map((i) => ({ ...i, grams: Math.round(i.grams * 2) / 2 })) };
}

import { withGrams } from '../../core/plan/amounts';
import type { Plan } from '../../core/plan/plan';

/** Grams of one thickener that bring a plan to what is held; undefined where no amount does. */
type SolveHeld = (plan: Plan, thickenerId: string, stressPa: number) => Promise<number | undefined>;

/**
 * Keeps the set while other amounts change. Each change asks anew and only the last answer counts; it is laid over the
 * plan as it is by then, so that what was changed meanwhile stays.
 * @param edit changes the stored plan from what is there
 */
export function holdSet(
  solve: SolveHeld,
  edit: (planId: string, change: (there: Plan) => Plan) => void,
  onBusy: (busy: boolean) => void,
) {
  let latest = 0;
  let busy = false;
  return {
    /** An answer is still to come: a change of all amounts has to be asked for too. */
    busy: () => busy,
    async follow(plan: Plan, thickenerId: string, stressPa: number): Promise<void> {
      const turn = ++latest;
      busy = true;
      onBusy(true);
      try {
        const grams = await solve(plan, thickenerId, stressPa);
        if (turn !== latest || grams === undefined) return;
        const half = Math.round(grams * 2) / 2;
        edit(plan.id, (there) => withGrams(there, thickenerId, half));
      } finally {
        if (turn === latest) {
          busy = false;
          onBusy(false);
        }
      }
    },
  };
}

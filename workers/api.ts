import type { Batch } from '../core/book/batch';
import { nextTime } from '../core/book/nextTime';
import type { Cook } from '../core/cook/events';
import { livePot } from '../core/cook/live';
import type { Step } from '../core/cook/steps';
import { choirSupper } from '../core/demo/choirSupper';
import { forecast } from '../core/forecast';
import type { Plan } from '../core/formula/plan';
import { solveStarch, swapThickener } from '../core/formula/solve';
import { monteCarlo, type Chances } from '../core/chance/montecarlo';
import { pantryWith } from '../core/pantry/pantry';

/** Lets what waits for the worker in, between two slices of a long work. */
const breathe = () => new Promise((ok) => setTimeout(ok, 0));

/** Many kitchens, in slices: `goOn` is told how many are cooked and answers whether anybody still waits. */
async function chances(
  plan: Plan,
  draws: number,
  seed: number,
  goOn: (done: number) => boolean | Promise<boolean>,
): Promise<Chances | undefined> {
  const run = monteCarlo(plan, pantryWith(plan.own), draws, seed);
  for (;;) {
    const next = run.next();
    if (next.done) return next.value;
    if (!(await goOn(next.value))) return undefined;
    await breathe();
  }
}

/** What the model's worker answers. A plan carries its own ingredients, so nothing else is needed. */
export const modelApi = {
  forecast: (plan: Plan) => forecast(plan, pantryWith(plan.own)),
  chances,
  swap: (plan: Plan, fromId: string, toId: string) => swapThickener(plan, fromId, toId, pantryWith(plan.own)),
  solve: (plan: Plan) => solveStarch(plan, pantryWith(plan.own)),
  live: (cook: Cook, steps: Step[], nowMs: number) => livePot(cook, steps, pantryWith(cook.plan.own), nowMs),
  nextTime: (batch: Batch, like: Batch[]) => nextTime(batch, like, pantryWith(batch.plan.own)),
  demo: (nowMs: number, offsetMin: number) => choirSupper(nowMs, offsetMin),
};
export type ModelApi = typeof modelApi;

import type { Batch } from '../core/book/batch';
import { nextTime } from '../core/book/nextTime';
import type { Cook } from '../core/cook/events';
import { livePot } from '../core/cook/live';
import type { Step } from '../core/cook/steps';
import { choirSupper } from '../core/demo/choirSupper';
import { forecast } from '../core/forecast';
import type { Plan } from '../core/formula/plan';
import { solveStarch } from '../core/formula/solve';
import { pantryWith } from '../core/pantry/pantry';

/** What the model's worker answers. A plan carries its own ingredients, so nothing else is needed. */
export const modelApi = {
  forecast: (plan: Plan) => forecast(plan, pantryWith(plan.own)),
  solve: (plan: Plan) => solveStarch(plan, pantryWith(plan.own)),
  live: (cook: Cook, steps: Step[], nowMs: number) => livePot(cook, steps, pantryWith(cook.plan.own), nowMs),
  nextTime: (batch: Batch, like: Batch[]) => nextTime(batch, like, pantryWith(batch.plan.own)),
  demo: (nowMs: number, offsetMin: number) => choirSupper(nowMs, offsetMin),
};
export type ModelApi = typeof modelApi;

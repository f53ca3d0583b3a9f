import type { Plan } from '../../core/plan/plan';

/** What a plan becomes: as it was made of the one that is shown, or a way to make it of whatever it is by then. */
export type PlanChange = Plan | ((now: Plan) => Plan);

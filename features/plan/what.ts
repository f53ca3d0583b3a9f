import type { DishStartId } from '../../core/plan/dishStarts';
import type { Family } from '../../core/plan/plan';

/** What a new plan begins as: a kind of pudding, or a dish by its name with the milk that it is made of. */
export type What = { family: Family; dish?: { id: DishStartId; milkId: string } };

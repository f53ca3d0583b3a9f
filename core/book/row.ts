import type { Plan } from '../plan/plan';
import { lookUp, mainLiquid } from '../plan/stages';
import type { Batch } from './batch';

/** What the Book's list, its search and what is learnt need of a batch: everything but its plan and its events. */
export type BatchRow = Pick<Batch, 'id' | 'at' | 'found'> &
  Pick<Plan, 'name' | 'family' | 'starchMeasure'> & {
    serve: Pick<Plan['serve'], 'style' | 'word'>;
    factor: number;
    promise: Pick<Batch['promise'], 'servingPlace' | 'depthMm'>;
    items: string[];
    milkId?: string;
    thickeners: string[];
  };

export function rowOfBatch({ id, at, found, plan, promise }: Batch): BatchRow {
  const milk = mainLiquid(plan);
  return {
    id,
    at,
    found,
    name: plan.name,
    family: plan.family,
    serve: { style: plan.serve.style, word: plan.serve.word },
    starchMeasure: plan.starchMeasure,
    factor: plan.firmness.factor,
    promise: { servingPlace: promise.servingPlace, depthMm: promise.depthMm },
    items: plan.items.map((i) => i.ingredientId),
    ...(milk ? { milkId: milk.id } : {}),
    thickeners: plan.items
      .filter((i) => i.grams > 0 && lookUp(plan, i.ingredientId).thickener !== undefined)
      .map((i) => i.ingredientId)
      .sort(),
  };
}

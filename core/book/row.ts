import { z } from 'zod';
import { IdSchema } from '../moment';
import { PlanSchema } from '../plan/plan';
import { lookUp, mainLiquid } from '../plan/stages';
import { BatchSchema, PromiseSchema, type Batch } from './batch';

/** What the Book's list, its search and what is learnt need of a batch: everything but its plan and its events. */
export const BatchRowSchema = BatchSchema.pick({ id: true, at: true, found: true }).extend({
  name: PlanSchema.shape.name,
  family: PlanSchema.shape.family,
  serve: PlanSchema.shape.serve.pick({ style: true, word: true }),
  starchMeasure: PlanSchema.shape.starchMeasure,
  factor: PlanSchema.shape.firmness.shape.factor,
  promise: PromiseSchema.pick({ servingPlace: true, depthMm: true }),
  items: z.array(IdSchema),
  milkId: IdSchema.optional(),
  thickeners: z.array(IdSchema),
});
export type BatchRow = z.infer<typeof BatchRowSchema>;

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

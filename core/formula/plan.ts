import { z } from 'zod';
import { IngredientSchema } from '../pantry/ingredient';
import { DishSchema, HobSchema, PanSchema } from '../pantry/kitchen';

export const PLAN_FORMAT = 'ovalis-plan';
export const PLAN_VERSION = 1;

export const SET_WORDS = ['drinks', 'pours', 'coats', 'mounds', 'holds a trail', 'wobbles', 'slices', 'firm'] as const;
export type SetWord = (typeof SET_WORDS)[number];

/** When an ingredient goes in: whisked cold with the starch, warmed in the pot, or once it is off the heat. */
export const STAGES = ['slurry', 'pot', 'off the heat'] as const;
export type Stage = (typeof STAGES)[number];

const grams = z
  .number('should be a number of grams')
  .min(0, 'should be 0 g or more')
  .max(20000, 'should be 20 000 g or less');

export const PlanItemSchema = z.object({
  ingredientId: z.string().min(1),
  /** the whole amount, before anything is carved out of it */
  grams,
  stage: z.enum(STAGES),
});
export type PlanItem = z.infer<typeof PlanItemSchema>;

/** Part of an item that is kept back for another stage: it comes out of the total, it is never added to it. */
export const CarveOutSchema = z.object({ ingredientId: z.string().min(1), grams, stage: z.enum(STAGES) });

export const PlanSchema = z.object({
  format: z.literal(PLAN_FORMAT, `should be "${PLAN_FORMAT}"`),
  version: z.literal(PLAN_VERSION, `should be ${PLAN_VERSION}`),
  id: z.string().min(1),
  name: z.string().trim().min(1, 'should have a name').max(60, 'should be 60 letters or fewer'),
  family: z.literal('starch-set milk pudding'),
  people: z.int('should be a whole number').min(1, 'should be at least 1').max(60, 'should be 60 or fewer'),
  portionG: z.number().min(30, 'should be 30 g or more').max(500, 'should be 500 g or less'),
  items: z.array(PlanItemSchema).min(1).max(40),
  carveOuts: z.array(CarveOutSchema).max(10),
  /** how the starch will be measured: decides how wide the doubt is */
  starchMeasure: z.enum(['scale', 'level spoons', 'rounded spoons']),
  pan: PanSchema,
  hob: HobSchema,
  method: z.object({
    /** hob ovals, 1 to 9 */
    heatSetting: z.int().min(1).max(9),
    simmerSetting: z.int().min(1).max(9),
    /** the milk is this warm when the slurry goes in */
    slurryAtC: z.number().min(5).max(75, 'should be 75 °C or less: hotter milk makes lumps'),
    /** minutes of cooking after the first bubble */
    cookOnMin: z.number().min(0).max(40),
    /** seconds between two wipes of the same spot of the floor */
    stirEveryS: z.number().min(0.5).max(300),
  }),
  dish: DishSchema,
  rest: z.object({
    roomMin: z.number().min(0).max(240),
    fridgeC: z.number().min(-2).max(12),
    covered: z.boolean(),
    /** hours from pouring to serving */
    hours: z.number().min(0).max(96),
  }),
  serve: z.object({
    style: z.enum(['spooned', 'turned out', 'cut']),
    word: z.enum(SET_WORDS),
    tempC: z.number().min(0, 'should be 0 °C or more').max(75, 'should be 75 °C or less'),
    /** when it is eaten, ISO 8601 */
    at: z.iso.datetime({ offset: true, error: 'should be a date and time such as 2026-12-12T19:30:00Z' }),
  }),
  room: z.object({ tempC: z.number().min(5).max(40), altitudeM: z.number().min(0).max(4500) }),
  /** ingredients of the cook's own that this plan uses, so that a plan stands alone */
  own: z.array(IngredientSchema).max(20),
  /** what the cook's own batches taught: the set is this many times the model's, known to this relative spread */
  firmness: z.object({ factor: z.number().min(0.2).max(5), sdLn: z.number().min(0.02).max(1) }),
  archived: z.boolean().optional(),
});
export type Plan = z.infer<typeof PlanSchema>;

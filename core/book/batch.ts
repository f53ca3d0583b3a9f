import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';
import { CookEventSchema, type Cook } from '../cook/events';
import type { Forecast } from '../model/forecast';
import { lookUp } from '../plan/bowls';
import { PlanSchema, type Plan } from '../plan/plan';
import { SET_WORDS } from '../texture/words';

export const FLAWS = [
  'lumps',
  'caught',
  'raw taste',
  'skin',
  'weeping',
  'slumped',
  'cracked',
  'grainy',
  'curdled',
  'too pale',
  'too dark',
  'grain hard',
  'grain mush',
  'stuck',
  'cut too early',
  'too sweet',
  'boiled over',
] as const;
export type Flaw = (typeof FLAWS)[number];
export const SWEETNESS = ['too little', 'right', 'too much'] as const;

/** characters of a picture that is kept: about 90 kB */
export const MOST_PHOTO = 120_000;

const place = z.number().min(0).max(5);

/** What was promised, as it stood when the cook was written down. */
const PromiseSchema = z.object({
  hotPlace: place,
  servingPlace: place,
  low: place,
  high: place,
  sdLn: z.number().positive().max(10),
  depthMm: z.number().positive().max(10_000),
  starchG: z.number().min(0).max(800_000),
  minutes: z.number().min(0).max(100_000),
  /** at the fire to the first bubble */
  bubbleMin: z.number().min(0).max(100_000).optional(),
});
export type BatchPromise = z.infer<typeof PromiseSchema>;

/** What was found. Everything may be left open. */
export const FoundSchema = z.object({
  wordHot: z.enum(SET_WORDS).optional(),
  wordServing: z.enum(SET_WORDS).optional(),
  sweetness: z.enum(SWEETNESS).optional(),
  flaws: z.array(z.enum(FLAWS)).max(FLAWS.length),
  note: z.string().max(2000),
  /** the day after */
  wordNextDay: z.enum(SET_WORDS).optional(),
  /** yield stress at serving, Pa, read off how far it slumped */
  stressPa: z.number().min(0.01).max(1e6).optional(),
  /** how fast it cooled in its dish over what was reckoned, by a thermometer in it */
  coolsRel: z.number().min(0.2).max(5).optional(),
  likedBy: z.string().max(200).optional(),
  recipeOf: z.string().max(200).optional(),
  /** a small picture of it, as an address that holds its data */
  photo: z
    .string()
    .max(MOST_PHOTO)
    .regex(/^data:image\/(?:jpeg|webp|png);base64,[A-Za-z0-9+/=]+$/)
    .optional(),
});
export type Found = z.infer<typeof FoundSchema>;

export const BatchSchema = z.object({
  id: IdSchema,
  cookId: IdSchema.optional(),
  /** when it was poured, ISO 8601 */
  at: MomentSchema,
  plan: PlanSchema,
  events: z.array(CookEventSchema).max(5000),
  /** owed while the model has not answered: a batch is written down before its tap returns */
  promise: PromiseSchema.optional(),
  found: FoundSchema,
});
export type Batch = z.infer<typeof BatchSchema>;

/** A batch as the cook that it was. */
export const batchCook = (b: Batch): Cook => ({ id: b.cookId ?? b.id, plan: b.plan, events: b.events });

/** g of everything that thickens by its starch, as the plan has it. */
export const thickenerG = (plan: Plan): number =>
  plan.things.filter((i) => lookUp(plan, i.ingredientId).thickener !== undefined).reduce((sum, i) => sum + i.grams, 0);

/** What a forecast promised of a plan. @throws UnknownIngredientError */
export function promiseOf(f: Forecast, plan: Plan): BatchPromise {
  return {
    hotPlace: f.hot.place,
    servingPlace: f.serving.place,
    low: f.doubt.low,
    high: f.doubt.high,
    sdLn: f.doubt.sdLn,
    depthMm: f.depthMm,
    starchG: thickenerG(plan),
    minutes: f.minutes.total,
    bubbleMin: f.minutes.toBubble,
  };
}

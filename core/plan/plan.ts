import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';
import { IngredientSchema } from '../pantry/ingredient';
import { BakingSchema } from '../oven/baking';
import { DishSchema, HobSchema, PanSchema } from '../pantry/kitchen';
import { COOLING_RULES } from '../set/safety';
import { SERVE_STYLES, SET_WORDS } from '../texture/words';
import { PreparationSchema } from './preparation';
import { BowlSchema, MethodStepSchema } from './method';
import { RULES } from './rules';

export const PLAN_FORMAT = 'ovalis-plan';
export const PLAN_VERSION = 7;

export const FAMILIES = [
  'starch-set milk pudding',
  'ground-rice cream',
  'stirred custard',
  'egg-enriched pudding',
  'baked custard',
  'whole-rice pudding',
  'porridge',
  'baked slab',
  'frozen cream',
] as const;
export type Family = (typeof FAMILIES)[number];

const COOLINGS = ['room first', 'straight to the cold', 'freezer', 'ice bath'] as const;

const grams = z.number().min(0).max(20000);

/** What is bought and weighed: one row each. */
const IngredientLineSchema = z.object({
  ingredientId: IdSchema,
  /** the whole amount, wherever parts of it go */
  grams,
  /** the amount in the words in which it was typed, and the grams that they came to */
  written: z.object({ text: z.string().trim().min(1).max(40), grams }).optional(),
});
export type IngredientLine = z.infer<typeof IngredientLineSchema>;

/** How much of a thing goes into a bowl: so many grams of it, a share of it, or, where nothing is said, what is left of it. */
const PutThingSchema = z.object({
  ingredientId: IdSchema,
  grams: grams.optional(),
  /** of the whole amount, 0 to 1: its grams follow that */
  share: z.number().min(0.01).max(1).optional(),
  /** held back to be added by tasting */
  taste: z.boolean().optional(),
  /** the cook said so much: no rule changes it */
  typed: z.boolean().optional(),
});
export type PutThing = z.infer<typeof PutThingSchema>;

/** Of what comes out of a second pot, so much of it: a share, 0 to 1. */
export const PutPotSchema = z.object({ vesselId: IdSchema, share: z.number().min(0.01).max(1) });
export type PutPot = z.infer<typeof PutPotSchema>;

/** Things into a bowl, or into the pot before it is lit; and what comes out of second pots. */
const PutSchema = z.object({
  do: z.literal('put'),
  id: z.string().min(1).max(100),
  into: BowlSchema,
  things: z.array(PutThingSchema).max(40),
  pots: z.array(PutPotSchema).max(12).optional(),
});
export type PutAct = z.infer<typeof PutSchema>;

/** Something made ready beside the pudding without a pot of its own. */
const PrepareSchema = z.object({ do: z.literal('prepare'), id: IdSchema, what: PreparationSchema });

/** What is done, in order. */
export const OperationSchema = z.discriminatedUnion('do', [PutSchema, PrepareSchema, ...MethodStepSchema.options]);
export type Operation = z.infer<typeof OperationSchema>;
export type PrepareAct = Extract<Operation, { do: 'prepare' }>;

/**
 * A pot of its own beside the pot: a sauce, a syrup, fruit, a second grain. It has things and acts as the plan has them,
 * is cooked by the same laws, and what comes out of it is put where the plan's own acts say; the rest is for the table.
 */
export const SecondPotSchema = z.object({
  id: IdSchema,
  kind: z.literal('pot'),
  name: z.string().trim().min(1).max(40),
  pan: PanSchema,
  things: z.array(IngredientLineSchema).max(20),
  acts: z.array(OperationSchema).max(40),
});
export type SecondPot = z.infer<typeof SecondPotSchema>;

const RestSchema = z.object({
  roomMin: z.number().min(0).max(240),
  fridgeC: z.number().min(-2).max(12),
  covered: z.boolean(),
  /** how fast this kitchen's fridge draws the heat out, over what is usual */
  pace: z.number().min(0.3).max(3).optional(),
  /** hours from pouring to serving */
  hours: z.number().min(0).max(96),
  /** which cooling rule to hold it against; local rules come first */
  rule: z.enum(COOLING_RULES).optional(),
});

/** Stirred in at the table, to loosen it. */
const LoosenSchema = z.object({ ingredientId: IdSchema, grams: z.number().min(0).max(2000) });

const ServeSchema = z.object({
  style: z.enum(SERVE_STYLES),
  word: z.enum(SET_WORDS),
  tempC: z.number().min(-25).max(75),
  /** when it is eaten, ISO 8601 */
  at: MomentSchema,
  loosen: LoosenSchema.optional(),
});

/** A part of the batch that goes its own way from the pouring on: another dish, another oven, other hours. */
export const PortionSchema = z.object({
  id: IdSchema,
  name: z.string().trim().min(1).max(40),
  /** of what is in the pot when it is poured */
  share: z.number().min(0.02).max(0.95),
  dish: DishSchema,
  bake: BakingSchema.optional(),
  cooling: z.enum(COOLINGS).default('room first'),
  rest: RestSchema,
  serve: ServeSchema,
});
export type Portion = z.infer<typeof PortionSchema>;

/** Where cooks part ways: each choice is one line of the schools, its first value the usual one. */
const ChoicesSchema = z.object({
  grain: z
    .enum(['into cold milk', 'into boiling milk', 'fried in fat first', 'wetted cold first', 'hot liquid onto it'])
    .optional(),
  yolks: z.enum(['tempered', 'straight in', 'into a cooled base']).optional(),
  heat: z.enum(['direct', 'double boiler']).optional(),
  end: z.enum(['bubbles and cooks on', 'coats the spoon']).optional(),
  start: z.enum(['full heat, then lower', 'low throughout']).optional(),
  stirring: z.enum(['constant', 'lid on, now and then']).optional(),
  soak: z.enum(['soaked', 'straight in']).optional(),
  starch: z.enum(['early', 'last']).optional(),
  reduceTo: z.number().min(0.3).max(1).optional(),
  eggOff: z.enum(['heat off at once', 'minutes more', 'to bubbling']).optional(),
  oven: z.enum(['preheated', 'cold start']).optional(),
  bath: z.enum(['none', 'open', 'covered']).optional(),
  ovenC: z.number().min(80).max(280).optional(),
  cooling: z.enum(COOLINGS).optional(),
  mould: z.enum(['greased', 'rinsed']).optional(),
  /** what is at hand to stir with */
  hands: z.enum(['whisk', 'spoon only']).optional(),
  /** cream that dries at the sides of the pan */
  sides: z.enum(['scraped down', 'stirred back', 'skimmed']).optional(),
  /** where the colour of a slab comes from */
  finish: z.enum(['baked golden', 'grilled']).optional(),
  /** what is poured on top */
  top: z.enum(['raw', 'cooked down first']).optional(),
});
export type Choices = z.infer<typeof ChoicesSchema>;

export const PlanSchema = z.object({
  format: z.literal(PLAN_FORMAT),
  version: z.literal(PLAN_VERSION),
  id: IdSchema,
  name: z.string().trim().min(1).max(60),
  family: z.enum(FAMILIES),
  people: z.int().min(1).max(60),
  portionG: z.number().min(30).max(500),
  things: z.array(IngredientLineSchema).min(1).max(40),
  /**
   * The list: what goes into which bowl, and, where the cook has a method of her own, all that is done after it. Where it
   * has puts alone, the family and its choices write the rest.
   */
  acts: z.array(OperationSchema).max(120),
  /** of this one there is so much and no more: its amount stays when people or portions change */
  have: IdSchema.optional(),
  /** pots beside the pot, each with a list of its own */
  vessels: z.array(SecondPotSchema).max(12).default([]),
  /** how the starch will be measured: decides how wide the doubt is */
  starchMeasure: z.enum(['scale', 'level spoons', 'rounded spoons', 'heaped spoons']),
  pan: PanSchema,
  hob: HobSchema,
  method: z.object({
    /** hob ovals, 1 to 9 */
    heatSetting: z.int().min(1).max(9),
    simmerSetting: z.int().min(1).max(9),
    /** the milk is this warm when the slurry goes in */
    slurryAtC: z.number().min(5).max(75, 'issue.slurryTooHot'),
    /** minutes of cooking after the first bubble */
    cookOnMin: z.number().min(0).max(90),
    /** seconds between two wipes of the same spot of the floor */
    stirEveryS: z.number().min(0.5).max(300),
  }),
  choices: ChoicesSchema.default({}),
  dish: DishSchema,
  /** what the occasion asks; a plan that breaks one says so and offers the mending */
  rules: z.array(z.enum(RULES)).max(RULES.length).default([]),
  rest: RestSchema,
  serve: ServeSchema,
  /** parts of the batch that go their own way; what they leave goes into the plan's own dish */
  portions: z.array(PortionSchema).max(4).default([]),
  /** of the pot that this dish takes, where another plan has the rest */
  share: z.number().min(0.01).max(1).optional(),
  room: z.object({ tempC: z.number().min(5).max(40), altitudeM: z.number().min(0).max(4500) }),
  /** ingredients of the cook's own that this plan uses, so that a plan stands alone */
  own: z.array(IngredientSchema).max(20),
  /** what the cook's own batches taught: the set is this many times the model's, known to this relative spread */
  firmness: z.object({ factor: z.number().min(0.2).max(5), sdLn: z.number().min(0.02).max(1) }),
  /** taken as it is: what comes out is what is wanted, and nothing is corrected unasked */
  asItIs: z.boolean().optional(),
  archived: z.boolean().optional(),
});
export type Plan = z.infer<typeof PlanSchema>;

import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';
import { HeatStepSchema } from '../plan/method';
import { PlanSchema } from '../plan/plan';
import { REST_PLACES } from '../set/places';

export const OBSERVATIONS = [
  'steams',
  'rim bubbles',
  'edges thicken',
  'first bubble',
  'coats the spoon',
  'no free milk',
  'drags the whisk',
  'goes quiet',
  'plops',
  'no bubble yet',
  'still thin',
  'tastes raw',
  'tastes cooked',
  'grain hard',
  'grain soft',
  'at the mark',
  'bowl warm',
  'lumps',
  'too thick',
  'too thin',
  'smells toasted',
  'climbs',
] as const;
export type Observation = (typeof OBSERVATIONS)[number];

/**
 * What can be read off: a thermometer in the pot, degC; a trail that closed, s; the pan with all in it, g; the tilt at
 * which a blob on a cold plate runs, degrees; a thermometer in the middle of the dish, degC; how much of its height a turned
 * out block lost, %.
 */
export const MEASURES = ['probe', 'trail', 'scale', 'plate', 'dish', 'slump'] as const;
export type Measure = (typeof MEASURES)[number];

/** What the dish says to a finger, a knife, a nudge. */
export const TOUCHES = [
  'warm underneath',
  'cool underneath',
  'sticks',
  'dents',
  'springs',
  'knife smeared',
  'knife clean',
  'runs',
  'wobbles',
  'stands still',
] as const;
export type Touch = (typeof TOUCHES)[number];

/** What went wrong, as a cook names it. */
export const FAULTS = [
  'lumps',
  'curdled',
  'too thin',
  'too thin, cold',
  'too stiff',
  'catching',
  'caught',
  'boiled over',
  'raw taste',
  'grains hard',
  'grains mush',
  'too sweet',
  'split',
  'weeping',
  'skin',
  'will not unmould',
  'not set in time',
  'frozen too hard',
] as const;
export type Fault = (typeof FAULTS)[number];

export const DEVICES = ['probe', 'scale', 'hob'] as const;
export type DeviceKind = (typeof DEVICES)[number];

const at = MomentSchema;
const id = IdSchema;
/** a century: no clock is set further */
const MOST_CLOCK_MS = 3.2e12;
const grams = z.number().min(0).max(20000);

export const PortionSchema = z.object({ ingredientId: IdSchema, grams });
export type Portion = z.infer<typeof PortionSchema>;

/** Something that goes into the pot beside what the plan's steps add, and the fire that follows it. */
const AddedSchema = z.object({
  portions: z.array(PortionSchema).max(8),
  tempC: z.number().min(-20).max(110),
  how: z.enum(['slurry', 'stirred in']),
  why: z.enum(['fix', 'taste', 'own']),
  /** goes on the hob again after the step with this id */
  after: IdSchema.optional(),
  heat: z.array(HeatStepSchema).max(4).optional(),
});
export type Added = z.infer<typeof AddedSchema>;

/** Everything that happens to a cook, in the order it was noted. Nothing is ever taken out: `undone` names what does not count. */
export const CookEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('started'), id, at }),
  /** `grams` is what was really weighed, where a scale or the cook said so */
  z.object({ kind: z.literal('weighed'), id, at, item: IdSchema, grams: grams.optional() }),
  z.object({ kind: z.literal('stepDone'), id, at, step: IdSchema }),
  z.object({ kind: z.literal('steppedBack'), id, at }),
  z.object({ kind: z.literal('paused'), id, at }),
  z.object({ kind: z.literal('resumed'), id, at }),
  z.object({ kind: z.literal('observed'), id, at, what: z.enum(OBSERVATIONS) }),
  z.object({
    kind: z.literal('measured'),
    id,
    at,
    what: z.enum(MEASURES),
    value: z.number().min(-30).max(30000),
    /** read by a device, not by the cook */
    by: z.enum(DEVICES).optional(),
  }),
  z.object({ kind: z.literal('hobSet'), id, at, setting: z.int().min(0).max(9) }),
  z.object({ kind: z.literal('lidSet'), id, at, lid: z.enum(['off', 'ajar', 'on']) }),
  /** the spoon rests, or stirs again */
  z.object({ kind: z.literal('spoon'), id, at, resting: z.boolean() }),
  /** a stir in a step that asks for one now and then */
  z.object({ kind: z.literal('stirred'), id, at }),
  z.object({ kind: z.literal('ladled'), id, at }),
  z.object({ kind: z.literal('added'), id, at, ...AddedSchema.shape }),
  /** what was counted in and must come out again */
  z.object({ kind: z.literal('counted'), id, at, item: IdSchema, out: z.boolean() }),
  /** a timed step gets this much longer */
  z.object({ kind: z.literal('longer'), id, at, step: IdSchema, minutes: z.number().min(0).max(240) }),
  z.object({ kind: z.literal('rescued'), id, at, fault: z.enum(FAULTS), says: z.string().max(600) }),
  z.object({ kind: z.literal('device'), id, at, device: z.enum(DEVICES), lost: z.boolean() }),
  /** a pot beside the pot goes on, or is done */
  z.object({ kind: z.literal('side'), id, at, side: IdSchema, done: z.boolean() }),
  /** the device's clock was changed: what was noted before is this much later in the new time */
  z.object({ kind: z.literal('clock'), id, at, byMs: z.number().min(-MOST_CLOCK_MS).max(MOST_CLOCK_MS) }),
  z.object({ kind: z.literal('poured'), id, at }),
  z.object({ kind: z.literal('intoFridge'), id, at }),
  /** how it was really poured: into how many dishes, with a cover or open, into clay that was wet or dry */
  z.object({
    kind: z.literal('pouredAs'),
    id,
    at,
    count: z.int().min(1).max(60).optional(),
    covered: z.boolean().optional(),
    wet: z.boolean().optional(),
  }),
  /** the dish goes somewhere else; `intoFridge` is the plan's own cold place */
  z.object({ kind: z.literal('standsIn'), id, at, where: z.enum(REST_PLACES) }),
  /** what a finger, a knife or a nudge says of the dish */
  z.object({ kind: z.literal('felt'), id, at, touch: z.enum(TOUCHES) }),
  z.object({ kind: z.literal('turnedOut'), id, at }),
  z.object({ kind: z.literal('noted'), id, at, text: z.string().max(2000) }),
  z.object({ kind: z.literal('undone'), id, at, target: id }),
  /** an event happened at another time than it was noted */
  z.object({ kind: z.literal('moved'), id, at, target: id, to: at }),
]);
export type CookEvent = z.infer<typeof CookEventSchema>;

export const CookSchema = z.object({
  id,
  plan: PlanSchema,
  events: z.array(CookEventSchema).max(5000),
  batchId: IdSchema.optional(),
});
export type Cook = z.infer<typeof CookSchema>;

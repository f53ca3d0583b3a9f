import { z } from 'zod';
import { IdSchema } from '../moment';

const STEPS_FORMAT = 'ovalis-steps';
const STEPS_VERSION = 1;

/** Something that goes in: grams, the same as a cook takes it, where it goes and how it meets what is there. */
const ThingSchema = z.object({
  /** of the pantry, or, for what comes out of a second pot, "pot." and its id */
  ingredientId: IdSchema,
  name: z.string(),
  grams: z.number(),
  measure: z.string(),
  into: z.enum(['pot', 'under', 'top', 'beside']),
  how: z.string().optional(),
});

/** What the pot tells from the weighing to the table, act by act in order. */
export const StepsFileSchema = z.object({
  format: z.literal(STEPS_FORMAT),
  version: z.literal(STEPS_VERSION),
  plan: z.object({ id: IdSchema, name: z.string() }),
  acts: z.array(
    z.object({
      id: z.string(),
      /** what it is for: weigh, slurry, warm, thicken, cook on, pour, bake, rest, serve ... */
      role: z.string(),
      /** the whole sentence, as the cook reads it */
      says: z.string(),
      things: z.array(ThingSchema),
      /** how it ends: the cook says so, a sign shows, or the time is up */
      ends: z.enum(['done', 'cue', 'time']),
      /** what is seen, heard or felt by then */
      sign: z.string().optional(),
      /** min it takes or must take */
      minutes: z.number(),
      /** degC it is taken to, kept at or served at */
      tempC: z.number().optional(),
      /** hob ovals 0 to 9 */
      ring: z.number().optional(),
      /** s between two wipes of the same spot; undefined is a still spoon */
      stirEveryS: z.number().optional(),
      lid: z.string().optional(),
      oven: z
        .object({
          tempC: z.number(),
          fan: z.boolean(),
          from: z.enum(['hot', 'cold']),
          bath: z.enum(['none', 'open', 'covered']),
          covered: z.boolean(),
          grillMin: z.number(),
        })
        .optional(),
      /** room, fridge, freezer, bath */
      where: z.string().optional(),
    }),
  ),
  /** pots beside the pot, and what is made ready: what to weigh, minutes, g that come out, and its lines */
  beside: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      uses: z.array(z.object({ ingredientId: IdSchema, grams: z.number() })),
      minutes: z.number(),
      makesG: z.number(),
      says: z.array(z.string()),
    }),
  ),
});
export type StepsFile = z.infer<typeof StepsFileSchema>;

export const stepsHead = { format: STEPS_FORMAT, version: STEPS_VERSION } as const;

export const stepsJsonSchema = (): unknown => ({
  $id: `${STEPS_FORMAT}-${STEPS_VERSION}.schema.json`,
  title: `${STEPS_FORMAT}, version ${STEPS_VERSION}`,
  ...z.toJSONSchema(StepsFileSchema, { io: 'input', unrepresentable: 'any', reused: 'ref' }),
});

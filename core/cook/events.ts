import { z } from 'zod';
import { PlanSchema } from '../formula/plan';

export const OBSERVATIONS = [
  'steams',
  'edges thicken',
  'first bubble',
  'coats the spoon',
  'lumps',
  'too thick',
  'too thin',
  'smells toasted',
] as const;
export type Observation = (typeof OBSERVATIONS)[number];

const at = z.iso.datetime({ offset: true });
const id = z.string().min(1);

/** Everything that happens to a cook, in the order it was noted. Nothing is ever taken out: `undone` names what does not count. */
export const CookEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('started'), id, at }),
  z.object({ kind: z.literal('weighed'), id, at, item: z.string() }),
  z.object({ kind: z.literal('stepDone'), id, at, step: z.string() }),
  z.object({ kind: z.literal('steppedBack'), id, at }),
  z.object({ kind: z.literal('paused'), id, at }),
  z.object({ kind: z.literal('resumed'), id, at }),
  z.object({ kind: z.literal('observed'), id, at, what: z.enum(OBSERVATIONS) }),
  z.object({ kind: z.literal('hobSet'), id, at, setting: z.int().min(0).max(9) }),
  z.object({ kind: z.literal('poured'), id, at }),
  z.object({ kind: z.literal('intoFridge'), id, at }),
  z.object({ kind: z.literal('turnedOut'), id, at }),
  z.object({ kind: z.literal('noted'), id, at, text: z.string().max(2000) }),
  z.object({ kind: z.literal('undone'), id, at, target: id }),
]);
export type CookEvent = z.infer<typeof CookEventSchema>;

export const CookSchema = z.object({
  id,
  plan: PlanSchema,
  events: z.array(CookEventSchema).max(5000),
  batchId: z.string().optional(),
});
export type Cook = z.infer<typeof CookSchema>;

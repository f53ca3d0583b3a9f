import { z } from 'zod';
import { IdSchema, MomentSchema } from '../moment';

/** A day of cooking: which hands and places there are, what was moved and what is done. The plans say what is cooked. */

const at = MomentSchema;
export const DaySchema = z.object({
  /** the day it is eaten, as the cook's calendar has it: 2026-12-11 */
  id: z.iso.date(),
  /** the cook is in the kitchen from here */
  fromAt: at,
  /** planned anew at this moment: nothing that is not done starts before it */
  replannedAt: at.optional(),
  hands: z.int().min(1).max(4),
  rings: z.int().min(1).max(8),
  ovens: z.int().min(0).max(3),
  /** free shelves of the fridge, halves allowed */
  shelves: z.number().min(0).max(8),
  leftOut: z.array(IdSchema).max(60),
  pins: z.array(z.object({ task: IdSchema, at })).max(200),
  done: z.array(z.object({ task: IdSchema, start: at, end: at.optional() })).max(1000),
  /** waits that were changed so that the day can be met */
  waits: z.record(IdSchema, z.enum(['least', 'kept warm'])),
  /** call the cook when something is due, in every room */
  calls: z.boolean(),
  /** what is in the house already, by ingredient */
  have: z.array(IdSchema).max(200),
});
export type Day = z.infer<typeof DaySchema>;

export const newDay = (id: string, fromAt: string, like?: Day): Day => ({
  id,
  fromAt,
  hands: like?.hands ?? 1,
  rings: like?.rings ?? 4,
  ovens: like?.ovens ?? 1,
  shelves: like?.shelves ?? 2,
  leftOut: [],
  pins: [],
  done: [],
  waits: {},
  calls: true,
  have: [],
});

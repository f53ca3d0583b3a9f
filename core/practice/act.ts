import { z } from 'zod';
import { IdSchema } from '../moment';
import { BakingSchema } from '../oven/baking';
import { PlanSchema, PutPotSchema } from '../plan/plan';
import { TOOLS, LIDS } from '../pot/hands';
import { STARCH_ENTRIES } from '../pot/lumps';
import { REST_PLACES } from '../set/places';

/** What a hand does to the practice pot, and a whole run of them: what is kept, shared and played again. */

/** Where the pan stands. */
export const STANDS_ON = ['ring', 'double boiler', 'off the ring'] as const;
export type StandsOn = (typeof STANDS_ON)[number];

const PortionSchema = z.object({ ingredientId: IdSchema, grams: z.number().min(0).max(20000) });

/** How something meets the pot: as a step of a method has it, without its place in the plan. */
const MeetsSchema = z.object({
  how: z.enum(STARCH_ENTRIES),
  stirring: z.enum(['none', 'spoon', 'whisk']),
  tempC: z.number().min(-30).max(110),
  soakMin: z.number().min(0).max(6000).default(0),
  /** hot liquid into the bowl first, ladle by ladle, g each */
  ladleG: z.number().positive().max(2000).optional(),
});

const OvenSchema = BakingSchema.pick({ ovenC: true, fan: true, bath: true, covered: true });

/** s: a run lasts no longer than four days */
const MOST_S = 4 * 86_400;
const atS = z.int().min(0).max(MOST_S);

/** One act, at a whole second of the run. */
export const ActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('hob'), atS, setting: z.int().min(0).max(9) }),
  /** the hand stirs so that a spot of the floor is wiped every so often; null is a still spoon */
  z.object({
    do: z.literal('stir'),
    atS,
    everyS: z.number().min(0.5).max(1200).nullable(),
    tool: z.enum(TOOLS).default('spoon'),
  }),
  z.object({ do: z.literal('lid'), atS, lid: z.enum(LIDS) }),
  z.object({
    do: z.literal('add'),
    atS,
    portions: z.array(PortionSchema).max(12),
    /** what comes out of second pots, cooked beforehand: of each so much of it */
    pots: z.array(PutPotSchema).max(12).optional(),
    /** the bowl on the bench that it comes from */
    bowl: z.string().max(60).optional(),
    ...MeetsSchema.shape,
  }),
  z.object({ do: z.literal('move'), atS, to: z.enum(STANDS_ON) }),
  /** "now": the cook says that it begins to thicken */
  z.object({ do: z.literal('call'), atS }),
  /** into so many of the plan's dishes */
  z.object({ do: z.literal('pour'), atS, count: z.int().min(1).max(60).optional() }),
  /** poured into its dish and into the oven */
  z.object({ do: z.literal('bake'), atS, ...OvenSchema.shape }),
  z.object({ do: z.literal('stand'), atS, where: z.enum(REST_PLACES), covered: z.boolean().default(true) }),
  /** to the table: nothing is done after it */
  z.object({ do: z.literal('serve'), atS }),
]);
export type Act = z.infer<typeof ActSchema>;
export type ActKind = Act['do'];
export type AddAct = Extract<Act, { do: 'add' }>;

export const PRACTICE_FORMAT = 'ovalis-practice';
export const PRACTICE_VERSION = 1;

/**
 * A run of the practice pot: a plan's pan, ring and bowls, the habits of a kitchen by a seed, and what was done when. The same
 * run is the same pot, to the last bit, wherever it is played.
 */
export const RunSchema = z.object({
  format: z.literal(PRACTICE_FORMAT, 'should be "ovalis-practice"'),
  version: z.literal(PRACTICE_VERSION, 'should be 1'),
  /** what is in the pan at first, what stands beside it, what it should become */
  plan: PlanSchema,
  /** 0 is a kitchen as reckoned; another is one whose ring, pan and milk are off in ways that nobody says */
  seed: z.number().min(0).max(1),
  /** which exercise it is, where it is one */
  exercise: z.string().max(60).optional(),
  /** s before which the pot was in other hands, and how many of the acts were theirs */
  fromS: atS.default(0),
  given: z.int().min(0).max(2000).default(0),
  acts: z.array(ActSchema).max(2000),
});
export type Run = z.infer<typeof RunSchema>;

/** Acts in the order of time; what was done in one second stays as it was done. */
export const inOrder = (acts: readonly Act[]): Act[] => [...acts].sort((a, b) => a.atS - b.atS);

/** The same acts, those at or after a second by so much later (or sooner). */
export const shifted = (acts: readonly Act[], fromS: number, byS: number): Act[] =>
  inOrder(acts.map((a) => (a.atS >= fromS ? { ...a, atS: Math.max(0, a.atS + byS) } : a)));

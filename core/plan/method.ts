import { z } from 'zod';
import { IdSchema } from '../moment';
import { DoubleBoilerSchema } from '../pantry/kitchen';
import { BakingSchema } from '../oven/baking';
import { STARCH_ENTRIES } from '../pot/lumps';
import { TOOLS, LIDS } from '../pot/hands';
import { REST_PLACES } from '../set/places';

/**
 * What a bowl is for, and so when it goes in. `pot` is the pot from the start; each other bowl waits until an act adds it:
 * whisked cold with the starch, grain, the bowl of egg, later in the pot, off the heat, folded in; or it is for the dish
 * beside the pudding: under it, or on top.
 */
export const USES = ['slurry', 'pot', 'grain', 'bowl', 'late', 'off the heat', 'fold in', 'under', 'top'] as const;
export type Use = (typeof USES)[number];
/** What is in the dish and never in the pot. */
export const BESIDE_USES: readonly Use[] = ['under', 'top'];

/** Of each use there may be so many bowls. */
const MOST_BOWLS = 40;
/** A bowl by what it is for, numbered from the second of its use on: "late", "late 2". */
export const BowlSchema = z.string().regex(new RegExp(`^(${USES.join('|')})( ([2-9]|[1-3][0-9]|${MOST_BOWLS}))?$`));
export type Bowl = string;

/** What a bowl is for. @example purposeOf('late 2') // 'late' */
export const purposeOf = (bowl: Bowl): Use => bowl.replace(/ \d+$/, '') as Use;
/** Which of the bowls of its use, from 1. */
export const numberOf = (bowl: Bowl): number => Number(/ (\d+)$/.exec(bowl)?.[1] ?? 1);

/** The next bowl of a use that nothing is in yet. @example freeBowl(['late'], 'late') // 'late 2' */
export function freeBowl(taken: readonly Bowl[], use: Use): Bowl {
  if (!taken.includes(use)) return use;
  for (let n = 2; n < MOST_BOWLS; n++) if (!taken.includes(`${use} ${n}`)) return `${use} ${n}`;
  return `${use} ${MOST_BOWLS}`;
}

const minutes = z.number().min(0).max(6000);
const tempC = z.number().min(-30).max(110);

/** What ends a stretch on the hob. */
const UntilSchema = z.discriminatedUnion('reach', [
  z.object({ reach: z.literal('time'), minutes }),
  z.object({ reach: z.literal('temperature'), tempC }),
  z.object({ reach: z.literal('bubble') }),
  z.object({ reach: z.literal('share'), share: z.number().min(0.1).max(1) }),
  z.object({ reach: z.literal('mass'), grams: z.number().positive().max(40000) }),
  z.object({ reach: z.literal('grain'), bite: z.number().min(0.1).max(0.999) }),
  z.object({ reach: z.literal('thickness'), viscosityPaS: z.number().positive().max(200) }),
]);

const hands = {
  /** seconds between two wipes of the same spot; null is a still spoon */
  stirEveryS: z.number().min(0.5).max(1200).nullable().default(3),
  tool: z.enum(TOOLS).default('spoon'),
  lid: z.enum(LIDS).default('off'),
};

/** What a stretch of heat is for: what the rooms say of it, what is watched and what is cautioned follows from this alone. */
export const HEAT_ROLES = [
  'warm',
  'thicken',
  'reduce',
  'simmer',
  'simmer in milk',
  'cook on',
  'minutes more',
  'heat off',
  'cool',
  'off the heat',
  'heat',
] as const;
export type HeatRole = (typeof HEAT_ROLES)[number];

const named = {
  /** the cook's own word for it; decides nothing */
  name: z.string().trim().min(1).max(40).optional(),
  /** tells it from the others; its role, numbered, where it has none */
  id: z.string().min(1).max(60).optional(),
};

export const HeatStepSchema = z.object({
  do: z.literal('heat'),
  role: z.enum(HEAT_ROLES).default('heat'),
  ...named,
  /** hob ovals 0 to 9, or the watts that reach the pan */
  setting: z.int().min(0).max(9).default(0),
  watts: z.number().min(0).max(6000).optional(),
  until: UntilSchema,
  limitMin: minutes.default(90),
  over: DoubleBoilerSchema.optional(),
  wrapped: z.boolean().default(false),
  ...hands,
});

/** What bowls and pots are mixed with, and until when. */
export const MIX_TOOLS = ['spoon', 'whisk', 'machine', 'blender'] as const;
export const MIXED_UNTIL = ['smooth', 'pale', 'stiff', 'dissolved'] as const;

/** Contents of one vessel into another: into the pot, into the dishes, over what is in the dishes, one bowl into another. */
const PourSchema = z.discriminatedUnion('to', [
  z.object({
    do: z.literal('pour'),
    to: z.literal('pot'),
    ...named,
    /** the bowl that goes in */
    from: BowlSchema,
    tempC: tempC.default(20),
    how: z.enum(STARCH_ENTRIES).default('cold slurry'),
    stirring: z.enum(['none', 'spoon', 'whisk']).default('whisk'),
    soakMin: minutes.default(0),
    /** share that stays in the jug: it is missing from the set */
    left: z.number().min(0).max(0.9).default(0),
    /** hot liquid into the bowl first, ladle by ladle, g each */
    ladleG: z.number().positive().max(2000).optional(),
  }),
  z.object({ do: z.literal('pour'), to: z.literal('dish'), ...named }),
  /** what is kept for the top, poured over what is in the dish */
  z.object({
    do: z.literal('pour'),
    to: z.literal('top'),
    ...named,
    from: BowlSchema.optional(),
    tempC: tempC.default(20),
  }),
  /** cold: what is in one bowl, or a share of it, goes where another goes */
  z.object({
    do: z.literal('pour'),
    to: z.literal('bowl'),
    ...named,
    from: BowlSchema,
    into: BowlSchema,
    share: z.number().min(0.01).max(1).default(1),
  }),
]);

export const MethodStepSchema = z.discriminatedUnion('do', [
  PourSchema,
  HeatStepSchema,
  /** what is in a bowl, or in the pot, stirred, beaten or blended; it changes nothing that the model follows */
  z.object({
    do: z.literal('mix'),
    ...named,
    in: BowlSchema,
    with: z.enum(MIX_TOOLS).default('whisk'),
    until: z.enum(MIXED_UNTIL).default('smooth'),
  }),
  /** what must not stay in the pot, counted out: these things, or all that comes out again */
  z.object({ do: z.literal('take out'), ...named, things: z.array(IdSchema).max(20).optional() }),
  z.object({
    do: z.literal('bake'),
    ...named,
    ...BakingSchema.shape,
  }),
  /** the cook's own words, with a timer where there are minutes; it changes nothing in the pot */
  z.object({
    do: z.literal('say'),
    ...named,
    words: z.string().trim().min(1).max(120),
    minutes: minutes.optional(),
  }),
  z.object({
    do: z.literal('rest'),
    ...named,
    where: z.enum(REST_PLACES),
    minutes,
    tempC: z.number().min(-30).max(40).optional(),
    covered: z.boolean().default(true),
  }),
  /** to the table, as the plan's wish has it; and what goes on it there */
  z.object({ do: z.literal('serve'), ...named, from: BowlSchema.optional() }),
]);
export type MethodStep = z.infer<typeof MethodStepSchema>;
export type HeatStep = z.infer<typeof HeatStepSchema>;
/** What goes from a bowl into the pot. */
export type AddStep = Extract<MethodStep, { do: 'pour'; to: 'pot' }>;
export type PourStep = Extract<MethodStep, { do: 'pour'; to: 'dish' }>;
export type TopStep = Extract<MethodStep, { do: 'pour'; to: 'top' }>;
/** One cold bowl into another. */
export type BowlStep = Extract<MethodStep, { do: 'pour'; to: 'bowl' }>;
export type MixStep = Extract<MethodStep, { do: 'mix' }>;
export type TakeOutStep = Extract<MethodStep, { do: 'take out' }>;
export type ServeStep = Extract<MethodStep, { do: 'serve' }>;
export const intoPot = (s: MethodStep): s is AddStep => s.do === 'pour' && s.to === 'pot';
export const intoDish = (s: MethodStep): s is PourStep => s.do === 'pour' && s.to === 'dish';
export const onTop = (s: MethodStep): s is TopStep => s.do === 'pour' && s.to === 'top';
export const intoBowl = (s: MethodStep): s is BowlStep => s.do === 'pour' && s.to === 'bowl';
/** Roles in which the pan has left the ring. */
export const OFF_THE_RING: readonly HeatRole[] = ['heat off', 'off the heat', 'cool'];
/** min off the ring from which nobody stirs all the while (C). */
const STANDS_FROM_MIN = 5;
/** The spoon rests: it is asked for, or the pan stands off the ring for so long that nobody would stir all the while. */
export const standsStill = (s: HeatStep): boolean =>
  s.stirEveryS === null ||
  (OFF_THE_RING.includes(s.role) &&
    s.stirEveryS < STIRRED_NOW_AND_THEN_S &&
    s.until.reach === 'time' &&
    s.until.minutes >= STANDS_FROM_MIN);
/** s between two stirs from which they are called for one by one, not kept up (C) */
const STIRRED_NOW_AND_THEN_S = 60;
/** The grill alone: colour, once it is baked. */
export const grillsOnly = (s: BakeStep): boolean => s.until.reach === 'time' && s.until.minutes === 0 && s.grillMin > 0;
export type BakeStep = Extract<MethodStep, { do: 'bake' }>;
/**
 * What comes once the pot has left the hob: what is folded in right before the pouring, the pouring and all after it, or
 * the oven and the rests of a method that does not pour.
 */
export function offTheHob(method: readonly MethodStep[]): MethodStep[] {
  const pour = method.findIndex(intoDish);
  if (pour < 0) return method.slice(method.findLastIndex((m) => m.do === 'heat' || intoPot(m)) + 1);
  return method.slice(method.slice(0, pour).findLastIndex((m) => !OFF_THE_HOB.some((is) => is(m))) + 1);
}
/** What may be done between the ring and the dish. */
const OFF_THE_HOB: readonly ((s: MethodStep) => boolean)[] = [
  intoPot,
  intoBowl,
  (s) => s.do === 'say' || s.do === 'mix' || s.do === 'take out',
];
/** The bowl that is poured over. */
export const topOf = (step: TopStep): Bowl => step.from ?? 'top';
export type SayStep = Extract<MethodStep, { do: 'say' }>;
export type RestStep = Extract<MethodStep, { do: 'rest' }>;

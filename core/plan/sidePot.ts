import { z } from 'zod';
import { IdSchema } from '../moment';

/** What is cooked beside the pudding. Grams as bought, before anything is peeled or boiled off. */
export const FRUITS = [
  'apple',
  'pear',
  'plum',
  'apricot',
  'sour cherry',
  'strawberry',
  'raspberry',
  'mango',
  'rhubarb',
  'orange',
] as const;
export type Fruit = (typeof FRUITS)[number];

export const SYRUPS = ['thin', 'pouring', 'coating', 'thick'] as const;
export const ROASTS = ['pale', 'golden', 'deep'] as const;

const id = IdSchema;
const g = (max = 5000) => z.number().min(1).max(max);
const mm = z.number().min(1).max(40);

export const SidePotSchema = z.discriminatedUnion('kind', [
  z.object({
    id,
    kind: z.literal('syrup'),
    sugarId: IdSchema,
    sugarG: g(),
    to: z.enum(SYRUPS),
    acid: z.boolean(),
  }),
  z.object({ id, kind: z.literal('compote'), fruit: z.enum(FRUITS), boughtG: g() }),
  z.object({
    id,
    kind: z.literal('infusion'),
    spiceId: IdSchema,
    grams: g(200),
    form: z.enum(['whole', 'ground']),
    tempC: z.number().min(20).max(100),
  }),
  z.object({ id, kind: z.literal('toasting'), whatId: IdSchema, grams: g(1000), to: z.enum(ROASTS) }),
  z.object({
    id,
    kind: z.literal('fried coconut'),
    creamId: z.enum(['coconut_milk', 'coconut_cream']),
    grams: g(3000),
  }),
  z.object({ id, kind: z.literal('purée'), fruit: z.enum(FRUITS), boughtG: g() }),
  z.object({
    id,
    kind: z.literal('second layer'),
    liquidId: IdSchema,
    depthMm: mm,
    cookedTo: z.number().min(0.4).max(1),
    sweetPct: z.number().min(0).max(40),
  }),
  z.object({
    id,
    kind: z.literal('glaze'),
    liquidId: IdSchema,
    depthMm: mm,
    sweetPct: z.number().min(0).max(40),
  }),
]);
export type SidePot = z.infer<typeof SidePotSchema>;
export type SideKind = SidePot['kind'];
export const SIDE_KINDS = SidePotSchema.options.map((o) => o.shape.kind.value) as readonly SideKind[];

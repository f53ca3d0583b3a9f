import { z } from 'zod';

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

const id = z.string().min(1);
const g = (max = 5000) => z.number().min(1).max(max);
const mm = z.number().min(1).max(40);

export const SidePotSchema = z.discriminatedUnion('kind', [
  z.object({
    id,
    kind: z.literal('syrup'),
    sugarId: z.string().min(1),
    sugarG: g(),
    to: z.enum(SYRUPS),
    acid: z.boolean(),
  }),
  z.object({ id, kind: z.literal('compote'), fruit: z.enum(FRUITS), boughtG: g() }),
  z.object({
    id,
    kind: z.literal('infusion'),
    spiceId: z.string().min(1),
    grams: g(200),
    form: z.enum(['whole', 'ground']),
    tempC: z.number().min(20).max(100),
  }),
  z.object({ id, kind: z.literal('toasting'), whatId: z.string().min(1), grams: g(1000), to: z.enum(ROASTS) }),
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
    liquidId: z.string().min(1),
    depthMm: mm,
    cookedTo: z.number().min(0.4).max(1),
    sweetPct: z.number().min(0).max(40),
  }),
  z.object({
    id,
    kind: z.literal('glaze'),
    liquidId: z.string().min(1),
    depthMm: mm,
    sweetPct: z.number().min(0).max(40),
  }),
]);
export type SidePot = z.infer<typeof SidePotSchema>;
export type SideKind = SidePot['kind'];
export const SIDE_KINDS = SidePotSchema.options.map((o) => o.shape.kind.value) as readonly SideKind[];

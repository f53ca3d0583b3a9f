import { z } from 'zod';
import { IdSchema } from '../moment';
import { FRUITS } from '../pantry/fruitNames';

/** What is made ready beside the pudding without a pot of its own. Grams as bought, before anything is peeled or boiled off. */
export const ROASTS = ['pale', 'golden', 'deep'] as const;

const g = (max = 5000) => z.number().min(1).max(max);

export const PreparationSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('infusion'),
    spiceId: IdSchema,
    grams: g(200),
    form: z.enum(['whole', 'ground']),
    tempC: z.number().min(20).max(100),
  }),
  z.object({ kind: z.literal('toasting'), whatId: IdSchema, grams: g(1000), to: z.enum(ROASTS) }),
  z.object({
    kind: z.literal('fried coconut'),
    creamId: z.enum(['coconut_milk', 'coconut_cream']),
    grams: g(3000),
  }),
  z.object({ kind: z.literal('purée'), fruit: z.enum(FRUITS), boughtG: g() }),
]);
export type Preparation = z.infer<typeof PreparationSchema>;
export const PREPARATIONS = PreparationSchema.options.map((o) => o.shape.kind.value) as readonly Preparation['kind'][];

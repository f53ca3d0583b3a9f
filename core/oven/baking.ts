import { z } from 'zod';

const tempC = z.number().min(-30).max(110);
const minutes = z.number().min(0).max(6000);

/** How a dish is baked. */
export const BakingSchema = z.object({
  ovenC: z.number().min(80).max(280),
  fan: z.boolean().default(false),
  from: z.enum(['hot', 'cold']).default('hot'),
  bath: z.enum(['none', 'open', 'covered']).default('none'),
  until: z.discriminatedUnion('reach', [
    z.object({ reach: z.literal('time'), minutes }),
    z.object({ reach: z.literal('centre'), tempC }),
    /** golden on top */
    z.object({ reach: z.literal('colour') }),
    /** so far set that a second layer stays on top of it */
    z.object({ reach: z.literal('carries') }),
  ]),
  limitMin: minutes.default(180),
  grillMin: minutes.default(0),
  covered: z.boolean().default(false),
});
export type Baking = z.infer<typeof BakingSchema>;

import { z } from 'zod';

export const SettingsSchema = z.object({
  temperature: z.enum(['C', 'F']),
  spoons: z.enum(['metric', 'us']),
  clock: z.enum(['24', '12']),
  theme: z.enum(['system', 'day', 'night']),
  sound: z.boolean(),
});
export type Settings = z.infer<typeof SettingsSchema>;
export const DEFAULT_SETTINGS: Settings = {
  temperature: 'C',
  spoons: 'metric',
  clock: '24',
  theme: 'system',
  sound: true,
};

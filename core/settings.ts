import { z } from 'zod';

/** What a cook may have besides a hob and an oven. */
export const MACHINES = ['rice cooker', 'microwave', 'blender', 'grill'] as const;
export type Machine = (typeof MACHINES)[number];

/** Where readings come from: nowhere, the stand-in kitchen that ships, or a thermometer and scale by Bluetooth. */
export const DEVICE_SOURCES = ['none', 'stand-in', 'bluetooth'] as const;

/** English, or English that is longer, accented and from right to left: for looking at the rooms. */
export const LANGUAGES = ['en', 'en-XA'] as const;
export type Language = (typeof LANGUAGES)[number];

export const SettingsSchema = z.object({
  temperature: z.enum(['C', 'F']),
  spoons: z.enum(['metric', 'us']),
  clock: z.enum(['24', '12']),
  theme: z.enum(['system', 'day', 'night']),
  sound: z.boolean(),
  /** the other ways an alarm and a due step are told */
  vibrates: z.boolean().default(true),
  flashes: z.boolean().default(true),
  speaks: z.boolean().default(false),
  /** shown over other apps while this one is not: the cook is asked at the first pot */
  notifies: z.enum(['ask', 'yes', 'no']).default('ask'),
  /** words such as "done" are heard, where the browser can */
  listens: z.boolean().default(false),
  /** readable across the kitchen */
  bigType: z.boolean().default(false),
  leftHanded: z.boolean().default(false),
  devices: z.enum(DEVICE_SOURCES).default('none'),
  /** how prices are written; empty for none */
  money: z.string().max(4).default('€'),
  language: z.enum(LANGUAGES).default('en'),
  /** asked where they are first needed, and not again */
  unitsKnown: z.boolean().default(false),
  ringKnown: z.boolean().default(false),
  machines: z.array(z.enum(MACHINES)).max(MACHINES.length).default([]),
});
export type Settings = z.infer<typeof SettingsSchema>;
export const DEFAULT_SETTINGS: Settings = {
  temperature: 'C',
  spoons: 'metric',
  clock: '24',
  theme: 'system',
  sound: true,
  vibrates: true,
  flashes: true,
  speaks: false,
  notifies: 'ask',
  listens: false,
  bigType: false,
  leftHanded: false,
  devices: 'none',
  money: '€',
  language: 'en',
  unitsKnown: false,
  ringKnown: false,
  machines: ['blender'],
};

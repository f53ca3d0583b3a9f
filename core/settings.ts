import { z } from 'zod';
import { MomentSchema } from './moment';

/** What a cook may have besides a hob and an oven. */
export const MACHINES = ['rice cooker', 'microwave', 'blender', 'grill'] as const;
export type Machine = (typeof MACHINES)[number];

/** Where readings come from: nowhere, the stand-in kitchen that ships, a thermometer and scale by Bluetooth, or the practice pot. */
export const DEVICE_SOURCES = ['none', 'stand-in', 'bluetooth', 'practice'] as const;

/** English, or English that is longer, accented and from right to left: for looking at the rooms. */
export const LANGUAGES = ['en', 'en-XA'] as const;
export type Language = (typeof LANGUAGES)[number];

/** What a cook measured of a kitchen, so that the model reckons with it. */
export const MEASURED_THINGS = ['spoon', 'ring', 'steam', 'fridge', 'thermometer'] as const;
export const MeasuredSchema = z.object({
  what: z.enum(MEASURED_THINGS),
  /** of which ring or pan, or at which mark of the thermometer */
  of: z.string().max(60),
  /** spoon, ring and steam: over what is usual; fridge: degC of its air; thermometer: K that it reads too high */
  value: z.number().min(-60).max(60),
  /** 1 sd, relative for the first three, K for the others */
  sd: z.number().min(0).max(60),
  at: MomentSchema,
});
export type Measured = z.infer<typeof MeasuredSchema>;

/** What a level spoon of this kitchen holds over the usual one. */
export const spoonRatio = (measured: readonly Measured[]): number =>
  measured.find((m) => m.what === 'spoon')?.value ?? 1;

/** The measurement in the place of an older one of the same thing. */
export const withMeasured = (measured: readonly Measured[], next: Measured): Measured[] => [
  ...measured.filter((m) => m.what !== next.what || m.of !== next.of),
  next,
];

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
  /** plans take up what this kitchen's batches taught, from that moment on */
  learns: z.boolean().default(true),
  learnsFrom: MomentSchema.optional(),
  /** of spoons, rings, pans, fridge and thermometer */
  measured: z.array(MeasuredSchema).max(60).default([]),
  /** a measurement that is on: what was read when it began */
  measuring: MeasuredSchema.omit({ sd: true }).optional(),
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
  learns: true,
  measured: [],
  machines: ['blender'],
};

import { z } from 'zod';

/** The pan on the hob. */
export const PanSchema = z.object({
  name: z.string().min(1).max(40),
  diameterMm: z.number().min(80).max(500),
  heightMm: z.number().min(40).max(400),
  massG: z.number().min(150).max(8000),
  material: z.enum(['steel', 'aluminium', 'iron', 'enamel']),
  /** a thin base has hot spots over the flame or the coil */
  base: z.enum(['thin', 'thick']).optional(),
  /** steam that leaves it over what is usual: a measurement of the cook's own */
  steam: z.number().min(0.2).max(4).optional(),
});
export type Pan = z.infer<typeof PanSchema>;

const HOB_KINDS = ['gas', 'electric', 'solid plate', 'induction'] as const;
/** A ring of the hob. `powerTrim` is the cook's own calibration: 1 as rated, 0.9 runs cool. */
export const HobSchema = z.object({
  kind: z.enum(HOB_KINDS),
  ratedW: z.number().min(300).max(6000),
  powerTrim: z.number().min(0.3).max(2).default(1),
});
export type Hob = z.infer<typeof HobSchema>;

/** A bowl over simmering water. */
export const DoubleBoilerSchema = z.object({
  material: z.enum(['steel', 'enamel', 'glass', 'ceramic']),
  wallMm: z.number().min(0.3).max(12),
  /** of the bowl, over the steam */
  contactCm2: z.number().min(50).max(2000),
  waterG: z.number().min(50).max(5000),
  /** the bowl stands in the water instead of over it */
  touching: z.boolean(),
});
export type DoubleBoiler = z.infer<typeof DoubleBoilerSchema>;

const side = z.number().min(20).max(600);
/** The inside of a tin, seen from above: round (its base may be smaller than its rim) or with corners. */
export const FormSchema = z.discriminatedUnion('shape', [
  z.object({ shape: z.literal('round'), topMm: side, baseMm: side }),
  z.object({ shape: z.literal('square'), lengthMm: side, widthMm: side }),
]);
export type Form = z.infer<typeof FormSchema>;

/** Equal dishes of one pudding. */
export const MOST_DISHES = 60;

/** What it is poured into. `count` equal dishes; plan area follows from volume and height. */
export const DishSchema = z.object({
  kind: z.enum(['mould', 'cup', 'bowl', 'tray']),
  count: z.int().min(1).max(MOST_DISHES),
  capacityMl: z.number().min(30).max(8000),
  heightMm: z.number().min(10).max(250),
  wall: z.enum(['glass', 'ceramic', 'metal', 'plastic', 'clay', 'wet clay']),
  /** its shape, where it is known: what cutting and lining need */
  form: FormSchema.optional(),
});
export type Dish = z.infer<typeof DishSchema>;

export const PANS: readonly Pan[] = [
  { name: 'small steel pan, 16 cm', diameterMm: 160, heightMm: 90, massG: 700, material: 'steel' },
  { name: 'steel pan, 20 cm', diameterMm: 200, heightMm: 110, massG: 1000, material: 'steel' },
  { name: 'wide steel pan, 26 cm', diameterMm: 260, heightMm: 130, massG: 1800, material: 'steel' },
  { name: 'aluminium pan, 20 cm', diameterMm: 200, heightMm: 110, massG: 600, material: 'aluminium' },
];

export const HOBS: readonly (Hob & { name: string })[] = [
  { name: 'small gas ring', kind: 'gas', ratedW: 1000, powerTrim: 1 },
  { name: 'medium gas ring', kind: 'gas', ratedW: 1800, powerTrim: 1 },
  { name: 'large gas ring', kind: 'gas', ratedW: 3000, powerTrim: 1 },
  { name: 'electric ring, 18 cm', kind: 'electric', ratedW: 1800, powerTrim: 1 },
  { name: 'solid plate, 18 cm', kind: 'solid plate', ratedW: 1500, powerTrim: 1 },
  { name: 'induction', kind: 'induction', ratedW: 1800, powerTrim: 1 },
  { name: 'electric ring, 14 cm', kind: 'electric', ratedW: 1200, powerTrim: 1 },
  { name: 'electric ring, 21 cm', kind: 'electric', ratedW: 2200, powerTrim: 1 },
  { name: 'small induction', kind: 'induction', ratedW: 1400, powerTrim: 1 },
  { name: 'large induction', kind: 'induction', ratedW: 3000, powerTrim: 1 },
];

const round = (topMm: number, baseMm: number): Form => ({ shape: 'round', topMm, baseMm });

export const DISHES: readonly (Dish & { name: string })[] = [
  {
    name: 'small moulds, 95 ml',
    kind: 'mould',
    count: 1,
    capacityMl: 95,
    heightMm: 46,
    wall: 'metal',
    form: round(56, 46),
  },
  { name: 'cups, 150 ml', kind: 'cup', count: 1, capacityMl: 150, heightMm: 60, wall: 'ceramic', form: round(60, 53) },
  { name: 'glasses, 200 ml', kind: 'cup', count: 1, capacityMl: 200, heightMm: 85, wall: 'glass', form: round(58, 51) },
  {
    name: 'bowl, 1.5 l',
    kind: 'bowl',
    count: 1,
    capacityMl: 1500,
    heightMm: 95,
    wall: 'ceramic',
    form: round(165, 117),
  },
  {
    name: 'tray, 20 × 20 cm',
    kind: 'tray',
    count: 1,
    capacityMl: 1600,
    heightMm: 40,
    wall: 'metal',
    form: { shape: 'square', lengthMm: 200, widthMm: 200 },
  },
  {
    name: 'big mould, 1 l',
    kind: 'mould',
    count: 1,
    capacityMl: 1000,
    heightMm: 90,
    wall: 'metal',
    form: round(130, 107),
  },
  {
    name: 'clay cups, 120 ml',
    kind: 'cup',
    count: 1,
    capacityMl: 120,
    heightMm: 55,
    wall: 'clay',
    form: round(59, 46),
  },
  {
    name: 'stick moulds, 80 ml',
    kind: 'mould',
    count: 1,
    capacityMl: 80,
    heightMm: 105,
    wall: 'plastic',
    form: round(33, 29),
  },
  {
    name: 'shallow dish, 24 × 18 cm',
    kind: 'tray',
    count: 1,
    capacityMl: 1510,
    heightMm: 35,
    wall: 'ceramic',
    form: { shape: 'square', lengthMm: 240, widthMm: 180 },
  },
];

/** Inner plan area of one dish, m2. */
export const dishAreaM2 = (dish: Pick<Dish, 'capacityMl' | 'heightMm'>): number =>
  (dish.capacityMl * 1e-6) / (dish.heightMm * 1e-3);

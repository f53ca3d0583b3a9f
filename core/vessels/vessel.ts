import { z } from 'zod';
import { IdSchema } from '../moment';
import { DishSchema, FormSchema, PanSchema, type Dish, type Form, type Pan } from '../pantry/kitchen';

/** A pan or a dish of the cook's own, by its inner measures. */
export const VesselSchema = z.object({
  id: IdSchema,
  name: z.string().trim().min(1).max(40),
  use: z.enum(['pan', 'dish']),
  form: FormSchema,
  heightMm: z.number().min(10).max(400),
  wall: DishSchema.shape.wall.optional(),
  material: PanSchema.shape.material.optional(),
  massG: PanSchema.shape.massG.optional(),
  base: PanSchema.shape.base,
  count: z.int().min(1).max(60).default(1),
});
export type Vessel = z.infer<typeof VesselSchema>;

/** Area of a form at a height above its base, mm2; straight between base and rim. */
export function areaAtMm2(form: Form, heightMm: number, atMm: number): number {
  const t = heightMm > 0 ? Math.min(1, Math.max(0, atMm / heightMm)) : 0;
  if (form.shape === 'round') {
    const d = form.baseMm + (form.topMm - form.baseMm) * t;
    return (Math.PI * d * d) / 4;
  }
  return form.lengthMm * form.widthMm;
}

/** Volume up to a depth, ml. The frustum's own formula; exact for straight sides. */
export function volumeMl(form: Form, heightMm: number, depthMm: number): number {
  const h = Math.max(0, depthMm);
  const a = areaAtMm2(form, heightMm, 0);
  const b = areaAtMm2(form, heightMm, h);
  return (h * (a + b + Math.sqrt(a * b))) / 3000;
}

/** Depth at which a volume stands, mm; past the rim it is the rim. */
export function depthOfMm(form: Form, heightMm: number, ml: number): number {
  let lo = 0;
  let hi = heightMm;
  if (ml >= volumeMl(form, heightMm, heightMm)) return heightMm;
  for (let i = 0; i < 50; i++) {
    const mid = (lo + hi) / 2;
    if (volumeMl(form, heightMm, mid) < ml) lo = mid;
    else hi = mid;
  }
  return (lo + hi) / 2;
}

/** Higher than this over its width it is a mould or a cup, not a tray. */
const TRAY = 0.45;

/** The vessel as the dish of a plan. */
export function asDish(v: Vessel, count = v.count): Dish {
  const capacityMl = Math.min(8000, Math.max(30, Math.round(volumeMl(v.form, v.heightMm, v.heightMm))));
  const across = v.form.shape === 'round' ? v.form.topMm : Math.min(v.form.lengthMm, v.form.widthMm);
  return {
    kind: v.heightMm / across < TRAY && capacityMl > 300 ? 'tray' : capacityMl > 600 ? 'bowl' : 'cup',
    count,
    capacityMl,
    heightMm: Math.min(250, v.heightMm),
    wall: v.wall ?? 'ceramic',
    form: v.form,
  };
}

/** Weight of a pan of this size where it was not weighed, g (C): steel of 2.4 mm base and wall together. */
const PAN_G_PER_CM2 = 1.45;

export function asPan(v: Vessel): Pan {
  const d = v.form.shape === 'round' ? v.form.topMm : Math.sqrt((4 * v.form.lengthMm * v.form.widthMm) / Math.PI);
  const cm2 = ((Math.PI * d * d) / 4 + Math.PI * d * v.heightMm) / 100;
  return {
    name: v.name,
    diameterMm: Math.min(500, Math.max(80, Math.round(d))),
    heightMm: Math.max(40, v.heightMm),
    massG: v.massG ?? Math.min(8000, Math.max(150, Math.round(cm2 * PAN_G_PER_CM2))),
    material: v.material ?? 'steel',
    ...(v.base ? { base: v.base } : {}),
  };
}

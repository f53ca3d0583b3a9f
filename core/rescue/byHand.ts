import { withLines, type Line, type Part } from '../plan/layout';
import { z } from 'zod';
import { IdSchema } from '../moment';
import { newPlan } from '../plan/newPlan';
import { type Family, type Plan } from '../plan/plan';
import { SET_WORDS } from '../texture/words';
import type { Pantry } from '../pantry/pantry';
import { GRAINS } from '../pot/grain';
import { eggGrams } from '../units/eggs';

/** A pudding that was not cooked with the app, as far as a cook can say it at the stove. */
export const ByHandSchema = z.object({
  milkId: IdSchema,
  milkG: z.number().min(50).max(10000),
  thickenerId: IdSchema,
  thickenerG: z.number().min(0).max(1000),
  sugarG: z.number().min(0).max(2000),
  yolks: z.int().min(0).max(24),
  hot: z.boolean(),
  word: z.enum(SET_WORDS),
});
export type ByHand = z.infer<typeof ByHandSchema>;

/** The plan that it most likely was. */
export function planByHand(h: ByHand, pantry: Pantry, serveAt: string): Plan {
  const kind = pantry.get(h.thickenerId)?.thickener;
  const form = kind ? GRAINS[kind].form : 'powder';
  const family: Family =
    h.thickenerG <= 0
      ? 'stirred custard'
      : form === 'kernel'
        ? 'whole-rice pudding'
        : form === 'particle'
          ? h.yolks > 0
            ? 'egg-enriched pudding'
            : 'ground-rice cream'
          : 'starch-set milk pudding';
  const total = h.milkG + h.thickenerG + h.sugarG;
  const portionG = 130;
  const plan = newPlan({
    id: 'by-hand',
    name: 'by hand',
    milkId: h.milkId,
    people: Math.min(60, Math.max(1, Math.round(total / portionG))),
    portionG,
    serveAt,
    family,
  });
  const lines: Line[] = [
    { ingredientId: h.milkId, grams: h.milkG, in: 'pot' },
    ...(h.thickenerG > 0
      ? [
          {
            ingredientId: h.thickenerId,
            grams: h.thickenerG,
            in: form === 'powder' ? 'slurry' : 'grain',
          },
        ]
      : []),
    ...(h.sugarG > 0 ? [{ ingredientId: 'sugar', grams: h.sugarG, in: 'pot' }] : []),
    ...(h.yolks > 0 ? [{ ingredientId: 'yolk', grams: eggGrams(h.yolks, 'eu M', 'yolk'), in: 'bowl' }] : []),
  ];
  const wets: Part[] =
    form === 'powder' && h.thickenerG > 0
      ? [{ ingredientId: h.milkId, grams: Math.min(h.milkG / 2, 2.5 * h.thickenerG), in: 'slurry' }]
      : [];
  return { ...withLines(plan, lines, wets), serve: { ...plan.serve, word: h.word } };
}

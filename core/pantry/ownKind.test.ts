import { withLine } from '../plan/layout';
import { type Bowl } from '../plan/method';
import { forecast } from '../model/forecast';
import { withGrams } from '../plan/amounts';
import type { Plan } from '../plan/plan';
import { testPlan } from '../testing';
import { IngredientSchema, type Ingredient } from './ingredient';
import {
  COLD,
  COOKED,
  FEELS,
  kindByBehaviour,
  OWN_DENSITY,
  OWN_KINDS,
  ownTraits,
  ownWater,
  type OwnKind,
} from './ownKind';

const own = (kind: OwnKind, named: Partial<Ingredient['per100']>, thickener?: Ingredient['thickener']): Ingredient => ({
  id: 'own-it',
  name: 'from the market',
  densityGPerMl: OWN_DENSITY[kind],
  per100: {
    water: ownWater(
      kind,
      Object.values(named).reduce((a, b) => a + b, 0),
    ),
    fat: 0,
    protein: 0,
    sugar: 0,
    lactose: 0,
    starch: 0,
    ...named,
  },
  ...ownTraits(kind, { ...(thickener ? { thickener } : {}), drinks: 'drinks', sour: true }),
  allergens: [],
  confidence: 'C',
  own: true,
});
const withIt = (i: Ingredient, grams: number, bowl: Bowl): Plan =>
  withLine({ ...testPlan(), own: [i] }, { ingredientId: i.id, grams, in: bowl });

describe('an ingredient of the cook’s own', () => {
  it.each(OWN_KINDS)('%s is one that can be kept and cooked', (kind) => {
    const i = own(kind, kind === 'thickener' ? { starch: 85 } : { fat: 5 });
    expect(IngredientSchema.safeParse(i).error).toBeUndefined();
    expect(forecast(withIt(i, 20, kind === 'thickener' ? 'slurry' : 'pot')).serving.yieldPa).toBeGreaterThan(0);
  });
  it('one that sets firm sets firmer than one that stays soft', () => {
    const only = (cold: (typeof COLD)[number]) => {
      const i = own('thickener', { starch: 85 }, kindByBehaviour({ feels: 'like flour', cooked: 'cloudy', cold }));
      const plan = withIt(i, 40, 'slurry');
      const starch = plan.things.find((x) => x.ingredientId === 'cornstarch')!;
      return forecast(withGrams(plan, starch.ingredientId, 0)).serving.yieldPa;
    };
    expect(only('sets firm')).toBeGreaterThan(1.3 * only('stays soft'));
  });
  it('every way of behaving has a kind', () => {
    for (const feels of FEELS)
      for (const cooked of COOKED)
        for (const cold of COLD) expect(kindByBehaviour({ feels, cooked, cold })).toEqual(expect.any(String));
  });
});

import { linesOf, partsOf, withLine, withLines, withParts } from './layout';
import * as fc from 'fast-check';
import { laid, pantry, testPlan } from '../testing';
import {
  forPeople,
  forPortion,
  haveOf,
  putAt,
  wetted,
  scale,
  scaleToDish,
  scaleToPeople,
  SLURRY_PARTS,
  withGrams,
  withHave,
  withMilk,
} from './amounts';
import { massG, mixtureOf } from '../matter/mixture';
import { BowlSchema, freeBowl, numberOf, USES, purposeOf, type Bowl } from './method';
import { allergensOf, inBowls, portionsIn, UnknownIngredientError, wholeMixture } from './bowls';
import { PlanSchema } from './plan';

const grams = fc.double({ min: 0, max: 3000, noNaN: true });

describe('bowls of a use', () => {
  const bowls: Bowl[] = ['pot', 'late', 'late 2', 'late 3', 'off the heat'];
  const at = (plan: ReturnType<typeof testPlan>, id: string, bowl: Bowl) =>
    portionsIn(plan, bowl)
      .filter((p) => p.ingredient.id === id && !p.taste)
      .reduce((sum, p) => sum + p.grams, 0);
  it('so much of a thing is at one, the rest where it was, whatever was put where before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...bowls), fc.double({ min: 0, max: 90, noNaN: true })), { maxLength: 6 }),
        fc.constantFrom(...bowls),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (before, bowl, grams) => {
          const plan = before.reduce((p, [w, g]) => putAt(p, 'sugar', w, g), testPlan());
          const allG = plan.things.find((i) => i.ingredientId === 'sugar')!.grams;
          const elsewhereG = bowls.filter((w) => w !== bowl).reduce((sum, w) => sum + at(plan, 'sugar', w), 0);
          const next = putAt(plan, 'sugar', bowl, grams);
          const total = bowls.reduce((sum, w) => sum + at(next, 'sugar', w), 0);
          expect(total).toBeCloseTo(allG, 6);
          // the pot keeps what nothing else takes: it alone cannot be emptied into nothing
          const only = bowl === 'pot' && elsewhereG === 0;
          if (!only && grams > 0 && grams < allG - elsewhereG) expect(at(next, 'sugar', bowl)).toBeCloseTo(grams, 6);
          expect(PlanSchema.safeParse(next).success).toBe(true);
        },
      ),
      { seed: 6, numRuns: 300 },
    );
  });
  it('a new one is the first that is free, and bears a name of its own', () => {
    expect(freeBowl([], 'late')).toBe('late');
    expect(freeBowl(['late', 'late 3'], 'late')).toBe('late 2');
    for (const use of USES)
      for (const bowl of [use, `${use} 2`, `${use} 40`]) {
        expect(BowlSchema.safeParse(bowl).success).toBe(true);
        expect(purposeOf(bowl)).toBe(use);
      }
    expect(['late', 'late 2'].map(numberOf)).toEqual([1, 2]);
    for (const none of ['late 1', 'late 41', 'sauce', '']) expect(BowlSchema.safeParse(none).success).toBe(false);
  });
});

describe('bowls and what is held back', () => {
  it('take the kept-back part out of the total, never on top of it', () => {
    fc.assert(
      fc.property(grams, grams, fc.double({ min: 0, max: 6000, noNaN: true }), (milkG, starchG, carveG) => {
        const plan = {
          ...testPlan(),
          ...laid(
            [
              { ingredientId: 'milk_whole', grams: milkG, in: 'pot' },
              { ingredientId: 'cornstarch', grams: starchG, in: 'slurry' },
            ],
            [{ ingredientId: 'milk_whole', grams: carveG, in: 'slurry' }],
          ),
        };
        const portions = Object.values(inBowls(plan)).flat();
        const milk = portions.filter((p) => p.ingredient.id === 'milk_whole').reduce((s, p) => s + p.grams, 0);
        expect(milk).toBeCloseTo(milkG, 6);
        expect(massG(wholeMixture(plan))).toBeCloseTo(milkG + starchG, 4);
      }),
    );
  });
  it('keep back enough cold milk to wet the starch, and it follows the starch', () => {
    const plan = withGrams(testPlan(), 'cornstarch', 60);
    expect(partsOf(plan)).toEqual([{ ingredientId: 'milk_whole', grams: 60 * SLURRY_PARTS, in: 'slurry' }]);
  });
  it('name the unknown ingredient and where it stands', () => {
    const plan = withLine(testPlan(), { ingredientId: 'moon dust', grams: 1, in: 'pot' });
    expect(() => inBowls(plan)).toThrow(UnknownIngredientError);
    try {
      inBowls(plan);
    } catch (e) {
      expect((e as UnknownIngredientError).itemIndex).toBe(5);
    }
  });
});

describe('composition', () => {
  it('adds up to the grams that went in', () => {
    for (const i of pantry.values()) expect(massG(mixtureOf(i, 250))).toBeCloseTo(250, 0);
  });
  it('knows the allergens from the amounts: none from what is left out', () => {
    const plan = testPlan();
    expect(allergensOf(plan)).toEqual(['milk']);
    expect(allergensOf(withMilk(plan, 'milk_whole', 'almond_drink'))).toEqual(['tree nuts']);
    expect(allergensOf(withGrams(plan, 'milk_whole', 0))).toEqual([]);
  });
});

describe('"I have one litre of milk"', () => {
  const litre = () => withHave(testPlan(), 'milk_whole', 1030);
  const milkOf = (p: ReturnType<typeof testPlan>) => p.things.find((i) => i.ingredientId === 'milk_whole')!.grams;

  it('scales all of it, and then holds when people or portions change', () => {
    const before = testPlan();
    expect(litre().things[0]!.grams / before.things[0]!.grams).toBeCloseTo(milkOf(litre()) / milkOf(before), 9);
    const twelve = forPeople(litre(), 12, 0.06);
    expect(milkOf(twelve)).toBe(1030);
    expect(twelve.people).toBe(12);
    const small = forPortion(twelve, 60, 0.06);
    expect(milkOf(small)).toBe(1030);
    expect(small.people * 60).toBeCloseTo(small.things.reduce((s, i) => s + i.grams, 0) * 0.94, -2);
  });
  it('goes with another amount typed, another milk, and out when all is scaled', () => {
    expect(haveOf(withGrams(litre(), 'milk_whole', 900))?.grams).toBe(900);
    expect(haveOf(withMilk(litre(), 'milk_whole', 'oat_drink'))?.ingredientId).toBe('oat_drink');
    expect(haveOf(scale(litre(), 2))).toBeUndefined();
    expect(milkOf(forPeople(scale(litre(), 2), testPlan().people, 0.06))).not.toBe(2060);
  });
});

describe('scaling', () => {
  it('keeps every ratio', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 8, noNaN: true }), (k) => {
        const plan = testPlan();
        const scaled = scale(plan, k);
        scaled.things.forEach((i, n) => expect(i.grams).toBeCloseTo(plan.things[n]!.grams * k, 6));
      }),
    );
    expect(() => scale(testPlan(), 0)).toThrow(RangeError);
  });
  it('makes what is left after the steam serve everybody', () => {
    const plan = scaleToPeople(testPlan(), 10, 150, 0.06);
    const total = plan.things.reduce((s, i) => s + i.grams, 0);
    expect(total * 0.94).toBeCloseTo(1500, 6);
    expect([plan.people, plan.portionG]).toEqual([10, 150]);
  });
  it('fills the dishes to nine tenths', () => {
    const plan = scaleToDish(testPlan(), 0.05);
    const total = plan.things.reduce((s, i) => s + i.grams, 0);
    expect((total * 0.95) / 1.04).toBeCloseTo(plan.dish.count * plan.dish.capacityMl * 0.9, 4);
  });
  it('a changed milk takes its carve-out along', () => {
    const plan = withMilk(testPlan(), 'milk_whole', 'oat_drink');
    expect(partsOf(plan)[0]!.ingredientId).toBe('oat_drink');
    expect(PlanSchema.safeParse(plan).success).toBe(true);
  });
  it('carves nothing where there is no milk', () => {
    const plan = testPlan();
    expect(partsOf(wetted({ ...plan, things: plan.things.filter((i) => i.ingredientId !== 'milk_whole') }))).toEqual(
      [],
    );
  });
});

describe('an amount that is held back', () => {
  const plan = testPlan();
  const [held] = partsOf(plan);
  it('follows the starch where a rule reckoned it, and stays where the cook typed it', () => {
    const more = withGrams(plan, 'cornstarch', 60);
    expect(partsOf(more)[0]!.grams).toBeGreaterThan(held!.grams);
    const typed = withParts(plan, [{ ...held!, grams: 55, typed: true }]);
    for (const next of [withGrams(typed, 'cornstarch', 60), withGrams(typed, 'milk_whole', 900), wetted(typed)])
      expect(partsOf(next)).toEqual([{ ...held!, grams: 55, typed: true }]);
    expect(PlanSchema.parse(typed)).toEqual(typed);
  });
});

it('two rows of one thing become one: its sum, and each part where it was', () => {
  const plan = testPlan();
  const water = withLines(plan, [
    ...linesOf(plan).map((l) => (l.ingredientId === 'milk_whole' ? { ...l, ingredientId: 'water' } : l)),
    { ingredientId: 'water', grams: 90, in: 'late' },
  ]);
  const whole = plan.things.find((t) => t.ingredientId === 'milk_whole')!.grams + 90;
  expect(water.things.filter((t) => t.ingredientId === 'water').map((t) => t.grams)).toEqual([whole]);
  expect(portionsIn(water, 'late').map((p) => p.grams)).toEqual([90]);
  expect(inBowls(water).pot.some((p) => p.ingredient.id === 'water')).toBe(true);
});

import { linesOf } from '../plan/layout';
import * as fc from 'fast-check';
import { PlanSchema } from '../plan/plan';
import { familyPlan, pantry, testPlan } from '../testing';
import { readTyped } from './readTyped';
import { writtenFor } from '../plan/amounts';
import { spokenGrams } from './spoken';
import { goesIn, withTyped } from './typedList';

const us = { system: 'us', eggSize: 'eu M' } as const;
const metric = { system: 'metric', eggSize: 'eu M' } as const;
const of = (id: string) => pantry.get(id)!;

describe('an amount as it is spoken', () => {
  it.each([
    ['4 cups', 'milk_whole', metric, 1020, 1040],
    ['4 cups', 'milk_whole', us, 960, 985],
    ['500 ml', 'milk_whole', us, 510, 520],
    ['half a litre', 'milk_whole', metric, 510, 520],
    ['a tumbler and a half', 'milk_whole', metric, 380, 392],
    ['a katori', 'milk_whole', metric, 150, 160],
    ['2 heaped tbsp', 'cornstarch', metric, 24, 32],
    ['2 level tablespoons', 'cornstarch', metric, 14, 20],
    ['1 stick', 'butter', us, 113, 114],
    ['a knob', 'butter', metric, 14, 16],
    ['3 pods', 'cardamom', metric, 0.5, 1],
    ['1 stick', 'cinnamon', metric, 3, 5],
    ['2 cans of 400', 'coconut_milk', metric, 750, 830],
    ['2 x 400 ml cans', 'coconut_milk', metric, 750, 830],
    ['1 kg', 'sugar', us, 1000, 1000],
    ['3 oz', 'sugar', metric, 85, 85.1],
    ['4', 'yolk', metric, 4, 4],
    ['4 yolks', 'yolk', metric, 60, 80],
    ['2-3 tbsp', 'sugar', metric, 25, 40],
    ['a pinch', 'salt', metric, 0.3, 0.5],
    ['1 tsp to taste', 'salt', metric, 4, 8],
    ['2 cups of sugar', 'sugar', us, 380, 420],
    ['a wineglass', 'milk_whole', metric, 120, 126],
  ] as const)('%s of %s', (text, id, o, low, high) => {
    const grams = spokenGrams(text, of(id), o) ?? Number(text);
    expect(grams).toBeGreaterThanOrEqual(low);
    expect(grams).toBeLessThanOrEqual(high);
  });
  it.each(['', '12', '3,5', 'blue', 'cups', '2 cups of flour', 'minus 3 g', '-2 cups', 'NaN g', '1e9 cups'])(
    '“%s” is none of sugar',
    (text) => expect(spokenGrams(text, of('sugar'), metric)).toBeUndefined(),
  );
  it('is never a figure that is none, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), fc.constantFrom(...pantry.values()), (text, thing) => {
        const grams = spokenGrams(text, thing, metric);
        expect(grams === undefined || (Number.isFinite(grams) && grams >= 0)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
});

describe('a list that is typed or pasted in one go', () => {
  const plan = testPlan();
  const typed = (text: string) => readTyped(text, plan, pantry, metric);
  it('by lines, by commas, with bullets', () => {
    const lines = typed('500 ml milk, 2 heaped tbsp cornstarch, 60 g sugar\n* 3 pods cardamom\n- a pinch of salt');
    expect(lines.map((l) => l.ingredientId)).toEqual(['milk_whole', 'cornstarch', 'sugar', 'cardamom', 'salt']);
    expect(lines.every(goesIn)).toBe(true);
    expect(lines.map((l) => l.written)).toEqual(['500 ml', '2 heaped tbsp', '60 g', '3 pods', 'a pinch']);
    const [cans] = typed('2 cans of 400 coconut milk');
    expect(cans).toMatchObject({
      ingredientId: 'coconut_milk',
      written: '2 cans of 400',
      text: '2 cans of 400 coconut milk',
    });
    expect(cans!.grams).toBeGreaterThan(770);
  });
  it('goes into the plan in one: what is there is set, what is new goes where it goes', () => {
    const next = withTyped(plan, typed('700 ml milk\n3 tbsp sugar\n2 yolks\n1 stick cinnamon'), pantry);
    const at = (id: string) => linesOf(next).find((i) => i.ingredientId === id)!;
    expect(at('milk_whole').grams).toBeCloseTo(720, -1);
    expect(at('yolk')).toMatchObject({ in: 'bowl' });
    expect(writtenFor(at('sugar'))).toBe('3 tbsp');
    // and it is a plan that can be kept
    expect(PlanSchema.parse(next)).toEqual(next);
    expect(writtenFor({ ...at('sugar'), grams: 50 })).toBeUndefined();
  });
  it('what is unknown or forbidden stays out, and is said', () => {
    const rules = familyPlan('porridge', { rules: ['no alcohol'] });
    const lines = readTyped('1 tin moonbeam essence\n2 tbsp rum\n40 g butter', rules, pantry, metric);
    expect(lines.filter(goesIn).map((l) => l.ingredientId)).toEqual(['butter']);
    expect(lines[0]!.why).toBeDefined();
    expect(lines[1]!.against).toBe('no alcohol');
  });
});

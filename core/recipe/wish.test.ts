import { withLine, withPreparations } from '../plan/layout';
import * as fc from 'fast-check';
import { familyPlan, pantry, testPlan } from '../testing';
import { aboutPlan } from '../advice/about';
import { methodOf } from '../plan/family';
import { FAMILIES, type Plan } from '../plan/plan';
import { SCHOOLS, sideNow } from '../advice/schools';
import { readWish, timeIn, wishedPlan } from './wish';

/** a Friday */
const TODAY = '2026-12-11';

describe('a wish in a sentence', () => {
  it('is read whole', () => {
    expect(
      readWish('cold, turned out, for fourteen, half past seven, no egg, from walnut milk', pantry, TODAY),
    ).toEqual({
      rules: ['no egg'],
      amounts: [],
      unknown: [],
      unheard: [],
      people: 14,
      at: 19 * 60 + 30,
      style: 'turned out',
      warm: false,
      milkId: 'walnut_drink',
    });
    expect(readWish('a warm rice pudding for 6 singers, dairy-free, with oat milk', pantry, TODAY)).toEqual({
      rules: ['no milk'],
      amounts: [],
      unknown: [],
      unheard: [],
      family: 'whole-rice pudding',
      people: 6,
      warm: true,
      milkId: 'oat_drink',
    });
    expect(readWish('squares that slice, gluten-free and without nuts, at 8', pantry, TODAY)).toMatchObject({
      rules: ['no wheat', 'no nuts'],
      family: 'baked slab',
      style: 'cut',
      word: 'slices',
      at: 20 * 60,
    });
  });
  it('sets nothing that was not said', () => {
    const nothing = { rules: [], amounts: [], unknown: [], unheard: [] };
    expect(readWish('something nice', pantry, TODAY)).toEqual(nothing);
    expect(readWish('', pantry, TODAY)).toEqual(nothing);
  });
  it('takes amounts, days, vessels and words for the set, and says what it did not understand', () => {
    expect(readWish('1 litre of milk, tomorrow at 8, in glasses, creamy, for 5', pantry, TODAY)).toMatchObject({
      amounts: [{ ingredientId: 'milk_whole', grams: 1030 }],
      milkId: 'milk_whole',
      inDays: 1,
      at: 20 * 60,
      dish: 'glasses, 200 ml',
      word: 'mounds',
      people: 5,
      unheard: [],
    });
    expect(readWish('two cans of coconut milk on Saturday, wobbly, with glitter', pantry, TODAY)).toMatchObject({
      amounts: [{ ingredientId: 'coconut_milk', grams: 776 }],
      inDays: 1,
      word: 'wobbles',
      unheard: ['glitter'],
    });
    expect(readWish('frozen sticks from 900 ml oat milk, no nuts', pantry, TODAY)).toMatchObject({
      family: 'frozen cream',
      dish: 'stick moulds, 80 ml',
      amounts: [{ ingredientId: 'oat_drink', grams: 927 }],
      rules: ['no nuts'],
      unheard: [],
    });
  });
  it('the milk that there is decides how much is made, and the vessel what it is poured into', () => {
    const plan = familyPlan('starch-set milk pudding');
    const milk = plan.things.find((i) => pantry.get(i.ingredientId)!.group === 'milk')!;
    const wish = readWish(`2 litres of ${pantry.get(milk.ingredientId)!.name}, in glasses`, pantry, TODAY);
    const made = wishedPlan(plan, wish);
    expect(made.things.find((i) => i.ingredientId === milk.ingredientId)!.grams).toBeCloseTo(2060, 0);
    expect(made.people).toBeGreaterThan(plan.people);
    expect(made.dish.capacityMl).toBe(200);
    expect(made.dish.count).toBeGreaterThanOrEqual(made.people);
  });
  it.each([
    ['a cold pudding today', 0],
    ['for six tonight', 0],
    ['the day after tomorrow, creamy', 2],
    ['in three days, warm', 3],
    ['next Thursday', 6],
    ['for ten on Friday', 0],
    ['on 24 December at 7', 13],
    ['on the 2nd of January', 22],
    ['in a week', 7],
  ])('hears the day in "%s"', (text, inDays) => {
    const wish = readWish(text, pantry, TODAY);
    expect(wish.inDays).toBe(inDays);
    expect(wish.unheard).toEqual([]);
  });
  it('a year long past is no day of a supper', () => {
    expect(readWish('as on 3 May 1999', pantry, TODAY).inDays).toBeUndefined();
  });
  it('takes no milk that nothing explains, and says which', () => {
    const w = readWish('a cold pudding for six from hemp milk', pantry, TODAY);
    expect(w.milkId).toBeUndefined();
    expect(w.unknown).toEqual(['hemp milk']);
  });
  it('does not take a milk that a rule forbids', () => {
    expect(readWish('no nuts, almond milk', pantry, TODAY).milkId).toBeUndefined();
  });
  it.each([
    ['19:30', 1170],
    ['7.30 pm', 1170],
    ['half past seven', 1170],
    ['quarter to eight', 1185],
    ['quarter past six pm', 1095],
    ['at 8', 1200],
    ['at noon', undefined],
    ['at 11 am', 660],
    ['25:00', undefined],
    ['for six', undefined],
  ])('%s', (text, minutes) => expect(timeIn(text)).toBe(minutes));
  it('never throws, and what it sets is within bounds', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 500 }), (text) => {
        const w = readWish(text, pantry, TODAY);
        return (
          (w.people === undefined || (w.people >= 1 && w.people <= 60)) &&
          (w.at === undefined || (w.at >= 0 && w.at < 1440)) &&
          (w.milkId === undefined || pantry.get(w.milkId)!.group === 'milk')
        );
      }),
    );
  });
});

describe('where cooks part ways', () => {
  const plan = (family: Plan['family']) => familyPlan(family);
  it.each(FAMILIES)('a %s that took a side is on that side, and keeps a method', (family) => {
    const base = plan(family);
    for (const school of SCHOOLS.filter((s) => s.fits(base)))
      school.sides.forEach((side, i) => {
        const taken = side.rewrite(base);
        const now = sideNow(school, taken);
        // a side may be the same way as one before it; then the first of them is named
        expect([school.id, now >= 0 && now <= i]).toEqual([school.id, true]);
        expect(methodOf(taken).length).toBeGreaterThan(1);
        // taken twice it is the same, and the way back leads back
        expect(side.rewrite(taken)).toEqual(taken);
        if (school.sides.length === 2 && sideNow(school, base) === 0) {
          const back = school.sides[0]!.rewrite(taken).things;
          const grams = (items: Plan['things']) =>
            Object.fromEntries(items.map((x) => [x.ingredientId, Math.round(x.grams * 10) / 10]));
          expect([school.id, grams(back)]).toEqual([school.id, grams(base.things)]);
        }
      });
  });
});

describe('all that a plan says beside its forecast', () => {
  it('names what breaks a rule, side pots among it, and what each thickener brings', () => {
    const base = testPlan();
    const plan: Plan = {
      ...withPreparations(withLine(base, { ingredientId: 'rice_ground', grams: 20, in: 'grain' }), [
        { id: 's', kind: 'toasting', whatId: 'almonds_chopped', grams: 40, to: 'golden' },
      ]),
      rules: ['no nuts', 'no milk'],
    };
    const about = aboutPlan(plan, [], 780);
    expect(about.breaks).toEqual([
      { rule: 'no nuts', ingredientId: 'almonds_chopped', name: 'chopped almonds' },
      { rule: 'no milk', ingredientId: 'milk_whole', name: 'whole milk' },
    ]);
    expect(about.pushes.map((p) => p.ingredientId)).toEqual(['cornstarch', 'rice_ground']);
    expect(about.pushes[0]!.steps).toBeGreaterThan(about.pushes[1]!.steps);
    expect(about.freeOf).toContain('milk');
    expect(about.sides).toHaveLength(1);
    expect(about.cut).toBeUndefined();
  });
  it('gives every guest a piece of a tin that is cut', () => {
    const base = testPlan();
    const cut: Plan = {
      ...base,
      people: 15,
      serve: { ...base.serve, style: 'cut' },
      dish: { ...base.dish, count: 2, form: { shape: 'square', lengthMm: 200, widthMm: 200 } },
    };
    expect(aboutPlan(cut, [], 780).cut).toMatchObject({ cut: 'squares', rows: 3, columns: 3, pieces: 9 });
  });
});

it('a milk that nothing here explains is never taken for whole milk', () => {
  for (const odd of ['hemp milk', 'pea milk', 'camel milk', 'soya cream'])
    expect([odd, readWish(`a custard with ${odd} for six`, pantry, TODAY).milkId]).toEqual([odd, undefined]);
  expect(readWish('a custard for ten, oat milk', pantry, TODAY).milkId).toBe('oat_drink');
  expect(readWish('a custard with cold oat milk', pantry, TODAY).milkId).toBe('oat_drink');
});

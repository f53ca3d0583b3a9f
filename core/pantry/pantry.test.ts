import { CompositionPer100Schema, IngredientSchema } from './ingredient';
import { nutMilk } from './nutMilk';
import { PANTRY, pantryWith } from './pantry';

describe('the pantry', () => {
  it('holds every milk, sugar and thickener that a starch pudding asks for', () => {
    const ids = new Set(PANTRY.map((i) => i.id));
    for (const id of [
      'milk_whole',
      'milk_semi',
      'milk_skim',
      'cream_35',
      'evaporated',
      'condensed',
      'coconut_milk',
      'coconut_drink',
      'almond_drink',
      'hazelnut_drink',
      'cashew_drink',
      'walnut_drink',
      'soy_drink',
      'oat_drink',
      'water',
      'sugar',
      'honey',
      'cornstarch',
      'butter',
      'salt',
      'vanilla',
    ])
      expect(ids).toContain(id);
  });
  it.each(PANTRY.map((i) => [i.id, i] as const))(
    '%s is whole: its parts fit in 100 g and its fields are valid',
    (_, i) => {
      expect(IngredientSchema.safeParse(i).success).toBe(true);
    },
  );
  it('names the allergens: nut drinks are tree nuts, butter is milk, coconut is coconut', () => {
    const p = pantryWith();
    expect(p.get('hazelnut_drink')!.allergens).toEqual(['tree nuts']);
    expect(p.get('butter')!.allergens).toEqual(['milk']);
    expect(p.get('coconut_milk')!.allergens).toEqual(['coconut']);
    expect(p.get('water')!.allergens).toEqual([]);
  });
  it("lays the cook's own over the shipped ones", () => {
    const own = { ...pantryWith().get('milk_whole')!, name: 'farm milk' };
    expect(pantryWith([own]).get('milk_whole')!.name).toBe('farm milk');
  });
  it('refuses a composition of more than 100 g in 100 g', () => {
    const r = CompositionPer100Schema.safeParse({ water: 90, fat: 20, protein: 0, sugar: 0, lactose: 0, starch: 0 });
    expect(r.success).toBe(false);
  });
});

describe('home-made nut milk', () => {
  it.each([
    ['almond', 3, 8.6, 3.3],
    ['almond', 4, 6.7, 2.6],
    ['almond', 6, 4.6, 1.8],
    ['hazelnut', 4, 8.0, 1.8],
  ] as const)('%s 1:%i has fat near %f and protein near %f %%', (nut, ratio, fat, protein) => {
    const m = nutMilk(nut, 100, 100 * ratio);
    expect(Math.abs(m.per100.fat - fat)).toBeLessThan(0.5);
    expect(Math.abs(m.per100.protein - protein)).toBeLessThan(0.4);
  });
  it('almond 100 + 300 g gives about 280 g of milk', () => {
    expect(Math.abs(nutMilk('almond', 100, 300).massG - 281)).toBeLessThan(20);
  });
  it('unfiltered cashew keeps its starch and says so', () => {
    const m = nutMilk('cashew', 100, 400, false);
    expect(m.per100.starch).toBeCloseTo(4.6, 1);
    expect(m.thickener).toBe('rice flour');
  });
  it('refuses nothing blended with nothing', () => {
    expect(() => nutMilk('almond', 0, 100)).toThrow(RangeError);
  });
});

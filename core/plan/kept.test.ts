import { intoPot } from './method';
import { pantry, testPlan } from '../testing';
import { startPot, potSetup } from '../model/run';
import { keptC, keptTogetherC, KEPT } from './kept';
import { methodOf } from './family';

const ROOM_C = 21;
const at = (id: string) => keptC(pantry.get(id)!, ROOM_C);

describe('where things are kept', () => {
  it('milk, egg and butter come from the fridge, water from the tap, tins and dry goods from the cupboard', () => {
    for (const id of ['milk_whole', 'cream_35', 'oat_drink', 'egg', 'yolk', 'butter'])
      expect(at(id)).toBe(KEPT.fridgeC);
    expect(at('water')).toBe(KEPT.tapC);
    for (const id of ['coconut_milk', 'evaporated', 'condensed', 'sugar', 'cornstarch', 'rice_short'])
      expect(at(id)).toBe(ROOM_C);
  });
  it('nothing is colder than a cold room', () => expect(keptC(pantry.get('milk_whole')!, 4)).toBe(4));
  it('what is stirred together has the mean by its heat', () => {
    const half = keptTogetherC(
      [
        { ingredient: pantry.get('milk_whole')!, grams: 500 },
        { ingredient: pantry.get('coconut_milk')!, grams: 500 },
      ],
      ROOM_C,
    );
    expect(half).toBeGreaterThan(12);
    expect(half).toBeLessThan(14);
    expect(keptTogetherC([], ROOM_C)).toBe(ROOM_C);
  });
  it('a pot of tinned coconut starts at the room, one of milk in the cold; the slurry as its liquid', () => {
    const start = (milkId: string) => {
      const plan = testPlan({}, milkId);
      const slurry = methodOf(plan).find((s) => intoPot(s) && s.from === 'slurry');
      return { pot: startPot(plan, potSetup(plan)).bulkC, slurry: slurry && intoPot(slurry) ? slurry.tempC : NaN };
    };
    expect(start('coconut_milk').pot).toBeCloseTo(ROOM_C, 0);
    expect(start('coconut_milk').slurry).toBeCloseTo(ROOM_C, 0);
    expect(start('milk_whole').pot).toBeLessThan(9);
    expect(start('milk_whole').slurry).toBeLessThan(10);
  });
});

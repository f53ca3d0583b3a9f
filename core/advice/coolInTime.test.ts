import { DISHES } from '../pantry/kitchen';
import { forecast } from '../model/forecast';
import type { Plan } from '../plan/plan';
import { testPlan } from '../testing';
import { coolInTime } from './coolInTime';

const inBowl = (plan: Plan): Plan => {
  const { name: _name, ...bowl } = DISHES.find((d) => d.kind === 'bowl')!;
  return {
    ...plan,
    items: plan.items.map((i) => ({ ...i, grams: i.grams * 3 })),
    dish: { ...bowl, count: 2 },
    rest: { ...plan.rest, roomMin: 90, hours: 12, rule: 'two stages' },
  };
};

describe('a plan that cools too slowly', () => {
  const deep = inBowl(testPlan());
  it('is one: the bowl breaks the rule', () => {
    const { cool } = forecast(deep);
    expect(cool.safe || cool.ordinary).toBe(false);
  });
  it('is given the least change that keeps the rule, and what it saves', () => {
    const way = coolInTime(deep)!;
    expect(forecast(way.plan).cool.safe).toBe(true);
    expect(way.savesH).toBeGreaterThan(0);
    // what is less trouble would not have done
    if (way.kind !== 'straight to the cold')
      expect(
        forecast({
          ...deep,
          choices: { ...deep.choices, cooling: 'straight to the cold' },
          rest: { ...deep.rest, roomMin: 0 },
        }).cool.safe,
      ).toBe(false);
  });
  it('needs nothing where it is cooled in time', () => {
    expect(coolInTime(testPlan())).toBeUndefined();
  });
});

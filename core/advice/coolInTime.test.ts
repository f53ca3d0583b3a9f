import { DISHES } from '../pantry/kitchen';
import { forecast } from '../model/forecast';
import type { Plan } from '../plan/plan';
import { restedIn } from '../plan/methodList';
import { testPlan } from '../testing';
import { breaksCoolingRule } from '../set/safety';
import { coolInTime, coolNow } from './coolInTime';

const inBowl = (plan: Plan): Plan => {
  const { name: _name, ...bowl } = DISHES.find((d) => d.kind === 'bowl')!;
  return {
    ...plan,
    things: plan.things.map((i) => ({ ...i, grams: i.grams * 3 })),
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
  it('that never gets cold in its hours is helped all the same; what it saves is not known, and not said', () => {
    // it stands in a kitchen in summer
    const stays = [{ where: 'room' as const, minutes: 720 }];
    const summer = restedIn({ ...deep, room: { ...deep.room, tempC: 30 } }, stays, 12);
    expect(forecast(summer).cool.below21H).toBeNaN();
    const ways = coolNow(summer, [{ where: 'room', minutes: 30 }], 12);
    expect(ways.length).toBeGreaterThan(0);
    for (const w of ways) expect(w.savesH).toBeUndefined();
    expect(coolInTime(summer)?.savesH).toBeUndefined();
    expect(coolNow(deep, [], 12).every((w) => Number.isFinite(w.below21H) && w.savesH! > 0)).toBe(true);
  });
  it('and is eaten warm is not asked for any rule', () => {
    const warm = { ...deep, serve: { ...deep.serve, tempC: 62 } };
    expect(breaksCoolingRule(forecast(deep).cool)).toBe(true);
    expect(breaksCoolingRule(forecast(warm).cool)).toBe(false);
    expect(coolInTime(warm)).toBeUndefined();
    expect(forecast(warm).cautions.map((c) => c.id)).not.toContain('cooling');
  });
  it('needs nothing where it is cooled in time', () => {
    expect(coolInTime(testPlan())).toBeUndefined();
  });
});

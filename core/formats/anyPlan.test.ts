import { withOwnSteps } from '../plan/layout';
import { randomLcg } from 'd3-random';
import { aboutPlan } from '../advice/about';
import { timetable } from '../day/day';
import { newDay } from '../day/record';
import { workOf } from '../day/tasks';
import { forecast } from '../model/forecast';
import { pantryWith } from '../pantry/pantry';
import { MethodStepSchema, USES } from '../plan/method';
import { FAMILIES, PlanSchema, type Plan } from '../plan/plan';
import { NoLiquidError } from '../pot/pot';
import { familyPlan } from '../testing';
import { LONGEST_H } from '../plan/tooLong';
import { troublesOfPlan } from './computable';
import { checkPlan } from './planFile';

/** ms of processor for a forecast beyond which nobody waits, and for tasting it and laying it out beside. */
const WAIT_MS = 2000 + 2000;

/** Plans that the schema allows and no cook would write: any steps in any order, hardly anything or far too much in the pot. */
function* plans(count: number, seed: number): Generator<Plan> {
  const random = randomLcg(seed);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const ids = [...pantryWith().keys()];
  const until = () =>
    pick([
      { reach: 'time', minutes: random() * 40 },
      { reach: 'temperature', tempC: random() * 110 },
      { reach: 'bubble' },
      { reach: 'share', share: 0.1 + random() * 0.9 },
      { reach: 'mass', grams: 1 + random() * 3000 },
      { reach: 'grain', bite: 0.2 + random() * 0.79 },
      { reach: 'thickness', viscosityPaS: 0.001 + random() * 50 },
    ]);
  const step = () =>
    pick([
      {
        do: 'heat',
        setting: Math.floor(random() * 10),
        until: until(),
        stirEveryS: pick([3, null]),
        lid: pick(['off', 'on']),
      },
      { do: 'heat', role: pick(['warm', 'thicken', 'cook on', 'cool', 'off the heat']), setting: 5, until: until() },
      { do: 'pour', to: 'pot', from: pick(USES), soakMin: pick([0, 30]) },
      { do: 'pour', to: 'dish' },
      {
        do: 'bake',
        ovenC: 80 + random() * 200,
        bath: pick(['none', 'open']),
        until: { reach: 'time', minutes: random() * 90 },
      },
      { do: 'rest', where: pick(['room', 'fridge', 'freezer', 'ice bath']), minutes: pick([0, random() * 900]) },
    ]);
  for (let made = 0; made < count;) {
    const plan = structuredClone(familyPlan(pick(FAMILIES))) as unknown as {
      things: { ingredientId: string; grams: number }[];
      acts: unknown[];
    };
    for (const item of plan.things) if (random() < 0.2) item.grams = pick([0, 0.1, 20_000]);
    if (random() < 0.3) {
      const ingredientId = pick(ids);
      plan.things.push({ ingredientId, grams: random() * 500 });
      plan.acts.push({ do: 'put', id: 'more', into: pick(USES), things: [{ ingredientId }] });
    }
    if (random() < 0.7) plan.acts.push(...Array.from({ length: 1 + Math.floor(random() * 8) }, step));
    if (random() < 0.2) plan.things = plan.things.slice(0, pick([0, 1]));
    const read = PlanSchema.safeParse(plan);
    if (!read.success) continue;
    made += 1;
    yield read.data;
  }
}

describe('any plan that the schema allows', () => {
  const day = newDay('2026-12-11', '2026-12-11T08:00:00.000Z');
  it.each([0.11, 0.37, 0.62, 0.83])(
    'is refused with a path, or forecast, tasted and laid out in a day (seed %s)',
    (seed) => {
      let done = 0;
      for (const plan of plans(30, seed)) {
        const refused = [...troublesOfPlan(plan), ...checkPlan(plan)];
        for (const issue of refused) expect(issue.path).toBeTruthy();
        const before = process.cpuUsage();
        try {
          const f = forecast(plan);
          expect(f.serving.place).not.toBeNaN();
          aboutPlan(plan, [], f.endMassG);
          const work = workOf({ plan, forecast: f }, []);
          const table = timetable(day, [work], { [plan.id]: Date.parse('2026-12-11T19:00:00Z') });
          expect(table.serves).toHaveLength(1);
          done += 1;
        } catch (e) {
          // a plan may be kept without milk while it is being written: it says so when it is asked
          expect(e).toBeInstanceOf(NoLiquidError);
          expect(checkPlan(plan)).not.toEqual([]);
        }
        expect(process.cpuUsage(before).user / 1000).toBeLessThan(WAIT_MS);
      }
      expect(done).toBeGreaterThan(10);
    },
  );
  it('that asks for days in the oven is refused with what is reckoned at most', () => {
    const plan = withOwnSteps(
      familyPlan('baked slab'),
      MethodStepSchema.array().parse([
        { do: 'pour', to: 'dish' },
        { do: 'bake', ovenC: 120, until: { reach: 'time', minutes: 6000 } },
      ]),
    );
    expect(checkPlan(plan)).toContainEqual({
      path: 'acts',
      message: { code: 'issue.tooLong.oven', hours: 100, most: LONGEST_H.oven },
    });
  });
});

import { withLine } from '../core/plan/layout';
import * as fc from 'fast-check';
import { stepsOf, type Step } from '../core/cook/steps';
import { SCHOOLS } from '../core/advice/schools';
import { putAt } from '../core/plan/amounts';
import { insertStep, listOf, moveStep, STEP_KINDS, stepTroubles } from '../core/plan/methodList';
import { BESIDE_USES, intoPot } from '../core/plan/method';
import { FAMILIES, type Plan } from '../core/plan/plan';
import { inBowls } from '../core/plan/bowls';
import { DEFAULT_SETTINGS } from '../core/settings';
import { pantryWith } from '../core/pantry/pantry';
import { asTold } from '../core/recipe/asTold';
import { AFTERWARDS } from '../core/recipe/fixtures/afterwards';
import { FURTHER } from '../core/recipe/fixtures/further';
import { WRITTEN } from '../core/recipe/fixtures/recipes';
import { planOf, readRecipe } from '../core/recipe/read';
import { familyPlan } from '../core/testing';
import { anyPlan } from '../core/testingPlans';
import './everything';
import { formatter } from './format';
import { spokenLine, stepWords } from './potSteps';

const fmt = formatter(DEFAULT_SETTINGS);
const stepsIn = (plan: Plan) => stepsOf(plan, { phases: [] });
const manner = (step: Step, plan: Plan) => stepWords(step, plan, fmt, 20).manner;

/** Any plan, with a method that was changed by hand. */
const changedPlan: fc.Arbitrary<Plan> = fc
  .tuple(
    anyPlan,
    fc.array(fc.tuple(fc.constantFrom(...STEP_KINDS), fc.nat({ max: 9 }), fc.nat({ max: 9 })), { maxLength: 4 }),
    fc.constantFrom('cinnamon', 'cardamom', undefined),
    fc.constantFrom('pot', 'late', 'grain', 'off the heat'),
  )
  .map(([plan, changes, spice, bowl]) => {
    const spiced =
      spice && plan.things.every((i) => i.ingredientId !== spice)
        ? withLine(plan, { ingredientId: spice, grams: 4, in: bowl })
        : plan;
    return changes.reduce((p, [kind, at, to]) => {
      const more = insertStep(p, kind, Math.min(at, listOf(p).length));
      const step = listOf(more.plan).find((s) => s.id === more.id)!;
      // half of something in a bowl of its own
      const { ingredientId, grams } = p.things[to % p.things.length]!;
      const filled = intoPot(step) ? putAt(more.plan, ingredientId, step.from, grams / 2) : more.plan;
      return moveStep(filled, more.id, to);
    }, spiced);
  })
  .filter((plan) => stepTroubles(plan).length === 0);

describe('whatever the method', () => {
  it('each thing is announced once, in its amount, and goes in before it is counted out', () => {
    let plans = 0;
    fc.assert(
      fc.property(fc.oneof(anyPlan, changedPlan), (plan) => {
        plans += 1;
        const steps = stepsIn(plan);
        const bowls = inBowls(plan);
        const wanted = Object.values(bowls)
          .flat()
          .filter((p) => !p.taste);
        const told = steps.flatMap((s) => s.puts.flatMap((p) => p.portions));
        expect(told).toHaveLength(wanted.length);
        for (const p of wanted) expect(told.filter((x) => x === p)).toHaveLength(1);
        // and it is said, not only kept
        for (const step of steps)
          for (const p of step.puts.flatMap((put) => put.portions))
            expect(manner(step, plan)).toContain(`${fmt.grams(p.grams)} ${p.ingredient.name}`);
        const out = steps.findIndex((s) => s.role === 'count out');
        if (out >= 0)
          for (const p of steps[out]!.portions)
            expect(steps.findIndex((s) => s.puts.some((x) => x.portions.includes(p)))).toBeLessThan(out);
        // what lies in the dish never goes into the pot
        for (const s of steps)
          for (const put of s.puts)
            if (put.into === 'pot')
              expect(BESIDE_USES.flatMap((use) => bowls[use]).some((p) => put.portions.includes(p))).toBe(false);
      }),
      { numRuns: 400, seed: 28 },
    );
    expect(plans).toBeGreaterThanOrEqual(400);
  });

  it('a recipe taken as it is tells each of its things once, and leaves no step without them', () => {
    const pantry = pantryWith();
    let own = 0;
    for (const w of [...WRITTEN, ...FURTHER, ...AFTERWARDS]) {
      const read = readRecipe(w.text, pantry, { system: 'metric', eggSize: 'eu M' });
      const plan = read.ok ? planOf(read.reading, pantry, { id: 'r', serveAt: '2026-12-12T19:30:00Z' }) : undefined;
      if (!read.ok || !plan) continue;
      const told = asTold(plan, read.reading);
      if (told === plan) continue;
      own += 1;
      expect([w.way, stepTroubles(told)]).toEqual([w.way, []]);
      const puts = stepsIn(told).flatMap((s) => s.puts.flatMap((p) => p.portions));
      const grams = (list: readonly { grams: number }[]) => list.reduce((sum, p) => sum + p.grams, 0);
      for (const item of told.things)
        expect([w.way, item.ingredientId, grams(puts.filter((p) => p.ingredient.id === item.ingredientId))]).toEqual([
          w.way,
          item.ingredientId,
          expect.closeTo(item.grams, 0),
        ]);
    }
    expect(own).toBeGreaterThan(80);
  });

  it('no sentence has a gap or a code in it, and a sign is of its own step', () => {
    fc.assert(
      fc.property(fc.oneof(anyPlan, changedPlan), (plan) => {
        for (const step of stepsIn(plan)) {
          const w = stepWords(step, plan, fmt, 20);
          const all = [w.title, w.manner, w.brief, w.cue, w.why, w.done, w.until].join('\n');
          expect(all).not.toMatch(/\{\{|potRoom\.|undefined|NaN|, ,|^, |, then $/m);
          expect(spokenLine(w).split(' ').length).toBeLessThanOrEqual(9);
          // the clock ends it: no sign does
          if (step.ends === 'time' && step.heat) expect(w.done).not.toMatch(/soft|bubble|mark|coats/i);
        }
      }),
      { numRuns: 200, seed: 5 },
    );
  });
});

describe('the way it goes in', () => {
  const meal = familyPlan('porridge');
  const ways = (grain: NonNullable<Plan['choices']['grain']>) =>
    stepsIn({ ...meal, choices: { ...meal.choices, grain } })
      .map((s) => manner(s, meal))
      .join('\n');
  it.each([
    ['hot liquid onto it', /pour the hot liquid onto .* in a thin stream, whisking, then all of it back/],
    ['wetted cold first', /whisk .* smooth, cold, then into the pot, whisking/],
    ['fried in fat first', /through the hot fat first/],
    ['into boiling milk', /rain in .*, whisking/],
    ['into cold milk', /stir .* in while it is cold/],
  ] as const)('%s', (grain, says) => expect(ways(grain)).toMatch(says));

  it('is of every school, said with the amounts', () => {
    for (const family of FAMILIES)
      for (const side of SCHOOLS.flatMap((s) => s.sides)) {
        const plan = side.rewrite(familyPlan(family));
        for (const step of stepsIn(plan))
          for (const p of step.puts.flatMap((put) => put.portions))
            expect(manner(step, plan)).toContain(p.ingredient.name);
      }
  });
});

describe('the oven at the stove', () => {
  const custard = familyPlan('baked custard');
  const baked = (choices: Plan['choices']) => {
    const plan = { ...custard, choices: { ...custard.choices, ...choices } };
    const step = stepsIn(plan).find((s) => s.role === 'bake')!;
    return manner(step, plan);
  };
  it('says its degrees, its start, its bath and its cover', () => {
    expect(baked({ ovenC: 165, oven: 'preheated', bath: 'open' })).toMatch(
      /oven at 165 °C, no fan, in hot water to half its height, /,
    );
    expect(baked({ ovenC: 150, oven: 'cold start', bath: 'covered' })).toMatch(
      /oven at 150 °C, no fan, put in cold and then lit, in hot water to half its height, covered/,
    );
  });
  it('says what is strewn on with the last of the work', () => {
    const plan = withLine(custard, { ingredientId: 'nutmeg', grams: 1, in: 'top' });
    const last = stepsIn(plan).at(-1)!;
    expect(last.role).toBe('bake');
    expect(manner(last, plan)).toMatch(/1 g .*nutmeg.* on top/i);
  });
});

it('a pot that stands for long is left alone', () => {
  const plan = familyPlan('whole-rice pudding');
  const { plan: stands } = insertStep(plan, 'stand', undefined, {
    do: 'heat',
    role: 'off the heat',
    setting: 0,
    until: { reach: 'time', minutes: 40 },
    limitMin: 90,
    stirEveryS: 10,
    tool: 'spoon',
    lid: 'on',
    wrapped: false,
  });
  const step = stepsIn(stands).find((s) => s.seconds === 2400)!;
  expect(step.stirEveryS).toBeUndefined();
  expect(stepWords(step, stands, fmt, undefined)).toMatchObject({
    title: 'Let it stand',
    manner: 'stir in 52 g sugar, then 40 min, lid on, leave it alone',
    done: 'Done',
  });
});

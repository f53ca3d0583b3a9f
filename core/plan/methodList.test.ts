import { ownSteps, partsOf, withLine } from './layout';
import * as fc from 'fast-check';
import { forecast } from '../model/forecast';
import { FAMILIES, PlanSchema, type Plan } from './plan';
import { methodOf } from './family';
import {
  addBowl,
  asUsual,
  changeStep,
  followSteps,
  insertStep,
  kindOf,
  listOf,
  moveStep,
  newStep,
  removeStep,
  STEP_KINDS,
  steepFirst,
  stepTroubles,
} from './methodList';
import { withGrainWay } from './amounts';
import { newPlan } from './newPlan';

const planOf = (family: Plan['family'] = 'starch-set milk pudding'): Plan =>
  newPlan({
    id: 'p',
    name: 'Cups',
    milkId: 'milk_whole',
    people: 6,
    portionG: 130,
    serveAt: '2026-12-12T19:30:00Z',
    family,
  });

describe('the way it is cooked, as a list', () => {
  it.each(FAMILIES)(
    '%s: every step has a kind and an id of its own, and the list cooks as the family does',
    (family) => {
      const plan = planOf(family);
      const list = listOf(plan);
      expect(new Set(list.map((s) => s.id)).size).toBe(list.length);
      expect(list.every((s) => STEP_KINDS.includes(kindOf(s)))).toBe(true);
      expect(stepTroubles(plan)).toEqual([]);
      const own = moveStep(plan, list[0]!.id, 0);
      expect(ownSteps(own)).toHaveLength(list.length);
      expect(PlanSchema.safeParse(own).error).toBeUndefined();
      expect(forecast(own).serving.yieldPa).toBeCloseTo(forecast(plan).serving.yieldPa, 6);
      expect(asUsual(own)).toEqual(plan);
    },
  );
  it('a step is moved, changed, taken out and put in, and the others stay', () => {
    const plan = planOf();
    const longer = changeStep(plan, 'cook on', (s) =>
      s.do === 'heat' ? { ...s, until: { reach: 'time', minutes: 9 } } : s,
    );
    expect(forecast(longer).minutes.total).toBeGreaterThan(forecast(plan).minutes.total + 6);
    const without = removeStep(longer, 'cook on');
    expect(listOf(without).map((s) => s.id)).toEqual(
      listOf(plan)
        .map((s) => s.id)
        .filter((id) => id !== 'cook on'),
    );
    const { plan: reduced, id } = insertStep(plan, 'reduce');
    expect(listOf(reduced).find((s) => s.id === id)).toMatchObject({ role: 'reduce' });
    expect(forecast(reduced).endMassG).toBeLessThan(0.85 * forecast(plan).endMassG);
    const last = listOf(plan).length - 1;
    const moved = moveStep(plan, 'cook on', last);
    expect(listOf(moved)[last]!.id).toBe('cook on');
    expect(stepTroubles(moved)).toContainEqual(expect.objectContaining({ id: 'cook on' }));
  });
  it('the hours to the table are those of its rests', () => {
    const frozen = insertStep(planOf(), 'freeze').plan;
    expect(frozen.rest.hours).toBeCloseTo(5.75, 2);
  });
  it('what no step adds is said, and put in where it usually goes', () => {
    const plan = removeStep(planOf(), 'add slurry');
    const [trouble] = stepTroubles(plan);
    expect(trouble).toMatchObject({ bowl: 'slurry' });
    const mended = addBowl(plan, 'slurry');
    expect(stepTroubles(mended)).toEqual([]);
    expect(listOf(mended).findIndex((s) => s.id.startsWith('add slurry'))).toBeGreaterThan(0);
  });
  it('a quick choice is made in the cook’s own list, and what the cook changed stays', () => {
    const plan = changeStep(planOf(), 'cook on', (s) =>
      s.do === 'heat' ? { ...s, until: { reach: 'time', minutes: 9 } } : s,
    );
    const bath = followSteps(plan, { ...plan, choices: { ...plan.choices, heat: 'double boiler' } });
    const list = listOf(bath);
    expect(list.find((s) => s.id === 'thicken')).toHaveProperty('over');
    expect(list.find((s) => s.id === 'cook on')).toMatchObject({ until: { minutes: 9 } });
    const egg = followSteps(plan, withLine(plan, { ingredientId: 'yolk', grams: 40, in: 'bowl' }));
    const ids = listOf(egg).map((s) => s.id);
    expect(ids.indexOf('add bowl')).toBeGreaterThan(ids.indexOf('thicken'));
    expect(ids.indexOf('add bowl')).toBeLessThan(ids.indexOf('pour'));
  });
  it('hours that are asked for hold, whoever changed the rests', () => {
    const slow = changeStep(planOf(), 'rest fridge', (s) => (s.do === 'rest' ? { ...s, minutes: 400 } : s));
    const longer = followSteps(slow, { ...slow, rest: { ...slow.rest, hours: 9 } });
    expect(longer.rest.hours).toBe(9);
    const minutes = listOf(longer).reduce((sum, s) => sum + (s.do === 'rest' ? s.minutes : 0), 0);
    expect(minutes).toBeCloseTo(9 * 60, 5);
  });
  it('a plan that crossed to a worker and back is the same plan', () => {
    const own = changeStep(planOf(), 'cook on', (s) => s);
    const back = structuredClone({ ...own, choices: { ...own.choices, heat: 'double boiler' as const } });
    expect(listOf(followSteps(own, back)).find((s) => s.id === 'thicken')).toHaveProperty('over');
  });
  it('meal that is wetted cold has its liquid carved out, and back with another way', () => {
    const wetted = withGrainWay(planOf('porridge'), 'wetted cold first');
    expect(partsOf(wetted).map((c) => c.in)).toEqual(['grain']);
    expect(forecast(wetted).risks.lumps.chance).toBeLessThan(0.3);
    expect(partsOf(withGrainWay(wetted, 'into boiling milk'))).toEqual([]);
  });
  it('a steep lets whole spices draw', () => {
    const plan = withLine(planOf(), { ingredientId: 'cinnamon', grams: 4, in: 'pot' });
    const drawn = (p: Plan) => forecast(p).aroma.find((a) => a.ingredientId === 'cinnamon')!;
    const before = drawn(plan);
    expect(before.steepMin).toBeGreaterThan(0);
    const out = methodOf(plan).findIndex((s) => s.do === 'take out');
    const after = drawn(steepFirst(plan, before.steepMin! + 5, out));
    expect(after.drawn!).toBeGreaterThan(before.drawn! + 0.1);
  });
  it('whatever is done to a list leaves a plan that can be kept', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.array(fc.tuple(fc.constantFrom('move', 'out', 'in'), fc.nat(20), fc.nat(20)), { maxLength: 8 }),
        (family, acts) => {
          const plan = acts.reduce((p, [act, a, b]) => {
            const list = listOf(p);
            const at = list[a % Math.max(1, list.length)];
            if (act === 'in') return insertStep(p, STEP_KINDS[a % STEP_KINDS.length]!, b % (list.length + 1)).plan;
            if (!at) return p;
            return act === 'move' ? moveStep(p, at.id, b) : list.length > 1 ? removeStep(p, at.id) : p;
          }, planOf(family));
          expect(PlanSchema.safeParse(plan).error).toBeUndefined();
          expect(new Set(listOf(plan).map((s) => s.id)).size).toBe(listOf(plan).length);
          stepTroubles(plan);
        },
      ),
      { numRuns: 60 },
    );
  });
  it.each(STEP_KINDS)('a new "%s" is a step of that kind', (kind) => {
    const plan = withLine(planOf(), { ingredientId: 'white', grams: 60, in: 'fold in' });
    expect(kindOf(newStep(plan, kind))).toBe(kind);
  });
});

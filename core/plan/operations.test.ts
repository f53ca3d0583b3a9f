import { stepsOf, type Step } from '../cook/steps';
import { atTheTable, laterOf } from '../cook/later';
import { forecast } from '../model/forecast';
import { familyPlan, testPlan } from '../testing';
import { portionsIn } from './bowls';
import { linesOf, ownSteps, partsOf, withLine, withLines, withOwnSteps } from './layout';
import type { MethodStep } from './method';
import { changeStep, insertStep, listOf, moveStep, removeStep, stepTroubles } from './methodList';
import { putAt, scale } from './amounts';
import type { Plan } from './plan';
import { PlanSchema } from './plan';

/** What hands do around the fire is on the list as fire is: told where it stands, and not told where it is not. */

const told = (plan: Plan): Step[] => stepsOf(plan, forecast(plan));
const roles = (plan: Plan) => told(plan).map((s) => s.role);
const codes = (plan: Plan) => stepTroubles(plan).map((x) => x.says.code);
const outAt = (plan: Plan) => listOf(plan).findIndex((s) => s.do === 'take out');

const spiced = withLine(withLine(testPlan(), { ingredientId: 'cinnamon', grams: 4, in: 'pot' }), {
  ingredientId: 'bay_leaf',
  grams: 1,
  in: 'late',
});

/** Starch in a bowl of its own, yolk in another. */
const enriched: Plan = {
  ...withLine(testPlan(), { ingredientId: 'yolk', grams: 60, in: 'bowl' }),
  family: 'egg-enriched pudding',
};

describe('a share of a thing', () => {
  it('stays that share when the amount changes, by scaling or by hand; grams that were said stay grams', () => {
    const plan = testPlan();
    const sugarG = plan.things.find((t) => t.ingredientId === 'sugar')!.grams;
    const half = putAt(plan, 'sugar', 'late', sugarG / 2, 0.5);
    const grams = putAt(plan, 'sugar', 'late', sugarG / 2);
    const late = (p: Plan) => portionsIn(p, 'late').reduce((sum, x) => sum + x.grams, 0);
    const more = (p: Plan): Plan => ({
      ...p,
      things: p.things.map((t) => (t.ingredientId === 'sugar' ? { ...t, grams: 2 * t.grams } : t)),
    });
    expect(PlanSchema.parse(half)).toEqual(half);
    expect(late(half)).toBeCloseTo(sugarG / 2, 9);
    expect(late(more(half))).toBeCloseTo(sugarG, 9);
    expect(late(more(grams))).toBeCloseTo(sugarG / 2, 9);
    expect(late(scale(half, 3))).toBeCloseTo((3 * sugarG) / 2, 6);
    const [pot] = portionsIn(half, 'pot').filter((p) => p.ingredient.id === 'sugar');
    expect(pot!.grams).toBeCloseTo(sugarG / 2, 9);
    // said otherwise it is grams again
    expect(late(more(putAt(half, 'sugar', 'late', 10)))).toBeCloseTo(10, 9);
  });
});

describe('mix', () => {
  it('stands before the fire for what is wetted and beaten, and right before whites are folded in', () => {
    const plan = enriched;
    const whites = withLine(plan, { ingredientId: 'white', grams: 90, in: 'fold in' });
    expect(roles(plan).slice(0, 3)).toEqual(['weigh', 'slurry', 'beat the egg']);
    const mixes = listOf(whites).flatMap((s) => (s.do === 'mix' ? [[s.in, s.until]] : []));
    expect(mixes).toEqual([
      ['slurry', 'smooth'],
      ['bowl', 'pale'],
      ['fold in', 'stiff'],
    ]);
    expect(roles(whites).slice(-2)).toEqual(['whip', 'pour']);
  });
  it('goes where the cook moves it, is told as she wants it, and is gone when she takes it out', () => {
    const plan = enriched;
    const warm = listOf(plan).findIndex((s) => s.do === 'heat');
    const moved = moveStep(plan, 'beat the egg', warm);
    expect(roles(moved).slice(0, 4)).toEqual(['weigh', 'slurry', 'warm', 'beat the egg']);
    // the ring stays as it was meanwhile
    const beat = told(moved)[3]!;
    expect(beat.setting).toBe(told(moved)[2]!.setting);
    expect(roles(removeStep(plan, 'beat the egg'))).not.toContain('beat the egg');
    const { plan: blended, id } = insertStep(plan, 'mix', warm + 2, {
      do: 'mix',
      in: 'pot',
      with: 'blender',
      until: 'smooth',
    });
    expect(told(blended).find((s) => s.id === id)).toMatchObject({ role: 'mix', portions: [] });
    expect(forecast(blended).serving.place).toBeCloseTo(forecast(plan).serving.place, 9);
  });
  it('of an empty bowl is named', () => {
    const plan = insertStep(testPlan(), 'mix', 0, { do: 'mix', in: 'late 7', with: 'spoon', until: 'smooth' }).plan;
    expect(codes(plan)).toContain('steps.mixesNothing');
    expect(roles(plan)).not.toContain('mix');
  });
});

describe('take out', () => {
  it('stands where nothing thickens yet, and takes what is in by then', () => {
    const out = told(spiced).filter((s) => s.role === 'count out');
    expect(out.map((s) => s.portions.map((p) => p.ingredient.id).sort())).toEqual([['bay_leaf', 'cinnamon']]);
  });
  it('two of them take one thing each, in the order in which they went in', () => {
    const own = withOwnSteps(spiced, listOf(spiced));
    const first = changeStep(own, 'count out', (s) => ({ ...s, things: ['bay_leaf'] }) as MethodStep);
    const both = insertStep(first, 'take out', outAt(first), { do: 'take out', things: ['cinnamon'] }).plan;
    expect(told(both).flatMap((s) => (s.role === 'count out' ? s.portions.map((p) => p.ingredient.id) : []))).toEqual([
      'cinnamon',
      'bay_leaf',
    ]);
    expect(codes(both)).toEqual([]);
  });
  it('two right behind each other, of what goes in with the next fire, are both told', () => {
    const own = withOwnSteps(spiced, listOf(spiced));
    const late = listOf(own).findIndex((s) => s.do === 'pour' && s.to === 'pot' && s.from === 'late');
    const bare = removeStep(own, 'count out');
    const at = late - (outAt(own) < late ? 1 : 0) + 1;
    const one = insertStep(bare, 'take out', at, { do: 'take out', things: ['cinnamon'] }).plan;
    const two = insertStep(one, 'take out', at, { do: 'take out', things: ['bay_leaf'] }).plan;
    expect(
      told(two)
        .flatMap((s) => (s.role === 'count out' ? s.portions.map((p) => p.ingredient.id) : []))
        .sort(),
    ).toEqual(['bay_leaf', 'cinnamon']);
  });
  it('what nothing takes out is named, with a way to mend it; what is not in yet is not taken', () => {
    const left = removeStep(spiced, 'count out');
    const [trouble] = stepTroubles(left).filter((x) => x.stays);
    expect(trouble!.stays).toEqual(['cinnamon', 'bay_leaf']);
    expect(codes(insertStep(left, 'take out').plan)).toEqual([]);
    const early = moveStep(spiced, 'count out', 0);
    expect(stepTroubles(early).find((x) => x.stays)!.stays).toEqual(['bay_leaf']);
  });
  it('taken out sooner it has drawn less', () => {
    const drawn = (plan: Plan) => forecast(plan).aroma.find((a) => a.ingredientId === 'cinnamon')?.drawn ?? 1;
    const plan = withLine(familyPlan('whole-rice pudding'), { ingredientId: 'cinnamon', grams: 4, in: 'pot' });
    const sooner = moveStep(plan, 'count out', 1);
    expect(drawn(sooner)).toBeLessThan(drawn(plan));
  });
});

describe('one bowl into another', () => {
  const plan = enriched;
  const into = (share: number) =>
    insertStep(plan, 'together', 2, { do: 'pour', to: 'bowl', from: 'slurry', into: 'bowl', share }).plan;
  const gramsOf = (p: Plan, id: string) =>
    told(p).flatMap((s) => s.puts.flatMap((x) => x.portions.filter((q) => q.ingredient.id === id).map((q) => q.grams)));
  it('takes its share of everything along: what goes in later is both, each told once where it goes in', () => {
    const half = into(0.5);
    for (const { ingredientId, grams } of linesOf(plan)) {
      const all = gramsOf(half, ingredientId);
      expect(all.reduce((sum, g) => sum + g, 0)).toBeCloseTo(grams, 6);
    }
    const starch = linesOf(plan).find((l) => l.in === 'slurry')!;
    expect(portionsIn(half, 'bowl').find((p) => p.ingredient.id === starch.ingredientId)!.grams).toBeCloseTo(
      portionsIn(plan, 'slurry').find((p) => p.ingredient.id === starch.ingredientId)!.grams / 2,
      6,
    );
    expect(roles(half)).toContain('pour together');
    expect(codes(half)).toEqual([]);
  });
  it('comes out as the same things laid in one bowl from the start', () => {
    const moved = <T extends { in: string }>(t: T): T => (t.in === 'slurry' ? { ...t, in: 'bowl' } : t);
    const laid = withLines(plan, linesOf(plan).map(moved), partsOf(plan).map(moved));
    const steps = listOf(plan).filter((s) => !(s.do === 'pour' && s.to === 'pot' && s.from === 'slurry'));
    const apart = withOwnSteps(
      laid,
      steps.filter((s) => !(s.do === 'mix' && s.in === 'slurry')),
    );
    const poured = withOwnSteps(plan, [
      steps[0]!,
      steps[1]!,
      { do: 'pour', to: 'bowl', from: 'slurry', into: 'bowl', share: 1 },
      ...steps.slice(2),
    ]);
    expect(forecast(poured).serving.place).toBeCloseTo(forecast(apart).serving.place, 9);
    expect(codes(poured)).toEqual([]);
  });
  it('into itself, of nothing, or into what is in the pot is named', () => {
    const one = (from: string, to: string, at = 0) =>
      codes(insertStep(plan, 'together', at, { do: 'pour', to: 'bowl', from, into: to, share: 1 }).plan);
    expect(one('bowl', 'bowl')).toContain('steps.poursNothing');
    expect(one('late 9', 'bowl')).toContain('steps.poursNothing');
    const slurryIn = listOf(plan).findIndex((s) => s.do === 'pour' && s.to === 'pot' && s.from === 'slurry');
    expect(one('bowl', 'slurry', slurryIn + 1)).toContain('steps.bowlIsGone');
  });
});

describe('serve', () => {
  it('ends the list; what goes on it there is told at the table and not before', () => {
    const dusted = withLine(testPlan(), { ingredientId: 'cinnamon_ground', grams: 3, in: 'top' });
    expect(listOf(dusted).at(-1)!.do).toBe('serve');
    const early = told(dusted).flatMap((s) => s.puts.filter((p) => p.into === 'top'));
    expect(early).toHaveLength(1);
    const late = changeStep(dusted, 'serve', (s) => ({ ...s, from: 'top' }) as MethodStep);
    expect(told(late).flatMap((s) => s.puts.filter((p) => p.into === 'top'))).toEqual([]);
    expect(atTheTable(late).on.map((p) => [p.ingredient.id, p.grams])).toEqual([['cinnamon_ground', 3]]);
    expect(laterOf(late)).toEqual([]);
    expect(PlanSchema.parse(late)).toEqual(late);
    expect(ownSteps(late)!.length).toBeGreaterThan(3);
  });
  it('what loosens it at the table is told there', () => {
    const plan = testPlan();
    const loosened = { ...plan, serve: { ...plan.serve, loosen: { ingredientId: 'milk_whole', grams: 80 } } };
    expect(atTheTable(loosened).loosen).toMatchObject({ grams: 80 });
    expect(atTheTable(plan).loosen).toBeUndefined();
  });
});

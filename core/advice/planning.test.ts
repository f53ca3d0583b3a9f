import { laid, pantry, testPlan, wanting } from '../testing';
import { withLine } from '../plan/layout';
import * as fc from 'fast-check';
import { forecast, servingStress } from '../model/forecast';
import { choirSupper } from '../demo/choirSupper';
import { WHICH, whichIs } from '../pantry/whichOne';
import { anyPlan } from '../testingPlans';
import { withGrams } from '../plan/amounts';
import { massG } from '../matter/mixture';
import { allergensOf, inBowls, wholeMixture, pantryOf } from '../plan/bowls';
import { whatWouldHelp } from './help';
import { beginsSitting, changesBetween, KEPT, outlived, SITTING_MS, type PastPlan } from '../plan/history';
import { methodOf } from '../plan/family';
import { newPlan } from '../plan/newPlan';
import { FAMILIES, PlanSchema, type Plan } from '../plan/plan';
import { portionOf } from './portions';
import { breaksRule, ruleAgainst, RULES } from '../plan/rules';
import { solve, solveStarch } from './solve';
import { candidatesFor, costsOf, couldBeFreeOf, dishSwaps, makeFree, swapIngredient, TOOL_SWAPS } from './substitutes';
import { heldShare, holdBack, holdSweetness, tasteOf } from '../plan/sweetness';
import { english } from '../../words/english';

const solved = (p: Plan) => {
  const s = solveStarch(p);
  if (!s.ok) throw new Error(english(s.why));
  return s.plan;
};
const pudding = solved(wanting(testPlan(), 'mounds'));
const family = (f: Plan['family']) =>
  newPlan({
    id: 'p',
    name: f,
    milkId: 'milk_whole',
    people: 6,
    portionG: 130,
    serveAt: '2026-12-12T19:30:00Z',
    family: f,
  });
const sweetShare = (p: Plan) => wholeMixture(p).sweetG / massG(wholeMixture(p));

describe('occasion rules', () => {
  it('know what breaks them, by what is in it', () => {
    expect(breaksRule(pantry.get('yolk')!, 'no egg')).toBe(true);
    expect(breaksRule(pantry.get('vanilla')!, 'no alcohol')).toBe(true);
    expect(breaksRule(pantry.get('butter')!, 'no milk')).toBe(true);
    expect(breaksRule(pantry.get('semolina')!, 'no wheat')).toBe(true);
    expect(breaksRule(pantry.get('peanuts_chopped')!, 'no nuts')).toBe(true);
    expect(ruleAgainst(pantry.get('cornstarch')!, RULES)).toBeUndefined();
  });
  it('nothing is held back to taste when nobody may taste', () => {
    const held = holdBack(pudding, 'sugar', 0.2);
    expect(heldShare(held, 'sugar')).toBeCloseTo(0.2, 2);
    expect(heldShare(holdBack({ ...pudding, rules: ['nobody tastes'] }, 'sugar', 0.2), 'sugar')).toBe(0);
  });
  it('stand-ins that a rule forbids are not offered', () => {
    const free = candidatesFor({ ...pudding, rules: ['no nuts', 'no coconut'] }, 'milk_whole', 30);
    expect(free.length).toBeGreaterThan(3);
    for (const c of free) expect(pantry.get(c.toId)!.allergens).not.toEqual(expect.arrayContaining(['tree nuts']));
    expect(free.some((c) => c.toId.startsWith('coconut'))).toBe(false);
  });
});

describe('what is held back to taste', () => {
  it('comes out of the total, changes nothing of the physics, and follows its amount', () => {
    const held = holdBack(pudding, 'sugar', 0.25);
    const sum = (p: Plan) =>
      Object.values(inBowls(p))
        .flat()
        .filter((x) => x.ingredient.id === 'sugar')
        .reduce((s, x) => s + x.grams, 0);
    expect(sum(held)).toBeCloseTo(sum(pudding), 6);
    const [a, b] = [forecast(held).serving, forecast(pudding).serving];
    expect(a.word).toBe(b.word);
    expect(a.yieldPa).toBeCloseTo(b.yieldPa, 9);
    expect(a.place).toBeCloseTo(b.place, 9);
    const more = withGrams(held, 'sugar', 2 * held.things.find((i) => i.ingredientId === 'sugar')!.grams);
    expect(heldShare(more, 'sugar')).toBeCloseTo(0.25, 2);
    const t = tasteOf(held, 780);
    expect(t.sweetPct - t.withoutHeldPct).toBeCloseTo((100 * t.heldG) / 780, 6);
  });
});

describe('sweetness', () => {
  it('is on what is left after cooking, and sour fruit hides it', () => {
    const t = tasteOf(pudding, 780);
    expect(t.sweetPct).toBeCloseTo((100 * wholeMixture(pudding).sweetG) / 780, 6);
    const sour = tasteOf(withLine(pudding, { ingredientId: 'lemon_juice', grams: 30, in: 'off the heat' }), 810);
    expect(sour.feltPct).toBeLessThan(t.feltPct - 0.3);
    expect(english(sour.says)).toMatch(/fruity|sharp/);
    // lemon juice is near 6 % acid
    const pure = tasteOf({ ...pudding, ...laid([{ ingredientId: 'lemon_juice', grams: 100, in: 'pot' }]) }, 100);
    expect(pure.sourPct).toBeGreaterThan(5);
    expect(pure.sourPct).toBeLessThan(7);
  });
  it('held, stays within a hundredth when milk or sugar is changed', () => {
    for (const [from, to] of [
      ['milk_whole', 'oat_drink'],
      ['milk_whole', 'coconut_milk'],
      ['sugar', 'honey'],
      ['sugar', 'erythritol'],
    ] as const) {
      const s = swapIngredient(pudding, from, { toId: to, factor: 1, note: undefined });
      if (!s.ok) throw new Error(english(s.why));
      expect(sweetShare(s.plan) / sweetShare(pudding)).toBeCloseTo(1, 1.7);
    }
    fc.assert(
      fc.property(fc.double({ min: 100, max: 3000, noNaN: true }), (g) => {
        const next = withGrams(pudding, 'milk_whole', g);
        expect(sweetShare(holdSweetness(pudding, next)) / sweetShare(pudding)).toBeCloseTo(1, 1);
      }),
    );
  });
});

describe('I have none', () => {
  it('any ingredient of the pantry has something in its place, at equal set where amounts can bring it', () => {
    for (const id of ['milk_whole', 'cornstarch', 'sugar', 'vanilla', 'salt']) {
      const c = candidatesFor(pudding, id);
      if (id !== 'salt') expect(c.length).toBeGreaterThan(0);
      for (const one of c.slice(0, 3)) {
        const s = swapIngredient(pudding, id, one);
        if (!s.ok) continue;
        expect(s.plan.things.some((i) => i.ingredientId === id)).toBe(false);
        if (s.held) expect(servingStress(s.plan).stress / servingStress(pudding).stress).toBeCloseTo(1, 0.9);
      }
    }
  });
  it('a thin nut milk softens it as it is, and the compensation brings the word back', () => {
    const s = swapIngredient(pudding, 'milk_whole', { toId: 'almond_drink', factor: 1, note: undefined });
    if (!s.ok) throw new Error(english(s.why));
    expect(servingStress(s.asIs).stress).toBeLessThan(0.9 * servingStress(pudding).stress);
    expect(forecast(s.plan).serving.word).toBe(forecast(pudding).serving.word);
    const starch = (p: Plan) => p.things.find((i) => i.ingredientId === 'cornstarch')!.grams;
    expect(starch(s.plan)).toBeGreaterThan(starch(pudding));
    expect(costsOf(pudding, s.plan).some((d) => d.what === 'cream' || d.what.startsWith('hot'))).toBe(true);
  });
  it.each(TOOL_SWAPS.map((t) => [t.id, t] as const))('no %s: what stands in is a plan that cooks', (_, tool) => {
    const plans = FAMILIES.map(family).concat(
      { ...pudding, starchMeasure: 'scale' },
      { ...pudding, choices: { heat: 'double boiler' } },
    );
    const fits = plans.filter((p) => tool.fits(p));
    expect(fits.length).toBeGreaterThan(0);
    for (const p of fits) {
      const q = PlanSchema.parse((tool.atWorst ?? ((x: Plan) => tool.apply(x)))(tool.apply(p)));
      expect(methodOf(q).length).toBeGreaterThan(2);
      expect(Number.isFinite(forecast(q).serving.yieldPa)).toBe(true);
    }
  });
  it('no whisk costs lumps, no thermometer costs curds, no oven is thickened in the pan', () => {
    const tool = (id: string) => TOOL_SWAPS.find((t) => t.id === id)!;
    const rain = { ...family('porridge'), choices: { grain: 'into boiling milk' as const } };
    expect(forecast(tool('whisk').apply(rain)).risks.lumps.chance).toBeGreaterThan(forecast(rain).risks.lumps.chance);
    const custard = family('stirred custard');
    expect(forecast(tool('thermometer').atWorst!(custard)).risks.curdle.chance).toBeGreaterThan(
      forecast(custard).risks.curdle.chance,
    );
    expect(methodOf(tool('oven').apply(family('baked slab'))).some((s) => s.do === 'bake')).toBe(false);
  });
  it('other dishes come as many as it takes, and say what they cost', () => {
    const swaps = dishSwaps({ ...pudding, serve: { ...pudding.serve, style: 'turned out' } }, 780, []);
    expect(swaps.length).toBeGreaterThan(3);
    for (const s of swaps) expect((s.dish.count * s.dish.capacityMl * 1.04) / 780).toBeGreaterThan(1);
    expect(english(swaps.find((s) => s.dish.wall === 'glass')!.note!)).toMatch(/turned out|glass/);
  });
});

describe('made free of', () => {
  const plan = (f: Plan['family']) => solvedOr(family(f));
  const of = (f: 'coconut pudding' | 'soy pudding') =>
    solvedOr(wanting(testPlan({}, f === 'soy pudding' ? 'soy_drink' : 'coconut_milk'), 'mounds'));
  const solvedOr = (p: Plan) => {
    const s = solveStarch(p);
    return s.ok ? s.plan : p;
  };
  it.each([
    ['egg', 'stirred custard'],
    ['egg', 'egg-enriched pudding'],
    ['egg', 'baked custard'],
    ['milk', 'starch-set milk pudding'],
    ['milk', 'whole-rice pudding'],
    ['wheat', 'porridge'],
    ['wheat', 'baked slab'],
    ['alcohol', 'starch-set milk pudding'],
    ['coconut', 'coconut pudding'],
    ['soy', 'soy pudding'],
  ] as const)('%s: a %s', (what, f) => {
    const p = f === 'coconut pudding' || f === 'soy pudding' ? of(f) : plan(f);
    expect(couldBeFreeOf(p)).toContain(what);
    const s = makeFree(p, what);
    if (!s.ok) throw new Error(english(s.why));
    expect(couldBeFreeOf(s.plan)).not.toContain(what);
    expect(PlanSchema.safeParse(s.plan).success).toBe(true);
    if (what === 'milk') expect(allergensOf(s.plan)).not.toContain('milk');
    if (s.held) expect(servingStress(s.plan).place).toBeCloseTo(servingStress(p).place, 0.6);
    expect(sweetShare(s.plan) / sweetShare(p)).toBeCloseTo(1, 0.9);
  });
  it('keeps the other rules: milk-free where nuts, soy and coconut are out is oat', () => {
    const s = makeFree({ ...pudding, rules: ['no nuts', 'no soy', 'no coconut'] }, 'milk');
    expect(s.ok && s.plan.things.some((i) => i.ingredientId === 'oat_drink')).toBe(true);
  });
  it('any plan at all can be asked, and comes out free or says why not', () => {
    fc.assert(
      fc.property(anyPlan, fc.constantFrom('egg' as const, 'milk' as const, 'wheat' as const), (p, what) => {
        const s = makeFree(p, what);
        return s.ok ? !couldBeFreeOf(s.plan).includes(what) : english(s.why).length > 10;
      }),
      { numRuns: 12 },
    );
  }, 60_000);
});

describe('what would help', () => {
  it('is empty for a wish that can be had', () => {
    expect(whatWouldHelp(pudding, { word: 'wobbles' })).toEqual([]);
  });
  it.each([
    [
      'served hot',
      { ...pudding, serve: { ...pudding.serve, tempC: 70, word: 'firm' as const } },
      { free: [{ ingredientId: 'cornstarch', maxG: 60 }] },
    ],
    [
      'too little allowed',
      { ...pudding, serve: { ...pudding.serve, word: 'firm' as const } },
      { free: [{ ingredientId: 'cornstarch', maxG: 30 }] },
    ],
    [
      'starch not boiled and little of it',
      {
        ...pudding,
        choices: { end: 'coats the spoon' as const },
        serve: { ...pudding.serve, word: 'slices' as const },
      },
      { free: [{ ingredientId: 'cornstarch', maxG: 45 }] },
    ],
    [
      'egg that sets by itself',
      {
        ...withLine(family('baked custard'), { ingredientId: 'cornstarch', grams: 5, in: 'slurry' }),
        serve: { ...family('baked custard').serve, word: 'pours' as const },
      },
      { free: [{ ingredientId: 'cornstarch', minG: 4 }] },
    ],
  ])(
    '%s: each way told makes it possible',
    (_, plan, ask) => {
      expect(solve(plan, ask).ok).toBe(false);
      const ways = whatWouldHelp(plan, ask);
      expect(ways.length).toBeGreaterThan(0);
      for (const w of ways) {
        expect(PlanSchema.safeParse(w.plan).success).toBe(true);
        expect(forecast(w.plan).serving.word).toBe(w.plan.serve.word);
      }
    },
    30_000,
  );
  it('without milk there is one thing to do', () => {
    const dry = { ...pudding, things: pudding.things.filter((i) => i.ingredientId !== 'milk_whole') };
    expect(english(whatWouldHelp(dry, {})[0]!.says)).toMatch(/Add milk/);
  });
});

describe('a portion', () => {
  it('has the energy of its parts, and costs what the packs cost', () => {
    const p: Plan = {
      ...pudding,
      people: 4,
      ...laid([
        { ingredientId: 'milk_whole', grams: 1000, in: 'pot' },
        { ingredientId: 'sugar', grams: 100, in: 'pot' },
      ]),
    };
    const packs = [{ id: 'a', ingredientId: 'milk_whole', name: 'carton', grams: 1000, price: 2 }];
    const portion = portionOf(p, packs);
    // whole milk 62 kcal, sugar 400 kcal in 100 g
    expect(portion.energyKcal).toBeCloseTo((622 + 400) / 4, -1);
    expect(portion.energyKJ / portion.energyKcal).toBeCloseTo(4.184, 6);
    expect(portion.cost).toBeCloseTo(0.5, 6);
    expect(portion.unpriced).toEqual(['sugar']);
    expect(portionOf(p, []).cost).toBeUndefined();
  });
});

describe('the history of a plan', () => {
  const at = (min: number, id = `h${min}`): PastPlan => ({
    id,
    planId: 'p',
    at: new Date(min * 60_000).toISOString(),
    plan: pudding,
  });
  it('keeps the state before the first change of a sitting, and no more than are kept', () => {
    expect(beginsSitting([], 'p', 0)).toBe(true);
    expect(beginsSitting([at(0)], 'p', SITTING_MS - 1)).toBe(false);
    expect(beginsSitting([at(0)], 'p', SITTING_MS + 1)).toBe(true);
    expect(beginsSitting([at(0)], 'other', 1)).toBe(true);
    const many = Array.from({ length: KEPT + 3 }, (_, i) => at(i));
    expect(outlived(many, 'p').map((p) => p.id)).toEqual(['h2', 'h1', 'h0']);
  });
  it('says what changed in words, and nothing where nothing did', () => {
    expect(changesBetween(pudding, pudding)).toEqual([]);
    const next = {
      ...withGrams(pudding, 'cornstarch', 60),
      serve: { ...pudding.serve, word: 'slices' as const },
      rules: ['no egg' as const],
    };
    const lines = changesBetween(pudding, next).map(english);
    expect(lines.some((l) => /^cornstarch: .* to 60 g$/.test(l))).toBe(true);
    expect(lines).toContain('wanted: mounds to slices');
    expect(lines).toContain('rules: none to no egg');
    expect(changesBetween(pudding, { ...pudding, people: pudding.people + 2 }).map(english)).toEqual([
      `people: ${pudding.people} to ${pudding.people + 2}`,
    ]);
  });
});

describe('which one is it', () => {
  it('asks about bare names only, and every answer is in the pantry', () => {
    for (const w of WHICH)
      for (const o of w.options)
        expect([w.id, o.ingredientId, pantry.has(o.ingredientId)]).toEqual([w.id, o.ingredientId, true]);
    expect(whichIs('rice')?.id).toBe('rice');
    expect(whichIs('Cornflour')?.id).toBe('cornflour');
    expect(whichIs('short-grain rice')).toBeUndefined();
    expect(whichIs('coconut drink')).toBeUndefined();
  });
});

it('the demo’s plans are plans of this version and keep their own rules', () => {
  const demo = choirSupper(Date.parse('2026-12-11T12:00:00Z'), 0);
  for (const p of demo.plans) {
    expect(PlanSchema.safeParse(p).success).toBe(true);
    const y = pantryOf(p);
    for (const i of p.things) expect(ruleAgainst(y.get(i.ingredientId)!, p.rules)).toBeUndefined();
  }
});

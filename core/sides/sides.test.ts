import { massG, mixtureOf } from '../matter/mixture';
import { forecast } from '../model/forecast';
import { productOf, runMethod } from '../model/run';
import { PlanSchema, type Plan, SecondPot } from '../plan/plan';
import { allAllergens, portionOf } from '../advice/portions';
import { dishAreaM2 } from '../pantry/kitchen';
import { wholeMixture } from '../plan/bowls';
import { potPartsOf, withPotParts, withPreparations } from '../plan/layout';
import { boiled, compotePot, fire, glazePot, layerPot, POT, secondPot, syrupPot } from '../plan/potStarts';
import type { Preparation } from '../plan/preparation';
import { goesNow, goingTo, POT_GOES } from '../plan/potGoes';
import { pouredInto } from '../plan/secondPot';
import { methodOf } from '../plan/family';
import { stepTroubles } from '../plan/methodList';
import { familyPlan, pantry, testPlan } from '../testing';
import { FRUITS, FRUIT_ROWS, leavesHardBits, sugarFor } from '../pantry/fruit';
import { BESIDE_STARTS, besideOf, SIDE, startBeside } from './sides';
import { prepOf } from '../prep/prep';
import { stepsOf } from '../cook/steps';
import { english } from '../../words/english';

const plan = testPlan();
const withPot = (pot: SecondPot, p: Plan = plan): Plan => ({ ...p, vessels: [pot] });
const pot = (v: SecondPot, p: Plan = plan) => besideOf(withPot(v, p))[0]!;
const prepared = (what: Preparation) => besideOf(withPreparations(plan, [{ id: 's', ...what }]))[0]!;
const figure = (a: ReturnType<typeof pot>, name: string) =>
  Number(a.figures.find((f) => english(f.name) === name)!.value.x);

describe('beside the pot', () => {
  it.each(BESIDE_STARTS)('%s begins sensibly, and is kept with the plan', (kind) => {
    const start = startBeside(kind, 's', plan);
    const a = besideOf(start)[0]!;
    expect(PlanSchema.parse(start)).toEqual(start);
    expect(a.minutes).toBeGreaterThan(1);
    expect(a.minutes).toBeLessThan(120);
    // what the cook names herself begins empty
    if (kind === 'sauce' || kind === 'boiled') return;
    expect(a.uses.length).toBeGreaterThan(0);
    expect(a.uses.every((u) => u.grams > 0 && pantry.has(u.ingredientId))).toBe(true);
    expect(a.does.length).toBeGreaterThanOrEqual(2);
  });
  it('a syrup boils off water only, and a thicker one boils hotter', () => {
    const at = (to: 'thin' | 'thick', acid = true) => pot(syrupPot('s', { sugarId: 'sugar', sugarG: 200, to, acid }));
    expect(at('thin', false).makesG).toBeCloseTo(200 / POT.thin, -1);
    expect(figure(at('thick'), 'boils at')).toBeGreaterThan(figure(at('thin'), 'boils at') + 5);
    // sucrose at 75 % boils at 107 to 108 degC by the tables
    expect(figure(at('thick'), 'boils at')).toBeGreaterThan(105);
    expect(figure(at('thick'), 'boils at')).toBeLessThan(110);
    const water = at('thick', false).uses.find((u) => u.ingredientId === 'water')!.grams;
    expect(figure(at('thick', false), 'boil off')).toBeCloseTo(200 + water - at('thick', false).makesG, 1);
    expect(figure(at('thick', false), 'crystals')).toBeGreaterThan(figure(at('thick', true), 'crystals'));
    expect(at('thick').caution!.code).toBe('sides.hotSyrupSticksAndBurns');
  });
  it('a compote is sweetened by sourness: rhubarb takes most, a pear hardly any', () => {
    const needs = FRUITS.map((f) => ({ f, sugar: sugarFor(FRUIT_ROWS[f]) })).sort((a, b) => b.sugar - a.sugar);
    expect(needs[0]!.f).toBe('rhubarb');
    expect(sugarFor(FRUIT_ROWS.pear)).toBe(0);
    const c = pot(compotePot('s', 'mango', 1000));
    expect(c.uses[0]).toMatchObject({ grams: 660 });
    expect(c.uses[0]!.boughtG!).toBeCloseTo(1000, 6);
  });
  it('fruit is made ready as it needs it: rhubarb has no stones, and only what has some is counted out', () => {
    const of = (fruit: (typeof FRUITS)[number]) => {
      const p = withPot(compotePot('s', fruit, 500));
      const peel = prepOf(p).find((i) => i.id === 'peel-s')!;
      return [english(besideOf(p)[0]!.does[0]!), english(peel.title), peel.caution ? english(peel.caution) : ''].join(
        ' / ',
      );
    };
    expect(of('rhubarb')).toMatch(/^Trim, and pull off the strings: 500 g .* \/ Trim and string 500 g rhubarb \/ $/);
    for (const fruit of FRUITS) expect(/stone|pips/i.test(of(fruit))).toBe(leavesHardBits(FRUIT_ROWS[fruit]));
  });
  it('a purée counts the edible yield, and what stays in the sieve', () => {
    expect(prepared({ kind: 'purée', fruit: 'raspberry', boughtG: 500 }).makesG).toBeCloseTo(500 * 0.98 * 0.78, 6);
  });
  it('fried coconut gives its oil: fat and water and solids add up to the cream', () => {
    const f = prepared({ kind: 'fried coconut', creamId: 'coconut_cream', grams: 400 });
    expect(f.makesG + figure(f, 'oil') + figure(f, 'boil off')).toBeCloseTo(400, 6);
    expect(figure(f, 'oil')).toBeCloseTo(400 * 0.29 * (1 - SIDE.oilHeld), 6);
  });
  it('an infusion takes longer in cooler milk, and ground spice is quicker', () => {
    const at = (tempC: number, form: 'whole' | 'ground') =>
      prepared({ kind: 'infusion', spiceId: 'cinnamon', grams: 5, form, tempC }).minutes;
    expect(at(60, 'whole')).toBeGreaterThan(at(90, 'whole'));
    expect(at(90, 'ground')).toBeLessThan(at(90, 'whole'));
  });
  it('a second layer stands as deep as wanted once it has cooked down', () => {
    const tray = { ...plan, dish: { ...plan.dish, kind: 'tray' as const, count: 1, capacityMl: 1600, heightMm: 40 } };
    const v = layerPot('s', tray.dish, { liquidId: 'coconut_milk', depthMm: 8, cookedTo: 0.75, sweetPct: 6 });
    const on = withPotParts(withPot(v, tray), [{ vesselId: 's', share: 1, in: 'top' }]);
    const l = besideOf(on)[0]!;
    expect(figure(l, 'depth when cooked')).toBeCloseTo(8, 0);
    const goesIn = v.things.reduce((sum, t) => sum + t.grams, 0);
    expect(goesIn / POT.densityGPerMl).toBeCloseTo((dishAreaM2(tray.dish) * 8 * 1000) / 0.75, -1);
    expect(l.minutes).toBeGreaterThan(2);
  });
  it('count in allergens, energy and what is paid', () => {
    const nutty = withPreparations(plan, [
      { id: 's', kind: 'toasting', whatId: 'almonds_chopped', grams: 60, to: 'golden' },
    ]);
    expect(allAllergens(plan)).not.toContain('tree nuts');
    expect(allAllergens(nutty)).toContain('tree nuts');
    const more = portionOf(nutty, []).energyKcal - portionOf(plan, []).energyKcal;
    expect(more).toBeCloseTo((60 * 5.65) / plan.people, -1);
    const sauce = secondPot('s', 'sauce', [{ ingredientId: 'almond_drink', grams: 200, in: 'pot' }]);
    expect(allAllergens(withPot(sauce))).toContain('tree nuts');
  });
  it('a glaze that is too stiff to spread when it is hand-warm says what thins it; one that runs says nothing', () => {
    const thinned = (times: number) => {
      const usual = glazePot('g', plan.dish, { liquidId: 'milk_whole', depthMm: 3, sweetPct: 15 });
      const more = usual.things.map((x) => (x.ingredientId === 'cornstarch' ? { ...x, grams: x.grams * times } : x));
      const on = withPotParts(withPot({ ...usual, things: more }), [{ vesselId: 'g', share: 1, in: 'top' }]);
      return besideOf(on)[0]!.does.find((d) => d.code === 'sides.thinItToSpread');
    };
    expect(Number(thinned(2)!['grams'])).toBeGreaterThan(3);
    expect(thinned(0.5)).toBeUndefined();
  });
});

/** A sauce of coconut cream, cooked apart. */
const sauce = secondPot('sauce', 'coconut sauce', [
  { ingredientId: 'coconut_cream', grams: 300, in: 'pot' },
  { ingredientId: 'sugar', grams: 60, in: 'pot' },
  { ingredientId: 'rice_flour', grams: 8, in: 'pot' },
]);

describe('a second pot', () => {
  it('is cooked by the laws of the pot: it loses water alone, and is as thick as the same in the pot', () => {
    const { content, cooked, viscosityPaS } = productOf(withPot(sauce), sauce);
    expect(massG(content)).toBeLessThan(368);
    expect(massG(content)).toBeGreaterThan(290);
    expect(content.sugarG).toBeCloseTo(mixtureOf(pantry.get('sugar')!, 60).sugarG, 6);
    expect(cooked!.fractions[0]!.gelatinised).toBeGreaterThan(0.9);
    expect(viscosityPaS).toBeGreaterThan(0.05);
  });
  it('brings what it holds into the pot: mass, sugar, and starch as far as it was cooked', () => {
    const apart = withPotParts(withPot(sauce), [{ vesselId: 'sauce', share: 0.5, in: 'off the heat' }]);
    const without = runMethod(plan);
    const run = runMethod(apart);
    const half = massG(productOf(apart, sauce).content) / 2;
    expect(massG(run.pot.content) - massG(without.pot.content)).toBeCloseTo(half, -1);
    expect(run.pot.content.sugarG - without.pot.content.sugarG).toBeCloseTo(
      mixtureOf(pantry.get('sugar')!, 30).sugarG,
      6,
    );
    const rice = run.pot.fractions.find((f) => f.kind === 'rice flour')!;
    expect(rice.starchG).toBeGreaterThan(2);
    // raw in the off-the-heat bowl it would hardly swell any more
    expect(rice.gelatinised).toBeGreaterThan(0.9);
    expect(massG(wholeMixture(apart)) - massG(wholeMixture(plan))).toBeCloseTo(184, 6);
  });
  it('goes into the pot from the start, and alone makes the pot flow', () => {
    const mash = secondPot(
      'mash',
      'boiled pumpkin',
      [
        { ingredientId: 'puree_mango', grams: 400, in: 'pot' },
        { ingredientId: 'water', grams: 100, in: 'pot' },
      ],
      boiled(5),
    );
    const from = withPotParts(withPot(mash), [{ vesselId: 'mash', share: 1, in: 'pot' }]);
    const more = runMethod(from).pot.content.waterG - runMethod(plan).pot.content.waterG;
    expect(more).toBeGreaterThan(300);
    const alone = withPotParts({ ...withPot(mash), things: [], acts: [] }, [{ vesselId: 'mash', share: 1, in: 'pot' }]);
    expect(massG(runMethod({ ...alone, acts: [...alone.acts, { do: 'pour', to: 'dish' }] }).pot.content)).toBeCloseTo(
      massG(productOf(alone, mash).content),
      6,
    );
  });
  it('what never flows is melted or browned, not cooked: its mass is what went in', () => {
    const caramel = secondPot(
      'c',
      'caramel',
      [{ ingredientId: 'sugar', grams: 100, in: 'pot' }],
      [fire({ role: 'heat', until: { reach: 'time', minutes: 7 } })],
    );
    const a = pot(caramel);
    expect([a.makesG, a.minutes]).toEqual([100, 7]);
    expect(a.caution).toBeDefined();
  });
  it('divided is divided: no bowl has more than is left, and what is put nowhere stays for the table', () => {
    const p = pouredInto(pouredInto(withPot(sauce), 'sauce', 'late', 0.7), 'sauce', 'top', 0.6);
    expect(potPartsOf(p).map((x) => [x.in, x.share])).toEqual([
      ['late', 0.7],
      ['top', 0.3],
    ]);
    const half = pouredInto(withPot(sauce), 'sauce', 'top', 0.5);
    const told = stepsOf(half, forecast(half));
    const kept = told.flatMap((s) => s.keeps ?? []);
    expect(kept.map((k) => [k.ingredient.name, k.ofPot!.share])).toEqual([['coconut sauce', 0.5]]);
    const on = told.flatMap((s) => s.puts.filter((u) => u.into === 'top').flatMap((u) => u.portions));
    expect(on.map((k) => [k.ingredient.name, k.ofPot!.share])).toEqual([['coconut sauce', 0.5]]);
  });
  it.each(POT_GOES)('goes "%s" by one choice, and nothing of the list is left over', (goes) => {
    const slab = withPot(sauce, familyPlan('baked slab'));
    const there = goingTo(slab, 'sauce', goes, 0.5);
    expect(PlanSchema.parse(there)).toEqual(there);
    expect(stepTroubles(there)).toEqual([]);
    expect(goesNow(there, 'sauce').goes).toBe(goes);
    const back = goingTo(there, 'sauce', 'table', 1);
    expect(potPartsOf(back)).toEqual([]);
    expect(methodOf(back).map((s) => s.do)).toEqual(methodOf(slab).map((s) => s.do));
  });
  it('poured over before the oven it lies on top: deeper by what it brings', () => {
    const slab = withPot(sauce, familyPlan('baked slab'));
    const over = goingTo(slab, 'sauce', 'over, then baked', 1);
    const brings = (massG(productOf(slab, sauce).content) / 1.04 / dishAreaM2(slab.dish) / slab.dish.count) * 1e-3;
    // what lies on top dries first, so the slab keeps more of its own
    const deeper = forecast(over).depthMm - forecast(slab).depthMm;
    expect(deeper).toBeGreaterThan(brings - 1);
    expect(deeper).toBeLessThan(brings + 5);
  });
});

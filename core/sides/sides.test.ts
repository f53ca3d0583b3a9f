import { PlanSchema, type Plan } from '../plan/plan';
import { allAllergens, portionOf } from '../advice/portions';
import { dishAreaM2 } from '../pantry/kitchen';
import { pantry, testPlan } from '../testing';
import { FRUIT_ROWS, leavesHardBits, sugarFor } from './fruit';
import { FRUITS, SIDE_KINDS, type SidePot } from '../plan/sidePot';
import { SIDE, sideOf, startSide } from './sides';
import { prepOf } from '../prep/prep';
import { english } from '../../words/english';

const plan = testPlan();
const side = (s: SidePot, p: Plan = plan) => sideOf(s, p);
const figure = (a: ReturnType<typeof side>, name: string) =>
  Number(a.figures.find((f) => english(f.name) === name)!.value.x);

describe('side pots', () => {
  it.each(SIDE_KINDS)(
    '%s begins sensibly: it is weighed, takes minutes, says what to do, and is kept with the plan',
    (kind) => {
      const start = startSide(kind, 's', plan);
      const a = side(start);
      expect(a.uses.length).toBeGreaterThan(0);
      expect(a.uses.every((u) => u.grams > 0 && pantry.has(u.ingredientId))).toBe(true);
      expect(a.minutes).toBeGreaterThan(1);
      expect(a.minutes).toBeLessThan(120);
      expect(a.does.length).toBeGreaterThanOrEqual(2);
      expect(PlanSchema.parse({ ...plan, sides: [start] }).sides).toEqual([start]);
    },
  );
  it('a syrup boils off water only, and a thicker one boils hotter', () => {
    const at = (to: 'thin' | 'thick', acid = true) =>
      side({ id: 's', kind: 'syrup', sugarId: 'sugar', sugarG: 200, to, acid });
    expect(at('thin').makesG).toBeCloseTo(200 / SIDE.thin, 6);
    expect(figure(at('thick'), 'boils at')).toBeGreaterThan(figure(at('thin'), 'boils at') + 5);
    // sucrose at 75 % boils at 107 to 108 degC by the tables
    expect(figure(at('thick'), 'boils at')).toBeGreaterThan(105);
    expect(figure(at('thick'), 'boils at')).toBeLessThan(110);
    const water = at('thick').uses.find((u) => u.ingredientId === 'water')!.grams;
    expect(figure(at('thick'), 'boil off')).toBeCloseTo(200 + water - at('thick').makesG, 6);
    expect(figure(at('thick', false), 'crystals')).toBeGreaterThan(figure(at('thick', true), 'crystals'));
  });
  it('a compote is sweetened by sourness: rhubarb takes most, a pear hardly any', () => {
    const needs = FRUITS.map((f) => ({ f, sugar: sugarFor(FRUIT_ROWS[f]) })).sort((a, b) => b.sugar - a.sugar);
    expect(needs[0]!.f).toBe('rhubarb');
    expect(sugarFor(FRUIT_ROWS.pear)).toBe(0);
    const c = side({ id: 's', kind: 'compote', fruit: 'mango', boughtG: 1000 });
    expect(c.uses[0]).toMatchObject({ grams: 660, boughtG: 1000 });
  });
  it('fruit is made ready as it needs it: rhubarb has no stones, and only what has some is counted out', () => {
    const of = (fruit: (typeof FRUITS)[number]) => {
      const compote: SidePot = { id: 's', kind: 'compote', fruit, boughtG: 500 };
      const peel = prepOf({ ...plan, sides: [compote] }).find((i) => i.id === 'peel-s')!;
      return [english(side(compote).does[0]!), english(peel.title), peel.caution ? english(peel.caution) : ''].join(
        ' / ',
      );
    };
    expect(of('rhubarb')).toMatch(/^Trim, and pull off the strings: 500 g .* \/ Trim and string 500 g rhubarb \/ $/);
    for (const fruit of FRUITS) expect(/stone|pips/i.test(of(fruit))).toBe(leavesHardBits(FRUIT_ROWS[fruit]));
  });
  it('a purée counts the edible yield, and what stays in the sieve', () => {
    const p = side({ id: 's', kind: 'purée', fruit: 'raspberry', boughtG: 500 });
    expect(p.makesG).toBeCloseTo(500 * 0.98 * 0.78, 6);
  });
  it('fried coconut gives its oil: fat and water and solids add up to the cream', () => {
    const f = side({ id: 's', kind: 'fried coconut', creamId: 'coconut_cream', grams: 400 });
    expect(f.makesG + figure(f, 'oil') + figure(f, 'boil off')).toBeCloseTo(400, 6);
    expect(figure(f, 'oil')).toBeCloseTo(400 * 0.29 * (1 - SIDE.oilHeld), 6);
  });
  it('an infusion takes longer in cooler milk, and ground spice is quicker', () => {
    const at = (tempC: number, form: 'whole' | 'ground') =>
      side({ id: 's', kind: 'infusion', spiceId: 'cinnamon', grams: 5, form, tempC }).minutes;
    expect(at(60, 'whole')).toBeGreaterThan(at(90, 'whole'));
    expect(at(90, 'ground')).toBeLessThan(at(90, 'whole'));
  });
  it('a second layer stands as deep as wanted once it has cooked down', () => {
    const tray = { ...plan, dish: { ...plan.dish, kind: 'tray' as const, count: 1, capacityMl: 1600, heightMm: 40 } };
    const l = side(
      { id: 's', kind: 'second layer', liquidId: 'coconut_milk', depthMm: 8, cookedTo: 0.75, sweetPct: 6 },
      tray,
    );
    expect(figure(l, 'depth when cooked')).toBeCloseTo(8, 0);
    expect(figure(l, 'goes in')).toBeCloseTo((dishAreaM2(tray.dish) * 8 * 1000) / 0.75, 0);
    expect(l.minutes).toBeGreaterThan(2);
  });
  it('count in allergens, energy and what is paid', () => {
    const nutty: Plan = {
      ...plan,
      sides: [{ id: 's', kind: 'toasting', whatId: 'almonds_chopped', grams: 60, to: 'golden' }],
    };
    expect(allAllergens(plan)).not.toContain('tree nuts');
    expect(allAllergens(nutty)).toContain('tree nuts');
    const more = portionOf(nutty, []).energyKcal - portionOf(plan, []).energyKcal;
    expect(more).toBeCloseTo((60 * 5.65) / plan.people, -1);
  });
});

describe('a glaze', () => {
  const thinned = (liquidId: string) =>
    sideOf({ id: 'g', kind: 'glaze', liquidId, depthMm: 3, sweetPct: 15 }, testPlan()).does.find(
      (d) => d.code === 'sides.thinItToSpread',
    );
  it('of milk is too stiff to spread when it is hand-warm, and says what thins it; one of fruit runs by itself', () => {
    expect(Number(thinned('milk_whole')!['grams'])).toBeGreaterThan(3);
    expect(thinned('puree_mango')).toBeUndefined();
  });
});

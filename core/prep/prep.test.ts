import { type Bowl } from '../plan/method';
import { linesOf, partsOf, withLines, type Line } from '../plan/layout';
import * as fc from 'fast-check';
import { choirSupper } from '../demo/choirSupper';
import { inBowls } from '../plan/bowls';
import { FAMILIES, type Plan } from '../plan/plan';
import { nutMilk } from '../pantry/nutMilk';
import { startBeside } from '../sides/sides';
import { MACHINES } from '../settings';
import { familyPlan, pantry, testPlan } from '../testing';
import { anyPlan } from '../testingPlans';
import { countedIn, eggsFor, feelOf, PREP, prepOf, sideWeighings } from './prep';
import { EMPTY_SCALE, pouringOf, SCALE, stepScale, tareScale } from './scale';
import { fridgeCm2 } from './vessels';
import { asWeighed, weighingOf, PrepSchema, emptyPrep } from './weigh';
import { english } from '../../words/english';

const with_ = (lines: readonly Line[], change: Partial<Plan> = {}): Plan => {
  const base = testPlan(change);
  return withLines(base, [...linesOf(base), ...lines]);
};
const item = (ingredientId: string, grams: number, bowl: Bowl): Line => ({ ingredientId, grams, in: bowl });
const ids = (p: Plan, machines: Parameters<typeof prepOf>[1] = []) => prepOf(p, machines).map((i) => i.id);
const find = (p: Plan, id: string, machines: Parameters<typeof prepOf>[1] = []) => {
  const found = prepOf(p, machines).find((i) => i.id === id);
  if (!found) throw new Error(`no ${id} in ${ids(p, machines).join(', ')}`);
  const { title, how, feel, caution, ...rest } = found;
  return {
    ...rest,
    title: english(title),
    how: english(how),
    feel: feel && english(feel),
    caution: caution && english(caution),
  };
};

describe('the checklist', () => {
  it.each(FAMILIES)('%s: long steps first, each once, with hands and words', (family) => {
    const p = familyPlan(family);
    const list = prepOf(p, MACHINES);
    expect(new Set(list.map((i) => i.id)).size).toBe(list.length);
    expect(list.every((i) => english(i.title).length > 3 && english(i.how).length > 10 && i.handsMin >= 0)).toBe(true);
    const groups = list.map((i) => i.group);
    expect(groups.lastIndexOf('long steps first')).toBeLessThan(groups.indexOf('within reach'));
    expect(list.some((i) => i.id === 'within-reach')).toBe(true);
  });
  it('asks for a second bowl where a custard must leave the heat, and not because milk is warmed', () => {
    const reach = (f: Plan['family']) => find(familyPlan(f), 'within-reach').how;
    expect(reach('stirred custard')).toContain('cold bowl in the sink');
    expect(reach('starch-set milk pudding')).not.toContain('cold bowl in the sink');
  });
  it('rice: rinsed; soaked when the method soaks it, with its timer and how it feels', () => {
    const p = with_([item('rice_short', 120, 'grain')], { family: 'whole-rice pudding' });
    expect(find(p, 'rinse-rice_short').waitMin).toBeUndefined();
    const soaked = find({ ...p, choices: { soak: 'soaked' } }, 'rinse-rice_short');
    expect(soaked.waitMin).toBe(PREP.soakMin + PREP.dryMin);
    expect(soaked.feel).toMatch(/grain breaks/);
    expect(soaked.title).toContain('120 g');
  });
  it('grain ground at home has a target size and a feel that follows it', () => {
    const own = { ...pantry.get('rice_ground')!, id: 'my_rice', name: 'rice of my own grinding', grainMm: 0.6 };
    const p = { ...with_([item('my_rice', 80, 'grain')]), own: [own] };
    expect(find(p, 'grind-my_rice').title).toContain('0.6 mm');
    expect(find(p, 'grind-my_rice', ['blender']).how).toContain('blender');
    expect(feelOf(1)).not.toBe(feelOf(0.5));
    expect(feelOf(0.5)).not.toBe(feelOf(0.1));
    // shop flour is not ground again
    expect(ids(with_([item('rice_ground', 80, 'grain')])).some((i) => i.startsWith('grind'))).toBe(false);
  });
  it('eggs: how many, whites left and what they are good for, a bowl to whisk in, and the caution', () => {
    const p = with_([item('yolk', 68, 'bowl')], { family: 'stirred custard' });
    const sep = find(p, 'separate');
    expect(sep.title).toBe('Separate 4 eggs');
    expect(sep.how).toMatch(/136 g white are left: freeze/);
    expect(sep.caution).toMatch(/pasteurised/);
    expect(find(p, 'egg-bowl').title).toMatch(/A bowl of (9\d\d ml|1(\.\d)? l) or more/);
    const whole = find(with_([item('egg', 51, 'bowl')]), 'break-eggs');
    expect(whole.title).toBe('Break 1 egg');
    expect(eggsFor(17, 'yolkG')).toBe(1);
    expect(find(with_([item('white', 68, 'fold in')]), 'whip-whites').before).toBe('pour');
  });
  it('whole spices are counted in, so that the same number comes out', () => {
    const p = with_([item('cinnamon', 8, 'pot'), item('bay_leaf', 0.6, 'pot'), item('nutmeg', 1, 'pot')]);
    expect(find(p, 'count-in').title).toBe('Counted in: 2 sticks (cinnamon stick), 2 leaves (bay leaf)');
    expect(find(p, 'count-in').caution).toMatch(/choking/);
    expect(countedIn([{ ingredient: pantry.get('salt')!, grams: 3 }])).toEqual([]);
    const infused = startBeside('infusion', 'i', testPlan());
    expect(find(infused, 'infuse-i').waitMin).toBeGreaterThan(1);
    expect(find(infused, 'count-in').title).toMatch(/stick/);
  });
  it('carve-outs come out of the total and say what the jug keeps', () => {
    const p = testPlan();
    const carve = partsOf(p)[0]!;
    const total = p.things.find((i) => i.ingredientId === carve.ingredientId)!.grams;
    const kept = find(p, `keep-${carve.ingredientId}-slurry`);
    expect(kept.title).toContain(`${Math.round(carve.grams)} g`);
    expect(kept.how).toContain(
      `of the ${Math.round(total)} g, not on top of it: ${Math.round(total - carve.grams)} g go in the pot`,
    );
    const slurryG = inBowls(p).slurry.reduce((s, x) => s + x.grams, 0);
    const jug = Number(/About ([\d.]+) g stays/.exec(find(p, 'slurry-jug').how)![1]);
    expect(jug).toBeCloseTo(slurryG * PREP.jugShare, 0);
  });
  it('dish and oven: paper for what is cut, a rinse for what is turned out, heat for what is baked, water for the bath', () => {
    const cut = testPlan({ serve: { ...testPlan().serve, style: 'cut' } });
    expect(find(cut, 'line').lining).toBe(true);
    const out = testPlan({ serve: { ...testPlan().serve, style: 'turned out' } });
    expect(find(out, 'mould').title).toMatch(/Rinse/);
    expect(find({ ...out, choices: { mould: 'greased' } }, 'mould').title).toMatch(/Grease/);
    const baked = familyPlan('baked custard');
    expect(find(baked, 'preheat')).toMatchObject({ tempC: 160, waitMin: PREP.preheatMin, before: 'bake' });
    expect(ids({ ...baked, choices: { ...baked.choices, oven: 'cold start' } })).toContain('oven-cold');
    const bath = find(testPlan({ choices: { heat: 'double boiler' } }), 'double-boiler');
    // 700 g in a 20 cm pan: 22 mm
    expect(bath.title).toMatch(/^2[0-9] mm of water/);
    expect(bath.caution).toMatch(/[Ss]team/);
    expect(
      find(testPlan({ pan: { ...testPlan().pan, diameterMm: 120, heightMm: 60 } }), 'within-reach').caution,
    ).toMatch(/too small/);
  });
  it('machines say their part only where the cook has them', () => {
    const p = with_([item('rice_short', 150, 'grain'), item('water', 400, 'pot')], { family: 'whole-rice pudding' });
    expect(ids(p)).not.toContain('rice-cooker');
    // 150 g at .83 g/ml in a cup of 180 ml: 1 cup; 400 g water: 2.2
    expect(find(p, 'rice-cooker', ['rice cooker']).how).toMatch(/180 ml.*: 1 of rice, 2\.2 of water/);
    expect(find(p, 'microwave', ['microwave']).caution).toMatch(/boils up late/);
  });
  it('home nut milk: soaked, then blended to the grams of the plan', () => {
    const { massG: _m, fatPct: _f, ...own } = nutMilk('hazelnut', 250, 1000);
    const p: Plan = { ...testPlan({}, own.id === 'x' ? '' : 'milk_whole'), own: [own] };
    const q = {
      ...p,
      things: p.things.map((i) => (i.ingredientId === 'milk_whole' ? { ...i, ingredientId: own.id } : i)),
    };
    const grams = q.things.find((i) => i.ingredientId === own.id)!.grams;
    expect(find(q, `milk-${own.id}`).title).toContain(`${Math.round(grams)} g`);
    expect(find(q, `soak-${own.id}`).waitMin).toBe(PREP.nutSoakMin);
  });
  it('any plan has a list, and none says NaN', () => {
    fc.assert(
      fc.property(anyPlan, fc.subarray([...MACHINES]), (p, machines) => {
        const text = JSON.stringify(prepOf(p, machines));
        expect(text).not.toMatch(/NaN|undefined|Infinity|null/);
      }),
      { numRuns: 60, seed: 3 },
    );
  });
  it('shelf: the foot of all dishes with air around', () => {
    expect(fridgeCm2({ kind: 'tray', count: 1, capacityMl: 1600, heightMm: 40, wall: 'metal' })).toBe(500);
    expect(fridgeCm2({ kind: 'tray', count: 2, capacityMl: 1600, heightMm: 40, wall: 'metal' })).toBe(1000);
  });
});

describe('weighing out', () => {
  it('every gram of the plan once, container by container', () => {
    for (const p of choirSupper(Date.parse('2026-12-11T12:00:00Z')).plans) {
      const list = weighingOf(p);
      expect(list.reduce((s, w) => s + w.grams, 0)).toBeCloseTo(
        p.things.reduce((s, i) => s + i.grams, 0),
        6,
      );
      expect(new Set(list.map((w) => w.key)).size).toBe(list.length);
      const into = list.map((w) => w.into);
      expect(new Set(into).size).toBe(into.filter((c, i) => c !== into[i - 1]).length);
    }
  });
  it('what was really weighed is the plan: totals and kept-back parts', () => {
    const p = testPlan();
    const carve = partsOf(p)[0]!;
    const list = weighingOf(p);
    expect(
      asWeighed(
        p,
        list.map((w) => ({ item: w.key, grams: w.grams })),
      ),
    ).toEqual(p);
    const more = asWeighed(p, [
      { item: `${carve.ingredientId}@slurry`, grams: carve.grams + 20 },
      { item: 'cornstarch@slurry', grams: 40 },
    ]);
    const of = (q: Plan, id: string) => q.things.find((i) => i.ingredientId === id)!.grams;
    expect(of(more, carve.ingredientId)).toBeCloseTo(of(p, carve.ingredientId) + 20, 6);
    expect(partsOf(more)[0]!.grams).toBeCloseTo(carve.grams + 20, 6);
    expect(of(more, 'cornstarch')).toBe(40);
    // what is staged afterwards is what was weighed
    const again = weighingOf(more);
    expect(again.find((w) => w.key === 'cornstarch@slurry')!.grams).toBe(40);
    expect(asWeighed(p, [{ item: 'nothing@pot', grams: 5 }])).toEqual(p);
    expect(PrepSchema.parse(emptyPrep('p'))).toEqual({ id: 'p', ticks: [], weighed: [] });
  });
  it('side pots are weighed into their own pan', () => {
    const p = startBeside('compote', 'c', testPlan());
    expect(sideWeighings(p).every((w) => english(w.into) === 'the compote pan' && w.side)).toBe(true);
  });
});

describe('the stand-in scale', () => {
  const run = (seconds: number, flow: number, from = EMPTY_SCALE, random = () => 0.5) => {
    let state = from;
    let reading = { grams: 0, stable: true };
    for (let t = 0; t < seconds * 10; t++) ({ state, reading } = stepScale(state, 0.1, flow, random));
    return { state, reading };
  };
  it('lags behind the pouring and comes to rest on what lies there', () => {
    const pouring = run(2, SCALE.pours.milk);
    expect(pouring.reading.grams).toBeLessThan(120);
    expect(pouring.reading.stable).toBe(false);
    const rest = run(3, 0, pouring.state);
    expect(rest.reading).toEqual({ grams: 120, stable: true });
  });
  it('tares to nothing, trembles by a gram at most, and never shows less than an empty pan', () => {
    const full = run(3, 0, run(2, 50).state).state;
    expect(stepScale(tareScale(full), 0.1, 0, () => 0.5).reading.grams).toBe(0);
    const shown = [0, 0.25, 0.5, 0.75, 1].map((r) => stepScale(full, 0.1, 0, () => r).reading.grams);
    expect(Math.max(...shown) - Math.min(...shown)).toBeLessThanOrEqual(1);
    expect(run(1, -50).state.trueG).toBe(0);
  });
  it('a pinch is poured slower than a powder, a powder slower than milk', () => {
    expect(pouringOf('flavour', 3)).toBe('pinch');
    expect(pouringOf('thickener', 60)).toBe('powder');
    expect(pouringOf('milk', 600)).toBe('milk');
    expect(SCALE.pours.pinch < SCALE.pours.powder && SCALE.pours.powder < SCALE.pours.milk).toBe(true);
  });
});

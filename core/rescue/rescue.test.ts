import * as fc from 'fast-check';
import { FAULTS, type Fault } from '../cook/events';
import { onTheHob } from '../cook/live';
import { changesOf, stepsOf } from '../cook/steps';
import { forecast } from '../model/forecast';
import { FAMILIES, type Plan } from '../plan/plan';
import { solveStarch } from '../advice/solve';
import { DISHES } from '../pantry/kitchen';
import { potSetup, runMethod } from '../model/run';
import { familyPlan, pantry, testPlan, wanting } from '../testing';
import { cookOn, evening, eventAt, note, presentOf, type Evening } from '../testingEvening';
import { secondPot } from '../plan/potStarts';
import { SET_WORDS, stripMiddle } from '../texture/words';
import { planByHand } from './byHand';
import {
  besideSituation,
  finished,
  FIX,
  headingOf,
  looser,
  mendings,
  situationOf,
  thicker,
  type Situation,
} from './fix';
import { english } from '../../words/english';
import { rescueOf } from './rescue';

const scaled = (plan: Plan, id: string, factor: number): Plan => ({
  ...plan,
  things: plan.things.map((i) => (i.ingredientId === id ? { ...i, grams: i.grams * factor } : i)),
});
/** Solved to its word. */
const plan = solveStarch(testPlan()).plan;
const done = (plan: Plan, cold = false): Situation => {
  const setup = potSetup(plan);
  return finished(plan, setup, runMethod(plan).pot, cold ? 5 : undefined);
};
const live = (e: Evening): Situation =>
  situationOf(e.cook, e.steps, e.nowMs, onTheHob(e.cook, e.steps, e.nowMs, e.truth));

describe('a pot beside the pot', () => {
  const sauce = secondPot('s', 'coconut sauce', [
    { ingredientId: 'coconut_milk', grams: 250, in: 'pot' },
    { ingredientId: 'cornstarch', grams: 5, in: 'slurry' },
  ]);
  const beside = { ...testPlan(), vessels: [sauce] };
  it('is mended by itself, of its own amounts, a word further than it comes out', () => {
    const thin = besideSituation(beside, sauce, 'too thin');
    const r = rescueOf('too thin', thin);
    const g = r.added!.portions[0]!.grams;
    expect(g).toBeGreaterThan(0.4);
    // grams for a quarter of a litre, not for the pudding
    expect(g).toBeLessThan(8);
    expect(r.after!.place).toBeGreaterThan(r.before!.place);
    const asItComes = besideSituation(beside, sauce, 'lumps');
    expect(SET_WORDS.indexOf(thin.plan.serve.word)).toBe(SET_WORDS.indexOf(asItComes.plan.serve.word) + 1);
  });
  it.each(FAULTS)('has a way out of %s', (fault) => {
    expect(english(rescueOf(fault, besideSituation(beside, sauce, fault)).then).length).toBeGreaterThan(3);
  });
});

describe('a dish that stands cold', () => {
  it.each(FAULTS)('is never told about a ring first: %s', (fault) => {
    const [first] = rescueOf(fault, done(plan, true)).steps;
    expect(first ? english(first.what) : 'nothing').not.toMatch(
      /^(pot )?off the (ring|heat)|ring off|^back on|setting/i,
    );
  });
  it('is told about it first in the pot: the check can fail', () => {
    expect(english(rescueOf('lumps', done(plan)).steps[0]!.what)).toMatch(/^Off the ring/);
  });
});

describe('mendings at the hob', () => {
  const thin = scaled(plan, 'cornstarch', 0.7);
  const stiff = scaled(plan, 'cornstarch', 1.35);
  it('a pot that is heading for its word is left alone', () => {
    expect(mendings(done(plan)).fixes).toEqual([]);
  });
  it.each([
    ['while it warms', 'warm'],
    ['while it bubbles', 'cook on'],
    ['off the heat', 'off the heat'],
  ])('too thin %s: the starch it says, done as it says, makes the word', (_n, at) => {
    const e = cookOn(evening(thin), { stop: (x) => presentOf(x)?.id === at });
    const { before, fixes } = mendings(live(e));
    const fix = fixes.find((f) => f.how === 'slurry')!;
    expect(before.place).toBeLessThan(stripMiddle('mounds') - 0.3);
    expect(fix.reaches).toBe(true);
    expect(fix.liquidG / fix.grams).toBeCloseTo(FIX.slurryParts, 0);
    // really done: the events, the fire, the dish
    const present = presentOf(e)!;
    const mended = cookOn(
      note(
        e,
        eventAt('added', e.nowMs, fix.added),
        ...(fix.added.heat?.length ? [eventAt('stepDone', e.nowMs, { step: present.id })] : []),
      ),
    );
    const on = onTheHob(mended.cook, mended.steps, mended.nowMs, mended.truth);
    const came = headingOf(thin, on.setup, on.pot, 0.2);
    expect(came.word).toBe('mounds');
    expect(Math.abs(came.place - fix.after.place)).toBeLessThan(0.35);
    expect(fix.after.low).toBeLessThan(fix.after.place);
    expect(fix.after.high).toBeGreaterThan(fix.after.place);
  });
  it('late starch brings its own fire; early starch bubbles with the rest', () => {
    const at = (step: string) => {
      const e = cookOn(evening(thin), { stop: (x) => presentOf(x)?.id === step });
      return thicker(live(e)).find((f) => f.how === 'slurry')!.added.heat ?? [];
    };
    expect(at('warm')).toEqual([]);
    expect(at('off the heat').map((h) => h.role)).toEqual(['thicken', 'cook on']);
  });
  it('cooking down needs no starch, and costs minutes', () => {
    const down = thicker(done(thin)).find((f) => f.how === 'cook down')!;
    expect(down.grams).toBe(0);
    expect(down.minutes).toBeGreaterThan(2);
    expect(down.after.massG).toBeLessThan(down.before.massG - 20);
    expect(down.after.place).toBeGreaterThan(down.before.place);
  });
  it('too stiff: the milk it says makes the word', () => {
    const s = done(stiff);
    const fix = looser(s);
    expect(fix.before.place).toBeGreaterThan(stripMiddle('mounds') + 0.3);
    expect(fix.grams).toBeGreaterThan(20);
    expect(Math.abs(fix.after.place - stripMiddle('mounds'))).toBeLessThan(0.15);
    expect(mendings(s).fixes[0]!.how).toBe('loosen');
  });
  it('more missing, more starch', () => {
    const grams = (x: number) => thicker(done(scaled(plan, 'cornstarch', x))).find((f) => f.how === 'slurry')!.grams;
    expect(grams(0.6)).toBeGreaterThan(grams(0.75));
  });
  it('a custard of yolk alone is never told to bubble', () => {
    const custard = wanting(familyPlan('stirred custard'), 'coats');
    const fixes = thicker(done(custard));
    expect(fixes.length).toBeGreaterThan(0);
    for (const f of fixes) expect(f.added.heat?.some((h) => h.until.reach === 'bubble') ?? false).toBe(false);
  });
});

describe('rescue', () => {
  const faults = FAULTS as readonly Fault[];
  it.each(faults)('%s: what is going on, what to do, what it will be, or what else', (fault) => {
    for (const family of FAMILIES)
      for (const cold of [false, true]) {
        const r = rescueOf(fault, done(familyPlan(family), cold), { standingH: 2 });
        const at = `${fault}, ${family}, ${cold ? 'cold' : 'hot'}`;
        expect([
          at,
          english(r.going).length > 20,
          r.steps.length > 0,
          english(r.then).length > 3,
          english(r.orElse).length > 10,
        ]).toEqual([at, true, true, true, true]);
        const text = JSON.stringify(r);
        expect([at, /NaN|undefined|Infinity|null/.exec(text)?.[0]]).toEqual([at, undefined]);
        expect(Number.isFinite(r.minutes)).toBe(true);
        if (r.saved === 'no') expect(r.again).toBeDefined();
        for (const s of r.steps)
          for (const p of s.portions ?? []) {
            expect(p.grams).toBeGreaterThan(0);
            expect(p.grams).toBeLessThan(3000);
          }
      }
  });
  it('lumps: what they keep is missing, and is put back when it is felt', () => {
    const lumpy = done(plan);
    const r = rescueOf('lumps', { ...lumpy, pot: { ...lumpy.pot, lumps: 1 } });
    expect(r.before!.place).toBeLessThan(headingOf(lumpy.plan, lumpy.setup, lumpy.pot, 0.2).place);
    expect(r.after!.place).toBeGreaterThanOrEqual(r.before!.place);
  });
  it('scrambled egg is not saved, grainy egg in part', () => {
    const s = done(familyPlan('stirred custard'));
    const curdled = (eggCurd: number) => rescueOf('curdled', { ...s, pot: { ...s.pot, eggCurd } });
    expect(curdled(1)).toMatchObject({ saved: 'no' });
    expect(english(curdled(1).again!)).toMatch(/Start again/);
    expect(curdled(0.2)).toMatchObject({ saved: 'part' });
  });
  it('raw taste wants minutes, more for a pot that hardly bubbled', () => {
    const half = familyPlan('ground-rice cream');
    const e = cookOn(evening(half), { stop: (x) => presentOf(x)?.id === 'simmer' });
    const r = rescueOf('raw taste', live(e));
    expect(r.minutes).toBeGreaterThan(1);
    expect(r.added!.heat![0]!.until).toEqual({ reach: 'time', minutes: r.minutes });
  });
  it('hard grains want as long as the model says, and milk for what they drink', () => {
    const e = cookOn(evening(familyPlan('whole-rice pudding')), {
      stop: (x) => presentOf(x)?.id === 'simmer',
    });
    const r = rescueOf('grains hard', live(e));
    expect(r.minutes).toBeGreaterThan(8);
    expect(r.minutes).toBeLessThan(60);
  });
  it('too sweet: milk and starch together, so that it sets as before', () => {
    const s = done(plan);
    const little = rescueOf('too sweet', s);
    const much = rescueOf('too sweet', s, { much: true });
    const milk = (r: typeof little) => r.added!.portions[1]!.grams;
    expect(milk(much)).toBeGreaterThan(2 * milk(little));
    expect(Math.abs(little.after!.place - little.before!.place)).toBeLessThan(0.3);
  });
  it('milk that went over before the starch was in is put back', () => {
    const e = cookOn(evening(plan), { stop: (x) => presentOf(x)?.id === 'thicken' });
    const r = rescueOf('boiled over', live(e), { lostG: 150, thickened: false });
    expect(r.added!.portions).toEqual([{ ingredientId: 'milk_whole', grams: 150 }]);
    expect(rescueOf('boiled over', done(plan), { lostG: 150 }).added).toBeUndefined();
  });
  it('not set in time: the freezer and a shallower dish are quicker than the fridge', () => {
    const r = rescueOf('not set in time', done(plan, false), { standingH: 0.5 });
    expect(r.saved).toBe('all');
    expect(r.minutes).toBeGreaterThan(1);
    expect(english(r.orElse)).toMatch(/fridge/);
  });
  it('what slumps by the model is served in its dish', () => {
    const soft = wanting(scaled(plan, 'cornstarch', 0.6), 'wobbles', 'turned out');
    expect(english(rescueOf('will not unmould', done(soft, true)).then)).toMatch(/in its dish/);
    const { name: _n, ...mould } = DISHES[0]!;
    const firm = wanting(
      { ...scaled(plan, 'cornstarch', 2.2), dish: { ...mould, count: 10 } },
      'wobbles',
      'turned out',
    );
    expect(rescueOf('will not unmould', done(firm, true)).saved).toBe('all');
  });
  it('a thinner mould thaws sooner', () => {
    const frozen = familyPlan('frozen cream');
    const thinner = { ...frozen, dish: { ...frozen.dish, count: frozen.dish.count * 3 } };
    const minutes = (p: Plan) => rescueOf('frozen too hard', done(p, true)).minutes;
    expect(minutes(thinner)).toBeLessThan(minutes(frozen));
  });
  it('a pudding told by hand is a plan, and its rescue has amounts', () => {
    const plan = planByHand(
      {
        milkId: 'milk_whole',
        milkG: 700,
        thickenerId: 'cornstarch',
        thickenerG: 16,
        sugarG: 60,
        yolks: 0,
        hot: true,
        word: 'mounds',
      },
      pantry,
      '2026-12-12T19:30:00Z',
    );
    expect(forecast(plan).serving.place).toBeLessThan(stripMiddle('mounds'));
    const r = rescueOf('too thin', done(plan));
    expect(r.added!.portions[0]!.grams).toBeGreaterThan(2);
  });
  it('holds for whatever a cook tells', () => {
    fc.assert(
      fc.property(
        fc.record({
          milkG: fc.integer({ min: 50, max: 3000 }),
          thickenerG: fc.integer({ min: 0, max: 200 }),
          sugarG: fc.integer({ min: 0, max: 500 }),
          yolks: fc.integer({ min: 0, max: 8 }),
          fault: fc.constantFrom(...faults),
          thickenerId: fc.constantFrom('cornstarch', 'rice_ground', 'cornmeal_fine', 'semolina'),
          hot: fc.boolean(),
        }),
        ({ fault, hot, ...h }) => {
          const plan = planByHand({ ...h, milkId: 'milk_whole', hot, word: 'mounds' }, pantry, '2026-12-12T19:30:00Z');
          const r = rescueOf(fault, done(plan, !hot));
          expect(JSON.stringify(r)).not.toMatch(/NaN|Infinity/);
        },
      ),
      { numRuns: 40, seed: 7 },
    );
  });
});

it('changes of a cook without any are none', () => {
  expect(changesOf({ events: [] })).toEqual({ after: [], longerMin: {} });
  expect(stepsOf(testPlan(), { phases: [] }).some((s) => s.fix)).toBe(false);
});

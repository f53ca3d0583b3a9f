import { randomLcg, randomLogNormal } from 'd3-random';
import { forecast } from '../model/forecast';
import { familyPlan, testPlan, wanting } from '../testing';
import { solveStarch } from '../advice/solve';
import { FAMILIES, PlanSchema } from '../plan/plan';
import { GEL } from '../set/firmness';
import { touched } from '../set/touch';
import { boundsFor, SET_WORDS, STRIP, stripPlace, wordAt, yieldAtPlace, type SetWord } from '../texture/words';
import { BatchSchema, FLAWS, promiseOf, type Batch, type Found } from './batch';
import { firmnessOf, NOTHING_LEARNT } from './known';
import { learnKitchen, LEARNS, saidLn } from './learned';
import { MENDS, mendOf, seenOf } from './mends';
import { nextTime } from './nextTime';
import { rowOfBatch } from './row';

const solved = solveStarch(wanting(testPlan({ starchMeasure: 'scale' }), 'mounds')).plan;
const promise = promiseOf(forecast(solved), solved);
const batch = (found: Partial<Found>, id = 'b'): Batch =>
  BatchSchema.parse({
    id,
    at: '2026-11-20T15:00:00Z',
    plan: solved,
    events: [],
    promise,
    found: { flaws: [], note: '', ...found },
  });
const said = (word: SetWord) => batch({ wordServing: word });
const row = (word: SetWord) => rowOfBatch(said(word));
const starch = (p: typeof solved) => p.things.find((i) => i.ingredientId === 'cornstarch')!.grams;

const kind = row('mounds');
const learn = (...words: SetWord[]) => learnKitchen(words.map(row));

describe('what batches teach', () => {
  it('nothing without a word', () => {
    expect(saidLn(rowOfBatch(batch({})))).toBeUndefined();
    expect(firmnessOf(learnKitchen([rowOfBatch(batch({}))]), kind)).toMatchObject({ factor: 1, batches: 0 });
    expect(learnKitchen([])).toMatchObject({ other: { factor: 1 }, batches: 0 });
  });
  it('softer than promised lowers the factor, firmer raises it, a hit leaves it near 1', () => {
    expect(firmnessOf(learn('coats'), kind).factor).toBeLessThan(0.9);
    expect(firmnessOf(learn('wobbles'), kind).factor).toBeGreaterThan(1.1);
    expect(Math.abs(firmnessOf(learn('mounds'), kind).factor - 1)).toBeLessThan(0.05);
  });
  it('more batches of one kind move it further and narrow it', () => {
    const one = firmnessOf(learn('coats'), kind);
    const three = firmnessOf(learn('coats', 'coats', 'coats'), kind);
    expect(three.factor).toBeLessThan(one.factor);
    expect(three.sdLn).toBeLessThan(one.sdLn);
  });
  it('another kind learns a part of it, and is less sure', () => {
    const learnt = learn('coats', 'coats', 'coats');
    const rice = firmnessOf(learnt, { family: 'whole-rice pudding', thickeners: ['rice_short'] });
    expect(rice.factor).toBeLessThan(0.97);
    expect(rice.factor).toBeGreaterThan(firmnessOf(learnt, kind).factor);
    expect(rice.sdLn).toBeGreaterThan(firmnessOf(learnt, kind).sdLn);
  });
  it('another milk of the same kind learns most of it, and what its own batches say goes before', () => {
    const learnt = learn('coats', 'coats', 'coats');
    const almond = { ...kind, milkId: 'almond_drink' };
    expect(firmnessOf(learnt, almond).factor).toBeGreaterThan(firmnessOf(learnt, kind).factor);
    expect(firmnessOf(learnt, almond).factor).toBeLessThan(firmnessOf(learnt, { ...kind, family: 'porridge' }).factor);
    const firmer = { ...row('wobbles'), milkId: 'almond_drink' };
    const own = learnKitchen([row('coats'), row('coats'), row('mounds'), firmer]);
    expect(firmnessOf(own, almond).factor).toBeGreaterThan(1);
  });
  it('spoons that heap are told from a soft starch where both were cooked', () => {
    const heaped = (word: SetWord) => ({ ...row(word), starchMeasure: 'heaped spoons' as const });
    const learnt = learnKitchen([
      row('mounds'),
      row('mounds'),
      row('mounds'),
      heaped('wobbles'),
      heaped('wobbles'),
      heaped('wobbles'),
    ]);
    expect(learnt.spoons['heaped spoons']!.factor).toBeGreaterThan(1.05);
    // most of what was firmer is laid on the spoon
    const spoonLn = GEL.power * Math.log(learnt.spoons['heaped spoons']!.factor);
    expect(spoonLn).toBeGreaterThan(2 * Math.log(firmnessOf(learnt, kind).factor));
  });
  it('how far a block slumped says more than a word', () => {
    const bounds = boundsFor('spooned', promise.depthMm / 1000);
    const outline = {
      ...row('coats'),
      found: { ...row('coats').found, stressPa: yieldAtPlace(promise.servingPlace, bounds) * 0.7 },
    };
    const read = firmnessOf(learnKitchen([outline, outline, outline]), kind);
    expect(Math.abs(Math.log(read.factor / 0.7))).toBeLessThan(0.12);
    expect(read.sdLn).toBeLessThan(firmnessOf(learn('coats', 'coats', 'coats'), kind).sdLn);
  });
  it('a ring that bubbles sooner than promised is stronger, apart from the firmness', () => {
    const sooner = { ...row('mounds'), ring: { key: 'gas 1800', soonerLn: 0.25, believedLn: 0 } };
    const learnt = learnKitchen([sooner, sooner, sooner]);
    expect(learnt.rings['gas 1800']!.factor).toBeGreaterThan(1.15);
    expect(learnt.rings['gas 1800']!.factor).toBeLessThan(1.3);
    expect(Math.abs(firmnessOf(learnt, kind).factor - 1)).toBeLessThan(0.06);
  });
  it('what a measurement cannot be is not learnt: a hurried run, a ring of 450 %, a fridge that is a freezer', () => {
    const sooner = (soonerLn: number) => ({ ...row('mounds'), ring: { key: 'gas 1800', soonerLn, believedLn: 0 } });
    expect(learnKitchen([sooner(Math.log(4.5))]).rings).toEqual({});
    expect(learnKitchen([sooner(-1)]).rings).toEqual({});
    const sane = learnKitchen([sooner(0.25)]).rings['gas 1800']!;
    expect(learnKitchen([sooner(0.25), sooner(3)]).rings['gas 1800']).toEqual(sane);
    const cools = (fasterLn: number) => ({ ...row('mounds'), cools: { fasterLn, believedLn: 0 } });
    expect(learnKitchen([cools(1)]).fridge).toBeUndefined();
    expect(learnKitchen([cools(0.2)]).fridge).toBeDefined();
  });
});

/** As the model says; or off by so much, which nobody knows: up to three times the spread that is believed. */
const TRUE_LN = [-0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75];
const BATCHES = 5;
const KITCHENS = 6;

/** How far a place lies outside the word that it should be, in steps of the strip. */
const wrongBy = (place: number, word: SetWord) => {
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  return Math.max(0, STRIP[word] - place, place - (next ? STRIP[next] : 5));
};

describe('kitchens that are made up', () => {
  it.each(FAMILIES)(
    '%s: after five batches the predicted word is wrong by half of what it was at most; a kitchen as reckoned learns nothing false',
    (family) => {
      const solvedPlan = solveStarch(familyPlan(family)).plan;
      // ice hides the set of what is eaten frozen: its cream is tasted thawed
      const plan = {
        ...solvedPlan,
        starchMeasure: 'scale' as const,
        serve: { ...solvedPlan.serve, tempC: Math.max(4, solvedPlan.serve.tempC) },
      };
      const promised = promiseOf(forecast(plan), plan);
      const bounds = boundsFor(plan.serve.style, promised.depthMm / 1000);
      const stress = yieldAtPlace(promised.servingPlace, bounds);
      const place = (factor: number) => stripPlace(stress * factor, 0, bounds);
      const base = rowOfBatch({ ...said('mounds'), plan, promise: promised });
      const random = randomLogNormal.source(randomLcg(0.7))(0, LEARNS.wordLn / 2);
      let before = 0;
      let after = 0;
      for (const ln of TRUE_LN)
        for (let kitchen = 0; kitchen < KITCHENS; kitchen++) {
          const rows = Array.from({ length: BATCHES }, () => ({
            ...base,
            found: { ...base.found, wordServing: wordAt(place(Math.exp(ln) * random())) },
          }));
          const { factor } = firmnessOf(learnKitchen(rows), base);
          const truth = wordAt(place(Math.exp(ln)));
          if (ln === 0) expect(wrongBy(place(factor), truth)).toBeLessThan(0.15);
          before += wrongBy(place(1), truth);
          after += wrongBy(place(factor), truth);
        }
      expect(before).toBeGreaterThan(0.5);
      expect(after / before).toBeLessThan(0.5);
    },
  );
});

describe('fridges that are made up', () => {
  /** at which hours a thermometer was in the dish */
  const READ_H = [1, 1.5, 2.5];
  it.each([
    ['cups', 90, 0.65],
    ['cups', 90, 1.5],
    ['one deep dish', 900, 0.65],
    ['one deep dish', 900, 1.5],
  ] as const)('%s: of %d ml at a pace of %f: three batches read off take half of the error away', (_, ml, pace) => {
    const dish = { ...solved.dish, count: Math.ceil(1000 / ml), capacityMl: 1.2 * ml };
    const at = (p?: number) => forecast({ ...solved, dish, rest: { ...solved.rest, roomMin: 20, pace: p } });
    const core = (f: ReturnType<typeof at>) => (hours: number) =>
      touched(f.set, boundsFor('spooned', 0.05), 0.05, { word: 'mounds', servedC: 8 }, 0.3, []).coreAt(hours);
    const really = core(at(pace));
    const believed = at();
    const { faster } = touched(
      believed.set,
      boundsFor('spooned', believed.depthMm / 1000),
      believed.depthMm / 1000,
      { word: 'mounds', servedC: 8 },
      believed.doubt.sdLn,
      READ_H.map((atH) => ({ atH, tempC: really(atH) })),
    );
    const one = rowOfBatch(batch({ wordServing: 'mounds', coolsRel: faster }));
    const { fridge } = learnKitchen([one, one, one]);
    const off = (f: ReturnType<typeof at>) => Math.max(...READ_H.map((h) => Math.abs(core(f)(h) - really(h))));
    expect(off(believed)).toBeGreaterThan(1);
    expect(off(at(fridge!.factor))).toBeLessThan(off(believed) / 2);
  });
});

describe('next time', () => {
  it.each(['starch-set milk pudding', 'stirred custard', 'whole-rice pudding', 'baked slab'] as const)(
    '%s: for each flaw that the model sees, one change after which it sees less of it',
    (family) => {
      const plan = familyPlan(family);
      for (const flaw of FLAWS) {
        const mended = mendOf(flaw, plan);
        if (!mended) continue;
        const { sees } = MENDS[flaw];
        expect([flaw, sees(seenOf(mended.plan)) < sees(seenOf(plan))]).toEqual([flaw, true]);
        expect(PlanSchema.safeParse(mended.plan).success).toBe(true);
        expect(mended.change.from).not.toBe(mended.change.to);
      }
    },
  );
  it.each([
    ['baked custard', 'mounds'],
    ['stirred custard', 'drinks'],
  ] as const)('%s, which has no starch, is set by its egg', (family, softer) => {
    const plan = familyPlan(family);
    const promised = promiseOf(forecast(plan), plan);
    const soft = { ...said(softer), plan, promise: promised };
    const learnt = learnKitchen([rowOfBatch(soft), rowOfBatch(soft)]);
    const n = nextTime(soft, learnt);
    expect(n.advice[0]).toMatchObject({ kind: 'amount', of: 'egg' });
    const { fromG, toG } = n.advice[0] as { fromG: number; toG: number };
    expect(toG).toBeGreaterThan(fromG);
  });
  it('what slumped because it came out softer is mended once, by what sets it', () => {
    const n = nextTime(batch({ wordServing: 'coats', flaws: ['slumped'] }), learn('coats'));
    expect(n.advice.map((a) => a.kind)).toEqual(['amount']);
    expect(n.unexplained).toEqual([]);
  });
  it('says which flaw nothing in the model explains', () => {
    expect(nextTime(batch({ wordServing: 'mounds', flaws: ['too pale'] }), NOTHING_LEARNT)).toMatchObject({
      unexplained: ['too pale'],
      advice: [],
      changes: [],
    });
  });

  it('asks for more starch after a soft batch, less after a firm one, and the new plan is forecast right', () => {
    const soft = nextTime(said('coats'), learn('coats'));
    expect(soft.advice[0]).toMatchObject({ kind: 'amount', of: 'starch' });
    expect(soft.changes.length).toBeGreaterThan(0);
    expect(starch(soft.plan)).toBeGreaterThan(starch(solved));
    expect(forecast(soft.plan).serving.word).toBe('mounds');
    const firm = nextTime(said('wobbles'), learn('wobbles'));
    expect(starch(firm.plan)).toBeLessThan(starch(solved));
  });
  it('changes one thing for each flaw that the method can mend', () => {
    const n = nextTime(
      batch({ wordServing: 'mounds', sweetness: 'too much', flaws: ['raw taste', 'caught', 'lumps'] }),
      NOTHING_LEARNT,
    );
    const changed = n.advice.map((a) => (a.kind === 'amount' ? a.of : a.what));
    expect(changed).toEqual(expect.arrayContaining(['cook on', 'stir', 'slurry', 'sugar']));
    expect(n.plan.method.cookOnMin).toBeGreaterThan(solved.method.cookOnMin);
    // each change brings down what the model sees of its flaw
    expect(forecast(n.plan).scorch).toBeLessThan(forecast(solved).scorch / 2);
    expect(n.unexplained).toEqual([]);
    const sugar = (p: typeof solved) => p.things.find((i) => i.ingredientId === 'sugar')!.grams;
    expect(sugar(n.plan) / sugar(solved)).toBeCloseTo(0.9, 1);
  });
  it('came out as promised: nothing is changed, whatever other batches say, and it is said', () => {
    const n = nextTime(said('mounds'), learn('mounds', 'coats', 'coats'));
    expect(n).toMatchObject({ asPromised: true, advice: [] });
    expect(n.plan).toEqual(solved);
  });
  it('a warm grain dish that was found as promised is not told to take more meal', () => {
    const plan = familyPlan('porridge');
    const kept = promiseOf(forecast(plan), plan);
    const found = BatchSchema.parse({
      ...batch({ wordServing: wordAt(kept.servingPlace) }),
      plan,
      promise: kept,
    });
    expect(nextTime(found, learnKitchen([rowOfBatch(found)]))).toMatchObject({ asPromised: true, advice: [], plan });
  });
});

import { forecast } from '../model/forecast';
import { familyPlan } from '../testing';
import { migratePlan } from './migrate';
import { PlanSchema } from './plan';
import { correctedAgain, takenAsItIs } from './asItIs';

describe('a recipe that is taken as it is', () => {
  // thin, lumpy, hardly cooked: and somebody's own
  const base = familyPlan('egg-enriched pudding');
  const plan = {
    ...base,
    things: base.things.map((i) => (i.ingredientId === 'rice_ground' ? { ...i, grams: 8 } : i)),
    method: { ...base.method, cookOnMin: 0 },
    hob: { ...base.hob, ratedW: 900 },
    serve: { ...base.serve, style: 'turned out' as const },
    choices: { ...base.choices, yolks: 'straight in' as const },
    dish: { kind: 'bowl' as const, count: 1, capacityMl: 2000, heightMm: 110, wall: 'ceramic' as const },
  };
  const before = forecast(plan);
  const taken = takenAsItIs(plan, before.serving.word);
  const after = forecast(taken);
  it('wants what comes out of it', () => {
    expect(before.serving.word).not.toBe(plan.serve.word);
    expect(taken.serve.word).toBe(after.serving.word);
    expect(PlanSchema.parse(taken)).toEqual(taken);
    expect(migratePlan(taken)).toEqual(taken);
  });
  it('is not nagged about; what can hurt is said', () => {
    const ids = (f: typeof before) => f.cautions.map((c) => c.id);
    expect(ids(before).length).toBeGreaterThan(ids(after).length);
    expect(ids(after)).toEqual(expect.arrayContaining(['cooling', 'hot']));
    expect(ids(after).filter((id) => id === 'egg' || id === 'egg-ok')).toHaveLength(1);
    for (const nag of ['lumps', 'raw', 'curdle', 'stand', 'dry', 'thin-milk']) expect(ids(after)).not.toContain(nag);
  });
  it('is corrected again when that is asked', () => {
    expect(correctedAgain(taken).asItIs).toBeUndefined();
    expect(forecast(correctedAgain(taken)).cautions.length).toBeGreaterThan(after.cautions.length);
  });
});

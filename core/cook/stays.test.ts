import { coolNow } from '../advice/coolInTime';
import { forecast } from '../model/forecast';
import { DISHES } from '../pantry/kitchen';
import { restedIn } from '../plan/methodList';
import { familyPlan, testPlan } from '../testing';
import type { CookEvent } from './events';
import { freshCook, noteEvent } from './fold';
import { asPoured, lastPlaceOf, staysOf, stoodUntil } from './stays';

const POURED = Date.UTC(2026, 11, 11, 12);
const HOURS = 7;
const at = (min: number) => new Date(POURED + min * 60_000).toISOString();
let n = 0;
const put = (min: number, where: 'ice bath' | 'fridge' | 'freezer' | 'room'): CookEvent => ({
  kind: 'standsIn',
  id: `e${n++}`,
  at: at(min),
  where,
});
const after = (...events: CookEvent[]) => {
  const state = freshCook();
  for (const e of [{ kind: 'poured', id: 'p', at: at(0) } as CookEvent, ...events]) noteEvent(state, e, []);
  return state;
};
const plan = testPlan();
const stays = (min: number, ...events: CookEvent[]) =>
  staysOf(plan, after(...events), POURED + min * 60_000, HOURS).map((s) => [s.where, Math.round(s.minutes)]);

describe('where a dish stands', () => {
  it('as the plan has it while nothing was noted: in the room, then the cold; the room lasts as long as it really does', () => {
    expect(stays(0)).toEqual([
      ['room', plan.rest.roomMin],
      ['fridge', HOURS * 60 - plan.rest.roomMin],
    ]);
    expect(stays(90)).toEqual([
      ['room', 90],
      ['fridge', HOURS * 60 - 90],
    ]);
  });
  it('as it was noted: bath, fridge, and back out', () => {
    expect(stays(12, put(10, 'ice bath'))).toEqual([
      ['room', 10],
      ['ice bath', 30],
      ['fridge', HOURS * 60 - 40],
    ]);
    expect(stays(60, put(10, 'ice bath'), put(35, 'fridge'))).toEqual([
      ['room', 10],
      ['ice bath', 25],
      ['fridge', HOURS * 60 - 35],
    ]);
    expect(stays(300, put(20, 'fridge'), put(290, 'room'))).toEqual([
      ['room', 20],
      ['fridge', 270],
      ['room', HOURS * 60 - 290],
    ]);
  });
  it('always adds up to the hours, and the model cools it by them', () => {
    const list = staysOf(plan, after(put(10, 'ice bath')), POURED + 15 * 60_000, HOURS);
    expect(list.reduce((sum, s) => sum + s.minutes, 0)).toBeCloseTo(HOURS * 60, 6);
    const bath = forecast(restedIn(plan, list, HOURS)).cool.below21H;
    const room = forecast(restedIn(plan, staysOf(plan, after(), POURED + 60 * 60_000, HOURS), HOURS)).cool.below21H;
    expect(bath).toBeLessThan(room);
  });
  it('what is past of it is cut at the minute', () => {
    const list = staysOf(plan, after(put(10, 'ice bath')), POURED + 15 * 60_000, HOURS);
    expect(stoodUntil(list, 25)).toEqual([
      { where: 'room', minutes: 10 },
      { where: 'ice bath', minutes: 15 },
    ]);
    expect(stoodUntil(list, 0)).toEqual([]);
  });
  it('a porridge is eaten warm and goes nowhere cold; a frozen cream goes into the freezer', () => {
    expect(lastPlaceOf(familyPlan('frozen cream'))).toBe('freezer');
    const warm = familyPlan('porridge');
    expect(staysOf(warm, after(), POURED, 0.25).reduce((sum, s) => sum + s.minutes, 0)).toBeCloseTo(15, 6);
  });
  it('is poured as it really was: fewer dishes are deeper, wet clay is clay', () => {
    const two = asPoured(plan, { pouredAs: { count: 2, covered: false } });
    expect(forecast(two).depthMm).toBeGreaterThan(forecast(plan).depthMm);
    expect(two.rest.covered).toBe(false);
    expect(asPoured(plan, { pouredAs: { wet: true } }).dish.wall).toBe(plan.dish.wall);
    expect(asPoured({ ...plan, dish: { ...plan.dish, wall: 'clay' } }, { pouredAs: { wet: true } }).dish.wall).toBe(
      'wet clay',
    );
  });
});

it('what helps a deep dish now: each way with the time it saves, the most first', () => {
  const { name: _name, ...bowl } = DISHES.find((d) => d.kind === 'bowl')!;
  const deep = {
    ...testPlan({ things: testPlan().things.map((i) => ({ ...i, grams: i.grams * 3 })) }),
    dish: { ...bowl, count: 2 },
  };
  const rested = restedIn(
    deep,
    [
      { where: 'room', minutes: 40 },
      { where: 'fridge', minutes: 680 },
    ],
    12,
  );
  const ways = coolNow(rested, [{ where: 'room', minutes: 10 }], 12);
  expect(ways.map((w) => w.kind)).toEqual(expect.arrayContaining(['ice bath', 'split in two']));
  for (const [i, w] of ways.entries()) {
    expect(w.savesH).toBeGreaterThan(0);
    expect(w.savesH).toBeLessThanOrEqual(ways[i - 1]?.savesH ?? Infinity);
  }
});

import { withOwnSteps } from '../plan/layout';
import { KEPT } from '../plan/kept';
import { NOTHING_LEARNT } from '../book/known';
import { inThisKitchen } from '../book/inThisKitchen';
import { runMethod } from '../model/run';
import type { Plan } from '../plan/plan';
import { HOBS, PANS } from '../pantry/kitchen';
import { DEFAULT_SETTINGS, SettingsSchema, spoonRatio, withMeasured, type Measured } from '../settings';
import { coolInDish } from '../set/cooling';
import { laid, testPlan } from '../testing';
import { correctedC } from './corrected';
import { fridgeOf, MeasureRefused, ringOf, spoonOf, steamOf, thermometerOf } from './measure';

const { name: _ring, ...hob } = HOBS[1]!;
const water = { hob, pan: PANS[1]!, waterG: 1000, roomC: 20, altitudeM: 0 };
const HEAT = {
  do: 'heat',
  id: 'h',
  role: 'heat',
  setting: 9,
  stirEveryS: null,
  tool: 'spoon',
  lid: 'off',
  wrapped: false,
  until: { reach: 'temperature', tempC: 80 },
  limitMin: 60,
} as const;
/** A pan of water as a pudding of nothing but water, heated to 80 degC on a ring of so much power. */
const heatedPlan = (powerTrim: number, steam?: number): Plan => ({
  ...testPlan(),
  hob: { ...hob, powerTrim },
  pan: { ...PANS[1]!, ...(steam ? { steam } : {}) },
  ...laid([{ ingredientId: 'water', grams: 1000, in: 'pot' }], [], [HEAT]),
});
const heated = (powerTrim: number, steam?: number) => runMethod(heatedPlan(powerTrim, steam));

describe('a kitchen is measured', () => {
  it.each([0.7, 1, 1.3])('a ring that gives %f of what is written on it is found out by a litre of water', (trim) => {
    const { phases } = heated(trim);
    const seconds = phases[0]!.endS - phases[0]!.startS;
    const found = ringOf(water, KEPT.tapC, 80, seconds);
    expect(found.value).toBeCloseTo(trim, 1);
    expect(found.sd).toBeGreaterThan(0.03);
    expect(found.sd).toBeLessThan(0.12);
  });
  it.each([0.6, 1, 1.7])(
    'a pan that steams off %f of the usual is found out by what it loses off the boil',
    (steam) => {
      const kept = (setting: number) =>
        runMethod(
          withOwnSteps(heatedPlan(1, steam), [
            { ...HEAT, until: { reach: 'temperature', tempC: 96 } },
            { ...HEAT, id: 'k', setting, until: { reach: 'time', minutes: 10 } },
          ]),
        );
      const { told } = kept(2);
      const found = steamOf(water, 2, 10, told[0]!.massG - told[1]!.massG);
      expect(Math.abs(Math.log(found.value / steam))).toBeLessThan(2 * found.sd);
      expect(steamOf(water, 2, 20, 120).sd).toBeLessThan(steamOf(water, 2, 10, 40).sd);
      expect(heated(1, 2).pot.evaporatedG).toBeGreaterThan(1.7 * heated(1).pot.evaporatedG);
    },
  );
  it('ten spoons are surer than two', () => {
    const ten = spoonOf(93, 10, 0.54, 'metric');
    expect(ten.value).toBeCloseTo(93 / (10 * 15 * 0.54), 9);
    expect(ten.sd).toBeLessThan(spoonOf(18.6, 2, 0.54, 'metric').sd);
  });
  it.each([2, 7])('the air of a fridge at %i degC by a glass of water, read twice, within its spread', (airC) => {
    const glass = {
      kind: 'cup',
      count: 1,
      capacityMl: 250,
      heightMm: 90,
      wall: 'glass',
      form: { shape: 'round', topMm: 66, baseMm: 66 },
    } as const;
    const points = coolInDish({
      dish: glass,
      depthM: 0.0585,
      startC: 20,
      stays: [{ where: 'fridge', minutes: 1, airC, covered: true }],
      hours: 4,
    });
    const at = (h: number) => points.reduce((b, p) => (Math.abs(p.hours - h) < Math.abs(b.hours - h) ? p : b)).meanC;
    const found = fridgeOf(200, at(0), at(3), 180);
    expect(Math.abs(found.value - airC)).toBeLessThan(2 * found.sd);
    expect(found.sd).toBeLessThan(6);
  });
  it('a thermometer by ice and boiling water: shifted, and stretched', () => {
    const at = '2026-12-01T10:00:00Z';
    const row = (of: 'ice' | 'boil', readC: number): Measured => ({
      what: 'thermometer',
      of,
      at,
      ...thermometerOf(readC, of, 0),
    });
    expect(correctedC([row('ice', 2)], 60)).toBeCloseTo(58, 9);
    const both = [row('ice', 2), row('boil', 98)];
    expect(correctedC(both, 2)).toBeCloseTo(0, 6);
    expect(correctedC(both, 98)).toBeCloseTo(100, 0);
    expect(correctedC([], 61)).toBe(61);
  });
  it('what cannot be is refused', () => {
    expect(() => spoonOf(900, 10, 0.54, 'metric')).toThrow(MeasureRefused);
    expect(() => ringOf(water, 20, 25, 100)).toThrow(MeasureRefused);
    expect(() => ringOf(water, 20, 80, 5)).toThrow(MeasureRefused);
    expect(() => fridgeOf(200, 10, 14, 60)).toThrow(MeasureRefused);
    expect(() => thermometerOf(40, 'ice', 0)).toThrow(MeasureRefused);
    expect(() => steamOf(water, 2, 10, 900)).toThrow(MeasureRefused);
  });
  it('a newer measurement takes the place of the older, and stands in the settings', () => {
    const one: Measured = { what: 'spoon', of: 'tbsp', value: 1.1, sd: 0.03, at: '2026-12-01T10:00:00Z' };
    const two = withMeasured(withMeasured([], one), { ...one, value: 1.2 });
    expect(two).toHaveLength(1);
    expect(spoonRatio(two)).toBe(1.2);
    expect(SettingsSchema.parse({ ...DEFAULT_SETTINGS, measured: two }).measured).toEqual(two);
  });
});

describe('a plan in this kitchen', () => {
  const plan = testPlan();
  const at = '2026-12-01T10:00:00Z';
  const key = `${plan.hob.kind} ${plan.hob.ratedW}`;

  it('stays as it is where nothing is known', () => {
    expect(inThisKitchen(plan, { learnt: NOTHING_LEARNT, measured: [] })).toEqual({ plan, changes: [] });
  });
  it('takes up what was measured before what was learnt, says what, and takes it up once', () => {
    const learnt = {
      ...NOTHING_LEARNT,
      batches: 3,
      other: { factor: 0.7, sdLn: 0.2, batches: 0 },
      rings: { [key]: { factor: 1.4, sdLn: 0.1, batches: 3 } },
    };
    const measured: Measured[] = [
      { what: 'ring', of: key, value: 0.8, sd: 0.05, at },
      { what: 'fridge', of: '', value: 8, sd: 0.5, at },
      { what: 'steam', of: plan.pan.name, value: 1.5, sd: 0.05, at },
    ];
    const known = inThisKitchen(plan, { learnt, measured });
    expect(known.plan).toMatchObject({
      firmness: { factor: 0.7, sdLn: 0.2 },
      hob: { powerTrim: 0.8 },
      pan: { steam: 1.5 },
      rest: { fridgeC: 8 },
    });
    expect(known.changes.map((c) => c.code)).toEqual(['known.firmness', 'known.ring', 'known.steam', 'known.fridge']);
    expect(inThisKitchen(known.plan, { learnt, measured }).changes).toEqual([]);
    expect(runMethod(known.plan).pot.evaporatedG).toBeGreaterThan(
      runMethod({ ...known.plan, pan: plan.pan }).pot.evaporatedG,
    );
  });
});

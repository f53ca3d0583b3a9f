import { testPlan } from '../testing';
import { inOrder, type Act } from './act';
import { asPlanned, runOf } from './asPlanned';
import { endOf } from './debrief';
import { frameOf, readingsOf, traceOf } from './frame';
import { Replay } from './replay';

const plan = testPlan();
const good = asPlanned(plan);
const pouredS = endOf({ acts: good });
const replay = (acts: readonly Act[] = good) => new Replay(runOf(plan, [...acts]));

describe('what is drawn and heard of the practice pot', () => {
  it('cold milk is calm, and a cooked pudding has bubbled, swollen and cleared', () => {
    const cold = frameOf(replay(), 0);
    expect(cold).toMatchObject({ boil: 0, rim: 0, foam: 0, lumps: 0, curd: 0, skin: 0, left: false });
    const hot = frameOf(replay(), pouredS - 60);
    expect(hot.swelling).toBeGreaterThan(0.8);
    expect(hot.gelatinised).toBeGreaterThan(0.9);
    expect(hot.boil + hot.rim).toBeGreaterThan(0.2);
    expect(Object.keys(hot.happened)).toEqual(expect.arrayContaining(['steams', 'thickens', 'bubbles']));
  });
  it('the hands are as they were laid', () => {
    const acts: Act[] = [
      { do: 'hob', atS: 0, setting: 4 },
      { do: 'stir', atS: 5, everyS: 2, tool: 'whisk' },
      { do: 'lid', atS: 6, lid: 'ajar' },
      { do: 'move', atS: 30, to: 'off the ring' },
    ];
    expect(frameOf(replay(acts), 20)).toMatchObject({ setting: 4, everyS: 2, tool: 'whisk', lid: 'ajar', on: 'ring' });
    expect(frameOf(replay(acts), 40)).toMatchObject({ setting: 0, on: 'off the ring' });
  });
  it('a still pot has been still for so long, and shows a skin in the end', () => {
    const acts: Act[] = [{ do: 'hob', atS: 0, setting: 5 }];
    const f = frameOf(replay(acts), 700);
    expect(f.stillS).toBe(700);
    expect(f.skin).toBeGreaterThan(0.3);
  });
  it('poured it is a dish that cools, and the pot stays as it was left', () => {
    const acts: Act[] = inOrder([...good, { do: 'stand', atS: pouredS, where: 'fridge', covered: true }]);
    const early = frameOf(replay(acts), pouredS + 600);
    const later = frameOf(replay(acts), pouredS + 3 * 3600);
    expect(early).toMatchObject({ left: true, dish: { where: 'fridge' } });
    expect(later.dish!.coreC).toBeLessThan(early.dish!.coreC - 20);
    expect(later.dish!.place).toBeGreaterThan(early.dish!.place);
    expect(later.massG).toBe(early.massG);
  });
  it('in the oven it bakes', () => {
    const acts: Act[] = inOrder([
      ...good.filter((a) => a.do !== 'pour'),
      { do: 'bake', atS: pouredS, ovenC: 160, fan: false, bath: 'none', covered: false },
    ]);
    const f = frameOf(replay(acts), pouredS + 1800);
    expect(f.dish).toMatchObject({ where: 'oven' });
    expect(f.dish!.coreC).toBeGreaterThan(60);
  });
  it('the chart has no more points than asked, in the order of time, to the present', () => {
    const points = traceOf(replay(), pouredS, 40);
    expect(points.length).toBeLessThanOrEqual(41);
    expect(points.every((p, i) => i === 0 || p.tS > points[i - 1]!.tS)).toBe(true);
    expect(points.at(-1)!.tS).toBe(pouredS);
    expect(points.some((p) => p.still)).toBe(true);
    expect(points.some((p) => !p.still)).toBe(true);
  });
  it('devices read this pot, and an eye sees it', () => {
    const readings = readingsOf(replay(), pouredS - 60, 1000);
    const of = (device: string) => readings.find((r) => r.device === device);
    expect(of('probe')).toMatchObject({ atMs: 1000, tempC: Math.round(replay().at(pouredS - 60).pot.bulkC * 10) / 10 });
    expect(of('hob')).toMatchObject({ setting: frameOf(replay(), pouredS - 60).setting });
    expect(of('eye')).toMatchObject({ sees: expect.arrayContaining(['steams', 'first bubble']) as unknown });
  });
});

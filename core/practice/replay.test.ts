import * as fc from 'fast-check';
import { massG } from '../matter/mixture';
import { testPlan } from '../testing';
import { runMethod } from '../model/run';
import { ActSchema, inOrder, RunSchema, type Act } from './act';
import { asPlanned, bowlsOf, runOf } from './asPlanned';
import { debrief, endOf } from './debrief';
import { dishAt, HARMS, outcomeOf, wrongOf } from './outcome';
import { Replay } from './replay';

const plan = testPlan();
const good = asPlanned(plan);
const at = (acts: readonly Act[], tS: number, seed = 0) => new Replay(runOf(plan, [...acts], { seed })).at(tS);

/** Anything that hands do at a pot. */
const anyAct: fc.Arbitrary<Act> = fc.oneof(
  fc.record({ do: fc.constant('hob' as const), atS: fc.nat(600), setting: fc.nat(9) }),
  fc.record({
    do: fc.constant('stir' as const),
    atS: fc.nat(600),
    everyS: fc.constantFrom(null, 1.5, 3, 20),
    tool: fc.constantFrom('spoon' as const, 'whisk' as const),
  }),
  fc.record({ do: fc.constant('lid' as const), atS: fc.nat(600), lid: fc.constantFrom('off' as const, 'on' as const) }),
  fc.record({
    do: fc.constant('move' as const),
    atS: fc.nat(600),
    to: fc.constantFrom('ring' as const, 'double boiler' as const, 'off the ring' as const),
  }),
  fc.nat(600).map((atS): Act => ({ do: 'add', atS, portions: bowlsOf(plan)[0]!.portions, ...bowlsOf(plan)[0]!.meets })),
);

describe('the practice pot', () => {
  it('cooked as planned is the pot that the model cooks in one go', () => {
    const { pot } = at(good, endOf({ acts: good }));
    const whole = runMethod(plan).pot;
    expect(pot.bulkC).toBeCloseTo(whole.bulkC, 0);
    expect(massG(pot.content) / massG(whole.content)).toBeCloseTo(1, 2);
    expect(pot.scorch).toBeCloseTo(whole.scorch, 2);
  });
  it('is the same to the last bit however it is come by: in one go, in pieces, back and forth, branched', () => {
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 8 }), fc.nat(600), fc.nat(600), (some, a, b) => {
        const acts = inOrder(some);
        const straight = at(acts, 600);
        const wandering = new Replay(runOf(plan, acts));
        wandering.at(a);
        wandering.at(b);
        wandering.at(0);
        expect(wandering.at(600)).toEqual(straight);
        // put in as they are done
        const live = new Replay(runOf(plan, []));
        for (const act of acts) {
          live.at(act.atS);
          live.put(act);
        }
        expect(live.at(600)).toEqual(straight);
        const other = new Replay(runOf(plan, []));
        other.at(600);
        expect(other.branch(acts, acts[0]?.atS ?? 600).at(600)).toEqual(straight);
      }),
      { numRuns: 6, seed: 7 },
    );
  });
  it('whatever was done is judged, and what would have been better is better', () => {
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 8 }), (some) => {
        const acts: Act[] = inOrder([...some, { do: 'pour', atS: 620 }]);
        const { outcome, costs } = debrief(runOf(plan, acts), 620);
        for (const h of HARMS) expect(outcome.harms[h]).toEqual(expect.any(Number));
        for (const h of HARMS) expect(outcome.harms[h] >= 0 && outcome.harms[h] <= 1).toBe(true);
        for (const c of costs) {
          expect(wrongOf(c.outcome)).toBeLessThan(wrongOf(outcome));
          expect(inOrder(c.acts)).toEqual(c.acts);
          expect(c.acts.every((a) => a.atS >= 0)).toBe(true);
        }
      }),
      { numRuns: 5, seed: 3 },
    );
  });
  it('survives being written down', () => {
    const run = runOf(plan, good, { seed: 0.3 });
    const read = RunSchema.parse(JSON.parse(JSON.stringify(run)));
    expect(new Replay(read).at(400)).toEqual(new Replay(run).at(400));
  });
  it('goes back to a second and on another way', () => {
    const replay = new Replay(runOf(plan, good));
    replay.at(500);
    replay.cut(300);
    expect(replay.done.every((a) => a.atS < 300)).toBe(true);
    replay.at(300);
    replay.put(ActSchema.parse({ do: 'hob', atS: 300, setting: 1 }));
    expect(replay.at(500).pot.bulkC).toBeLessThan(at(good, 500).pot.bulkC);
  });
  it('another seed is another kitchen, the same one each time', () => {
    expect(at(good, 300, 0.4)).toEqual(at(good, 300, 0.4));
    expect(Math.abs(at(good, 300, 0.4).pot.bulkC - at(good, 300).pot.bulkC)).toBeGreaterThan(0.05);
  });
  it('what comes over the rim is gone', () => {
    const hot: Act[] = [
      { do: 'hob', atS: 0, setting: 9 },
      { do: 'lid', atS: 0, lid: 'on' },
    ];
    const full = { ...plan, pan: { ...plan.pan, heightMm: 60, diameterMm: 150 } };
    const scene = new Replay(runOf(full, hot)).at(900);
    expect(scene.happened['boiled over']).toBeGreaterThan(scene.happened.climbs! - 1);
    expect(scene.spiltRel).toBeGreaterThan(0.01);
    expect(massG(scene.pot.content)).toBeLessThan(massG(at([], 0).pot.content) * (1 - scene.spiltRel / 2));
  });
  it('the dish cools where it stands, faster in ice than in the room', () => {
    const left = endOf({ acts: good });
    const where = (place: 'room' | 'ice bath') => {
      const replay = new Replay(runOf(plan, [...good, { do: 'stand', atS: left, where: place, covered: true }]));
      return dishAt(replay, left + 1800)!;
    };
    expect(where('ice bath').coreC).toBeLessThan(where('room').coreC - 10);
    expect(where('room').where).toBe('room');
  });
  it('what is poured early and left to the plan is judged as the plan serves it', () => {
    const replay = new Replay(runOf(plan, good));
    expect(outcomeOf(replay, endOf({ acts: good }))).toMatchObject({ felt: [], wanted: plan.serve.word });
  });
});

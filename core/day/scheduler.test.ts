import * as fc from 'fast-check';
import {
  broken,
  clashesOf,
  solveInGroups,
  solveProject,
  unlimited,
  type Activity,
  type Project,
  type Relation,
} from './scheduler';

const one = { hands: 4, rings: 2, ovens: 1, fridge: 10 };
const act = (id: string, minutes: number, more: Partial<Activity> = {}): Activity => ({
  id,
  minutes,
  uses: {},
  weight: 1,
  ...more,
});
const after = (from: string, to: string, minutes = 0): Relation => ({
  from: { id: from, at: 'end' },
  to: { id: to, at: 'start' },
  minutes,
});

/** Every way to place everything in whole minutes: the least cost there is, or undefined. */
function exhaustive(p: Project): number | undefined {
  let best: number | undefined;
  const at: Record<string, { start: number; end: number }> = {};
  const place = (k: number, cost: number) => {
    if (best !== undefined && cost >= best) return;
    const a = p.activities[k];
    if (!a) {
      if (broken(p, at).length === 0) best = cost;
      return;
    }
    for (let start = 0; start <= p.horizon; start++)
      for (let took = a.minutes; took <= (a.upTo ?? a.minutes); took++) {
        if (start + took > p.horizon) break;
        at[a.id] = { start, end: start + took };
        place(k + 1, cost + a.weight * (2 * start + took));
        delete at[a.id];
      }
  };
  place(0, 0);
  return best;
}

const small = fc
  .record({
    tasks: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 4 }),
        stretch: fc.integer({ min: 0, max: 2 }),
        hands: fc.constantFrom(0, 1, 3, 4),
        rings: fc.constantFrom(0, 0, 1),
        ovens: fc.constantFrom(0, 0, 1),
        weight: fc.integer({ min: 1, max: 3 }),
        from: fc.integer({ min: 0, max: 3 }),
      }),
      { minLength: 2, maxLength: 4 },
    ),
    links: fc.array(
      fc.record({
        a: fc.nat(3),
        b: fc.nat(3),
        lag: fc.integer({ min: 0, max: 2 }),
        longest: fc.option(fc.integer({ min: 2, max: 5 })),
      }),
      { maxLength: 3 },
    ),
    horizon: fc.integer({ min: 8, max: 12 }),
  })
  .map(({ tasks, links, horizon }): Project => {
    const activities = tasks.map((t, i) =>
      act(`t${i}`, t.minutes, {
        ...(t.stretch ? { upTo: t.minutes + t.stretch } : {}),
        uses: { hands: t.hands, rings: t.rings, ovens: t.ovens },
        weight: t.weight,
        start: { from: t.from },
      }),
    );
    const relations = links.flatMap(({ a, b, lag, longest }) => {
      const [from, to] = [Math.min(a, b) % tasks.length, Math.max(a, b) % tasks.length];
      if (from >= to) return [];
      const first = after(`t${from}`, `t${to}`, lag);
      return longest === null ? [first] : [first, { from: first.to, to: first.from, minutes: -longest }];
    });
    return { activities, relations, capacity: one, horizon };
  });

describe('scheduler', () => {
  it('puts two stirs one after the other, and lets a soak run beside', () => {
    const p: Project = {
      activities: [
        act('stir a', 5, { uses: { hands: 4, rings: 1 } }),
        act('stir b', 7, { uses: { hands: 4, rings: 1 } }),
        act('soak', 30),
      ],
      relations: [],
      capacity: one,
      horizon: 60,
    };
    const solved = solveProject(p);
    if (!solved.ok) throw new Error(solved.why);
    expect(solved.schedule.at).toEqual({
      'stir a': { start: 0, end: 5 },
      'stir b': { start: 5, end: 12 },
      soak: { start: 0, end: 30 },
    });
    expect(solved.schedule.optimal).toBe(true);
    expect(solved.schedule.order).toEqual([['stir a', 'stir b']]);
  });
  it('keeps a chain together over a longest wait, though alone its first would start sooner', () => {
    const p: Project = {
      activities: [
        act('busy', 10, { uses: { hands: 4 } }),
        act('beat', 2, { uses: { hands: 1 }, weight: 0.1 }),
        act('cook', 3, { uses: { hands: 4 } }),
      ],
      relations: [
        after('beat', 'cook'),
        { from: { id: 'cook', at: 'start' }, to: { id: 'beat', at: 'end' }, minutes: -2 },
      ],
      capacity: one,
      horizon: 30,
    };
    const solved = solveProject({
      ...p,
      activities: p.activities.map((a) => (a.id === 'busy' ? { ...a, weight: 9 } : a)),
    });
    if (!solved.ok) throw new Error(solved.why);
    expect(solved.schedule.at.cook!.start - solved.schedule.at.beat!.end).toBeLessThanOrEqual(2);
    expect(solved.schedule.at.busy).toEqual({ start: 0, end: 10 });
    expect(solved.schedule.at.cook!.start).toBeGreaterThanOrEqual(12);
  });
  it('tells what cannot be: time from resources', () => {
    const late: Project = {
      activities: [act('a', 5), act('b', 5)],
      relations: [after('a', 'b')],
      capacity: one,
      horizon: 9,
    };
    expect(solveProject(late)).toMatchObject({ ok: false, why: 'time' });
    const full: Project = {
      activities: [act('a', 5, { uses: { ovens: 1 } }), act('b', 5, { uses: { ovens: 1 } })],
      relations: [],
      capacity: one,
      horizon: 9,
    };
    expect(solveProject(full)).toMatchObject({ ok: false, why: 'resources' });
    const free = unlimited(full);
    expect(free.ok && clashesOf(full, free.schedule.at)).toEqual([
      { resource: 'ovens', from: 0, to: 5, ids: ['a', 'b'] },
    ]);
  });
  it('a circle of waits that cannot close is no schedule, and ends', () => {
    const p: Project = {
      activities: [act('a', 5), act('b', 5)],
      relations: [after('a', 'b'), after('b', 'a')],
      capacity: one,
      horizon: 2000,
    };
    expect(solveProject(p)).toMatchObject({ ok: false, why: 'time' });
    expect(() => solveProject({ ...p, relations: [after('a', 'nobody')] })).toThrow('"nobody"');
  });
  it('group after group put back: never worse than the first search, always whole, even from a handful of nodes', () => {
    let better = 0;
    fc.assert(
      fc.property(small, fc.integer({ min: 2, max: 12 }), (p, nodes) => {
        const first = solveProject(p, nodes);
        const solved = solveInGroups(p, (id) => id, nodes);
        expect(solved.ok).toBe(first.ok);
        if (!solved.ok || !first.ok) return;
        expect(broken(p, solved.schedule.at)).toEqual([]);
        expect(solved.schedule.cost).toBeLessThanOrEqual(first.schedule.cost);
        if (solved.schedule.cost < first.schedule.cost) better += 1;
      }),
      { numRuns: 1500, seed: 8 },
    );
    expect(better).toBeGreaterThan(0);
  });
  it('as good as trying every minute, or rightly none, on 60 small ones', () => {
    let none = 0;
    fc.assert(
      fc.property(small, (p) => {
        const solved = solveProject(p, 1e6);
        const best = exhaustive(p);
        if (best === undefined) {
          none += 1;
          expect(solved.ok).toBe(false);
          return;
        }
        if (!solved.ok) throw new Error(`${solved.why}, but ${best} is possible`);
        expect(broken(p, solved.schedule.at)).toEqual([]);
        expect(solved.schedule.optimal).toBe(true);
        expect(solved.schedule.cost).toBeCloseTo(best, 6);
      }),
      { numRuns: 60, seed: 5 },
    );
    // both answers were seen
    expect(none).toBeGreaterThan(5);
    expect(none).toBeLessThan(100);
  });
});

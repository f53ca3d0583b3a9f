import { laidFor, cookedSupper } from '../demo/choirSupper';
import { factsOf, keptPromise, lookedFor, missSteps } from './facts';
import { rowOfBatch } from './row';

const { batches, packs } = laidFor(cookedSupper(), Date.UTC(2026, 11, 11, 12), 0);
const rows = batches.map(rowOfBatch);

describe('what the book says of itself', () => {
  const facts = factsOf(rows, packs, 0);
  it('counts what came true, what goes wrong most, and each family', () => {
    expect(facts.told).toBe(rows.length);
    expect(facts.kept).toBe(rows.filter(keptPromise).length);
    expect(facts.flaws[0]).toEqual({ flaw: 'slumped', count: 2 });
    expect(facts.families.reduce((sum, f) => sum + f.batches, 0)).toBe(rows.length);
    for (const f of facts.families) expect(f.kept).toBeLessThanOrEqual(f.told);
  });
  it('adds up milk and money by the cook’s own months', () => {
    const milk = batches.flatMap((b) => b.plan.things).filter((i) => /milk|drink/.test(i.ingredientId));
    expect(facts.months.reduce((sum, m) => sum + m.batches, 0)).toBe(rows.length);
    expect(facts.months.reduce((sum, m) => sum + m.milkG, 0)).toBeGreaterThan(0);
    expect(milk.length).toBeGreaterThan(0);
    expect(facts.months.some((m) => (m.cost ?? 0) > 0)).toBe(true);
    // late on the last evening of a month, by a clock that is behind UTC
    const late = { ...rows[0]!, at: '2026-12-01T02:00:00Z' };
    expect(factsOf([late], [], 300).months[0]!.month).toBe('2026-11');
    expect(factsOf([late], [], 0).months[0]!.month).toBe('2026-12');
  });
});

describe('batches that are looked for', () => {
  it('by words, family, what came out, and what went wrong', () => {
    expect(lookedFor(rows, { words: ['moulds', 'slid'] }, 'newest').map((r) => r.id)).toEqual(['b-hazel-1']);
    expect(lookedFor(rows, { words: [], family: 'stirred custard' }, 'newest').map((r) => r.id)).toEqual([
      'b-custard-1',
    ]);
    expect(lookedFor(rows, { words: [], only: 'flawed' }, 'newest').every((r) => r.found.flaws.length > 0)).toBe(true);
    const kept = lookedFor(rows, { words: [], only: 'kept' }, 'newest');
    const missed = lookedFor(rows, { words: [], only: 'missed' }, 'newest');
    expect(kept.length + missed.length).toBe(rows.length);
  });
  it('in the order that is asked for', () => {
    const off = lookedFor(rows, { words: [] }, 'furthest off').map((r) => Math.abs(missSteps(r)!));
    expect(off).toEqual(off.toSorted((a, b) => b - a));
    const names = lookedFor(rows, { words: [] }, 'name').map((r) => r.name);
    expect(names).toEqual(names.toSorted((a, b) => a.localeCompare(b)));
  });
});

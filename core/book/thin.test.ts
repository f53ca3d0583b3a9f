import * as fc from 'fast-check';
import type { CookEvent } from '../cook/events';
import { thinned } from './thin';

const at = (s: number) => new Date(Date.UTC(2026, 11, 11, 12) + s * 1000).toISOString();
const reading = (s: number, value: number): CookEvent => ({
  kind: 'measured',
  id: `r${s}`,
  at: at(s),
  what: 'probe',
  value,
  by: 'probe',
});
const values = (events: readonly CookEvent[]) =>
  events.flatMap((e) => (e.kind === 'measured' ? [{ x: Date.parse(e.at), y: e.value }] : []));

describe('the curve of a batch', () => {
  it('a straight rise is its two ends, a rise to the boil a few points', () => {
    expect(thinned(Array.from({ length: 200 }, (_, s) => reading(s * 10, 8 + s / 4)))).toHaveLength(2);
    const boil = Array.from({ length: 200 }, (_, s) => reading(s * 10, 100 - 92 * Math.exp(-s / 40)));
    expect(thinned(boil).length).toBeGreaterThan(4);
    expect(thinned(boil).length).toBeLessThan(20);
  });
  it('lies nowhere further from the readings than half a degree', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 110 }), { minLength: 2, maxLength: 60 }), (temps) => {
        const all = temps.map((t, i) => reading(i * 5, t));
        const points = values(thinned(all));
        for (const { x, y } of values(all)) {
          const i = Math.max(
            1,
            points.findIndex((p) => p.x >= x),
          );
          const [a, b] = [points[i - 1]!, points[i]!];
          expect(Math.abs(a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x) - y)).toBeLessThanOrEqual(0.5 + 1e-9);
        }
      }),
    );
  });
  it('keeps what a hand noted and what an undo names', () => {
    const hand: CookEvent = { kind: 'measured', id: 'hand', at: at(35), what: 'probe', value: 11.5 };
    const events: CookEvent[] = [
      reading(0, 8),
      reading(10, 9),
      reading(20, 10),
      reading(30, 11),
      hand,
      reading(40, 12),
      { kind: 'undone', id: 'u', at: at(50), target: 'r20' },
    ];
    expect(thinned(events).map((e) => e.id)).toEqual(['r0', 'r20', 'hand', 'r40', 'u']);
  });
});

import type { Act, Lane } from '../../core/day/acts';
import { say } from '../../core/say';
import { testPlan } from '../../core/testing';
import { drawn } from './drawn';
import { dayIdOf, lettersOf, pickDay } from './useDay';

const MINUTE = 60_000;
const act = (id: string, lane: Lane, from: number, to: number, more: Partial<Act> = {}): Act => ({
  id,
  planId: 'p',
  dish: 'Pudding',
  lane,
  verb: say('plain', { text: id }),
  says: say('plain'),
  startMs: from * MINUTE,
  endMs: to * MINUTE,
  latestMs: from * MINUTE,
  state: 'to do',
  pinned: false,
  hands: true,
  blocks: [],
  ...more,
});

describe('lanes', () => {
  it('acts of one dish that follow at once are one block; other dishes and other states are not', () => {
    const list = drawn(
      [
        act('ready', 'hands', 0, 10),
        act('weigh', 'hands', 10, 15),
        act('pour', 'hands', 40, 44),
        act('q', 'hands', 44, 50, { planId: 'q' }),
      ],
      0,
      1,
    );
    expect(list.map((b) => b.acts.map((a) => a.id))).toEqual([['ready', 'weigh'], ['pour'], ['q']]);
    const done = drawn([act('a', 'hands', 0, 10, { state: 'done' }), act('b', 'hands', 10, 20)], 0, 1);
    expect(done).toHaveLength(2);
  });
  it('every block can be hit and none of the hands covers another, however short', () => {
    const list = drawn(
      Array.from({ length: 12 }, (_, i) => act(`t${i}`, 'hands', 100 + 2 * i, 102 + 2 * i, { planId: `p${i}` })),
      0,
      1,
    );
    list.forEach((b, i) => {
      expect(b.height).toBeGreaterThanOrEqual(26);
      const next = list[i + 1];
      if (next) expect(b.top + b.height).toBeLessThanOrEqual(next.top);
    });
  });
  it('what overlaps in a place stays at its own hours', () => {
    const list = drawn([act('a', 'fridge', 0, 300), act('b', 'fridge', 60, 300, { planId: 'q' })], 0, 1);
    expect(list.map((b) => [b.top, b.height])).toEqual([
      [0, 300],
      [60, 240],
    ]);
  });
});

describe('which day, which letters', () => {
  it('one letter a dish, the first that is free', () => {
    expect(lettersOf(['Hazelnut', 'Vanilla', 'Honey', 'Hazel'])).toEqual(['H', 'V', 'O', 'A']);
    expect(new Set(lettersOf(Array.from({ length: 20 }, () => 'aa'))).size).toBe(20);
    expect(lettersOf(['!!'])).toEqual(['A']);
  });
  it('the day asked for, else of the plan at hand, else the next meal', () => {
    const at = (id: string, iso: string) => testPlan({ id, serve: { ...testPlan().serve, at: iso } });
    const plans = [
      at('old', '2026-12-01T19:00:00Z'),
      at('soon', '2026-12-12T19:00:00Z'),
      at('late', '2026-12-20T19:00:00Z'),
    ];
    const now = Date.parse('2026-12-11T12:00:00Z');
    expect(pickDay(plans, '2026-12-24', 'late', now)).toBe('2026-12-24');
    expect(pickDay(plans, undefined, 'late', now)).toBe('2026-12-20');
    expect(pickDay(plans, undefined, 'old', now)).toBe('2026-12-12');
    expect(pickDay(plans, 'nonsense', undefined, now)).toBe('2026-12-12');
    expect(pickDay([], undefined, undefined, now)).toBe(dayIdOf(now));
  });
});

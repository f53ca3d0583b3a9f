import { linesOf, withLine, withLines } from '../plan/layout';
import * as fc from 'fast-check';
import { testPlan } from '../testing';
import { moved, withGrams } from '../plan/amounts';
import { PlanSchema } from '../plan/plan';
import { mergeText } from './mergeText';
import { applyChange, changeBetween, ChangeSchema, rebase } from './change';

const plan = testPlan();
const grams = (p: typeof plan, id: string) => p.things.find((i) => i.ingredientId === id)!.grams;

describe('a change made on what has changed meanwhile', () => {
  it('two amounts tapped before either was drawn: both count', () => {
    const starch = withGrams(plan, 'cornstarch', 40);
    const sugar = withGrams(plan, 'sugar', 77);
    const both = rebase(plan, sugar, starch);
    expect([grams(both, 'cornstarch'), grams(both, 'sugar')]).toEqual([40, 77]);
  });
  it('one hand moves a thing to another bowl, the other changes an amount and puts something in: all of it is there', () => {
    const moves = moved(plan, 'sugar', 'late');
    const adds = withGrams(withLine(plan, { ingredientId: 'cinnamon', grams: 4, in: 'pot' }), 'cornstarch', 44);
    for (const both of [rebase(plan, moves, adds), rebase(plan, adds, moves)]) {
      expect(linesOf(both).find((l) => l.ingredientId === 'sugar')!.in).toBe('late');
      expect(linesOf(both).find((l) => l.ingredientId === 'cinnamon')).toMatchObject({ grams: 4, in: 'pot' });
      expect(grams(both, 'cornstarch')).toBe(44);
      expect(PlanSchema.safeParse(both).success).toBe(true);
    }
  });
  it('a row put in here and one taken out there', () => {
    const more = withLine(plan, { ingredientId: 'cinnamon', grams: 1, in: 'pot' });
    const less = withLines(
      plan,
      linesOf(plan).filter((i) => i.ingredientId !== 'sugar'),
    );
    expect(rebase(plan, more, less).things.map((i) => i.ingredientId)).toEqual([
      ...less.things.map((i) => i.ingredientId),
      'cinnamon',
    ]);
    expect(rebase(plan, less, more).things.map((i) => i.ingredientId)).toEqual([
      ...less.things.map((i) => i.ingredientId),
      'cinnamon',
    ]);
  });
  it('what both changed is as this thumb has it; a mark set here and a word changed there stay', () => {
    expect(rebase({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 3, b: 5 })).toEqual({ a: 2, b: 5 });
    expect(rebase<object>({ a: 1 }, { a: 1, archived: true }, { a: 2 })).toEqual({ a: 2, archived: true });
    expect(rebase<object>({ a: 1, archived: true }, { a: 1 }, { a: 2, archived: true })).toEqual({ a: 2 });
    expect(rebase({ flaws: ['lumps'] }, { flaws: ['lumps', 'caught'] }, { flaws: ['lumps', 'raw taste'] })).toEqual({
      flaws: ['lumps', 'raw taste', 'caught'],
    });
  });
  it('a note written in two places has the words of both', () => {
    const note = (text: string) => ({ found: { note: text } });
    const both = rebase(
      note('the row by the door'),
      note('the row by the door asked for more'),
      note('Hot: the row by the door'),
    );
    expect(both.found.note).toBe('Hot: the row by the door asked for more');
    const clash = rebase(note(''), note('mine of it'), note('theirs of it')).found.note;
    for (const word of ['mine', 'theirs']) expect(clash).toContain(word);
  });
  it('no word that either hand added is lost', () => {
    const words = fc.array(fc.constantFrom('milk', 'warm', 'row', 'more', 'less'), { maxLength: 6 });
    fc.assert(
      fc.property(words, fc.nat(6), fc.nat(6), (base, i, j) => {
        const put = (at: number, word: string) => [...base.slice(0, at), word, ...base.slice(at)].join(' ');
        const merged = mergeText(base.join(' '), put(i, 'mine'), put(j, 'theirs'));
        expect(merged).toContain('mine');
        expect(merged).toContain('theirs');
      }),
    );
  });
  it('every letter of two hands is there, wherever they write and in whatever order it is put together', () => {
    const hand = (side: 'a' | 'b', n: number) =>
      Array.from({ length: n }, (_, i) => String.fromCharCode((side === 'a' ? 97 : 65) + i));
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('.', ',', ' '), maxLength: 8 }),
        fc.nat(8),
        fc.nat(8),
        fc.array(fc.boolean(), { maxLength: 20 }),
        (old, i, j, order) => {
          const at = { a: Math.min(i, old.length), b: Math.min(j, old.length) };
          // each hand sees its own letters alone
          const seen = (side: 'a' | 'b', n: number) =>
            old.slice(0, at[side]) + hand(side, n).join('') + old.slice(at[side]);
          const typed = { a: 0, b: 0 };
          let now = old;
          for (const first of order) {
            const side = first ? 'a' : 'b';
            now = mergeText(seen(side, typed[side]), seen(side, typed[side] + 1), now);
            typed[side] += 1;
          }
          for (const side of ['a', 'b'] as const) expect(now).toContain(hand(side, typed[side]).join(''));
          expect(now.replace(/[a-zA-Z]/g, '')).toBe(old);
        },
      ),
      { numRuns: 500 },
    );
  });
  it('letters that were taken out go, those of the other hand stay', () => {
    expect(mergeText('cut clean with it', 'cut with it', 'cut very clean with it today')).toBe(
      'cut very with it today',
    );
    expect(mergeText('abc', '', 'aXbc')).toBe('X');
    expect(mergeText('too pale', 'too dark', 'too pale, and cold')).toBe('too dark, and cold');
  });
  it('a figure that is typed is that figure, one that is stepped is so much more', () => {
    expect(rebase({ g: 40 }, { g: 45 }, { g: 60 })).toEqual({ g: 45 });
    expect(rebase({ g: 40 }, { g: 45 }, { g: 60.1 }, 'added')).toEqual({ g: 65.1 });
    const two = rebase(plan, withGrams(plan, 'sugar', 82), withGrams(plan, 'sugar', 87), 'added');
    expect(grams(two, 'sugar')).toBe(87 + 82 - grams(plan, 'sugar'));
  });
  it('is data: written down and read again it does the same', () => {
    const any = fc.jsonValue({ maxDepth: 3 });
    fc.assert(
      fc.property(any, any, any, (a, b, now) => {
        const change = changeBetween(a, b);
        if (!change) return;
        const again = ChangeSchema.parse(JSON.parse(JSON.stringify(change)));
        expect(JSON.stringify(applyChange(now, again))).toBe(JSON.stringify(applyChange(now, change)));
      }),
    );
  });
  it('nothing else in between: it is the change itself, and no change leaves all as it is', () => {
    const any = fc.jsonValue({ maxDepth: 3 });
    fc.assert(
      fc.property(any, any, (a, b) => {
        expect(rebase(a, b, a)).toEqual(b);
        expect(rebase(a, a, b)).toEqual(b);
      }),
    );
  });
  it('changes of different fields count in either order', () => {
    const field = fc.constantFrom('people', 'portionG', 'name', 'rest', 'serve');
    const change = (p: typeof plan, f: string): typeof plan =>
      f === 'rest'
        ? { ...p, rest: { ...p.rest, hours: 7 } }
        : f === 'serve'
          ? { ...p, serve: { ...p.serve, tempC: 33 } }
          : { ...p, [f]: f === 'name' ? 'other' : 55 };
    fc.assert(
      fc.property(field, field, (a, b) => {
        const one = rebase(plan, change(plan, b), change(plan, a));
        expect(one).toEqual(change(change(plan, a), b));
      }),
    );
  });
  it('rows that were moved are moved, whatever else was changed meanwhile', () => {
    const list = (...rows: [string, number?][]) => ({ steps: rows.map(([id, n = 1]) => ({ id, n })) });
    const base = list(['a'], ['b'], ['c']);
    const mine = list(['a'], ['c'], ['b']);
    const now = list(['a', 2], ['b'], ['x'], ['c']);
    expect(rebase(base, mine, now)).toEqual(list(['a', 2], ['c'], ['b'], ['x']));
    // nothing moved here: the order there stays
    expect(rebase(base, list(['a', 3], ['b'], ['c']), list(['c'], ['b'], ['a']))).toEqual(list(['c'], ['b'], ['a', 3]));
  });
});

import * as fc from 'fast-check';
import { testPlan } from '../testing';
import { withGrams } from './amounts';
import { mergeText } from './mergeText';
import { rebase } from './rebase';

const plan = testPlan();
const grams = (p: typeof plan, id: string) => p.items.find((i) => i.ingredientId === id)!.grams;

describe('a change made on what has changed meanwhile', () => {
  it('two amounts tapped before either was drawn: both count', () => {
    const starch = withGrams(plan, 'cornstarch', 40);
    const sugar = withGrams(plan, 'sugar', 77);
    const both = rebase(plan, sugar, starch);
    expect([grams(both, 'cornstarch'), grams(both, 'sugar')]).toEqual([40, 77]);
  });
  it('a row put in here and one taken out there', () => {
    const more = { ...plan, items: [...plan.items, { ingredientId: 'cinnamon', grams: 1, stage: 'pot' as const }] };
    const less = { ...plan, items: plan.items.filter((i) => i.ingredientId !== 'sugar') };
    expect(rebase(plan, more, less).items.map((i) => i.ingredientId)).toEqual([
      ...less.items.map((i) => i.ingredientId),
      'cinnamon',
    ]);
    expect(rebase(plan, less, more).items.map((i) => i.ingredientId)).toEqual([
      ...less.items.map((i) => i.ingredientId),
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
  it('letters that come in twice, or late, write nothing twice', () => {
    const old = 'Cut clean with a wet knife.';
    const typed = 'upper row cold ';
    const more = ' lower row warm';
    const lastWords = old.indexOf('wet');
    const wrong: string[] = [];
    for (let at = 0; at <= old.length; at++)
      for (let i = 0; i < typed.length; i++)
        for (let j = 0; j <= typed.length; j++) {
          const after = (n: number) => old.slice(0, at) + typed.slice(0, n) + old.slice(at);
          // the letter i+1 is made on what stood before it, where j letters are there already
          const meets = (other: string) => mergeText(after(i), after(i + 1), after(j) + other);
          const right = after(Math.max(i + 1, j));
          if (meets('') !== right) wrong.push(`${at} ${i} ${j}: ${meets('')}`);
          if (at === old.length) continue;
          // another hand that writes on at the end: exact, or, where both are in the last words and letters lag, whole
          const beside = meets(more);
          if (at < lastWords ? beside !== right + more : !beside.includes(more))
            wrong.push(`${at} ${i} ${j} beside: ${beside}`);
        }
    expect(wrong).toEqual([]);
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

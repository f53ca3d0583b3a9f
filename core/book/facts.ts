import { SET_WORDS, stripMiddle, type SetWord } from '../texture/words';
import { pantryWith } from '../pantry/pantry';
import { FAMILIES, type Family } from '../plan/plan';
import type { Pack } from '../units/packs';
import { FLAWS, type Flaw } from './batch';
import { asPromised } from './known';
import type { BatchRow } from './row';

/** How far what came out lies from what was promised, in steps of the strip; undefined while no word was
 * written down, or the promise is owed. */
export const missSteps = (b: BatchRow): number | undefined =>
  b.found.wordServing && b.promise ? stripMiddle(b.found.wordServing) - b.promise.servingPlace : undefined;

/** Within half a step of what was promised, or the very word that was wanted. */
export function keptPromise(b: BatchRow): boolean {
  const miss = missSteps(b);
  return miss !== undefined && (Math.abs(miss) <= 0.5 || asPromised(b) || b.found.wordServing === b.serve.word);
}

/** What the book says of itself. */
export type Facts = {
  /** forecasts that came true, of those that were written down */
  kept: number;
  told: number;
  /** what goes wrong, the most first */
  flaws: { flaw: Flaw; count: number }[];
  /** of each family that was cooked: how often, how often as promised, and its miss in steps, before and of late */
  families: { family: Family; batches: number; told: number; kept: number; missBefore?: number; missLately?: number }[];
  /** the newest first, as 2026-12: batches, g of milks, and what they cost where packs have a price */
  months: { month: string; batches: number; milkG: number; cost?: number }[];
};

/** Batches of a family that count as of late. */
const LATELY = 3;

const mean = (xs: readonly number[]): number | undefined =>
  xs.length ? xs.reduce((sum, x) => sum + x, 0) / xs.length : undefined;

/** @param offsetMin minutes that UTC is ahead of the cook's clock: a month is the cook's own */
export function factsOf(rows: readonly BatchRow[], packs: readonly Pack[], offsetMin: number): Facts {
  const pantry = pantryWith();
  const told = rows.filter((r) => r.found.wordServing);
  const priceOf = new Map(packs.flatMap((p) => (p.price === undefined ? [] : [[p.ingredientId, p.price / p.grams]])));
  const months = new Map<string, Facts['months'][number]>();
  for (const r of rows) {
    const month = new Date(Date.parse(r.at) - offsetMin * 60_000).toISOString().slice(0, 7);
    const m = months.get(month) ?? { month, batches: 0, milkG: 0 };
    m.batches += 1;
    for (const [i, id] of r.items.entries()) {
      const grams = r.grams[i] ?? 0;
      if (pantry.get(id)?.group === 'milk') m.milkG += grams;
      const each = priceOf.get(id);
      if (each !== undefined) m.cost = (m.cost ?? 0) + grams * each;
    }
    months.set(month, m);
  }
  return {
    kept: told.filter(keptPromise).length,
    told: told.length,
    flaws: FLAWS.map((flaw) => ({ flaw, count: rows.filter((r) => r.found.flaws.includes(flaw)).length }))
      .filter((f) => f.count > 0)
      .sort((a, b) => b.count - a.count),
    families: FAMILIES.flatMap((family) => {
      const mine = rows.filter((r) => r.family === family).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
      if (!mine.length) return [];
      const misses = mine.flatMap((r) => missSteps(r) ?? []);
      const before = mean(misses.slice(0, -LATELY));
      const lately = mean(misses.slice(-LATELY));
      return [
        {
          family,
          batches: mine.length,
          told: misses.length,
          kept: mine.filter(keptPromise).length,
          ...(before === undefined ? {} : { missBefore: before }),
          ...(lately === undefined ? {} : { missLately: lately }),
        },
      ];
    }),
    months: [...months.values()].sort((a, b) => b.month.localeCompare(a.month)),
  };
}

export const SORTS = ['newest', 'furthest off', 'name'] as const;
export type Sort = (typeof SORTS)[number];
export type Filter = {
  words: readonly string[];
  family?: Family | undefined;
  word?: SetWord | undefined;
  only?: 'kept' | 'missed' | 'flawed' | undefined;
};

const hayOf = (b: BatchRow): string =>
  [
    b.name,
    b.family,
    b.found.note,
    b.found.wordServing,
    b.found.wordHot,
    b.found.likedBy,
    b.found.recipeOf,
    ...b.found.flaws,
    ...b.items.map((id) => id.replaceAll('_', ' ')),
  ]
    .join(' ')
    .toLowerCase();

/** The batches that are asked for, in their order. */
export function lookedFor(rows: readonly BatchRow[], f: Filter, sort: Sort): BatchRow[] {
  const shown = rows.filter((b) => {
    if (f.family && b.family !== f.family) return false;
    if (f.word && b.found.wordServing !== f.word) return false;
    if (f.only === 'kept' && !keptPromise(b)) return false;
    if (f.only === 'missed' && (keptPromise(b) || !b.found.wordServing)) return false;
    if (f.only === 'flawed' && b.found.flaws.length === 0) return false;
    const hay = hayOf(b);
    return f.words.every((w) => hay.includes(w));
  });
  const newest = (a: BatchRow, b: BatchRow) => Date.parse(b.at) - Date.parse(a.at);
  const off = (b: BatchRow) => Math.abs(missSteps(b) ?? 0);
  return shown.toSorted(
    sort === 'name'
      ? (a, b) => a.name.localeCompare(b.name) || newest(a, b)
      : sort === 'furthest off'
        ? (a, b) => off(b) - off(a) || newest(a, b)
        : newest,
  );
}

/** Words that any batch came out as. */
export const wordsFound = (rows: readonly BatchRow[]): SetWord[] =>
  SET_WORDS.filter((w) => rows.some((r) => r.found.wordServing === w));

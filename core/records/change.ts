import { z } from 'zod';
import { mergeText } from './mergeText';

/** Data as JSON has it. */
type Json = unknown;

/**
 * What a hand did to a record, as data: it can be written down, and made on what is there by then. A leaf says what was
 * meant: this value, so much more, these letters.
 */
export type Change =
  | { set: Json }
  | { gone: true }
  /** so much more or less than there is; `to` where there is no number by then */
  | { add: number; to: number }
  | { text: { was: string; is: string } }
  | { fields: Record<string, Change> }
  /** rows by what tells them from their neighbours; `order` where it is not simply the order there */
  | { rows: { name: string; change: RowChange }[]; order?: string[] };
/** A row that came, or was changed (`row` is what it became, for a list that has it no more), or was taken out. */
type RowChange = { row: Json; change?: Change } | { gone: true };

export const ChangeSchema: z.ZodType<Change> = z.lazy(() =>
  z.union([
    z.strictObject({ set: z.unknown() }),
    z.strictObject({ gone: z.literal(true) }),
    z.strictObject({ add: z.number(), to: z.number() }),
    z.strictObject({ text: z.strictObject({ was: z.string(), is: z.string() }) }),
    z.strictObject({ fields: z.record(z.string(), ChangeSchema) }),
    z.strictObject({
      rows: z.array(z.strictObject({ name: z.string(), change: RowChangeSchema })),
      order: z.array(z.string()).optional(),
    }),
  ]),
) as z.ZodType<Change>;
const RowChangeSchema: z.ZodType<RowChange> = z.lazy(() =>
  z.union([
    z.strictObject({ gone: z.literal(true) }),
    z.strictObject({ row: z.unknown(), change: ChangeSchema.optional() }),
  ]),
) as z.ZodType<RowChange>;

/** How a number that changed is meant: this figure (typed), or so much more (stepped). */
export type Numbers = 'set' | 'added';

const isList = (v: Json): v is readonly Json[] => Array.isArray(v);
const isMap = (v: Json): v is Record<string, Json> => v !== null && typeof v === 'object' && !Array.isArray(v);
const same = (a: Json, b: Json): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);
const has = (map: Record<string, Json>, key: string): boolean => Object.hasOwn(map, key) && map[key] !== undefined;

/** What tells a row of a list from its neighbours; undefined where nothing does. */
const nameOf = (row: Json): string | undefined => {
  if (!isMap(row)) return typeof row === 'string' ? row : undefined;
  const own = row['id'] ?? row['task'] ?? row['item'] ?? row['vesselId'];
  if (own !== undefined) return String(own);
  if (row['ingredientId'] === undefined) return undefined;
  // what is held back to be tasted stands beside the rest of the same thing
  return `${String(row['ingredientId'])}${row['taste'] === true ? '@taste' : ''}`;
};

const namesOf = (list: readonly Json[]): string[] | undefined => {
  const names = list.map(nameOf);
  return names.some((n) => n === undefined) || new Set(names).size < names.length ? undefined : (names as string[]);
};

/** Fields that hold a cook's own sentences: two hands may write in one. */
const FREE_TEXT = new Set(['note', 'likedBy', 'recipeOf']);

/**
 * What was done between two states of a record; undefined where nothing was.
 * @param numbers how a number that changed is meant
 * @example changeBetween({ g: 40 }, { g: 45 }, 'added') // { fields: { g: { add: 5, to: 45 } } }
 */
export function changeBetween(base: Json, mine: Json, numbers: Numbers = 'set', field?: string): Change | undefined {
  if (same(base, mine)) return undefined;
  if (isList(base) && isList(mine)) return rowsBetween(base, mine, numbers) ?? { set: mine };
  if (isMap(base) && isMap(mine)) {
    const keys = new Set([...Object.keys(base), ...Object.keys(mine)]);
    const fields = [...keys].flatMap((key): [string, Change][] => {
      const was = has(base, key) ? base[key] : undefined;
      if (!has(mine, key)) return was === undefined ? [] : [[key, { gone: true }]];
      const change = was === undefined ? { set: mine[key] } : changeBetween(was, mine[key], numbers, key);
      return change ? [[key, change]] : [];
    });
    return fields.length ? { fields: Object.fromEntries(fields) } : undefined;
  }
  if (numbers === 'added' && typeof base === 'number' && typeof mine === 'number')
    return { add: mine - base, to: mine };
  if (field !== undefined && FREE_TEXT.has(field) && typeof base === 'string' && typeof mine === 'string')
    return { text: { was: base, is: mine } };
  return { set: mine };
}

/** Undefined where rows have no names. */
function rowsBetween(base: readonly Json[], mine: readonly Json[], numbers: Numbers): Change | undefined {
  const [before, after] = [namesOf(base), namesOf(mine)];
  if (!before || !after) return undefined;
  const was = new Map(before.map((name, i) => [name, base[i]]));
  const wanted = new Set(after);
  const gone = before
    .filter((name) => !wanted.has(name))
    .map((name) => ({ name, change: { gone: true } as RowChange }));
  const rows = after.flatMap((name, i): { name: string; change: RowChange }[] => {
    const row = mine[i];
    if (!was.has(name)) return [{ name, change: { row } }];
    const change = changeBetween(was.get(name), row, numbers);
    return change ? [{ name, change: { row, change } }] : [];
  });
  // rows that came stand last, unless they were put in between
  const plain = [...before.filter((name) => wanted.has(name)), ...after.filter((name) => !was.has(name))];
  return { rows: [...gone, ...rows], ...(same(plain, after) ? {} : { order: after }) };
}

/** Rows in the order that was made of them; what it does not know stays behind what it stood behind. */
function inOrder(rows: readonly (readonly [string, Json])[], order: readonly string[] | undefined): Json[] {
  if (!order) return rows.map(([, row]) => row);
  const byName = new Map(rows);
  const known = new Set(order);
  const names = order.filter((n) => byName.has(n));
  for (const [i, [n]] of rows.entries()) {
    if (known.has(n)) continue;
    const before = rows[i - 1]?.[0];
    names.splice(before === undefined ? 0 : names.indexOf(before) + 1, 0, n);
  }
  return names.map((n) => byName.get(n));
}

/** Rows of another kind than they were when the change was made are told by their place. */
const called = (row: Json, i: number) => nameOf(row) ?? `#${i}`;

function withRows(now: Json, { rows, order }: Extract<Change, { rows: unknown }>): Json[] {
  const there = new Map((isList(now) ? now : []).map((row, i) => [called(row, i), row]));
  for (const { name, change } of rows) {
    if ('gone' in change) there.delete(name);
    else if (!change.change) {
      // one that came by itself there, too, stays as it is there
      if (!there.has(name)) there.set(name, change.row);
    } else there.set(name, there.has(name) ? applyChange(there.get(name), change.change) : change.row);
  }
  return inOrder([...there], order);
}

/** Sums of tenths stay tenths. */
const exact = (n: number) => Math.round(n * 1e6) / 1e6;

/**
 * A change made on what is there now: what it does not touch stays as it is.
 * @returns the new value; undefined where it was taken out
 */
export function applyChange<T>(now: T, change: Change): T {
  const next = (): Json => {
    if ('set' in change) return change.set;
    if ('gone' in change) return undefined;
    if ('add' in change) return typeof now === 'number' ? exact(now + change.add) : change.to;
    if ('text' in change)
      return typeof now === 'string' ? mergeText(change.text.was, change.text.is, now) : change.text.is;
    if ('rows' in change) return withRows(now, change);
    const map: Record<string, Json> = isMap(now) ? now : {};
    const touched = Object.entries(change.fields).map(([key, c]) => [
      key,
      applyChange(has(map, key) ? map[key] : undefined, c),
    ]);
    const all = new Map<string, Json>([...Object.entries(map), ...(touched as [string, Json][])]);
    return Object.fromEntries([...all].filter(([, value]) => value !== undefined));
  };
  return next() as T;
}

/**
 * A change made on `base`, made on `now` instead: what is untouched in it stays as it is now, what both changed is as
 * `mine` has it. So two quick thumbs, or two tabs, both count.
 */
export function rebase<T>(base: T, mine: T, now: T, numbers: Numbers = 'set'): T {
  const change = changeBetween(base, mine, numbers);
  return change ? applyChange(now, change) : now;
}

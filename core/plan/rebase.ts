import { mergeText } from './mergeText';

/** Data as JSON has it. */
type Json = unknown;

const isList = (v: Json): v is readonly Json[] => Array.isArray(v);
const isMap = (v: Json): v is Record<string, Json> => v !== null && typeof v === 'object' && !Array.isArray(v);
const same = (a: Json, b: Json): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** What tells a row of a list from its neighbours; undefined where nothing does. */
const nameOf = (row: Json): string | undefined => {
  if (!isMap(row)) return typeof row === 'string' ? row : undefined;
  const own = row['id'] ?? row['task'] ?? row['item'];
  if (own !== undefined) return String(own);
  return row['ingredientId'] === undefined ? undefined : `${String(row['ingredientId'])}@${String(row['stage'])}`;
};

const named = (list: readonly Json[]): Map<string, Json> | undefined => {
  const names = list.map(nameOf);
  return names.some((n) => n === undefined) || new Set(names).size < names.length
    ? undefined
    : new Map(names.map((n, i) => [n!, list[i]]));
};

/** Rows that were added, taken out or changed in `mine`, put into `now` in its order. */
function rebaseList(base: readonly Json[], mine: readonly Json[], now: readonly Json[]): readonly Json[] {
  const [was, wanted, there] = [named(base), named(mine), named(now)];
  if (!was || !wanted || !there) return mine;
  const kept = [...there].filter(([n]) => wanted.has(n) || !was.has(n));
  const rows = kept.map(([n, row]) =>
    wanted.has(n) && was.has(n) ? rebase(was.get(n), wanted.get(n), row) : (wanted.get(n) ?? row),
  );
  // what is new here, and what was changed here while it was taken out there
  const more = [...wanted].filter(([n, row]) => !there.has(n) && (!was.has(n) || !same(row, was.get(n))));
  const all = [...kept.map(([n], i) => [n, rows[i]] as const), ...more];
  return inOrder(all, moved(was, wanted) ? [...wanted.keys()] : undefined);
}

/** Whether the rows that both have stand in another order. */
const moved = (was: Map<string, Json>, wanted: Map<string, Json>): boolean => {
  const both = (a: Map<string, Json>, b: Map<string, Json>) => [...a.keys()].filter((n) => b.has(n)).join('\n');
  return both(was, wanted) !== both(wanted, was);
};

/** Rows in the order that was made of them; what it does not know stays behind what it stood behind. */
function inOrder(rows: readonly (readonly [string, Json])[], order: readonly string[] | undefined): Json[] {
  if (!order) return rows.map(([, row]) => row);
  const byName = new Map(rows);
  const names = order.filter((n) => byName.has(n));
  for (const [i, [n]] of rows.entries()) {
    if (order.includes(n)) continue;
    const before = rows[i - 1]?.[0];
    names.splice(before === undefined ? 0 : names.indexOf(before) + 1, 0, n);
  }
  return names.map((n) => byName.get(n));
}

/** Fields that hold a cook's own sentences: two hands may write in one. */
const FREE_TEXT = new Set(['note']);

/**
 * A change made on `base`, made on `now` instead: what is untouched in it stays as it is now, what both changed is as
 * `mine` has it. So two quick thumbs, or two tabs, both count.
 */
export function rebase<T>(base: T, mine: T, now: T): T {
  if (same(base, now) || same(mine, now)) return mine;
  if (same(base, mine)) return now;
  if (isList(base) && isList(mine) && isList(now)) return rebaseList(base, mine, now) as T;
  if (isMap(base) && isMap(mine) && isMap(now)) {
    const out: Record<string, Json> = {};
    for (const key of new Set([...Object.keys(now), ...Object.keys(mine)])) {
      const touched = !same(base[key], mine[key]);
      if (!touched) {
        if (key in now) out[key] = now[key];
      } else if (key in mine)
        out[key] = !(key in now)
          ? mine[key]
          : FREE_TEXT.has(key)
            ? mergeText(String(base[key] ?? ''), String(mine[key]), String(now[key]))
            : rebase(base[key], mine[key], now[key]);
    }
    return out as T;
  }
  return mine;
}

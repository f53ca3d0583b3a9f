import { diffIndices } from 'node-diff3';

/** How long two texts are the same, from their beginning. */
function commonPrefix(a: string, b: string): number {
  let n = 0;
  while (n < a.length && a[n] === b[n]) n++;
  return n;
}

/** How long two texts are the same from their end, the first `from` characters apart. */
function commonSuffix(a: string, b: string, from: number): number {
  let n = 0;
  while (n < Math.min(a.length, b.length) - from && a[a.length - 1 - n] === b[b.length - 1 - n]) n++;
  return n;
}

/** Letters that stand between what is common are compared one by one up to this many; longer pieces count as rewritten. */
const MOST_COMPARED = 400;

/** Pieces of `was` that became pieces of `now`: index and length in each, in order. */
function pieces(was: string, now: string): { from: number; length: number; to: number; becomes: number }[] {
  const front = commonPrefix(was, now);
  const back = commonSuffix(was, now, front);
  const [a, b] = [was.slice(front, was.length - back), now.slice(front, now.length - back)];
  if (a === '' && b === '') return [];
  if (a === '' || b === '' || Math.max(a.length, b.length) > MOST_COMPARED)
    return [{ from: front, length: a.length, to: front, becomes: b.length }];
  return diffIndices([...split(a)], [...split(b)]).map(({ buffer1, buffer2 }) => ({
    from: front + buffer1[0],
    length: buffer1[1],
    to: front + buffer2[0],
    becomes: buffer2[1],
  }));
}
const split = (text: string) => text.split('');

/**
 * One hand's change of a text, `was` to `is`, made on `now`, which another hand may have changed meanwhile. The letters that
 * were put in go in where they belong, those that were taken out go where they are still there; nothing of the other hand's
 * is lost. Where both put letters in at one place, each hand's letters stay together.
 *
 * @param was what the hand saw  @param is what it made of it  @param now what is there by then
 * @example mergeText('row', 'row by the door', 'Hot: row') // 'Hot: row by the door'
 */
export function mergeText(was: string, is: string, now: string): string {
  if (was === now) return is;
  const from = commonPrefix(was, is);
  const until = was.length - commonSuffix(was, is, from);
  const put = is.slice(from, is.length - (was.length - until));
  const changed = pieces(was, now);
  /** A place between two letters of `was`, in `now`: in front of what the other hand put in there. */
  const placeOf = (at: number): number => {
    let shift = 0;
    for (const p of changed) {
      if (p.from >= at) break;
      if (at < p.from + p.length) return p.to + p.becomes;
      shift = p.to + p.becomes - (p.from + p.length);
    }
    return at + shift;
  };
  const goes = new Set<number>();
  for (let at = from; at < until; at++)
    if (!changed.some((p) => at >= p.from && at < p.from + p.length)) goes.add(placeOf(at + 1) - 1);
  const at = placeOf(from);
  const kept = (text: string, offset: number) =>
    split(text)
      .filter((_, i) => !goes.has(i + offset))
      .join('');
  return kept(now.slice(0, at), 0) + put + kept(now.slice(at), at);
}

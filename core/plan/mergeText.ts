import { diff3Merge } from 'node-diff3';

/** Words and what stands between them: a text is all of them in a row. */
const words = (text: string) => text.split(/(?<=\s)(?=\S)/);
/** The same, with spaces and stops apart from the words that they follow. */
const pieces = (text: string) => text.match(/[\p{L}\p{N}]+|[^\p{L}\p{N}]/gu) ?? [];

/** How long two texts are the same, from their beginning. */
function alike(a: string, b: string): number {
  let n = 0;
  while (n < a.length && a[n] === b[n]) n++;
  return n;
}
const reversed = (text: string) => [...text].reverse().join('');

/**
 * What two hands made of the same words where one went on from the other (letters of one hand come in twice, or late) or
 * both put something in at one place, what is there now first; nothing where they rewrote the words differently.
 */
function bothOf(ours: string, base: string, theirs: string): string | undefined {
  if (ours.trimEnd() === theirs.trimEnd()) return ours.length > theirs.length ? ours : theirs;
  if (ours.startsWith(theirs.trimEnd())) return ours;
  if (theirs.startsWith(ours.trimEnd())) return theirs;
  // in front of and behind what was written all three are the same
  const front = Math.min(alike(ours, base), alike(theirs, base));
  const [oursBack, baseBack, theirsBack] = [reversed(ours), reversed(base), reversed(theirs)];
  const same = Math.min(alike(oursBack, baseBack), alike(theirsBack, baseBack));
  // where letters repeat, what was put in may have been put in at more than one place
  for (let at = front; at >= 0 && at + same >= base.length; at--) {
    const put = (text: string) => text.slice(at, text.length - base.length + at);
    if (put(ours).startsWith(put(theirs))) return ours;
    if (put(theirs).startsWith(put(ours))) return theirs;
  }
  const behind = Math.min(same, base.length - front, ours.length - front, theirs.length - front);
  const wrote = (text: string) => text.slice(front, text.length - behind);
  const [mine, was, there] = [wrote(ours), wrote(base), wrote(theirs)];
  if (was === '') return base.slice(0, front) + there + mine + base.slice(front);
  // one goes on from the other, or what is there now is an earlier state of it
  if (mine.startsWith(there) && (was.startsWith(there) || mine.startsWith(was))) return ours;
  if (there.startsWith(mine) && there.startsWith(was)) return theirs;
  return undefined;
}

/** Merged region by region; nothing as soon as one region cannot be. */
function merged(
  parts: (text: string) => string[],
  [mine, base, now]: [string, string, string],
  clash: (mine: string, base: string, now: string) => string | undefined,
): string | undefined {
  const regions = diff3Merge(parts(mine), parts(base), parts(now)).map((region) => {
    if (region.ok) return region.ok.join('');
    const { a, o, b } = region.conflict!;
    return clash(a.join(''), o.join(''), b.join(''));
  });
  return regions.every((text) => text !== undefined) ? regions.join('') : undefined;
}

/**
 * Two texts that were made of one: what either added, changed or took out, word by word. Where both changed the same words
 * both stand, what is there now first.
 */
export function mergeText(base: string, mine: string, now: string): string {
  if (mine === now || base === now) return mine;
  if (base === mine) return now;
  return merged(
    words,
    [mine, base, now],
    (a, o, b) => bothOf(a, o, b) ?? merged(pieces, [a, o, b], bothOf) ?? `${b.trimEnd()} ${a}`,
  )!;
}

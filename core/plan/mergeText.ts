import { diff3Merge } from 'node-diff3';

/** Words and what stands between them: a text is all of them in a row. */
const parts = (text: string) => text.split(/(?<=\s)(?=\S)/);

/**
 * Two texts that were made of one: what either added, changed or took out, word by word. Where both changed the same words
 * both stand, what is there now first.
 */
export function mergeText(base: string, mine: string, now: string): string {
  if (mine === now || base === now) return mine;
  if (base === mine) return now;
  return diff3Merge(parts(mine), parts(base), parts(now))
    .map((region) => {
      if (region.ok) return region.ok.join('');
      const { a, b } = region.conflict!;
      const [ours, theirs] = [a.join(''), b.join('')];
      if (ours.startsWith(theirs.trimEnd())) return ours;
      if (theirs.startsWith(ours.trimEnd())) return theirs;
      return `${theirs.trimEnd()} ${ours}`;
    })
    .join('');
}

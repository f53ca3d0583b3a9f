import { diff3Merge } from 'node-diff3';

/** Words and what stands between them: a text is all of them in a row. */
const parts = (text: string) => text.split(/(?<=\s)(?=\S)/);

/** How long two texts are the same, from their beginning. */
function alike(a: string, b: string): number {
  let n = 0;
  while (n < a.length && a[n] === b[n]) n++;
  return n;
}
const reversed = (text: string) => [...text].reverse().join('');

/**
 * The same words changed twice. Where both wrote at one place and one only wrote on, as a hand does whose letters come in
 * more than once, it is that one; otherwise both stand, what is there now first.
 */
function bothOf(ours: string, base: string, theirs: string): string {
  if (ours.startsWith(theirs.trimEnd())) return ours;
  if (theirs.startsWith(ours.trimEnd())) return theirs;
  // in front of and behind what was written all three are the same
  const front = Math.min(alike(ours, base), alike(theirs, base));
  const tails = [ours, base, theirs].map((text) => reversed(text.slice(front))) as [string, string, string];
  const behind = Math.min(alike(tails[0], tails[1]), alike(tails[2], tails[1]));
  const wrote = (text: string) => text.slice(front, text.length - behind);
  const [mine, was, there] = [wrote(ours), wrote(base), wrote(theirs)];
  const around = (text: string) => base.slice(0, front) + text + base.slice(base.length - behind);
  // one goes on from the other, or what is there now is an earlier state of it
  if (mine.startsWith(there) && (was === '' || was.startsWith(there) || mine.startsWith(was))) return ours;
  if (there.startsWith(mine) && (was === '' || there.startsWith(was))) return theirs;
  if (was === '') return around(there + mine);
  return `${theirs.trimEnd()} ${ours}`;
}

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
      const { a, o, b } = region.conflict!;
      return bothOf(a.join(''), o.join(''), b.join(''));
    })
    .join('');
}

import { KNOWN_WORDS, WORDS_CUT } from './vocabulary';
import type { Lexicon } from './lexicon';

const SHORT = new Map<Lexicon, (readonly [RegExp, string])[]>();
const skeleton = (w: string): string =>
  w[0]! +
  w
    .slice(1)
    .replace(/[aeiouy]/g, '')
    .replace(/(.)\1+/g, '$1');
/** Words by their consonants: what is left of them in haste. */
const BY_SKELETON = new Map<string, string>();
for (const w of WORDS_CUT) if (!BY_SKELETON.has(skeleton(w))) BY_SKELETON.set(skeleton(w), w);
const LEAST = 3;

/** "flr", "cstr", "extr.", "cust.": a word that is none, cut short of one that kitchens use. */
function whole(word: string, dot: boolean): string | undefined {
  const w = word.toLowerCase();
  if (KNOWN_WORDS.has(w) || w.length < (dot ? 2 : LEAST)) return undefined;
  const begun = WORDS_CUT.find((x) => x.length > w.length + 1 && x.startsWith(w));
  if (begun && (dot || w.length <= SHORT_CUT)) return begun;
  const bones = skeleton(w);
  return bones.length >= LEAST && (w.match(/[aeiou]/g)?.length ?? 0) <= 1 && w.length < LONGEST_CUT
    ? BY_SKELETON.get(bones)
    : undefined;
}
/** A second figure for an oven with a fan, behind the first. */
const OTHER_OVEN =
  /(\d{2,3} ?°? ?[CF]?) ?(?:[/,(]|or) ?(?:(?:fan|convection)(?: oven)? ?(?:at )?\d{2,3} ?°? ?[CF]?|\d{2,3} ?°? ?[CF]? ?(?:fan|convection)(?: oven)?)\)?/gi;
const LONGEST_CUT = 7;
/** Letters up to which a beginning needs no full stop. */
const SHORT_CUT = 4;

/** A line as it would be written out: what is in short, in haste or as it is spoken, in the language's common words. */
export function writtenOut(text: string, lexicon: Lexicon): string {
  let rules = SHORT.get(lexicon);
  if (!rules) {
    rules = lexicon.short.map(
      // what ends in a sign of its own needs no end of a word
      ([ways, full]) =>
        [
          new RegExp(
            `(?<![a-zà-ÿ'])(?:${ways})${/(?:['>]| \??|\(\?[=!][^)]*\))$/.test(ways) ? '' : '(?![a-zà-ÿ])'}`,
            'gi',
          ),
          full,
        ] as const,
    );
    SHORT.set(lexicon, rules);
  }
  // "160 °C (140 °C fan)": the figure of another oven
  let out = text.replace(OTHER_OVEN, '$1');
  for (const [find, full] of rules) out = out.replace(find, full);
  out = out.replace(
    /(?<![a-zà-ÿ'’\d-])([a-z]{2,8})(\.(?=\s+[a-z,;)]|,))?(?![a-zà-ÿ'’-])/gi,
    (all, word: string, dot: string | undefined) => whole(word, dot !== undefined) ?? all,
  );
  return out === text ? text : out.replace(/ {2,}/g, ' ').trim();
}

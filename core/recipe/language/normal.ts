import type { Lexicon } from './lexicon';

const SHORT = new Map<Lexicon, (readonly [RegExp, string])[]>();

/** A line as it would be written out: what is in short, in haste or as it is spoken, in the language's common words. */
export function writtenOut(text: string, lexicon: Lexicon): string {
  let rules = SHORT.get(lexicon);
  if (!rules) {
    rules = lexicon.short.map(
      // what ends in a sign of its own needs no end of a word
      ([ways, full]) => [new RegExp(`(?<![a-zà-ÿ'])(?:${ways})${/['>]|\(\?=| \??$/.test(ways) ? '' : '(?![a-zà-ÿ])'}`, 'gi'), full] as const,
    );
    SHORT.set(lexicon, rules);
  }
  let out = text;
  for (const [find, full] of rules) out = out.replace(find, full);
  return out === text ? text : out.replace(/ {2,}/g, ' ').trim();
}

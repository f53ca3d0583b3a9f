import { readNumber } from './amount';
import { nameOf } from './names';
import type { Pantry } from '../pantry/pantry';
import { ruleAgainst, type Rule } from '../plan/rules';
import { type Family, type Plan } from '../plan/plan';
import { SET_WORDS, type SetWord } from '../texture/words';

/** What a cook wants, said in a sentence: only what was said is set. */
export type Wish = {
  family?: Family;
  milkId?: string;
  people?: number;
  /** minutes after midnight */
  at?: number;
  style?: Plan['serve']['style'];
  warm?: boolean;
  word?: SetWord;
  rules: Rule[];
  /** what was said of a milk and is not known here */
  unknown: string[];
};

const FAMILY_WORDS: readonly (readonly [RegExp, Family])[] = [
  [/\bbaked custard|crème|flan\b/i, 'baked custard'],
  [/\bcustard\b/i, 'stirred custard'],
  [/\b(?:whole )?rice pudding\b/i, 'whole-rice pudding'],
  [/\b(?:ground[- ]rice|rice cream)\b/i, 'ground-rice cream'],
  [/\b(?:porridge|semolina|cornmeal|polenta)\b/i, 'porridge'],
  [/\b(?:slab|squares|traybake)\b/i, 'baked slab'],
  [/\b(?:frozen|ice|lollies)\b/i, 'frozen cream'],
];
const RULE_WORDS: readonly (readonly [RegExp, Rule])[] = [
  [/\b(?:no|without|free of) eggs?\b|\begg[- ]free\b/i, 'no egg'],
  [/\b(?:no|without) (?:alcohol|spirits?)\b|\balcohol[- ]free\b/i, 'no alcohol'],
  [/\bnobody (?:tastes|may taste)|untasted|offering\b/i, 'nobody tastes'],
  [/\b(?:no|without) (?:milk|dairy)\b|\bdairy[- ]free\b|\bvegan\b|\bfasting\b/i, 'no milk'],
  [/\b(?:no|without) (?:wheat|gluten)\b|\b(?:wheat|gluten)[- ]free\b/i, 'no wheat'],
  [/\b(?:no|without) nuts?\b|\bnut[- ]free\b/i, 'no nuts'],
  [/\b(?:no|without) coconut\b/i, 'no coconut'],
  [/\b(?:no|without) soy(?:a)?\b/i, 'no soy'],
];

/** A time such as "half past seven", "19:30", "at 8", "quarter to six pm": minutes after midnight; suppers are in the evening. */
export function timeIn(text: string): number | undefined {
  const clock = /\b(\d{1,2})[:.](\d{2})\s*(am|pm)?\b/i.exec(text);
  const evening = (h: number, half: string | undefined) =>
    half ? (h % 12) + (/pm/i.test(half) ? 12 : 0) : h < 11 ? h + 12 : h;
  if (clock) {
    const [h, m] = [Number(clock[1]), Number(clock[2])];
    if (h > 23 || m > 59) return undefined;
    return (
      (h === 0 || h >= 11 || clock[1]!.length === 2 ? (clock[3] ? evening(h, clock[3]) : h) : evening(h, clock[3])) *
        60 +
      m
    );
  }
  const past = /\b(half past|quarter past|quarter to)\s+(\w+)\s*(am|pm)?/i.exec(text);
  if (past) {
    const h = readNumber(past[2]!)?.value;
    if (h === undefined || h > 12) return undefined;
    const add = /half/i.test(past[1]!) ? 30 : /past/i.test(past[1]!) ? 15 : -15;
    return evening(h, past[3]) * 60 + add;
  }
  const at = /\bat\s+(\d{1,2}|[a-z]+)\s*(o.clock|am|pm)?\b/i.exec(text);
  const h = at && readNumber(at[1]!)?.value;
  return at && h && Number.isInteger(h) && h <= 23
    ? evening(h, /am|pm/i.test(at[2] ?? '') ? at[2] : undefined) * 60
    : undefined;
}

/** Reads a wish. Words it does not know are left alone. */
export function readWish(text: string, pantry: Pantry): Wish {
  const t = text.slice(0, 400);
  const wish: Wish = { rules: RULE_WORDS.filter(([r]) => r.test(t)).map(([, rule]) => rule), unknown: [] };
  const family = FAMILY_WORDS.find(([r]) => r.test(t));
  if (family) wish.family = family[1];
  const forPeople =
    /\b(?:for|serves)\s+(?!half|quarter)(\d{1,2}|[a-z]+)\b(?![:.]\d)/i.exec(t) ??
    /\b(\d{1,2}|[a-z]+)\s+(?:people|guests|singers|of us)\b/i.exec(t);
  const people = forPeople && readNumber(forPeople[1]!)?.value;
  if (people && Number.isInteger(people) && people <= 60) wish.people = people;
  const at = timeIn(t);
  if (at !== undefined) wish.at = at;
  if (/\b(turned out|unmould\w*|stand(?:s|ing)? by itself)\b/i.test(t)) wish.style = 'turned out';
  else if (/\b(cut|sliced?|squares|wedges|pieces)\b/i.test(t)) wish.style = 'cut';
  else if (/\b(spoon\w*|in (?:cups|glasses|bowls))\b/i.test(t)) wish.style = 'spooned';
  if (/\b(warm|hot)\b/i.test(t)) wish.warm = true;
  else if (/\b(cold|chilled|cool)\b/i.test(t)) wish.warm = false;
  wish.word = SET_WORDS.find((w) => new RegExp(`\\b${w.replace(/s$/, 's?')}\\b`, 'i').test(t));
  if (wish.word === undefined) delete wish.word;
  const milk = /\b([a-zé-]+(?: [a-zé-]+)? (?:milk|drink|cream)|milk|water)\b/gi;
  for (const m of t.replace(/\b(?:no|without) [a-z]+\b/gi, ' ').matchAll(milk)) {
    const words = m[0].replace(/^(?:from|with|of|in|the|some|a|my) /i, '').split(' ');
    // "ten oat milk" is oat milk; a milk whose own word nothing explains is not taken for another
    const found = [words, words.length > 2 ? words.slice(-2) : []]
      .map((w) => nameOf(w.join(' ')))
      .find((n) => n && n.unsure === undefined);
    const i = found && pantry.get(found.id);
    if (!found) wish.unknown.push(words.join(' '));
    if (i?.group === 'milk' && ruleAgainst(i, wish.rules) === undefined) wish.milkId = i.id;
  }
  return wish;
}

import type { Pantry } from '../../pantry/pantry';
import { gramsOf, readAmount, type Amount } from '../amount';
import type { ReadOptions } from '../lines';
import { everyNameIn } from '../names';
import type { Class, Lexicon } from './lexicon';

/** "about a cup of the hot mixture": how much of what is in a vessel. */
export type Part = { kind: 'share'; share: 'little'; at: number; end: number; text: string };

/** What goes into the dish: one line of the list, or what a sentence names first. */
export type Thing = {
  /** of the pantry; `?` for what nobody here knows */
  id: string;
  text: string;
  /** in all, as far as the text says */
  grams?: number | undefined;
  optional: boolean;
  /** the part of the recipe that it stands under; undefined in the dish itself */
  component?: string | undefined;
  /** said on its line */
  purpose?: 'top' | 'serve' | 'grease' | undefined;
  heldG?: number | undefined;
  /** counted by another line */
  again?: boolean;
  /** named by a sentence and on no list */
  found?: boolean;
};

/** A thing that a sentence names. */
export type Mention = {
  kind: 'thing';
  things: number[];
  /** of all there is of it; undefined: what is left of it */
  grams?: number;
  share?: number | 'rest' | 'most' | 'little' | 'kept';
  /** "of the milk": a part of what is known */
  definite: boolean;
  hot: boolean;
  boiling?: true;
  /** "the whites" of eggs that are listed whole */
  whites?: true;
  cold: boolean;
  at: number;
  end: number;
};
/** "the yolk mixture", "the milk pan": what holds these things. */
export type Holder = {
  kind: 'holder';
  things: number[];
  /** an amount without a name: what was kept back, or the rest of it */ kept?: 'kept' | 'rest';
  at: number;
  end: number;
};

const FOODS = new Map<Lexicon, RegExp>();
const CLASSES = new Map<Lexicon, { find: RegExp; whole: RegExp; of: Class }[]>();
const classesOf = (lexicon: Lexicon) => {
  let known = CLASSES.get(lexicon);
  if (!known) {
    known = lexicon.classes.map((of) => ({
      find: new RegExp(`(?<![a-zà-ÿ])(?:${of.ways})(?![a-zà-ÿ])`, 'gi'),
      whole: new RegExp(`^(?:${of.ways})$`, 'i'),
      of,
    }));
    CLASSES.set(lexicon, known);
  }
  return known;
};

const inClass = (c: Class, id: string, pantry: Pantry): boolean => {
  const i = pantry.get(id);
  return (
    (c.ids?.test(id) ?? false) ||
    (c.group !== undefined && i?.group === c.group) ||
    (c.comesOut === true && i?.comesOut === true)
  );
};

/** Letters between an amount and its name: "of the", "cold whole", "very finely chopped". */
const BETWEEN =
  /^(?:\s|-|(?:of|the|a|an|my|your|this|that|it|cold|hot|warm|boiling|fresh|whole|fine|finely|thick|thin|heaped|level|rounded|good|large|small|little|bit|more|same|plain|unsweetened|sweetened|ground|grated|chopped|dried|softened|melted|beaten|separated|whipped|toasted|soft|raw|clean|full|further|extra|skinned|sifted|freshly|cooled|dark|light|white|yellow|brown|tinned|canned|unsalted|salted|long|short|grain|round|granulated|,)(?=\s|-|$|,))*$/i;
/** "a quart of new milk": any word or two may stand between. */
const ANY_WORDS = /^(?:(?!and|to|in|with|for|or|into|then|it\b)[a-zà-ÿ-]+\s+){0,2}$/i;
const AMOUNT_START =
  /(?<![a-zà-ÿ\d.,/])(?:\d|[½¼¾⅓⅔⅛]|(?:about|heaped|level|rounded|scant|half|quarter|three[- ]quarters|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|some|couple|knob|pinch|splash|dash|handful)\b)/gi;
const REACH = 90;

type Measured = { amount: Amount; at: number; end: number };
/** Amounts in a sentence, and where what they measure begins. */
function amountsIn(s: string, o: ReadOptions, measure: { cup?: string }): Measured[] {
  const out: Measured[] = [];
  for (const m of s.matchAll(AMOUNT_START)) {
    if (out.some((x) => m.index < x.end)) continue;
    const amount = readAmount(s.slice(m.index, m.index + REACH), o.system);
    if (amount) again(amount, s.slice(m.index, m.index + amount.took), measure);
    if (amount && amount.took > 0) out.push({ amount, at: m.index, end: m.index + amount.took });
  }
  return out;
}

const CUPS = /^(?:cup|glass|mug|teacup|coffee cup|tea glass|tumbler|wineglass|katori|bowl)$/;
/** "two of the same cups" are of the cup that was named before. */
function again(a: Amount, text: string, measure: { cup?: string }) {
  if (!a.unit || !CUPS.test(a.unit)) return;
  if (/\bsame\b/i.test(text) && measure.cup) a.unit = measure.cup;
  else measure.cup = a.unit;
}

/** "butter the size of a walnut", "an egg-sized piece of": g (C). */
const SIZES: readonly (readonly [RegExp, number])[] = [
  [/^[^.,;]{0,6}\b(?:the )?size of (?:a |an )?(?:hazelnut|small nut)/i, 5],
  [/^[^.,;]{0,6}\b(?:the )?size of (?:a |an )?(?:walnut|nut)/i, 15],
  [/^[^.,;]{0,6}\b(?:the )?size of (?:a |an )?egg/i, 50],
];
const BEHIND = /^\s*(?:,? that is|,? which is|,? say|,|\(|:|=)\s*/i;

/** "a coffee cup", "a rice spoon": a measure. */
const CUPLIKE = /^[ -](?:cups?|spoons?|glass(?:es)?|bowls?)(?![a-z])/i;
const VERB_HERE = /^(?:butter|oil|cream(?= the))\s+(?:an?|the|your|some|six|four|eight|each|it|\d+)\s/i;
const AT_CLAUSE = /(?:^|[.,;:!]\s*|\band\s+|\bthen\s+|\byou\s+|\bI\s+|\bto\s+|\bmeanwhile\s+|\bnow\s+|\bfirst\s+)$/i;

const EITHER = /\b(?:or|nor)\s+(?:an?\s+|the\s+|some\s+)?$/i;

type Hit = { at: number; end: number; id?: string; of?: Class };
/** A sentence as its names are looked for: what there is, what is measured, which part is spoken of. */
type Sought = {
  s: string;
  things: Thing[];
  pantry: Pantry;
  lexicon: Lexicon;
  o: ReadOptions;
  prefer: (t: Thing) => number;
  measure: { cup?: string };
  amounts: readonly Measured[];
  /** something is listed: a name that is not there was forgotten */
  known: boolean;
};
const meets = (a: { at: number; end: number }, b: { at: number; end: number }): boolean => a.at < b.end && b.at < a.end;

/** Things and what holds them, as a sentence names them; what nobody listed is put down as found. */
export function mentionsIn(
  s: string,
  things: Thing[],
  pantry: Pantry,
  lexicon: Lexicon,
  o: ReadOptions,
  prefer: (t: Thing) => number,
  busy: readonly { at: number; end: number }[] = [],
  measure: { cup?: string } = {},
): (Mention | Holder | Part)[] {
  const hits = hitsIn(s, things, lexicon).filter((h) => !busy.some((b) => meets(h, b)));
  const known = things.some((t) => !t.found);
  const sought: Sought = { s, things, pantry, lexicon, o, prefer, measure, amounts: amountsIn(s, o, measure), known };
  const out: (Mention | Holder | Part)[] = [];
  let past = 0;
  for (const h of hits) {
    if (h.at < past) continue;
    const m = mentionOf(h, sought, out.length > 0);
    if (!m) continue;
    past = m.end;
    out.push(m);
  }
  for (const m of [...byTheCan(sought), ...amountsAlone(sought)]) if (!out.some((x) => meets(m, x))) out.push(m);
  return out.sort((a, b) => a.at - b.at);
}

/** Where a sentence names something: unknown lines by their own words, food, the pantry, and what means any of a sort. */
function hitsIn(s: string, things: readonly Thing[], lexicon: Lexicon): Hit[] {
  const hits: Hit[] = [];
  const put = (h: Hit) => {
    if (h.end > h.at && !hits.some((x) => meets(h, x))) hits.push(h);
  };
  for (const [i, t] of things.entries()) {
    const name = t.id === '?' ? ownName(t.text) : undefined;
    const at = name ? s.toLowerCase().indexOf(name) : -1;
    if (name && at >= 0) put({ at, end: at + name.length, id: `?${i}` });
  }
  let foods = FOODS.get(lexicon);
  if (!foods) FOODS.set(lexicon, (foods = new RegExp(`(?<![a-zà-ÿ])(?:${lexicon.foods})(?![a-zà-ÿ])`, 'gi')));
  for (const m of s.matchAll(foods)) put({ at: m.index, end: m.index + m[0].length, id: '?' });
  for (const h of everyNameIn(s)) put(h);
  for (const c of classesOf(lexicon))
    for (const m of s.matchAll(c.find)) put({ at: m.index, end: m.index + m[0].length, of: c.of });
  return hits.sort((a, b) => a.at - b.at);
}

/** The amount that stands before a name, or reaches into it. */
const measureOf = (h: Hit, { s, amounts }: Sought): Measured | undefined =>
  amounts.find(
    (a) =>
      a.end <= h.at &&
      a.at < h.at &&
      (BETWEEN.test(s.slice(a.end, h.at)) ||
        (/\bof\s*$/i.test(s.slice(a.at, a.end)) && ANY_WORDS.test(s.slice(a.end, h.at)))),
  ) ?? amounts.find((a) => a.at < h.at && a.end > h.at && a.end <= h.end);

/** What a name in its place means: things, what holds them, or nothing. */
function mentionOf(h: Hit, x: Sought, behindAnother: boolean): Mention | Holder | undefined {
  const { s, things, pantry, lexicon } = x;
  const text = s.slice(h.at, h.end);
  const after = s.slice(h.end);
  // "Butter a dish": what is done, and no thing
  if ((VERB_HERE.test(s.slice(h.at)) && AT_CLAUSE.test(s.slice(0, h.at))) || CUPLIKE.test(after)) return undefined;
  const definite = /\b(?:the|this|your|hot|warm|cold|remaining)\s+(?:\w+\s+)?$/i.test(s.slice(0, h.at));
  const found = resolve(h, text, things, pantry, lexicon, x.prefer, definite);
  const not = new RegExp(`^[\\s-]+(?:${lexicon.words.notThing})(?![a-z])`, 'i').exec(after);
  if (not) return { kind: 'holder', things: NO_HOLDER.test(not[0]) ? [] : found, at: h.at, end: h.end + not[0].length };
  const measured = measureOf(h, x);
  const from = measured ? Math.min(measured.at, h.at) : h.at;
  // "or almond milk": another way, not another thing
  if (EITHER.test(s.slice(0, from)) && behindAnother) return { kind: 'holder', things: [], at: from, end: h.end };
  // "3 eggs and 2 yolks": an amount of its own is a thing of its own, where nothing is listed
  const apart = !x.known && measured && !definite && h.id !== undefined && things[found[0] ?? -1]?.id !== h.id;
  let list = apart && found.length === 1 ? [] : found;
  if (!list.length) {
    // "onto the cream" that nobody listed: what is there
    const whatIsThere = x.known && definite && /^(?:cream|milk|powder)$/i.test(text);
    if (h.id === undefined || whatIsThere || (h.id === 'water' && !measured)) return undefined;
    list = [newThing(h.id, s.slice(from, h.end), things)];
  }
  return told(h, list, measured, from, x);
}
/** Behind a name these make another thing of it, in which there is none of it. */
const NO_HOLDER = /(?:jar|paper|thermometer|lover|skin|mould|bath|mill|cooker|foam)$/i;

/** How much of the things is meant, how hot, and whether it is a part of what is known. */
function told(h: Hit, list: number[], measured: Measured | undefined, from: number, x: Sought): Mention {
  const { s, things, pantry } = x;
  const thing = things[list[0]!]!;
  const between = measured ? s.slice(measured.end, h.at) : '';
  const partOf = measured !== undefined && /\b(?:the|this|that|your|my|it)\b/i.test(between);
  const before = s.slice(Math.max(0, from - BEFORE_LETTERS), h.at);
  const unit = measured?.amount.unit;
  const ladled =
    unit !== undefined &&
    /^(?:ladle|splash|spoon|dash|drizzle|little|some)$/.test(unit) &&
    (partOf || /\bhot\b/i.test(between) || thing.grams !== undefined);
  const here = ladled ? undefined : gramsHere(s, h, measured, thing, pantry, x.o, x.measure);
  const grams = here?.grams;
  // "half of the milk"
  const count = measured && unit === undefined ? measured.amount.count : 1;
  const fraction = grams === undefined && count < 1 && !pantry.get(thing.id)?.egg ? count : undefined;
  // a first amount is how much there is of it; another is more of it, where nothing is listed
  if (grams !== undefined && thing.found && !partOf && list.length === 1) {
    const same = /\b(?:the|remaining|other|rest|same|your|my)\s+(?:\w+\s+)?$/i.test(s.slice(0, from));
    if (thing.grams === undefined) thing.grams = grams;
    else if (!same && !x.known && thing.text !== s.slice(from, h.end)) thing.grams += grams;
  }
  const size = SIZES.find(([r]) => r.test(s.slice(h.end)))?.[0].exec(s.slice(h.end))?.[0].length ?? 0;
  return {
    kind: 'thing',
    things: list,
    ...(grams === undefined ? {} : { grams }),
    ...(ladled ? { share: 'little' as const } : fraction === undefined ? {} : { share: fraction }),
    definite: partOf,
    hot: /\b(?:hot|boiling|warm|steaming|simmering|scalded|bubbling)\s+(?:\w+\s+)?$/i.test(before),
    ...(/\b(?:boiling|bubbling|simmering)\s+(?:\w+\s+)?$/i.test(before) ? { boiling: true as const } : {}),
    cold: /\bcold\s+(?:\w+\s+)?$/i.test(before),
    ...(/\bwhites?\b/i.test(s.slice(h.at, h.end)) && thing.id === 'egg' ? { whites: true as const } : {}),
    at: from,
    end: h.end + Math.max(size, here?.behind ?? 0),
  };
}
/** Letters before a name in which it is said how hot it is. */
const BEFORE_LETTERS = 14;

/** "Half a tin", "the second can": of what is bought in one. */
function byTheCan({ s, things, pantry, o, amounts }: Sought): Mention[] {
  const i = things.findIndex(
    (t) => !t.again && pantry.get(t.id)?.group === 'milk' && /\b(?:cans?|tins?)\b/i.test(t.text),
  );
  const whole = i < 0 ? undefined : readAmount(things[i]!.text, o.system);
  if (whole?.unit !== 'can') return [];
  const of = (at: number, end: number, cans: number): Mention => {
    const share = Math.min(1, cans / whole.count);
    return { kind: 'thing', things: [i], share, definite: true, hot: false, cold: false, at, end };
  };
  const ordinal = /\b(?:the\s+)?(?:first|second|third|other|last|one)\s+(?:can|tin)\b/i.exec(s);
  return [
    ...amounts.filter((a) => a.amount.unit === 'can').map((a) => of(a.at, a.end, a.amount.count)),
    ...(ordinal ? [of(ordinal.index, ordinal.index + ordinal[0].length, 1)] : []),
  ];
}

/** Amounts without a name: "about a cup of the mixture", "into the 1/2 cup" that was kept back. */
const amountsAlone = ({ s, amounts }: Sought): (Holder | Part)[] =>
  amounts.flatMap(({ at, end, amount }): (Holder | Part)[] => {
    if (amount.unit === undefined) return [];
    const text = s.slice(at, end);
    if (/^\s*(?:of\s+)?(?:the|this|that|it)\b/i.test(s.slice(end)) || /\bof (?:the|this|that)\s*$/i.test(text))
      return [{ kind: 'share', share: 'little', at, end, text }];
    const before = s.slice(0, at);
    if (!/\b(?:the|that|this)\s+(?:\w+\s+)?$/i.test(before)) return [];
    if (!/^(?:cup|ml|g|glass|teacup|tbsp|dl|tumbler|mug|oz)$/.test(amount.unit)) return [];
    const kept = /\b(?:other|remaining|rest of the)\s+$/i.test(before) ? 'rest' : 'kept';
    return [{ kind: 'holder', things: [], kept, at, end }];
  });

function gramsHere(
  s: string,
  h: { at: number; end: number },
  measured: Measured | undefined,
  thing: Thing,
  pantry: Pantry,
  o: ReadOptions,
  measure: { cup?: string },
): { grams: number; behind?: number } | undefined {
  const i = pantry.get(thing.id);
  if (!i) return undefined;
  // "rice, that is 150 grams", "sugar, one of the same cups"
  const behind = BEHIND.exec(s.slice(h.end));
  if (behind && (!measured || /that|which|\(/.test(behind[0]))) {
    const a = readAmount(s.slice(h.end + behind[0].length).slice(0, REACH), o.system);
    if (a) again(a, s.slice(h.end, h.end + behind[0].length + a.took), measure);
    const w =
      a?.unit && !a.vague && /^(?:$|[).,;]|again|and (?!a)|so\b|or so)/i.test(a.rest) ? gramsOf(a, i, o) : undefined;
    if (w && a) return { grams: w.grams, behind: behind[0].length + a.took };
  }
  // "the milk you held back (a teacup)"
  const bracket = /^[^.,;()]{0,24}\(([^)]{3,30})\)/.exec(s.slice(h.end))?.[1];
  const inside = bracket === undefined || measured ? undefined : readAmount(bracket, o.system);
  if (inside?.unit) {
    const w = gramsOf(inside, i, o);
    if (w) return { grams: w.grams, behind: s.slice(h.end).indexOf(')') + 1 };
  }
  if (measured && (!measured.amount.vague || /^(?:pinch|knob|handful|dash)$/.test(measured.amount.unit ?? ''))) {
    const w = gramsOf(measured.amount, i, o);
    if (w) return { grams: w.grams };
  }
  const grams = SIZES.find(([r]) => r.test(s.slice(h.end)))?.[1];
  return grams === undefined ? undefined : { grams };
}

function newThing(id: string, text: string, things: Thing[]): number {
  things.push({ id, text, optional: false, found: true });
  return things.length - 1;
}

/** The last words of a line whose name is not known: how steps will call it. */
function ownName(text: string): string | undefined {
  const words = text
    .toLowerCase()
    .replace(/\([^)]*\)/g, ' ')
    .split(/[,;]/)[0]!
    .match(/[a-zà-ÿ]{3,}/g);
  return words?.slice(-2).join(' ') || undefined;
}

const isNut = (id: string, pantry: Pantry): boolean =>
  pantry.get(id)?.group === 'nut' || /^(?:almonds|cashew|pistachio|hazelnuts|walnuts|pecans|nuts)_/.test(id);

/** Letters of a word by which a line may be known. */
const LEAST_WORD = 3;
/** The same of one of several words. */
const LONG_WORD = 6;

const ADJECTIVES =
  /\b(?:hot|cold|warm|boiling|fresh|remaining|whole|the|soaked|drained|reserved|beaten|cooked|ground|grated|chopped|all)\b|\bof\b/gi;

/** Which things of the recipe are meant. A bare word means whatever of its sort there is. */
function resolve(
  h: { id?: string; of?: Class },
  text: string,
  things: readonly Thing[],
  pantry: Pantry,
  lexicon: Lexicon,
  prefer: (t: Thing) => number,
  definite: boolean,
): number[] {
  if (h.id === '?') {
    const at = things.findIndex((t) => t.id === '?' && t.text.toLowerCase().includes(text.toLowerCase()));
    return at >= 0 ? [at] : [];
  }
  if (h.id?.startsWith('?')) return [Number(h.id.slice(1))];
  const known = things.map((t, i) => [t, i] as const).filter(([t]) => !t.again || t.purpose === 'grease');
  const best = (hits: (readonly [Thing, number])[]): number[] => {
    if (hits.length < 2) return hits.map(([, i]) => i);
    const most = Math.max(...hits.map(([t]) => prefer(t)));
    return [hits.find(([t]) => prefer(t) === most)![1]];
  };
  const exact = known.filter(([t]) => t.id === h.id && t.purpose !== 'grease');
  // the sugar of another part, where this part has one of its own
  const elsewhere = exact.length > 0 && exact.every(([t]) => prefer(t) === 0);
  if (exact.length && !elsewhere) return best(exact);
  const greased = known.filter(([t]) => t.id === h.id);
  if (greased.length) return best(greased);
  const bare = text.replace(ADJECTIVES, ' ').trim();
  const classes = h.of
    ? [h.of]
    : classesOf(lexicon)
        .filter((c) => !/\s/.test(bare) && c.whole.test(bare))
        .map((c) => c.of);
  for (const c of classes) {
    const hits = known.filter(
      ([t]) => t.purpose !== 'grease' && inClass(c, t.id, pantry) && (!elsewhere || prefer(t) > 0),
    );
    if (!hits.length) continue;
    if (!c.many) return best(hits);
    const most = Math.max(...hits.map(([t]) => prefer(t)));
    return hits.filter(([t]) => prefer(t) === most).map(([, i]) => i);
  }
  if (elsewhere) return best(exact);
  // "the milk" of nuts that are blended with water
  const drink = h.id?.endsWith('_drink') === true && definite;
  if (drink && !known.some(([t]) => isNut(t.id, pantry))) {
    const milk = known.filter(([t]) => pantry.get(t.id)?.group === 'milk' && t.id !== 'water');
    if (milk.length) return best(milk);
  }
  if ((/^milk$/i.test(bare) || drink) && known.some(([t]) => isNut(t.id, pantry))) {
    const water = known.filter(([t]) => t.id === 'water');
    if (water.length) return best(water);
  }
  // its line says the word
  const said = bare.toLowerCase().split(/\s+/);
  const words = said
    .map((w) => w.replace(/(?:ies|y|es|s)$/, ''))
    .filter((w) => w.length >= (said.length > 1 ? LONG_WORD : LEAST_WORD));
  return best(
    known.filter(
      ([t]) => !t.found && t.purpose !== 'grease' && words.some((w) => new RegExp(`\\b${w}`, 'i').test(t.text)),
    ),
  );
}

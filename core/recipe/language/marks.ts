import { fahrenheitToCelsius } from '../../units/measures';
import { readNumber } from '../amount';
import type { Deed, Level, Lexicon, Place, Sign, VesselWord } from './lexicon';

/** What a stretch of a sentence says, and where it stands in it. */
type Said =
  | { kind: 'deed'; deed: Deed }
  | { kind: 'vessel'; vessel: VesselWord }
  | { kind: 'sign'; sign: Sign }
  | { kind: 'place'; place: Place }
  | { kind: 'level'; level: Level }
  | { kind: 'lid'; lid: 'on' | 'ajar' | 'off' }
  | { kind: 'stirring'; stirring: keyof Lexicon['stirring'] }
  | { kind: 'content'; content: keyof Lexicon['contents'] }
  | { kind: 'share'; share: number | 'rest' | 'most' | 'little' }
  | { kind: 'gradual' }
  | { kind: 'time'; lowMin: number; highMin: number; more: boolean; every: boolean; after: boolean }
  | { kind: 'temp'; tempC: number }
  | { kind: 'word'; word: keyof Lexicon['words'] }
  | { kind: 'stop'; hard: boolean };
export type Mark = Said & { at: number; end: number; text: string };

const whole = (ways: string, flags = 'gi') => new RegExp(`(?<![a-zà-ÿ'])(?:${ways})(?![a-zà-ÿ])`, flags);

type Rule = { find: RegExp; said: Said; weight: number };
const RULES = new Map<Lexicon, Rule[]>();

/** A word that is part of a longer way of saying the same thing counts for less than that. */
const WEIGHT = {
  word: -0.5,
  until: -0.4,
  content: -0.3,
  deed: 0.2,
  sign: 0.1,
  level: 0.3,
  stirring: 0.6,
  lid: 0.5,
} as const;

/** The words of the lexicon that are looked for by themselves; the others are asked for where they matter. */
const FREE_WORDS = [
  'into', 'onto', 'from', 'together', 'until', 'when', 'meanwhile', 'if', 'not', 'offHeat', 'onHeat', 'overWater', 'bath',
  'coldOven', 'except', 'hot', 'cold', 'beside', 'onTop', 'overnight', 'keptBack', 'alternative',
] as const; // prettier-ignore

function rulesOf(lexicon: Lexicon): Rule[] {
  const known = RULES.get(lexicon);
  if (known) return known;
  const out: Rule[] = [];
  const of = <K extends string>(ways: Readonly<Record<K, string>>, said: (k: K) => Said, weight = 0) => {
    for (const k of Object.keys(ways) as K[]) out.push({ find: whole(ways[k]), said: said(k), weight });
  };
  of(lexicon.deeds, (deed) => ({ kind: 'deed', deed }), WEIGHT.deed);
  of(lexicon.vessels, (vessel) => ({ kind: 'vessel', vessel }));
  of(lexicon.signs, (sign) => ({ kind: 'sign', sign }), WEIGHT.sign);
  of(lexicon.places, (place) => ({ kind: 'place', place }));
  of(lexicon.levels, (level) => ({ kind: 'level', level }), WEIGHT.level);
  of(lexicon.lids, (lid) => ({ kind: 'lid', lid }), WEIGHT.lid);
  of(lexicon.stirring, (stirring) => ({ kind: 'stirring', stirring }), WEIGHT.stirring);
  of(lexicon.contents, (content) => ({ kind: 'content', content }), WEIGHT.content);
  for (const [ways, share] of lexicon.shares)
    out.push({ find: whole(ways), said: { kind: 'share', share }, weight: 0 });
  out.push({ find: whole(lexicon.gradual), said: { kind: 'gradual' }, weight: 0 });
  for (const word of FREE_WORDS)
    out.push({
      find: whole(lexicon.words[word]),
      said: { kind: 'word', word },
      weight: word === 'until' ? WEIGHT.until : WEIGHT.word,
    });
  RULES.set(lexicon, out);
  return out;
}

const UNIT_MIN: readonly (readonly [RegExp, number])[] = [
  [/^(?:s|secs?|seconds?)\b/i, 1 / 60],
  [/^(?:m|mins?|minutes?)\b/i, 1],
  [/^(?:h|hrs?|hours?)\b/i, 60],
  [/^days?\b/i, 1440],
];
const NUMBER_HEAD =
  /(?<![a-zà-ÿ\d.,/])(?:\d|[½¼¾⅓⅔]|(?:half|quarter|three[- ]quarters|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|twenty|twenty-five|thirty|forty|forty-five|fifty|sixty|ninety)\b)/gi;
const TENS: Readonly<Record<string, number>> = {
  fifteen: 15,
  twenty: 20,
  'twenty-five': 25,
  thirty: 30,
  forty: 40,
  'forty-five': 45,
  fifty: 50,
  sixty: 60,
  ninety: 90,
};

function numberAt(s: string): { value: number; took: number } | undefined {
  const word = /^[a-z]+(?:-five)?/i.exec(s)?.[0].toLowerCase();
  const tens = word === undefined ? undefined : TENS[word];
  return word !== undefined && tens !== undefined ? { value: tens, took: word.length } : readNumber(s);
}

const GAP = /^(?:\s|-)*/;
/** A time at the head of `s`: "20 to 25 minutes", "an hour and ten minutes", "a minute or two", "half an hour". */
export function timeAt(s: string): { low: number; high: number; took: number; more: boolean } | undefined {
  const first = numberAt(s);
  if (!first) return undefined;
  let took = first.took;
  let [low, high] = [first.value, first.value];
  const gap = () => (took += GAP.exec(s.slice(took))![0].length);
  const range = /^\s*(?:-|–|to|or)\s*/i.exec(s.slice(took));
  const second = range && numberAt(s.slice(took + range[0].length));
  if (range && second && second.value > low) {
    high = second.value;
    took += range[0].length + second.took;
  }
  gap();
  const more = /^(?:more|further|another|full|good|extra|of an?|whole|short)\s+/i.exec(s.slice(took));
  if (more) took += more[0].length;
  let word = more?.[0] ?? '';
  const unit = UNIT_MIN.find(([u]) => u.test(s.slice(took)));
  if (!unit) return undefined;
  took += unit[0].exec(s.slice(took))![0].length;
  [low, high] = [low * unit[1], high * unit[1]];
  // "a minute or two", "an hour and a half", "an hour and ten minutes"
  const orTwo = /^\s+or\s+(two|three|so)\b(?!\s+(?:min|hour))/i.exec(s.slice(took));
  if (orTwo) {
    took += orTwo[0].length;
    if (!/so/i.test(orTwo[1]!)) high = (orTwo[1]!.toLowerCase() === 'two' ? 2 : 3) * unit[1];
  }
  const half = /^\s+and\s+(?:a\s+)?(half|quarter)\b/i.exec(s.slice(took));
  if (half) {
    const part = (half[1]!.toLowerCase() === 'half' ? 0.5 : 0.25) * unit[1];
    [low, high, took] = [low + part, high + part, took + half[0].length];
  } else if (unit[1] >= 60) {
    const and = /^,?\s+(?:and\s+)?/i.exec(s.slice(took));
    const further = and && timeAt(s.slice(took + and[0].length));
    if (and && further && further.high < unit[1])
      [low, high, took] = [low + further.low, high + further.high, took + and[0].length + further.took];
  }
  const behind = /^\s+(?:more|longer|further|extra)\b/i.exec(s.slice(took));
  if (behind) {
    word += behind[0];
    took += behind[0].length;
  }
  return { low, high, took, more: /more|further|another|longer|extra/i.test(word) };
}

const BEFORE_TIME = 24;
function times(s: string, lexicon: Lexicon): Mark[] {
  const out: Mark[] = [];
  let past = 0;
  for (const m of s.matchAll(NUMBER_HEAD)) {
    if (m.index < past) continue;
    const t = timeAt(s.slice(m.index));
    if (!t) continue;
    const before = s.slice(Math.max(0, m.index - BEFORE_TIME), m.index);
    const at = (ways: string) =>
      new RegExp(`(?:^|[^a-z])(?:${ways})\\s+(?:about |around |roughly |these |those )?$`, 'i').test(before);
    past = m.index + t.took;
    out.push({
      kind: 'time',
      lowMin: t.low,
      highMin: t.high,
      more: t.more || at(lexicon.words.more),
      every: at(lexicon.words.everyTime),
      after: at(lexicon.words.afterTime),
      at: m.index,
      end: past,
      text: s.slice(m.index, past),
    });
  }
  return out;
}

/** Degrees: a figure above 260, or one marked F, is Fahrenheit; a gas mark is a step of 14 degC. */
function temps(s: string): Mark[] {
  const out: Mark[] = [];
  const push = (m: RegExpMatchArray, tempC: number) =>
    out.push({ kind: 'temp', tempC, at: m.index!, end: m.index! + m[0].length, text: m[0] });
  for (const m of s.matchAll(
    /(\d{2,3})\s*(?:°|º|degrees?|deg\.?)\s*(c|f|celsius|fahrenheit|centigrade)?(?![a-z])|(\d{2,3})\s?(c|f)\b/gi,
  )) {
    const n = Number(m[1] ?? m[3]);
    const unit = (m[2] ?? m[4])?.toLowerCase()[0];
    push(m, unit === 'f' || (unit === undefined && n > 260) ? Math.round(fahrenheitToCelsius(n)) : n);
  }
  for (const m of s.matchAll(/\bgas(?: mark)? (\d{1,2})\b/gi)) push(m, 121 + 14 * Number(m[1]));
  for (const m of s.matchAll(
    /\b(?:oven|at|to|bake)\b[^.;]{0,14}?(\d{3})(?!\s*(?:min|ml|g\b|cm|mm|x|×|°|º|deg|[cf]\b|\d))/gi,
  )) {
    const n = Number(m[1]);
    const at = m.index + m[0].length - m[1]!.length;
    if (n >= 90 && n <= 500)
      out.push({
        kind: 'temp',
        tempC: n > 260 ? Math.round(fahrenheitToCelsius(n)) : n,
        at,
        end: at + m[1]!.length,
        text: m[1]!,
      });
  }
  return out.filter((m, i) => out.findIndex((o) => o.at <= m.at && m.end <= o.end) === i);
}

/** Which letters of a text are read already. */
export class Covered {
  private readonly letters: Uint8Array;
  constructor(length: number) {
    this.letters = new Uint8Array(length);
  }
  put({ at, end }: { at: number; end: number }): void {
    this.letters.fill(1, at, end);
  }
  free({ at, end }: { at: number; end: number }): boolean {
    for (let i = at; i < end; i++) if (this.letters[i]) return false;
    return true;
  }
}

/** Of two that overlap, the one that says more. */
const saysMore = (m: Mark & { weight: number }) => m.end - m.at + m.weight;

/**
 * What a sentence says, in its order; nothing overlaps.
 * @param taken stretches that are names of things, and are not read as anything else
 */
export function marksOf(s: string, lexicon: Lexicon, taken: readonly { at: number; end: number }[] = []): Mark[] {
  const covered = new Covered(s.length);
  for (const x of taken) covered.put(x);
  const free = (m: { at: number; end: number }) => covered.free(m);
  // "every five minutes" is a way of stirring
  const timed = times(s, lexicon).filter((m) => free(m) && !(m.kind === 'time' && m.every));
  const found: (Mark & { weight: number })[] = [
    ...timed.map((m) => ({ ...m, weight: 40 })),
    ...temps(s)
      .filter(free)
      .map((m) => ({ ...m, weight: 40 })),
  ];
  for (const r of rulesOf(lexicon))
    for (const m of s.matchAll(r.find)) {
      if (!m[0].length) continue;
      const mark = { ...r.said, at: m.index, end: m.index + m[0].length, text: m[0], weight: r.weight };
      if (free(mark)) found.push(mark);
    }
  for (const m of s.matchAll(/[.;:!?]+(?=\s|$)|,|\s[-–—]\s|[()]/g)) {
    const mark: Mark & { weight: number } = {
      kind: 'stop',
      hard: !/[,()]/.test(m[0]),
      at: m.index,
      end: m.index + m[0].length,
      text: m[0],
      weight: 0,
    };
    if (free(mark)) found.push(mark);
  }
  found.sort((a, b) => saysMore(b) - saysMore(a));
  const kept: Mark[] = [];
  for (const { weight: _w, ...m } of found)
    if (covered.free(m)) {
      covered.put(m);
      kept.push(m as Mark);
    }
  return kept.sort((a, b) => a.at - b.at);
}

const DEED_RULES = new Map<Lexicon, RegExp[]>();
/** Where the first deed of a text begins, and its words; cheaper than all that it says. */
export function firstDeed(s: string, lexicon: Lexicon): { at: number; text: string } | undefined {
  let rules = DEED_RULES.get(lexicon);
  if (!rules) DEED_RULES.set(lexicon, (rules = Object.values(lexicon.deeds).map((ways) => whole(ways, 'i'))));
  let first: { at: number; text: string } | undefined;
  for (const r of rules) {
    const m = r.exec(s);
    if (m && (!first || m.index < first.at)) first = { at: m.index, text: m[0] };
    if (first?.at === 0) break;
  }
  return first;
}

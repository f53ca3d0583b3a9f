import { linesOf } from '../plan/layout';
import { parse as parseDates } from 'chrono-node/en';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { readNumber } from './amount';
import { readLines } from './lines';
import { nameOf } from './names';
import type { Pantry } from '../pantry/pantry';
import { ruleAgainst, type Rule } from '../plan/rules';
import { DISHES } from '../pantry/kitchen';
import { PORTION_G, withHave } from '../plan/amounts';
import { dishesFor } from '../plan/newPlan';
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
  /** when it is eaten, days from today */
  inDays?: number;
  /** by the name of a dish that ships */
  dish?: string;
  /** how much of something there is, g */
  amounts: { ingredientId: string; grams: number }[];
  rules: Rule[];
  /** what was said of a milk and is not known here */
  unknown: string[];
  /** words that were not understood at all */
  unheard: string[];
};

const FAMILY_WORDS: readonly (readonly [RegExp, Family])[] = [
  [/\bbaked custard|crème|flan\b/i, 'baked custard'],
  [/\bcustard\b/i, 'stirred custard'],
  [/\b(?:whole )?rice pudding\b/i, 'whole-rice pudding'],
  [/\b(?:ground[- ]rice|rice cream)\b/i, 'ground-rice cream'],
  [/\b(?:slab|squares|traybake)\b/i, 'baked slab'],
  [/\b(?:porridge|semolina|cornmeal|polenta)\b/i, 'porridge'],
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

/** The set in other words than the strip's. */
const SET_SAID: readonly (readonly [RegExp, SetWord])[] = [
  [/\b(?:drinkable|to drink)\b/i, 'drinks'],
  [/\b(?:loose|runny|pourable|a sauce)\b/i, 'pours'],
  [/\b(?:soft|creamy|spoonable)\b/i, 'mounds'],
  [/\bthick\b/i, 'holds a trail'],
  [/\b(?:wobbly|jelly-like|trembling)\b/i, 'wobbles'],
  [/\b(?:sliceable|clean slices?)\b/i, 'slices'],
];
/** Vessels by what they are called, to the dishes that ship. */
const VESSEL_WORDS: readonly (readonly [RegExp, string])[] = [
  [/\bclay (?:cups?|pots?)\b/i, 'clay cups, 120 ml'],
  [/\b(?:on )?sticks?\b|\bstick moulds?\b|\bloll(?:y|ies)\b/i, 'stick moulds, 80 ml'],
  [/\bbig mould|one mould\b/i, 'big mould, 1 l'],
  [/\b(?:small |little )?moulds?\b/i, 'small moulds, 95 ml'],
  [/\b(?:in |into )?glasses\b/i, 'glasses, 200 ml'],
  [/\b(?:in |into )?(?:cups|ramekins)\b/i, 'cups, 150 ml'],
  [/\b(?:in |into )?(?:a |one )?(?:big |large )?bowl\b/i, 'bowl, 1.5 l'],
  [/\b(?:shallow|oven) dish\b/i, 'shallow dish, 24 × 18 cm'],
  [/\b(?:tray|tin|square tin)\b/i, 'tray, 20 × 20 cm'],
];
/** Words that carry a wish and are none. */
const EMPTY = new Set(
  (
    'a an the of for from with in into on at by to and or but so i we you me us it is are be that this some any please would like want wish ' +
    'make made something nice good pudding dessert dish i have got there enough serve served eaten eat people guests singers ' +
    'out set need needs use using my our one ones o clock am pm evening supper very more less than quite not too cook cooked'
  ).split(' '),
);
const AMOUNT =
  /(?<![\w-])(?:\d+(?:[.,]\d+)?|half an?|an?|one|two|three|four|[½¼¾])\s*(?:ml|l|litres?|liters?|g|kg|grams?|cups?|cans?|tins?|pints?|oz|lb|cartons?|packets?|tbsp|tablespoons?|spoons?)\s+(?:of\s+)?[a-zé]+(?: (?!and|for|with|in|by|at|on|to|tomorrow|today|no|cold|warm)[a-zé]+){0,2}/gi;

/** A day further off than this is no day of a supper. */
const FURTHEST_DAYS = 366;

/** Words and figures that can name a day: without one nobody looks for it. */
const DAY_WORDS =
  /\b(?:today|tonight|tomorrow|day|days|week|weeks|weekend|month|next|(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?|jan\w*|feb\w*|mar(?:ch)?|apr\w*|may|june?|july?|aug\w*|sept?\w*|oct\w*|nov\w*|dec\w*|\d{1,2}(?:st|nd|rd|th)|\d{1,4}[./-]\d{1,2})\b/gi;
/** Such words that are looked at, and letters around each. */
const MOST_DAYS = 4;
const AROUND = 30;
/** Amounts of one wish that are read: more is no wish. */
const MOST_AMOUNTS = 8;

/** The first day that is named, today or later, and the words that name it. @param today as 2026-12-11, by the cook's clock */
function dayIn(text: string, today: string): { inDays: number; said: string; at: number } | undefined {
  const from = new Date(`${today}T12:00`);
  for (const { 0: word, index: wordAt } of [...text.matchAll(DAY_WORDS)].slice(0, MOST_DAYS)) {
    const begins = Math.max(0, wordAt - AROUND);
    const around = text.slice(begins, wordAt + word.length + AROUND);
    for (const { start, text: said, index } of parseDates(around, from, { forwardDate: true })) {
      if (!start.isCertain('day') && !start.isCertain('weekday')) continue;
      const inDays = differenceInCalendarDays(start.date(), from);
      if (inDays >= 0 && inDays <= FURTHEST_DAYS) return { inDays, said, at: begins + index };
    }
  }
  return undefined;
}

/** Reads a wish: what was said is set, and what was not understood is said. @param today as 2026-12-11, by the cook's clock */
export function readWish(text: string, pantry: Pantry, today: string): Wish {
  const t = text.slice(0, 400);
  let left = t;
  /** What was understood is no longer asked about. */
  const heard = (m: RegExpExecArray | null | undefined): RegExpExecArray | undefined => {
    if (!m) return undefined;
    left = left.slice(0, m.index) + ' '.repeat(m[0].length) + left.slice(m.index + m[0].length);
    return m;
  };
  const first = <T>(list: readonly (readonly [RegExp, T])[]): T | undefined =>
    list.find(([r]) => heard(r.exec(t)))?.[1];
  const wish: Wish = {
    rules: RULE_WORDS.filter(([r]) => heard(r.exec(t))).map(([, rule]) => rule),
    amounts: [],
    unknown: [],
    unheard: [],
  };
  for (const m of [...t.matchAll(AMOUNT)].slice(0, MOST_AMOUNTS)) {
    const line = readLines([m[0]], pantry, { system: 'metric', eggSize: 'eu M' })[0];
    if (!line?.ingredientId || line.grams === undefined || line.state === 'open') continue;
    if (ruleAgainst(pantry.get(line.ingredientId)!, wish.rules) !== undefined) continue;
    heard(m);
    wish.amounts.push({ ingredientId: line.ingredientId, grams: Math.round(line.grams) });
  }
  const family = first(FAMILY_WORDS);
  if (family) wish.family = family;
  const forPeople =
    /\b(?:for|serves)\s+(?!half|quarter)(\d{1,2}|[a-z]+)\b(?![:.]\d)/i.exec(t) ??
    /\b(\d{1,2}|[a-z]+)\s+(?:people|guests|singers|of us)\b/i.exec(t);
  const people = forPeople && readNumber(forPeople[1]!)?.value;
  if (people && Number.isInteger(people) && people <= 60) {
    wish.people = people;
    heard(forPeople);
  }
  const at = timeIn(t);
  if (at !== undefined) {
    wish.at = at;
    heard(
      /\b\d{1,2}[:.]\d{2}\s*(?:am|pm)?|\b(?:half past|quarter past|quarter to)\s+\w+\s*(?:am|pm)?|\bat\s+\w+\s*(?:o.clock|am|pm)?/i.exec(
        t,
      ),
    );
  }
  const day = dayIn(left, today);
  if (day) {
    wish.inDays = day.inDays;
    left = left.slice(0, day.at) + ' '.repeat(day.said.length) + left.slice(day.at + day.said.length);
  }
  if (heard(/\b(turned out|unmould\w*|stand(?:s|ing)? by itself)\b/i.exec(t))) wish.style = 'turned out';
  else if (heard(/\b(cut|sliced?|squares|wedges|pieces)\b/i.exec(t))) wish.style = 'cut';
  else if (heard(/\b(spoon\w*|in (?:cups|glasses|bowls))\b/i.exec(t))) wish.style = 'spooned';
  if (heard(/\b(warm|hot)\b/i.exec(t))) wish.warm = true;
  else if (heard(/\b(cold|chilled|cool)\b/i.exec(t))) wish.warm = false;
  const word =
    SET_WORDS.find((w) => heard(new RegExp(`\\b${w.replace(/s$/, 's?')}\\b`, 'i').exec(t))) ?? first(SET_SAID);
  if (word !== undefined) wish.word = word;
  const dish = first(VESSEL_WORDS);
  if (dish !== undefined) wish.dish = dish;
  const milk = /\b([a-zé-]+(?: [a-zé-]+)? (?:milk|drink|cream)|milk|water)\b/gi;
  for (const m of left.matchAll(milk)) {
    const words = m[0]
      .trim()
      .replace(/^(?:from|with|of|in|the|some|a|my) /i, '')
      .split(/\s+/);
    // "ten oat milk" is oat milk; a milk whose own word nothing explains is not taken for another
    const found = [words, words.length > 2 ? words.slice(-2) : []]
      .map((w) => nameOf(w.join(' ')))
      .find((n) => n && n.unsure === undefined);
    const i = found && pantry.get(found.id);
    heard(m);
    if (!found) wish.unknown.push(words.join(' '));
    if (i?.group === 'milk' && ruleAgainst(i, wish.rules) === undefined) wish.milkId = i.id;
  }
  const ofMilk = wish.amounts.find((x) => pantry.get(x.ingredientId)?.group === 'milk');
  if (wish.milkId === undefined && ofMilk) wish.milkId = ofMilk.ingredientId;
  wish.unheard = (left.toLowerCase().match(/[a-zà-ÿ0-9][a-zà-ÿ0-9'’-]*/g) ?? []).filter(
    (w) => !EMPTY.has(w) && !(wish.people !== undefined && w === String(wish.people)),
  );
  return wish;
}

/** The plan in the vessel, and from as much milk, as was wished: what there is of it decides. */
export function wishedPlan(plan: Plan, wish: Wish): Plan {
  const known = DISHES.find((d) => d.name === wish.dish);
  let next = plan;
  const milk = wish.amounts.find((a) => linesOf(plan).some((i) => i.ingredientId === a.ingredientId && i.in === 'pot'));
  const had = plan.things.find((i) => i.ingredientId === milk?.ingredientId)?.grams;
  if (milk && had) {
    const factor = milk.grams / had;
    const people = wish.people ?? Math.max(1, Math.min(60, Math.round(plan.people * factor)));
    const portionG = Math.round((plan.portionG * factor * plan.people) / people);
    next = {
      ...withHave(plan, milk.ingredientId, milk.grams),
      people,
      portionG: Math.max(PORTION_G.least, Math.min(PORTION_G.most, portionG)),
    };
  }
  const { name: _name, ...dish } = known ?? { name: '', ...next.dish };
  return { ...next, dish: { ...dish, count: dishesFor(dish, next.people, next.portionG) } };
}

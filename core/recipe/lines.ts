import type { Ingredient } from '../pantry/ingredient';
import type { Pantry } from '../pantry/pantry';
import type { Which } from '../pantry/whichOne';
import type { EggSize } from '../units/eggs';
import type { SpoonSystem } from '../units/measures';
import { gramsOf, readAmount, readNumber, type Amount } from './amount';
import { EN } from './language/en';
import { writtenOut } from './language/normal';
import { LINE_READ } from './limits';
import { nameOf } from './names';
import { SECTION } from './text';
import { say, type Said } from '../say';

/** One line of a recipe's list: what of it was understood, and how. */
export type Line = {
  text: string;
  /** read; read, but the name means several things; not read: the cook taps */
  state: 'read' | 'ask' | 'open';
  ingredientId?: string;
  which?: Which;
  grams?: number;
  lowG?: number;
  highG?: number;
  /** how it was read, or why it was not */
  why?: Said;
  vague: boolean;
  optional: boolean;
  toTaste: boolean;
  /** for the top, the glaze, a sauce beside it */
  top: boolean;
  /** the part of the recipe that it stands in, where that is cooked beside the dish */
  part?: Part;
  /** kept back out of it, g */
  heldG?: number;
  /** counts what another line counted already */
  again: boolean;
  /** the head of the list's part that it stands under */
  head?: string;
  /** in parts, until a part is known */
  parts?: number;
  /** on no list: a sentence of the method names it */
  found?: true;
  /** pieces that are counted in */
  count?: number;
};

/** What is cooked beside the dish, by the head of its part. */
export type Part = 'syrup' | 'glaze' | 'fruit' | 'layer' | 'under';
const PART_WORDS: readonly (readonly [RegExp, Part])[] = [
  [/syrup|caramel/i, 'syrup'],
  [/glaze/i, 'glaze'],
  [/fruit|compote|coulis|sauce/i, 'fruit'],
  [/layer|filling|topping|\btop\b/i, 'layer'],
];
const partOf = (head: string): Part | undefined => PART_WORDS.find(([r]) => r.test(head))?.[1];

export type ReadOptions = {
  system: SpoonSystem;
  eggSize: EggSize;
  packs?: readonly { ingredientId: string; grams: number }[];
};

const TOPS =
  /top|glaze|sauce|syrup|compote|serv|garnish|decorat|sprinkl|dust|fruit|coulis|layer|filling|caramel|finish/i;
const GREASE = /\b(?:for (?:greasing|the (?:tin|dish|mould|mold)s?)|to grease)\b/i;

/** Ways to count whole spices; weighed ones are not counted out. */
const COUNT_UNITS = new Set([undefined, 'stick', 'leaf', 'pod', 'star', 'piece', 'pair', 'strand']);

const RATIO_WORDS: Readonly<Record<string, readonly [number, number]>> = {
  'half and half': [1, 1],
  'half & half': [1, 1],
  'half-and-half': [1, 1],
  'one to one': [1, 1],
  'equal parts': [1, 1],
  'equal amounts': [1, 1],
};
const RATIO =
  /half(?: and |-and-| & )half|equal (?:parts|amounts)(?: of)?|one to one|(\d+|one|two|three|four|five|six)\s*(?:to|:)\s*(\d+|one|two|three)(?=\b(?!\s*(?:g|ml|cups?|tbsp|tsp|min|hours?)\b))/i;

/** "3 parts milk to 1 part cream, 800 ml in all". */
const PARTS =
  /(\d+|one|two|three|four|five|six)\s+parts?\s+(?:of\s+)?([a-zé' -]{2,30}?)\s+(?:to|and|with|,)\s*(\d+|one|two|three|four)\s+parts?\s+(?:of\s+)?([a-zé' -]{2,30}?)(?=[,;(]|\s+\d|$)/i;

/** Two things in a ratio with one amount: "milk and cream, half and half, 600 ml". */
function readRatio(
  text: string,
): { names: [string, string]; ratio: readonly [number, number]; rest: string } | undefined {
  const parts = PARTS.exec(text);
  if (parts) {
    const rest = text.slice(0, parts.index) + text.slice(parts.index + parts[0].length);
    const of = (s: string) => readNumber(s)?.value ?? 1;
    return {
      names: [parts[2]!, parts[4]!],
      ratio: [of(parts[1]!), of(parts[3]!)],
      rest: rest.replace(/^[\s,;]+/, ''),
    };
  }
  const m = RATIO.exec(text);
  if (!m) return undefined;
  const word = m[0].toLowerCase().replace(/ of$/, '');
  const known = RATIO_WORDS[word];
  const n = (s: string | undefined) => (s ? (readNumber(s)?.value ?? 0) : 0);
  const ratio = known ?? ([n(m[1]), n(m[2])] as const);
  if (!(ratio[0] > 0 && ratio[1] > 0)) return undefined;
  const rest = (text.slice(0, m.index) + ' ' + text.slice(m.index + m[0].length))
    .replace(/\s+/g, ' ')
    .replace(/\s+,/g, ',')
    .trim();
  const pair = /([a-zé' -]{2,40}?)\s+(?:and|to|with|&|\+)\s+([a-zé' -]{2,40})/i.exec(
    rest.replace(/[\d.,½¼¾]+\s*(?:ml|l|g|kg|cups?|litres?|liters?|oz)\b(?:\s+of)?/gi, ' '),
  );
  return pair ? { names: [pair[1]!.trim(), pair[2]!.trim()], ratio, rest } : undefined;
}

const blank = (text: string, top: boolean): Line => ({
  text,
  state: 'open',
  vague: false,
  optional: /\boptional\b|if (?:you )?like/i.test(text),
  toTaste: /\bto taste\b/i.test(text),
  top,
  again: false,
});

/** Letters within which a name that stands first comes to its end. */
const NAME_LETTERS = 80;

/** An amount somewhere in a line whose name comes first: "Sugar: 60 g", "milk – half a litre". */
function trailing(text: string, system: SpoonSystem): { amount: Amount; name: string } | undefined {
  const m =
    /^([a-zé][a-zé' ()%.\d-]*?)\s*(?::|-|–|—|,|\.{2,}|\s)\s*((?:about |approx\.? |a |an |pinch|half|one|two|three|four|\d|[½¼¾]).*)$/i.exec(
      text,
    );
  for (let at = m ? m[1]!.length : text.length; m && at < Math.min(text.length, NAME_LETTERS); at++) {
    if (!/[\s:–—,.-]/.test(text[at - 1] ?? ' ') && at !== m[1]!.length) continue;
    const rest = text.slice(at).replace(/^[\s:–—,.-]+/, '');
    const amount = readAmount(rest, system);
    if (amount && (amount.unit !== undefined || /^[\d½¼¾]/.test(rest)) && nameOf(text.slice(0, at)))
      return { amount, name: text.slice(0, at) };
  }
  return undefined;
}

/** Reads every line of a list; later lines may lean on earlier ones. */
export function readLines(list: readonly string[], pantry: Pantry, o: ReadOptions): Line[] {
  const out: Line[] = [];
  let top = false;
  let part: Part | undefined;
  let head: string | undefined;
  let last: Amount | undefined;
  let asTyped = '';
  const under = (l: Line): Line => ({
    ...l,
    ...(l.text === asTyped ? {} : { text: asTyped }),
    ...(part ? { part } : {}),
    ...(head ? { head } : {}),
  });
  for (const whole of list) {
    const typed = whole.slice(0, LINE_READ);
    const raw = typed.startsWith(SECTION) ? typed : writtenOut(typed, EN);
    asTyped = typed;
    if (raw.startsWith(SECTION)) {
      head = raw.slice(SECTION.length).replace(/^(?:for\s+)?(?:the\s+)?/i, '');
      top = TOPS.test(raw);
      part = top ? partOf(raw) : undefined;
      continue;
    }
    const isTop =
      top || /\b(?:for|to) (?:the )?(?:top(?:ping)?|serve|serving|sprinkl\w*|garnish|dust\w*)\b|on top\b/i.test(raw);
    const ratio = readRatio(raw);
    if (ratio) {
      const whole =
        readAmount(ratio.rest, o.system) ??
        trailing(ratio.rest, o.system)?.amount ??
        amountWithin(ratio.rest, o.system);
      const sum = ratio.ratio[0] + ratio.ratio[1];
      const both = ratio.names.map((n, i) => {
        const cleaned = n.replace(/^.*\bof\s+/i, '');
        const line = whole
          ? finish(blank(raw, isTop), { ...whole, factor: whole.factor * (ratio.ratio[i]! / sum) }, cleaned, pantry, o)
          : { ...named(blank(raw, isTop), cleaned, pantry), parts: ratio.ratio[i]!, why: say('recipe.aPartOfIt') };
        return line;
      });
      if (both.every((l) => l.ingredientId)) {
        out.push(...both.map(under));
        continue;
      }
    }
    const line = readLine(raw, isTop, out, last, pantry, o);
    out.push(under(line.line));
    last = line.amount ?? last;
  }
  return inParts(out);
}

const amountWithin = (text: string, system: SpoonSystem): Amount | undefined => {
  for (const m of text.matchAll(/[\d½¼¾]/g)) {
    const a = readAmount(text.slice(m.index), system);
    if (a?.unit) return a;
  }
  return undefined;
};

function named(line: Line, name: string, pantry: Pantry): Line {
  const found = nameOf(name);
  if (!found || !pantry.has(found.id))
    return {
      ...line,
      state: 'open',
      why: say('recipe.isNotKnownHere', { slice: name.slice(0, 40).trim() || line.text.slice(0, 40) }),
    };
  if (found.unsure) return { ...line, state: 'ask', which: found.which!, why: say('recipe.notCertainWhatItIs') };
  return {
    ...line,
    state: found.which ? 'ask' : 'read',
    ingredientId: found.id,
    ...(found.which ? { which: found.which } : {}),
  };
}

function finish(line: Line, amount: Amount, name: string, pantry: Pantry, o: ReadOptions): Line {
  const n = named(line, name, pantry);
  if (!n.ingredientId) return n;
  const thing = pantry.get(n.ingredientId)!;
  const count =
    thing.comesOut && COUNT_UNITS.has(amount.unit)
      ? { count: Math.max(1, Math.round(amount.count * (amount.unit === 'pair' ? 2 : 1))) }
      : {};
  if (amount.unit === 'part') return { ...n, parts: amount.count, why: say('recipe.parts', { count: amount.count }) };
  // coconut milk by the can is the canned one
  if (amount.unit === 'can' && thing.id === 'coconut_milk') {
    delete n.which;
    n.state = 'read';
  }
  // a spoon's fill may be said behind: "2 tbsp cornstarch, level"
  const behind = /[,(]\s*(level|levelled|heaped|heaping|rounded)\b/i.exec(line.text)?.[1]?.toLowerCase();
  const fill = behind && (behind.startsWith('heap') ? 'heaped' : behind === 'rounded' ? 'rounded' : 'level');
  const w = gramsOf(fill ? { ...amount, fill } : amount, thing, o);
  if (!w)
    return {
      ...n,
      state: 'open',
      why: amount.unit
        ? say('recipe.howMuchIs', { count: amount.count, unit: amount.unit, thingName: thing.name })
        : say('recipe.howMuchAre', { count: amount.count, thingName: thing.name }),
    };
  return { ...n, ...count, grams: w.grams, lowG: w.lowG, highG: w.highG, vague: w.vague, why: w.why };
}

function readLine(
  raw: string,
  isTop: boolean,
  before: readonly Line[],
  last: Amount | undefined,
  pantry: Pantry,
  o: ReadOptions,
): { line: Line; amount?: Amount } {
  const line = blank(raw, isTop);
  const text = raw
    .replace(/\boptional\b[:,]?|\((?:optional|if you like)\)/gi, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (GREASE.test(text) && !/[\d½¼¾]/.test(text))
    return {
      line: {
        ...line,
        ...named(line, text, pantry),
        grams: 0,
        state: 'read',
        again: true,
        why: say('recipe.forTheDishNotIn'),
      },
    };
  // what another line holds already
  if (/^(?:the\s+)?(?:rest|remaining|remainder|reserved)\b/i.test(text)) {
    const n = named(line, text, pantry);
    return {
      line: n.ingredientId ? { ...n, state: 'read', grams: 0, again: true, why: say('recipe.countedAbove') } : n,
    };
  }
  const reserve = /^(?:reserve|keep back|set aside)\s+(.+)$/i.exec(text);
  if (reserve) {
    const a = readAmount(reserve[1]!, o.system);
    const n = a ? finish(line, a, a.rest, pantry, o) : line;
    const of = a && !n.ingredientId ? before[before.length - 1]?.ingredientId : n.ingredientId;
    if (a && of) {
      const w = gramsOf(a, pantry.get(of)!, o);
      return {
        line: {
          ...line,
          state: 'read',
          ingredientId: of,
          grams: 0,
          again: true,
          ...(w ? { heldG: w.grams } : {}),
          why: say('recipe.keptBackOutOfIt'),
        },
      };
    }
  }
  const squeezed = /^(?:the\s+)?(?:(.+?)\s+)?(juice|zest|peel|rind|grated zest|grated peel)\s+of\s+(.+)$/i.exec(text);
  if (squeezed) {
    const a = readAmount(squeezed[3]!, o.system) ?? readAmount(`1 ${squeezed[3]!}`, o.system)!;
    const fruit = /orange/i.test(a.rest)
      ? 'orange'
      : /lime/i.test(a.rest) && /juice/i.test(squeezed[2]!)
        ? 'lime'
        : 'lemon';
    return {
      line: finish(
        line,
        // the peel of a whole fruit is some three strips
        {
          ...a,
          unit: undefined,
          ...(/^(?:peel|rind)$/i.test(squeezed[2]!) ? { count: 3 * a.count, low: 3 * a.low, high: 3 * a.high } : {}),
        },
        /juice/i.test(squeezed[2]!) ? `${fruit} juice` : `${fruit} peel`,
        pantry,
        o,
      ),
      amount: a,
    };
  }
  // "the same of sugar", "as much sugar as starch"
  const asMuch = /^as much (.+?) as (.+)$/i.exec(text);
  if (asMuch) {
    const like = nameOf(asMuch[2]!);
    const g = before.find((l) => l.ingredientId === like?.id)?.grams;
    const n = named(line, asMuch[1]!, pantry);
    if (n.ingredientId && g !== undefined)
      return { line: { ...n, grams: g, lowG: g, highG: g, why: say('recipe.asMuchAsTheOther') } };
  }
  // "the same cup of sugar": one more of that measure
  const sameCup =
    /^(?:the\s+)?same\s+(cup|glass|mug|spoon|tablespoon|teaspoon|tbsp|tsp)(?:ful)?\s+(?:of\s+)?(.+)$/i.exec(text);
  if (sameCup) {
    const a = readAmount(`1 ${sameCup[1]!} ${sameCup[2]!}`, o.system);
    if (a) return { line: finish(line, a, a.rest, pantry, o), amount: a };
  }
  const same = /^(?:the\s+)?same(?:\s+(?:amount|weight|quantity|again))?\s+(?:of\s+)?([a-zé].*)$/i.exec(text);
  if (same && last && !readUnitFirst(same[1]!)) {
    return { line: finish(line, { ...last }, same[1]!, pantry, o), amount: last };
  }
  let amount = readAmount(text, o.system);
  let name = amount?.rest ?? text;
  // "1 big can of it (370 ml)": what each holds stands behind the name
  const holds = /\((\d+(?:[.,]\d+)?\s?(?:g|ml|oz))(?: each)?\)|,\s*(\d+\s?(?:g|ml))(?: each)\b/i.exec(name);
  if (amount && holds && !amount.each && /^(?:can|packet|box)$/.test(amount.unit ?? '')) {
    const size = readAmount(`1 x ${holds[1] ?? holds[2]} can`, o.system)?.each;
    if (size) amount = { ...amount, each: size };
  }
  // a figure that is part of the name: "2 % milk", "00 flour"
  if (amount && /^%/.test(amount.rest)) {
    name = text;
    amount = undefined;
  }
  if (amount && !nameOf(amount.rest)) {
    const t = trailing(text, o.system);
    if (t) {
      amount = t.amount;
      name = t.name;
    }
  } else if (!amount) {
    const t = trailing(text, o.system);
    if (t) {
      amount = t.amount;
      name = t.name;
    }
  }
  if (!amount) {
    const n = named(line, text, pantry);
    if (!n.ingredientId) return { line: { ...n, why: say('recipe.noAmountAndNoName') } };
    const thing = pantry.get(n.ingredientId)!;
    // "cinnamon stick": one of it
    const one = thing.comesOut ? readAmount(`1 ${text}`, o.system) : undefined;
    if (one && /\b(?:stick|pod|leaf|star|sprig|stalk|strip)\b/i.test(text))
      return { line: finish(line, one, text, pantry, o), amount: one };
    const some = thing.group === 'flavour' ? (thing.id === 'salt' ? 1 : 2) : thing.group === 'sweet' ? 40 : undefined;
    if (line.toTaste || thing.group === 'flavour')
      return some === undefined
        ? { line: { ...n, state: 'open', why: say('recipe.howMuchSayItIn') } }
        : {
            line: {
              ...n,
              grams: some,
              lowG: 0,
              highG: 2 * some,
              vague: true,
              why: say('recipe.noAmountALittleIs'),
            },
          };
    return { line: { ...n, state: 'open', why: say('recipe.howMuchSayItIn2', { thingName: thing.name }) } };
  }
  let done = finish(line, amount, name, pantry, o);
  const minus = /\b(?:minus|less|without)\s+(.+)$/i.exec(text);
  if (minus && done.ingredientId && done.grams !== undefined) {
    const a = readAmount(minus[1]!, o.system);
    const w = a && gramsOf(a, pantry.get(done.ingredientId)!, o);
    if (w && w.grams < done.grams)
      done = {
        ...done,
        grams: done.grams - w.grams,
        lowG: done.lowG! - w.grams,
        highG: done.highG! - w.grams,
        why: say('recipe.less', { why: done.why, grams: w.grams }),
      };
  }
  const kept =
    /(?:reserv\w+|keep\w* back|kept back|set aside|of which|hold(?:ing)? back)\s+(.+)$/i.exec(text) ??
    /,\s*([^,]+?)\s+(?:of it\s+)?(?:reserved|kept back|set aside|held back|for the slurry)\b/i.exec(text);
  if (kept && done.ingredientId && done.grams) {
    const a = readAmount(kept[1]!, o.system);
    const w = a && gramsOf(a, pantry.get(done.ingredientId)!, o);
    if (w && w.grams < done.grams) done = { ...done, heldG: w.grams };
  }
  return { line: done, amount };
}

const readUnitFirst = (s: string) => /^(?:cup|glass|mug|spoon|tablespoon|teaspoon|tbsp|tsp)s?\b/i.test(s);

/** Parts to grams: by a line that gives the same thing in grams, or 100 g a part. */
function inParts(lines: Line[]): Line[] {
  if (!lines.some((l) => l.parts !== undefined && l.grams === undefined)) return lines;
  const known = lines.find(
    (l) =>
      l.parts !== undefined && lines.some((k) => k !== l && k.ingredientId === l.ingredientId && (k.grams ?? 0) > 0),
  );
  const whole = lines.find((k) => known && k !== known && k.ingredientId === known.ingredientId && (k.grams ?? 0) > 0);
  const partG = known && whole ? whole.grams! / known.parts! : 100;
  return lines.map((l) =>
    l.parts === undefined || l.grams !== undefined
      ? l === whole
        ? l
        : l
      : l === known
        ? { ...l, grams: 0, again: true, why: say('recipe.aPartIs', { partG }) }
        : {
            ...l,
            grams: l.parts * partG,
            lowG: l.parts * partG,
            highG: l.parts * partG,
            why: whole
              ? say('recipe.partsOf', { parts: l.parts, partG })
              : say('recipe.partsAPartTakenAs', { parts: l.parts }),
          },
  );
}

/** The line with another thing in the place of what was read, its amount weighed anew. */
export function mendLine(
  line: Line,
  change: { ingredientId?: string; grams?: number },
  pantry: Pantry,
  o: ReadOptions,
): Line {
  const id = change.ingredientId ?? line.ingredientId;
  if (!id || !pantry.has(id)) return line;
  const thing = pantry.get(id) as Ingredient;
  const { which: _w, ...rest } = line;
  const amount = readAmount(line.text, o.system);
  // another thing of the same measure is weighed anew, as unsure as before
  const again = change.grams === undefined && amount ? gramsOf(amount, thing, o) : undefined;
  const weighed =
    again ??
    (change.grams === undefined ? undefined : { grams: change.grams, lowG: change.grams, highG: change.grams });
  const known =
    weighed ?? (line.grams === undefined ? undefined : { grams: line.grams, lowG: line.lowG, highG: line.highG });
  return {
    ...rest,
    ingredientId: id,
    ...(known ? { grams: known.grams, lowG: known.lowG ?? known.grams, highG: known.highG ?? known.grams } : {}),
    state: known ? 'read' : 'open',
    again: false,
    vague: again?.vague ?? false,
    why: again ? again.why : known ? say('recipe.asYouSaid') : say('recipe.howMuchSayItIn2', { thingName: thing.name }),
  };
}

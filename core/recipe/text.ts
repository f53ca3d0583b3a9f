import { marked, type Token, type Tokens } from 'marked';
import { parse as parseDuration } from 'tinyduration';
import { z } from 'zod';
import { readNumber } from './amount';
import { BLOCK_LINES, LIMITS } from './limits';
import { EN } from './language/en';
import { firstDeed } from './language/marks';
import { writtenOut } from './language/normal';
import { nameOf } from './names';
import { say, type Said } from '../say';

/** A recipe's text taken apart: plain, Markdown, or a schema.org Recipe as JSON-LD, alone or inside a saved page. */
export type RecipeText = {
  title: string | undefined;
  /** lines that should each be an amount of something */
  ingredients: string[];
  /** sentences of the method */
  method: string[];
  /** sentences about what is cooked beside it: a syrup, a sauce */
  beside: string[];
  /** all of its sentences in their order, each with the head that it stands under */
  steps: { text: string; head?: string }[];
  /** what is no recipe: stories, ratings, notes, questions */
  aside: string[];
  yields: string | undefined;
  minutes: number | undefined;
};
type TextResult = { ok: true; value: RecipeText } | { ok: false; why: Said };

const tooMuch = (what: Said) => say('recipe.thisIsTooLongFor', { what });

const oneOrMany = <T extends z.ZodType>(t: T) =>
  z.union([t, z.array(t)]).transform((v) => (Array.isArray(v) ? v : [v]));
const text = z.union([z.string(), z.number().transform(String)]);
const Step: z.ZodType<unknown> = z.lazy(() =>
  z.union([
    z.string(),
    z
      .object({ text: z.string().optional(), name: z.string().optional(), itemListElement: z.array(Step).optional() })
      .loose(),
  ]),
);
/** What is read of a schema.org Recipe. */
const RecipeLd = z
  .object({
    name: text.optional(),
    recipeIngredient: oneOrMany(text).optional(),
    ingredients: oneOrMany(text).optional(),
    recipeInstructions: oneOrMany(Step).optional(),
    recipeYield: oneOrMany(text).optional(),
    totalTime: z.string().optional(),
    cookTime: z.string().optional(),
  })
  .loose();

const DEEP = 12;
const isRecipe = (node: object): boolean => {
  const type = (node as { '@type'?: unknown })['@type'];
  return type === 'Recipe' || (Array.isArray(type) && type.includes('Recipe'));
};

/** The first Recipe in a tree of JSON-LD. */
function findRecipe(node: unknown, depth = 0): object | undefined {
  if (depth > DEEP || node === null || typeof node !== 'object') return undefined;
  if (!Array.isArray(node) && isRecipe(node)) return node;
  for (const child of Array.isArray(node) ? node : Object.values(node)) {
    const found = findRecipe(child, depth + 1);
    if (found) return found;
  }
  return undefined;
}

const stepTexts = (step: unknown, depth = 0): string[] => {
  if (typeof step === 'string') return [step];
  if (depth > DEEP || step === null || typeof step !== 'object') return [];
  const s = step as { text?: string; name?: string; itemListElement?: unknown[] };
  if (s.itemListElement) return s.itemListElement.flatMap((c) => stepTexts(c, depth + 1));
  return s.text ? [s.text] : s.name ? [s.name] : [];
};

const NAMED: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  deg: '°',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  eacute: 'é',
};
/** Text out of a little HTML: tags go, entities become their letters. */
const plain = (s: string): string =>
  s
    .replace(/<br\s*\/?>|<\/(?:p|li|div|h\d)>/gi, '\n')
    .replace(/<[^<>]{0,500}>/g, '')
    .replace(/&(#x?[0-9a-f]{1,6}|[a-z]{2,8}\d{0,2});/gi, (all, name: string) => {
      if (name[0] !== '#') return NAMED[name.toLowerCase()] ?? all;
      const code = name[1]?.toLowerCase() === 'x' ? parseInt(name.slice(2), 16) : parseInt(name.slice(1), 10);
      return code > 31 && code < 0x10ffff ? String.fromCodePoint(code) : ' ';
    });

/** Sentences of a paragraph; a full stop after "min." or a figure does not end one. */
export const sentences = (paragraph: string): string[] =>
  paragraph
    .split(
      /(?<=[.!?])(?<!\b(?:approx|ca|tbsp|tsp|oz|lb|fl|no|e\.g|i\.e)\.)(?:(?<!\b(?:min|mins|hr|hrs)\.)|(?=\s+[A-Z][a-z]))\s+(?=[^a-z])|\n+/,
    )
    .map((s) => s.trim())
    .filter(Boolean);

function fromLd(json: unknown): TextResult | undefined {
  const node = findRecipe(json);
  if (!node) return undefined;
  const read = RecipeLd.safeParse(node);
  if (!read.success)
    return {
      ok: false,
      why: say('recipe.theRecipeInsideDoesNot', {
        path: read.error.issues[0]?.path.join('.') ?? undefined,
        message: read.error.issues[0]?.message ?? undefined,
      }),
    };
  const r = read.data;
  let minutes: number | undefined;
  try {
    const d = parseDuration(r.totalTime ?? r.cookTime ?? '');
    minutes = (d.days ?? 0) * 1440 + (d.hours ?? 0) * 60 + (d.minutes ?? 0);
  } catch {
    minutes = undefined;
  }
  const method = (r.recipeInstructions ?? []).flatMap((s) => stepTexts(s)).flatMap((s) => sentences(plain(s)));
  return {
    ok: true,
    value: {
      title: r.name === undefined ? undefined : plain(r.name).trim(),
      ingredients: (r.recipeIngredient ?? r.ingredients ?? []).map((l) => plain(l).trim()).filter(Boolean),
      method,
      beside: [],
      steps: method.map((t) => ({ text: t })),
      aside: [],
      yields: r.recipeYield?.[0],
      minutes,
    },
  };
}

const INGREDIENTS_HEAD =
  /^(?:the\s+)?(ingredients?|you (?:will )?need|what you need|what goes in(?: it)?|shopping|for the [a-zé ]+|zutaten)\b.{0,40}$/i;
const METHOD_HEAD =
  /^(?:the\s+)?(method|directions?|instructions?|steps?|preparation|elaboration|process|making(?: it)?|how (?:to|it is made)|what to do|to (?:make|cook)(?: it)?|procedure)\b[^.]{0,30}:?$/i;
const YIELD =
  /\b(?:serves|servings?|for|makes|feeds|enough for|yields?)\b\s*:?\s*(?:about\s+)?(\d{1,2}|[a-z]+)\b(?!(?:\s*(?:to|-|–)\s*\d+)?\s*(?:min|hour|hr|day|week|month|night|sec|cm|mm|inch|°|ml|g\b|kg|l\b|deg|more|%|of\b))(?:\s*(?:to|-|–)\s*\d+)?\s*(?:people|persons?|servings?|portions?|guests|singers|cups|moulds|pieces|squares)?\b|(?<=^|[(,.:] ?)(\d{1,2})\s*(?:pax|people|persons?|servings?|portions?|guests|singers|p\.|pers\.)/i;
/** The head of a part, alone on its line: what is cooked beside the dish, or the dish itself. */
const PART_HEAD =
  /^(?:for\s+)?(?:the\s+)?((?:sugar |lemon |fruit |caramel |chocolate |berry |plum |vanilla |second |top |coconut )?(?:syrup|glaze|sauce|fruit|compote|coulis|topping|layer|filling|caramel|garnish|decoration|finish|to serve|to finish|pudding|base|cream|custard|rice|porridge|slab|batter|meringue|sponge))$/i;
/** Parts that never go into the pot. */
const BESIDE =
  /\b(?:syrup|glaze|sauce|fruit|compote|coulis|topping|layer|filling|caramel|garnish|decoration|to (?:serve|finish)|finish)\b/i;
const isBeside = (head: string): boolean => BESIDE.test(head);

/** What a page says of time and kind. */
const META =
  /^(?:(?:makes|yields?)\b.{0,14}\d ?(?:ml|l|dl|g|kg|litres?)\b.{0,20}|(?:prep(?:aration)?|cook(?:ing)?|total|active|hands[- ]on|chill(?:ing)?|resting|bak(?:e|ing)|ready)(?: time| in)?\s*:?\s*\d[^.]{0,24}|(?:difficulty|course|cuisine|category|skill|level|diet|author|source)\s*:.{1,40})$/i;
/** A head with what it heads behind it, on one line. */
const INLINE_HEAD = /^(?:ingredients|you need|method|directions|steps|serves|makes)$/i;

/** Marks a line of the list that is the head of a part of it, as "For the topping". */
export const SECTION = '§ ';
/** A line that begins like an amount. */
const AMOUNT_HEAD =
  /^(?:[-*•·–]\s*)?(?:about|approx\.?|around|just (?:under|over)|up to|scant|heaped|heaping|rounded|level|generous)?\s*(?:[\d½¼¾⅓⅔⅛]|(?:a|an|one|two|three|four|five|six|seven|eight|nine|ten|twelve|few|half|quarter|couple|pinch|knob|dash|splash|drizzle|grating|some|handful|juice|zest|peel|same|the same|as much|reserve|the rest|keep back|the (?:juice|zest|peel|rind))\b(?!-))/i;
/** What makes a number-word an amount: a figure, a measure, or a thing that is counted. */
const AN_AMOUNT =
  /\d|[½¼¾⅓⅔]|\b(?:litres?|liters?|cups?|pints?|quarts?|spoons?|\w*spoon(?:s|fuls?)?|cans?|tins?|pinch|knob|handful|sticks?|pods?|leaf|leaves|eggs?|yolks?|lemons?|oranges?|packets?|grams?|kilos?|dozen|juice|zest|peel|dash|splash)\b/i;
/** A short line that says what a thing is for instead of how much of it. */
const FOR_WHAT = /\b(?:to sprinkle|to taste|to serve|for (?:dusting|sprinkling|serving|greasing|the top))\b/i;
/** A name, a dash, and how much of it, with or without a note behind: "Rice - 1/4 cup (soaked)". */
const NAME_FIRST =
  /^[A-Za-zÀ-ÿ][^\d.;!?]{1,40}?\s*(?:[-–—:=]|\.{2,})\s*(?:about |approx\.? )?(?:[\d½¼¾⅓⅔]|a (?:few|pinch|handful|little)|few\b)[^.!?]{0,50}$/;
/** A short line that ends in an amount: "Sugar: 60 g", or holds one beside a ratio. */
const AMOUNT_TAIL =
  /(?:\d|[½¼¾])[\d.,/ ]*\s*(?:ml|dl|l|g|gr|kg|cups?|tbsp|tablespoons?|tsp|teaspoons?|oz|lb|litres?|liters?|pints?)\.?$/i;
/** Verbs that give a step away. */
const VERB =
  /\b(stir|whisk|heat|boil|simmer|pour|add|mix|cook|bring|beat|chill|leave|serve|bake|strain|remove|take|put|warm|dissolve|scald|spread|cover|let|melt|combine|soak|rinse|temper|turn|cut|cool|spoon it|blend|toast|grease|line|preheat|reduce|fold)\b/i;

const clean = (line: string) =>
  line
    .replace(/^\s*(?:[-*•·–▢☐]|\[[ x]?\]|\d{1,2}[.)](?!\d))\s*/i, '')
    // the hour at which a lesson does it
    .replace(/^\d{1,2}[.:]\d{2}\s{2,}/, '')
    .replace(/[*_`]{1,3}/g, '')
    .trim();

const ASIDE = new RegExp(`^(?:${EN.aside})$`, 'i');
/** "Note: …", on one line with what it heads. */
const ASIDE_LINE =
  /^(?:notes?|n\.?b\.?|tips?|p\.?s|variations?|storage|nutrition|equipment|allergens?|source|serving suggestion)\s*[:.–—-]\s|^EQUIPMENT\b|\?\s*$/i;
const TOOL = new RegExp(`(?<![a-z])(?:${EN.words.tool})(?![a-z])`, 'i');
const NOISE = new RegExp(`(?<![a-z])(?:${EN.noise})(?![a-z])`, 'i');

/** A whole sentence, whatever it begins with: "Half of the milk is brought to the boil with the sugar." */
const isSentence = (line: string): boolean =>
  /[.!]$/.test(line) &&
  /\b(?:is|are|goes|go|comes?|then|until|while|when|it|them|into the|over the)\b/i.test(line) &&
  line.split(/\s+/).length > 7;

/** "Then stir …": an act from its first words on, as no line of a list begins. A participle ("grated zest") is none. */
function beginsAsAct(line: string): boolean {
  const first = firstDeed(
    line.slice(0, 60).replace(/^(?:then|now|next|first|meanwhile|gently|slowly|finally|carefully|quickly),?\s+/i, ''),
    EN,
  );
  return first?.at === 0 && !/(?:ed|en|y)$/i.test(first.text);
}
/** A time at its head: "One hour before, soak the rice". */
const TIME_HEAD = /^(?:about )?(?:\d+|an?|one|two|half an?|the)\s+(?:hours?|minutes?|days?|evening|night|morning)\b/i;
/** The line that was asked about last: it is asked several times. */
let lastStep: { line: string; step: boolean } | undefined;
/** Whether a line tells what to do, not what to take. */
function isStep(line: string): boolean {
  if (lastStep?.line !== line) lastStep = { line, step: tells(line) };
  return lastStep.step;
}
function tells(line: string): boolean {
  if (TIME_HEAD.test(line)) return true;
  if (AMOUNT_HEAD.test(line)) return isSentence(line);
  if (beginsAsAct(line)) return true;
  const words = line.split(/\s+/).length;
  return words > 5 && (/[.!]$/.test(line) || words > 14) && firstDeed(line.slice(0, 300), EN) !== undefined;
}

/** "Basmati rice 1/4 cup, washed": a name, and then how much, with or without a note behind. */
const NAME_THEN =
  /^([A-Za-zÀ-ÿ][A-Za-zÀ-ÿ' -]{1,40}?)\s*[-–—:=]?\s+((?:\d+(?:[./]\d+)?(?:\s+\d\/\d|[½¼¾⅓⅔])?|[½¼¾⅓⅔]|a (?:pinch|handful|knob|few))(?:\s*(?:g|gr|kg|ml|l|dl|cl|oz|lb|cups?|tsp|tbsp|tblsp|teaspoons?|tablespoons?|litres?|liters?|pints?|cans?|tins?|nos|pcs))?)(?:,\s*(\S[^.!?]{1,60})| in [^.!?]{1,40})?$/i;
/** Such a line with its amount first; any other as it is. */
function amountFirst(line: string): string {
  const m = NAME_THEN.exec(line);
  // a note that names and weighs something is another thing of a list
  const isList =
    m?.[3] !== undefined && /\d/.test(m[3]) && nameOf(m[3]) !== undefined && !/^(?:washed|soaked|rinsed)/i.test(m[3]);
  if (!m || isList || nameOf(m[1]!) === undefined || VERB.test(m[1]!)) return line;
  return `${m[2]!} ${m[1]!}${m[3] ? `, ${m[3]}` : ''}`;
}

/** A line that holds several amounts, as "500 ml milk, 40 g starch and a pinch of salt". */
function splitList(line: string): string[] {
  const slashed = line.split(/\s+[/|•·]\s+/);
  if (slashed.length > 2) return slashed.flatMap(splitList);
  const parts = line.split(
    /\s+[/|•·]\s+|\s+\+\s+(?=\d)|[,;]\s+(?=(?:and\s+)?(?:about\s+)?(?:[\d½¼¾⅓⅔]|(?:a|an|one|two|three|half|some)\s))|\s+(?:and|plus)\s+(?=(?:[\d½¼¾⅓⅔]+\s|(?:a|an|two|three|half a|some)\s+(?:pinch|cup|tbsp|tablespoon|tsp|teaspoon|egg|yolk|stick|litre|can|little|handful|whole)))/i,
  );
  const named = amountFirst(line);
  if (named !== line) return [named];
  const cleaned = parts
    .map((p) =>
      p
        .replace(/^and\s+/i, '')
        .replace(/[.;]$/, '')
        .trim(),
    )
    .filter(Boolean);
  // names first: "semolina 60 g, sugar 40 g, salt 1 pinch"
  const first = line.replace(/[.;]$/, '').split(/[,;]\s+|\s+\+\s+(?=\d)/);
  const weighed = first.filter((p) => /\d|[½¼¾]|\bpinch\b/i.test(p));
  const bare = first.filter((p) => !weighed.includes(p));
  // "1 t vanilla, nutmeg": a name alone among many amounts
  const few = bare.length * 3 <= weighed.length && bare.every((p) => p.trim().split(/\s+/).length <= 2);
  if (first.length > 1 && few && first.every((p) => nameOf(p))) return first.map((p) => p.trim());
  // "brown sugar, 30 g" is one thing: every part has to name something of its own
  return cleaned.length > 1 && cleaned.every((p) => nameOf(p)) ? cleaned : [line.replace(/[;]$/, '')];
}

/** A line in capitals: the head of something. */
const CAPITALS = /^[A-Z][A-Z '&/-]{2,40}(?:\s*\([^)]{0,60}\))?:?$/;
/** Whether a head names a part of the list. */
const headOf = (bare: string, list: readonly string[]): boolean => {
  const word = bare
    .toLowerCase()
    .replace(/\(.*\)|:/g, '')
    .trim();
  return word.length > 2 && list.some((l) => l.startsWith(SECTION) && l.toLowerCase().includes(word));
};

function fromLines(
  lines: readonly { text: string; listed: boolean; ordered: boolean; heading: boolean }[],
): RecipeText {
  const out: RecipeText = {
    title: undefined,
    ingredients: [],
    method: [],
    beside: [],
    steps: [],
    aside: [],
    yields: undefined,
    minutes: undefined,
  };
  let stepHead: string | undefined;
  let mode: 'ingredients' | 'method' | undefined;
  /** the steps that stand under the head of a part are that part's */
  let besideNow = false;
  let sideFrom = -1;
  let first = true;
  let wasListed = false;
  let aside = false;
  for (const l of lines) {
    const t = writtenOut(clean(l.text), EN).replace(/^\s+/, '');
    if (!t) continue;
    const bare = t.replace(/[:.]$/, '');
    // "Serves: 4 | Prep: 5 mins", "Prep time 10 min"
    const meta = l.text.trim().split(/\s+[|•·/]\s+|\s{2,}/);
    if (META.test(t) || (meta.length > 1 && meta.every((m) => META.test(m) || (YIELD.test(m) && m.length < 24)))) {
      const said = meta.find((m) => YIELD.test(m) && peopleIn(m) !== undefined);
      if (said) out.yields ??= said;
      out.aside.push(l.text.trim());
      continue;
    }
    const isHead =
      METHOD_HEAD.test(bare) ||
      (INGREDIENTS_HEAD.test(bare) && bare.length < 60 && !VERB.test(bare.replace(/^for the/i, '')));
    if (isHead) aside = false;
    // what is no recipe is kept apart
    if (!isHead && (aside || ASIDE.test(bare) || (ASIDE_LINE.test(t) && !first) || NOISE.test(t))) {
      aside ||= ASIDE.test(bare);
      const said = YIELD.exec(t) ?? /\bservings?:?\s*\d{1,2}\b/i.exec(t);
      if (said && peopleIn(said[0]) !== undefined && !aside) out.yields ??= said[0];
      out.aside.push(l.text.trim());
      continue;
    }
    if (METHOD_HEAD.test(bare)) {
      mode = 'method';
      besideNow = false;
      sideFrom = -1;
      continue;
    }
    const head = PART_HEAD.exec(bare);
    if (head && (!first || l.heading || /:$/.test(t)) && (!/^for\b/i.test(bare) || t.length < 30)) {
      // steps under the head of a side part, before there were others, were that part's own when a main part follows
      if (!isBeside(bare) && sideFrom >= 0) out.beside.push(...out.method.splice(sideFrom));
      sideFrom = isBeside(bare) ? out.method.length : -1;
      out.ingredients.push(SECTION + bare);
      stepHead = bare.replace(/^(?:for\s+)?(?:the\s+)?/i, '');
      besideNow = isBeside(bare) && out.method.length > 0;
      mode = undefined;
      first = false;
      continue;
    }
    // a head in capitals, of a part or of nothing that is known here
    if (
      !first &&
      CAPITALS.test(l.text.trim()) &&
      !INGREDIENTS_HEAD.test(bare) &&
      (nameOf(bare) === undefined || headOf(bare, out.ingredients))
    ) {
      if (headOf(bare, out.ingredients) || mode === 'method' || out.steps.length) {
        mode = 'method';
        stepHead = bare;
      }
      continue;
    }
    if (
      INGREDIENTS_HEAD.test(bare) &&
      !/^for the .*\d/i.test(bare) &&
      t.length < 60 &&
      !(/^for /i.test(bare) && mode === 'method') &&
      !VERB.test(bare.replace(/^for the/i, ''))
    ) {
      // "For the slurry:" heads a part of the list and not the method
      if (!/^for \d/i.test(bare)) {
        // what stands before the list of a page is its story
        if (/^(?:the\s+)?ingredients?\b/i.test(bare) && !out.ingredients.length && out.steps.length) {
          out.aside.push(...out.steps.map((x) => x.text));
          out.method.length = 0;
          out.steps.length = 0;
        }
        mode = 'ingredients';
        const y = YIELD.exec(t);
        if (y && !/^for the/i.test(bare)) out.yields ??= y[0];
        if (/^for the/i.test(bare)) out.ingredients.push(SECTION + bare);
        continue;
      }
    }
    const part = /^((?:for the |for |to )?[a-zé ]{2,30}):\s*(.*\d.*)$/i.exec(t);
    const labelled =
      part && (/^for the /i.test(part[1]!) || (nameOf(part[1]!) === undefined && splitList(part[2]!).length > 1));
    if (part && labelled && !INLINE_HEAD.test(part[1]!) && mode !== 'method' && !VERB.test(part[2]!.slice(0, 16))) {
      mode = 'ingredients';
      out.ingredients.push(SECTION + part[1]!, ...splitList(part[2]!));
      continue;
    }
    if (/^\d{1,2} (?:portions?|servings?|people|persons?|pax)\b.{0,12}$/i.test(t)) {
      out.yields ??= t;
      continue;
    }
    const table =
      /^((?:to (?:set out|serve|finish|decorate|top)|for (?:the )?(?:table|top|topping|serving|sprinkling|dusting)|on top|garnish|toppings?))\s*:\s*(.+)$/i.exec(
        t,
      );
    if (table && mode !== 'method') {
      out.ingredients.push(SECTION + table[1]!, ...table[2]!.split(/,\s*|\s+and\s+/).filter(Boolean));
      wasListed = true;
      continue;
    }
    const inline =
      /^(ingredients|you need|you(?:['’]ll| will) need|what you need|method|directions|steps)\s*:\s*(.+)$/i.exec(t);
    const body = inline ? inline[2]! : t;
    if (inline) mode = /^(?:ingredients|you|what)/i.test(inline[1]!) ? 'ingredients' : 'method';
    const y = YIELD.exec(body);
    if (
      y &&
      peopleIn(y[0]) !== undefined &&
      body.length < 60 &&
      !AMOUNT_HEAD.test(body) &&
      !VERB.test(body.replace(/\bserves?\b/i, ''))
    ) {
      out.yields ??= y[0];
      first = first && !/^(serves|for|makes)/i.test(body);
      if (first || l.heading)
        out.title ??=
          body
            .replace(y[0], '')
            .replace(/[(),.\s–-]+$/g, '')
            .trim() || undefined;
      first = false;
      continue;
    }
    if (
      l.heading ||
      (first &&
        (!AMOUNT_HEAD.test(body) || !AN_AMOUNT.test(body)) &&
        !AMOUNT_TAIL.test(body) &&
        amountFirst(body) === body &&
        body.length < 70 &&
        !/[.!?]$/.test(body) &&
        !VERB.test(body.slice(0, 12)))
    ) {
      if (first) out.title = body;
      first = false;
      continue;
    }
    first = false;
    // "Sugar      1 tablespoon": a name, and how much of it in a column of its own
    const columns = /^([^\d.!?]{2,40}?)(?:\s{2,}|\t|\s*\.{3,}\s*)(.{1,40})$/.exec(body);
    if (columns && mode !== 'method' && nameOf(columns[1]!) !== undefined && AN_AMOUNT.test(columns[2]!)) {
      out.ingredients.push(`${columns[2]!.trim()} ${columns[1]!.trim()}`);
      wasListed = true;
      continue;
    }
    const slashed = body.split(/\s+[/|•·]\s+/);
    const looksListed =
      (slashed.length > 2 &&
        slashed.filter((x) => AMOUNT_HEAD.test(x) || nameOf(x) !== undefined).length > slashed.length / 2) ||
      (body.length < 140 &&
        !/[.!?]\s+[A-Z]/.test(body) &&
        (AMOUNT_HEAD.test(body) ||
          NAME_FIRST.test(body) ||
          amountFirst(body) !== body ||
          (splitList(body).length > 1 && !VERB.test(body)) ||
          (AMOUNT_TAIL.test(body) && body.length < 80) ||
          (FOR_WHAT.test(body) && body.length < 60 && !/[.!]$/.test(body))));
    // a name alone among the lines of the list: "nutmeg", "cinnamon stick"
    const bareName: boolean =
      (wasListed &&
        body.split(/\s+/).length <= 7 &&
        !/[.!?:]$/.test(body) &&
        !isStep(body) &&
        !CAPITALS.test(body) &&
        /\b(?:optional|on the side|to serve|for serving)\b/i.test(body)) ||
      (wasListed &&
        body.split(/\s+/).length <= (beginsAsAct(body) ? 4 : 7) &&
        !/[.!:]$/.test(body) &&
        !VERB.test(body) &&
        nameOf(body)?.unsure === undefined &&
        nameOf(body) !== undefined);
    // sentences behind the list are the steps, with or without a head of their own
    if (mode === 'ingredients' && isStep(body)) mode = 'method';
    const steps = VERB.test(body) && (l.ordered || body.length > 60 || /[.!]$/.test(body));
    const ingredient: boolean =
      mode === 'ingredients'
        ? body.length < 200 && !(steps && !l.listed && (!AMOUNT_HEAD.test(body) || isSentence(body)))
        : mode === 'method'
          ? false
          : looksListed
            ? slashed.length > 2 || !steps || (l.listed && !isSentence(body))
            : bareName || (l.listed && !l.ordered && body.length < 60 && !VERB.test(body));
    wasListed = ingredient;
    if (ingredient && TOOL.test(body) && nameOf(body) === undefined) out.aside.push(body);
    else if (ingredient) {
      out.ingredients.push(...splitList(body));
      stepHead = undefined;
    } else {
      const said = sentences(body);
      (besideNow ? out.beside : out.method).push(...said);
      // a head speaks of the paragraph that it stands over
      out.steps.push(
        ...said.map((text, i) =>
          stepHead !== undefined && i === 0 && out.method.length + out.beside.length > 0
            ? { text, head: stepHead }
            : { text },
        ),
      );
      stepHead = undefined;
    }
  }
  return out;
}

/** No amount has more digits, no quotation is deeper: what goes on for ever is cut, for it takes for ever. */
const bridled = (s: string): string =>
  s.replace(/\d{13,}/g, (run) => run.slice(0, 12)).replace(/^(?:[ \t]*>){4,}/gm, '>>>');

/** Takes a text apart. Never throws; hostile or huge input is a clear message. */
export function takeApart(raw: string): TextResult {
  if (raw.length > LIMITS.letters)
    return { ok: false, why: tooMuch(say('recipe.thousandLetters', { length: raw.length / 1000 })) };
  const textIn = bridled(raw.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n'));
  if (!textIn.trim()) return { ok: false, why: say('recipe.thereIsNothingInIt') };
  if (/[\u0000-\u0008\u000E-\u001F]/.test(textIn))
    return {
      ok: false,
      why: say('recipe.thisIsNotTextIt'),
    };
  const trimmed = textIn.trim();
  if (/^[[{]/.test(trimmed)) {
    try {
      const found = fromLd(JSON.parse(trimmed));
      return found ? bounded(found) : { ok: false, why: say('recipe.thisIsJsonButThere') };
    } catch {
      if (/^\{\s*"|^\[\s*\{/.test(trimmed)) return { ok: false, why: say('recipe.thisBeginsLikeJsonBut') };
    }
  }
  if (/<script[^>]{0,200}ld\+json/i.test(trimmed)) {
    for (const m of trimmed.matchAll(/<script[^>]{0,200}ld\+json[^>]{0,100}>([\s\S]*?)<\/script/gi)) {
      try {
        const found = fromLd(JSON.parse(m[1]!));
        if (found) return bounded(found);
      } catch {
        continue;
      }
    }
    return {
      ok: false,
      why: say('recipe.thisPageHoldsNoRecipe'),
    };
  }
  const source = /<(?:p|li|br|div|html|body)\b/i.test(trimmed)
    ? plain(trimmed.replace(/<(script|style)\b[\s\S]*?<\/\1>/gi, ''))
    : trimmed;
  const lines = source.split('\n');
  if (lines.length > LIMITS.lines) return { ok: false, why: tooMuch(say('recipe.lines', { length: lines.length })) };
  if (lines.some((l) => l.length > LIMITS.lineLetters))
    return {
      ok: false,
      why: tooMuch(say('recipe.oneLineOfLetters', { length: Math.max(...lines.map((l) => l.length)) })),
    };
  return bounded({ ok: true, value: fromLines(markdownLines(headsApart(source))) });
}

function bounded(r: TextResult): TextResult {
  if (!r.ok) return r;
  const { ingredients, method } = r.value;
  if (ingredients.length > LIMITS.ingredients)
    return { ok: false, why: tooMuch(say('recipe.linesOfIngredients', { length: ingredients.length })) };
  if (method.length > LIMITS.sentences)
    return { ok: false, why: tooMuch(say('recipe.sentencesOfMethod', { length: method.length })) };
  if ([...ingredients, ...method].some((l) => l.length > LIMITS.lineLetters))
    return { ok: false, why: tooMuch(say('recipe.oneIngredientLineWithoutAn')) };
  return r;
}

/** The source in pieces that are no longer than a block may be; a recipe of a usual length is one piece. */
function blocksOf(source: string): string[] {
  const out: string[][] = [[]];
  let dense = 0;
  for (const line of source.split('\n')) {
    dense = line.trim() === '' ? 0 : dense + 1;
    if (dense > BLOCK_LINES) {
      out.push([]);
      dense = 1;
    }
    out.at(-1)!.push(line);
  }
  return out.map((lines) => lines.join('\n'));
}

/** Lines with what Markdown says of them. */
/** "INGREDIENTS: … METHOD: …" on one line is as many lines. */
const headsApart = (source: string): string =>
  source.replace(/(?<=[.;)\w])\s+((?:INGREDIENTS|METHOD|DIRECTIONS|INSTRUCTIONS|PREPARATION)\s*:)/g, '\n$1');

/** A row of a table as a line: how much, then of what. */
const rowOf = (cells: readonly string[]): string => {
  const amount = cells.findIndex((c, i) => i > 0 && /^(?:\d|[½¼¾])/.test(c.trim()));
  return amount < 0 || /\d/.test(cells[0]!)
    ? cells.join(' ')
    : [cells[amount], ...cells.filter((_, i) => i !== amount)].join(' ');
};

function markdownLines(source: string): { text: string; listed: boolean; ordered: boolean; heading: boolean }[] {
  const out: { text: string; listed: boolean; ordered: boolean; heading: boolean }[] = [];
  const push = (t: string, more: Partial<(typeof out)[number]> = {}) =>
    t.split('\n').forEach((line) => out.push({ text: line, listed: false, ordered: false, heading: false, ...more }));
  const walk = (tokens: Token[], depth: number) => {
    for (const t of tokens) {
      if (t.type === 'heading') push((t as Tokens.Heading).text, { heading: true });
      else if (t.type === 'list' && depth < DEEP) {
        const list = t as Tokens.List;
        // "1. milk" may be a list of one thing each or the steps: the words decide
        for (const item of list.items) {
          // a line right under the list that begins a sentence is the method, not more of the last item
          const [first = '', ...rest] = item.text.split('\n');
          const cut = rest.findIndex((r) => (VERB.test(r.slice(0, 24)) || isSentence(r)) && /^[A-Z]/.test(r.trim()));
          const own = cut < 0 ? rest : rest.slice(0, cut);
          push([first, ...own].join(' ').replace(/\s+/g, ' '), { listed: true, ordered: list.ordered });
          if (cut >= 0) push(rest.slice(cut).join('\n'));
        }
      } else if (t.type === 'table') {
        for (const row of (t as Tokens.Table).rows) push(rowOf(row.map((c) => c.text)), { listed: true });
      } else if (t.type === 'blockquote' && depth < DEEP) walk((t as Tokens.Blockquote).tokens, depth + 1);
      else if (t.type !== 'space' && t.type !== 'hr') push((t as { raw: string }).raw.replace(/\n+$/, ''));
    }
  };
  for (const block of blocksOf(source)) walk(marked.lexer(block), 0);
  return out;
}

/** People in "serves 6", "for fourteen", "6". */
export function peopleIn(yields: string | undefined): number | undefined {
  if (!yields) return undefined;
  const m = /\bservings?:?\s*(\d{1,2})\b/i.exec(yields) ?? YIELD.exec(yields) ?? /^\s*(\d{1,2})\b/.exec(yields);
  const n = m ? readNumber(m[1] ?? m[2] ?? '')?.value : undefined;
  return n !== undefined && Number.isInteger(n) && n >= 1 && n <= 60 ? n : undefined;
}

import { numericQuantity } from 'numeric-quantity';
import { usualPackG } from '../pantry/usualPacks';
import { EGG_SIZES, type EggSize } from '../units/eggs';
import { FILL, G_PER, ML_PER, type Fill, type SpoonSystem } from '../units/measures';
import { say, type Said } from '../say';

/** The amount at the head of a recipe line: numbers in words and figures, kitchen units, ranges, two units in one line. */

/** ml of the measures that no settings change (B): a spoon without a name is a tablespoon. */
const OTHER_ML: Readonly<Record<string, number>> = {
  dessertspoon: 10,
  ladle: 150,
  splash: 15,
  drizzle: 10,
  dash: 0.6,
  drop: 0.05,
  glass: 200,
  mug: 300,
  'rice cup': 180,
  katori: 150,
  tumbler: 250,
  teacup: 150,
  wineglass: 120,
  'coffee cup': 150,
  'tea glass': 120,
  bowl: 300,
  gill: 130,
  cl: 10,
  dl: 100,
};
const PINTS: Record<SpoonSystem, { pint: number; quart: number; gallon: number; floz: number }> = {
  us: { pint: 473.2, quart: 946.4, gallon: 3785, floz: 29.57 },
  metric: { pint: 568.3, quart: 1136.5, gallon: 4546, floz: 28.41 },
};
/** g of what is only said, and how unsure it is, relative (C). */
const VAGUE_G: Readonly<Record<string, { g: number; sdRel: number }>> = {
  pinch: { g: 0.4, sdRel: 0.5 },
  knob: { g: 15, sdRel: 0.4 },
  handful: { g: 30, sdRel: 0.4 },
  some: { g: 20, sdRel: 0.7 },
  little: { g: 5, sdRel: 0.7 },
};
/** What a can, a packet, a stick or a box holds where the line does not say, g by what is in it (B). */
const STICK_G = 113.4;

/** Units by every way they are written; longest first when they are looked for. */
const UNIT_WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries({
    ml: 'ml mls milliliter milliliters millilitre millilitres cc',
    cl: 'cl centilitre centilitres',
    dl: 'dl decilitre decilitres deciliter deciliters',
    l: 'l liter liters litre litres ltr',
    g: 'g gr gm gms gram grams gramme grammes',
    kg: 'kg kilo kilos kilogram kilograms',
    oz: 'oz ounce ounces',
    lb: 'lb lbs pound pounds',
    tbsp: 'tbsp tbsps tbs tb tablespoon tablespoons tablespoonful tablespoonfuls tblsp tblsps tbls tblspn tbspn T',
    tsp: 'tsp tsps teaspoon teaspoons teaspoonful teaspoonfuls t',
    dessertspoon: 'dessertspoon dessertspoons dsp',
    spoon: 'spoon spoons spoonful spoonfuls',
    cup: 'cup cups cupful cupfuls c',
    pint: 'pint pints pt',
    quart: 'quart quarts qt',
    gallon: 'gallon gallons',
    floz: 'floz',
    ladle: 'ladle ladles ladleful ladlefuls',
    splash: 'splash splashes',
    drizzle: 'drizzle',
    dash: 'dash dashes',
    drop: 'drop drops',
    glass: 'glass glasses',
    mug: 'mug mugs',
    katori: 'katori katoris vati vatis',
    tumbler: 'tumbler tumblers tumblerful',
    teacup: 'teacup teacups',
    wineglass: 'wineglass wineglasses wineglassful',
    bowl: 'bowl bowls bowlful',
    gill: 'gill gills',
    can: 'can cans tin tins',
    packet: 'packet packets pack packs sachet sachets envelope envelopes bag bags',
    box: 'box boxes carton cartons bottle bottles jar jars',
    stick: 'stick sticks',
    pinch: 'pinch pinches',
    knob: 'knob knobs',
    handful: 'handful handfuls',
    strand: 'strand strands thread threads',
    leaf: 'leaf leaves',
    pod: 'pod pods',
    star: 'star stars',
    piece: 'piece pieces strip strips tear tears slice slices nos pcs pc',
    pair: 'pair pairs',
    part: 'part parts',
  }).flatMap(([unit, words]) => words.split(' ').map((w) => [w, unit] as const)),
);

const WORD_NUMBERS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fourteen: 14,
  sixteen: 16,
  twenty: 20,
  dozen: 12,
  couple: 2,
  few: 3,
  half: 0.5,
  quarter: 0.25,
  third: 1 / 3,
};

const TENS: Readonly<Record<string, number>> = {
  ten: 10,
  fifteen: 15,
  twenty: 20,
  'twenty-five': 25,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  'seventy-five': 75,
  eighty: 80,
  ninety: 90,
};

const QUALIFIERS =
  /^(about|approximately|approx\.?|around|roughly|circa|ca\.?|some|nearly|almost|just under|just over|a scant|scant|a generous|generous|good|a good|up to|at least|plus|another|(?:of )?the same|same|level|of|the|exactly|barely|well|packed)\s+/i;

export type Amount = {
  /** middle of a range */
  count: number;
  low: number;
  high: number;
  unit: string | undefined;
  fill: Fill | undefined;
  /** a second amount in brackets or behind a slash, g or ml */
  also?: { grams?: number; ml?: number };
  /** what each can or packet holds, g or ml */
  each?: { grams?: number; ml?: number };
  /** a small can or packet of it */
  packSize?: 'small';
  vague: boolean;
  factor: number;
  /** the rest of the line: what it is an amount of */
  rest: string;
  /** letters the amount took from the head of the line */
  took: number;
};

const FIGURE =
  /^(?:\d+[ ]?[½¼¾⅓⅔⅛⅜⅝⅞]|[½¼¾⅓⅔⅛⅜⅝⅞]|\d+\s+\d+\s*[/⁄]\s*\d+|\d+[/⁄]\d+|\d{1,2}\s*[/⁄]\s*[23468](?!\d)|\d{1,3}(?:[, ]\d{3})+(?!\d)|\d*[.,]\d+|\d+)/;

/** A number at the head of `s`, in figures or words; `took` letters long. */
export function readNumber(s: string): { value: number; took: number } | undefined {
  const figure = FIGURE.exec(s);
  if (figure) {
    // "2 400 g tins" is two of them, not two thousand four hundred
    const packs = /^(\d{1,2}) \d{3}\s*-?(?:g|ml|oz)\s+(?:cans?|tins?|packets?|packs?|jars?|boxes|cartons?)\b/i.exec(s);
    const text = packs ? packs[1]! : figure[0].replace('⁄', '/');
    const value = /^\d{1,3}(?:[, ]\d{3})+$/.test(text)
      ? Number(text.replace(/[, ]/g, ''))
      : (numericQuantity(text.replace(/^(\d*),(\d+)$/, '$1.$2').replace(/^(\d+) ([½¼¾⅓⅔⅛⅜⅝⅞])$/, '$1$2'), {
          round: false,
        }) ?? NaN);
    if (!Number.isFinite(value)) return undefined;
    let took = packs ? text.length : figure[0].length;
    let total = value;
    const half = /^\s*(?:and a|&)\s+(half|quarter|third)\b/i.exec(s.slice(took));
    if (half) {
      total += WORD_NUMBERS[half[1]!.toLowerCase()]!;
      took += half[0].length;
    }
    return { value: total, took };
  }
  const fraction =
    /^(?:(?:a|one)\s+)?(half|quarter|third)(?:\s+(?:of\s+)?an?)?\b|^(two|three)[\s-](thirds|quarters)(?:\s+of\s+an?)?\b/i.exec(
      s,
    );
  if (fraction) {
    const value = fraction[1]
      ? WORD_NUMBERS[fraction[1].toLowerCase()]!
      : WORD_NUMBERS[fraction[2]!.toLowerCase()]! * (fraction[3]!.toLowerCase() === 'thirds' ? 1 / 3 : 0.25);
    const dozen = /^\s+dozen\b/i.exec(s.slice(fraction[0].length));
    return { value: value * (dozen ? 12 : 1), took: fraction[0].length + (dozen?.[0].length ?? 0) };
  }
  // "two hundred", "a hundred and fifty"
  const hundred =
    /^(an?|one|two|three|four|five|six|seven|eight|nine)\s+hundred\b(?:\s+and\s+(ten|twenty|twenty-five|thirty|forty|fifty|sixty|seventy|seventy-five|eighty|ninety)\b)?/i.exec(
      s,
    );
  if (hundred)
    return {
      value: 100 * (WORD_NUMBERS[hundred[1]!.toLowerCase()] ?? 1) + (TENS[hundred[2]?.toLowerCase() ?? ''] ?? 0),
      took: hundred[0].length,
    };
  const tens =
    /^(ten|fifteen|twenty(?:-five)?|thirty|forty|fifty|sixty|seventy(?:-five)?|eighty|ninety)\b(?=\s+(?:g|gr|grams?|ml|millilitres?|milliliters?|cl|mils?)\b)/i.exec(
      s,
    );
  if (tens) return { value: TENS[tens[1]!.toLowerCase()] ?? 0, took: tens[0].length };
  const word = /^([a-z]+)\b/i.exec(s);
  const first = word && WORD_NUMBERS[word[1]!.toLowerCase()];
  if (!word || first === undefined || first === null) return undefined;
  let took = word[0].length;
  let value = first;
  const next = /^\s+(dozen|couple|few)(?:\s+of)?\b/i.exec(s.slice(took));
  if (next) {
    value *= WORD_NUMBERS[next[1]!.toLowerCase()]!;
    took += next[0].length;
  }
  const half = /^\s+and\s+(?:a\s+|one\s+)?(half|quarter|third)\b/i.exec(s.slice(took));
  if (half) {
    value += WORD_NUMBERS[half[1]!.toLowerCase()]!;
    took += half[0].length;
  }
  return { value, took };
}

const TWO_WORDS: Readonly<Record<string, string>> = {
  'coffee cup': 'coffee cup',
  'tea cup': 'teacup',
  'tea glass': 'tea glass',
  'water glass': 'glass',
  'wine glass': 'wineglass',
  'soup spoon': 'tbsp',
  'table spoon': 'tbsp',
  'tea spoon': 'tsp',
  'dessert spoon': 'dessertspoon',
};
/** A unit at the head of `s`. */
function readUnit(s: string): { unit: string; took: number } | undefined {
  const fl = /^(?:fl\.?\s*oz\.?|fluid ounces?)(?=\W|$)/i.exec(s);
  if (fl) return { unit: 'floz', took: fl[0].length };
  const rice = /^(?:rice[- ]cooker (?:cups?|measures?))\b/i.exec(s);
  if (rice) return { unit: 'rice cup', took: rice[0].length };
  const two =
    /^(coffee|tea|soup|water|table|tea|dessert|wine)[- ](cups?|glass(?:es)?|spoons?)(?:fuls?)?(?=[^a-z]|$)/i.exec(s);
  if (two) {
    const unit =
      TWO_WORDS[
        `${two[1]} ${two[2]!.replace(/e?s$/, '').replace('glas', 'glass').replace('glasss', 'glass')}`.toLowerCase()
      ];
    if (unit) return { unit, took: two[0].length };
  }
  const word = /^([a-z]+)(\.?)(?=[^a-z]|$)/i.exec(s);
  // "1 star anise" is a spice and no star of one
  if (!word || /^star\s+anise/i.test(s)) return undefined;
  const text = word[1]!;
  const unit = UNIT_WORDS[text] ?? UNIT_WORDS[text.toLowerCase()];
  return unit ? { unit, took: word[0].length } : undefined;
}

const inGramsOrMl = (count: number, unit: string, system: SpoonSystem): { grams?: number; ml?: number } | undefined => {
  if (unit in G_PER) return { grams: count * G_PER[unit as keyof typeof G_PER] };
  const ml = mlOf(unit, system);
  return ml === undefined ? undefined : { ml: count * ml };
};

/** ml in a unit of volume, or undefined where it is none. */
function mlOf(unit: string, system: SpoonSystem): number | undefined {
  if (unit in ML_PER[system]) return ML_PER[system][unit as keyof (typeof ML_PER)['us']];
  if (unit === 'spoon') return ML_PER[system].tbsp;
  if (unit in PINTS[system]) return PINTS[system][unit as keyof (typeof PINTS)['us']];
  return OTHER_ML[unit];
}

/** A size such as "400 g", "14-oz", "400 ml" at the head of `s`. */
function readSize(s: string, system: SpoonSystem): { size: { grams?: number; ml?: number }; took: number } | undefined {
  const n = readNumber(s);
  if (!n) return undefined;
  const gap = /^[\s-]*/.exec(s.slice(n.took))![0].length;
  const u = readUnit(s.slice(n.took + gap));
  const size = u && inGramsOrMl(n.value, u.unit, system);
  return size ? { size, took: n.took + gap + u.took } : undefined;
}

/**
 * The amount at the head of a line, or undefined where it has none.
 * @param system what cups and spoons are where the line does not say
 */
export function readAmount(line: string, system: SpoonSystem): Amount | undefined {
  let s = line;
  let took = 0;
  const eat = (n: number) => {
    s = s.slice(n);
    took += n;
    const space = /^\s*/.exec(s)![0].length;
    s = s.slice(space);
    took += space;
  };
  eat(0);
  let fill: Fill | undefined;
  const qualify = () => {
    for (;;) {
      const f = /^(heaped|heaping|rounded|level|levelled|scant|generous)\s+/i.exec(s);
      if (f) {
        const w = f[1]!.toLowerCase();
        fill = w.startsWith('heap') ? 'heaped' : w === 'rounded' || w === 'generous' ? 'rounded' : 'level';
        eat(f[0].length);
        continue;
      }
      const q = QUALIFIERS.exec(s);
      if (!q || /^some\s+(?!\d)/i.test(s)) return;
      eat(q[0].length);
    }
  };
  qualify();
  const vague = /^(?:a\s+)?(pinch|knob|handful|little|splash|drizzle|dash)\b(?:\s+of\b)?|^(some)\b/i.exec(s);
  if (vague) {
    const word = (vague[1] ?? vague[2]!).toLowerCase();
    eat(vague[0].length);
    return { count: 1, low: 0.5, high: 1.5, unit: word, fill, vague: true, factor: 1, rest: s, took };
  }
  const between = /^(?:between|from)\s+/i.exec(s);
  if (between) eat(between[0].length);
  const first = readNumber(s);
  if (!first || !(first.value > 0) || first.value > 1e5) return undefined;
  eat(first.took);
  let low = first.value;
  let high = first.value;
  const range = /^(?:-|–|—|to|or|and)\s*/i.exec(s);
  if (range && (between || !/^and/i.test(range[0]))) {
    const second = readNumber(s.slice(range[0].length));
    if (second && second.value > first.value && second.value <= first.value * 4) {
      high = second.value;
      eat(range[0].length + second.took);
    }
  }
  let each: Amount['each'];
  const times = /^(?:x|×)\s*/i.exec(s);
  if (times) eat(times[0].length);
  const bracket = /^\(/.exec(s);
  const size = readSize(bracket ? s.slice(1) : s, system);
  if (size) {
    const after = s.slice((bracket ? 1 : 0) + size.took).replace(/^[\s)-]+/, '');
    const pack = readUnit(after);
    if (times || (pack && ['can', 'packet', 'box', 'stick'].includes(pack.unit))) {
      each = size.size;
      eat((bracket ? 1 : 0) + size.took);
      eat(/^[)\s-]*/.exec(s)![0].length);
    }
  }
  qualify();
  const big = /^(large|medium|small|big|little|whole|standard|ordinary|regular)\s+(?=[a-z])/i.exec(s);
  let packSize: Amount['packSize'];
  if (big && readUnit(s.slice(big[0].length))) {
    if (/^(?:small|little)$/i.test(big[1]!)) packSize = 'small';
    eat(big[0].length);
  }
  const u = readUnit(s);
  if (u) {
    eat(u.took);
    // "a tumbler and a half"
    const more = /^and\s+(?:an?\s+)?(half|quarter|third)\b/i.exec(s);
    if (more) {
      const part = WORD_NUMBERS[more[1]!.toLowerCase()]!;
      low += part;
      high += part;
      eat(more[0].length);
    }
    qualify();
  } else if (each) eat(0);
  let also: Amount['also'];
  // "1 litre + 1 cup": two measures of one thing, added
  const plus = u && /^(?:\+|plus)\s*/i.exec(s);
  const further = plus ? readSize(s.slice(plus[0].length), system) : undefined;
  const before = u && further ? inGramsOrMl((low + high) / 2, u.unit, system) : undefined;
  if (plus && further && before && (before.ml === undefined) === (further.size.ml === undefined)) {
    also =
      before.ml === undefined ? { grams: before.grams! + further.size.grams! } : { ml: before.ml + further.size.ml! };
    eat(plus[0].length + further.took);
  }
  const paren = /^\(([^)]*)\)/.exec(s);
  const slash = /^[/=]\s*([^,]+)/.exec(s);
  const extra = paren?.[1] ?? slash?.[1];
  if (extra !== undefined) {
    const cleaned = extra.replace(/^(about|approx\.?|approximately|around|ca\.?)\s+/i, '').trim();
    const second = readSize(cleaned, system);
    if (second) {
      if (u && ['can', 'packet', 'box', 'stick'].includes(u.unit) && paren) each = each ?? second.size;
      else also = second.size;
      eat(paren ? paren[0].length : s.indexOf(cleaned) + second.took);
    }
  }
  const of = /^of\s+/i.exec(s);
  if (of) eat(of[0].length);
  return {
    count: (low + high) / 2,
    low,
    high,
    unit: u?.unit,
    fill,
    ...(also ? { also } : {}),
    ...(each ? { each } : {}),
    ...(packSize ? { packSize } : {}),
    vague: false,
    factor: 1,
    rest: s,
    took,
  };
}

/** What a counted thing weighs, g each, where nothing else is said (B/C). */
const COUNTED_G: Readonly<Record<string, number>> = {
  cinnamon: 4,
  cardamom: 0.25,
  clove: 0.08,
  star_anise: 1.2,
  bay_leaf: 0.3,
  orange_leaf: 0.5,
  vanilla_pod: 3,
  saffron: 0.02,
  mastic: 0.4,
  lemon_peel: 2,
  orange_peel: 3,
  lemon_juice: 45,
  orange_juice: 80,
  ginger: 8,
  fruit_apple: 150,
  fruit_pear: 160,
  fruit_plum: 55,
  fruit_apricot: 45,
  fruit_mango: 220,
  fruit_orange: 150,
  fruit_strawberry: 15,
  fruit_rhubarb: 70,
  carrot_grated: 80,
  vanilla: 4,
  chocolate: 100,
  lime_juice: 30,
  pandan_leaf: 3,
  lime_leaf: 0.3,
  fig_leaf: 4,
  mint: 0.5,
  verbena: 0.2,
  lemongrass: 15,
  leaf: 0.4,
  tea: 2,
  puree_banana: 110,
  dates: 8,
  apricots_dried: 6,
};
/** The small can that is sold beside the usual one, g (C). */
const SMALL_CAN_G: Readonly<Record<string, number>> = {
  evaporated: 170,
  condensed: 200,
  coconut_milk: 160,
  coconut_cream: 160,
};
export type Weighed = { grams: number; lowG: number; highG: number; vague: boolean; why: Said };

/** Grams of an amount of one thing; undefined where only a cook can say. */
export function gramsOf(
  a: Amount,
  thing: { id: string; densityGPerMl: number; group: string; egg?: { yolk: number; white: number } },
  o: { system: SpoonSystem; eggSize: EggSize; packs?: readonly { ingredientId: string; grams: number }[] },
): Weighed | undefined {
  const answer = (each: number, sdRel: number, why: Said): Weighed => ({
    grams: a.count * each * a.factor,
    lowG: a.low * each * a.factor * (1 - sdRel),
    highG: a.high * each * a.factor * (1 + sdRel),
    vague: a.vague || sdRel > 0.25,
    why,
  });
  const fixed = (m: { grams?: number; ml?: number }) => m.grams ?? (m.ml ?? 0) * thing.densityGPerMl;
  if (a.also) {
    const grams = fixed(a.also) * a.factor;
    return { grams, lowG: grams, highG: grams, vague: false, why: say('recipe.theSecondMeasureOnThe') };
  }
  if (a.each) return answer(fixed(a.each), 0, say('recipe.whatEachHolds'));
  const unit = a.unit;
  if (unit && unit in G_PER) return answer(G_PER[unit as keyof typeof G_PER], 0, say('recipe.byWeight'));
  if (thing.egg && (unit === undefined || unit === 'piece' || unit === 'pair')) {
    const size = EGG_SIZES[o.eggSize];
    const part = thing.egg.white === 0 ? size.yolkG : thing.egg.yolk === 0 ? size.whiteG : size.yolkG + size.whiteG;
    return answer(part * (unit === 'pair' ? 2 : 1), size.sdRel, say('recipe.size', { eggSize: o.eggSize }));
  }
  if (unit === 'stick' && thing.id === 'butter') return answer(STICK_G, 0, say('recipe.aStickOfButter'));
  if (unit && unit in VAGUE_G) {
    const v = VAGUE_G[unit]!;
    return answer(v.g, v.sdRel, say(`recipe.about.${unit}`, { g: v.g }));
  }
  const ml = unit === undefined ? undefined : mlOf(unit, o.system);
  if (ml !== undefined && unit !== undefined) {
    const powder = thing.group === 'thickener' || thing.group === 'nut';
    const spoon = unit === 'tbsp' || unit === 'tsp' || unit === 'spoon' || unit === 'dessertspoon';
    const fill = a.fill ?? (powder && spoon ? 'rounded' : 'level');
    const f = FILL[fill];
    const liquid = thing.group === 'milk' || thing.group === 'fat' || thing.densityGPerMl > 0.95;
    const factor = liquid && fill !== 'heaped' ? 1 : f.factor;
    return answer(
      ml * thing.densityGPerMl * factor,
      liquid ? 0.03 : f.sdRel,
      powder && spoon && !a.fill
        ? say('recipe.aBareSpoonTakenAs')
        : spoon || unit === 'cup'
          ? say(`recipe.measure.${unit}`, { fill: say(`fill.${fill}`), count: a.count > 1 ? 2 : 1 })
          : say('recipe.byVolume'),
    );
  }
  if (unit === 'can' || unit === 'packet' || unit === 'box') {
    const own = o.packs?.find((p) => p.ingredientId === thing.id)?.grams;
    const usual = own ?? (a.packSize === 'small' ? SMALL_CAN_G[thing.id] : undefined) ?? usualPackG(thing.id, unit);
    return usual === undefined
      ? undefined
      : answer(usual, own ? 0.02 : 0.1, own ? say('recipe.yourOwnPack') : say('recipe.aUsualPack'));
  }
  const counted = COUNTED_G[thing.id];
  if (counted !== undefined && unit !== 'part')
    return answer(counted * (unit === 'pair' ? 2 : 1), 0.25, say('recipe.countedByAUsualSize'));
  return undefined;
}

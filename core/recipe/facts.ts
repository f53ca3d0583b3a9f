import { PANTRY } from '../pantry/pantry';
import { fahrenheitToCelsius } from '../units/measures';
import { gramsOf, readAmount, readNumber } from './amount';
import { namesIn } from './names';

/** What a recipe's sentences say of heat, order and hands. Figures that it does not give stay undefined. */
export type Grind = 'flour' | 'semolina' | 'coarse';
export type Facts = {
  /** ingredients named in the method, in order, with the first sentence that names each */
  /** what the steps name, and where first; `unsure` where a word beside the name makes it something that is not known */
  mentions: { id: string; at: number; unsure?: string }[];
  starch?:
    | 'cold slurry'
    | 'cold together'
    | 'mixed with sugar'
    | 'in cold yolks'
    | 'rain'
    | 'fat first'
    | 'hot onto meal'
    | 'into hot';
  yolks?: 'tempered' | 'straight in' | 'cold together' | 'into a cooled base';
  sugarWithYolks: boolean;
  sugarLate: boolean;
  /** the starch is brought to the bubble; said that it must not boil */
  bubbles: boolean;
  forbidsBoil: boolean;
  /** minutes after it has thickened, and after the grain is soft; each is counted once */
  cookOnMin?: number;
  softMin?: number;
  /** minutes of whole grain in water, before its milk, and in milk */
  inWaterMin?: number;
  inMilkMin?: number;
  /** minutes it soaks or steeps */
  soakMin?: number;
  stirEveryS?: number;
  lidOn: boolean;
  doubleBoiler: boolean;
  soaked: boolean;
  waterFirst: boolean;
  reduceTo?: number;
  /** whole spices that are taken out again, or everything strained */
  takenOut: string[];
  /** grain that is ground in the steps, and how fine */
  ground?: Grind;
  /** what a step keeps back of an ingredient: g, or a share of it; and what for */
  kept: { id: string; grams?: number; share?: number; stage: 'late' | 'top' | 'bowl' | 'off the heat' }[];
  /** fruit or sauce lies in the dish, and the rest is poured over it */
  under?: true;
  /** whites are whipped and folded in */
  folded?: true;
  strained: boolean;
  panMl?: number;
  panMm?: number;
  dish?: { shape: 'square'; lengthMm: number; widthMm: number } | { shape: 'round'; mm: number };
  moulds?: { count: number; ml: number };
  layerMm?: number;
  oven?: {
    tempC: number;
    minutes?: number;
    fan: boolean;
    bath: boolean;
    cold: boolean;
    grill?: true;
    secondMin?: number;
    grillMin?: number;
  };
  /** hob ovals, 1 to 9, as it says them: at first, and at the end */
  hob?: { first: number; last: number };
  chillH?: number;
  freezeH?: number;
  roomMin?: number;
  style?: 'spooned' | 'turned out' | 'cut';
  warm?: boolean;
};

const HOUR = 60;
const UNIT_MIN: readonly (readonly [RegExp, number])[] = [
  [/^(?:s|secs?|seconds?)\b/i, 1 / 60],
  [/^(?:m|mins?|minutes?)\b/i, 1],
  [/^(?:h|hrs?|hours?)\b/i, HOUR],
  [/^days?\b/i, 24 * HOUR],
];

/** A time at the head of `s`, minutes: the middle of a range. */
function durationAt(s: string): number | undefined {
  const first = readNumber(s);
  if (!first) return undefined;
  let rest = s.slice(first.took).trimStart();
  let value = first.value;
  const range = /^(?:-|–|to|or)\s*/i.exec(rest);
  const second = range && readNumber(rest.slice(range[0].length));
  if (range && second) {
    value = (value + second.value) / 2;
    rest = rest.slice(range[0].length + second.took).trimStart();
  }
  rest = rest.replace(/^(?:more|further|another|full|good)\s+/i, '');
  const unit = UNIT_MIN.find(([u]) => u.test(rest));
  return unit ? value * unit[1] : undefined;
}

/** The first time in a sentence, minutes, "every" ones left out; "overnight" is ten hours. */
export function durationIn(sentence: string): number | undefined {
  if (/\bovernight\b/i.test(sentence)) return 10 * HOUR;
  for (const m of sentence.matchAll(
    /\b(?:\d|half|an?\b|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|a couple|a few)|[½¼¾]/gi,
  )) {
    // "every two minutes" is stirring, "after ten minutes" and "the last five minutes" were counted before
    if (/\b(?:every|after|within|first|last|final)\s+(?:about\s+|another\s+)?$/i.test(sentence.slice(0, m.index)))
      continue;
    const d = durationAt(sentence.slice(m.index));
    if (d !== undefined) return d;
  }
  return undefined;
}

/** Oven degrees: a figure above 260, or one marked F, is Fahrenheit; a gas mark is a step of 14 degC. */
function ovenIn(sentence: string): number | undefined {
  const gas = /gas(?: mark)? (\d{1,2})/i.exec(sentence);
  const m = /(\d{2,3})\s*(?:°|degrees?|deg)?\s*(c|f|celsius|fahrenheit)?\b(?=[^%]|$)/gi;
  for (const hit of sentence.matchAll(m)) {
    const after = sentence.slice(hit.index + hit[0].length);
    if (/^\s*(?:min|ml|g\b|cm|mm|people|hours?|x|×|inch)/i.test(after)) continue;
    const n = Number(hit[1]);
    const unit = hit[2]?.toLowerCase()[0];
    if (unit === 'f' || (unit === undefined && n > 260 && n <= 550)) return Math.round(fahrenheitToCelsius(n));
    if (n >= 90 && n <= 280) return n;
  }
  return gas ? 121 + 14 * Number(gas[1]) : undefined;
}

/** How high, in ovals of nine (B): what cooks mean by the words. */
const HEAT_WORDS: readonly (readonly [RegExp, number])[] = [
  [/\b(?:lowest|very low|gentlest)\b/i, 1],
  [/\bmedium[- ]low\b/i, 4],
  [/\bmedium[- ]high\b/i, 7],
  [/\b(?:low|gentle)\b/i, 3],
  [/\b(?:medium|moderate)\b/i, 5],
  [/\b(?:high(?:est)?|full|strong)\b/i, 9],
];

/** The fire a sentence names: "over medium heat", "hob 6", "turn it to 4"; undefined where it names none. */
export function hobIn(s: string): number | undefined {
  const number =
    /\b(?:hob|ring|burner|dial|stove|setting|mark)\s+(?:(?:at|to|on|number)\s+)?([1-9])\b(?!\s*(?:min|cm|x|\d))/i.exec(
      s,
    );
  if (number && !/\bgas mark\b/i.test(s)) return Number(number[1]);
  if (!/\b(?:heat|fire|flame|hob|ring|on low|on high|on medium)\b/i.test(s)) return undefined;
  return HEAT_WORDS.find(([w]) => w.test(s))?.[1];
}

const HEATS = /\b(boil|boiling|heat|heated|simmer\w*|scald\w*|hot|steam\w*|warm|bubbl\w*)\b/i;
const COOLS = /\b(off the heat|take (?:it |the pan )?off|cool\w*|remove from (?:the )?heat)\b/i;
const STARCHY = /\b(starch|cornflour|corn flour|custard powder|slurry|thickener|rice flour|flour|arrowroot)\b/i;
const GRAINY = /\b(semolina|cornmeal|polenta|ground rice|grits|maize meal|meal)\b/i;
const COLD_WETTING =
  /\b(dissolv\w*|other half\b.{0,6}\bcold|slurry|slake\w*|smooth paste|cold (?:milk|water|\w+ milk|liquid|cream)|(?:\d+ ?(?:ml|g|tbsp|tablespoons?|spoons?)(?: of)?|(?:a|half a) (?:cup|glass|ladle) of|a little|some|few (?:spoons|tablespoons)|kept[- ]back|reserved|rest|remaining|splash|part)\b.{0,30}\b(?:milk|water|liquid|drink|cream))/i;
/** Cold in another liquid than milk: cream, another can, juice. */
const WET_IN =
  /\b(?:into|with|in|to)\s+(?:the |a little |some |half (?:of )?the |\d+ ?(?:ml|g|tbsp) (?:of )?(?:the )?)?(?:cold |other |second |third )*(?:cream|coconut cream|single cream|double cream|evaporated milk|condensed milk|coconut milk|nut milk|can|tin|juice|rose water)\b/i;
const HOT_LIQUID =
  /\b(?:hot|boiling|simmering|bubbling|steaming|scalded) (?:\w+ )?(?:milk|water|cream|liquid|pan|pot|mixture|can)\b/i;
const HOT_ONTO =
  /\b(?:pour|add|beat|whisk|stir|ladle)\w*\b.{0,40}\b(?:boiling|hot|scalded|simmering)\b.{0,25}\b(?:onto|over|on to|upon)\b.{0,25}\b(?:meal|cornmeal|semolina|polenta|ground rice|grits)\b|\b(?:meal|cornmeal|semolina|polenta|ground rice|grits)\b.{0,50}\bpour\w*\b.{0,30}\b(?:boiling|hot|scalded)\b.{0,20}\b(?:over|onto|on)\b/i;
const GRIND =
  /\b(?:grind|ground|pulse|pulsed|blitz\w*|crush\w*|pound\w*|mill(?:ed)?|whizz\w*)\b|\bblend\w*\b.{0,30}\b(?:semolina|sand|coarse|powder|meal|grit)/i;
const EGG = /\b(yolks?|eggs?)\b/i;
const GRADUAL =
  /\b(ladle|little by little|slowly|gradually|temper\w*|thin stream|bit by bit|drop by drop|a little at a time|in a trickle|trickl\w*|drizzl\w*|spoon by spoon)\b/i;
const NEVER =
  /\b(?:do not|don.t|never|without|must not|not let it|before it|stop before|not)\b[^.]{0,30}\b(?:boil\w*|bubbl\w*|simmer\w*)/i;
const BUBBLES = /\b(boil(?!er)\w*|bubbl\w*|simmer\w*|plop\w*|blip\w*)\b/i;
/** Whole spices: counted in, so counted out. */
const WHOLE = PANTRY.filter((i) => i.comesOut).map((i) => i.id);

/** A tin by its measures: "8x8", "30 x 20 cm", "9 inch round". */
function dishIn(s: string): Facts['dish'] {
  const by =
    /(\d+(?:\.\d+)?)\s*(?:cm|in|inch(?:es)?|")?\s*(?:x|×|by)\s*(\d+(?:\.\d+)?)\s*-?\s*(cm|in|inch(?:es)?|")?/i.exec(s);
  if (by && /\b(tin|dish|tray|pan|mould|square|baking)\b/i.test(s)) {
    const [a, b] = [Number(by[1]), Number(by[2])];
    const mm = by[3] ? (/cm/i.test(by[3]) ? 10 : 25.4) : Math.max(a, b) <= 14 ? 25.4 : 10;
    if (a * mm >= 20 && b * mm >= 20 && a * mm <= 600 && b * mm <= 600)
      return { shape: 'square', lengthMm: a * mm, widthMm: b * mm };
  }
  const round = /(\d{1,2}(?:\.\d)?)\s*-?(cm|inch|in)\b[^.]{0,12}\b(?:round|springform|cake|flan|tin|dish)/i.exec(s);
  if (!by && round) {
    const mm = Number(round[1]) * (/cm/i.test(round[2]!) ? 10 : 25.4);
    if (mm >= 50 && mm <= 600) return { shape: 'round', mm };
  }
  return undefined;
}

/** What a ground grain is said to be like is no grain that goes in. */
const LIKE =
  /\b(?:like|as (?:fine|coarse) as|(?:the )?(?:size|texture) of)\s+(?:(?:fine|coarse|wet|the)\s+)*(?:semolina|flour|meal|sand|couscous|grits|powder)\b/gi;
const GROUND_RICE =
  /\b(?:ground|crushed|pulsed|blitzed|pounded|broken|powdered)\b.{0,20}\brice\b|\brice\b.{0,30}\b(?:ground|crushed|pulsed|blitzed|pounded|broken)\b/i;
/** A sentence in its parts, where another thing is done in each. */
const CLAUSE =
  /\s*(?:;|,?\s+then\b|,?\s+and\s+(?=(?:chill|cool|leave|let|refrigerate|freeze|bake|cook|simmer|boil|bubble|stand|rest)\b)|,\s*(?=(?:chill|cool|leave|let|refrigerate|freeze|bake|cook|simmer|boil|bubble|stand)\b))\s*/i;

const OVEN = /\b(oven|bake[ds]?|baking|grill)\b/i;

/** One sentence as it is read: what it names and what it is about. */
type Sentence = {
  s: string;
  at: number;
  ids: readonly string[];
  oven: boolean;
  starchy: boolean;
  grainy: boolean;
  /** where starch or meal is named; Infinity without */
  wetAt: number;
  hotHere: boolean;
  /** minutes that it says */
  d: number | undefined;
};

/** How far the method has come; sentences by their number, -1 is not yet. */
type Walk = {
  hot: boolean;
  cooled: boolean;
  starchIn: number;
  /** makes the slurry, which goes in later */
  slurryAt: number;
  yolksAt: number;
  grainSoft: number;
  sugarAt: number;
  waterBoil: boolean;
  /** a little of the hot liquid was taken up: it goes to the egg */
  ladleAt: number;
  /** rice or grain was spoken of last */
  grainAt: number;
  /** rice is ground: on its line, or since this sentence */
  riceGround: boolean;
  groundAt: number;
  /** whole spices of the list, and whether they were spoken of last */
  spices: readonly string[];
  spicesAt: number;
  /** the meal that is wetted here is poured into something hot later on */
  poured: (at: number) => boolean;
  /** the dish stands in hot water */
  bath: boolean;
  /** the pot was last brought to the boil in this sentence */
  boiledAt: number;
  /** starch met boiling liquid */
  metBoiling: boolean;
};

/** Hears one thing in a sentence; writes it down, and how far the method has come. */
type Listener = (sentence: Sentence, f: Facts, w: Walk) => void;

/** The starch or the egg is in: what is said of bubbles and minutes from here on is said of them. */
const later = (at: number, w: Walk) => (w.starchIn >= 0 && at >= w.starchIn) || (w.yolksAt >= 0 && at > w.yolksAt);

const starchGoesIn: Listener = ({ s, at, ids, starchy, grainy, hotHere }, f, w) => {
  if (w.groundAt === at) return;
  if (
    /\b(everything|all (?:of )?(?:the )?(?:dry )?ingredients|dry (?:ingredients|things)|the lot)\b/i.test(s) &&
    !w.hot
  ) {
    if (f.starch === undefined) {
      f.starch = 'cold together';
      w.starchIn = at;
    }
    f.yolks ??= 'cold together';
  }
  const slurryStands = w.slurryAt >= 0 && at > w.slurryAt;
  if ((starchy || grainy) && w.starchIn < 0 && !slurryStands) {
    const coldFirst = /\bcold\b.*\b(?:boiling|hot|simmering)\b/i.test(s);
    const apart = /\b(?:bowl|jug|cup|glass|separately|slurry|paste|first)\b/i.test(s);
    const wetted = COLD_WETTING.test(s) || (WET_IN.test(s) && !HOT_LIQUID.test(s));
    const [before = s] = s.split(CLAUSE);
    const withSugar =
      /\bsugar\b/i.test(before) &&
      /\b(?:mix|combine|blend|rub)\w*\b|\b(?:stir|whisk)\b.{0,30}\btogether\b/i.test(before) &&
      !/\b(milk|water|cream)\b/i.test(before);
    const hotThenAdd =
      /\b(?:to (?:the|a) (?:rolling )?boil|until it boils|boiling)\b.*\b(?:add|pour|whisk|stir|rain|sprinkle|shake)\w*\b/i.test(
        s,
      );
    if (HOT_ONTO.test(s)) f.starch = 'hot onto meal';
    else if (grainy && hotThenAdd && !coldFirst) {
      f.starch ??= /\b(?:paste|slurry|mixture)\b/i.test(s) ? 'cold slurry' : 'rain';
      w.starchIn = at;
      w.metBoiling = true;
    } else if (grainy && COLD_WETTING.test(s) && (coldFirst || apart || w.poured(at))) {
      f.starch ??= 'cold slurry';
      w.slurryAt = at;
      if (coldFirst) w.starchIn = at;
    } else if (grainy && /\b(butter|fat|oil|ghee)\b/i.test(s) && /\b(fry|fried|toast|roast|coat)\w*\b/i.test(s))
      f.starch = 'fat first';
    else if (
      !hotHere &&
      /\b(pan|pot|saucepan)\b/i.test(s) &&
      !/\b(a little|some|bowl|cup|jug|reserved|rest|slurry)\b/i.test(s)
    )
      f.starch = 'cold together';
    else if (withSugar) f.starch ??= 'mixed with sugar';
    else if (starchy && EGG.test(s) && !hotHere) f.starch ??= 'in cold yolks';
    else if (starchy && wetted && !/\binto the (?:boiling|hot)\b(?!.*\bcold\b)/i.test(s)) {
      f.starch ??= 'cold slurry';
      w.slurryAt = at;
      // "mix the starch with water and stir in, boil a minute": made and in, in one sentence
      if (w.hot && /\b(?:stir|pour|whisk|add|beat)\w*\s+(?:it |this |that )?(?:in|into|to)\b|\band add\b/i.test(s))
        w.starchIn = at;
    } else if (!hotHere && (/\b(milk|water|everything|all|cream|drink)\b/i.test(s) || (grainy && !apart)))
      f.starch ??= 'cold together';
    else if (hotHere) {
      if (grainy) f.starch ??= 'rain';
      else f.starch ??= 'into hot';
    }
    if (/\b(?:boiling|boils?)\b/i.test(s) && grainy) w.metBoiling = true;
    const goesIn = w.hot || /\b(pan|pot|milk|heat)\b/i.test(s);
    if (
      f.starch === 'cold together' ||
      f.starch === 'rain' ||
      f.starch === 'into hot' ||
      f.starch === 'fat first' ||
      f.starch === 'hot onto meal'
    )
      w.starchIn = at;
    else if (goesIn && hotHere && w.slurryAt !== at && !/\b(?:bowl|cup|jug)\b/i.test(s)) w.starchIn = at;
  } else if (w.starchIn < 0 && (w.slurryAt >= 0 || f.starch === 'mixed with sugar' || f.starch === 'in cold yolks')) {
    if (
      /\b(slurry|starch|flour|dissolved|mixture|paste|it|pour|stir|whisk|back|everything|sugar)\b/i.test(s) &&
      (/\b(in|into|to|back|onto|over|pour\w*)\b/i.test(s) || /^(?:add|whisk|stir|tip)\b/i.test(s))
    )
      w.starchIn = at;
    else if (BUBBLES.test(s) && ids.length === 0) w.starchIn = at;
    if (w.starchIn === at && grainy && /\bboil(?:ing|s)?\b/i.test(s)) w.metBoiling = true;
  }
};

const bubbles: Listener = ({ s, at, wetAt, oven }, f, w) => {
  // what went in right after the pot boiled, and was not taken off, met a boiling pot
  if (w.starchIn === at && w.boiledAt >= 0 && at - w.boiledAt === 1 && !w.cooled) w.metBoiling = true;
  if (NEVER.test(s)) f.forbidsBoil = true;
  // in the sentence that adds the starch only what follows it counts
  const after = at === w.starchIn && Number.isFinite(wetAt) ? s.slice(wetAt) : s;
  const affirms = BUBBLES.test(
    after
      .replace(new RegExp(NEVER, 'gi'), ' ')
      .replace(/\b(?:boiling|hot|simmering) (?:milk|water|liquid|syrup|coconut milk)\b/gi, ' '),
  );
  if (later(at, w) && affirms && !oven) f.bubbles = true;
};

const minutes: Listener = ({ s, at, oven }, f, w) => {
  if (/\b(?:rice|grains?)\b/i.test(s)) w.grainAt = at;
  if (oven) return;
  for (const clause of s.split(CLAUSE)) minutesOf(clause, s, at, f, w);
};

/** The minutes of one clause, to the stage that they belong to: each is counted once. */
function minutesOf(s: string, whole: string, at: number, f: Facts, w: Walk): void {
  const d = durationIn(s);
  if (d !== undefined) {
    if (/\b(soak\w*|steep\w*|infus\w*)\b/i.test(s)) {
      f.soaked = f.soaked || /\bsoak/i.test(s);
      f.soakMin = d;
    } else if (/\b(freez\w*|freezer)\b/i.test(s)) f.freezeH = d / HOUR;
    else if (/\b(chill\w*|fridge|refrigerat\w*|in the cold)\b/i.test(s)) f.chillH = Math.max(f.chillH ?? 0, d / HOUR);
    else if (/\b(?:room temperature|stand|cool|(?:let|leave)\b.{0,15}\brest)\b/i.test(s)) f.roomMin = d;
    else if (
      (later(at, w) || (w.starchIn < 0 && /\brice\b/i.test(whole))) &&
      /\b(cook\w*|simmer\w*|boil\w*|bubbl\w*|stir\w*|(?:minutes?|mins?) (?:more|longer)|keep|over (?:a )?(?:low|gentle|medium) (?:heat|flame))\b/i.test(
        s,
      )
    )
      f.cookOnMin = (f.cookOnMin ?? 0) + d;
    if (/\b(cook\w*|simmer\w*|boil\w*|bubbl\w*)\b/i.test(s) && !/\b(?:freez|chill|fridge|soak)/i.test(s)) {
      const soft =
        (w.grainSoft >= 0 && at > w.grainSoft) || /\b(?:when|once|as soon as)\b.{0,30}\b(?:soft|tender)\b/i.test(whole);
      if (soft) f.softMin = (f.softMin ?? 0) + d;
      else if (w.grainAt >= 0) {
        const milk = /\bmilk\b/i.test(whole) || f.waterFirst;
        if (milk) f.inMilkMin = (f.inMilkMin ?? 0) + d;
        else if (w.waterBoil || /\bwater\b/i.test(whole)) f.inWaterMin = (f.inWaterMin ?? 0) + d;
      }
    }
  }
}

const fireAndSpoon: Listener = ({ s, oven }, f) => {
  const fire = oven ? undefined : hobIn(s);
  if (fire !== undefined) f.hob = { first: f.hob?.first ?? fire, last: fire };
  if (/\bsoak\w*\b/i.test(s)) f.soaked = true;
  const every = /\bevery\s+(?:(\d+|two|three|four|five|ten)\s+)?(seconds?|minutes?|mins?)/i.exec(s);
  if (every) {
    const n = every[1] ? (readNumber(every[1])?.value ?? 1) : 1;
    f.stirEveryS = n * (/^m/i.test(every[2]!) ? 60 : 1);
  } else if (/\b(now and then|occasionally|from time to time)\b/i.test(s)) f.stirEveryS ??= 60;
  else if (/\b(constantly|all the time|without stopping|never stop\w*|continuously|keep stirring)\b/i.test(s))
    f.stirEveryS = 2;
  if (/\b(lid on|covered? (?:pan|pot)|put (?:on )?the lid|with a lid|cover and (?:cook|simmer))\b/i.test(s))
    f.lidOn = true;
  if (
    /\b(double boiler|bain[- ]marie|bowl over (?:a pan of )?(?:simmering|steaming|hot)|(?:bowl|basin)\b.{0,30}\b(?:over|above)\b.{0,40}\b(?:water|steam)|over (?:a pan of )?(?:barely |gently |just )?(?:simmering|steaming) water)\b/i.test(
      s,
    )
  )
    f.doubleBoiler = true;
};

const waterAndReduction: Listener = ({ s }, f, w) => {
  if (
    /\brice\b/i.test(s) &&
    /\bwater\b/i.test(s) &&
    /\b(boil|cook|simmer)\w*\b/i.test(s) &&
    !/\bdouble boiler\b/i.test(s)
  )
    w.waterBoil = true;
  if (w.waterBoil && /\bmilk\b/i.test(s) && !/\bwater\b/i.test(s)) f.waterFirst = true;
  const reduce =
    /\b(?:reduc\w*|(?:boil|cook|simmer)\w*\b.{0,20}\bdown)\b.{0,60}?\b(?:by|to)\s+(?:about\s+)?(half|a third|a quarter|two thirds|three quarters)/i.exec(
      s,
    );
  if (reduce) {
    const share = readNumber(reduce[1]!)?.value ?? 0.5;
    f.reduceTo = /\bby\b/i.test(reduce[0]) ? 1 - share : share;
  }
};

const sugar: Listener = ({ s, at }, f, w) => {
  if (/\b(?:soft|tender)\b/i.test(s) && w.grainSoft < 0) w.grainSoft = at;
  if (/\bsugar\b/i.test(s) && w.sugarAt < 0) {
    w.sugarAt = at;
    if (/\bsugar\b.*\b(?:when|once|as soon as)\b.*\b(?:soft|tender)\b/i.test(s)) f.sugarLate = true;
    const soft = /\b(?:soft|tender)\b/i.exec(s)?.index ?? -1;
    if (w.grainSoft >= 0 && (at > w.grainSoft || soft < /\bsugar\b/i.exec(s)!.index)) f.sugarLate = true;
    if (EGG.test(s)) f.sugarWithYolks = true;
  }
};

/** Some of what is hot is taken up: it goes to the egg. */
const SOME_HOT =
  /\b(?:ladle\w*|spoonfuls?|spoons?|tbsp|tablespoons?|ml|cup|little|some|splash|bit|half|third)\b.{0,20}\b(?:hot|warm|boiling|scalded|steaming|thickened)\b.{0,14}\b(?:milk|cream|liquid|mixture|custard|base|pudding)\b/i;

const egg: Listener = ({ s, at, hotHere }, f, w) => {
  if (EGG.test(s) && f.yolks === undefined && SOME_HOT.test(s)) f.yolks = 'tempered';
  // beaten cold with a little milk, and the hot milk slowly onto it
  if (
    f.yolks === 'cold together' &&
    at > w.yolksAt &&
    (GRADUAL.test(s) || /\b(?:onto|on to)\b/i.test(s)) &&
    /\b(?:milk|cream|it)\b/i.test(s) &&
    (w.hot || hotHere)
  )
    f.yolks = 'tempered';
  if (EGG.test(s) && f.yolks === undefined) {
    const cold = w.cooled || /\b(cooled|lukewarm|cool)\b/i.test(s);
    if (
      GRADUAL.test(s) ||
      /\bpour\w*\b[^.]{0,12}\b(?:on|over|onto)\b[^.]{0,8}\b(?:hot|warm|boiling|scalded) (?:milk|cream)\b/i.test(s) ||
      (w.hot && /\bpour\w* (?:on|over) the (?:milk|cream)\b/i.test(s)) ||
      /\b(?:milk|cream|mixture)\b[^.]{0,25}\b(?:onto|over|on to)\b[^.]{0,20}\b(?:yolks?|eggs?)\b/i.test(s)
    )
      f.yolks = 'tempered';
    else if (
      /\b(add|stir|pour|whisk|drop|tip|beat)\w*\b/i.test(s) &&
      /\b(in|into|to)\b/i.test(s) &&
      (hotHere || cold) &&
      !(
        /\bin (?:a|another|the|its own)\s+(?:\w+ )?(?:bowl|basin|jug|cup)\b/i.test(s) && !/\b(?:into|to) the\b/i.test(s)
      ) &&
      !/\bwith (?:the )?sugar\b(?!.*\b(?:into|to) the\b)/i.test(s)
    )
      f.yolks = cold && !/\b(boiling|hot|simmering)\b/i.test(s) ? 'into a cooled base' : 'straight in';
    else if (!w.hot && /\b(everything|all|milk|cream)\b/i.test(s)) f.yolks = 'cold together';
  } else if (
    f.yolks === undefined &&
    GRADUAL.test(s) &&
    /\b(?:milk|cream)\b/i.test(s) &&
    f.mentions.some((m) => m.id === 'yolk' || m.id === 'egg')
  )
    f.yolks = 'tempered';
  // told over several sentences: some of the hot milk is taken up, and goes to the egg
  if (SOME_HOT.test(s)) w.ladleAt = at;
  if (
    f.yolks !== 'tempered' &&
    w.ladleAt >= 0 &&
    at - w.ladleAt <= 2 &&
    (EGG.test(s) || (/\b(?:them|bowl|it)\b/i.test(s) && f.mentions.some((m) => m.id === 'yolk' || m.id === 'egg')))
  )
    f.yolks = 'tempered';
  if (/\b(?:whites?|meringue)\b/i.test(s) && /\bfold\w*\b/i.test(s)) f.folded = true;
  if (f.yolks !== undefined && w.yolksAt < 0) w.yolksAt = at;
};

const comesOut: Listener = ({ s, at, ids }, f, w) => {
  if (/\b(?:spices?|pods?|sticks?|peel|leaves|leaf)\b/i.test(s) || ids.some((id) => WHOLE.includes(id)))
    w.spicesAt = at;
  if (
    /\b(remov\w*|discard\w*|(?:tak|fish|lift|pick|pull|scoop)\w*\b.{0,40}\bout\b|(?:peel|zest|rind|leaves|leaf|pods?|sticks?|spices?|cinnamon)\s+out)\b/i.test(
      s,
    )
  ) {
    for (const id of ids) if (WHOLE.includes(id)) f.takenOut.push(id);
    const said = /\b(spices?|pods?|sticks?|peel|zest|rind|leaves|leaf|aromatics)\b/i.test(s);
    if (said || (ids.length === 0 && /\b(?:them|it)\b/i.test(s) && at - w.spicesAt <= 2 && w.spicesAt >= 0))
      f.takenOut.push(...WHOLE.filter((id) => w.spices.includes(id) || f.mentions.some((m) => m.id === id)));
  }
  if (/\b(strain\w*|sieve|sieved)\b/i.test(s)) f.strained = true;
};

/** How fine, by what it is said to be like. */
const grindOf = (s: string): Grind =>
  /\b(?:flour|powder|dust|fine|finely|smooth)\b/i.test(s) && !/\b(?:not|coarse\w*)\b/i.test(s)
    ? 'flour'
    : /\b(?:coarse\w*|broken|cracked|rough\w*|crush\w*|couscous|halves|pieces)\b/i.test(s) && !/\bsemolina\b/i.test(s)
      ? 'coarse'
      : 'semolina';

const grinds: Listener = ({ s, at }, f, w) => {
  if (!GRIND.test(s) || f.ground !== undefined) return;
  const grain = /\b(?:rice|grains?)\b/i.test(s.replace(/\bground rice\b/gi, ' '));
  const it =
    /\b(?:it|them|this)\b|(?:^|\b(?:and|then|drain,?)\s+)(?:grind|pulse|blitz|crush|whizz|pound)\b/i.test(s) &&
    w.grainAt >= 0 &&
    at - w.grainAt <= 2;
  const other =
    /\b(?:nuts?|almonds?|pistachios?|walnuts?|hazelnuts?|cashews?|spices?|cardamom|resin|mastic|sugar|coconut|berr|fruit)\b/i.test(
      s,
    );
  if (grain || (it && !other)) {
    f.ground = grindOf(s);
    w.riceGround = true;
    w.groundAt = at;
  }
};

/** What a step keeps back, and what for: said there, or where the rest is used. */
const keepsBack: Listener = ({ s, ids }, f) => {
  const m =
    /\b(?:keep(?:ing)?\s+(?:back|aside)|reserv\w+|set(?:ting)?\s+aside|hold(?:ing)?\s+back|leav\w+\s+back|sav\w+)\s+(?:about\s+)?((?:a|an|one|two|three|half|\d|[½¼¾⅓⅔]).{0,60})/i.exec(
      s,
    ) ?? /\ball but\s+((?:a|an|one|two|three|\d|[½¼¾⅓⅔]).{0,60})/i.exec(s);
  if (!m) return;
  const [id] = namesIn(m[1]!)
    .map((n) => n.id)
    .concat(ids);
  if (!id || f.kept.some((k) => k.id === id)) return;
  const share =
    /^(?:a |one )?(half|third|quarter|fifth)\b|^(two|three) (thirds|quarters)\b|^(?:1\/[2345]|[23]\/[345]|[½⅓¼⅔¾])\s+of\b/i.exec(
      m[1]!,
    );
  const ofIt = share && !/^(?:a |one )?half (?:a |an )?(?:cup|litre|pint|spoon|teaspoon|tablespoon|glass)/i.test(m[1]!);
  const stage = /\b(?:top|serv\w*|sprinkl\w*|decorat\w*|garnish|pour over)\b/i.test(s)
    ? ('top' as const)
    : /\b(?:yolks?|eggs?)\b/i.test(s)
      ? ('bowl' as const)
      : /\b(?:end|last|taste|loosen|off the heat)\b/i.test(s)
        ? ('off the heat' as const)
        : ('late' as const);
  if (ofIt) {
    const value = readNumber(m[1]!)?.value;
    if (value !== undefined && value > 0 && value < 1) f.kept.push({ id, share: value, stage });
    return;
  }
  const amount = readAmount(m[1]!, 'metric');
  const thing = PANTRY.find((p) => p.id === id);
  const grams = amount && thing ? gramsOf(amount, thing, { system: 'metric', eggSize: 'eu M' })?.grams : undefined;
  if (grams !== undefined && grams > 0) f.kept.push({ id, grams, stage });
};

/** Where the rest of it is used says what it was kept for. */
const usesTheRest: Listener = ({ s, ids }, f) => {
  if (!/\b(?:reserved|kept[- ]back|remaining|rest of|set[- ]aside|last of)\b/i.test(s)) return;
  for (const k of f.kept)
    if (ids.includes(k.id)) {
      if (/\b(?:yolks?|eggs?)\b/i.test(s)) k.stage = 'bowl';
      else if (/\b(?:on top|over the top|over it|to serve|spoon over|pour over|drizzle)\b/i.test(s)) k.stage = 'top';
      else if (/\b(?:off the heat|at the end|last|loosen|taste)\b/i.test(s)) k.stage = 'off the heat';
    }
};

const inTheDish: Listener = ({ s }, f) => {
  if (
    /\b(?:over|on top of|onto) the (?:fruit|plums?|apples?|pears?|cherries|berries|apricots?|rhubarb|compote|sauce|strawberries|raspberries|mango)\b/i.test(
      s,
    ) ||
    /\b(?:fruit|plums|apples|pears|cherries|berries|apricots|rhubarb|compote)\b.{0,30}\b(?:in|on|over) the (?:bottom|base|dish|tin)\b/i.test(
      s,
    )
  )
    f.under = true;
};

const vessels: Listener = ({ s }, f) => {
  const litre = /(\d+(?:[.,]\d+)?|half a|one|two|three)[\s-]*(?:l|litre|liter)\b[^.]{0,12}\b(?:pan|pot|saucepan)/i.exec(
    s,
  );
  if (litre) f.panMl = 1000 * (/half/i.test(litre[1]!) ? 0.5 : (readNumber(litre[1]!)?.value ?? 1));
  const panCm = /(\d{2})\s*cm[^.]{0,14}\b(?:pan|pot|saucepan)/i.exec(s);
  if (panCm) f.panMm = Number(panCm[1]) * 10;
  f.dish = dishIn(s) ?? f.dish;
  if (f.dish === undefined) delete f.dish;
  const moulds =
    /(?:into|in|between|among|over|fill)\s+(?:the\s+)?(\d{1,2}|four|six|eight|ten|twelve|fourteen)\s+(?:small |little |individual )?(?:(\d{2,3})\s*ml\s+)?(?:moulds?|molds?|ramekins?|cups|glasses|pots|bowls)(?:\s+of\s+(\d{2,3})\s*ml)?/i.exec(
      s,
    );
  if (moulds)
    f.moulds = {
      count: Math.min(60, readNumber(moulds[1]!)?.value ?? 14),
      ml: Number(moulds[2] ?? moulds[3] ?? 150),
    };
  const deep = /(\d+(?:\.\d+)?|half an|an?|one|two)\s*(cm|mm|inch(?:es)?)\s*(?:deep|thick|layer|high)/i.exec(s);
  if (deep)
    f.layerMm = (readNumber(deep[1]!)?.value ?? 1) * (/mm/i.test(deep[2]!) ? 1 : /cm/i.test(deep[2]!) ? 10 : 25.4);
};

const inTheOven: Listener = ({ s, oven }, f, w) => {
  if (
    /\b(?:stand|set|place|put|sit)\w*\b.{0,40}\b(?:hot|boiling|warm) water\b/i.test(s) &&
    /\b(?:tin|tray|dish|bath|roasting)\b/i.test(s)
  )
    w.bath = true;
  if (!oven) return;
  // a stretch in the oven a clause: "bake 20 minutes, pour over, bake an hour more"
  const parts = s.split(CLAUSE).filter((c) => c && OVEN.test(c));
  for (const part of parts.length > 1 ? parts : [s]) ovenOf(part, f);
  if (w.bath && f.oven) f.oven.bath = true;
};

function ovenOf(s: string, f: Facts): void {
  const d = durationIn(s);
  {
    const tempC = ovenIn(s);
    if (tempC !== undefined || f.oven) {
      const minutes = /\b(?:bake|baked|baking|oven|cook)\b/i.test(s) ? d : undefined;
      const grills = /\b(?:grill|broil)/i.test(s);
      const before = f.oven?.minutes;
      // the second stretch: with its layer, or for colour
      const again = before !== undefined && minutes !== undefined && !grills;
      f.oven = {
        tempC: tempC ?? f.oven!.tempC,
        ...(before !== undefined ? { minutes: before } : minutes !== undefined && !grills ? { minutes } : {}),
        ...(again ? { secondMin: minutes } : f.oven?.secondMin === undefined ? {} : { secondMin: f.oven.secondMin }),
        ...(grills && d !== undefined
          ? { grillMin: d }
          : f.oven?.grillMin === undefined
            ? {}
            : { grillMin: f.oven.grillMin }),
        fan: (f.oven?.fan ?? false) || /\bfan\b/i.test(s),
        bath: (f.oven?.bath ?? false) || /\b(water bath|bain[- ]marie|hot water)\b/i.test(s),
        cold: (f.oven?.cold ?? false) || /\bcold oven\b/i.test(s),
        ...(f.oven?.grill || /\b(?:grill|broil)/i.test(s) ? { grill: true as const } : {}),
      };
    } else if (/\bbake/i.test(s))
      f.oven = {
        tempC: 170,
        ...(d === undefined ? {} : { minutes: d }),
        fan: false,
        bath: /\b(?:water bath|bain[- ]marie)\b/i.test(s),
        cold: false,
      };
  }
}

const served: Listener = ({ s }, f) => {
  if (/\b(turn(?:ed)? out|unmould|invert|flip)\w*/i.test(s)) f.style = 'turned out';
  else if (
    /\b(cut|slice)\w*\b[^.]{0,30}\b(squares?|wedges?|pieces|slices|diamonds|bars)\b|\bsliced?\b|\bcut (?:it )?(?:when|once) (?:it is |they are )?(?:cool|cold|set)\b/i.test(
      s,
    )
  )
    f.style = 'cut';
  if (/\bserve\w*\b[^.]{0,20}\b(warm|hot)\b|\beaten warm\b/i.test(s)) f.warm = true;
  else if (/\bserve\w*\b[^.]{0,20}\b(cold|chilled)\b/i.test(s)) f.warm = false;
};

/** Last: what a sentence does to the heat counts from the next one on. */
const heatOn: Listener = ({ s, at }, _f, w) => {
  if (/\bboil(?!er)\w*/i.test(s) && !NEVER.test(s)) w.boiledAt = at;
  if (COOLS.test(s)) w.cooled = true;
  if (HEATS.test(s) && !/\b(?:preheat\w*|oven|serve)\b/i.test(s)) {
    w.hot = true;
    if (/\b(boil|heat|simmer|scald)\b/i.test(s) && !COOLS.test(s)) w.cooled = false;
  }
};

/** In this order: bubbles and minutes are said of what has gone in. */
const LISTENERS: readonly Listener[] = [
  grinds,
  starchGoesIn,
  bubbles,
  minutes,
  fireAndSpoon,
  waterAndReduction,
  sugar,
  egg,
  comesOut,
  keepsBack,
  usesTheRest,
  inTheDish,
  vessels,
  inTheOven,
  served,
  heatOn,
];

function sentenceOf(s: string, at: number, ids: readonly string[], w: Walk): Sentence {
  const plain = s.replace(LIKE, ' ');
  const rice = (w.riceGround || w.groundAt === at) && /\brice\b/i.test(plain);
  const it = w.groundAt >= 0 && at - w.groundAt === 1 && /\b(?:it|this|powder)\b/i.test(plain);
  const heatAt = /\b(boil\w*|hot|simmer\w*|bubbling|scald\w*|steam\w*)\b/i.exec(s)?.index ?? -1;
  const wetAt = (STARCHY.exec(plain) ?? GRAINY.exec(plain))?.index ?? Infinity;
  return {
    s,
    at,
    ids,
    oven: OVEN.test(s),
    starchy: STARCHY.test(plain) || ids.some((i) => /starch|flour|custard_powder/.test(i)),
    grainy: GRAINY.test(plain) || rice || it,
    wetAt,
    hotHere:
      /\b(boiling|hot|simmering|bubbling|scalded|steaming) (?:\w+ )?(?:milk|water|cream|liquid|pan|pot|mixture)\b/i.test(
        s,
      ) ||
      (heatAt >= 0 && heatAt < wetAt) ||
      (w.hot && !w.cooled),
    d: durationIn(s),
  };
}

const SOME_OF_IT =
  /\b(?:a little|some|\d+ ?(?:ml|g|tbsp|spoons?|cups?)|half|cup|splash|few|part|bowl|jug|glass|reserved|kept|rest|remaining|water|ladle|slurry|paste|separately|other|second|cream)\b/i;
/** All of the milk wetted the starch: no rest of it is ever spoken of, and nothing is poured in later. */
function allTheMilk(method: readonly string[]): boolean {
  const at = method.findIndex((s) => /starch|flour|powder/i.test(s) && /\bthe cold (?:\w+ )?(?:milk|drink)\b/i.test(s));
  if (at < 0 || SOME_OF_IT.test(method[at]!) || method.slice(0, at).some((s) => HEATS.test(s))) return false;
  return !method.slice(at).some((s) => /\b(?:rest|remaining|slurry|starch mixture|(?:pour|whisk|stir) in)\b/i.test(s));
}

/** @param head title and list: a tin named there, starch that is wetted there */
export function factsOf(method: readonly string[], head: readonly string[] = []): Facts {
  const f: Facts = {
    mentions: [],
    sugarWithYolks: false,
    sugarLate: false,
    bubbles: false,
    forbidsBoil: false,
    lidOn: false,
    doubleBoiler: false,
    soaked: head.some((h) => /\bsoaked\b/i.test(h)),
    waterFirst: false,
    takenOut: [],
    kept: [],
    strained: false,
  };
  for (const h of head) f.dish ??= dishIn(h);
  if (f.dish === undefined) delete f.dish;
  if (head.some((h) => STARCHY.test(h) && COLD_WETTING.test(h))) f.starch = 'cold slurry';
  const w: Walk = {
    hot: false,
    cooled: false,
    starchIn: -1,
    slurryAt: f.starch === 'cold slurry' ? 0 : -1,
    yolksAt: -1,
    grainSoft: -1,
    sugarAt: -1,
    waterBoil: false,
    ladleAt: -1,
    grainAt: -1,
    riceGround: head.some((h) => GROUND_RICE.test(h)),
    groundAt: -1,
    spices: WHOLE.filter((id) => head.some((h) => namesIn(h).some((n) => n.id === id))),
    spicesAt: -1,
    poured: (at) =>
      method
        .slice(at + 1)
        .some(
          (s) =>
            /\b(?:pour|whisk|stir|add)\w*\b[^.]*\b(?:polenta|meal|semolina|cornmeal|mixture|paste|slurry|cream)\b/i.test(
              s,
            ) && /\b(?:boil\w*|simmer\w*|steam\w*)\b/i.test(s),
        ),
    bath: false,
    boiledAt: -1,
    metBoiling: false,
  };
  method.forEach((s, at) => {
    const named = namesIn(s);
    for (const n of named)
      if (!f.mentions.some((m) => m.id === n.id && m.unsure === n.unsure)) f.mentions.push({ ...n, at });
    const sentence = sentenceOf(
      s,
      at,
      named.map((n) => n.id),
      w,
    );
    for (const hears of LISTENERS) hears(sentence, f, w);
  });
  f.takenOut = [...new Set(f.takenOut)].sort();
  // rained into boiling milk, or poured into it, and cooked on, it has boiled
  if (
    (f.starch === 'rain' || f.starch === 'hot onto meal' || (w.metBoiling && !f.forbidsBoil)) &&
    (f.cookOnMin ?? 0) >= 1
  )
    f.bubbles = true;
  if (f.starch === 'cold slurry' && allTheMilk(method)) f.starch = 'cold together';
  return f;
}

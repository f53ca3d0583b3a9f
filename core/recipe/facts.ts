import { PANTRY } from '../pantry/pantry';
import { fahrenheitToCelsius } from '../units/measures';
import { readNumber } from './amount';
import { namesIn } from './names';

/** What a recipe's sentences say of heat, order and hands. Figures that it does not give stay undefined. */
export type Facts = {
  /** ingredients named in the method, in order, with the first sentence that names each */
  /** what the steps name, and where first; `unsure` where a word beside the name makes it something that is not known */
  mentions: { id: string; at: number; unsure?: string }[];
  starch?: 'cold slurry' | 'cold together' | 'mixed with sugar' | 'in cold yolks' | 'rain' | 'fat first' | 'into hot';
  yolks?: 'tempered' | 'straight in' | 'cold together' | 'into a cooled base';
  sugarWithYolks: boolean;
  sugarLate: boolean;
  /** the starch is brought to the bubble; said that it must not boil */
  bubbles: boolean;
  forbidsBoil: boolean;
  cookOnMin?: number;
  stirEveryS?: number;
  lidOn: boolean;
  doubleBoiler: boolean;
  soaked: boolean;
  waterFirst: boolean;
  reduceTo?: number;
  /** whole spices that are taken out again, or everything strained */
  takenOut: string[];
  strained: boolean;
  panMl?: number;
  panMm?: number;
  dish?: { shape: 'square'; lengthMm: number; widthMm: number } | { shape: 'round'; mm: number };
  moulds?: { count: number; ml: number };
  layerMm?: number;
  oven?: { tempC: number; minutes?: number; fan: boolean; bath: boolean; cold: boolean; grill?: true };
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
    if (/\bevery\s+$/i.test(sentence.slice(0, m.index))) continue;
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
  /\b(dissolv\w*|slurry|slake\w*|smooth paste|cold (?:milk|water|\w+ milk|liquid|cream)|(?:\d+ (?:ml|tbsp|tablespoons?|spoons?) of|a little|some|few (?:spoons|tablespoons)|kept[- ]back|reserved|rest|remaining|splash|part)\b.{0,30}\b(?:milk|water|liquid))/i;
const EGG = /\b(yolks?|eggs?)\b/i;
const GRADUAL =
  /\b(ladle|little by little|slowly|gradually|temper\w*|thin stream|bit by bit|drop by drop|a little at a time|in a trickle|spoon by spoon)\b/i;
const NEVER =
  /\b(?:do not|don.t|never|without|must not|not let it|before it|stop before|not)\b[^.]{0,30}\b(?:boil\w*|bubbl\w*|simmer\w*)/i;
const BUBBLES = /\b(boil\w*|bubbl\w*|simmer\w*|plop\w*|blip\w*)\b/i;
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
};

/** Hears one thing in a sentence; writes it down, and how far the method has come. */
type Listener = (sentence: Sentence, f: Facts, w: Walk) => void;

/** The starch or the egg is in: what is said of bubbles and minutes from here on is said of them. */
const later = (at: number, w: Walk) => (w.starchIn >= 0 && at >= w.starchIn) || (w.yolksAt >= 0 && at > w.yolksAt);

const starchGoesIn: Listener = ({ s, at, ids, starchy, grainy, hotHere }, f, w) => {
  if (/\b(everything|all (?:of )?(?:the )?ingredients|the lot)\b/i.test(s) && !w.hot) {
    if (f.starch === undefined) {
      f.starch = 'cold together';
      w.starchIn = at;
    }
    f.yolks ??= 'cold together';
  }
  const slurryStands = w.slurryAt >= 0 && at > w.slurryAt;
  if ((starchy || grainy) && w.starchIn < 0 && !slurryStands) {
    const withSugar =
      /\bsugar\b/i.test(s) &&
      /\b(mix|combine|stir together|whisk together|blend|rub)\w*\b/i.test(s) &&
      !/\b(milk|water|cream)\b/i.test(s);
    if (grainy && /\b(butter|fat|oil|ghee)\b/i.test(s) && /\b(fry|fried|toast|roast|coat)\w*\b/i.test(s))
      f.starch = 'fat first';
    else if (
      !hotHere &&
      /\b(pan|pot|saucepan)\b/i.test(s) &&
      !/\b(a little|some|bowl|cup|jug|reserved|rest|slurry)\b/i.test(s)
    )
      f.starch = 'cold together';
    else if (starchy && COLD_WETTING.test(s) && !/\binto the (?:boiling|hot)\b(?!.*\bcold\b)/i.test(s)) {
      f.starch ??= 'cold slurry';
      w.slurryAt = at;
      // "mix the starch with water and stir in, boil a minute": made and in, in one sentence
      if (w.hot && /\b(?:stir|pour|whisk|add|beat)\w*\s+(?:it |this |that )?(?:in|into|to)\b/i.test(s)) w.starchIn = at;
    } else if (withSugar) f.starch ??= 'mixed with sugar';
    else if (starchy && EGG.test(s) && !hotHere) f.starch ??= 'in cold yolks';
    else if (!hotHere && (/\b(milk|water|everything|all|cream|drink)\b/i.test(s) || grainy))
      f.starch ??= 'cold together';
    else if (hotHere) {
      if (grainy) f.starch ??= 'rain';
      else f.starch ??= 'into hot';
    }
    const goesIn = w.hot || /\b(pan|pot|milk|heat)\b/i.test(s);
    if (f.starch === 'cold together' || f.starch === 'rain' || f.starch === 'into hot' || f.starch === 'fat first')
      w.starchIn = at;
    else if (goesIn && hotHere && w.slurryAt !== at && !/\b(?:bowl|cup|jug)\b/i.test(s)) w.starchIn = at;
  } else if (w.starchIn < 0 && (w.slurryAt >= 0 || f.starch === 'mixed with sugar' || f.starch === 'in cold yolks')) {
    if (
      /\b(slurry|starch|mixture|paste|it|pour|stir|whisk|back|everything|sugar)\b/i.test(s) &&
      /\b(in|into|to|back|onto|over|pour\w*)\b/i.test(s)
    )
      w.starchIn = at;
    else if (BUBBLES.test(s) && ids.length === 0) w.starchIn = at;
  }
};

const bubbles: Listener = ({ s, at, wetAt, oven }, f, w) => {
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

const minutes: Listener = ({ s, at, oven, d }, f, w) => {
  if (d !== undefined && !oven) {
    if (/\b(soak\w*|steep\w*|infus\w*)\b/i.test(s)) f.soaked = f.soaked || /\bsoak/i.test(s);
    else if (/\b(freez\w*|freezer)\b/i.test(s)) f.freezeH = d / HOUR;
    else if (/\b(chill\w*|fridge|refrigerat\w*|cold)\b/i.test(s)) f.chillH = Math.max(f.chillH ?? 0, d / HOUR);
    else if (/\b(?:room temperature|stand|cool|(?:let|leave)\b.{0,15}\brest)\b/i.test(s)) f.roomMin = d;
    else if (
      (later(at, w) || (w.starchIn < 0 && /\brice\b/i.test(s))) &&
      /\b(cook\w*|simmer\w*|boil\w*|bubbl\w*|stir\w*|minutes? more|keep)\b/i.test(s)
    )
      f.cookOnMin = (f.cookOnMin ?? 0) + d;
  }
};

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
  if (/\b(double boiler|bain[- ]marie|bowl over (?:a pan of )?(?:simmering|steaming|hot))/i.test(s))
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
    /\b(?:reduc\w*|(?:boil|cook|simmer)\w*\b.{0,20}\bdown)\b.{0,30}?\b(?:by|to)\s+(?:about\s+)?(half|a third|a quarter|two thirds|three quarters)/i.exec(
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
    const soft = /\b(?:soft|tender)\b/i.exec(s)?.index ?? -1;
    if (w.grainSoft >= 0 && (at > w.grainSoft || soft < /\bsugar\b/i.exec(s)!.index)) f.sugarLate = true;
    if (EGG.test(s)) f.sugarWithYolks = true;
  }
};

const egg: Listener = ({ s, at, hotHere }, f, w) => {
  if (EGG.test(s) && f.yolks === undefined) {
    const cold = w.cooled || /\b(cooled|lukewarm|cool)\b/i.test(s);
    if (
      GRADUAL.test(s) ||
      /\b(?:milk|cream|mixture)\b[^.]{0,25}\b(?:onto|over|on to)\b[^.]{0,20}\b(?:yolks?|eggs?)\b/i.test(s)
    )
      f.yolks = 'tempered';
    else if (
      /\b(add|stir|pour|whisk|drop|tip|beat)\w*\b/i.test(s) &&
      /\b(in|into|to)\b/i.test(s) &&
      (hotHere || cold) &&
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
  if (f.yolks !== undefined && w.yolksAt < 0) w.yolksAt = at;
};

const comesOut: Listener = ({ s, ids }, f) => {
  if (
    /\b(remov\w*|tak\w* out|tak\w*\b.{0,40}\bout\b|fish\w* out|discard\w*|lift\w* out|pick\w* out|pull\w* out)\b/i.test(
      s,
    )
  ) {
    for (const id of ids) if (WHOLE.includes(id)) f.takenOut.push(id);
    if (/\b(spices?|pods?|sticks?|peel|leaves|leaf)\b/i.test(s))
      f.takenOut.push(...WHOLE.filter((w) => f.mentions.some((m) => m.id === w)));
  }
  if (/\b(strain\w*|sieve|sieved)\b/i.test(s)) f.strained = true;
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
    /(?:into|in|between|among|over|fill)\s+(?:the\s+)?(\d{1,2}|four|six|eight|ten|twelve|fourteen)\s+(?:small |little |individual )?(?:(\d{2,3})\s*ml\s+)?(?:moulds?|molds?|ramekins?|cups|glasses|pots|bowls)/i.exec(
      s,
    );
  if (moulds)
    f.moulds = { count: Math.min(60, readNumber(moulds[1]!)?.value ?? 14), ml: moulds[2] ? Number(moulds[2]) : 150 };
  const deep = /(\d+(?:\.\d+)?|half an|an?|one|two)\s*(cm|mm|inch(?:es)?)\s*(?:deep|thick|layer|high)/i.exec(s);
  if (deep)
    f.layerMm = (readNumber(deep[1]!)?.value ?? 1) * (/mm/i.test(deep[2]!) ? 1 : /cm/i.test(deep[2]!) ? 10 : 25.4);
};

const inTheOven: Listener = ({ s, oven, d }, f) => {
  if (oven) {
    const tempC = ovenIn(s);
    if (tempC !== undefined || f.oven) {
      const minutes = /\b(?:bake|baked|oven|cook)\b/i.test(s) ? d : undefined;
      f.oven = {
        tempC: tempC ?? f.oven!.tempC,
        ...(minutes !== undefined || f.oven?.minutes !== undefined ? { minutes: minutes ?? f.oven!.minutes! } : {}),
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
};

const served: Listener = ({ s }, f) => {
  if (/\b(turn(?:ed)? out|unmould|invert|flip)\w*/i.test(s)) f.style = 'turned out';
  else if (/\b(cut|slice)\w*\b[^.]{0,30}\b(squares?|wedges?|pieces|slices|diamonds|bars)\b|\bsliced?\b/i.test(s))
    f.style = 'cut';
  if (/\bserve\w*\b[^.]{0,20}\b(warm|hot)\b|\beaten warm\b/i.test(s)) f.warm = true;
  else if (/\bserve\w*\b[^.]{0,20}\b(cold|chilled)\b/i.test(s)) f.warm = false;
};

/** Last: what a sentence does to the heat counts from the next one on. */
const heatOn: Listener = ({ s }, _f, w) => {
  if (COOLS.test(s)) w.cooled = true;
  if (HEATS.test(s) && !/\b(?:preheat\w*|oven|serve)\b/i.test(s)) {
    w.hot = true;
    if (/\b(boil|heat|simmer|scald)\b/i.test(s) && !COOLS.test(s)) w.cooled = false;
  }
};

/** In this order: bubbles and minutes are said of what has gone in. */
const LISTENERS: readonly Listener[] = [
  starchGoesIn,
  bubbles,
  minutes,
  fireAndSpoon,
  waterAndReduction,
  sugar,
  egg,
  comesOut,
  vessels,
  inTheOven,
  served,
  heatOn,
];

function sentenceOf(s: string, at: number, ids: readonly string[], w: Walk): Sentence {
  const heatAt = /\b(boil\w*|hot|simmer\w*|bubbling|scalded|steam\w*)\b/i.exec(s)?.index ?? -1;
  const wetAt = (STARCHY.exec(s) ?? GRAINY.exec(s))?.index ?? Infinity;
  return {
    s,
    at,
    ids,
    oven: /\b(oven|bake[ds]?|baking|grill)\b/i.test(s),
    starchy: STARCHY.test(s) || ids.some((i) => /starch|flour|custard_powder/.test(i)),
    grainy: GRAINY.test(s),
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
    soaked: false,
    waterFirst: false,
    takenOut: [],
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
  // rained into boiling milk and cooked on, it has boiled
  if (f.starch === 'rain' && (f.cookOnMin ?? 0) >= 1) f.bubbles = true;
  return f;
}

export const SET_WORDS = ['drinks', 'pours', 'coats', 'mounds', 'holds a trail', 'wobbles', 'slices', 'firm'] as const;
export type SetWord = (typeof SET_WORDS)[number];

/** kg/m3 x m/s2 of a pudding. */
export const WEIGHT_N_PER_M3 = 1040 * 9.81;

/**
 * Lower bounds of the words. Yield stress in Pa, at the temperature it is eaten; viscosity in Pa s at 10 1/s for what
 * still flows (B/C; the standing and slicing bounds belong to a 4 cm mould and are moved by {@link boundsFor}).
 */
const YIELD_PA: Record<SetWord, number> = {
  drinks: 0.2,
  pours: 1,
  coats: 3,
  mounds: 18,
  'holds a trail': 45,
  wobbles: 75,
  slices: 230,
  firm: 600,
};
const VISCOSITY_PAS: Partial<Record<SetWord, number>> = { pours: 0.03, coats: 0.3, mounds: 1.1, 'holds a trail': 4 };
/** Top of the scale over the bound of firm: beyond it is rubber (B: 1800 Pa). */
const TOP_OVER_FIRM = 3;

/** Where each word begins on the set strip, 0 to 5 (drinks, coats, mounds, wobbles, slices are a unit each). */
export const STRIP: Record<SetWord, number> = {
  drinks: 0,
  pours: 0.65,
  coats: 1,
  mounds: 2,
  'holds a trail': 2.6,
  wobbles: 3,
  slices: 4,
  firm: 4.75,
};

export const SERVE_STYLES = ['spooned', 'turned out', 'cut'] as const;
export type ServeStyle = (typeof SERVE_STYLES)[number];
export type Bounds = Record<SetWord, number>;

/**
 * Lower bounds for what is judged: a turned-out mould must bear its own height (0.275 rho g h), a layer cut in its dish
 * must bear the knife (0.30 rho g h, 75 Pa at the least); from the spoon the table holds.
 */
export function boundsFor(style: ServeStyle, heightM: number): Bounds {
  const weight = WEIGHT_N_PER_M3 * heightM;
  if (style === 'turned out') {
    const wobbles = Math.max(50, 0.275 * weight);
    const slices = Math.max(230, 2.7 * wobbles);
    return {
      ...YIELD_PA,
      'holds a trail': Math.min(45, wobbles * 0.6),
      wobbles,
      slices,
      firm: Math.max(600, 2.6 * slices),
    };
  }
  if (style === 'cut') {
    const slices = Math.max(75, 0.3 * weight);
    const wobbles = Math.min(75, slices * 0.75);
    return {
      ...YIELD_PA,
      'holds a trail': Math.min(45, wobbles * 0.7),
      wobbles,
      slices,
      firm: Math.max(600, 2.6 * slices),
    };
  }
  return YIELD_PA;
}

/** The yield stress at which a word ends, Pa. */
export function upperBoundPa(word: SetWord, bounds: Bounds): number {
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  return next ? bounds[next] : TOP_OVER_FIRM * bounds.firm;
}

/** The yield stress to aim at for a word: the middle of its band, by ratio. */
export const aimPa = (word: SetWord, bounds: Bounds): number => Math.sqrt(bounds[word] * upperBoundPa(word, bounds));

function place(value: number, table: Partial<Record<SetWord, number>>, top: number): number {
  const words = SET_WORDS.filter((w) => table[w] !== undefined);
  const at = (i: number) => ({ v: table[words[i]!]!, p: STRIP[words[i]!] });
  const first = at(0);
  if (value <= first.v) return Math.max(0, first.p - 0.35 * Math.log(first.v / Math.max(value, 1e-6)));
  for (let i = 1; i <= words.length; i++) {
    const lo = at(i - 1);
    const hi =
      i < words.length
        ? at(i)
        : { v: top, p: words[i - 1] === 'firm' ? 5 : STRIP[SET_WORDS[SET_WORDS.indexOf(words[i - 1]!) + 1]!] };
    if (value < hi.v || i === words.length)
      return Math.min(hi.p, lo.p + ((hi.p - lo.p) * Math.log(value / lo.v)) / Math.log(hi.v / lo.v));
  }
  return 5;
}

/** Place of a cold or hot pudding on the strip, 0 to 5: what its yield stress or its viscosity gives, whichever is more. */
export function stripPlace(yieldPa: number, viscosityPaS: number, bounds: Bounds = YIELD_PA): number {
  return Math.max(
    place(yieldPa, bounds, TOP_OVER_FIRM * bounds.firm),
    Math.min(place(viscosityPaS, VISCOSITY_PAS, 12), STRIP.wobbles - 0.01),
  );
}

/** The word at a place on the strip. */
export function wordAt(placeOnStrip: number): SetWord {
  let word: SetWord = 'drinks';
  for (const w of SET_WORDS) if (placeOnStrip >= STRIP[w] - 1e-9) word = w;
  return word;
}

/** The middle of a word's stretch on the strip. */
export function stripMiddle(word: SetWord): number {
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  return (STRIP[word] + (next ? STRIP[next] : 5)) / 2;
}

/** Yield stress, Pa, at a place on the strip: the inverse of the yield part of {@link stripPlace}. */
export function yieldAtPlace(p: number, bounds: Bounds = YIELD_PA): number {
  const word = wordAt(Math.max(0, Math.min(4.999, p)));
  const lo = bounds[word];
  const hi = upperBoundPa(word, bounds);
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  const width = (next ? STRIP[next] : 5) - STRIP[word];
  return lo * (hi / lo) ** ((p - STRIP[word]) / width);
}

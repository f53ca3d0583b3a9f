import { clamp, table } from '../coefficients';

export const SET_WORDS = ['drinks', 'pours', 'coats', 'mounds', 'holds a trail', 'wobbles', 'slices', 'firm'] as const;
export type SetWord = (typeof SET_WORDS)[number];

/** kg/m3 x m/s2 of a pudding. */
export const WEIGHT_N_PER_M3 = 1040 * 9.81;

/**
 * Where the words begin, fitted to what kitchens call a cornstarch pudding (C). Yield stress in Pa, once the spoon has
 * broken it, at the temperature it is eaten. What is served whole is judged by its height: {@link boundsFor}.
 */
export const WORDS = table('Words of the set', {
  pours: [1.37, 'Pa', 'C', 'from here it pours; 1.35 g of cornstarch to 100 of milk'],
  coats: [8.35, 'Pa', 'C', 'from here it coats; 2.65 g'],
  mounds: [22.5, 'Pa', 'C', 'mounds; 3.85 g'],
  trail: [47.2, 'Pa', 'C', 'holds a trail; 5.1 g'],
  wobbles: [78, 'Pa', 'C', 'wobbles on the spoon; 6.3 g'],
  slices: [147, 'Pa', 'C', 'slices; 8.1 g'],
  firm: [289, 'Pa', 'C', 'firm; 10.6 g'],
  topOverFirm: [1.86, '1', 'C', 'rubber over firm'],
  standsOverWeight: [0.149, '1', 'B', 'turned out: that of a gel that sags by a sixth of its height, over rho g h'],
  letsGo: [2, 'Pa', 'C', 'and what the wall of a mould keeps hold of'],
  slicesOverWobbles: [1.95, '1', 'C', 'turned out: slices clean over wobbles'],
  firmOverSlices: [1.87, '1', 'C', 'turned out: firm over slices'],
  knife: [78, 'Pa', 'C', 'a layer cut in its dish bears the knife'],
  knifeOverWeight: [0.1, '1', 'C', 'and some of its own height, over rho g h'],
  layerWobbles: [0.55, '1', 'C', 'a layer wobbles from this share of what cuts it'],
  layerFirm: [229, 'Pa', 'C', 'a layer is firm'],
  pasteHotPaS: [0.011, 'Pa s', 'C', 'hot, at 10 1/s: pours; 2 g of cornstarch to 100'],
  coatsHotPaS: [0.09, 'Pa s', 'C', 'coats; 3 g'],
  pasteColdPaS: [0.03, 'Pa s', 'B', 'cold: pours'],
  coatsColdPaS: [0.3, 'Pa s', 'B', 'cold: coats'],
  moundsHotPaS: [1.1, 'Pa s', 'B', 'hot: mounds; 6 g'],
  trailHotPaS: [3, 'Pa s', 'C', 'holds a trail; 9 g'],
  moundsColdPaS: [2.6, 'Pa s', 'C', 'cold: mounds; the same paste, thicker for being cold'],
  trailColdPaS: [7, 'Pa s', 'C', 'holds a trail'],
  topPaS: [60, 'Pa s', 'C', 'no flow is called more than that'],
  coldC: [20, 'degC', 'B', 'below this it is judged as cold'],
  hotC: [80, 'degC', 'B', 'above this as hot'],
  setsC: [25, 'degC', 'C', 'a gel is judged by its flow above this'],
  setC: [8, 'degC', 'C', 'and by its yield alone below this'],
  weakGel: [
    0.2,
    '1',
    'C',
    'gel strength of a starch, against maize, up to which its flow is felt in the cold: tapioca',
  ],
  wholeGel: [0.45, '1', 'C', 'and from which it is not'],
  gelsPa: [110, 'Pa', 'C', 'modulus about which a gel is felt as one, and its flow no longer'],
});
const YIELD_PA: Record<SetWord, number> = {
  drinks: 0.2,
  pours: WORDS.pours,
  coats: WORDS.coats,
  mounds: WORDS.mounds,
  'holds a trail': WORDS.trail,
  wobbles: WORDS.wobbles,
  slices: WORDS.slices,
  firm: WORDS.firm,
};
/** Where in its band, by ratio, a word is best aimed at: so that no word costs much more starch than the one before (C). */
const AIM: Partial<Record<SetWord, number>> = { pours: 0.83, mounds: 0.4 };
const aimShare = (word: SetWord): number => AIM[word] ?? 0.5;

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
type ServeStyle = (typeof SERVE_STYLES)[number];
export type Bounds = Record<SetWord, number>;

/**
 * Lower bounds for what is judged. Turned out, a block stands by its elasticity and must bear its own height; a layer
 * cut in its dish must bear the knife; from the spoon the table holds.
 */
export function boundsFor(style: ServeStyle, heightM: number): Bounds {
  const weight = WEIGHT_N_PER_M3 * heightM;
  if (style === 'turned out') {
    const wobbles = WORDS.standsOverWeight * weight + WORDS.letsGo;
    const slices = WORDS.slicesOverWobbles * wobbles;
    return {
      ...YIELD_PA,
      ...under(wobbles),
      wobbles,
      slices,
      firm: Math.max(WORDS.layerFirm, WORDS.firmOverSlices * slices),
    };
  }
  if (style === 'cut') {
    const slices = WORDS.knife + WORDS.knifeOverWeight * weight;
    const wobbles = WORDS.layerWobbles * slices;
    return { ...YIELD_PA, ...under(wobbles), wobbles, slices, firm: Math.max(WORDS.layerFirm, 2 * slices) };
  }
  return YIELD_PA;
}
/** The words below a wobble that begins early or late. */
const under = (wobbles: number) => {
  const trail = Math.max(Math.min(WORDS.trail, 0.75 * wobbles), wobbles / 1.9);
  const mounds = Math.min(WORDS.mounds, 0.6 * trail);
  const coats = Math.min(WORDS.coats, 0.6 * mounds);
  return { 'holds a trail': trail, mounds, coats, pours: Math.min(WORDS.pours, 0.6 * coats) };
};

/** The yield stress at which a word ends, Pa. */
export function upperBoundPa(word: SetWord, bounds: Bounds): number {
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  return next ? bounds[next] : WORDS.topOverFirm * bounds.firm;
}

/** The yield stress to aim at for a word. */
export const aimPa = (word: SetWord, bounds: Bounds): number =>
  bounds[word] * (upperBoundPa(word, bounds) / bounds[word]) ** aimShare(word);

const endOf = (word: SetWord): number => {
  const next = SET_WORDS[SET_WORDS.indexOf(word) + 1];
  return next ? STRIP[next] : 5;
};
/** The place on the strip that is aimed at for a word: what {@link aimPa} is there. */
export const aimPlace = (word: SetWord): number => STRIP[word] + (endOf(word) - STRIP[word]) * aimShare(word);

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

/** What flows, Pa s at 10 1/s: thin and hot looks thicker than its figure, for it is compared with what is hot. */
function flowBounds(tempC: number): Partial<Record<SetWord, number>> {
  const hot = clamp((tempC - WORDS.coldC) / (WORDS.hotC - WORDS.coldC), 0, 1);
  const between = (cold: number, warm: number) => cold * (warm / cold) ** hot;
  return {
    pours: between(WORDS.pasteColdPaS, WORDS.pasteHotPaS),
    coats: between(WORDS.coatsColdPaS, WORDS.coatsHotPaS),
    mounds: between(WORDS.moundsColdPaS, WORDS.moundsHotPaS),
    'holds a trail': between(WORDS.trailColdPaS, WORDS.trailHotPaS),
  };
}

/**
 * What it is judged at: degC, the modulus of what has gelled, the gel strength of its starch against maize, and its
 * viscosity when it was hot, Pa s.
 */
type JudgedAt = { tempC: number; modulusPa: number; starchGel?: number; hotPaS?: number };

/**
 * Place of a pudding on the strip, 0 to 5: what its yield stress or its viscosity gives, whichever is more. What only
 * flows never wobbles, and its word never falls while its viscosity rises; what has gelled and is cold is judged by its
 * yield alone, and a weak gel by both.
 */
export function stripPlace(
  yieldPa: number,
  viscosityPaS: number,
  bounds: Bounds = YIELD_PA,
  at: JudgedAt = { tempC: 8, modulusPa: 0 },
): number {
  const set = place(yieldPa, bounds, WORDS.topOverFirm * bounds.firm);
  if (viscosityPaS <= 0) return set;
  const flows = (paS: number, tempC: number) => place(paS, flowBounds(tempC), WORDS.topPaS);
  const was = at.hotPaS !== undefined && viscosityPaS >= at.hotPaS ? flows(at.hotPaS, WORDS.hotC) : 0;
  const flow = Math.min(Math.max(flows(viscosityPaS, at.tempC), was), STRIP.wobbles - 0.01);
  const gels =
    (at.modulusPa ** 2 / (at.modulusPa ** 2 + WORDS.gelsPa ** 2)) *
    clamp(((at.starchGel ?? 1) - WORDS.weakGel) / (WORDS.wholeGel - WORDS.weakGel), 0, 1);
  const cold = clamp((WORDS.setsC - at.tempC) / (WORDS.setsC - WORDS.setC), 0, 1);
  return Math.max(set, flow - cold * gels * Math.max(0, flow - set));
}

/** The word at a place on the strip. */
export function wordAt(placeOnStrip: number): SetWord {
  let word: SetWord = 'drinks';
  for (const w of SET_WORDS) if (placeOnStrip >= STRIP[w] - 1e-9) word = w;
  return word;
}

/** The middle of a word's stretch on the strip. */
export const stripMiddle = (word: SetWord): number => (STRIP[word] + endOf(word)) / 2;

/** Yield stress, Pa, at a place on the strip: the inverse of the yield part of {@link stripPlace}. */
export function yieldAtPlace(p: number, bounds: Bounds = YIELD_PA): number {
  const word = wordAt(Math.max(0, Math.min(4.999, p)));
  const lo = bounds[word];
  const hi = upperBoundPa(word, bounds);
  return lo * (hi / lo) ** ((p - STRIP[word]) / (endOf(word) - STRIP[word]));
}

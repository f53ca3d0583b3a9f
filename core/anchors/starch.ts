import { SET_WORDS, STRIP, type SetWord } from '../texture/words';
import type { Anchor } from './anchor';
import { cooked, LITRE_G, perCornstarch, solvedPer100, SUGAR_PER_100, type Asked } from './dishes';

const PER_100 = 'g per 100 g';
const milk = (asked: string, range: readonly [number, number], a: Omit<Asked, 'items'>): Anchor => ({
  part: 'Cornstarch in milk',
  asked,
  unit: PER_100,
  range,
  of: () => solvedPer100({ items: {}, ...a }),
});
const STRIP_END = 5;
/** From where a word begins to where the one after another ends, on the strip. */
export const strip = (from: SetWord, to: SetWord = from): readonly [number, number] => [
  STRIP[from],
  to === 'firm' ? STRIP_END : STRIP[SET_WORDS[SET_WORDS.indexOf(to) + 1]!] - 0.001,
];
const hot = (per100: number, asked: string, range: readonly [number, number]): Anchor => {
  const dish: Asked = { items: { sugar: SUGAR_PER_100 * 10, cornstarch: per100 * 10 } };
  return {
    part: 'Cornstarch in milk',
    asked: `hot in the pot, ${per100} per 100: ${asked}`,
    unit: 'place on the strip',
    range,
    of: () => cooked(dish).hot.place,
    word: { dish, when: 'hot' },
  };
};
/** What kitchens take for a word, in the middle of their range, is that word. */
const cold = (per100: number, word: SetWord, style: NonNullable<Asked['style']> = 'spooned', depthMm = 45): Anchor => {
  const dish: Asked = { items: { sugar: SUGAR_PER_100 * 10, cornstarch: per100 * 10 }, style, word, depthMm };
  return {
    part: 'Cornstarch in milk',
    asked: `${per100} per 100, ${style}, ${depthMm} mm: ${word}`,
    unit: 'place on the strip',
    range: strip(word),
    of: () => cooked(dish).cold.place,
    word: { dish, when: 'cold' },
  };
};
const step = (from: SetWord, to: SetWord, style: Asked['style'] = 'spooned', depthMm = 45): Anchor => ({
  part: 'Cornstarch in milk',
  asked: `${style}: from "${from}" to "${to}" asks no more than`,
  unit: 'times',
  range: [1, 1.35],
  of: () =>
    solvedPer100({ items: {}, word: to, style: style ?? 'spooned', depthMm }) /
    solvedPer100({ items: {}, word: from, style: style ?? 'spooned', depthMm }),
});

const against = (liquid: string, range: readonly [number, number]): Anchor => ({
  part: 'Cornstarch in milk',
  asked: `${liquid}: starch for the same set as milk`,
  unit: 'times',
  range,
  of: () => solvedPer100({ items: {}, liquid }) / solvedPer100({ items: {} }),
});

const sugared = (sugarPer100: number): Asked => ({
  items: { sugar: sugarPer100 * 10, cornstarch: 55 },
  liquidG: LITRE_G,
});

export const STARCH_ANCHORS: readonly Anchor[] = [
  milk('cold: pours', [1.2, 2.5], { word: 'pours' }),
  milk('cold: coats the spoon', [2.4, 3.6], { word: 'coats' }),
  milk('cold: mounds softly', [4.3, 5.8], { word: 'mounds' }),
  milk('cold: holds a trail', [5.3, 6.8], { word: 'holds a trail' }),
  milk('turned out of a 3 cm mould, wobbles', [5.6, 7.2], { word: 'wobbles', style: 'turned out', depthMm: 30 }),
  milk('turned out, 4.5 cm, wobbles', [6.3, 8.2], { word: 'wobbles', style: 'turned out', depthMm: 45 }),
  milk('turned out, 5 cm, wobbles', [6.3, 8.2], { word: 'wobbles', style: 'turned out', depthMm: 50 }),
  milk('turned out, 7 cm, wobbles', [7.2, 9.3], { word: 'wobbles', style: 'turned out', depthMm: 70 }),
  milk('turned out, 8 cm, wobbles', [7.2, 9.3], { word: 'wobbles', style: 'turned out', depthMm: 80 }),
  milk('2 cm layer, cut clean in the dish', [6.8, 9.2], { word: 'slices', style: 'cut', depthMm: 20 }),
  milk('2.5 cm layer, cut clean in the dish', [6.8, 9.2], { word: 'slices', style: 'cut', depthMm: 25 }),
  milk('4 cm layer, cut clean', [7.3, 9.8], { word: 'slices', style: 'cut', depthMm: 40 }),
  milk('turned out, 5 cm, slices clean', [8.2, 10.8], { word: 'slices', style: 'turned out', depthMm: 50 }),
  milk('firm, for those who want rubber', [10.5, 20], { word: 'firm', style: 'turned out', depthMm: 50 }),
  step('pours', 'coats'),
  step('coats', 'mounds'),
  step('mounds', 'holds a trail'),
  step('holds a trail', 'wobbles'),
  step('wobbles', 'slices'),
  step('slices', 'firm'),
  step('mounds', 'holds a trail', 'turned out'),
  step('holds a trail', 'wobbles', 'turned out'),
  step('wobbles', 'slices', 'turned out'),
  step('slices', 'firm', 'turned out'),
  step('wobbles', 'slices', 'cut', 25),
  step('slices', 'firm', 'cut', 25),
  hot(2, 'pours', strip('pours')),
  hot(3, 'coats', strip('coats')),
  hot(5, 'coats thickly to mounds', [1.5, strip('mounds')[1]]),
  hot(7, 'mounds, slow plops', strip('mounds')),
  hot(9, 'holds a trail', strip('holds a trail')),
  cold(1.85, 'pours'),
  cold(3, 'coats'),
  cold(5, 'mounds'),
  cold(6, 'holds a trail'),
  cold(6.4, 'wobbles', 'turned out', 30),
  cold(7.25, 'wobbles', 'turned out', 47),
  cold(8.25, 'wobbles', 'turned out', 75),
  cold(8, 'slices', 'cut', 22),
  cold(8.5, 'slices', 'cut', 40),
  cold(9.5, 'slices', 'turned out', 50),
  cold(12, 'firm', 'turned out', 50),
  milk('canned coconut, 2.5 cm slab, cut cold', [6.3, 8.2], {
    liquid: 'coconut_milk',
    word: 'slices',
    style: 'cut',
    depthMm: 25,
  }),
  milk('canned coconut, mounds', [3.8, 5], { liquid: 'coconut_milk', word: 'mounds' }),
  against('almond_drink', [1.15, 1.35]),
  against('oat_drink', [1.15, 1.35]),
  against('rice_drink', [1.15, 1.35]),
  against('cream_20', [0.85, 0.95]),
  against('evaporated', [0.85, 0.95]),
  {
    part: 'Cornstarch in milk',
    asked: 'hot thickness with 20 g of sugar per 100 against none',
    unit: 'times',
    range: [0.9, 1.1],
    of: () => cooked(sugared(20)).hot.viscosityPaS / cooked(sugared(0)).hot.viscosityPaS,
  },
  {
    part: 'Cornstarch in milk',
    asked: 'cold gel with 20 g of sugar per 100 against none',
    unit: 'times',
    range: [0.75, 0.9],
    of: () => cooked(sugared(20)).cold.modulusPa / cooked(sugared(0)).cold.modulusPa,
  },
];

const other = (name: string, id: string, range: readonly [number, number], missed?: string): Anchor => ({
  part: 'Other thickeners',
  asked: `${name} for 1 g of cornstarch, cold set`,
  unit: 'g',
  range,
  of: () => perCornstarch(id),
  ...(missed ? { missed } : {}),
});
export const OTHER_ANCHORS: readonly Anchor[] = [
  other('rice flour', 'rice_flour', [1.2, 1.5]),
  other('ground rice, semolina size', 'rice_ground', [1.4, 1.8]),
  other('rice ground coarse at home', 'rice_ground_coarse', [1.7, 2.3]),
  other('semolina', 'semolina', [1.25, 1.6]),
  other('fine cornmeal', 'cornmeal_fine', [1.2, 1.6]),
  other('wheat flour', 'wheat_flour', [1.6, 2]),
  other('potato starch', 'potato_starch', [0.9, 1.3]),
  other('tapioca', 'tapioca_starch', [1.6, 2.2]),
  {
    part: 'Other thickeners',
    asked: 'potato starch for 1 g of cornstarch, hot',
    unit: 'g',
    range: [0.6, 0.75],
    of: () => {
      const wanted = cooked({ items: { sugar: 80, cornstarch: 50 } }).hot.viscosityPaS;
      let lo = 5;
      let hi = 100;
      for (let i = 0; i < 25; i++) {
        const mid = (lo + hi) / 2;
        if (cooked({ items: { sugar: 80, potato_starch: mid } }).hot.viscosityPaS < wanted) lo = mid;
        else hi = mid;
      }
      return hi / 50;
    },
  },
];

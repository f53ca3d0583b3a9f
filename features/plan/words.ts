import type { Choices, Family, SetWord } from '../../core/formula/plan';
import type { RiskName } from '../../core/risks';
import type { Look } from '../../core/pot/flavour';

/** What the cook reads in Plan. */
export const SET_SAYS: Record<SetWord, string> = {
  drinks: 'runs like cream',
  pours: 'pours slowly from a jug',
  coats: 'coats the spoon, a finger line stays',
  mounds: 'mounds softly on the spoon',
  'holds a trail': 'a spatula stroke stays open',
  wobbles: 'stands turned out, wobbles',
  slices: 'cuts in clean pieces',
  firm: 'firm, cuts like cheese',
};

export const FAMILY_SAYS: Record<Family, { label: string; sub: string; short: string }> = {
  'starch-set milk pudding': { label: 'Set milk pudding', sub: 'starch, spooned, turned out or cut', short: 'pudding' },
  'ground-rice cream': { label: 'Ground-rice cream', sub: 'cooked down with ground rice', short: 'rice cream' },
  'stirred custard': { label: 'Stirred custard', sub: 'yolks, never to the boil', short: 'custard' },
  'egg-enriched pudding': { label: 'Rice cream with yolk', sub: 'ground rice, yolk at the end', short: 'egg cream' },
  'baked custard': { label: 'Baked custard', sub: 'whole egg, in a water bath', short: 'baked custard' },
  'whole-rice pudding': { label: 'Whole-rice pudding', sub: 'grains to the bite', short: 'rice pudding' },
  porridge: { label: 'Porridge', sub: 'semolina or cornmeal, warm', short: 'porridge' },
  'baked slab': { label: 'Baked slab', sub: 'thick, poured, baked and cut', short: 'slab' },
  'frozen cream': { label: 'Frozen cream', sub: 'cooked down, lightly starched, frozen', short: 'frozen cream' },
};

export const RISK_SAYS: Record<RiskName, string> = {
  lumps: 'Lumps',
  curdle: 'Curdles',
  scorch: 'Catches',
  'raw starch': 'Tastes raw',
  'boil over': 'Boils over',
  skin: 'Skin',
  weeping: 'Weeps',
  split: 'Splits',
};

/** The choices that the hob sheet offers: key, question, and the sides in the cook's words. */
export const CHOICE_SAYS: readonly {
  key: keyof Choices;
  label: string;
  needs: 'any' | 'grain' | 'egg' | 'oven';
  sides: Record<string, string>;
}[] = [
  { key: 'heat', label: 'Over', needs: 'any', sides: { direct: 'the ring', 'double boiler': 'a double boiler' } },
  {
    key: 'start',
    label: 'At first',
    needs: 'any',
    sides: { 'full heat, then lower': 'full heat', 'low throughout': 'low throughout' },
  },
  {
    key: 'stirring',
    label: 'Spoon',
    needs: 'any',
    sides: { constant: 'never stops', 'lid on, now and then': 'lid on, now and then' },
  },
  {
    key: 'grain',
    label: 'Grain goes',
    needs: 'grain',
    sides: {
      'into cold milk': 'into cold milk',
      'into boiling milk': 'into boiling milk',
      'fried in fat first': 'through fat first',
    },
  },
  { key: 'soak', label: 'Before that', needs: 'grain', sides: { 'straight in': 'nothing', soaked: 'soaked 45 min' } },
  {
    key: 'yolks',
    label: 'Egg goes in',
    needs: 'egg',
    sides: { tempered: 'ladle by ladle', 'straight in': 'straight in' },
  },
  { key: 'bath', label: 'In the oven', needs: 'oven', sides: { open: 'in a water bath', none: 'as it is' } },
];

export const STYLE_SAYS = { spooned: 'from the spoon', 'turned out': 'turned out', cut: 'cut in the dish' } as const;

export const MEASURE_SAYS = {
  scale: { label: 'Kitchen scale', sub: 'within a hundredth or two' },
  'level spoons': { label: 'Level spoons', sub: 'a tenth either way' },
  'rounded spoons': { label: 'Spoons as they come', sub: 'a fifth either way, and fuller than level' },
} as const;

export const pushSays = (of: 'milk' | 'sugar' | 'steam lost', steps: number, milk: string): string => {
  const size = Math.abs(steps);
  const much =
    size < 0.08
      ? 'hardly anything'
      : size < 0.3
        ? 'a quarter of a step'
        : size < 0.6
          ? 'half a step'
          : size < 0.9
            ? 'most of a step'
            : `${Math.round(size * 2) / 2} steps`;
  const way = steps >= 0 ? 'firmer' : 'softer';
  const tail = size < 0.08 ? `does ${much}` : `${of === 'sugar' ? 'makes it' : 'brings it'} ${much} ${way}`;
  if (of === 'milk') return `${milk[0]?.toUpperCase()}${milk.slice(1)}, against water, ${tail}.`;
  if (of === 'sugar') return `The sugar ${tail}.`;
  return `Steam lost on the hob ${tail}.`;
};

/** What it looks like, in a few words. */
export const lookSays = (look: Look): string =>
  [
    look.tint ?? (look.cream > 0.5 ? 'deep cream' : look.cream > 0.2 ? 'cream' : 'white'),
    look.opacity < 0.5 ? 'glassy' : '',
    look.smooth,
    look.gloss > 0.6 ? 'glossy' : '',
  ]
    .filter(Boolean)
    .join(', ');

import type { SetWord } from '../../core/formula/plan';

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

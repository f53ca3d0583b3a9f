import type { GrainKind, Ingredient } from './ingredient';

/** A thickener of the cook's own, by how it behaves where nobody knows what it is. */
export const FEELS = ['like flour', 'like sand', 'whole grains'] as const;
export const COOKED = ['cloudy', 'clear', 'stretchy'] as const;
export const COLD = ['sets firm', 'stays soft'] as const;
type Behaviour = { feels: (typeof FEELS)[number]; cooked: (typeof COOKED)[number]; cold: (typeof COLD)[number] };

/** The nearest of the kinds that the model knows (C). */
export function kindByBehaviour({ feels, cooked, cold }: Behaviour): GrainKind {
  const firm = cold === 'sets firm';
  switch (feels) {
    case 'whole grains':
      return cooked === 'stretchy' ? 'glutinous rice' : firm ? 'short rice' : 'long rice';
    case 'like sand':
      return cooked === 'stretchy' ? 'waxy rice flour' : firm ? 'fine cornmeal' : 'ground rice';
    case 'like flour':
      if (cooked === 'stretchy') return firm ? 'tapioca starch' : 'waxy rice flour';
      if (cooked === 'clear') return firm ? 'potato starch' : 'tapioca starch';
      return firm ? 'maize starch' : 'wheat flour';
  }
}

export const OWN_KINDS = [
  'milk',
  'sweet',
  'thickener',
  'fat',
  'fruit',
  'purée',
  'nut',
  'piece',
  'powder',
  'flavour',
] as const;
export type OwnKind = (typeof OWN_KINDS)[number];

/** Pieces drink, give or do neither: g of water a g. */
export const DRINKS = { drinks: 0.5, gives: -0.2, neither: 0 } as const;

/** What the model needs of such a thing beside its label. */
export function ownTraits(
  kind: OwnKind,
  o: { thickener?: GrainKind; drinks: keyof typeof DRINKS; sour: boolean },
): Pick<Ingredient, 'group'> & Partial<Ingredient> {
  switch (kind) {
    case 'thickener':
      return { group: 'thickener', thickener: o.thickener ?? 'maize starch' };
    case 'fruit':
      return { group: 'fruit', pieces: 1, piecesDrink: -0.15, ph: o.sour ? 3.4 : 4.5, buffer: o.sour ? 0.7 : 0.4 };
    case 'purée':
      return { group: 'fruit', pulp: 1.8, ph: o.sour ? 3.4 : 5, buffer: o.sour ? 1.3 : 0.6 };
    case 'nut':
      return { group: 'nut', ground: 100 };
    case 'piece':
      return { group: 'piece', pieces: 1, piecesDrink: DRINKS[o.drinks] };
    case 'powder':
      return { group: 'flavour', ground: 60 };
    default:
      return { group: kind };
  }
}

/** g of water in 100 g where its label does not say: what its kind usually holds, of what its figures leave. */
export function ownWater(kind: OwnKind, namedG: number): number {
  const left = Math.max(0, 99.3 - namedG);
  switch (kind) {
    case 'milk':
    case 'fruit':
    case 'purée':
      return left;
    case 'thickener':
      return Math.min(left, 12);
    case 'nut':
    case 'piece':
    case 'powder':
      return Math.min(left, 5);
    default:
      return 0;
  }
}

/** Usual weight of a spoon of it, g/ml (C). */
export const OWN_DENSITY: Record<OwnKind, number> = {
  milk: 1.02,
  sweet: 0.85,
  thickener: 0.6,
  fat: 0.92,
  fruit: 0.6,
  purée: 1.04,
  nut: 0.45,
  piece: 0.55,
  powder: 0.5,
  flavour: 0.9,
};

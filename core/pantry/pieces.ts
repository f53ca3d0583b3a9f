type Piece = 'stick' | 'pod' | 'clove' | 'star' | 'leaf' | 'strip' | 'slice' | 'whole';

/** What a kitchen counts and does not weigh: one of it, g (C: they differ by half). */
export const PIECES: Readonly<Record<string, { grams: number; piece: Piece }>> = {
  cinnamon: { grams: 4, piece: 'stick' },
  vanilla_pod: { grams: 3, piece: 'pod' },
  clove: { grams: 0.1, piece: 'clove' },
  star_anise: { grams: 1.5, piece: 'star' },
  bay_leaf: { grams: 0.3, piece: 'leaf' },
  orange_leaf: { grams: 0.5, piece: 'leaf' },
  cardamom: { grams: 0.2, piece: 'pod' },
  lemon_peel: { grams: 2, piece: 'strip' },
  orange_peel: { grams: 2, piece: 'strip' },
  ginger: { grams: 5, piece: 'slice' },
  fruit_apple: { grams: 150, piece: 'whole' },
  fruit_pear: { grams: 160, piece: 'whole' },
  fruit_plum: { grams: 45, piece: 'whole' },
  fruit_apricot: { grams: 45, piece: 'whole' },
  fruit_mango: { grams: 300, piece: 'whole' },
  fruit_orange: { grams: 180, piece: 'whole' },
};

/** How many of it these grams are, to the half; undefined for what is weighed. */
export function piecesOf(ingredientId: string, grams: number): { count: number; piece: Piece } | undefined {
  const one = PIECES[ingredientId];
  return one && grams > 0
    ? { count: Math.max(0.5, Math.round((2 * grams) / one.grams) / 2), piece: one.piece }
    : undefined;
}

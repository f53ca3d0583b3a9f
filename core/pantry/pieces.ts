type Piece = 'stick' | 'pod' | 'clove' | 'star' | 'leaf' | 'strip' | 'slice';

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
};

/** How many of it these grams are, to the half; undefined for what is weighed. */
export function piecesOf(ingredientId: string, grams: number): { count: number; piece: Piece } | undefined {
  const one = PIECES[ingredientId];
  return one && grams > 0
    ? { count: Math.max(0.5, Math.round((2 * grams) / one.grams) / 2), piece: one.piece }
    : undefined;
}

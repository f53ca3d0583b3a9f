/** What one recipe holds at most: more is no recipe. */
export const LIMITS = { letters: 100_000, lines: 1500, lineLetters: 2000, ingredients: 60, sentences: 250 } as const;

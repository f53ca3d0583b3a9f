/** What one recipe holds at most: more is no recipe. */
export const LIMITS = { letters: 100_000, lines: 1500, lineLetters: 2000, ingredients: 60, sentences: 250 } as const;

/** Letters of one line of the list that are looked at: an amount and a name stand in front. */
export const LINE_READ = 200;
/** Lines without an empty one between them that Markdown is asked about at once: its time grows with their square. */
export const BLOCK_LINES = 60;

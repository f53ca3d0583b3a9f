/** So many kitchens from one seed: the least that a worker is asked for. */
export type Block = { seed: number; draws: number };
const BLOCK = 25;
/** Steps by this share never come close to where they were: the blocks' seeds. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The same blocks for a seed, whoever cooks them and in whatever order. */
export const blocksOf = (draws: number, seed: number): Block[] =>
  Array.from({ length: Math.ceil(draws / BLOCK) }, (_, i) => ({
    seed: (seed + i * GOLDEN) % 1,
    draws: Math.min(BLOCK, draws - i * BLOCK),
  }));

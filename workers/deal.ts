import type { Block } from '../core/model/blocks';

/**
 * Deals blocks out over hands, each taking the next as it is free.
 * @param onDone hears how many draws are done
 * @returns what was made of each, in the order of the blocks; undefined when it was stopped
 */
export async function dealOut<T>(
  blocks: readonly Block[],
  hands: readonly ((block: Block) => Promise<T>)[],
  signal: AbortSignal,
  onDone: (done: number) => void,
): Promise<T[] | undefined> {
  const made: T[] = [];
  let next = 0;
  let done = 0;
  const work = async (hand: (block: Block) => Promise<T>) => {
    while (next < blocks.length && !signal.aborted) {
      const i = next++;
      made[i] = await hand(blocks[i]!);
      done += blocks[i]!.draws;
      if (!signal.aborted) onDone(done);
    }
  };
  await Promise.all(hands.map(work));
  return signal.aborted ? undefined : made;
}

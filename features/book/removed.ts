import type { Batch } from '../../core/book/batch';

/** The batch that was just deleted, so that the Book can offer it back. */
let last: Batch | undefined;

export const rememberRemoved = (b: Batch | undefined) => {
  last = b;
};
export const takeRemoved = (): Batch | undefined => {
  const b = last;
  last = undefined;
  return b;
};

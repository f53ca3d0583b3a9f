import type { Batch } from '../../core/book/batch';

/** The batch that was just deleted: the Book offers it back until it is taken or its time is over, whatever room is open. */
let last: Batch | undefined;

export const rememberRemoved = (b: Batch | undefined) => {
  last = b;
};
export const lastRemoved = (): Batch | undefined => last;

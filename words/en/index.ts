import { check } from './check';
import { help } from './help';
import { limits } from './limits';
import { model } from './model';
import { solve } from './solve';

/** Every sentence in English, by its code; one file a room. */
export const en = { ...model, ...limits, ...solve, ...help, ...check } as const;

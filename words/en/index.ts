import { check } from './check';
import { help } from './help';
import { limits } from './limits';
import { model } from './model';
import { rescue } from './rescue';
import { solve } from './solve';
import { terms } from './terms';

/** Every sentence in English, by its code; one file a room. */
export const en = { ...terms, ...model, ...limits, ...solve, ...help, ...check, ...rescue } as const;

import type { Said } from '../core/say';
import { DEFAULT_SETTINGS } from '../core/settings';
import { tell } from '.';
import { formatter } from './format';

const fmt = formatter(DEFAULT_SETTINGS);

/** The sentence in English and in the default units: for the command line, for pages that are printed from the code, and for tests. */
export const english = (said: Said): string => tell(said, fmt);

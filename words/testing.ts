import type { Said } from '../core/say';
import { DEFAULT_SETTINGS } from '../core/settings';
import { tell } from '.';
import { formatter } from './format';

const fmt = formatter(DEFAULT_SETTINGS);

/** The sentence in English and in the default units: for tests, and for pages that are printed from the code. */
export const english = (said: Said): string => tell(said, fmt);

import { DEFAULT_SETTINGS } from '../core/settings';
import './everything';
import { teller } from '.';

/** The sentence in English and in the default units: for the command line, for pages that are printed from the code, and for tests. */
export const english = teller(DEFAULT_SETTINGS);

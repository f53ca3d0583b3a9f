import type { Ingredient } from '../pantry/ingredient';
import { gramsOf, readAmount } from './amount';
import type { ReadOptions } from './lines';

/** Amounts as cooks say them, wherever one is typed: "4 cups", "2 heaped tbsp", "1 stick", "3 pods", "2 cans of 400". */

/** Letters of an amount that are looked at. */
const AMOUNT_LETTERS = 40;

/** "2 cans of 400": what each holds stands behind. */
export const CANS_OF = /^(\d+)\s+(cans?|tins?|packets?|packs?|cartons?)\s+of\s+(\d+)\s*(ml|g)?(?=\s|$)/i;
export const eachOf = (_all: string, count: string, pack: string, each: string, unit = 'ml') =>
  `${count} x ${each} ${unit} ${pack}`;

/** Said after an amount, and no part of it. */
const AFTER = /^(?:to taste|each|or so|about|please|in all|altogether)?[.,;]?$/i;

/**
 * Grams of an amount of one thing, as it was said; undefined for a bare number, whose unit is the field's, and for what is
 * no amount of it.
 * @param text such as "2 heaped tbsp"; the name of the thing may follow
 */
export function spokenGrams(text: string, thing: Ingredient, o: ReadOptions): number | undefined {
  const said = text.trim().slice(0, AMOUNT_LETTERS);
  if (/^[\d.,\s]*$/.test(said)) return undefined;
  const amount = readAmount(said.replace(CANS_OF, eachOf), o.system);
  if (!amount) return undefined;
  const rest = amount.rest.trim().toLowerCase();
  const name = thing.name.toLowerCase();
  if (rest && !AFTER.test(rest) && !name.includes(rest.replace(/s$/, '')) && !rest.includes(name)) return undefined;
  const grams = gramsOf(amount, thing, o)?.grams;
  return grams === undefined || !Number.isFinite(grams) ? undefined : Math.round(grams * 10) / 10;
}

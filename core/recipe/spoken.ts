import type { Ingredient } from '../pantry/ingredient';
import type { Pantry } from '../pantry/pantry';
import { refreshCarveOuts, usualStage, withGrams } from '../plan/amounts';
import type { Plan } from '../plan/plan';
import { ruleAgainst, type Rule } from '../plan/rules';
import { gramsOf, readAmount } from './amount';
import { readLines, type Line, type ReadOptions } from './lines';

/** Amounts as cooks say them, wherever one is typed: "4 cups", "2 heaped tbsp", "1 stick", "3 pods", "2 cans of 400". */

/** Letters of an amount that are looked at. */
const AMOUNT_LETTERS = 40;

/** "2 cans of 400": what each holds stands behind. */
const CANS_OF = /^(\d+)\s+(cans?|tins?|packets?|packs?|cartons?)\s+of\s+(\d+)\s*(ml|g)?(?=\s|$)/i;
const eachOf = (_all: string, count: string, pack: string, each: string, unit = 'ml') =>
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

/** A line of a list that was typed or pasted: what goes in, or what is asked of it. */
export type TypedLine = Line & {
  /** the amount alone, as it was written */
  written?: string;
  /** the occasion forbids it */
  against?: Rule;
};

/** A list as it was typed, a thing a line or parted by commas: "500 ml milk, 2 heaped tbsp cornstarch". */
export function readTyped(text: string, plan: Pick<Plan, 'rules'>, pantry: Pantry, o: ReadOptions): TypedLine[] {
  const lines = text
    .split(/\n|;|,(?=\s*(?:\d|[½¼¾⅓⅔]|an?\s|half\s|one\s|two\s|three\s|four\s|five\s|six\s))/i)
    .map((s) => s.replace(/^[\s*•·–-]+/, '').trim())
    .filter(Boolean);
  return lines.flatMap((said) => {
    const asRead = said.replace(CANS_OF, eachOf);
    const amount = readAmount(asRead, o.system);
    const written = (CANS_OF.exec(said)?.[0] ?? (amount ? said.slice(0, amount.took) : ''))
      .replace(/\s+of\s*$/i, '')
      .trim();
    return readLines([asRead], pantry, o).map((line): TypedLine => {
      const thing = line.ingredientId ? pantry.get(line.ingredientId) : undefined;
      const against = thing && ruleAgainst(thing, plan.rules);
      return {
        ...line,
        text: said,
        ...(written && !/^[\d.,]+$/.test(written) ? { written } : {}),
        ...(against ? { against } : {}),
      };
    });
  });
}

/** Lines that can go in as they are: a name that means several things is taken as the likeliest until it is chosen. */
export const goesIn = (l: TypedLine): l is TypedLine & { ingredientId: string; grams: number } =>
  l.state !== 'open' && l.ingredientId !== undefined && l.grams !== undefined && l.grams > 0 && l.against === undefined;

/** The plan with a typed list in it: a thing that is there already gets this amount, in the place where it goes in. */
export function withTyped(plan: Plan, lines: readonly TypedLine[], pantry: Pantry): Plan {
  let next = plan;
  for (const line of lines.filter(goesIn)) {
    const { ingredientId, grams } = line;
    const written = line.written ? { written: { text: line.written, grams } } : {};
    const thing = pantry.get(ingredientId)!;
    const there = next.items.find((i) => i.ingredientId === ingredientId);
    const own = thing.own && !next.own.some((x) => x.id === thing.id) ? [...next.own, thing] : next.own;
    next = there
      ? withGrams(next, ingredientId, grams)
      : {
          ...next,
          own,
          items: [...next.items, { ingredientId, grams, stage: line.top ? 'top' : usualStage(thing) }],
        };
    next = { ...next, items: next.items.map((i) => (i.ingredientId === ingredientId ? { ...i, ...written } : i)) };
  }
  return refreshCarveOuts(next);
}

/** What was typed for this amount, where it still is that amount. */
export const writtenFor = (item: Plan['items'][number]): string | undefined =>
  item.written && Math.abs(item.written.grams - item.grams) <= 0.005 * item.grams ? item.written.text : undefined;

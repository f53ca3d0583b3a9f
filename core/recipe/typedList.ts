import { withLine } from '../plan/layout';
import type { Pantry } from '../pantry/pantry';
import { wetted, usualBowl, withGrams } from '../plan/amounts';
import type { Plan } from '../plan/plan';
import type { Rule } from '../plan/rules';
import type { Line } from './lines';

/** A line of a list that was typed or pasted: what goes in, or what is asked of it. */
export type TypedLine = Line & {
  /** the amount alone, as it was written */
  written?: string;
  /** the occasion forbids it */
  against?: Rule;
};

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
    const there = next.things.find((i) => i.ingredientId === ingredientId);
    const own = thing.own && !next.own.some((x) => x.id === thing.id) ? [...next.own, thing] : next.own;
    next = there
      ? withGrams(next, ingredientId, grams)
      : withLine({ ...next, own }, { ingredientId, grams, in: line.top ? 'top' : usualBowl(thing) });
    next = { ...next, things: next.things.map((i) => (i.ingredientId === ingredientId ? { ...i, ...written } : i)) };
  }
  return wetted(next);
}

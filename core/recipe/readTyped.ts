import type { Pantry } from '../pantry/pantry';
import type { Plan } from '../plan/plan';
import { ruleAgainst } from '../plan/rules';
import { readAmount } from './amount';
import { readLines, type ReadOptions } from './lines';
import { CANS_OF, eachOf } from './spoken';
import type { TypedLine } from './typedList';

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

import { withLine } from '../plan/layout';
import { servingStress } from '../model/forecast';
import { wetted, usualBowl, withGrams } from '../plan/amounts';
import { lookUp, pantryOf } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { stripMiddle, wordAt, type SetWord } from '../texture/words';
import { ruleAgainst } from '../plan/rules';
import { MAX_SHARE, solve, type Ask, type Solution } from './solve';
import { say, type Said } from '../say';

/** A change that makes a wanted set possible, with the amounts it then asks. */
type Help = { says: Said; plan: Plan };

const COLD_C = 6;

/** The plan with one more thing in it. */
const withMore = (plan: Plan, ingredientId: string, grams: number): Plan =>
  plan.things.some((i) => i.ingredientId === ingredientId)
    ? withGrams(plan, ingredientId, Math.max(grams, 1))
    : wetted(withLine(plan, { ingredientId, grams, in: usualBowl(lookUp(plan, ingredientId)) }));

/**
 * What would make an impossible wish possible: each way tried on the model, only those told that work, least first.
 * Empty when the wish is possible, or when nothing tried helps.
 */
export function whatWouldHelp(plan: Plan, ask: Ask): Help[] {
  if (solve(plan, ask).ok) return [];
  const word = ask.word ?? plan.serve.word;
  const liquidG = plan.things
    .filter((i) => lookUp(plan, i.ingredientId).group === 'milk')
    .reduce((s, i) => s + i.grams, 0);
  const out: Help[] = [];
  const attempt = (says: Said, changed: Plan, changedAsk: Ask = ask): boolean => {
    const s: Solution = solve(changed, changedAsk);
    const ok = s.ok && wordAt(servingStress(s.plan).place) === (changedAsk.word ?? changed.serve.word);
    if (ok)
      out.push({ says, plan: { ...s.plan, serve: { ...s.plan.serve, word: changedAsk.word ?? changed.serve.word } } });
    return ok;
  };
  if (liquidG <= 0) {
    attempt(say('help.addMilkThereIsNothing'), withMore(plan, 'milk_whole', 500));
    return out;
  }
  const items = (group: string) => plan.things.filter((i) => lookUp(plan, i.ingredientId).group === group);
  if (plan.serve.tempC > COLD_C + 2)
    attempt(say('help.serveItAtInsteadOf', { toC: COLD_C, fromC: plan.serve.tempC }), {
      ...plan,
      serve: { ...plan.serve, tempC: COLD_C },
      rest: { ...plan.rest, hours: Math.max(plan.rest.hours, 4) },
    });
  if (plan.choices.end === 'coats the spoon') {
    const { end: _end, ...choices } = plan.choices;
    attempt(say('help.letItBubbleAndCook'), {
      ...plan,
      choices,
      method: { ...plan.method, cookOnMin: Math.max(2, plan.method.cookOnMin) },
    });
  }
  const sweet = items('sweet');
  for (const share of [0.75, 0.5, 0.25])
    if (
      sweet.length &&
      attempt(say('help.takeOfTheSugarOut', { share: 100 * (1 - share) }), {
        ...plan,
        things: plan.things.map((i) => (sweet.includes(i) ? { ...i, grams: i.grams * share } : i)),
      })
    )
      break;
  for (const id of ['cornstarch', 'rice_flour', 'potato_starch']) {
    const other = pantryOf(plan).get(id);
    if (!other || ruleAgainst(other, plan.rules) || ask.free?.some((f) => f.ingredientId === id)) continue;
    const there = plan.things.find((i) => i.ingredientId === id);
    const free = ask.hotWord ? [...(ask.free ?? []), { ingredientId: id }] : [{ ingredientId: id }];
    if (
      attempt(
        there
          ? say('help.letTheMoveAsWell', { otherName: other.name })
          : say('help.letHelp', { otherName: other.name }),
        there ? plan : withMore(plan, id, liquidG * 0.02),
        { ...ask, free },
      )
    )
      break;
  }
  for (const group of ['egg', 'nut', 'thickener'] as const) {
    const moves = new Set((ask.free ?? []).map((f) => f.ingredientId));
    const still = items(group).filter((i) => !moves.has(i.ingredientId) && i.grams > 0);
    if (!still.length || (group === 'thickener' && !ask.free)) continue;
    const names = still.map((i) => lookUp(plan, i.ingredientId).name).join(' and ');
    attempt(say('help.halveTheItSetsBy', { names }), {
      ...plan,
      things: plan.things.map((i) => (still.includes(i) ? { ...i, grams: i.grams / 2 } : i)),
    });
  }
  if (ask.hotWord) {
    const { hotWord: _h, ...cold } = ask;
    attempt(say('help.giveUpTheWordIn'), plan, cold);
  }
  out.push(...nearest(plan, ask, word, liquidG));
  return out;
}

/** The nearest set to be had as it is: with the most and the least of what may move. */
function nearest(plan: Plan, ask: Ask, word: SetWord, liquidG: number): Help[] {
  const first = plan.things.find((i) => lookUp(plan, i.ingredientId).group === 'thickener');
  const free = ask.free ?? (first ? [{ ingredientId: first.ingredientId }] : []);
  if (!free.length) return [];
  const ends = ([0, 1] as const).map((end) => {
    const p = free.reduce(
      (q, f) => withGrams(q, f.ingredientId, end ? (f.maxG ?? liquidG * MAX_SHARE) : (f.minG ?? 1)),
      plan,
    );
    const { place } = servingStress(p);
    return { plan: p, word: wordAt(place), far: Math.abs(place - stripMiddle(word)) };
  });
  const best = ends.reduce((a, b) => (b.far < a.far ? b : a));
  return best.word === word
    ? []
    : [
        {
          says: say('help.theNearestSetItCan', { word: best.word }),
          plan: { ...best.plan, serve: { ...best.plan.serve, word: best.word } },
        },
      ];
}

import type { Advice } from '../../core/book/nextTime';
import type { Batch } from '../../core/book/batch';
import type { Plan } from '../../core/plan/plan';
import { pantryWith } from '../../core/pantry/pantry';
import { lookUp } from '../../core/plan/stages';
import { stripMiddle } from '../../core/texture/words';
import type { Formatter } from '../../words/format';

const more = (from: number, to: number, fmt: Formatter) =>
  `${fmt.grams(Math.abs(to - from))} ${to > from ? 'more' : 'less'}`;

export function adviceSays(a: Advice, plan: Plan, fmt: Formatter): string {
  switch (a.kind) {
    case 'starch':
    case 'sugar':
      return `${more(a.fromG, a.toG, fmt)} ${lookUp(pantryWith(plan.own), plan, a.ingredientId).name}`;
    case 'cook on':
      return `cook on ${a.toMin} min after the bubble, not ${a.fromMin}`;
    case 'heat':
      return `hob ${a.to} in place of ${a.from}`;
    case 'slurry':
      return `slurry in at ${fmt.temp(a.toC)}, under the whisk`;
  }
}

/** How far what came out lies from what was promised, in steps of the strip. */
export function missSteps(b: Batch): number | undefined {
  return b.found.wordServing ? stripMiddle(b.found.wordServing) - b.promise.servingPlace : undefined;
}

export function missSays(b: Batch): string {
  const miss = missSteps(b);
  if (miss === undefined) return 'not written down yet';
  const size = Math.abs(miss);
  if (size <= 0.5 || b.found.wordServing === b.plan.serve.word) return 'as promised';
  const much = size < 0.8 ? 'half a step' : size < 1.3 ? 'a step' : `${Math.round(size * 2) / 2} steps`;
  return `${much} ${miss > 0 ? 'firmer' : 'softer'} than promised`;
}

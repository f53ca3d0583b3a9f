import type { Forecast } from '../../core/model/forecast';
import type { RecipeWords } from '../../core/formats/planText';
import { listOf } from '../../core/plan/methodList';
import type { Plan } from '../../core/plan/plan';
import { lookUp } from '../../core/plan/stages';
import { piecesOf } from '../../core/pantry/pieces';
import { eggGrams } from '../../core/units/eggs';
import { quarters, type Formatter } from '../../words/format';
import { named, t } from '../../words';
import { stepLine, stepTitle } from './stepWords';

/** The same amount by cup, spoon, egg or piece. */
function otherWay(plan: Plan, ingredientId: string, grams: number, fmt: Formatter): string {
  const i = lookUp(plan, ingredientId);
  if (i.egg) {
    const part = i.egg.white === 0 ? 'yolk' : i.egg.yolk === 0 ? 'white' : 'whole';
    const count = Math.round((grams / eggGrams(1, 'eu M', part)) * 2) / 2;
    return t('planRoom.ofSizeM', { countOf: count, countOf2: t(`eggPart.${part}`, { count }) });
  }
  const pieces = piecesOf(ingredientId, grams);
  if (pieces) return t(`pieces.${pieces.piece}`, { count: pieces.count, value: quarters(pieces.count) });
  const cups = i.group === 'milk' || (i.group === 'sweet' && grams > 90);
  const spoons = fmt.spoons(fmt.inSpoons(grams, i.densityGPerMl, { cups }));
  return i.group === 'milk' ? `${fmt.ml(grams / i.densityGPerMl)}, ${spoons}` : spoons;
}

/** A plan as a page, a card or another program has it. */
export function recipeWords(
  plan: Plan,
  f: Forecast,
  tell: (said: Forecast['cautions'][number]['says']) => string,
  fmt: Formatter,
): RecipeWords {
  const steps = listOf(plan);
  const restMin = steps.filter((s) => s.do === 'rest').reduce((sum, s) => sum + s.minutes, 0);
  return {
    name: plan.name,
    people: plan.people,
    makes: t('card.makes', {
      word: t(`word.${f.serving.word}`),
      temp: fmt.temp(plan.serve.tempC),
      people: plan.people,
      dishes: `${plan.dish.count} × ${fmt.ml(plan.dish.capacityMl)}`,
    }),
    amounts: plan.items
      .filter((i) => i.grams > 0)
      .map((i) =>
        t('card.amount', {
          grams: fmt.grams(i.grams),
          name: lookUp(plan, i.ingredientId).name,
          other: otherWay(plan, i.ingredientId, i.grams, fmt),
        }),
      ),
    steps: steps.map((s) => ({ title: stepTitle(s), text: stepLine(s, plan, fmt) })),
    cautions: [
      ...(f.allergens.length
        ? [t('planRoom.containsReadThePacketsToo', { allergens: named('allergen', f.allergens) })]
        : []),
      ...f.cautions.map((c) => tell(c.says)),
      t('card.guidance'),
    ],
    cookMin: f.told.reduce((sum, told, i) => sum + (steps[i]?.do === 'rest' ? 0 : told.minutes), 0),
    restMin,
  };
}

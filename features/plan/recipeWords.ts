import type { Forecast } from '../../core/model/forecast';
import type { RecipeWords } from '../../core/formats/planText';
import { listOf } from '../../core/plan/methodList';
import type { Plan } from '../../core/plan/plan';
import { lookUp } from '../../core/plan/bowls';
import type { Formatter } from '../../words/format';
import { measureOf } from '../../words/measure';
import { named, t } from '../../words';
import { stepLine, stepTitle } from './stepWords';

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
    amounts: plan.things
      .filter((i) => i.grams > 0)
      .map((i) =>
        t('card.amount', {
          grams: fmt.grams(i.grams),
          name: lookUp(plan, i.ingredientId).name,
          other: measureOf(lookUp(plan, i.ingredientId), i.grams, fmt),
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

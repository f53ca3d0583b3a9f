import type { Forecast } from '../../core/model/forecast';
import type { RecipeWords } from '../../core/formats/planText';
import { listOf } from '../../core/plan/methodList';
import type { IngredientLine, Plan } from '../../core/plan/plan';
import type { SideAnswer } from '../../core/sides/sides';
import { lookUp } from '../../core/plan/bowls';
import type { Formatter } from '../../words/format';
import { measureOf } from '../../words/measure';
import { named, t } from '../../words';
import { stepLine, stepTitle } from './stepWords';

/** A plan as a page, a card or another program has it. */
export function recipeWords(
  plan: Plan,
  f: Forecast,
  beside: readonly SideAnswer[],
  tell: (said: Forecast['cautions'][number]['says']) => string,
  fmt: Formatter,
): RecipeWords {
  const steps = listOf(plan);
  const restMin = steps.filter((s) => s.do === 'rest').reduce((sum, s) => sum + s.minutes, 0);
  const amountOf = ({ ingredientId, grams }: IngredientLine) => ({
    grams: fmt.grams(grams),
    name: lookUp(plan, ingredientId).name,
    other: measureOf(lookUp(plan, ingredientId), grams, fmt),
  });
  return {
    name: plan.name,
    people: plan.people,
    makes: t('card.makes', {
      word: t(`word.${f.serving.word}`),
      temp: fmt.temp(plan.serve.tempC),
      people: plan.people,
      dishes: `${plan.dish.count} × ${fmt.ml(plan.dish.capacityMl)}`,
    }),
    amounts: [
      ...plan.things.filter((i) => i.grams > 0).map((i) => t('card.amount', amountOf(i))),
      ...plan.vessels.flatMap((v) =>
        v.things
          .filter((i) => i.grams > 0)
          .map((i) => t('card.amountFor', { amount: t('card.amount', amountOf(i)), pot: v.name })),
      ),
    ],
    steps: [
      ...beside.map((b) => ({
        title: t('card.beside', { name: tell(b.name) }),
        text: [...b.does, ...(b.caution ? [b.caution] : [])].map(tell).join(' '),
      })),
      ...steps.map((s) => ({ title: stepTitle(s), text: stepLine(s, plan, fmt) })),
    ],
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

import type { Ingredient } from '../pantry/ingredient';

/** What an occasion asks of a plan, which the plan then keeps. The first four are occasions, the rest are diets. */
export const RULES = [
  'no egg',
  'no alcohol',
  'nobody tastes',
  'no milk',
  'no wheat',
  'no nuts',
  'no coconut',
  'no soy',
] as const;
export type Rule = (typeof RULES)[number];

const has = (i: Ingredient, ...allergens: Ingredient['allergens']) =>
  allergens.some((a) => i.allergens.includes(a)) || (allergens.includes('egg') && i.egg !== undefined);

/** Whether an ingredient breaks a rule. "nobody tastes" is about hands, not about what is in it. */
export function breaksRule(i: Ingredient, rule: Rule): boolean {
  switch (rule) {
    case 'no egg':
      return has(i, 'egg');
    case 'no alcohol':
      return i.alcohol === true;
    case 'nobody tastes':
      return false;
    case 'no milk':
      return has(i, 'milk');
    case 'no wheat':
      return has(i, 'wheat');
    case 'no nuts':
      return has(i, 'tree nuts', 'peanut');
    case 'no coconut':
      return has(i, 'coconut');
    case 'no soy':
      return has(i, 'soy');
  }
}

/** The first of the rules that an ingredient breaks, or undefined. */
export const ruleAgainst = (i: Ingredient, rules: readonly Rule[]): Rule | undefined =>
  rules.find((r) => breaksRule(i, r));

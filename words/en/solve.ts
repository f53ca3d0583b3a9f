/** solve. */
export const solve = {
  'solve.noMilkAllowed': 'No milk that the rules allow can take its place. Allow one of them.',
  'solve.noAmountOfUpTo':
    'No amount of {{and}} up to {{and2}} reaches this: there is too much sugar, it is not cooked hot enough, or it is served too warm to be set. Serve it colder, choose a softer set, or let another thickener move.',
  'solve.itIsFirmerThanThat':
    'It is firmer than that with the least {{and}} allowed. Lower the limit, or take out what else thickens.',
  'solve.thereIsNoMilkIn': 'There is no milk in the plan. Add some.',
  'solve.thereIsNoThickenerIn': 'There is no thickener in the plan. Add cornstarch.',
  'solve.isNotInThePlan': '"{{ingredientId}}" is not in the plan, so its amount cannot move.',
  'solve.aWordInThePot': 'A word in the pot and one at serving need two thickeners that may move.',
  'solve.noMixOfTheseIs':
    'No mix of these is "$t(word.{{hotWord}})" in the pot and right at serving: the nearest is "$t(word.{{word}})" hot. Choose another hot word or another pair.',
};

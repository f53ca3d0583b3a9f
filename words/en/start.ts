/** The first page. */
export const start = {
  'start.title': 'Ovalis: puddings that set',
  'start.whatItIs':
    'Measures, times and judges what you thicken in a pot, so that puddings, custards and porridges set the way you want them.',
  'start.planMyFirst': 'Plan my first pudding',
  'start.readMyRecipe': 'Read my recipe',
  'start.lookRound': 'Look round the choir’s supper',
  'start.noAccount':
    'No account. Everything stays on this device. The choir’s supper is a made-up kitchen to look round in.',
  'start.usualGuidance': 'The usual home guidance; local food-safety rules and professional advice come first.',
  'start.what': 'What shall it be?',
  'start.howMany': 'For how many?',
  'start.whichDish': 'In which dish?',
  'start.usualDish': 'the usual one',
  'start.when': 'When is it eaten?',
  'start.day': 'day',
  'start.time': 'time',
  'start.showMeTheAmounts': 'Show me the amounts',
  'start.workingItOut': 'Working it out …',
} as const;

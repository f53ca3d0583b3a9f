/** ui. */
export const ui = {
  'ui.slumpPct': '{{pct}} % lower',
  'ui.hobOf9': 'hob {{now}} of 9',
  'ui.5CmOnThePaper': '5 cm on the paper',
  'ui.middleNow': 'middle {{coreC}} now',
  'ui.close': 'Close',
  'ui.less': 'less {{name}}',
  'ui.change': 'change {{name}}',
  'ui.more': 'more {{name}}',
  'ui.aNumberFromToWould': '{{name}}: a number from {{value}} to {{value2}} {{unit}} would do.',
  'ui.anAmountWould': '{{name}}: a number from {{value}} to {{value2}} {{unit}} or an amount such as 2 tbsp would do.',
  'ui.undo': 'Undo',
  'ui.hobSetting': 'hob setting',
  'ui.hobOf9TurnTo': 'hob {{now}} of 9, to be turned to {{target}}',
};

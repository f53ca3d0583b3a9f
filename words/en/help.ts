/** help. */
export const help = {
  'help.addMilkThereIsNothing': 'Add milk: there is nothing to set.',
  'help.serveItAtInsteadOf': 'Serve it at {{toC, temp}} instead of {{fromC, temp}}',
  'help.letItBubbleAndCook': 'Let it bubble and cook on: starch that never boiled does not set.',
  'help.takeOfTheSugarOut': 'Take {{share, whole}} % of the sugar out: sugar keeps water from the starch.',
  'help.letTheMoveAsWell': 'Let the {{otherName}} move as well.',
  'help.letHelp': 'Let {{otherName}} help.',
  'help.halveTheItSetsBy': 'Halve the {{names}}: it sets by itself.',
  'help.giveUpTheWordIn': 'Give up the word in the pot: the one on the table can be had.',
  'help.theNearestSetItCan': 'The nearest set it can have as it is: $t(word.{{word}}).',
};

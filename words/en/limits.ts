/** What the model does not know, in plain words: shown in the app where it matters and printed on the science page. */
export const limits = {
  'limit.layers':
    'What lies under the pudding or on top counts as depth and warmth of the dish, and dries first; how it sets by itself is not reckoned. How well whites are folded in is half the growth.',
  'limit.side pot':
    'Minutes and yields of side pots are kitchen experience, known within a third: go by eye and by the scale.',
  'limit.taste':
    'Sourness is worked out from typical acidity: fruit differs two-fold from basket to basket. Energy is an average, within a tenth.',
  'limit.recipe':
    'A recipe’s sentences are read for heat, order and time, not understood: look over each line and each mend. What it does not say is taken as usual.',
  'limit.gel':
    'How firm a gel gets is fitted to kitchens, not measured in yours: published gels of one strength differ three-fold. Write batches down and it narrows.',
  'limit.pot': 'The pot’s degrees are worked out, not measured. Trust the bubble, the spoon and the smell first.',
  'limit.catch': 'When a floor catches is known within a factor of 2.5; that more spoon and less fire help is sure.',
  'limit.spoon':
    'A recipe’s bare spoon of starch is taken as a rounded one, a third more than level, a fifth either way.',
  'limit.rice':
    'Rice differs by variety more than by its label: its cooking time and where it swells are known within a fifth.',
  'limit.grain': 'Grain times go with the square of the grind: a grain twice as coarse takes four times as long.',
  'limit.curd': 'Curdling is placed within about {{k, degApart}}; a thermometer in the pot is off by one more.',
  'limit.enzyme':
    'How long the yolk’s enzyme lives is disputed: boil starch and yolk together for a minute and it is settled.',
  'limit.oven': 'Ovens differ by {{k, degApart}} from their dial. What the middle looks like counts, not the minutes.',
  'limit.frozen':
    'How hard a frozen dish bites is counted from its share of ice; whether its crystals are fine or coarse is not modelled.',
  'limit.plant': 'Plant milks differ by brand; their protein is taken to help the set a quarter as much as dairy’s.',
  'limit.fruit': 'Acidity is averaged by amount and buffering, a rough guess: stir sour fruit in late and cool.',
  'limit.nut': 'Ground nuts and gums thicken by a fitted rule from few figures.',
} as const;

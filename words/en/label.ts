/** Labels with the date: apart from the Set room, whose words they do without. */
export const label = {
  'label.contains': 'contains {{allergens}}',
  'label.eatBy': 'eat by {{day}}',
  'label.keepCold': 'keep below {{tempC}}, covered',
  'label.labels': 'Labels',
  'label.made': 'made {{day}}, {{time}}',
  'label.print': 'Print',
  'label.readPackets': 'no allergen known of; read each packet',
  'label.back': 'Back',
  'label.cookAPlanAndPour': 'Cook a plan and pour it: its cooling and its set show here.',
  'label.nothingPouredYet': 'nothing poured yet',
} as const;

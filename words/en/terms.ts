/** What stored ids are called. */
export const terms = {
  'word.drinks': 'drinks',
  'word.pours': 'pours',
  'word.coats': 'coats',
  'word.mounds': 'mounds',
  'word.holds a trail': 'holds a trail',
  'word.wobbles': 'wobbles',
  'word.slices': 'slices',
  'word.firm': 'firm',
};

/** What can be practised, in the order of the job; apart from the exercises, so that a list of them carries no model. */
export const EXERCISE_IDS = [
  'slurry',
  'moment',
  'ceiling',
  'temper',
  'reduce',
  'climbs',
  'sugar',
  'steam',
  'lid',
  'bite',
  'thin',
  'saved',
  'chill',
  'unmould',
] as const;
export type ExerciseId = (typeof EXERCISE_IDS)[number];

import { first } from './first';
import { bookRoom } from './bookRoom';
import { besideForm } from './besideForm';
import { card } from './card';
import { check } from './check';
import { dayRoom } from './dayRoom';
import { kitchen } from './kitchen';
import { label } from './label';
import { potRoom } from './potRoom';
import { practice } from './practice';
import { prepRoom } from './prepRoom';
import { plansSheet } from './plansSheet';
import { ingredientSheet } from './ingredientSheet';
import { noneForm } from './noneForm';
import { tasteForm } from './tasteForm';
import { dishForm } from './dishForm';
import { dishes } from './dishes';
import { liningRoom } from './liningRoom';
import { recipeRoom } from './recipeRoom';
import { rescue } from './rescue';
import { rescueRoom } from './rescueRoom';
import { schools } from './schools';
import { setRoom } from './setRoom';
import { settingsRoom } from './settingsRoom';
import { portionsForm } from './portionsForm';
import { stepForm } from './stepForm';
import { steps } from './steps';

/** What one room alone says. */
export const byRoom: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  bookRoom,
  besideForm,
  card,
  check,
  dayRoom,
  kitchen,
  label,
  potRoom,
  practice,
  prepRoom,
  plansSheet,
  ingredientSheet,
  noneForm,
  tasteForm,
  dishForm,
  dishes,
  liningRoom,
  recipeRoom,
  rescue,
  rescueRoom,
  schools,
  setRoom,
  settingsRoom,
  portionsForm,
  stepForm,
  steps,
};

/** Every sentence in English, by its code; one file a room. */
export const en = {
  ...first,
  ...bookRoom,
  ...besideForm,
  ...card,
  ...check,
  ...dayRoom,
  ...kitchen,
  ...label,
  ...potRoom,
  ...practice,
  ...prepRoom,
  ...plansSheet,
  ...ingredientSheet,
  ...noneForm,
  ...tasteForm,
  ...dishForm,
  ...dishes,
  ...liningRoom,
  ...recipeRoom,
  ...rescue,
  ...rescueRoom,
  ...schools,
  ...setRoom,
  ...settingsRoom,
  ...portionsForm,
  ...stepForm,
  ...steps,
} as const;

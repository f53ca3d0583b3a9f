import { advice } from './advice';
import { check } from './check';
import { day } from './day';
import { help } from './help';
import { history } from './history';
import { limits } from './limits';
import { model } from './model';
import { prep } from './prep';
import { rescue } from './rescue';
import { schools } from './schools';
import { shopping } from './shopping';
import { sides } from './sides';
import { solve } from './solve';
import { tasks } from './tasks';
import { terms } from './terms';
import { issues } from './issues';
import { recipe } from './recipe';
import { whichOne } from './whichOne';

/** Every sentence in English, by its code; one file a room. */
export const en = {
  ...terms,
  ...model,
  ...limits,
  ...solve,
  ...help,
  ...check,
  ...rescue,
  ...prep,
  ...sides,
  ...tasks,
  ...day,
  ...shopping,
  ...advice,
  ...schools,
  ...history,
  ...issues,
  ...recipe,
  ...whichOne,
} as const;

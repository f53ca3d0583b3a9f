import { advice } from './advice';
import { bookRoom } from './bookRoom';
import { check } from './check';
import { day } from './day';
import { dayRoom } from './dayRoom';
import { help } from './help';
import { history } from './history';
import { issues } from './issues';
import { limits } from './limits';
import { model } from './model';
import { planRoom } from './planRoom';
import { potRoom } from './potRoom';
import { prep } from './prep';
import { prepRoom } from './prepRoom';
import { recipe } from './recipe';
import { rescue } from './rescue';
import { rescueRoom } from './rescueRoom';
import { schools } from './schools';
import { setRoom } from './setRoom';
import { settingsRoom } from './settingsRoom';
import { shared } from './shared';
import { shopping } from './shopping';
import { sides } from './sides';
import { solve } from './solve';
import { steps } from './steps';
import { tasks } from './tasks';
import { terms } from './terms';
import { ui } from './ui';
import { whichOne } from './whichOne';

/** Every sentence in English, by its code; one file a room. */
export const en = {
  ...advice,
  ...bookRoom,
  ...check,
  ...day,
  ...dayRoom,
  ...help,
  ...history,
  ...issues,
  ...limits,
  ...model,
  ...planRoom,
  ...potRoom,
  ...prep,
  ...prepRoom,
  ...recipe,
  ...rescue,
  ...rescueRoom,
  ...schools,
  ...setRoom,
  ...settingsRoom,
  ...shared,
  ...shopping,
  ...sides,
  ...solve,
  ...steps,
  ...tasks,
  ...terms,
  ...ui,
  ...whichOne,
} as const;

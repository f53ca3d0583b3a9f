import { advice } from './advice';
import { day } from './day';
import { help } from './help';
import { history } from './history';
import { issues } from './issues';
import { limits } from './limits';
import { model } from './model';
import { planRoom } from './planRoom';
import { prep } from './prep';
import { recipe } from './recipe';
import { shared } from './shared';
import { shopping } from './shopping';
import { sides } from './sides';
import { solve } from './solve';
import { start } from './start';
import { tasks } from './tasks';
import { terms } from './terms';
import { ui } from './ui';
import { whichOne } from './whichOne';

/** What every room says and core says of a plan: there from the first page on. What one room alone says comes with it. */
export const first = {
  ...advice,
  ...day,
  ...help,
  ...history,
  ...issues,
  ...limits,
  ...model,
  ...planRoom,
  ...prep,
  ...recipe,
  ...shared,
  ...shopping,
  ...sides,
  ...solve,
  ...start,
  ...tasks,
  ...terms,
  ...ui,
  ...whichOne,
} as const;

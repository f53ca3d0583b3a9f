import { learn } from './book';
import { en } from './en';

// for the command line, printed pages and tests, where no room is fetched
learn(en);

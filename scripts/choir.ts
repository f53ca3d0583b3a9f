import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { cookedSupper } from '../core/demo/choirSupper';

/** Cooks the choir's supper once, into the export: a first visit lays it for its day and cooks nothing. */
writeFileSync(path.resolve(__dirname, '../dist/choir.json'), JSON.stringify(cookedSupper()));

import { starchSdRel } from '../plan/measured';
import { GEL } from '../set/firmness';
import { boundsFor, stripMiddle, wordAt, yieldAtPlace } from '../texture/words';
import type { BatchRow } from './row';

/** 1 sd of ln stress that a word leaves open: words are bands, and tasters differ (C). */
const WORD_SD_LN = 0.35;

/** It came out as the word that was promised. */
export const asPromised = (row: BatchRow): boolean => row.found.wordServing === wordAt(row.promise.servingPlace);

/** What a batch teaches is taught of its milk, its family and what thickens it: a kitchen's rice is not its cornstarch. */
export const kindOf = (row: BatchRow): string => [row.milkId ?? '', row.family, ...row.thickeners].join(' ');

/**
 * ln of found over promised stress at serving; 0 where the word is the one that was promised, for a word is a band;
 * undefined while no word was written down.
 */
export function missLn(row: BatchRow): number | undefined {
  const { wordServing } = row.found;
  if (!wordServing) return undefined;
  if (asPromised(row)) return 0;
  const bounds = boundsFor(row.serve.style, row.promise.depthMm / 1000);
  return Math.log(yieldAtPlace(stripMiddle(wordServing), bounds) / yieldAtPlace(row.promise.servingPlace, bounds));
}

/**
 * What the batches say of this kitchen's firmness: the mean of ln factor under a prior of 0 with the gel model's own
 * spread, each batch weighed by how well a word and its measuring can tell (normal update in ln space).
 */
export function learnFirmness(rows: readonly BatchRow[]): { factor: number; sdLn: number; batches: number } {
  let precision = 1 / GEL.sdLn ** 2;
  let sum = 0;
  let n = 0;
  for (const row of rows) {
    const miss = missLn(row);
    if (miss === undefined) continue;
    const noise = WORD_SD_LN ** 2 + (GEL.power * starchSdRel(row.starchMeasure)) ** 2;
    sum += (Math.log(row.factor) + miss) / noise;
    precision += 1 / noise;
    n += 1;
  }
  return { factor: Math.exp(sum / precision), sdLn: Math.sqrt(1 / precision), batches: n };
}

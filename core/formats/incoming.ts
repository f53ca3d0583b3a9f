import type { Batch } from '../book/batch';
import type { Cook } from '../cook/events';
import { BATCH_FORMAT, readBatchFile } from './batchFile';
import type { Collections } from './collections';
import type { FormatIssue } from './issues';
import { readKitchenFile } from './kitchenFile';
import { recordsOf, weighImport, type Exchange, type Incoming, type ImportWay, type Weighed } from './merge';
import { readPlanFile } from './planFile';
import { PLAN_FORMAT } from '../plan/plan';
import { isTable, readTable, writeBook, writeCurves, writeLog } from './tables';

/** What a file is: everything, one thing alone, or a table out of a spreadsheet. */
type FileKind = 'kitchen' | 'plan' | 'batch' | 'table';

export type IncomingRead =
  { ok: true; kind: FileKind; value: Incoming; left: FormatIssue[] } | { ok: false; issues: FormatIssue[] };

/** The format that a JSON text names, looked for at its head only: a large file is not parsed twice. */
const formatOf = (text: string) => /"format"\s*:\s*"([a-z-]{1,40})"/.exec(text.slice(0, 4000))?.[1];

/** Reads any file that this app writes. @param texts records as they are stored, which a table speaks of. Never throws. */
export function readIncoming(text: string, texts: Readonly<Record<string, string>>): IncomingRead {
  if (isTable(text)) {
    const here = {
      batches: recordsOf('batches', texts) as Map<string, Batch>,
      cooks: recordsOf('cooks', texts) as Map<string, Cook>,
    };
    const { batches, cooks, issues } = readTable(text, here);
    return batches.length + cooks.length === 0 && issues.length
      ? { ok: false, issues }
      : { ok: true, kind: 'table', value: { batches, cooks }, left: issues };
  }
  const alone = <N extends 'plans' | 'batches'>(
    kind: FileKind,
    name: N,
    read: { ok: true; value: Collections[N] } | { ok: false; issues: FormatIssue[] },
  ): IncomingRead => (read.ok ? { ok: true, kind, value: { [name]: [read.value] }, left: [] } : read);
  switch (formatOf(text)) {
    case PLAN_FORMAT:
      return alone('plan', 'plans', readPlanFile(text));
    case BATCH_FORMAT:
      return alone('batch', 'batches', readBatchFile(text));
    default: {
      const read = readKitchenFile(text);
      return read.ok ? { ...read, kind: 'kitchen' } : read;
    }
  }
}

const byTime = (a: Batch, b: Batch) => Date.parse(a.at) - Date.parse(b.at);

/** A table of what is stored. @param texts records as they are stored, by key */
export function tableOf(what: 'book' | 'log' | 'curves', texts: Readonly<Record<string, string>>): string {
  const batches = [...(recordsOf('batches', texts) as Map<string, Batch>).values()].sort(byTime);
  if (what === 'book') return writeBook(batches);
  const cooks = [...(recordsOf('cooks', texts) as Map<string, Cook>).values()];
  return what === 'log' ? writeLog(batches, cooks) : writeCurves(batches, cooks);
}

export type ImportAnswer =
  | { ok: true; kind: FileKind; weighed: Weighed[]; exchange: Exchange; left: FormatIssue[] }
  | { ok: false; issues: FormatIssue[] };

/** What a file that was read does here. Only a whole kitchen can take the place of one. */
export function weighRead(read: IncomingRead, texts: Readonly<Record<string, string>>, way: ImportWay): ImportAnswer {
  if (!read.ok) return read;
  const { kind, left, value } = read;
  const allowed: ImportWay =
    kind === 'kitchen' ? way : kind === 'table' ? { mode: 'merge', keep: 'theirs' } : { ...way, mode: 'merge' };
  return { ok: true, kind, left, ...weighImport(value, texts, allowed) };
}

import Papa from 'papaparse';
import { FoundSchema, thickenerG, type Batch, type Flaw } from '../book/batch';
import { CookEventSchema, type Cook, type CookEvent, type Measure } from '../cook/events';
import { say } from '../say';
import { wordAt } from '../texture/words';
import { issuesOf, type FormatIssue } from './issues';

/**
 * Tables for a spreadsheet (RFC 4180): the book, the log of what happened, the curves that were measured. Units stand in the
 * headers. What is read again changes what a spreadsheet can know: what was found of a batch, and its log.
 */

const SPREADSHEET_RUNS = /^'*[=+\-@\t\r]/;
/** A text that a spreadsheet would run as a formula is quoted, and so is one that looks quoted. */
const quoted = (text: string) => (SPREADSHEET_RUNS.test(text) ? `'${text}` : text);
const unquoted = (text: string) => (text.startsWith("'") && SPREADSHEET_RUNS.test(text) ? text.slice(1) : text);

const write = (fields: readonly string[], data: readonly (readonly string[])[]): string =>
  Papa.unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { newline: '\r\n' }) + '\r\n';

/** A number to the last digit that means something. */
const figure = (n: number) => String(Math.round(n * 1e4) / 1e4);

const BOOK = [
  'batch_id',
  'poured_at',
  'name',
  'family',
  'people',
  'thickener_g',
  'depth_mm',
  'time_min',
  'promised_hot',
  'promised_serving',
  'found_hot',
  'found_serving',
  'sweetness',
  'flaws',
  'found_next_day',
  'liked_by',
  'recipe_of',
  'note',
] as const;

/** One line a batch: what was promised and what was found. */
export const writeBook = (batches: readonly Batch[]): string =>
  write(
    BOOK,
    batches.map((b) => [
      quoted(b.id),
      b.at,
      quoted(b.plan.name),
      b.plan.family,
      figure(b.plan.people),
      figure(thickenerG(b.plan)),
      ...(b.promise
        ? [
            figure(b.promise.depthMm),
            figure(b.promise.minutes),
            wordAt(b.promise.hotPlace),
            wordAt(b.promise.servingPlace),
          ]
        : ['', '', '', '']),
      b.found.wordHot ?? '',
      b.found.wordServing ?? '',
      b.found.sweetness ?? '',
      b.found.flaws.join('; '),
      b.found.wordNextDay ?? '',
      quoted(b.found.likedBy ?? ''),
      quoted(b.found.recipeOf ?? ''),
      quoted(b.found.note),
    ]),
  );

/** How each field of an event stands in a column; a new field of an event is a row here. */
const LOG_FIELDS: readonly { field: string; header: string; as: 'text' | 'json' }[] = [
  { field: 'id', header: 'event_id', as: 'text' },
  { field: 'at', header: 'at', as: 'text' },
  { field: 'kind', header: 'kind', as: 'text' },
  { field: 'step', header: 'step', as: 'text' },
  { field: 'item', header: 'item', as: 'text' },
  { field: 'what', header: 'what', as: 'text' },
  { field: 'value', header: 'value', as: 'json' },
  { field: 'by', header: 'by', as: 'text' },
  { field: 'grams', header: 'grams_g', as: 'json' },
  { field: 'setting', header: 'setting', as: 'json' },
  { field: 'lid', header: 'lid', as: 'text' },
  { field: 'resting', header: 'resting', as: 'json' },
  { field: 'out', header: 'out', as: 'json' },
  { field: 'minutes', header: 'minutes_min', as: 'json' },
  { field: 'fault', header: 'fault', as: 'text' },
  { field: 'says', header: 'says', as: 'text' },
  { field: 'device', header: 'device', as: 'text' },
  { field: 'lost', header: 'lost', as: 'json' },
  { field: 'side', header: 'side', as: 'text' },
  { field: 'done', header: 'done', as: 'json' },
  { field: 'byMs', header: 'by_ms', as: 'json' },
  { field: 'count', header: 'dishes', as: 'json' },
  { field: 'covered', header: 'covered', as: 'json' },
  { field: 'wet', header: 'clay_wet', as: 'json' },
  { field: 'where', header: 'where', as: 'text' },
  { field: 'touch', header: 'touch', as: 'text' },
  { field: 'text', header: 'text', as: 'text' },
  { field: 'target', header: 'target', as: 'text' },
  { field: 'to', header: 'to', as: 'text' },
  { field: 'portions', header: 'portions_json', as: 'json' },
  { field: 'tempC', header: 'temp_degC', as: 'json' },
  { field: 'how', header: 'how', as: 'text' },
  { field: 'why', header: 'why', as: 'text' },
  { field: 'after', header: 'after', as: 'text' },
  { field: 'heat', header: 'heat_json', as: 'json' },
];
export const LOG_KNOWS: ReadonlySet<string> = new Set(LOG_FIELDS.map((f) => f.field));

const OF = ['of', 'of_id'] as const;
const LOG = [...OF, ...LOG_FIELDS.map((f) => f.header)];

type Logged = { of: 'batch' | 'cook'; id: string; events: readonly CookEvent[] };
const logged = (batches: readonly Batch[], cooks: readonly Cook[]): Logged[] => [
  ...batches.map((b) => ({ of: 'batch' as const, id: b.id, events: b.events })),
  ...cooks.map((c) => ({ of: 'cook' as const, id: c.id, events: c.events })),
];

/** One line an event, of all batches and cooks. */
export const writeLog = (batches: readonly Batch[], cooks: readonly Cook[]): string =>
  write(
    LOG,
    logged(batches, cooks).flatMap(({ of, id, events }) =>
      events.map((event) => [
        of,
        quoted(id),
        ...LOG_FIELDS.map(({ field, as }) => {
          const value = (event as Record<string, unknown>)[field];
          return value === undefined ? '' : as === 'text' ? quoted(String(value)) : JSON.stringify(value);
        }),
      ]),
    ),
  );

/** What a reading is of, and its unit. */
const QUANTITIES = {
  probe: { header: 'pot_degC' },
  trail: { header: 'trail_s' },
  scale: { header: 'pan_and_all_g' },
  plate: { header: 'plate_tilt_deg' },
  dish: { header: 'dish_middle_degC' },
  slump: { header: 'slump_pct' },
} as const satisfies Record<Measure, { header: string }>;
type Quantity = keyof typeof QUANTITIES;
const QUANTITY_NAMES = Object.keys(QUANTITIES) as Quantity[];
const CURVES = [...OF, 'event_id', 'time_s', 'at', ...QUANTITY_NAMES.map((q) => QUANTITIES[q].header), 'by'];

type Measured = Extract<CookEvent, { kind: 'measured' }>;

/** One line a reading; `time_s` counts from the first thing that was noted. */
export const writeCurves = (batches: readonly Batch[], cooks: readonly Cook[]): string =>
  write(
    CURVES,
    logged(batches, cooks).flatMap(({ of, id, events }) => {
      const fromMs = Date.parse(events[0]?.at ?? '');
      return events
        .filter((e): e is Measured => e.kind === 'measured')
        .map((e) => [
          of,
          quoted(id),
          quoted(e.id),
          figure((Date.parse(e.at) - fromMs) / 1000),
          e.at,
          ...QUANTITY_NAMES.map((q) => (q === e.what ? String(e.value) : '')),
          e.by ?? '',
        ]);
    }),
  );

/** What tables have to say of records that are here. */
type TableRead = { batches: Batch[]; cooks: Cook[]; issues: FormatIssue[] };
type Here = { batches: ReadonlyMap<string, Batch>; cooks: ReadonlyMap<string, Cook> };

/** A table has one of these at its head. */
export const isTable = (text: string): boolean => /^\uFEFF?"?(batch_id|of)"?[,;\t]/.test(text);

type Line = Record<string, string>;

/**
 * Reads a table that was written here, or made after one, in its place: book, log or curves, told apart by their headers.
 * Lines that cannot be used are said with what would be right; the others count.
 */
export function readTable(text: string, here: Here): TableRead {
  const { data, meta, errors } = Papa.parse<Line>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
    transform: unquoted,
  });
  const out: TableRead = { batches: [], cooks: [], issues: [] };
  for (const e of errors.filter((x) => x.type !== 'Delimiter'))
    out.issues.push({ path: at(e.row ?? 0), message: say('issue.tableLine') });
  const fields = meta.fields ?? [];
  if (fields.includes('batch_id')) readBook(data, here, out);
  else if (fields.includes('kind')) readEvents(data, here, out, eventOfLog);
  else readEvents(data, here, out, readingOf);
  return out;
}

/** A line of the file as a spreadsheet counts it, the headers being the first. */
const at = (row: number, column?: string) => (column ? `line ${row + 2}, ${column}` : `line ${row + 2}`);

function readBook(data: readonly Line[], here: Here, out: TableRead) {
  data.forEach((line, i) => {
    const batch = here.batches.get(line['batch_id'] ?? '');
    if (!batch) {
      out.issues.push({ path: at(i, 'batch_id'), message: say('issue.noSuchBatch', { id: line['batch_id'] ?? '' }) });
      return;
    }
    const flaws = (line['flaws'] ?? '').split(/[;,]/).flatMap((f) => f.trim() || []);
    const found = FoundSchema.safeParse({
      ...(line['found_hot'] ? { wordHot: line['found_hot'] } : {}),
      ...(line['found_serving'] ? { wordServing: line['found_serving'] } : {}),
      ...(line['sweetness'] ? { sweetness: line['sweetness'] } : {}),
      flaws: [...new Set(flaws)] as Flaw[],
      note: line['note'] ?? '',
      ...(line['found_next_day'] ? { wordNextDay: line['found_next_day'] } : {}),
      ...(line['liked_by'] ? { likedBy: line['liked_by'] } : {}),
      ...(line['recipe_of'] ? { recipeOf: line['recipe_of'] } : {}),
      // what a spreadsheet cannot hold stays as it is
      ...(batch.found.photo === undefined ? {} : { photo: batch.found.photo }),
      ...(batch.found.stressPa === undefined ? {} : { stressPa: batch.found.stressPa }),
      ...(batch.found.coolsRel === undefined ? {} : { coolsRel: batch.found.coolsRel }),
    });
    if (found.success) out.batches.push({ ...batch, found: found.data });
    else
      for (const issue of issuesOf(found.error))
        out.issues.push({
          path: at(i, FOUND_COLUMNS[issue.path.split(/[.[]/)[0]!] ?? issue.path),
          message: issue.message,
        });
  });
}

const FOUND_COLUMNS: Record<string, string> = {
  wordHot: 'found_hot',
  wordServing: 'found_serving',
  sweetness: 'sweetness',
  flaws: 'flaws',
  note: 'note',
  wordNextDay: 'found_next_day',
  likedBy: 'liked_by',
  recipeOf: 'recipe_of',
};
type Read = { ok: true; event: CookEvent } | { ok: false; issues: FormatIssue[] };

function checked(raw: Record<string, unknown>, i: number): Read {
  const event = CookEventSchema.safeParse(raw);
  if (event.success) return { ok: true, event: event.data };
  const header = (path: string) => LOG_FIELDS.find((f) => f.field === path.split(/[.[]/)[0])?.header ?? path;
  return {
    ok: false,
    issues: issuesOf(event.error).map((issue) => ({ path: at(i, header(issue.path)), message: issue.message })),
  };
}

function eventOfLog(line: Line, i: number): Read {
  const raw: Record<string, unknown> = {};
  for (const { field, header, as } of LOG_FIELDS) {
    const cell = line[header];
    if (cell === undefined || cell === '') continue;
    if (as === 'text') raw[field] = cell;
    else
      try {
        // a spreadsheet writes TRUE
        raw[field] = JSON.parse(/^(true|false)$/i.test(cell) ? cell.toLowerCase() : cell);
      } catch {
        return { ok: false, issues: [{ path: at(i, header), message: say('issue.type.number') }] };
      }
  }
  // a note may be empty
  if (raw['kind'] === 'noted') raw['text'] ??= '';
  if (raw['kind'] === 'rescued') raw['says'] ??= '';
  return checked(raw, i);
}

function readingOf(line: Line, i: number): Read {
  const what = QUANTITY_NAMES.find((q) => (line[QUANTITIES[q].header] ?? '') !== '');
  return checked(
    {
      kind: 'measured',
      id: line['event_id'] || `reading-${line['of_id']}-${line['at']}`,
      at: line['at'],
      what,
      value: what && Number(line[QUANTITIES[what].header]),
      ...(line['by'] ? { by: line['by'] } : {}),
    },
    i,
  );
}

/** Events by whom they are of; they are joined to what is there when they are taken in. */
function readEvents(data: readonly Line[], here: Here, out: TableRead, read: (line: Line, i: number) => Read) {
  const of = new Map<Batch | Cook, CookEvent[]>();
  data.forEach((line, i) => {
    const whose = line['of'] === 'cook' ? here.cooks.get(line['of_id'] ?? '') : here.batches.get(line['of_id'] ?? '');
    if (!whose) {
      out.issues.push({ path: at(i, 'of_id'), message: say('issue.noSuchBatch', { id: line['of_id'] ?? '' }) });
      return;
    }
    const event = read(line, i);
    if (!event.ok) out.issues.push(...event.issues);
    else of.set(whose, [...(of.get(whose) ?? []), event.event]);
  });
  for (const [whose, events] of of) {
    if ('promise' in whose) out.batches.push({ ...whose, events });
    else out.cooks.push({ ...whose, events });
  }
}

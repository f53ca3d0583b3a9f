import * as fc from 'fast-check';
import Papa from 'papaparse';
import { FLAWS, SWEETNESS, type Batch, type Found } from '../book/batch';
import { CookEventSchema, type CookEvent } from '../cook/events';
import { choirSupper } from '../demo/choirSupper';
import { SET_WORDS } from '../texture/words';
import { readBatchFile, writeBatchFile } from './batchFile';
import { COLLECTION_NAMES, SETTINGS_SPEC, specOf } from './collections';
import { readIncoming, tableOf, weighRead, type IncomingRead } from './incoming';
import { readKitchenFile, writeKitchenFile, type KitchenFile } from './kitchenFile';
import { kitchenText, weighImport, type Exchange, type ImportWay } from './merge';
import { writePlanFile } from './planFile';
import { textsOf } from './record';
import { isTable, LOG_KNOWS, readTable, writeBook, writeCurves, writeLog } from './tables';

const demo = choirSupper(Date.UTC(2026, 11, 11, 12));
const stored = (file: KitchenFile): Record<string, string> =>
  Object.assign(
    textsOf(SETTINGS_SPEC, { ...file.settings, id: 'mine' }),
    ...COLLECTION_NAMES.flatMap((name) => file[name].map((v) => textsOf(specOf(name), v))),
  );
const after = (texts: Record<string, string>, { entries, gone }: Exchange): Record<string, string> => {
  const next = { ...texts, ...entries };
  for (const key of gone) delete next[key];
  return next;
};
const MERGE: ImportWay = { mode: 'merge', keep: 'mine' };
const THEIRS: ImportWay = { mode: 'merge', keep: 'theirs' };
const REPLACE: ImportWay = { mode: 'replace', keep: 'mine' };
const counts = (read: IncomingRead, texts: Record<string, string>, way: ImportWay) => {
  const answer = weighRead(read, texts, way);
  if (!answer.ok) throw new Error('not read');
  const sum = (what: 'comes' | 'changes' | 'goes' | 'stays') => answer.weighed.reduce((n, w) => n + w[what].length, 0);
  return { comes: sum('comes'), changes: sum('changes'), goes: sum('goes'), stays: sum('stays'), answer };
};

describe('everything in one file', () => {
  it('goes out of the store and comes back the same, whatever order it is in', () => {
    const text = kitchenText(stored(demo), {}, demo.settings, demo.exportedAt);
    const read = readKitchenFile(text);
    if (!read.ok) throw new Error('not read');
    expect(read.left).toEqual([]);
    expect(kitchenText(stored(read.value), {}, demo.settings, demo.exportedAt)).toBe(text);
    expect(read.value).toEqual(demo);
  });
  it('has what could not be written in the place of what is stored', () => {
    const [plan] = demo.plans;
    const text = kitchenText(stored(demo), { plans: [{ ...plan!, people: 40 }] }, demo.settings, demo.exportedAt);
    const read = readKitchenFile(text);
    expect(read.ok && read.value.plans.find((p) => p.id === plan!.id)?.people).toBe(40);
  });
});

describe('a file that comes in', () => {
  const texts = stored(demo);
  const read = (text: string) => readIncoming(text, texts);
  const [plan] = demo.plans;
  const theirs: KitchenFile = {
    ...demo,
    plans: [
      { ...plan!, people: 40 },
      { ...plan!, id: 'new', name: 'A new one' },
    ],
    cooks: demo.cooks.map((c) => ({
      ...c,
      events: [c.events[0]!, { kind: 'noted', id: 'theirs', at: demo.exportedAt, text: 'seen elsewhere' } as CookEvent],
    })),
    settings: { ...demo.settings, temperature: 'F' },
  };
  const file = writeKitchenFile(theirs);

  it('that is this kitchen does nothing', () => {
    expect(counts(read(writeKitchenFile(demo)), texts, MERGE)).toMatchObject({
      comes: 0,
      changes: 0,
      goes: 0,
      stays: 0,
    });
  });
  it('merged: nothing goes, the settings stay, what differs stays or comes as it was asked, both logs count', () => {
    const mine = counts(read(file), texts, MERGE);
    expect(mine).toMatchObject({ comes: 1, goes: 0, stays: 1 });
    if (!mine.answer.ok) throw new Error();
    const merged = after(texts, mine.answer.exchange);
    expect(JSON.parse(merged[`plans/${plan!.id}`]!).data.people).toBe(plan!.people);
    expect(JSON.parse(merged['settings/mine']!).data.temperature).toBe('C');
    const cook = JSON.parse(merged[`cooks/${demo.cooks[0]!.id}`]!).data as { events: CookEvent[] };
    expect(cook.events.map((e) => e.id).sort()).toEqual([...demo.cooks[0]!.events.map((e) => e.id), 'theirs'].sort());
    const other = counts(read(file), texts, THEIRS);
    if (!other.answer.ok) throw new Error();
    expect(JSON.parse(after(texts, other.answer.exchange)[`plans/${plan!.id}`]!).data.people).toBe(40);
  });
  it('put in place: what is not in it goes with its rows, its settings come', () => {
    const all = counts(read(file), texts, REPLACE);
    expect(all.goes).toBe(demo.plans.length - 1);
    if (!all.answer.ok) throw new Error();
    expect(all.answer.exchange.replaces).toBe(true);
    const next = after(texts, all.answer.exchange);
    const back = kitchenText(next, {}, theirs.settings, theirs.exportedAt);
    expect(JSON.parse(back)).toEqual(JSON.parse(file));
    expect(JSON.parse(next['settings/mine']!).data.temperature).toBe('F');
  });
  it('merging twice is merging once, and merging one’s own export into anything loses nothing of it', () => {
    const some = fc.subarray([...demo.plans], { minLength: 0 });
    fc.assert(
      fc.property(some, some, fc.constantFrom('mine' as const, 'theirs' as const), (here, there, keep) => {
        const mine = stored({ ...demo, plans: here });
        const way: ImportWay = { mode: 'merge', keep };
        const once = after(mine, weighImport({ plans: there }, mine, way).exchange);
        expect(weighImport({ plans: there }, once, way).exchange.entries).toEqual({});
        for (const p of [...here, ...there]) expect(once[`plans/${p.id}`]).toBeDefined();
      }),
      { numRuns: 40 },
    );
  });
  it('may be one plan or one batch alone, and takes the place of nothing', () => {
    const one = { ...plan!, id: 'alone', name: 'One plan' };
    expect(counts(read(writePlanFile(one)), texts, REPLACE)).toMatchObject({ comes: 1, goes: 0 });
    const batch = { ...demo.batches[0]!, id: 'b-alone' };
    expect(readBatchFile(writeBatchFile(batch))).toEqual({ ok: true, value: batch });
    expect(counts(read(writeBatchFile(batch)), texts, REPLACE)).toMatchObject({ comes: 1, goes: 0 });
  });
  it('that is wrong says where: no file of ours throws', () => {
    for (const text of [
      '',
      '{',
      '[]',
      'null',
      '{"format":"ovalis-batch","version":1}',
      '{"format":"ovalis-plan"}',
      'batch_id\r\nnobody\r\n',
    ]) {
      const answer = read(text);
      expect(answer.ok).toBe(false);
      if (!answer.ok) expect(answer.issues[0]!.path).toBeTruthy();
    }
  });
});

describe('tables', () => {
  const here = {
    batches: new Map(demo.batches.map((b) => [b.id, b])),
    cooks: new Map(demo.cooks.map((c) => [c.id, c])),
  };
  it('are RFC 4180: as many cells in every line as there are headers, lines end as they should', () => {
    for (const what of ['book', 'log', 'curves'] as const) {
      const text = tableOf(what, stored(demo));
      expect(isTable(text)).toBe(true);
      expect(text.endsWith('\r\n')).toBe(true);
      const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: true });
      expect(errors).toEqual([]);
      expect(new Set(data.map((row) => row.length)).size).toBe(1);
    }
    expect(writeBook(demo.batches)).toMatch(/^batch_id,poured_at,name,family,people,thickener_g,depth_mm,time_min,/);
  });
  it('the log knows every field that an event can have', () => {
    const fields = CookEventSchema.options.flatMap((o) => Object.keys(o.shape));
    expect([...new Set(fields)].filter((f) => !LOG_KNOWS.has(f))).toEqual([]);
  });

  const text = fc.oneof(
    fc.string({ maxLength: 40 }),
    fc.constantFrom('=1+1', "'=x", '+4', '@a', '-', '"', 'a\r\nb', ';,'),
  );
  it('what was found goes out and comes back, formulas and quotes and all', () => {
    const found: fc.Arbitrary<Found> = fc.record(
      {
        wordHot: fc.constantFrom(...SET_WORDS),
        wordServing: fc.constantFrom(...SET_WORDS),
        sweetness: fc.constantFrom(...SWEETNESS),
        flaws: fc.subarray([...FLAWS]),
        note: text,
      },
      { requiredKeys: ['flaws', 'note'] },
    );
    fc.assert(
      fc.property(found, (f) => {
        const batch: Batch = { ...demo.batches[0]!, found: f };
        const back = readTable(writeBook([batch]), here);
        expect(back.issues).toEqual([]);
        expect(back.batches[0]!.found).toEqual(f);
      }),
    );
  });
  it('events of every kind go out and come back', () => {
    const at = demo.exportedAt;
    const event = fc.oneof(
      text.map((t) => ({ kind: 'noted' as const, id: 'n', at, text: t })),
      fc.record({
        kind: fc.constant('measured' as const),
        id: fc.constant('m'),
        at: fc.constant(at),
        what: fc.constantFrom('probe' as const, 'scale' as const),
        value: fc.double({ min: -20, max: 2000, noNaN: true }).map((v) => v + 0),
      }),
      fc.record({
        kind: fc.constant('added' as const),
        id: fc.constant('a'),
        at: fc.constant(at),
        portions: fc.constant([{ ingredientId: 'milk_whole', grams: 30.5 }] as {
          ingredientId: string;
          grams: number;
        }[]),
        tempC: fc.integer({ min: -20, max: 100 }),
        how: fc.constantFrom('slurry' as const, 'stirred in' as const),
        why: fc.constantFrom('fix' as const, 'taste' as const),
      }),
      fc.constantFrom(
        { kind: 'lidSet' as const, id: 'l', at, lid: 'ajar' as const },
        { kind: 'spoon' as const, id: 's', at, resting: true },
        { kind: 'moved' as const, id: 'v', at, target: 'x', to: at },
        { kind: 'rescued' as const, id: 'r', at, fault: 'lumps' as const, says: '=sieve it' },
      ),
    );
    fc.assert(
      fc.property(fc.uniqueArray(event, { selector: (e) => e.id, maxLength: 6, minLength: 1 }), (some) => {
        const events: CookEvent[] = some;
        const cook = { ...demo.cooks[0]!, events };
        const back = readTable(writeLog([], [cook]), here);
        expect(back.issues).toEqual([]);
        expect(back.cooks[0]!.events).toEqual(events);
        const measured = events.filter((e) => e.kind === 'measured');
        expect(readTable(writeCurves([], [cook]), here).cooks.flatMap((c) => c.events)).toEqual(measured);
      }),
    );
  });
  it('a line that is wrong is said by its line and column, and the others count', () => {
    const [head, ...lines] = writeBook(demo.batches).trim().split('\r\n');
    const bad = lines[0]!.replace(/^[^,]*/, 'nobody');
    const read = readTable([head, bad, ...lines.slice(1).map((l) => l)].join('\r\n'), here);
    expect(read.issues).toEqual([
      { path: 'line 2, batch_id', message: expect.objectContaining({ code: 'issue.noSuchBatch' }) },
    ]);
    expect(read.batches).toHaveLength(demo.batches.length - 1);
  });
  it('a spreadsheet’s own ways are read: semicolons, a byte order mark, TRUE', () => {
    const semi = `\uFEFFof;of_id;event_id;at;kind;resting\r\ncook;${demo.cooks[0]!.id};e9;${demo.exportedAt};spoon;TRUE\r\n`;
    expect(isTable(semi)).toBe(true);
    expect(readTable(semi, here).cooks[0]!.events).toEqual([
      { kind: 'spoon', id: 'e9', at: demo.exportedAt, resting: true },
    ]);
  });
});

import type { CookEvent } from '../cook/events';
import type { Settings } from '../settings';
import { COLLECTION_NAMES, SETTINGS_SPEC, specOf, type CollectionName, type Collections } from './collections';
import { writeKitchenFile } from './kitchenFile';
import { keyOf, openRecord, rawOf, rowKeyOf, textsOf, type AnySpec } from './record';

/** Texts to write and keys to take out, in one. */
export type Exchange = {
  entries: Record<string, string>;
  gone: readonly string[];
  /** another kitchen in the place of this one: a pot that is on stays all the same */
  replaces?: boolean;
};

/** What comes in: a whole kitchen with its settings, or some records. */
export type Incoming = { readonly [N in CollectionName]?: readonly Collections[N][] } & { settings?: Settings };

/** How a kitchen comes in: beside what is here, or in its place. */
export type ImportWay = {
  mode: 'merge' | 'replace';
  /** whose is kept where both have a record and they differ */
  keep: 'mine' | 'theirs';
};

/** What a record is called in a list, and when it was. */
export type Called = { id: string; name: string; at?: string };

/** What an import does to one collection. */
export type Weighed = {
  collection: CollectionName;
  comes: Called[];
  changes: Called[];
  goes: Called[];
  /** differ, and stay as they are here */
  stays: Called[];
  same: number;
};

type Any = { id: string };

/** A record as it is stored, brought to this version where it is older; nothing where it cannot be read. */
function anyOf(spec: AnySpec, text: string): Any | undefined {
  try {
    return rawOf(spec, text) ?? openRecord(spec, text).value;
  } catch {
    return undefined;
  }
}

/** The records of stored texts, by id; what cannot be read is left out, for the store to set aside. */
export function recordsOf(name: CollectionName, texts: Readonly<Record<string, string>>): Map<string, Any> {
  const at = keyOf(name, '');
  const spec = specOf(name);
  const found = new Map<string, Any>();
  for (const [key, text] of Object.entries(texts)) {
    const value = key.startsWith(at) ? anyOf(spec, text) : undefined;
    if (value) found.set(value.id, value);
  }
  return found;
}

/**
 * Everything that is kept, as a kitchen file's text.
 * @param texts records as they are stored, by key
 * @param unsaved what is shown and could not be written, in its place
 */
export function kitchenText(
  texts: Readonly<Record<string, string>>,
  unsaved: { readonly [N in CollectionName]?: readonly Collections[N][] },
  settings: Settings,
  exportedAt: string,
): string {
  const lists = COLLECTION_NAMES.map((name) => {
    const kept = recordsOf(name, texts);
    for (const value of unsaved[name] ?? []) kept.set(value.id, value);
    return [name, [...kept.values()]];
  });
  return writeKitchenFile({
    format: 'ovalis-kitchen',
    version: 10,
    exportedAt,
    ...(Object.fromEntries(lists) as { [N in CollectionName]: Collections[N][] }),
    settings,
  });
}

/** One list of what happened: nothing that either side noted is lost. */
function joined(mine: readonly CookEvent[], theirs: readonly CookEvent[]): CookEvent[] {
  const known = new Set(mine.map((e) => e.id));
  return [...mine, ...theirs.filter((e) => !known.has(e.id))].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

type WithEvents = Any & { events: CookEvent[] };
const hasEvents = (v: Any): v is WithEvents => 'events' in v;

/** What is kept of two of one id: one side's, and of both what was noted while cooking. */
function both(mine: Any, theirs: Any, way: ImportWay): Any {
  if (way.mode === 'replace') return theirs;
  const kept = way.keep === 'mine' ? mine : theirs;
  return hasEvents(mine) && hasEvents(theirs) ? ({ ...kept, events: joined(mine.events, theirs.events) } as Any) : kept;
}

function called(v: Any): Called {
  const r = v as Any & { name?: string; plan?: { name: string }; at?: string; events?: CookEvent[] };
  const at = r.at ?? r.events?.[0]?.at;
  return { id: r.id, name: r.name ?? r.plan?.name ?? r.id, ...(at === undefined ? {} : { at }) };
}

/**
 * What a kitchen's file would do to the kitchen that is here, and the texts that do it. Merging takes nothing out and
 * leaves the settings; a cook or a batch that both have keeps what either noted.
 * @param texts records as they are stored, by key
 */
export function weighImport(
  file: Incoming,
  texts: Readonly<Record<string, string>>,
  way: ImportWay,
): { weighed: Weighed[]; exchange: Exchange } {
  const entries: Record<string, string> = {};
  const gone: string[] = [];
  const weighed = COLLECTION_NAMES.map((collection): Weighed => {
    const spec = specOf(collection);
    const so: Weighed = { collection, comes: [], changes: [], goes: [], stays: [], same: 0 };
    const named = new Set<string>();
    for (const theirs of (file[collection] ?? []) as readonly Any[]) {
      const key = keyOf(collection, theirs.id);
      named.add(key);
      const here = texts[key];
      const asTheirs = textsOf(spec, theirs);
      if (asTheirs[key] === here) {
        so.same += 1;
        continue;
      }
      const mine = here === undefined ? undefined : anyOf(spec, here);
      const next = mine ? both(mine, theirs, way) : theirs;
      const put = next === theirs ? asTheirs : textsOf(spec, next);
      if (put[key] === here) {
        so.stays.push(called(next));
        continue;
      }
      so[mine ? 'changes' : 'comes'].push(called(next));
      Object.assign(entries, put);
    }
    if (way.mode === 'replace')
      for (const [key, text] of Object.entries(texts)) {
        const id =
          key.startsWith(keyOf(collection, '')) && !named.has(key) ? key.slice(collection.length + 1) : undefined;
        if (id === undefined) continue;
        so.goes.push(called(anyOf(spec, text) ?? { id }));
        gone.push(key, ...(spec.row ? [rowKeyOf(collection, id)] : []));
      }
    return so;
  });
  if (way.mode === 'replace' && file.settings)
    Object.assign(entries, textsOf(SETTINGS_SPEC, { ...file.settings, id: 'mine' }));
  return { weighed, exchange: { entries, gone, replaces: way.mode === 'replace' } };
}

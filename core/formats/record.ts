import type { z } from 'zod';
import { say, type Said } from '../say';
import { issuesOf, type FormatIssue } from './issues';

/** Old data to the next version's shape; index is the version it comes from. */
export type Migration = (old: unknown) => unknown;

/** One migration that takes every earlier version to the present one, and leaves what is there already. */
export const since = (version: number, migration: Migration): Record<number, Migration> =>
  Object.fromEntries(Array.from({ length: version - 1 }, (_, i) => [i + 1, migration]));

/**
 * What a list needs of a record, kept beside it so that a long list is read without reading everything. Rows of another
 * version are made again: raise it with every change of their shape.
 */
export type RowSpec<T, R> = { version: number; of(value: T): R };

export type CollectionSpec<T, R = { id: string }> = {
  name: string;
  version: number;
  schema: z.ZodType<T>;
  /** what the schema cannot see: names of what is not there, what no room can work with */
  troubles?(value: T): FormatIssue[];
  migrations: Record<number, Migration>;
  row?: RowSpec<T, R>;
};

/** Of whatever is in it. */
export type AnySpec = CollectionSpec<{ id: string }>;

/** A record that cannot be read, and why in words that can be told. */
export class Unreadable extends Error {
  constructor(
    readonly said: Said,
    /** written by a later version: this one may be too old, the record is not broken */
    readonly newer = false,
  ) {
    super(said.code);
  }
}
export const whyOf = (e: unknown): Said => (e instanceof Unreadable ? e.said : say('record.torn'));

/** Where a record stands, and its row beside it: "batches/…", "batches-row/…". */
export const keyOf = (name: string, id: string) => `${name}/${id}`;
export const rowKeyOf = (name: string, id: string) => `${name}-row/${id}`;

const sealed = (version: number, data: unknown): string => JSON.stringify({ v: version, data });
export const sealedRow = (spec: { version: number }, row: unknown): string => sealed(spec.version, row);

/** A record as it is stored, with its row where its collection keeps one: texts by key, written together. */
export const textsOf = <T extends { id: string }, R>(spec: CollectionSpec<T, R>, value: T): Record<string, string> => ({
  [keyOf(spec.name, value.id)]: sealed(spec.version, value),
  ...(spec.row ? { [rowKeyOf(spec.name, value.id)]: sealedRow(spec.row, spec.row.of(value)) } : {}),
});

/** A record as it is stored, where it is of this version: unchecked, for who checks what becomes of it or only wants its name. */
export function rawOf<T>(spec: CollectionSpec<T>, text: string): T | undefined {
  try {
    const { v, data } = JSON.parse(text) as { v: unknown; data: T };
    return v === spec.version ? data : undefined;
  } catch {
    return undefined;
  }
}

/** Text of a stored record to its value, migrated and checked. @throws Unreadable with the reason, SyntaxError of a torn one */
export function openRecord<T>(spec: CollectionSpec<T>, text: string): { value: T; migrated: boolean } {
  const record = JSON.parse(text) as { v?: unknown; data?: unknown };
  if (typeof record?.v !== 'number') throw new Unreadable(say('record.noVersion'));
  if (record.v > spec.version)
    throw new Unreadable(say('record.newer', { version: record.v, reads: spec.version }), true);
  let data = record.data;
  for (let v = record.v; v < spec.version; v++) {
    const step = spec.migrations[v];
    if (!step) throw new Unreadable(say('record.noWay', { version: v }));
    data = step(data);
  }
  const parsed = spec.schema.safeParse(data);
  const issues = parsed.success ? (spec.troubles?.(parsed.data) ?? []) : issuesOf(parsed.error);
  if (!parsed.success || issues.length)
    throw new Unreadable(
      say('record.wrong', { issues: issues.map((i) => say('record.issue', { path: i.path, message: i.message })) }),
    );
  return { value: parsed.data, migrated: record.v !== spec.version };
}

import { z } from 'zod';
import { openRecord, keyOf, rawOf, textsOf, type AnySpec } from '../core/formats/record';
import {
  shownAfter,
  isApplied,
  readApplied,
  withApplied,
  type Applied,
  type RecordOperation,
} from '../core/records/operation';
import type { OperationLog } from './log';
import { keysOf, putAside, refusalOf, type Shell } from './records';

/** Where it stands which operations are in the records: written together with them, so that each counts once. */
export const APPLIED = 'meta/applied';
/** Keys that an exchange has still to take out. */
const GOING = 'meta/going';

/** A record as it was written; without a value it is gone. */
export type Written = { collection: string; id: string; value: { id: string } | undefined };
/** What came of all that was noted. */
export type Settled = { written: Written[]; refused: RecordOperation[]; applied: Applied };
const NOTHING: Settled = { written: [], refused: [], applied: {} };

type Any = { id: string };
/** A record with what is to be done to it. */
type Due = { spec: AnySpec; id: string; operations: RecordOperation[] };

/** By its shape: what two hands made of one record may have none. What it names was looked at when it came in. */
const isFit = (spec: AnySpec, id: string, value: Any): boolean =>
  value.id === id && spec.schema.safeParse(value).success;

/** A whole record that an older version of the app noted, in the present shape. */
const asNow = (spec: AnySpec, o: RecordOperation): RecordOperation =>
  'put' in o.act ? { ...o, act: { put: (spec.migrations[spec.version - 1]?.(o.act.put) ?? o.act.put) as Any } } : o;

/** It changes a field that records of this kind have no more: noted by an older version, and not to be lost unsaid. */
function isStray(spec: AnySpec, { act }: RecordOperation): boolean {
  if (!('change' in act) || !('fields' in act.change) || !(spec.schema instanceof z.ZodObject)) return false;
  const { shape } = spec.schema;
  return Object.keys(act.change.fields).some((key) => !Object.hasOwn(shape, key));
}

/** Folded one on the other; one that would leave what no room can read is left out and told. */
function fold({ spec, id, operations }: Due, was: Any | undefined) {
  const now = operations.map((o) => asNow(spec, o));
  const unfit = now.filter((o) => isStray(spec, o));
  const fit = now.filter((o) => !unfit.includes(o));
  const all = fit.reduce<Any | undefined>(shownAfter, was);
  if (!all || isFit(spec, id, all)) return { value: all, unfit };
  let value = was;
  for (const o of fit) {
    const next = shownAfter(value, o);
    if (next && !isFit(spec, id, next)) unfit.push(o);
    else value = next;
  }
  return { value, unfit };
}

/**
 * What is noted in a log, put into the records of one store, under the lock of its kitchen. Every operation counts once,
 * whoever applies it and whatever dies in between: what is applied is written in one with the records.
 */
export function applierOver(shell: Shell, log: OperationLog, specNamed: (name: string) => AnySpec | undefined) {
  const { store } = shell;

  /** Finishes what an exchange began that was cut off. */
  async function finish(going: string | null | undefined) {
    if (going) await store.removeMany([...(JSON.parse(going) as string[]), GOING]);
  }

  async function groupsOf(operations: readonly RecordOperation[]): Promise<Due[]> {
    const groups = new Map<string, Due>();
    for (const o of operations) {
      const spec = specNamed(o.collection);
      const key = keyOf(o.collection, o.record);
      if (spec) groups.set(key, { spec, id: o.record, operations: [...(groups.get(key)?.operations ?? []), o] });
    }
    return [...groups.values()];
  }

  /** What a record becomes; one that is broken as it is stored is set aside first and counts as not there. */
  async function folded(due: Due, text: string | null | undefined) {
    const { spec, id } = due;
    if (text === null || text === undefined) return fold(due, undefined);
    const raw = rawOf(spec, text);
    if (raw) {
      // what comes out is checked in any case: what went in need not be checked as well
      const all = fold(due, raw);
      if (!all.unfit.length) return all;
    }
    try {
      return fold(due, openRecord(spec, text).value);
    } catch (e) {
      await putAside(shell, keyOf(spec.name, id), text, e, () => store.removeMany(keysOf(spec, id)));
      return fold(due, undefined);
    }
  }

  /** Writes records and what is applied by it, in one. Taking out comes first: done twice it does no harm. */
  async function write(made: readonly { due: Due; value: Any | undefined }[], applied: Applied): Promise<void> {
    const gone = made.flatMap(({ due, value }) => (value ? [] : keysOf(due.spec, due.id)));
    const entries = made.map(({ due, value }) => (value ? textsOf(due.spec, value) : {}));
    if (gone.length) await store.removeMany(gone);
    await store.setMany(Object.assign({ [APPLIED]: JSON.stringify(applied) }, ...entries));
  }

  /** To be called under the lock. */
  async function applyHeld(): Promise<Settled> {
    const { operations, bad } = log.all();
    for (const { key, text } of bad) await putAside(shell, key, text, undefined, () => log.forgetText(key));
    if (!operations.length) return NOTHING;
    const head = await store.getMany([APPLIED, GOING]);
    await finish(head[GOING]);
    let applied = readApplied(head[APPLIED]);
    const known = operations.filter((o) => isApplied(applied, o));
    log.forget(known);
    const due = operations.filter((o) => !isApplied(applied, o));
    const groups = await groupsOf(due);
    const texts = groups.length ? await store.getMany(groups.map((g) => keyOf(g.spec.name, g.id))) : {};
    const made: { due: Due; value: Any | undefined }[] = [];
    for (const g of groups) {
      const { value, unfit } = await folded(g, texts[keyOf(g.spec.name, g.id)]);
      for (const o of unfit)
        await putAside(shell, `operation/${o.tab}/${o.n}`, JSON.stringify(o), undefined, () => undefined);
      made.push({ due: g, value });
    }
    // what belongs to no collection is known of none
    const strange = due.filter((o) => specNamed(o.collection) === undefined);
    const told = (m: (typeof made)[number]): Written => ({ collection: m.due.spec.name, id: m.due.id, value: m.value });
    try {
      applied = withApplied(applied, due);
      await write(made, applied);
      log.forget(due);
      return { written: made.map(told), refused: [], applied };
    } catch {
      // not all of it has room: what has is kept
      return oneByOne(made, readApplied(head[APPLIED]), strange, told);
    }
  }

  async function oneByOne(
    made: { due: Due; value: Any | undefined }[],
    before: Applied,
    strange: readonly RecordOperation[],
    told: (m: (typeof made)[number]) => Written,
  ): Promise<Settled> {
    let applied = withApplied(before, strange);
    const out: Settled = { written: [], refused: [], applied };
    for (const m of made) {
      const next = withApplied(applied, m.due.operations);
      try {
        await write([m], next);
        out.applied = applied = next;
        log.forget(m.due.operations);
        out.written.push(told(m));
      } catch (e) {
        shell.report({ kind: 'not saved', key: keyOf(m.due.spec.name, m.due.id), why: refusalOf(e) });
        out.refused.push(...m.due.operations);
      }
    }
    return out;
  }

  return {
    applyHeld,
    async settle(): Promise<Settled> {
      const { operations, bad } = log.all();
      if (!operations.length && !bad.length) return NOTHING;
      const settled = await shell.lock(applyHeld);
      for (const { collection, id } of settled.written) shell.changed({ collection, id });
      return settled;
    },
    /** Under the lock: writes these and takes those out; cut off in between, it is finished by the next. */
    async exchangeHeld(put: Record<string, string>, out: readonly string[]) {
      const entries = out.length ? { ...put, [GOING]: JSON.stringify(out) } : put;
      if (Object.keys(entries).length) await store.setMany(entries);
      if (out.length) await store.removeMany([...out, GOING]);
    },
    /** Under the lock: see {@link exchangeHeld}. */
    finishHeld: async () => finish(await store.getItem(GOING)),
  };
}

import { z } from 'zod';
import { BatchSchema, type Batch } from '../book/batch';
import { migrateCook } from '../cook/migrate';
import { DRY, TROUBLES } from './computable';
import { parseJson, type Parsed } from './issues';

export const BATCH_FORMAT = 'ovalis-batch';
const BATCH_VERSION = 1;

/** One batch alone: its plan, what happened, what was promised and what was found. */
const BatchFileSchema = z.object({
  format: z.literal(BATCH_FORMAT),
  version: z.literal(BATCH_VERSION),
  batch: BatchSchema,
});

export const writeBatchFile = (batch: Batch): string =>
  JSON.stringify({ format: BATCH_FORMAT, version: BATCH_VERSION, batch }, null, 2) + '\n';

/** Reads a batch's file: shape by the schema, then whether the rooms can work with it. Never throws. */
export function readBatchFile(text: string): Parsed<Batch> {
  const parsed = parseJson(text, BatchFileSchema, 5_000_000, (raw) => {
    const { batch, ...rest } = raw as { batch?: unknown };
    return { ...rest, batch: batch !== null && typeof batch === 'object' ? migrateCook(batch) : batch };
  });
  if (!parsed.ok) return parsed;
  const { batch } = parsed.value;
  const troubles = TROUBLES.batches(batch);
  const issues = (troubles.length ? troubles : DRY.batches(batch)).map((i) => ({ ...i, path: `batch.${i.path}` }));
  return issues.length ? { ok: false, issues } : { ok: true, value: batch };
}

export const batchJsonSchema = (): unknown => ({
  $id: `${BATCH_FORMAT}-${BATCH_VERSION}.schema.json`,
  title: `${BATCH_FORMAT}, version ${BATCH_VERSION}`,
  ...z.toJSONSchema(BatchFileSchema, { io: 'input', unrepresentable: 'any' }),
});

import { z } from 'zod';
import { pantryWith } from '../pantry/pantry';
import { PlanSchema } from '../plan/plan';
import { asTold } from '../recipe/asTold';
import { checkUp } from '../recipe/check';
import type { ReadOptions } from '../recipe/lines';
import { readRecipe } from '../recipe/read';
import { toldOf } from '../recipe/told';
import type { Said } from '../say';

const READING_FORMAT = 'ovalis-reading';
const READING_VERSION = 1;

/** A code and its figures, with the sentence that is made of them. */
const Saying = z.object({ code: z.string(), says: z.string() }).loose();

const ToldSchema = z.object({
  lines: z.array(
    z.object({
      is: z.string(),
      g: z.number().nullable(),
      part: z.string(),
      back: z.number().optional(),
      optional: z.boolean().optional(),
    }),
  ),
  people: z.number().optional(),
  wet: z.record(z.string(), z.string()),
  egg: z.string().optional(),
  order: z.array(z.array(z.string())),
  heats: z.array(
    z.object({
      until: z.string(),
      min: z.number().optional(),
      level: z.string().optional(),
      lid: z.string().optional(),
      stir: z.string().optional(),
    }),
  ),
  bakes: z.array(
    z.object({
      C: z.number(),
      min: z.number().optional(),
      fan: z.boolean().optional(),
      cold: z.boolean().optional(),
      bath: z.boolean().optional(),
      grill: z.number().optional(),
    }),
  ),
  rests: z.array(z.object({ where: z.string(), min: z.number().optional() })),
  out: z.array(z.string()),
  strained: z.boolean(),
  kind: z.string().optional(),
  soak: z.number().optional(),
  reduce: z.number().optional(),
  dish: z.string().optional(),
  serve: z.object({ style: z.string().optional(), warm: z.boolean().optional() }),
  sides: z.array(z.string()),
});

/** What a recipe was read as: its plan, what is asked, what was not understood, and what the model finds in it. */
export const ReadingFileSchema = z.object({
  format: z.literal(READING_FORMAT),
  version: z.literal(READING_VERSION),
  title: z.string(),
  /** g of each line, as it was read */
  lines: z.array(
    z.object({
      text: z.string(),
      state: z.enum(['read', 'ask', 'open']),
      ingredientId: z.string().optional(),
      grams: z.number().optional(),
      lowG: z.number().optional(),
      highG: z.number().optional(),
      /** the part of the recipe it stands in, where that is cooked beside the dish */
      part: z.string().optional(),
    }),
  ),
  /** names that mean several things, and what each may be */
  asks: z.array(
    z.object({
      text: z.string(),
      question: Saying,
      options: z.array(z.object({ ingredientId: z.string(), tell: Saying })),
    }),
  ),
  notUnderstood: z.array(z.object({ text: z.string(), why: Saying.optional() })),
  /** what the steps say of heat, order and hands */
  facts: z.record(z.string(), z.unknown()),
  plan: PlanSchema.optional(),
  /** the same field by field, as plain values: lines, wetting, order, heat, oven, rests, what comes out again */
  told: ToldSchema,
  findings: z.array(
    z.object({
      id: z.string(),
      level: z.enum(['mend', 'mind', 'fact']),
      says: Saying,
      why: Saying,
      fix: Saying.optional(),
    }),
  ),
});

type ReadingAnswer = { ok: true; value: unknown } | { ok: false; why: Said };

/**
 * A recipe's text to that file.
 * @param meta id of the plan and when it is eaten, ISO 8601
 */
export function readingFile(text: string, o: ReadOptions, meta: { id: string; serveAt: string }): ReadingAnswer {
  const pantry = pantryWith();
  const read = readRecipe(text, pantry, o);
  if (!read.ok) return read;
  const { reading } = read;
  const checked = checkUp(reading, pantry, meta);
  return {
    ok: true,
    value: {
      format: READING_FORMAT,
      version: READING_VERSION,
      title: reading.title,
      lines: reading.lines.map(({ text: line, state, ingredientId, grams, lowG, highG, part }) => ({
        text: line,
        state,
        ingredientId,
        grams,
        lowG,
        highG,
        part,
      })),
      asks: reading.lines.flatMap((l) =>
        l.which
          ? [
              {
                text: l.text,
                question: l.which.question,
                options: l.which.options.map(({ ingredientId, tell }) => ({ ingredientId, tell })),
              },
            ]
          : [],
      ),
      notUnderstood: reading.lines.filter((l) => l.state === 'open').map((l) => ({ text: l.text, why: l.why })),
      facts: reading.facts,
      plan: checked && asTold(checked.plan, reading),
      told: toldOf(reading, pantry),
      findings: (checked?.items ?? []).map(({ id, level, says, why, fix }) => ({ id, level, says, why, fix })),
    },
  };
}

export const readingJsonSchema = (): unknown => ({
  $id: `${READING_FORMAT}-${READING_VERSION}.schema.json`,
  title: `${READING_FORMAT}, version ${READING_VERSION}`,
  ...z.toJSONSchema(ReadingFileSchema, { io: 'input', unrepresentable: 'any', reused: 'ref' }),
});

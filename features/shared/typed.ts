import { z } from 'zod';
import { t } from '../../words';

/** A figure as it is typed: a comma is a point, nothing is no number. What a form has read already is one. */
export const numberOf = (typed: string | number): number => {
  const text = String(typed).trim().replace(',', '.');
  return text === '' ? Number.NaN : Number(text);
};

/** What a schema wants, as it is typed. @param empty what nothing typed stands for */
export const typedOr = <S extends z.ZodType>(schema: S, empty: number | undefined) =>
  z.preprocess((v: string) => (typeof v !== 'string' ? v : v.trim() === '' ? empty : numberOf(v)), schema);
export const typed = <S extends z.ZodType>(schema: S) => typedOr(schema, Number.NaN);

/** A field that holds a number between two limits. */
export const typedNumber = (min: number, max: number) => typed(z.number().min(min).max(max));

/** What is wrong with a field: the schema's own sentence, or the sentence of a code. */
export const fieldError = (message: string | undefined): string | undefined =>
  message?.startsWith('issue.') ? t(message as 'issue.partsAddUp') : message;

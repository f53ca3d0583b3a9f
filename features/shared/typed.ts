import { z } from 'zod';
import { t } from '../../words';

/** A figure as it is typed: a comma is a point, nothing is no number. What a form has read already is one. */
export const numberOf = (typed: string | number): number => {
  const text = String(typed).trim().replace(',', '.');
  return text === '' ? Number.NaN : Number(text);
};

/** A field that holds a number between two limits. */
export const typedNumber = (min: number, max: number) =>
  z.preprocess((v) => (typeof v === 'string' ? numberOf(v) : v), z.number().min(min).max(max));

/** What is wrong with a field: the schema's own sentence, or the sentence of a code. */
export const fieldError = (message: string | undefined): string | undefined =>
  message?.startsWith('issue.') ? t(message as 'issue.partsAddUp') : message;

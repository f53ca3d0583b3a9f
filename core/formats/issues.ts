import type { z } from 'zod';

/** One thing wrong with what was read: where, and what would be right. */
export type FormatIssue = { path: string; message: string };
export type Parsed<T> = { ok: true; value: T } | { ok: false; issues: FormatIssue[] };

export const pathOf = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (out, key) => (typeof key === 'number' ? `${out}[${key}]` : out ? `${out}.${String(key)}` : String(key)),
    '',
  ) || '(whole file)';

export function issuesOf(error: z.ZodError): FormatIssue[] {
  return error.issues.slice(0, 20).map((i) => ({ path: pathOf(i.path), message: i.message }));
}

/**
 * JSON text to a value of a schema. Never throws.
 * @param maxLetters refuses larger text before parsing it
 * @param migrate older versions to the present one, before the schema looks
 */
export function parseJson<T>(
  text: string,
  schema: z.ZodType<T>,
  maxLetters = 50_000_000,
  migrate: (raw: unknown) => unknown = (raw) => raw,
): Parsed<T> {
  if (text.length > maxLetters)
    return {
      ok: false,
      issues: [{ path: '(whole file)', message: `is larger than ${Math.round(maxLetters / 1e6)} million letters` }],
    };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    return { ok: false, issues: [{ path: '(whole file)', message: `is not JSON: ${(e as Error).message}` }] };
  }
  const parsed = schema.safeParse(raw !== null && typeof raw === 'object' ? migrate(raw) : raw);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, issues: issuesOf(parsed.error) };
}

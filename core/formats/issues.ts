import type { z } from 'zod';
import { say, type Said } from '../say';

/** One thing wrong with what was read: where, and what would be right. */
export type FormatIssue = { path: string; message: Said };
export type Parsed<T> = { ok: true; value: T } | { ok: false; issues: FormatIssue[] };

const pathOf = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (out, key) => (typeof key === 'number' ? `${out}[${key}]` : out ? `${out}.${String(key)}` : String(key)),
    '',
  ) || '(whole file)';

/** The unit of a field, which its name ends with. */
const unitOf = (key: string): string =>
  /(?:G|^grams)$/.test(key)
    ? 'grams'
    : /Mm$/.test(key)
      ? 'mm'
      : /Ml$/.test(key)
        ? 'ml'
        : /C$/.test(key)
          ? 'temp'
          : 'plain';

const TYPES = ['number', 'int', 'string', 'boolean', 'array', 'object'];

/** What an issue needs of the schema's package: enough of it to be said. */
type Issue = {
  code?: string;
  path?: readonly PropertyKey[];
  message?: string;
  origin?: string;
  expected?: unknown;
  minimum?: number | bigint;
  maximum?: number | bigint;
  inclusive?: boolean;
  format?: string;
  values?: readonly unknown[];
  params?: Record<string, unknown>;
  keys?: readonly string[];
};

/** What would be right, by code. A message of our own is a code that begins with "issue.". */
export function issueSaid(i: Issue): Said {
  const key = String(i.path?.at(-1) ?? '');
  if (i.message?.startsWith('issue.'))
    return say(i.message, { maximum: Number(i.maximum), ...(i.params as Record<string, string>) });
  switch (i.code) {
    case 'too_small':
    case 'too_big': {
      const side = i.code === 'too_small' ? 'atLeast' : 'atMost';
      const limit = Number(i.code === 'too_small' ? i.minimum : i.maximum);
      if (i.origin === 'string')
        return limit === 1 && side === 'atLeast'
          ? say(key === 'name' ? 'issue.named' : 'issue.notEmpty')
          : say(`issue.letters.${side}`, { count: limit });
      if (i.origin === 'array') return say(`issue.holds.${side}`, { count: limit });
      return i.inclusive === false && side === 'atLeast'
        ? say(`issue.above.${unitOf(key)}`, { limit })
        : say(`issue.${side}.${unitOf(key)}`, { limit });
    }
    case 'invalid_type':
      return TYPES.includes(String(i.expected))
        ? say(`issue.type.${String(i.expected)}`)
        : say('issue.type.other', { expected: String(i.expected) });
    case 'invalid_value':
      return i.values?.length === 1
        ? say('issue.exactly', { value: JSON.stringify(i.values[0]) })
        : say('issue.oneOf', { values: i.values?.map(String).join(', ') });
    case 'invalid_format':
      return say(i.format === 'datetime' ? 'issue.datetime' : 'issue.format');
    case 'unrecognized_keys':
      return say('issue.unknownFields', { keys: i.keys?.join(', ') });
    default:
      return say('issue.other');
  }
}

export function issuesOf(error: z.ZodError): FormatIssue[] {
  return error.issues.slice(0, 20).map((i) => ({ path: pathOf(i.path), message: issueSaid(i as Issue) }));
}

/**
 * JSON text to data. Never throws.
 * @param migrate older versions to the present one
 * @param maxLetters refuses larger text before parsing it
 */
export function parseText(text: string, migrate: (raw: unknown) => unknown, maxLetters = 50_000_000): Parsed<unknown> {
  const wrong = (message: Said): Parsed<unknown> => ({ ok: false, issues: [{ path: '(whole file)', message }] });
  if (text.length > maxLetters) return wrong(say('issue.tooLarge', { millions: maxLetters / 1e6 }));
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return wrong(say('issue.notJson'));
  }
  try {
    return { ok: true, value: raw !== null && typeof raw === 'object' ? migrate(raw) : raw };
  } catch {
    return wrong(say('issue.notComputed'));
  }
}

/** JSON text to a value of a schema. Never throws. See {@link parseText}. */
export function parseJson<T>(
  text: string,
  schema: z.ZodType<T>,
  maxLetters?: number,
  migrate: (raw: unknown) => unknown = (raw) => raw,
): Parsed<T> {
  const data = parseText(text, migrate, maxLetters);
  if (!data.ok) return data;
  const parsed = schema.safeParse(data.value);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, issues: issuesOf(parsed.error) };
}

import { z } from 'zod';
import { issueSaid } from '../core/formats/issues';
import type { Allergen } from '../core/pantry/ingredient';
import type { Figure, Said } from '../core/say';
import { book, t } from './book';
import { DEFAULT_SETTINGS, type Settings } from '../core/settings';
import { formatter, quarters, type Formatter } from './format';

export { direction, learn, speak, spoken, t, type Code } from './book';

/** How a figure is written: a degree by the settings, grams as the bench has them. */
export const WAYS: Readonly<Record<string, (fmt: Formatter, value: number) => string>> = {
  temp: (fmt, c) => fmt.temp(c),
  grams: (fmt, g) => fmt.grams(g),
  ml: (fmt, ml) => fmt.ml(ml),
  length: (fmt, mm) => fmt.length(mm),
  fine: (fmt, mm) => fmt.fine(mm),
  hours: (fmt, h) => fmt.hours(h),
  time: (fmt, ms) => fmt.time(ms),
  dayTime: (fmt, ms) => `${fmt.weekday(ms)} ${fmt.time(ms)}`,
  degApart: (fmt, k) => fmt.degApart(k, 1),
  minutes: (fmt, minutes) => fmt.hours(minutes / 60),
  percent: (_fmt, share) => `${Math.round(100 * share)} %`,
  halves: (_fmt, x) => (Number.isInteger(x) ? String(x) : `${Math.floor(x) || ''}½`),
  quarters: (_fmt, x) => quarters(x),
  whole: (_fmt, x) => String(Math.round(x)),
  decimal: (_fmt, x) => x.toFixed(1),
};
for (const [name, write] of Object.entries(WAYS))
  book.services.formatter!.add(name, (value: unknown, _language, options: { fmt: Formatter }) =>
    write(options.fmt, Number(value)),
  );

const figureOf = (value: Figure, fmt: Formatter): unknown =>
  Array.isArray(value)
    ? value.map((v: Said) => raw(v, fmt)).join(', ')
    : typeof value === 'object'
      ? raw(value as Said, fmt)
      : (value ?? '');

/** As it stands, with the spaces that its parts bring. */
function raw({ code, ...figures }: Said, fmt: Formatter): string {
  const known = Object.fromEntries(Object.entries(figures).map(([name, value]) => [name, figureOf(value, fmt)]));
  return book.t(code, { ...known, fmt });
}

/** The sentence of what core says. A code without one is shown as it is: the tests find it. */
export const tell = (said: Said, fmt: Formatter): string => raw(said, fmt).replace(/ {2,}/g, ' ').trim();

// what a schema finds wrong is said in our words, also where a form shows it
z.config({
  localeError: (issue) => tell(issueSaid(issue as Parameters<typeof issueSaid>[0]), formatter(DEFAULT_SETTINGS)),
});

/** Sentences by the cook's settings; what has no code is somebody's own text and stays as it is. */
export const teller = (settings: Settings) => {
  const fmt = formatter(settings);
  return (said: Said | string): string => (typeof said === 'string' ? said : tell(said, fmt));
};

/** Names of ids, one after the other. */
export const named = (of: 'allergen', ids: readonly Allergen[]): string => ids.map((id) => t(`${of}.${id}`)).join(', ');

import { z } from 'zod';

/** Years that a kitchen keeps: what lies outside is a slip of the pen, and no calendar shows it. */
const FROM_YEAR = 2000;
const TO_YEAR = 2100;

/** ISO 8601 with its offset, 2000 to 2100. */
export const MomentSchema = z.iso.datetime({ offset: true }).refine(
  (at) => {
    const year = new Date(at).getUTCFullYear();
    return year >= FROM_YEAR && year <= TO_YEAR;
  },
  { message: 'issue.year', params: { fromYear: FROM_YEAR, toYear: TO_YEAR } },
);

/** The same in ms since 1970. */
export const MomentMsSchema = z
  .number()
  .min(Date.UTC(FROM_YEAR))
  .max(Date.UTC(TO_YEAR + 1));

/** What tells one thing from another of its kind. */
export const IdSchema = z.string().min(1).max(200);

import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { MomentSchema } from '../../core/moment';
import { RunSchema, type Run } from '../../core/practice/act';
import { keepLightly, local } from '../../storage/local';

/** What is kept of practising on this device: what was managed, and the pot that was left standing. None of it is a batch. */

const KEY = 'ovalis-practice';

const KeptSchema = z.object({
  version: z.literal(1),
  /** how often each exercise was brought to its end, and when it was first met */
  tries: z.record(z.string().max(60), z.int().min(0)),
  met: z.record(z.string().max(60), MomentSchema),
  /** the pot that was on, and its second */
  open: z.object({ run: RunSchema, tS: z.number().min(0).max(400_000) }).optional(),
});
type Kept = z.infer<typeof KeptSchema>;
const NOTHING: Kept = { version: 1, tries: {}, met: {} };

let text: string | null | undefined;
let value: Kept = NOTHING;
const listeners = new Set<() => void>();

/** What is there; what cannot be read is begun anew: it holds no pudding. */
function read(): Kept {
  const now = local().getItem(KEY);
  if (now === text) return value;
  text = now;
  try {
    value = now ? KeptSchema.parse(JSON.parse(now)) : NOTHING;
  } catch {
    value = NOTHING;
  }
  return value;
}

function write(next: Kept) {
  keepLightly(KEY, JSON.stringify(next));
  text = undefined;
  listeners.forEach((tell) => tell());
}

export const useKept = (): Kept =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    read,
    () => NOTHING,
  );

/** The pot as it stands, so that a closed tab finds it again; none where it is left. */
export function keepOpen(run: Run | undefined, tS = 0) {
  const { open: _was, ...rest } = read();
  write(run ? { ...rest, open: { run, tS } } : rest);
}

export function keepTried(exercise: string, met: boolean, at: string) {
  const now = read();
  write({
    ...now,
    tries: { ...now.tries, [exercise]: (now.tries[exercise] ?? 0) + 1 },
    met: met && !now.met[exercise] ? { ...now.met, [exercise]: at } : now.met,
  });
}

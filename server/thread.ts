import { Worker } from 'node:worker_threads';
import type { PotAnswer, PotQuestion } from './pots';

/** A pot that takes longer than this to reckon is given up. */
const LIMIT_MS = 2000;
/** Questions that may wait at once. */
const MOST_WAITING = 60;

export class TooLong extends Error {}
export class Busy extends Error {}

type PotThread = { ask(q: PotQuestion): Promise<PotAnswer>; close(): Promise<unknown> };

/**
 * Asks the thread of the pots, one question at a time. A question over its time ends the thread; the next one begins a
 * new one, and `begun` puts into it what it has to know.
 * @param begun questions that a new thread is asked first, without the one that ended the last
 */
export function potThread(file: string, begun: () => PotQuestion[], limitMs = LIMIT_MS): PotThread {
  let worker: Worker | undefined;
  let n = 0;
  let waiting = 0;
  let tail: Promise<unknown> = Promise.resolve();

  const once = (thread: Worker, q: PotQuestion) =>
    new Promise<PotAnswer>((ok, wrong) => {
      const mine = ++n;
      const end = () => {
        clearTimeout(timer);
        thread.off('message', heard).off('error', died).off('exit', died);
      };
      const lose = (e: Error) => {
        end();
        if (worker === thread) worker = undefined;
        void thread.terminate();
        wrong(e);
      };
      const died = () => lose(new TooLong('the thread of the pots ended'));
      const heard = (m: { n: number; answer?: PotAnswer; error?: string }) => {
        if (m.n !== mine) return;
        end();
        if (m.answer) ok(m.answer);
        else wrong(new RangeError(m.error));
      };
      const timer = setTimeout(() => lose(new TooLong('the pot takes too long to reckon')), limitMs);
      thread.on('message', heard).on('error', died).on('exit', died);
      thread.postMessage({ n: mine, q });
    });

  async function ready(): Promise<Worker> {
    if (worker) return worker;
    const thread = new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: 256 } });
    thread.unref();
    worker = thread;
    for (const q of begun()) await once(thread, q).catch(() => undefined);
    return thread;
  }

  return {
    async ask(q) {
      if (waiting >= MOST_WAITING) throw new Busy('too many pots at once');
      waiting += 1;
      const run = tail.then(async () => once(await ready(), q));
      tail = run.catch(() => undefined);
      try {
        return await run;
      } finally {
        waiting -= 1;
      }
    },
    close: async () => worker?.terminate(),
  };
}

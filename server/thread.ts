import { Worker } from 'node:worker_threads';
import type { PotAnswer, PotQuestion } from './pots';

/** A pot that takes longer than this to reckon is given up. */
const LIMIT_MS = 2000;
/** Questions that may wait at once. */
const MOST_WAITING = 60;

export class TooLong extends Error {}
export class Busy extends Error {}

type PotThread = { ask(q: PotQuestion): Promise<PotAnswer>; close(): Promise<unknown> };
/** One thread, and the pots that were put into it. */
type Running = { worker: Worker; knows: Set<string> };

const idOf = (q: PotQuestion): string => (q.ask === 'put' ? q.cook.id : q.id);

/**
 * Asks the thread of the pots, one question at a time. A question over its time ends the thread; the next one begins a new
 * one. A pot is put into a thread when it is first asked for there: one that takes too long holds up nobody else.
 * @param recall the question that puts a pot, for a thread that does not know it
 */
export function potThread(
  file: string,
  recall: (id: string) => PotQuestion | undefined,
  limitMs = LIMIT_MS,
): PotThread {
  let running: Running | undefined;
  let n = 0;
  let waiting = 0;
  let tail: Promise<unknown> = Promise.resolve();

  function begin(): Running {
    const worker = new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: 256 } });
    worker.unref();
    const begun = { worker, knows: new Set<string>() };
    // one that ends while nobody asks is not asked again
    const ended = () => {
      if (running === begun) running = undefined;
    };
    worker.on('error', ended).on('exit', ended);
    return begun;
  }

  const once = ({ worker }: Running, q: PotQuestion) =>
    new Promise<PotAnswer>((ok, wrong) => {
      const mine = ++n;
      const end = () => {
        clearTimeout(timer);
        worker.off('message', heard).off('error', died).off('exit', died);
      };
      const lose = (e: Error) => {
        end();
        if (running?.worker === worker) running = undefined;
        void worker.terminate();
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
      worker.on('message', heard).on('error', died).on('exit', died);
      worker.postMessage({ n: mine, q });
    });

  async function answer(q: PotQuestion): Promise<PotAnswer> {
    const thread = (running ??= begin());
    const id = idOf(q);
    if (q.ask === 'read' && !thread.knows.has(id)) {
      const put = recall(id);
      if (put) await once(thread, put);
      thread.knows.add(id);
    }
    const answered = await once(thread, q);
    if (q.ask === 'drop') thread.knows.delete(id);
    else thread.knows.add(id);
    return answered;
  }

  return {
    async ask(q) {
      if (waiting >= MOST_WAITING) throw new Busy('too many pots at once');
      waiting += 1;
      const run = tail.then(() => answer(q));
      tail = run.catch(() => undefined);
      try {
        return await run;
      } finally {
        waiting -= 1;
      }
    },
    close: async () => running?.worker.terminate(),
  };
}

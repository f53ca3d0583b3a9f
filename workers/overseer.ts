/** One that works elsewhere and may die there. */
export type Hired<T> = {
  hand: T;
  /** settles when it is gone, with the reason: ended, broken, not to be loaded */
  died: Promise<string>;
  end(): void;
};

/** The model works; it died and is begun again; it has died so often that only trying is left. */
export type Health = 'well' | 'begun again' | 'gone';

/** A question went down with the one who was asked, twice. */
export class WorkerGone extends Error {}

/** A question may take this long on the slowest machine: longer, and it hangs. One that ends is noticed at once. */
export const LIMIT_MS = 90_000;
/** Between two tries to begin again, the last one for good. */
const RESTS_MS = [0, 1000, 5000];
/** So many deaths without an answer in between, and it is gone. */
const GONE_AFTER = 2;

/**
 * Keeps one worker at work: hires it when it is first asked, a new one when it died or hangs, and says how it is. A
 * question that went down with its worker is asked once more.
 * @param greet asked of a new one after a death: it is well when it answers
 */
export function overseer<T>(
  hire: () => Hired<T>,
  greet: (hand: T) => Promise<unknown>,
  sleep = (ms: number) => new Promise((ok) => setTimeout(ok, ms)),
) {
  /** One at work, and what waits for its answers: told once when it is gone, and let go of when it has answered. */
  type Working = Hired<T> & { waiting: Set<(why: string) => void> };
  let hired: Working | undefined;
  let deaths = 0;
  let health: Health = 'well';
  const listeners = new Set<() => void>();
  const is = (next: Health) => {
    if (next === health) return;
    health = next;
    listeners.forEach((l) => l());
  };

  let coming: Promise<Working> | undefined;
  const ready = (): Promise<Working> =>
    (coming ??= (async () => {
      if (deaths) await sleep(RESTS_MS[Math.min(deaths, RESTS_MS.length) - 1]!);
      const mine: Working = { ...hire(), waiting: new Set() };
      hired = mine;
      void mine.died.then((why) => {
        // one that broke and still runs is no use to anybody
        if (mine.waiting.size) mine.end();
        for (const lose of [...mine.waiting]) lose(why);
        if (hired !== mine) return;
        hired = undefined;
        coming = undefined;
        deaths += 1;
        is(deaths >= GONE_AFTER ? 'gone' : 'begun again');
        void once(greet, LIMIT_MS).catch(() => undefined);
      });
      return mine;
    })());

  /** Ends one without a death: what else waits for it is asked again of the next. */
  function dismiss(mine: Working) {
    if (hired === mine) {
      hired = undefined;
      coming = undefined;
    }
    mine.end();
  }

  async function once<R>(work: (hand: T) => Promise<R>, limitMs: number, signal?: AbortSignal): Promise<R> {
    const mine = await ready();
    signal?.throwIfAborted();
    let stop: (() => void) | undefined;
    let lose: ((why: string) => void) | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    try {
      const answer = await new Promise<R>((ok, wrong) => {
        const mineToLose = (why: string) => {
          mine.waiting.delete(mineToLose);
          wrong(new WorkerGone(why));
        };
        mine.waiting.add((lose = mineToLose));
        timer = setTimeout(() => {
          mineToLose('no answer in time');
          mine.end();
        }, limitMs);
        stop = () => {
          mine.waiting.delete(mineToLose);
          wrong(signal!.reason as Error);
          dismiss(mine);
        };
        signal?.addEventListener('abort', stop, { once: true });
        work(mine.hand).then(ok, wrong);
      });
      deaths = 0;
      is('well');
      return answer;
    } finally {
      clearTimeout(timer);
      if (lose) mine.waiting.delete(lose);
      if (stop) signal?.removeEventListener('abort', stop);
    }
  }

  return {
    /** @param signal ends the work under way, and its worker with it: the next question hires another */
    async use<R>(work: (hand: T) => Promise<R>, limitMs = LIMIT_MS, signal?: AbortSignal): Promise<R> {
      try {
        return await once(work, limitMs, signal);
      } catch (e) {
        if (!(e instanceof WorkerGone) || health === 'gone') throw e;
        return once(work, limitMs, signal);
      }
    },
    /** Lets one go that nobody waits for. */
    rest() {
      if (hired && hired.waiting.size === 0) dismiss(hired);
    },
    health: () => health,
    listen: (l: () => void) => {
      listeners.add(l);
      return () => void listeners.delete(l);
    },
  };
}

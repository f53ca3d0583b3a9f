import { wrap, type Remote } from 'comlink';
import { blocksOf } from '../core/model/blocks';
import type { Chances } from '../core/model/chances';
import type { Plan } from '../core/plan/plan';
import type { ModelApi } from './api';
import { dealOut } from './deal';
import { LIMIT_MS, overseer, type Hired } from './overseer';

/** the same kitchens every time, so that two amounts are compared in the same weather */
const SEED = 0.42;

type Args<K extends keyof ModelApi> = Parameters<ModelApi[K]>;
type Answer<K extends keyof ModelApi> = Awaited<ReturnType<ModelApi[K]>>;

let names = 0;
/** A worker, and whether it lives: it holds a lock for as long as it does, which comes to us when it is gone. */
function hire(): Hired<Remote<ModelApi>> {
  const worker = new Worker(new URL('./model.worker', import.meta.url));
  const hand = wrap<ModelApi>(worker);
  const name = `ovalis model ${performance.timeOrigin} ${++names}`;
  const over = new AbortController();
  let dead: (why: string) => void = () => undefined;
  const died = new Promise<string>((ok) => (dead = ok));
  worker.onerror = (e) => dead(e.message || 'not loaded');
  worker.onmessageerror = () => dead('not understood');
  void (hand as unknown as { holdLock(name: string): Promise<void> })
    .holdLock(name)
    .then(() => navigator.locks.request(name, { signal: over.signal }, () => dead('ended')))
    .catch(() => undefined);
  return {
    hand,
    died,
    end: () => {
      dead('ended here');
      over.abort();
      worker.terminate();
    },
  };
}

const greet = (hand: Remote<ModelApi>) => hand.hello();
const model = overseer(hire, greet);

/** How the model is, for the rooms to say. */
export const modelHealth = { now: model.health, listen: model.listen };

/** What may take long for what somebody wrote: in a worker of its own, which ends when nobody waits for the answer any more. */
const READS: readonly (keyof ModelApi)[] = ['read', 'weighImport', 'typedLines'];
const reader = overseer(hire, greet);
/** ms without a question after which its memory is given back */
const READER_RESTS_MS = 60_000;
let readerRests: ReturnType<typeof setTimeout> | undefined;

let tail: Promise<unknown> = Promise.resolve();

/**
 * Asks the model in its worker, one question at a time; a question that nobody waits for any more is dropped before it
 * is asked. Call after mount only. @throws WorkerGone when the model has died and does not come back
 */
export function ask<K extends keyof ModelApi>(name: K, args: Args<K>, signal?: AbortSignal): Promise<Answer<K>> {
  const answer = (hand: Remote<ModelApi>) => {
    const api = hand as unknown as { [N in keyof ModelApi]: (...a: Args<N>) => Promise<Answer<N>> };
    return api[name](...args);
  };
  if (READS.includes(name)) {
    clearTimeout(readerRests);
    return reader.use(answer, LIMIT_MS, signal).finally(() => {
      readerRests = setTimeout(reader.rest, READER_RESTS_MS);
    });
  }
  const run = tail.then(() => {
    signal?.throwIfAborted();
    return model.use(answer);
  });
  tail = run.catch(() => undefined);
  return run;
}

/** Workers that help with many kitchens, beside the one that is always there. */
const helpers: ReturnType<typeof overseer<Remote<ModelApi>>>[] = [];
const MOST_WORKERS = 8;
/** Fewer blocks than this are no work to hire for: each worker is a model of its own in memory. */
const WORTH_HIRING = 10;

/** As many as there are cores; those beyond the first come with the first work that is worth it. */
function crew(blocks: number) {
  if (blocks < WORTH_HIRING) return [model];
  const wanted = Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 1);
  while (helpers.length < wanted - 1) helpers.push(overseer(hire, greet));
  return [model, ...helpers];
}

/**
 * Many kitchens, over all cores. Not in the queue: a forecast asked meanwhile comes through between two blocks.
 * @returns undefined when it was stopped
 */
export async function askChances(
  plan: Plan,
  draws: number,
  signal: AbortSignal,
  onDone: (done: number) => void,
): Promise<Chances | undefined> {
  const age = await ask('sharedBy', [plan], signal);
  const blocks = blocksOf(draws, SEED);
  const found = await dealOut(
    blocks,
    crew(blocks.length).map((one) => (block) => one.use((hand) => hand.kitchensOf(plan, age, block))),
    signal,
    onDone,
  );
  return found && ask('countKitchens', [plan, SEED, found.flat()], signal);
}

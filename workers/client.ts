import { proxy, wrap, type Remote } from 'comlink';
import type { Chances } from '../core/model/chances';
import type { ModelApi } from './api';

/** the same kitchens every time, so that two amounts are compared in the same weather */
const SEED = 0.42;

type Questions = Omit<ModelApi, 'chances'>;
type Args<K extends keyof Questions> = Parameters<Questions[K]>;
type Answer<K extends keyof Questions> = Awaited<ReturnType<Questions[K]>>;

let remote: Remote<ModelApi> | undefined;
let tail: Promise<unknown> = Promise.resolve();
const worker = () => (remote ??= wrap<ModelApi>(new Worker(new URL('./model.worker', import.meta.url))));

/**
 * Asks the model in its worker, one question at a time; a question that nobody waits for any more is dropped before it
 * is asked. Call after mount only.
 */
export function ask<K extends keyof Questions>(name: K, args: Args<K>, signal?: AbortSignal): Promise<Answer<K>> {
  const api = worker() as unknown as { [N in keyof Questions]: (...a: Args<N>) => Promise<Answer<N>> };
  const run = tail.then(() => {
    signal?.throwIfAborted();
    return api[name](...args);
  });
  tail = run.catch(() => undefined);
  return run;
}

/** Many kitchens; not in the queue, so that a forecast asked meanwhile comes through between two slices. */
export const askChances = (
  plan: Parameters<ModelApi['chances']>[0],
  draws: number,
  signal: AbortSignal,
  onDone: (done: number) => void,
) =>
  worker().chances(
    plan,
    draws,
    SEED,
    proxy((done: number) => {
      if (!signal.aborted) onDone(done);
      return !signal.aborted;
    }),
  ) as Promise<Chances | undefined>;

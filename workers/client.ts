import { wrap, type Remote } from 'comlink';
import { blocksOf } from '../core/model/blocks';
import type { Chances } from '../core/model/chances';
import type { Plan } from '../core/plan/plan';
import type { ModelApi } from './api';
import { dealOut } from './deal';

/** the same kitchens every time, so that two amounts are compared in the same weather */
const SEED = 0.42;

type Args<K extends keyof ModelApi> = Parameters<ModelApi[K]>;
type Answer<K extends keyof ModelApi> = Awaited<ReturnType<ModelApi[K]>>;

let remote: Remote<ModelApi> | undefined;
let tail: Promise<unknown> = Promise.resolve();
const hire = () => wrap<ModelApi>(new Worker(new URL('./model.worker', import.meta.url)));
const worker = () => (remote ??= hire());

/**
 * Asks the model in its worker, one question at a time; a question that nobody waits for any more is dropped before it
 * is asked. Call after mount only.
 */
export function ask<K extends keyof ModelApi>(name: K, args: Args<K>, signal?: AbortSignal): Promise<Answer<K>> {
  const api = worker() as unknown as { [N in keyof ModelApi]: (...a: Args<N>) => Promise<Answer<N>> };
  const run = tail.then(() => {
    signal?.throwIfAborted();
    return api[name](...args);
  });
  tail = run.catch(() => undefined);
  return run;
}

/** Workers that help with many kitchens, beside the one that is always there. */
const helpers: Remote<ModelApi>[] = [];
const MOST_WORKERS = 8;

/** As many as there are cores; those beyond the first come with the first question that wants them. */
function crew(): Remote<ModelApi>[] {
  const wanted = Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 1);
  while (helpers.length < wanted - 1) helpers.push(hire());
  return [worker(), ...helpers];
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
  const age = await worker().sharedBy(plan);
  const found = await dealOut(
    blocksOf(draws, SEED),
    crew().map((hand) => (block) => hand.kitchensOf(plan, age, block)),
    signal,
    onDone,
  );
  return found && worker().countKitchens(plan, SEED, found.flat());
}

import { proxy, wrap, type Remote } from 'comlink';
import type { Chances } from '../core/chance/montecarlo';
import type { Solved } from '../core/formula/solve';
import type { ModelApi } from './api';

type Job<T> = (api: Remote<ModelApi>) => Promise<T>;

/** the same kitchens every time, so that two amounts are compared in the same weather */
const SEED = 0.42;

let remote: Remote<ModelApi> | undefined;
let tail: Promise<unknown> = Promise.resolve();

/** One question at a time; a question that nobody waits for any more is dropped before it is asked. */
function ask<T>(job: Job<T>, signal?: AbortSignal): Promise<T> {
  remote ??= wrap<ModelApi>(new Worker(new URL('./model.worker', import.meta.url)));
  const api = remote;
  const run = tail.then(() => {
    signal?.throwIfAborted();
    return job(api);
  });
  tail = run.catch(() => undefined);
  return run;
}

/** The model, in its worker. Call after mount only. */
export const model = () => ({
  forecast: (plan: Parameters<ModelApi['forecast']>[0], signal?: AbortSignal) =>
    ask((api) => api.forecast(plan), signal),
  solve: (plan: Parameters<ModelApi['solve']>[0], signal?: AbortSignal) =>
    ask(async (api) => (await api.solve(plan)) as Solved, signal),
  swap: (...[plan, fromId, toId]: Parameters<ModelApi['swap']>) =>
    ask(async (api) => (await api.swap(plan, fromId, toId)) as ReturnType<ModelApi['swap']>),
  /** Many kitchens; not in the queue, so that a forecast asked meanwhile comes through between two slices. */
  chances: (
    plan: Parameters<ModelApi['chances']>[0],
    draws: number,
    signal: AbortSignal,
    onDone: (done: number) => void,
  ) => {
    remote ??= wrap<ModelApi>(new Worker(new URL('./model.worker', import.meta.url)));
    return remote.chances(
      plan,
      draws,
      SEED,
      proxy((done: number) => {
        if (!signal.aborted) onDone(done);
        return !signal.aborted;
      }),
    ) as Promise<Chances | undefined>;
  },
  live: (...[cook, steps, nowMs]: Parameters<ModelApi['live']>) => ask((api) => api.live(cook, steps, nowMs)),
  nextTime: (...[batch, like]: Parameters<ModelApi['nextTime']>) => ask((api) => api.nextTime(batch, like)),
  demo: (nowMs: number, offsetMin: number) => ask((api) => api.demo(nowMs, offsetMin)),
});

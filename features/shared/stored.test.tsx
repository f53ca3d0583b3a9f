import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, configure, renderHook, waitFor } from '@testing-library/react-native';
import { randomLcg } from 'd3-random';
import type { ReactNode } from 'react';
import type { CookEvent } from '../../core/cook/events';
import { choirSupper } from '../../core/demo/choirSupper';
import { changes } from '../../storage/browser';
import { within } from './testingKitchen';
import { useCollection, useCookEvents, useEdit, useKitchenOpen, useRemove, useExchange, useSave } from './stored';
import { kitchenOver, type Kitchen } from '../../storage/kitchen';
import { memory } from '../../storage/testingStore';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: jest.fn() }));

configure({ asyncUtilTimeout: 20_000 });

const demo = choirSupper(Date.UTC(2026, 11, 11, 12));
const cook = { ...demo.cooks[0]!, events: demo.cooks[0]!.events.slice(0, 1) };
const [planA, planB] = [demo.plans[0]!, demo.plans[1]!];
const noted = (id: string): CookEvent => ({ kind: 'noted', id, at: demo.exportedAt, text: id });

/** The rooms' view of a kitchen whose disk takes its time over everything. */
async function rooms(seed: number) {
  const m = memory();
  await kitchenOver(m.shell).replaceAll({ ...demo, cooks: [cook], plans: [planA, planB] }, Date.UTC(2026, 11, 11, 12));
  const random = randomLcg(seed);
  const slow = () => new Promise((r) => setTimeout(r, random() * 6));
  const store = Object.fromEntries(
    Object.entries(m.store).map(([name, does]) => [
      name,
      async (...args: unknown[]) => {
        await slow();
        const answer = await (does as (...a: unknown[]) => Promise<unknown>)(...args);
        await slow();
        return answer;
      },
    ]),
  ) as typeof m.store;
  // each record has its own lock, as in a browser
  const tails = new Map<string, Promise<unknown>>();
  const lock = <T,>(name: string, work: () => Promise<T>) => {
    const run = (tails.get(name) ?? Promise.resolve()).then(work);
    tails.set(
      name,
      run.catch(() => undefined),
    );
    return run;
  };
  const kitchen: Kitchen = kitchenOver({ ...m.shell, store, lock });
  const Kitchen = within({ store: () => kitchen });
  const client = new QueryClient({
    defaultOptions: {
      queries: { networkMode: 'always', retry: false, gcTime: Infinity },
      mutations: { networkMode: 'always', gcTime: Infinity },
    },
  });
  const shown: { events: string[]; plans: string[] }[] = [];
  const { result, unmount } = renderHook(
    () => {
      useKitchenOpen();
      const cooks = useCollection('cooks');
      const plans = useCollection('plans');
      if (cooks.data && plans.data)
        shown.push({
          events: cooks.data.flatMap((c) => c.events.map((e) => e.id)),
          plans: plans.data.map((p) => `${p.id} ${p.people}`),
        });
      return {
        cooks,
        plans,
        append: useCookEvents(),
        begin: useSave('cooks'),
        save: useSave('plans'),
        edit: useEdit('plans'),
        remove: useRemove('plans'),
        replace: useExchange(),
      };
    },
    {
      wrapper: ({ children }: { children: ReactNode }) => (
        <QueryClientProvider client={client}>
          <Kitchen>{children}</Kitchen>
        </QueryClientProvider>
      ),
    },
  );
  await waitFor(() => expect(shown.length).toBeGreaterThan(0));
  const settled = () =>
    waitFor(() => {
      expect(client.isMutating()).toBe(0);
      expect(client.isFetching()).toBe(0);
    });
  const close = () => {
    unmount();
    client.clear();
  };
  return { kitchen, result, shown, random, slow, settled, close };
}

describe('what is shown', () => {
  it.each(Array.from({ length: 25 }, (_, i) => i / 25))(
    'has every tap from then on, whatever else is read and written (order %s)',
    async (seed) => {
      const { kitchen, result, shown, random, slow, settled, close } = await rooms(seed);
      const ids = Array.from({ length: 8 }, (_, n) => `n${n}`);
      for (const [n, id] of ids.entries()) {
        act(() => {
          if (n === 3) result.current.begin.mutate({ ...cook, id: 'c-new' });
          result.current.append(n < 3 ? cook.id : 'c-new', [noted(id)]);
          if (random() < 0.5) result.current.save.mutate({ ...planA, people: 10 + n });
          if (random() < 0.5)
            result.current.edit.mutate({ id: planB.id, edit: (p) => ({ ...p!, people: p!.people + 1 }) });
          if (random() < 0.3) changes.tell({ collection: 'cooks', id: cook.id });
        });
        for (let i = Math.floor(random() * 6); i > 0; i--) await act(slow);
      }
      await settled();
      for (const id of ids) {
        const seen = shown.map((s) => s.events.filter((e) => e === id).length);
        expect([...new Set(seen.slice(seen.findIndex((n) => n > 0)))]).toEqual([1]);
      }
      expect((await kitchen.cooks.list()).flatMap((c) => c.events.map((e) => e.id)).sort()).toEqual(
        [cook.events[0]!.id, cook.events[0]!.id, ...ids].sort(),
      );
      expect(shown.at(-1)!.plans.sort()).toEqual((await kitchen.plans.list()).map((p) => `${p.id} ${p.people}`).sort());
      close();
    },
  );

  it('what was taken away does not come back, and what another tab did comes', async () => {
    const { kitchen, result, shown, settled, close } = await rooms(0.3);
    await act(async () => result.current.remove.mutate(planB.id));
    await settled();
    expect(shown.at(-1)!.plans).toEqual([`${planA.id} ${planA.people}`]);
    await kitchen.plans.put({ ...planA, people: 31 });
    await act(async () => changes.tell({ collection: 'plans', id: planA.id }));
    await waitFor(() => expect(shown.at(-1)!.plans).toEqual([`${planA.id} 31`]));
    close();
  });

  it('is all of a file that is taken in', async () => {
    const { result, shown, settled, close } = await rooms(0.7);
    const locks = { request: (_: string, work: () => Promise<void>) => work() };
    Object.assign(globalThis, { navigator: { locks } });
    await act(async () => result.current.replace({ ...demo, plans: [planB], cooks: [] }));
    await settled();
    await waitFor(() => expect(shown.at(-1)).toEqual({ events: [], plans: [`${planB.id} ${planB.people}`] }));
    close();
  });
});

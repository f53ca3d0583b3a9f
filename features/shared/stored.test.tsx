import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, configure, renderHook, waitFor } from '@testing-library/react-native';
import { randomLcg } from 'd3-random';
import type { ReactNode } from 'react';
import type { CookEvent } from '../../core/cook/events';
import { changeBetween } from '../../core/records/change';
import type { RecordAct } from '../../core/records/operation';
import type { Plan } from '../../core/plan/plan';
import { eventsChange } from '../../storage/log';
import { choirSupper } from '../../core/demo/choirSupper';
import { changes } from '../../storage/browser';
import { within } from './testingKitchen';
import { useCollection, useCookEvents, useEdit, useKitchenOpen, useRemove, useExchange, useSave } from './stored';
import { kitchenOver, type KitchenStore } from '../../storage/kitchen';
import { memory, namedLocks, tabOf } from '../../storage/testingStore';

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
  const locks = namedLocks();
  const shell = { ...m.shell, store, lock: <T,>(work: () => Promise<T>) => locks.request('ovalis kitchen', work) };
  const kitchen: KitchenStore = kitchenOver(shell);
  const other: KitchenStore = kitchenOver(tabOf(shell));
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
      expect(kitchen.waiting()).toEqual([]);
      expect(client.isFetching()).toBe(0);
    });
  const close = () => {
    unmount();
    client.clear();
  };
  /** In another tab, which tells of it. */
  const elsewhere = async (collection: 'plans' | 'cooks', id: string, act: RecordAct) => {
    other.note({ collection, record: id, act }, Date.UTC(2026, 11, 11, 12));
    const { written } = await other.settle();
    for (const w of written) changes.tell({ collection: w.collection, id: w.id });
  };
  return { kitchen, result, shown, random, slow, settled, elsewhere, close };
}

describe('what is shown', () => {
  it.each(Array.from({ length: 25 }, (_, i) => i / 25))(
    'has every tap from then on, whatever else is read and written (order %s)',
    async (seed) => {
      const { kitchen, result, shown, random, slow, settled, elsewhere, close } = await rooms(seed);
      let steps = 0;
      const theirs: Promise<void>[] = [];
      const ids = Array.from({ length: 8 }, (_, n) => `n${n}`);
      for (const [n, id] of ids.entries()) {
        act(() => {
          if (n === 3) result.current.begin.mutate({ ...cook, id: 'c-new' });
          result.current.append(n < 3 ? cook.id : 'c-new', [noted(id)]);
          if (random() < 0.5) result.current.save.mutate({ ...planA, people: 10 + n });
          if (random() < 0.5) {
            steps += 1;
            const edit = (p: Plan | undefined) => ({ ...p!, people: p!.people + 1 });
            result.current.edit.mutate({ id: planB.id, edit, numbers: 'added' });
          }
          if (random() < 0.3) changes.tell({ collection: 'cooks', id: cook.id });
        });
        if (random() < 0.4) {
          steps += 1;
          const change = changeBetween(planB, { ...planB, people: planB.people + 1 }, 'added')!;
          theirs.push(elsewhere('plans', planB.id, { change }));
        }
        if (random() < 0.3) theirs.push(elsewhere('cooks', cook.id, { change: eventsChange([noted(`their ${id}`)]) }));
        for (let i = Math.floor(random() * 6); i > 0; i--) await act(slow);
      }
      await act(() => Promise.all(theirs));
      await settled();
      const lists = async () => [
        (await kitchen.cooks.list()).flatMap((c) => c.events.map((e) => e.id)).sort(),
        (await kitchen.plans.list()).map((p) => `${p.id} ${p.people}`).sort(),
      ];
      // what was heard of is read by and by
      const stored = await lists();
      await waitFor(() => expect([shown.at(-1)!.events.toSorted(), shown.at(-1)!.plans.toSorted()]).toEqual(stored));
      for (const id of ids) {
        const seen = shown.map((s) => s.events.filter((e) => e === id).length);
        expect([...new Set(seen.slice(seen.findIndex((n) => n > 0)))]).toEqual([1]);
      }
      expect(stored[0]!.filter((id) => !id.startsWith('their ')).sort()).toEqual(
        [cook.events[0]!.id, cook.events[0]!.id, ...ids].sort(),
      );
      // every step counts once, here and there, and none that was seen is taken back for a moment
      const people = shown.map((s) =>
        Number(
          s.plans
            .find((p) => p.startsWith(planB.id))!
            .split(' ')
            .at(-1),
        ),
      );
      expect(people).toEqual(people.toSorted((a, b) => a - b));
      expect(people.at(-1)).toBe(planB.people + steps);
      close();
    },
  );

  it('is what was read last, in whatever order the readings come back', async () => {
    const { kitchen, shown, elsewhere, close } = await rooms(0.5);
    const read = kitchen.plans.get;
    const doors: (() => void)[] = [];
    kitchen.plans.get = async (id) => {
      const value = await read(id);
      await new Promise<void>((open) => doors.push(open));
      return value;
    };
    const people = (n: number) => elsewhere('plans', planA.id, { put: { ...planA, people: n } as Plan });
    const arrived = (n: number) => waitFor(() => expect(doors).toHaveLength(n));
    const open = (n: number) => act(async () => doors[n]!());
    await people(31);
    await arrived(1);
    await people(32);
    await arrived(2);
    await open(1);
    await people(33);
    await arrived(3);
    await open(0);
    await open(2);
    // the two that came out of turn are read once more
    for (let i = 3; i < 8; i++) {
      await act(() => new Promise((r) => setTimeout(r, 20)));
      doors[i]?.();
    }
    await waitFor(() => expect(shown.at(-1)!.plans).toContain(`${planA.id} 33`));
    close();
  });

  it('what was taken away does not come back, and what another tab did comes', async () => {
    const { result, shown, settled, elsewhere, close } = await rooms(0.3);
    await act(async () => result.current.remove.mutate(planB.id));
    await settled();
    expect(shown.at(-1)!.plans).toEqual([`${planA.id} ${planA.people}`]);
    await act(() => elsewhere('plans', planA.id, { put: { ...planA, people: 31 } as Plan }));
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

import { randomLcg } from 'd3-random';
import * as fc from 'fast-check';
import type { Batch } from '../core/book/batch';
import { choirSupper } from '../core/demo/choirSupper';
import { emptyKitchen } from '../core/formats/kitchenFile';
import { keyOf, textsOf } from '../core/formats/record';
import { specOf } from '../core/formats/collections';
import type { CookEvent } from '../core/cook/events';
import { changeBetween } from '../core/records/change';
import { DEFAULT_SETTINGS } from '../core/settings';
import type { Pack } from '../core/units/packs';
import { ChangedMeanwhileError, kitchenOver, type KitchenStore } from './kitchen';
import type { AtOnce } from './log';
import type { KeyValue } from './records';
import { notesOver, tap } from './testingStore';

/**
 * Two and three tabs of one browser, in any order: what a hand meant is in the records once, whatever is delayed, dies or is
 * brought in meanwhile. The browser is made of what it promises: a database that writes all or nothing, locks with names that
 * a dead tab lets go, small notes that another tab sees late.
 */

const NOW = Date.UTC(2026, 11, 11, 12);
const demo = choirSupper(NOW);
const PACK: Pack = { ...demo.packs[0]!, id: 'amount' };
const BATCH: Batch = { ...demo.batches[0]!, id: 'note', events: [], found: { flaws: [], note: 'sets' } };
const COOK = { ...demo.cooks[0]!, id: 'pot', events: [] };

type Turns = () => Promise<void>;
const turn = () => new Promise<void>((ok) => setImmediate(ok));

class Browser {
  readonly database = new Map<string, string>();
  readonly notes = new Map<string, string>();
  full = false;
  private held = new Map<string, { tab: Tab; waiting: { tab: Tab; go: () => void }[] }>();
  readonly tabs: Tab[] = [];
  constructor(readonly random: () => number) {}

  /** Some turns of the event loop: what else is under way goes on in them. */
  readonly turns: Turns = async () => {
    for (let n = Math.floor(this.random() * 4); n > 0; n--) await turn();
  };

  lock(tab: Tab, name: string, work: () => Promise<unknown>) {
    return new Promise((ok, wrong) => {
      const go = () => {
        const end = () => this.release(name, tab);
        work().then(
          (v) => {
            end();
            ok(v);
          },
          (e: unknown) => {
            end();
            wrong(e as Error);
          },
        );
      };
      const there = this.held.get(name);
      if (there) there.waiting.push({ tab, go });
      else {
        this.held.set(name, { tab, waiting: [] });
        go();
      }
    });
  }
  private release(name: string, tab: Tab) {
    const there = this.held.get(name);
    if (there?.tab !== tab) return;
    const next = there.waiting.find((w) => !w.tab.dead);
    if (!next) {
      this.held.delete(name);
      return;
    }
    this.held.set(name, { tab: next.tab, waiting: there.waiting.filter((w) => w !== next && !w.tab.dead) });
    next.go();
  }
  /** A tab ends: what it holds is let go, what it asked of the database is done or not. */
  kill(tab: Tab) {
    tab.dead = true;
    tab.over();
    for (const name of [...this.held.keys()]) this.release(name, tab);
  }
}

class Tab {
  dead = false;
  over: () => void = () => undefined;
  readonly died = new Promise<void>((ok) => (this.over = ok));
  /** news of the small notes that have not come here yet */
  private late: [string, string | undefined][] = [];
  private readonly view: Map<string, string>;
  readonly kitchen: KitchenStore;
  /** what this hand did since the last kitchen came */
  readonly typed = new Set<string>();
  constructor(
    readonly browser: Browser,
    readonly name: string,
  ) {
    this.view = new Map(browser.notes);
    const { atOnce } = this;
    const lock = (work: () => Promise<unknown>) => browser.lock(this, 'ovalis kitchen', work);
    this.kitchen = kitchenOver({
      store: this.store(),
      atOnce,
      tab: name,
      lock: lock as <T>(work: () => Promise<T>) => Promise<T>,
      report: () => undefined,
      changed: () => undefined,
      breathe: () => this.alive(turn),
    });
  }
  /** What a dead tab waits for never comes. */
  private async alive<T>(work: () => Promise<T>): Promise<T> {
    if (this.dead) return new Promise(() => undefined);
    const answer = await work();
    return this.dead ? new Promise(() => undefined) : answer;
  }
  private store(): KeyValue {
    const { database } = this.browser;
    const op = <T>(does: () => T) =>
      this.alive(async () => {
        await this.browser.turns();
        // a tab that died before has its transaction undone
        if (this.dead) return undefined as never;
        const answer = does();
        await this.browser.turns();
        return answer;
      });
    const read = (keys: string[]) => Object.fromEntries(keys.map((k) => [k, database.get(k) ?? null]));
    const write = (entries: Record<string, string>) => {
      if (this.browser.full) throw new Error('the disk is full');
      for (const [k, v] of Object.entries(entries)) database.set(k, v);
    };
    return {
      getItem: (k) => op(() => database.get(k) ?? null),
      getMany: (keys) => op(() => read(keys)),
      getAllKeys: () => op(() => [...database.keys()]),
      setItem: (k, v) => op(() => write({ [k]: v })),
      setMany: (entries) => op(() => write(entries)),
      removeItem: (k) => op(() => void database.delete(k)),
      removeMany: (keys) => op(() => keys.forEach((k) => database.delete(k))),
    };
  }
  private get atOnce(): AtOnce {
    const seen = () => {
      // they come in order, some of them later
      const come = Math.floor(this.browser.random() * (this.late.length + 1));
      for (const [k, v] of this.late.splice(0, come)) {
        if (v === undefined) this.view.delete(k);
        else this.view.set(k, v);
      }
      return notesOver(this.view);
    };
    const tell = (k: string, v: string | undefined) => {
      if (v === undefined) this.browser.notes.delete(k);
      else this.browser.notes.set(k, v);
      for (const other of this.browser.tabs) if (other !== this && !other.dead) other.late.push([k, v]);
    };
    return {
      get length() {
        return seen().length;
      },
      key: (i) => notesOver(this.view).key(i),
      getItem: (k) => notesOver(this.view).getItem(k),
      setItem: (k, v) => {
        this.view.set(k, v);
        tell(k, v);
      },
      removeItem: (k) => {
        if (this.dead) return;
        this.view.delete(k);
        tell(k, undefined);
      },
    };
  }
}

/** What hands meant, all of it. */
type Meant = { steps: number; letters: Set<string>; events: Set<string>; packs: Set<string>; gone: Set<string> };
type World = { browser: Browser; under: Promise<unknown>[]; made: number; letters: number };

const LETTERS = [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789'];

const command = (name: string, run: (meant: Meant, world: World, tab: Tab) => Promise<void> | void) =>
  fc.nat(2).map((which) => ({
    check: () => true,
    run: async (meant: Meant, world: World) => {
      const { tabs } = world.browser;
      await run(meant, world, tabs[which % tabs.length]!);
      await world.browser.turns();
    },
    toString: () => `${name} in ${which}`,
  }));

/** What a tab that died waits for does not come. */
const settle = ({ under }: World, { kitchen, died }: Tab) => void under.push(Promise.race([kitchen.settle(), died]));

const step = command('step', (meant, world, tab) => {
  const act = { change: changeBetween(PACK, { ...PACK, grams: PACK.grams + 1 }, 'added')! };
  tab.kitchen.note({ collection: 'packs', record: PACK.id, act }, NOW);
  meant.steps += 1;
  settle(world, tab);
});
const letter = command('letter', async (meant, world, tab) => {
  // typed on what this tab shows
  const now = (await tab.kitchen.batches.get(BATCH.id))!;
  const char = LETTERS[world.letters++ % LETTERS.length]!;
  const { note } = now.found;
  const at = Math.floor(world.browser.random() * (note.length + 1));
  const mine = { ...now, found: { ...now.found, note: note.slice(0, at) + char + note.slice(at) } };
  tab.kitchen.note({ collection: 'batches', record: BATCH.id, act: { change: changeBetween(now, mine)! } }, NOW);
  meant.letters.add(char);
  tab.typed.add(char);
  settle(world, tab);
});
const event = command('event', (meant, world, tab) => {
  const id = `e${world.made++}`;
  const events: CookEvent[] = [{ kind: 'noted', id, at: new Date(NOW).toISOString(), text: id }];
  tap(tab.kitchen, COOK.id, events, NOW);
  meant.events.add(id);
  settle(world, tab);
});
const make = command('make', (meant, world, tab) => {
  const id = `made${world.made++}`;
  tab.kitchen.note({ collection: 'packs', record: id, act: { put: { ...PACK, id } } }, NOW);
  meant.packs.add(id);
  settle(world, tab);
});
const remove = command('remove', async (meant, world, tab) => {
  const there = (await tab.kitchen.packs.list()).filter((p) => p.id.startsWith('made'));
  const id = there[Math.floor(world.browser.random() * there.length)]?.id;
  if (!id) return;
  tab.kitchen.note({ collection: 'packs', record: id, act: { removed: true } }, NOW);
  meant.gone.add(id);
  settle(world, tab);
});
const crash = command('crash', async ({ letters }, { browser }, tab) => {
  browser.kill(tab);
  const next = new Tab(browser, `tab${browser.tabs.length}-${Math.floor(browser.random() * 1e9)}`);
  browser.tabs[browser.tabs.indexOf(tab)] = next;
  await next.kitchen.settle();
  // all that was ever typed, whoever typed it and whatever died
  const { note } = (await next.kitchen.batches.get(BATCH.id))!.found;
  for (const char of tab.typed) if (letters.has(char)) expect(note).toContain(char);
});
const full = command('full', (_, { browser }) => void (browser.full = !browser.full));
const read = command('read', async (_, __, tab) => {
  const { note } = (await tab.kitchen.batches.get(BATCH.id))!.found;
  for (const char of tab.typed) expect(note).toContain(char);
});
/** A file with one more pack and another note in the pot comes in beside what is here, while hands go on. */
const merge = command('merge', (meant, world, tab) => {
  const id = `made${world.made++}`;
  const e: CookEvent = { kind: 'noted', id: `e${world.made++}`, at: new Date(NOW).toISOString(), text: '' };
  const take = async () => {
    for (;;) {
      const seen = await tab.kitchen.texts();
      const pot = (JSON.parse(seen[keyOf('cooks', COOK.id)]!) as { data: typeof COOK }).data;
      const entries = {
        ...textsOf(specOf('packs'), { ...PACK, id } as Pack),
        ...textsOf(specOf('cooks'), { ...pot, events: [...pot.events, e] } as typeof COOK),
      };
      try {
        return await tab.kitchen.exchange({ entries, gone: [] }, NOW, seen);
      } catch (wrong) {
        if (!(wrong instanceof ChangedMeanwhileError)) return undefined;
      }
    }
  };
  const taken = take().then((was) => {
    if (!was) return;
    meant.packs.add(id);
    meant.events.add(e.id);
  });
  // one that dies with its tab may have come in or not
  world.under.push(Promise.race([taken, tab.died.then(() => meant.packs.has(id) || meant.gone.add(`?${id}`))]));
});
/** Another kitchen in the place of this one, once all is down. */
const replace = command('replace', async (meant, world, tab) => {
  world.browser.full = false;
  await quiet(world);
  await tab.kitchen.replaceAll(kitchenFile(), NOW);
  Object.assign(meant, nothing());
  for (const t of world.browser.tabs) t.typed.clear();
});

const nothing = (): Meant => ({
  steps: 0,
  letters: new Set(),
  events: new Set(),
  packs: new Set(),
  gone: new Set(),
});
const kitchenFile = () => ({
  ...emptyKitchen(DEFAULT_SETTINGS, new Date(NOW).toISOString()),
  packs: [PACK],
  batches: [BATCH],
  cooks: [COOK],
});

/** Nothing is under way any more. */
async function quiet({ browser, under }: World) {
  await Promise.all(under);
  under.length = 0;
  for (const tab of browser.tabs) await tab.kitchen.settle();
  // what the last one wrote, the first one may still have noted
  await browser.tabs[0]!.kitchen.settle();
}

const ORDERS = Number(process.env['ORDERS'] ?? 250);

it(`${ORDERS} orders of what two and three tabs do, delayed, cut off and mixed: what was meant is there, once`, async () => {
  let done = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.commands([step, letter, event, make, remove, crash, full, read, merge, replace], { maxCommands: 40 }),
      fc.integer({ min: 2, max: 3 }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      async (commands, count, seed) => {
        const browser = new Browser(randomLcg(seed));
        for (let i = 0; i < count; i++) browser.tabs.push(new Tab(browser, `tab${i}`));
        await browser.tabs[0]!.kitchen.replaceAll(kitchenFile(), NOW);
        const meant = nothing();
        const world: World = { browser, under: [], made: 0, letters: 0 };
        await fc.asyncModelRun(() => ({ model: meant, real: world }), commands);
        browser.full = false;
        await quiet(world);
        const last = new Tab(browser, 'last').kitchen;
        await last.settle();
        const pack = await last.packs.get(PACK.id);
        const { note } = (await last.batches.get(BATCH.id))!.found;
        const events = (await last.cooks.get(COOK.id))!.events.map((e) => e.id);
        const packs = (await last.packs.list()).map((p) => p.id).filter((id) => id !== PACK.id);
        const sure = packs.filter((id) => !meant.gone.has(`?${id}`));
        expect(pack!.grams).toBe(PACK.grams + meant.steps);
        expect([...note].sort()).toEqual([...BATCH.found.note, ...meant.letters].sort());
        for (const id of meant.events) expect(events.filter((e) => e === id)).toEqual([id]);
        expect(new Set(events).size).toBe(events.length);
        expect(sure.sort()).toEqual([...meant.packs].filter((id) => !meant.gone.has(id)).sort());
        expect([...browser.notes.keys()]).toEqual([]);
        done += 1;
      },
    ),
    { numRuns: ORDERS },
  );
  expect(done).toBe(ORDERS);
});

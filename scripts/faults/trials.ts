import { randomLcg } from 'd3-random';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { spawnSync } from 'node:child_process';
import { choirSupper } from '../../core/demo/choirSupper';
import { readIncoming, tableOf } from '../../core/formats/incoming';
import { writeKitchenFile } from '../../core/formats/kitchenFile';
import { writePlanFile } from '../../core/formats/planFile';
import { writeBatchFile } from '../../core/formats/batchFile';
import { pantryWith } from '../../core/pantry/pantry';
import { hostileText } from '../../core/recipe/fixtures/hostile';
import { readRecipe } from '../../core/recipe/read';
import { CHANGES, type Change } from './changes';
import {
  holds,
  isBlank,
  kitchen,
  none,
  ownBrowser,
  ORIGIN,
  records,
  says,
  tabAt,
  wait,
  WAIT_MS,
  withProfile,
  type Outcome,
  type Trial,
} from './ground';

/** A smaller run, to try the script itself. */
const SHARE = Number(process.env['SHARE'] ?? 1);
const times = (n: number) => Math.max(1, Math.round(n * SHARE));

/** KIND=words tries the kinds of change alone whose name holds them. */
const isWanted = ({ name }: Change) => name.includes(process.env['KIND'] ?? '');

/** ms after a change that its tab dies: at once, while it is written, just after. */
const DELAYS = [0, 0, 1, 3, 8, 20];

/** The tab's process ends after a change of every kind; the next tab has it, or not. */
const renderer: Trial = {
  name: 'tab killed at once after a change, every kind of change',
  run: async ({ browser }) => {
    const out = none();
    const lost: Record<string, number> = {};
    const crash = async (change: Change) => {
      const { context, page: first } = await kitchen(browser);
      await first.close();
      for (let n = 0; n < times(16); n++) {
        const page = await tabAt(context, change.at);
        await change.ready(page).catch((e: Error) => {
          throw new Error(`${change.name}: ${e.message}`);
        });
        const before = await records(page);
        await change.make(page, n);
        await wait(DELAYS[n % DELAYS.length]!);
        const cdp = await context.newCDPSession(page);
        // listened for first: it comes at once
        const crashed = page.waitForEvent('crash', { timeout: WAIT_MS }).catch(() => undefined);
        void cdp.send('Page.crash').catch(() => undefined);
        await crashed;
        await page.close().catch(() => undefined);
        const next = await tabAt(context, '/plan');
        out.tried += 1;
        if (await isBlank(next)) out.blank += 1;
        if (!(await holds(async () => change.kept(await records(next), n, before)))) {
          out.lost += 1;
          lost[change.name] = (lost[change.name] ?? 0) + 1;
        }
        await next.close();
      }
      await context.close();
    };
    // two at a time: each waits for pages most of its time
    await Promise.all(
      [0, 1].map(async (lane) => {
        for (const change of CHANGES.filter(isWanted).filter((_, i) => i % 2 === lane)) await crash(change);
      }),
    );
    return { ...out, note: note(lost) };
  },
};
const note = (lost: Record<string, number>) =>
  Object.entries(lost)
    .map(([name, n]) => `${name}: ${n}`)
    .join('; ');

/** The whole browser ends, with all that it had not yet given to the disk. */
const browserKilled = (afterMs: number): Trial => ({
  name: `browser killed ${afterMs} ms after a change`,
  run: () =>
    withProfile(async (profile) => {
      const out = none();
      const lost: Record<string, number> = {};
      const seeded = await ownBrowser(profile);
      const first = await seeded.context.newPage();
      await first.goto(`${ORIGIN}/plan?id=choir-2-vanilla`);
      await first.getByTestId('word-serving').waitFor({ timeout: WAIT_MS });
      await wait(6000);
      await seeded.kill();
      for (let n = 0; n < times(30); n++) {
        const change = CHANGES[n % CHANGES.length]!;
        const one = await ownBrowser(profile);
        const page = await one.context.newPage();
        await page.goto(ORIGIN + change.at);
        await change.ready(page);
        const before = await records(page);
        await change.make(page, n);
        await wait(afterMs);
        await one.kill();
        const two = await ownBrowser(profile);
        const next = await two.context.newPage();
        await next.goto(`${ORIGIN}/plan`);
        out.tried += 1;
        if (await isBlank(next)) out.blank += 1;
        if (!(await holds(async () => change.kept(await records(next), n, before)))) {
          out.lost += 1;
          lost[change.name] = (lost[change.name] ?? 0) + 1;
        }
        await wait(300);
        await two.kill();
      }
      return { ...out, note: note(lost) };
    }),
});

/** Kinds that are tried beside each other; the others go the same way as one of these. */
const IN_PAIRS = [
  'a tap in the pot',
  'an amount typed',
  'an amount stepped',
  'a note, letter by letter',
  'a flaw of a batch',
  'a setting',
  'a tick in Prep',
];

/** Each kind stands in some fourteen of the pairs: eight rounds try it a hundred times. */
const ROUNDS = 8;

/** Pauses that were noted in any pot, and their ends. */
const tapsIn = (all: object) => JSON.stringify(all).split(/"kind":"(?:paused|resumed)"/).length;

/** Two tabs change at the same moment: the same thing in both, and different things. */
const twoTabs: Trial = {
  name: 'two tabs at once: one kind of change beside each kind',
  run: async ({ browser }) => {
    const out = none();
    const lost: Record<string, number> = {};
    const kinds = CHANGES.filter((c) => IN_PAIRS.includes(c.name));
    const pairs = kinds.flatMap((a) => kinds.map((b) => [a, b] as const));
    for (const [a, b] of Array.from({ length: times(ROUNDS) }, () => pairs).flat()) {
      // one thing set to two values by two hands can only be one of them
      if (a === b && a.name !== 'a tap in the pot') continue;
      // a step counts on what was typed, and what is typed is that figure
      if ([a, b].every((c) => c.name.startsWith('an amount'))) continue;
      const { context, page: first } = await kitchen(browser);
      await first.close();
      const [one, two] = [await context.newPage(), await context.newPage()];
      await Promise.all([one.goto(a.at), two.goto(b.at)]);
      await Promise.all([a.ready(one), b.ready(two)]);
      const before = await records(one);
      await Promise.all([a.make(one, 0), b.make(two, 0)]);
      out.tried += 2;
      const kept = (of: typeof a, all: Awaited<ReturnType<typeof records>>) =>
        a === b ? tapsIn(all) >= tapsIn(before) + 2 : of.kept(all, 0, before);
      for (const c of [a, b])
        if (!(await holds(async () => kept(c, await records(one))))) {
          out.lost += 1;
          lost[`${a.name} / ${b.name}`] = 1;
        }
      if ((await isBlank(one)) || (await isBlank(two))) out.blank += 1;
      await context.close();
    }
    return { ...out, note: note(lost) };
  },
};

/** Two tabs write different words into one note. */
const oneNote: Trial = {
  name: 'two tabs write into one note',
  run: async ({ browser }) => {
    const out = none();
    for (let n = 0; n < times(20); n++) {
      const { context, page: first } = await kitchen(browser);
      await first.close();
      const tabs = [await context.newPage(), await context.newPage()];
      for (const t of tabs) {
        await t.goto('/batch?id=b-coconut-1');
        await t.locator('textarea').waitFor({ timeout: WAIT_MS });
      }
      await Promise.all(
        tabs.map(async (t, i) => {
          await t.locator('textarea').focus();
          await t.keyboard.press(i ? 'Home' : 'End');
          await t.keyboard.type(i ? 'upper row cold ' : ' lower row warm', { delay: n * 3 });
        }),
      );
      out.tried += 2;
      const noted = async () => {
        const all = (await records(tabs[0]!)) as unknown as Record<string, { data: { found: { note: string } } }>;
        return all['batches/b-coconut-1']!.data.found.note;
      };
      await wait(600);
      const text = await noted();
      for (const words of [
        ['upper', 'cold'],
        ['lower', 'warm'],
      ])
        if (!words.every((w) => text.includes(w))) out.lost += 1;
      await context.close();
    }
    return out;
  },
};

/** The same amount is stepped in two tabs at nearly the same moment: both count, once each. */
const stepsTogether: Trial = {
  name: 'the same amount stepped in two tabs within 30 ms',
  run: async ({ browser }) => {
    const out = none();
    const { context, page: first } = await kitchen(browser);
    await first.close();
    const tabs = [await context.newPage(), await context.newPage()];
    for (const t of tabs) {
      await t.goto('/plan?id=choir-2-vanilla');
      await t.locator('[data-testid=amount-sugar] input').waitFor({ timeout: WAIT_MS });
    }
    const grams = async () => {
      const all = (await records(tabs[0]!)) as unknown as Record<
        string,
        { data: { things: { ingredientId: string; grams: number }[] } }
      >;
      return all['plans/choir-2-vanilla']!.data.things.find((i) => i.ingredientId === 'sugar')!.grams;
    };
    const random = randomLcg(0.37);
    const press = (t: (typeof tabs)[number], more: boolean, afterMs: number) =>
      t.evaluate(
        async ([which, ms]) => {
          await new Promise((ok) => setTimeout(ok, ms as number));
          document.querySelector<HTMLElement>(`[data-testid=amount-sugar] [aria-label^=${which}]`)!.click();
        },
        [more ? 'more' : 'less', afterMs],
      );
    // to a round figure, from which every step is a whole one
    await press(tabs[0]!, true, 0);
    await wait(600);
    let at = await grams();
    let stepG: number | undefined;
    for (let n = 0; n < times(100); n++) {
      const more = n % 2 === 0;
      await Promise.all(tabs.map((t) => press(t, more, random() * 30)));
      out.tried += 1;
      stepG ??= 5;
      const wanted = at + (more ? 2 : -2) * stepG;
      if (!(await holds(async () => Math.abs((await grams()) - wanted) < 0.01, 2000))) out.lost += 1;
      // and both show it
      const shown = () =>
        Promise.all(tabs.map((t) => t.locator('[data-testid=amount-sugar] input').inputValue().then(Number)));
      if (!(await holds(async () => (await shown()).every((g) => Math.abs(g - wanted) < 0.01), 2000))) out.unsaid += 1;
      at = await grams();
    }
    await context.close();
    return out;
  },
};

/** A note is typed in one tab while another one cooks: every letter that is shown is kept. */
const noteBesidePot: Trial = {
  name: 'letters of a note typed in one tab while another tab cooks',
  run: async ({ browser }) => {
    const out = none();
    const words =
      'The lower row by the door came out softer than the upper one, and whoever sat there asked for more of it again.';
    for (let n = 0; n < times(4); n++) {
      const { context, page: first } = await kitchen(browser);
      await first.close();
      const [desk, stove] = [await context.newPage(), await context.newPage()];
      await desk.goto('/batch?id=b-coconut-1');
      await stove.goto('/pot?cook=c-vanilla');
      await desk.locator('textarea').waitFor({ timeout: WAIT_MS });
      await CHANGES[0]!.ready(stove);
      let cooking = true;
      const cooks = (async () => {
        while (cooking) {
          await CHANGES[0]!.make(stove, 0);
          await wait(120);
        }
        // a trial that breaks off is said by its own row
      })().catch(() => undefined);
      await desk.locator('textarea').fill('');
      await desk.locator('textarea').pressSequentially(words, { delay: 15 + 25 * n, timeout: 120_000 });
      cooking = false;
      await cooks;
      out.tried += words.length;
      const noted = async () => {
        const all = (await records(desk)) as unknown as Record<string, { data: { found: { note: string } } }>;
        return all['batches/b-coconut-1']!.data.found.note;
      };
      if (!(await holds(async () => (await noted()) === words))) {
        const there = await noted();
        out.lost += [...words].filter((c, i) => there[i] !== c).length;
      }
      if ((await desk.locator('textarea').inputValue()) !== words) out.unsaid += 1;
      await context.close();
    }
    return out;
  },
};

/** Minutes that pages are left at work, and those after which their memory has to be flat. */
const MINUTES = Number(process.env['MINUTES'] ?? 20) * SHARE;
const SETTLED = MINUTES / 4;

/** The practice pot that is played and the live pot: what they hold in memory does not grow. */
const memory: Trial = {
  name: 'memory of a practice pot and a live pot',
  run: async ({ browser }) => {
    const out = none();
    const notes: string[] = [];
    const pages = await Promise.all(
      [
        ['practice', '/practice?do=slurry'],
        ['live', '/pot?cook=c-vanilla'],
      ].map(async ([name, at]) => {
        const { context, page } = await kitchen(browser);
        await page.goto(at!);
        if (name === 'practice') await page.getByTestId('play').click({ timeout: WAIT_MS });
        else await CHANGES[0]!.ready(page);
        const session = await context.newCDPSession(page);
        return { name: name!, context, session, mb: [] as number[] };
      }),
    );
    const looks = 9;
    for (let look = 0; look < looks; look++) {
      await wait((look ? (MINUTES - SETTLED) / (looks - 1) : SETTLED) * 60_000);
      for (const { session, mb } of pages) {
        await session.send('HeapProfiler.collectGarbage');
        const { usedSize } = await session.send('Runtime.getHeapUsage');
        mb.push(usedSize / 1e6);
      }
    }
    for (const { name, context, mb } of pages) {
      out.tried += 1;
      // a line through what was seen, in MB an hour
      const [x, mean] = [mb.map((_, i) => i - (looks - 1) / 2), mb.reduce((s, v) => s + v, 0) / looks];
      const slope = x.reduce((s, d, i) => s + d * (mb[i]! - mean), 0) / x.reduce((s, d) => s + d * d, 0);
      const perHour = (slope * (looks - 1) * 60) / (MINUTES - SETTLED);
      if (perHour > 3) out.lost += 1;
      notes.push(`${name} ${mb[0]!.toFixed(1)} to ${mb.at(-1)!.toFixed(1)} MB, ${perHour.toFixed(1)} MB an hour`);
      await context.close();
    }
    return { ...out, note: notes.join('; ') };
  },
};

/** Texts that are made to take long are read, or refused, within a second. */
const texts: Trial = {
  name: 'hostile texts of 50 kB, read as a recipe',
  run: async () => {
    const out = none();
    let slowest = 0;
    const pantry = pantryWith();
    for (let n = 0; n < times(10_000); n++) {
      const text = hostileText(n, 50_000, 0.41);
      const fromMs = performance.now();
      out.tried += 1;
      try {
        readRecipe(text, pantry, { system: 'metric', eggSize: 'eu M' });
      } catch {
        out.blank += 1;
      }
      const ms = performance.now() - fromMs;
      if (ms > 1000) out.lost += 1;
      slowest = Math.max(slowest, ms);
    }
    return { ...out, note: `slowest ${Math.round(slowest)} ms` };
  },
};

/** The clock goes forward, back, over midnight, over the hour that comes twice. */
const clock: Trial = {
  name: 'clock set, midnight, hour that changes, zone that changes, while a pot is on',
  run: async ({ browser }) => {
    const out = none();
    const starts = ['2026-12-11T12:00:00Z', '2026-12-11T23:59:30Z', '2026-10-25T00:59:30Z', '2026-03-29T00:59:30Z'];
    const jumpsMs = [3_600_000, -3_600_000, 86_400_000, -86_400_000, 90_000];
    for (const from of starts)
      for (const jump of jumpsMs) {
        const context = await browser.newContext({
          baseURL: ORIGIN,
          timezoneId: jump > 0 ? 'Europe/Lisbon' : 'Pacific/Auckland',
        });
        const page = await context.newPage();
        await page.clock.install({ time: new Date(from) });
        await page.goto('/pot?cook=c-vanilla');
        await page.getByTestId('instruction').first().waitFor({ timeout: WAIT_MS });
        const before = await records(page);
        await CHANGES[0]!.make(page, 0);
        await page.clock.setSystemTime(new Date(Date.parse(from) + jump));
        await page.clock.runFor(5000);
        out.tried += 1;
        if (await isBlank(page)) out.blank += 1;
        const kept = await holds(async () => CHANGES[0]!.kept(await records(page), 0, before));
        if (!kept) out.lost += 1;
        // a day later nobody can be standing at it: then it is asked what became of it
        const told = page.getByTestId('instruction').or(page.getByTestId('left-alone'));
        if (!(await told.first().isVisible())) out.unsaid += 1;
        await context.close();
      }
    return out;
  },
};

/** A volume that is really full: nothing that was kept goes, what is not kept is said and can be exported. */
const full: Trial = {
  name: 'the disk is full: a volume of 3 GB',
  run: async () => {
    const out = none();
    const at = mkdtempSync(path.join(tmpdir(), 'volume-'));
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=3g', 'tmpfs', at]);
    if (mounted.status !== 0) return { ...out, note: 'not tried: this machine mounts no volume' };
    try {
      for (let n = 0; n < times(6); n++) {
        const one = await ownBrowser(`${at}/p${n}`);
        const page = await one.context.newPage();
        await page.goto(`${ORIGIN}/plan?id=choir-2-vanilla`);
        await page.getByTestId('word-serving').waitFor({ timeout: WAIT_MS });
        await wait(2000);
        const before = Object.keys(await records(page)).filter(
          (k) => k.startsWith('plans/') || k.startsWith('batches/'),
        );
        spawnSync('dd', ['if=/dev/zero', `of=${at}/full`, 'bs=1M'], { stdio: 'ignore' });
        const change = CHANGES[1]!;
        for (let i = 0; i < 40; i++) await change.make(page, 100 + i);
        out.tried += 1;
        const told = await says(page, /Not saved|not saved/, 8000);
        const there = await page.evaluate(
          () => document.querySelector<HTMLInputElement>('[data-testid=amount-sugar] input')?.value,
        );
        const kept = (await records(page).catch(() => undefined)) as
          Record<string, { data: { things: { ingredientId: string; grams: number }[] } }> | undefined;
        const inStore =
          kept?.['plans/choir-2-vanilla']?.data.things.find((i) => i.ingredientId === 'sugar')?.grams === 179;
        if (!told && !inStore) out.unsaid += 1;
        if (there !== '179') out.lost += 1;
        spawnSync('rm', ['-f', `${at}/full`]);
        const next = await one.context.newPage();
        await next.goto(`${ORIGIN}/plan`);
        if (await isBlank(next)) out.blank += 1;
        const after = Object.keys(await records(next));
        if (before.some((k) => !after.includes(k))) out.lost += 1;
        await one.kill();
        spawnSync('rm', ['-rf', `${at}/p${n}`]);
      }
    } finally {
      // one that a trial left when it stopped
      spawnSync('pkill', ['-9', '-f', at]);
      spawnSync('umount', ['-l', at]);
      rmSync(at, { recursive: true, force: true });
    }
    return out;
  },
};

/** The database is taken away under the app, held by somebody, or written by a later version. */
const database: Trial = {
  name: 'database deleted while open, of a later version, refused',
  run: async ({ browser }) => {
    const out = none();
    for (let n = 0; n < times(4); n++) {
      // deleted while open
      const { context, page } = await kitchen(browser);
      const other = await context.newPage();
      await other.goto('/healthz');
      await other.evaluate(
        () =>
          new Promise<void>((ok) => {
            const r = indexedDB.deleteDatabase('ovalis-choir');
            r.onsuccess = r.onblocked = r.onerror = () => ok();
            setTimeout(ok, 3000);
          }),
      );
      await CHANGES[1]!.make(page, n);
      out.tried += 1;
      if (await isBlank(page)) out.blank += 1;
      await wait(1500);
      await page.reload();
      if (await isBlank(page)) out.blank += 1;
      const there = async () => CHANGES[1]!.kept(await records(page), n, {});
      if (!(await holds(there, 3000)) && !(await says(page, /A kitchen was kept here|did not open/))) out.unsaid += 1;
      await context.close();

      // of a later version
      const later = await browser.newContext({ baseURL: ORIGIN });
      const p = await later.newPage();
      await p.goto('/healthz');
      await p.evaluate(
        () =>
          new Promise<void>((ok) => {
            const r = indexedDB.open('ovalis-choir', 99);
            r.onupgradeneeded = () => r.result.createObjectStore('entries');
            r.onsuccess = () => {
              r.result.close();
              ok();
            };
          }),
      );
      await p.goto('/plan');
      out.tried += 1;
      if (!(await says(p, /did not open/, 10_000))) out.unsaid += 1;
      if (await isBlank(p)) out.blank += 1;
      await later.close();

      // refused
      const shut = await browser.newContext({ baseURL: ORIGIN });
      await shut.addInitScript(() => {
        IDBFactory.prototype.open = () => {
          throw new DOMException('no', 'SecurityError');
        };
      });
      const q = await shut.newPage();
      await q.goto('/book');
      out.tried += 1;
      if (!(await says(q, /did not open/, 10_000))) out.unsaid += 1;
      if (await isBlank(q)) out.blank += 1;
      await shut.close();
    }
    return out;
  },
};

/** Small notes refused: the rooms open all the same. */
const local: Trial = {
  name: 'local storage refused, in every room',
  run: async ({ browser }) => {
    const out = none();
    const context = await browser.newContext({ baseURL: ORIGIN });
    await context.addInitScript(() =>
      Object.defineProperty(window, 'localStorage', {
        get: () => {
          throw new DOMException('no', 'SecurityError');
        },
      }),
    );
    const page = await context.newPage();
    for (const room of [
      '/plan',
      '/day',
      '/prep',
      '/pot?cook=c-vanilla',
      '/set',
      '/book',
      '/batch?id=b-coconut-1',
      '/rescue',
      '/settings',
      '/recipe',
      '/shopping',
      '/lining',
      '/compare',
    ]) {
      await page.goto(room);
      out.tried += 1;
      if (await isBlank(page)) out.blank += 1;
    }
    await context.close();
    return out;
  },
};

/** The model's worker ends, throws when it is loaded, or is never there. */
const model: Trial = {
  name: 'model ended while cooking, throws, does not load',
  run: async ({ browser }) => {
    const out = none();
    for (let n = 0; n < times(8); n++) {
      const { context, page } = await kitchen(browser);
      await page.goto('/pot?cook=c-vanilla');
      await page.getByTestId('instruction').first().waitFor({ timeout: WAIT_MS });
      await page.evaluate(() => {
        const w = window as unknown as { said?: boolean };
        new MutationObserver(() => (w.said ||= /The model has stopped/.test(document.body.innerText))).observe(
          document.body,
          { subtree: true, childList: true, characterData: true },
        );
      });
      await wait(1500);
      await page.workers()[0]!.evaluate(() => self.close());
      out.tried += 1;
      if (!(await holds(() => page.evaluate(() => (window as unknown as { said?: boolean }).said === true), 5000)))
        out.unsaid += 1;
      const before = await records(page);
      await CHANGES[0]!.make(page, 0);
      if (!(await holds(async () => CHANGES[0]!.kept(await records(page), 0, before)))) out.lost += 1;
      if (!(await holds(async () => !(await page.getByText(/The model has stopped/).isVisible()), 15_000)))
        out.blank += 1;
      await context.close();
    }
    for (const body of ['throw new Error("broken")', undefined]) {
      const { context, page } = await kitchen(browser);
      await context.route(/model.*\.js/, (r) =>
        body === undefined ? r.abort() : r.fulfill({ body, contentType: 'text/javascript' }),
      );
      await page.goto('/pot?cook=c-vanilla');
      out.tried += 1;
      if (!(await says(page, /The model/, 15_000))) out.unsaid += 1;
      if (await isBlank(page)) out.blank += 1;
      await context.close();
    }
    return out;
  },
};

/** A new version of the app comes, and the server goes, while a pot is on. */
const served: Trial = {
  name: 'app updated, server away and back, while cooking',
  run: async ({ browser, server }) => {
    const out = none();
    for (let n = 0; n < times(6); n++) {
      const { context, page } = await kitchen(browser);
      await page.evaluate(async () => void (await navigator.serviceWorker.ready));
      await page.goto('/pot?cook=c-vanilla');
      await page.getByTestId('instruction').first().waitFor({ timeout: WAIT_MS });
      await context.route('**/sw.js', async (r) => {
        const was = await r.fetch();
        await r.fulfill({ response: was, body: `${await was.text()}\n// changed ${n}` });
      });
      await page.evaluate(
        async () => void (await (await navigator.serviceWorker.ready).update().catch(() => undefined)),
      );
      await server.down();
      const before = await records(page);
      await CHANGES[0]!.make(page, n);
      out.tried += 1;
      if (!(await holds(async () => CHANGES[0]!.kept(await records(page), n, before)))) out.lost += 1;
      for (const room of ['/book', '/plan', '/pot?cook=c-vanilla']) {
        await page.goto(room).catch(() => undefined);
        out.tried += 1;
        if (await isBlank(page)) out.blank += 1;
      }
      await server.up();
      await page.reload();
      if (await isBlank(page)) out.blank += 1;
      await context.close();
    }
    return out;
  },
};

/** Files that are broken by a hand that knows them: nothing throws, nothing is polluted, nothing takes long. */
const files: Trial = {
  name: 'hostile files, read as the import reads them',
  run: async () => {
    const out = none();
    const random = randomLcg(0.71);
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
    const demo = choirSupper(Date.UTC(2026, 11, 11, 12), 0);
    const texts = {};
    const good = [
      writeKitchenFile(demo),
      writePlanFile(demo.plans[0]!),
      writeBatchFile(demo.batches[0]!),
      tableOf('book', texts),
      tableOf('log', texts),
    ];
    const bad = [
      'null',
      '{}',
      '[]',
      '-1e308',
      '1e999',
      '""',
      '"__proto__"',
      'true',
      `"${'x'.repeat(5000)}"`,
      '[[[[[[]]]]]]',
      '{"__proto__":{"polluted":1}}',
      '"2026-13-45T99:99:99Z"',
      '\\u0000',
    ];
    let slowest = 0;
    for (let i = 0; i < times(10_000); i++) {
      let text = pick(good);
      for (let k = 1 + Math.floor(random() * 4); k > 0; k--) {
        const at = Math.floor(random() * text.length);
        const kind = random();
        if (kind < 0.3) text = text.slice(0, at);
        else if (kind < 0.6)
          text = text.replace(/: ?("[^"]*"|[\d.]+|true|false)/g, (m) => (random() < 0.01 ? `: ${pick(bad)}` : m));
        else if (kind < 0.8) text = text.slice(0, at) + pick(bad) + text.slice(at);
        else text = text.slice(0, at) + text.slice(at + Math.floor(random() * 200));
      }
      const fromMs = performance.now();
      out.tried += 1;
      try {
        const read = readIncoming(text, texts);
        if (!read.ok && !read.issues[0]?.path) out.unsaid += 1;
      } catch {
        out.blank += 1;
      }
      slowest = Math.max(slowest, performance.now() - fromMs);
      if (({} as { polluted?: number }).polluted !== undefined) out.lost += 1;
    }
    return { ...out, note: `slowest ${Math.round(slowest)} ms` };
  },
};

/** A phone four times slower, and a thumb that does not wait. */
const thumbs: Trial = {
  name: 'fast thumb on a phone four times slower, two amounts in turn',
  run: async ({ browser }) => {
    const out = none();
    for (const everyMs of [0, 30, 80, 150]) {
      const { context, page } = await kitchen(browser);
      const cdp = await context.newCDPSession(page);
      await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
      const grams = async () => {
        const all = (await records(page)) as unknown as Record<
          string,
          { data: { things: { ingredientId: string; grams: number }[] } }
        >;
        const of = (id: string) => all['plans/choir-2-vanilla']!.data.things.find((i) => i.ingredientId === id)!.grams;
        return [of('cornstarch'), of('sugar')] as const;
      };
      const before = await grams();
      const taps = times(20);
      await page.evaluate(
        async ([n, ms]) => {
          const key = (id: string) =>
            document.querySelector<HTMLElement>(`[data-testid=amount-${id}] [aria-label^=more]`)!;
          for (let i = 0; i < n!; i++) {
            key(i % 2 ? 'sugar' : 'cornstarch').click();
            await new Promise((ok) => setTimeout(ok, ms));
          }
        },
        [taps, everyMs],
      );
      await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      await wait(2500);
      const after = await grams();
      out.tried += taps;
      // the first tap goes to the next round step, every other is a whole one: at least so many less one each
      const made = [after[0] - before[0], after[1] - before[1]].map((d) => Math.round(d));
      for (const [i, d] of made.entries()) out.lost += Math.max(0, Math.floor((taps + 1 - i) / 2) - Math.ceil(d));
      if (await isBlank(page)) out.blank += 1;
      await context.close();
    }
    return out;
  },
};

export const TRIALS: readonly Trial[] = [
  renderer,
  browserKilled(50),
  browserKilled(500),
  twoTabs,
  stepsTogether,
  oneNote,
  noteBesidePot,
  clock,
  full,
  database,
  local,
  model,
  served,
  files,
  texts,
  thumbs,
];
/** It takes its time and little else: it goes on beside the others. */
export const BESIDE: readonly Trial[] = [memory];
export const asRow = (name: string, o: Outcome) =>
  `| ${name} | ${o.tried} | ${o.lost} | ${o.blank} | ${o.unsaid} | ${o.note ?? ''} |`;

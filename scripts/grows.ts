/** npm run grows: a kitchen of many winters in a real browser, and how long its cook waits. */
import type { Page } from '@playwright/test';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { bigKitchenText, MANY_WINTERS } from './bigKitchen';
import { withApp } from './served';

const PORT = 4194;
/** from one room to the other */
const WALKS = 20;
const NOW = Date.now();
const root = path.join(__dirname, '..');
const line = (name: string, value: string) => console.log(`${name.padEnd(58)} ${value}`);
const ms = (n: number) => `${Math.round(n)} ms`;

/** ms until `what` is on the page, from the click or the address that asks for it. */
async function until(page: Page, act: () => Promise<unknown>, what: string, limitMs = 120_000): Promise<number> {
  const fromMs = performance.now();
  await act();
  await page.waitForSelector(what, { timeout: limitMs, state: 'attached' });
  return performance.now() - fromMs;
}

/** Longest time that the page did nothing else, ms, since it was last asked. */
const blocked = (page: Page) =>
  page.evaluate(() => {
    const w = window as unknown as { long?: number };
    const was = w.long ?? 0;
    w.long = 0;
    return was;
  });

const nodes = (page: Page) => page.evaluate(() => document.querySelectorAll('*').length);

async function main() {
  const { batches, plans, cooks, cookEvents } = MANY_WINTERS;
  line(
    'machine',
    `${cpus().length} x ${cpus()[0]?.model}; ${batches} batches, ${plans} plans, ${cooks} cooks of ${cookEvents}`,
  );
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'kitchen-')), 'winters.json');
  const text = bigKitchenText(NOW);
  writeFileSync(file, text);
  line('kitchen file', `${(text.length / 1e6).toFixed(1)} MB`);
  await withApp(root, PORT, async (browser, origin) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await page.addInitScript(() => {
      new PerformanceObserver((list) => {
        const w = window as unknown as { long?: number };
        for (const e of list.getEntries()) w.long = Math.max(w.long ?? 0, e.duration);
      }).observe({ entryTypes: ['longtask'] });
    });
    await page.goto(`${origin}/settings`);
    const confirm = '[data-testid=confirm]';
    await page.waitForSelector('input[type=file]', { state: 'attached' });
    await page.waitForTimeout(6000);
    await blocked(page);
    const read = await until(page, () => page.locator('input[type=file]').first().setInputFiles(file), confirm);
    line('import: read and looked through', `${ms(read)}, longest task ${ms(await blocked(page))}`);
    const put = await until(page, () => page.click(confirm), 'text=Done.');
    line('import: put in place', `${ms(put)}, longest task ${ms(await blocked(page))}`);
    const fromMs = performance.now();
    const [saved] = await Promise.all([
      page.waitForEvent('download', { timeout: 120_000 }),
      page.getByRole('button', { name: 'Export everything' }).click(),
    ]);
    await saved.path();
    line('export', `${ms(performance.now() - fromMs)}, longest task ${ms(await blocked(page))}`);

    const row = '[role=link][aria-label*="pudding"]';
    const shell = await until(page, () => page.goto(`${origin}/lining`), 'h1');
    line('a page with nothing of it, opened', ms(shell));
    line('book, opened: first rows', ms(await until(page, () => page.goto(`${origin}/book`), row)));
    await page.goto(`${origin}/settings`);
    await page.getByText('Book as CSV').waitFor();
    await page.waitForTimeout(2000);
    await blocked(page);
    const walked = await page.evaluate(async (sel) => {
      const from = performance.now();
      document.querySelector<HTMLElement>('[role=navigation] a[href^="/book"]')!.click();
      while (!document.querySelector(sel)) await new Promise((ok) => requestAnimationFrame(ok));
      return performance.now() - from;
    }, row);
    await page.waitForTimeout(2000);
    line(
      'book, from another room: first rows',
      `${ms(walked)}, longest task ${ms(await blocked(page))}, ${await nodes(page)} nodes`,
    );
    const search = await page.evaluate(async () => {
      const box = document.querySelector<HTMLInputElement>('input[type=search], input[inputmode=search]')!;
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      const from = performance.now();
      set.call(box, 'supper 1999');
      box.dispatchEvent(new Event('input', { bubbles: true }));
      while (
        document.querySelectorAll('[role=link][aria-label*="pudding"], [role=link][aria-label*="cups"]').length > 2
      )
        await new Promise((ok) => requestAnimationFrame(ok));
      return performance.now() - from;
    });
    line('book: search', ms(search));

    const pot = `${origin}/pot?cook=c-vanilla`;
    line('pot, a cook of the demo: opened', ms(await until(page, () => page.goto(pot), '[data-testid=instruction]')));
    const long = `${origin}/pot?cook=winter-c0`;
    line(
      'pot, a cook of 500 events: step shown',
      ms(await until(page, () => page.goto(long), '[data-testid=instruction]')),
    );
    const live = await until(page, () => Promise.resolve(), '[role=list][aria-label="Margins"]');
    line(
      'pot, a cook of 500 events: first live answer after that',
      `${ms(live)}, longest task ${ms(await blocked(page))}`,
    );
    const taps = await page.evaluate(async () => {
      const times: number[] = [];
      for (let i = 0; i < 5; i++) {
        const key = [...document.querySelectorAll<HTMLElement>('[role=button]')].find((b) =>
          /steams|thicken|bubble/i.test(b.textContent ?? ''),
        );
        if (!key) break;
        const set = Storage.prototype.setItem;
        let downMs = NaN;
        Storage.prototype.setItem = function (k: string, v: string) {
          set.call(this, k, v);
          if (k.includes('ovalis-noted/') && Number.isNaN(downMs)) downMs = performance.now();
        };
        const from = performance.now();
        key.click();
        Storage.prototype.setItem = set;
        times.push(downMs - from);
        await new Promise((ok) => setTimeout(ok, 1500));
      }
      return times;
    });
    line('pot, a cook of 500 events: a tap down', taps.map(ms).join(', ') || 'no key found');
    line('pot: longest task meanwhile', ms(await blocked(page)));
    const cdp = await context.newCDPSession(page);
    const heapMB = async () => {
      await cdp.send('HeapProfiler.collectGarbage');
      return page.evaluate(
        () => (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize / 1e6,
      );
    };
    const walk = (room: string) =>
      page.evaluate(
        (href) => document.querySelector<HTMLElement>(`[role=navigation] a[href^="${href}"]`)!.click(),
        room,
      );
    await page.goto(`${origin}/book`);
    const heaps: number[] = [];
    for (let round = 0; round < 3; round++) {
      for (let i = 0; i < WALKS; i++) {
        await walk(i % 2 ? '/book' : '/plan');
        await page.waitForTimeout(400);
      }
      heaps.push(await heapMB());
    }
    line(`heap after each ${WALKS} walks between Book and Plan`, heaps.map((h) => `${Math.round(h)} MB`).join(', '));
  });
}

void main();

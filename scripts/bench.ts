/** npm run bench: the figures that the notes quote. Medians; the machine is said first. */
import { chromium, type Browser } from '@playwright/test';
import { cpus } from 'node:os';
import { spawn } from 'node:child_process';
import { gzipSync } from 'node:zlib';
import path from 'node:path';
import { median } from 'simple-statistics';
import { forecast } from '../core/forecast';
import { newPlan } from '../core/formula/newPlan';
import { solveStarch } from '../core/formula/solve';
import { pantryWith } from '../core/pantry/pantry';
import { runMethod } from '../core/run';

const PORT = 4193;
const root = path.join(__dirname, '..');
/** the runner of this script names functions by a helper that the page does not have */
const KEEP_NAMES = 'globalThis.__name = (f) => f';
const line = (name: string, value: string) => console.log(`${name.padEnd(58)} ${value}`);

function timed(runs: number, work: () => unknown): number {
  for (let i = 0; i < 5; i++) work();
  return median(
    Array.from({ length: runs }, () => {
      const t = performance.now();
      work();
      return performance.now() - t;
    }),
  );
}

function core() {
  const pantry = pantryWith();
  const plan = newPlan(
    { id: 'b', name: 'Bench', milkId: 'milk_whole', people: 6, portionG: 130, serveAt: '2026-12-12T19:30:00Z' },
    pantry,
  );
  const cook = timed(60, () => runMethod(plan, pantry));
  line('one cook of the pot (about 11 min)', `${cook.toFixed(1)} ms, ${Math.round(1000 / cook)} cooks/s`);
  line('whole forecast with its doubt', `${timed(30, () => forecast(plan, pantry)).toFixed(1)} ms`);
  line('solved for a word', `${timed(30, () => solveStarch(plan, pantry)).toFixed(1)} ms`);
}

async function paints(browser: Browser, viewport: { width: number; height: number }, slow: number) {
  const paint: number[] = [];
  const heading: number[] = [];
  for (let i = 0; i < 5; i++) {
    const context = await browser.newContext({ viewport, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.addInitScript(KEEP_NAMES);
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: slow });
    await page.addInitScript(() => {
      const seen = () => {
        const h = document.querySelector('h1');
        if (h?.textContent && h.getBoundingClientRect().height > 0)
          (window as unknown as { headingAt: number }).headingAt ??= performance.now();
        else requestAnimationFrame(seen);
      };
      requestAnimationFrame(seen);
    });
    await page.goto(`http://localhost:${PORT}/plan`, { waitUntil: 'load' });
    await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0);
    const figures = await page.evaluate(() => ({
      paint: performance.getEntriesByName('first-contentful-paint')[0]!.startTime,
      heading: (window as unknown as { headingAt: number }).headingAt,
    }));
    paint.push(figures.paint);
    heading.push(figures.heading);
    await context.close();
  }
  return { paint: Math.round(median(paint)), heading: Math.round(median(heading)) };
}

async function browserFigures() {
  const server = spawn(process.execPath, [path.join(root, '.cache/server/main.js')], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu'],
  });
  try {
    for (let i = 0; i < 50 && !(await fetch(`http://localhost:${PORT}/healthz`).catch(() => undefined)); i++)
      await new Promise((ok) => setTimeout(ok, 100));
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.addInitScript(KEEP_NAMES);
    const sizes = new Map<string, number>();
    page.on('response', async (r) => {
      const body = await r.body().catch(() => undefined);
      if (body) sizes.set(new URL(r.url()).pathname, r.url().endsWith('.woff2') ? body.length : gzipSync(body).length);
    });
    await page.goto(`http://localhost:${PORT}/plan?id=choir-2-vanilla`);
    const word = page.getByTestId('word-serving');
    await word.waitFor({ timeout: 30_000 });
    await page.waitForLoadState('networkidle');
    const kb = (match: RegExp) =>
      Math.round([...sizes].filter(([url]) => match.test(url)).reduce((s, [, n]) => s + n, 0) / 1024);
    line(
      'first screen, gzip',
      `page ${kb(/plan$/)} KB, scripts ${kb(/\.js$/)} KB (the model's worker among them ${kb(/model-.*\.js$/)}), css ${kb(/\.css$/)} KB, fonts ${kb(/woff2$/)} KB`,
    );

    const starch = page.getByTestId('amount-cornstarch').getByRole('textbox');
    const toAnswer: number[] = [];
    for (let i = 0; i < 12; i++) {
      const grams = i % 2 ? 10 : 90;
      const before = await word.textContent();
      const t = await page.evaluate(() => performance.now());
      await starch.fill(String(grams));
      const done = await page.evaluate(
        (old) =>
          new Promise<number>((ok) => {
            const look = () =>
              document.querySelector('[data-testid=word-serving]')?.textContent !== old
                ? ok(performance.now())
                : requestAnimationFrame(look);
            look();
          }),
        before,
      );
      toAnswer.push(done - t);
    }
    line(
      'amount changed to the new forecast on screen',
      `${Math.round(median(toAnswer))} ms (most ${Math.round(Math.max(...toAnswer))})`,
    );
    await context.close();
    for (const [name, viewport] of [
      ['phone', { width: 390, height: 844 }],
      ['wide', { width: 1280, height: 800 }],
    ] as const)
      for (const slow of [1, 4]) {
        const p = await paints(browser, viewport, slow);
        line(`cold load, ${name}, CPU ${slow} x slower`, `first paint ${p.paint} ms, heading ${p.heading} ms`);
      }
  } finally {
    await browser.close();
    server.kill();
  }
}

console.log(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model ?? 'unknown processor'}`);
core();
void browserFigures();

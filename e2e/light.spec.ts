import { gzipSync } from 'node:zlib';
import { BOTH_SIZES, expect, openAt, openPlan, test } from './kitchen';

/** Bytes, packed, of an app with nothing in it of the same packages (`npm run bench` builds it); the first screen may have 1.3 of it. */
const EMPTY_APP_BYTES = 431_500;

test('the first screen fetches no more than a third beyond an empty app', async ({ watched: page }) => {
  const scripts = new Map<string, number>();
  page.on('response', async (r) => {
    const { pathname } = new URL(r.url());
    if (pathname.endsWith('.js') && !pathname.includes('/model-'))
      scripts.set(pathname, gzipSync(await r.body()).length);
  });
  await openPlan(page);
  await expect(page.getByTestId('row-portions')).toBeVisible();
  const named = await page.evaluate(() =>
    [...document.scripts].filter((s) => s.src).map((s) => new URL(s.src).pathname),
  );
  await expect.poll(() => named.filter((n) => !scripts.has(n))).toEqual([]);
  expect(scripts.size).toBeGreaterThan(3);
  expect([...scripts.values()].reduce((sum, n) => sum + n, 0)).toBeLessThan(1.3 * EMPTY_APP_BYTES);
});

test('nothing moves while a room comes', BOTH_SIZES, async ({ watched: page }) => {
  await page.addInitScript(() => {
    const seen = globalThis as unknown as { shift: number };
    seen.shift = 0;
    new PerformanceObserver((list) => {
      for (const e of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!e.hadRecentInput) seen.shift += e.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (const [path, there] of [
    ['/plan?id=choir-2-vanilla', 'row-portions'],
    ['/pot?cook=c-vanilla', 'between'],
    ['/book', 'advice'],
    ['/day', 'lanes'],
    ['/prep', 'weigh-out'],
  ] as const) {
    await openAt(page, path);
    await expect(page.getByTestId(there)).toBeVisible();
    await page.waitForTimeout(1500);
    const shift = await page.evaluate(() => (globalThis as unknown as { shift: number }).shift);
    expect(shift, path).toBeLessThan(0.02);
  }
});

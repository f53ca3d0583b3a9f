import { expect, test as base, type BrowserContext, type Page } from '@playwright/test';

/** Where the tests find the app. */
export const PORT = Number(process.env['E2E_PORT'] ?? 4183);
const BASE = `http://localhost:${PORT}`;

/** Noon before the supper; the clock is the browser's own, moved by the test. */
export const NOON = new Date('2026-12-11T12:00:00Z');

type Stored = Awaited<ReturnType<BrowserContext['storageState']>>;

/**
 * Every test starts from the kitchen that a first visit at noon leaves behind, made once a worker; `firstVisit` begins
 * without. Every test watches the page: no error in the console, no page error, and nothing asked of another host.
 */
export const test = base.extend<{ watched: Page; firstVisit: boolean }, { demo: Stored }>({
  firstVisit: [false, { option: true }],
  demo: [
    async ({ browser }, provide) => {
      const context = await browser.newContext({ baseURL: BASE, locale: 'en-GB', timezoneId: 'Europe/Lisbon' });
      const page = await context.newPage();
      await openPlan(page);
      // what was made is down before it is read
      await expect
        .poll(async () => (await context.storageState({ indexedDB: true })).origins.length)
        .toBeGreaterThan(0);
      await page.goto('/book');
      await expect(page.getByTestId('advice')).toBeVisible();
      const stored = await context.storageState({ indexedDB: true });
      await context.close();
      await provide(stored);
    },
    { scope: 'worker' },
  ],
  storageState: async ({ demo, firstVisit }, provide) => provide(firstVisit ? undefined : demo),
  watched: async ({ page, context, baseURL }, provide) => {
    const wrong: string[] = [];
    const watch = (p: Page) => {
      p.on('console', (m) => m.type() === 'error' && !/404 \(Not Found\)/.test(m.text()) && wrong.push(m.text()));
      p.on('pageerror', (e) => wrong.push(e.message));
    };
    watch(page);
    context.on('page', watch);
    context.on('request', (r) => {
      const url = r.url();
      if (!url.startsWith(baseURL!) && !/^(data|blob):/.test(url)) wrong.push(`asked another host: ${url}`);
    });
    await provide(page);
    expect(wrong).toEqual([]);
  },
});
export { expect };

/** For what depends on the size of the screen: run on the wide one too. All else runs once; look.spec looks at each view in all. */
export const BOTH_SIZES = { tag: '@both-sizes' };

export async function openAt(page: Page, path: string, time: Date = NOON) {
  await page.clock.install({ time });
  await page.goto(path);
}

/** The plan room with its demo, answered. */
export async function openPlan(page: Page, id = 'choir-2-vanilla', time: Date = NOON) {
  await openAt(page, `/plan?id=${id}`, time);
  await expect(page.getByTestId('word-serving')).toBeVisible();
}

export const amount = (page: Page, ingredient: string) => page.getByTestId(`amount-${ingredient}`).getByRole('textbox');
export const more = (page: Page, ingredient: string) =>
  page.getByTestId(`amount-${ingredient}`).getByRole('button', { name: /^more/ });

/** The guided moments of turning out or cutting, where they are open. */
export async function throughUnmoulding(page: Page) {
  const next = page.getByTestId('unmould-next');
  const done = page.getByTestId('unmould-done');
  for (let i = 0; i < 6 && (await next.count()); i++) await next.click();
  if (await done.count()) await done.click();
}

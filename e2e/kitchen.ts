import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test';

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

/** Taps it if it is there; what goes in that moment is not waited for. */
export const tapIfThere = async (what: Locator) => {
  if (await what.count()) await what.click({ timeout: 10_000 }).catch(() => undefined);
};

/** s that the face of the pot counts, read in one look; nothing where it counts none */
export async function secondsLeft(page: Page): Promise<number | undefined> {
  const [face] = await page.getByTestId('step-time').allInnerTexts();
  const s = face?.split(':').reduce((sum, x) => 60 * sum + Number(x), 0);
  return Number.isFinite(s) ? s : undefined;
}

/** Cooks the plan that is open as the model expects it, step by step, into the Set room. @returns the orders in their turn */
export async function cookThrough(page: Page, look?: () => Promise<void>): Promise<string[]> {
  const orders: string[] = [];
  const poured = page.getByRole('button', { name: 'See it set' });
  await page.getByTestId('cook').click();
  await expect(page).toHaveURL(/\/pot\?cook=/);
  const instruction = page.getByTestId('instruction').first();
  for (let i = 0; i < 40; i++) {
    await expect(instruction.or(poured)).toBeVisible();
    if (await poured.isVisible()) break;
    // the step itself: the face may say first what its ring wants
    orders.push((await page.getByTestId('told').innerText()).split('.')[0]!);
    await look?.();
    await page.clock.fastForward(1000 * Math.max(20, Math.min(3600, (await secondsLeft(page)) ?? 30)));
    await page.getByTestId('step-done').click();
    await expect(
      page
        .getByText(new RegExp(`^step ${i + 2} of`))
        .or(poured)
        .first(),
    ).toBeVisible();
  }
  await poured.click();
  await expect(page).toHaveURL(/\/set/);
  await expect(page.getByTestId('ready-at')).toBeVisible();
  return orders;
}

/** The guided moments of turning out or cutting, where they are open. */
export async function throughUnmoulding(page: Page) {
  const next = page.getByTestId('unmould-next');
  const done = page.getByTestId('unmould-done');
  for (let i = 0; i < 6 && (await next.count()); i++) await tapIfThere(next);
  await tapIfThere(done);
}

/** Taps that the page has had, over all its rooms. */
export async function countTaps(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    addEventListener(
      'click',
      (e) => e.isTrusted && sessionStorage.setItem('taps', String(Number(sessionStorage.getItem('taps') ?? 0) + 1)),
      true,
    );
  });
  return () => page.evaluate(() => Number(sessionStorage.getItem('taps') ?? 0));
}
/** As many taps as a recipe of a cook's own may cost beside its typing. */
export const MOST_TAPS = 25;

/** From the set dish to its line in the book. */
export async function writeDown(page: Page, name: RegExp) {
  const act = page.getByTestId('set-act');
  for (let i = 0; i < 4 && !page.url().includes('/batch'); i++) {
    await act.click();
    await throughUnmoulding(page);
    await page.waitForTimeout(200);
  }
  await expect(page).toHaveURL(/\/batch/);
  await page.getByRole('button', { name: 'Book' }).first().click();
  await expect(page.getByRole('link', { name }).first()).toBeVisible();
}

import { expect, test as base, type Page } from '@playwright/test';

/** Noon before the supper; the clock is the browser's own, moved by the test. */
export const NOON = new Date('2026-12-11T12:00:00Z');

/**
 * Every test watches the page: no error in the console, no page error, and nothing asked of another host.
 */
export const test = base.extend<{ watched: Page }>({
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

/** For tests that do not depend on the theme: run by day. The projects read the tags. */
export const ONCE_A_SIZE = { tag: '@once-a-size' };
/** For tests that depend on neither size nor theme: run on the phone by day. */
export const ONCE = { tag: '@once' };

export async function openAt(page: Page, path: string, time: Date = NOON) {
  await page.clock.install({ time });
  await page.goto(path);
}

/** The plan room with its demo, answered. */
export async function openPlan(page: Page, id = 'choir-2-vanilla', time: Date = NOON) {
  await openAt(page, `/plan?id=${id}`, time);
  await expect(page.getByTestId('word-serving')).toBeVisible({ timeout: 30_000 });
}

export const amount = (page: Page, ingredient: string) => page.getByTestId(`amount-${ingredient}`).getByRole('textbox');
export const more = (page: Page, ingredient: string) =>
  page.getByTestId(`amount-${ingredient}`).getByRole('button', { name: /^more/ });

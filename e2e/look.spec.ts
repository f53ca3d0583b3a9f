import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openPlan, test } from './kitchen';

/** Each main view, ready to be judged. */
const VIEWS: [name: string, go: (page: Page) => Promise<void>][] = [
  ['plan', (page) => openPlan(page)],
  [
    'plan sheet',
    async (page) => {
      await openPlan(page);
      await page.getByTestId('row-dish').click();
      await expect(page.getByText('How many')).toBeVisible();
    },
  ],
  [
    'weigh',
    async (page) => {
      await openPlan(page);
      await page.getByTestId('cook').click();
      await expect(page.getByTestId('instruction').first()).toHaveText('Weigh it out');
    },
  ],
  [
    'pot',
    async (page) => {
      await openPlan(page);
      await page.goto('/pot?cook=c-vanilla');
      await expect(page.getByText('heart')).toBeVisible();
    },
  ],
  [
    'set',
    async (page) => {
      await openPlan(page);
      await page.goto('/pot?cook=c-vanilla');
      for (const key of ['First bubble', 'Done cooking', 'Stirred in', 'Poured'])
        await page.getByRole('button', { name: new RegExp(`^${key}`) }).click();
      await page.getByRole('button', { name: 'See it set' }).click();
      await expect(page.getByTestId('ready-at')).toBeVisible();
    },
  ],
  [
    'book',
    async (page) => {
      await openPlan(page);
      await page.goto('/book');
      await expect(page.getByTestId('advice')).toBeVisible();
    },
  ],
  [
    'batch',
    async (page) => {
      await openPlan(page);
      await page.goto('/batch?id=b-hazel-1');
      await expect(page.getByTestId('next-time')).toBeVisible();
    },
  ],
  [
    'settings',
    async (page) => {
      await openPlan(page);
      await page.goto('/settings');
      await expect(page.getByText('Cans and packets')).toBeVisible();
    },
  ],
  ['nowhere', async (page) => void (await page.goto('/nowhere'))],
];

for (const [name, go] of VIEWS) {
  test(`${name}: axe finds nothing, nothing scrolls sideways, keys are big enough`, async ({ watched: page }) => {
    await go(page);
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)).toEqual([]);
    const sideways = await page.evaluate(() =>
      [document.documentElement, ...document.querySelectorAll<HTMLElement>('*')]
        .filter(
          (e) =>
            e.scrollWidth > e.clientWidth + 1 &&
            ['auto', 'scroll'].includes(getComputedStyle(e).overflowX) &&
            e.clientWidth > 0,
        )
        .map((e) => e.className.toString().slice(0, 80)),
    );
    expect(sideways).toEqual([]);
    const small = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[role=button],[role=radio],[role=checkbox],a,button')]
        .filter((e) => e.offsetParent !== null && e.tabIndex >= 0)
        .map((e) => ({ box: e.getBoundingClientRect(), name: e.getAttribute('aria-label') ?? e.textContent }))
        .filter(({ box }) => box.height < 47 || (box.width < 47 && box.width > 0 && box.height < 47))
        .map(({ box, name: n }) => `${n} ${Math.round(box.width)}x${Math.round(box.height)}`),
    );
    expect(small.filter((s) => !s.startsWith('change '))).toEqual([]);
  });

  test(`${name}: at twice the text size nothing is cut at the side`, async ({ watched: page }, info) => {
    test.skip(info.project.name !== 'phone day', 'the phone is the narrow case');
    await go(page);
    await page.addStyleTag({ content: 'html{font-size:32px}' });
    const out = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[dir=auto],[role=button],input')]
        .filter((e) => e.offsetParent !== null && e.getBoundingClientRect().width > 0)
        .filter((e) => e.getBoundingClientRect().right > innerWidth + 2 || e.getBoundingClientRect().left < -2)
        .map((e) => (e.getAttribute('aria-label') ?? e.textContent ?? '').slice(0, 40)),
    );
    expect(out).toEqual([]);
  });
}

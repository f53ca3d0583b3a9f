import { BOTH_SIZES, expect, NOON, test } from './kitchen';
import type { Page } from '@playwright/test';

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

test.describe('the first minute', () => {
  test.use({ firstVisit: true });

  test(
    'what it is, and a first pudding by four questions; opened again it is where it was',
    BOTH_SIZES,
    async ({ watched: page }) => {
      await page.clock.install({ time: NOON });
      await page.goto('/');
      await expect(page.getByRole('heading', { level: 1, name: 'Ovalis' })).toBeVisible();
      await expect(page.getByText(/set the way you want them/)).toBeVisible();
      for (const way of ['Plan my first pudding', 'Read my recipe', 'Look round the choir’s supper'])
        await expect(key(page, way)).toBeInViewport();
      await key(page, 'Plan my first pudding').click();
      await page.getByRole('radio', { name: 'Stirred custard' }).click();
      await page.getByRole('button', { name: /^more For how many/ }).click();
      await page.getByRole('radio', { name: 'glasses, 200 ml' }).click();
      await page.getByLabel('day', { exact: true }).fill('2026-12-13');
      await page.getByLabel('time', { exact: true }).fill('18:15');
      await key(page, 'Show me the amounts').click();
      await expect(page.getByTestId('word-serving')).toHaveText('pours');
      await expect(page.getByTestId('row-people')).toContainText('7');
      await expect(page.getByTestId('row-dish')).toContainText('7 × 200 ml');
      await expect(page.getByTestId('row-serve')).toContainText('18:15');
      await expect(page.getByTestId('choir')).toHaveCount(0);
      // opened anew, it is where it was: the room and what it was about
      await page.goto('/day?date=2026-12-13');
      await expect(page.getByRole('heading', { level: 1, name: 'Sunday' })).toBeVisible();
      await page.goto('/');
      await expect(page).toHaveURL(/\/day\?date=2026-12-13/);
      await key(page, 'The day before').click();
      await expect(page.getByRole('heading', { level: 1, name: 'Saturday' })).toBeVisible();
      await page.getByLabel('Date').fill('2026-12-13');
      await expect(page.getByRole('heading', { level: 1, name: 'Sunday' })).toBeVisible();
    },
  );

  test('the choir’s supper and one’s own are two kitchens, and switching keeps both', async ({ watched: page }) => {
    await page.clock.install({ time: NOON });
    await page.goto('/');
    await key(page, 'Look round the choir’s supper').click();
    const mark = page.getByTestId('choir');
    await expect(mark).toContainText('made up');
    for (const room of ['/plan', '/day', '/prep', '/pot?cook=c-vanilla', '/set', '/book', '/settings', '/recipe']) {
      await page.goto(room);
      await expect(mark).toBeVisible();
    }
    await page.goto('/book');
    await expect(page.getByTestId('advice')).toBeVisible();
    await key(page, 'My own kitchen').click();
    await expect(page.getByText('nothing on yet')).toBeVisible();
    await expect(mark).toHaveCount(0);
    await page.goto('/book');
    await expect(page.getByText('Cook once, then this fills.')).toBeVisible();
    // there and back: each is where it was left
    await page.goto('/settings');
    await key(page, 'Look round the choir’s supper').click();
    await expect(page).toHaveURL(/\/book/);
    await expect(page.getByTestId('advice')).toBeVisible();
  });

  test('a recipe of one’s own is read in one’s own kitchen', async ({ watched: page }) => {
    await page.goto('/');
    await key(page, 'Read my recipe').click();
    await expect(page).toHaveURL(/\/recipe/);
    await expect(page.getByLabel('The recipe')).toBeVisible();
    await expect(page.getByTestId('choir')).toHaveCount(0);
  });
});

test('a pot left for a day is asked about, and goes on where it was', async ({ watched: page }) => {
  await page.clock.install({ time: new Date(NOON.getTime() + 26 * 3_600_000) });
  await page.goto('/pot?cook=c-vanilla');
  const asked = page.getByTestId('left-alone');
  await expect(asked).toContainText('What became of it?');
  await expect(asked).not.toContainText(/26 h/);
  await key(page, /^I am at it now/).click();
  await expect(page.getByTestId('instruction')).toBeVisible();
});

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

  test('a dish by its name: three taps to its amounts, its method with it', async ({ watched: page }) => {
    await page.clock.install({ time: NOON });
    await page.goto('/');
    await key(page, 'Plan my first pudding').click();
    const people = page.getByRole('button', { name: /^more For how many/ });
    await page.getByRole('radio', { name: 'A dish by its name' }).click();
    // the dishes come below, where the tap was
    await expect(page.getByRole('radio', { name: 'Set milk', exact: true })).toBeInViewport();
    await page.getByRole('radio', { name: 'Rice in milk, in the oven' }).click();
    await expect(page.getByText('rice pudding of whole milk: mounds')).toBeVisible();
    await expect(people).toBeVisible();
    await key(page, 'Show me the amounts').click();
    await expect(page.getByTestId('word-serving')).toHaveText('mounds');
    await expect(page.getByRole('heading', { level: 1, name: 'Rice in milk, in the oven' })).toBeVisible();
    await page.getByTestId('row-steps').click();
    await expect(page.getByTestId('steps').getByText(/oven 150 °C, 120 min/)).toBeVisible();
  });

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

test('a phone on its side: at least half of it is the work', async ({ watched: page }) => {
  await page.clock.install({ time: NOON });
  await page.setViewportSize({ width: 844, height: 390 });
  for (const room of ['/plan', '/day', '/prep', '/set', '/book', '/settings', '/pot?cook=c-vanilla']) {
    await page.goto(room);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForTimeout(500);
    const tallest = await page.evaluate(() =>
      Math.max(
        ...[...document.querySelectorAll<HTMLElement>('#room, #room *')]
          .filter((e) => /auto|scroll/.test(getComputedStyle(e).overflowY))
          .map((e) => e.getBoundingClientRect().height),
      ),
    );
    expect([room, tallest >= 390 / 2]).toEqual([room, true]);
  }
});

test('by keys alone: over the rooms into the room, arrows in a group, a slider for the ring, and back from a sheet', async ({
  watched: page,
}) => {
  await page.clock.install({ time: NOON });
  await page.goto('/plan?id=choir-2-vanilla');
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the room' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#room')).toBeFocused();
  const row = page.getByTestId('row-set');
  await row.focus();
  await page.keyboard.press('Enter');
  const group = page.getByRole('radiogroup', { name: /at serving/i });
  await expect(group).toBeVisible();
  // the first stop in the sheet is what it is for
  await page.waitForTimeout(200);
  await page.keyboard.press('Tab');
  await expect(group.getByRole('radio', { checked: true })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(row).toBeFocused();
  await page.goto('/pot?cook=c-vanilla');
  const ring = page.getByRole('slider', { name: 'hob setting' }).first();
  const was = Number(await ring.getAttribute('aria-valuenow'));
  await ring.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(ring).toHaveAttribute('aria-valuenow', String(was - 1));
});

test('a card: printed on one page, sent as text, and as a link that carries the whole plan', async ({
  watched: page,
  context,
}) => {
  await page.clock.install({ time: NOON });
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/card?id=choir-2-vanilla');
  const paper = page.getByTestId('card');
  await expect(paper).toContainText('Vanilla milk cups');
  await expect(paper).toContainText(/g cornstarch \(/);
  await expect(paper).toContainText('Contains milk');
  await page.emulateMedia({ media: 'print' });
  await expect(key(page, 'Print it')).toBeHidden();
  expect((await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'screen' });
  const [file] = await Promise.all([page.waitForEvent('download'), key(page, 'For recipe programs').click()]);
  expect(file.suggestedFilename()).toBe('vanilla-milk-cups.jsonld');
  await key(page, 'Copy a link').click();
  await expect(page.getByText('The link is copied.')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  // with another cook, who has no kitchen yet
  const theirs = await (await context.browser()!.newContext()).newPage();
  await theirs.goto(link);
  await expect(theirs.getByRole('heading', { level: 1, name: 'Vanilla milk cups' })).toBeVisible();
  await key(theirs, 'Put it into my kitchen').click();
  await expect(theirs.getByTestId('word-serving')).toBeVisible();
  await expect(theirs.getByTestId('choir')).toHaveCount(0);
  await theirs.goto(`${link.slice(0, link.indexOf('#') + 40)}`);
  await theirs.reload();
  await expect(theirs.getByText(/a part of it is missing/)).toBeVisible();
  await theirs.context().close();
});

test('installed: the browser finds nothing wrong with it, and text that is shared is read', async ({
  watched: page,
}) => {
  await page.goto('/recipe?title=Milk&text=500%20ml%20milk');
  await expect(page.getByLabel('The recipe')).toHaveValue('Milk\n500 ml milk');
  const cdp = await page.context().newCDPSession(page);
  const { errors } = await cdp.send('Page.getAppManifest');
  expect(errors).toEqual([]);
  const { installabilityErrors } = await cdp.send('Page.getInstallabilityErrors');
  // a headless browser runs as an incognito one
  expect(installabilityErrors.map((e) => e.errorId).filter((id) => id !== 'in-incognito')).toEqual([]);
});

import type { Page } from '@playwright/test';
import { amount, cookThrough, countTaps, expect, MOST_TAPS, openPlan, test, writeDown } from './kitchen';

/** Methods of a cook's own: each is planned by thumb, cooked with the fast clock, set and written down. */

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const closeSheet = (page: Page) => key(page, 'Close').last().click();

async function wish(page: Page, words: string) {
  await openPlan(page);
  await key(page, 'Plans').click();
  await key(page, 'Plan a new pudding').click();
  await page.getByLabel('What you wish').fill(words);
  await key(page, 'Understand it').click();
  await expect(page.getByText(/^Heard:/)).not.toContainText('not understood');
  await key(page, 'Plan it').click();
  await expect(page.getByTestId('word-serving')).toBeVisible();
}

/** One thing more in the pot, going in when it should. */
async function put(page: Page, name: string, id: string, when: string) {
  await key(page, 'Add').first().click();
  await page.getByLabel('What goes in').fill(name);
  await key(page, new RegExp(`^${name},`))
    .first()
    .click();
  await page
    .getByTestId(`amount-${id}`)
    .getByRole('button', { name: /^change/i })
    .click();
  await page.getByRole('radiogroup', { name: 'When it goes in' }).getByRole('radio', { name: when }).click();
  await closeSheet(page);
}

const steps = async (page: Page) => {
  await page.getByTestId('row-steps').click();
  return page.getByTestId('steps');
};

test('a porridge into boiling water with a cold slurry', async ({ watched: page }) => {
  await wish(page, 'warm porridge for six from water');
  await page.getByText('On the hob', { exact: true }).first().click();
  await page.getByRole('radiogroup', { name: 'Grain goes' }).getByRole('radio', { name: 'wetted cold first' }).click();
  await closeSheet(page);
  const list = await steps(page);
  await expect(list).toContainText('semolina: whisked cold first');
  await closeSheet(page);
  const orders = await cookThrough(page);
  expect(orders).toContain('Weigh it out');
  await writeDown(page, /porridge/i);
});

test('a slab with a second layer and a grill', async ({ watched: page }) => {
  const taps = await countTaps(page);
  await wish(page, 'semolina squares for twelve from whole milk');
  await put(page, 'coconut cream', 'coconut_cream', 'on top');
  await amount(page, 'coconut_cream').fill('250');
  const list = await steps(page);
  await expect(list).toContainText('until it carries a layer');
  await key(page, 'Add a step').click();
  await page
    .getByTestId('step-kinds')
    .getByRole('button', { name: /^Grill/ })
    .click();
  await expect(list).toContainText('grill 3 min');
  await expect(page.getByTestId('step-effect')).toContainText('Since you opened this');
  await closeSheet(page);
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  const orders = await cookThrough(page);
  const oven = orders.slice(orders.indexOf('Bake'));
  expect(oven).toEqual(['Bake', 'Pour the layer on', 'Bake', 'Grill']);
  await writeDown(page, /slab/i);
});

test('whites folded in, over fruit, baked from a cold oven', async ({ watched: page }) => {
  const taps = await countTaps(page);
  await wish(page, 'cold pudding for six from whole milk, in glasses');
  await put(page, 'egg white', 'white', 'folded in');
  await put(page, 'strawberries', 'fruit_strawberry', 'in the dish, under it');
  await amount(page, 'white').fill('70');
  await amount(page, 'fruit_strawberry').fill('200');
  const list = await steps(page);
  await expect(list.getByText(/grows by .*, dish \d+ % full/)).toBeVisible();
  await list.getByRole('button', { name: /Fold in/, expanded: false }).click();
  await expect(page.getByText(/stay raw/)).toBeVisible();
  // behind the pouring, into an oven that is lit with it
  await list.getByRole('button', { name: /^\d+\. Pour/ }).click();
  await key(page, /^Add a step behind Pour/).click();
  await page.getByTestId('step-kinds').getByRole('button', { name: /^Bake/ }).click();
  await page.getByRole('radiogroup', { name: 'Put in' }).getByRole('radio', { name: 'cold' }).click();
  await closeSheet(page);
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  const orders = await cookThrough(page);
  // whipped where the list has it: right before they are folded in
  expect(orders.slice(-3)).toEqual(['Whip the whites', 'Pour', 'Bake']);
  await writeDown(page, /pudding/i);
});

test('a ground-rice cream cooked down to a mark, a step moved by keys', async ({ watched: page }) => {
  await wish(page, 'ground rice cream for six from whole milk');
  const list = await steps(page);
  await key(page, 'Add a step').click();
  await page
    .getByTestId('step-kinds')
    .getByRole('button', { name: /^Cook down/ })
    .click();
  await expect(list.getByText(/mm deep in the pan, mark at \d+ mm/)).toBeVisible();
  const titles = () => list.getByText(/^\d+\. /).allInnerTexts();
  const before = await titles();
  const at = before.findIndex((x) => x.endsWith('Cook down'));
  // taken up, one place up, and put down, with the keys alone
  await page.getByRole('button', { name: /^Move Cook down/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(new RegExp(`${at + 1} of ${before.length}\\.$`))).toBeAttached();
  // taken up, it listens to the arrows a moment later
  await expect(async () => {
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText(new RegExp(`^${at} of ${before.length}\\.`))).toBeAttached({ timeout: 1000 });
  }).toPass();
  await page.keyboard.press('Space');
  await expect.poll(async () => (await titles()).findIndex((x) => x.endsWith('Cook down'))).toBe(at - 1);
  await key(page, 'As usual').click();
  await expect.poll(async () => (await titles()).some((x) => x.endsWith('Cook down'))).toBe(false);
  await key(page, 'Take back').or(key(page, 'Undo')).last().click();
  await expect.poll(async () => (await titles()).some((x) => x.endsWith('Cook down'))).toBe(true);
  await closeSheet(page);
  const orders = await cookThrough(page);
  expect(orders).toContain('Cook it down');
  await writeDown(page, /rice cream/i);
});

test('frozen sticks: into the freezer, through by the hour, pulled', async ({ watched: page }) => {
  const taps = await countTaps(page);
  await wish(page, 'frozen sticks for eight from whole milk, tomorrow');
  await expect(page.getByTestId('row-dish')).toContainText('80 ml');
  const list = await steps(page);
  await expect(list).toContainText('frozen through after');
  // what is done to them once they stand, in the cook's own words
  await list.getByRole('button', { name: /^\d+\. Rest/ }).click();
  await key(page, /^Add a step behind Rest/).click();
  await page
    .getByTestId('step-kinds')
    .getByRole('button', { name: /^In my own words/ })
    .click();
  await page.getByLabel('What is done').fill('stick in the sticks');
  // and what goes on them at the table
  const serve = page.getByTestId('step-serve');
  await serve.getByRole('button', { name: /Serve/, expanded: false }).click();
  await serve.getByRole('radio', { name: 'something' }).click();
  await serve.getByTestId('goes-in-too').getByRole('button', { name: 'sugar' }).click();
  await expect(serve.getByText(/^50 % of \d+ g\.$/)).toBeVisible();
  await closeSheet(page);
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  const orders = await cookThrough(page);
  expect(orders).toContain('Cook it down');
  await expect(page.getByTestId('later')).toContainText(/At \d\d:\d\d: stick in the sticks/);
  await expect(page.getByTestId('later')).toContainText(/At the table, on it: \d+ g sugar/);
  await page.clock.fastForward('20:00');
  await key(page, 'Into the freezer').click();
  await expect(page.getByTestId('freezer')).toContainText(/Frozen through at \d\d:\d\d/);
  await expect(page.getByTestId('freezer')).toContainText('then pull');
  await page.clock.fastForward('14:00:00');
  await expect(page.getByTestId('freezer')).toContainText('Frozen through');
  // what is eaten frozen is not warmed again
  await expect(page.getByTestId('keep')).toBeVisible();
  await expect(page.getByText('Warmed again')).toHaveCount(0);
  await writeDown(page, /frozen cream/i);
});

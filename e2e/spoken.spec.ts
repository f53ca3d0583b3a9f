import type { Page } from '@playwright/test';
import { amount, cookThrough, countTaps, expect, MOST_TAPS, openPlan, test, writeDown } from './kitchen';

/** Whole methods are entered by thumb and by typing, counted, cooked with the fast clock, and written down. */

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const closeSheet = (page: Page) => key(page, 'Close').last().click();

async function begin(page: Page, wish: string, list: string) {
  await key(page, 'Plans').click();
  await key(page, 'Plan a new pudding').click();
  await page.getByLabel('What you wish').fill(wish);
  await key(page, 'Understand it').click();
  await expect(page.getByText(/^Heard:/)).not.toContainText('not understood');
  await key(page, 'Plan it').click();
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await key(page, 'Add').first().click();
  await page.getByLabel('What goes in').fill(list);
  await page.getByTestId('put-in').click();
}

/** When one thing goes in. */
async function when(page: Page, id: string, at: string) {
  await page
    .getByTestId(`amount-${id}`)
    .getByRole('button', { name: /^change/i })
    .click();
  await page.getByRole('radiogroup', { name: 'When it goes in' }).getByRole('radio', { name: at }).click();
  await closeSheet(page);
}

/** What the pot told to put in, step by step, on the way to the dish. */
async function cooked(page: Page): Promise<{ orders: string[]; things: string }> {
  const things: string[] = [];
  const orders = await cookThrough(page, async () => {
    const list = page.getByTestId('goes-in').first();
    if (await list.count()) things.push((await list.innerText()).replace(/\s+/g, ' '));
  });
  return { orders, things: things.join('; ') };
}

test('a coconut slurry pudding with corn, in two thin dishes, by the freezer', async ({ watched: page }) => {
  const taps = await countTaps(page);
  await openPlan(page);
  await begin(
    page,
    'cold pudding for ten from coconut milk, cut in the dish, in a shallow dish',
    '2 cans of 400 coconut milk\n6 heaped tbsp cornstarch\n120 g sugar\n150 g corn kernels\na pinch of salt',
  );
  // what was typed stays beside the grams
  await expect(page.getByTestId('amount-cornstarch')).toContainText('“6 heaped tbsp”');
  await expect(page.getByTestId('amount-coconut_milk')).toContainText('“2 cans of 400”');
  await page.getByTestId('row-dish').click();
  await page.getByLabel('How many', { exact: true }).fill('2');
  await closeSheet(page);
  await page.getByTestId('row-steps').click();
  await key(page, /Chill/).last().click();
  await page.getByRole('radiogroup', { name: 'Where' }).getByRole('radio', { name: 'freezer' }).click();
  await page.getByLabel('How long, min').fill('60');
  await closeSheet(page);
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  const { things } = await cooked(page);
  for (const thing of ['canned coconut milk', '80 g cornstarch', '120 g sugar', '150 g sweetcorn', 'a pinch'])
    expect(things).toContain(thing);
  await writeDown(page, /coconut milk pudding/i);
});

test('a rice pudding with tempered yolks, skimmed in the cook’s own words', async ({ watched: page }) => {
  const taps = await countTaps(page);
  await openPlan(page);
  await begin(
    page,
    'cold rice pudding for six from whole milk',
    'a litre of milk\n110 g short-grain rice\n3 yolks\n70 g sugar\n1 stick cinnamon\n2 strips of lemon peel',
  );
  await page.getByTestId('row-steps').click();
  const list = page.getByTestId('steps');
  await list
    .getByRole('button', { name: /^\d+\. Thicken/ })
    .first()
    .click();
  await key(page, /^Add a step behind/).click();
  await page
    .getByTestId('step-kinds')
    .getByRole('button', { name: /^In my own words/ })
    .click();
  await page.getByLabel('What is done').fill('skim what rises');
  await closeSheet(page);
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  const { orders, things } = await cooked(page);
  expect(orders).toEqual(expect.arrayContaining(['Beat the egg', 'Skim what rises', 'Count out']));
  // it is skimmed where it was put, and what was counted in comes out after it was in
  expect(orders.indexOf('Skim what rises')).toBe(orders.indexOf('Bring it to the bubble') + 1);
  for (const thing of ['whole milk', 'short-grain rice', 'egg yolk', 'sugar', 'cinnamon stick', 'lemon'])
    expect(things).toContain(thing);
  await writeDown(page, /rice/i);
});

test('a cornmeal porridge, loosened to taste, and a recipe taken as it is', async ({ watched: page }) => {
  const taps = await countTaps(page);
  await openPlan(page);
  await begin(
    page,
    'warm porridge for four from whole milk',
    '4 cups milk\n1 cup cornmeal\n2 tbsp sugar\n1 stick butter\n1 tsp salt',
  );
  await when(page, 'butter', 'off the heat');
  await key(page, 'As it is').click();
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  // an amount in words is typed over in words, and what is none is said
  await amount(page, 'sugar').fill('3 heaped tbsp');
  await expect(page.getByTestId('amount-sugar')).toContainText('“3 heaped tbsp”');
  await amount(page, 'sugar').fill('some of it blue');
  await expect(page.getByTestId('amount-sugar').getByRole('alert')).toBeVisible();
  await amount(page, 'sugar').fill('40');
  await expect(page.getByTestId('as-it-is')).toContainText('Nothing is corrected unasked');
  const { things } = await cooked(page);
  for (const thing of ['whole milk', 'cornmeal', '113 g butter', '40 g sugar']) expect(things).toContain(thing);
  await writeDown(page, /porridge/i);
});

test('a sticky-rice bake with a sauce cooked apart, part of it poured over, part kept for the table', async ({
  watched: page,
}) => {
  const taps = await countTaps(page);
  await openPlan(page);
  await begin(
    page,
    'warm rice pudding for six from coconut milk, in a shallow dish',
    '2 cans of 400 coconut milk\n250 g glutinous rice\n300 ml water\n80 g sugar\n1/2 tsp salt',
  );
  await page.getByTestId('row-steps').click();
  await key(page, /Pour/).last().click();
  await key(page, /^Add a step behind/).click();
  await page.getByTestId('step-kinds').getByRole('button', { name: /^Bake/ }).click();
  await closeSheet(page);
  await page.getByTestId('row-sides').click();
  await key(page, /^A pot of its own/).click();
  await page.getByLabel('What it is called').fill('coconut sauce');
  await page.getByLabel('What goes into it').fill('300 ml coconut cream\n60 g sugar\n2 tsp rice flour');
  await page.getByTestId('put-in').click();
  await page
    .getByRole('radiogroup', { name: 'Where what comes out of it goes' })
    .getByRole('radio', { name: 'over it, then into the oven' })
    .click();
  await page.getByLabel('So much of it, %').fill('50');
  await expect(page.getByText('The rest stays for the table.')).toBeVisible();
  await expect(page.getByTestId('side-answer')).toContainText(/makes/);
  await closeSheet(page);
  expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
  const { orders, things } = await cooked(page);
  for (const thing of ['glutinous rice', 'canned coconut milk', 'coconut sauce']) expect(things).toContain(thing);
  expect(orders).toEqual(expect.arrayContaining(['Pour', 'Pour the coconut sauce over', 'Bake']));
  expect(orders.indexOf('Pour the coconut sauce over')).toBeLessThan(orders.indexOf('Bake'));
  await writeDown(page, /rice/i);
});

import { amount, expect, more, openPlan, test, BOTH_SIZES } from './kitchen';

test('hot and serving words stand side by side, and follow the starch', async ({ watched: page }) => {
  await openPlan(page);
  await expect(page.getByTestId('word-serving')).toHaveText('mounds');
  await expect(page.getByTestId('word-hot')).toHaveText('coats');
  await amount(page, 'cornstarch').fill('60');
  await expect(page.getByTestId('word-serving')).toHaveText('slices');
  await amount(page, 'cornstarch').fill('10');
  await expect(page.getByTestId('word-serving')).toHaveText(/drinks|pours/);
});

test('the one key brings it to the wanted word, and then it is the time to cook', async ({ watched: page }) => {
  await openPlan(page);
  await amount(page, 'cornstarch').fill('70');
  await page.getByTestId('meet').click();
  await expect(page.getByTestId('word-serving')).toHaveText('mounds');
  await expect(page.getByTestId('meet')).toHaveCount(0);
  await expect(page.getByTestId('cook')).toHaveText(/Cook this now/);
});

test('a held set keeps its word when the milk is changed for a thinner one', async ({ watched: page }) => {
  await openPlan(page);
  const before = Number(await amount(page, 'cornstarch').inputValue());
  await page.getByRole('checkbox', { name: 'Keep the firmness' }).click();
  await page.getByRole('button', { name: 'change whole milk' }).click();
  await page.getByRole('button', { name: /^almond drink, fat/ }).click();
  await expect(page.getByTestId('amount-almond_drink')).toBeVisible();
  await expect.poll(async () => Number(await amount(page, 'cornstarch').inputValue())).toBeGreaterThan(before + 1);
  await expect(page.getByTestId('word-serving')).toHaveText('mounds');
  await expect(page.getByText(/Contains tree nuts, milk|Contains milk, tree nuts/)).toBeVisible();
});

test('the strip is a handle: dragged by the thumb, moved by the arrow keys', BOTH_SIZES, async ({ watched: page }) => {
  await openPlan(page);
  const grams = async () => Number(await amount(page, 'cornstarch').inputValue());
  const before = await grams();
  const strip = page.getByRole('slider');
  const box = (await strip.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.45, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.55, box.y + 40, { steps: 6 });
  await page.mouse.move(box.x + box.width * 0.65, box.y + 40, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByTestId('word-serving')).toHaveText(/wobbles/);
  const dragged = await grams();
  expect(dragged).toBeGreaterThan(before * 1.2);
  await strip.focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(grams).toBeLessThan(dragged);
  await page.waitForTimeout(500);
  await page.reload();
  await expect(page.getByTestId('word-serving')).toBeVisible();
  expect(await grams()).toBeLessThan(dragged);
});

test('bad input says what would be right, beside it, and stays as typed', async ({ watched: page }) => {
  await openPlan(page);
  await amount(page, 'sugar').fill('a blue one');
  await expect(
    page.getByRole('alert').filter({ hasText: /a number from 0 to .*or an amount such as 2 tbsp/ }),
  ).toBeVisible();
  await expect(amount(page, 'sugar')).toHaveValue('a blue one');
  await page.getByTestId('row-serve').click();
  await page.getByLabel('At what time').fill('18:45');
  await page.getByRole('button', { name: 'Close' }).last().click();
  await expect(page.getByTestId('row-serve')).toHaveText(/18:45/);
});

test('people scale every amount, and a deep bowl draws its caution', async ({ watched: page }) => {
  await openPlan(page);
  const milk = Number(await amount(page, 'milk_whole').inputValue());
  await page.getByTestId('row-people').click();
  await page.getByRole('textbox', { name: 'People' }).fill('12');
  await page.getByRole('button', { name: 'Close' }).last().click();
  await expect.poll(async () => Number(await amount(page, 'milk_whole').inputValue()) / milk).toBeGreaterThan(1.9);
  await page.getByTestId('row-dish').click();
  await page.getByRole('radio', { name: /^bowl, 1.5 l/ }).click();
  await page.getByRole('button', { name: 'Close' }).last().click();
  await expect(page.getByText(/cools too slowly for the usual rule/)).toBeVisible();
});

test('a new plan from a milk of the cook’s own', async ({ watched: page }) => {
  await openPlan(page);
  await page.getByRole('button', { name: 'change whole milk' }).click();
  await page.getByRole('button', { name: 'My own, from its label' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('should have a name')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name' }).fill('Tiger nut drink');
  await page.getByLabel('Fat in 100 g, g').fill('2.5');
  await page.getByRole('checkbox', { name: 'soy' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/Contains .*soy/)).toBeVisible();

  await page.getByRole('button', { name: 'Plans', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a new pudding' }).click();
  await page.getByRole('radio', { name: 'Tiger nut drink' }).click();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('heading', { name: 'Tiger nut drink pudding' })).toBeVisible();
  await expect(page.getByTestId('word-serving')).toHaveText('mounds');
});

test('a plan is deleted and brought back', async ({ watched: page }) => {
  await openPlan(page);
  await page.getByRole('button', { name: 'Plans', exact: true }).click();
  await page.getByRole('button', { name: 'Delete Vanilla milk cups' }).click();
  await expect(page.getByText('Vanilla milk cups is gone')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Vanilla milk cups/ })).toBeVisible();
});

test('a kitchen of rooms: the work line, the back key and deep links lead where they say', async ({
  watched: page,
}) => {
  await openPlan(page);
  const rooms = page.getByRole('navigation', { name: 'Rooms' });
  await rooms.getByRole('link', { name: 'Book' }).click();
  await expect(page.getByTestId('advice')).toBeVisible();
  await page.getByRole('link', { name: /Coconut squares/ }).click();
  await expect(page.getByRole('heading', { name: 'Coconut squares' })).toBeVisible();
  await page.goBack();
  await expect(page.getByTestId('advice')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'Vanilla milk cups' })).toBeVisible();
  await page.goto('/nowhere');
  await page.getByRole('button', { name: 'To the plans' }).click();
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await more(page, 'sugar').click();
});

test('another thickener goes in at equal set', async ({ watched: page }) => {
  await openPlan(page);
  const before = Number(await amount(page, 'cornstarch').inputValue());
  const word = await page.getByTestId('word-serving').textContent();
  await page.getByRole('button', { name: 'change cornstarch' }).click();
  await page.getByRole('button', { name: /^rice flour,/ }).click();
  await expect(page.getByTestId('amount-rice_flour')).toBeVisible();
  const grams = Number(await amount(page, 'rice_flour').inputValue());
  expect(grams / before).toBeGreaterThan(1.15);
  expect(grams / before).toBeLessThan(1.55);
  await expect(page.getByTestId('word-serving')).toHaveText(word ?? '');
});

test('a custard is planned, cooked in many kitchens, and its yolk is tempered in the pot', async ({
  watched: page,
}) => {
  await openPlan(page);
  await page.getByRole('button', { name: 'Plans', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a new pudding' }).click();
  await page.getByRole('radio', { name: /^Stirred custard/ }).click();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('heading', { name: 'Whole milk custard' })).toBeVisible();
  await expect(page.getByTestId('word-serving')).toHaveText(/pours|coats/);
  await expect(page.getByText(/usual guidance/).first()).toBeVisible();
  await page.getByRole('button', { name: /Try it \d+ times/ }).click();
  await expect(page.getByTestId('chances').getByText(/Matters most/)).toBeVisible();
  await expect(page.getByTestId('chances').getByText(/curdles \d+ %/)).toBeVisible();
  await page.getByTestId('cook').click();
  for (const done of ['All weighed', 'Beaten']) await page.getByRole('button', { name: done }).click();
  await page.getByRole('button', { name: 'Bubbles at the rim' }).click();
  await expect(page.getByText(/hot milk into the egg, 60/).first()).toBeVisible();
});

test('whole rice and a baked slab are planned too, and a rule can be chosen', async ({ watched: page }) => {
  await openPlan(page);
  for (const [kind, amountId] of [
    [/^Whole-rice pudding/, 'rice_short'],
    [/^Baked slab/, 'semolina'],
  ] as const) {
    await page.getByRole('button', { name: 'Plans', exact: true }).click();
    await page.getByRole('button', { name: 'Plan a new pudding' }).click();
    await page.getByRole('radio', { name: kind }).click();
    await page.getByRole('button', { name: 'Plan it' }).click();
    await expect(page.getByTestId(`amount-${amountId}`)).toBeVisible();
    await expect(page.getByTestId('word-serving')).toBeVisible();
  }
  await page.getByRole('button', { name: /^Rest/ }).click();
  await page.getByRole('radio', { name: /^ninety minutes/ }).click();
  await expect(page.getByRole('radio', { name: /^ninety minutes/ })).toBeChecked();
});

/** The step that a page's title names: the third part from its end. */
const stepOf = (title: string) => title.split(' · ').at(-3);

test('a kind of pudding is walked from the plan to the dish, each step with its own words', async ({
  watched: page,
}) => {
  test.slow();
  await openPlan(page);
  await page.getByRole('button', { name: 'Plans', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a new pudding' }).click();
  await page.getByRole('radio', { name: 'Rice cream with yolk', exact: true }).click();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await page.getByTestId('cook').click();
  await expect(page).toHaveURL(/\/pot\?cook=/);
  await expect(page.getByTestId('step-done')).toBeVisible();
  const seen: string[] = [];
  for (let i = 0; i < 12 && (await page.getByTestId('step-done').count()) > 0; i++) {
    // a call may stand in the pot; the title of the page names the step as well
    const title = await page.title();
    seen.push(...title.split(' · '));
    await page.clock.fastForward('06:00');
    await page.getByTestId('step-done').click();
    await expect.poll(async () => stepOf(await page.title()), { intervals: [20, 40, 80, 100] }).not.toBe(stepOf(title));
  }
  expect(seen).toEqual(expect.arrayContaining(['Weigh it out', 'Beat the egg', 'Off the heat', 'Pour']));
  await page.getByRole('button', { name: 'See it set' }).click();
  await expect(page).toHaveURL(/\/set/);
});

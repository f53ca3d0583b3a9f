import { amount, BOTH_SIZES, expect, more, openPlan, test } from './kitchen';

test(
  'plan, cook, kill the tab, go on to the second, set, write down, find it in the book',
  BOTH_SIZES,
  async ({ watched: page, context }) => {
    await openPlan(page);
    await expect(page.getByTestId('word-serving')).toHaveText('mounds');
    const before = Number(await amount(page, 'cornstarch').inputValue());
    await more(page, 'cornstarch').click();
    await expect(amount(page, 'cornstarch')).toHaveValue(String(before + 1));

    await page.getByTestId('cook').click();
    await expect(page).toHaveURL(/\/pot\?cook=/);
    const url = page.url();
    const instruction = page.getByTestId('instruction').first();
    await expect(instruction).toHaveText('Weigh it out');
    await page.getByRole('checkbox', { name: /g cornstarch/ }).click();
    await expect(page.getByRole('checkbox', { name: /g cornstarch/ })).toBeChecked();
    await page.getByRole('button', { name: 'All weighed' }).click();
    await expect(instruction).toHaveText('Whisk the slurry');
    await page.getByRole('button', { name: 'Slurry is smooth' }).click();
    await expect(instruction).toHaveText('Warm the milk');
    await page.clock.fastForward('04:20');
    await page.getByRole('button', { name: 'It steams' }).click();
    await expect(instruction).toHaveText('Sweep the bottom');
    await page.clock.fastForward('03:20');
    await page.getByRole('button', { name: 'Edges thicken' }).click();
    await page.getByRole('button', { name: 'First bubble', exact: true }).click();
    await expect(instruction).toHaveText('Keep stirring');
    await expect(page.getByTestId('step-time')).toHaveText(/^(2:00|1:5\d)$/);
    const bubbled = await page.evaluate(() => Date.now());

    // the tab is killed, and opened again 45 seconds later
    await page.close({ runBeforeUnload: false });
    const again = await context.newPage();
    await again.clock.install({ time: new Date(bubbled + 45_000) });
    await again.goto(url);
    await expect(again.getByTestId('instruction').first()).toHaveText('Keep stirring');
    await expect(again.getByTestId('step-time')).toHaveText(/^1:1[0-6]$/);

    await again.clock.fastForward('01:20');
    await expect(again.getByText('over by')).toBeVisible();
    await again.getByTestId('step-done').click();
    await again.getByRole('button', { name: 'Stirred in' }).click();
    await again.getByRole('button', { name: 'Poured', exact: true }).click();
    await again.getByRole('button', { name: 'See it set' }).click();

    await expect(again).toHaveURL(/\/set/);
    await expect(again.getByTestId('ready-at')).toHaveText(/^\d\d:\d\d$/);
    await again.clock.fastForward('15:00');
    await again.getByRole('button', { name: 'Into the fridge' }).click();
    await expect(again.getByText(/fridge since/).first()).toBeVisible();
    await again.clock.fastForward('05:00:00');
    await again.getByTestId('set-act').click();

    await expect(again).toHaveURL(/\/batch/);
    await again.getByRole('radiogroup', { name: 'At serving it was' }).getByRole('radio', { name: 'coats' }).click();
    await expect(again.getByTestId('next-time')).toHaveText(/g more cornstarch/);
    await again.getByRole('checkbox', { name: 'lumps' }).click();
    await again.getByRole('textbox', { name: 'Note' }).fill('The tenors came back for thirds.');
    await again.getByRole('button', { name: 'Book', exact: true }).click();
    await again.getByLabel('Search').fill('thirds');
    await expect(again.getByRole('link', { name: /Vanilla milk cups.*coats/ })).toHaveCount(1);
  },
);

test('a paused pot stands still, goes on where it stood, and one left for hours says that it was forgotten', async ({
  watched: page,
}) => {
  await openPlan(page);
  await page.goto('/pot?cook=c-vanilla');
  await page.getByRole('button', { name: 'First bubble' }).click();
  await expect(page.getByTestId('instruction').first()).toHaveText('Keep stirring');
  const time = page.getByTestId('step-time');
  const seconds = async () => {
    const [min, s] = (await time.innerText()).split(':').map(Number);
    return 60 * min! + s!;
  };
  await page.clock.fastForward('00:20');
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByText('paused, hob counted as off').last()).toBeVisible();
  const stood = await seconds();
  expect(stood).toBeGreaterThan(60);
  await page.clock.fastForward('00:40');
  expect(await seconds()).toBe(stood);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('paused, hob counted as off').last()).toBeHidden();
  const on = await seconds();
  // a second is shown whole: it may round up where it stood
  expect(on).toBeLessThanOrEqual(stood + 1);
  expect(on).toBeGreaterThan(stood - 15);
  await page.clock.fastForward('00:30');
  await expect.poll(seconds).toBeLessThanOrEqual(on - 30);
  await page.clock.fastForward('02:00:00');
  await expect(page.getByText(/far longer than planned/)).toBeVisible();
});

test('back, undo and take back: the events count or they do not', async ({ watched: page }) => {
  await openPlan(page);
  await page.goto('/pot?cook=c-vanilla');
  const instruction = page.getByTestId('instruction').first();
  await expect(instruction).toHaveText('Sweep the bottom');
  await page.getByRole('button', { name: 'First bubble' }).click();
  await expect(instruction).toHaveText('Keep stirring');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(instruction).toHaveText('Sweep the bottom');
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(instruction).toHaveText('Warm the milk');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(instruction).toHaveText('Sweep the bottom');
  await page.getByRole('button', { name: 'Lumps' }).click();
  await expect(page.getByTestId('answer').locator('visible=true')).toContainText(/whisk hard/);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('altos late');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await expect(page.getByText(/altos late/)).toBeVisible();
  await page.getByRole('button', { name: 'Take back' }).first().click();
  await expect(page.getByText(/\d\d:\d\d {2}altos late/)).toHaveCount(0);
});

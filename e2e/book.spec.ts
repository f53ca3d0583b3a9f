import { expect, openAt, test } from './kitchen';

test('advice first; promised against what came out; next time goes into the plan', async ({ watched: page }) => {
  await openAt(page, '/book');
  await expect(page.getByTestId('advice')).toHaveText(/\d+ g more cornstarch/);
  const advised = Number(/(\d+) g more/.exec((await page.getByTestId('advice').textContent())!)![1]);
  await page.getByTestId('advice').click();
  await page.getByRole('button', { name: 'Put it into the plan' }).click();
  await expect(page.getByTestId('word-serving')).toHaveText('wobbles');
  const grams = Number(await page.getByTestId('amount-cornstarch').getByRole('textbox').inputValue());
  await page.goto('/batch?id=b-hazel-2');
  await expect(page.getByText('What went in')).toBeVisible();
  const went = Number(
    /cornstarch\s*(\d+)\s*g/.exec((await page.getByRole('main').innerText()).replace(/\n/g, ' '))![1],
  );
  expect(grams).toBe(went + advised);
});

test('a batch is deleted with six seconds to take it back', async ({ watched: page }) => {
  await openAt(page, '/batch?id=b-coconut-1');
  await page.getByRole('button', { name: 'Delete this batch' }).click();
  await expect(page.getByText(/Coconut squares.*is gone/)).toBeVisible();
  await expect(page.getByRole('link', { name: /Coconut squares/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /Coconut squares/ })).toHaveCount(1);
});

test('search finds by milk, flaw and note, and says when there is none', async ({ watched: page }) => {
  await openAt(page, '/book');
  await page.getByLabel('Search').fill('slid altos');
  await expect(page.getByRole('link', { name: /Hazelnut/ })).toHaveCount(1);
  await page.getByLabel('Search').fill('coconut milk');
  await expect(page.getByRole('link', { name: /Coconut squares/ })).toHaveCount(1);
  await page.getByLabel('Search').fill('marzipan');
  await expect(page.getByText('No batch with “marzipan”.')).toBeVisible();
});

test('a batch cooked without the pot is written down from its plan', async ({ watched: page }) => {
  await openAt(page, '/book');
  await page.getByRole('button', { name: 'Write down a batch' }).click();
  await page.getByRole('button', { name: /^Almond drinking cream/ }).click();
  await page.getByRole('radiogroup', { name: 'At serving it was' }).getByRole('radio', { name: 'mounds' }).click();
  await expect(page.getByTestId('next-time')).toHaveText(/g less cornstarch/);
});

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

test('sorted, filtered and laid over each other', async ({ watched: page }) => {
  await openAt(page, '/book');
  await expect(page.getByTestId('advice')).toBeVisible();
  await page.getByTestId('sort').click();
  await page.getByRole('radiogroup', { name: 'Only' }).getByRole('radio', { name: 'with a flaw' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(page.getByRole('link', { name: /slumped|than promised/ })).toHaveCount(2);
  await page.getByTestId('compare').click();
  const rows = page.getByRole('checkbox');
  await rows.nth(0).click();
  await rows.nth(1).click();
  await page.getByTestId('overlay-key').click();
  await expect(page.getByRole('img', { name: /^Set over the hours/ })).toBeVisible();
  await expect(page.getByText(/ against /)).toBeVisible();
});

test('a flaw, the day after, and a photo kept small; the change for the flaw goes into the plan', async ({
  watched: page,
}) => {
  await openAt(page, '/batch?id=b-vanilla-1');
  await page.getByRole('checkbox', { name: 'caught' }).click();
  await page.getByRole('checkbox', { name: 'too pale' }).click();
  await expect(page.getByTestId('next-time')).toContainText(/stir every|hob \d/);
  await expect(page.getByText('Nothing in the model explains: too pale.')).toBeVisible();
  await page.getByRole('button', { name: /^What changes/ }).click();
  await expect(page.getByTestId('differences')).toBeVisible();
  await page.getByRole('textbox', { name: 'Who liked it' }).fill('the basses');
  const picture = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 1800, height: 1200 });
    const g = canvas.getContext('2d')!;
    for (let i = 0; i < 400; i++) {
      g.fillStyle = `hsl(${i * 37} 80% 50%)`;
      g.fillRect((i * 97) % 1800, (i * 61) % 1200, 90, 60);
    }
    return canvas.toDataURL('image/png').split(',')[1]!;
  });
  await page
    .getByLabel('Add a photo')
    .setInputFiles({ name: 'cups.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
  await expect(page.getByRole('img', { name: 'Photo of Vanilla milk cups' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: 'Photo of Vanilla milk cups' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Who liked it' })).toHaveValue('the basses');
});

test('my kitchen: ten spoons weighed, the ring timed; a plan takes it up; learning off and on', async ({
  watched: page,
}) => {
  await openAt(page, '/kitchen');
  await expect(page.getByTestId('learnt')).toContainText('starch-set milk pudding, cornstarch');
  await page.getByTestId('measure-spoon').click();
  await page.getByLabel('Together they weigh').fill('2000');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByText(/^That cannot be/)).toBeVisible();
  await page.getByLabel('Together they weigh').fill('93');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByTestId('found')).toContainText('holds 115 % of a usual spoon, ± 3 %');
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await page.getByTestId('measure-ring').click();
  await page.getByLabel('The water reads').fill('12');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.clock.fastForward('05:40');
  await page.getByRole('button', { name: /^It reads 80/ }).click();
  await expect(page.getByTestId('found')).toContainText(/W, gives \d+ %, ± \d+ %/);
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect(page.getByTestId('measure-ring')).toContainText(/gives \d+ %/);
  await page.goto('/plan?id=choir-2-vanilla');
  const known = page.getByTestId('known');
  await expect(known).toContainText(/set to \d+ % of what it believed/);
  await known.getByRole('button', { name: 'Reckon with it' }).click();
  await expect(known).toBeHidden();
  await page.goto('/kitchen');
  await page.getByRole('checkbox', { name: 'Plans take it up' }).click();
  await expect(page.getByTestId('learnt')).toContainText('Nothing yet');
});

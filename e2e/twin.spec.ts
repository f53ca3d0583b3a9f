import { expect, NOON, openAt, test } from './kitchen';
import type { Page } from '@playwright/test';

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
/** s of a clock face such as 3:20 */
const seconds = (text: string) => text.split(':').reduce((s, x) => s * 60 + Number(x), 0);

/** A pot that has just been lit: the milk is warming. */
async function lit(page: Page) {
  await openAt(page, '/plan?id=choir-2-vanilla', NOON);
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await page.getByTestId('cook').click();
  for (const name of ['All weighed', 'Slurry is smooth']) await key(page, new RegExp(`^${name}`)).click();
  await expect(page.getByTestId('instruction').first()).toHaveText('Warm the milk');
  // two minutes on, and from there the clock moves by the test alone, however slow the machine is
  await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 120_000);
  // the answer is of after the jump, not the one from before it that still stands there
  await comes(page, async () => {
    const [liveAt, now] = await page.evaluate(() => [
      Number(document.querySelector('[data-live-at]')?.getAttribute('data-live-at')),
      Date.now(),
    ]);
    return liveAt! > now! - 4000 && page.getByTestId('between').isVisible();
  });
}
/** Waits for something to be so, with just enough time passing for the page to work. */
const comes = (page: Page, so: () => Promise<boolean>) =>
  expect
    .poll(
      async () => {
        // a question that was under way at the jump is followed by the next one three seconds on
        await page.clock.runFor(100);
        return so();
      },
      { timeout: 120_000, intervals: [30, 60, 100] },
    )
    .toBe(true);
async function reads(page: Page, degrees: number) {
  await key(page, 'More').click();
  await page.getByLabel('Thermometer in the pot').fill(String(degrees));
  await key(page, 'It reads that').click();
  await key(page, 'Close').last().click();
}

test('the twin says how sure it is; a thermometer that reads low moves the minute and narrows it', async ({
  watched: page,
}) => {
  await lit(page);
  const between = page.getByTestId('between');
  const width = async () => {
    const [low, high] = (await between.innerText()).split(' to ').map(seconds);
    return { low: low!, high: high! };
  };
  const before = await width();
  expect(before.high).toBeGreaterThan(before.low);
  const heart = page.getByText(/^\d+° ± \d+°$/).first();
  const was = Number.parseInt(await heart.innerText(), 10);
  await reads(page, was - 8);
  await comes(page, async () => (await width()).low > before.low + 5);
  const after = await width();
  // surer for its length: a slower pot is further from its cue
  const share = (w: { low: number; high: number }) => (w.high - w.low) / (w.high + w.low);
  expect(share(after)).toBeLessThan(share(before));
  expect(Number.parseInt(await heart.innerText(), 10)).toBeLessThan(was - 4);
});

test('a reading that cannot be is said and can be taken back; a bad one is refused beside what was typed', async ({
  watched: page,
}) => {
  await lit(page);
  await key(page, 'More').click();
  const field = page.getByLabel('Thermometer in the pot');
  await field.fill('hot');
  await expect(page.getByText('A temperature such as 72 would do.')).toBeVisible();
  await expect(field).toHaveValue('hot');
  await key(page, 'Close').last().click();
  await reads(page, 118);
  const odd = page.getByText(/That temperature does not fit what this pot has done so far/).locator('visible=true');
  await comes(page, () => odd.first().isVisible());
  await key(page, 'Take it back').locator('visible=true').first().click();
  await comes(page, async () => (await odd.count()) === 0);
});

test('a trail is timed by two taps and kept with the batch of events', async ({ watched: page }) => {
  await lit(page);
  await key(page, 'More').click();
  await key(page, 'Trail drawn').click();
  await page.clock.runFor(4000);
  await key(page, 'It has closed').click();
  await comes(page, () => page.getByText('the trail closed in 4 s').isVisible());
});

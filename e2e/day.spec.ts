import { readFileSync } from 'node:fs';
import ical from 'node-ical';
import { expect, NOON, openAt, test, BOTH_SIZES, tapIfThere } from './kitchen';
import type { Page } from '@playwright/test';

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const block = (page: Page, id: string) => page.getByTestId(`block-${id}`);

async function openDay(page: Page, time: Date = NOON) {
  await openAt(page, '/day', time);
  await expect(page.getByRole('heading', { name: 'Friday' })).toBeVisible();
  await expect(block(page, 'choir-3-coconut:ready')).toBeVisible();
}

test(
  'three dishes in lanes: what is done, what is on, what comes next, and the plate',
  BOTH_SIZES,
  async ({ watched: page }) => {
    await openDay(page);
    await expect(page.getByText('19:30, three dishes, 16 people')).toBeVisible();
    // the pot that is on since before noon
    await expect(
      page.getByRole('button', { name: /Vanilla milk cups: cook, 11:\d\d to 12:\d\d, running/ }),
    ).toBeVisible();
    await expect(page.getByRole('button', { name: /Hazelnut set pudding: soak, .*, done/ })).toBeVisible();
    await expect(page.getByRole('img', { name: 'now 12:00' })).toBeVisible();
    const next = page.getByTestId('next-act');
    await expect(next).toContainText('Vanilla milk cups: pour');
    await next.click();
    await expect(page.getByRole('heading', { name: /^pour, 12:\d\d to 12:\d\d/ })).toBeVisible();
    await key(page, 'It is done').click();
    await expect(page.getByTestId('next-act')).toContainText(': ready');
    await key(page, 'Undo').click();
    await expect(page.getByTestId('next-act')).toContainText('Vanilla milk cups: pour');
  },
);

test('a thumb beside a short block still hits it; the keyboard reaches each', async ({ watched: page }) => {
  await openDay(page);
  const flakes = block(page, 'choir-3-coconut:side-s-flakes');
  await flakes.scrollIntoViewIfNeeded();
  const box = (await flakes.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height + 6);
  await expect(page.getByRole('heading', { name: /^(toasting|compote), / })).toBeVisible();
  await key(page, 'Close').last().click();
  await flakes.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^toasting, / })).toBeVisible();
});

test('a block is held and dragged: it stays, the rest gives way, and it can be let go again', async ({
  watched: page,
}) => {
  await openDay(page);
  const flakes = block(page, 'choir-3-coconut:side-s-flakes');
  await flakes.scrollIntoViewIfNeeded();
  const before = /(\d\d):(\d\d) to/.exec((await flakes.getAttribute('aria-label'))!)!;
  const minutes = Number(before[1]) * 60 + Number(before[2]);
  const box = (await flakes.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.waitForTimeout(400);
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 50, { steps: 6 });
  await page.waitForTimeout(150);
  await page.mouse.up();
  await expect(page.getByText(/^Coconut squares: toasting at \d\d:\d\d$/)).toBeVisible();
  await expect(flakes).toHaveAttribute('aria-label', /moved by hand/);
  const after = /(\d\d):(\d\d) to/.exec((await flakes.getAttribute('aria-label'))!)!;
  expect(Number(after[1]) * 60 + Number(after[2])).toBeLessThan(minutes - 15);
  // kept over a reload, once the write that the tap began is down
  await page.waitForTimeout(800);
  await page.reload();
  await expect(flakes).toHaveAttribute('aria-label', /moved by hand/);
  await flakes.click();
  await key(page, 'Let it move again').click();
  await expect(flakes).not.toHaveAttribute('aria-label', /moved by hand/);
});

test('where a block cannot stand, the nearest place is offered', BOTH_SIZES, async ({ watched: page }) => {
  await openDay(page);
  await block(page, 'choir-1-hazelnut:finish').click();
  await key(page, '30 minutes later').click();
  await expect(page.getByText(/Hazelnut set pudding cannot turn out at \d\d:\d\d.*Nearest is \d\d:\d\d/)).toBeVisible();
  await key(page, /^Move it to/).click();
  await expect(block(page, 'choir-1-hazelnut:finish')).toHaveAttribute('aria-label', /moved by hand/);
});

test('late: planned from now, and what cannot be met says what would make it possible', async ({ watched: page }) => {
  await openAt(page, '/day');
  await expect(page.getByTestId('next-act')).toBeVisible();
  await page.clock.fastForward('05:30:00');
  await page.getByTestId('late').click();
  await expect(page.getByTestId('mend')).toBeVisible();
  await page.getByTestId('mend').click();
  const later = key(page, /^Serve .* later/).first();
  await expect(later).toBeVisible();
  await later.click();
  await expect(page.getByTestId('next-act')).toBeVisible();
  await expect(page.getByText(/^\d\d:\d\d, \w+ dishes/)).toBeVisible();
});

test('the kitchen: fewer rings, no shelf; what is wrong is said', async ({ watched: page }) => {
  await openDay(page);
  await key(page, /^Kitchen/)
    .first()
    .click();
  const from = page.locator('input[type=time]');
  await from.fill('09:15');
  await expect(from).toHaveValue('09:15');
  for (let i = 0; i < 4; i++) await key(page, 'less Free fridge shelves').click();
  await key(page, 'Close').last().click();
  await page.getByTestId('mend').click();
  await expect(page.getByText(/more dishes than shelf/).first()).toBeVisible();
  await key(page, /shel(f|ves) more in the fridge/).click();
  await expect(page.getByTestId('next-act')).toBeVisible();
});

test('printed: the order of the work, whole, without the lanes', async ({ watched: page }) => {
  await openDay(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByTestId('lanes')).toBeHidden();
  const last = page.getByTestId('act-choir-2-vanilla:finish');
  await expect(last).toBeVisible();
  const end = await last.evaluate((e) => e.getBoundingClientRect().bottom + scrollY);
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeGreaterThanOrEqual(Math.floor(end));
});

test('a dish left out is not cooked and not bought; the calendar file is read back by a parser', async ({
  watched: page,
}) => {
  await openDay(page);
  await key(page, 'Leave out Vanilla milk cups').click();
  await expect(page.getByText('19:30, two dishes, 16 people')).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    key(page, 'Save the day as a calendar file').click(),
  ]);
  expect(download.suggestedFilename()).toBe('ovalis-2026-12-11.ics');
  const events = Object.values(ical.sync.parseICS(readFileSync(await download.path(), 'utf8'))).filter(
    (e) => e?.type === 'VEVENT',
  );
  expect(events.map((e) => e.summary)).toEqual(
    expect.arrayContaining(['Coconut squares: ready', 'Hazelnut set pudding: cook', 'Coconut squares is served']),
  );
  expect(events.some((e) => String(e.summary).startsWith('Vanilla'))).toBe(false);
  await key(page, 'Shopping').click();
  await expect(page.getByTestId('buy-coconut_milk')).toBeVisible();
  await expect(page.getByTestId('buy-milk_whole')).toHaveCount(0);
});

test('shopping: packets over all dishes, what is in the house tapped away, sent as a list', async ({
  watched: page,
}) => {
  await openAt(page, '/shopping');
  const starch = page.getByTestId('buy-cornstarch');
  await expect(starch).toContainText('box of cornstarch');
  await expect(page.getByTestId('buy-coconut_milk')).toContainText(/2 × can/);
  await expect(page.getByTestId('buy-nuts_hazelnut')).toContainText(/29\d g|2[89]0 g/);
  await expect(page.getByText(/canned coconut milk left. half cans/)).toBeVisible();
  await starch.click();
  await expect(starch).toBeChecked();
  await page.waitForTimeout(800);
  await page.evaluate(() => {
    Object.defineProperty(navigator, 'share', { value: undefined });
  });
  const [download] = await Promise.all([page.waitForEvent('download'), key(page, /^Send the list/).click()]);
  const text = readFileSync(await download.path(), 'utf8');
  expect(text).toMatch(/- 2 × can of coconut milk canned coconut milk/);
  expect(text).not.toMatch(/cornstarch/);
  await page.reload();
  await expect(starch).toBeChecked();
});

test('a call in every room when something of the day is due', async ({ watched: page }) => {
  await openDay(page);
  await page.getByRole('checkbox', { name: 'Call me in time' }).click();
  await page.getByRole('link', { name: 'Book', exact: true }).click();
  await page.clock.fastForward('00:16:00');
  const due = page.getByTestId('due');
  await expect(due).toContainText(/: (pour|ready)/);
  await expect(due).toContainText(/by \d\d:\d\d/);
  const what = await due.innerText();
  await key(page, /^Hide the call/).click();
  await expect(page.getByText(what.split('\n')[0]!, { exact: true })).toHaveCount(0);
});

test('prep: ticked, timed, kept over a reload; machines change the list', async ({ watched: page }) => {
  await openAt(page, '/prep?id=choir-1-hazelnut');
  const soak = page.getByTestId('prep-soak-home_hazelnut_4');
  await expect(soak).toContainText('till 12:22');
  await page.clock.fastForward('00:25:00');
  await expect(soak).toContainText('ready');
  const jug = page.getByTestId('prep-slurry-jug');
  await jug.click();
  await expect(jug).toBeChecked();
  await page.waitForTimeout(800);
  await page.reload();
  await expect(page.getByTestId('prep-slurry-jug')).toBeChecked();
  await expect(page.getByText(/Warm the milk in the microwave/)).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'microwave' }).click();
  await expect(page.getByText(/Warm the milk in the microwave, about \d+ min/)).toBeVisible();
  await expect(page.getByText(/boils up late/)).toBeVisible();
});

test('weighed out by hand and with the stand-in scale; what was poured is the plan that is cooked', async ({
  watched: page,
}) => {
  await openAt(page, '/prep?id=choir-3-coconut');
  await page.getByTestId('weigh-out').click();
  await expect(page.getByTestId('weigh-name')).toHaveText('canned coconut milk');
  await expect(page.getByText('Put the pot on the scale and press tare.')).toBeVisible();
  const target = Number(/(\d+) g/.exec((await page.getByTestId('weigh-target').innerText()).replace(/\s/g, ' '))![1]);
  // by hand, 40 g too much
  await page
    .getByTestId('i-poured')
    .getByRole('textbox')
    .fill(String(target + 40));
  await page.getByTestId('weighed').click();
  await expect(page.getByTestId('weighed-effect')).toContainText(/As it is weighed it/);
  await expect(page.getByTestId('weigh-name')).not.toHaveText('canned coconut milk');
  // with the scale, held until enough lies on it
  await key(page, 'Stand-in scale').click();
  const reading = page.getByTestId('scale-reading');
  await expect(reading).toHaveText('0 g');
  const pour = (await page.getByTestId('pour-hold').boundingBox())!;
  await page.mouse.move(pour.x + pour.width / 2, pour.y + pour.height / 2);
  await page.mouse.down();
  await expect.poll(async () => Number.parseInt(await reading.innerText(), 10)).toBeGreaterThan(5);
  await page.mouse.up();
  await key(page, 'Tare').click();
  await expect(reading).toHaveText(/^-?[01] g$/);
  await key(page, 'Scale off').click();
  const weighed = page.getByTestId('weighed');
  while (await weighed.count()) await tapIfThere(weighed);
  await page.getByTestId('start-pot').click();
  await expect(page).toHaveURL(/\/pot\?cook=/);
  // everything was weighed: the slurry is the first thing now, and the milk is what was poured
  await expect(page.getByTestId('instruction').first()).toHaveText('Whisk the slurry');
});

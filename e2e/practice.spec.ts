import type { Page } from '@playwright/test';
import { BOTH_SIZES, expect, openAt, test } from './kitchen';

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
/** The drawn pot: its label says what it is like. */
const pot = (page: Page) => page.getByTestId('practice-pot');

const middleC = async (page: Page) =>
  Number(/middle (\d+)/.exec((await pot(page).getAttribute('aria-label')) ?? '')?.[1] ?? NaN);

/** ms of the page that pass between two looks; a machine that stands still does not let the pot run on */
const LOOK_MS = 300;

/** The pot is on until its middle is this hot, or for so many ms of the page. */
async function cook(page: Page, most: { untilC?: number; ms?: number }) {
  const now = await page.evaluate(() => Date.now());
  // far enough ahead that a machine that stands still has not passed it
  await page.clock.pauseAt(now + 2000);
  await page.getByTestId('play').click();
  const { untilC = Infinity, ms = 60_000 } = most;
  let hot = false;
  for (let gone = 0; gone < ms && !hot; gone += LOOK_MS) {
    await page.clock.runFor(LOOK_MS);
    await page.waitForTimeout(40);
    hot = (await middleC(page)) >= untilC;
  }
  await page.getByTestId('play').click();
  await page.clock.runFor(LOOK_MS);
  await page.clock.resume();
  expect(hot).toBe(most.untilC !== undefined);
}

test('a slurry is practised: spoiled, told why, gone back to, and managed', BOTH_SIZES, async ({ watched: page }) => {
  await openAt(page, '/practice');
  await page.getByTestId('exercise-slurry').click();
  await expect(pot(page)).toBeVisible();
  // by keys alone: the ring by its slider, the spoon by its key
  await page.getByRole('slider', { name: 'Hob setting' }).press('End');
  await page.getByTestId('stir').press('Enter');
  await expect(page.getByTestId('stir')).toHaveAttribute('aria-pressed', 'true');
  for (let i = 0; i < 2; i++) await page.getByTestId('speed').click();
  await cook(page, { untilC: 80 });
  await page.getByTestId('bench').click();
  await key(page, /cornstarch/)
    .first()
    .click();
  await key(page, 'dry, straight in').click();
  await cook(page, { untilC: 97 });
  await page.getByTestId('finish').click();
  await expect(page.getByTestId('wrong')).toContainText('lumpy');
  await expect(page.getByTestId('cause')).toContainText(/cornstarch.* dry at .*as a slurry/);
  // back to before it, and the other way
  await page
    .getByTestId('costs')
    .getByRole('button', { name: /^Go back to/ })
    .first()
    .click();
  await expect(pot(page)).toBeVisible();
  await page.getByTestId('bench').click();
  await key(page, /cornstarch/)
    .first()
    .click();
  await key(page, /^as planned/).click();
  await cook(page, { untilC: 97 });
  await key(page, 'Ring down by one').click();
  await key(page, 'Ring down by one').click();
  await key(page, 'Ring down by one').click();
  // until the raw taste is gone
  await cook(page, { ms: 5000 });
  await page.getByTestId('finish').click();
  await expect(page.getByTestId('wrong')).toHaveText('Nothing wrong in it');
  // it is kept, and a run is a plan
  await page.getByTestId('take-plan').click();
  await expect(page).toHaveURL(/\/plan\?id=plan-/);
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await page.goto('/practice');
  await expect(page.getByTestId('exercise-slurry')).toContainText('managed on');
});

test('a hand that is drawn over the pot stirs it, and a killed tab finds its pot again', async ({ watched: page }) => {
  await openAt(page, '/practice?do=lid');
  await expect(pot(page)).toBeVisible();
  const box = (await pot(page).boundingBox())!;
  const at = (turn: number) =>
    [box.x + box.width * (0.5 + 0.3 * Math.cos(turn)), box.y + box.height * (0.37 + 0.24 * Math.sin(turn))] as const;
  await page.mouse.move(...at(0));
  await page.mouse.down();
  for (let i = 1; i <= 60; i++) {
    await page.mouse.move(...at(i / 3));
    await page.waitForTimeout(25);
  }
  await expect(page.getByText('you miss the middle')).toBeVisible();
  await expect(pot(page)).toHaveAttribute('aria-label', /, stirred$/);
  await page.mouse.up();
  await expect(pot(page)).toHaveAttribute('aria-label', /nobody stirs$/);
  await key(page, 'Ring up by one').click();
  await expect(page.getByText('hob 1', { exact: true })).toBeVisible();
  await page.goto('/practice');
  await page.getByTestId('go-on').click();
  await expect(page.getByText('hob 1', { exact: true })).toBeVisible();
});

for (const [how, prepare, workers] of [
  ['in a worker', async () => undefined, 1],
  [
    'on the page, where a worker cannot',
    (page: Page) =>
      page.addInitScript('delete HTMLCanvasElement.prototype.transferControlToOffscreen') as Promise<unknown>,
    0,
  ],
  ['on the page, where the worker does not come', (page: Page) => page.route(/painter-/, (r) => r.abort()), 0],
] as const)
  test(`the pot is drawn ${how}: the spoon in it goes round`, async ({ watched: page }) => {
    await prepare(page);
    await openAt(page, '/practice?do=slurry');
    await expect(pot(page)).toBeVisible();
    const painters = () => page.workers().filter((w) => w.url().includes('painter')).length;
    await expect.poll(painters).toBe(workers);
    /** how many colours are seen, and which picture it is */
    const picture = () =>
      page.evaluate(() => {
        const from = document.querySelector<HTMLCanvasElement>('[data-testid=practice-pot] canvas')!;
        const to = document.createElement('canvas');
        to.width = to.height = 64;
        const pen = to.getContext('2d')!;
        pen.drawImage(from, 0, 0, 64, 64);
        const { data } = pen.getImageData(0, 0, 64, 64);
        const inks = new Set<number>();
        for (let i = 0; i < data.length; i += 4)
          if (data[i + 3]! > 250) inks.add((data[i]! << 16) | (data[i + 1]! << 8) | data[i + 2]!);
        return { inks: inks.size, all: data.join() };
      });
    await expect.poll(async () => (await picture()).inks).toBeGreaterThan(20);
    await page.getByTestId('stir').press('Enter');
    await expect(page.getByTestId('stir')).toHaveAttribute('aria-pressed', 'true');
    const before = (await picture()).all;
    await expect.poll(async () => (await picture()).all).not.toBe(before);
  });

test('the practice pot is the kitchen of another tab’s Pot room', async ({ watched: page, context }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await openAt(page, '/practice?do=slurry');
  await expect(pot(page)).toBeVisible();
  await page.getByRole('slider', { name: 'Hob setting' }).press('End');
  await page.getByRole('checkbox', { name: 'Be the pot of the other screen' }).click();
  const other = await context.newPage();
  await other.goto('/pot?cook=c-vanilla');
  await other.getByRole('button', { name: 'More' }).click();
  await other.getByRole('radio', { name: 'practice pot in another tab' }).click();
  await other.getByRole('button', { name: 'Close' }).last().click();
  await expect(other.getByText(/probe \d °C/).first()).toBeVisible();
  // it is warmed here, and read there
  for (let i = 0; i < 2; i++) await page.getByTestId('speed').click();
  await cook(page, { untilC: 60 });
  await expect(other.getByText(/probe [6-9]\d °C/).first()).toBeVisible();
});

test('what if: a batch of the book is played again, one thing otherwise and the rest as it was', async ({
  watched: page,
}) => {
  await openAt(page, '/batch?id=b-hazel-1');
  await page.getByTestId('what-if').click();
  await expect(pot(page)).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'The rest as it was done' }).first()).toHaveAttribute(
    'aria-checked',
    'true',
  );
  // any moment of it is looked at by a slider
  const moment = page.getByTestId('moment').first();
  // the pot may have run on meanwhile: it is counted from the beginning
  await moment.press('End');
  await moment.press('Home');
  for (let i = 0; i < 12; i++) await moment.press('ArrowRight');
  await expect(page.getByText('1:00', { exact: true })).toBeVisible();
  await key(page, /^Go on from 1:00/)
    .first()
    .click();
  await key(page, 'Ring down by one').click();
  await page.getByTestId('finish').click();
  await expect(page.getByTestId('debrief')).toBeVisible();
  await expect(page.getByText('A run that does it, beside yours')).toBeVisible();
});

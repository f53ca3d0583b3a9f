/** npm run screenshots: one current picture of each main view, from the demo data, at noon before the supper. */
import { type Page } from '@playwright/test';
import path from 'node:path';
import { withApp } from './served';

const PORT = 4194;
const root = path.join(__dirname, '..');
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

const plan = async (page: Page) => {
  await page.goto('/plan?id=choir-1-hazelnut');
  await page.getByTestId('word-serving').waitFor({ timeout: 30_000 });
  await page
    .getByText(/\d times in 10/)
    .first()
    .waitFor();
};
const pot = async (page: Page) => {
  await plan(page);
  await page.goto('/pot?cook=c-vanilla');
  await page.locator('text=bottom layer').waitFor();
  await page.clock.fastForward('02:25');
  await page.waitForTimeout(4000);
};
const set = async (page: Page) => {
  await plan(page);
  await page.getByTestId('cook').click();
  for (const [key, wait] of [
    ['All weighed', '00:30'],
    ['Slurry is smooth', '03:50'],
    ['It steams', '03:55'],
    ['First bubble', '02:00'],
    ['Done cooking', '00:40'],
    ['Stirred in', '00:30'],
    ['Poured', '00:10'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${key}`) }).click();
    await page.clock.fastForward(wait);
  }
  await page.getByRole('button', { name: 'See it set' }).click();
  await page.getByTestId('ready-at').waitFor();
  await page.clock.fastForward('20:00');
  await page.getByRole('button', { name: 'Into the fridge' }).click();
  await page.clock.fastForward('01:10:00');
  await page.waitForTimeout(2500);
};
const at = (address: string, ready: string) => async (page: Page) => {
  await plan(page);
  await page.goto(address);
  await page.getByTestId(ready).waitFor();
  await page.waitForTimeout(300);
};
/** A recipe off a hymn sheet, with what is wrong in it. */
const recipe = async (page: Page) => {
  await plan(page);
  await page.goto('/recipe');
  await page
    .getByLabel('The recipe')
    .fill(
      'Second row cups, serves 6\n\n700 ml milk\n4 tbsp cornflour\n60 g sugar\n2 cinnamon sticks\n30 g raisins\n2 glugs of something\n\nBoil the milk with the sugar and the cinnamon. Add the cornflour to the boiling milk and cook until it coats the spoon. Pour into cups and chill 2 hours.',
    );
  await page.getByRole('button', { name: 'Read it' }).click();
  await page.getByTestId('checkup').waitFor();
  await page.waitForTimeout(800);
};
/** The first page, as it is before anything was chosen. */
const start = async (page: Page) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Plan my first pudding' }).waitFor();
  await page.waitForTimeout(300);
};
/** A sauce in a pot of its own, half of which goes into the squares. */
const beside = async (page: Page) => {
  await plan(page);
  await page.goto('/plan?id=choir-3-coconut');
  await page.getByTestId('row-sides').click();
  await page.getByRole('button', { name: /^A pot of its own/ }).click();
  await page.getByLabel('What it is called').fill('coconut sauce');
  await page.getByLabel('What goes into it').fill('300 ml coconut cream\n60 g sugar\n2 tsp rice flour');
  await page.clock.runFor(1000);
  await page.getByTestId('put-in').click();
  await page.getByRole('radio', { name: 'into the pot, off the heat' }).click();
  await page.getByLabel('So much of it, %').fill('50');
  await page.getByLabel('So much of it, %').blur();
  await page.getByTestId('side-makes').scrollIntoViewIfNeeded();
  await page.waitForTimeout(2500);
};
/** Noon of the supper: one pot on, two to come. */
const day = async (page: Page) => {
  await page.goto('/day');
  await page.getByTestId('next-act').waitFor({ timeout: 30_000 });
  await page.waitForTimeout(400);
};
const prep = async (page: Page) => {
  await page.goto('/prep?id=choir-1-hazelnut');
  await page.getByTestId('prep-slurry-jug').waitFor({ timeout: 30_000 });
  await page.waitForTimeout(300);
};
/** Starch went in dry, the spoon rests: lumps, and a layer that sticks. */
const practice = async (page: Page) => {
  await page.goto('/practice?do=slurry');
  await page.getByTestId('practice-pot').waitFor({ timeout: 30_000 });
  const press = (name: string | RegExp) => page.getByRole('button', { name }).first().click();
  const play = async (ms: number) => {
    await page.getByTestId('play').click();
    await page.waitForTimeout(ms);
    await page.getByTestId('play').click();
  };
  await page.getByRole('slider', { name: 'Hob setting' }).press('End');
  await press('Ring down by one');
  await page.getByTestId('speed').click();
  await play(11_000);
  await page.getByTestId('bench').click();
  await press(/cornstarch/);
  await press('dry, straight in');
  await play(9500);
  await page.waitForTimeout(1500);
};
/** The slab's way: its layer, one step open. */
const steps = async (page: Page) => {
  await page.goto('/plan?id=choir-9-slab');
  await page.getByTestId('word-serving').waitFor({ timeout: 30_000 });
  await page.getByTestId('row-steps').click();
  await page.getByText(/carries a layer/).waitFor({ timeout: 30_000 });
  await page.getByTestId('step-top').scrollIntoViewIfNeeded();
  await page.waitForTimeout(500);
};
/** It sticks: what is going on, and the way out. */
const rescue = async (page: Page) => {
  await pot(page);
  await page
    .getByRole('button', { name: /^Rescue/ })
    .first()
    .click();
  await page.getByRole('radio', { name: 'Too stiff' }).click();
  await page.getByTestId('rescue').waitFor({ timeout: 30_000 });
  await page.waitForTimeout(500);
};
const PICTURES: [name: string, view: (page: Page) => Promise<void>, size: typeof PHONE, dark?: boolean][] = [
  ['plan-phone', plan, PHONE],
  ['kitchen-phone', at('/kitchen', 'learnt'), PHONE, true],
  ['plan-wide', plan, WIDE],
  ['day-phone', day, PHONE],
  ['day-wide', day, WIDE, true],
  ['prep-phone', prep, PHONE],
  ['steps-phone', steps, PHONE],
  ['practice-phone', practice, PHONE],
  ['pot-phone', pot, PHONE],
  ['pot-wide', pot, WIDE],
  ['set-phone', set, PHONE],
  ['set-wide', set, WIDE],
  ['book-phone', at('/book', 'advice'), PHONE],
  ['book-wide', at('/book', 'advice'), WIDE],
  ['batch-phone', at('/batch?id=b-hazel-1', 'next-time'), PHONE],
  ['start-phone', start, PHONE],
  ['beside-phone', beside, PHONE],
  ['recipe-wide', recipe, WIDE],
  ['rescue-phone', rescue, PHONE],
];

const main = () =>
  withApp(root, PORT, async (browser, origin) => {
    const only = process.argv[2];
    for (const [name, view, viewport, dark] of PICTURES) {
      if (only && !name.includes(only)) continue;
      const context = await browser.newContext({
        viewport,
        colorScheme: dark ? 'dark' : 'light',
        serviceWorkers: 'block',
        baseURL: origin,
        locale: 'en-GB',
        timezoneId: 'Europe/Lisbon',
      });
      const page = await context.newPage();
      await page.clock.install({ time: new Date('2026-12-11T12:00:00Z') });
      await view(page);
      await page.screenshot({ path: path.join(root, 'docs/screenshots', `${name}.png`) });
      await context.close();
      console.log(name);
    }
  });
void main();

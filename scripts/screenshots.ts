/** npm run screenshots: one current picture of each main view, from the demo data, at noon before the supper. */
import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import path from 'node:path';

const PORT = 4194;
const root = path.join(__dirname, '..');
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

const plan = async (page: Page) => {
  await page.goto('/plan?id=choir-1-hazelnut');
  await page.getByTestId('word-serving').waitFor({ timeout: 30_000 });
  await page.getByText('wobbles 8 times in 10').waitFor();
};
const pot = async (page: Page) => {
  await plan(page);
  await page.goto('/pot?cook=c-vanilla');
  await page.locator('text=heart').waitFor();
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
const weigh = async (page: Page) => {
  await plan(page);
  await page.getByTestId('cook').click();
  await page.getByRole('checkbox', { name: /g cornstarch/ }).click();
};
/** A custard of the cook's own: its risks, and the chances over many kitchens. */
const custard = async (page: Page) => {
  await plan(page);
  await page.getByRole('button', { name: 'Plans', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a new pudding' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Tenor custard');
  await page.getByRole('radio', { name: 'Stirred custard' }).click();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await page.getByRole('heading', { name: 'Tenor custard' }).waitFor();
  await page
    .getByText(/usual guidance/)
    .first()
    .waitFor();
};
const chances = async (page: Page) => {
  await custard(page);
  await page.getByRole('button', { name: /Cook it in/ }).click();
  await page.getByText(/Matters most/).waitFor({ timeout: 60_000 });
  await page.getByTestId('chances').scrollIntoViewIfNeeded();
  await page.waitForTimeout(300);
};
const temper = async (page: Page) => {
  await custard(page);
  await page.getByTestId('cook').click();
  for (const key of ['All weighed', 'Beaten', 'It steams'])
    await page.getByRole('button', { name: new RegExp(`^${key}`) }).click();
  await page.clock.fastForward('01:00');
  await page.waitForTimeout(2500);
};
const settings = async (page: Page) => {
  await plan(page);
  await page.goto('/settings');
  await page.getByText('Cans and packets').waitFor();
};

const PICTURES: [name: string, view: (page: Page) => Promise<void>, size: typeof PHONE, dark?: boolean][] = [
  ['plan-phone', plan, PHONE],
  ['plan-night', plan, PHONE, true],
  ['plan-wide', plan, WIDE],
  ['weigh-phone', weigh, PHONE],
  ['pot-phone', pot, PHONE],
  ['pot-night', pot, PHONE, true],
  ['pot-wide', pot, WIDE],
  ['set-phone', set, PHONE],
  ['set-wide', set, WIDE],
  ['book-phone', at('/book', 'advice'), PHONE],
  ['book-wide', at('/book', 'advice'), WIDE],
  ['batch-phone', at('/batch?id=b-hazel-1', 'next-time'), PHONE],
  ['settings-phone', settings, PHONE],
  ['chances-phone', chances, PHONE],
  ['custard-wide', chances, WIDE, true],
  ['temper-phone', temper, PHONE],
];

async function main() {
  const server = spawn(process.execPath, [path.join(root, '.cache/server/main.js')], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu'],
  });
  try {
    for (let i = 0; i < 50 && !(await fetch(`http://localhost:${PORT}/healthz`).catch(() => undefined)); i++)
      await new Promise((ok) => setTimeout(ok, 100));
    const only = process.argv[2];
    for (const [name, view, viewport, dark] of PICTURES) {
      if (only && !name.includes(only)) continue;
      const context = await browser.newContext({
        viewport,
        colorScheme: dark ? 'dark' : 'light',
        serviceWorkers: 'block',
        baseURL: `http://localhost:${PORT}`,
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
  } finally {
    await browser.close();
    server.kill();
  }
}
void main();

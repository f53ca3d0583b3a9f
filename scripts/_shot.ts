import path from 'node:path';
import { withApp } from './served';
const root = path.resolve(__dirname, '..');
void withApp(root, 4377, async (browser, origin) => {
  for (const [tag, vp, scheme] of [['p', { width: 390, height: 844 }, 'light'], ['w', { width: 1280, height: 800 }, 'dark']] as const) {
  const ctx = await browser.newContext({ viewport: vp, colorScheme: scheme, locale: 'en-GB', timezoneId: 'Europe/Lisbon' });
  const page = await ctx.newPage();
  page.on('pageerror', (e) => console.log('ERR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text().slice(0, 300)));
  await page.clock.install({ time: new Date('2026-12-11T12:00:00Z') });
  await page.goto(origin + '/pot?cook=c-vanilla');
  await page.getByTestId('instruction').first().waitFor();
  for (let i = 0; i < 14; i++) {
    if (page.url().includes('/set')) break;
    const see = page.getByRole('button', { name: 'See it set' });
    if (await see.count()) { await see.click(); await page.waitForTimeout(500); break; }
    const act = page.getByTestId('act');
    const k = (await act.count()) ? act.first() : page.getByRole('button', { name: /^(First bubble|Done|Poured|Time is up|It is done)/ }).first();
    await k.click().catch(() => undefined);
    await page.waitForTimeout(500);
  }
  await page.goto(origin + '/set?cook=c-vanilla');
  await page.getByTestId('ready-at').waitFor({ timeout: 30000 }).catch(() => console.log('no ready', page.url()));
  await page.getByTestId('set-act').click().catch(() => undefined);
  await page.clock.fastForward('01:10:00');
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `/tmp/set-${tag}.png` });
  await page.getByTestId('touch').scrollIntoViewIfNeeded().catch(() => console.log('no touch'));
  await page.getByRole('button', { name: 'A dent stays' }).click().catch(() => undefined);
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `/tmp/set2-${tag}.png` });
  await page.getByTestId('keep').scrollIntoViewIfNeeded().catch(() => undefined);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `/tmp/set3-${tag}.png` });
  await page.getByTestId('where').click().catch(() => undefined);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `/tmp/where-${tag}.png` });
  await page.goto(origin + '/book');
  await page.getByTestId('advice').waitFor({ timeout: 20000 }).catch(() => console.log('no advice'));
  await page.waitForTimeout(1000);
  await page.screenshot({ path: `/tmp/book-${tag}.png` });
  await page.getByTestId('compare').click();
  await page.getByRole('checkbox').filter({ hasText: 'Hazelnut' }).nth(0).click();
  await page.getByRole('checkbox').filter({ hasText: 'Hazelnut' }).nth(1).click();
  await page.getByTestId('overlay-key').click();
  await page.getByTestId('overlay').waitFor();
  await page.waitForTimeout(700);
  await page.screenshot({ path: `/tmp/overlay-${tag}.png` });
  await page.goto(origin + '/kitchen');
  await page.getByTestId('learnt').waitFor();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: `/tmp/kitchen-${tag}.png` });
  await page.getByTestId('measure-spoon').click();
  await page.getByRole('textbox', { name: /Together/ }).fill('93');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await page.getByTestId('found').waitFor();
  await page.screenshot({ path: `/tmp/measure-${tag}.png` });
  await page.goto(origin + '/batch?id=b-hazel-2');
  await page.getByTestId('next-time').waitFor();
  await page.getByRole('button', { name: /What changes/ }).click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: `/tmp/batch-${tag}.png` });
  await page.goto(origin + '/label?cook=c-vanilla');
  await page.waitForTimeout(1500);
  await page.screenshot({ path: `/tmp/label-${tag}.png` });
  await ctx.close();
  }
});

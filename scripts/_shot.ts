import { withApp } from './served';
void withApp('/work/main', 4199, async (browser, origin) => {
  for (const [w, h, n] of [
    [390, 844, 'p'],
    [1280, 800, 'w'],
  ] as const) {
    const page = await browser.newPage({ viewport: { width: w, height: h } });
    page.on('pageerror', (e) => console.log('ERR', e.message));
    await page.goto(`${origin}/plan`);
    await page.getByTestId('row-steps').waitFor();
    await page.waitForTimeout(3000);
    await page.getByTestId('row-steps').click();
    await page.waitForTimeout(1500);
    await page.screenshot({ path: `/tmp/s-${n}-1.png` });
    await page.getByTestId('step-cook on').getByRole('button').nth(1).click();
    await page
      .getByRole('button', { name: 'More How long, min' })
      .or(page.getByRole('button', { name: /more.*how long/i }))
      .first()
      .click()
      .catch((e) => console.log(String(e).slice(0, 300)));
    await page.waitForTimeout(3000);
    await page.screenshot({ path: `/tmp/s-${n}-2.png` });
    await page.keyboard.press('Escape');
    await page.getByTestId('row-portions').click();
    await page.getByRole('button', { name: 'Some warm and loose, at once' }).click();
    await page.waitForTimeout(3000);
    await page.screenshot({ path: `/tmp/s-${n}-3.png` });
    await page.close();
  }
});

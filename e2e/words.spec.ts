import { readFileSync } from 'node:fs';
import { DISHES, HOBS, PANS } from '../core/pantry/kitchen';
import { PANTRY } from '../core/pantry/pantry';
import { expect, NOON, test } from './kitchen';

/** Every room, with what its tests know of having arrived. */
const ROOMS = [
  ['/plan?id=choir-2-vanilla', 'word-serving'],
  ['/recipe', undefined],
  ['/compare?a=choir-2-vanilla&b=choir-3-coconut', undefined],
  ['/lining?id=choir-3-coconut', undefined],
  ['/day', undefined],
  ['/shopping', undefined],
  ['/prep?id=choir-2-vanilla', undefined],
  ['/pot', undefined],
  ['/pot?cook=c-vanilla', 'step-done'],
  ['/rescue?cook=c-vanilla', undefined],
  ['/set', undefined],
  ['/batch?id=b-hazel-1', undefined],
  ['/book', 'advice'],
  ['/kitchen', 'learnt'],
  ['/practice', 'exercises'],
  ['/practice?do=saved', 'why'],
  ['/rescue', undefined],
  ['/settings', undefined],
] as const;

/**
 * Words that are no sentence of ours: names that a kitchen keeps, units and hours, days of the week by the package of
 * dates. Everything else on a screen has to come out of words/, and shows it by its accents.
 */
const UNITS =
  /^(?:[\d\s.,:;×+−–±/%°()½¼¾⅓⅔~<>=|…’'“”"€\u202f\u00a0-]|\b(?:g|kg|ml|l|mm|cm|min|h|s|W|kW|Pa|kcal|C|F|K|pH|Ovalis|EU|US|M|(?:Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day|Mon|Tue|Wed|Thu|Fri|Sat|Sun|Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec|am|pm|[A-Z]|ø+)\b)+$/;

test('nothing is left untranslated and nothing breaks in the stretched language', async ({ watched: page }) => {
  test.setTimeout(240_000);
  await page.clock.install({ time: NOON });
  await page.goto('/settings');
  await page.getByRole('radio', { name: /Stretched/ }).click();
  await expect(page.locator('html')).toHaveAttribute('dir', 'rtl');
  const left: string[] = [];
  for (const [address, arrived] of ROOMS) {
    await page.goto(address);
    await expect(page.locator('html')).toHaveAttribute('dir', 'rtl');
    if (arrived) await expect(page.getByTestId(arrived).first()).toBeVisible();
    await expect(page.getByRole('main')).toContainText('ø');
    await page.waitForTimeout(1500);
    const found = await page.evaluate(async () => {
      const texts: string[] = [];
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let n = walker.nextNode(); n; n = walker.nextNode()) {
        const at = n.parentElement!;
        if (!at.closest('script, style, textarea, [hidden]') && n.textContent?.trim()) texts.push(n.textContent.trim());
      }
      for (const e of document.querySelectorAll('[aria-label], [placeholder]'))
        texts.push(e.getAttribute('aria-label') ?? '', e.getAttribute('placeholder') ?? '');
      return { texts, wide: document.documentElement.scrollWidth - document.documentElement.clientWidth };
    });
    expect([address, found.wide]).toEqual([address, 0]);
    left.push(
      ...found.texts.filter((text) => text && !/[øáéíóúýçñšÁÉÍÓÚÇÑŠ]/.test(text)).map((text) => `${address}: ${text}`),
    );
  }
  const kept = await namesKept(page);
  const untold = left
    .map((line) => {
      let text = line.slice(line.indexOf(': ') + 2);
      for (const name of kept) text = text.split(name).join(' ').split(capital(name)).join(' ');
      return [line, text.trim()] as const;
    })
    .filter(([, text]) => text && !UNITS.test(text))
    .map(([line]) => line);
  expect([...new Set(untold)]).toEqual([]);
});

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/** Names of everything that this kitchen keeps and that ships with it, the longest first. */
async function namesKept(page: import('@playwright/test').Page): Promise<string[]> {
  const file = page.waitForEvent('download');
  await page.goto('/settings');
  await page
    .getByRole('button', { name: /^Éxpórt/ })
    .first()
    .click();
  const path = await (await file).path();
  const names = new Set<string>();
  const walk = (value: unknown) => {
    if (Array.isArray(value)) value.forEach(walk);
    else if (value && typeof value === 'object')
      for (const [key, v] of Object.entries(value)) {
        if (['name', 'note', 'title'].includes(key) && typeof v === 'string') names.add(v);
        walk(v);
      }
  };
  walk(JSON.parse(readFileSync(path, 'utf8')));
  for (const row of [...PANTRY, ...PANS, ...HOBS, ...DISHES]) names.add(row.name);
  return [...names].filter(Boolean).sort((a, b) => b.length - a.length);
}

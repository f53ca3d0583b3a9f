import { onTop } from '../core/plan/method';
import { withLine, withOwnSteps, withParts } from '../core/plan/layout';
import type { Page } from '@playwright/test';
import type { Plan } from '../core/plan/plan';
import type { Settings } from '../core/settings';
import { methodOf } from '../core/plan/family';
import { familyPlan } from '../core/testing';
import { DISHES } from '../core/testingDishes';
import { cookedTo, kitchenOf } from './evenings';
import { expect, openAt, tapIfThere, test } from './kitchen';

/** What a step asks beside the spoon, each from a pot that was cooked as planned up to there. */
const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const seen = (page: Page, id: string) => page.getByTestId(id).locator('visible=true');

async function pot(page: Page, plan: Plan, step: string, intoS = 5, settings: Partial<Settings> = {}) {
  const { cook, at } = cookedTo(plan, step, intoS);
  await openAt(page, '/settings', at);
  await page.getByLabel('Kitchen file').setInputFiles({
    name: 'evening.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(kitchenOf([cook], at, settings))),
  });
  // with its settings
  await page.getByRole('radio', { name: /in the place of/ }).click();
  await page.getByTestId('confirm').click();
  await expect(page.getByText('Done.')).toBeVisible();
  await page.goto('/pot?cook=evening-here');
}

test.describe('guides', () => {
  test('down to the mark: how deep it is, and where the mark stands', async ({ watched: page }) => {
    await pot(page, DISHES.reduction, 'reduce', 120);
    const says = await seen(page, 'guide-reduction').innerText();
    const [, now, mark] = /(\d+) mm deep, down to (\d+) mm/.exec(says)!;
    expect(Number(mark)).toBeLessThan(Number(now));
    expect(says).toMatch(/off the heat for a moment, and mark its handle/);
  });

  test('over steam: the water, the burn, and a spoon that coats instead of a bubble', async ({ watched: page }) => {
    await pot(page, DISHES.boiler, 'thicken', 60);
    await expect(seen(page, 'guide-bath')).toContainText(/Water under it (9\d|100) °C/);
    await expect(seen(page, 'guide-bath')).toContainText('Steam from under the bowl scalds');
    await expect(page.getByTestId('step-done')).toHaveText('It coats the spoon');
    await expect(page.getByRole('main')).not.toContainText(/first bubble/i);
  });

  test('under a lid: a stir is called for, and counted from when it was done', async ({ watched: page }) => {
    const porridge = familyPlan('porridge');
    porridge.choices = { ...porridge.choices, stirring: 'lid on, now and then' };
    await pot(page, porridge, 'simmer', 20);
    const guide = seen(page, 'guide-covered');
    await expect(guide).toContainText(/Next stir in 2:\d\d/);
    await page.clock.fastForward('03:05');
    await expect(guide).toContainText('Stir now');
    await guide.getByRole('button', { name: 'Stirred' }).click();
    await expect(guide).toContainText(/Next stir in (3:00|2:\d\d)/);
  });

  test('in the oven: its middle, and the moment for a second layer', async ({ watched: page }) => {
    // a method of its own without a step for the layer: the oven's panel says when
    const plain = familyPlan('baked slab');
    const slab = withLine(
      withOwnSteps(
        plain,
        methodOf(plain).filter((s) => !onTop(s)),
      ),
      { ingredientId: 'cream_35', grams: 120, in: 'top' },
    );
    await pot(page, slab, 'bake', 60);
    const guide = seen(page, 'guide-oven');
    await expect(guide).toContainText(/Middle about \d+ °C, out in \d+ min/);
    await expect(guide).toContainText(/Half set in \d+:\d\d/);
    await page.clock.fastForward('15:00');
    await expect(guide).toContainText('the second layer, over the back of a spoon');
    await guide.getByRole('button', { name: 'Layer is on' }).click();
    await expect(guide).toContainText('The second layer is on.');
  });

  test('a pot that must wait: cooler and thicker by the minute, warmer when wrapped', async ({ watched: page }) => {
    await pot(page, DISHES.porridge, 'off the heat', 5);
    await key(page, 'More').click();
    const waiting = page.getByTestId('waiting');
    const degrees = async () => [...(await waiting.innerText()).matchAll(/min: (\d+) °C/g)].map((m) => Number(m[1]));
    await expect.poll(async () => (await degrees()).length).toBeGreaterThan(1);
    const open = await degrees();
    expect(open.at(-1)!).toBeLessThan(open[0]!);
    await waiting.getByRole('radio', { name: 'wrapped in a blanket' }).click();
    await expect.poll(async () => (await degrees()).at(-1) ?? 0).toBeGreaterThan(open.at(-1)!);
    await expect(waiting).toContainText('longer than two hours it is not safe');
  });

  test('to taste, and counted out: nothing on the list is forgotten', async ({ watched: page }) => {
    const held = withParts(familyPlan('starch-set milk pudding'), [
      { ingredientId: 'sugar', grams: 20, in: 'off the heat', taste: true },
    ]);
    const spiced = withLine(held, { ingredientId: 'cinnamon', grams: 4, in: 'pot' });
    await pot(page, spiced, 'taste');
    const panel = seen(page, 'taste');
    await expect(panel).toContainText('0 g in of 20 g held back');
    await panel.getByRole('button', { name: '5 g sugar in' }).click();
    await panel.getByRole('button', { name: '10 g sugar in' }).click();
    await expect(panel).toContainText('15 g in of 20 g held back');
    await expect(page.getByRole('main')).toContainText('Hot tastes sweeter than it will cold');
    await page.getByTestId('step-done').click();
    const out = seen(page, 'count-out').getByRole('checkbox');
    await expect(out).toHaveText(/cinnamon.*still in/);
    await out.click();
    await expect(out).toHaveText(/cinnamon.*out$/);
    await page.getByTestId('step-done').click();
    await key(page, 'More').click();
    await expect(page.getByText(/10 g sugar/)).toBeVisible();
  });

  test('an alarm is heard whatever was touched first, and says that it is silent before that', async ({
    watched: page,
  }) => {
    await page.addInitScript(() => {
      const make = AudioContext.prototype.createOscillator;
      let notes = 0;
      Object.defineProperty(window, 'notes', { get: () => notes });
      AudioContext.prototype.createOscillator = function () {
        notes++;
        return make.call(this);
      };
    });
    const notes = () => page.evaluate(() => (window as unknown as { notes: number }).notes);
    await pot(page, DISHES.starch, 'cook on', 2);
    const silent = page.getByText(/silent until touched/);
    for (const [first, then] of [
      ['Pause', 'Go on'],
      ['I stir again', 'The spoon rests'],
      ['More', 'Close'],
    ] as const) {
      // opened anew: the page has not been touched
      await page.reload();
      await expect(silent).toBeVisible();
      await key(page, first).first().click();
      await expect(silent).toHaveCount(0);
      await key(page, then).last().click();
      const before = await notes();
      // all the heat there is, and nobody stirs: it is about to climb
      await page.getByTestId('hob-9').first().click();
      await tapIfThere(key(page, 'The spoon rests'));
      for (let i = 0; i < 15 && (await notes()) === before; i++) {
        await page.clock.fastForward(6000);
        await page.waitForTimeout(400);
      }
      expect(await notes()).toBeGreaterThan(before);
      // a key that is hit by the way ends no step while it calls
      const step = page.getByText(/^step \d+ of/).first();
      const was = (await step.innerText()).slice(0, 6);
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      await page.keyboard.press('Space');
      await page.waitForTimeout(300);
      expect((await step.innerText()).slice(0, 6)).toBe(was);
    }
  });

  test('a call is felt, seen and spoken, and each can be muted; “still thin” answers one that asks', async ({
    watched: page,
    browser,
  }) => {
    await page.addInitScript(() => {
      const felt: unknown[] = [];
      const said: string[] = [];
      Object.assign(window, { felt, said });
      Object.defineProperty(navigator, 'vibrate', { value: (p: unknown) => felt.push(p) });
      Object.defineProperty(window, 'speechSynthesis', {
        value: { cancel: () => undefined, speak: (u: { text: string }) => said.push(u.text) },
      });
      Object.defineProperty(window, 'SpeechSynthesisUtterance', {
        value: class {
          constructor(readonly text: string) {}
        },
      });
    });
    const felt = () => page.evaluate(() => (window as unknown as { felt: unknown[] }).felt.length);
    const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
    // all the heat there is, and nobody stirs
    await pot(page, DISHES.starch, 'cook on', 2, { speaks: true });
    await expect(page.getByTestId('instruction').first()).toHaveText('Keep stirring');
    await page.getByTestId('hob-9').first().click();
    await key(page, 'The spoon rests').click();
    const act = page.getByTestId('alarm-act');
    for (let i = 0; i < 12 && !(await act.count()); i++) {
      await page.clock.fastForward(6000);
      await page.waitForTimeout(400);
    }
    await expect(act).toHaveText('Done: off the ring');
    await expect(page.getByTestId('flash')).toBeVisible();
    await page.clock.runFor(2500);
    expect(await felt()).toBeGreaterThan(0);
    expect((await said()).some((s) => s.startsWith('It climbs.'))).toBe(true);
    await key(page, 'More').click();
    for (const way of ['Flash', 'Vibration', 'Voice'])
      await page.getByRole('checkbox', { name: way, exact: true }).click();
    await key(page, 'Close').last().click();
    await expect(page.getByTestId('flash')).toHaveCount(0);
    const [shakes, lines] = [await felt(), (await said()).length];
    await page.clock.runFor(8000);
    expect([await felt(), (await said()).length]).toEqual([shakes, lines]);
    await act.click();
    await expect(act).toHaveCount(0);

    // nothing was measured: a custard is not called as if it were certain
    await page.close();
    // in a kitchen of its own: the pot that was on would stay
    const elsewhere = await browser.newContext();
    const other = await elsewhere.newPage();
    await pot(other, DISHES.custard, 'thicken', 75);
    const thin = other.getByTestId('alarm-act').or(other.getByTestId('step-done')).first();
    await expect(thin).toBeVisible();
    for (let i = 0; i < 12 && !(await other.getByTestId('alarm-act').count()); i++) {
      await other.clock.fastForward(4000);
      await other.waitForTimeout(400);
    }
    await expect(other.getByTestId('instruction').first()).toHaveText('Lift the spoon');
    await expect(other.getByTestId('flash')).toHaveCount(0);
    await key(other, 'Still thin').first().click();
    await expect(other.getByTestId('alarm-act')).toHaveCount(0);
    await elsewhere.close();
  });
});

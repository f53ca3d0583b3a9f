import type { Page } from '@playwright/test';
import type { Cook } from '../core/cook/events';
import { expect, NOON, openAt, openPlan, test, BOTH_SIZES, secondsLeft } from './kitchen';

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const order = (page: Page) => page.getByTestId('instruction').first();

/** The demo's pot: the slurry has just gone in. */
async function pot(page: Page) {
  await openAt(page, '/plan', NOON);
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await page.goto('/pot?cook=c-vanilla');
  await expect(order(page)).toHaveText('Sweep the bottom');
  await expect(page.getByTestId('between')).toBeVisible();
}
const more = (page: Page) => page.getByRole('button', { name: 'More', exact: true }).click();
const close = (page: Page) => key(page, 'Close').last().click();

test('one key is enough for done, and never while something is typed', async ({ watched: page }) => {
  await pot(page);
  await more(page);
  await page.getByRole('textbox', { name: 'Note' }).fill('with a space');
  await page.getByRole('textbox', { name: 'Note' }).press('Space');
  await close(page);
  await expect(order(page)).toHaveText('Sweep the bottom');
  // the hand is off the keys of the screen
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('Space');
  await expect(order(page)).toHaveText('Keep stirring');
});

test('a wet thumb that bounces does one thing, not two', async ({ watched: page }) => {
  await openPlan(page);
  await page.getByTestId('cook').dblclick();
  await expect(order(page)).toHaveText('Weigh it out');
  await expect(page.getByTestId('other-pot')).toHaveCount(1); // the demo's, and no twin of this one
  await page.getByTestId('step-done').dblclick();
  await expect(order(page)).toHaveText('Whisk the slurry');
  await page.goto('/pot?cook=c-vanilla');
  await key(page, 'Edges thicken').dblclick();
  await more(page);
  await expect(page.getByText(/^\d\d:\d\d\s+Edges thicken$/)).toHaveCount(1);
});

/** Where something to tap stands, frame by frame for this long from when it is first there: each place once. */
const placesOf = (page: Page, selector: string, forMs: number) =>
  page.evaluate(
    ([what, ms]) =>
      new Promise<number[]>((done) => {
        const places = new Set<number>();
        let from = 0;
        const look = (t: number) => {
          const seen = [...document.querySelectorAll(what)].find((e) => e.getClientRects().length);
          const y = seen?.getBoundingClientRect().top;
          if (y !== undefined) {
            from ||= t;
            places.add(Math.round(y));
          }
          if (from && t - from > ms) done([...places]);
          else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
      }),
    [selector, forMs] as const,
  );

test('nothing moves under a thumb when the model answers', BOTH_SIZES, async ({ watched: page }) => {
  await openPlan(page);
  await page.getByTestId('cook').click();
  expect(await placesOf(page, '[role=checkbox][aria-label*="g cornstarch"]', 4000)).toHaveLength(1);
  await expect(page.getByRole('list', { name: 'What is coming' }).locator('visible=true')).toBeVisible();
  for (const what of ['[role=slider][aria-label^="hob"]', '[data-testid=step-done]']) {
    await page.goto('/pot?cook=c-vanilla');
    expect(await placesOf(page, what, 4000)).toHaveLength(1);
  }
});

test(
  'what a key does is seen in the oval, and no other key comes under the thumb',
  BOTH_SIZES,
  async ({ watched: page }) => {
    await pot(page);
    const answer = page.getByTestId('answer').locator('visible=true');
    const keysAt = () =>
      page.evaluate(() =>
        [...document.querySelectorAll('[role=button], button')]
          .filter((k) => /^(First bubble|Edges|Coats|Lumps|Back|Pause|Undo|Rest|Stir|More)/.test(k.textContent ?? ''))
          .map((k) => Math.round(k.getBoundingClientRect().y))
          .join(' '),
      );
    await expect(order(page)).toHaveText('Sweep the bottom');
    const before = await keysAt();
    for (const [name, says] of [
      ['Lumps', /whisk hard/],
      ['Edges thicken', /Edges thicken: noted/],
      ['The spoon rests', /spoon rests/],
      ['I stir again', /I stir again/],
      ['Undo', /Taken back/],
    ] as const) {
      await page.getByRole('button', { name, exact: true }).click();
      await expect(answer).toContainText(says);
      await expect(answer).toBeInViewport({ ratio: 1 });
      expect(await keysAt()).toBe(before);
    }
  },
);

test('it speaks the order in nine words at the most, and hears “done”; where it cannot, it says so', async ({
  watched: page,
}) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    Object.defineProperty(window, 'speechSynthesis', {
      value: { cancel: () => undefined, speak: (u: { text: string }) => said.push(u.text) },
    });
    Object.defineProperty(window, 'SpeechSynthesisUtterance', {
      value: class {
        constructor(readonly text: string) {}
      },
    });
    class Ear extends EventTarget {
      start() {
        Object.assign(window, { ear: this });
      }
      stop() {
        return undefined;
      }
    }
    Object.defineProperty(window, 'SpeechRecognition', { value: Ear });
  });
  await pot(page);
  await more(page);
  await page.getByRole('checkbox', { name: 'Voice' }).click();
  await page.getByRole('checkbox', { name: 'Listen' }).click();
  await close(page);
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await expect.poll(async () => (await said()).some((s) => s.startsWith('Sweep the bottom'))).toBe(true);
  for (const line of await said()) expect(line.split(/\s+/).length).toBeLessThanOrEqual(9);
  await page.evaluate(() => {
    const heard = Object.assign(new Event('result'), {
      resultIndex: 0,
      results: [[{ confidence: 0.9, transcript: 'well, done' }]],
    });
    (window as unknown as { ear: EventTarget }).ear.dispatchEvent(heard);
  });
  await expect(order(page)).toHaveText('Keep stirring');
  await expect.poll(async () => (await said()).some((s) => s.startsWith('Keep stirring'))).toBe(true);
});

test('two pots: the other one is seen, calls by itself, and is a tap away', BOTH_SIZES, async ({ watched: page }) => {
  await openPlan(page, 'choir-1-hazelnut');
  await page.getByTestId('cook').click();
  await expect(order(page)).toHaveText('Weigh it out');
  const other = page.getByTestId('other-pot');
  await expect(other).toContainText('Vanilla milk cups');
  await other.click();
  await expect(order(page)).toHaveText('Sweep the bottom');
  await expect(page.getByTestId('other-pot')).toContainText('Hazelnut set pudding');
});

test('a pot beside the pot is a tap away and keeps its time', async ({ watched: page }) => {
  await pot(page);
  await key(page, /^Beside: compote/).click();
  await expect(page.getByText(/^Taste when cold/)).toBeVisible();
  await key(page, 'It is on').click();
  const left = async () => {
    const [min = 0, s = 0] = (await page.getByRole('timer').last().innerText()).split(':').map(Number);
    return min * 60 + s;
  };
  await expect.poll(left).toBeGreaterThan(120);
  const before = await left();
  await page.clock.fastForward('02:00');
  await expect.poll(left).toBeLessThanOrEqual(before - 120);
  await key(page, 'It is done').click();
  await expect(page.getByText(/^Done at/)).toBeVisible();
});

test('what was noted late is put at its time, and any event can be taken back', async ({ watched: page }) => {
  await pot(page);
  await key(page, 'Lumps').click();
  await more(page);
  const row = page.getByText(/^\d\d:\d\d {2}Lumps$/);
  const before = await row.innerText();
  await key(page, 'When was it: Lumps').click();
  await key(page, '5 min earlier').click();
  await expect(row).not.toHaveText(before);
  await key(page, 'Take back Lumps').click();
  await expect(row).toHaveCount(0);
  // a whole step can be taken back the same way
  await close(page);
  await key(page, 'First bubble').click();
  await expect(order(page)).toHaveText('Keep stirring');
  await more(page);
  await key(page, 'Take back Thicken done').click();
  await close(page);
  await expect(order(page)).toHaveText('Sweep the bottom');
});

test('the clock of the device is changed: the step goes on where it was', async ({ watched: page }) => {
  await pot(page);
  const left = async () => (await secondsLeft(page)) ?? Infinity;
  await expect.poll(left).toBeLessThan(Infinity);
  const before = await left();
  await page.clock.setSystemTime(new Date((await page.evaluate(() => Date.now())) - 3_600_000));
  await expect.poll(left).toBeLessThan(before);
  expect(await left()).toBeGreaterThan(before - 40);
  await more(page);
  await expect(page.getByText(/The clock was changed/)).toBeVisible();
});

test('away for a while: it says so, and what fell due', async ({ watched: page }) => {
  await pot(page);
  await page.clock.fastForward('04:00');
  await expect(page.getByText(/Away from 12:0\d to 12:0\d/).locator('visible=true')).toBeVisible();
  await expect(page.getByText(/“Sweep the bottom” fell due meanwhile/).locator('visible=true')).toBeVisible();
  await key(page, 'All right').locator('visible=true').click();
  await expect(page.getByText(/Away from/)).toHaveCount(0);
});

test('the served stand-in kitchen is heard; a probe that drops out is said and the cook goes on', async ({
  watched: page,
}) => {
  let lose = false;
  let turned = false;
  await page.route('**/kitchens/*', async (route) => {
    const body = route.request().postDataJSON() as { cook: Cook; faults: object[] };
    if (turned && !body.cook.events.some((e) => e.kind === 'hobSet'))
      body.faults = [{ device: 'hob', how: 'lies', fromMs: 0, toMs: 9e12, by: -2 }];
    if (lose) body.faults = [{ device: 'probe', how: 'drops out', fromMs: 0, toMs: 9e12, by: 0 }];
    await route.continue({ postData: JSON.stringify(body) });
  });
  await pot(page);
  await more(page);
  await page.getByRole('radio', { name: 'stand-in kitchen' }).click();
  await close(page);
  await expect(page.getByText(/probe \d\d °C/)).toBeVisible();
  await expect(page.getByTestId('eye').first()).toContainText('It steams');
  // somebody turns the ring by hand: the hob says so, and one tap takes it over
  turned = true;
  await key(page, 'Lumps').click();
  const says = page.getByText(/The hob says \d, the pot here is cooked on \d/).locator('visible=true');
  await expect(says).toBeVisible();
  const counted = Number(/cooked on (\d)/.exec(await says.innerText())![1]);
  await key(page, `It is on ${counted - 2}`)
    .locator('visible=true')
    .click();
  await expect(page.getByText(`hob ${counted - 2}, turn to`).locator('visible=true')).toBeVisible();
  await expect(says).toHaveCount(0);
  lose = true;
  await key(page, 'Edges thicken').click();
  await expect(page.getByText(/The probe is not heard/).locator('visible=true')).toBeVisible();
  await key(page, 'First bubble').click();
  await expect(order(page)).toHaveText('Keep stirring');
});

test('a thermometer by Bluetooth, from a GATT server in the page: read, lost, told', async ({ watched: page }) => {
  await page.addInitScript(() => {
    const characteristic = Object.assign(new EventTarget(), {
      value: undefined as DataView | undefined,
      startNotifications: () => Promise.resolve(),
    });
    let up = true;
    const gatt = {
      connected: true,
      connect: () => (up ? Promise.resolve(gatt) : Promise.reject(new Error('out of reach'))),
      disconnect: () => undefined,
      getPrimaryService: () => Promise.resolve({ getCharacteristic: () => Promise.resolve(characteristic) }),
    };
    const device = Object.assign(new EventTarget(), { name: 'probe of the choir', gatt });
    Object.defineProperty(navigator, 'bluetooth', { value: { requestDevice: () => Promise.resolve(device) } });
    Object.assign(window, {
      sends: (tenths: number) => {
        characteristic.value = new DataView(Uint8Array.from([0, tenths & 255, tenths >> 8, 0, 255]).buffer);
        characteristic.dispatchEvent(new Event('characteristicvaluechanged'));
      },
      leaves: () => {
        up = false;
        device.dispatchEvent(new Event('gattserverdisconnected'));
      },
    });
  });
  await pot(page);
  await more(page);
  await page.getByRole('radio', { name: 'by Bluetooth' }).click();
  await key(page, 'Find a thermometer').click();
  await close(page);
  await page.waitForTimeout(200);
  await page.evaluate(() => (window as unknown as { sends: (t: number) => void }).sends(715));
  await expect(page.getByText(/probe 7[12] °C/)).toBeVisible();
  await page.evaluate(() => (window as unknown as { leaves: () => void }).leaves());
  await expect(page.getByText(/The probe is not heard/).locator('visible=true')).toBeVisible();
});

test('the disk is full in the middle of a cook: it is said, and the pot goes on', async ({ watched: page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...a: Parameters<typeof put>) {
      if ((window as unknown as { full?: boolean }).full) throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, a);
    };
  });
  await pot(page);
  await page.evaluate(() => Object.assign(window, { full: true }));
  await key(page, 'First bubble').click();
  await expect(order(page)).toHaveText('Keep stirring');
  await expect(
    page
      .getByRole('alert')
      .or(page.getByText(/not saved|could not be saved/i))
      .first(),
  ).toBeVisible();
  // when there is room again, what was refused is written with the next tap
  await page.evaluate(() => Object.assign(window, { full: false }));
  await key(page, 'Pause').click();
  await expect(key(page, 'Go on')).toBeVisible();
  await page.reload();
  await expect(order(page)).toHaveText('Keep stirring');
  await expect(key(page, 'Go on')).toBeVisible();
});

test('the tab dies right after each of five taps: every tap is there', async ({ watched, context }) => {
  await pot(watched);
  await watched.close();
  const TAPS = 5;
  for (let i = 0; i < TAPS; i++) {
    const tab = await context.newPage();
    await tab.goto('/pot?cook=c-vanilla');
    await key(tab, 'Edges thicken').click();
    // the renderer itself, in the middle of whatever it writes
    const devtools = await context.newCDPSession(tab);
    const gone = tab.waitForEvent('crash');
    void devtools.send('Page.crash').catch(() => undefined);
    await gone;
    await tab.close();
  }
  const page = await context.newPage();
  await page.goto('/pot?cook=c-vanilla');
  await more(page);
  await expect(page.getByText(/^\d\d:\d\d\s+Edges thicken$/)).toHaveCount(TAPS);
});

test('a stir now and then is called for under a lid, and the lid is the cook’s', async ({ watched: page }) => {
  await pot(page);
  await more(page);
  await page.getByRole('radiogroup', { name: 'Lid' }).getByRole('radio', { name: 'ajar' }).click();
  await expect(page.getByText(/Lid ajar/)).toBeVisible();
  await close(page);
  await key(page, 'The spoon rests').click();
  await expect(key(page, 'I stir again')).toBeVisible();
});

test('rescue: from the pot, step by step, written into it; or told by hand', async ({ watched: page }) => {
  await pot(page);
  await key(page, 'First bubble').click();
  await key(page, /^Rescue/)
    .first()
    .click();
  await page.getByRole('radio', { name: 'Too stiff' }).click();
  await expect(page.getByTestId('rescue')).toBeVisible();
  await page.getByRole('radio', { name: 'It catches' }).click();
  await expect(page.getByText(/film sticks to the floor/)).toBeVisible();
  const act = page.getByTestId('rescue-act');
  await expect(act).toHaveText('Do it now, step by step');
  await act.click();
  await expect(page.getByText('Off the ring. Do not scrape.')).toBeVisible();
  for (let i = 0; i < 3; i++) await act.click();
  await expect(act).toHaveText('Done, write it down');
  await act.click();
  await expect(page).toHaveURL(/\/pot\?cook=c-vanilla/);
  await more(page);
  await expect(page.getByText(/Rescue, catching/)).toBeVisible();

  // the pot beside the pot is mended by itself, and it is written down whose it was
  await page.goto('/rescue?cook=c-vanilla');
  await page.getByRole('radiogroup', { name: 'Which pot' }).getByRole('radio', { name: 'compote' }).click();
  await page.getByRole('radio', { name: 'Too thin', exact: true }).click();
  await expect(page.getByTestId('rescue-amount')).toHaveText(/^\d(\.\d)? g cornstarch$/);

  await page.goto('/rescue');
  await key(page, 'Another: tell what is in it').click();
  await page.getByLabel('How much liquid, g').fill('20');
  await expect(page.getByText(/should be 50 g or more/)).toBeVisible();
  await page.getByLabel('How much liquid, g').fill('700');
  await page.getByLabel('How much of it, g').fill('16');
  await key(page, 'Go on').click();
  await page.getByRole('radio', { name: 'Too thin', exact: true }).click();
  await expect(page.getByTestId('rescue-amount')).toHaveText(/^\d+(\.\d)? g cornstarch$/);
});

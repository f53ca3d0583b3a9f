import type { BrowserContext, Page } from '@playwright/test';
import type { DishName } from '../core/testingDishes';
import { kitchenFor } from './evenings';
import { expect, NOON, openAt, test, throughUnmoulding, tapIfThere } from './kitchen';

/**
 * Two whole evenings with the stand-in kitchen (four more, without a browser, in core/cook/evenings.test.ts): a pot with hidden habits, a cook who looks at it and taps what is asked. The
 * clock is the test's own; the devices are in the browser, as where there is no server.
 */
const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
/** s between two looks of the cook. */
const LOOK_S = 6;
/** s until a hand has done what a call asks. */
const HAND_S = 8;

/** Puts the kitchen into the browser and goes to the pot, with the clock stopped. */
async function light(page: Page, name: DishName, more: DishName[] = []) {
  await page.route('**/healthz', (r) => r.fulfill({ status: 404 }));
  // the spoon jumps between four places: less to draw
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openAt(page, '/settings', NOON);
  await page.getByLabel('Kitchen file').setInputFiles({
    name: 'evening.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(kitchenFor([name, ...more], NOON))),
  });
  // with its settings
  await page.getByRole('radio', { name: /in the place of/ }).click();
  await page.getByTestId('confirm').click();
  await expect(page.getByText('Done.')).toBeVisible();
  await page.goto(`/pot?cook=evening-${name}`);
  await expect(page.getByTestId('instruction').first()).toHaveText('Weigh it out');
  await stop(page);
}
/** Stops the clock where it is, so that it moves by the test alone. */
const stop = async (page: Page) => page.clock.pauseAt((await page.evaluate(() => Date.now())) + 1000);

const liveAt = (page: Page) =>
  page.evaluate(() => Number(document.querySelector('[data-live-at]')?.getAttribute('data-live-at')));

/** Lets time pass, and waits for the twin's word about it. */
async function pass(page: Page, seconds: number) {
  // each timer that fell due fires once: a jump, not a film of it
  await page.clock.fastForward(Math.round(seconds * 1000));
  const now = await page.evaluate(() => Date.now());
  await expect
    .poll(
      async () => {
        if ((await page.getByTestId('step-done').count()) === 0 || (await liveAt(page)) >= now - 4000) return true;
        await page.clock.runFor(50);
        return false;
      },
      { timeout: 200_000, intervals: [20, 40, 60, 100] },
    )
    .toBe(true);
}

/** Words of the key that ends a step, and what the eye of the stand-in kitchen calls it. */
const EYE: Record<string, RegExp> = {
  'It steams': /It steams/,
  'Bubbles at the rim': /Bubbles at the rim/,
  'First bubble': /First bubble/,
  'It coats the spoon': /Coats the spoon/,
  'Soft through': /Grain soft through/,
  'Down to the mark': /Down at the mark/,
};

/** s of a clock face such as 3:20; 0 where there is none */
const secondsOf = (face: string) => face.split(':').reduce((s, x) => s * 60 + (Number(x) || 0), 0);

type Seen = { alarms: string[]; steps: string[]; sights: string[]; looks: number };
type Cook = {
  /** at each look, before the cook acts; true when it has acted */
  each?: (page: Page, step: string, seen: Seen) => Promise<boolean>;
};

/** Cooks to the dish: every step by what is seen in the stand-in pot, or by its time. */
async function cookThrough(page: Page, c: Cook = {}): Promise<Seen> {
  const seen: Seen = { alarms: [], steps: [], sights: [], looks: 0 };
  for (; seen.looks < 900; seen.looks++) {
    if (await key(page, 'See it set').count()) return seen;
    const read = await page.evaluate(() => ({
      step: document.querySelector('[data-testid=instruction]')?.textContent ?? '',
      done: document.querySelector('[data-testid=step-done]')?.textContent ?? '',
      eye: document.querySelector('[data-testid=eye]')?.textContent ?? '',
      left: document.querySelector('[data-testid=step-time]')?.textContent ?? '',
      alarm: document.querySelector('[data-testid=alarm-act]')?.textContent ?? '',
    }));
    if (read.step && seen.steps.at(-1) !== read.step && !read.alarm) seen.steps.push(read.step);
    if (/flecks/.test(read.eye)) seen.sights.push('egg in flecks');
    if (c.each && (await c.each(page, read.step, seen))) continue;
    if (read.alarm) {
      seen.alarms.push(read.step);
      await pass(page, HAND_S);
      // a call that has quieted by itself meanwhile is no longer there
      await tapIfThere(page.getByTestId('alarm-act'));
      // it falls back; then on again, lower
      await pass(page, HAND_S);
      await page.getByTestId('hob-3').first().dispatchEvent('click');
      await pass(page, LOOK_S);
      continue;
    }
    const label = Object.keys(EYE).find((l) => read.done.startsWith(l));
    const over = !read.done.includes('left');
    if (label ? EYE[label]!.test(read.eye) : over) {
      await page.getByTestId('step-done').click();
      await pass(page, 3);
    } else await pass(page, Math.max(LOOK_S, Math.min(30, secondsOf(read.left) / 3)));
  }
  throw new Error(`not done after ${seen.looks} looks: ${seen.steps.join(', ')}`);
}

/** The tab is killed in the middle and opened again; nothing is lost and the step is the same. */
async function killed(page: Page, context: BrowserContext, name: DishName, awayS: number): Promise<Page> {
  const step = await page.getByTestId('instruction').first().innerText();
  const at = await page.evaluate(() => Date.now());
  // the clock is of all pages together and runs while the new one opens
  await page.clock.resume();
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  await again.route('**/healthz', (r) => r.fulfill({ status: 404 }));
  await again.emulateMedia({ reducedMotion: 'reduce' });
  await again.clock.install({ time: new Date(at + awayS * 1000) });
  await again.goto(`/pot?cook=evening-${name}`);
  await expect(again.getByTestId('instruction').first()).toHaveText(step);
  await stop(again);
  return again;
}

/** From the poured dish to the book. */
async function toTheBook(page: Page, word: RegExp) {
  await key(page, 'See it set').click();
  await expect(page).toHaveURL(/\/set/);
  for (let i = 0; i < 40 && !(await page.getByTestId('ready-at').count()); i++) await page.clock.runFor(200);
  await page.clock.resume();
  await page.clock.fastForward('15:00');
  const act = page.getByTestId('set-act');
  await expect(act).toBeVisible();
  for (let i = 0; i < 4 && /\/set/.test(page.url()); i++) {
    await act.click();
    await throughUnmoulding(page);
    await page.clock.fastForward('03:00:00');
  }
  await expect(page).toHaveURL(/\/batch/);
  await key(page, 'Book').first().click();
  await expect(page.getByRole('link', { name: word })).toHaveCount(1);
}

test.describe('an evening', () => {
  test.use({ actionTimeout: 30_000 });

  test('a starch pudding with too little starch: seen, mended, killed, poured, set, in the book', async ({
    watched: first,
    context,
  }) => {
    test.setTimeout(900_000);
    await light(first, 'starch');
    let mended = '';
    const upTo = await cookThroughTo(first, 'Keep stirring');
    expect(upTo.steps).toEqual([
      'Weigh it out',
      'Whisk the slurry',
      'Warm the milk',
      'Sweep the bottom',
      'Keep stirring',
    ]);
    // seen by the cook, and told
    await key(first, 'Lumps').click();
    await expect(first.getByTestId('answer').locator('visible=true')).toContainText(/whisk hard/);
    // the pot is not heading for its word: the amount is said, and taken with one tap
    await pass(first, 6);
    const mend = first.getByTestId('mend').locator('visible=true');
    for (let i = 0; i < 20 && !(await mend.count()); i++) await pass(first, 2);
    await expect(mend).toContainText(/It will be too thin: (coats|pours), and you want mounds/);
    mended = await mend.innerText();
    expect(mended).toMatch(/\d+(\.\d)? g more cornstarch/);
    await mend.getByRole('button', { name: /^It is in/ }).click();
    await pass(first, 4);
    await expect(first.getByTestId('instruction').first()).toHaveText('Sweep the bottom');
    const page = await killed(first, context, 'starch', 50);
    await expect(page.getByText(/Away from/).locator('visible=true')).toBeVisible();
    const rest = await cookThrough(page);
    expect(rest.steps).toEqual(['Sweep the bottom', 'Keep stirring', 'Off the heat', 'Pour']);
    await toTheBook(page, /Vanilla evening pudding/);
  });

  test('a tempered custard turned up too far: called before it curdles, in time for the ring', async ({
    watched: page,
    context: _context,
  }) => {
    test.setTimeout(900_000);
    await light(page, 'custard');
    let turned = false;
    let ladles = 0;
    const seen = await cookThrough(page, {
      each: async (p, step, s) => {
        if (!/never boil|curdle/.test(step)) return false;
        const ladle = key(p, 'Ladle in').locator('visible=true');
        if (await ladle.count()) {
          await ladle.click();
          ladles += 1;
          await pass(p, 8);
          return true;
        }
        if (!turned) {
          turned = true;
          await p.getByTestId('hob-7').first().dispatchEvent('click');
          await pass(p, 3);
          return true;
        }
        // the call may have come since the step was read: both are read together
        const call = await p.evaluate(() =>
          document.querySelector('[data-testid=alarm-act]')
            ? document.querySelector('[data-testid=instruction]')?.textContent
            : undefined,
        );
        if (call) {
          s.alarms.push(call);
          await pass(p, HAND_S);
          await tapIfThere(p.getByTestId('alarm-act'));
          await pass(p, 3);
          await p.getByTestId('step-done').click();
          await pass(p, 3);
          return true;
        }
        // nobody says that it coats: the call has to come by itself
        await pass(p, 3);
        return true;
      },
    });
    expect(ladles).toBeGreaterThan(1);
    expect(seen.alarms).toContain('Egg about to curdle');
    expect(seen.sights).toEqual([]);
    await toTheBook(page, /Poured choir custard/);
  });
});

/** Cooks until a step's order is shown. */
async function cookThroughTo(page: Page, order: string): Promise<Seen> {
  const stopped = new Error('there');
  const seen: Seen = { alarms: [], steps: [], sights: [], looks: 0 };
  try {
    await cookThrough(page, {
      each: (_p, step, s) => {
        Object.assign(seen, s);
        if (step === order) throw stopped;
        return Promise.resolve(false);
      },
    });
  } catch (e) {
    if (e !== stopped) throw e;
    return seen;
  }
  throw new Error(`never came to ${order}: ${seen.steps.join(', ')}`);
}

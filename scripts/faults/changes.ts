import type { Page } from '@playwright/test';
import type { CollectionName } from '../../core/formats/collections';
import { records, wait, WAIT_MS } from './ground';

type All = Awaited<ReturnType<typeof records>>;

/** One kind of change: made by its number, and whether the records have it. */
export type Change = {
  name: string;
  at: string;
  ready: (page: Page) => Promise<unknown>;
  /** in the page, in one task: what a thumb does */
  make: (page: Page, n: number) => Promise<unknown>;
  kept: (all: All, n: number, before: All) => boolean;
};

type Any = { [key: string]: any };
const data = (all: Record<string, { data: never }>, key: string): Any | undefined => all[key]?.data;
const listOf = (all: Record<string, { data: never }>, prefix: string): Any[] =>
  Object.entries(all).flatMap(([k, v]) => (k.startsWith(prefix) ? [v.data as Any] : []));

/** Types into a field as a fast thumb does: letter by letter, one task. */
const type = (page: Page, selector: string, text: string) =>
  page.evaluate(
    ([sel, all]) => {
      const box = document.querySelector<HTMLInputElement | HTMLTextAreaElement>(sel!)!;
      const proto = box instanceof HTMLTextAreaElement ? HTMLTextAreaElement.prototype : HTMLInputElement.prototype;
      const set = Object.getOwnPropertyDescriptor(proto, 'value')!.set!;
      for (let i = 1; i <= all!.length; i++) {
        set.call(box, all!.slice(0, i));
        box.dispatchEvent(new Event('input', { bubbles: true }));
      }
    },
    [selector, text],
  );
/** A key that is drawn anew because another tab has just changed something is waited for. */
const press = async (page: Page, selector: string, text?: string) => {
  await page.waitForSelector(selector, { timeout: WAIT_MS, state: 'attached' });
  return page.evaluate(
    ([sel, words]) => {
      const all = [...document.querySelectorAll<HTMLElement>(sel!)];
      const key = words
        ? all.find((e) => (e.getAttribute('aria-label') ?? e.textContent ?? '').includes(words))
        : all[0];
      if (!key) throw new Error(`no key ${words ?? sel}`);
      key.click();
    },
    [selector, text],
  );
};
const seen = (selector: string) => (page: Page) =>
  page.waitForSelector(selector, { timeout: WAIT_MS, state: 'attached' });

const BATCH = 'b-coconut-1';
const taps = (all: All) =>
  (data(all, 'cooks/c-vanilla')?.['events'] ?? []).filter((e: Any) => /^(paused|resumed)$/.test(e['kind'])).length;
const hasSkin = (all: All): boolean => data(all, `batches/${BATCH}`)?.['found'].flaws.includes('skin') ?? false;
const count = (all: All, of: CollectionName) => listOf(all, `${of}/`).length;
const one = (all: All, before: All, of: CollectionName, more: number) => count(all, of) === count(before, of) + more;
const changed = (all: All, before: All, of: CollectionName) =>
  JSON.stringify(listOf(all, `${of}/`)) !== JSON.stringify(listOf(before, `${of}/`));
const acts = (all: All): number => (data(all, 'practice')?.['open']?.run.acts.length as number | undefined) ?? 0;
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first();

/** The sheet from which a batch is written down. */
async function toWriteDown(page: Page) {
  await button(page, 'Write down a batch').click({ timeout: WAIT_MS });
  await button(page, new RegExp(`^${PUDDING}`)).waitFor({ timeout: WAIT_MS });
}
const PUDDING = 'Almond drinking cream';
const writeDown = (page: Page) =>
  page.evaluate((name) => {
    const row = [...document.querySelectorAll<HTMLElement>('[role=button]')].find((e) =>
      (e.getAttribute('aria-label') ?? e.textContent ?? '').startsWith(name),
    );
    if (!row) throw new Error('no plan to write down');
    row.click();
  }, PUDDING);
/** A packet typed, and not yet kept. */
async function typePack(page: Page) {
  await page.getByLabel('What it is called').fill('bag of sugar', { timeout: WAIT_MS });
  await page.getByRole('radio', { name: 'sugar', exact: true }).click();
  await page.getByLabel('Holds').fill('1000');
  await wait(200);
}
const ticks = (all: All) => JSON.stringify(listOf(all, 'preps/').map((p) => [p['id'], p['ticks']]));
export const CHANGES: readonly Change[] = [
  {
    name: 'a tap in the pot',
    at: '/pot?cook=c-vanilla',
    ready: seen('[data-testid=instruction]'),
    // the signs that a step asks for change as the pot goes on: this key is always there
    make: (page) =>
      page.evaluate(() => {
        const key = [...document.querySelectorAll<HTMLElement>('[role=button]')].find((e) =>
          /^(Pause|Go on)$/.test((e.getAttribute('aria-label') ?? e.textContent ?? '').trim()),
        );
        if (!key) throw new Error('the pot has no pause');
        key.click();
      }),
    kept: (all, _n, before) => taps(all) > taps(before),
  },
  {
    name: 'an amount typed',
    at: '/plan?id=choir-2-vanilla',
    ready: seen('[data-testid=amount-sugar] input'),
    make: (page, n) => type(page, '[data-testid=amount-sugar] input', String(40 + n)),
    kept: (all, n) =>
      data(all, 'plans/choir-2-vanilla')?.['things'].find((i: Any) => i['ingredientId'] === 'sugar')?.grams === 40 + n,
  },
  {
    name: 'a note, letter by letter',
    at: `/batch?id=${BATCH}`,
    ready: seen('textarea'),
    make: (page, n) => type(page, 'textarea', `row ${n} asked for more`),
    kept: (all, n) => data(all, `batches/${BATCH}`)?.['found'].note === `row ${n} asked for more`,
  },
  {
    name: 'a flaw of a batch',
    at: `/batch?id=${BATCH}`,
    ready: seen('[role=checkbox]'),
    make: (page) => press(page, '[role=checkbox]', 'skin'),
    kept: (all, _n, before) => hasSkin(all) !== hasSkin(before),
  },
  {
    name: 'a setting',
    at: '/settings',
    ready: seen('[role=radiogroup]'),
    make: (page, n) => press(page, '[role=radio]', n % 2 ? '°C' : '°F'),
    kept: (all, n) => data(all, 'settings/mine')?.['temperature'] === (n % 2 ? 'C' : 'F'),
  },
  {
    name: 'a plan duplicated',
    at: '/plan?id=choir-2-vanilla',
    ready: async (page) => {
      await seen('[data-testid=word-serving]')(page);
      await page.getByRole('button', { name: /Plans/ }).first().click();
      await page.getByRole('button', { name: 'Duplicate' }).waitFor({ timeout: WAIT_MS });
    },
    make: (page) => press(page, '[role=button]', 'Duplicate'),
    kept: (all, _n, before) => listOf(all, 'plans/').length === listOf(before, 'plans/').length + 1,
  },
  {
    name: 'a plan deleted',
    at: '/plan?id=choir-2-vanilla',
    ready: async (page) => {
      await seen('[data-testid=word-serving]')(page);
      await page.getByRole('button', { name: /Plans/ }).first().click();
      await page.getByRole('button', { name: 'Duplicate' }).waitFor({ timeout: WAIT_MS });
      await page.getByRole('button', { name: 'Duplicate' }).click();
      await page.waitForURL(/id=plan-/, { timeout: WAIT_MS });
      await wait(500);
      await page.getByRole('button', { name: /Plans/ }).first().click();
      await page.getByRole('button', { name: /^Delete/ }).waitFor({ timeout: WAIT_MS });
    },
    make: (page) => press(page, '[role=button]', 'Delete'),
    kept: (all, _n, before) => listOf(all, 'plans/').length === listOf(before, 'plans/').length - 1,
  },
  {
    name: 'a tick in Prep',
    at: '/prep?id=choir-2-vanilla',
    ready: seen('[data-testid^=prep-]'),
    make: (page) => press(page, '[data-testid^=prep-]'),
    kept: (all, _n, before) => ticks(all) !== ticks(before),
  },
  {
    name: 'an amount stepped',
    at: '/plan?id=choir-2-vanilla',
    ready: seen('[data-testid=amount-sugar] input'),
    make: (page) => press(page, '[data-testid=amount-sugar] [aria-label^=more]'),
    kept: (all, _n, before) => changed(all, before, 'plans'),
  },
  {
    name: 'a cook begun',
    at: '/plan?id=choir-2-vanilla',
    ready: seen('[data-testid=cook]'),
    make: (page) => press(page, '[data-testid=cook]'),
    kept: (all, _n, before) => one(all, before, 'cooks', 1),
  },
  {
    name: 'a batch made',
    at: '/book',
    ready: toWriteDown,
    make: writeDown,
    kept: (all, _n, before) => one(all, before, 'batches', 1),
  },
  {
    name: 'the first word of a batch',
    at: '/book',
    ready: async (page) => {
      await toWriteDown(page);
      await writeDown(page);
      await page.waitForURL(/batch\?id=batch-/, { timeout: WAIT_MS });
      await page.getByRole('radio', { name: 'wobbles' }).first().waitFor({ timeout: WAIT_MS });
    },
    make: (page) => press(page, '[role=radio]', 'wobbles'),
    kept: (all, _n, before) => {
      const worded = (x: All) => listOf(x, 'batches/').filter((b) => b['found'].wordServing === 'wobbles').length;
      return worded(all) === worded(before) + 1;
    },
  },
  {
    name: 'a batch deleted',
    at: '/book',
    ready: async (page) => {
      await toWriteDown(page);
      await writeDown(page);
      await page.waitForURL(/batch\?id=batch-/, { timeout: WAIT_MS });
      await button(page, 'Delete this batch').waitFor({ timeout: WAIT_MS });
      await wait(500);
    },
    make: (page) => press(page, '[role=button]', 'Delete this batch'),
    kept: (all, _n, before) => one(all, before, 'batches', -1),
  },
  {
    name: 'a packet kept',
    at: '/settings',
    ready: typePack,
    make: (page) => press(page, '[role=button]', 'Add this size'),
    kept: (all, _n, before) => one(all, before, 'packs', 1),
  },
  {
    name: 'a packet taken out',
    at: '/settings',
    ready: async (page) => {
      await typePack(page);
      await button(page, 'Add this size').click();
      await button(page, /bag of sugar/).waitFor({ timeout: WAIT_MS });
      await wait(300);
    },
    make: (page) => press(page, '[role=button]', 'bag of sugar'),
    kept: (all, _n, before) => one(all, before, 'packs', -1),
  },
  {
    name: 'a dish of one’s own',
    at: '/plan?id=choir-3-coconut',
    ready: async (page) => {
      await page.getByTestId('row-dish').click({ timeout: WAIT_MS });
      await button(page, 'A dish of my own').click({ timeout: WAIT_MS });
      await page.getByLabel('What you call it').fill('Bass cake tin');
      await wait(300);
    },
    make: (page) => press(page, '[role=button]', 'Keep it'),
    kept: (all, _n, before) => one(all, before, 'vessels', 1),
  },
  {
    name: 'calls of a day',
    at: '/day',
    ready: (page) => page.getByRole('checkbox', { name: 'Call me in time' }).waitFor({ timeout: WAIT_MS }),
    make: (page) => press(page, '[role=checkbox]', 'Call me in time'),
    kept: (all, _n, before) => changed(all, before, 'days'),
  },
  {
    name: 'what is in the house',
    at: '/shopping',
    ready: seen('[data-testid^=buy-]'),
    make: (page) => press(page, '[data-testid^=buy-]'),
    kept: (all, _n, before) => changed(all, before, 'days'),
  },
  {
    name: 'an act in the practice pot',
    at: '/practice?do=slurry',
    ready: async (page) => {
      await seen('[data-testid=stir]')(page);
      // the pot of the trial before
      await page.evaluate(() => localStorage.removeItem('ovalis-practice'));
    },
    make: (page) => press(page, '[role=button]', 'Ring up by one'),
    kept: (all) => acts(all) > 0,
  },
];

type Why = { not: string };
/** All that is kept, and the changes above that stand for each way it can change: a new collection has to say its own. */
export const KINDS: Record<
  CollectionName | 'settings' | 'practice',
  Record<'made' | 'changed' | 'removed', string[] | Why>
> = {
  plans: {
    made: ['a plan duplicated'],
    changed: ['an amount typed', 'an amount stepped'],
    removed: ['a plan deleted'],
  },
  cooks: {
    made: ['a cook begun'],
    changed: ['a tap in the pot'],
    removed: { not: 'only one that was left for half a day; the same operation as a plan deleted' },
  },
  batches: {
    made: ['a batch made'],
    changed: ['the first word of a batch', 'a flaw of a batch', 'a note, letter by letter'],
    removed: ['a batch deleted'],
  },
  ingredients: {
    made: { not: 'four fields of a form; the same operation as a packet kept' },
    changed: { not: 'they are made anew' },
    removed: { not: 'no key does it' },
  },
  packs: { made: ['a packet kept'], changed: { not: 'no key does it' }, removed: ['a packet taken out'] },
  vessels: {
    made: ['a dish of one’s own'],
    changed: { not: 'the same key as made' },
    removed: { not: 'the same operation as a packet taken out' },
  },
  history: {
    made: ['an amount typed'],
    changed: { not: 'never' },
    removed: { not: 'with the plan that it belongs to' },
  },
  days: { made: ['calls of a day'], changed: ['what is in the house'], removed: { not: 'no key does it' } },
  preps: { made: ['a tick in Prep'], changed: ['a tick in Prep'], removed: { not: 'no key does it' } },
  settings: { made: { not: 'they are always there' }, changed: ['a setting'], removed: { not: 'never' } },
  practice: {
    made: ['an act in the practice pot'],
    changed: ['an act in the practice pot'],
    removed: { not: 'left by a key; nothing is lost with it' },
  },
};

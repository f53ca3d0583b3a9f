import type { Page } from '@playwright/test';
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
const press = (page: Page, selector: string, text?: string) =>
  page.evaluate(
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
const seen = (selector: string) => (page: Page) =>
  page.waitForSelector(selector, { timeout: WAIT_MS, state: 'attached' });

const BATCH = 'b-coconut-1';
const taps = (all: All) =>
  (data(all, 'cooks/c-vanilla')?.['events'] ?? []).filter((e: Any) => /^(paused|resumed)$/.test(e['kind'])).length;
const hasSkin = (all: All): boolean => data(all, `batches/${BATCH}`)?.['found'].flaws.includes('skin') ?? false;
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
      data(all, 'plans/choir-2-vanilla')?.['items'].find((i: Any) => i['ingredientId'] === 'sugar')?.grams === 40 + n,
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
];

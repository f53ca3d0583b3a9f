import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { BROWSER } from '../browser';

/** beside this script's bundle */
const SERVER = path.join(__dirname, 'server/main.js');
const PORT = Number(process.env['PORT'] ?? 4196);
/** a port for each browser: one that is killed may hold its own for a moment */
let debugPort = 4300;
export const ORIGIN = `http://localhost:${PORT}`;
const FLAGS = ['--headless', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'];
/** ms for what the app has to do by itself before a trial is given up */
export const WAIT_MS = 30_000;

/** What came of the trials of one kind. */
export type Outcome = { tried: number; lost: number; blank: number; unsaid: number; note?: string };
export const none = (): Outcome => ({ tried: 0, lost: 0, blank: 0, unsaid: 0 });
export type Trial = { name: string; run: (g: Ground) => Promise<Outcome> };

export const wait = (ms: number) => new Promise<void>((ok) => setTimeout(ok, ms));

/** The built app on its server; it can be taken away and brought back. */
export class Server {
  private child: ChildProcess | undefined;
  async up() {
    this.child = spawn(process.execPath, [SERVER], {
      env: { ...process.env, PORT: String(PORT) },
      stdio: 'ignore',
    });
    while (!(await fetch(`${ORIGIN}/healthz`).catch(() => undefined))) await wait(50);
  }
  async down() {
    const gone = new Promise((ok) => this.child?.once('exit', ok));
    this.child?.kill();
    await gone;
  }
}

export type Ground = { server: Server; browser: Browser };

/** A kitchen of its own with the demo in it, and a first page. */
export async function kitchen(browser: Browser, options: Parameters<Browser['newContext']>[0] = {}) {
  const context = await browser.newContext({ baseURL: ORIGIN, timezoneId: 'Europe/Lisbon', ...options });
  const page = await context.newPage();
  await page.goto('/plan?id=choir-2-vanilla');
  await page.getByTestId('word-serving').waitFor({ timeout: WAIT_MS });
  return { context, page };
}

/** A browser as a process of its own, with a profile on the disk: it can be killed. */
export async function ownBrowser(
  profile: string,
): Promise<{ browser: Browser; context: BrowserContext; kill: () => Promise<void> }> {
  const port = ++debugPort;
  const child = spawn(
    BROWSER,
    [...FLAGS, `--remote-debugging-port=${port}`, `--user-data-dir=${profile}`, 'about:blank'],
    { stdio: 'ignore', detached: true },
  );
  let browser: Browser | undefined;
  for (let i = 0; !browser; i++) {
    browser = await chromium.connectOverCDP(`http://localhost:${port}`).catch(() => undefined);
    if (!browser && i > 300) throw new Error('no browser');
    if (!browser) await wait(100);
  }
  const kill = async () => {
    const gone = new Promise((ok) => child.once('exit', ok));
    // all of its processes at once, as a phone does that is out of memory
    process.kill(-child.pid!, 'SIGKILL');
    await gone;
    await browser.close().catch(() => undefined);
  };
  return { browser, context: browser.contexts()[0]!, kill };
}

export async function withProfile<T>(work: (profile: string) => Promise<T>): Promise<T> {
  const profile = mkdtempSync(path.join(tmpdir(), 'profile-'));
  try {
    return await work(profile);
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  }
}

/** A new tab at an address. One that comes into the process of a tab that has just died dies with it: another is opened. */
export async function tabAt(context: BrowserContext, url: string): Promise<Page> {
  for (let i = 1; ; i++) {
    const page = await context.newPage();
    try {
      await page.goto(url);
      return page;
    } catch (e) {
      if (i === 4) throw e;
      await page.close().catch(() => undefined);
      await wait(200);
    }
  }
}

/** Every record as the database has it, by key. */
export const records = (page: Page): Promise<Record<string, { v: number; data: never }>> =>
  page.evaluate(async () => {
    const got = <T>(r: IDBRequest<T>) =>
      new Promise<T>((ok, no) => {
        r.onsuccess = () => ok(r.result);
        r.onerror = () => no(r.error);
      });
    const opening = indexedDB.open('ovalis-choir');
    // one that is not there is not made by looking
    opening.onupgradeneeded = () => opening.transaction!.abort();
    const db = await got(opening);
    const store = db.transaction('entries').objectStore('entries');
    const [keys, values] = await Promise.all([got(store.getAllKeys()), got(store.getAll())]);
    db.close();
    const out: Record<string, never> = {};
    keys.forEach((k, i) => {
      try {
        out[String(k)] = JSON.parse(values[i] as string) as never;
      } catch {
        // torn: nobody's record
      }
    });
    // small notes that are no records
    const practice = localStorage.getItem('ovalis-practice');
    if (practice) out['practice'] = { v: 1, data: JSON.parse(practice) as never } as never;
    return out;
  });

/** A room is blank when it shows no heading and no way to another. */
export const isBlank = async (page: Page): Promise<boolean> =>
  !(await page
    .getByRole('heading', { level: 1 })
    .first()
    .waitFor({ timeout: WAIT_MS })
    .then(() => true)
    .catch(() => false));

/** Polls until it holds. */
export async function holds(what: () => Promise<boolean>, limitMs = 8000): Promise<boolean> {
  const fromMs = Date.now();
  for (;;) {
    if (await what().catch(() => false)) return true;
    if (Date.now() - fromMs > limitMs) return false;
    await wait(100);
  }
}

export const says = (page: Page, text: RegExp, limitMs = 5000): Promise<boolean> =>
  page
    .getByText(text)
    .first()
    .waitFor({ timeout: limitMs })
    .then(() => true)
    .catch(() => false);

export const launch = () => chromium.launch({ executablePath: BROWSER, args: FLAGS });

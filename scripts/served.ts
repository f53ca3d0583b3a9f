import { chromium, type Browser } from '@playwright/test';
import { spawn } from 'node:child_process';
import path from 'node:path';
import { BROWSER } from './browser';

const WAIT_MS = 5000;

/** The built app on its server, and a browser beside it; both are gone when `work` is done. */
export async function withApp(root: string, port: number, work: (browser: Browser, origin: string) => Promise<void>) {
  const origin = `http://localhost:${port}`;
  const server = spawn(process.execPath, [path.join(root, '.cache/server/main.js')], {
    env: { ...process.env, PORT: String(port) },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({
    executablePath: BROWSER,
    args: ['--headless', '--no-sandbox', '--disable-gpu'],
  });
  try {
    const fromMs = Date.now();
    while (!(await fetch(`${origin}/healthz`).catch(() => undefined))) {
      if (Date.now() - fromMs > WAIT_MS) throw new Error(`no server at ${origin}`);
      await new Promise((ok) => setTimeout(ok, 100));
    }
    await work(browser, origin);
  } finally {
    await browser.close();
    server.kill();
  }
}
